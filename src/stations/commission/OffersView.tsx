'use client';
import { useMemo } from 'react';
import { type Offer, offersOf } from '@/core/commission';
import { useDesign, useStore } from '@/ui/boat/context';
import { useWhatChanges, WhatChanges } from '@/ui/remedies/WhatChanges';
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
  const store = useStore();
  const { effect, ask } = useWhatChanges();
  return (
    <li className="border-b border-line py-2">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <span className="min-w-0 flex-1">
          <b className="font-semibold">{offer.what}</b>: {offer.was}; read {offer.is}, {new Date(offer.at).toISOString().slice(0, 10)}
        </span>
        <button type="button" className="plain" onClick={() => void ask(offer.ops)}>
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
      <WhatChanges effect={effect} />
    </li>
  );
}
