'use client';
/** Curves over one axis, drawn with hairlines; which is which is told by name, dash and colour. */
import { CartesianGrid, Legend, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { round3 } from '@/core/quantity';

export interface Curve {
  readonly key: string;
  readonly name: string;
  readonly color: string;
  readonly dash?: string;
  readonly width?: number;
  readonly step?: boolean;
}

interface Props {
  readonly label: string;
  readonly data: readonly Readonly<Record<string, number | null>>[];
  /** ticks: where they stand; left out: where the chart puts them. */
  readonly x: {
    readonly key: string;
    readonly unit: string;
    readonly ticks?: readonly number[];
    /** How a place on the axis reads, with its unit; left out: in three figures. */
    readonly said?: (x: number) => string;
  };
  readonly unit: string;
  readonly curves: readonly Curve[];
  readonly height?: number;
  readonly domain?: readonly [number | 'auto' | 'dataMin', number | 'auto' | 'dataMax'];
  readonly marks?: readonly { readonly x?: number; readonly y?: number; readonly text: string }[];
}

export default function Curves({ label, data, x, unit, curves, height = 220, domain = ['auto', 'auto'], marks = [] }: Props) {
  const placed = (v: number) => x.said?.(v) ?? round3(v);
  return (
    <div role="img" aria-label={label} style={{ height }} className="chart keep w-full">
      <ResponsiveContainer width="100%" height="100%">
        <LineChart data={[...data]} margin={{ top: 8, right: 14, bottom: 2, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis
            dataKey={x.key}
            type="number"
            domain={['dataMin', 'dataMax']}
            {...(x.ticks ? { ticks: [...x.ticks] } : {})}
            unit={x.unit}
            stroke="var(--quiet)"
            tick={{ fontSize: 11 }}
            tickFormatter={placed}
          />
          <YAxis
            domain={[...domain]}
            unit={unit}
            width={62}
            stroke="var(--quiet)"
            tick={{ fontSize: 11 }}
            tickFormatter={(v: number) => String(Math.round(v * 100) / 100)}
          />
          <Tooltip
            isAnimationActive={false}
            formatter={(v) => `${round3(Number(v))}${unit}`}
            labelFormatter={(v) => `${placed(Number(v))}${x.unit}`}
            contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--ink)', borderRadius: 0 }}
          />
          <Legend iconType="plainline" wrapperStyle={{ fontSize: 12 }} />
          {marks.map((m) => (
            <ReferenceLine
              key={m.text}
              {...(m.x === undefined ? {} : { x: m.x })}
              {...(m.y === undefined ? {} : { y: m.y })}
              stroke={m.y === undefined ? 'var(--quiet)' : 'var(--lead)'}
              strokeDasharray="6 3"
              label={{ value: m.text, position: 'insideTopRight', fontSize: 11, fill: m.y === undefined ? 'var(--quiet)' : 'var(--lead)' }}
            />
          ))}
          {curves.map((c) => (
            <Line
              key={c.key}
              type={c.step ? 'stepAfter' : 'linear'}
              name={c.name}
              dataKey={c.key}
              stroke={c.color}
              strokeWidth={c.width ?? 1.5}
              {...(c.dash ? { strokeDasharray: c.dash } : {})}
              dot={false}
              isAnimationActive={false}
            />
          ))}
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
