/** Practice: readings as a meter would show them, minutes counted, and what is wrong told only at the end. */
import { analyse } from '../analysis';
import { designOfKind } from '../design';
import { withProposals } from '@/testing/usualBoat';
import { beginExercise, complaintOf, type Exercise, readOver, sayBad } from './exercise';

let n = 0;
const boat = withProposals(
  designOfKind('coastal', { name: 'Test', school: 'metric', lengthM: 11, beamM: 3.4, systemV: 12 }),
  (p) => `${p}x${++n}`,
);
const { circuits } = analyse(boat);
const begun = (seed: number, faults: 1 | 2 = 1): Exercise => {
  const x = beginExercise(boat, circuits, null, faults, seed);
  if (!x) throw new Error('no path');
  return x;
};
const seeds = Array.from({ length: 30 }, (_, i) => 11 * i + 5);

test.each(seeds)('seed %i: what is told at first is that the load gets less, and nothing of where', (seed) => {
  const x = begun(seed);
  const told = complaintOf(x);
  expect(told.loadV).toBeLessThan(told.expectedV);
  expect(Object.keys(told).sort()).toEqual(['amps', 'bankV', 'circuitId', 'expectedV', 'faults', 'load', 'loadV', 'parts'].sort());
  expect(told.parts.every((p) => Object.keys(p).length === 3)).toBe(true);
});

test('read part by part, what is most above what is expected is what was hidden, in nine of ten', () => {
  const right = seeds.filter((seed) => {
    const x = begun(seed);
    const off = x.parts.map((p) => {
      const read = readOver(x, p.id, p.id);
      return { id: p.id, mv: (read?.reading.mv ?? 0) - (read?.reading.expectedMv ?? 0) };
    });
    const [most] = off.sort((a, b) => b.mv - a.mv);
    return most !== undefined && sayBad(x, most.id).told.right;
  });
  expect(right.length).toBeGreaterThanOrEqual(0.9 * seeds.length);
});

test('a reading takes 6 min, a sound part taken apart 15; two faults end when both are found', () => {
  const x = begun(3, 2);
  const [first, second] = x.hidden.bad;
  const sound = x.parts.find((p) => !x.hidden.bad.some((b) => b.id === p.id));
  if (!first || !second || !sound) throw new Error('not two');
  const read = readOver(x, sound.id, sound.id);
  const wrong = sayBad(read?.next ?? x, sound.id);
  expect(wrong.told).toEqual({ minutes: 21, right: false, found: 0, end: null });
  const one = sayBad(wrong.next, first.id);
  expect(one.told).toEqual({ minutes: 21, right: true, found: 1, end: null });
  // The same part again is no second one.
  expect(sayBad(one.next, first.id).told).toMatchObject({ found: 1, end: null });
  const both = sayBad(one.next, second.id).told;
  expect(both).toMatchObject({ minutes: 21, right: true, found: 2 });
  expect(both.end?.bad.map((b) => b.what)).toEqual([first.what, second.what]);
  expect(both.end?.program.length).toBeGreaterThan(0);
  expect(both.end?.programMinutes).toBe(6 * (both.end?.program.length ?? 0));
});

test('given up it is told; probes go forward along the path; a boat without circuits has nothing to practise on', () => {
  const x = begun(4);
  expect(sayBad(x, null).told).toMatchObject({ right: false, found: 0, end: { bad: [{ what: x.hidden.bad[0]?.what }] } });
  const [first, second] = x.parts;
  expect(readOver(x, second?.id ?? '', first?.id ?? '')).toBeNull();
  expect(readOver(x, 'elsewhere', first?.id ?? '')).toBeNull();
  expect(beginExercise({ ...boat, circuits: [] }, [], null, 1, 1)).toBeNull();
});
