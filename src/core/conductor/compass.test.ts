import { deviationDeg } from './compass';

describe('what a pair does to a compass', () => {
  it('is the field of two currents apart over the earth’s: 10 A, 4.3 mm, at 0.5 m', () => {
    // s = 4 × 4.3 mm = 17.2 mm: 2e-7 × 10 × 0.0172 / 0.25 = 1.376e-7 T; atan(1.376e-7 / 20e-6) = 0.394°.
    expect(deviationDeg(10, 4.3, 0.5, false)).toBeCloseTo(0.394, 3);
  });
  it('falls with the square of the distance, not nearer than 0.3 m, and to a fiftieth when twisted', () => {
    expect(deviationDeg(10, 4.3, 1, false)).toBeCloseTo(0.394 / 4, 3);
    expect(deviationDeg(10, 4.3, 0, false)).toBe(deviationDeg(10, 4.3, 0.3, false));
    expect(deviationDeg(10, 4.3, 0.5, true)).toBeCloseTo(0.394 / 50, 4);
  });
});
