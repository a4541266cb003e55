import fc from 'fast-check';
import { prepare } from './flow';
import type { Network } from './network';
import { shortsOf } from './shorts';

const radial: Network = {
  branches: [
    { id: 'out', a: 'post', b: 'far', ohm: 0.03 },
    { id: 'back', a: 'far-', b: 'post-', ohm: 0.02 },
    { id: 'open', a: 'beyond', b: 'beyond2', ohm: 0.01 },
  ],
  banks: [{ id: 'bank', plus: 'post', minus: 'post-', emfV: 12.8, ohm: 0.01 }],
  sources: [],
  loads: [],
};

describe('prospective fault current', () => {
  test('at the posts and at the far end, by hand', () => {
    const [post, far, across] = shortsOf(prepare(radial), [
      ['post', 'post-'],
      ['far', 'far-'],
      ['far', 'post-'],
    ]);
    // 12.8 / 0.01; 12.8 / 0.06; to the negative at the post 12.8 / 0.04.
    expect(post?.amps).toBeCloseTo(1280, 6);
    expect(far?.amps).toBeCloseTo(213.333, 3);
    expect(across?.ohm).toBeCloseTo(0.04, 9);
  });
  test('what nothing feeds has none', () => {
    const [dead, gone] = shortsOf(prepare(radial), [
      ['beyond', 'post-'],
      ['nowhere', 'post-'],
    ]);
    expect(dead).toEqual({ openV: NaN, ohm: NaN, amps: 0 });
    expect(gone?.amps).toBe(0);
  });
  test('two banks on one bus add up: 12.8 V behind 10 and 12.8 V behind 15 milliohm give 2133 A', () => {
    const [at] = shortsOf(
      prepare({
        branches: [
          { id: 'a', a: 'a+', b: 'bus', ohm: 0.001 },
          { id: 'b', a: 'b+', b: 'bus', ohm: 0.001 },
        ],
        banks: [
          { id: 'a', plus: 'a+', minus: '-', emfV: 12.8, ohm: 0.009 },
          { id: 'b', plus: 'b+', minus: '-', emfV: 12.8, ohm: 0.014 },
        ],
        sources: [],
        loads: [],
      }),
      [['bus', '-']],
    );
    expect(at?.amps).toBeCloseTo(1280 + 12.8 / 0.015, 6);
  });
  test('is never larger further out, and is volts over ohms', () =>
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0.0001, max: 0.2, noNaN: true }), { minLength: 1, maxLength: 30 }), (ohms) => {
        const chain: Network = {
          branches: ohms.map((ohm, i) => ({ id: `b${i}`, a: `n${i}`, b: `n${i + 1}`, ohm })),
          banks: [{ id: 'k', plus: 'n0', minus: '-', emfV: 12.6, ohm: 0.004 }],
          sources: [],
          loads: [],
        };
        const amps = shortsOf(
          prepare(chain),
          ohms.map((_, i) => [`n${i + 1}`, '-'] as const),
        ).map((s) => s.amps);
        let ohm = 0.004;
        amps.forEach((a, i) => {
          ohm += ohms[i] ?? 0;
          expect(a).toBeCloseTo(12.6 / ohm, 5);
          if (i > 0) expect(a).toBeLessThanOrEqual(amps[i - 1] ?? 0);
        });
      }),
    ));
});
