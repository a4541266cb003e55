/** A boat's whole history as part of her archive: out, checked on the way in, and into the database. */
import { asc, eq } from 'drizzle-orm';
import * as v from 'valibot';
import { EditSchema, parseClean } from '@/core/design';
import type { Db } from './database';
import { edits } from './tables';

const FORMAT = 'solenix-history';
/** So many edits are taken in. */
const MOST = 100_000;

const text = (most: number) => v.pipe(v.string(), v.maxLength(most));
const RowSchema = v.object({
  revision: v.pipe(v.number(), v.integer(), v.minValue(1)),
  editId: v.pipe(v.string(), v.minLength(8), v.maxLength(60)),
  label: text(200),
  kind: v.picklist(['edit', 'undo', 'redo']),
  state: v.picklist(['done', 'undone', 'gone', 'act']),
  // One that was recovered over changes nothing.
  ops: v.union([EditSchema.entries.ops, v.pipe(v.array(v.never()), v.maxLength(0))]),
  at: v.number(),
  by: v.nullable(text(60)),
  named: v.optional(v.nullable(text(120)), null),
});
const FileSchema = v.object({ format: v.literal(FORMAT), version: v.literal(1), edits: v.pipe(v.array(RowSchema), v.maxLength(MOST)) });

export type HistoryRow = v.InferOutput<typeof RowSchema>;

/** Every edit of a boat, oldest first. */
export const historyRows = (db: Db, boatId: string): HistoryRow[] =>
  db
    .select()
    .from(edits)
    .where(eq(edits.boatId, boatId))
    .orderBy(asc(edits.revision))
    .all()
    .map(({ revision, editId, label, kind, state, ops, at, by, named }) => ({
      revision,
      editId,
      label,
      kind,
      state,
      ops: JSON.parse(ops) as HistoryRow['ops'],
      at,
      by,
      named,
    }));

export const historyText = (rows: readonly HistoryRow[]): string => JSON.stringify({ format: FORMAT, version: 1, edits: rows });

/** A file of JSON by its schema; null: it is not understood. */
export function parsedAs<S extends v.GenericSchema>(schema: S, json: string): v.InferOutput<S> | null {
  try {
    const parsed = v.safeParse(schema, parseClean(json));
    return parsed.success ? parsed.output : null;
  } catch {
    return null;
  }
}

/** null: it is not understood, or its revisions do not follow on each other. */
export function readHistory(json: string): readonly HistoryRow[] | null {
  const rows = parsedAs(FileSchema, json)?.edits;
  if (!rows) return null;
  const rising = rows.every((r, i) => i === 0 || r.revision > (rows[i - 1]?.revision ?? 0));
  return rising && new Set(rows.map((r) => r.editId)).size === rows.length ? rows : null;
}

/** Puts a history in. @param renamed ids that are others here, as those of pictures. */
export function putHistory(db: Db, boatId: string, rows: readonly HistoryRow[], renamed: ReadonlyMap<string, string>): void {
  const names = (ops: string): string =>
    [...renamed].reduce((all, [from, to]) => all.replaceAll(JSON.stringify(from), JSON.stringify(to)), ops);
  for (const { ops, ...row } of rows)
    db.insert(edits)
      .values({ ...row, boatId, ops: names(JSON.stringify(ops)), device: null })
      .run();
}
