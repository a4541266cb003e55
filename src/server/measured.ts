/** Measured days kept with a boat: one gzipped CSV each, checked before it is kept, put away but never removed; out and in with her archive. */
import { and, asc, eq, sql } from 'drizzle-orm';
import { randomUUID } from 'node:crypto';
import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import * as v from 'valibot';
import { isThere } from './boats';
import type { Db } from './database';
import { parsedAs } from './historyFile';
import { sumOf } from './stored';
import { measured } from './tables';

export const MEASURED_BYTES = 20_000_000;
/** A year at a minute is some 20 MB unfolded. */
const MOST_UNFOLDED = 80_000_000;
const MOST_SETS = 60;
/** Of one boat in all: what goes out with her archive must come in again. */
const MOST_BYTES = 60_000_000;
export const MEASURED_HEADS = 'time,volts,amps,soc';
/** After those: the engine's speed, what sources give and the volts at them, by their ids. */
const HEADS = new RegExp(`^${MEASURED_HEADS}((?:,(?:rpm|(?:amps|volts) of [A-Za-z0-9][A-Za-z0-9_-]{0,39})){0,60})$`);

const MetaSchema = v.object({
  id: v.pipe(v.string(), v.regex(/^[A-Za-z0-9-]{8,60}$/)),
  bankId: v.pipe(v.string(), v.maxLength(40)),
  name: v.pipe(v.string(), v.maxLength(200)),
});
export type MeasuredMeta = v.InferOutput<typeof MetaSchema>;

export interface MeasuredSet extends MeasuredMeta {
  readonly from: number;
  readonly to: number;
  readonly rows: number;
  readonly bytes: number;
  readonly away: boolean;
}

const unfold = promisify(gunzip);

/** Rows of a file and what time they span; null: it is no such file. */
async function spanOf(csv: Uint8Array): Promise<{ readonly from: number; readonly to: number; readonly rows: number } | null> {
  let text: string;
  try {
    text = (await unfold(csv, { maxOutputLength: MOST_UNFOLDED })).toString('latin1');
  } catch {
    return null;
  }
  const body = text.trimEnd();
  const first = body.indexOf('\n');
  const heads = first < 0 ? null : HEADS.exec(body.slice(0, first));
  if (!heads) return null;
  const row = new RegExp(`^\\d{1,11}(\\.\\d+)?,-?[\\d.]+,-?[\\d.]+,[\\d.]*(,-?[\\d.]*){${(heads[1] ?? '').split(',').length - 1}}$`);
  const timeAt = (line: string): number => (row.test(line) ? Math.round(1000 * Number(line.split(',')[0])) : NaN);
  const [from, to] = [
    timeAt(body.slice(first + 1, body.indexOf('\n', first + 1) < 0 ? undefined : body.indexOf('\n', first + 1))),
    timeAt(body.slice(body.lastIndexOf('\n') + 1)),
  ];
  if (!Number.isFinite(from) || !Number.isFinite(to) || to < from) return null;
  let rows = 1;
  for (let at = body.indexOf('\n', first + 1); at >= 0; at = body.indexOf('\n', at + 1)) rows++;
  return { from, to, rows };
}

export type Kept =
  { readonly ok: true; readonly set: MeasuredSet } | { readonly ok: false; readonly reason: 'missing' | 'full' | 'unread' };

/** Keeps a file; the same id again answers what stands. */
export async function keepMeasured(db: Db, boatId: string, meta: MeasuredMeta, csv: Uint8Array, now: number): Promise<Kept> {
  const span = await spanOf(csv);
  if (!span) return { ok: false, reason: 'unread' };
  return db.transaction(
    (tx): Kept => {
      const inner = tx as unknown as Db;
      if (!isThere(inner, boatId)) return { ok: false, reason: 'missing' };
      const had = measuredSets(inner, boatId);
      const stands = had.find((s) => s.id === meta.id);
      if (stands) return { ok: true, set: stands };
      if (had.length >= MOST_SETS || had.reduce((n, s) => n + s.bytes, csv.byteLength) > MOST_BYTES) return { ok: false, reason: 'full' };
      put(inner, boatId, meta, span, csv, now);
      return { ok: true, set: { ...meta, ...span, bytes: csv.byteLength, away: false } };
    },
    { behavior: 'immediate' },
  );
}

function put(
  db: Db,
  boatId: string,
  meta: MeasuredMeta,
  span: { from: number; to: number; rows: number },
  csv: Uint8Array,
  now: number,
): void {
  const { from: fromAt, to: toAt, rows } = span;
  db.insert(measured)
    .values({ ...meta, boatId, fromAt, toAt, rows, csv: Buffer.from(csv), sum: sumOf(csv), createdAt: now })
    .run();
}

/** Without their rows; those put away too. */
export const measuredSets = (db: Db, boatId: string): readonly MeasuredSet[] =>
  db
    .select({
      id: measured.id,
      bankId: measured.bankId,
      name: measured.name,
      from: measured.fromAt,
      to: measured.toAt,
      rows: measured.rows,
      bytes: sql<number>`length(${measured.csv})`,
      awayAt: measured.awayAt,
    })
    .from(measured)
    .where(eq(measured.boatId, boatId))
    .orderBy(asc(measured.fromAt))
    .all()
    .map(({ awayAt, ...row }) => ({ ...row, away: awayAt !== null }));

/** The file. null: there is none of that id; damaged: it is not what was kept. */
export function measuredCsv(db: Db, boatId: string, id: string): Buffer | 'damaged' | null {
  const row = db
    .select()
    .from(measured)
    .where(and(eq(measured.boatId, boatId), eq(measured.id, id)))
    .get();
  return row ? (sumOf(row.csv) === row.sum ? row.csv : 'damaged') : null;
}

/** Put away, or brought back. @returns whether it is there. */
export const putMeasuredAway = (db: Db, boatId: string, id: string, awayAt: number | null): boolean =>
  db
    .update(measured)
    .set({ awayAt })
    .where(and(eq(measured.boatId, boatId), eq(measured.id, id)))
    .run().changes > 0;

const FORMAT = 'solenix-measured';
const RowSchema = v.object({ ...MetaSchema.entries, from: v.number(), to: v.number(), rows: v.number(), away: v.boolean() });
const FileSchema = v.object({ format: v.literal(FORMAT), version: v.literal(1), sets: v.pipe(v.array(RowSchema), v.maxLength(MOST_SETS)) });
export type MeasuredRow = v.InferOutput<typeof RowSchema>;

export const measuredText = (sets: readonly MeasuredSet[]): string =>
  JSON.stringify({ format: FORMAT, version: 1, sets: sets.map(({ bytes: _, ...row }) => row) });

/** null: it is not understood. */
export const readMeasured = (json: string): readonly MeasuredRow[] | null => parsedAs(FileSchema, json)?.sets ?? null;

/** A file of an archive that can be read, with what it really spans. */
export interface SoundSet extends Omit<MeasuredRow, 'id'> {
  readonly csv: Uint8Array;
}

/** The files of an archive that are what they say; one that is missing or is no such file is left out. */
export async function soundSets(rows: readonly MeasuredRow[], files: ReadonlyMap<string, Uint8Array>): Promise<readonly SoundSet[]> {
  const out: SoundSet[] = [];
  for (const { id, bankId, name, away } of rows) {
    const csv = files.get(id);
    const span = csv ? await spanOf(csv) : null;
    if (csv && span) out.push({ bankId, name, away, ...span, csv });
  }
  return out;
}

/** Puts them in, under ids of their own here. */
export function putMeasured(db: Db, boatId: string, sets: readonly SoundSet[], now: number): void {
  for (const { bankId, name, away, csv, ...span } of sets) {
    const id = randomUUID();
    put(db, boatId, { id, bankId, name }, span, csv, now);
    if (away) putMeasuredAway(db, boatId, id, now);
  }
}
