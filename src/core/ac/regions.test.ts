/** One boat of each region against the page worked by hand in docs/methods.md (M12): the figures there are literals here. */
import { blankAcSource, type AcCircuit, type AcLoad, blankAcCircuit, blankAcPanel, type Boat, type Design } from '../design';
import { bareBoat } from '../design/testing';
import { type AcCircuitResult, acCircuits } from './circuits';
import { runningOf } from './running';
import { statesOf } from './states';
import { appliance } from './testing';

function boat(
  school: 'awg' | 'metric',
  acRegion: Boat['acRegion'],
  mainM: number,
  loads: readonly AcLoad[],
  branches: readonly (readonly [id: string, lengthM: number, loadIds: readonly string[], outlets: number])[],
): Design {
  const bare = bareBoat(school);
  const d: Design = { ...bare, boat: { ...bare.boat, acRegion } };
  const run = (id: string, from: AcCircuit['from'], more: Partial<AcCircuit>): AcCircuit => ({
    ...blankAcCircuit(id, id, id, from),
    ...more,
  });
  return {
    ...d,
    acSources: [blankAcSource('shore', 'shore', d.boat)],
    acPanels: [{ ...blankAcPanel('panel', 'chart'), name: 'AC panel' }],
    acLoads: [...loads],
    acCircuits: [
      run('main', { kind: 'source', id: 'shore' }, { to: { kind: 'panel', id: 'panel' }, leakageMa: 30, lengthM: mainM }),
      ...branches.map(([id, lengthM, loadIds, outlets]) =>
        run(id, { kind: 'panel', id: 'panel' }, { lengthM, loadIds: [...loadIds], outlets }),
      ),
    ],
  };
}
const of = (d: Design, id: string): AcCircuitResult => {
  const found = acCircuits(d).find((r) => r.id === id);
  if (!found) throw new Error(`no run ${id}`);
  return found;
};
const bought = (d: Design) => acCircuits(d).map((r) => `${r.id} ${r.ratingA} A ${r.cores.length} × ${r.conductor.size}`);
const sets = (d: Design) => runningOf(d)[0]?.together.sets.map((s) => s.join(' + '));

describe('230 V, 16 A', () => {
  const d = boat(
    'metric',
    '230 V',
    5,
    [appliance('kettle', 2000), appliance('heater', 1500, { runsLong: true }), appliance('telly', 100)],
    [
      ['outlets', 6, ['kettle', 'telly'], 2],
      ['fire', 8, ['heater'], 0],
    ],
  );
  test('what is bought', () => expect(bought(d)).toEqual(['main 16 A 3 × 2.5', 'outlets 16 A 3 × 2.5', 'fire 10 A 3 × 1.5']));
  test('drops: main 0.661 %, outlets 0.793, fire 0.719; the worst path 1.45 %', () => {
    expect(of(d, 'main').ownDropPct).toBeCloseTo(0.661, 3);
    expect(of(d, 'outlets').ownDropPct).toBeCloseTo(0.793, 3);
    expect(of(d, 'fire').ownDropPct).toBeCloseTo(0.719, 3);
    expect(of(d, 'outlets').dropPct).toBeCloseTo(1.454, 3);
  });
  test('a live case at the outlets: 1.007 ohm, 228 A, fourteen times 16 A: at once', () => {
    const [f] = of(d, 'outlets').faults;
    expect(f?.loopOhm).toBeCloseTo(1.0066, 4);
    expect(f?.amps).toBeCloseTo(228.5, 1);
    expect(f?.cutBy).toBe('breaker');
  });
  test('together: 3680 VA take kettle and heater, with the television 3600', () => expect(sets(d)).toEqual(['kettle + heater + telly']));
  test('one state, the lead in: neutral meets earth ashore', () =>
    expect(statesOf(d).map((s) => s.origins.map((o) => o.bonds.map((b) => b.kind)))).toEqual([[['ashore']]]));
});

describe('120 V, 30 A', () => {
  const d = boat(
    'awg',
    '120 V',
    6,
    [appliance('kettle', 1500), appliance('heater', 1200, { runsLong: true }), appliance('oven', 1400)],
    [
      ['outlets', 4, ['kettle', 'oven'], 2],
      ['boiler', 5, ['heater'], 0],
    ],
  );
  test('what is bought: 10 A that run long over 0.8 ask for 15', () =>
    expect(bought(d)).toEqual(['main 30 A 3 × 10', 'outlets 15 A 3 × 14', 'boiler 15 A 3 × 14']));
  test('drops: main 1.18 %, outlets 0.997, boiler 0.831', () => {
    expect(of(d, 'main').ownDropPct).toBeCloseTo(1.183, 3);
    expect(of(d, 'outlets').ownDropPct).toBeCloseTo(0.997, 3);
    expect(of(d, 'boiler').ownDropPct).toBeCloseTo(0.831, 3);
  });
  test('a live case at the outlets: 0.759 ohm, 158 A', () => {
    const [f] = of(d, 'outlets').faults;
    expect(f?.loopOhm).toBeCloseTo(0.7586, 4);
    expect(f?.amps).toBeCloseTo(158.2, 1);
    expect(f?.cutBy).toBe('breaker');
  });
  test('together: kettle and oven never, 24.2 A on their 15; either of them with the heater', () =>
    expect(sets(d)).toEqual(['kettle + heater', 'heater + oven']));
});

describe('120/240 V, two legs of 50 A', () => {
  const d = boat(
    'awg',
    '120/240 V',
    6,
    [appliance('cooler', 2400, { leg: 'both' }), appliance('kettle', 1440), appliance('heater', 1440, { leg: 'second' })],
    [
      ['air', 7, ['cooler'], 0],
      ['galley', 4, ['kettle'], 1],
      ['fire', 4, ['heater'], 0],
    ],
  );
  test('what is bought: the main of four cores, what lies between the legs without a neutral', () => {
    expect(bought(d)).toEqual(['main 50 A 4 × 6', 'air 10 A 3 × 14', 'galley 15 A 3 × 14', 'fire 15 A 3 × 14']);
    expect(of(d, 'air').cores).toEqual(['live', 'second live', 'earth']);
  });
  test('drops: main 0.390 % of 240 V, air 0.582 of 240, galley 0.997 of 120', () => {
    expect(of(d, 'main').ownDropPct).toBeCloseTo(0.39, 3);
    expect(of(d, 'air').ownDropPct).toBeCloseTo(0.582, 3);
    expect(of(d, 'galley').ownDropPct).toBeCloseTo(0.997, 3);
  });
  test('a live case in the galley: 0.658 ohm to one leg, 182 A', () => {
    const [f] = of(d, 'galley').faults;
    expect(f?.loopOhm).toBeCloseTo(0.6579, 4);
    expect(f?.amps).toBeCloseTo(182.4, 1);
  });
  test('the earth of the main: 10 AWG at least behind 50 A, and it is as the live', () => {
    expect(of(d, 'main').earthLeast.size).toBe('10');
    expect(of(d, 'main').earth.size).toBe('6');
  });
});
