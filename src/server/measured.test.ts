/** Measured days on file: whole or not at all, the same id once, damaged ones told, out and in with an archive. */
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { packBoat, unpackBoat } from './archive';
import { createBoat } from './boats';
import { openDatabase } from './database';
import { keepMeasured, measuredCsv, measuredSets, measuredText, putMeasured, putMeasuredAway, soundSets } from './measured';
import { measured } from './tables';
import { bareBoat } from '@/core/design/testing';

const folder = mkdtempSync(join(tmpdir(), 'solenix-measured-'));
afterAll(() => rmSync(folder, { recursive: true }));
const db = openDatabase(folder);
createBoat(db, 'one', bareBoat('metric'), 1);
createBoat(db, 'two', bareBoat('metric'), 1);
const csv = (rows: number) =>
  gzipSync(`time,volts,amps,soc\n${Array.from({ length: rows }, (_, k) => `${1_760_000_000 + 60 * k},12.6,-3.2,0.81`).join('\n')}\n`);
const meta = () => ({ id: randomUUID(), bankId: 'house', name: 'June' });

test('kept with its span and rows; the same id again answers what stands', async () => {
  const m = meta();
  const first = await keepMeasured(db, 'one', m, csv(3), 5);
  expect(first).toMatchObject({ ok: true, set: { rows: 3, from: 1_760_000_000_000, to: 1_760_000_120_000, away: false } });
  expect(await keepMeasured(db, 'one', m, csv(9), 6)).toMatchObject({ ok: true, set: { rows: 3 } });
  expect(measuredSets(db, 'one')).toHaveLength(1);
  expect(measuredCsv(db, 'one', m.id)).toEqual(csv(3));
  expect(measuredCsv(db, 'two', m.id)).toBeNull();
});
test('what sources give and the engine’s speed are kept beside it', async () => {
  const m = meta();
  const more = gzipSync('time,volts,amps,soc,rpm,amps of alt,volts of alt\n1760000000,13.1,30,,1500,40,13.6\n1760000060,13.1,-3,,,,\n');
  expect(await keepMeasured(db, 'one', m, more, 5)).toMatchObject({ ok: true, set: { rows: 2 } });
  expect(measuredCsv(db, 'one', m.id)).toEqual(more);
  putMeasuredAway(db, 'one', m.id, 6);
});
test.each([
  ['no gzip', new Uint8Array([1, 2, 3])],
  ['other heads', gzipSync('a,b\n1,2\n')],
  ['heads alone', gzipSync('time,volts,amps,soc\n')],
  ['no reading', gzipSync('time,volts,amps,soc\n<script>,1,2,3\n')],
  ['a column nobody knows', gzipSync('time,volts,amps,soc,<b>\n1760000000,13.1,30,,1\n')],
  ['a cell too few', gzipSync('time,volts,amps,soc,rpm\n1760000000,13.1,30,\n')],
  ['a bomb', gzipSync(Buffer.alloc(90_000_000, 48))],
])('refused and nothing kept: %s', async (_, bytes) => {
  const before = measuredSets(db, 'one').length;
  expect(await keepMeasured(db, 'one', meta(), bytes, 5)).toEqual({ ok: false, reason: 'unread' });
  expect(measuredSets(db, 'one')).toHaveLength(before);
});
test('of a boat that is not there nothing is kept; put away it stays on file', async () => {
  expect(await keepMeasured(db, 'nobody', meta(), csv(2), 5)).toEqual({ ok: false, reason: 'missing' });
  const m = meta();
  await keepMeasured(db, 'two', m, csv(2), 5);
  expect(putMeasuredAway(db, 'two', m.id, 9)).toBe(true);
  expect(measuredSets(db, 'two')).toMatchObject([{ id: m.id, away: true }]);
  expect(measuredCsv(db, 'two', m.id)).toEqual(csv(2));
  expect(putMeasuredAway(db, 'two', 'nothing-there', 9)).toBe(false);
});
test('what is not what was kept is told', async () => {
  const m = meta();
  await keepMeasured(db, 'one', m, csv(4), 5);
  db.update(measured).set({ sum: 'another' }).run();
  expect(measuredCsv(db, 'one', m.id)).toBe('damaged');
});
test('out and in with an archive: the same rows under an id of their own; what is no such file, or is missing, is left out', async () => {
  createBoat(db, 'three', bareBoat('metric'), 1);
  const sets = measuredSets(db, 'two');
  const days = new Map(sets.map((s) => [s.id, csv(2)]));
  const back = unpackBoat(packBoat(bareBoat('metric'), () => null, { measured: measuredText(sets) }, days));
  if (!back.ok) throw new Error(JSON.stringify(back.problems));
  const strange = { ...back.measured[0], id: 'strange-set-1', bankId: 'house', name: 'July', from: 1, to: 2, rows: 3, away: false };
  const files = new Map([...back.days, [strange.id, new Uint8Array([1, 2, 3])] as const]);
  const sound = await soundSets([...back.measured, strange, { ...strange, id: 'missing-set-1' }], files);
  expect(sound.map((s) => s.name)).toEqual(['June']);
  putMeasured(db, 'three', sound, 7);
  const [there, more] = measuredSets(db, 'three');
  expect(more).toBeUndefined();
  expect(there).toMatchObject({ name: 'June', rows: 2, away: true });
  expect(there?.id).not.toBe(sets[0]?.id);
  expect(measuredCsv(db, 'three', there?.id ?? '')).toEqual(csv(2));
  expect(unpackBoat(packBoat(bareBoat('metric'), () => null, { measured: '{"format":"other"}' }))).toMatchObject({ ok: false });
});
