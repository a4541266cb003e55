/** Formulas against figures done by hand. */
import { derate, dutyEquivalentA, dutyFraction, rulingPlace, sweep, timeConstantS, thumbCmilMm2, thumbMetricMm2 } from '../conductor';
import { makerRule } from './minimums';
import { bankSource } from '../bank';
import { pathM } from '../topology';
import { feederDemand } from '../demand';
import { largestFaultA, smallestFaultA, type Upstream } from './upstream';
import { carries, fusingMultiple, openingTime } from '../protection';
import { blankBank } from '../design';
import {
  CHEMISTRIES,
  conductorOfArea,
  CONDUCTORS,
  findConductor,
  findFamily,
  interruptingMinimumA,
  restV,
  shrinkFor,
  terminalFor,
} from '../rules';

const open = { insulationC: 105, bundled: 2, enclosure: 'open' as const };
const family = (id: string) =>
  findFamily(id) ??
  (() => {
    throw new Error(id);
  })();

describe('ampacity in its place', () => {
  test('wet: 105 °C cable counts as 75 °C, and the metric column below it is 70', () => {
    expect(derate('awg', open, { ambientC: 30, engineSpace: false, wet: true }).ratingC).toBe(75);
    expect(derate('metric', open, { ambientC: 30, engineSpace: false, wet: true }).ratingC).toBe(70);
  });
  test('60 °C insulation is refused in an engine space', () =>
    expect(derate('metric', { ...open, insulationC: 60 }, { ambientC: 45, engineSpace: true, wet: false }).refusal).toContain('60 °C'));
  test('ambient within 5 °C of the rating is refused', () =>
    expect(derate('awg', { ...open, insulationC: 75 }, { ambientC: 70, engineSpace: false, wet: false })).toMatchObject({ fAmbient: 0 }));
  test('conduit and insulated structure cost ampacity', () => {
    expect(derate('awg', { ...open, enclosure: 'conduit' }, { ambientC: 30, engineSpace: false, wet: false }).factor).toBe(0.9);
    expect(
      derate('awg', { ...open, enclosure: 'insulated', bundled: 3 }, { ambientC: 30, engineSpace: false, wet: false }).factor,
    ).toBeCloseTo(0.75 * 0.7, 12);
  });
  test('the worst of the places passed rules', () => {
    const size = findConductor('metric', '10');
    const dry = derate('metric', open, { ambientC: 30, engineSpace: false, wet: false });
    const wet = derate('metric', open, { ambientC: 25, engineSpace: false, wet: true });
    if (size) expect(rulingPlace(size, [dry, wet, dry])).toBe(1);
  });
});

describe('short duty', () => {
  const at = (of: string): number => {
    const c = findConductor('metric', of);
    return c ? timeConstantS(c, 105, 30, c.ampacityA[105] ?? 0) : NaN;
  };
  // 10 mm2, 6.5 mm over all: 3.45 x 10 + 0.95 (33.2 - 14.3) = 52.4 J/(m K); 90^2 x 1.95e-3 x 1.334 = 21.07 W/m; x 75 K: 187 s.
  test('the time constant by hand, and as measured from thin to thick', () => {
    expect(at('10')).toBeCloseTo(187, 0);
    expect(at('35')).toBeCloseTo(369, 0);
    expect(at('95')).toBeCloseTo(729.5, 0);
  });
  test('a derated run has a longer one', () => {
    const c = findConductor('metric', '10');
    expect(c ? timeConstantS(c, 105, 30, 45) : 0).toBeCloseTo(4 * at('10'), 6);
  });
  test('one pulse as long as the time constant reaches 1 − 1/e of the rise', () =>
    expect(dutyFraction({ onS: 370, restS: 0, repeats: 1 }, 370)).toBeCloseTo(1 - Math.exp(-1), 12));
  test('back-to-back pulses are one long pulse', () =>
    expect(dutyFraction({ onS: 100, restS: 0, repeats: 7 }, 370)).toBeCloseTo(dutyFraction({ onS: 700, restS: 0, repeats: 1 }, 370), 12));
  test('continuous is continuous', () => expect(dutyEquivalentA(80, null, 370)).toBe(80));
});

test('a tree of taps: drop by hand', () => {
  // 10 V; head 0.01; trunk 0.02 to A (3 A); B hangs on A behind 0.1 (2 A).
  const { tapV, totalA } = sweep(10, 0.01, [
    { parent: -1, ohm: 0.02, fixedA: 3, powerW: 0 },
    { parent: 0, ohm: 0.1, fixedA: 2, powerW: 0 },
  ]);
  expect(totalA).toBe(5);
  expect(tapV[0]).toBeCloseTo(10 - 5 * 0.03, 9);
  expect(tapV[1]).toBeCloseTo(10 - 5 * 0.03 - 2 * 0.1, 9);
});

test('two constant-power taps together collapse where one alone stands', () => {
  const tap = { parent: -1, ohm: 0.3, fixedA: 0, powerW: 100 };
  expect(sweep(12, 0, [tap]).collapses).toBe(false);
  expect(sweep(12, 0.2, [tap, tap]).collapses).toBe(true);
});

test('rules of thumb, for comparison', () => {
  // 10 A, 6.096 m out and back (20 ft), 0.36 V: CM = 10.75 x 10 x 20 / 0.36 = 5972 cmil = 3.026 mm2.
  expect(thumbCmilMm2(10, 6.096, 0.36)).toBeCloseTo(3.026, 2);
  expect(thumbMetricMm2(10, 6.096, 0.36)).toBeCloseTo(2.777, 3);
});

test('path along the hull plus slack at both ends', () =>
  expect(pathM({ x: 1, y: -1, z: 0 }, { x: 4, y: 1, z: 1.5 }, 0.3)).toBeCloseTo(3 + 2 + 1.5 + 0.6, 12));

test('metric feeder demand is the sum times diversity, never below the largest', () => {
  const items = [
    { currentA: 40, runsLong: false },
    { currentA: 4, runsLong: true },
  ];
  expect(feederDemand('metric', items, 0.7).demandA).toBe(40);
  expect(feederDemand('metric', items, 1).demandA).toBe(44);
});

describe('faults on a radial path, 2 x 100 Ah AGM', () => {
  const bank = bankSource({ ...blankBank('b', 12, null), strings: 2 });
  const up: Upstream = {
    bank,
    chain: [],
    lostV: [],
    dropV: 0,
    hotOhm: 0,
    coldOhm: 0.002,
    faultHotOhm: 0.003,
    bankDemandA: 0,
    place: null,
    atBank: false,
    feederRatingA: null,
  };
  test('largest: full volts over 0.6 of typical resistance and cold copper', () =>
    expect(largestFaultA(up, 0)).toBeCloseTo(12.92 / (0.6 * 0.00225 + 0.002), 6));
  test('smallest: one string half charged, twice its resistance, hot copper', () =>
    expect(smallestFaultA(up, 0.01)).toBeCloseTo(12.35 / (2 * 0.0045 + 0.003 + 0.01), 6));
  test("the maker's short-circuit current stands in for both", () => {
    const stated = bankSource({ ...blankBank('b', 12, null), strings: 2, shortCircuitA: 3000 });
    expect(stated.largestFaultA).toBe(3000);
    expect(stated.smallestOhm).toBeCloseTo((2 * 2 * 12.92) / 3000, 12);
  });
  test('rest volts are the table’s, linear between', () => expect(restV(CHEMISTRIES.agm, 0.55)).toBeCloseTo((12.35 + 12.47) / 2, 12));
});

describe('devices', () => {
  test('a device carries a current below its curve for ever', () => expect(carries(family('blade'), 10, 10.5, 1e9)).toBe(true));
  test('a start surge longer than the quickest device bears opens it', () => {
    expect(carries(family('blade'), 10, 35, 0.03)).toBe(true);
    expect(carries(family('blade'), 10, 35, 0.05)).toBe(false);
  });
  test('conventional fusing of gG is 1.6 x, which makes 0.9 of ampacity its limit', () =>
    expect(1.45 / fusingMultiple(family('nh00-gG'))).toBeCloseTo(0.906, 3));
  test('a breaker beyond its last point keeps its time, a fuse its I2t', () => {
    expect(openingTime(family('panel-breaker'), 24)).toEqual(openingTime(family('panel-breaker'), 12));
    const [a, b] = [openingTime(family('class-T'), 10), openingTime(family('class-T'), 20)];
    expect((b.slowestS ?? 0) * 400).toBeCloseTo((a.slowestS ?? 0) * 100, 9);
  });
  test('interrupting minimum follows cranking amps', () =>
    expect([interruptingMinimumA(600, true), interruptingMinimumA(1000, false), interruptingMinimumA(2000, true)]).toEqual([
      1500, 1500, 5000,
    ]));
});

describe('tables', () => {
  test.each(['awg', 'metric'] as const)('%s: area and every ampacity column rise together, resistance falls', (school) => {
    CONDUCTORS[school].slice(1).forEach((c, i) => {
      const before = CONDUCTORS[school][i];
      if (!before) return;
      expect(c.areaMm2).toBeGreaterThan(before.areaMm2);
      expect(c.r20OhmPerKm).toBeLessThan(before.r20OhmPerKm);
      for (const [rating, amps] of Object.entries(c.ampacityA)) expect(amps).toBeGreaterThanOrEqual(before.ampacityA[Number(rating)] ?? 0);
    });
  });
  test('a size of one school is matched in the other by copper, never thinner', () => {
    expect(conductorOfArea('metric', findConductor('awg', '10')?.areaMm2 ?? 0)?.size).toBe('6');
    expect(conductorOfArea('awg', 6)?.size).toBe('8');
  });
  test('8 AWG and 10 mm2 take a lug, thinner a ring', () => {
    expect(terminalFor('awg', '8').kind).toBe('lug');
    expect(terminalFor('metric', '6').kind).toBe('ring');
    expect(terminalFor('metric', '0.75').mm2).toBe('1');
  });
  test('shrink passes over the lug and shrinks onto the jacket', () => expect(shrinkFor(8)).toEqual({ boreMm: 12, lengthMm: 55 }));
});

test('the first row of a maker’s table that reaches is used, in any order of rows', () => {
  const rules = [
    { school: 'metric' as const, size: '10', upToM: 5 },
    { school: 'metric' as const, size: '6', upToM: 3 },
  ];
  expect(makerRule(rules, 2)?.areaMm2).toBe(6);
  expect(makerRule(rules, 4)?.areaMm2).toBe(10);
  expect(makerRule([], 4)).toBeNull();
});
