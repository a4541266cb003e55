/** Wire as found: figures by hand. */
import { analyse } from '../analysis';
import type { CircuitResult } from './circuitResult';
import {
  blankFault,
  asFoundDesign,
  blankCircuit,
  blankDevice,
  blankFound,
  blankLoad,
  type Circuit,
  type Design,
  type Found,
} from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { circuitFindings } from '../analysis/testing';
import { CONDUCTORS, findConductor, underSchool } from '../rules';
import { foundInsulationC, foundLengths, foundOhm, standing } from './asFound';

const found = (change: Partial<Found> = {}): Found => ({
  ...blankFound('metric'),
  size: { school: 'metric', size: '2.5' },
  sizeKnown: true,
  decision: 'keep',
  kind: 'tinned strands',
  ...change,
});
const kept = (change: Partial<Found>, load: object = {}, circuit: Partial<Circuit> = {}): Design =>
  withLoad(bareBoat('metric'), { rating: 60, placeId: 'saloon', supply: 'house switch', ...load }, 5, { found: found(change), ...circuit });
const resultOf = (design: Design): CircuitResult => {
  const result = analyse(design).circuits.find((c) => c.id === 'c-x');
  if (!result) throw new Error('no circuit');
  return result;
};
const ids = (design: Design): string[] => circuitFindings(design).map((f) => f.id);

describe('what age and kind leave of the insulation', () => {
  test.each([
    [{ kind: 'tinned strands' as const }, 105],
    [{ kind: 'bare strands' as const }, 75],
    [{ kind: 'household' as const }, 60],
    [{ kind: 'unknown' as const }, 60],
    [{ kind: 'tinned strands' as const, ageYears: 19 }, 105],
    [{ kind: 'tinned strands' as const, ageYears: 20 }, 75],
    [{ kind: 'solid' as const, ageYears: 40 }, 60],
    [{ kind: 'household' as const, ageYears: 40, insulationC: 90 as const }, 90],
  ])('%j: %d °C', (change, ratingC) => expect(foundInsulationC(found(change))).toBe(ratingC));
  test('the reduced rating reduces what the wire may carry', () => {
    // 2.5 mm2: 35 A in the 105 column, 17 A in the 60 column.
    expect(resultOf(kept({})).own.state.heat.izA).toBe(35);
    expect(resultOf(kept({ kind: 'household' })).own.state.heat.izA).toBe(17);
  });
});

describe('bad joints', () => {
  const bad = found({
    faults: [blankFault('a', 'green'), blankFault('b', 'failed-crimp', 20)],
  });
  test('add their typical or measured resistance', () => expect(foundOhm(bad)).toBeCloseTo(0.023, 12));
  test('and it is in the drop, and in the short at the far end', () => {
    const [sound, poor] = [resultOf(kept({})), resultOf(kept({ faults: bad.faults }))];
    const amps = 60 / 11.4;
    const more = (poor.own.state.drop.worst?.dropV ?? 0) - (sound.own.state.drop.worst?.dropV ?? 0);
    // Constant power: a little more than I R of the working current.
    expect(more).toBeGreaterThan(amps * 0.023);
    expect(more).toBeLessThan(amps * 0.023 * 1.15);
    expect(poor.own.state.fault?.farA).toBeLessThan(sound.own.state.fault?.farA ?? 0);
  });
  test('each is a finding with its heat', () => {
    const finding = circuitFindings(kept({ faults: bad.faults })).find((f) => f.id === 'fault-b:c-x');
    // 5.263^2 x 20 mohm = 0.554 W
    expect(finding).toMatchObject({ severity: 'stop', title: 'failed crimp' });
    expect(finding?.why).toContain('0.554 W');
  });
  test('that lose more than 1 % are named together', () =>
    expect(ids(kept({ faults: [blankFault('a', 'green', 60)] }))).toContain('bad-joints:c-x'));
});

describe('lengths measured aboard', () => {
  const half = [
    { lengthM: 2, taped: false },
    { lengthM: 6, taped: false },
  ];
  test('a whole length is shared in the proportion of the estimates', () =>
    expect(foundLengths(found({ lengthM: 4 }), half)).toEqual([1, 3]));
  test('taped parts stand, the rest is shared', () =>
    expect(foundLengths(found({ lengthM: 10 }), [{ lengthM: 4, taped: true }, ...half])).toEqual([4, 1.5, 4.5]));
  test('none measured: what held before', () => expect(foundLengths(found(), half)).toEqual([2, 6]));
});

describe('what stands', () => {
  test('kept and undecided stand; replaced and removed do not', () => {
    const of = (decision: Found['decision']) =>
      standing({ ...blankCircuit('c', '1', 'C', { kind: 'bank', id: 'b' }), found: found({ decision }) });
    expect([of('keep'), of('undecided'), of('replace'), of('remove')].map((f) => f !== null)).toEqual([true, true, false, false]);
  });
  test('a kept wire is the choice however small, and what it fails is told', () => {
    const thin = kept({ size: { school: 'metric', size: '0.75' } }, { rating: 240 });
    const { own } = resultOf(thin);
    const findings = circuitFindings(thin);
    expect(own.ladder).toMatchObject({ kept: true, pinned: false, chosen: { school: 'metric', size: '0.75' } });
    expect(own.state.failing).toContain('ampacity');
    expect(findings.find((f) => f.id === 'fails-ampacity:c-x')).toMatchObject({ title: '0.75 mm², as found, fails ampacity' });
    expect(findings.find((f) => f.id === 'fails-ampacity:c-x')?.todo).toMatch(/^Replace it with /);
  });
  test('replaced: the new choice goes before it, and the wire is not counted', () =>
    expect(resultOf(kept({ decision: 'replace', size: { school: 'metric', size: '0.75' } }, { rating: 240 })).own.ladder).toMatchObject({
      kept: false,
    }));
  test('removed: it is gone from the figures, and its load is loose', () => {
    const analysis = analyse(kept({ decision: 'remove' }));
    expect(analysis.circuits.some((c) => c.id === 'c-x')).toBe(false);
    expect(analysis.findings.map((f) => f.id)).toContain('no-circuit:x');
  });
  test('its own fuse stands if it is kept, and a missing one is a stop', () => {
    expect(resultOf(kept({ keepProtection: true, family: 'blade', ratingA: 20 })).own.protection).toMatchObject({
      ratingA: 20,
      familyId: 'blade',
      missing: false,
    });
    const bare = kept({ keepProtection: true, ratingA: null });
    expect(resultOf(bare).own.protection.missing).toBe(true);
    expect(circuitFindings(bare).find((f) => f.id === 'unprotected:c-x')?.severity).toBe('stop');
    expect(ids(kept({ keepProtection: false, ratingA: null }))).not.toContain('unprotected:c-x');
  });
  test.each([
    ['solid', 'found-kind:c-x'],
    ['household', 'found-kind:c-x'],
    ['bare strands', 'found-kind:c-x'],
    ['unknown', 'found-kind:c-x'],
  ] as const)('%s wire is told', (kind, id) => expect(ids(kept({ kind }))).toContain(id));
  test('a decision wants a reason', () => {
    expect(ids(kept({ decision: 'replace' }))).toContain('no-reason:c-x');
    expect(ids(kept({ reason: 'sound where it was opened' }))).not.toContain('no-reason:c-x');
  });
  test('of a size nobody has measured the thinnest is calculated with, and it is to be settled', () => {
    const blank = blankFound('metric');
    const unknown = kept({ size: blank.size, sizeKnown: blank.sizeKnown });
    expect(resultOf(unknown).own.state.areaMm2).toBe(0.75);
    expect(ids(unknown)).toContain('found-size:c-x');
    expect(ids(kept({}))).not.toContain('found-size:c-x');
  });
  test('not decided yet is a note; leading nowhere is to be settled', () => {
    expect(ids(kept({ decision: 'undecided' }))).toContain('undecided:c-x');
    expect(ids(kept({}, {}, { taps: [] }))).toEqual(['unidentified:c-x']);
  });
});

describe('wire of the other school', () => {
  test('has its own copper and the ampacity of the size next below it', () => {
    // 14 AWG is 2.081 mm2: between 1.5 and 2.5 mm2, so 25 A at 105 degC.
    const wire = findConductor('awg', '14');
    const under = wire && underSchool(wire, 'metric');
    expect(under).toMatchObject({ areaMm2: 2.081, r20OhmPerKm: 8.617 });
    expect(under?.ampacityA[105]).toBe(25);
  });
  test('is kept under its own name', () => {
    const { own } = resultOf(kept({ size: { school: 'awg', size: '14' } }));
    expect(own.ladder.chosen).toEqual({ school: 'awg', size: '14', legs: 1 });
    expect(own.state.heat.izA).toBe(25);
  });
  test('thinner than the whole table it takes the thinnest column', () => {
    const hair = { ...(CONDUCTORS.awg[0] as (typeof CONDUCTORS.awg)[number]), areaMm2: 0.5 };
    expect(underSchool(hair, 'metric').ampacityA[105]).toBe(16);
  });
});

test('the boat as found has only what was found, as it was found', () => {
  const design = kept({ decision: 'remove', size: { school: 'metric', size: '1' } });
  const before = asFoundDesign({ ...design, loads: [...design.loads, { ...blankLoad('new', 12), rating: 5 }] });
  expect(before.circuits.map((c) => c.id)).toEqual(['c-x']);
  expect(before.loads.map((l) => l.id)).toEqual(['x']);
  expect(analyse(before).circuits[0]?.own.ladder.chosen.size).toBe('1');
});

describe('in line', () => {
  const inLine = (change: object, load: object = {}): Design =>
    withLoad(bareBoat('metric'), { rating: 60, placeId: 'saloon', supply: 'house switch', ...load }, 5, {
      devices: [{ ...blankDevice('d', 'switch'), ...change }],
    });
  test('a diode loses 0.7 V whatever the current', () => {
    const plain = resultOf(inLine({ kind: 'shunt', mohm: 0 }, { behaviour: 'current', rating: 12 })).own.state.drop.worst?.dropV ?? 0;
    const diode = resultOf(inLine({ kind: 'diode', mohm: 0 }, { behaviour: 'current', rating: 12 })).own.state.drop.worst?.dropV ?? 0;
    expect(diode - plain).toBeCloseTo(0.7, 9);
  });
  test('the largest cable it takes', () =>
    expect(ids(inLine({ largest: { school: 'metric', size: '0.75' } }))).toContain('device-size-d:c-x'));
  test('a float without a way round it', () => {
    expect(ids(inLine({ kind: 'float switch' }, { group: 'pump' }))).toContain('bypass-d:c-x');
    expect(ids(inLine({ kind: 'float switch', bypass: true }, { group: 'pump' }))).not.toContain('bypass-d:c-x');
  });
  test('contacts where petrol vapour is possible', () => {
    const design = inLine({ placeId: 'engine' });
    const petrol = { ...design, places: design.places.map((p) => (p.id === 'engine' ? { ...p, vapour: true } : p)) };
    expect(ids(design)).not.toContain('spark-d:c-x');
    expect(ids(petrol)).toContain('spark-d:c-x');
  });
  test('the run goes by way of it', () => {
    const untaped = (placeId: string | null): Design => {
      const design = inLine({ placeId });
      return {
        ...design,
        circuits: design.circuits.map((c) => (c.id === 'c-x' ? { ...c, taps: c.taps.map((t) => ({ ...t, tapedM: null })) } : c)),
      };
    };
    expect(resultOf(untaped('bow')).lengthM).toBeGreaterThan(resultOf(untaped(null)).lengthM + 2);
  });
});

describe('makers’ further demands', () => {
  const asks = (load: object): string[] => ids(withLoad(bareBoat('metric'), { rating: 60, supply: 'house switch', ...load }, 5));
  test.each([
    ['lead-x:c-x', { maxLeadM: 4 }, { maxLeadM: 5 }],
    ['bank-x:c-x', { minBankAh: 300 }, { minBankAh: 200 }],
    ['fuse-kind-x:c-x', { makerFuseFamily: 'class-T' }, { makerFuseFamily: null }],
    ['range-x:c-x', { range: { toRating: 90, placeIds: [] } }, { range: null }],
  ])('%s', (id, bad, good) => {
    expect(asks(bad)).toContain(id);
    expect(asks(good)).not.toContain(id);
  });
});

describe('equipment not chosen yet', () => {
  const design = (load: object): Design => {
    const base = withLoad(bareBoat('metric'), { rating: 24, placeId: 'saloon', supply: 'house switch', ...load }, 5);
    return {
      ...base,
      circuits: base.circuits.map((c) => (c.id === 'c-x' ? { ...c, taps: c.taps.map((t) => ({ ...t, tapedM: null })) } : c)),
    };
  };
  test('its run suits the heaviest candidate in the farthest place', () => {
    const near = resultOf(design({}));
    const far = resultOf(design({ range: { toRating: 48, placeIds: ['bow', 'chart'] } }));
    expect(far.workingA).toBeCloseTo(2 * near.workingA, 9);
    expect(far.lengthM).toBeCloseTo(resultOf(design({ placeId: 'bow' })).lengthM, 9);
  });
  test('and the hottest of its places', () =>
    expect(resultOf(design({ range: { toRating: 24, placeIds: ['engine'] } })).own.state.heat.izA).toBe(
      resultOf(design({ placeId: 'engine' })).own.state.heat.izA,
    ));
  test('a lighter candidate than the figure given does not lighten it', () =>
    expect(resultOf(design({ range: { toRating: 5, placeIds: [] } })).workingA).toBe(resultOf(design({})).workingA));
});

describe('legs side by side', () => {
  const legs = (ownDevices: boolean, size = '50'): CircuitResult =>
    resultOf(
      withLoad(bareBoat('metric'), { rating: 300, ratingBy: 'A', behaviour: 'current', placeId: 'saloon', supply: 'house switch' }, 3, {
        pin: { size: { school: 'metric', size }, legs: 2, family: 'class-T', ratingA: null, ownDevices },
      }),
    );
  test('one device for both has to protect each leg alone', () => {
    const one = legs(false);
    expect(one.own.protection).toMatchObject({ count: 1, legs: 1, ratingA: 400 });
    expect(one.own.state.failing).toContain('protection');
  });
  test('with devices of their own at both ends each leg has its share', () => {
    const own = legs(true, '70');
    // 300 A / 2 x 1.25 = 187.5 A: 200 A, on a leg good for 330 A x 0.7, four lying together.
    expect(own.own.protection).toMatchObject({ count: 4, legs: 2, ratingA: 200 });
    expect(own.own.state.failing).not.toContain('protection');
  });
  test('with one leg open the other carries all of it', () => {
    const { legOpen } = legs(true).own.state;
    expect(legOpen?.legA).toBeCloseTo(300, 9);
    expect(legOpen?.passes).toBe(false);
    const open = withLoad(
      bareBoat('metric'),
      { rating: 300, ratingBy: 'A', behaviour: 'current', placeId: 'saloon', supply: 'house switch' },
      3,
      { pin: { size: { school: 'metric', size: '50' }, legs: 2, family: 'class-T', ratingA: null, ownDevices: true } },
    );
    expect(circuitFindings(open).map((f) => f.id)).toContain('leg-open:c-x');
    const drop = legs(true).own.state.drop.worst?.pct ?? 0;
    expect(legOpen?.pct).toBeGreaterThan(drop * 1.3);
  });
  test('heavy enough legs bear it', () => expect(legs(true, '95').own.state.legOpen).toMatchObject({ passes: true }));
  test('a single conductor has no leg to open', () => expect(resultOf(kept({})).own.state.legOpen).toBeNull());
});
