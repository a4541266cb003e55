'use client';
import { useMemo, useState } from 'react';
import { toCsv } from '@/core/format';
import { thingName } from '@/core/keep';
import { useDesign } from '@/ui/boat/context';
import { useBook } from '@/ui/boat/useBook';
import { fileName, saveCsv } from '@/ui/files';
import { dayOf, sortOf, SORTS, WHAT, wordsOf } from './said';

const PAGE = 200;

/** Everything that was noted, the newest first; found by words, kind, year; amended only by what is added. */
export function Entries() {
  const design = useDesign();
  const book = useBook();
  const [asked, setAsked] = useState('');
  const [what, setWhat] = useState<(typeof WHAT)[number]>('everything');
  const [year, setYear] = useState('');
  const [most, setMost] = useState(PAGE);
  const all = useMemo(
    () =>
      [...(book.records ?? [])].map((r) => ({ r, thing: thingName(design, r.thing), words: wordsOf(r) })).sort((a, b) => b.r.at - a.r.at),
    [book.records, design],
  );
  const years = [...new Set(all.map((x) => dayOf(x.r.at).slice(0, 4)))];
  const wanted = asked.trim().toLowerCase();
  const shown = all.filter(
    ({ r, thing, words }) =>
      (what === 'everything' || sortOf(r) === what) &&
      (year === '' || dayOf(r.at).startsWith(year)) &&
      (wanted === '' || `${thing} ${words} ${r.by ?? ''}`.toLowerCase().includes(wanted)),
  );
  if (book.records === null) return <p className="text-quiet">Reading the records.</p>;
  return (
    <div>
      <Add onAdd={(thing, sort, text, hours) => book.add([{ kind: 'entry', thing, body: { sort, text: text.slice(0, 1900), hours } }])} />
      <div className="screen-only mt-3 flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <input
          className="box w-[180px]"
          aria-label="Find in the log"
          placeholder="find"
          value={asked}
          onChange={(e) => setAsked(e.target.value)}
        />
        <label>
          show{' '}
          <select className="box" value={what} onChange={(e) => setWhat(e.target.value as (typeof WHAT)[number])}>
            {WHAT.map((w) => (
              <option key={w}>{w}</option>
            ))}
          </select>
        </label>
        <label>
          year{' '}
          <select className="box" value={year} onChange={(e) => setYear(e.target.value)}>
            <option value="">all</option>
            {years.map((y) => (
              <option key={y}>{y}</option>
            ))}
          </select>
        </label>
        <span className="text-quiet">
          {shown.length} of {all.length}
        </span>
        {book.waiting > 0 ? (
          <span role="status" className="text-copper">
            {book.waiting} to be kept{book.why ? `: ${book.why}` : ''}
          </span>
        ) : null}
        <span className="ml-auto flex gap-3">
          <button
            type="button"
            className="act"
            disabled={shown.length === 0}
            onClick={() =>
              saveCsv(
                `${fileName(design.boat.name)}-log.csv`,
                toCsv([
                  ['when', 'kind', 'thing', 'what', 'by'],
                  ...shown.map(({ r, thing, words }) => [new Date(r.at).toISOString(), r.kind, thing, words, r.by ?? '']),
                ]),
              )
            }
          >
            CSV
          </button>
          <button type="button" className="act" onClick={() => window.print()}>
            print
          </button>
        </span>
      </div>
      {all.length === 0 ? (
        <p className="mt-3 max-w-[620px] text-quiet">
          Nothing is noted yet. What is ticked at the bench and read at commissioning comes here by itself; work, parts, faults and visits
          are written above. Nothing is changed afterwards: what was wrong is put right by a further entry.
        </p>
      ) : (
        <table className="mt-2 w-full text-left" aria-label="The log">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
              <th className="w-[90px] font-medium">day</th>
              <th className="w-[80px] font-medium">kind</th>
              <th className="w-[24%] font-medium">thing</th>
              <th className="font-medium">what</th>
              <th className="font-medium">by</th>
            </tr>
          </thead>
          <tbody>
            {shown.slice(0, most).map(({ r, thing, words }) => (
              <tr key={r.id} className="border-b border-line align-baseline">
                <td className="reading py-[2px]">{dayOf(r.at)}</td>
                <td>{r.kind}</td>
                <td className="pr-2">{thing}</td>
                <td className="pr-2">
                  {words}
                  {typeof r.body.hours === 'number' ? <span className="text-quiet"> ({r.body.hours} h)</span> : null}
                </td>
                <td className="text-quiet">{r.by ?? ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {shown.length > most ? (
        <button type="button" className="act screen-only mt-2" onClick={() => setMost(most + PAGE)}>
          {shown.length - most} more
        </button>
      ) : null}
    </div>
  );
}

/** A line of the log: what it is, about which thing, in words, with hours where there are any. */
function Add({ onAdd }: { onAdd: (thing: string, sort: string, text: string, hours: number | null) => boolean }) {
  const design = useDesign();
  const [sort, setSort] = useState<string>('work');
  const [thing, setThing] = useState('boat:boat');
  const [text, setText] = useState('');
  const [hours, setHours] = useState('');
  const h = hours.trim() === '' ? null : Number(hours.replace(',', '.'));
  const wrong = h !== null && (!Number.isFinite(h) || h < 0 || h > 1000);
  const groups = [
    ['banks', design.banks, 'bank'],
    ['sources', design.sources, 'source'],
    ['panels', design.panels, 'panel'],
    ['loads', design.loads, 'load'],
    ['circuits', design.circuits, 'circuit'],
    ['places', design.places, 'place'],
  ] as const;
  return (
    <form
      className="screen-only flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (text.trim() === '' || wrong) return;
        if (onAdd(thing, sort, text.trim(), h)) {
          setText('');
          setHours('');
        }
      }}
    >
      <label className="text-[12px] text-quiet">
        what
        <select className="box block text-[13px] text-ink" value={sort} onChange={(e) => setSort(e.target.value)}>
          {SORTS.map((s) => (
            <option key={s}>{s}</option>
          ))}
        </select>
      </label>
      <label className="text-[12px] text-quiet">
        about
        <select className="box block max-w-[220px] text-[13px] text-ink" value={thing} onChange={(e) => setThing(e.target.value)}>
          <option value="boat:boat">the boat</option>
          {groups.map(([name, rows, kind]) =>
            rows.length > 0 ? (
              <optgroup key={name} label={name}>
                {rows.map((r) => (
                  <option key={r.id} value={`${kind}:${r.id}`}>
                    {r.name}
                  </option>
                ))}
              </optgroup>
            ) : null,
          )}
        </select>
      </label>
      <label className="min-w-[220px] flex-1 text-[12px] text-quiet">
        in words
        <input className="box block w-full text-[13px] text-ink" value={text} maxLength={1900} onChange={(e) => setText(e.target.value)} />
      </label>
      <label className="text-[12px] text-quiet">
        hours
        <input
          className="box reading block w-[70px] text-ink"
          inputMode="decimal"
          aria-invalid={wrong}
          value={hours}
          onChange={(e) => setHours(e.target.value)}
        />
      </label>
      <button type="submit" className="act" disabled={text.trim() === '' || wrong}>
        note it
      </button>
    </form>
  );
}
