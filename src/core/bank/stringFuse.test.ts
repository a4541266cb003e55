import { blankBank } from '../design';
import { stringFuse } from './stringFuse';

const bank = (strings: number, shortCircuitA = 6000, way: 'bus bars' | 'one end' = 'bus bars') => {
  const blank = blankBank('house', 12, 'saloon');
  return { ...blank, chemistry: 'lfp' as const, strings, shortCircuitA, links: { ...blank.links, way } };
};

describe('a fuse at each of several batteries', () => {
  test('by hand: two that share 160 A evenly carry 80 A; 1.25 times is 100 A, but with one open the other carries 160 A: 175 A', () => {
    const fuse = stringFuse(bank(2), 'metric', 160);
    expect(fuse?.shareA).toBeCloseTo(80, 6);
    expect(fuse?.leastA).toBeCloseTo(100, 6);
    expect(fuse?.oneOpenA).toBe(160);
    expect(fuse?.ratingA).toBe(175);
  });
  test('four: with one open the others carry a third each, less than 1.25 shares', () => {
    const fuse = stringFuse(bank(4), 'metric', 160);
    expect(fuse?.oneOpenA).toBeCloseTo(160 / 3, 9);
    expect(fuse?.ratingA).toBe(60);
  });
  test('the short at one battery is what the others bring: of four with 20 kA together 15 kA, of two as much as its own, half', () => {
    expect(stringFuse(bank(4, 20000), 'metric', 100)?.faultA).toBeCloseTo(15000, 6);
    expect(stringFuse(bank(2, 20000), 'metric', 100)?.faultA).toBeCloseTo(10000, 6);
    expect(stringFuse(bank(2), 'metric', 100)?.interruptsA).toBe(20000);
  });
  test('uneven links ask for more', () =>
    expect(stringFuse(bank(4, 6000, 'one end'), 'metric', 160)?.shareA).toBeGreaterThan(
      (stringFuse(bank(4), 'metric', 160)?.shareA ?? 0) * 1.01,
    ));
  test('one battery alone has none; more than is made is said by null', () => {
    expect(stringFuse(bank(1), 'metric', 100)).toBeUndefined();
    expect(stringFuse(bank(2), 'metric', 2000)?.ratingA).toBeNull();
  });
});
