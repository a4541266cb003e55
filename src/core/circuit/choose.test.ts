/** Choosing a way's device: bounds, families, refusals, conflicts. */
import { analyse } from '../analysis';
import { workedOf } from '../analysis/testing';
import type { Circuit, Design, Load } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import type { Protection } from './choose';

const chosen = (
  load: Partial<Load>,
  change: (d: Design) => Design = (d) => d,
  circuit: Partial<Circuit> = {},
  school: 'awg' | 'metric' = 'metric',
): Protection => {
  const design = change(
    withLoad(bareBoat(school), { behaviour: 'current', ratingBy: 'A', placeId: 'saloon', supply: 'house switch', ...load }, 3, circuit),
  );
  const result = analyse(design).circuits.find((c) => c.id === 'c-x');
  if (!result) throw new Error('no circuit');
  return result.own.protection;
};
const pin = (p: Partial<Circuit['pin']>): Partial<Circuit> => ({
  pin: { size: null, legs: 1, family: null, ratingA: null, ownDevices: false, ...p },
});

describe('the rating', () => {
  test.each([
    [3.9, 5],
    [4, 5],
    [4.1, 7.5],
    [8, 10],
    [12, 15],
    [16, 20],
    [20, 25],
    [24, 30],
    [28, 40],
  ])('%p A of load takes %p A: the next standard rating above 1.25 ×', (amps, rating) =>
    expect(chosen({ rating: amps }).ratingA).toBe(rating),
  );
  test('the house margin is a setting', () =>
    expect(chosen({ rating: 8 }, (d) => ({ ...d, house: { ...d.house, protectionOverLoad: 1.5 } })).ratingA).toBe(15));
  test('a start that the quickest device would not bear asks for the next', () => {
    // 8 A running asks for 10 A. A blade at 4 x opens in about 0.03 s at the quickest: 40 A for 0.2 s needs a larger one.
    const small = (d: Design) => ({ ...d, banks: d.banks.map((b) => ({ ...b, blockAh: 40 })) });
    expect(chosen({ rating: 8 }, small, pin({ family: 'blade' })).ratingA).toBe(10);
    expect(chosen({ rating: 8, surgeA: 40, surgeS: 0.2 }, small, pin({ family: 'blade' })).ratingA).toBeGreaterThan(10);
  });
  test('the same start on a slow breaker is borne', () =>
    expect(chosen({ rating: 8, surgeA: 22, surgeS: 0.5 }, undefined, pin({ family: 'panel-breaker' })).ratingA).toBe(10));
  test('a family that starts high makes the conductor follow', () =>
    expect(chosen({ rating: 3 }, undefined, pin({ family: 'class-T' })).ratingA).toBe(30));
});

describe("the maker's fuse", () => {
  test('wins over the house margin', () => expect(chosen({ rating: 9, makerFuseA: 10 }).ratingA).toBe(10));
  test('is rounded down to a standard rating, never up', () => expect(chosen({ rating: 8, makerFuseA: 12 }).ratingA).toBe(10));
  test('below the load is a conflict naming the maker', () => {
    const p = chosen({ rating: 12, makerFuseA: 10 });
    expect(p.conflict).toContain('the maker of Thing');
    expect(p.conflict).toContain('10 A');
  });
  test('it stands as the upper bound', () =>
    expect(chosen({ rating: 8, makerFuseA: 15 }).upper).toEqual({ amps: 15, by: 'the maker of Thing' }));
});

describe('families', () => {
  test('in order, the first that suits: a small bank lets a blade stand, a larger one does not', () => {
    const bank = (blockAh: number) => (d: Design) => ({
      ...d,
      banks: d.banks.map((b) => ({ ...b, blockAh })),
      circuits: d.circuits.map((c) =>
        c.id === 'c-main' ? { ...c, pin: { ...c.pin, size: { school: 'metric' as const, size: '16' } } } : c,
      ),
    });
    expect(chosen({ rating: 8 }, bank(10)).familyId).toBe('blade');
    expect(chosen({ rating: 8 }, bank(800)).familyId).toBe('panel-breaker');
  });
  test('above a blade’s largest, the next family', () => expect(chosen({ rating: 60 }).familyId).not.toBe('blade'));
  test('a short beyond what it interrupts refuses it, with both figures', () => {
    const p = chosen({ rating: 8 }, (d) => ({
      ...d,
      circuits: d.circuits.map((c) => (c.id === 'c-main' ? { ...c, pin: { ...c.pin, size: { school: 'metric', size: '70' } } } : c)),
    }));
    expect(p.familyId).not.toBe('blade');
    expect(p.refused.find((r) => r.family === 'blade fuse')?.reason).toMatch(/^interrupts 1000 A; a short here is \d+ A$/);
    expect(p.interruptsA).toBeGreaterThanOrEqual(p.faultA);
  });
  test('48 V charging is above what most take', () => {
    const high = (d: Design): Design => ({ ...d, boat: { ...d.boat, systemV: 48 }, banks: d.banks.map((b) => ({ ...b, series: 4 })) });
    const p = chosen({ rating: 8, nominalV: 48 }, high);
    expect(p.refused.find((r) => r.family === 'blade fuse')?.reason).toBe('takes 32 V DC; charging reaches 57.6 V');
    expect(['class-T', 'panel-breaker', 'strip-SF30', 'strip-SF51', 'nh00-gG', 'terminal-cube']).toContain(p.familyId);
  });
  test('the awg table asks for more interrupting capacity as cranking amps rise', () => {
    const floor = (cca: number) => chosen({ rating: 8 }, (d) => ({ ...d, banks: d.banks.map((b) => ({ ...b, cca })) }), {}, 'awg').floorA;
    expect([floor(600), floor(1000), floor(1500)]).toEqual([750, 1500, 2500]);
  });
  test('the metric school has no such table', () =>
    expect(chosen({ rating: 8 }, (d) => ({ ...d, banks: d.banks.map((b) => ({ ...b, cca: 1500 })) })).floorA).toBe(0));
  test('iron phosphate is judged by its fault current, not by cranking amps', () =>
    expect(
      chosen({ rating: 8 }, (d) => ({ ...d, banks: d.banks.map((b) => ({ ...b, chemistry: 'lfp' as const })) }), {}, 'awg').floorA,
    ).toBe(0));
});

describe('pins', () => {
  test('a pinned rating is kept', () =>
    expect(chosen({ rating: 8 }, undefined, pin({ ratingA: 15 }))).toMatchObject({ ratingA: 15, pinnedRating: true, conflict: null }));
  test('below the working current it is kept and flagged', () =>
    expect(chosen({ rating: 8 }, undefined, pin({ ratingA: 5 }))).toMatchObject({
      ratingA: 5,
      conflict: expect.stringContaining('below the working current') as string,
    }));
  test('above the maker’s it is kept and flagged', () =>
    expect(chosen({ rating: 8, makerFuseA: 10 }, undefined, pin({ ratingA: 20 })).conflict).toContain(
      'above the 10 A allowed by the maker of Thing',
    ));
  test('one that the start would open is kept and flagged', () =>
    expect(chosen({ rating: 8, surgeA: 80, surgeS: 2 }, undefined, pin({ family: 'blade', ratingA: 10 })).conflict).toContain(
      'start surge',
    ));
});

test('a device in a hot place carrying for long keeps to 80 %', () => {
  const hot = (d: Design): Design => ({
    ...d,
    places: d.places.map((p) => (p.id === 'saloon' ? { ...p, ambientC: 48 } : p)),
    house: { ...d.house, protectionOverLoad: 1 },
  });
  expect(chosen({ rating: 9, runsLong: true }, hot).ratingA).toBe(15);
  expect(chosen({ rating: 9, runsLong: false }, hot).ratingA).toBe(10);
});

describe('a small load at a battery post', () => {
  const atPost = (load: Partial<Load>) => chosen(load, undefined, { from: { kind: 'bank', id: 'house' } });
  test('has a cartridge fuse as small as its maker asks, which a short of the bank does not burst', () => {
    const p = atPost({ rating: 3, makerFuseA: 5 });
    expect([p.familyId, p.ratingA, p.conflict]).toEqual(['cartridge-10x38', 5, null]);
    expect(p.interruptsA).toBeGreaterThan(p.faultA);
  });
  test('is not put behind a fuse many times its size: 0.03 A asks for 1 A, not for a cube of 30 A', () =>
    expect([atPost({ rating: 0.03 }).familyId, atPost({ rating: 0.03 }).ratingA]).toEqual(['cartridge-10x38', 1]));
  test('of 8 A and more the cube stands on the post: 30 A is within four times of 1.25 × 8 A', () =>
    expect(atPost({ rating: 8 }).familyId).toBe('terminal-cube'));
});

test('at a battery post nothing is as small as some makers ask: that is said, with the way out', () => {
  const design = withLoad(bareBoat('metric'), { rating: 0.3, ratingBy: 'A', behaviour: 'current', makerFuseA: 0.5 }, 4, {
    from: { kind: 'bank', id: 'house' },
  });
  const result = analyse(design).circuits.find((c) => c.id === 'c-x');
  expect(result?.own.protection.conflict).toContain('the smallest is 1 A');
  expect(result?.own.protection.conflict).toContain('from a bus or panel');
});

test('a name takes no fuse away: only a kind that was entered does', () => {
  expect(chosen({ name: 'Starter solenoid', rating: 60 }).missing).toBe(false);
  expect(chosen({ name: 'Starter', rating: 60 }).missing).toBe(false);
  expect(chosen({ kind: 'starter', rating: 60 }).missing).toBe(true);
});

describe('what speaks against a device is told whole', () => {
  const main = (design: Design, id = 'c-main') => workedOf(design, id).trial.protection;
  const boat = withLoad(bareBoat('metric'), { rating: 60, ratingBy: 'A', behaviour: 'current' }, 3);
  test('a pin below the load and above its maker’s fuse is told twice', () => {
    const asked = { rating: 20, ratingBy: 'A' as const, behaviour: 'current' as const, makerFuseA: 10 };
    const pin = { size: null, legs: 1, family: null, ratingA: 15, ownDevices: false };
    const { conflict } = workedOf(withLoad(bareBoat('metric'), asked, 3, { pin })).trial.protection;
    expect(conflict).toContain('15 A is below the working current of 20 A');
    expect(conflict).toContain('15 A is above the 10 A allowed by the maker of Thing');
  });
  test('the largest fuse the bank’s maker allows bounds what stands at its post', () => {
    const makers = (maxFuseA: number | null): Design => ({
      ...boat,
      banks: boat.banks.map((b) => ({ ...b, sheet: { ...b.sheet, maxFuseA } })),
    });
    expect(main(makers(null)).upper).toBeNull();
    expect(main(makers(200))).toMatchObject({ upper: { amps: 200, by: 'the maker of the bank' }, conflict: null });
    expect(main(makers(40)).conflict).toContain('the maker of the bank allows 40 A');
  });
  test('where nothing interrupts a short by a typical resistance by less than half again, the bank’s maker is asked; by his figure it is a stop', () => {
    const lithium = (strings: number, shortCircuitA: number | null = null): Design => ({
      ...boat,
      banks: boat.banks.map((b) => ({ ...b, chemistry: 'lfp', blockAh: 100, strings, shortCircuitA })),
    });
    const counts = [2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16];
    const many = counts.map((n) => main(lithium(n)));
    const asks = many.filter((p) => p.asksMaker);
    expect(asks.length).toBeGreaterThan(0);
    for (const p of asks) {
      expect(p.faultA).toBeLessThanOrEqual(1.5 * p.interruptsA);
      expect(p.conflict).toContain('ask its maker for the short-circuit current');
    }
    const [first] = asks;
    const told = (d: Design) => analyse(d).findings.find((f) => f.id === 'protection-conflict:c-main');
    const strings = counts[many.indexOf(first as Protection)] ?? 0;
    expect(told(lithium(strings))).toMatchObject({ severity: 'fix', title: 'its device may not interrupt the bank' });
    expect(told(lithium(strings, first?.faultA ?? 0))).toMatchObject({ severity: 'stop' });
    expect(told(lithium(16))?.severity).toBe('stop');
  });
  test('a refusal by a hair, by a typical resistance, asks for the maker’s figure; by much, or by the maker’s, it does not', () => {
    // A fault of so many amps at the post, by a block of such a size: 12.8 V / (0.6 × ohm).
    const reasons = (blockAh: number, shortCircuitA: number | null = null): string =>
      main({ ...boat, banks: boat.banks.map((b) => ({ ...b, blockAh, strings: 1, shortCircuitA })) })
        .refused.map((r) => r.reason)
        .join('; ');
    const at = Array.from({ length: 60 }, (_, i) => 60 + 10 * i).map((ah) => reasons(ah));
    const near = at.filter((r) => r.includes('by a typical resistance of the bank'));
    expect(near.length).toBeGreaterThan(0);
    expect(near.length).toBeLessThan(at.length);
    expect(reasons(600, 10500)).toContain('a short here is 10500 A');
    expect(reasons(600, 10500)).not.toContain('typical resistance');
  });
});
