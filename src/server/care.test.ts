/** What the server does by itself, and what it says when it cannot begin. */
import Sqlite from 'better-sqlite3';
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blankDesign } from '@/core/design';
import { createBoat, findBoats, listBoats, openBoat } from './boats';
import { backupsTold, backUpInTime, lookThrough, scheduleOf, settleLog } from './care';
import { bytesInLog, CannotOpen, FILE, openDatabase } from './database';
import { codeOf, diskFault, patiently } from './patience';
import { sweepOrphans } from './photos';
import { unsound } from './soundness';

const root = mkdtempSync(join(tmpdir(), 'solenix-care-'));
process.env.SOLENIX_DATA = join(root, 'data');
afterAll(() => rmSync(root, { recursive: true }));
let n = 0;
const fresh = (): string => join(root, `folder-${++n}`);
const boat = (name: string) => blankDesign(name, 'metric', 10, 3, 12);
const DAY = 24 * 3600_000;

test('once nobody writes, the one file holds everything: a copy of it alone has the last boat', () => {
  const folder = fresh();
  const db = openDatabase(folder);
  createBoat(db, 'a', boat('A'), 1);
  expect(bytesInLog(folder)).toBeGreaterThan(0);
  // Just written: not yet.
  expect(settleLog(db, folder, Date.now())).toBe(false);
  expect(settleLog(db, folder, Date.now() + 60_000)).toBe(true);
  const copy = fresh();
  mkdirSync(copy);
  copyFileSync(join(folder, FILE), join(copy, FILE));
  expect(openBoat(openDatabase(copy), 'a')?.design.boat.name).toBe('A');
});

test('boats are looked through: what cannot be read is noted, an older one gets her checksum, a mended one is well again', async () => {
  const db = openDatabase(fresh());
  for (const id of ['a', 'b', 'c']) createBoat(db, id, boat(id), 1);
  const text = db.$client.prepare("select design from boats where id = 'a'").pluck().get() as string;
  db.$client.prepare("update boats set design = json_set(design, '$.boat.lengthM', 'long'), sum = null where id = 'a'").run();
  db.$client.prepare("update boats set sum = null where id = 'b'").run();
  expect(await lookThrough(db)).toEqual({ looked: 3, damaged: ['a'] });
  expect(listBoats(db).find((b) => b.id === 'a')?.problem).toContain('boat.lengthM');
  expect(db.$client.prepare("select sum from boats where id = 'b'").pluck().get()).toMatch(/^[0-9a-f]{64}$/);
  db.$client.prepare("update boats set design = ? where id = 'a'").run(text);
  expect(await lookThrough(db)).toEqual({ looked: 3, damaged: [] });
  expect(listBoats(db).every((b) => !b.damaged)).toBe(true);
});

test('of thousands of boats those of a name are found, so many at a time', () => {
  const db = openDatabase(fresh());
  for (let i = 0; i < 120; i++) createBoat(db, `b${i}`, boat(i % 40 === 0 ? `Sea Otter ${i}` : `Boat ${i}`), i);
  expect(findBoats(db, 'otter', 0, 50)).toMatchObject({
    total: 3,
    boats: [{ name: 'Sea Otter 80' }, { name: 'Sea Otter 40' }, { name: 'Sea Otter 0' }],
  });
  const page = findBoats(db, '', 50, 50);
  expect([page.total, page.boats.length, page.boats[0]?.name]).toEqual([120, 50, 'Boat 69']);
  expect(findBoats(db, '%', 0, 50).total).toBe(0);
});

test('files no boat names go after thirty days, what was never finished after one; what a boat has stays', () => {
  const db = openDatabase(process.env.SOLENIX_DATA ?? '');
  const photos = join(process.env.SOLENIX_DATA ?? '', 'photos');
  mkdirSync(photos, { recursive: true });
  createBoat(db, 'a', boat('A'), 1);
  db.$client.prepare("insert into photos (id, boat_id, width_px, height_px, bytes, created_at) values ('P1', 'a', 1, 1, 1, 1)").run();
  const now = Date.now();
  const put = (name: string, days: number) => {
    writeFileSync(join(photos, name), 'x');
    utimesSync(join(photos, name), (now - days * DAY) / 1000, (now - days * DAY) / 1000);
  };
  put('P1.jpg', 90);
  put('P2.jpg', 31);
  put('P3.jpg', 29);
  put('P4.jpg.part', 2);
  put('P5.jpg.part', 0);
  expect([...sweepOrphans(db, now)].sort()).toEqual(['P2.jpg', 'P4.jpg.part']);
  expect(readdirSync(photos).sort()).toEqual(['P1.jpg', 'P3.jpg', 'P5.jpg.part']);
});

describe('backups made by themselves', () => {
  test('only where a folder is named, daily and fourteen kept unless said otherwise', () => {
    expect(scheduleOf({})).toBeNull();
    expect(scheduleOf({ SOLENIX_BACKUPS: '/b' })).toEqual({ folder: '/b', everyH: 24, keep: 14 });
    expect(scheduleOf({ SOLENIX_BACKUPS: '/b', SOLENIX_BACKUP_HOURS: '6', SOLENIX_BACKUP_KEEP: 'x' })).toEqual({
      folder: '/b',
      everyH: 6,
      keep: 14,
    });
  });
  test('one at once, the next when the last is old enough, so many kept', async () => {
    const [data, folder] = [fresh(), fresh()];
    const db = openDatabase(data);
    createBoat(db, 'a', boat('A'), 1);
    const schedule = { folder, everyH: 24, keep: 2 };
    const now = Date.now();
    expect(await backUpInTime(db, data, schedule, now)).toMatch(/^solenix-.*zip$/);
    expect(await backUpInTime(db, data, schedule, now + 3600_000)).toBeNull();
    for (const days of [2, 4]) expect(await backUpInTime(db, data, schedule, now + days * DAY)).not.toBeNull();
    expect(readdirSync(folder)).toHaveLength(2);
    expect(backupsTold({ SOLENIX_BACKUPS: folder })).toMatch(/every 24 h in .*, 14 are kept; the last \d{4}-/);
    expect(backupsTold({})).toBeNull();
  });
});

test('a file is looked through in a process of its own: sound, struck in the middle, none at all', async () => {
  const folder = fresh();
  const db = openDatabase(folder);
  for (let i = 0; i < 20; i++) createBoat(db, `b${i}`, boat(`Boat ${i}`), i);
  db.$client.close();
  const path = join(folder, FILE);
  expect(await unsound(path)).toBeNull();
  const bytes = readFileSync(path);
  bytes.fill(7, 20_000, 28_000);
  writeFileSync(path, bytes);
  expect(await unsound(path)).toMatch(/./);
  expect(await unsound(join(folder, 'none.sqlite'))).toMatch(/unable to open|directory/);
});

describe('a database that cannot be used', () => {
  const message = (folder: string): string => {
    try {
      openDatabase(folder).$client.close();
      return 'opened';
    } catch (error) {
      return error instanceof CannotOpen ? error.message : `bug: ${String(error)}`;
    }
  };
  test('no database at all, or a damaged one', () => {
    const folder = fresh();
    mkdirSync(folder);
    writeFileSync(join(folder, FILE), 'hello '.repeat(900));
    expect(message(folder)).toMatch(/is damaged, or no database at all. Restore a backup/);
  });
  test('another program’s is left as it was', () => {
    const folder = fresh();
    mkdirSync(folder);
    const other = new Sqlite(join(folder, FILE));
    other.exec('create table songs (name text)');
    other.close();
    expect(message(folder)).toMatch(/of another program/);
    expect(readdirSync(folder)).toEqual([FILE]);
  });
  test('a newer version’s is not touched', () => {
    const folder = fresh();
    const db = openDatabase(folder);
    db.$client.exec("insert into __drizzle_migrations (hash, created_at) values ('later', 9999999999999)");
    db.$client.close();
    expect(message(folder)).toMatch(/newer version/);
  });
  test('a sound one opens, and nothing is copied where nothing is brought up to date', () => {
    const folder = fresh();
    expect(message(folder)).toBe('opened');
    expect(message(folder)).toBe('opened');
    expect(existsSync(join(folder, 'before'))).toBe(false);
  });
});

describe('another program that holds the database', () => {
  test('is waited for; readers are answered meanwhile', async () => {
    const folder = fresh();
    const db = openDatabase(folder);
    createBoat(db, 'a', boat('A'), 1);
    const other = new Sqlite(join(folder, FILE));
    other.exec('begin immediate');
    const made = patiently(() => createBoat(db, 'b', boat('B'), 2));
    expect(openBoat(db, 'a')?.design.boat.name).toBe('A');
    expect(listBoats(db)).toHaveLength(1);
    other.exec('commit');
    await made;
    expect(listBoats(db)).toHaveLength(2);
    other.exec('begin immediate');
    const fault = await patiently(() => createBoat(db, 'c', boat('C'), 3), 200).catch((error: unknown) => error);
    expect(codeOf(fault)).toBe('SQLITE_BUSY');
    expect(diskFault(fault)).toMatchObject({ status: 503, message: expect.stringContaining('another program') as string });
    other.exec('rollback');
    other.close();
    expect(listBoats(db)).toHaveLength(2);
  });
  test('faults of a disk are told as what they are, others are not guessed at', () => {
    const fault = (code: string) => diskFault(Object.assign(new Error('x'), { code }))?.message ?? null;
    expect(fault('SQLITE_FULL')).toMatch(/disk is full/);
    expect(fault('ENOSPC')).toMatch(/disk is full/);
    expect(fault('SQLITE_READONLY_DIRECTORY')).toMatch(/may not be written/);
    expect(fault('SQLITE_CORRUPT_VTAB')).toMatch(/damaged/);
    expect(fault('EPIPE')).toBeNull();
    expect(diskFault('x')).toBeNull();
  });
});

test('on a full disk nothing is half written: it is told as such, what stood stands, and with room again it goes on', () => {
  const db = openDatabase(fresh());
  createBoat(db, 'a', boat('A'), 1);
  const pages = db.$client.pragma('page_count', { simple: true }) as number;
  db.$client.pragma(`max_page_count = ${pages}`);
  let [made, fault]: [number, unknown] = [0, null];
  for (; made < 500 && fault === null; made++)
    try {
      createBoat(db, `more-${made}`, boat(`More ${made}`), 2);
    } catch (error) {
      fault = error;
      made--;
    }
  expect(diskFault(fault)).toMatchObject({ status: 507, message: expect.stringContaining('disk is full') as string });
  expect(listBoats(db)).toHaveLength(1 + made);
  expect(openBoat(db, 'a')?.design.boat.name).toBe('A');
  db.$client.pragma('max_page_count = 100000');
  createBoat(db, 'after', boat('After'), 3);
  expect(listBoats(db)[0]?.name).toBe('After');
  expect(db.$client.pragma('integrity_check', { simple: true })).toBe('ok');
});
