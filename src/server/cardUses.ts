/** Which boats have loads from which equipment card: kept beside the designs, so that no design is read to answer it. */
import { and, eq, inArray } from 'drizzle-orm';
import type { Design } from '@/core/design';
import type { Db } from './database';
import { boatCards } from './tables';

/** Cards that loads of a design came from. */
export const cardsOf = ({ loads }: Pick<Design, 'loads'>): readonly string[] => [...new Set(loads.flatMap((l) => l.cardId ?? []))];

/** Notes what has changed. */
export function noteCards(db: Db, boatId: string, before: readonly string[], after: readonly string[]): void {
  const [gone, come] = [before.filter((c) => !after.includes(c)), after.filter((c) => !before.includes(c))];
  if (gone.length > 0)
    db.delete(boatCards)
      .where(and(eq(boatCards.boatId, boatId), inArray(boatCards.cardId, gone)))
      .run();
  if (come.length > 0)
    db.insert(boatCards)
      .values(come.map((cardId) => ({ boatId, cardId })))
      .onConflictDoNothing()
      .run();
}
