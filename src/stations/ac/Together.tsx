'use client';
import { useState } from 'react';
import { type Running, wattsOf } from '@/core/ac';
import { type AcLoad, type Design, rowOf } from '@/core/design';
import { round3 } from '@/core/quantity';
import { useAsked, useDesign, useSelected } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { TableBeside } from '@/ui/chart/TableBeside';
import { Figure, OptionalFigure, Tick } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';

const SHOWN = 14;

/** What may run at once on every source, and what becomes of what is wanted. */
export function Together() {
  const design = useDesign();
  const put = usePut();
  const running = useAsked('together', (r) => r.together());
  const [selected, select] = useSelected();
  const [at, setAt] = useState<string | null>(null);
  const { acRules: rules, acLoads, acSources } = design;
  if (acSources.length === 0 || acLoads.length === 0)
    return (
      <p className="max-w-[560px] px-4 py-4">
        {acLoads.length === 0 ? 'Enter appliances first' : 'Enter a source first'}: then every largest set that may run at once is shown
        here, for each pedestal, the generator and the inverter.
      </p>
    );
  const chosen = running?.find((r) => r.setting.id === at) ?? running?.[0];
  const want = (id: string, on: boolean) =>
    put(
      ['acRules', 'wanted'],
      on ? [...rules.wanted, id] : rules.wanted.filter((x) => x !== id),
      on ? 'want an appliance' : 'want one less',
    );
  return (
    <div
      className="min-h-0 flex-1 overflow-auto px-4 pb-8"
      tabIndex={0}
      role="region"
      aria-label="what can run together"
      data-wide={selected?.kind === 'AC set' ? undefined : true}
    >
      <div className="grid grid-cols-[240px_minmax(0,1fr)] max-[999px]:grid-cols-1 gap-8 pt-2">
        <section aria-label="Wanted together">
          <h2 className="border-b-[1.5px] border-ink pb-1 font-semibold">Wanted together</h2>
          {acLoads.map((l) => (
            <label key={l.id} className="flex items-baseline gap-2 border-b border-line py-[3px]">
              <input type="checkbox" checked={rules.wanted.includes(l.id)} onChange={(e) => want(l.id, e.target.checked)} />
              <span className="flex-1">{l.name}</span>
              <span className="reading text-[12px] text-quiet">{Math.round(wattsOf(design, l).watts)} W</span>
            </label>
          ))}
          <div className="mt-3 space-y-2">
            <Tick
              label="turn the charger down before anything is switched off"
              value={rules.chargerFirst}
              onChange={(v) => put(['acRules', 'chargerFirst'], v, 'charger first')}
            />
            <OptionalFigure
              label={`part of a breaker for what runs long; empty: ${design.boat.ruleSet === 'awg' ? '0.8' : '1'}, by school`}
              kind="none"
              value={rules.continuousPart}
              low={0.5}
              high={1}
              onChange={(v) => put(['acRules', 'continuousPart'], v, 'continuous part')}
            />
            <Figure
              label="inverter judged at, part of full"
              kind="none"
              value={rules.inverterSoc}
              low={0.05}
              high={1}
              onChange={(v) => put(['acRules', 'inverterSoc'], v, 'charge')}
            />
          </div>
        </section>
        <div>
          {running ? (
            <div className="overflow-x-auto">
              <div className="min-w-[680px]">
                <Plain
                  label="Settings"
                  columns={[
                    { title: 'on' },
                    { title: 'what is wanted' },
                    { title: 'room, VA', right: true },
                    { title: 'legs, A', right: true },
                    { title: 'sets', right: true },
                    { title: 'in this order' },
                  ]}
                  rows={running.map((r) => {
                    const { wanted } = r;
                    const fits = wanted.shedding.fits && wanted.outOfReach.length === 0;
                    return {
                      id: r.setting.id,
                      cells: [
                        <button
                          key="n"
                          type="button"
                          aria-pressed={r === chosen}
                          className={`text-left whitespace-nowrap ${r === chosen ? 'font-semibold text-verdigris' : 'plain'}`}
                          onClick={() => {
                            setAt(r.setting.id);
                            select({ kind: 'AC source', id: r.setting.sourceId });
                          }}
                        >
                          {r.setting.name}
                        </button>,
                        r.refusals.some((x) => x.id === '') ? (
                          <b key="w" className="font-semibold text-lead">
                            {r.refusals[0]?.why}
                          </b>
                        ) : rules.wanted.length === 0 ? (
                          'nothing is wanted'
                        ) : fits ? (
                          'fits'
                        ) : wanted.shedding.fits ? (
                          'fits, as far as it reaches'
                        ) : (
                          <b key="w" className="font-semibold text-lead">
                            too much{wanted.opens.length > 0 ? `: opens ${wanted.opens.join(', ')}` : ''}
                          </b>
                        ),
                        Number.isFinite(wanted.roomVa) ? (
                          <Worked key="r" at={setAtOf(r, wanted.ids)} of={`what is wanted on ${r.setting.name}`}>
                            {round3(wanted.roomVa).replace('-', '−')}
                          </Worked>
                        ) : (
                          '–'
                        ),
                        wanted.legs.amps.length > 1
                          ? `${wanted.legs.amps.map(round3).join(' | ')}, neutral ${round3(wanted.legs.neutralA)}`
                          : round3(wanted.legs.amps[0] ?? 0),
                        `${r.together.sets.length}${r.together.more ? '+' : ''}`,
                        stepsOf(design, r),
                      ],
                    };
                  })}
                />
              </div>
            </div>
          ) : (
            <p className="text-quiet">Being worked out.</p>
          )}
          {chosen ? <Sets key={chosen.setting.id} running={chosen} /> : null}
        </div>
      </div>
    </div>
  );
}

const nameOf = (design: Design, id: string): string => rowOf(design.acLoads, id)?.name ?? id;

function stepsOf(design: Design, { wanted }: Running): string {
  const steps = wanted.shedding.steps.map((s) =>
    s.do === 'turn down' ? `${nameOf(design, s.id)} down to ${s.toWatts} W` : `${nameOf(design, s.id)} off`,
  );
  const beyond = wanted.outOfReach.map((id) => nameOf(design, id));
  return [steps.join(', then '), beyond.length > 0 ? `not on it: ${beyond.join(', ')}` : ''].filter(Boolean).join('; ');
}

/** Where the working of a set on a setting is. */
const setAtOf = ({ setting }: Running, ids: readonly string[]) => ({ kind: 'AC set', id: `${setting.id}:${ids.join(',')}` }) as const;

/** Every largest set of a setting: appliances across, sets down. */
function Sets({ running }: { running: Running }) {
  const design = useDesign();
  const [all, setAll] = useState(false);
  const { sets, more } = running.together;
  const rows = design.acLoads.filter((l) => sets.some((s) => s.includes(l.id)));
  const watts = (set: readonly string[]) => set.reduce((sum, id) => sum + wattsById(design, id), 0);
  const shown = all ? sets : sets.slice(0, SHOWN);
  const never = [...running.tooLarge, ...running.refusals.map((r) => r.id).filter(Boolean)].map((id) => {
    const alone = running.opensAlone[id] ?? [];
    return `${nameOf(design, id)}${alone.length > 0 ? ` (opens ${alone.join(', ')})` : ''}`;
  });
  return (
    <section className="mt-5" aria-label={`Largest sets on ${running.setting.name}`}>
      <h2 className="font-semibold">
        {sets.length === 1 ? 'One set' : `${sets.length}${more ? ' and more' : ''} largest sets`} on {running.setting.name}
      </h2>
      <p className="text-quiet">
        Each fits on the source and behind every breaker on the way, however it is plugged in, and nothing can be added to it. Whatever
        leaves something out of one fits as well.
      </p>
      {never.length > 0 ? (
        <p>
          <b className="font-semibold">Never on it:</b> {never.join('; ')}.
        </p>
      ) : null}
      <div className="overflow-x-auto">
        <table className="mt-2 text-left" aria-label="Largest sets">
          <thead>
            <tr className="border-b-[1.5px] border-ink align-bottom text-[12px] text-quiet">
              <th className="pr-3 text-right font-medium">W</th>
              {rows.map((l) => (
                <th key={l.id} className="h-[112px] px-[3px] align-bottom font-medium">
                  <span className="inline-block [writing-mode:vertical-rl] rotate-180 whitespace-nowrap">{l.name}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {shown.map((set) => (
              <tr key={set.join()} className="border-b border-line">
                <td className="reading pr-3 text-right">
                  <Worked at={setAtOf(running, set)} of={`set of ${round3(watts(set))} W on ${running.setting.name}`}>
                    {round3(watts(set))}
                  </Worked>
                </td>
                {rows.map((l) => (
                  <td key={l.id} className="px-[3px] text-center">
                    {set.includes(l.id) ? (
                      <Mark row={l} wanted={design.acRules.wanted.includes(l.id)} />
                    ) : (
                      <span className="text-faint">·</span>
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1 text-[12px] text-quiet">
        <span className="flex items-center gap-[6px]">
          <span aria-hidden className="inline-block size-[10px] border border-ink bg-ink" /> runs, and is wanted together
        </span>
        <span className="flex items-center gap-[6px]">
          <span aria-hidden className="inline-block size-[10px] border border-ink" /> may run as well
        </span>
        <span className="flex items-center gap-[6px]">
          <span aria-hidden className="text-faint">
            ·
          </span>{' '}
          stays off
        </span>
      </p>
      {sets.length > shown.length ? (
        <button type="button" className="plain mt-1" onClick={() => setAll(true)}>
          show all {sets.length}
        </button>
      ) : null}
      <TableBeside
        title={`Largest sets, ${running.setting.name}`}
        columns={['set', 'W', 'appliances']}
        rows={sets.map((s, i) => [String(i + 1), String(Math.round(watts(s))), s.map((id) => nameOf(design, id)).join('; ')])}
      />
    </section>
  );
}

const wattsById = (design: Design, id: string): number => {
  const row = rowOf(design.acLoads, id);
  return row ? wattsOf(design, row).watts : 0;
};

/** Runs in this set; filled where it is wanted too. */
const Mark = ({ row, wanted }: { row: AcLoad; wanted: boolean }) => (
  <span
    role="img"
    aria-label={`${row.name} runs${wanted ? ', wanted' : ''}`}
    className={`inline-block size-[10px] border border-ink ${wanted ? 'bg-ink' : ''}`}
  />
);
