import fc from 'fast-check';
import type { AcCircuit, AcLoad, AcSource, Design } from '../design';
import { type AcCircuitResult, acCircuits, cordOhm, cordPct } from './circuits';
import { chainsTo } from './runs';
import { acFindings, appliance, pluggedIn, withMachines } from './testing';

const boat = pluggedIn();
const result = (design: Design, id: string): AcCircuitResult => {
  const found = acCircuits(design)[design.acCircuits.findIndex((c) => c.id === id)];
  if (!found) throw new Error(`no run ${id}`);
  return found;
};
const run = (design: Design, id: string, change: Partial<AcCircuit>): Design => ({
  ...design,
  acCircuits: design.acCircuits.map((c) => (c.id === id ? { ...c, ...change } : c)),
});
const source = (design: Design, change: Partial<AcSource>): Design => ({
  ...design,
  acSources: design.acSources.map((s) => ({ ...s, ...change })),
});
const found = (design: Design): string[] => acFindings(design).map((f) => f.id);

describe('by hand', () => {
  test('1840 W at 230 V are 8 A: the next breaker is 10 A', () => {
    const r = result(boat, 'galley');
    expect(r.amps).toBeCloseTo(8, 9);
    expect(r.ratingA).toBe(10);
  });
  test('drop of 6 m of 1.5 mm2 at 8 A: 2 x 13.7 x 6 / 1000 x 1.1572 x 8 A = 1.522 V, 0.662 %; of the 4 m main, 2.5 mm2 behind 16 A: 0.529 %', () => {
    const r = result(boat, 'galley');
    expect(r.conductor.size).toBe('1.5');
    const own = (2 * 13.7 * 6 * (1 + 0.00393 * 40) * 8 * 100) / 1000 / 230;
    const main = (2 * 8.21 * 4 * (1 + 0.00393 * 40) * 16 * 100) / 1000 / 230;
    expect(own).toBeCloseTo(0.662, 3);
    expect(r.dropPct).toBeCloseTo(own + main, 9);
  });
  test('15 m of 2.5 mm2 cord: 2 x 8.21 x 15 / 1000 x 1.0786 = 0.2657 ohm; at 16 A 4.25 V, 1.85 %', () => {
    const [shore] = boat.acSources;
    if (!shore) throw new Error('no inlet');
    expect(cordOhm(shore)).toBeCloseTo(0.2657, 4);
    expect(cordPct(shore, 16)).toBeCloseTo(1.848, 3);
    expect(result(boat, 'galley').totalPct).toBeCloseTo(result(boat, 'galley').dropPct + cordPct(shore, 8), 9);
  });
  test('fault loop: 0.5 ohm assumed + cord 0.2657 + 4 m of 2.5 mm2 and 6 m of 1.5 mm2 at 105 degC 0.3069 = 1.0726 ohm, 214 A: a 10 A curve C opens at once', () => {
    const [fault] = result(boat, 'galley').faults;
    const copper = (2 * (8.21 * 4 + 13.7 * 6) * (1 + 0.00393 * 85)) / 1000;
    expect(fault?.loopOhm).toBeCloseTo(0.5 + 0.2657 + copper, 4);
    expect(fault?.amps).toBeCloseTo(230 / (0.7657 + copper), 1);
    expect(fault?.cutBy).toBe('breaker');
    expect(fault?.opensS).toBeLessThanOrEqual(0.1);
  });
  test('split service: 12 A of one leg lose 2 R I of 120 V, the same between the legs of 240 V; two loaded conductors in either branch', () => {
    const awg = pluggedIn('awg');
    const split = (leg: AcLoad['leg'], watts: number): Design => ({
      ...awg,
      boat: { ...awg.boat, acRegion: '120/240 V' },
      acSources: awg.acSources.map((s) => ({ ...s, service: '120/240 V' as const, ratedA: 50 })),
      acLoads: [appliance('kettle', watts, { leg })],
    });
    const [one, both] = [result(split('second', 1440), 'galley'), result(split('both', 2880), 'galley')];
    expect([one.amps, both.amps]).toEqual([12, 12]);
    const own = (d: Design) => result(d, 'galley').dropPct - result(d, 'main').dropPct;
    // 6 m of its size, out and back, copper at 60 degC, 12 A.
    const volts = (r: AcCircuitResult) => (2 * r.conductor.r20OhmPerKm * 6 * (1 + 0.00393 * 40) * 12) / 1000;
    expect(own(split('second', 1440))).toBeCloseTo((100 * volts(one)) / 120, 9);
    expect(own(split('both', 2880))).toBeCloseTo((100 * volts(both)) / 240, 9);
    expect([one.derating.fBundle, both.derating.fBundle]).toEqual([1, 1]);
    expect(result(split('both', 2880), 'main').derating.fBundle).toBe(0.7);
  });
  test('what runs long counts 1.25 times in the awg school: 1500 W at 120 V are 12.5 A and ask for 20 A', () => {
    const awg: Design = { ...pluggedIn('awg'), acLoads: [appliance('kettle', 1500, { runsLong: true })] };
    expect(result(awg, 'galley').ratingA).toBe(20);
    expect(result({ ...awg, acLoads: [appliance('kettle', 1500)] }, 'galley').ratingA).toBe(15);
  });
  test('a branch with outlets is made for an outlet, and of appliances that exclude one another the larger counts', () => {
    expect(result(run(boat, 'galley', { outlets: 2 }), 'galley').amps).toBe(16);
    const pair: Design = {
      ...boat,
      acLoads: [appliance('kettle', 1150, { notWith: 'heat' }), appliance('fire', 2300, { notWith: 'heat' }), appliance('lamp', 230)],
    };
    expect(result(run(pair, 'galley', { loadIds: ['kettle', 'fire', 'lamp'] }), 'galley').amps).toBeCloseTo(11, 9);
  });
  test('an inverter gives too little into a short for a breaker: only a residual-current device after its bond cuts it', () => {
    const machines = withMachines(boat);
    const tv = result(machines, 'tv-run').faults.find((f) => f.sourceId === 'inv');
    expect(tv?.amps).toBeLessThan(2 * (2000 / 230) + 0.1);
    expect(tv?.cutBy).toBe('residual current');
    const bare = run(run(machines, 'inv-small', { leakageMa: null }), 'to-small', { leakageMa: null });
    expect(result(bare, 'tv-run').faults.find((f) => f.sourceId === 'inv')?.cutBy).toBe('nothing');
    expect(found(bare)).toContain('ac-fault inv:tv-run');
    expect(found(machines)).not.toContain('ac-fault inv:tv-run');
  });
  test('a run is reached from every source, an inverter passing on what is behind it', () => {
    const machines = withMachines(boat);
    const tv = machines.acCircuits.find((c) => c.id === 'tv-run');
    if (!tv) throw new Error('no run');
    expect(
      chainsTo(machines, tv)
        .map((c) => `${c.source.id}:${c.circuits.length}`)
        .sort(),
    ).toEqual(['gen:3', 'inv:2', 'shore:3']);
  });
});

const load = (change: Partial<AcLoad>): Design => ({ ...boat, acLoads: boat.acLoads.map((l) => ({ ...l, ...change })) });
const shore = (change: Partial<NonNullable<AcSource['shore']>>): Design => ({
  ...boat,
  acSources: boat.acSources.map((s) => ({ ...s, shore: s.shore && { ...s.shore, ...change } })),
});
const panel = (change: Partial<Design['acPanels'][number]>): Design => ({
  ...boat,
  acPanels: boat.acPanels.map((p) => ({ ...p, ...change })),
});

test('the boat of these tests has nothing to settle', () => expect(found(boat)).toEqual([]));
test.each<[string, Design, string]>([
  ['appliances without a service', { ...boat, acSources: [], acPanels: [], acCircuits: [] }, 'ac-no-service:ac'],
  ['a dock of 0 A', source(boat, { ratedA: 0 }), 'ac-no-amps:shore'],
  ['the wrong service', source(boat, { service: '120 V' }), 'ac-other-service:shore'],
  ['a source that feeds nothing', { ...boat, acCircuits: [] }, 'ac-unused:shore'],
  ['power factor 0', load({ powerFactor: 0 }), 'ac-pf:kettle'],
  ['no watts', load({ watts: 0 }), 'ac-no-watts:kettle'],
  ['a start below running', load({ surgeVa: 900 }), 'ac-surge:kettle'],
  ['both legs on a service of one pole', load({ leg: 'both' }), 'ac-leg:kettle'],
  ['an appliance no source can run', load({ watts: 4000 }), 'ac-too-large:kettle'],
  ['an appliance on no run', run(boat, 'galley', { loadIds: [], outlets: 1 }), 'ac-loose:kettle'],
  ['the main breaker far off', shore({ breakerAtM: 4 }), 'ac-breaker-far:shore'],
  ['no isolation', shore({ isolation: 'none' }), 'ac-no-isolation:shore'],
  ['a thin cord', shore({ cordSize: { school: 'metric', size: '0.75' } }), 'ac-cord-thin:shore'],
  ['a long cord', shore({ cordM: 60 }), 'ac-cord-long:shore'],
  ['a main without a leakage trip', run(boat, 'main', { leakageMa: null }), 'ac-no-leakage:main'],
  ['a main of one pole', run(boat, 'main', { poles: 1 }), 'ac-main-poles:main'],
  ['a branch of one pole', run(boat, 'galley', { poles: 1 }), 'ac-poles:galley'],
  ['a thin pinned conductor', run(boat, 'main', { size: { school: 'metric', size: '0.75' }, bundled: 12 }), 'ac-thin:main'],
  ['a long run', run(boat, 'galley', { lengthM: 60, size: { school: 'metric', size: '1.5' } }), 'ac-drop:galley'],
  ['a small breaker', run(boat, 'galley', { ratingA: 6 }), 'ac-small-breaker:galley'],
  ['household cable', run(boat, 'galley', { cable: 'household' }), 'ac-cable:galley'],
  ['solid cable', run(boat, 'galley', { cable: 'solid' }), 'ac-cable:galley'],
  ['live in black, as DC negative is', run(boat, 'galley', { liveColour: 'black' }), 'ac-colour:galley'],
  ['live in the colour of neutral', run(boat, 'galley', { liveColour: 'light blue' }), 'ac-colour:galley'],
  ['neutral in brown, as live is', run(boat, 'galley', { neutralColour: 'brown' }), 'ac-colour neutral:galley'],
  ['an earth in white', run(boat, 'galley', { earthColour: 'white' }), 'ac-colour earth:galley'],
  ['an unmarked live in red beside the DC', run(boat, 'main', { liveColour: 'red' }), 'ac-unmarked:main'],
  ['reused grey wire', run(boat, 'galley', { liveColour: 'grey' }), 'ac-colour:galley'],
  ['wet outlets without protection of their own', run(boat, 'galley', { outlets: 1, outletsWet: true }), 'ac-wet-outlets:galley'],
  ['a run from nothing', run(boat, 'galley', { from: { kind: 'panel', id: 'gone' } }), 'ac-from-nothing:galley'],
  ['a run to nothing', run(boat, 'main', { to: { kind: 'panel', id: 'gone' } }), 'ac-to-nothing:main'],
  [
    'a panel that feeds itself',
    {
      ...boat,
      acCircuits: [...boat.acCircuits, { ...(boat.acCircuits[0] as AcCircuit), id: 'self', from: { kind: 'panel', id: 'panel' } }],
    },
    'ac-panel-self:panel',
  ],
  ['one bar for neutral and earth', panel({ barsApart: false }), 'ac-bars:panel'],
  ['AC beside DC without a barrier', panel({ besideDcId: 'main', barrier: false }), 'ac-beside-dc:panel'],
  ['no polarity indicator', panel({ polarityIndicator: false }), 'ac-polarity:panel'],
  ['a pedestal that gives more than a breaker interrupts', shore({ pedestalOhm: 0.02 }), 'ac-interrupts:main'],
  ['black for live and for DC negative', { ...pluggedIn('awg'), house: { ...pluggedIn('awg').house, negative: 'black' } }, 'ac-black:ac'],
  ['no earth joint', { ...boat, acRules: { ...boat.acRules, earthing: 'joined to DC negative' } }, 'ac-earth-joint:ac'],
  [
    'a transformer that is not there',
    { ...boat, acRules: { ...boat.acRules, earthing: 'isolation transformer' } },
    'ac-earth-transformer shore:ac',
  ],
])('%s is a finding', (_, design, id) => expect(found(design)).toContain(id));

const broken = withMachines(boat);
const machine = (kind: AcSource['kind'], change: (s: AcSource) => AcSource): Design => ({
  ...broken,
  acSources: broken.acSources.map((s) => (s.kind === kind ? change(s) : s)),
});
test.each<[string, Design, string]>([
  ['a generator of 0 kVA', machine('generator', (s) => ({ ...s, generator: s.generator && { ...s.generator, kva: 0 } })), 'ac-no-kva:gen'],
  ['an inverter without a DC side', broken, 'ac-no-dc:inv'],
  ['an inverter in the wet', machine('inverter', (s) => ({ ...s, placeId: 'bilge' })), 'ac-place:inv'],
  [
    'an inverter under drips',
    machine('inverter', (s) => ({ ...s, inverter: s.inverter && { ...s.inverter, dry: false } })),
    'ac-drips:inv',
  ],
  [
    'an inverter without air',
    machine('inverter', (s) => ({ ...s, inverter: s.inverter && { ...s.inverter, aired: false } })),
    'ac-no-air:inv',
  ],
  [
    'a sleeping inverter',
    machine('inverter', (s) => ({ ...s, inverter: s.inverter && { ...s.inverter, rest: 'sleeps' } })),
    'ac-sleeps:inv',
  ],
  [
    'a surge below the rating',
    machine('inverter', (s) => ({ ...s, inverter: s.inverter && { ...s.inverter, surges: [{ id: 'a', s: 1, va: 100 }] } })),
    'ac-surge-low:inv',
  ],
  [
    'a charger on the inverter it feeds',
    { ...broken, acLoads: broken.acLoads.map((l) => (l.id === 'tv' ? { ...l, chargerId: 'c' } : l)) },
    'ac-loop:tv',
  ],
])('%s is a finding', (_, design, id) => expect(found(design)).toContain(id));

test('whatever is entered, every run is answered, its chosen size passes its tests or there is none that does, and the drop grows with the way', () =>
  fc.assert(
    fc.property(
      fc.record({
        school: fc.constantFrom('awg' as const, 'metric' as const),
        watts: fc.double({ min: 0, max: 9000, noNaN: true }),
        powerFactor: fc.double({ min: 0, max: 1, noNaN: true }),
        lengthM: fc.double({ min: 0.1, max: 80, noNaN: true }),
        bundled: fc.integer({ min: 2, max: 40 }),
        enclosure: fc.constantFrom('open' as const, 'conduit' as const, 'insulated' as const),
      }),
      ({ school, watts, powerFactor, lengthM, bundled, enclosure }) => {
        const base = pluggedIn(school);
        const design = run({ ...base, acLoads: [appliance('kettle', watts, { powerFactor })] }, 'galley', { lengthM, bundled, enclosure });
        const r = result(design, 'galley');
        if (powerFactor > 1e-3 && r.failing.length > 0) expect(r.rungs.some((x) => x.size === null)).toBe(true);
        expect(r.dropPct).toBeGreaterThanOrEqual(result(design, 'main').dropPct);
        expect(r.totalPct).toBeGreaterThanOrEqual(r.dropPct - 1e-9);
        expect(() => acFindings(design)).not.toThrow();
      },
    ),
    { numRuns: 150 },
  ));
