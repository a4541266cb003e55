'use client';
import { useState } from 'react';
import { addRows, dropOp, type BankTie, type Load, setOp, type Study, rowOf } from '@/core/design';
import { useWanted } from '@/ui/propose/useWanted';
import type { StudyAnswer, StudyLoad } from '@/core/network';
import { round3, show, sizeName } from '@/core/quantity';
import { useAsked, useDesign, useFreshId, useSelected, useStore } from '@/ui/boat/context';
import { TableBeside } from '@/ui/chart/TableBeside';
import { Choice, Figure, Tick, Words } from '@/ui/field';
import { Plain } from '@/ui/table/Plain';
import { Worked } from '@/ui/working/Worked';
import { perLength, Warm } from './Warm';

/** So many conductors are listed at first. */
const HOTTEST = 12;
const USES = ['off', 'on', 'start'] as const;
const volts = (x: number) => (Number.isNaN(x) ? 'dead' : `${x.toFixed(2)} V`);

/** Named situations in which the whole boat is computed at once: what pulls what down, and what would cure it. */
export function Studies() {
  const design = useDesign();
  const store = useStore();
  const fresh = useFreshId();
  const [id, setId] = useState('');
  const study = rowOf(design.studies, id) ?? design.studies[0];
  const answer = useAsked(study ? `study:${study.id}` : null, (r) => r.study(study?.id ?? ''));
  const proposable = useAsked('proposable studies', (r) => r.proposableStudies()) ?? 0;
  const blank = (): Study => ({ id: fresh('st'), name: 'A study', soc: 0.6, engineRpm: 0, shore: false, cranking: false, loads: {} });
  const add = (rows: readonly Study[], label: string) => {
    store.edit(label, addRows(design, { studies: rows }));
    setId(rows[0]?.id ?? '');
  };
  const wanted = useWanted();
  const propose = async () => {
    const studies = (await wanted('studies'))?.studies ?? [];
    if (studies.length > 0) add(studies, `propose ${studies.length} studies`);
  };
  return (
    <div className="min-h-0 flex-1 overflow-y-auto px-4 pb-6" tabIndex={0} role="region" aria-label="studies">
      <p className="max-w-[760px] text-quiet">
        A study switches on what you name and calculates every conductor, positive and negative, from the banks&apos; rest volts: one load
        pulls another down through what they share.
      </p>
      <p className="mt-2 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        {design.studies.map((s) => (
          <button
            key={s.id}
            type="button"
            aria-pressed={s.id === study?.id}
            className={s.id === study?.id ? 'border-b-2 border-verdigris font-semibold' : 'plain'}
            onClick={() => setId(s.id)}
          >
            {s.name}
          </button>
        ))}
        <button type="button" className="act" disabled={design.studies.length >= 24} onClick={() => add([blank()], 'add a study')}>
          add a study
        </button>
        {proposable > 0 ? (
          <button type="button" className="act" onClick={() => void propose()}>
            propose {proposable}
          </button>
        ) : null}
      </p>
      {study ? (
        <div className="mt-3 grid grid-cols-[minmax(0,1fr)_290px] max-[999px]:grid-cols-1 gap-8">
          <div>{answer ? <Answer answer={answer} study={study} /> : <p className="text-quiet">Calculating.</p>}</div>
          <Situation
            key={study.id}
            study={study}
            onRemove={() => store.edit(`remove ${study.name}`, [dropOp(design, 'studies', study.id)])}
          />
        </div>
      ) : (
        <p className="mt-4 max-w-[560px]">
          None yet. Proposed are every hard start aboard on its own, and an evening with nothing charging; or make one: the windlass with
          the engine idling, say, while the instruments run.
        </p>
      )}
    </div>
  );
}

/** What is switched on, and how the boat stands. */
function Situation({ study, onRemove }: { study: Study; onRemove: () => void }) {
  const design = useDesign();
  const store = useStore();
  const put = (key: string, value: unknown, label: string) =>
    store.edit(`${label} of ${study.name}`, [setOp(store.snapshot().design, ['studies', study.id, key], value)]);
  const use = (load: Load, what: (typeof USES)[number]) => {
    const { [load.id]: _was, ...others } = study.loads;
    put('loads', what === 'off' ? others : { ...others, [load.id]: what }, load.name);
  };
  const loads = design.loads.filter((l) => l.group !== 'charging');
  const shown = [...loads].sort((a, b) => Number(study.loads[b.id] !== undefined) - Number(study.loads[a.id] !== undefined));
  return (
    <div className="space-y-3">
      <Words label="study" value={study.name} onChange={(t) => t && put('name', t, 'name')} />
      <div className="grid grid-cols-2 gap-3">
        <Figure
          label="banks stand at, %"
          kind="none"
          value={Math.round(100 * study.soc)}
          low={0}
          high={100}
          onChange={(v) => put('soc', v / 100, 'charge')}
        />
        <Figure
          label="engine, rpm; 0 stopped"
          kind="none"
          value={study.engineRpm}
          low={0}
          high={8000}
          onChange={(v) => put('engineRpm', v, 'engine')}
        />
      </div>
      <Tick label="shore power plugged in" value={study.shore} onChange={(v) => put('shore', v, 'shore power')} />
      <Tick label="the engine is being cranked" value={study.cranking} onChange={(v) => put('cranking', v, 'cranking')} />
      <Switches study={study} put={put} />
      <h2 className="font-semibold">What is switched on</h2>
      <ul aria-label="Loads of the study">
        {shown.map((l) => (
          <li key={l.id} className="flex items-baseline justify-between gap-2 border-b border-line py-[2px]">
            <span className={study.loads[l.id] ? 'font-semibold' : ''}>{l.name}</span>
            <select
              className="box w-[78px] flex-none"
              aria-label={`${l.name} in the study`}
              value={study.loads[l.id] ?? 'off'}
              onChange={(e) => use(l, e.target.value as (typeof USES)[number])}
            >
              {(l.surgeA === null ? USES.slice(0, 2) : USES).map((u) => (
                <option key={u}>{u}</option>
              ))}
            </select>
          </li>
        ))}
      </ul>
      <button type="button" className="plain" onClick={onRemove}>
        remove this study
      </button>
    </div>
  );
}

const POSITIONS: Readonly<Record<BankTie['kind'], readonly BankTie['running'][]>> = {
  selector: ['first', 'second', 'both', 'off'],
  relay: ['both', 'off'],
  splitter: [],
};

/** How selectors and relays stand, and which mains and feeders are open. */
function Switches({ study, put }: { study: Study; put: (key: string, value: unknown, label: string) => void }) {
  const design = useDesign();
  const joins = design.joins.filter((j) => j.kind !== 'splitter');
  const mains = design.circuits.filter((c) => c.from.kind === 'bank' || c.taps.some((t) => t.serves.kind === 'panel'));
  const open = study.open ?? [];
  const turn = (j: BankTie, to: string) => {
    const { [j.id]: _was, ...others } = study.positions ?? {};
    put('positions', to === '' ? others : { ...others, [j.id]: to }, j.name);
  };
  const bankName = (id: string | null) => rowOf(design.banks, id)?.name ?? 'nothing';
  const said = (j: BankTie, p: BankTie['running']) =>
    j.kind === 'relay'
      ? p === 'both'
        ? 'closed'
        : 'open'
      : p === 'first'
        ? bankName(j.firstId)
        : p === 'second'
          ? bankName(j.secondId)
          : p;
  return (
    <>
      {joins.map((j) => (
        <Choice
          key={j.id}
          label={j.name}
          value={study.positions?.[j.id] ?? ''}
          options={['', ...POSITIONS[j.kind]]}
          names={{ '': 'as habit has it', ...Object.fromEntries(POSITIONS[j.kind].map((p) => [p, said(j, p)])) }}
          onChange={(to) => turn(j, to)}
        />
      ))}
      {mains.length > 0 ? (
        <details open={open.length > 0}>
          <summary className="cursor-pointer font-semibold">Mains and feeders{open.length > 0 ? `, ${open.length} open` : ''}</summary>
          {mains.map((c) => (
            <Tick
              key={c.id}
              label={`${c.no} ${c.name} open`.trim()}
              value={open.includes(c.id)}
              onChange={(is) => put('open', is ? [...open, c.id] : open.filter((x) => x !== c.id), `${c.name} ${is ? 'open' : 'closed'}`)}
            />
          ))}
        </details>
      ) : null}
    </>
  );
}

/** Volts at every load, what falls, heat in every run, and the cure. */
function Answer({ answer, study }: { answer: StudyAnswer; study: Study }) {
  const design = useDesign();
  const [, select] = useSelected();
  const units = design.boat;
  const falling = answer.loads.filter((l) => l.falls);
  const ordered = [...answer.loads].sort((a, b) => room(a) - room(b));
  const nameOf = (id: string) => rowOf(design.loads, id)?.name ?? id;
  const { cure, collapse } = answer;
  const warmth = useAsked(`warmth:${study.id}`, (r) => r.warmth(study.id));
  const [all, setAll] = useState(false);
  const wPerM = new Map(warmth?.runs.map((r) => [`${r.about.kind} ${r.about.id}`, r.wPerM]));
  const hot = [
    ...answer.runs.map((r) => ({ ...r, about: { kind: 'circuit' as const, id: r.circuitId } })),
    ...answer.leads.map((l) => ({ ...l, about: { kind: 'lead' as const, id: l.leadId } })),
  ]
    .filter((r) => r.amps > 0.005)
    .sort((a, b) => b.heatW - a.heatW);
  if (Object.keys(study.loads).length === 0 && !study.cranking) return <p>Nothing is switched on yet: choose loads on the right.</p>;
  return (
    <>
      <p data-verdict>
        {collapse ? (
          <b className="font-semibold text-lead">
            The volts collapse: only {Math.round(100 * collapse.fraction)} % of this can be carried; {nameOf(collapse.loadId)} is worst off.
          </b>
        ) : falling.length > 0 ? (
          <>
            <b className="font-semibold text-lead">
              {falling.length === 1 ? `${falling[0]?.name ?? ''} falls` : `${falling.length} of ${answer.loads.length} loads fall`} below
              the volts {falling.length === 1 ? 'it needs' : 'they need'}.
            </b>{' '}
            {cure
              ? `Circuit ${cure.name} in ${sizeName(design.boat.ruleSet, cure.size)} would cure ${nameOf(cure.loadId)}: ${volts(cure.volts)}.`
              : 'No single run made heavier cures the worst of them: a better charged or larger bank, the engine, or fewer loads at once.'}
          </>
        ) : (
          <>Every load stays in its band.</>
        )}{' '}
        {answer.banks
          .filter((b) => Math.abs(b.amps) > 0.05)
          .map((b) => `${b.name} ${b.amps > 0 ? 'gives' : 'takes'} ${round3(Math.abs(b.amps))} A, ${volts(b.postsV)} at its posts.`)
          .join(' ')}{' '}
        {answer.sources
          .filter((s) => s.amps > 0.05)
          .map((s) => `${s.name} gives ${round3(s.amps)} A.`)
          .join(' ')}{' '}
        {round3(answer.heatW)} W turn to heat.
      </p>
      {answer.cutOff.length > 0 ? (
        <p className="caution mt-2">
          On no circuit, or behind the engine&apos;s key: {answer.cutOff.map(nameOf).join(', ')}. They are dead in this study.
        </p>
      ) : null}
      {answer.refusals.map((r) => (
        <p key={r.id} className="caution mt-2">
          {r.id}: {r.what}. It cannot be calculated.
        </p>
      ))}
      <h2 className="mt-4 font-semibold">Volts at every load, the least room first</h2>
      <Plain
        label="Volts at every load"
        columns={[
          { title: 'load' },
          { title: 'draws', right: true },
          { title: 'at its ends', right: true },
          { title: 'needs', right: true },
          { title: 'room', right: true },
        ]}
        rows={ordered.map((l) => ({
          id: l.id,
          cells: [
            design.loads.some((x) => x.id === l.id) ? (
              <button key="n" type="button" className="plain text-left" onClick={() => select({ kind: 'load', id: l.id })}>
                {l.name}
                {l.starting ? ', starting' : ''}
              </button>
            ) : (
              l.name
            ),
            show(l.amps, 'A', units),
            <b key="v" className={`font-semibold ${l.falls ? 'text-lead' : ''}`}>
              {Number.isNaN(l.volts) ? (
                volts(l.volts)
              ) : (
                <Worked at={{ kind: 'study', id: `${study.id}:${l.id}` }} of={`volts of ${l.name}`}>
                  {volts(l.volts)}
                </Worked>
              )}
            </b>,
            <span
              key="m"
              className={l.minIsMakers ? '' : 'tone-typical'}
              aria-description={l.minIsMakers ? "the maker's least" : 'house rule for starts'}
            >
              {volts(l.minV)}
            </span>,
            Number.isNaN(l.volts) ? '–' : `${round3(room(l))} V`,
          ],
        }))}
      />
      <TableBeside
        title={study.name}
        columns={['load', 'draws, A', 'volts', 'needs, V']}
        rows={ordered.map((l) => [l.name, round3(l.amps), Number.isNaN(l.volts) ? 'dead' : l.volts.toFixed(3), l.minV.toFixed(2)])}
      />
      <h2 className="mt-4 font-semibold">What turns most to heat</h2>
      <Plain
        label="Runs in the study"
        columns={[
          { title: 'circuit or lead' },
          { title: 'carries', right: true },
          { title: 'loses', right: true },
          { title: 'heat', right: true },
          { title: design.boat.lengthUnit === 'ft' ? 'in each foot' : 'in each metre', right: true },
        ]}
        rows={(all ? hot : hot.slice(0, HOTTEST)).map((r) => ({
          id: r.about.id,
          cells: [
            <button key="n" type="button" className="plain text-left" onClick={() => select(r.about)}>
              {r.name}
            </button>,
            show(r.amps, 'A', units),
            `${round3(r.dropV)} V`,
            show(r.heatW, 'W', units),
            perLength(wPerM.get(`${r.about.kind} ${r.about.id}`) ?? 0, design),
          ],
        }))}
      />
      {hot.length > HOTTEST && !all ? (
        <button type="button" className="plain mt-1" onClick={() => setAll(true)}>
          show all {hot.length}
        </button>
      ) : null}
      {warmth ? <Warm warmth={warmth} study={study} /> : null}
      <p className="mt-2 text-[12px] text-quiet">
        Conductors as warm as their own working current makes them; banks at rest volts behind their resistance; alternators at the
        engine&apos;s speed, hot and within the belt; sun and wind left out. Where no maker states a least voltage, the house rule for
        starts is used instead.
      </p>
    </>
  );
}

const room = (l: StudyLoad): number => (Number.isNaN(l.volts) ? -Infinity : l.volts - l.minV);
