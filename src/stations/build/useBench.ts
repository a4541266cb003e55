'use client';
import { useMemo, useState } from 'react';
import type { MadePiece, Marked } from '@/core/build';
import type { BoatRecord } from '@/core/design';
import { useAsked } from '@/ui/boat/context';
import { useBook } from '@/ui/boat/useBook';
import type { Bench } from '@/workers/analysis.worker';

/** Pieces as they are made, by the design as analysed and the marks that stand here; null until they are worked out. */
export function useBench() {
  const book = useBook();
  const marks = useMemo(() => [...book.marks.values()], [book.marks]);
  const bench = useKept(useAsked<Bench>(`bench:${book.version}`, (r) => r.bench(marks)));
  return { book, marks, bench };
}

/** What was there before stays until the next is worked out: nothing flickers, and what is open stays open. */
export function useKept<T>(fresh: T | null): T | null {
  const [kept, setKept] = useState<T | null>(fresh);
  if (fresh !== null && fresh !== kept) setKept(fresh);
  return fresh ?? kept;
}

/** How far a piece is, as a record: with what it was made as, so that a later design is held against it. */
export const markOf = (p: MadePiece, state: Marked | 'back', more: BoatRecord['body'] = {}): Omit<BoatRecord, 'id' | 'at'> => ({
  kind: 'mark',
  thing: `piece:${p.cut.id}`,
  body: { state, size: p.cut.size, colour: p.cut.colour, mm: p.cutMm, label: p.cut.label.slice(0, 200), ...more },
});
