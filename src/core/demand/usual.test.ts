import fc from 'fast-check';
import { blankLoad, type Load } from '../design';
import { onPart, usualA } from './usual';

const load = (change: Partial<Load>): Load => ({ ...blankLoad('x', 12), ...change });

describe('what usually flows in a shared part', () => {
  // Ten of 1 A, each on three tenths of the time: mean 3, variance 10 x 0.3 x 0.7 = 2.1, 3 + 1.645 x 1.449 = 5.38 A.
  test('ten alike by hand', () => expect(usualA(Array.from({ length: 10 }, () => ({ currentA: 1, onPart: 0.3 })))).toBeCloseTo(5.384, 3));
  test('what is always on is always counted, and alone nothing else is', () => {
    expect(usualA([{ currentA: 4, onPart: 1 }])).toBe(4);
    expect(usualA([])).toBe(0);
  });
  test('never above all of them, never below what is always on, and more with one more', () => {
    const item = fc.record({ currentA: fc.double({ min: 0, max: 50, noNaN: true }), onPart: fc.double({ min: 0, max: 1, noNaN: true }) });
    fc.assert(
      fc.property(fc.array(item, { maxLength: 30 }), item, (items, more) => {
        const amps = usualA(items);
        expect(amps).toBeLessThanOrEqual(items.reduce((s, i) => s + i.currentA, 0) + 1e-9);
        expect(amps).toBeGreaterThanOrEqual(items.reduce((s, i) => s + (i.onPart >= 1 ? i.currentA : 0), 0) - 1e-9);
        expect(usualA([...items, more])).toBeGreaterThanOrEqual(amps - 1e-9);
      }),
    );
  });
});

describe('how much of the time a load is on', () => {
  test('by its hours over those they fall in', () => {
    expect(onPart(load({ hours: { day: 6 } }))).toBeCloseTo(0.25, 9);
    expect(onPart(load({ hours: { day: 6 }, when: { day: 'by night' } }))).toBeCloseTo(0.5, 9);
  });
  test('the way of living that uses it most counts', () => expect(onPart(load({ hours: { a: 2, b: 12 } }))).toBeCloseTo(0.5, 9));
  test('without hours as its kind usually is', () => {
    expect(onPart(load({ group: 'navigation' }))).toBe(1);
    expect(onPart(load({ group: 'refrigeration', runsLong: true }))).toBe(0.4);
    expect(onPart(load({ group: 'electronics', runsLong: true }))).toBe(1);
  });
  test('what runs for minutes, and what charges, never', () => {
    expect(onPart(load({ group: 'deck', duty: { onS: 60, restS: 60, repeats: 2 } }))).toBe(0);
    expect(onPart(load({ group: 'charging', hours: { day: 8 } }))).toBe(0);
  });
});
