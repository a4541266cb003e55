/** Rules on the AC side. */
import { appliance } from '../../ac/testing';
import { blankSource, type Design } from '../../design';
import { size, pin, place, ac, awg, machines, run, wired, wired24 } from './boats';
import { more, type Pair, pair } from './pair';

/** Three inlets and three generators on one panel turned by hand. */
const manySources: Design = (() => {
  const shores = ['shore', 'shore2', 'shore3'];
  const gens = ['gen', 'gen2', 'gen3'];
  const like = (id: string, ids: readonly string[]) =>
    machines.acSources.filter((s) => s.id === id).flatMap((s) => ids.map((i) => ({ ...s, id: i, name: i })));
  const feed = machines.acCircuits
    .filter((c) => c.id === 'main')
    .flatMap((c) => [...shores, ...gens].map((i) => ({ ...c, id: `from-${i}`, from: { kind: 'source' as const, id: i } })));
  return {
    ...machines,
    acSources: [...like('shore', shores), ...like('gen', gens)],
    acPanels: machines.acPanels.filter((p) => p.id === 'panel').map((p) => ({ ...p, transfer: 'none' as const })),
    acCircuits: feed,
  };
})();

const cooler = appliance('cooler', 920, { motor: true, runsLong: true, surgeVa: 4600, surgeS: 0.8 });
const coolers = run({ ...ac, acLoads: [...ac.acLoads, cooler, { ...cooler, id: 'second' }, { ...cooler, id: 'third' }] }, 'galley', {
  loadIds: ['cooler'],
  ratingA: null,
});

const isolated: Design = {
  ...place(ac, 'chart', { wet: false, vapour: false, drips: false }),
  acSources: ac.acSources.map((s) => ({
    ...s,
    shore: s.shore && {
      ...s.shore,
      isolation: 'galvanic isolator' as const,
      isolator: { placeId: 'chart', ratedA: s.ratedA, earthM: null, earthSize: null },
    },
  })),
};

const pinned = (d: Design, change: Parameters<typeof pin>[0]): Design => ({
  ...d,
  circuits: d.circuits.map((c) => (c.id === 'c-x' ? { ...c, pin: pin(change) } : c)),
});
const twins: Design = {
  ...pinned(wired, { size: size('25'), legs: 2, family: 'strip-link', ownDevices: true }),
  acSources: wired.acSources.map((s) => ({ ...s, inverter: s.inverter && { ...s.inverter, units: 2 } })),
};

export const AC: readonly Pair[] = [
  pair('ac-dc-margin', pinned(wired, { family: 'strip-link', ratingA: 100 }), 'circuits.c-x.pin.ratingA', 80),
  pair('ac-disconnect-far', wired, 'circuits.c-x.devices.iso.placeId', 'fore'),
  pair('ac-precharge', wired24, 'acSources.inv.inverter.precharge', false),
  pair('ac-units', twins, 'circuits.c-x.pin.ownDevices', false),
  pair('ac-isolator-unknown', isolated, 'acSources.shore.shore.isolator', null),
  pair('ac-isolator-place', isolated, 'acSources.shore.shore.isolator.placeId', null),
  pair('ac-isolator-small', isolated, 'acSources.shore.shore.isolator.ratedA', 10),
  pair('ac-isolator-earth', isolated, 'acSources.shore.shore.isolator.earthSize', size('1')),
  pair('ac-unmarked', run(ac, 'main', { liveColour: 'brown' }), 'acCircuits.main.liveColour', 'red'),
  pair('ac-colour', ac, 'acCircuits.main.neutralColour', 'brown'),
  pair('ac-earth-thin', ac, 'acCircuits.main.earthSize', size('0.75')),
  pair('ac-start-opens', coolers, 'acCircuits.galley.ratingA', 6),
  pair('ac-blackout', coolers, 'acCircuits.galley.loadIds', ['cooler', 'second', 'third']),
  pair('ac-states-many', manySources, 'acPanels.panel.transfer', 'by hand'),
  pair('ac-no-service', ac, 'acSources', []),
  pair('ac-no-amps', ac, 'acSources.shore.ratedA', 0),
  pair('ac-other-service', ac, 'acSources.shore.service', '120 V'),
  pair('ac-unused', ac, 'acCircuits.main.from', { kind: 'panel', id: 'panel' }),
  pair('ac-panel-place', { ...ac, acPanels: ac.acPanels.map((p) => ({ ...p, placeId: 'galley' })) }, 'acPanels.panel.placeId', 'bilge'),
  pair('ac-place', place(machines, 'lazarette', { wet: false, vapour: false, drips: false }), 'places.lazarette.wet', true),
  pair('ac-breaker-far', ac, 'acSources.shore.shore.breakerAtM', 9),
  pair(
    'ac-no-isolation',
    { ...ac, acSources: ac.acSources.map((s) => ({ ...s, shore: s.shore && { ...s.shore, isolation: 'galvanic isolator' as const } })) },
    'acSources.shore.shore.isolation',
    'none',
  ),
  pair('ac-cord-thin', ac, 'acSources.shore.shore.cordSize', size('0.75')),
  pair('ac-cord-long', ac, 'acSources.shore.shore.cordM', 80),
  pair('ac-no-leakage', ac, 'acCircuits.main.leakageMa', null),
  pair('ac-main-poles', run(ac, 'main', { poles: 2 }), 'acCircuits.main.poles', 1),
  pair('ac-no-kva', machines, 'acSources.gen.generator.kva', 0),
  pair('ac-generator-pf', machines, 'acSources.gen.generator.powerFactor', 0),
  pair('ac-generator-loose', machines, 'acSources.gen.bonded', false),
  pair('ac-no-va', machines, 'acSources.inv.inverter.va', 0),
  pair(
    'ac-place',
    {
      ...place(wired, 'saloon', { wet: false, vapour: false, drips: false }),
      acSources: wired.acSources.map((s) => (s.id === 'inv' ? { ...s, placeId: 'saloon' } : s)),
    },
    'places.saloon.wet',
    true,
  ),
  pair('ac-no-dc', wired, 'acSources.inv.inverter.loadId', null),
  pair(
    'ac-no-air',
    { ...machines, acSources: machines.acSources.map((s) => ({ ...s, inverter: s.inverter && { ...s.inverter, aired: true } })) },
    'acSources.inv.inverter.aired',
    false,
  ),
  pair(
    'ac-drips',
    { ...machines, acSources: machines.acSources.map((s) => ({ ...s, inverter: s.inverter && { ...s.inverter, dry: true } })) },
    'acSources.inv.inverter.dry',
    false,
  ),
  pair(
    'ac-sleeps',
    {
      ...machines,
      acSources: machines.acSources.map((s) => ({ ...s, inverter: s.inverter && { ...s.inverter, rest: 'left on' as const } })),
    },
    'acSources.inv.inverter.rest',
    'sleeps',
  ),
  pair('ac-surge-low', wired, 'acSources.inv.inverter.surges.s1.va', 10),
  pair('ac-loop', { ...machines, sources: [{ ...blankSource('ch', 'shore charger', 12, 'house') }] }, 'acLoads.tv.chargerId', 'ch'),
  pair('ac-pf', ac, 'acLoads.kettle.powerFactor', 0),
  pair('ac-no-watts', ac, 'acLoads.kettle.watts', 0),
  pair('ac-surge', ac, 'acLoads.kettle.surgeVa', 10),
  pair('ac-leg', ac, 'acLoads.kettle.leg', 'both'),
  more('ac-loose', ac, 'acLoads', appliance('spare', 10)),
  pair('ac-too-large', ac, 'acLoads.kettle.watts', 9000),
  pair('ac-panel-dead', ac, 'acCircuits.main.to', null),
  more('ac-panel-self', ac, 'acCircuits', {
    ...(ac.acCircuits[1] as Design['acCircuits'][number]),
    id: 'ring',
    to: { kind: 'panel', id: 'panel' },
  }),
  pair('ac-no-transfer', machines, 'acPanels.panel.transfer', 'none'),
  pair('ac-bars', ac, 'acPanels.panel.barsApart', false),
  pair(
    'ac-beside-dc',
    { ...ac, acPanels: ac.acPanels.map((p) => ({ ...p, besideDcId: 'panel', barrier: true })) },
    'acPanels.panel.barrier',
    false,
  ),
  pair(
    'ac-polarity',
    { ...ac, acPanels: ac.acPanels.map((p) => ({ ...p, polarityIndicator: true })) },
    'acPanels.panel.polarityIndicator',
    false,
  ),
  pair('ac-earth-joint', ac, 'acRules.earthing', 'joined to DC negative'),
  pair('ac-earth-transformer', ac, 'acRules.earthing', 'isolation transformer'),
  pair('ac-earth-residual', ac, 'acCircuits.main.leakageMa', null),
  pair('ac-parallel', machines, 'acPanels.panel.transfer', 'none'),
  pair('ac-bond-none', machines, 'acSources.gen.bonded', false),
  pair('ac-bond-many', ac, 'acPanels.panel.linked', true),
  pair('ac-black', { ...awg, house: { ...awg.house, negative: 'yellow' } }, 'house.negative', 'black'),
  pair('ac-cable', ac, 'acCircuits.galley.cable', 'household'),
  pair('ac-colour', ac, 'acCircuits.galley.liveColour', 'red'),
  pair('ac-from-nothing', ac, 'acCircuits.main.from', { kind: 'source', id: 'gone' }),
  pair('ac-to-nothing', ac, 'acCircuits.main.to', { kind: 'panel', id: 'gone' }),
  pair('ac-serves-nothing', ac, 'acCircuits.galley.loadIds', []),
  pair('ac-thin', run(ac, 'galley', { size: size('1.5') }), 'acCircuits.galley.ratingA', 63),
  pair('ac-drop', run(ac, 'galley', { size: size('1.5') }), 'acCircuits.galley.lengthM', 60),
  pair(
    'ac-together',
    run({ ...ac, acLoads: [...ac.acLoads, appliance('pan', 1600)] }, 'galley', { loadIds: ['kettle', 'pan'], outlets: 2, ratingA: 16 }),
    'acCircuits.galley.ratingA',
    10,
  ),
  pair('ac-drop-total', ac, 'acSources.shore.shore.cordM', 90),
  pair('ac-slight', ac, 'acCircuits.galley.size', size('1')),
  pair('ac-behind-breaker', ac, 'acCircuits.main.size', size('1.5')),
  pair('ac-small-breaker', ac, 'acCircuits.galley.ratingA', 4),
  pair(
    'ac-interrupts',
    { ...ac, acSources: ac.acSources.map((s) => ({ ...s, shore: s.shore && { ...s.shore, pedestalOhm: 0.042 } })) },
    'acCircuits.galley.family',
    'ac-panel-breaker',
  ),
  pair('ac-interrupts', ac, 'acSources.shore.shore.pedestalOhm', 0.01),
  pair('ac-fault', machines, 'acCircuits.inv-small.leakageMa', null),
  pair('ac-wet-outlets', run(ac, 'galley', { outlets: 2 }), 'acCircuits.galley.outletsWet', true),
  pair('ac-poles', run(ac, 'galley', { poles: 2 }), 'acCircuits.galley.poles', 1),
];
