/** Edits of a boat, and steps back and forth. Every write is one transaction; a stale edit is answered, never merged silently. */
import { and, asc, count, desc, eq, gt, isNotNull, isNull, lt, or, type SQL } from 'drizzle-orm';
import { applyEdit, type Conflict, type Design, diffOps, type Edit, inverseOps, type Op, type ReadProblem, valueAt } from '@/core/design';
import { newRing, ringWords } from '@/core/topology';
import { cardsOf, noteCards } from './cardUses';
import { designAt, keepCheckpoint, wantsCheckpoint } from './checkpoints';
import type { Db } from './database';
import { checked, keptAs, readStored } from './stored';
import { boats, edits } from './tables';

/** Who makes a change: the device, and the name given there. */
export interface Who {
  readonly device: string;
  readonly name: string | null;
}

/** What undo and redo would take back or put back; null: nothing. */
export interface Steps {
  readonly undo: string | null;
  readonly redo: string | null;
}

/** One applied change, as every window of the boat is told of it. */
export interface EditRecord {
  readonly revision: number;
  readonly editId: string;
  readonly label: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  readonly ops: readonly Op[];
  readonly by: string | null;
}

/** The same as its author is answered. */
export interface EditAnswer extends EditRecord, Steps {}

export type EditResult =
  | { readonly ok: true; readonly record: EditAnswer }
  | { readonly ok: false; readonly reason: 'missing' }
  | { readonly ok: false; readonly reason: 'damaged'; readonly problem: string }
  | {
      readonly ok: false;
      readonly reason: 'conflict';
      readonly label: string;
      readonly ops: readonly Op[];
      readonly conflicts: readonly Conflict[];
    }
  | { readonly ok: false; readonly reason: 'invalid'; readonly problems: readonly ReadProblem[] }
  | { readonly ok: false; readonly reason: 'nothing' };

type Row = typeof edits.$inferSelect;

const recordOf = (row: Row): EditRecord => ({
  revision: row.revision,
  editId: row.editId,
  label: row.label,
  kind: row.kind,
  ops: JSON.parse(row.ops) as Op[],
  by: row.by,
});

/** The edit a step would go by: the device's own first, then anybody's. */
function nextStep(db: Db, boatId: string, step: 'undo' | 'redo', device: string | null): Row | undefined {
  const among = (own: SQL | undefined): Row | undefined =>
    db
      .select()
      .from(edits)
      .where(and(eq(edits.boatId, boatId), eq(edits.kind, 'edit'), eq(edits.state, step === 'undo' ? 'done' : 'undone'), own))
      .orderBy(step === 'undo' ? desc(edits.revision) : asc(edits.revision))
      .limit(1)
      .get();
  return (device === null ? undefined : among(eq(edits.device, device))) ?? among(undefined);
}

/** What steps of a device would say; of another's edit whose it is. */
export function stepsOf(db: Db, boatId: string, device: string | null): Steps {
  const told = (step: 'undo' | 'redo'): string | null => {
    const row = nextStep(db, boatId, step, device);
    if (!row) return null;
    return row.device === device || row.by === null ? row.label : `${row.label} (${row.by})`;
  };
  return { undo: told('undo'), redo: told('redo') };
}

const editsAfter = (db: Db, boatId: string, revision: number, most = -1): Row[] =>
  db
    .select()
    .from(edits)
    .where(and(eq(edits.boatId, boatId), gt(edits.revision, revision)))
    .orderBy(asc(edits.revision))
    .limit(most)
    .all();

/** Everything applied after a revision, oldest first, so many at a time. */
export const editsSince = (db: Db, boatId: string, revision: number, most = 500): EditRecord[] =>
  editsAfter(db, boatId, revision, most).map(recordOf);

export interface HistoryLine extends Omit<EditRecord, 'ops'> {
  readonly at: number;
  /** done: it stands; undone, gone: taken back, for good where a later edit closed the way; act: a step itself. */
  readonly state: Row['state'];
  readonly changes: number;
  /** What somebody has called the boat as of it. */
  readonly named: string | null;
}

export interface HistoryPage {
  readonly lines: readonly HistoryLine[];
  readonly total: number;
}

/** The history of a boat, newest first, in pages. @param before only what is older than this revision; null: from the newest. @param named only what has a name. */
export function historyPage(db: Db, boatId: string, before: number | null, size = 50, named = false): HistoryPage {
  const own = and(eq(edits.boatId, boatId), named ? isNotNull(edits.named) : undefined);
  const rows = db
    .select()
    .from(edits)
    .where(before === null ? own : and(own, lt(edits.revision, before)))
    .orderBy(desc(edits.revision))
    .limit(size)
    .all();
  const total = db.select({ n: count() }).from(edits).where(own).get()?.n ?? 0;
  return {
    total,
    lines: rows.map((row) => {
      const { ops, ...record } = recordOf(row);
      return { ...record, at: row.at, state: row.state, changes: ops.length, named: row.named };
    }),
  };
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

/** Rows an op adds, as the schema has filled them in. */
const filled = (design: Design, op: Op): Op =>
  op.op === 'add' ? { ...op, row: (valueAt(design, [...op.path, op.row.id]) as typeof op.row | undefined) ?? op.row } : op;

/** A field that ops write and the schema does not know: it would be dropped without a word. null: there is none. */
function unknownField(asked: Design, taken: Design, ops: readonly Op[]): string | null {
  const lost = (was: unknown, is: unknown, where: string): string | null => {
    if (typeof was !== 'object' || was === null) return is === undefined && was !== undefined ? where : null;
    if (typeof is !== 'object' || is === null) return where;
    for (const [key, value] of Object.entries(was)) {
      const at = lost(value, (is as Record<string, unknown>)[key], `${where}, ${key}`);
      if (at !== null) return at;
    }
    return null;
  };
  for (const op of ops) {
    const path = op.op === 'set' ? op.path : [...op.path, op.row.id];
    const at = op.op === 'drop' ? null : lost(valueAt(asked, path), valueAt(taken, path), path.join(', '));
    if (at !== null) return at;
  }
  return null;
}

interface Change {
  readonly editId: string;
  readonly label: string;
  readonly ops: readonly Op[];
  readonly kind: EditRecord['kind'];
  readonly force: boolean;
  readonly who: Who | null;
}

type Written = { readonly ok: true; readonly record: EditRecord } | Exclude<EditResult, { ok: true }>;

/** Applies a change inside a transaction already open. */
function write(db: Db, boatId: string, change: Change, now: number): Written {
  const row = db
    .select()
    .from(boats)
    .where(and(eq(boats.id, boatId), isNull(boats.deletedAt)))
    .get();
  if (!row) return { ok: false, reason: 'missing' };
  const read = readStored(row.design, row.sum);
  if (!read.ok) return { ok: false, reason: 'damaged', problem: read.problem };
  const { design } = read;
  const applied = applyEdit(design, { ops: [...change.ops] }, change.force);
  if (!applied.ok) return { ok: false, reason: 'conflict', label: change.label, ops: change.ops, conflicts: applied.conflicts };
  const next = checked(applied.design);
  if (next.problems.length > 0) return { ok: false, reason: 'invalid', problems: next.problems };
  const unknown = change.kind === 'edit' ? unknownField(applied.design, next.design, change.ops) : null;
  if (unknown !== null) return { ok: false, reason: 'invalid', problems: [{ where: unknown, message: 'there is no such field' }] };
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
  const by = change.who?.name ?? null;
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
      by,
      device: change.who?.device ?? null,
    })
    .run();
  const kept = keptAs(next.design);
  // The first edit of a boat from before there were checkpoints keeps what stood before it.
  if (wantsCheckpoint(db, boatId, row.revision)) keepCheckpoint(db, boatId, row.revision, keptAs(design), now);
  db.update(boats)
    .set({ revision, ...kept, name: next.design.boat.name, updatedAt: now, problem: null })
    .where(eq(boats.id, boatId))
    .run();
  noteCards(db, boatId, cardsOf(design), cardsOf(next.design));
  return { ok: true, record: { revision, editId: change.editId, label: change.label, kind: change.kind, ops, by } };
}

const withSteps = (db: Db, boatId: string, who: Who | null, written: Written): EditResult =>
  written.ok ? { ok: true, record: { ...written.record, ...stepsOf(db, boatId, who?.device ?? null) } } : written;

const byEditId = (db: Db, boatId: string, editId: string): Row | undefined =>
  db
    .select()
    .from(edits)
    .where(and(eq(edits.boatId, boatId), eq(edits.editId, editId)))
    .get();

/** Applies an author's edit. force: the author has seen the other value and keeps their own. Repeating an edit id answers the first result. */
export function editBoat(db: Db, boatId: string, edit: Edit, force: boolean, now: number, who: Who | null = null): EditResult {
  return db.transaction(
    (tx) => {
      const inner = tx as unknown as Db;
      const known = byEditId(inner, boatId, edit.id);
      if (known) return withSteps(inner, boatId, who, { ok: true, record: recordOf(known) });
      const result = write(inner, boatId, { editId: edit.id, label: edit.label, ops: edit.ops, kind: 'edit', force, who }, now);
      // A new edit closes the way forward, one's own: what a colleague may put back stays theirs.
      const own = who === null ? undefined : or(eq(edits.device, who.device), isNull(edits.device));
      if (result.ok)
        inner
          .update(edits)
          .set({ state: 'gone' })
          .where(and(eq(edits.boatId, boatId), eq(edits.kind, 'edit'), eq(edits.state, 'undone'), own))
          .run();
      return withSteps(inner, boatId, who, result);
    },
    { behavior: 'immediate' },
  );
}

const within = (a: readonly string[], b: readonly string[]): boolean => a.every((key, i) => b[i] === key);

/** Whether another device has set, since a revision, what a step met another value of. */
function setSince(db: Db, boatId: string, revision: number, conflicts: readonly Conflict[], who: Who | null): boolean {
  return editsAfter(db, boatId, revision).some(
    (row) =>
      row.device !== (who?.device ?? null) &&
      (JSON.parse(row.ops) as Op[]).some((op) => {
        const path = op.op === 'set' ? op.path : [...op.path, op.row.id];
        return conflicts.some((c) => within(c.path, path) || within(path, c.path));
      }),
  );
}

export interface Step {
  readonly step: 'undo' | 'redo';
  /** Made by the author's window: a repeated one answers the first result. */
  readonly id: string;
  /** The author has seen what somebody has set since, and goes on. */
  readonly force: boolean;
}

/**
 * Takes back the author's last edit that stands, or puts back the first one taken; without one of their own anybody's. Works after a reload and from any
 * window. Where somebody has since changed the same figure it is a conflict, told with both values.
 */
export function stepBoat(db: Db, boatId: string, { step, id, force }: Step, now: number, who: Who | null = null): EditResult {
  return db.transaction(
    (tx) => {
      const inner = tx as unknown as Db;
      const known = byEditId(inner, boatId, id);
      if (known) return withSteps(inner, boatId, who, { ok: true, record: recordOf(known) });
      const target = nextStep(inner, boatId, step, who?.device ?? null);
      if (!target)
        return inner
          .select({ id: boats.id })
          .from(boats)
          .where(and(eq(boats.id, boatId), isNull(boats.deletedAt)))
          .get()
          ? { ok: false, reason: 'nothing' }
          : { ok: false, reason: 'missing' };
      const stored = JSON.parse(target.ops) as Op[];
      const ops = step === 'undo' ? inverseOps(stored) : stored;
      const change = { editId: id, label: target.label, ops, kind: step, who };
      const asked = write(inner, boatId, { ...change, force }, now);
      // What nobody else has touched is only written differently by an older version, or stepped over by oneself.
      const result =
        !asked.ok && asked.reason === 'conflict' && !setSince(inner, boatId, target.revision, asked.conflicts, who)
          ? write(inner, boatId, { ...change, force: true }, now)
          : asked;
      if (result.ok)
        inner
          .update(edits)
          .set({ state: step === 'undo' ? 'undone' : 'done' })
          .where(and(eq(edits.boatId, boatId), eq(edits.revision, target.revision)))
          .run();
      return withSteps(inner, boatId, who, result);
    },
    { behavior: 'immediate' },
  );
}

/** Names a boat as of a revision, or takes the name off. */
export const nameRevision = (db: Db, boatId: string, revision: number, name: string | null): boolean =>
  db
    .update(edits)
    .set({ named: name })
    .where(and(eq(edits.boatId, boatId), eq(edits.revision, revision)))
    .run().changes > 0;

/** What differs between a boat as of a revision and as she is; null where the old one cannot be made any more, or the boat is gone. */
export function changesSince(db: Db, boatId: string, revision: number): readonly Op[] | null {
  const row = db.select().from(boats).where(eq(boats.id, boatId)).get();
  const read = row && readStored(row.design, row.sum);
  const was = designAt(db, boatId, revision);
  return read?.ok && was ? diffOps(was, read.design) : null;
}

/** Brings a boat back to what she was as of a revision, as one edit that can be taken back. */
export function backTo(db: Db, boatId: string, revision: number, editId: string, now: number, who: Who | null = null): EditResult {
  return db.transaction(
    (tx) => {
      const inner = tx as unknown as Db;
      const known = byEditId(inner, boatId, editId);
      if (known) return withSteps(inner, boatId, who, { ok: true, record: recordOf(known) });
      const ops = changesSince(inner, boatId, revision);
      if (ops === null) return { ok: false, reason: 'missing' };
      if (ops.length === 0) return { ok: false, reason: 'nothing' };
      const change = { editId, label: `back to revision ${revision}`, ops: inverseOps(ops), kind: 'edit' as const, force: false, who };
      return withSteps(inner, boatId, who, write(inner, boatId, change, now));
    },
    { behavior: 'immediate' },
  );
}
