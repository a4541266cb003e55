'use client';
import dynamic from 'next/dynamic';
import { useMemo, useState } from 'react';
import { type TestLine, testLimits, USUAL_CONDITIONS } from '@/core/commission';
import { UNDERWATER_METALS, type UnderwaterMetal } from '@/core/rules';
import { MEASURED_KINDS, MEASURED_UNIT, type MeasuredKind, OPENED, type Trend, trendsOf } from '@/core/keep';
import { round3 } from '@/core/quantity';
import { useAsked, useDesign } from '@/ui/boat/context';
import { useBook } from '@/ui/boat/useBook';
import { Plain } from '@/ui/table/Plain';
import { dayOf } from './said';

const Curves = dynamic(() => import('@/ui/chart/Curves'), { ssr: false });
const YEAR_MS = 365.25 * 86_400_000;
/** Of the span of readings and limits, above and below them. */
const AIR = 0.12;

/** What was read more than once: where it goes, and when it crosses its limit. */
export function Trends() {
  const design = useDesign();
  const book = useBook();
  const { records } = book;
  const sheet = useAsked<readonly TestLine[]>('tests:trends', (r) => r.testSheet(USUAL_CONDITIONS));
  const trends = useMemo(() => (records ? trendsOf(design, records, testLimits(sheet ?? [])) : []), [design, records, sheet]);
  const [chosenId, setChosen] = useState<string | null>(null);
  if (records === null) return <p className="text-quiet">Reading the records.</p>;
  const chosen = trends.find((t) => t.id === chosenId) ?? trends[0];
  return (
    <div className="max-w-[980px]">
      <Measure onAdd={(thing, body) => book.add([{ kind: 'reading', thing, body }])} />
      {trends.length === 0 || !chosen ? (
        <p className="mt-4 max-w-[620px] text-quiet">
          Nothing was read twice yet. What is read on the test sheet comes here by itself when it is read again another day; capacity,
          potentials, leakage and hours to full are written above. From three readings on a line goes through them.
        </p>
      ) : (
        <>
          <h2 className="mt-4 font-semibold">{chosen.what}</h2>
          <Chart trend={chosen} />
          <Plain
            label="Trends"
            columns={[
              { title: 'what' },
              { title: 'readings', right: true },
              { title: 'last', right: true },
              { title: 'a year', right: true },
              { title: 'limit' },
              { title: 'it is' },
            ]}
            rows={trends.map((t) => ({
              id: t.id,
              cells: [
                <button key="b" type="button" className="plain text-left" aria-pressed={t.id === chosen.id} onClick={() => setChosen(t.id)}>
                  {t.what}
                </button>,
                String(t.points.length),
                `${round3(t.points.at(-1)?.value ?? 0)} ${t.unit}`,
                t.perYear === null ? '·' : `${t.perYear > 0 ? '+' : ''}${round3(t.perYear)} ${t.unit} ± ${round3(t.spread ?? 0)}`,
                limitText(t),
                <State key="s" trend={t} />,
              ],
            }))}
          />
        </>
      )}
    </div>
  );
}

const limitText = ({ limits: { least, most, why }, unit }: Trend): string =>
  [least === null ? '' : `at least ${round3(least)} ${unit}`, most === null ? '' : `at most ${round3(most)} ${unit}`, why]
    .filter(Boolean)
    .join('; ');

function State({ trend: t }: { readonly trend: Trend }) {
  if (t.over) return <b className="font-semibold text-lead">past its limit</b>;
  if (t.outside) return <span className="text-copper">outside its own trend: read it again</span>;
  if (t.crosses !== null) return <>past its limit about {dayOf(t.crosses).slice(0, 7)}</>;
  return <>{t.perYear === null ? 'too few for a line' : 'steady'}</>;
}

function Chart({ trend: { points, limits, perYear, unit, what } }: { readonly trend: Trend }) {
  // The year and what of it has passed.
  const at = (ms: number) => {
    const year = new Date(ms).getUTCFullYear();
    return year + (ms - Date.UTC(year, 0, 1)) / YEAR_MS;
  };
  const mean = (of: (p: Trend['points'][number]) => number) => points.reduce((n, p) => n + of(p), 0) / points.length;
  const [t0, y0] = [mean((p) => p.at), mean((p) => p.value)];
  const [from, until] = [at(points[0]?.at ?? 0), at(points.at(-1)?.at ?? 0)];
  const years = Array.from({ length: Math.floor(until) - Math.ceil(from) + 1 }, (_, k) => Math.ceil(from) + k);
  // The limit is in the picture, wherever the readings are.
  const within = [...points.map((p) => p.value), ...[limits.least, limits.most].flatMap((x) => x ?? [])];
  const [least, most] = [Math.min(...within), Math.max(...within)];
  return (
    <Curves
      label={`${what} over the years`}
      data={points.map((p) => ({
        year: at(p.at),
        read: p.value,
        line: perYear === null ? null : y0 + (perYear * (p.at - t0)) / YEAR_MS,
      }))}
      x={{ key: 'year', unit: '', ticks: years }}
      domain={[least - AIR * (most - least), most + AIR * (most - least)]}
      unit={` ${unit}`}
      height={200}
      curves={[
        { key: 'read', name: 'read', color: 'var(--ink)', width: 2 },
        ...(perYear === null ? [] : [{ key: 'line', name: 'its line', color: 'var(--verdigris)', dash: '5 3' }]),
      ]}
      marks={[
        ...(limits.least === null ? [] : [{ y: limits.least, text: 'at least' }]),
        ...(limits.most === null ? [] : [{ y: limits.most, text: 'at most' }]),
      ]}
    />
  );
}

/** A figure read by hand that no test sheet asks for. */
function Measure({ onAdd }: { readonly onAdd: (thing: string, body: Record<string, string | number>) => boolean }) {
  const design = useDesign();
  const [kind, setKind] = useState<MeasuredKind>('capacity');
  const [of, setOf] = useState('');
  const [value, setValue] = useState('');
  const [metal, setMetal] = useState<UnderwaterMetal>('bronze or copper');
  const [opened, setOpened] = useState(false);
  const [plugged, setPlugged] = useState(false);
  const things =
    kind === 'potential' || kind === 'anode left'
      ? METALS
      : kind === 'insulation' || kind === 'leakage'
        ? [...design.acSources, WHOLE]
        : design.banks;
  const thing = things.find((t) => t.id === of) ?? things[0];
  const figure = Number(value.trim().replace('−', '-').replace(',', '.'));
  const wrong = value.trim() !== '' && !Number.isFinite(figure);
  return (
    <form
      className="screen-only flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (!thing || value.trim() === '' || wrong) return;
        const state = kind === 'potential' ? `${opened ? ', earth opened' : ''}${plugged ? ', shore lead in' : ''}` : '';
        const body = {
          value: figure,
          unit: MEASURED_UNIT[kind],
          what: `${kind} of ${thing.name}${state}`.slice(0, 200),
          ...(kind === 'potential' && thing.id !== 'hull' && thing.id !== 'boat' ? { metal } : {}),
        };
        const id = kind === 'potential' ? `${thing.id}${plugged ? '-shore' : ''}${opened ? OPENED : ''}` : thing.id;
        if (onAdd(`measured:${kind.replaceAll(' ', '_')}.${id}`, body)) setValue('');
      }}
    >
      <label className="text-[12px] text-quiet">
        measured
        <select
          aria-label="measured"
          className="box block text-[13px] text-ink"
          value={kind}
          onChange={(e) => setKind(e.target.value as MeasuredKind)}
        >
          {MEASURED_KINDS.map((k) => (
            <option key={k}>{k}</option>
          ))}
        </select>
      </label>
      <label className="text-[12px] text-quiet">
        of
        <select
          aria-label="of what"
          className="box block max-w-[240px] text-[13px] text-ink"
          value={thing?.id ?? ''}
          onChange={(e) => setOf(e.target.value)}
        >
          {things.map((t) => (
            <option key={t.id} value={t.id}>
              {t.name}
            </option>
          ))}
        </select>
      </label>
      {kind === 'potential' ? (
        <>
          {thing && thing.id !== 'hull' && thing.id !== 'boat' ? (
            <label className="text-[12px] text-quiet">
              made of
              <select
                className="box block text-[13px] text-ink"
                value={metal}
                onChange={(e) => setMetal(e.target.value as UnderwaterMetal)}
              >
                {UNDERWATER_METALS.map((m) => (
                  <option key={m}>{m}</option>
                ))}
              </select>
            </label>
          ) : null}
          <label className="pb-1">
            <input type="checkbox" checked={opened} onChange={(e) => setOpened(e.target.checked)} /> its earth opened
          </label>
          <label className="pb-1">
            <input type="checkbox" checked={plugged} onChange={(e) => setPlugged(e.target.checked)} /> shore lead in
          </label>
        </>
      ) : null}
      <label className="text-[12px] text-quiet">
        {MEASURED_UNIT[kind]}
        <input
          className="box reading block w-[100px] text-ink"
          aria-label={`Figure, ${MEASURED_UNIT[kind]}`}
          aria-invalid={wrong}
          value={value}
          onChange={(e) => setValue(e.target.value)}
        />
      </label>
      <button type="submit" className="act" disabled={!thing || value.trim() === '' || wrong}>
        note it
      </button>
      {kind === 'potential' ? (
        <p className="w-full text-[12px] text-quiet">
          A silver chloride electrode in the water beside her, the meter from it to the bare metal. Joined as it lies, then with its earth
          opened; the shore lead out, then in: what moves then comes along the lead, an isolator belongs in it. Earths are closed again
          before the shore lead goes in for good.
        </p>
      ) : null}
      {kind === 'capacity' ? (
        <p className="w-full text-[12px] text-quiet">
          Full (its tail held for an hour) and rested; a steady load near the 20 h rate, what must run on another bank; ended at 10.5 V for
          each 12 V of lead-acid, 12.0 V of iron phosphate or its first alarm, under load; charged again at once.
        </p>
      ) : null}
    </form>
  );
}

const WHOLE = { id: 'boat', name: 'the whole AC side' };
/** Under water; joined, and shore lead out, where it is not said otherwise. */
const METALS = [
  { id: 'hull', name: 'hull' },
  { id: 'shaft', name: 'shaft and propeller' },
  { id: 'drive', name: 'drive leg' },
  { id: 'fittings', name: 'hull fittings' },
  { id: 'keel', name: 'keel' },
  { id: 'rudder', name: 'rudder' },
  { id: 'boat', name: 'all joined' },
];
