/** Simulated months with everything known: what is learned lies within what it says, and never far off. */
import { knownYear } from '@/testing/measuredYear';
import { acceptedOf } from './accepted';
import { learn } from './learn';
import { densest, halfWidth, within95 } from './spread';

const years = [1, 2, 3, 4, 5].map((seed) => knownYear(seed, 45));
const told = years.map((y) => ({ ...y, told: learn(y.design, 'house', y.series) }));

test('figures lie within their spread in nine of ten, and the spread is less than half of what was known before', () => {
  const all = told.flatMap((y) =>
    y.told.figures.flatMap((f) => {
      const real = y.truth.get(f.id);
      return real ? [{ inside: Math.abs(f.value - real.value) <= f.within, part: f.within / real.prior }] : [];
    }),
  );
  expect(all.length).toBeGreaterThan(20);
  expect(all.filter((x) => x.inside).length / all.length).toBeGreaterThanOrEqual(0.85);
  expect(all.map((x) => x.part).sort((a, b) => a - b)[all.length >> 1]).toBeLessThan(0.5);
});
test('the fridge, which runs day and night: its hours within a tenth', () => {
  const seen = told.flatMap((y) => {
    const fridge = y.told.seen.find((s) => s.name === 'Fridge');
    return fridge ? [fridge.duty / (y.duty.get('fridge') ?? NaN)] : [];
  });
  expect(seen.length).toBeGreaterThan(3);
  for (const part of seen) expect(Math.abs(part - 1)).toBeLessThan(0.1);
});
test('two fans of 2 and 2.1 A are told as one group, and nothing of either', () => {
  for (const y of told) {
    expect(y.told.alike.some((g) => g.includes('Fan') && g.includes('Other fan'))).toBe(true);
    expect(y.told.figures.some((f) => f.id.startsWith('load-fan'))).toBe(false);
  }
});
test('of a charge by hand: ten times 20 Ah out in ten hours and 25 Ah in again comes to 80 %; without a source nobody knows when it is full', () => {
  const { design } = years[0] as (typeof years)[number];
  const n = 40 * 24 * 60;
  const at = Float64Array.from({ length: n }, (_, k) => k * 60_000);
  // Each two days: ten hours at 4 A out of 200 Ah, ten at 5 A in, then half an hour of 1 A at 14.4 V; at rest between.
  const minute = (k: number) => k % (48 * 60);
  const amps = Float64Array.from(at, (_, k) => (minute(k) < 600 ? -4 : minute(k) < 1140 ? 2.5 / 0.9 - 0.055 : minute(k) < 1170 ? 1 : 0));
  const volts = Float64Array.from(at, (_, k) => (minute(k) < 600 ? 12.4 : minute(k) < 1140 ? 13.6 : minute(k) < 1170 ? 14.4 : 12.8));
  const inAh = (540 * (2.5 / 0.9 - 0.055)) / 60 + 0.5;
  const found = acceptedOf(design, 'house', { at, volts, amps, soc: new Float64Array(n).fill(NaN), further: {} });
  expect(found?.n).toBeGreaterThan(10);
  expect(found?.efficiency).toBeCloseTo(40 / inAh, 2);
  expect(acceptedOf({ ...design, sources: [] }, 'house', { at, volts, amps, soc: new Float64Array(n), further: {} })).toBeNull();
});
test('the densest half is not moved by what is far off; two sigma of a median of 100 spread by 1', () => {
  expect(densest([5, 5.1, 5, 4.9, 5, 11, 12, 30])).toBeCloseTo(5, 1);
  const even = Array.from({ length: 101 }, (_, k) => (k - 50) / 50);
  expect(halfWidth(even)).toBeCloseTo(0.5, 9);
  // 2 x 1.2533 x 1.4826 x 0.5 over the root of 101.
  expect(within95(even, 0)).toBeCloseTo(0.1849, 3);
});
