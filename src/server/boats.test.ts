import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { applyEdit, type Design, type Edit, readDesign, setOp } from '@/core/design';
import { bareBoat, withLoad } from '@/core/design/testing';
import { analyse } from '@/core';
import { createBoat, listBoats, openBoat, setDeleted } from './boats';
import { editBoat, editsSince, stepBoat } from './history';
import { openDatabase } from './database';
import { halcyon } from './demo/halcyon';
import { marram } from './demo/marram';

const folder = mkdtempSync(join(tmpdir(), 'solenix-test-'));
afterAll(() => rmSync(folder, { recursive: true }));
const db = openDatabase(folder);
let boats = 0;
const fresh = (): string => {
  const id = `boat-${++boats}`;
  createBoat(db, id, withLoad(bareBoat('metric'), {}, 4), 1);
  return id;
};
let made = 0;
const rating = (design: Design, to: number): Edit => ({
  id: `edit-${++made}-00000`,
  label: `rating ${to}`,
  ops: [setOp(design, ['loads', 'x', 'rating'], to)],
});
const designOf = (id: string): Design => {
  const boat = openBoat(db, id);
  if (!boat) throw new Error(id);
  return boat.design;
};
const ratingOf = (id: string) => designOf(id).loads[0]?.rating;

test('an edit is kept with its revision', () => {
  const id = fresh();
  const result = editBoat(db, id, rating(designOf(id), 70), false, 2);
  expect(result).toMatchObject({ ok: true, record: { revision: 1, undo: 'rating 70', redo: null } });
  expect(ratingOf(id)).toBe(70);
});

test('a stale edit is answered with both values and changes nothing; kept on purpose, it stands and can be taken back to theirs', () => {
  const id = fresh();
  const before = designOf(id);
  editBoat(db, id, rating(before, 70), false, 2);
  const mine = rating(before, 80);
  expect(editBoat(db, id, mine, false, 3)).toMatchObject({
    ok: false,
    reason: 'conflict',
    conflicts: [{ base: 60, mine: 80, theirs: 70 }],
  });
  expect(ratingOf(id)).toBe(70);
  expect(editBoat(db, id, { ...mine, id: 'edit-kept-0000' }, true, 4).ok).toBe(true);
  expect(ratingOf(id)).toBe(80);
  stepBoat(db, id, { step: 'undo', id: 'step-1-00000', force: false }, 5);
  expect(ratingOf(id)).toBe(70);
});

test('the same edit sent twice is applied once', () => {
  const id = fresh();
  const edit = rating(designOf(id), 70);
  const first = editBoat(db, id, edit, false, 2);
  expect(editBoat(db, id, edit, false, 3)).toEqual(first);
  expect(openBoat(db, id)?.revision).toBe(1);
});

test('undo and redo walk the whole history, and a new edit closes the way forward', () => {
  const id = fresh();
  for (const to of [70, 80, 90]) editBoat(db, id, rating(designOf(id), to), false, 2);
  const walk = (step: 'undo' | 'redo') => stepBoat(db, id, { step, id: `step-${++made}-0000`, force: false }, 3);
  walk('undo');
  walk('undo');
  expect(ratingOf(id)).toBe(70);
  expect(walk('redo')).toMatchObject({ ok: true, record: { undo: 'rating 80', redo: 'rating 90' } });
  expect(ratingOf(id)).toBe(80);
  editBoat(db, id, rating(designOf(id), 5), false, 4);
  expect(walk('redo')).toEqual({ ok: false, reason: 'nothing' });
  for (let i = 0; i < 3; i++) walk('undo');
  expect(ratingOf(id)).toBe(60);
  expect(walk('undo')).toEqual({ ok: false, reason: 'nothing' });
});

test('an edit that would break the design is refused whole', () => {
  const id = fresh();
  const design = designOf(id);
  const absurd = { id: 'edit-absurd-1', label: 'absurd', ops: [setOp(design, ['loads', 'x', 'rating'], 1e9)] };
  expect(editBoat(db, id, absurd, false, 2)).toMatchObject({ ok: false, reason: 'invalid' });
  const dangling = { id: 'edit-dangling', label: 'dangling', ops: [setOp(design, ['loads', 'x', 'placeId'], 'nowhere')] };
  expect(editBoat(db, id, dangling, false, 2)).toMatchObject({ ok: false, reason: 'invalid' });
  expect(openBoat(db, id)?.revision).toBe(0);
});

test('a window that was away is told what it missed, and applying it gives the same design', () => {
  const id = fresh();
  const before = designOf(id);
  editBoat(db, id, rating(before, 70), false, 2);
  editBoat(db, id, rating(designOf(id), 75), false, 3);
  stepBoat(db, id, { step: 'undo', id: 'step-missed-1', force: false }, 4);
  let design = before;
  for (const record of editsSince(db, id, 0)) {
    const next = applyEdit(design, { ops: [...record.ops] }, true);
    if (next.ok) design = next.design;
  }
  expect(design).toEqual(designOf(id));
});

test('a boat put away is off the list, takes no edits, and comes back whole', () => {
  const id = fresh();
  const design = designOf(id);
  setDeleted(db, id, 5);
  expect(openBoat(db, id)).toBeNull();
  expect(editBoat(db, id, rating(design, 70), false, 6)).toEqual({ ok: false, reason: 'missing' });
  setDeleted(db, id, null);
  expect(designOf(id)).toEqual(design);
});

test('opening again finds everything, and the file is durable at each edit', () => {
  const id = fresh();
  editBoat(db, id, rating(designOf(id), 77), false, 2);
  const again = openDatabase(folder);
  expect(openBoat(again, id)?.design.loads[0]?.rating).toBe(77);
  expect(listBoats(again).map((b) => b.id)).toContain(id);
  const raw = new Database(join(folder, 'solenix.sqlite'), { readonly: true });
  expect(raw.pragma('journal_mode', { simple: true })).toBe('wal');
  raw.close();
});

describe.each([
  ['Marram', marram(), 12, 'metric'],
  ['Halcyon Drift', halcyon(), 24, 'awg'],
] as const)('the demo boat %s', (name, design, volts, school) => {
  test('reads back as a design file, whole', () => expect(readDesign(JSON.parse(JSON.stringify(design)))).toEqual({ ok: true, design }));
  test('is the boat described', () => {
    expect([design.boat.name, design.boat.systemV, design.boat.ruleSet]).toEqual([name, volts, school]);
    expect(design.loads.length).toBeGreaterThanOrEqual(30);
  });
  test('every load is on a circuit that reaches a bank', () => {
    const analysis = analyse(design);
    expect(analysis.loads.filter((l) => l.circuitId === null)).toEqual([]);
    expect(analysis.findings.filter((f) => f.id.startsWith('no-source') || f.id.startsWith('loop'))).toEqual([]);
  });
});
