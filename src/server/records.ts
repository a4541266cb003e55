/** A boat's records: added in one transaction, each once, read in the order they came in; as a file of her archive. */
import { and, asc, count, eq, gt, max } from 'drizzle-orm';
import * as v from 'valibot';
import { type BoatRecord, type KeptRecord, MOST_RECORDS, RecordSchema } from '@/core/design';
import { isThere } from './boats';
import type { Db } from './database';
import type { Who } from './history';
import { parsedAs } from './historyFile';
import { records } from './tables';

export type Added =
  { readonly ok: true; readonly records: readonly KeptRecord[] } | { readonly ok: false; readonly reason: 'missing' | 'full' };

const keptOf = (row: typeof records.$inferSelect): KeptRecord => ({
  seq: row.seq,
  id: row.id,
  kind: row.kind,
  thing: row.thing,
  at: row.at,
  by: row.by,
  body: JSON.parse(row.body) as KeptRecord['body'],
});

/** Keeps them all or none; one that stands already stays as it is. Answers each as it stands. */
export const addRecords = (db: Db, boatId: string, rows: readonly BoatRecord[], now: number, who: Who | null): Added =>
  db.transaction(
    (tx): Added => {
      const inner = tx as unknown as Db;
      if (!isThere(inner, boatId)) return { ok: false, reason: 'missing' };
      const had = inner.select({ n: count() }).from(records).where(eq(records.boatId, boatId)).get()?.n ?? 0;
      if (had + rows.length > MOST_RECORDS) return { ok: false, reason: 'full' };
      for (const { body, ...row } of rows)
        inner
          .insert(records)
          .values({ ...row, boatId, body: JSON.stringify(body), cameAt: now, by: who?.name ?? null, device: who?.device ?? null })
          .onConflictDoNothing()
          .run();
      const stand = rows.flatMap((r) => {
        const row = inner
          .select()
          .from(records)
          .where(and(eq(records.boatId, boatId), eq(records.id, r.id)))
          .get();
        return row ? [keptOf(row)] : [];
      });
      return { ok: true, records: stand };
    },
    { behavior: 'immediate' },
  );

/** Those that came in after one, so many at most, oldest first. */
export const recordsSince = (db: Db, boatId: string, since: number, most: number): readonly KeptRecord[] =>
  db
    .select()
    .from(records)
    .where(and(eq(records.boatId, boatId), gt(records.seq, since)))
    .orderBy(asc(records.seq))
    .limit(most)
    .all()
    .map(keptOf);

/** The newest, by its number; 0: there is none. */
export const lastRecord = (db: Db, boatId: string): number =>
  db
    .select({ seq: max(records.seq) })
    .from(records)
    .where(eq(records.boatId, boatId))
    .get()?.seq ?? 0;

const FORMAT = 'solenix-records';
const RowSchema = v.object({ ...RecordSchema.entries, by: v.nullable(v.pipe(v.string(), v.maxLength(60))) });
const FileSchema = v.object({
  format: v.literal(FORMAT),
  version: v.literal(1),
  records: v.pipe(v.array(RowSchema), v.maxLength(MOST_RECORDS)),
});

/** As it stands in an archive: without the numbers of this server. */
export type RecordRow = v.InferOutput<typeof RowSchema>;

export const recordRows = (db: Db, boatId: string): readonly RecordRow[] =>
  recordsSince(db, boatId, 0, MOST_RECORDS).map(({ seq: _, ...row }) => row);

export const recordsText = (rows: readonly RecordRow[]): string => JSON.stringify({ format: FORMAT, version: 1, records: rows });

/** null: it is not understood, or one stands in it twice. */
export function readRecords(json: string): readonly RecordRow[] | null {
  const rows = parsedAs(FileSchema, json)?.records;
  return rows && new Set(rows.map((r) => r.id)).size === rows.length ? rows : null;
}

/** Puts the records of an archive in, in their order. @param renamed ids that are others here, as those of pictures. */
export function putRecords(db: Db, boatId: string, rows: readonly RecordRow[], renamed: ReadonlyMap<string, string>, now: number): void {
  for (const { body, ...row } of rows) {
    const named = Object.fromEntries(Object.entries(body).map(([k, x]) => [k, typeof x === 'string' ? (renamed.get(x) ?? x) : x]));
    db.insert(records)
      .values({ ...row, boatId, body: JSON.stringify(named), cameAt: now, device: null })
      .run();
  }
}
