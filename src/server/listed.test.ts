/** The list of boats: answered without reading a design, and never hidden by one that cannot be read. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blankDesign, blankLoad } from '@/core/design';
import { createBoat, listBoats, openBoat, rawDesign } from './boats';
import { openDatabase, type Db } from './database';
import { boatsBehind } from './shelf';

const folder = mkdtempSync(join(tmpdir(), 'solenix-listed-'));
const db: Db = openDatabase(folder);
afterAll(() => {
  db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});
const blank = blankDesign('Sound', 'metric', 11, 3.5, 24);
createBoat(db, 'sound', { ...blank, loads: [blankLoad('a', 24), blankLoad('b', 24)] }, 1);
createBoat(db, 'cut', blankDesign('Cut', 'awg', 9, 3, 12), 2);
createBoat(db, 'foreign', blankDesign('Foreign', 'awg', 9, 3, 12), 3);
db.$client.prepare("update boats set design = substr(design, 1, 200) where id = 'cut'").run();
db.$client.prepare(`update boats set design = '{"some":"thing"}' where id = 'foreign'`).run();

test('a design that was cut, or is something else, is listed as damaged; the others as ever, newest first', () => {
  expect(listBoats(db)).toEqual([
    expect.objectContaining({ id: 'foreign', name: 'Foreign', damaged: true }),
    expect.objectContaining({ id: 'cut', name: 'Cut', damaged: true }),
    {
      id: 'sound',
      name: 'Sound',
      revision: 0,
      updatedAt: 1,
      systemV: 24,
      lengthM: 11,
      loads: 2,
      circuits: 0,
      damaged: false,
      problem: null,
      state: null,
      stateOld: true,
    },
  ]);
});
test('what there is of it can be taken away; the sound one opens; a card goes round it', () => {
  expect(rawDesign(db, 'cut')).toHaveLength(200);
  expect(rawDesign(db, 'foreign')).toBe('{"some":"thing"}');
  expect(rawDesign(db, 'none')).toBeNull();
  expect(openBoat(db, 'sound')?.design.boat.name).toBe('Sound');
  expect(boatsBehind(db, { id: 'c', name: 'card' } as Parameters<typeof boatsBehind>[1])).toEqual([]);
});
test('the list is answered from its index alone', () => {
  const plan = db.$client
    .prepare(
      'explain query plan select id, name, revision, updated_at, system_v, length_m, loads, circuits from boats where deleted_at is null order by updated_at desc',
    )
    .all() as { detail: string }[];
  expect(plan.map((p) => p.detail).join('; ')).toMatch(/USING COVERING INDEX boats_listed/);
});
