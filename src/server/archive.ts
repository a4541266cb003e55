/** A boat, her pictures and her history as one zip, out and in. What comes in is counted as it unfolds, and every picture is made anew. */
import { strFromU8, strToU8, Unzip, UnzipInflate, zipSync, type Zippable } from 'fflate';
import { type HistoryRow, readHistory } from './historyFile';
import { type MeasuredRow, readMeasured } from './measured';
import { readRecords, type RecordRow } from './records';
import { BOUNDS, type Design, readDesignText, type ReadResult } from '@/core/design';

export const ARCHIVE_BYTES = 120_000_000;
const UNFOLDED_BYTES = 400_000_000;
/** What is made of a boat and her pictures folds some fifteen times; beyond this it was made to fill a memory. */
const MOST_RATIO = 300;
const RATIO_FROM_BYTES = 10_000_000;
const DESIGN = 'design.json';
const HISTORY = 'history.json';
const RECORDS = 'records.json';
const MEASURED = 'measured.json';
const MISSING = 'missing pictures.txt';

export const photoName = (id: string): string => `photos/${id}.jpg`;
const measuredName = (id: string): string => `measured/${id}.csv.gz`;

/** @param texts of history, records and what was measured; empty: none. @param days measured, folded already, by their id. @param bytesOf a picture's bytes; one that is missing is left out, and told in a file of its own. */
export function packBoat(
  design: Design,
  bytesOf: (photoId: string) => Uint8Array | null,
  texts: { readonly history?: string; readonly records?: string; readonly measured?: string } = {},
  days: ReadonlyMap<string, Uint8Array> = new Map(),
): Uint8Array {
  const missing: string[] = [];
  const files: Zippable = { [DESIGN]: strToU8(JSON.stringify(design, null, 1)) };
  for (const { id } of design.photos) {
    const bytes = bytesOf(id);
    if (bytes) files[photoName(id)] = [bytes, { level: 0 }];
    else missing.push(id);
  }
  if (texts.history) files[HISTORY] = strToU8(texts.history);
  if (texts.records) files[RECORDS] = strToU8(texts.records);
  if (texts.measured) files[MEASURED] = strToU8(texts.measured);
  for (const [id, csv] of days) files[measuredName(id)] = [csv, { level: 0 }];
  if (missing.length > 0)
    files[MISSING] = strToU8(`Pictures the design names whose files are gone or damaged:\n${missing.map(photoName).join('\n')}\n`);
  return zipSync(files);
}

export type Unfolded =
  { readonly ok: true; readonly files: ReadonlyMap<string, Uint8Array> } | { readonly ok: false; readonly message: string };

/**
 * Unfolds the wanted files of a zip, counting what really comes out: a small file that would fill the memory is given up.
 * @param wanted by name; what is not wanted is skipped unread.
 */
export function unfold(zip: Uint8Array, wanted: (name: string) => boolean, mostBytes: number, mostFiles = 2000): Unfolded {
  const files = new Map<string, Uint8Array>();
  let total = 0;
  let refused: string | null = null;
  const reader = new Unzip((file) => {
    if (refused || !wanted(file.name)) return;
    if (files.size >= mostFiles) refused = `it holds more than ${mostFiles} files`;
    const parts: Uint8Array[] = [];
    let size = 0;
    file.ondata = (error, part, last) => {
      if (error) refused = 'it is damaged';
      if (refused) return file.terminate();
      total += part.byteLength;
      size += part.byteLength;
      if (total > mostBytes || (total > RATIO_FROM_BYTES && total > MOST_RATIO * zip.byteLength)) {
        refused =
          total > mostBytes ? `it unfolds to more than ${mostBytes / 1e6} MB` : `it unfolds to more than ${MOST_RATIO} times its size`;
        return file.terminate();
      }
      parts.push(part);
      if (!last) return;
      const whole = new Uint8Array(size);
      let at = 0;
      for (const p of parts) {
        whole.set(p, at);
        at += p.byteLength;
      }
      files.set(file.name, whole);
    };
    file.start();
  });
  reader.register(UnzipInflate);
  try {
    for (let at = 0; at < zip.byteLength && !refused; at += 16_384)
      reader.push(zip.subarray(at, at + 16_384), at + 16_384 >= zip.byteLength);
  } catch {
    refused ??= 'it is damaged';
  }
  return refused ? { ok: false, message: refused } : { ok: true, files };
}

export type Unpacked =
  | {
      readonly ok: true;
      readonly design: Design;
      readonly photos: ReadonlyMap<string, Uint8Array>;
      readonly history: readonly HistoryRow[];
      readonly records: readonly RecordRow[];
      readonly measured: readonly MeasuredRow[];
      /** Their files, folded, by the id in the archive. */
      readonly days: ReadonlyMap<string, Uint8Array>;
    }
  | (ReadResult & { readonly ok: false });

/** Reads such a zip. Pictures are raw bytes still: not to be kept before they are re-encoded. */
export function unpackBoat(zip: Uint8Array): Unpacked {
  const refuse = (message: string): Unpacked => ({ ok: false, problems: [{ where: 'the archive', message }] });
  const unfolded = unfold(
    zip,
    (name) =>
      [DESIGN, HISTORY, RECORDS, MEASURED].includes(name) ||
      /^measured\/[A-Za-z0-9-]{8,60}\.csv\.gz$/.test(name) ||
      /^photos\/[A-Za-z0-9_-]{1,40}\.jpg$/.test(name),
    UNFOLDED_BYTES,
    BOUNDS.photos + 100,
  );
  if (!unfolded.ok) return refuse(unfolded.message);
  const text = unfolded.files.get(DESIGN);
  if (!text) return refuse(`there is no ${DESIGN} in it`);
  if (text.byteLength > BOUNDS.fileBytes) return refuse(`its ${DESIGN} is larger than ${BOUNDS.fileBytes / 1e6} MB`);
  const read = readDesignText(strFromU8(text));
  if (!read.ok) return read;
  const told = unfolded.files.get(HISTORY);
  const history = told ? readHistory(strFromU8(told)) : [];
  if (history === null) return refuse(`its ${HISTORY} is not understood`);
  const noted = unfolded.files.get(RECORDS);
  const records = noted ? readRecords(strFromU8(noted)) : [];
  if (records === null) return refuse(`its ${RECORDS} is not understood`);
  const photos = new Map(
    read.design.photos.flatMap(({ id }) => {
      const bytes = unfolded.files.get(photoName(id));
      return bytes ? [[id, bytes] as const] : [];
    }),
  );
  const listed = unfolded.files.get(MEASURED);
  const measured = listed ? readMeasured(strFromU8(listed)) : [];
  if (measured === null) return refuse(`its ${MEASURED} is not understood`);
  const days = new Map(
    measured.flatMap(({ id }) => {
      const csv = unfolded.files.get(measuredName(id));
      return csv ? [[id, csv] as const] : [];
    }),
  );
  return { ok: true, design: read.design, photos, history, records, measured, days };
}
