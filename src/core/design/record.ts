/** Records of a boat: what was done, read and spent, each tied to a thing of hers. Only added to: what is amended is amended by a later one. */
import * as v from 'valibot';

/** mark: how far a thing is; reading: what a meter said; time: minutes spent; entry: words. */
export const RECORD_KINDS = ['mark', 'reading', 'time', 'entry'] as const;
/** So many are taken at a time, and of one boat in all. */
export const RECORDS_AT_ONCE = 500;
export const MOST_RECORDS = 200_000;

const value = v.union([v.pipe(v.string(), v.maxLength(2000)), v.pipe(v.number(), v.finite()), v.boolean(), v.null()]);

export const RecordSchema = v.object({
  /** Made where it was written: sent twice, it stands once. */
  id: v.pipe(v.string(), v.regex(/^[A-Za-z0-9-]{8,60}$/, 'an id of 8 to 60 letters, digits or - is needed')),
  kind: v.picklist(RECORD_KINDS, `one of ${RECORD_KINDS.join(', ')} is needed`),
  /** What it is about, as piece:ID, end:ID, task:ID. */
  thing: v.pipe(v.string(), v.regex(/^[a-z]+:[^\s]{1,160}$/, 'a thing as piece:ID is needed')),
  /** When it was so, by the clock of the device, ms since 1970. */
  at: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(8.64e15)),
  body: v.pipe(
    v.record(v.pipe(v.string(), v.regex(/^[a-zA-Z]{1,40}$/, 'a field is named in letters')), value),
    v.check((body) => Object.keys(body).length <= 24, 'at most 24 fields are taken'),
  ),
});

export type BoatRecord = v.InferOutput<typeof RecordSchema>;

/** As the server keeps it. seq rises as they come in; by: who wrote it, as the device says. */
export interface KeptRecord extends BoatRecord {
  readonly seq: number;
  readonly by: string | null;
}

/** Of each thing the last mark, by when it was so; of two at once the one that came in later. Records must stand in the order they came in. */
export function lastMarks(records: readonly BoatRecord[]): ReadonlyMap<string, BoatRecord> {
  const last = new Map<string, BoatRecord>();
  for (const r of records) if (r.kind === 'mark' && r.at >= (last.get(r.thing)?.at ?? 0)) last.set(r.thing, r);
  return last;
}
