import fc from 'fast-check';
import { blankDesign } from '@/core/design';
import { bottom, halfBeam, planOutline, profileOutline, sheer } from './hull';

const figures = fc.record({ length: fc.double({ min: 3, max: 60, noNaN: true }), beam: fc.double({ min: 1, max: 20, noNaN: true }) });

test('the plan is as long and as beamy as she is, and the same on both sides', () => {
  fc.assert(
    fc.property(figures, ({ length, beam }) => {
      const points = planOutline(blankDesign('x', 'metric', length, beam, 12).boat);
      const xs = points.map(([x]) => x);
      const ys = points.map(([, y]) => y);
      expect(Math.max(...xs)).toBeCloseTo(length, 9);
      expect(Math.min(...xs)).toBe(0);
      // The drawing's forty steps pass her fullest station by a hair.
      expect(Math.max(...ys) / (beam / 2)).toBeCloseTo(1, 3);
      expect(Math.min(...ys)).toBe(-Math.max(...ys));
      expect(points.flat().every(Number.isFinite)).toBe(true);
    }),
  );
});
test('the profile reaches her draft, and her freeboard stands above water all along', () => {
  fc.assert(
    fc.property(figures, ({ length, beam }) => {
      const { boat } = blankDesign('x', 'metric', length, beam, 12);
      const points = profileOutline(boat);
      expect(Math.min(...points.map(([, z]) => z))).toBeCloseTo(-boat.draftM, 9);
      expect(points.flat().every(Number.isFinite)).toBe(true);
      for (let f = 0; f <= 1; f += 0.1) {
        expect(sheer(boat, f)).toBeGreaterThan(0);
        expect(bottom(boat, f)).toBeLessThanOrEqual(0);
      }
    }),
  );
});
test('she is fullest before amidships and fine at the bow', () => {
  expect(halfBeam(0.42)).toBeCloseTo(1, 9);
  expect(halfBeam(1)).toBe(0);
  expect(halfBeam(0)).toBeCloseTo(0.72, 9);
});
