'use client';
import { memo } from 'react';
import type { CruiseResult } from '@/core/energy';
import { round3 } from '@/core/quantity';
import { CHART_LEFT, CHART_RIGHT } from './Timeline';

export const SOURCE_TONES = ['var(--verdigris)', 'var(--copper)', 'var(--quiet)', 'var(--ink)', 'var(--faint)', 'var(--lead)'] as const;
const DASHES = ['', '7 3', '2 2', '9 3 2 3', '4 4', '1 3'] as const;
const AMPS_PX = 132;
const SOC_PX = 92;
const VOLTS_PX = 62;

const nice = (top: number): number => {
  const size = 10 ** Math.floor(Math.log10(Math.max(1e-6, top)));
  return ([1, 2, 5, 10].find((k) => k * size >= top) ?? 10) * size;
};

/** Amps by source and load, state of charge and volts through a day. Drawn by hand: it follows the pointer. */
export const DayChart = memo(function DayChart({ run, width }: { run: CruiseResult; width: number }) {
  const { scene, trace } = run;
  const { n } = scene;
  const nB = scene.banks.length;
  const nS = scene.sources.length;
  const span = width - CHART_LEFT - CHART_RIGHT;
  const x = (t: number) => CHART_LEFT + (span * (t + 0.5)) / n;
  const path = (value: (t: number) => number, y: (v: number) => number): string => {
    let d = '';
    for (let t = 0; t < n; t++) d += `${t === 0 ? 'M' : 'L'}${x(t).toFixed(1)} ${y(value(t)).toFixed(1)}`;
    return d;
  };
  let topA = 5;
  let lowV = Infinity;
  let highV = -Infinity;
  for (let t = 0; t < n; t++) {
    for (let s = 0; s < nS; s++) topA = Math.max(topA, trace.sourceA[t * nS + s] ?? 0);
    topA = Math.max(topA, trace.loadA[t] ?? 0);
    for (let b = 0; b < nB; b++) {
      lowV = Math.min(lowV, trace.volts[t * nB + b] ?? 0);
      highV = Math.max(highV, trace.volts[t * nB + b] ?? 0);
    }
  }
  topA = nice(topA);
  lowV = Math.floor(lowV * 2) / 2;
  highV = Math.ceil(highV * 2) / 2;
  const yA = (v: number) => 8 + (AMPS_PX - 16) * (1 - v / topA);
  const ySoc = (v: number) => AMPS_PX + 6 + (SOC_PX - 14) * (1 - v);
  const yV = (v: number) => AMPS_PX + SOC_PX + 6 + (VOLTS_PX - 14) * (1 - (v - lowV) / Math.max(0.5, highV - lowV));
  const axis = (y: number, text: string) => (
    <g key={`${y}${text}`}>
      <line x1={CHART_LEFT} x2={width - CHART_RIGHT} y1={y} y2={y} stroke="var(--line)" />
      <text x={CHART_LEFT - 8} y={y + 4} fontSize={11} textAnchor="end" fill="var(--quiet)">
        {text}
      </text>
    </g>
  );
  const house = scene.banks[scene.house];
  return (
    <svg
      width={width}
      height={AMPS_PX + SOC_PX + VOLTS_PX}
      role="img"
      aria-label="The day: amps by source and load, state of charge, volts"
      className="block"
    >
      {axis(yA(0), '0 A')}
      {axis(yA(topA / 2), `${round3(topA / 2)} A`)}
      {axis(yA(topA), `${round3(topA)} A`)}
      {axis(ySoc(0), '0 %')}
      {axis(ySoc(0.5), '50 %')}
      {axis(ySoc(1), '100 %')}
      {axis(yV(lowV), `${lowV} V`)}
      {axis(yV(highV), `${highV} V`)}
      {house ? (
        <rect
          x={CHART_LEFT}
          width={span}
          y={ySoc(house.chemistry.windowLowSoc)}
          height={Math.max(0, ySoc(0) - ySoc(house.chemistry.windowLowSoc))}
          fill="var(--film)"
        />
      ) : null}
      <path d={`${path((t) => trace.loadA[t] ?? 0, yA)}L${x(n - 1)} ${yA(0)}L${x(0)} ${yA(0)}Z`} fill="var(--film)" stroke="var(--faint)" />
      {scene.sources.map((s, i) => (
        <path
          key={s.id}
          d={path((t) => trace.sourceA[t * nS + i] ?? 0, yA)}
          fill="none"
          stroke={SOURCE_TONES[i % SOURCE_TONES.length]}
          strokeDasharray={DASHES[Math.floor(i / SOURCE_TONES.length) % DASHES.length]}
          strokeWidth={1.6}
        />
      ))}
      {scene.banks.map((b, i) => (
        <g
          key={b.id}
          fill="none"
          stroke={i === scene.house ? 'var(--verdigris)' : 'var(--quiet)'}
          strokeDasharray={i === scene.house ? '' : DASHES[(i % 5) + 1]}
        >
          <path d={path((t) => trace.soc[t * nB + i] ?? 0, ySoc)} strokeWidth={1.6} />
          <path d={path((t) => trace.volts[t * nB + i] ?? 0, yV)} strokeWidth={1.2} />
        </g>
      ))}
    </svg>
  );
});

/** What each line of the day chart is. */
export function DayLegend({ run }: { run: CruiseResult }) {
  const { scene } = run;
  return (
    <p className="text-[12px] text-quiet">
      {scene.sources.map((s, i) => (
        <span key={s.id} className="mr-4 whitespace-nowrap">
          <i
            className="mr-1 inline-block w-[18px] border-t-2 align-middle"
            style={{ borderColor: SOURCE_TONES[i % SOURCE_TONES.length] }}
          />
          {s.name}
        </span>
      ))}
      <span className="mr-4 whitespace-nowrap">
        <i className="mr-1 inline-block h-[8px] w-[18px] border border-faint bg-film align-middle" />
        loads, A
      </span>
      {scene.banks.map((b, i) => (
        <span key={b.id} className="mr-4 whitespace-nowrap">
          <i
            className={`mr-1 inline-block w-[18px] align-middle ${i === scene.house ? 'border-t-2 border-verdigris' : 'border-t-2 border-dashed border-quiet'}`}
          />
          {b.name}: charge, volts
        </span>
      ))}
    </p>
  );
}
