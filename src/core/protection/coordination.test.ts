import fc from 'fast-check';
import { DC_FAMILIES, findFamily } from '../rules';
import { curveSamples, type Device, selectivity } from './coordination';
import { openingTime } from './curve';

const device = (id: string, ratingA: number): Device => {
  const family = findFamily(id);
  if (!family) throw new Error(id);
  return { family, ratingA };
};

describe('by hand', () => {
  test('a 10 A blade under a 200 A cube is alone up to a fault where the cube may be as quick', () => {
    // At 1000 A the blade is at 100 x: 0.1 s x (6/100)² = 0.00036 s; the cube at 5 x is no quicker than 0.05 s.
    expect(openingTime(device('blade', 10).family, 100).slowestS).toBeCloseTo(0.00036, 6);
    expect(selectivity(device('terminal-cube', 200), device('blade', 10), 1000)).toEqual({ verdict: 'selective', untilA: null });
  });
  test('two fuses alike never are', () => {
    expect(selectivity(device('blade', 15), device('blade', 15), 800)).toMatchObject({ verdict: 'never' });
  });
  test('a smaller one above never is', () => {
    expect(selectivity(device('blade', 10), device('blade', 20), 800).verdict).toBe('never');
  });
  test('a breaker of 0.005 to 0.05 s under a fuse is alone only up to some fault', () => {
    const s = selectivity(device('strip-SF30', 100), device('panel-breaker', 20), 5000);
    expect(s.verdict).toBe('up to');
    expect(s.untilA).toBeGreaterThan(200);
    expect(s.untilA).toBeLessThan(5000);
  });
  test('a fault too small to open the lower one decides nothing', () => {
    expect(selectivity(device('blade', 20), device('blade', 20), 10)).toEqual({ verdict: 'selective', untilA: null });
  });
  test('what the upper carries besides brings it nearer to opening', () => {
    const alone = selectivity(device('strip-SF30', 100), device('panel-breaker', 20), 5000);
    const loaded = selectivity(device('strip-SF30', 100), device('panel-breaker', 20), 5000, 80);
    expect(loaded.untilA).toBeLessThanOrEqual(alone.untilA ?? 0);
  });
});

describe('whatever the pair', () => {
  const any = fc
    .constantFrom(...DC_FAMILIES)
    .chain((family) => fc.constantFrom(...family.ratingsA).map((ratingA): Device => ({ family, ratingA })));
  test('selective means that nowhere in the range the upper may be as quick', () =>
    fc.assert(
      fc.property(
        any,
        any,
        fc.double({ min: 50, max: 10000, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (upper, lower, largest, at) => {
          const s = selectivity(upper, lower, largest);
          const must = (lower.family.curve.find((p) => p.slowestS !== null)?.multiple ?? Infinity) * lower.ratingA;
          const top = s.untilA === null ? largest : s.untilA / 1.02;
          if (s.verdict === 'never' || top <= must) return;
          const amps = must * (top / must) ** at;
          const up = openingTime(upper.family, amps / upper.ratingA).fastestS;
          const low = openingTime(lower.family, amps / lower.ratingA).slowestS;
          expect(up === null || (low !== null && up >= low * 0.97)).toBe(true);
        },
      ),
    ));
  test('a larger fault never makes it more selective', () =>
    fc.assert(
      fc.property(
        any,
        any,
        fc.double({ min: 50, max: 5000, noNaN: true }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (upper, lower, a, by) => {
          const rank = { selective: 2, 'up to': 1, never: 0 };
          expect(rank[selectivity(upper, lower, a * by).verdict]).toBeLessThanOrEqual(rank[selectivity(upper, lower, a).verdict]);
        },
      ),
    ));
  test('a device’s band falls as the current rises, and is never upside down', () =>
    fc.assert(
      fc.property(any, (d) => {
        const samples = curveSamples(d, d.ratingA, 40 * d.ratingA, 40);
        for (const [i, s] of samples.entries()) {
          if (s.fastestS !== null && s.slowestS !== null) expect(s.fastestS).toBeLessThanOrEqual(s.slowestS);
          const before = samples[i - 1];
          if (before?.fastestS != null && s.fastestS !== null) expect(s.fastestS).toBeLessThanOrEqual(before.fastestS * (1 + 1e-9));
        }
      }),
    ));
});
