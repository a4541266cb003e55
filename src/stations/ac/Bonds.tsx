'use client';
import { useState } from 'react';
import { type AcState, bondsRight, type Origin } from '@/core/ac';
import { type AcSource, type Design, EARTHINGS, rowOf } from '@/core/design';
import { useAsked, useDesign, useFindings } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { Choice, OptionalFigure } from '@/ui/field';
import { Findings } from './Findings';

const EARTH_WORDS = {
  'joined to DC negative':
    'One joint between the AC earth bar and the main DC negative. A fault of AC into the DC side then opens a breaker; stray current needs the isolator.',
  'whole-boat residual current':
    'No joint: a residual-current device for everything aboard, behind every source. Less stray current; all depends on a device that is tested every month.',
  'isolation transformer':
    'No wire from ashore comes aboard: the earth ashore ends at the transformer’s shield. Heavy and dear; the safest beside steel and aluminium.',
} as const;

/** Where neutral meets earth in every state of the selectors, and which school the earth follows. */
export function Bonds() {
  const design = useDesign();
  const put = usePut();
  const { acRules, acSources } = design;
  const states = useAsked('AC states', (r) => r.acStates()) ?? [];
  const [only, setOnly] = useState('');
  const [at, setAt] = useState<string | null>(null);
  const findings = useFindings().filter((f) => !f.accepted && /^ac-(bond|parallel|earth|generator-loose)/.test(f.id));
  const live = states.filter((s) => s.origins.some((o) => o.panels.length > 0 || !bondsRight(o)));
  const shown = live
    .filter((s) => only === '' || s.origins.some((o) => o.sourceId === only))
    .sort((a, b) => Number(a.origins.every(bondsRight)) - Number(b.origins.every(bondsRight)));
  const state = shown.find((s) => s.id === at) ?? shown[0];
  const wrong = live.filter((s) => s.origins.some((o) => !bondsRight(o))).length;
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 pb-8" tabIndex={0} role="region" aria-label="bonds and earth" data-wide>
      <div className="grid max-w-[760px] grid-cols-2 items-end gap-4 pt-2">
        <Choice
          label="the AC earth"
          value={acRules.earthing}
          options={EARTHINGS}
          onChange={(v) => put(['acRules', 'earthing'], v, 'earthing')}
        />
        <OptionalFigure
          label="inlet to main breaker at most; empty: by school"
          kind="m"
          value={acRules.breakerWithinM}
          low={0.1}
          high={30}
          onChange={(v) => put(['acRules', 'breakerWithinM'], v, 'breaker distance')}
        />
      </div>
      <p className="mt-1 max-w-[760px] text-quiet">{EARTH_WORDS[acRules.earthing]}</p>
      <div className="-mx-4 mt-2">
        <Findings list={findings} label="Findings of bonds and earth" />
      </div>
      {live.length === 0 ? (
        <p className="mt-3 max-w-[560px]">
          No source feeds a panel yet: with sources, panels and runs entered every state of the transfers is gone through here.
        </p>
      ) : (
        <>
          <h2 className="mt-4 font-semibold">
            {live.length} states of leads, transfers and inverters:{' '}
            {wrong === 0 ? 'neutral meets earth in the right place in all of them' : <span className="text-lead">wrong in {wrong}</span>}
          </h2>
          <div className="grid grid-cols-[1fr_400px] max-[999px]:grid-cols-1 gap-8">
            <div>
              <p className="mt-1 flex flex-wrap gap-x-4">
                <span className="text-quiet">with</span>
                {[{ id: '', name: 'anything' }, ...acSources].map((s) => (
                  <button
                    key={s.id}
                    type="button"
                    aria-pressed={only === s.id}
                    className={only === s.id ? 'font-semibold text-verdigris' : 'plain'}
                    onClick={() => setOnly(s.id)}
                  >
                    {s.name}
                  </button>
                ))}
              </p>
              <table className="mt-2 w-full text-left" aria-label="States">
                <thead>
                  <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
                    <th className="pr-3 font-medium">state</th>
                    <th className="pr-3 font-medium">neutral meets earth at</th>
                    <th className="font-medium"> </th>
                  </tr>
                </thead>
                <tbody>
                  {shown.map((s) => (
                    <tr key={s.id} className={`border-b border-line align-top ${s === state ? 'bg-wash' : ''}`}>
                      <td className="py-[2px] pr-3">
                        <button type="button" className="text-left hover:underline" aria-pressed={s === state} onClick={() => setAt(s.id)}>
                          {s.name}
                        </button>
                      </td>
                      <td className="py-[2px] pr-3">{s.origins.map((o) => placeOf(design, o)).join('; ')}</td>
                      <td className="py-[2px]">
                        {s.origins.every(bondsRight) ? 'right' : <b className="font-semibold text-lead">wrong</b>}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
            {state ? <Picture design={design} state={state} /> : null}
          </div>
        </>
      )}
      <p className="caution mt-4 max-w-[760px]">
        One bond, at the source: ashore on shore power, aboard on the generator and on the inverter, never two. Two put working current into
        the boat&apos;s metal and the water; none leaves a live case live. Local code and licensed practice come first.
      </p>
    </div>
  );
}

function placeOf(design: Design, o: Origin): string {
  const name = rowOf(design.acSources, o.sourceId)?.name ?? '';
  return o.bonds.length > 0 ? o.bonds.map((b) => b.at).join(' and ') : `nowhere, for ${name}`;
}

/** What a source does in a state. */
function doing(s: AcSource, state: AcState): string {
  if (state.dead.includes(s.id)) return 'lead in, dead';
  if (s.kind === 'inverter') {
    const does = state.inverters[s.id] ?? 'off';
    return { inverting: 'inverting', passing: 'passing on', between: 'between the two', off: 'stopped' }[does];
  }
  const there = state.present.includes(s.id);
  return s.kind === 'shore' ? (there ? 'lead in' : 'lead out') : there ? 'running' : 'stopped';
}

const ROW = 62;

/** Sources to the left, panels to the right, what is live drawn full; the bond a bar between neutral and earth. */
function Picture({ design, state }: { design: Design; state: AcState }) {
  const { acSources: sources, acPanels: panels } = design;
  const height = Math.max(sources.length, panels.length) * ROW + 46;
  const y = (i: number) => 44 + i * ROW;
  const originOf = (id: string) => state.origins.find((o) => o.sourceId === id);
  const feeds = state.origins.flatMap((o) => o.panels.map((p) => ({ o, p })));
  const words = state.origins.map((o) => placeOf(design, o)).join('; ');
  return (
    <svg
      viewBox={`0 0 400 ${height}`}
      className="chart mt-2 w-full self-start border border-line bg-sheet"
      role="img"
      aria-label={`${state.name}: neutral meets earth at ${words}`}
    >
      <text x={14} y={20} fontSize={12} fill="var(--quiet)">
        sources
      </text>
      <text x={272} y={20} fontSize={12} fill="var(--quiet)">
        panels
      </text>
      {feeds.map(({ o, p }) => {
        const from = y(sources.findIndex((s) => s.id === o.sourceId));
        const to = y(panels.findIndex((x) => x.id === p));
        return (
          <g key={`${o.sourceId} ${p}`} fill="none">
            <path d={`M140 ${from - 8} H ${190} V ${to - 8} H 268`} stroke="var(--ink)" strokeWidth={2.2} />
            <path d={`M140 ${from + 2} H ${200} V ${to + 2} H 268`} stroke="var(--ink)" strokeWidth={1.1} />
            <path d={`M140 ${from + 12} H ${210} V ${to + 12} H 268`} stroke="var(--verdigris)" strokeWidth={1.1} strokeDasharray="5 3" />
          </g>
        );
      })}
      {sources.map((s, i) => {
        const o = originOf(s.id);
        const passing = state.inverters[s.id] === 'passing';
        const dead = state.dead.includes(s.id);
        return (
          <g key={s.id} opacity={(o ?? (passing || dead)) ? 1 : 0.4}>
            <rect x={12} y={y(i) - 20} width={128} height={42} fill="var(--sheet)" stroke="var(--ink)" />
            <text x={20} y={y(i) - 4} fontSize={12.5} fill="var(--ink)" fontWeight={600}>
              {s.name.slice(0, 19)}
            </text>
            <text x={20} y={y(i) + 13} fontSize={11.5} fill="var(--quiet)">
              {doing(s, state)}
            </text>
            {o?.bonds
              .filter((b) => b.kind !== 'ashore' && b.id === s.id)
              .map((b) => (
                <Bond key={b.at} x={152} y={y(i)} />
              ))}
            {o?.bonds.some((b) => b.kind === 'ashore' && b.id === s.id) ? (
              <text x={146} y={y(i) + 30} fontSize={11} fill="var(--quiet)">
                joined ashore
              </text>
            ) : null}
          </g>
        );
      })}
      {panels.map((p, i) => {
        const fed = state.origins.find((o) => o.panels.includes(p.id));
        return (
          <g key={p.id} opacity={fed ? 1 : 0.4}>
            <rect x={268} y={y(i) - 20} width={122} height={42} fill="var(--sheet)" stroke="var(--ink)" />
            <text x={276} y={y(i) - 4} fontSize={12.5} fill="var(--ink)" fontWeight={600}>
              {p.name.slice(0, 18)}
            </text>
            <text x={276} y={y(i) + 13} fontSize={11.5} fill="var(--quiet)">
              {fed ? 'live' : 'dead'}
            </text>
            {p.linked ? <Bond x={258} y={y(i)} /> : null}
          </g>
        );
      })}
      <text x={14} y={height - 8} fontSize={11.5} fill="var(--quiet)">
        thick live, thin neutral, dashed earth; the red bar joins the two
      </text>
    </svg>
  );
}

const Bond = ({ x, y }: { x: number; y: number }) => (
  <g stroke="var(--lead)" strokeWidth={3}>
    <line x1={x} x2={x} y1={y + 1} y2={y + 13} />
    <circle cx={x} cy={y + 2} r={2} fill="var(--lead)" />
    <circle cx={x} cy={y + 12} r={2} fill="var(--lead)" />
  </g>
);
