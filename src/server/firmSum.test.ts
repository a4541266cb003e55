/** The firm's page over all boats: it goes on where it stopped, keeps what it found out, and takes in what has changed. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bareBoat } from '@/core/design/testing';
import { createBoat } from './boats';
import { openDatabase } from './database';
import { firmAnswer } from './firmSum';
import { addRecords } from './records';

const folder = mkdtempSync(join(tmpdir(), 'solenix-firm-sum-'));
const db = openDatabase(folder);
afterAll(() => {
  db.$client.close();
  rmSync(folder, { recursive: true, force: true });
});
const MANY = 305;
for (let i = 0; i < MANY; i++) createBoat(db, `b${i}`, bareBoat('metric'), i);
const now = Date.UTC(2026, 5, 1);

test('more boats than are told one by one: without patience one at a time, with it all; sums are of all', async () => {
  expect(await firmAnswer(db, now, -1)).toMatchObject({ looked: 1, total: MANY });
  expect(await firmAnswer(db, now, -1)).toMatchObject({ looked: 2, total: MANY });
  const all = await firmAnswer(db, now, 60_000);
  expect(all).toMatchObject({ looked: MANY, total: MANY, unread: [] });
  expect(all.boats).toHaveLength(300);
  expect(Object.keys(all.states)).toHaveLength(300);
});

test('what is noted of a boat afterwards counts, of the oldest too; work that is due there is told though she is not', async () => {
  const [bank] = bareBoat('metric').banks;
  const noted = addRecords(
    db,
    'b0',
    [
      { id: 'entry-firm-1', kind: 'entry', thing: 'boat:boat', at: now, body: { sort: 'work', hours: 1.5 } },
      { id: 'entry-firm-2', kind: 'entry', thing: `service:torque-${bank?.id ?? ''}`, at: now - 400 * 86_400_000, body: { sort: 'work' } },
    ],
    now,
    null,
  );
  expect(noted.ok).toBe(true);
  const { boats, looked } = await firmAnswer(db, now, -1);
  expect(looked).toBe(MANY);
  expect(boats.find((b) => b.boatId === 'b0')).toMatchObject({ hours: 1.5, due: [{ overdue: true }] });
});

test('one that is damaged is named and holds up no other, asked again too', async () => {
  db.$client.prepare("update boats set design = substr(design, 1, 200), revision = revision + 1 where id = 'b7'").run();
  expect(await firmAnswer(db, now, -1)).toMatchObject({ looked: MANY, unread: ['Test boat'] });
  expect((await firmAnswer(db, now, -1)).unread).toHaveLength(1);
});
