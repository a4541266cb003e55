/** How far boats are: calculated in a thread when somebody looks at the list, kept by revision. */
import { eq, lte } from 'drizzle-orm';
import * as v from 'valibot';
import { type BoatState, BoatStateSchema, type Design } from '@/core/design';
import type { Db } from './database';
import { boatStates } from './tables';

const STOP_WEIGHT = 1000;

/** What was kept; null: nothing, or by a program that counted otherwise: it is calculated anew. */
export function readState(kept: string | null): BoatState | null {
  if (kept === null) return null;
  try {
    const parsed = v.safeParse(BoatStateSchema, JSON.parse(kept));
    return parsed.success ? parsed.output : null;
  } catch {
    return null;
  }
}

export const stateOf = (db: Db, boatId: string, revision: number): BoatState | null => {
  const row = db.select().from(boatStates).where(eq(boatStates.boatId, boatId)).get();
  return row?.revision === revision ? readState(row.state) : null;
};

export function keepState(db: Db, boatId: string, revision: number, state: BoatState): void {
  const row = { revision, open: STOP_WEIGHT * state.stops + state.fixes, state: JSON.stringify(state) };
  db.insert(boatStates)
    .values({ boatId, ...row })
    .onConflictDoUpdate({ target: boatStates.boatId, set: row, setWhere: lte(boatStates.revision, revision) })
    .run();
}

/** Of the revision that stands; calculated where what is kept is of another. @param calculate does it elsewhere. */
export async function stateNow(
  db: Db,
  boat: { readonly id: string; readonly revision: number; readonly design: Design },
  calculate: (design: Design) => Promise<BoatState>,
  keep: (write: () => void) => Promise<void>,
): Promise<BoatState> {
  const kept = stateOf(db, boat.id, boat.revision);
  if (kept) return kept;
  const state = await calculate(boat.design);
  await keep(() => keepState(db, boat.id, boat.revision, state));
  return state;
}
