import fc from 'fast-check';
import cases from '../cases.json';
import { type Bank, blankBank, LINK_WAYS } from '../design';
import { rowShares, sharingOf, takeOff, unevenness, usualLink } from './sharing';

interface Case {
  readonly id: string;
  readonly relTol: number;
  readonly given: {
    readonly link_ohm_each_rail: readonly number[];
    readonly block_ohm: readonly number[];
    readonly current_A: number;
    readonly positive_takeoff_at: number;
    readonly negative_takeoff_at: number;
  };
  readonly expect: { readonly block_A: readonly number[]; readonly worst_over_mean: number };
}
const ours = (cases as unknown as Case[]).filter((c) => c.id.startsWith('sharing')).map((c) => [c.id, c] as const);

test.each(ours)('%s', (_, { given, expect: wanted, relTol }) => {
  const amps = rowShares({
    linkOhms: given.link_ohm_each_rail,
    blockOhms: given.block_ohm,
    emfV: given.block_ohm.map(() => 12.7),
    currentA: given.current_A,
    positiveAt: given.positive_takeoff_at,
    negativeAt: given.negative_takeoff_at,
  });
  amps.forEach((a, i) => {
    expect(Math.abs(a / (wanted.block_A[i] ?? NaN) - 1)).toBeLessThan(relTol);
  });
  expect(Math.abs(unevenness(amps) / wanted.worst_over_mean - 1)).toBeLessThan(relTol);
});

const bank = (strings: number, links: Partial<Bank['links']> = {}, change: Partial<Bank> = {}): Bank => {
  const blank = blankBank('house', 12, null);
  return { ...blank, strings, links: { ...blank.links, ...links }, ...change };
};
const of = (b: Bank, amps = 120) => {
  const s = sharingOf(b, 'metric', amps);
  if (!s) throw new Error('nothing is shared');
  return s;
};

describe('by hand', () => {
  test('two strings diagonally are even, at one end not: 2 x 0.4 mohm against 4 mohm each', () => {
    const two = { linkOhms: [0.0004], blockOhms: [0.004, 0.004], emfV: [12.7, 12.7], currentA: 88 };
    // Near one through 4 mohm, far one through 4.8 mohm: 88 x 4.8 / 8.8 and 88 x 4 / 8.8.
    expect(rowShares({ ...two, positiveAt: 1, negativeAt: 1 })).toEqual([expect.closeTo(48, 9), expect.closeTo(40, 9)]);
    expect(rowShares({ ...two, positiveAt: 1, negativeAt: 2 })).toEqual([expect.closeTo(44, 9), expect.closeTo(44, 9)]);
  });
  test('a link is copper and two joints: 0.3 m of 70 mm² and 0.06 mohm', () => {
    expect(usualLink('metric')).toBe('70');
    const s = of(bank(4));
    expect(s.linkOhm).toBeGreaterThan(0.0003 * 0.25 + 0.00006);
    expect(s.linkOhm).toBeLessThan(0.0003 * 0.29 + 0.00006);
    expect(s.postsV).toBeLessThan(12.9);
  });
});

test('where each way takes off', () => {
  expect(LINK_WAYS.map((w) => takeOff(w, 4))).toEqual([
    { positiveAt: 1, negativeAt: 1 },
    { positiveAt: 1, negativeAt: 4 },
    { positiveAt: 2, negativeAt: 3 },
    { positiveAt: 1, negativeAt: 1 },
  ]);
  expect(takeOff('middle', 5)).toEqual({ positiveAt: 3, negativeAt: 3 });
});

describe('a bank', () => {
  test('of one string shares nothing; a size nobody sells falls back on the usual', () => {
    expect(sharingOf(bank(1), 'metric', 50)).toBeUndefined();
    expect(of(bank(2, { size: '71' })).size).toBe('70');
  });
  test('on bars is even; at one end the near string works hardest; the best way comes first', () => {
    const s = of(bank(4, { way: 'one end', size: '25', lengthM: 0.4 }));
    expect(s.strings[0]?.ofMean).toBeCloseTo(s.worstOverMean, 9);
    expect(s.worstOverMean).toBeGreaterThan(1.1);
    expect(s.ways[0]).toMatchObject({ way: 'bus bars', worstOverMean: expect.closeTo(1, 6) as number });
    for (const w of s.ways) expect(w.amps.reduce((sum, x) => sum + x, 0)).toBeCloseTo(s.currentA, 6);
    expect(s.ways.find((w) => w.way === s.way)?.amps).toEqual(s.strings.map((x) => x.amps));
    expect(s.ways[s.ways.length - 1]?.way).toBe('one end');
  });
  test('what size would do in the same way is told, and does', () => {
    const s = of(bank(3, { way: 'one end', size: '16', lengthM: 0.3 }));
    expect(s.sizeWanted).not.toBeNull();
    expect(of(bank(3, { way: 'one end', size: s.sizeWanted, lengthM: 0.3 })).worstOverMean).toBeLessThanOrEqual(1.1);
    expect(of(bank(2)).sizeWanted).toBeNull();
  });
  test('after an hour the strings have drawn nearer to each other, and the hour adds up', () => {
    const s = of(bank(4, { way: 'one end', size: '25', lengthM: 0.4 }));
    expect(unevenness(s.strings.map((x) => x.afterHourA))).toBeLessThan(s.worstOverMean);
    expect(s.strings.reduce((sum, x) => sum + x.hourAh, 0)).toBeCloseTo(120, 6);
  });
  test('series strings share as one block of their sum', () => {
    const six = of(bank(2, { way: 'one end' }, { blockV: 6, series: 2 }));
    expect(six.stringOhm).toBeCloseTo(of(bank(2, { way: 'one end' })).stringOhm, 9);
  });
});

describe('whatever the bank', () => {
  const any = fc.record({
    strings: fc.integer({ min: 2, max: 16 }),
    way: fc.constantFrom(...LINK_WAYS),
    lengthM: fc.double({ min: 0.02, max: 2, noNaN: true }),
    size: fc.constantFrom('16', '35', '70', '120'),
    amps: fc.double({ min: 1, max: 400, noNaN: true }),
  });
  test('the strings give what is drawn, none is charged by the others while they are equal, diagonal is never worse than one end', () =>
    fc.assert(
      fc.property(any, ({ strings, way, lengthM, size, amps }) => {
        const s = of(bank(strings, { way, lengthM, size }), amps);
        expect(s.strings.reduce((sum, x) => sum + x.amps, 0)).toBeCloseTo(amps, 6);
        for (const x of s.strings) expect(x.amps).toBeGreaterThan(-1e-9);
        const ratio = (w: string) => s.ways.find((x) => x.way === w)?.worstOverMean ?? NaN;
        expect(ratio('diagonal')).toBeLessThanOrEqual(ratio('one end') + 1e-9);
        expect(ratio('bus bars')).toBeCloseTo(1, 6);
      }),
      { numRuns: 40 },
    ));
  test('more current makes it no more even: the shares are the same', () =>
    fc.assert(
      fc.property(any, ({ strings, way, lengthM, size, amps }) => {
        const b = bank(strings, { way, lengthM, size });
        expect(of(b, 2 * amps).worstOverMean).toBeCloseTo(of(b, amps).worstOverMean, 6);
      }),
      { numRuns: 25 },
    ));
});
