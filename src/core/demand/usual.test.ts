import fc from 'fast-check';
import { blankLiving, blankLoad, type Load } from '../design';
import { dayHours, inUseBy } from './hours';
import { forSafety, type Usual, usualA, usualBy } from './usual';

const load = (change: Partial<Load>): Load => ({ ...blankLoad('x', 12), ...change });
const item = (currentA: number, p: number, more: Partial<Usual> = {}): Usual => ({
  currentA,
  use: [p],
  safety: false,
  brief: false,
  charging: false,
  ...more,
});

describe('what usually flows in a shared part', () => {
  // Ten of 1 A, each on three tenths of the time: mean 3, variance 10 x 0.3 x 0.7 = 2.1, 3 + 1.645 x 1.449 = 5.38 A.
  test('ten alike by hand', () => expect(usualA(Array(10).fill(item(1, 0.3)), 0, false)).toBeCloseTo(5.384, 3));
  test('what is always on is always counted, and alone nothing else is', () => {
    expect(usualA([item(4, 1)], 0, false)).toBe(4);
    expect(usualA([], 0, false)).toBe(0);
  });
  test('what runs for minutes, and what charges, never', () =>
    expect(usualA([item(4, 1), item(80, 1, { brief: true }), item(50, 1, { charging: true })], 0, true)).toBe(4));
  test('what is for safety is on where something for safety is tested', () => {
    // A bilge pump of 6 A on 3 of 100, with 4 A that is always on: 4 + 0.18 + 1.645 x 6 x sqrt(0.03 x 0.97) = 5.86 A; with it on, 10 A.
    const items = [item(4, 1), item(6, 0.03, { safety: true })];
    expect(usualA(items, 0, false)).toBeCloseTo(5.8638, 3);
    expect(usualA(items, 0, true)).toBe(10);
    expect(usualBy(items, 1)).toEqual([usualA(items, 0, false), 10]);
  });
  test('never above all of them, never below what is always on, and more with one more', () => {
    const one = fc
      .record({ currentA: fc.double({ min: 0, max: 50, noNaN: true }), p: fc.double({ min: 0, max: 1, noNaN: true }) })
      .map((x) => item(x.currentA, x.p));
    fc.assert(
      fc.property(fc.array(one, { maxLength: 30 }), one, (items, more) => {
        const amps = usualA(items, 0, false);
        expect(amps).toBeLessThanOrEqual(items.reduce((s, i) => s + i.currentA, 0) + 1e-9);
        expect(amps).toBeGreaterThanOrEqual(items.reduce((s, i) => s + ((i.use[0] ?? 0) >= 1 ? i.currentA : 0), 0) - 1e-9);
        expect(usualA([...items, more], 0, false)).toBeGreaterThanOrEqual(amps - 1e-9);
      }),
    );
  });
});

describe('the hours of a day', () => {
  const span = (what: 'sun' | 'engine', fromH: number, toH: number) => ({ id: `${what}${fromH}`, what, fromH, toH, level: 0 });
  const anchor = { ...blankLiving('a', 'At anchor'), day: [span('sun', 7, 19), span('engine', 8, 10)] };
  const under = { ...blankLiving('p', 'Passage'), day: [] };
  const hours = dayHours([anchor, under]);
  test('night, day, and day with the engine running at anchor; night and day on passage', () =>
    expect(hours.map((h) => h.name)).toEqual([
      'At anchor, by night',
      'At anchor, by day',
      'At anchor, by day, engine running',
      'Passage, by night',
      'Passage, by day',
    ]));
  test('hours over those they fall in, and nothing outside', () => {
    // Six hours by night in the twelve of the night; two by the engine in its two; six at any time in twenty-four.
    expect(inUseBy(load({ hours: { a: 6 }, when: { a: 'by night' } }), hours)).toEqual([0.5, 0, 0, 0, 0]);
    expect(inUseBy(load({ hours: { a: 2 }, when: { a: 'engine running' } }), hours)).toEqual([0, 0, 1, 0, 0]);
    expect(inUseBy(load({ hours: { a: 6 } }), hours)).toEqual([0.25, 0.25, 0.25, 0, 0]);
  });
  test('more hours than the window has spill over into the rest', () =>
    // Fifteen by night: all twelve, and three of the twelve by day.
    expect(inUseBy(load({ hours: { a: 15 }, when: { a: 'by night' } }), hours)).toEqual([1, 0.25, 0.25, 0, 0]));
  test('what runs on and on is on where it is in use; a refrigerator is not', () => {
    expect(inUseBy(load({ runsLong: true, hours: { p: 8 }, group: 'electronics' }), hours)).toEqual([0, 0, 0, 1, 1]);
    expect(inUseBy(load({ runsLong: true, hours: { p: 8 }, group: 'refrigeration' }), hours)[4]).toBeCloseTo(1 / 3, 9);
  });
  test('without hours anywhere as its kind usually is, also where there is no way of living', () => {
    expect(inUseBy(load({ group: 'navigation' }), hours)).toEqual([1, 1, 1, 1, 1]);
    expect(inUseBy(load({ group: 'lights', hours: { gone: 8 } }), dayHours([]))).toEqual([0.3]);
  });
});

test('for safety by kind, a name as a suggestion in other languages too', () => {
  expect(['Lenzpumpe', 'VHF', 'Pilote automatique', 'Feu de route'].map((name) => forSafety(load({ name })))).toEqual([
    true,
    true,
    true,
    true,
  ]);
  expect(['Cabin lights', 'Refrigerator'].map((name) => forSafety(load({ name })))).toEqual([false, false]);
});
