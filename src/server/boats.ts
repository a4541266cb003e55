/** Boats on file: the list of them, a new one, one opened, one thrown away and taken back. */
import { and, asc, count, desc, eq, isNull, type SQL, sql } from 'drizzle-orm';
import type { BoatSummary, Design } from '@/core/design';
import { cardsOf, noteCards } from './cardUses';
import { keepCheckpoint } from './checkpoints';
import type { Db } from './database';
import { type Steps, stepsOf } from './history';
import { DamagedBoat, keptAs, readStored } from './stored';
import { readState } from './states';
import { boatCards, boats, boatStates } from './tables';

export interface OpenBoat extends Steps {
  readonly id: string;
  readonly revision: number;
  readonly design: Design;
}

/** Boats that are not thrown away, last changed first. */
export const listBoats = (db: Db): BoatSummary[] => listed(db, isNull(boats.deletedAt), 'changed', 0, -1);

/** In what order boats are listed: last changed first, by name, or what must be settled first. */
export const BOAT_ORDERS = ['changed', 'name', 'open'] as const;
export type BoatOrder = (typeof BOAT_ORDERS)[number];

const ORDER: Readonly<Record<BoatOrder, readonly SQL[]>> = {
  changed: [desc(boats.updatedAt), asc(boats.id)],
  name: [sql`lower(${boats.name})`, asc(boats.id)],
  open: [desc(sql`coalesce(${boatStates.open}, 0)`), desc(boats.updatedAt), asc(boats.id)],
};

function listed(db: Db, where: SQL | undefined, order: BoatOrder, from: number, most: number): BoatSummary[] {
  const { id, name, revision, updatedAt, systemV, lengthM, loads, circuits, problem } = boats;
  return db
    .select({
      id,
      name,
      revision,
      updatedAt,
      systemV,
      lengthM,
      loads,
      circuits,
      problem,
      told: boatStates.state,
      toldOf: boatStates.revision,
    })
    .from(boats)
    .leftJoin(boatStates, eq(boatStates.boatId, boats.id))
    .where(where)
    .orderBy(...ORDER[order])
    .limit(most)
    .offset(from)
    .all()
    .map(({ problem: wrong, told, toldOf, ...row }) => ({
      ...row,
      systemV: row.systemV ?? 0,
      lengthM: row.lengthM ?? 0,
      loads: row.loads ?? 0,
      circuits: row.circuits ?? 0,
      // Every version has these parts: a design that has not was cut or is none. It does not hide the others.
      damaged: wrong !== null || [row.systemV, row.lengthM, row.loads, row.circuits].includes(null),
      problem: wrong,
      state: readState(told),
      stateOld: toldOf !== row.revision,
    }));
}

export interface Found {
  readonly boats: readonly BoatSummary[];
  /** How many there are in all that answer to what is sought. */
  readonly total: number;
}

/** Boats whose name holds what is sought, so many from one on. */
export function findBoats(db: Db, sought: string, from: number, most: number, order: BoatOrder = 'changed'): Found {
  const where = and(isNull(boats.deletedAt), sought === '' ? undefined : sql`instr(lower(${boats.name}), lower(${sought})) > 0`);
  const total = db.select({ n: count() }).from(boats).where(where).get()?.n ?? 0;
  return { total, boats: listed(db, where, order, from, most) };
}

/** Boats with loads from an equipment card, those that cannot be read aside. */
export const boatsWithCard = (db: Db, cardId: string): { readonly id: string; readonly name: string }[] =>
  db
    .select({ id: boats.id, name: boats.name })
    .from(boatCards)
    .innerJoin(boats, eq(boats.id, boatCards.boatId))
    .where(and(eq(boatCards.cardId, cardId), isNull(boats.deletedAt), isNull(boats.problem)))
    .orderBy(desc(boats.updatedAt), asc(boats.id))
    .all();

/** A new boat, whole or not at all. @param more what else belongs to her, in the same transaction. @param revision the one her history has come to. */
export function createBoat(db: Db, id: string, design: Design, now: number, more: (inner: Db) => void = () => {}, revision = 0): void {
  const kept = keptAs(design);
  db.transaction(
    (tx) => {
      const inner = tx as unknown as Db;
      inner
        .insert(boats)
        .values({ id, name: design.boat.name, revision, ...kept, createdAt: now, updatedAt: now })
        .run();
      keepCheckpoint(inner, id, revision, kept, now);
      noteCards(inner, id, [], cardsOf(design));
      more(inner);
    },
    { behavior: 'immediate' },
  );
}

/** Marks a boat as thrown away, or takes it back; the row and its history stay. */
export function setDeleted(db: Db, id: string, at: number | null): boolean {
  return db.update(boats).set({ deletedAt: at }).where(eq(boats.id, id)).run().changes > 0;
}

/** What stands on file for a boat, whether it can be read or not, to be taken away. */
export const rawDesign = (db: Db, id: string): string | null =>
  db.select({ design: boats.design }).from(boats).where(eq(boats.id, id)).get()?.design ?? null;

/** Whether such a boat is there and not thrown away, without reading her. */
export const isThere = (db: Db, id: string): boolean =>
  db
    .select({ id: boats.id })
    .from(boats)
    .where(and(eq(boats.id, id), isNull(boats.deletedAt)))
    .get() !== undefined;

/** null: there is none. Throws DamagedBoat where what is on file cannot be read. @param device whose steps are told first. */
export function openBoat(db: Db, id: string, device: string | null = null): OpenBoat | null {
  const row = db
    .select()
    .from(boats)
    .where(and(eq(boats.id, id), isNull(boats.deletedAt)))
    .get();
  if (!row) return null;
  const read = readStored(row.design, row.sum);
  if (!read.ok) {
    if (row.problem !== read.problem) markProblem(db, id, read.problem);
    throw new DamagedBoat(id, read.problem);
  }
  return { id, revision: row.revision, design: read.design, ...stepsOf(db, id, device) };
}

/** Notes what is wrong with a boat, for the list. */
export const markProblem = (db: Db, id: string, problem: string | null): void => {
  db.update(boats).set({ problem }).where(eq(boats.id, id)).run();
};
