/** The AC side of the demonstration boats: appliances from the list, the rest as the application proposes it. Invented, figures our own. */
import { type AcLoad, acLoadFrom, type AcSource, blankAcSource, type Design } from '@/core/design';
import { proposeAc } from '@/core/propose';

type Entry = readonly [appliance: string, change?: Partial<AcLoad>];

const appliances = (design: Design, entries: readonly Entry[]): AcLoad[] =>
  entries.map(([name, change], i) => {
    const row = acLoadFrom(name, `A${i + 1}`, design);
    if (!row) throw new Error(`the list has no ${name}`);
    return { ...row, ...change };
  });

/** Proposed around what is entered; then each run and inverter changed where this boat differs. */
function withAc(design: Design, change: (design: Design) => Design): Design {
  let n = 0;
  const made = proposeAc(design, (prefix) => `${prefix}${++n}`);
  const whole = change({
    ...design,
    acSources: [...design.acSources, ...made.acSources],
    acPanels: [...design.acPanels, ...made.acPanels],
    acLoads: [...design.acLoads, ...made.acLoads],
    acCircuits: [...design.acCircuits, ...made.acCircuits],
  });
  const { acSources, acPanels, acCircuits } = whole;
  // The other options have the same AC side.
  return { ...whole, options: whole.options.map((o) => (o.parts ? { ...o, parts: { ...o.parts, acSources, acPanels, acCircuits } } : o)) };
}

const wanted = (design: Design, names: readonly string[]): Design => ({
  ...design,
  acRules: { ...design.acRules, wanted: design.acLoads.filter((l) => names.includes(l.name)).map((l) => l.id) },
});

const withInverter = (design: Design, change: Partial<NonNullable<AcSource['inverter']>>): Design => ({
  ...design,
  acSources: design.acSources.map((s) => (s.inverter ? { ...s, mark: "maker's", inverter: { ...s.inverter, ...change } } : s)),
});

/** Marram: 16 A on the pontoon, a 900 W inverter switched off when nobody uses it. */
export function marramAc(design: Design): Design {
  const placeId = (id: string) => ({ placeId: id });
  const start: Design = {
    ...design,
    acLoads: appliances(design, [
      ['Water heater', { watts: 750, mark: "maker's" }],
      ['Kettle', { watts: 1000, mark: "maker's", hours: { alongside: 0.3 } }],
      ['Toaster', { hours: { alongside: 0.1 } }],
      ['Fan heater', { watts: 1000, notWith: 'heat', hours: { alongside: 3 } }],
      ['Dehumidifier', { notWith: 'heat' }],
      ['Laptop supplies', { hours: { anchor: 2.5, passage: 1.5, motoring: 2, alongside: 3 } }],
      ['Battery chargers of tools', { hours: { anchor: 0.5, alongside: 1 } }],
      ['Microwave oven', { hours: { alongside: 0.2 } }],
      ['Power tools', placeId('aft')],
    ]),
  };
  return withAc(start, (d) =>
    wanted(withInverter(d, { lossPctPerC: 1.2, idleW: 9, sleepW: null }), [
      'Water heater',
      'Kettle',
      'Fan heater',
      'Laptop supplies',
      'Shore charger',
    ]),
  );
}

/** Halcyon Drift: two legs of 50 A, a generator, an inverter for the small things at anchor. */
export function halcyonAc(design: Design): Design {
  const dock: AcSource = { ...blankAcSource('dock', 'shore', design.boat), placeId: 'lazarette' };
  const isolator = { placeId: 'aft', ratedA: 60, earthM: null, earthSize: null };
  const generator: AcSource = {
    ...blankAcSource('gen', 'generator', design.boat),
    name: 'Generator, 8 kVA',
    placeId: 'engine',
    ratedA: 33,
    mark: "maker's",
    generator: {
      kva: 8,
      powerFactor: 1,
      xd: 0.22,
      startKva: null,
      lightsOn: true,
      idleLph: 0.8,
      fullLph: 2.9,
      startLoadId: null,
      starter: null,
      holdInV: null,
      preheatLoadId: null,
    },
  };
  const start: Design = {
    ...design,
    acSources: [{ ...dock, shore: dock.shore && { ...dock.shore, isolator } }, generator],
    acLoads: appliances(design, [
      ['Water heater', { watts: 1500, leg: 'second' }],
      ['Kettle', { watts: 1500 }],
      ['Microwave oven'],
      ['Coffee machine', { watts: 1100 }],
      ['Air conditioner', { leg: 'both', watts: 1100, mark: "maker's" }],
      ['Washing machine', { leg: 'second', notWith: 'wash' }],
      ['Watermaker, AC', { leg: 'second', notWith: 'wash', watts: 1100 }],
      ['Hair dryer', { leg: 'second', watts: 1400 }],
      ['Television', { leg: 'first' }],
      ['Laptop supplies', { watts: 160 }],
      ['Refrigerator, AC', { watts: 110, hours: {} }],
    ]),
  };
  return withAc(start, (d) =>
    wanted(withInverter(d, { rest: 'left on', idleW: 18, sleepW: 4, lossPctPerC: 1 }), [
      'Water heater',
      'Air conditioner',
      'Kettle',
      'Television',
      'Laptop supplies',
      'Shore charger',
    ]),
  );
}
