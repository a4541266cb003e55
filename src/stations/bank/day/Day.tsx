'use client';
import { memo, useCallback, useDeferredValue, useMemo, useState } from 'react';
import { type Design, type Living, setOp, type Span, type When, WHENS, rowOf } from '@/core/design';
import { type CruiseResult, dayAh } from '@/core/energy';
import { bare, parseOptional, round3, show } from '@/core/quantity';
import { useAnalysis, useAsked, useDesign, useFreshId, useSelected, useStore } from '@/ui/boat/context';
import { TableBeside } from '@/ui/chart/TableBeside';
import { Choice, Entry, Tick } from '@/ui/field';
import { DayChart, DayLegend } from './DayChart';
import { showHour } from './hours';
import { SpanList } from './SpanList';
import { Timeline } from './Timeline';
import { useWidth } from './useWidth';

const STARTS = ['where it settles', 'full', 'half'] as const;

/** One day in a way of living: drawn, dragged, and what comes of it. */
export function Day() {
  const design = useDesign();
  const { balance } = useAnalysis();
  const [, select] = useSelected();
  const store = useStore();
  const fresh = useFreshId();
  const [wayId, setWayId] = useState(design.plan.livingId ?? design.living[0]?.id ?? '');
  const [picked, setPicked] = useState<string | null>(null);
  const [draft, setDraft] = useState<Span | null>(null);
  const [from, setFrom] = useState<(typeof STARTS)[number]>('where it settles');
  const [ref, width] = useWidth<HTMLDivElement>(640);
  const saved = rowOf(design.living, wayId) ?? design.living[0];
  const living = useMemo(
    () => saved && (draft ? { ...saved, day: saved.day.map((s) => (s.id === draft.id ? draft : s)) } : saved),
    [saved, draft],
  );
  const settles = balance.needs.find((n) => n.livingId === saved?.id)?.made?.settlesAt;
  const soc = from === 'full' ? 1 : from === 'half' ? 0.5 : (settles ?? 1);
  const about = living && design.banks.length > 0 ? `day:${soc}:${living.id}:${living.houseSwitch}:${JSON.stringify(living.day)}` : null;
  // What is being dragged asks anew at each step: the last day stays until the next is there.
  const run = useLast(useAsked<CruiseResult>(about, (r) => (living ? r.day(living, soc) : Promise.resolve(null))));
  const calm = useDeferredValue(run);
  const savedId = saved?.id ?? '';
  const change = useCallback(
    (day: Living['day'], label: string) => store.edit(label, [setOp(store.snapshot().design, ['living', savedId, 'day'], day)]),
    [store, savedId],
  );
  if (!saved || !living) return <p className="mt-4">There is no way of living yet: name one under Loads.</p>;
  if (design.banks.length === 0) return <p className="mt-4">There is no bank yet: enter a first one on Survey.</p>;
  if (!run) return <p className="mt-4">Working out the day.</p>;
  const move = (span: Span, done: boolean) => {
    if (!done) return setDraft(span);
    setDraft(null);
    change(
      saved.day.map((s) => (s.id === span.id ? span : s)),
      `${span.what} from ${showHour(span.fromH)} to ${showHour(span.toH)}`,
    );
  };
  const day = run.days[0];
  const { scene } = run;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_340px] max-[999px]:grid-cols-1 gap-8 pt-2">
      <div>
        <div className="grid max-w-[560px] grid-cols-3 items-end gap-4">
          <Choice
            label="way of living"
            value={saved.id}
            options={design.living.map((l) => l.id)}
            names={Object.fromEntries(design.living.map((l) => [l.id, l.name]))}
            onChange={setWayId}
          />
          <Choice label="the bank begins" value={from} options={STARTS} onChange={setFrom} />
          <Tick
            label="house switch on"
            value={saved.houseSwitch === 'on'}
            onChange={(on) =>
              store.edit(`house switch ${saved.name}`, [setOp(design, ['living', saved.id, 'houseSwitch'], on ? 'on' : 'off')])
            }
          />
        </div>
        <p className="mt-2" data-day-sums>
          {day ? (
            <>
              <button
                type="button"
                className="plain"
                aria-description="The working of this day"
                onClick={() => select({ kind: 'day', id: `${saved.id}:${soc}` })}
              >
                <b className="reading font-semibold">{round3(day.madeAh)} Ah</b> made,{' '}
                <b className="reading font-semibold">{round3(day.loadAh)} Ah</b> drawn
              </button>
              {day.unmetAh > 0.05 ? <b className="font-semibold text-lead">, {round3(day.unmetAh)} Ah not to be had</b> : null}; lowest{' '}
              <b className="reading font-semibold">{round3(100 * (day.lowest[scene.house] ?? 0))} %</b>, at midnight{' '}
              {round3(100 * (day.endSoc[scene.house] ?? 0))} %; charging {round3(day.chargingH)} h, {show(day.litres, 'L', design.boat)} of
              fuel; full enough:{' '}
              {(['80', '95', '100'] as const).map((l, i) => (
                <span key={l}>
                  {l} % {reached(day.reaches[i] ?? null)}
                  {i < 2 ? ', ' : '.'}
                </span>
              ))}
            </>
          ) : null}
        </p>
        <div ref={ref} className="chart keep mt-2 border-[1.5px] border-ink bg-sheet py-1">
          <DayChart run={run} width={width} />
          <Timeline spans={living.day} width={width} onMove={move} onPick={setPicked} picked={picked} />
        </div>
        <DayLegend run={run} />
        <HourTable run={calm ?? run} name={saved.name} />
      </div>
      <div>
        <h2 className="font-semibold">What runs when</h2>
        <SpanList living={saved} picked={picked} onPick={setPicked} onChange={change} fresh={fresh} />
        <h2 className="mt-4 font-semibold">What draws, largest first</h2>
        <Draws design={design} saved={saved} />
      </div>
    </div>
  );
}

/** The last answer there was, until there is a new one. */
function useLast<T>(answer: T | null): T | null {
  const [last, setLast] = useState(answer);
  if (answer !== null && answer !== last) setLast(answer);
  return answer ?? last;
}

const reached = (hour: number | null): string => (hour === null ? 'not that day' : hour === 0 ? 'from the start' : `at ${showHour(hour)}`);

/** The day's figures by the hour. Drawn after the chart: it does not hold up the pointer. */
const HourTable = memo(function HourTable({ run, name }: { run: CruiseResult; name: string }) {
  const { scene, trace } = run;
  const hourly = Array.from({ length: 24 }, (_, h) => {
    const t0 = Math.round((h / 24) * scene.n);
    const t1 = Math.round(((h + 1) / 24) * scene.n);
    const mean = (value: (t: number) => number) => {
      let sum = 0;
      for (let t = t0; t < t1; t++) sum += value(t);
      return round3(sum / Math.max(1, t1 - t0));
    };
    return [
      `${h}:00`,
      mean((t) => trace.loadA[t] ?? 0),
      ...scene.sources.map((_, s) => mean((t) => trace.sourceA[t * scene.sources.length + s] ?? 0)),
      ...scene.banks.flatMap((_, b) => [
        round3(100 * (trace.soc[(t1 - 1) * scene.banks.length + b] ?? 0)),
        mean((t) => trace.volts[t * scene.banks.length + b] ?? 0),
      ]),
    ];
  });
  return (
    <TableBeside
      title={`${name}, hour by hour`}
      columns={[
        'from',
        'loads, A',
        ...scene.sources.map((s) => `${s.name}, A`),
        ...scene.banks.flatMap((b) => [`${b.name}, %`, `${b.name}, V`]),
      ]}
      rows={hourly}
    />
  );
});

/** What draws in a way of living, largest first. */
const Draws = memo(function Draws({ design, saved }: { design: Design; saved: Living }) {
  const store = useStore();
  const loads = design.loads
    .filter((l) => (l.hours[saved.id] ?? 0) > 0 || dayAh(l, saved) > 0)
    .sort((a, b) => dayAh(b, saved) - dayAh(a, saved));
  return (
    <ul className="max-h-[300px] overflow-y-auto" tabIndex={0} aria-label="Loads of the day">
      {loads.map((l) => (
        <li key={l.id} className="grid grid-cols-[1fr_52px_104px_56px] items-end gap-2 border-b border-line py-[2px]">
          <span className="truncate pb-1" aria-description={l.name}>
            {l.name}
          </span>
          <Entry
            label="h"
            mono
            value={bare(l.hours[saved.id] ?? 0, 'none', design.boat)}
            parse={(t) => parseOptional(t, 'h', design.boat, 0, 24)}
            onChange={(t) => {
              const parsed = parseOptional(t, 'h', design.boat, 0, 24);
              if (parsed.ok)
                store.edit(`hours of ${l.name}`, [setOp(design, ['loads', l.id, 'hours'], { ...l.hours, [saved.id]: parsed.value ?? 0 })]);
            }}
          />
          <Choice<When>
            label="falls"
            value={l.when[saved.id] ?? 'any time'}
            options={WHENS}
            onChange={(w) => store.edit(`when ${l.name} runs`, [setOp(design, ['loads', l.id, 'when'], { ...l.when, [saved.id]: w })])}
          />
          <span className="reading pb-1 text-right">{round3(dayAh(l, saved))} Ah</span>
        </li>
      ))}
    </ul>
  );
});
