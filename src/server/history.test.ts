/** Edits by whom, and steps back and forth of several people on one boat. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Edit, setOp } from '@/core/design';
import { bareBoat, withLoad } from '@/core/design/testing';
import { createBoat, openBoat, setDeleted } from './boats';
import { openDatabase } from './database';
import { backTo, changesSince, editBoat, editsSince, historyPage, nameRevision, stepBoat, stepsOf, type Who } from './history';

const folder = mkdtempSync(join(tmpdir(), 'solenix-history-'));
afterAll(() => rmSync(folder, { recursive: true }));
const db = openDatabase(folder);

const anna: Who = { device: 'device-anna', name: 'Anna' };
const ben: Who = { device: 'device-ben-1', name: 'Ben' };
let n = 0;
const fresh = (): string => {
  const id = `boat-${++n}`;
  createBoat(db, id, withLoad(bareBoat('metric'), {}, 4), 1);
  return id;
};
const designOf = (id: string) => openBoat(db, id)?.design ?? bareBoat('metric');
const set = (id: string, who: Who, path: readonly string[], to: unknown, label: string) => {
  const edit: Edit = { id: `edit-${++n}-00000`, label, ops: [setOp(designOf(id), path, to)] };
  return editBoat(db, id, edit, false, n, who);
};
const rate = (id: string, who: Who, to: number) => set(id, who, ['loads', 'x', 'rating'], to, `rating ${to}`);
const note = (id: string, who: Who, to: string) => set(id, who, ['boat', 'note'], to, `note ${to}`);
const step = (id: string, who: Who, what: 'undo' | 'redo', force = false) =>
  stepBoat(db, id, { step: what, id: `step-${++n}-00000`, force }, n, who);
const rating = (id: string) => designOf(id).loads[0]?.rating;

test('each takes back their own last edit first, whoever wrote last', () => {
  const id = fresh();
  rate(id, anna, 70);
  note(id, ben, 'seen');
  expect(stepsOf(db, id, anna.device)).toEqual({ undo: 'rating 70', redo: null });
  expect(step(id, anna, 'undo')).toMatchObject({ ok: true, record: { label: 'rating 70', kind: 'undo', by: 'Anna' } });
  expect([rating(id), designOf(id).boat.note]).toEqual([60, 'seen']);
});

test('with none of their own left it is somebody’s, and it says whose', () => {
  const id = fresh();
  note(id, ben, 'seen');
  expect(stepsOf(db, id, anna.device).undo).toBe('note seen (Ben)');
  expect(step(id, anna, 'undo').ok).toBe(true);
  expect(designOf(id).boat.note).toBe('');
});

test('what somebody has set since is shown with both values, and changes nothing; gone on with, it is taken back', () => {
  const id = fresh();
  rate(id, anna, 70);
  rate(id, ben, 80);
  expect(step(id, anna, 'undo')).toMatchObject({
    ok: false,
    reason: 'conflict',
    label: 'rating 70',
    conflicts: [{ path: ['loads', 'x', 'rating'], base: 70, mine: 60, theirs: 80 }],
  });
  expect(rating(id)).toBe(80);
  expect(step(id, anna, 'undo', true).ok).toBe(true);
  expect(rating(id)).toBe(60);
  // Ben's own is met in turn.
  expect(step(id, ben, 'undo')).toMatchObject({ ok: false, reason: 'conflict', conflicts: [{ mine: 70, theirs: 60 }] });
});

test('one’s own later edits of the same figure are no conflict', () => {
  const id = fresh();
  for (const to of [70, 80, 90]) rate(id, anna, to);
  expect([0, 1, 2].map(() => step(id, anna, 'undo').ok)).toEqual([true, true, true]);
  expect(rating(id)).toBe(60);
  expect(step(id, anna, 'undo')).toEqual({ ok: false, reason: 'nothing' });
});

test('a step sent twice is taken once, and answers the first result', () => {
  const id = fresh();
  rate(id, anna, 70);
  rate(id, anna, 80);
  const first = stepBoat(db, id, { step: 'undo', id: 'step-twice-01', force: false }, 9, anna);
  expect(stepBoat(db, id, { step: 'undo', id: 'step-twice-01', force: false }, 9, anna)).toEqual(first);
  expect(rating(id)).toBe(70);
});

test('a colleague’s new edit leaves what one may put back', () => {
  const id = fresh();
  rate(id, anna, 70);
  step(id, anna, 'undo');
  note(id, ben, 'seen');
  expect(stepsOf(db, id, anna.device).redo).toBe('rating 70');
  expect(step(id, anna, 'redo').ok).toBe(true);
  expect(rating(id)).toBe(70);
  step(id, anna, 'undo');
  note(id, anna, 'mine');
  expect(stepsOf(db, id, anna.device).redo).toBeNull();
});

test('a field the schema does not know is refused, at the end of a path or within a row', () => {
  const id = fresh();
  expect(set(id, anna, ['loads', 'x', 'colourOfItsBox'], 'red', 'x')).toMatchObject({
    ok: false,
    reason: 'invalid',
    problems: [{ where: 'loads, x, colourOfItsBox', message: 'there is no such field' }],
  });
  const { design } = openBoat(db, id) ?? {};
  const row = { ...(design?.loads[0] ?? { id: 'y' }), id: 'y', duty: { onS: 1, restS: 1, repeats: 1, often: true } };
  const edit: Edit = { id: `edit-${++n}-00000`, label: 'row', ops: [{ op: 'add', path: ['loads'], after: null, row }] };
  expect(editBoat(db, id, edit, false, 1)).toMatchObject({ ok: false, problems: [{ where: 'loads, y, duty, often' }] });
  expect(openBoat(db, id)?.revision).toBe(0);
});

test('of a boat that is put away nothing is taken back, and it is said as such', () => {
  const id = fresh();
  rate(id, anna, 70);
  setDeleted(db, id, 5);
  expect(step(id, anna, 'undo')).toEqual({ ok: false, reason: 'missing' });
});

test('the history is told newest first in pages, with who and what stands', () => {
  const id = fresh();
  for (let i = 0; i < 7; i++) rate(id, i % 2 ? ben : anna, 100 + i);
  step(id, anna, 'undo');
  const first = historyPage(db, id, null, 3);
  expect(first.total).toBe(8);
  expect(first.lines.map((l) => [l.revision, l.by, l.label, l.kind, l.state])).toEqual([
    [8, 'Anna', 'rating 106', 'undo', 'act'],
    [7, 'Anna', 'rating 106', 'edit', 'undone'],
    [6, 'Ben', 'rating 105', 'edit', 'done'],
  ]);
  expect(historyPage(db, id, 6, 3).lines.map((l) => l.revision)).toEqual([5, 4, 3]);
  expect(historyPage(db, id, 1, 3).lines).toEqual([]);
});

test('a window far behind gets all it missed, page after page', () => {
  const id = fresh();
  for (let i = 0; i < 25; i++) rate(id, anna, 100 + i);
  const got: number[] = [];
  for (let page = editsSince(db, id, 0, 10); page.length > 0; page = editsSince(db, id, got[got.length - 1] ?? 0, 10))
    got.push(...page.map((r) => r.revision));
  expect(got).toEqual(Array.from({ length: 25 }, (_, i) => i + 1));
});

describe('an older revision', () => {
  test('is compared with now, and gone back to as one edit that is taken back like any', () => {
    const id = fresh();
    rate(id, anna, 70);
    note(id, ben, 'seen');
    rate(id, anna, 80);
    step(id, anna, 'undo');
    expect(changesSince(db, id, 1)).toEqual([{ op: 'set', path: ['boat', 'note'], from: '', to: 'seen' }]);
    expect(changesSince(db, id, 0)?.map((op) => op.op === 'set' && [op.path.join('.'), op.from, op.to])).toEqual([
      ['boat.note', '', 'seen'],
      ['loads.x.rating', 60, 70],
    ]);
    expect(changesSince(db, id, 4)).toEqual([]);
    expect(changesSince(db, id, 99)).toBeNull();
    expect(backTo(db, id, 0, 'back-00000001', 9, anna)).toMatchObject({
      ok: true,
      record: { revision: 5, label: 'back to revision 0', by: 'Anna' },
    });
    expect([rating(id), designOf(id).boat.note]).toEqual([60, '']);
    // Asked twice it is done once.
    expect(backTo(db, id, 0, 'back-00000001', 9, anna)).toMatchObject({ ok: true, record: { revision: 5 } });
    expect(backTo(db, id, 0, 'back-00000002', 9, anna)).toEqual({ ok: false, reason: 'nothing' });
    step(id, anna, 'undo');
    expect([rating(id), designOf(id).boat.note]).toEqual([70, 'seen']);
  });
  test('has a name where somebody gave it one, and those with names are listed by themselves', () => {
    const id = fresh();
    for (const to of [70, 80, 90]) rate(id, anna, to);
    expect(nameRevision(db, id, 2, 'as quoted')).toBe(true);
    expect(nameRevision(db, id, 9, 'none')).toBe(false);
    expect(historyPage(db, id, null, 50, true)).toMatchObject({ total: 1, lines: [{ revision: 2, named: 'as quoted' }] });
    nameRevision(db, id, 2, null);
    expect(historyPage(db, id, null, 50, true).total).toBe(0);
  });
});
