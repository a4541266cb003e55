'use client';
import { useMemo, useState } from 'react';
import { foundOps, seenFault, type WalkItem, walkOf } from '@/core/check';
import { lastMarks, nameOf, parseFaults, type Photo, rowOf } from '@/core/design';
import { conditionOf } from '@/core/rules';
import { useDesign, useStore } from '@/ui/boat/context';
import { useBook } from '@/ui/boat/useBook';
import { useAwake } from '@/ui/frame/useAwake';
import { Photos } from '@/ui/photos/Photos';

const WITH_PICTURES: readonly Photo['about']['kind'][] = ['circuit', 'load', 'panel', 'bank', 'place'];

/** The walk-round: what only eyes can see, place by place, ticked with a note and a picture; what is not well becomes a fact of the boat. */
export function WalkView() {
  const design = useDesign();
  const book = useBook();
  const [only, setOnly] = useState(false);
  useAwake();
  const items = useMemo(() => walkOf(design), [design]);
  const marks = useMemo(() => lastMarks(book.records ?? []), [book.records]);
  if (book.records === null) return <p className="mt-3 text-quiet">Reading the records.</p>;
  const seen = (i: WalkItem) => marks.get(`walk:${i.id}`);
  const left = items.filter((i) => !seen(i)).length;
  const shown = only ? items.filter((i) => !seen(i)) : items;
  const places = [...new Set(shown.map((i) => i.placeId))];
  return (
    <div className="max-w-[820px]">
      <p className="mt-3 flex flex-wrap items-baseline gap-x-4">
        <span>
          {left} of {items.length} still to be looked at, in the order of the boat’s places.
        </span>
        <label className="screen-only ml-auto flex gap-2">
          <input type="checkbox" checked={only} onChange={(e) => setOnly(e.target.checked)} />
          only what is left
        </label>
      </p>
      {items.length === 0 ? (
        <p className="mt-3">With places, banks, panels and machines entered, what is to be looked at is listed here.</p>
      ) : null}
      {places.map((placeId) => (
        <section key={placeId ?? ''} className="mt-4">
          <h2 className="border-b-[1.5px] border-ink pb-1 text-[15px] font-semibold">
            {rowOf(design.places, placeId)?.name ?? 'anywhere aboard'}
          </h2>
          <ul>
            {shown
              .filter((i) => i.placeId === placeId)
              .map((i) => (
                <Item key={i.id} item={i} />
              ))}
          </ul>
        </section>
      ))}
      <p className="caution mt-4">
        Looking is not safe by itself: rings and watches off, engine stopped, shore lead out before a cover comes off an AC panel, nothing
        metal near open posts. What has to be opened is isolated and proved dead first.
      </p>
    </div>
  );
}

function Item({ item }: { item: WalkItem }) {
  const design = useDesign();
  const store = useStore();
  const book = useBook();
  const mark = lastMarks(book.records ?? []).get(`walk:${item.id}`);
  const [note, setNote] = useState('');
  const [open, setOpen] = useState(false);
  const name = nameOf(design, item.about);
  const say = (seen: 'well' | 'bad') => {
    const ops = seen === 'well' ? item.well : item.bad;
    if (
      !book.add([{ kind: 'mark', thing: `walk:${item.id}`, body: { seen, note: note.trim().slice(0, 2000), ask: item.ask.slice(0, 200) } }])
    )
      return;
    if (ops.length > 0) store.edit(`${name}: seen ${seen === 'well' ? 'well' : 'not well'}`, ops);
    if (seen === 'bad') setOpen(true);
  };
  const answer = mark?.body.seen;
  const pictured = WITH_PICTURES.find((k) => k === item.about.kind);
  return (
    <li className="border-b border-line py-2">
      <div className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        <div className="min-w-[240px] flex-1">
          <b className="font-semibold">{name}</b>: {item.ask}.<p className="text-[12px] text-quiet">{item.why}</p>
          {mark ? (
            <p className={answer === 'bad' ? 'font-semibold text-lead' : ''}>
              {answer === 'bad' ? 'not well' : 'well'}, {new Date(mark.at).toISOString().slice(0, 10)}
              {typeof mark.body.note === 'string' && mark.body.note !== '' ? `: ${mark.body.note}` : ''}
            </p>
          ) : item.known === false ? (
            <p className="text-copper">entered as not so</p>
          ) : null}
        </div>
        <span className="screen-only flex flex-none gap-2">
          <button
            type="button"
            className="act min-h-[44px] min-w-[72px]"
            aria-label={`well: ${name}, ${item.ask}`}
            onClick={() => say('well')}
          >
            well
          </button>
          <button
            type="button"
            className="act min-h-[44px] min-w-[72px]"
            aria-label={`not well: ${name}, ${item.ask}`}
            onClick={() => say('bad')}
          >
            not well
          </button>
          <button
            type="button"
            className="plain min-h-[44px]"
            aria-expanded={open}
            aria-label={`note and picture: ${name}, ${item.ask}`}
            onClick={() => setOpen(!open)}
          >
            note
          </button>
        </span>
      </div>
      {open ? (
        <div className="screen-only mt-1 pl-3">
          <label className="block">
            note, kept with the next tick
            <input className="box mt-1 w-full" maxLength={2000} value={note} onChange={(e) => setNote(e.target.value)} />
          </label>
          {item.conditions.length > 0 && item.about.kind === 'circuit' ? <Conditions item={item} circuitId={item.about.id} /> : null}
          {pictured ? <Photos about={{ kind: pictured, id: item.about.id }} of={name} /> : null}
        </div>
      ) : null}
    </li>
  );
}

/** What its ends are found in: chosen, or typed with numbers; it stands on the as-found sheet from then on. */
function Conditions({ item, circuitId }: { item: WalkItem; circuitId: string }) {
  const design = useDesign();
  const store = useStore();
  const [words, setWords] = useState('');
  const [wrong, setWrong] = useState('');
  const name = nameOf(design, item.about);
  const fresh = () => `f${crypto.randomUUID().slice(0, 8)}`;
  const write = () => {
    const parsed = parseFaults(words, [], fresh);
    if (!parsed.ok) return setWrong(parsed.message);
    let now = store.snapshot().design;
    for (const fault of parsed.value) {
      store.edit(`${name}: found ${conditionOf(fault.kind)?.name ?? fault.kind}`, foundOps(now, circuitId, fault));
      now = store.snapshot().design;
    }
    setWords('');
    setWrong('');
  };
  return (
    <div className="mt-2 flex flex-wrap items-end gap-3">
      <label>
        found
        <select
          className="box mt-1 block w-[230px]"
          value=""
          onChange={(e) => {
            const kind = item.conditions.find((k) => k === e.target.value);
            if (kind)
              store.edit(
                `${name}: found ${conditionOf(kind)?.name ?? kind}`,
                foundOps(store.snapshot().design, circuitId, seenFault(fresh(), kind)),
              );
          }}
        >
          <option value="">choose</option>
          {item.conditions.map((k) => (
            <option key={k} value={k}>
              {conditionOf(k)?.name}
            </option>
          ))}
        </select>
      </label>
      <label className="min-w-[220px] flex-1">
        or with numbers, as “strands lost 7 of 19 × 2”
        <input
          className="box mt-1 w-full"
          value={words}
          aria-invalid={wrong !== ''}
          onChange={(e) => setWords(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter') write();
          }}
        />
      </label>
      <button type="button" className="act" disabled={words.trim() === ''} onClick={write}>
        enter
      </button>
      {wrong ? (
        <p role="alert" className="w-full font-semibold text-lead">
          {wrong}
        </p>
      ) : null}
    </div>
  );
}
