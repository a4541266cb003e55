import fc from 'fast-check';
import { analyse, createMemory } from './analysis';
import { type CircuitResult, dropAt, heatAt, otherSchool, protects, stateAt } from '../circuit';
import { CONDUCTORS } from '../rules';
import { blankCircuit, blankFound, type Design, equal, share } from '../design';
import { anyLength, anyLoad, anySchool, bareBoat, withLoad } from '../design/testing';
import { circuitFindings, workedOf } from './testing';

const circuitX = (design: Design): CircuitResult => workedOf(design).result;

describe('a circuit worked by hand', () => {
  // 240 W constant power on 12 V, metric school, 4 m one way, general load.
  // I = 240 / 11.4 = 21.053 A; device >= 1.25 I = 26.3 A, next rating 30 A.
  // 30 A asks for 2.5 mm2 (35 A at 105 C, 30 C ambient): 1.5 mm2 carries 25 A only.
  const design = withLoad(bareBoat('metric'), { rating: 240 }, 4);
  const { result, trial } = workedOf(design);

  test('working current is power over the lowest bank volts', () => expect(result.workingA).toBeCloseTo(240 / 11.4, 9));
  test('the device is the next rating above 1.25 x working current', () => expect(result.own.protection.ratingA).toBe(30));
  test('the conductor carries more than its device', () =>
    expect(result.own.ladder.rungs.find((r) => r.id === 'protection')?.smallest).toBe('2.5'));
  test('drop: copper at its own temperature, joints, device and feeder, constant power solved', () => {
    const chosen = CONDUCTORS.metric.find((c) => c.size === result.own.ladder.chosen.size);
    if (!chosen) throw new Error('no conductor');
    const iz = chosen.ampacityA[105] ?? 0;
    const tempC = 30 + 75 * (result.workingA / iz) ** 2;
    const copper = (2 * chosen.r20OhmPerKm * 4 * (1 + 0.00393 * (tempC - 20))) / 1000;
    const ohm = copper + 4 * 0.00003 + trial.headOhm;
    const atWay = 11.4 - trial.input.upstreamDropV;
    const loadV = (atWay + Math.sqrt(atWay * atWay - 4 * 240 * ohm)) / 2;
    expect(result.own.state.drop.worst?.loadV).toBeCloseTo(loadV, 9);
    expect(result.own.state.drop.worst?.pct).toBeCloseTo((100 * (11.4 - loadV)) / 12, 9);
  });
});

test('drop counts the whole path: a longer feeder lowers the volts at every load behind it', () => {
  const fed = (tapedM: number): Design => {
    const d = withLoad(bareBoat('metric'), { rating: 100 }, 5, {
      pin: { size: { school: 'metric', size: '4' }, legs: 1, family: null, ratingA: null, ownDevices: false },
    });
    return {
      ...d,
      circuits: d.circuits.map((c) =>
        c.id === 'c-main'
          ? { ...c, pin: { ...c.pin, size: { school: 'metric', size: '10' } }, taps: c.taps.map((t) => ({ ...t, tapedM })) }
          : c,
      ),
    };
  };
  expect(circuitX(fed(6)).own.state.drop.worst?.loadV).toBeLessThan(circuitX(fed(1)).own.state.drop.worst?.loadV ?? 0);
});

test('tapped along the run, each segment carries what lies beyond it', () => {
  const base = withLoad(bareBoat('metric'), { rating: 24, behaviour: 'current' }, 3);
  const [first] = base.loads;
  if (!first) throw new Error('no load');
  const design: Design = {
    ...base,
    loads: [first, { ...first, id: 'y', name: 'Other', rating: 12 }],
    circuits: base.circuits.map((c) =>
      c.id === 'c-x' ? { ...c, taps: [...c.taps, { id: 't-y', parent: 't-x', serves: { kind: 'load', id: 'y' }, tapedM: 2 }] } : c,
    ),
  };
  const { taps, lengthM, own } = circuitX(design);
  expect(taps.map((t) => t.segmentA)).toEqual([3, 1]);
  expect(lengthM).toBe(5);
  const [a, b] = own.state.drop.taps;
  expect((b?.dropV ?? 0) - (a?.dropV ?? 0)).toBeCloseTo(1 * (b?.segmentOhm ?? 0), 9);
});

test('a failing pin is kept and flagged', () => {
  const design = withLoad(bareBoat('metric'), { rating: 240 }, 4, {
    pin: { size: { school: 'metric', size: '1' }, legs: 1, family: null, ratingA: null, ownDevices: false },
  });
  const result = circuitX(design);
  expect(result.own.ladder.chosen.size).toBe('1');
  expect(result.own.ladder.pinned).toBe(true);
  expect(circuitFindings(design).map((f) => f.id)).toEqual(expect.arrayContaining(['fails-ampacity:c-x', 'fails-protection:c-x']));
});

test('a size pinned in one school is no size of the other', () => {
  const design = withLoad(bareBoat('awg'), {}, 4, {
    pin: { size: { school: 'metric', size: '10' }, legs: 1, family: null, ratingA: null, ownDevices: false },
  });
  const result = circuitX(design);
  expect(result.own.ladder.pinned).toBe(false);
  expect(circuitFindings(design).map((f) => f.id)).toContain('pin-school:c-x');
});

test('two makers and a load that disagree are a conflict naming both sides', () => {
  const result = circuitX(withLoad(bareBoat('metric'), { rating: 240, makerFuseA: 15 }, 4));
  expect(result.own.protection.conflict).toContain('the maker of Thing');
  expect(circuitFindings(withLoad(bareBoat('metric'), { rating: 240, makerFuseA: 15 }, 4))[0]?.severity).toBe('stop');
});

test("the maker's table rules up to its length, and beyond it is continued at equal drop and marked", () => {
  const makerWire = [
    { school: 'metric' as const, size: '4', upToM: 3 },
    { school: 'metric' as const, size: '10', upToM: 6 },
  ];
  const rung = (lengthM: number) => circuitX(withLoad(bareBoat('metric'), { rating: 20, makerWire }, lengthM));
  expect(rung(2.9).own.ladder.rungs.find((r) => r.id === 'maker')?.smallest).toBe('4');
  expect(rung(5).own.ladder.rungs.find((r) => r.id === 'maker')?.smallest).toBe('10');
  // 10 mm2 x 9 / 6 = 15 mm2, next size 16.
  expect(rung(9).own.ladder.rungs.find((r) => r.id === 'maker')?.smallest).toBe('16');
  const far = circuitFindings(withLoad(bareBoat('metric'), { rating: 20, makerWire }, 9));
  expect(far.map((f) => f.id)).toContain('maker-silent:c-x');
});

test('a size another test asks for bears its own short, where a thinner one bore a smaller one', () => {
  // 18 AWG holds the short at the far end of 19 m to what it bears for long; 14 AWG, asked for by 30 A, lets through what it does not bear.
  const { ladder, state } = circuitX(
    withLoad(bareBoat('awg', 24), { rating: 0, surgeA: null, makerFuseA: 40, placeId: 'fore' }, 19.27),
  ).own;
  expect([ladder.chosen.size, ladder.governs, state.failing]).toEqual(['12', 'fault', []]);
  expect(ladder.rungs.find((r) => r.id === 'protection')?.smallest).toBe('14');
});

test('a panel that feeds itself is a finding, not a hang', () => {
  const base = bareBoat('awg');
  const design: Design = {
    ...base,
    circuits: [
      {
        ...blankCircuit('a', '1', 'A', { kind: 'panel', id: 'panel' }),
        taps: [{ id: 'a1', parent: null, serves: { kind: 'panel', id: 'main' }, tapedM: null }],
      },
      {
        ...blankCircuit('b', '2', 'B', { kind: 'panel', id: 'main' }),
        taps: [{ id: 'b1', parent: null, serves: { kind: 'panel', id: 'panel' }, tapedM: null }],
      },
    ],
  };
  expect(analyse(design).findings.filter((f) => f.id.startsWith('loop:'))).toHaveLength(2);
});

describe('properties', () => {
  const scene = fc.record({ load: anyLoad, school: anySchool, lengthM: anyLength, systemV: fc.constantFrom(12 as const, 24 as const) });
  const build = (s: { load: object; school: 'awg' | 'metric'; lengthM: number; systemV: 12 | 24 }) =>
    withLoad(bareBoat(s.school, s.systemV), s.load, s.lengthM);

  test('a thicker conductor never has more drop or less ampacity', () => {
    fc.assert(
      fc.property(scene, (s) => {
        const { trial } = workedOf(build(s));
        let lastIz = 0;
        let lastV = -Infinity;
        for (const conductor of CONDUCTORS[s.school]) {
          const heat = heatAt(trial, { conductor, legs: 1 });
          const drop = dropAt(trial, { conductor, legs: 1 });
          expect(heat.izA).toBeGreaterThanOrEqual(lastIz);
          const volts = drop.worst?.loadV ?? -Infinity;
          expect(volts).toBeGreaterThanOrEqual(lastV - 1e-6);
          lastIz = heat.izA;
          lastV = volts;
        }
      }),
      { numRuns: 60 },
    );
  });

  test('a proposed conductor passes every criterion, and its device never exceeds what it protects', () => {
    fc.assert(
      fc.property(scene, (s) => {
        const worked = workedOf(build(s));
        const { result, trial } = worked;
        for (const side of [result.own, otherSchool(worked).side]) {
          if (!side.ladder.proposed) continue;
          // A light load's drop raises its conductor by five sizes at most: what is left is said, not paid in copper.
          const may = result.workingA <= 10 ? ['drop', 'surge'] : [];
          expect(side.state.failing.filter((id) => !may.includes(id))).toEqual([]);
          expect(side.ladder.rungs.filter((r) => r.applies && !r.advisory && !r.chosenPasses && !may.includes(r.id))).toEqual([]);
          expect(side.protection.ratingA).toBeLessThanOrEqual(side.state.heat.legIzA + 1e-6);
        }
        if (result.own.ladder.proposed) expect(protects(trial, result.own.state.heat.legIzA).passes).toBe(true);
      }),
      { numRuns: 120 },
    );
  });

  test('the size below the proposed one fails something', () => {
    fc.assert(
      fc.property(scene, (s) => {
        const { result, trial } = workedOf(build(s));
        const { proposed } = result.own.ladder;
        if (proposed?.legs !== 1) return;
        const at = CONDUCTORS[s.school].findIndex((c) => c.size === proposed.size);
        const below = CONDUCTORS[s.school][at - 1];
        if (below) expect(stateAt(trial, { conductor: below, legs: 1 }).passes).toBe(false);
      }),
      { numRuns: 60 },
    );
  });

  test('no load makes the core throw, and every number it gives is one', () => {
    fc.assert(
      fc.property(scene, (s) => {
        const analysis = analyse(build(s));
        for (const c of analysis.circuits) {
          expect(Number.isNaN(c.workingA)).toBe(false);
          expect(Number.isNaN(c.own.protection.faultA)).toBe(false);
          expect(Number.isNaN(c.own.state.heat.tempC)).toBe(false);
        }
      }),
      { numRuns: 120 },
    );
  });

  test('working from memory gives what working afresh gives', () => {
    fc.assert(
      fc.property(fc.array(scene, { minLength: 2, maxLength: 5 }), (scenes) => {
        const memory = createMemory();
        let design: Design | null = null;
        for (const s of scenes) {
          design = share(design, build({ ...s, school: 'metric', systemV: 12 }));
          const kept = analyse(design, memory);
          expect(equal(kept, analyse(design))).toBe(true);
        }
      }),
      { numRuns: 25 },
    );
  });

  test('so it does where only the volts before old wires move', () => {
    const old = (over: object) => ({ found: { ...blankFound('metric'), ...over } });
    const neighbours = (s: { load: object; lengthM: number }): Design => {
      const one = withLoad(bareBoat('metric'), s.load, s.lengthM, old({ faults: [{ id: 'f', kind: 'green', mohm: 300 }] }));
      const moved = one.loads.map((l) => ({ ...l, id: 'y', name: 'Other' }));
      const other = withLoad(bareBoat('metric'), { rating: 240, runsLong: true }, 3);
      const wires = one.circuits.slice(-1).map((c) => ({
        ...c,
        id: 'c-y',
        taps: c.taps.map((t) => ({ ...t, serves: { kind: 'load' as const, id: 'y' } })),
      }));
      return { ...other, loads: [...other.loads, ...moved], circuits: [...other.circuits, ...wires] };
    };
    fc.assert(
      fc.property(scene, fc.array(fc.double({ min: 1, max: 6000, noNaN: true }), { minLength: 2, maxLength: 4 }), (s, ratings) => {
        const memory = createMemory();
        const start = neighbours(s);
        for (const rating of ratings) {
          const design = { ...start, loads: start.loads.map((l) => (l.id === 'x' ? { ...l, rating } : l)) };
          expect(equal(analyse(design, memory), analyse(design))).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });
});

test('an edit elsewhere leaves a circuit untouched: its result is the same object', () => {
  const memory = createMemory();
  const design = withLoad(bareBoat('metric'), {}, 4);
  const first = analyse(design, memory);
  const second = analyse({ ...design, living: [...design.living] }, memory);
  expect(second.circuits.every((c, i) => c === first.circuits[i])).toBe(true);
});

test('a bank’s name changes no figure: every circuit stays the same object; whatever else of it moves is worked out as afresh', () => {
  const base = withLoad(bareBoat('metric'), { rating: 300, surgeA: 60 }, 4);
  const [bank] = base.banks;
  if (!bank) throw new Error('no bank');
  const withBank = (change: Partial<Design['banks'][number]>): Design => ({
    ...base,
    banks: [{ ...bank, ...change }, ...base.banks.slice(1)],
  });
  const memory = createMemory();
  const first = analyse(base, memory);
  const renamed = analyse(withBank({ name: 'House bank, port and starboard' }), memory);
  expect(renamed.circuits.length).toBeGreaterThan(1);
  expect(renamed.circuits.every((c, i) => c === first.circuits[i])).toBe(true);
  const faults = new Set<number | undefined>();
  for (const change of [
    { blockAh: 220 },
    { blockAh: 220, strings: 3 },
    { chemistry: 'lfp' as const },
    { chemistry: 'lfp' as const, shortCircuitA: 9000 },
    { cca: 900 },
    { placeId: base.places.at(-1)?.id ?? null },
    {},
  ]) {
    const design = withBank(change);
    const kept = analyse(design, memory);
    expect(equal(kept, analyse(design))).toBe(true);
    faults.add(kept.circuits[0]?.own.protection.faultA);
  }
  // It does hang on the bank.
  expect(faults.size).toBeGreaterThan(3);
});
