'use client';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { type BoatDue, cardAsLearned, type EquipmentLearned, type FirmSum } from '@/core/keep';
import type { Card } from '@/core/design';
import { round3, show } from '@/core/quantity';
import { UNITS } from '@/ui/schoolUnits';
import { Plain } from '@/ui/table/Plain';

interface Answer extends FirmSum {
  readonly looked: number;
  readonly total: number;
  readonly states: Readonly<Record<string, { readonly stops: number; readonly fixes: number } | null>>;
  readonly unread: readonly string[];
  readonly store: readonly {
    readonly what: string;
    readonly school: 'awg' | 'metric';
    readonly lengths: number;
    readonly metres: number;
  }[];
}

const dayOf = (at: number): string => new Date(at).toISOString().slice(0, 10);

/** While boats are left to be gone through it is asked for again. */
const AGAIN_MS = 300;

/** What concerns the whole firm: due work, hours, what equipment really draws, the store. */
export function FirmPage() {
  const [sum, setSum] = useState<Answer | null>(null);
  const [why, setWhy] = useState('');
  const load = () =>
    fetch('/api/firm')
      .then(async (r) => (r.ok ? setSum((await r.json()) as Answer) : setWhy('The server could not go through the boats.')))
      .catch(() => setWhy('The server cannot be reached.'));
  useEffect(() => void load(), []);
  const more = sum !== null && sum.looked < sum.total;
  useEffect(() => {
    if (!more) return;
    const timer = setTimeout(() => void load(), AGAIN_MS);
    return () => clearTimeout(timer);
  }, [more, sum]);
  return (
    <main className="mx-auto max-w-[1040px] p-6">
      <p className="screen-only flex gap-4">
        <Link className="plain" href="/" prefetch={false}>
          boats
        </Link>
        <button type="button" className="plain ml-auto" onClick={() => window.print()}>
          print
        </button>
      </p>
      <h1 className="mt-2 text-[22px] font-bold">The firm</h1>
      {sum ? <Sums sum={sum} onChanged={() => void load()} /> : <p className="text-quiet">{why || 'Going through the boats.'}</p>}
    </main>
  );
}

function Sums({ sum, onChanged }: { readonly sum: Answer; readonly onChanged: () => void }) {
  const due = sum.boats.flatMap((b) => b.due.map((d) => ({ ...d, boatId: b.boatId, boat: b.boat }))).sort((a, b) => a.due - b.due);
  return (
    <>
      <p className="text-quiet">
        {sum.looked >= sum.total ? `All ${sum.total} boats.` : `${sum.looked} of ${sum.total} boats so far.`}{' '}
        {sum.unread.length > 0 ? `Not in it, for it cannot be read: ${sum.unread.join(', ')}.` : ''}
      </p>
      <section className="mt-4">
        <h2 className="font-semibold">Due within two months</h2>
        {due.length === 0 ? (
          <p className="text-quiet">Nothing that was done before comes round. Log, service, on each boat says when something was done.</p>
        ) : (
          <Plain
            label="Due work"
            columns={[{ title: 'boat' }, { title: 'what' }, { title: 'last' }, { title: 'due' }]}
            rows={due.map((d) => ({
              id: `${d.boatId} ${d.id}`,
              cells: [
                <Link key="b" className="plain" href={`/boats/${d.boatId}/log`} prefetch={false}>
                  {d.boat}
                </Link>,
                d.what,
                d.last === null ? '' : dayOf(d.last),
                <span key="d" className={d.overdue ? 'font-semibold text-lead' : ''}>
                  {dayOf(d.due)}
                  {d.overdue ? ', over' : ''}
                </span>,
              ],
            }))}
          />
        )}
      </section>
      <section className="mt-5">
        <h2 className="font-semibold">Boats</h2>
        {sum.total > sum.boats.length && sum.looked >= sum.total ? (
          <p className="text-[12px] text-quiet">
            The {sum.boats.length} that changed last; the sums are of all. The others: the list of boats.
          </p>
        ) : null}
        <Plain
          label="Boats of the firm"
          columns={[
            { title: 'boat' },
            { title: 'to settle' },
            { title: 'due', right: true },
            { title: 'never noted', right: true },
            { title: 'hours', right: true },
          ]}
          rows={sum.boats.map((b: BoatDue) => ({
            id: b.boatId,
            cells: [
              <Link key="b" className="plain" href={`/boats/${b.boatId}/log`} prefetch={false}>
                {b.boat}
              </Link>,
              stateOf(sum.states[b.boatId] ?? null),
              String(b.due.length),
              String(b.never),
              b.hours === 0 ? '·' : round3(b.hours),
            ],
          }))}
        />
      </section>
      <section className="mt-5">
        <h2 className="font-semibold">How long work takes</h2>
        {sum.hours.length === 0 ? (
          <p className="text-quiet">No task has its minutes yet: the clock under Build, order of work, or Log, hours.</p>
        ) : (
          <Plain
            label="Hours of the firm"
            columns={[
              { title: 'kind' },
              { title: 'tasks', right: true },
              { title: 'estimated, h', right: true },
              { title: 'real, h', right: true },
              { title: 'factor', right: true },
            ]}
            rows={sum.hours.map((l) => ({
              id: l.kind,
              cells: [l.kind, String(l.n), round3(l.estimatedMin / 60), round3(l.realMin / 60), round3(l.factor)],
            }))}
          />
        )}
      </section>
      <Equipment rows={sum.equipment} onChanged={onChanged} />
      <section className="mt-5">
        <h2 className="font-semibold">In the store</h2>
        {sum.store.length === 0 ? (
          <p className="text-quiet">Nothing is entered: Build, reels.</p>
        ) : (
          <Plain
            label="The store"
            columns={[{ title: 'cable' }, { title: 'lengths', right: true }, { title: 'in all', right: true }]}
            rows={sum.store.map((s) => ({ id: s.what, cells: [s.what, String(s.lengths), show(s.metres, 'm', UNITS[s.school])] }))}
          />
        )}
      </section>
    </>
  );
}

const stateOf = (state: Answer['states'][string]): string =>
  state === null ? 'not calculated yet' : state.stops + state.fixes === 0 ? 'nothing' : `${state.stops} stop, ${state.fixes} fix`;

/** What was measured over several boats, offered to the card it came from. */
function Equipment({ rows, onChanged }: { readonly rows: readonly EquipmentLearned[]; readonly onChanged: () => void }) {
  const [said, setSaid] = useState('');
  const take = async (row: EquipmentLearned) => {
    const shelf = await fetch('/api/shelf/card').catch(() => null);
    const cards = shelf?.ok ? ((await shelf.json()) as readonly { readonly revision: number; readonly item: Card }[]) : [];
    const card = cards.find((c) => c.item.id === row.cardId);
    if (!card) return setSaid('That card is not on the shelf any more.');
    const answer = await fetch('/api/shelf/card', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ item: cardAsLearned(card.item, row), seen: card.revision }),
    }).catch(() => null);
    setSaid(
      answer?.ok
        ? `The card of ${row.name} says what was measured now. Boats keep their own figure until they take it from the card.`
        : 'The card was not changed: somebody else has changed it meanwhile, or the server does not answer.',
    );
    onChanged();
  };
  return (
    <section className="mt-5">
      <h2 className="font-semibold">What equipment really draws</h2>
      {rows.length === 0 ? (
        <p className="text-quiet">
          Nothing was measured on two boats yet. Amps that are read at commissioning and taken count here, by card or by the name in the
          list.
        </p>
      ) : (
        <Plain
          label="Equipment learned"
          columns={[{ title: 'equipment' }, { title: 'boats’ readings', right: true }, { title: 'it draws' }, { title: '' }]}
          rows={rows.map((e) => ({
            id: e.cardId ?? e.name,
            cells: [
              e.name,
              `n = ${e.n}`,
              `${Math.abs(Math.round(100 * (e.ratio - 1)))} % ${e.ratio >= 1 ? 'more' : 'less'} than its ${e.cardId === null ? 'line in the list' : 'card'} says (${round3(e.listedW)} W), ± ${Math.round(100 * e.spread)} %`,
              e.cardId === null ? (
                ''
              ) : (
                <button key="t" type="button" className="act screen-only" onClick={() => void take(e)}>
                  put it on the card
                  <span className="sr-only"> of {e.name}</span>
                </button>
              ),
            ],
          }))}
        />
      )}
      {said ? (
        <p role="status" className="mt-1">
          {said}
        </p>
      ) : null}
    </section>
  );
}
