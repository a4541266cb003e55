/* eslint-disable @typescript-eslint/no-non-null-assertion -- rows these tests have just made are there */
import fc from 'fast-check';
import {
  addOptionOps,
  applyEdit,
  asOption,
  blankBank,
  blankTie,
  blankSource,
  type Design,
  onTable,
  readDesign,
  switchOps,
} from '../design';
import { fitCount } from '../mounting';
import { analyse } from '../analysis';
import { yieldWorking, needWorking } from '../working';
import { bankMass, c20Ah, chemistryOf, cranking, leastStartAh } from '../bank';
import { compareDesigns, costOf } from './compare';
import { cruise } from './cruise';
import { dayAh } from './draws';
import { inUse, inUseAt, windowOf } from '../demand';
import { fillTimes } from './fill';
import { finishing } from './finish';
import { compareTies, joinedBy, wrongPositions } from './tieWays';
import { dayYields } from './dayYield';
import { random } from '../solve';
import { chance, quantile, seasonBlock, seasonResult, seasonScene, withMore } from './season';
import { windAmps } from './sources';
import { drawing, driven, quietBoat, sourceInto, start, sunny, twoBanks } from './testing';

describe('a season', () => {
  const asked = { runs: 24, seed: 7, sunSpread: 0.4, windSpread: 0.4, useSpread: 0.2, motorSpread: 0.5 };
  test('the same seed gives the same answer however the cruises are shared out', () => {
    const scene = seasonScene(sunny());
    const whole = seasonResult([seasonBlock(scene, asked, 0, 24)], scene.windowLow);
    const shared = seasonResult([seasonBlock(scene, asked, 10, 14), seasonBlock(scene, asked, 0, 10)], scene.windowLow);
    expect(shared).toEqual(whole);
    expect(whole.fan).toHaveLength(7);
    const other = seasonResult([seasonBlock(scene, { ...asked, seed: 8 }, 0, 24)], scene.windowLow);
    expect(other.fan).not.toEqual(whole.fan);
  });
  test('without spread every cruise is the planned one', () => {
    const scene = seasonScene(sunny());
    const calm = { ...asked, sunSpread: 0, windSpread: 0, useSpread: 0, motorSpread: 0 };
    const result = seasonResult([seasonBlock(scene, calm, 0, 5)], scene.windowLow);
    const planned = cruise({ ...sunny(), plan: { ...sunny().plan, stepMin: 15 } });
    result.fan.forEach((f, d) => f.forEach((q) => expect(q).toBeCloseTo(planned.days[d]?.lowest[0] ?? NaN, 5)));
  });
  test('quantiles rise, and the chance lies within its limits', () => {
    const scene = seasonScene(sunny());
    const result = seasonResult([seasonBlock(scene, asked, 0, 24)], scene.windowLow);
    for (const f of result.fan) f.slice(1).forEach((q, i) => expect(q).toBeGreaterThanOrEqual(f[i] ?? 0));
    expect(result.out.low).toBeLessThanOrEqual(result.out.share);
    expect(result.out.high).toBeGreaterThanOrEqual(result.out.share);
  });
  test('Wilson: 5 of 100 lie between 2.2 and 11.2 %; none of 100 below 3.7 %', () => {
    expect(chance(5, 100).low).toBeCloseTo(0.0215, 3);
    expect(chance(5, 100).high).toBeCloseTo(0.1118, 3);
    expect(chance(0, 100).high).toBeCloseTo(0.037, 3);
    expect(chance(0, 0)).toEqual({ share: 0, low: 0, high: 1, count: 0 });
  });
  test('quantile between neighbours', () => expect(quantile([1, 2, 4], 0.75)).toBe(3));
  test('the dice are even and normal', () => {
    const dice = random(3, 9);
    const xs = Array.from({ length: 4000 }, () => dice.normal());
    const mean = xs.reduce((a, b) => a + b, 0) / xs.length;
    const spread = Math.sqrt(xs.reduce((a, b) => a + (b - mean) ** 2, 0) / xs.length);
    expect(Math.abs(mean)).toBeLessThan(0.06);
    expect(Math.abs(spread - 1)).toBeLessThan(0.05);
  });
  test('a little more of anything never makes it worse', () => {
    const lowest = (d: Design) => seasonResult([seasonBlock(seasonScene(d), asked, 0, 24)], 0.5).medianLowest;
    const base = lowest(sunny());
    for (const more of ['one more battery', '100 Wp more sun', '30 A more alternator', 'one more hour of engine a day'] as const) {
      const grown = withMore(sunny(), more);
      expect(grown && lowest(grown)).toBeGreaterThanOrEqual(base - 1e-6);
    }
    expect(withMore(quietBoat(), '100 Wp more sun')).toBeNull();
  });
});

describe('loads through the day', () => {
  const living = sunny().living[0];
  if (!living) throw new Error('no day');
  const used = (hours: number, window: Float64Array): Float64Array => {
    const use = inUse(hours, (window.reduce((a, b) => a + b, 0) * 24) / window.length);
    return window.map((part) => inUseAt(use, part));
  };
  test('hours fill their window first and spill over', () => {
    const night = windowOf(living, 'by night', 24);
    expect(night.reduce((a, b) => a + b, 0)).toBeCloseTo(12, 9);
    expect(used(6, night)[0]).toBeCloseTo(0.5, 9);
    expect(used(6, night)[12]).toBe(0);
    const long = used(18, night);
    expect(long[0]).toBeCloseTo(1, 9);
    expect(long[12]).toBeCloseTo(0.5, 9);
  });
  test('whatever the window, the hours are the hours', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 24, noNaN: true }),
        fc.constantFrom('any time' as const, 'by day' as const, 'by night' as const, 'engine running' as const),
        (h, when) => {
          const use = used(h, windowOf(living, when, 96));
          expect((use.reduce((a, b) => a + b, 0) * 24) / 96).toBeCloseTo(h, 6);
        },
      ),
    ));
  test('stand-by counts while it is not in use, and with the house switch off only what is always live', () => {
    const load = { ...drawing(quietBoat(), 2, { hours: { day: 4 }, standbyA: 0.1 }).loads[0]! };
    expect(dayAh(load, living)).toBeCloseTo(8 + 2, 9);
    expect(dayAh(load, { ...living, houseSwitch: 'off' })).toBeCloseTo(8, 9);
    expect(dayAh({ ...load, supply: 'always live' }, { ...living, houseSwitch: 'off' })).toBeCloseTo(10, 9);
  });
  test('wind spread by Weibull: nothing in a calm, less than the curve at its mean where the curve bends up', () => {
    const curve = [
      { mps: 0, amps: 0 },
      { mps: 20, amps: 20 },
    ];
    expect(windAmps(curve, 0)).toBe(0);
    expect(windAmps(curve, 6)).toBeCloseTo(6, 1);
  });
});

describe('banks by the maker', () => {
  test('100 Ah over 100 h is less over 20 h', () => {
    const bank = { ...blankBank('b', 12, null), chemistry: 'flooded' as const, ratedH: 100, strings: 1 };
    expect(c20Ah(bank)).toBeCloseTo(100 * 0.2 ** 0.2, 6);
    expect(c20Ah({ ...bank, ratedH: 20 })).toBe(100);
  });
  test("a maker's figure stands in for the typical one and no other moves", () => {
    const bank = { ...blankBank('b', 24, null), sheet: { ...blankBank('b', 24, null).sheet, absorptionV: 29, massKg: 31 } };
    expect(chemistryOf(bank).absorptionV).toBeCloseTo(14.5, 9);
    expect(chemistryOf(bank).floatV).toBe(13.5);
    expect(bankMass(bank)).toEqual({ kg: 124, makers: true });
  });
  test('cranking by hand: 12.92 V less 350 A through 5.6 mΩ / 0.8 + 1.5 mΩ', () => {
    const c = cranking({ ...quietBoat(), engine: { ...quietBoat().engine, startBankId: 'start' } }, start);
    expect(c.starterV).toBeCloseTo(12.92 - 350 * (0.0045 / 0.8 / 0.8 + 0.0015), 3);
    expect(c.starts).toBeGreaterThan(6);
    expect(cranking({ ...quietBoat(), engine: { ...quietBoat().engine, crankA: 1500 } }, start)).toMatchObject({
      passes: false,
      starts: 0,
      leastSoc: null,
    });
  });
  test('the least start bank just does: five amp-hours less does not', () => {
    const boat = { ...quietBoat(), engine: { ...quietBoat().engine, crankA: 500 } };
    const least = leastStartAh(boat, start) ?? NaN;
    const of = (ah: number) => cranking(boat, { ...start, blockAh: ah }).passes;
    expect(of(least)).toBe(true);
    expect(of(least - 5)).toBe(false);
    // 500 A at 5 cranking amps an Ah.
    expect(least).toBe(100);
    expect(leastStartAh({ ...boat, engine: { ...boat.engine, crankMinV: 20 } }, start)).toBeNull();
  });
  test('blocks in a box, the better way round, with air', () => {
    const block = { lengthMm: 330, widthMm: 170, heightMm: 240 };
    expect(fitCount({ lengthMm: 680, widthMm: 360, heightMm: 260 }, block)).toBe(4);
    expect(fitCount({ lengthMm: 680, widthMm: 360, heightMm: 200 }, block)).toBe(0);
  });
});

describe('ways to join', () => {
  test('each is run through the cruise; what is not joined is never charged', () => {
    const ways = compareTies(twoBanks());
    expect(ways.map((w) => w.way)).toHaveLength(7);
    const way = (name: string) => ways.find((w) => w.way === name);
    expect(way('not joined')?.start.hoursTo95).toBeNull();
    expect(way('as designed')?.start.inAh).toBeCloseTo(way('voltage-sensitive relay')?.start.inAh ?? NaN, 6);
    expect(way('diode splitter')?.houseV).toBeLessThan(way('field-effect splitter')?.houseV ?? 0);
    expect(way('DC–DC charger')?.start.inAh).toBeGreaterThan(0);
  });
  test('one bank has nothing to join', () => {
    expect(compareTies(quietBoat())).toEqual([]);
    expect(joinedBy(quietBoat(), 'diode splitter')).toBeNull();
  });
  test('a selector left on both draws the start bank down, left off it kills the loads', () => {
    const boat = { ...twoBanks(), joins: [{ ...blankTie('s', 'selector', 12), firstId: 'house', secondId: 'start' }] };
    const at = (p: string) => wrongPositions(boat).find((w) => w.position === p);
    expect(at('both')?.startLowest).toBeLessThan(at('first')?.startLowest ?? 0);
    expect(at('off')?.unmetAh).toBeGreaterThan(100);
    expect(wrongPositions(twoBanks())).toEqual([]);
  });
});

describe('made, filled, finished', () => {
  test('the balance line tells what is made, and its working adds up to it', () => {
    const a = analyse(sunny());
    const need = a.balance.needs[0];
    expect(need?.needAh).toBeCloseTo(144, 6);
    expect(need?.made?.madeAh).toBeGreaterThan(50);
    const working = yieldWorking(sunny(), a, 'day', sunny().boat);
    const [solar, alt, made] = working.sections[0]?.lines ?? [];
    expect((solar?.value ?? 0) + (alt?.value ?? 0)).toBeCloseTo(made?.value ?? NaN, 9);
    expect(
      needWorking(sunny(), a, 'day', sunny().boat)
        .sections[1]?.lines.map((l) => l.label)
        .join(),
    ).toContain('where it usually is');
  });
  test('no sources make nothing to tell', () => expect(dayYields(quietBoat())).toEqual([]));
  test('an 80 A alternator fills 200 Ah from half in hours; a trickle does not in two days', () => {
    const [fill] = fillTimes({ ...sunny(), sources: [sourceInto('alternator')] });
    expect(fill?.hours[0]).toBeGreaterThan(1);
    expect(fill?.hours[0]).toBeLessThan(3);
    const [slow] = fillTimes({ ...sunny(), sources: [sourceInto('shore charger', { ratedA: 1 })] });
    expect(slow?.hours).toEqual([null, null, null]);
    expect(slow?.advice).toContain('bigger output');
  });
  test('both schools of finishing speak of this boat', () => {
    const schools = finishing(sunny(), cruise(sunny()));
    expect(schools.map((s) => s.school)).toEqual(['Finish alongside', 'Finish at sea']);
    expect(schools[0]?.here).toContain('no shore charger');
    expect(schools[1]?.here).toMatch(/takes .* h to 80 %/);
  });
});

describe('options', () => {
  let n = 0;
  const ids = () => [`o${++n}`, `o${++n}`] as const;
  const edit = (d: Design, ops: Parameters<typeof applyEdit>[1]['ops']): Design => {
    const r = applyEdit(d, { ops });
    if (!r.ok) throw new Error('refused');
    return r.design;
  };
  test('the first names what lies on the table; another is put on it and back without loss', () => {
    const two = edit(twoBanks(), addOptionOps(twoBanks(), ids(), 'B'));
    expect(two.options.map((o) => [o.name, o.parts === null])).toEqual([
      ['A', true],
      ['B', false],
    ]);
    const b = two.options[1]!;
    const changed = { ...two, sources: [] };
    const onB = edit(changed, switchOps(changed, b));
    expect(onB.sources).toHaveLength(2);
    expect(onTable(onB)?.name).toBe('B');
    const a = onB.options[0]!;
    expect(edit(onB, switchOps(onB, a)).sources).toEqual([]);
    expect(readDesign(JSON.parse(JSON.stringify(onB)))).toEqual({ ok: true, design: onB });
  });
  test('an option forgets taps of loads that are gone', () => {
    const two = edit(twoBanks(), addOptionOps(twoBanks(), ids(), 'B'));
    const option = two.options[1]!;
    const parts = option.parts && {
      ...option.parts,
      circuits: option.parts.circuits.map((c) => ({
        ...c,
        taps: [...c.taps, { id: 'gone', parent: null, serves: { kind: 'load' as const, id: 'gone' }, tapedM: null }],
      })),
    };
    expect(asOption(two, { ...option, parts }).circuits).toEqual(two.circuits);
  });
  test('side by side: what differs is told, prices are only what was typed', () => {
    const a = twoBanks();
    const b = { ...a, banks: a.banks.map((x) => (x.id === 'house' ? { ...x, strings: 3, price: 900 } : x)) };
    const lines = compareDesigns(a, b);
    const of = (what: string) => lines.find((l) => l.what === what);
    expect(of('house bank, C20')).toMatchObject({ a: '200 Ah', b: '300 Ah', differs: true });
    expect(of('circuits')?.differs).toBe(false);
    expect(costOf(b)).toMatchObject({ price: 900, unpriced: 4 });
  });
});

describe('findings on what charges', () => {
  const idsOf = (d: Design) => analyse(d).findings.map((f) => f.id);
  const living = (spans: Parameters<typeof driven>[2]) => driven(quietBoat(), [], spans);
  test.each<[string, Design, string]>([
    ['no bank to charge', { ...quietBoat(), sources: [sourceInto('solar', { bankId: null })] }, 'no-sink:s-solar'],
    [
      'a setpoint below rest',
      { ...quietBoat(), sources: [sourceInto('wind', { regulator: { ...sourceInto('wind').regulator, absorptionV: 12 } })] },
      'low-setpoint:s-wind',
    ],
    ['a span that lasts no time', living([['engine', 8, 8, 1500]]), 'span-p0:day'],
    [
      'overlapping times',
      living([
        ['engine', 8, 10, 1500],
        ['engine', 9, 11, 1500],
      ]),
      'overlap-engine:day',
    ],
    ['a cruise without days', { ...quietBoat(), cruises: [{ id: 'c', name: 'c', legs: [], repeat: 1, startSoc: 1 }] }, 'cruise-empty:c'],
    [
      'a cruise of 400 days',
      { ...quietBoat(), cruises: [{ id: 'c', name: 'c', legs: [{ id: 'l', livingId: 'day', days: 200 }], repeat: 2, startSoc: 1 }] },
      'cruise-long:c',
    ],
    [
      'a way of living that is gone',
      { ...quietBoat(), cruises: [{ id: 'c', name: 'c', legs: [{ id: 'l', livingId: 'x', days: 2 }], repeat: 1, startSoc: 1 }] },
      'cruise-gone:c',
    ],
    [
      'three strings without fuses',
      { ...quietBoat(), sources: [{ ...sourceInto('solar'), solar: { ...sourceInto('solar').solar!, parallel: 3, seriesFuseA: null } }] },
      'string-fuse:s-solar',
    ],
    [
      'a cold morning',
      { ...quietBoat(), sources: [{ ...sourceInto('solar'), solar: { ...sourceInto('solar').solar!, series: 3, coldC: -20 } }] },
      'cold-volts:s-solar',
    ],
    [
      'a BMS over an unprotected alternator',
      {
        ...quietBoat({ bms: { overV: 14.8, underV: 11, lowChargeC: 0, toleranceV: 0, warns: true } }),
        sources: [sourceInto('alternator')],
      },
      'dump-bms:s-alternator',
    ],
    [
      'a DC–DC into its own input',
      { ...quietBoat(), sources: [{ ...blankSource('d', 'DC–DC', 12, 'house'), fromBankId: 'house' }] },
      'own-input:d',
    ],
    ['a join without two ends', { ...quietBoat(), joins: [blankTie('j', 'relay', 12)] }, 'join-ends:j'],
    [
      'chemistries tied together',
      { ...twoBanks(), banks: twoBanks().banks.map((b) => (b.id === 'start' ? { ...b, chemistry: 'lfp' as const } : b)) },
      'mixed:r',
    ],
    [
      'an alternator without a curve',
      { ...quietBoat(), sources: [{ ...sourceInto('alternator'), alternator: { ...sourceInto('alternator').alternator!, curve: [] } }] },
      'curve:s-alternator',
    ],
    [
      'a wind generator without a brake',
      { ...quietBoat(), sources: [{ ...sourceInto('wind'), wind: { curve: [], brake: false } }] },
      'brake:s-wind',
    ],
  ])('%s', (_, design, id) => expect(idsOf(design)).toContain(id));
});
