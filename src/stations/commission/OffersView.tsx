'use client';
import { useMemo, useState } from 'react';
import type { Compared } from '@/core/analysis';
import { type Offer, offersOf } from '@/core/commission';
import { applyEdit } from '@/core/design';
import { useAnalyser, useDesign, useStore } from '@/ui/boat/context';
import { useReadings } from './useReadings';

/** What was read was read at about this. */
const AIR_C = 20;

/** Figures that were read at the boat beside what the design has: each taken by hand, with what it would change before. */
export function OffersView() {
  const design = useDesign();
  const { book, sheet } = useReadings(AIR_C);
  const { records } = book;
  const offers = useMemo(() => offersOf(design, sheet ?? [], records ?? []), [design, sheet, records]);
  if (records === null || sheet === null) return <p className="text-quiet">Reading the records.</p>;
  if (offers.length === 0)
    return (
      <p className="max-w-[600px] pt-2">
        Nothing read so far differs from the design. What is read on the test sheet is offered here in the place of what was typical,
        estimated or its maker&apos;s: amps of a load, resistance of a fuse, a switch or a bank, length of a cable by its own ohms. Nothing
        is taken by itself.
      </p>
    );
  return (
    <ul className="max-w-[820px]" aria-label="Read at the boat">
      {offers.map((o) => (
        <One key={o.id} offer={o} />
      ))}
    </ul>
  );
}

function One({ offer }: { offer: Offer }) {
  const design = useDesign();
  const store = useStore();
  const analyser = useAnalyser();
  const [effect, setEffect] = useState<Compared | null | 'asking'>(null);
  const ask = async () => {
    const edited = applyEdit(design, { ops: [...offer.ops] });
    if (!edited.ok) return store.say('refused', 'The design has moved on: that figure is no longer as it was.');
    setEffect('asking');
    setEffect(await analyser.ask((r) => r.between(design, edited.design)).catch(() => null));
  };
  return (
    <li className="border-b border-line py-2">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className="min-w-0 flex-1">
          <b className="font-semibold">{offer.what}</b>: {offer.was}; read {offer.is}, {new Date(offer.at).toISOString().slice(0, 10)}
        </span>
        <button type="button" className="plain" onClick={() => void ask()}>
          what it would change
        </button>
        <button
          type="button"
          className="act"
          aria-label={`take it: ${offer.what}`}
          onClick={() => store.edit(`measured: ${offer.what}`, offer.ops)}
        >
          take it
        </button>
      </div>
      {effect === 'asking' ? <p className="text-quiet">Working it out.</p> : null}
      {effect !== null && effect !== 'asking' ? (
        <ul className="mt-1 list-disc pl-5">
          {effect.lines.map((l) => (
            <li key={l.what}>
              {l.what}: {l.a}, then {l.b}
            </li>
          ))}
          {effect.changes.map((c) => (
            <li key={c.circuitId}>
              cable of {`${c.no} ${c.name}`.trim()}: {c.from}, then {c.to}
            </li>
          ))}
          {effect.brings.map((f) => (
            <li key={f.id}>it brings: {f.title}</li>
          ))}
          {effect.settles.map((f) => (
            <li key={f.id}>it settles: {f.title}</li>
          ))}
          {effect.lines.length + effect.changes.length + effect.brings.length + effect.settles.length === 0 ? (
            <li>no figure changes</li>
          ) : null}
        </ul>
      ) : null}
    </li>
  );
}
