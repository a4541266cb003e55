/** Records of a boat: each kept once, in the order it came in, never changed; and they travel with her. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BoatRecord, lastMarks, MOST_RECORDS } from '@/core/design';
import { bareBoat } from '@/core/design/testing';
import { packBoat, unpackBoat } from './archive';
import { createBoat } from './boats';
import { openDatabase } from './database';
import { addRecords, lastRecord, putRecords, readRecords, recordRows, recordsSince, recordsText } from './records';

const folder = mkdtempSync(join(tmpdir(), 'solenix-records-'));
afterAll(() => rmSync(folder, { recursive: true }));
const db = openDatabase(folder);
for (const id of ['one', 'two', 'three']) createBoat(db, id, bareBoat('metric'), 1);

const mark = (id: string, thing: string, state: string, at: number): BoatRecord => ({ id, kind: 'mark', thing, at, body: { state } });
const who = { device: 'tablet-0001', name: 'Hand' };

test('kept once however often it is sent, in order, with who wrote it', () => {
  const first = addRecords(db, 'one', [mark('aaaaaaaa', 'piece:c1', 'cut', 50)], 60, who);
  const again = addRecords(db, 'one', [mark('aaaaaaaa', 'piece:c1', 'landed', 99), mark('bbbbbbbb', 'piece:c2', 'cut', 40)], 70, null);
  expect(first.ok && first.records[0]).toMatchObject({ id: 'aaaaaaaa', by: 'Hand', body: { state: 'cut' } });
  // The one that stood is answered as it stood.
  expect(again.ok && again.records.map((r) => r.body.state)).toEqual(['cut', 'cut']);
  expect(recordsSince(db, 'one', 0, 10).map((r) => r.id)).toEqual(['aaaaaaaa', 'bbbbbbbb']);
  expect(recordsSince(db, 'one', lastRecord(db, 'one'), 10)).toEqual([]);
  expect(lastRecord(db, 'two')).toBe(0);
  expect(addRecords(db, 'none', [mark('cccccccc', 'piece:c1', 'cut', 1)], 1, null)).toEqual({ ok: false, reason: 'missing' });
});

test('only added to: nothing changes or takes one away', () => {
  expect(() => db.$client.exec("update records set body = '{}'")).toThrow('only added to');
  expect(() => db.$client.exec('delete from records')).toThrow('only added to');
});

test('of a thing the last mark counts, by when it was so', () => {
  const marks = lastMarks([
    mark('aaaaaaaa', 'piece:c1', 'landed', 50),
    mark('bbbbbbbb', 'piece:c1', 'cut', 40),
    mark('cccccccc', 'piece:c2', 'cut', 1),
  ]);
  expect(marks.get('piece:c1')?.body.state).toBe('landed');
  expect(marks.get('piece:c2')?.body.state).toBe('cut');
});

test('a boat takes her records along, pictures under their new names', () => {
  addRecords(
    db,
    'two',
    [{ id: 'dddddddd', kind: 'reading', thing: 'piece:c9', at: 5, body: { mohm: 1.5, photo: 'P1', ok: true, note: null } }],
    6,
    who,
  );
  const zip = packBoat(bareBoat('metric'), () => null, { records: recordsText(recordRows(db, 'two')) });
  const back = unpackBoat(zip);
  if (!back.ok) throw new Error('not read');
  expect(back.records).toEqual([
    { id: 'dddddddd', kind: 'reading', thing: 'piece:c9', at: 5, by: 'Hand', body: { mohm: 1.5, photo: 'P1', ok: true, note: null } },
  ]);
  putRecords(db, 'three', back.records, new Map([['P1', 'P2']]), 9);
  expect(recordRows(db, 'three')[0]?.body).toEqual({ mohm: 1.5, photo: 'P2', ok: true, note: null });
  expect(unpackBoat(packBoat(bareBoat('metric'), () => null)).ok).toBe(true);
});

test('a file that is not understood is refused whole', () => {
  expect(readRecords('{"format":"solenix-records"')).toBeNull();
  const twice = recordsText([...recordRows(db, 'three'), ...recordRows(db, 'three')]);
  expect(readRecords(twice)).toBeNull();
  expect(readRecords(recordsText([{ id: 'eeeeeeee', kind: 'mark', thing: 'no thing', at: 1, by: null, body: {} }]))).toBeNull();
  expect(MOST_RECORDS).toBeGreaterThanOrEqual(100_000);
});
