import { designOfKind } from '../design';
import { meterDay } from '../monitoring';
import { withProposals } from '@/testing/usualBoat';
import { besideDays } from './beside';
import type { Measured } from './series';
import { stretchOf } from './stretch';

const MINUTE = 60_000;
const MIDNIGHT = Date.UTC(2026, 4, 31);
let n = 0;
const boat = withProposals(
  designOfKind('coastal', { name: 'Turnstone', school: 'metric', lengthM: 11, beamM: 3.5, systemV: 12 }),
  (p) => `${p}q${++n}`,
);
const bankId = boat.banks[0]?.id ?? '';
const livingId = boat.living[0]?.id ?? '';
const day = meterDay(boat, bankId, livingId) ?? [];
const days = [{ at: MIDNIGHT, livingId }];
/** So many amps for every minute of some, from midnight. */
const flat = (minutes: number, amps: number, soc = NaN): Measured => ({
  at: Float64Array.from({ length: minutes }, (_, m) => MIDNIGHT + m * MINUTE),
  volts: new Float64Array(minutes).fill(12.6),
  amps: new Float64Array(minutes).fill(amps),
  soc: new Float64Array(minutes).fill(soc),
  further: {},
});

test('a day in 24 steps: an hour each, means of what falls in it', () => {
  const stretch = stretchOf(boat, bankId, flat(1440, -5), days, MIDNIGHT, MIDNIGHT + 1440 * MINUTE, 24);
  expect(stretch.stepMs).toBe(60 * MINUTE);
  expect(stretch.points).toHaveLength(24);
  expect(stretch.points.every((p) => p.amps === -5 && Math.abs((p.volts ?? 0) - 12.6) < 1e-9)).toBe(true);
  // By hand: 5 A for 24 h.
  expect(stretch.ah).toBeCloseTo(-120, 9);
  const hour = day.slice(8 * 60, 9 * 60).reduce((sum, s) => sum + s.amps, 0) / 60;
  expect(stretch.points[8]?.expectedA).toBeCloseTo(hour, 9);
  expect(stretch.expectedAh).toBeCloseTo(day.reduce((sum, s) => sum + s.amps, 0) / 60, 6);
});
test('no step is shorter than a minute', () => {
  const stretch = stretchOf(boat, bankId, flat(1440, 1), days, MIDNIGHT + 60 * MINUTE, MIDNIGHT + 70 * MINUTE);
  expect(stretch.points.map((p) => p.at)).toEqual(Array.from({ length: 10 }, (_, i) => MIDNIGHT + (60.5 + i) * MINUTE));
});
test('where nothing was measured there is none, and it is not counted', () => {
  const stretch = stretchOf(boat, bankId, flat(720, -5), days, MIDNIGHT, MIDNIGHT + 1440 * MINUTE, 24);
  expect(stretch.points[13]).toMatchObject({ amps: null, volts: null });
  expect(stretch.points[13]?.expectedA).not.toBeNull();
  // 720 minutes, and the last reading stands for two more.
  expect(stretch.ah).toBeCloseTo((-5 * 722) / 60, 9);
});
test('expected charge begins where the measured one stood that morning; without one there is none', () => {
  const stretch = stretchOf(boat, bankId, flat(1440, -5, 0.7), days, MIDNIGHT, MIDNIGHT + 1440 * MINUTE, 1440);
  expect(stretch.points[0]?.expectedSoc).toBeCloseTo(0.7, 9);
  expect(stretch.points[600]?.expectedSoc).toBeCloseTo(0.7 + (day[600]?.soc ?? 0) - (day[0]?.soc ?? 0), 9);
  const bare = stretchOf(boat, bankId, flat(1440, -5), days, MIDNIGHT, MIDNIGHT + 1440 * MINUTE, 24);
  expect(bare.points.every((p) => p.soc === null && p.expectedSoc === null)).toBe(true);
});
test('a day of no way of living has nothing expected', () => {
  const stretch = stretchOf(boat, bankId, flat(1440, -5), [], MIDNIGHT, MIDNIGHT + 1440 * MINUTE, 24);
  expect(stretch.points.every((p) => p.expectedA === null && p.expectedV === null)).toBe(true);
  expect([stretch.ah, stretch.expectedAh]).toEqual([0, 0]);
});

test('what is read every ten minutes stands for the time between; once nothing is read any more, for half an hour', () => {
  const every = (minutes: number, step: number): Measured => {
    const n = minutes / step;
    return { ...flat(n, -5, 0.7), at: Float64Array.from({ length: n }, (_, i) => MIDNIGHT + i * step * MINUTE) };
  };
  const stretch = stretchOf(boat, bankId, every(1440, 10), days, MIDNIGHT, MIDNIGHT + 1440 * MINUTE);
  expect(stretch.points.every((p) => p.amps === -5)).toBe(true);
  // By hand: 5 A for 24 h, however seldom it is read.
  expect(stretch.ah).toBeCloseTo(-120, 9);
  const [whole] = besideDays(boat, bankId, every(1440, 10));
  expect([whole?.outAh, whole?.part]).toEqual([expect.closeTo(120, 6), 1]);
  // Half a day: the last reading stands for half an hour more.
  expect(stretchOf(boat, bankId, every(720, 10), days, MIDNIGHT, MIDNIGHT + 1440 * MINUTE).ah).toBeCloseTo((-5 * (710 + 30)) / 60, 9);
});
test('in long steps only the minutes count of which both are known', () => {
  const year = stretchOf(boat, bankId, flat(720, -5), days, MIDNIGHT, MIDNIGHT + 30 * 1440 * MINUTE, 20);
  expect(Math.abs(year.ah + 60)).toBeLessThan(0.5);
  const known = day.slice(0, 722).reduce((sum, s) => sum + s.amps, 0) / 60;
  expect(Math.abs(year.expectedAh - known)).toBeLessThan(2);
});
