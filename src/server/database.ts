/** The one SQLite file: opened once, migrated at start, durable at every acknowledged edit. */
import Database from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import * as tables from './tables';

export type Db = BetterSQLite3Database<typeof tables> & { readonly $client: Database.Database };

export const FILE = 'solenix.sqlite';
/** Copies made before a file is brought up to date: so many are kept. */
const COPIES = 3;
/** Another program that holds the file is waited for this long at a time, ms; what asks waits between the tries, and others are answered. */
const BUSY_MS = 50;

/** The file cannot be used: what a person can do about it is in the message. */
export class CannotOpen extends Error {}

const MIGRATIONS = join(process.cwd(), 'src/server/migrations');

const migrationsKnown = (folder: string): number =>
  (JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')) as { entries: unknown[] }).entries.length;

/** How many migrations a file has had; null: it has no tables yet. Throws where it is damaged, or another program's. */
function migrationsHad(file: Database.Database, path: string): number | null {
  let names: Set<string>;
  try {
    names = new Set((file.prepare("select name from sqlite_master where type = 'table'").all() as { name: string }[]).map((t) => t.name));
  } catch (error) {
    throw new CannotOpen(`${path} is damaged, or no database at all. Restore a backup: docs/operations.md.`, { cause: error });
  }
  if (names.size === 0) return null;
  if (!names.has('boats') || !names.has('__drizzle_migrations'))
    throw new CannotOpen(`${path} is the database of another program: name another folder in SOLENIX_DATA.`);
  return (file.prepare('select count(*) as n from __drizzle_migrations').get() as { n: number }).n;
}

/** A copy of the file as it is before it is brought up to date. */
function copyBefore(file: Database.Database, folder: string, had: number): void {
  const copies = join(folder, 'before');
  mkdirSync(copies, { recursive: true });
  const path = join(copies, `before-${had + 1}.sqlite`);
  rmSync(path, { force: true });
  file.prepare('vacuum into ?').run(path);
  const old = readdirSync(copies)
    .filter((name) => name.endsWith('.sqlite'))
    .map((name) => ({ name, at: statSync(join(copies, name)).mtimeMs }))
    .sort((a, b) => b.at - a.at)
    .slice(COPIES);
  for (const { name } of old) rmSync(join(copies, name));
}

/** Opens (and brings up to date) the database in a folder. Throws CannotOpen. */
export function openDatabase(folder: string, migrations = MIGRATIONS): Db {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, FILE);
  const file = new Database(path);
  try {
    const had = migrationsHad(file, path);
    const known = migrationsKnown(migrations);
    if (had !== null && had > known)
      throw new CannotOpen(`${path} was written by a newer version: start that one, or restore a backup made with this one.`);
    file.pragma('journal_mode = WAL');
    file.pragma('synchronous = FULL');
    file.pragma('foreign_keys = ON');
    file.pragma('busy_timeout = 4000');
    if (had !== null && had < known) copyBefore(file, folder, had);
    const db = drizzle(file, { schema: tables });
    migrate(db, { migrationsFolder: migrations });
    file.pragma(`busy_timeout = ${BUSY_MS}`);
    return db;
  } catch (error) {
    file.close();
    throw error;
  }
}

/** Bytes that stand only in the log beside the file: a copy of the file alone would lack them. */
export function bytesInLog(folder: string): number {
  const log = join(folder, `${FILE}-wal`);
  return existsSync(log) ? statSync(log).size : 0;
}

const shared = globalThis as { solenixDb?: Db };

/** Where the database and the pictures stand: SOLENIX_DATA or ./.data. */
export const dataFolder = (): string => process.env.SOLENIX_DATA ?? join(process.cwd(), '.data');

export const database = (): Db => (shared.solenixDb ??= openDatabase(dataFolder()));
