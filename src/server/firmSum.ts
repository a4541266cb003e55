/** What concerns the whole firm, over the boats that changed last; others are answered between one boat and the next. */
import { setImmediate as next } from 'node:timers/promises';
import type { BoatState } from '@/core/design';
import { type FirmPart, type FirmSum, firmSum, partOf } from '@/core/keep';
import { findBoats, openBoat } from './boats';
import type { Db } from './database';
import { recordsSince } from './records';
import { listShelf } from './shelf';
import { DamagedBoat } from './stored';

/** So many boats are gone through, and so many records of each. */
const MOST_BOATS = 300;
const MOST_RECORDS = 20_000;

export interface FirmAnswer extends FirmSum {
  readonly looked: number;
  readonly total: number;
  /** How far each is, by its id, as the list of boats last had it; null: not calculated yet. */
  readonly states: Readonly<Record<string, Pick<BoatState, 'stops' | 'fixes'> | null>>;
  /** Boats that cannot be read: nothing of them is in the sums. */
  readonly unread: readonly string[];
  /** Metres of cable in the store, by size. */
  readonly store: readonly {
    readonly what: string;
    readonly school: 'awg' | 'metric';
    readonly lengths: number;
    readonly metres: number;
  }[];
}

export async function firmAnswer(db: Db, now: number): Promise<FirmAnswer> {
  const { boats: listed, total } = findBoats(db, '', 0, MOST_BOATS, 'changed');
  const kept: FirmPart[] = [];
  const unread: string[] = [];
  for (const { id, name } of listed) {
    try {
      const boat = openBoat(db, id);
      if (boat) kept.push(partOf({ id, name, design: boat.design, records: recordsSince(db, id, 0, MOST_RECORDS) }, now));
    } catch (error) {
      if (!(error instanceof DamagedBoat)) throw error;
      unread.push(name);
    }
    await next();
  }
  const cards = listShelf(db, 'card').map((c) => c.item);
  const store = new Map<string, { school: 'awg' | 'metric'; lengths: number; metres: number }>();
  for (const { item } of listShelf(db, 'reel')) {
    const what = `${item.name}, ${item.colour}`;
    const had = store.get(what) ?? { school: item.school, lengths: 0, metres: 0 };
    store.set(what, { ...had, lengths: had.lengths + 1, metres: had.metres + item.lengthM });
  }
  return {
    ...firmSum(kept, cards),
    looked: kept.length,
    total,
    states: Object.fromEntries(listed.map(({ id, state }) => [id, state && { stops: state.stops, fixes: state.fixes }])),
    unread,
    store: [...store].map(([what, s]) => ({ what, ...s })).sort((a, b) => a.what.localeCompare(b.what)),
  };
}
