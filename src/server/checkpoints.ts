/** Designs as they stood once, and the last good one of a boat whose own cannot be read: a checkpoint, with the edits after it played upon it. */
import { and, asc, desc, eq, gt, inArray, lte } from 'drizzle-orm';
import { applyEdit, type Design, type Op } from '@/core/design';
import { cardsOf, noteCards } from './cardUses';
import type { Db } from './database';
import { checked, keptAs, readStored, sumOf } from './stored';
import { boatCards, boats, checkpoints, edits } from './tables';

/** One is kept at every so many revisions. */
const EVERY = 100;
/** So many of the newest are kept, and the first. */
const NEWEST = 4;

const stood = (boatId: string) => and(eq(checkpoints.boatId, boatId), eq(checkpoints.what, 'stood'));

/** Keeps a design as it stood; older ones but the first make room. */
export function keepCheckpoint(
  db: Db,
  boatId: string,
  revision: number,
  kept: { readonly design: string; readonly sum: string },
  now: number,
): void {
  db.insert(checkpoints)
    .values({ boatId, revision, what: 'stood', ...kept, at: now })
    .onConflictDoNothing()
    .run();
  const all = db
    .select({ revision: checkpoints.revision })
    .from(checkpoints)
    .where(stood(boatId))
    .orderBy(asc(checkpoints.revision))
    .all()
    .map((c) => c.revision);
  const old = all.slice(1, -NEWEST);
  if (old.length > 0)
    db.delete(checkpoints)
      .where(and(stood(boatId), inArray(checkpoints.revision, old)))
      .run();
}

/** Whether a revision is one to keep, or none is kept of the boat yet. */
export const wantsCheckpoint = (db: Db, boatId: string, revision: number): boolean =>
  revision % EVERY === 0 ||
  db.select({ revision: checkpoints.revision }).from(checkpoints).where(stood(boatId)).limit(1).get() === undefined;

export interface LastGood {
  readonly design: Design;
  readonly revision: number;
  /** When it was saved. */
  readonly at: number;
}

/** A checkpoint with the edits after it, as far as they can be read and follow on each other. */
function played(db: Db, boatId: string, from: LastGood, upTo = Infinity): LastGood {
  let good = from;
  const rows = db
    .select()
    .from(edits)
    .where(and(eq(edits.boatId, boatId), gt(edits.revision, from.revision)))
    .orderBy(asc(edits.revision))
    .all();
  for (const row of rows) {
    if (row.revision !== good.revision + 1 || row.revision > upTo) return good;
    let ops: Op[];
    try {
      ops = JSON.parse(row.ops) as Op[];
    } catch {
      return good;
    }
    const applied = ops.length === 0 ? { ok: true as const, design: good.design } : applyEdit(good.design, { ops }, true);
    const next = applied.ok ? checked(applied.design) : null;
    if (!next || next.problems.length > 0) return good;
    good = { design: next.design, revision: row.revision, at: row.at };
  }
  return good;
}

/** A boat as of a revision; null where it cannot be made from what is kept. */
export function designAt(db: Db, boatId: string, revision: number): Design | null {
  const marks = db
    .select()
    .from(checkpoints)
    .where(and(stood(boatId), lte(checkpoints.revision, revision)))
    .orderBy(desc(checkpoints.revision))
    .all();
  for (const mark of marks) {
    const read = readStored(mark.design, mark.sum);
    if (!read.ok) continue;
    const made = played(db, boatId, { design: read.design, revision: mark.revision, at: mark.at }, revision);
    if (made.revision === revision) return made.design;
  }
  return null;
}

/** The newest design of a boat that can be made from what is kept; null where nothing can. */
export function lastGood(db: Db, boatId: string): LastGood | null {
  const marks = db.select().from(checkpoints).where(stood(boatId)).orderBy(desc(checkpoints.revision)).all();
  for (const mark of marks) {
    const read = readStored(mark.design, mark.sum);
    if (read.ok) return played(db, boatId, { design: read.design, revision: mark.revision, at: mark.at });
  }
  return null;
}

/**
 * Puts the last good design in the place of one that cannot be read; what stood there is kept beside it. Edits that could not be played stay in the
 * history and cannot be taken back any more. @returns its revision; null where there is none.
 */
export function recoverBoat(db: Db, boatId: string, now: number): number | null {
  return db.transaction(
    (tx) => {
      const inner = tx as unknown as Db;
      const row = inner.select().from(boats).where(eq(boats.id, boatId)).get();
      const good = row && lastGood(inner, boatId);
      if (!row || !good) return null;
      inner
        .insert(checkpoints)
        .values({ boatId, revision: row.revision, what: 'damaged', design: row.design, sum: sumOf(row.design), at: now })
        .onConflictDoNothing()
        .run();
      const lost = and(eq(edits.boatId, boatId), gt(edits.revision, good.revision));
      inner
        .update(edits)
        .set({ state: 'gone' })
        .where(and(lost, inArray(edits.state, ['done', 'undone'])))
        .run();
      // Two on: windows that still show what was lost fetch the whole boat again.
      const revision = row.revision + 2;
      const kept = keptAs(good.design);
      inner
        .insert(edits)
        .values({
          boatId,
          revision,
          editId: `recovered-${revision}`,
          label: `recovered as of revision ${good.revision}`,
          ops: '[]',
          kind: 'edit',
          state: 'act',
          at: now,
        })
        .run();
      inner
        .update(boats)
        .set({ ...kept, revision, name: good.design.boat.name, updatedAt: now, problem: null })
        .where(eq(boats.id, boatId))
        .run();
      keepCheckpoint(inner, boatId, revision, kept, now);
      inner.delete(boatCards).where(eq(boatCards.boatId, boatId)).run();
      noteCards(inner, boatId, [], cardsOf(good.design));
      return good.revision;
    },
    { behavior: 'immediate' },
  );
}
