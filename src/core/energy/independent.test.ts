/**
 * The time loop against a second program: the few lines below know nothing of the loop. They take the state of charge a step begins with, and find the
 * volts at which what is given is taken, by bisection, from the formulas of docs/methods.md (M9, M10). Two cases of each way of charging, two seasons
 * against the distribution they are drawn from.
 */
import { blankBank, blankTie, type Design, type Source } from '../design';
import { acceptanceC, CHEMISTRIES, restV } from '../rules';
import { runDays } from './cruise';
import { sceneOf } from './scene';
import { seasonBlock, seasonResult, seasonScene } from './season';
import { drawing, driven, quietBoat, sourceInto } from './testing';

/** Of 12 V at 25 degC. */
interface Battery {
  readonly chemistry: 'agm' | 'flooded' | 'lfp';
  readonly ah: number;
  readonly soc: number;
}
interface Charger {
  readonly limitA: number;
  readonly setV: number;
  readonly bandV: number;
}

/** Amps into a battery at so many volts: taken by acceptance above its rest volts, given by resistance below. */
function takes({ chemistry, ah, soc }: Battery, volts: number): number {
  const c = CHEMISTRIES[chemistry];
  const ocv = restV(c, soc);
  const ohm = (c.ohmPer100Ah * 100) / ah;
  if (volts < ocv) return -(ocv - volts) / ohm;
  const most = c.maxChargeC * ah;
  if (!c.leadAcid) return Math.min(most, acceptanceC(chemistry, soc) * ah, (volts - ocv) / ohm);
  return Math.min(most, acceptanceC(chemistry, soc) * ah * Math.min(1.1, (volts - ocv) / (c.absorptionV - ocv)));
}
const gives = ({ limitA, setV, bandV }: Charger, volts: number): number => limitA * Math.min(1, Math.max(0, (setV - volts) / bandV));

/** Volts of a bus where what is given is what is taken. */
function busV(chargers: readonly Charger[], batteries: readonly Battery[], loadA = 0): number {
  const over = (v: number) =>
    chargers.reduce((sum, c) => sum + gives(c, v), 0) - batteries.reduce((sum, b) => sum + takes(b, v), 0) - loadA;
  let [low, high] = [8, 16];
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2;
    if (over(middle) > 0) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

const HOUSE_AH = 200;
const START_AH = 80;
const two = (change: Partial<Design>): Design => {
  const boat = quietBoat();
  const start = {
    ...blankBank('start', 12, null),
    id: 'start',
    name: 'Start',
    job: 'start' as const,
    blockAh: START_AH,
    strings: 1,
    tempC: 25,
  };
  return { ...boat, banks: [...boat.banks, start], ...change };
};
const shore = (change: Partial<Source> = {}, limitA = 0): Partial<Design> => {
  const { sources, living } = driven(quietBoat(), [sourceInto('shore charger', change)], [['shore', 0, 24, limitA]]);
  return { sources, living };
};
/** A day from so full; of a step, what stood before it and what flowed in it. */
function day(design: Design, soc: readonly number[], stepMin = 5) {
  const scene = sceneOf(design, { stepMin });
  const run = runDays(scene, [0], soc, 'test');
  const [nB, nS] = [scene.banks.length, scene.sources.length];
  return (hour: number) => {
    const t = Math.round(hour / scene.stepH);
    return {
      soc: Array.from({ length: nB }, (_, b) => run.trace.soc[(t - 1) * nB + b] ?? NaN),
      volts: Array.from({ length: nB }, (_, b) => run.trace.volts[t * nB + b] ?? NaN),
      bankA: Array.from({ length: nB }, (_, b) => run.trace.bankA[t * nB + b] ?? NaN),
      sourceA: Array.from({ length: nS }, (_, s) => run.trace.sourceA[t * nS + s] ?? NaN),
    };
  };
}
const charger = (s: Source, limitA = s.ratedA): Charger => ({ limitA, setV: s.regulator.absorptionV, bandV: s.regulator.bandV });
const agm = (ah: number, soc: number): Battery => ({ chemistry: 'agm', ah, soc });

describe('a shore charger', () => {
  it.each([
    ['bulk, from half empty', 0.5, 0.5],
    ['near the end, tapering', 0.95, 0.25],
  ])('%s', (_, from, hour) => {
    const at = day({ ...quietBoat(), ...shore() }, [from])(hour);
    const c = charger(sourceInto('shore charger'));
    const v = busV([c], [agm(HOUSE_AH, at.soc[0] ?? NaN)]);
    expect(at.volts[0]).toBeCloseTo(v, 4);
    expect(at.sourceA[0]).toBeCloseTo(gives(c, v), 3);
  });

  it('under an AC limit of 2 A: 2 × 120 or 230 V × power factor × efficiency over 14 V', () => {
    const s = sourceInto('shore charger');
    const design: Design = { ...quietBoat(), ...shore({}, 2) };
    const acV = design.boat.acRegion === '230 V' ? 230 : 120;
    const most = (2 * acV * (s.charger?.powerFactor ?? 0) * (s.charger?.efficiency ?? 0)) / 14;
    expect(day(design, [0.5])(1).sourceA[0]).toBeCloseTo(Math.min(30, most), 6);
  });
});

describe('two banks', () => {
  const ends = { firstId: 'house', secondId: 'start' };
  it.each([
    ['alike in charge', [0.6, 0.6]],
    ['the start bank nearly full', [0.5, 0.97]],
  ])('by a closed relay, %s: one bus', (_, soc) => {
    const design = two({ ...shore(), joins: [{ ...blankTie('r', 'relay', 12), ...ends, closeV: 12, openV: 11, delayS: 0 }] });
    const at = day(design, soc)(1);
    const c = charger(sourceInto('shore charger'));
    const batteries = [agm(HOUSE_AH, at.soc[0] ?? NaN), agm(START_AH, at.soc[1] ?? NaN)];
    const v = busV([c], batteries);
    expect(at.volts[0]).toBeCloseTo(v, 4);
    expect(at.volts[1]).toBeCloseTo(v, 4);
    batteries.forEach((b, i) => expect(at.bankA[i]).toBeCloseTo(takes(b, v), 2));
  });

  it.each([
    ['0.7 V of diodes', 0.7, [0.7, 0.7]],
    ['0.05 V of field-effect transistors, one bank fuller', 0.05, [0.6, 0.9]],
  ])('behind a splitter, %s: each a drop below the node, and none gives to the other', (_, dropV, soc) => {
    const s = sourceInto('shore charger', { joinId: 'sp' });
    const regulator = { ...s.regulator, sense: 'its own post' as const };
    const design = two({ ...shore({ joinId: 'sp', regulator }), joins: [{ ...blankTie('sp', 'splitter', 12), ...ends, dropV }] });
    const at = day(design, soc)(1);
    const batteries = [agm(HOUSE_AH, at.soc[0] ?? NaN), agm(START_AH, at.soc[1] ?? NaN)];
    // Seen from the banks, the source's setpoint is a drop lower; a bank above the node takes nothing.
    const c = { ...charger(s), setV: s.regulator.absorptionV - dropV };
    const only = (b: Battery, v: number) => Math.max(0, takes(b, v));
    let [low, high] = [8, 16];
    for (let i = 0; i < 80; i++) {
      const v = (low + high) / 2;
      if (gives(c, v) > batteries.reduce((sum, b) => sum + only(b, v), 0)) low = v;
      else high = v;
    }
    batteries.forEach((b, i) => expect(at.bankA[i]).toBeCloseTo(only(b, (low + high) / 2), 2));
  });

  it.each([
    ['into half empty', 0.5],
    ['into nearly full, tapering', 0.97],
  ])('by a DC–DC, %s: what it gives at the one is drawn at the other over its efficiency', (_, startSoc) => {
    const dcdc = sourceInto('DC–DC', {
      bankId: 'start',
      fromBankId: 'house',
      ratedA: 10,
      dcdc: { efficiency: 0.9, startV: 12.5, stopV: 12, isolated: false },
    });
    const base = shore();
    const design = two({ ...base, sources: [...(base.sources ?? []), dcdc] });
    const at = day(design, [0.6, startSoc])(1);
    const out = charger(dcdc);
    const startV = busV([out], [agm(START_AH, at.soc[1] ?? NaN)]);
    const givesA = gives(out, startV);
    expect(at.volts[1]).toBeCloseTo(startV, 4);
    expect(at.sourceA[1]).toBeCloseTo(givesA, 3);
    // The input current goes by the house's own volts: power over efficiency, found again and again.
    let houseV = 13;
    for (let i = 0; i < 60; i++)
      houseV = busV([charger(sourceInto('shore charger'))], [agm(HOUSE_AH, at.soc[0] ?? NaN)], (givesA * startV) / (0.9 * houseV));
    expect(at.volts[0]).toBeCloseTo(houseV, 2);
  });
});

describe('wind', () => {
  /** Mean amps of a curve over Weibull k = 2 about a mean, by a plain sum of thin strips. */
  function meanA(curve: readonly (readonly [number, number])[], meanMps: number): number {
    const scale = meanMps / 0.886227;
    const amps = (u: number) => {
      const at = curve.findIndex(([mps]) => mps > u);
      if (at === 0) return 0;
      if (at < 0) return curve[curve.length - 1]?.[1] ?? 0;
      const [[x0, y0], [x1, y1]] = [curve[at - 1] ?? [0, 0], curve[at] ?? [0, 0]];
      return y0 + ((y1 - y0) * (u - x0)) / (x1 - x0);
    };
    let sum = 0;
    const thin = 0.005;
    for (let u = thin / 2; u < 40; u += thin) sum += amps(u) * ((2 * u) / scale ** 2) * Math.exp(-((u / scale) ** 2)) * thin;
    return sum;
  }
  it.each([
    ['a fresh breeze, 8 m/s', 8],
    ['light air, 4 m/s', 4],
  ])('%s', (_, mps) => {
    const curve = [
      [3, 0],
      [5, 2],
      [8, 7],
      [11, 13],
      [14, 18],
    ] as const;
    const s = sourceInto('wind', { wind: { brake: true, curve: curve.map(([x, amps], i) => ({ id: `p${i}`, mps: x, amps })) } });
    const at = day(driven(quietBoat(), [s], [['wind', 0, 24, mps]]), [0.5])(2);
    // The loop's curve is smooth through the points, the strips go straight from one to the next.
    expect(at.sourceA[0]).toBeGreaterThan(0.95 * meanA(curve, mps));
    expect(at.sourceA[0]).toBeLessThan(1.05 * meanA(curve, mps));
  });
});

describe('a season against what it is drawn from', () => {
  const runs = 2000;
  const asked = { runs, seed: 11, sunSpread: 0, windSpread: 0, useSpread: 0.3, motorSpread: 0 };
  const used = (amps: number): Design => {
    const boat = drawing(quietBoat({ chemistry: 'lfp' }), amps);
    return {
      ...boat,
      banks: boat.banks.map((b) => ({ ...b, sheet: { ...b.sheet, selfDischargePctMonth: 0 } })),
      cruises: [{ id: 'c', name: 'A day', legs: [{ id: 'l', livingId: 'day', days: 1 }], repeat: 1, startSoc: 1 }],
    };
  };
  const resultOf = (design: Design) => {
    const scene = seasonScene(design);
    return { scene, result: seasonResult([seasonBlock(scene, asked, 0, runs)], scene.windowLow) };
  };
  // The mean is 1: exp(0.3 z - 0.045), z normal.
  const factor = (z: number) => Math.exp(0.3 * z - 0.045);

  it('use alone: the quantiles of what is left are those of a log-normal', () => {
    const { result } = resultOf(used(4));
    const left = (z: number) => 1 - (96 * factor(z)) / HOUSE_AH;
    const [fan] = result.fan;
    // The least that is left is where most was used.
    expect(fan?.[0]).toBeCloseTo(left(1.645), 1);
    expect(fan?.[2]).toBeCloseTo(left(0), 2);
    expect(fan?.[4]).toBeCloseTo(left(-1.645), 1);
    expect(Math.abs((fan?.[1] ?? 0) - left(0.6745))).toBeLessThan(0.012);
  });

  it('use alone: the chance to leave the window is that of the same log-normal, within its own limits', () => {
    const { scene, result } = resultOf(used(5.5));
    // Out where 132 Ah × factor > 200 Ah × (1 - window low).
    const z = (Math.log((HOUSE_AH * (1 - scene.windowLow)) / 132) + 0.045) / 0.3;
    const tail = 0.5 * (1 - erf(z / Math.SQRT2));
    expect(tail).toBeGreaterThan(0.02);
    expect(result.out.low).toBeLessThan(tail);
    expect(result.out.high).toBeGreaterThan(tail);
  });
});

/** Abramowitz and Stegun 7.1.26. */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * x);
  return 1 - ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t * Math.exp(-x * x);
}
