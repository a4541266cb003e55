/** What concerns the whole firm, over all its boats; others are answered between one boat and the next. What was found out of a boat is kept until she changes. */
import { setImmediate as next } from 'node:timers/promises';
import type { BoatState } from '@/core/design';
import { type FirmPart, type FirmSum, firmSum, partOf } from '@/core/keep';
import { findBoats, openBoat } from './boats';
import type { Db } from './database';
import { lastRecord, recordsSince } from './records';
import { listShelf } from './shelf';
import { DamagedBoat } from './stored';

/** So many boats are listed at a time, and told one by one; so many records of each are read. */
const PAGE = 300;
const MOST_RECORDS = 20_000;
/** After so long the answer is given with those that are gone through, and the next one goes on. */
const PATIENCE_MS = 1500;
const DAY_MS = 86_400_000;

interface Known {
  /** Revision, last record, and the day: what is due goes by it. */
  readonly of: string;
  /** null: she cannot be read. */
  readonly part: FirmPart | null;
}
const known = new WeakMap<Db, Map<string, Known>>();

export interface FirmAnswer extends FirmSum {
  /** Gone through so far, those that cannot be read among them. */
  readonly looked: number;
  readonly total: number;
  /** How far each of those told one by one is, by its id, as the list of boats last had it; null: not calculated yet. */
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

export async function firmAnswer(db: Db, now: number, patienceMs = PATIENCE_MS): Promise<FirmAnswer> {
  const parts = known.get(db) ?? new Map<string, Known>();
  known.set(db, parts);
  const until = performance.now() + patienceMs;
  const kept: FirmPart[] = [];
  const unread: string[] = [];
  let [total, fresh] = [1, 0];
  const told = findBoats(db, '', 0, PAGE, 'changed').boats;
  for (let from = 0; from < total; from += PAGE) {
    const page = findBoats(db, '', from, PAGE, 'changed');
    ({ total } = page);
    for (const { id, name, revision } of page.boats) {
      const of = `${revision} ${lastRecord(db, id)} ${Math.floor(now / DAY_MS)}`;
      const had = parts.get(id);
      if (had?.of === of) {
        if (had.part) kept.push(had.part);
        else unread.push(name);
        continue;
      }
      // One at the least: who asks again gets further.
      if (fresh > 0 && performance.now() > until) continue;
      fresh++;
      try {
        const boat = openBoat(db, id);
        if (boat) {
          const part = partOf({ id, name, design: boat.design, records: recordsSince(db, id, 0, MOST_RECORDS) }, now);
          parts.set(id, { of, part });
          kept.push(part);
        }
      } catch (error) {
        if (!(error instanceof DamagedBoat)) throw error;
        parts.set(id, { of, part: null });
        unread.push(name);
      }
      await next();
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
  const sum = firmSum(kept, cards);
  const shown = new Set(told.map((b) => b.id));
  return {
    ...sum,
    boats: sum.boats.filter((b) => shown.has(b.boatId) || b.due.length > 0),
    looked: kept.length + unread.length,
    total,
    states: Object.fromEntries(told.map(({ id, state }) => [id, state && { stops: state.stops, fixes: state.fixes }])),
    unread,
    store: [...store].map(([what, s]) => ({ what, ...s })).sort((a, b) => a.what.localeCompare(b.what)),
  };
}
