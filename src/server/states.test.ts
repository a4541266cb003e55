/** How far a boat is: kept by revision, calculated anew when she has changed, told in the list and sorted by. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bareBoat } from '@/core/design/testing';
import type { BoatState } from '@/core/design';
import { createBoat, findBoats, listBoats } from './boats';
import { openDatabase } from './database';
import { keepState, readState, stateNow, stateOf } from './states';

const state = (stops: number, fixes: number): BoatState => ({
  stops,
  fixes,
  notes: 0,
  loads: 3,
  wired: 2,
  runs: 2,
  taped: 0,
  photoId: null,
  lengthM: 10,
  beamM: 3,
  feet: false,
});
const folders: string[] = [];
afterAll(() => folders.forEach((f) => rmSync(f, { recursive: true })));
const fleet = () => {
  const folder = mkdtempSync(join(tmpdir(), 'solenix-states-'));
  folders.push(folder);
  const db = openDatabase(folder);
  for (const [i, id] of ['one', 'two', 'three'].entries()) {
    const d = bareBoat('metric');
    createBoat(db, id, { ...d, boat: { ...d.boat, name: ['Curlew', 'avocet', 'Brent'][i] ?? '' } }, 1000 + i);
  }
  return db;
};

test('kept of a revision, and of no other; an older one never takes the place of a newer', () => {
  const db = fleet();
  keepState(db, 'one', 2, state(1, 2));
  expect(stateOf(db, 'one', 2)).toEqual(state(1, 2));
  expect(stateOf(db, 'one', 3)).toBeNull();
  keepState(db, 'one', 1, state(9, 9));
  expect(stateOf(db, 'one', 2)).toEqual(state(1, 2));
});
test('what cannot be read is calculated anew', () => {
  expect([readState(null), readState('{'), readState('{"stops":1}')]).toEqual([null, null, null]);
});
test('asked twice it is calculated once', async () => {
  const db = fleet();
  const calculate = jest.fn(() => Promise.resolve(state(0, 4)));
  const boat = { id: 'two', revision: 0, design: bareBoat('metric') };
  const keep = (write: () => void) => Promise.resolve(write());
  expect(await stateNow(db, boat, calculate, keep)).toEqual(state(0, 4));
  expect(await stateNow(db, boat, calculate, keep)).toEqual(state(0, 4));
  expect(calculate).toHaveBeenCalledTimes(1);
  expect(listBoats(db).map((b) => [b.id, b.state?.fixes, b.stateOld])).toEqual([
    ['three', undefined, true],
    ['two', 4, false],
    ['one', undefined, true],
  ]);
});
test('listed by last change, by name whatever the case, by what is open with stops first', () => {
  const db = fleet();
  keepState(db, 'one', 0, state(0, 40));
  keepState(db, 'two', 0, state(1, 0));
  const ids = (order: 'changed' | 'name' | 'open') => findBoats(db, '', 0, 10, order).boats.map((b) => b.id);
  expect([ids('changed'), ids('name'), ids('open')]).toEqual([
    ['three', 'two', 'one'],
    ['two', 'three', 'one'],
    ['two', 'one', 'three'],
  ]);
});
