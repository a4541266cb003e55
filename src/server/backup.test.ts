/** Everything goes into one archive and comes back, or nothing does. */
import { unzipSync, zipSync } from 'fflate';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blankDesign } from '@/core/design';
import { backupName, keepNewest, makeBackup, restoreBackup } from './backup';
import { createBoat, listBoats, openBoat } from './boats';
import { openDatabase } from './database';
import { photos } from './tables';

const root = mkdtempSync(join(tmpdir(), 'solenix-backup-test-'));
afterAll(() => rmSync(root, { recursive: true, force: true }));
let n = 0;
const fresh = (): string => join(root, `d${++n}`);
const NOW = Date.UTC(2026, 4, 1, 8, 30, 5);

function firm(boats: number, pictures: number) {
  const folder = fresh();
  const db = openDatabase(folder);
  for (let i = 0; i < boats; i++) createBoat(db, `boat-${i}`, blankDesign(`Boat ${i}`, 'metric', 10, 3, 12), i);
  mkdirSync(join(folder, 'photos'));
  for (let i = 0; i < pictures; i++) {
    db.insert(photos)
      .values({ id: `p-${i}`, boatId: 'boat-0', widthPx: 10, heightPx: 10, bytes: 3_000_000 + i, createdAt: 1 })
      .run();
    writeFileSync(join(folder, 'photos', `p-${i}.jpg`), Buffer.alloc(3_000_000 + i, i));
  }
  return { folder, db };
}

test('boats, their history and pictures come back as they were, the last edit before it included, while others are written', async () => {
  const { folder, db } = firm(3, 2);
  const out = join(fresh(), backupName(NOW));
  // Written between the pages of the copy.
  let more = 0;
  const writer = setInterval(() => createBoat(db, `later-${more++}`, blankDesign('Later', 'awg', 9, 3, 12), 9), 0);
  const made = await makeBackup(db, folder, out, NOW);
  clearInterval(writer);
  expect(made).toMatchObject({ file: out, pictures: 2, missing: [] });
  expect(made.boats).toBeGreaterThanOrEqual(3);
  const back = fresh();
  expect(await restoreBackup(out, back)).toEqual({ ok: true, boats: made.boats, pictures: 2, made: '2026-05-01T08:30:05.000Z' });
  const again = openDatabase(back);
  expect(listBoats(again)).toHaveLength(made.boats);
  for (let i = 0; i < 3; i++) expect(openBoat(again, `boat-${i}`)).toEqual(openBoat(db, `boat-${i}`));
  for (let i = 0; i < 2; i++)
    expect(readFileSync(join(back, 'photos', `p-${i}.jpg`)).equals(readFileSync(join(folder, 'photos', `p-${i}.jpg`)))).toBe(true);
  // Nothing of the making is left beside it.
  expect(readdirSync(join(out, '..'))).toEqual([backupName(NOW)]);
});

test('a picture that is gone from the folder is told, the rest is kept', async () => {
  const { folder, db } = firm(1, 2);
  rmSync(join(folder, 'photos', 'p-1.jpg'));
  const made = await makeBackup(db, folder, join(fresh(), 'b.zip'), NOW);
  expect(made).toMatchObject({ pictures: 1, missing: ['p-1'] });
  expect(await restoreBackup(made.file, fresh())).toMatchObject({ ok: true, pictures: 1 });
});

describe('what is not whole is not restored, and leaves nothing behind', () => {
  const changed = async (change: (files: Record<string, Uint8Array>) => void): Promise<string> => {
    const { folder, db } = firm(1, 1);
    const { file } = await makeBackup(db, folder, join(fresh(), 'b.zip'), NOW);
    const files = unzipSync(readFileSync(file));
    change(files);
    const bad = join(root, `bad-${++n}.zip`);
    writeFileSync(bad, zipSync(files));
    return bad;
  };
  const refused = async (archive: string): Promise<string> => {
    const folder = fresh();
    const done = await restoreBackup(archive, folder);
    expect(existsSync(folder)).toBe(false);
    return done.ok ? 'restored' : done.reason;
  };
  test('one byte of a picture', async () =>
    expect(
      await refused(
        await changed((f) => {
          const picture = f['photos/p-0.jpg'];
          if (picture) picture[1000] = 77;
        }),
      ),
    ).toMatch(/photos\/p-0.jpg is damaged/));
  test('one byte of the database', async () =>
    expect(
      await refused(
        await changed((f) => {
          const file = f['solenix.sqlite'];
          if (file) file[5000] = (file[5000] ?? 0) ^ 1;
        }),
      ),
    ).toMatch(/solenix.sqlite is damaged/));
  test('a file left out', async () =>
    expect(await refused(await changed((f) => void Reflect.deleteProperty(f, 'photos/p-0.jpg')))).toMatch(/damaged or missing/));
  test('a file that does not belong, as one that climbs out of the folder', async () =>
    expect(await refused(await changed((f) => void (f['../evil.txt'] = new Uint8Array(3))))).toMatch(/does not belong/));
  test('cut short, at every quarter', async () => {
    const { folder, db } = firm(1, 1);
    const { file, bytes } = await makeBackup(db, folder, join(fresh(), 'b.zip'), NOW);
    for (const part of [0, 0.25, 0.5, 0.75]) {
      const cut = join(root, `cut-${++n}.zip`);
      writeFileSync(cut, readFileSync(file).subarray(0, Math.floor(part * bytes)));
      expect(await refused(cut)).not.toBe('restored');
    }
  });
  test('no archive at all', async () => {
    const text = join(root, 'text.zip');
    writeFileSync(text, 'hello');
    expect(await refused(text)).not.toBe('restored');
  });
  test('into a folder that holds something it does not go, and that stays', async () => {
    const { folder, db } = firm(1, 0);
    const { file } = await makeBackup(db, folder, join(fresh(), 'b.zip'), NOW);
    expect(await restoreBackup(file, folder)).toMatchObject({ ok: false, reason: expect.stringContaining('not empty') as string });
    expect(listBoats(db)).toHaveLength(1);
  });
});

test('of a folder’s backups the newest stay; nothing else is touched', () => {
  const folder = fresh();
  mkdirSync(folder);
  const names = [1, 2, 3, 4].map((d) => backupName(Date.UTC(2026, 0, d)));
  for (const name of [...names, 'other.zip']) writeFileSync(join(folder, name), '');
  expect(keepNewest(folder, 0)).toEqual([]);
  expect(keepNewest(folder, 3)).toEqual(names.slice(0, 1));
  expect(readdirSync(folder).sort()).toEqual(['other.zip', ...names.slice(1)].sort());
  expect(keepNewest(folder, 9)).toEqual([]);
});
