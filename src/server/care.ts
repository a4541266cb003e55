/** What is done while nobody asks: the log is written into the file, boats are looked through, files nobody names are swept, backups are made. */
import { existsSync, mkdirSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { asc, eq, gt } from 'drizzle-orm';
import { hasPassphrase, may } from './access';
import { backupName, keepNewest, makeBackup } from './backup';
import { markProblem } from './boats';
import { bytesInLog, CannotOpen, database, dataFolder, type Db, FILE } from './database';
import { isGuarded, setGate } from './gate';
import { sweepOrphans } from './photos';
import { unsound } from './soundness';
import { readStored, sumOf } from './stored';
import { boats } from './tables';

/** The log is written into the file when nothing was written for this long. */
const IDLE_MS = 2_000;
const LOOK_MS = 3_000;
const HOUR_MS = 3600_000;

/** Writes what stands only in the log into the file, once nobody writes: a copy of the one file is whole then. Answers whether it did. */
export function settleLog(db: Db, folder: string, now: number): boolean {
  const log = join(folder, `${FILE}-wal`);
  if (bytesInLog(folder) === 0 || now - statSync(log).mtimeMs < IDLE_MS) return false;
  db.$client.pragma('wal_checkpoint(TRUNCATE)');
  return bytesInLog(folder) === 0;
}

/**
 * Looks through the boats one by one and notes in the list what cannot be read; a boat from before there were checksums gets hers. Others are answered in
 * between. @returns how many were looked at, and which are damaged.
 */
export async function lookThrough(db: Db): Promise<{ readonly looked: number; readonly damaged: readonly string[] }> {
  const damaged: string[] = [];
  let [looked, after] = [0, ''];
  for (;;) {
    const row = db.select().from(boats).where(gt(boats.id, after)).orderBy(asc(boats.id)).limit(1).get();
    if (!row) return { looked, damaged };
    looked++;
    after = row.id;
    const read = readStored(row.design, row.sum);
    const problem = read.ok ? null : read.problem;
    if (problem !== null) damaged.push(row.id);
    if (problem !== row.problem) markProblem(db, row.id, problem);
    if (read.ok && row.sum === null)
      db.update(boats)
        .set({ sum: sumOf(row.design) })
        .where(eq(boats.id, row.id))
        .run();
    await new Promise(setImmediate);
  }
}

export interface Schedule {
  readonly folder: string;
  readonly everyH: number;
  readonly keep: number;
}

/** Backups made by themselves: SOLENIX_BACKUPS names the folder, SOLENIX_BACKUP_HOURS how often (24), SOLENIX_BACKUP_KEEP how many (14). */
export function scheduleOf(env: Readonly<Record<string, string | undefined>>): Schedule | null {
  const folder = env.SOLENIX_BACKUPS;
  if (!folder) return null;
  const figure = (text: string | undefined, usual: number) => (Number(text) > 0 ? Number(text) : usual);
  return { folder, everyH: figure(env.SOLENIX_BACKUP_HOURS, 24), keep: Math.round(figure(env.SOLENIX_BACKUP_KEEP, 14)) };
}

/** When the newest backup of a folder was made, ms; null: there is none. */
export function newestBackup(folder: string): { readonly name: string; readonly at: number } | null {
  if (!existsSync(folder)) return null;
  const all = readdirSync(folder)
    .filter((name) => /^solenix-.*\.zip$/.test(name))
    .map((name) => ({ name, at: statSync(join(folder, name)).mtimeMs }));
  return all.reduce<{ name: string; at: number } | null>((newest, b) => (newest && newest.at >= b.at ? newest : b), null);
}

/** What the list of boats says of backups made by themselves; null: none are. */
export function backupsTold(env: Readonly<Record<string, string | undefined>>): string | null {
  const schedule = scheduleOf(env);
  if (!schedule) return null;
  const newest = newestBackup(schedule.folder);
  const { folder, everyH, keep } = schedule;
  const last = newest ? `the last ${new Date(newest.at).toISOString().slice(0, 16).replace('T', ' ')} UTC` : 'none yet';
  return `One is made by itself every ${everyH} h in ${folder}, ${keep} are kept; ${last}.`;
}

/** Makes a backup where the last one is old enough. Answers its name; null: it was not time. */
export async function backUpInTime(db: Db, data: string, { folder, everyH, keep }: Schedule, now: number): Promise<string | null> {
  const newest = newestBackup(folder);
  if (newest && now - newest.at < everyH * HOUR_MS) return null;
  mkdirSync(folder, { recursive: true });
  const name = backupName(now);
  await makeBackup(db, data, join(folder, name), now);
  keepNewest(folder, keep);
  return name;
}

const shared = globalThis as { solenixCare?: boolean };

/** A fault of what is done by itself is told where the server runs, and tried again. */
async function told(what: string, work: () => unknown): Promise<void> {
  try {
    await work();
  } catch (error) {
    console.error(`${what}: ${error instanceof Error ? error.message : String(error)}`);
  }
}

/** Begins with the server. A database that cannot be used ends it at once, with what to do. */
export function begin(): void {
  if (shared.solenixCare) return;
  shared.solenixCare = true;
  let db: Db;
  try {
    db = database();
  } catch (error) {
    console.error(error instanceof CannotOpen ? `\n  ${error.message}\n` : error);
    process.exit(1);
  }
  if (isGuarded(process.env)) {
    if (!hasPassphrase(db)) {
      console.error(
        '\n  Other machines can reach this server, and it has no passphrase: set one with "npm run passphrase" and start again.\n',
      );
      process.exit(1);
    }
    setGate((coming) => may(db, coming, Date.now()));
  }
  const folder = dataFolder();
  setInterval(() => void told('the log', () => settleLog(db, folder, Date.now())), LOOK_MS).unref();
  const daily = async (): Promise<void> => {
    await told('the database', async () => {
      const wrong = await unsound(join(folder, FILE));
      if (wrong !== null) console.error(`the database is damaged (${wrong}): restore a backup, docs/operations.md`);
    });
    await told('pictures nobody names', () => sweepOrphans(db, Date.now()));
    await told('the boats', async () => {
      const { damaged } = await lookThrough(db);
      for (const id of damaged) console.error(`boat ${id} cannot be read: the list of boats says what to do`);
    });
  };
  void daily();
  setInterval(() => void daily(), 24 * HOUR_MS).unref();
  const schedule = scheduleOf(process.env);
  if (!schedule) return;
  const backUp = () => told('the backup', () => backUpInTime(db, folder, schedule, Date.now()));
  void backUp();
  setInterval(() => void backUp(), HOUR_MS / 4).unref();
}
