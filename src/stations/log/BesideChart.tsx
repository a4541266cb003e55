'use client';
import dynamic from 'next/dynamic';
import { Slider } from 'radix-ui';
import { useEffect, useState } from 'react';
import type { Stretch } from '@/core/measured';
import { show } from '@/core/quantity';
import { useDesign } from '@/ui/boat/context';
import { TableBeside } from '@/ui/chart/TableBeside';

const Curves = dynamic(() => import('@/ui/chart/Curves'), { ssr: false });
const HOUR_MS = 3600_000;
const DAY_MS = 24 * HOUR_MS;
/** Steps of the axis, the first that makes few enough of them. */
const TICK_STEPS_H = [1, 3, 6, 12, 24, 48, 168, 336, 720] as const;
const MOST_TICKS = 9;
const REST_MS = 120;

export interface Range {
  readonly from: number;
  readonly to: number;
}

/** Whole hours, days or weeks within a stretch. */
function ticksOf({ from, to }: Range): readonly number[] {
  const step = HOUR_MS * (TICK_STEPS_H.find((h) => (to - from) / (h * HOUR_MS) <= MOST_TICKS) ?? 1440);
  const first = Math.ceil(from / step) * step;
  return Array.from({ length: Math.max(0, Math.floor((to - first) / step) + 1) }, (_, i) => first + i * step);
}

const stamp = (at: number): string => new Date(at).toISOString().slice(0, 16).replace('T', ' ');
const MEASURED = { name: 'measured', color: 'var(--copper)', width: 1.6 } as const;
const EXPECTED = { name: 'expected', color: 'var(--verdigris)', dash: '5 3', width: 1.6 } as const;

/** Amps, volts and charge as they were measured over those of the days they are most like, for as much of the time as is chosen. */
export function BesideChart({
  whole,
  range,
  onRange,
  ask,
}: {
  readonly whole: Range;
  readonly range: Range;
  readonly onRange: (range: Range) => void;
  /** The same until another file is answered. */
  readonly ask: (range: Range) => Promise<Stretch | null>;
}) {
  const { boat } = useDesign();
  const [stretch, setStretch] = useState<{ readonly of: Range; readonly is: Stretch } | null>(null);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    let live = true;
    // While it is dragged nothing is asked.
    const timer = setTimeout(() => {
      ask(range).then(
        (is) => {
          if (live && is) setStretch({ of: range, is });
        },
        (error: unknown) => {
          if (live) setTrouble(error instanceof Error ? error.message : String(error));
        },
      );
    }, REST_MS);
    return () => {
      live = false;
      clearTimeout(timer);
    };
  }, [ask, range]);
  const hours = (at: number) => Math.round((at - whole.from) / HOUR_MS);
  const of = ([from = 0, to = 0]: readonly number[]): Range => ({
    from: whole.from + from * HOUR_MS,
    to: Math.min(whole.to, whole.from + Math.max(from + 1, to) * HOUR_MS),
  });
  const last = Math.max(1, Math.ceil((whole.to - whole.from) / HOUR_MS));
  const points = stretch?.is.points ?? [];
  const data = points.map((p) => ({
    at: p.at,
    amps: p.amps,
    expectedA: p.expectedA,
    volts: p.volts,
    expectedV: p.expectedV,
    soc: p.soc === null ? null : 100 * p.soc,
    expectedSoc: p.expectedSoc === null ? null : 100 * p.expectedSoc,
  }));
  const ticks = ticksOf(range);
  // Midnight is told by its date, an hour by itself; between them both.
  const said = (at: number) => (at % DAY_MS === 0 ? stamp(at).slice(0, 10) : at % HOUR_MS === 0 ? stamp(at).slice(11) : stamp(at));
  const x = { key: 'at', unit: '', ticks, said };
  const charge = points.some((p) => p.soc !== null);
  const cell = (v: number | null, digits: number) => (v === null ? '–' : v.toFixed(digits));
  return (
    <section aria-label="Measured over expected" className="mt-4">
      <h2 className="font-semibold">Measured over expected</h2>
      <div className="screen-only mt-1 flex flex-wrap items-center gap-4">
        <Slider.Root
          className="relative flex h-[24px] w-[420px] max-w-full touch-none items-center select-none"
          min={0}
          max={last}
          step={1}
          minStepsBetweenThumbs={1}
          value={[hours(range.from), Math.min(last, Math.max(hours(range.from) + 1, Math.ceil((range.to - whole.from) / HOUR_MS)))]}
          onValueChange={(v) => onRange(of(v))}
        >
          <Slider.Track className="relative h-[2px] grow bg-line">
            <Slider.Range className="absolute h-full bg-verdigris" />
          </Slider.Track>
          {(['first hour shown', 'last hour shown'] as const).map((label) => (
            <Slider.Thumb key={label} aria-label={label} className="block h-[22px] w-[10px] border-[1.5px] border-ink bg-sheet" />
          ))}
        </Slider.Root>
        <span className="reading" data-range>
          {stamp(range.from)} to {stamp(range.to)}
        </span>
        <button type="button" className="plain" onClick={() => onRange(whole)}>
          all of it
        </button>
      </div>
      {trouble === '' ? null : (
        <p className="caution mt-2">This stretch could not be drawn: {trouble}. Hold the file beside the boat again.</p>
      )}
      {stretch === null ? (
        <p className="mt-2 text-quiet">Being worked out.</p>
      ) : (
        <div aria-busy={stretch.of !== range}>
          <p className="mt-1" data-stretch>
            In this stretch <b className="font-semibold">{show(stretch.is.ah, 'Ah', boat)}</b> measured into the bank,{' '}
            <b className="font-semibold">{show(stretch.is.expectedAh, 'Ah', boat)}</b> expected:{' '}
            {show(Math.abs(stretch.is.ah - stretch.is.expectedAh), 'Ah', boat)} {stretch.is.ah < stretch.is.expectedAh ? 'less' : 'more'}.
            Steps of {Math.round(stretch.is.stepMs / 60_000)} min.
          </p>
          <Curves
            label={`Amps into the bank, measured and expected, ${stamp(range.from)} to ${stamp(range.to)}`}
            data={data}
            x={x}
            unit=" A"
            height={190}
            curves={[
              { key: 'amps', ...MEASURED },
              { key: 'expectedA', ...EXPECTED },
            ]}
          />
          <Curves
            label="Volts, measured and expected"
            data={data}
            x={x}
            unit=" V"
            height={150}
            curves={[
              { key: 'volts', ...MEASURED },
              { key: 'expectedV', ...EXPECTED },
            ]}
          />
          {charge ? (
            <Curves
              label="State of charge, measured and expected"
              data={data}
              x={x}
              unit=" %"
              height={150}
              curves={[
                { key: 'soc', ...MEASURED },
                { key: 'expectedSoc', ...EXPECTED },
              ]}
            />
          ) : (
            <p className="text-[12px] text-quiet">There is no charge in this file.</p>
          )}
          <TableBeside
            title="Measured over expected"
            columns={['at', 'A', 'expected, A', 'V', 'expected, V', 'charge, %', 'expected, %']}
            rows={data.map((p) => [
              stamp(p.at),
              cell(p.amps, 1),
              cell(p.expectedA, 1),
              cell(p.volts, 2),
              cell(p.expectedV, 2),
              cell(p.soc, 1),
              cell(p.expectedSoc, 1),
            ])}
          />
          <p className="text-[12px] text-quiet">
            Expected is the way of living each day is most like; its charge goes from where the measured one stood that morning.
          </p>
        </div>
      )}
    </section>
  );
}
