'use client';
import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Column, Further, LearnedFigure, Matching, Residual, Stretch } from '@/core/measured';
import { show } from '@/core/quantity';
import { BankSelect } from '@/ui/field/BankSelect';
import { type Employed, employ } from '@/ui/boat/employ';
import { useDesign, useStore } from '@/ui/boat/context';
import { useWhatChanges, WhatChanges } from '@/ui/remedies/WhatChanges';
import { Plain } from '@/ui/table/Plain';
import type { Heads, MeasuredAnswer, MeasuredApi } from '@/workers/measured.worker';
import { BesideChart, type Range } from './BesideChart';
import { KeptDays } from './KeptDays';
import { dayOf } from './said';
import { type KeptSet, useKeptDays } from '@/ui/boat/useKeptDays';

const PATIENCE_MS = 120_000;
const COLUMNS: readonly (readonly [Column, string])[] = [
  ['time', 'time'],
  ['volts', 'volts'],
  ['amps', 'amps'],
  ['soc', 'charge, where there is one'],
];
const SIGNS = { found: 'as is found', into: 'into the bank is positive', out: 'out of the bank is positive' } as const;

/** Days that a gauge or logger has measured: beside what this boat would do, and what they teach. */
export function MeasuredDays() {
  const design = useDesign();
  const store = useStore();
  const [bankId, setBank] = useState(design.banks[0]?.id ?? '');
  const [heads, setHeads] = useState<Heads | null>(null);
  const [match, setMatch] = useState<Matching | null>(null);
  const [sign, setSign] = useState<keyof typeof SIGNS>('found');
  const [part, setPart] = useState<number | null>(null);
  const [answer, setAnswer] = useState<MeasuredAnswer | null>(null);
  /** How often it was answered: each answer is looked at from its whole on. */
  const [answers, setAnswers] = useState(0);
  const [trouble, setTrouble] = useState('');
  const worker = useRef<Employed<MeasuredApi> | null>(null);
  useEffect(() => () => worker.current?.end(), []);
  const hired = (): Employed<MeasuredApi> =>
    (worker.current ??= employ<MeasuredApi>(
      () => new Worker(new URL('../../workers/measured.worker.ts', import.meta.url), { type: 'module' }),
    ));
  const failed = (error: unknown) => setTrouble(error instanceof Error ? error.message : String(error));
  const kept = useKeptDays();
  /** What the days at hand are called, and whether they are on file already. */
  const [named, setNamed] = useState({ name: '', kept: false });
  const taking = async (name: string, isKept: boolean, work: (told: (p: number) => void) => Promise<Heads>) => {
    setTrouble('');
    setAnswer(null);
    setHeads(null);
    setPart(0);
    try {
      const found = await work(proxy((p: number) => setPart(p)));
      setNamed({ name, kept: isKept });
      setHeads(found);
      setMatch(found.match);
    } catch (error) {
      failed(error);
    } finally {
      setPart(null);
    }
  };
  const sourcesOf = (bank: string) => design.sources.flatMap((s) => (s.bankId === bank ? [{ id: s.id, name: s.name }] : []));
  const take = (file: File) =>
    taking(file.name, false, (told) => hired().call((r) => r.take(file, bankId, sourcesOf(bankId), told), PATIENCE_MS));
  const reopen = (set: KeptSet) => {
    setBank(set.bankId);
    // As it is kept it runs into the bank.
    setSign('into');
    return taking(set.name, true, async (told) => {
      const bytes = await kept.open(set.id);
      return hired().call((r) => r.unfold(bytes, sourcesOf(set.bankId), told), PATIENCE_MS);
    });
  };
  const keep = async () => {
    const csv = await hired().call((r) => r.folded(), PATIENCE_MS);
    if (csv && (await kept.keep(bankId, named.name, csv))) setNamed({ ...named, kept: true });
  };
  const ask = async () => {
    if (!match) return;
    setPart(0.5);
    setTrouble('');
    try {
      setAnswer(await hired().call((r) => r.answer(design, bankId, match, sign === 'found' ? null : sign === 'out'), PATIENCE_MS));
      setAnswers((n) => n + 1);
    } catch (error) {
      failed(error);
    } finally {
      setPart(null);
    }
  };
  const askStretch = useCallback(
    ({ from, to }: Range) => worker.current?.call((r) => r.stretch(from, to), PATIENCE_MS) ?? Promise.resolve(null),
    [],
  );
  const stop = () => {
    worker.current?.end();
    worker.current = null;
    setHeads(null);
    setPart(null);
  };
  if (design.banks.length === 0) return <p>Measured days belong to a bank: enter one first (Bank).</p>;
  const ready = match !== null && match.time !== null && match.volts !== null && match.amps !== null;
  return (
    <div className="max-w-[980px]">
      <p className="max-w-[760px] text-quiet">
        A file of a gauge or logger: CSV with time, volts and amps, or JSON deltas, one message a line. It stays on this device until it is
        kept with the boat; what it teaches is offered, and only what is taken goes into the design.
      </p>
      <KeptDays sets={kept.sets} onOpen={(s) => void reopen(s)} onAway={(s, away) => void kept.putAway(s.id, away)} />
      <div className="mt-2 flex flex-wrap items-end gap-4">
        <BankSelect label="of" value={bankId} onChange={setBank} />
        <label>
          file{' '}
          <input
            type="file"
            accept=".csv,.txt,.json,.jsonl,.ndjson"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) void take(file);
            }}
          />
        </label>
        {part === null ? null : (
          <span role="status" className="text-quiet">
            reading, {Math.round(100 * part)} %{' '}
            <button type="button" className="plain" onClick={stop}>
              stop
            </button>
          </span>
        )}
      </div>
      {trouble ? <p className="caution mt-2">It was not read: {trouble}.</p> : null}
      {heads && match ? (
        <fieldset className="mt-3 flex flex-wrap items-end gap-4">
          <legend className="text-[12px] text-quiet">{heads.rows} rows; which column is which</legend>
          {COLUMNS.map(([c, name]) => (
            <label key={c} className="block text-[11.5px] text-quiet">
              {name}
              <select
                className="box mt-[2px] block text-[13px] text-ink"
                value={match[c] === null ? '' : String(match[c])}
                onChange={(e) => setMatch({ ...match, [c]: e.target.value === '' ? null : Number(e.target.value) })}
              >
                <option value="">none</option>
                {heads.heads.map((h, i) => (
                  <option key={i} value={i}>
                    {h === '' ? `column ${i + 1}` : h}
                  </option>
                ))}
              </select>
            </label>
          ))}
          <label className="block text-[11.5px] text-quiet">
            amps
            <select
              className="box mt-[2px] block text-[13px] text-ink"
              value={sign}
              onChange={(e) => setSign(e.target.value as keyof typeof SIGNS)}
            >
              {(Object.keys(SIGNS) as (keyof typeof SIGNS)[]).map((k) => (
                <option key={k} value={k}>
                  {SIGNS[k]}
                </option>
              ))}
            </select>
          </label>
          <FurtherColumns heads={heads.heads} sources={sourcesOf(bankId)} match={match} onMatch={setMatch} />
          <button type="button" className="act" disabled={!ready || part !== null} onClick={() => void ask()}>
            hold it beside the boat
          </button>
        </fieldset>
      ) : null}
      {answer ? (
        <p className="screen-only mt-3">
          {named.kept ? (
            <span role="status">These days are kept with the boat, and go out with her archive.</span>
          ) : (
            <button type="button" className="act" onClick={() => void keep().catch(failed)}>
              keep these days with the boat
            </button>
          )}
        </p>
      ) : null}
      {answer ? <Answer key={answers} answer={answer} ask={askStretch} onTake={(f) => store.edit(`measured: ${f.what}`, f.ops)} /> : null}
    </div>
  );
}

/** Columns beyond those of the bank: folded away while the file seems to have none. */
function FurtherColumns({
  heads,
  sources,
  match,
  onMatch,
}: {
  heads: readonly string[];
  sources: readonly { readonly id: string; readonly name: string }[];
  match: Matching;
  onMatch: (match: Matching) => void;
}) {
  const columns: readonly (readonly [Further, string])[] = [
    ['rpm', 'engine, 1/min'],
    ...sources.flatMap(({ id, name }): (readonly [Further, string])[] => [
      [`amps of ${id}`, `amps of ${name}`],
      [`volts of ${id}`, `volts at ${name}`],
    ]),
  ];
  return (
    <details className="w-full" open={Object.keys(match.further).length > 0}>
      <summary className="text-[12px] text-quiet">
        what else the file holds: engine speed, and what each source gives, teach an alternator’s curve and the way to the bank
      </summary>
      <div className="mt-1 flex flex-wrap items-end gap-4">
        {columns.map(([key, name]) => (
          <label key={key} className="block text-[11.5px] text-quiet">
            {name}
            <select
              className="box mt-[2px] block text-[13px] text-ink"
              value={match.further[key] === undefined ? '' : String(match.further[key])}
              onChange={(e) => {
                const { [key]: _, ...others } = match.further;
                onMatch({ ...match, further: e.target.value === '' ? others : { ...others, [key]: Number(e.target.value) } });
              }}
            >
              <option value="">none</option>
              {heads.map((h, i) => (
                <option key={i} value={i}>
                  {h === '' ? `column ${i + 1}` : h}
                </option>
              ))}
            </select>
          </label>
        ))}
      </div>
    </details>
  );
}

/** What each source gave and each load drew a day. */
function Residuals({ rows }: { rows: readonly Residual[] }) {
  if (rows.length === 0)
    return (
      <p className="text-quiet">
        Nothing to tell apart: no source has a column of its own, and no load was seen often enough to know its hours.
      </p>
    );
  return (
    <Plain
      label="A day by source and load"
      columns={[
        { title: 'what' },
        { title: 'measured, Ah a day', right: true },
        { title: 'expected', right: true },
        { title: 'difference', right: true },
        { title: 'found from' },
      ]}
      rows={rows.map((r) => ({
        id: `${r.of} ${r.id}`,
        cells: [
          `${r.name}${r.of === 'source' ? ', gives' : ', draws'}`,
          r.measuredAh.toFixed(1),
          r.expectedAh.toFixed(1),
          `${r.measuredAh >= r.expectedAh ? '+' : '−'}${Math.abs(r.measuredAh - r.expectedAh).toFixed(1)}`,
          r.by,
        ],
      }))}
    />
  );
}

const DAY_MS = 24 * 3600_000;

function Answer({
  answer,
  ask,
  onTake,
}: {
  answer: MeasuredAnswer;
  ask: (range: Range) => Promise<Stretch | null>;
  onTake: (f: LearnedFigure) => void;
}) {
  const { boat } = useDesign();
  const [whole] = useState<Range>({ from: answer.from, to: answer.to + 60_000 });
  const [range, setRange] = useState(whole);
  const { read, days, learned } = answer;
  const { effect, ask: askChanges } = useWhatChanges();
  const [asked, setAsked] = useState<LearnedFigure | null>(null);
  const time = (at: number) => new Date(at).toISOString().slice(0, 16).replace('T', ' ');
  return (
    <>
      <p className="mt-4">
        {time(answer.from)} to {time(answer.to)}, every {Math.round(read.stepS)} s; {read.dropped} rows were no reading, {read.back} ran
        back in time, {read.gaps.length} {read.gaps.length === 1 ? 'hole' : 'holes'}.{' '}
        {read.sign === 'unclear'
          ? 'Which way the amps run could not be found: choose it above.'
          : `Amps run ${read.sign}, by how volts follow them.`}
      </p>
      <BesideChart whole={whole} range={range} onRange={setRange} ask={ask} />
      <h2 className="mt-4 font-semibold">Beside this boat’s own days</h2>
      <Plain
        label="Measured days"
        columns={[
          { title: 'day' },
          { title: 'most like' },
          { title: 'measured', right: true },
          { title: 'in, Ah', right: true },
          { title: 'expected in', right: true },
          { title: 'out, Ah', right: true },
          { title: 'expected out', right: true },
          { title: 'off by, mean', right: true },
          { title: 'why it may be' },
        ]}
        rows={days.map((d) => ({
          id: String(d.at),
          cells: [
            <button
              key="d"
              type="button"
              className="plain whitespace-nowrap"
              aria-description={`Show ${dayOf(d.at)} alone`}
              onClick={() => setRange({ from: Math.max(whole.from, d.at), to: Math.min(whole.to, d.at + DAY_MS) })}
            >
              {dayOf(d.at)}
            </button>,
            d.livingName,
            `${Math.round(100 * d.part)} %`,
            d.inAh.toFixed(0),
            d.expectedInAh.toFixed(0),
            d.outAh.toFixed(0),
            d.expectedOutAh.toFixed(0),
            show(d.offA, 'A', boat),
            d.why.join('; '),
          ],
        }))}
      />
      <h2 className="mt-4 font-semibold">By source and load</h2>
      <Residuals rows={answer.residuals} />
      <h2 className="mt-4 font-semibold">What they teach</h2>
      {learned.figures.length === 0 ? <p className="text-quiet">Nothing yet: too few steps, nights or hours.</p> : null}
      <Plain
        label="What they teach"
        columns={[
          { title: 'what' },
          { title: 'in the design' },
          { title: 'measured' },
          { title: 'seen', right: true },
          { title: 'spread' },
          { title: '' },
        ]}
        rows={learned.figures.map((f) => ({
          id: f.id,
          cells: [
            f.what,
            f.was,
            f.is,
            f.n,
            f.spread,
            f.ops.length > 0 ? (
              <span key="t" className="flex gap-3 whitespace-nowrap">
                <button
                  type="button"
                  className="plain"
                  aria-label={`what it would change: ${f.what}`}
                  onClick={() => {
                    setAsked(f);
                    void askChanges(f.ops);
                  }}
                >
                  what it would change
                </button>
                <button type="button" className="plain" aria-label={`take it: ${f.what}`} onClick={() => onTake(f)}>
                  take it
                </button>
              </span>
            ) : null,
          ],
        }))}
      />
      {asked && effect !== null ? (
        <div className="mt-2">
          <p>
            <b className="font-semibold">{asked.what}</b>, {asked.is} in the place of {asked.was}:
          </p>
          <WhatChanges effect={effect} />
        </div>
      ) : null}
      {learned.seen.length > 0 ? (
        <p className="mt-2">
          On for: {learned.seen.map((s) => `${s.name} ${(24 * s.duty).toFixed(1)} h a day, ${s.times} times`).join('; ')}.
        </p>
      ) : null}
      {learned.alike.map((g) => (
        <p key={g.join()} className="text-quiet">
          Too alike to be told apart: {g.join(', ')}.
        </p>
      ))}
      {learned.unexplained.length > 0 ? (
        <p className="mt-1">Steps that no load explains: {learned.unexplained.map((u) => `${u.amps} A, ${u.times} times`).join('; ')}.</p>
      ) : null}
    </>
  );
}
