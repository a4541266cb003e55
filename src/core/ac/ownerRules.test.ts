/** The owner's rules: never a set that opens a breaker, over all of them. */
import fc from 'fast-check';
import { AC_APPLIANCES } from '../design';
import { allows, ownerRules, type OwnerRules } from './ownerRules';
import { type AcLimit, type BreakerLimit, type Consumer, fits, largestSets } from './together';

const load = (id: string, watts: number, more: Partial<Consumer> = {}): Consumer => ({
  id,
  watts,
  powerFactor: 1,
  continuous: false,
  leg: 'first',
  notWith: null,
  keep: 0,
  ...more,
});
const shore = (amps: number, more: Partial<AcLimit> = {}): AcLimit => ({
  legs: 1,
  volts: 230,
  amps,
  continuousPart: 1,
  kw: null,
  kva: null,
  ...more,
});
const rulesOf = (loads: readonly Consumer[], limit: AcLimit): OwnerRules => {
  const rules = ownerRules(loads, limit);
  if (!rules) throw new Error('too many loads');
  return rules;
};
const said = ({ rules }: OwnerRules) => rules.map((r) => `${r.kind}${r.kind === 'at most' ? ` ${r.most}` : ''}: ${r.ids.join(', ')}`);

describe('by hand, 16 A at 230 V: 3680 VA', () => {
  test('three large ones are one at a time, a small one always fine', () =>
    expect(said(rulesOf([load('kettle', 2000), load('oven', 2200), load('heater', 1900), load('tv', 100)], shore(16)))).toEqual([
      'always fine: tv',
      'one at a time: kettle, oven, heater',
    ]));
  test('two that clash are either or', () =>
    expect(said(rulesOf([load('kettle', 2000), load('oven', 2200)], shore(16)))).toEqual(['either or: kettle, oven']));
  test('of four of 1500 W at most two', () =>
    expect(
      said(
        rulesOf(
          ['a', 'b', 'c', 'd'].map((id) => load(id, 1500)),
          shore(16),
        ),
      ),
    ).toEqual(['at most 2: a, b, c, d']));
  test('the large one is not with either of two that run together', () =>
    expect(said(rulesOf([load('oven', 3000), load('kettle', 1500), load('iron', 1400)], shore(16)))).toEqual([
      'not with: oven, kettle, iron',
    ]));
  test('what does not fit alone never runs; everything else at once is always fine', () => {
    const rules = rulesOf([load('sauna', 6000), load('tv', 100), load('lamp', 60)], shore(16));
    expect(rules.never).toEqual(['sauna']);
    expect(said(rules)).toEqual(['always fine: tv, lamp']);
  });
  test('kettle and coffee maker on one branch of 10 A are either or, however large the inlet', () => {
    const branch: BreakerLimit = { id: 'b', name: 'b', amps: 10, continuousPart: 1, members: new Set(['kettle', 'coffee']) };
    const rules = rulesOf([load('kettle', 2000), load('coffee', 1000), load('tv', 100)], shore(63, { breakers: [branch] }));
    expect(said(rules)).toEqual(['always fine: tv', 'either or: kettle, coffee']);
  });
  test('eight usual appliances on 16 A: every largest set, in nine rules; on a crowded inlet most of them, and never one that does not fit', () => {
    const usual = (n: number) => AC_APPLIANCES.slice(0, n).map((a) => load(a.name, a.watts, { powerFactor: a.powerFactor }));
    expect(rulesOf(usual(8), shore(16))).toMatchObject({ allowed: 1, also: [] });
    expect(rulesOf(usual(8), shore(16)).rules).toHaveLength(9);
    const ten = rulesOf(usual(10), shore(16));
    expect(ten.allowed).toBeGreaterThan(0.9);
    expect(ten.also.length).toBeGreaterThan(0);
    // The same every time.
    expect(rulesOf(usual(10), shore(16))).toEqual(ten);
  });
  test('where five kinds of rules leave too little, watts are added up', () => {
    const many = [2000, 1700, 1500, 1300, 1100, 900, 800, 700, 500, 300].map((w) => load(`w${w}`, w));
    const rules = rulesOf(many, shore(16));
    const [first] = rules.rules;
    expect(first).toMatchObject({ kind: 'add up', ids: many.map((l) => l.id) });
    // All are whole hundreds, and so is what they count for: 3680 W are 36 of them.
    expect(first).toMatchObject({ most: 3600, watts: many.map((l) => l.watts) });
    expect(rules.allowed).toBeGreaterThanOrEqual(0.95);
    expect(allows(rules, ['w2000', 'w1300'])).toBe(true);
    expect(allows(rules, ['w2000', 'w1700'])).toBe(false);
  });
  test('beside a count of watts a branch that would open, and two of which one may run, have rules of their own', () => {
    const many = [2000, 1700, 1500, 1300, 1100, 900, 800, 700, 500, 300].map((w) =>
      load(`w${w}`, w, { notWith: w === 300 || w === 500 ? 'x' : null }),
    );
    const branch: BreakerLimit = { id: 'b', name: 'b', amps: 10, continuousPart: 1, members: new Set(['w1700', 'w1500']) };
    const rules = rulesOf(many, shore(20, { breakers: [branch] }));
    expect(rules.rules[0]?.kind).toBe('add up');
    expect(said(rules).slice(1)).toEqual(['either or: w1700, w1500', 'either or: w500, w300']);
    expect(allows(rules, ['w1700', 'w1500'])).toBe(false);
    expect(allows(rules, ['w500', 'w300'])).toBe(false);
  });
  test('what a generator is short of are watts: counted as such, whatever the power factor', () => {
    // 3600 W and 4500 VA: 1500 W at 0.8 are 1875 VA, and count for their watts.
    const many = [1800, 1500, 1300, 1200, 1100, 900, 800, 700, 600, 500, 400, 300].map((w, i) =>
      load(`w${w}`, w, { powerFactor: i % 3 === 1 ? 0.8 : 1 }),
    );
    const rules = rulesOf(many, shore(20, { kw: 3.6, kva: 4.5 }));
    expect(rules.rules[0]).toMatchObject({ kind: 'add up', most: 3600, watts: many.map((l) => l.watts) });
    expect(rules.allowed).toBeGreaterThanOrEqual(0.95);
    expect(allows(rules, ['w1800', 'w1500', 'w300'])).toBe(true);
    expect(allows(rules, ['w1800', 'w1500', 'w400'])).toBe(false);
  });
  test('on a split service each leg is added up by itself, what lies between them half on each', () => {
    const many = [2000, 1800, 1600, 1500, 1300, 1200, 1000, 900, 800, 700, 600, 500].map((w, i) =>
      load(`w${w}`, w, { leg: i % 3 === 0 ? 'first' : i % 3 === 1 ? 'second' : 'both' }),
    );
    const rules = rulesOf(many, shore(30, { legs: 2, volts: 120 }));
    const legs = rules.rules.filter((r) => r.kind === 'add up');
    expect(legs.map((r) => [r.leg, r.most])).toEqual([
      ['first', 3600],
      ['second', 3600],
    ]);
    // 1600 W between the legs are 800 on each; 2000 W on the first alone.
    expect(legs[0]?.ids).not.toContain('w1800');
    expect(legs[0]?.watts?.[legs[0].ids.indexOf('w1600')]).toBe(800);
    expect(legs[1]?.watts?.[legs[1].ids.indexOf('w1600')]).toBe(800);
    expect(rules.allowed).toBeGreaterThanOrEqual(0.95);
    // First leg: 2000 + 800 + 800 W are let by where 3600 W fit.
    expect(allows(rules, ['w2000', 'w1600', 'w1200'])).toBe(true);
    expect(allows(rules, ['w2000', 'w1500', 'w1600'])).toBe(false);
  });
  test('more than eighteen are not gone through', () =>
    expect(
      ownerRules(
        Array.from({ length: 19 }, (_, i) => load(`l${i}`, 100)),
        shore(16),
      ),
    ).toBeNull());
});

const anyLoads = fc
  .array(
    fc.record({
      watts: fc.integer({ min: 20, max: 3000 }),
      powerFactor: fc.constantFrom(1, 0.95, 0.8),
      continuous: fc.boolean(),
      leg: fc.constantFrom('first' as const, 'second' as const, 'both' as const),
      notWith: fc.option(fc.constantFrom('x', 'y')),
      keep: fc.constant(1),
    }),
    { maxLength: 11 },
  )
  .map((rows) => rows.map((r, i): Consumer => ({ id: `l${i}`, ...r })));
const anyLimit = fc.record({
  legs: fc.constantFrom(1 as const, 2 as const),
  volts: fc.constantFrom(120, 230),
  amps: fc.integer({ min: 5, max: 60 }),
  continuousPart: fc.constantFrom(0.8, 1),
  kw: fc.option(fc.double({ min: 1, max: 12, noNaN: true })),
  kva: fc.constant(null),
  breakers: fc.array(
    fc.record({ amps: fc.integer({ min: 4, max: 40 }), mask: fc.integer({ min: 1, max: 2047 }) }).map(({ amps, mask }): BreakerLimit => ({
      id: String(mask),
      name: String(mask),
      amps,
      continuousPart: 1,
      members: new Set(Array.from({ length: 11 }, (_, i) => i).flatMap((i) => (mask & (1 << i) ? [`l${i}`] : []))),
    })),
    { maxLength: 4 },
  ),
});

test('over all 2^n sets nothing is allowed that does not fit; at most twelve rules and one of what is always fine', () =>
  fc.assert(
    fc.property(anyLoads, anyLimit, (loads, limit) => {
      const rules = rulesOf(loads, limit);
      for (let mask = 0; mask < 1 << loads.length; mask++) {
        const set = loads.filter((_, i) => mask & (1 << i));
        if (
          allows(
            rules,
            set.map((l) => l.id),
          )
        )
          expect(fits(set, limit)).toBe(true);
      }
      expect(rules.rules.length).toBeLessThanOrEqual(12);
    }),
    { numRuns: 120 },
  ));
test('the part of the largest sets it says it allows is the part it allows; what stands under also fits beside all that is always fine', () =>
  fc.assert(
    fc.property(anyLoads, anyLimit, (loads, limit) => {
      const rules = rulesOf(loads, limit);
      const { sets } = largestSets(loads, limit);
      const allowed = sets.filter((s) => allows(rules, s));
      expect(sets.length === 0 ? 1 : allowed.length / sets.length).toBeCloseTo(rules.allowed, 9);
      const fine = rules.rules.find((r) => r.kind === 'always fine')?.ids ?? [];
      for (const set of rules.also) {
        expect(allows(rules, set)).toBe(false);
        expect(
          fits(
            loads.filter((l) => set.includes(l.id) || fine.includes(l.id)),
            limit,
          ),
        ).toBe(true);
      }
    }),
    { numRuns: 120 },
  ));
