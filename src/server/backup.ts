/** Everything of a firm in one archive while the server runs, and back into a folder of its own (docs/operations.md). */
import Database from 'better-sqlite3';
import { Unzip, UnzipInflate, UnzipPassThrough, Zip, ZipPassThrough } from 'fflate';
import { createHash } from 'node:crypto';
import {
  closeSync,
  existsSync,
  fsyncSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  readSync,
  renameSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import * as v from 'valibot';
import type { Db } from './database';
import { unsound } from './soundness';

const DATABASE = 'solenix.sqlite';
const LIST = 'backup.json';
const NAME = /^(solenix\.sqlite|backup\.json|photos\/[A-Za-z0-9-]{1,64}\.jpg)$/;
const CHUNK = 1 << 20;

const Listed = v.object({
  solenix: v.literal('backup'),
  version: v.literal(1),
  made: v.string(),
  boats: v.number(),
  files: v.array(v.object({ name: v.pipe(v.string(), v.regex(NAME)), bytes: v.number(), sha256: v.string() })),
});

export interface BackupMade {
  readonly file: string;
  readonly bytes: number;
  readonly boats: number;
  readonly pictures: number;
  /** Pictures the database names that are not in the folder. */
  readonly missing: readonly string[];
}

/** Every byte, however little the disk takes at a time. */
function writeAll(file: number, data: Uint8Array): void {
  for (let at = 0; at < data.length;) at += writeSync(file, data, at);
}

/** A file in pieces. */
function* piecesOf(path: string): Generator<Uint8Array> {
  const file = openSync(path, 'r');
  try {
    for (;;) {
      const piece = new Uint8Array(CHUNK);
      const n = readSync(file, piece);
      if (n === 0) return;
      yield piece.subarray(0, n);
    }
  } finally {
    closeSync(file);
  }
}

/**
 * Writes an archive of the database as it is now, edits up to this moment included, and of every picture it names, each with its checksum.
 * Written aside, flushed, then moved into place: a file of that name is whole. @param folder where database and pictures stand.
 */
export async function makeBackup(db: Db, folder: string, out: string, now: number): Promise<BackupMade> {
  mkdirSync(dirname(out), { recursive: true });
  const [copy, aside] = [`${out}.db.part`, `${out}.part`];
  try {
    await db.$client.backup(copy);
    const { boats, pictures } = await contentsOf(copy);
    const target = openSync(aside, 'w');
    const problems: Error[] = [];
    const zip = new Zip((error, data) => {
      if (error) problems.push(error);
      else writeAll(target, data);
    });
    const files: { name: string; bytes: number; sha256: string }[] = [];
    // Others are answered between the pieces.
    const add = async (name: string, pieces: Iterable<Uint8Array>): Promise<void> => {
      const entry = new ZipPassThrough(name);
      entry.mtime = now;
      zip.add(entry);
      const hash = createHash('sha256');
      let bytes = 0;
      for (const piece of pieces) {
        hash.update(piece);
        bytes += piece.length;
        entry.push(piece);
        await new Promise(setImmediate);
      }
      entry.push(new Uint8Array(), true);
      files.push({ name, bytes, sha256: hash.digest('hex') });
    };
    await add(DATABASE, piecesOf(copy));
    const there = pictures.filter((id) => existsSync(join(folder, 'photos', `${id}.jpg`)));
    for (const id of there) await add(`photos/${id}.jpg`, piecesOf(join(folder, 'photos', `${id}.jpg`)));
    const list = { solenix: 'backup', version: 1, made: new Date(now).toISOString(), boats, files: [...files] };
    await add(LIST, [new TextEncoder().encode(JSON.stringify(list, null, 1))]);
    zip.end();
    fsyncSync(target);
    closeSync(target);
    if (problems[0]) throw problems[0];
    renameSync(aside, out);
    return { file: out, bytes: statSync(out).size, boats, pictures: there.length, missing: pictures.filter((id) => !there.includes(id)) };
  } finally {
    for (const path of [copy, `${copy}-journal`, `${copy}-wal`, `${copy}-shm`, aside]) rmSync(path, { force: true });
  }
}

/** What a database file holds; throws where it is damaged. */
async function contentsOf(path: string): Promise<{ readonly boats: number; readonly pictures: readonly string[] }> {
  const wrong = await unsound(path);
  if (wrong !== null) throw new Error(`the database is damaged: ${wrong}`);
  const file = new Database(path);
  try {
    // One file, without the log beside it.
    file.pragma('journal_mode = DELETE');
    const boats = file.prepare('select count(*) as n from boats').get() as { n: number };
    const pictures = file.prepare('select id from photos').all() as { id: string }[];
    return { boats: boats.n, pictures: pictures.map((p) => p.id) };
  } finally {
    file.close();
  }
}

export type Restored =
  | { readonly ok: true; readonly boats: number; readonly pictures: number; readonly made: string }
  | { readonly ok: false; readonly reason: string };

/** Unpacks an archive into a folder that is new or empty, and checks every file against its checksum; what is not whole leaves nothing behind. */
export async function restoreBackup(archive: string, folder: string): Promise<Restored> {
  if (existsSync(folder) && readdirSync(folder).length > 0) return { ok: false, reason: `${folder} is not empty: name a new folder` };
  const existed = existsSync(folder);
  const fail = (reason: string): Restored => {
    rmSync(folder, { recursive: true, force: true });
    if (existed) mkdirSync(folder);
    return { ok: false, reason };
  };
  try {
    mkdirSync(join(folder, 'photos'), { recursive: true });
    const sums = await unpack(archive, folder);
    const listPath = join(folder, LIST);
    if (!existsSync(listPath)) return fail('it is no backup, or it was cut short: its list of files is missing');
    const list = v.safeParse(Listed, JSON.parse(readFileSync(listPath, 'utf8')));
    if (!list.success) return fail('its list of files is not understood');
    for (const f of list.output.files)
      if (sums.get(f.name) !== f.sha256) return fail(`${f.name} is damaged or missing: the archive is not restored`);
    rmSync(listPath);
    const { boats, pictures } = await contentsOf(join(folder, DATABASE));
    const held = pictures.filter((id) => existsSync(join(folder, 'photos', `${id}.jpg`)));
    return { ok: true, boats, pictures: held.length, made: list.output.made };
  } catch (error) {
    return fail(`it cannot be read: ${error instanceof Error ? error.message : String(error)}`);
  }
}

/** Files of an archive written out, with the checksum of each; names that are none of a backup's are refused. */
async function unpack(archive: string, folder: string): Promise<ReadonlyMap<string, string>> {
  const sums = new Map<string, string>();
  const problems: Error[] = [];
  const unzip = new Unzip((entry) => {
    if (!NAME.test(entry.name)) {
      problems.push(new Error(`${entry.name} does not belong into a backup`));
      return;
    }
    const file = openSync(join(folder, entry.name), 'w');
    const hash = createHash('sha256');
    entry.ondata = (error, data, final) => {
      if (error) {
        problems.push(error);
        return;
      }
      hash.update(data);
      writeAll(file, data);
      if (!final) return;
      sums.set(entry.name, hash.digest('hex'));
      fsyncSync(file);
      closeSync(file);
    };
    entry.start();
  });
  unzip.register(UnzipPassThrough);
  unzip.register(UnzipInflate);
  // Others are answered between the pieces.
  for (const piece of piecesOf(archive)) {
    unzip.push(piece);
    await new Promise(setImmediate);
  }
  unzip.push(new Uint8Array(), true);
  if (problems[0]) throw problems[0];
  return sums;
}

/** A name by the moment, as files are sorted. */
export const backupName = (now: number): string => `solenix-${new Date(now).toISOString().slice(0, 19).replaceAll(':', '')}.zip`;

/** Takes away the oldest backups of a folder beyond so many. Answers what went. */
export function keepNewest(folder: string, keep: number): readonly string[] {
  const old = readdirSync(folder)
    .filter((name) => /^solenix-\d{4}-\d\d-\d\dT\d{6}\.zip$/.test(name))
    .sort()
    .slice(0, -keep || undefined);
  const gone = keep > 0 ? old : [];
  for (const name of gone) rmSync(join(folder, name));
  return gone;
}
