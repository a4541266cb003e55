/** A data folder written by the first release, opened by this one: tables migrated, designs brought up to date, undo still walks. */
import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { blankBar, type Design, setOp, VERSION } from '@/core/design';
import { bareBoat, withLoad } from '@/core/design/testing';
import { analyse } from '@/core';
import { createBoat, listBoats, openBoat } from './boats';
import { editBoat, stepBoat } from './history';
import { openDatabase } from './database';
import { listShelf } from './shelf';

const root = mkdtempSync(join(tmpdir(), 'solenix-older-'));
afterAll(() => rmSync(root, { recursive: true }));

/** The design as the first version wrote it: without what came later. */
function asFirst(design: Design): Record<string, unknown> {
  const {
    plan: _plan,
    routes: _r,
    departures: _d,
    photos: _p,
    bars: _b,
    leads: _l,
    studies: _s,
    boat,
    panels,
    loads,
    circuits,
    ...rest
  } = design;
  const without = (row: object, keys: readonly string[]) => Object.fromEntries(Object.entries(row).filter(([k]) => !keys.includes(k)));
  return {
    ...rest,
    version: 1,
    boat: without(boat, ['houseSet']),
    panels: panels.map((p) => without(p, ['pitchMm'])),
    loads: loads.map((l) =>
      without(l, [
        'standbyA',
        'research',
        'cardId',
        'makerFuseFamily',
        'maxLeadM',
        'extending',
        'minBankAh',
        'page',
        'questions',
        'range',
        'shutFirst',
      ]),
    ),
    circuits: circuits.map((c) => ({ ...without(c, ['found', 'way', 'along']), pin: without(c.pin, ['ownDevices']) })),
  };
}

/** Migrations as they stood at the first release. */
function firstMigrations(): string {
  const from = join(process.cwd(), 'src/server/migrations');
  const to = join(root, 'migrations');
  mkdirSync(join(to, 'meta'), { recursive: true });
  cpSync(join(from, '0000_first.sql'), join(to, '0000_first.sql'));
  const journal = JSON.parse(readFileSync(join(from, 'meta/_journal.json'), 'utf8')) as { entries: unknown[] };
  writeFileSync(join(to, 'meta/_journal.json'), JSON.stringify({ ...journal, entries: journal.entries.slice(0, 1) }));
  return to;
}

const design = withLoad(bareBoat('metric'), { rating: 60 }, 4);
const folder = join(root, 'data');
const [oldLoad] = asFirst(design).loads as { id: string }[];

beforeAll(() => {
  openDatabase(folder, firstMigrations()).$client.close();
  const file = new Database(join(folder, 'solenix.sqlite'));
  const first = asFirst(design);
  const circuits = (first.circuits as { id: string }[]).map((c) => (c.id === 'c-x' ? { ...c, taps: [] } : c));
  const stored = { ...first, loads: [], circuits };
  file.prepare('insert into boats values (?, ?, ?, ?, ?, ?, null)').run('old', 'Old boat', 1, JSON.stringify(stored), 1, 1);
  // Her last edit took the load off, in the words of the first release.
  const ops = [
    { op: 'set', path: ['circuits', 'c-x', 'taps'], from: design.circuits.find((c) => c.id === 'c-x')?.taps, to: [] },
    { op: 'drop', path: ['loads'], after: null, row: oldLoad },
  ];
  file
    .prepare('insert into edits (boat_id, revision, edit_id, label, ops, kind, state, at) values (?, ?, ?, ?, ?, ?, ?, ?)')
    .run('old', 1, 'edit-old-0001', 'remove Thing', JSON.stringify(ops), 'edit', 'done', 1);
  file.close();
});

test('it opens, with the new tables there and the old boats in them', () => {
  const db = openDatabase(folder);
  expect(listBoats(db)).toMatchObject([{ id: 'old', circuits: 3 }]);
  expect(listShelf(db, 'card')).toEqual([]);
  db.$client.close();
});

test('the design is brought up to date and can be computed with', () => {
  const db = openDatabase(folder);
  const boat = openBoat(db, 'old');
  expect(boat?.design).toMatchObject({
    version: VERSION,
    routes: [],
    departures: [],
    photos: [],
    sources: [],
    joins: [],
    cruises: [],
    options: [],
    acSources: [],
    acLoads: [],
    acRules: { earthing: 'joined to DC negative', wanted: [] },
    boat: { houseSet: null },
  });
  expect(boat?.design.circuits.every((c) => c.found === null && !c.pin.ownDevices)).toBe(true);
  expect(boat && analyse(boat.design).circuits).toHaveLength(3);
  db.$client.close();
});

test('an edit from before is taken back, its row filled in with what came later', () => {
  const db = openDatabase(folder);
  const undone = stepBoat(db, 'old', { step: 'undo', id: 'undo-old-0001', force: false }, 2);
  expect(undone).toMatchObject({
    ok: true,
    record: { ops: [{ op: 'add', row: { id: 'x', standbyA: null, research: 'unread' } }, { op: 'set' }] },
  });
  const back = openBoat(db, 'old')?.design;
  expect(back?.loads[0]).toEqual(design.loads[0]);
  const change = back && setOp(back, ['loads', 'x', 'standbyA'], 0.02);
  expect(change && editBoat(db, 'old', { id: 'edit-new-0001', label: 'standby', ops: [change] }, false, 3).ok).toBe(true);
  db.$client.close();
});

test('opened a second time, nothing is migrated twice and the last edit stands', () => {
  const db = openDatabase(folder);
  expect(openBoat(db, 'old')?.design.loads[0]?.standbyA).toBe(0.02);
  db.$client.close();
});

test('a boat of this version from before some fields were there opens with them filled in', () => {
  const db = openDatabase(folder);
  const bars = [blankBar('b', 'Bus', 'negative bus', null)];
  createBoat(db, 'lacking', { ...design, bars }, 2);
  const without = (row: object, ...keys: string[]) => Object.fromEntries(Object.entries(row).filter(([key]) => !keys.includes(key)));
  const before = {
    ...design,
    bars: bars.map((b) => without(b, 'ratedA', 'studs')),
    circuits: design.circuits.map((c) => without(c, 'deviceMohm', 'stepDown')),
  };
  db.$client.prepare('update boats set design = ?, sum = null where id = ?').run(JSON.stringify(before), 'lacking');
  const opened = openBoat(db, 'lacking')?.design;
  expect(opened?.bars[0]).toMatchObject({ ratedA: null, studs: null });
  expect(opened?.circuits.every((c) => c.deviceMohm === null && !c.stepDown)).toBe(true);
  db.$client.close();
});
