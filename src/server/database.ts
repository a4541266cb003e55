/** The one SQLite file: opened once, migrated at start, durable at every acknowledged edit. */
import Database from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import * as tables from './tables';

export type Db = BetterSQLite3Database<typeof tables> & { readonly $client: Database.Database };

/** Opens (and brings up to date) the database in a folder. */
export function openDatabase(folder: string, migrations = join(process.cwd(), 'src/server/migrations')): Db {
  mkdirSync(folder, { recursive: true });
  const file = new Database(join(folder, 'solenix.sqlite'));
  file.pragma('journal_mode = WAL');
  file.pragma('synchronous = FULL');
  file.pragma('foreign_keys = ON');
  file.pragma('busy_timeout = 4000');
  const db = drizzle(file, { schema: tables });
  migrate(db, { migrationsFolder: migrations });
  return db;
}

const shared = globalThis as { solenixDb?: Db };

/** Where the database and the pictures stand: SOLENIX_DATA or ./.data. */
export const dataFolder = (): string => process.env.SOLENIX_DATA ?? join(process.cwd(), '.data');

export const database = (): Db => (shared.solenixDb ??= openDatabase(dataFolder()));
