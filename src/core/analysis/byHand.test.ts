/** Circuits worked by hand in both schools, figure by figure, against what the core says of them. */
import { workedOf } from './testing';
import { type CircuitResult, marginsOf, otherSchool, stateAt } from '../circuit';
import { findConductor } from '../rules';
import type { Circuit, Design, Load } from '../design';
import { bareBoat, withLoad } from '../design/testing';

const resultOf = (design: Design, id = 'c-x'): CircuitResult => workedOf(design, id).result;

/** A load on a run of its own from the main bus, everything before the bus made lossless, so that the hand's figures are the run's. */
function alone(school: 'awg' | 'metric', systemV: 12 | 24, load: Partial<Load>, lengthM: number, circuit: Partial<Circuit> = {}): Design {
  const base = bareBoat(school, systemV);
  const heavy = school === 'awg' ? { school, size: '4/0' } : { school, size: '150' };
  const strong: Design = {
    ...base,
    house: { ...base.house, terminalC: 150, postC: 150 },
    // A short small enough for a blade fuse.
    banks: base.banks.map((b) => ({ ...b, shortCircuitA: 900, cca: 200 })),
    circuits: base.circuits.map((c) =>
      c.id === 'c-main' ? { ...c, pin: { ...c.pin, size: heavy }, taps: c.taps.map((t) => ({ ...t, tapedM: 0.05 })) } : c,
    ),
  };
  return withLoad(strong, { placeId: 'saloon', supply: 'house switch', ...load }, lengthM, circuit);
}
const pinned = (school: 'awg' | 'metric', size: string): Partial<Circuit> => ({
  pin: { size: { school, size }, legs: 1, family: null, ratingA: null, ownDevices: false },
});

describe('a motor of 8 A, 12 V, 6 m one way, AWG', () => {
  // 8 A x 1.25 = 10 A device. 14 AWG at 105 degC carries 35 A.
  // T = 30 + 75 (8/35)^2 = 33.92 degC; R = 2 x 6 m x 8.617/1000 x (1 + 0.00393 x 13.92) x 1.1 = 119.97 mohm; joints 0.12.
  const design = alone('awg', 12, { rating: 8, ratingBy: 'A', behaviour: 'current' }, 6, pinned('awg', '14'));
  const { own, workingA } = resultOf(design);
  test('works at what it says', () => expect(workingA).toBe(8));
  test('temperature', () => expect(own.state.heat.tempC).toBeCloseTo(33.918, 3));
  test('segment', () => expect(own.state.drop.taps[0]?.segmentOhm).toBeCloseTo(0.11997 + 0.00012, 4));
  test('device', () => expect(own.protection.ratingA).toBe(10));
  test('the run alone loses 8 A through segment and device', () => {
    expect(own.protection.familyName).toBe('blade fuse');
    expect(own.state.drop.ownV).toBeCloseTo(8 * (0.12009 + 0.07 / 10), 3);
  });
  test('copper and insulation weigh two conductors', () => expect(own.state.massKg).toBeCloseTo((2 * 6 * 27) / 1000, 9));
});

describe('the same motor in an engine space, in a conduit, metric', () => {
  // 2.5 mm2 at 105 degC: 35 A x 0.86 engine space x 0.9 conduit = 27.09 A; sqrt((105 - 50)/(105 - 30)) = 0.856 rules over 0.86.
  const design = alone('metric', 12, { rating: 8, ratingBy: 'A', behaviour: 'current', placeId: 'engine' }, 6, {
    ...pinned('metric', '2.5'),
    enclosure: 'conduit',
  });
  const { heat } = resultOf(design).own.state;
  test('ampacity', () => expect(heat.izA).toBeCloseTo(35 * Math.sqrt(55 / 75) * 0.9, 6));
  test('temperature rises from the engine space', () => expect(heat.tempC).toBeCloseTo(50 + 55 * (8 / heat.izA) ** 2, 6));
});

describe('constant power and resistance beside each other, 24 V', () => {
  const fed = (behaviour: Load['behaviour']) => workedOf(alone('metric', 24, { rating: 240, behaviour }, 10, pinned('metric', '2.5')));
  const drop = (behaviour: Load['behaviour']) => fed(behaviour).result;
  test('a supply draws more than nominal, a heater more while charging, a motor as given', () => {
    expect(drop('power').workingA).toBeCloseTo(240 / 22.8, 9);
    expect(drop('resistance').workingA).toBeCloseTo((10 * 28.8) / 24, 9);
    expect(drop('current').workingA).toBe(10);
  });
  test('a supply’s volts solve V (Vs - V) / R = P', () => {
    const { own } = drop('power');
    const tap = own.state.drop.taps[0];
    const { trial } = fed('power');
    const loadV = tap?.loadV ?? 0;
    const wayV = loadV + own.state.drop.ownV;
    const ohm = (tap?.segmentOhm ?? 0) + trial.headOhm;
    expect((loadV * (wayV - loadV)) / ohm).toBeCloseTo(240, 6);
  });
});

describe('six lamps along one way', () => {
  const base = alone('metric', 12, { rating: 12, behaviour: 'resistance' }, 2);
  const [first] = base.loads;
  if (!first) throw new Error('no load');
  const design: Design = {
    ...base,
    loads: [first, ...[1, 2].map((n) => ({ ...first, id: `x${n}`, name: `Lamp ${n}` }))],
    circuits: base.circuits.map((c) =>
      c.id === 'c-x'
        ? {
            ...c,
            taps: [
              ...c.taps,
              { id: 't1', parent: 't-x', serves: { kind: 'load', id: 'x1' }, tapedM: 3 },
              { id: 't2', parent: 't-x', serves: { kind: 'load', id: 'x2' }, tapedM: 1 },
            ],
          }
        : c,
    ),
  };
  const { own, taps, workingA, lengthM } = resultOf(design);
  test('the first segment carries all three, the branches one each', () => {
    const one = workingA / 3;
    expect(taps.map((t) => t.segmentA / one)).toEqual([expect.closeTo(3, 9), expect.closeTo(1, 9), expect.closeTo(1, 9)]);
  });
  test('lengths add up; the far branch loses most', () => {
    expect(lengthM).toBe(6);
    const [at, far, near] = own.state.drop.taps;
    expect(far?.dropV).toBeGreaterThan(near?.dropV ?? Infinity);
    expect(near?.dropV).toBeGreaterThan(at?.dropV ?? Infinity);
    expect(own.state.drop.worst?.tapIndex).toBe(1);
  });
  test('each branch loses its own current through its own copper', () => {
    const [at, far] = own.state.drop.taps;
    expect((far?.dropV ?? 0) - (at?.dropV ?? 0)).toBeCloseTo((workingA / 3) * (far?.segmentOhm ?? 0), 9);
  });
});

describe('how far a choice may be stretched', () => {
  const design = alone('metric', 12, { rating: 60, critical: true }, 4);
  const { result, trial } = workedOf(design);
  const margins = marginsOf(trial, result.own.ladder.chosen);
  const conductor = findConductor('metric', result.own.ladder.chosen.size);
  if (!conductor) throw new Error('no conductor');
  const passesAt = (change: (d: Design) => Design): boolean => {
    const b = workedOf(change(design)).trial;
    return stateAt({ ...b, protection: trial.protection }, { conductor, legs: 1 }).passes;
  };
  const run =
    (lengthM: number) =>
    (d: Design): Design => ({
      ...d,
      circuits: d.circuits.map((c) => (c.id === 'c-x' ? { ...c, taps: c.taps.map((t) => ({ ...t, tapedM: lengthM })) } : c)),
    });
  test('a run a little shorter than the margin passes, a little longer fails', () => {
    const most = margins.lengthM;
    if (most === null) throw new Error('a margin in length is expected');
    expect(passesAt(run(most * 0.995))).toBe(true);
    expect(passesAt(run(most * 1.005))).toBe(false);
  });
  test('current is at most what the device is rated for', () =>
    expect(margins.currentA ?? 0).toBeLessThanOrEqual(trial.protection.ratingA + 1e-6));
  test('volts sink to where a supply’s drop breaks its limit', () => {
    expect(margins.lowV).not.toBeNull();
    expect(margins.lowV ?? 99).toBeLessThan(11.4);
    expect(margins.lowV ?? 0).toBeGreaterThan(5);
  });
  test('what no shorter way nor weaker load would cure has no such margin', () => {
    // 1 mm2 behind a device for 50 A: whatever it carries, the device does not protect it.
    const { result: bad, trial: b } = workedOf(alone('metric', 12, { rating: 600 }, 4, pinned('metric', '1')));
    expect(marginsOf(b, bad.own.ladder.chosen)).toEqual({ holds: false, lengthM: null, currentA: null, ambientC: null, lowV: null });
  });
  test('what fails says what it would be good for: there it holds, and a little beyond it does not', () => {
    const at = (m: number) => workedOf(alone('metric', 12, { rating: 120 }, m, pinned('metric', '2.5')));
    const { result, trial } = at(20);
    const m = marginsOf(trial, result.own.ladder.chosen);
    expect(m.holds).toBe(false);
    expect(m.lengthM).toBeLessThan(20);
    expect(m.currentA).toBeLessThan(result.workingA);
    const holds = (m: number) => at(m).result.own.state.passes && at(m).result.own.state.drop.wholePasses;
    expect([holds((m.lengthM ?? 0) * 0.999), holds((m.lengthM ?? 0) * 1.01)]).toEqual([true, false]);
  });
});

describe('the other school beside it', () => {
  test('answers in its own sizes, with its own copper allowance', () => {
    const metric = workedOf(alone('metric', 12, { rating: 100, critical: true }, 6));
    const beside = otherSchool(metric);
    expect(beside.side.ladder.school).toBe('awg');
    expect(beside.trial.input.copperFactor).toBe(1.1);
    expect(beside.side.state.failing).toEqual([]);
  });
  test('and the other way round', () => {
    const awg = workedOf(alone('awg', 12, { rating: 100, critical: true }, 6));
    expect(otherSchool(awg).side.ladder.school).toBe('metric');
  });
});

describe('what hangs behind a feeder', () => {
  const base = bareBoat('metric');
  const lamp = (d: Design, id: string, amps: number, more: Partial<Load> = {}): Design =>
    withLoad(d, { id, name: id, rating: amps, ratingBy: 'A', behaviour: 'current', placeId: 'chart', ...more }, 2, {
      id: `c-${id}`,
      from: { kind: 'panel', id: 'panel' },
      supply: 'panel breaker',
      taps: [{ id: `t-${id}`, parent: null, serves: { kind: 'load', id }, tapedM: 2 }],
    });
  const panel = lamp(lamp(lamp(base, 'a', 5), 'b', 3), 'c', 20, { duty: { onS: 10, restS: 60, repeats: 3 } });
  test('the feeder is asked for the sum by diversity, never less than the largest', () => {
    // 28 A x 0.7 = 19.6 A is less than the 20 A one.
    expect(resultOf(panel, 'c-feed').workingA).toBe(20);
    expect(resultOf({ ...panel, house: { ...panel.house, diversity: 0.9 } }, 'c-feed').workingA).toBeCloseTo(25.2, 9);
  });
  test('what runs for seconds is no part of what the lamps see as steady', () => {
    const steady = resultOf(panel, 'c-a').own.state.drop.worst?.dropV ?? 0;
    const without = resultOf(lamp(lamp(base, 'a', 5), 'b', 3), 'c-a').own.state.drop.worst?.dropV ?? 0;
    // The feeder itself is heavier for the brief one, so the lamps lose no more than without it.
    expect(steady).toBeLessThanOrEqual(without + 1e-9);
  });
  test('the brief one counts its own current on its whole path', () => {
    const { input } = workedOf(panel, 'c-c').trial;
    expect(input.upstreamDropV).toBeGreaterThan(input.upstream.dropV);
  });
  test('a short at the panel is smaller than one at the bus, and the far end smaller still', () => {
    const [bus, panelFault] = [resultOf(panel, 'c-feed').own.protection.faultA, resultOf(panel, 'c-a').own.protection.faultA];
    expect(panelFault).toBeLessThan(bus);
    expect(resultOf(panel, 'c-a').own.state.fault?.farA ?? Infinity).toBeLessThan(panelFault);
  });
});
