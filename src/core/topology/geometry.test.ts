import fc from 'fast-check';
import { analyse } from '../analysis';
import { type Along, ALONGS, type Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { corners, pathM, runM } from './geometry';
import { runOf } from './runs';

const boat = { beamM: 4 };
const a = { x: 2, y: -1, z: 0.2 };
const b = { x: 9, y: 0.5, z: 1.2 };

test.each<readonly [Along, number]>([
  // 7 + 1.5 + 1
  ['straight', 9.5],
  // to 1.68 m port: 2.68, 7 along, 1.18 back, 1 up
  ['port side', 2.68 + 7 + 1.18 + 1],
  ['starboard side', 0.68 + 7 + 2.18 + 1],
  // 0.2 down, 7, 1.5, 1.2 up
  ['under the sole', 0.2 + 7 + 1.5 + 1.2],
])('a run %s, by hand', (along, wanted) => {
  expect(runM(corners(boat, a, b, along), 0)).toBeCloseTo(wanted, 9);
  expect(runM(corners(boat, a, b, along), 0.3)).toBeCloseTo(wanted + 0.6, 9);
});

const point = fc.record({
  x: fc.double({ min: -1, max: 12, noNaN: true }),
  y: fc.double({ min: -2, max: 2, noNaN: true }),
  z: fc.double({ min: -1, max: 3, noNaN: true }),
});
test('no way along is shorter than straight, every corner turns along one axis, and it ends where it should', () =>
  fc.assert(
    fc.property(point, point, fc.constantFrom(...ALONGS), (from, to, along) => {
      const path = corners(boat, from, to, along);
      expect(path[0]).toEqual(from);
      expect(path[path.length - 1]).toEqual(to);
      expect(runM(path, 0)).toBeGreaterThanOrEqual(pathM(from, to, 0) - 1e-9);
      path.slice(1).forEach((p, i) => {
        const q = path[i] ?? p;
        expect([p.x !== q.x, p.y !== q.y, p.z !== q.z].filter(Boolean).length).toBeLessThanOrEqual(1);
      });
    }),
  ));

test('choosing a way along the hull changes the estimate, not a taped length', () => {
  const base = withLoad(bareBoat('metric'), { rating: 24, placeId: 'fore' }, 1);
  const loose = {
    ...base,
    circuits: base.circuits.map((c) => (c.id === 'c-x' ? { ...c, taps: c.taps.map((t) => ({ ...t, tapedM: null })) } : c)),
  };
  const along = (way: Along, design: Design = loose) => {
    const chosen = { ...design, circuits: design.circuits.map((c) => (c.id === 'c-x' ? { ...c, along: way } : c)) };
    const run = chosen.circuits.find((c) => c.id === 'c-x');
    return { lengthM: analyse(chosen).circuits.find((r) => r.id === 'c-x')?.lengthM ?? NaN, path: run ? runOf(chosen, run) : [] };
  };
  expect(along('port side').lengthM).toBeGreaterThan(along('straight').lengthM);
  for (const way of ALONGS) {
    const { lengthM, path } = along(way);
    expect(lengthM).toBeCloseTo(runM(path[0] ?? [], loose.house.slackM), 9);
    expect(along(way, base).lengthM).toBe(1);
  }
});
