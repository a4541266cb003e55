'use client';
import { scaleLog, type ScaleLogarithmic } from 'd3-scale';
import type { CircuitResult } from '@/core';
import { type CurveSample, curveSamples } from '@/core/protection';
import type { PathDevice } from '@/core/circuit';
import { round3 } from '@/core/quantity';

const W = 560;
const H = 430;
const LEFT = 52;
const BOTTOM = 34;
const LEAST_S = 0.001;
const MOST_S = 10000;
const INKS = ['var(--verdigris)', 'var(--copper)', 'var(--quiet)', 'var(--faint)'];
const DASHES = ['', '7 4', '2 3', '9 3 2 3'];

interface Scales {
  readonly x: ScaleLogarithmic<number, number>;
  readonly y: ScaleLogarithmic<number, number>;
}

/** The whole decades of a logarithmic axis. */
const decades = (scale: ScaleLogarithmic<number, number>) =>
  scale.ticks().filter((t) => Number.isInteger(Number(Math.log10(t).toFixed(9))));

/** Band of a device: between its quickest and its slowest, closed at the top where it may never open. */
function band(samples: readonly CurveSample[], { x, y }: Scales): string {
  const opens = samples.filter((s) => s.fastestS !== null);
  if (opens.length === 0) return '';
  const low = opens.map((s) => `${x(s.amps).toFixed(1)} ${y(s.fastestS ?? MOST_S).toFixed(1)}`);
  const high = opens.map((s) => `${x(s.amps).toFixed(1)} ${y(s.slowestS ?? MOST_S).toFixed(1)}`).reverse();
  return `M${low.join('L')}L${high.join('L')}Z`;
}

/** Time against current of every device on a path, with what the circuit carries, what a fault drives, and what its conductor bears. */
export function TimeCurrent({ result, devices }: { result: CircuitResult; devices: readonly PathDevice[] }) {
  const { fault, conductor, candidate } = result.own.state;
  const least = Math.max(1, Math.min(result.workingA, ...devices.map((d) => d.ratingA)) / 2);
  const most = Math.max(10 * least, ...devices.map((d) => Math.max(d.faultA, 12 * d.ratingA)));
  const scales: Scales = {
    x: scaleLog([least, most], [LEFT, W - 12]).clamp(true),
    y: scaleLog([LEAST_S, MOST_S], [H - BOTTOM, 12]).clamp(true),
  };
  const { x, y } = scales;
  const lines: readonly { readonly amps: number; readonly text: string; readonly at: number }[] = [
    { amps: result.workingA, text: 'works at', at: 24 },
    ...(result.surgeA === null ? [] : [{ amps: result.surgeA, text: 'starts at', at: 40 }]),
    ...(fault ? [{ amps: fault.farA, text: 'least fault, far end', at: 56 }] : []),
    ...(devices[0] ? [{ amps: devices[0].faultA, text: 'largest fault here', at: 72 }] : []),
  ].filter((l) => Number.isFinite(l.amps) && l.amps > 0);
  const bears = fault ? (fault.k * conductor.areaMm2) ** 2 : null;
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="chart w-full max-w-[640px] bg-sheet"
      role="img"
      aria-label={`Time to open against current: ${devices.map((d) => `${d.name}, ${d.family.name} ${round3(d.ratingA)} A`).join('; ')}`}
    >
      {decades(y).map((s) => (
        <g key={s}>
          <line x1={LEFT} x2={W - 12} y1={y(s)} y2={y(s)} stroke="var(--line)" />
          <text x={LEFT - 6} y={y(s) + 4} fontSize={11} textAnchor="end" fill="var(--quiet)">
            {s} s
          </text>
        </g>
      ))}
      {decades(x).map((a) => (
        <g key={a}>
          <line x1={x(a)} x2={x(a)} y1={12} y2={H - BOTTOM} stroke="var(--line)" />
          <text x={x(a)} y={H - BOTTOM + 16} fontSize={11} textAnchor="middle" fill="var(--quiet)">
            {a} A
          </text>
        </g>
      ))}
      {devices.map((d, i) => (
        <path
          key={d.circuitId}
          d={band(curveSamples(d, least, most), scales)}
          fill={INKS[i % 4]}
          fillOpacity={0.13}
          stroke={INKS[i % 4]}
          strokeWidth={1.5}
          strokeDasharray={DASHES[i % 4]}
        />
      ))}
      {bears ? (
        <line
          x1={x(Math.sqrt(bears / MOST_S))}
          y1={y(MOST_S)}
          x2={x(Math.sqrt(bears / LEAST_S))}
          y2={y(bears / Math.sqrt(bears / LEAST_S) ** 2)}
          stroke="var(--lead)"
          strokeWidth={2}
        />
      ) : null}
      {lines.map((l) => (
        <g key={l.text}>
          <line x1={x(l.amps)} x2={x(l.amps)} y1={12} y2={H - BOTTOM} stroke="var(--ink)" strokeDasharray="4 3" />
          <text
            x={x(l.amps) + (x(l.amps) > W - 170 ? -5 : 5)}
            y={H - BOTTOM - l.at}
            fontSize={11}
            textAnchor={x(l.amps) > W - 170 ? 'end' : 'start'}
            fill="var(--ink)"
            stroke="var(--sheet)"
            strokeWidth={3}
            paintOrder="stroke"
          >
            {l.text} {round3(l.amps)} A
          </text>
        </g>
      ))}
      {bears ? (
        <text x={W - 16} y={24} fontSize={11} textAnchor="end" fill="var(--lead)">
          what {conductor.size}
          {conductor.school === 'metric' ? ' mm²' : ' AWG'} bears{candidate.legs > 1 ? ', one leg' : ''}
        </text>
      ) : null}
    </svg>
  );
}

/** Which band is whose: by name, dash and colour. */
export function Legend({ devices }: { devices: readonly PathDevice[] }) {
  return (
    <ul className="mt-1 text-[12px]">
      {devices.map((d, i) => (
        <li key={d.circuitId} className="flex items-center gap-2">
          <svg width={34} height={8} aria-hidden>
            <line x1={0} x2={34} y1={4} y2={4} stroke={INKS[i % 4]} strokeWidth={2} strokeDasharray={DASHES[i % 4]} />
          </svg>
          {d.name}: {d.family.name} {round3(d.ratingA)} A
        </li>
      ))}
    </ul>
  );
}
