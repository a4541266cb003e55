/** Boats on file: list, open, edit, undo, redo. Every write is one transaction; a stale edit is answered, never merged silently. */
import { and, asc, desc, eq, gt, isNull } from 'drizzle-orm';
import {
  applyEdit,
  type BoatSummary,
  brokenReferences,
  type Conflict,
  type Design,
  DesignSchema,
  type Edit,
  inverseOps,
  type Op,
  readDesign,
  type ReadProblem,
  valueAt,
  VERSION,
} from '@/core/design';
import { newRing, ringWords } from '@/core/topology';
import * as v from 'valibot';
import type { Db } from './database';
import { boats, edits } from './tables';

/** One applied change, as every window of the boat is told of it. */
export interface EditRecord {
  readonly revision: number;
  readonly editId: string;
  readonly label: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  readonly ops: readonly Op[];
  /** What undo and redo would now take back or put back. */
  readonly undo: string | null;
  readonly redo: string | null;
}

export interface OpenBoat {
  readonly id: string;
  readonly revision: number;
  readonly design: Design;
  readonly undo: string | null;
  readonly redo: string | null;
}

export type EditResult =
  | { readonly ok: true; readonly record: EditRecord }
  | { readonly ok: false; readonly reason: 'missing' }
  | { readonly ok: false; readonly reason: 'conflict'; readonly conflicts: readonly Conflict[] }
  | { readonly ok: false; readonly reason: 'invalid'; readonly problems: readonly ReadProblem[] }
  | { readonly ok: false; readonly reason: 'nothing' };

export function listBoats(db: Db): BoatSummary[] {
  const { id, name, revision, updatedAt, systemV, lengthM, loads, circuits } = boats;
  return db
    .select({ id, name, revision, updatedAt, systemV, lengthM, loads, circuits })
    .from(boats)
    .where(isNull(boats.deletedAt))
    .orderBy(desc(boats.updatedAt), asc(boats.id))
    .all()
    .map((row) => ({
      ...row,
      systemV: row.systemV ?? 0,
      lengthM: row.lengthM ?? 0,
      loads: row.loads ?? 0,
      circuits: row.circuits ?? 0,
      // Every version has these parts: a design that has not was cut or is none. It does not hide the others.
      damaged: [row.systemV, row.lengthM, row.loads, row.circuits].includes(null),
    }));
}

export function createBoat(db: Db, id: string, design: Design, now: number): void {
  db.insert(boats)
    .values({ id, name: design.boat.name, revision: 0, design: JSON.stringify(design), createdAt: now, updatedAt: now })
    .run();
}

/** Puts a design in place of a boat's own before anyone has opened her. */
export function replaceDesign(db: Db, id: string, design: Design): void {
  db.update(boats)
    .set({ design: JSON.stringify(design) })
    .where(eq(boats.id, id))
    .run();
}

/** Marks a boat as thrown away, or takes it back; the row and its history stay. */
export function setDeleted(db: Db, id: string, at: number | null): boolean {
  return db.update(boats).set({ deletedAt: at }).where(eq(boats.id, id)).run().changes > 0;
}

const stepLabels = (db: Db, boatId: string): { undo: string | null; redo: string | null } => {
  const step = (state: 'done' | 'undone') =>
    db
      .select({ label: edits.label })
      .from(edits)
      .where(and(eq(edits.boatId, boatId), eq(edits.kind, 'edit'), eq(edits.state, state)))
      .orderBy(state === 'done' ? desc(edits.revision) : asc(edits.revision))
      .limit(1)
      .get()?.label ?? null;
  return { undo: step('done'), redo: step('undone') };
};

/** What stands on file for a boat, whether it can be read or not, to be taken away. */
export const rawDesign = (db: Db, id: string): string | null =>
  db.select({ design: boats.design }).from(boats).where(eq(boats.id, id)).get()?.design ?? null;

export function openBoat(db: Db, id: string): OpenBoat | null {
  const row = db
    .select()
    .from(boats)
    .where(and(eq(boats.id, id), isNull(boats.deletedAt)))
    .get();
  return row ? { id, revision: row.revision, design: stored(row.design), ...stepLabels(db, id) } : null;
}

/** Everything applied after a revision, oldest first. */
export function editsSince(db: Db, boatId: string, revision: number): EditRecord[] {
  const labels = stepLabels(db, boatId);
  return db
    .select()
    .from(edits)
    .where(and(eq(edits.boatId, boatId), gt(edits.revision, revision)))
    .orderBy(asc(edits.revision))
    .limit(500)
    .all()
    .map((row) => ({
      revision: row.revision,
      editId: row.editId,
      label: row.label,
      kind: row.kind,
      ops: JSON.parse(row.ops) as Op[],
      ...labels,
    }));
}

/** The ops with the values they really replace, so that their inverse restores what stood there. */
function settled(design: Design, ops: readonly Op[]): Op[] {
  let current = design;
  return ops.map((op) => {
    const standing = valueAt(current, op.op === 'set' ? op.path : [...op.path, op.row.id]);
    const real: Op =
      op.op === 'set'
        ? { ...op, from: standing ?? null }
        : op.op === 'drop' && standing !== undefined
          ? { ...op, row: standing as Op extends { row: infer R } ? R : never }
          : op;
    const next = applyEdit(current, { ops: [real] }, true);
    if (next.ok) current = next.design;
    return real;
  });
}

type Checked = { readonly design: Design; readonly problems: readonly ReadProblem[] };

/** The design through its schema: fields an older edit did not have are filled in. */
function checked(design: Design): Checked {
  const parsed = v.safeParse(DesignSchema, design);
  if (parsed.success) return { design: parsed.output, problems: brokenReferences(parsed.output) };
  return { design, problems: parsed.issues.slice(0, 5).map((i) => ({ where: v.getDotPath(i) ?? 'design', message: i.message })) };
}

/** A design as the database keeps it; one of an older version, or from before a field was there, is brought up to date. */
function stored(text: string): Design {
  const design = JSON.parse(text) as Design;
  if (design.version === VERSION) return checked(design).design;
  const read = readDesign(design);
  if (!read.ok) throw new Error(`a stored design cannot be read: ${read.problems[0]?.where ?? ''}, ${read.problems[0]?.message ?? ''}`);
  return read.design;
}

/** Rows an op adds, as the schema has filled them in. */
const filled = (design: Design, op: Op): Op =>
  op.op === 'add' ? { ...op, row: (valueAt(design, [...op.path, op.row.id]) as typeof op.row | undefined) ?? op.row } : op;

interface Change {
  readonly editId: string;
  readonly label: string;
  readonly ops: readonly Op[];
  readonly kind: EditRecord['kind'];
  readonly force: boolean;
}

/** Applies a change inside a transaction already open. */
function write(db: Db, boatId: string, change: Change, now: number): EditResult {
  const row = db
    .select()
    .from(boats)
    .where(and(eq(boats.id, boatId), isNull(boats.deletedAt)))
    .get();
  if (!row) return { ok: false, reason: 'missing' };
  const design = stored(row.design);
  const applied = applyEdit(design, { ops: [...change.ops] }, change.force);
  if (!applied.ok) return { ok: false, reason: 'conflict', conflicts: applied.conflicts };
  const next = checked(applied.design);
  if (next.problems.length > 0) return { ok: false, reason: 'invalid', problems: next.problems };
  // Undo walks back to whatever stood, a loop stored by an older version too.
  const ring = change.kind === 'edit' ? newRing(design, next.design) : null;
  if (ring)
    return {
      ok: false,
      reason: 'invalid',
      problems: [{ where: 'feeds', message: `it would feed itself: ${ringWords(next.design, ring)}` }],
    };
  const ops = (change.force ? settled(design, change.ops) : [...change.ops]).map((op) => filled(next.design, op));
  const revision = row.revision + 1;
  db.insert(edits)
    .values({
      boatId,
      revision,
      editId: change.editId,
      label: change.label,
      ops: JSON.stringify(ops),
      kind: change.kind,
      state: change.kind === 'edit' ? 'done' : 'act',
      at: now,
    })
    .run();
  db.update(boats)
    .set({ revision, design: JSON.stringify(next.design), name: next.design.boat.name, updatedAt: now })
    .where(eq(boats.id, boatId))
    .run();
  return { ok: true, record: { revision, editId: change.editId, label: change.label, kind: change.kind, ops, undo: null, redo: null } };
}

const withLabels = (db: Db, boatId: string, result: EditResult): EditResult =>
  result.ok ? { ok: true, record: { ...result.record, ...stepLabels(db, boatId) } } : result;

/** Applies an author's edit. force: the author has seen the other value and keeps their own. Repeating an edit id answers the first result. */
export function editBoat(db: Db, boatId: string, edit: Edit, force: boolean, now: number): EditResult {
  return db.transaction(
    (tx) => {
      const inner = tx as unknown as Db;
      const known = inner
        .select()
        .from(edits)
        .where(and(eq(edits.boatId, boatId), eq(edits.editId, edit.id)))
        .get();
      if (known) {
        const record = {
          revision: known.revision,
          editId: known.editId,
          label: known.label,
          kind: known.kind,
          ops: JSON.parse(known.ops) as Op[],
        };
        return { ok: true, record: { ...record, ...stepLabels(inner, boatId) } };
      }
      const result = write(inner, boatId, { editId: edit.id, label: edit.label, ops: edit.ops, kind: 'edit', force }, now);
      if (result.ok)
        inner
          .update(edits)
          .set({ state: 'gone' })
          .where(and(eq(edits.boatId, boatId), eq(edits.state, 'undone')))
          .run();
      return withLabels(inner, boatId, result);
    },
    { behavior: 'immediate' },
  );
}

/** Takes back the last edit that stands, or puts back the last one taken. Works after a reload and from any window. */
export function stepBoat(db: Db, boatId: string, step: 'undo' | 'redo', stepId: string, now: number): EditResult {
  return db.transaction(
    (tx) => {
      const inner = tx as unknown as Db;
      const state = step === 'undo' ? 'done' : 'undone';
      const target = inner
        .select()
        .from(edits)
        .where(and(eq(edits.boatId, boatId), eq(edits.kind, 'edit'), eq(edits.state, state)))
        .orderBy(step === 'undo' ? desc(edits.revision) : asc(edits.revision))
        .limit(1)
        .get();
      if (!target) return { ok: false, reason: 'nothing' };
      const ops = JSON.parse(target.ops) as Op[];
      const result = write(
        inner,
        boatId,
        { editId: stepId, label: target.label, ops: step === 'undo' ? inverseOps(ops) : ops, kind: step, force: true },
        now,
      );
      if (result.ok)
        inner
          .update(edits)
          .set({ state: step === 'undo' ? 'undone' : 'done' })
          .where(and(eq(edits.boatId, boatId), eq(edits.revision, target.revision)))
          .run();
      return withLabels(inner, boatId, result);
    },
    { behavior: 'immediate' },
  );
}
