/** Threads that answer, throw, hang, and take all memory: whoever asked hears of it, and the next job is done. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bareBoat } from '@/core/design/testing';
import { WorkPool, WorkRefused } from './pool';

const folder = mkdtempSync(join(tmpdir(), 'solenix-pool-'));
const script = join(folder, 'thread.mjs');
// The job of a design is named by its boat.
writeFileSync(
  script,
  `import { parentPort } from 'node:worker_threads';
parentPort.on('message', ({ id, args }) => {
  const { name } = args[0].boat;
  if (name === 'throws') return parentPort.postMessage({ id, ok: false, message: 'it is broken' });
  if (name === 'hangs') for (;;);
  if (name === 'hoards') { const all = []; for (;;) all.push(new Array(1e5).fill(Math.random())); }
  if (name === 'dies') throw new Error('it died');
  parentPort.postMessage({ id, ok: true, value: name });
});`,
);
const pool = new WorkPool({ script, threads: 1, jobMs: 2000, heapMb: 40 });
afterAll(async () => {
  await pool.end();
  rmSync(folder, { recursive: true });
});

const run = (name: string): Promise<unknown> => {
  const design = bareBoat('metric');
  return pool.run('analysis', { ...design, boat: { ...design.boat, name } });
};

test('jobs are answered in turn', async () => expect(await Promise.all(['a', 'b', 'c'].map(run))).toEqual(['a', 'b', 'c']));
test('one that throws says what', () => expect(run('throws')).rejects.toThrow('it is broken'));
test('one that hangs is given up, and the next is done', async () => {
  const [hung, next] = await Promise.allSettled([run('hangs'), run('next')]);
  expect(hung).toMatchObject({ status: 'rejected', reason: expect.any(WorkRefused) as unknown });
  expect(next).toEqual({ status: 'fulfilled', value: 'next' });
});
test('one that takes all memory is given up, and the next is done', async () => {
  const big = new WorkPool({ script, threads: 1, jobMs: 20_000, heapMb: 20 });
  const design = bareBoat('metric');
  await expect(big.run('analysis', { ...design, boat: { ...design.boat, name: 'hoards' } })).rejects.toThrow(/memory/);
  expect(await big.run('analysis', { ...design, boat: { ...design.boat, name: 'after' } })).toBe('after');
  await big.end();
});
test('a thread that dies is replaced', async () => {
  await expect(run('dies')).rejects.toThrow('it died');
  expect(await run('again')).toBe('again');
});
test('a bundle that was never made says how it is', () =>
  expect(new WorkPool({ script: join(folder, 'none.mjs') }).run('scratch', '')).rejects.toThrow('npm run build'));
