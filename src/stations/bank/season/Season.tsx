'use client';
import { useEffect, useRef, useState } from 'react';
import { type Design, setOp } from '@/core/design';
import { type Chance, cruiseOf, type Enough, MORE, MOST_TIMES, QUANTILES, type SeasonResult, withMore } from '@/core/energy';
import { withPaths } from '@/core/mainSide';
import { useAnalysis, useBoat, useStore } from '@/ui/boat/context';
import { TableBeside } from '@/ui/chart/TableBeside';
import { Figure } from '@/ui/field';
import { searchEnough } from '@/ui/season/enough';
import { runSeasons } from '@/ui/season/run';
import { Plain } from '@/ui/table/Plain';
import { Sections } from '@/ui/working/Sections';
import { seasonSections } from '@/core/working';
import { Fan } from './Fan';

const AS_SHE_IS = 'as she is';
const pct = (x: number) => `${(100 * x).toFixed(1)} %`;
const chance = (c: Chance) => `${pct(c.share)} (${pct(c.low)} to ${pct(c.high)})`;

/** Of cruises that may leave the window. */
const WANTED_OUT = 0.05;

const told = ({ more, times, out }: Enough): string =>
  times === null
    ? `of “${more}” more than ${MOST_TIMES} times (with that still ${pct(out)})`
    : times === 1
      ? more
      : `${times} times “${more}” (then ${pct(out)})`;

interface Done {
  readonly of: string;
  /** The design it was run for, and the boat's revision then. */
  readonly design: Design;
  readonly revision: number;
  readonly results: ReadonlyMap<string, SeasonResult>;
}

/** Many cruises with varied sun, wind, use and motoring: how low she gets, how likely she runs out, and what a little more of something buys. */
export function Season() {
  const { entered, revision } = useBoat((s) => ({ entered: s.design, revision: s.revision }));
  const { paths } = useAnalysis();
  const design = withPaths(entered, paths);
  const store = useStore();
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null);
  const [done, setDone] = useState<Done | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  /** Of which run the working is shown. */
  const [looked, setLooked] = useState<string | null>(null);
  const stop = useRef<(() => void) | null>(null);
  const [enough, setEnough] = useState<readonly Enough[] | 'searching' | null>(null);
  useEffect(() => () => stop.current?.(), []);
  const { season } = design.plan;
  const chosen = cruiseOf(design);
  const put = (key: keyof typeof season, value: number) => store.edit('season', [setOp(design, ['plan', 'season', key], value)]);
  const start = () => {
    stop.current?.();
    const tasks = [
      { name: AS_SHE_IS, design },
      ...MORE.flatMap((more) => {
        const grown = withMore(design, more);
        return grown ? [{ name: more, design: grown }] : [];
      }),
    ];
    const of = chosen.name;
    const shares: number[] = [];
    setTrouble(null);
    setEnough(null);
    setDone({ of, design: entered, revision, results: new Map() });
    setProgress({ done: 0, of: tasks.length * season.runs });
    stop.current = runSeasons(
      tasks,
      season,
      (n, all) => setProgress(n < all ? { done: n, of: all } : null),
      (name, result) => {
        setDone((old) => old && { ...old, results: new Map([...old.results, [name, result]]) });
        shares.push(result.out.share);
        // Nothing helps: how much would is looked for.
        if (shares.length < tasks.length || Math.min(...shares) <= WANTED_OUT) return;
        setEnough('searching');
        stop.current = searchEnough(design, season, WANTED_OUT, setEnough, (what) => {
          setEnough(null);
          setTrouble(what);
        });
      },
      (what) => {
        setTrouble(what);
        setProgress(null);
      },
    );
  };
  const low = design.banks.length > 0;
  // It is run as it is opened: same seed, same answer.
  const begun = useRef(false);
  useEffect(() => {
    if (begun.current || !low) return;
    begun.current = true;
    start();
  });
  const base = done?.results.get(AS_SHE_IS);
  const lookedAt = looked === null ? undefined : done?.results.get(looked);
  const spread = (key: 'sunSpread' | 'windSpread' | 'useSpread' | 'motorSpread', label: string) => (
    <Figure label={label} kind="none" value={season[key]} low={0} high={1} onChange={(v) => put(key, v)} />
  );
  return (
    <div className="max-w-[980px] pt-2">
      <p className="max-w-[760px] text-quiet">
        {chosen.name}, sailed many times over. Each day&apos;s sun and wind depart from what the day says by the spread given, and half of
        the departure lasts into the next day; use and motoring vary by the day. Steps of 15 minutes.
      </p>
      <div className="mt-3 grid max-w-[820px] grid-cols-6 max-[999px]:grid-cols-3 max-[500px]:grid-cols-2 items-end gap-3">
        <Figure label="cruises" kind="none" value={season.runs} low={20} high={20000} onChange={(v) => put('runs', Math.round(v))} />
        <Figure label="seed" kind="none" value={season.seed} low={0} high={2147483647} onChange={(v) => put('seed', Math.round(v))} />
        {spread('sunSpread', 'sun varies by')}
        {spread('windSpread', 'wind by')}
        {spread('useSpread', 'use by')}
        {spread('motorSpread', 'motoring by')}
      </div>
      <p className="mt-3 flex items-center gap-4">
        <button type="button" className="act" disabled={!low || progress !== null} onClick={start}>
          calculate the season
        </button>
        {progress ? (
          <>
            <progress value={progress.done} max={progress.of} aria-label="Cruises calculated" className="w-[220px]" />
            <span className="reading" role="status">
              {progress.done} of {progress.of}
            </span>
            <button
              type="button"
              className="act"
              onClick={() => {
                stop.current?.();
                setProgress(null);
              }}
            >
              stop
            </button>
          </>
        ) : null}
      </p>
      {trouble === null ? null : (
        <p role="alert" className="caution mt-2">
          The season was not finished: a worker failed ({trouble}). Run it again.
        </p>
      )}
      {done && done.design !== entered ? (
        <p role="status" className="caution mt-2">
          For revision {done.revision}: the design has changed since. Run the season again.
        </p>
      ) : null}
      {!low ? <p>There is no bank yet: enter a first one on Survey.</p> : null}
      {done && base && base.days > 0 ? (
        <>
          <h2 className="mt-4 font-semibold">Lowest state of charge, day by day, of {base.runs} cruises</h2>
          <Fan result={base} />
          <p className="mt-1" data-season>
            She leaves her window in <b className="font-semibold">{chance(base.out)}</b> of cruises, and is without current in{' '}
            <b className={`font-semibold ${base.dark.count > 0 ? 'text-lead' : ''}`}>{chance(base.dark)}</b>; in brackets where the true
            share lies with 95 % confidence, of {base.runs} cruises run, seed {season.seed}.
          </p>
          <TableBeside
            title={`${done.of}, season`}
            columns={['day', ...QUANTILES.map((q) => `${100 * q} % of cruises below, %`)]}
            rows={base.fan.map((f, d) => [String(d + 1), ...f.map((x) => (100 * x).toFixed(1))])}
          />
          <h2 className="mt-4 font-semibold">What a little more buys</h2>
          <Plain
            label="What a little more buys"
            columns={[
              { title: 'with' },
              { title: 'median of the lowest', right: true },
              { title: 'leaves the window', right: true },
              { title: 'without current', right: true },
              { title: 'buys' },
            ]}
            rows={[...done.results].map(([name, r]) => ({
              id: name,
              cells: [
                name,
                pct(r.medianLowest),
                <button
                  key="w"
                  type="button"
                  className="opens"
                  aria-description={`The working: ${name}`}
                  aria-expanded={looked === name}
                  onClick={() => setLooked(looked === name ? null : name)}
                >
                  {chance(r.out)}
                </button>,
                chance(r.dark),
                name === AS_SHE_IS
                  ? ''
                  : `${(100 * (r.medianLowest - base.medianLowest)).toFixed(1)} points of charge, ${(100 * (base.out.share - r.out.share)).toFixed(1)} points of chance`,
              ],
            }))}
          />
          <p className="mt-1 text-[12px] text-quiet">The same weather for each: the same seed.</p>
          {lookedAt ? (
            <section aria-label={`The working: ${looked ?? ''}`} className="max-w-[560px]">
              <Sections sections={seasonSections(done.design.plan.season, lookedAt, design.boat)} />
            </section>
          ) : null}
          {enough === 'searching' ? (
            <p role="status" className="mt-3 text-quiet">
              None of these is enough: how much would be is looked for.{' '}
              <button
                type="button"
                className="act"
                onClick={() => {
                  stop.current?.();
                  setEnough(null);
                }}
              >
                stop looking
              </button>
            </p>
          ) : enough !== null ? (
            <p className="mt-3" data-enough>
              <b className="font-semibold">None of these is enough.</b> To leave the window in no more than {100 * WANTED_OUT} % of cruises
              it takes {enough.map((e) => `${told(e)}`).join('; or ')}.
            </p>
          ) : null}
        </>
      ) : null}
    </div>
  );
}
