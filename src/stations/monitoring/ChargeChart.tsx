'use client';
import { CartesianGrid, Legend, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';

/** What the bank holds and what the gauge shows, day by day. */
export function ChargeChart({
  truth,
  shown,
  everyH,
  falseFulls,
}: {
  truth: readonly number[];
  shown: readonly number[];
  everyH: number;
  falseFulls: readonly number[];
}) {
  const points = truth.map((t, i) => ({ day: ((i + 1) * everyH) / 24, 'in truth': 100 * t, 'as shown': 100 * (shown[i] ?? 0) }));
  const days = Math.ceil((truth.length * everyH) / 24);
  return (
    <figure className="mt-2" aria-label="Charge in truth and as shown">
      <ResponsiveContainer width="100%" height={250}>
        <LineChart data={points} margin={{ top: 8, right: 12, bottom: 4, left: 0 }}>
          <CartesianGrid stroke="var(--line)" vertical={false} />
          <XAxis
            dataKey="day"
            type="number"
            domain={[0, days]}
            ticks={Array.from({ length: Math.floor(days / 5) + 1 }, (_, i) => 5 * i)}
            unit=" d"
            stroke="var(--quiet)"
            tick={{ fontSize: 11 }}
          />
          <YAxis domain={[0, 100]} unit=" %" stroke="var(--quiet)" tick={{ fontSize: 11 }} width={54} />
          {falseFulls.slice(0, 40).map((h) => (
            <ReferenceLine key={h} x={h / 24} stroke="var(--lead)" strokeDasharray="2 3" />
          ))}
          <Line dataKey="in truth" stroke="var(--ink)" dot={false} strokeWidth={1.4} isAnimationActive={false} />
          <Line
            dataKey="as shown"
            stroke="var(--verdigris)"
            dot={false}
            strokeWidth={1.4}
            strokeDasharray="5 3"
            isAnimationActive={false}
          />
          <Legend wrapperStyle={{ fontSize: 12 }} />
        </LineChart>
      </ResponsiveContainer>
      {falseFulls.length > 0 ? (
        <figcaption className="text-[12px] text-lead">Dotted: it called full, and the bank was not.</figcaption>
      ) : null}
    </figure>
  );
}
