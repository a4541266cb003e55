'use client';
import { useEffect, useMemo, useState } from 'react';
import { blankLoad, type Card, CARD_FIELDS, cardFrom, type Load, withCard } from '@/core/design';
import { useDesign, useFreshId, useStore } from '@/ui/boat/context';
import { useShelf } from '@/ui/boat/shelf';
import { Sheet, type Change } from '@/ui/sheet';
import { loadColumns } from './columns';

interface Affected {
  readonly boatId: string;
  readonly boat: string;
  readonly loads: readonly string[];
}

const KEYS: ReadonlySet<string> = new Set(['name', 'W', 'A', ...CARD_FIELDS]);

/** The firm's equipment cards: what was found out once, used on every boat. */
export function Cards({ onUse }: { onUse: (card: Card) => void }) {
  const design = useDesign();
  const store = useStore();
  const freshId = useFreshId();
  const { items, problem, put, take, reload } = useShelf<Card>('card');
  const [chosenId, setChosenId] = useState<string | null>(null);
  const [filter, setFilter] = useState('');
  const columns = useMemo(() => loadColumns(design).filter((c) => KEYS.has(c.key)), [design]);
  const rows = useMemo(
    () => (items ?? []).map(({ item }): Load => ({ ...withCard(blankLoad(item.id, item.nominalV), item), name: item.name })),
    [items],
  );
  const chosen = items?.find((i) => i.item.id === chosenId);
  const keep = async (change: Change<Load>) => {
    for (const { row, patch } of change.patches)
      await put(cardFrom({ ...row, ...patch }, row.id), items?.find((i) => i.item.id === row.id)?.revision ?? null);
    for (const row of change.added) await put(cardFrom(row, row.id), null);
  };
  const importFile = async (file: File) => {
    const answer = await fetch('/api/cards/file', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: await file.text(),
    }).catch(() => null);
    const body = (await answer?.json().catch(() => null)) as { added?: number; replaced?: number; error?: string } | null;
    if (answer?.ok) store.say('said', `${body?.added ?? 0} cards added, ${body?.replaced ?? 0} replaced.`);
    else store.say('refused', `${file.name} was not taken: ${body?.error ?? 'the server does not answer'}. Nothing was changed.`);
    await reload();
  };
  if (!items) return <p className="px-4 text-quiet">{problem ?? 'Fetching the cards.'}</p>;
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <div className="flex flex-none flex-wrap items-baseline gap-x-4 gap-y-1 px-4 pb-2">
        <span className="text-quiet">{items.length === 1 ? 'one card' : `${items.length} cards`}, for every boat</span>
        {problem ? (
          <span role="alert" className="font-semibold text-lead">
            {problem}
          </span>
        ) : null}
        <input
          className="box ml-auto w-[110px]"
          placeholder="filter"
          aria-label="Filter cards"
          value={filter}
          onChange={(e) => setFilter(e.target.value)}
        />
        <a className="plain" href="/api/cards/file" download>
          export cards
        </a>
        <label className="plain cursor-pointer">
          import cards
          <input
            type="file"
            accept="application/json,.json"
            className="sr-only"
            onChange={(e) => {
              const [file] = e.target.files ?? [];
              e.target.value = '';
              if (file) void importFile(file);
            }}
          />
        </label>
        <button
          type="button"
          className="act"
          onClick={() => {
            const id = freshId('k');
            void put(cardFrom({ ...blankLoad(id, design.boat.systemV), name: 'New card' }, id), null).then(() => setChosenId(id));
          }}
        >
          add a card
        </button>
      </div>
      {rows.length === 0 ? (
        <p className="max-w-[560px] px-4 py-4">
          A card holds what was found out about a piece of equipment: figures, limits, studs, lead, the maker&apos;s wire and fuse, the page
          it is on, what is still open. Make one from a load with “card from this load”, then use it on every boat; correct it here and
          choose the boats to follow.
        </p>
      ) : null}
      <div className="min-h-[120px] flex-1 overflow-auto">
        <Sheet
          label="Equipment cards"
          rows={rows}
          columns={columns}
          selectedId={chosen?.item.id ?? null}
          onSelect={(r) => setChosenId(r.id)}
          onChange={(change) => void keep(change)}
          onDelete={([r]) => r && void take(r.id).then(() => store.say('said', `${r.name} taken off the shelf; boats keep their figures.`))}
          onRefuse={(m) => store.say('refused', m)}
          filter={filter}
        />
      </div>
      {chosen ? <Followers key={`${chosen.item.id}:${chosen.revision}`} card={chosen.item} onUse={onUse} /> : null}
    </div>
  );
}

/** Boats whose loads came from the card and say something else, to be brought to it by choice. */
function Followers({ card, onUse }: { card: Card; onUse: (card: Card) => void }) {
  const store = useStore();
  const [boats, setBoats] = useState<readonly Affected[] | null>(null);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [round, setRound] = useState(0);
  useEffect(() => {
    let live = true;
    void fetch(`/api/cards/${card.id}/boats`)
      .then((r) => (r.ok ? (r.json() as Promise<readonly Affected[]>) : []))
      .catch(() => [])
      .then((answer) => {
        if (live) setBoats(answer);
      });
    return () => {
      live = false;
    };
  }, [card, round]);
  const chosen = (boats ?? []).filter((b) => !left.has(b.boatId));
  const apply = async () => {
    const answer = await fetch(`/api/cards/${card.id}/boats`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ boatIds: chosen.map((b) => b.boatId) }),
    }).catch(() => null);
    const body = (await answer?.json().catch(() => null)) as { changed?: string[]; error?: string } | null;
    if (answer?.ok) store.say('said', `${card.name} brought to ${body?.changed?.length ?? 0} boats; each can take it back.`);
    else store.say('refused', body?.error ?? 'The server does not answer.');
    setRound((n) => n + 1);
  };
  return (
    <section
      aria-label={`Card ${card.name}`}
      className="max-h-[38%] flex-none overflow-auto border-t-[1.5px] border-ink px-4 py-2"
      tabIndex={0}
    >
      <div className="flex items-baseline gap-4">
        <h2 className="font-semibold">{card.name}</h2>
        <button type="button" className="act" onClick={() => onUse(card)}>
          use it on this boat
        </button>
      </div>
      {card.questions ? <p className="text-quiet">Open: {card.questions}</p> : null}
      {boats === null ? (
        <p className="text-quiet">Looking through the boats.</p>
      ) : boats.length === 0 ? (
        <p className="text-quiet">Every boat that uses it says the same.</p>
      ) : (
        <>
          <p className="mt-1">These boats use it and say something else:</p>
          {boats.map((b) => (
            <label key={b.boatId} className="flex items-baseline gap-2">
              <input
                type="checkbox"
                checked={!left.has(b.boatId)}
                onChange={(e) => {
                  const next = new Set(left);
                  if (e.target.checked) next.delete(b.boatId);
                  else next.add(b.boatId);
                  setLeft(next);
                }}
              />
              {b.boat}: {b.loads.join(', ')}
            </label>
          ))}
          <button type="button" className="act mt-2" disabled={chosen.length === 0} onClick={() => void apply()}>
            bring {chosen.length} to the card
          </button>
        </>
      )}
    </section>
  );
}
