/** A boat whose design on file is damaged: told as such, and had back from what is kept beside it. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setOp } from '@/core/design';
import { bareBoat, withLoad } from '@/core/design/testing';
import { createBoat, listBoats, openBoat, rawDesign } from './boats';
import { lastGood, recoverBoat } from './checkpoints';
import { openDatabase } from './database';
import { editBoat, stepBoat } from './history';
import { DamagedBoat, sumOf } from './stored';

const folder = mkdtempSync(join(tmpdir(), 'solenix-checkpoints-'));
afterAll(() => rmSync(folder, { recursive: true }));
const db = openDatabase(folder);
let n = 0;
const fresh = (): string => {
  const id = `boat-${++n}`;
  createBoat(db, id, withLoad(bareBoat('metric'), {}, 4), 1);
  return id;
};
const rate = (id: string, to: number) => {
  const design = openBoat(db, id)?.design;
  return (
    design &&
    editBoat(
      db,
      id,
      { id: `edit-${++n}-00000`, label: `rating ${to}`, ops: [setOp(design, ['loads', 'x', 'rating'], to)] },
      false,
      100 + to,
    )
  );
};
const damage = (id: string, sql = 'design = substr(design, 1, 700)') => db.$client.prepare(`update boats set ${sql} where id = ?`).run(id);
const why = (id: string): string => {
  try {
    openBoat(db, id);
    return 'opened';
  } catch (error) {
    return error instanceof DamagedBoat ? error.problem : String(error);
  }
};

test('cut, changed by a byte, or of a wrong shape it is told as damaged, by its name in the list', () => {
  const [cut, changed, shape] = [fresh(), fresh(), fresh()];
  damage(cut);
  damage(changed, `design = replace(design, '"rating":60', '"rating":61')`);
  damage(shape, `design = json_set(design, '$.loads', json('[{"id":1}]')), sum = null`);
  expect(why(cut)).toMatch(/changed or cut short/);
  expect(why(changed)).toMatch(/not what was saved last/);
  expect(why(shape)).toMatch(/cannot be read: loads/);
  for (const id of [cut, changed, shape]) expect(listBoats(db).find((b) => b.id === id)).toMatchObject({ damaged: true, problem: why(id) });
  expect(rate(fresh(), 75)).toMatchObject({ ok: true });
});

test('an edit of it is refused with the reason, and nothing is written over', () => {
  const id = fresh();
  const before = openBoat(db, id)?.design;
  damage(id);
  const raw = rawDesign(db, id);
  const edit = { id: 'edit-refused-1', label: 'x', ops: [setOp(before ?? bareBoat('metric'), ['boat', 'note'], 'x')] };
  expect(editBoat(db, id, edit, true, 9)).toMatchObject({ ok: false, reason: 'damaged' });
  expect(rawDesign(db, id)).toBe(raw);
});

test('from the checkpoint and every edit after it the last design is made, and goes on', () => {
  const id = fresh();
  for (const to of [70, 80, 90]) rate(id, to);
  stepBoat(db, id, { step: 'undo', id: 'step-good-001', force: false }, 200);
  damage(id);
  const raw = rawDesign(db, id);
  expect(lastGood(db, id)).toMatchObject({ revision: 4, at: 200, design: { loads: [{ rating: 80 }] } });
  expect(recoverBoat(db, id, 300)).toBe(4);
  expect(openBoat(db, id)).toMatchObject({ revision: 6, design: { loads: [{ rating: 80 }] } });
  // What stood there is kept, and the next edit and the way back work.
  expect(db.$client.prepare("select design from checkpoints where boat_id = ? and what = 'damaged'").pluck().get(id)).toBe(raw);
  expect(rate(id, 95)).toMatchObject({ ok: true, record: { revision: 7 } });
  expect(stepBoat(db, id, { step: 'undo', id: 'step-good-002', force: false }, 301).ok).toBe(true);
  expect(openBoat(db, id)?.design.loads[0]?.rating).toBe(80);
});

test('with an edit that is lost it goes as far as they follow on each other', () => {
  const id = fresh();
  for (const to of [70, 80, 90]) rate(id, to);
  db.$client.prepare('delete from edits where boat_id = ? and revision = 3').run(id);
  damage(id);
  expect(lastGood(db, id)).toMatchObject({ revision: 2, design: { loads: [{ rating: 80 }] } });
  expect(recoverBoat(db, id, 300)).toBe(2);
  expect(openBoat(db, id)?.revision).toBe(5);
});

test('over a damaged checkpoint the one before it is taken; without any there is none', () => {
  const id = fresh();
  for (let to = 1; to <= 101; to++) rate(id, to);
  expect(db.$client.prepare('select revision from checkpoints where boat_id = ? order by revision').pluck().all(id)).toEqual([0, 100]);
  db.$client.prepare('update checkpoints set design = substr(design, 9) where boat_id = ? and revision = 100').run(id);
  damage(id);
  expect(lastGood(db, id)).toMatchObject({ revision: 101, design: { loads: [{ rating: 101 }] } });
  db.$client.prepare('delete from checkpoints where boat_id = ?').run(id);
  expect(lastGood(db, id)).toBeNull();
  expect(recoverBoat(db, id, 1)).toBeNull();
});

test('a boat from before there were checkpoints has one from her next edit on', () => {
  const id = fresh();
  db.$client.prepare('delete from checkpoints where boat_id = ?').run(id);
  rate(id, 70);
  damage(id);
  expect(lastGood(db, id)).toMatchObject({ revision: 1, design: { loads: [{ rating: 70 }] } });
});

test('the sum is the SHA-256 of what is written: "abc" by the standard', () => {
  expect(sumOf('abc')).toBe('ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad');
});
