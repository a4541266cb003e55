'use client';
import { memo } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts';
import { round3, show, unitOf, type Units } from '@/core/quantity';
import { useAsked, useDesign } from '@/ui/boat/context';
import type { DutyChart as DutyAnswer } from '@/workers/analysis.worker';

/** Conductor temperature through a short duty, beside what the same current for ever would do. */
export default function DutyChart({ circuitId, duty }: { circuitId: string; duty: string }) {
  const design = useDesign();
  const units = design.boat;
  const chart = useAsked(`duty:${circuitId}:${duty}`, (r) => r.duty(circuitId));
  if (!chart) return null;
  return (
    <figure aria-label="Conductor temperature through the duty" className="py-1">
      <figcaption>
        {duty}: peak <b className="reading font-semibold">{show(chart.peakC, 'C', units)}</b>, as much heat as{' '}
        <b className="reading font-semibold">{show(chart.equalA, 'A', units)}</b> continuously. Were it continuous, {round3(chart.amps)} A
        would reach{' '}
        <b className={`reading font-semibold ${chart.steadyC > chart.ratingC ? 'text-lead' : ''}`}>{show(chart.steadyC, 'C', units)}</b>{' '}
        (dashed). The tests ask for <b className="reading font-semibold">{chart.size}</b> with the duty, for{' '}
        <b className="reading font-semibold">{chart.steadySize}</b> without it; the insulation is good for {show(chart.ratingC, 'C', units)}
        . Typical time constant; from ambient.
      </figcaption>
      <div className="h-[150px] w-full max-w-[620px]">
        <Lines chart={chart} units={units} />
      </div>
    </figure>
  );
}

/** Drawn again only when the temperatures are others: the chart draws itself twice each time. */
const Lines = memo(function Lines({ chart, units }: { chart: DutyAnswer; units: Units }) {
  const temperature = unitOf('C', units);
  const data = chart.points.map((p) => ({ min: p.s / 60, duty: temperature.to(p.dutyC), steady: temperature.to(p.steadyC) }));
  const limit = temperature.to(chart.ratingC);
  const top = Math.max(limit, ...data.map((d) => d.duty)) * 1.08;
  return (
    <ResponsiveContainer width="100%" height="100%">
      <LineChart data={data} margin={{ top: 6, right: 12, bottom: 2, left: 0 }}>
        <CartesianGrid stroke="var(--line)" vertical={false} />
        <XAxis
          dataKey="min"
          type="number"
          domain={[0, 'dataMax']}
          unit=" min"
          stroke="var(--quiet)"
          tick={{ fontSize: 11 }}
          tickFormatter={(v: number) => round3(v)}
        />
        <YAxis
          domain={[(low: number) => Math.floor(low / 10) * 10, Math.ceil(top / 10) * 10]}
          unit={` ${temperature.name}`}
          width={58}
          stroke="var(--quiet)"
          tick={{ fontSize: 11 }}
          allowDataOverflow
        />
        <Tooltip
          isAnimationActive={false}
          formatter={(v) => `${round3(Number(v))} ${temperature.name}`}
          labelFormatter={(v) => `${round3(Number(v))} min`}
          contentStyle={{ background: 'var(--sheet)', border: '1px solid var(--ink)', borderRadius: 0 }}
        />
        <ReferenceLine
          y={limit}
          stroke="var(--lead)"
          strokeDasharray="6 3"
          label={{ value: 'rating', position: 'insideTopRight', fontSize: 11, fill: 'var(--lead)' }}
        />
        <Line
          type="linear"
          name="in this duty"
          dataKey="duty"
          stroke="var(--verdigris)"
          strokeWidth={2}
          dot={false}
          isAnimationActive={false}
        />
        <Line
          type="linear"
          name="were it continuous"
          dataKey="steady"
          stroke="var(--quiet)"
          strokeDasharray="4 3"
          dot={false}
          isAnimationActive={false}
        />
      </LineChart>
    </ResponsiveContainer>
  );
});
