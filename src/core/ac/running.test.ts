import fc from 'fast-check';
import { AC_APPLIANCES, acLoadFrom, blankLoad, blankSource, blankSpan, type Design } from '../design';
import { headroomOf } from './headroom';
import { isolationSteps } from './isolation';
import { placardLines } from './placard';
import { proposeAc } from '../propose';
import { runningOf, runningOn } from './running';
import { inverterVa, limitOf, settingsOf, sourceOhm } from './services';
import { acFindings, appliance, pluggedIn, withMachines } from './testing';

const boat = withMachines(pluggedIn());
const galley = (loads: Design['acLoads'], wanted: readonly string[] = []): Design => ({
  ...boat,
  acLoads: loads,
  acCircuits: boat.acCircuits.map((c) => (c.id === 'galley' ? { ...c, loadIds: loads.map((l) => l.id) } : { ...c, loadIds: [] })),
  acRules: { ...boat.acRules, wanted: [...wanted] },
});
const charger = blankSource('charger', 'shore charger', 12, 'house');
let count = 0;
const fresh = (prefix: string) => `${prefix}${++count}`;

describe('settings', () => {
  test('an inlet of 16 A may stand on 10 A too; a generator has its kW and kVA; an inverter what heat leaves it', () => {
    expect(settingsOf(boat).map((s) => s.name)).toEqual([
      'Shore power, 16 A',
      'Shore power, 10 A',
      'Generator',
      'Inverter at 30 % battery',
    ]);
    const gen = settingsOf(boat)[2];
    expect([gen?.limit.kva, gen?.limit.kw, gen?.limit.amps]).toEqual([4, 4, 17]);
  });
  test('2000 VA at 25 degC, 1 % a degree: at 50 degC 1500 VA, at 125 degC nothing', () => {
    const inverter = boat.acSources.find((s) => s.kind === 'inverter');
    if (!inverter) throw new Error('no inverter');
    expect(inverterVa(inverter, 50)).toBeCloseTo(1500, 9);
    expect(inverterVa(inverter, 20)).toBe(2000);
    expect(inverterVa(inverter, 200)).toBe(0);
  });
  test('a generator of 4 kVA with 0.25 gives 230 V behind 3.31 ohm', () => {
    const gen = boat.acSources.find((s) => s.kind === 'generator');
    if (!gen) throw new Error('no generator');
    expect(sourceOhm(gen)).toBeCloseTo((0.25 * 230 * 230) / 4000, 9);
    expect(limitOf(boat, gen, null).continuousPart).toBe(1);
  });
});

describe('what is wanted', () => {
  const three = galley(
    [appliance('kettle', 2000, { keep: 3 }), appliance('fire', 1500, { keep: 2 }), appliance('lamp', 100, { keep: 9 })],
    ['kettle', 'fire', 'lamp'],
  );
  test('3600 W on 16 A leave 80 VA; on 10 A the fire goes first, and then it fits', () => {
    const [dock16, dock10] = runningOf(three);
    expect(dock16?.wanted.roomVa).toBeCloseTo(16 * 230 - 3600, 9);
    expect(dock16?.wanted.shedding.fits).toBe(true);
    expect(dock10?.wanted.shedding.steps).toEqual([{ id: 'fire', do: 'drop', toWatts: 0 }]);
    expect(dock10?.wanted.shedding.runs).toEqual(['kettle', 'lamp']);
  });
  test('the charger is turned down first where that is asked for, and dropped in its turn where not', () => {
    const base = {
      ...galley([appliance('kettle', 3300), appliance('c', 0, { chargerId: 'charger', keep: 8 })], ['kettle', 'c']),
      sources: [charger],
    };
    const setting = settingsOf(base)[0];
    if (!setting) throw new Error('no setting');
    const first = runningOn(base, setting, base.acRules.wanted).wanted.shedding.steps;
    expect(first).toEqual([{ id: 'c', do: 'turn down', toWatts: expect.any(Number) as number }]);
    // 3680 VA less 3300 W: at a power factor of 0.95 a little less than 380 W.
    expect(first[0]?.toWatts).toBeGreaterThan(350);
    expect(first[0]?.toWatts).toBeLessThan(380);
    const later = { ...base, acRules: { ...base.acRules, chargerFirst: false } };
    expect(runningOn(later, setting, later.acRules.wanted).wanted.shedding.steps).toEqual([{ id: 'kettle', do: 'drop', toWatts: 0 }]);
  });
  test('what a source cannot reach is said, and an inverter never carries a charger', () => {
    const base = {
      ...galley([appliance('kettle', 500), appliance('c', 0, { chargerId: 'charger' })], ['kettle', 'c']),
      sources: [charger],
    };
    const loose = { ...base, acCircuits: base.acCircuits.map((c) => ({ ...c, loadIds: [] })) };
    expect(runningOf(base).at(-1)?.wanted.outOfReach).toEqual(['kettle', 'c']);
    expect(runningOf(loose).at(-1)?.wanted.outOfReach).toEqual(['c']);
  });
  test('an appliance between two legs is out of reach of an inverter of one', () => {
    const bare = pluggedIn('awg');
    const split: Design = { ...bare, boat: { ...bare.boat, acRegion: '120/240 V' }, acLoads: [appliance('kettle', 500, { leg: 'both' })] };
    const inverter = boat.acSources.find((s) => s.kind === 'inverter');
    if (!inverter) throw new Error('no inverter');
    const design: Design = {
      ...split,
      acSources: [{ ...inverter, service: '120 V' }],
      acCircuits: [],
      acRules: { ...split.acRules, wanted: ['kettle'] },
    };
    expect(runningOf(design)[0]?.wanted.outOfReach).toEqual(['kettle']);
  });
});

test('the placard says the sets that fit in names, what never runs, and the order for what is wanted', () => {
  const design = galley([appliance('Kettle', 2000), appliance('Fire', 1500, { keep: 2 }), appliance('Oven', 5000)], ['Kettle', 'Fire']);
  const [dock16, dock10] = placardLines(design);
  expect(dock16).toMatchObject({ setting: 'Shore power, 16 A', sets: [['Kettle', 'Fire']], never: ['Oven'], wanted: 'fits' });
  expect(dock10?.sets).toEqual([['Kettle'], ['Fire']]);
  expect(dock10?.wanted).toBe('switch off Fire');
  const everything = galley([appliance('Kettle', 500)]);
  expect(placardLines(everything)[0]).toMatchObject({ all: true, wanted: '' });
});

test('the steps before work name every source aboard, in order, and end with the proof', () => {
  const steps = isolationSteps(boat);
  const at = (word: string) => steps.findIndex((s) => s.do.includes(word));
  expect(at('Generator: stopped')).toBeGreaterThan(0);
  expect(at('main breaker aboard off')).toBeLessThan(at('lead out at the pedestal'));
  expect(at('Inverter: off at its own switch')).toBeGreaterThan(at('lead out'));
  expect(steps.at(-2)?.do).toMatch(/Prove the tester on a known live supply. Then at AC panel, Inverter panel.*prove the tester again/);
  expect(isolationSteps({ ...boat, acSources: [] }).some((s) => s.do.includes('Generator'))).toBe(false);
});

test('room of a way of living: shore where the day has it, else the generator, else the inverter', () => {
  const base = galley([appliance('kettle', 2000, { hours: { day: 1 } }), appliance('fire', 1500)], []);
  const day = { id: 'day', name: 'a day', day: [blankSpan('s', 'shore', 0, 24, 0)], houseSwitch: 'on' as const };
  expect(headroomOf(base, day)).toMatchObject({ va: 16 * 230 - 2000, count: 1 });
  expect(headroomOf(base, { ...day, day: [blankSpan('g', 'generator', 8, 9, 0)] })?.setting.kind).toBe('generator');
  expect(headroomOf(base, { ...day, day: [] })?.setting.kind).toBe('inverter');
  expect(headroomOf({ ...base, acSources: [] }, day)).toBeNull();
});

describe('proposed', () => {
  test('every appliance of the list, chargers and an inverter of the load sheet come to a boat without a stop but for what the DC side lacks', () => {
    for (const school of ['awg', 'metric'] as const) {
      const bare = pluggedIn(school);
      const start: Design = {
        ...bare,
        acSources: [],
        acPanels: [],
        acCircuits: [],
        acLoads: AC_APPLIANCES.flatMap((a, i) => acLoadFrom(a.name, `a${i}`, bare) ?? []),
        sources: [charger],
        loads: [inverterRow(bare)],
      };
      const made = proposeAc(start, fresh);
      const design: Design = {
        ...start,
        acSources: [...made.acSources],
        acPanels: [...made.acPanels],
        acLoads: [...start.acLoads, ...made.acLoads],
        acCircuits: [...made.acCircuits],
      };
      expect(design.acSources.map((s) => s.kind)).toEqual(['shore', 'inverter']);
      expect(design.acLoads.some((l) => l.chargerId === 'charger')).toBe(true);
      const served = design.acCircuits.flatMap((c) => c.loadIds);
      expect([...served].sort()).toEqual(design.acLoads.map((l) => l.id).sort());
      expect(
        acFindings(design)
          .filter((f) => f.severity === 'stop')
          .map((f) => f.title),
      ).toEqual([]);
      // Asked again it has nothing to add.
      expect(Object.values(proposeAc(design, fresh)).every((rows: readonly unknown[]) => rows.length === 0)).toBe(true);
    }
  });
  test('an inverter that passes on gets an input, its own charger with it', () => {
    const machines = withMachines(pluggedIn());
    const start: Design = {
      ...machines,
      acCircuits: [],
      sources: [charger],
      acLoads: [...machines.acLoads, appliance('c', 0, { chargerId: 'charger' })],
      acSources: machines.acSources.map((s) => (s.inverter ? { ...s, inverter: { ...s.inverter, passA: 30, chargerId: 'charger' } } : s)),
    };
    const input = proposeAc(start, fresh).acCircuits.find((c) => c.to?.kind === 'inverter');
    expect([input?.to?.id, input?.loadIds]).toEqual(['inv', ['c']]);
  });
  const inverterRow = (bare: Design): Design['loads'][number] => ({
    ...blankLoad('inv-row', bare.boat.systemV),
    name: 'Inverter, small',
    rating: 1800,
  });
});

test('every set that is returned fits on its setting, whatever the appliances', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.record({ watts: fc.integer({ min: 1, max: 3000 }), pf: fc.double({ min: 0.4, max: 1, noNaN: true }), long: fc.boolean() }),
        { minLength: 1, maxLength: 9 },
      ),
      (rows) => {
        const design = galley(rows.map((r, i) => appliance(`a${i}`, r.watts, { powerFactor: r.pf, runsLong: r.long })));
        for (const r of runningOf(design))
          for (const set of r.together.sets) expect(runningOn(design, r.setting, set).wanted.shedding.fits).toBe(true);
      },
    ),
    { numRuns: 60 },
  ));
