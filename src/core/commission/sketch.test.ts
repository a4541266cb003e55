/** A path without a boat: what each part should have, by hand, and a fault found on it. */
import { diagnose } from './diagnose';
import { sketchedPath, SKETCH_AT_FIRST, type SketchRow } from './sketch';
import { stretchesOf } from './stretch';

const rows = SKETCH_AT_FIRST('metric');
const path = sketchedPath(rows, 'metric');

test('breaker 20 A 4 to 8 mΩ, 6 m of 4 mm² 30.6 mΩ each way, a sound joint 0.03 mΩ at each end', () => {
  const parts = stretchesOf(path).map((s) => s.elements.reduce((n, e) => n + e.mohm, 0));
  expect(parts).toHaveLength(4);
  expect(parts[0]).toBeGreaterThanOrEqual(4);
  expect(parts[0]).toBeLessThanOrEqual(8);
  // Tinned strands of 4 mm² by the standard 5.09 Ω/km: 30.54 over 6 m, and two ends of 0.03.
  expect(parts[1]).toBeCloseTo(30.6, 6);
  expect(parts[3]).toBeCloseTo(parts[1] ?? 0, 9);
});
test('100 mΩ more in the switch at 10 A: with three readings it is the first suspect', () => {
  const [, out, sw, back] = stretchesOf(path);
  const mv = (s: typeof sw, extra = 0) => ({
    elements: (s?.elements ?? []).map((e) => e.id),
    amps: 10,
    mv: 10 * ((s?.elements ?? []).reduce((n, e) => n + e.mohm, 0) + extra),
  });
  const { suspects } = diagnose(path, [mv(out), mv(sw, 100), mv(back)], 10);
  expect(suspects[0]?.elements).toEqual(['p3']);
  expect(suspects[0]?.extraMohm[0]).toBeCloseTo(100, 0);
});
test('a cable of no size, no length, or a device of no rating is left out, and nothing throws', () => {
  const bad: SketchRow[] = [
    { id: 'a', kind: 'cable', size: 'none', lengthM: 3, back: false, ratingA: 1 },
    { id: 'b', kind: 'cable', size: '4', lengthM: 0, back: false, ratingA: 1 },
    { id: 'c', kind: 'fuse', size: '', lengthM: 0, back: false, ratingA: 0 },
  ];
  expect(sketchedPath(bad, 'metric')).toEqual([]);
  expect(sketchedPath([{ id: 'd', kind: 'joint', size: '', lengthM: 0, back: false, ratingA: 0 }], 'awg')).toHaveLength(1);
});
