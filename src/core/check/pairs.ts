/** For every rule a boat that is right, and the one fact that makes it wrong: what tests and `npm run rules` go through. */
import { appliance, pluggedIn, withMachines } from '../ac/testing';
import {
  type Bank,
  blankCruise,
  blankDevice,
  blankFound,
  blankTie,
  blankSource,
  type Circuit,
  type Design,
  type BankTie,
  type BatteryCable,
  type Load,
  type Source,
  valueAt,
} from '../design';
import { driven, quietBoat, sourceInto } from '../energy/testing';
import { blankBatteryCable, proposeMainSide } from '../propose';
import { bareBoat, withLoad } from '../design/testing';

export interface Pair {
  readonly rule: string;
  /** Kind of thing, where two rules have one name. */
  readonly about?: string;
  readonly right: Design;
  /** The one fact, and what makes it wrong. */
  readonly path: readonly string[];
  readonly wrong: unknown;
}

/** A copy with the value at a path (rows by id) replaced; a list at the end of a path is replaced whole, or has a row added to it. */
export function withFact(root: unknown, path: readonly string[], to: unknown): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return to;
  if (Array.isArray(root)) return (root as { id: string }[]).map((row) => (row.id === step ? withFact(row, rest, to) : row));
  const record = root as Record<string, unknown>;
  return { ...record, [step]: withFact(record[step], rest, to) };
}

export const wrongOf = ({ right, path, wrong }: Pair): Design => withFact(right, path, wrong) as Design;

const pair = (rule: string, right: Design, path: string, wrong: unknown, about?: string): Pair => ({
  rule,
  right,
  path: path.split('.'),
  wrong,
  ...(about ? { about } : {}),
});
/** One row more. */
const more = (rule: string, right: Design, list: keyof Design & string, row: object): Pair => ({
  rule,
  right,
  path: [list],
  wrong: [...(valueAt(right, [list]) as readonly object[]), row],
});

const amps = (rating: number, change: Partial<Load> = {}): Partial<Load> => ({
  ratingBy: 'A',
  rating,
  behaviour: 'current',
  placeId: 'saloon',
  supply: 'house switch',
  ...change,
});
const thing = (load: Partial<Load> = amps(5), circuit: Partial<Circuit> = {}, lengthM = 4, school: 'metric' | 'awg' = 'metric'): Design =>
  withLoad(bareBoat(school), load, lengthM, circuit);
const size = (s: string, school: 'metric' | 'awg' = 'metric') => ({ school, size: s });
const pin = (change: Partial<Circuit['pin']> = {}): Circuit['pin'] => ({
  size: null,
  legs: 1,
  family: null,
  ratingA: null,
  ownDevices: false,
  ...change,
});
const found = (change: Partial<NonNullable<Circuit['found']>> = {}): Circuit['found'] => ({
  ...blankFound('metric'),
  decision: 'keep',
  reason: 'sound',
  kind: 'tinned strands',
  keepProtection: true,
  family: 'blade',
  ratingA: 10,
  ...change,
});
const C = 'circuits.c-x';
const house = (d: Design, change: Partial<Design['house']>): Design => ({ ...d, house: { ...d.house, ...change } });
const place = (d: Design, id: string, change: Partial<Design['places'][number]>): Design => ({
  ...d,
  places: d.places.map((p) => (p.id === id ? { ...p, ...change } : p)),
});
const strong = (d: Design, shortCircuitA: number): Design => ({ ...d, banks: d.banks.map((b) => ({ ...b, shortCircuitA })) });

const CIRCUITS: readonly Pair[] = [
  pair('unidentified', thing(amps(5), { found: found() }), `${C}.taps`, []),
  pair('empty', thing(), `${C}.taps`, []),
  pair('no-source', thing(), 'circuits.c-main.taps', []),
  pair('protection-conflict', thing(amps(20)), 'loads.x.makerFuseA', 5),
  pair('protection-conflict', thing(amps(20)), `${C}.pin`, pin({ ratingA: 5 })),
  pair(
    'place-refuses',
    place(thing(amps(5), { insulationC: 60, via: ['engine'] }), 'engine', { engineSpace: false, ambientC: 30 }),
    'places.engine.engineSpace',
    true,
  ),
  pair('fails-ampacity', thing(amps(40)), `${C}.pin`, pin({ size: size('1') })),
  pair(
    'fails-protection',
    thing(amps(5), { pin: pin({ size: size('2.5') }) }),
    `${C}.pin`,
    pin({ size: size('2.5'), family: 'maxi-blade', ratingA: 60 }),
  ),
  pair('fails-maker', thing(amps(5), { pin: pin({ size: size('6') }) }), 'loads.x.makerWire', [
    { school: 'metric', size: '10', upToM: null },
  ]),
  pair('fails-mechanical', thing(), `${C}.pin`, pin({ size: size('0.75') })),
  pair('fails-fault', strong(thing(amps(5), {}, 3), 2000), `${C}.pin`, pin({ size: size('1'), family: 'maxi-blade', ratingA: 80 })),
  pair('far-end-slow', strong(thing(amps(5), {}, 10), 400), `${C}.pin`, pin({ size: size('1'), family: 'maxi-blade', ratingA: 80 })),
  pair(
    'stall',
    thing(amps(10, { group: 'pump', surgeA: 30, surgeS: 0.3 }), { pin: pin({ size: size('16') }) }),
    `${C}.pin`,
    pin({ size: size('16'), family: 'maxi-blade', ratingA: 60 }),
  ),
  pair('end-fit', thing(amps(5), { pin: pin({ size: size('10') }) }), `${C}.pin`, pin({ size: size('25'), family: 'panel-breaker' })),
  pair('end-fit', thing(amps(5, { connection: 'M6' }), { pin: pin({ size: size('25'), family: 'class-T' }) }), 'loads.x.connection', 'M4'),
  pair('path-drop', thing(amps(5, { critical: true }), {}, 4), 'circuits.c-main.taps.c-main-1.tapedM', 60),
  pair('path-start', strong(thing(amps(20, { surgeA: 60, surgeS: 1, minV: 10 }), {}, 2), 3000), 'circuits.c-main.taps.c-main-1.tapedM', 40),
  pair(
    'fails-terminals',
    house(thing(amps(30), { pin: pin({ size: size('6') }) }), { terminalC: 90, upsizeForTerminals: true }),
    'house.terminalC',
    40,
  ),
  pair('terminal-heat', house(thing(amps(30), { pin: pin({ size: size('6') }) }), { terminalC: 90 }), 'house.terminalC', 40),
  pair(
    'rounded-up',
    house(thing(amps(30, { ownTrip: true }), { pin: pin({ size: size('4'), family: 'maxi-blade', ratingA: 40 }) }), {
      roundUpToNext: true,
    }),
    `${C}.pin`,
    pin({ size: size('4'), family: 'maxi-blade', ratingA: 50 }),
  ),
  pair('maker-silent', thing(amps(5, { makerWire: [{ school: 'metric', size: '4', upToM: 3 }] }), {}, 2), `${C}.taps.t-x.tapedM`, 9),
  pair('pin-school', thing(), `${C}.pin`, pin({ size: size('10', 'awg') })),
  pair(
    'over-load-gap',
    thing(amps(3), { pin: pin({ ratingA: 40, family: 'maxi-blade', size: size('16') }) }),
    'house.protectionOverLoadMost',
    1.5,
  ),
  pair('placement', thing(), `${C}.deviceAtM`, 1.2),
  pair('vapour', thing(amps(5), { pin: pin({ family: 'blade' }) }), 'places.saloon.vapour', true),
  pair('volts', thing(), 'loads.x.nominalV', 24),
  pair('supply', thing(), 'loads.x.supply', 'always live'),
  pair('fails-drop', thing(amps(9), { pin: pin({ size: size('2.5') }) }, 4), `${C}.taps.t-x.tapedM`, 20),
  pair('fails-surge', thing(amps(9), { pin: pin({ size: size('2.5') }) }, 4), 'loads.x.surgeA', 120),
  pair(
    'collapse',
    thing(amps(5, { behaviour: 'power', ratingBy: 'W', rating: 20 }), { pin: pin({ size: size('1') }) }, 8),
    'loads.x.rating',
    300,
  ),
  pair(
    'leg-open',
    thing(amps(100), { pin: pin({ size: size('50'), legs: 2, family: 'class-T', ownDevices: true }) }, 3),
    'loads.x.rating',
    300,
  ),
  pair('no-reason', thing(amps(5), { found: found() }), `${C}.found.reason`, ''),
  pair('device', thing(amps(5), { devices: [{ ...blankDevice('d', 'switch'), ratingA: 16 }] }), `${C}.devices.d.ratingA`, 2),
  pair(
    'device-size',
    thing(amps(40), { devices: [{ ...blankDevice('d', 'switch'), largest: size('16') }] }),
    `${C}.devices.d.largest`,
    size('1'),
  ),
  pair(
    'bypass',
    thing(amps(5, { group: 'pump' }), { devices: [{ ...blankDevice('d', 'float switch'), bypass: true }] }),
    `${C}.devices.d.bypass`,
    false,
  ),
  pair('spark', thing(amps(5), { devices: [{ ...blankDevice('d', 'switch'), placeId: 'fore' }] }), 'places.fore.vapour', true),
  pair('unprotected', thing(amps(5), { found: found() }), `${C}.found.ratingA`, null),
  pair('undecided', thing(amps(5), { found: found() }), `${C}.found.decision`, 'undecided'),
  pair('found-kind', thing(amps(5), { found: found() }), `${C}.found.kind`, 'household'),
  pair('fault', thing(amps(5), { found: found() }), `${C}.found.faults`, [{ id: 'f', kind: 'green', mohm: null }]),
  pair('bad-joints', thing(amps(5), { found: found({ faults: [{ id: 'f', kind: 'green', mohm: 1 }] }) }), `${C}.found.faults.f.mohm`, 200),
  pair('source', thing(amps(60, { group: 'other' })), 'loads.x.group', 'charging'),
  pair('lead', thing(), 'loads.x.maxLeadM', 1),
  pair('fuse-kind', thing(), 'loads.x.makerFuseFamily', 'class-T'),
  pair('bank', thing(), 'loads.x.minBankAh', 900),
  pair('range', thing(), 'loads.x.range', { toRating: 9, placeIds: [] }),
];

const onPanel = (load: Partial<Load> = amps(2), circuit: Partial<Circuit> = {}): Design =>
  thing(load, { from: { kind: 'panel', id: 'panel' }, ...circuit }, 3);
const weakPanel = (blockAh: number): Design => {
  const d = onPanel();
  return {
    ...d,
    circuits: d.circuits.map((c) => (c.id === 'c-main' || c.id === 'c-feed' ? { ...c, pin: pin({ size: size('16') }) } : c)),
    banks: d.banks.map((b) => ({ ...b, blockAh })),
    panels: d.panels.map((p) => (p.id === 'panel' ? { ...p, family: 'blade' as const } : p)),
  };
};

const alive = (load: Partial<Load>, circuit: Partial<Circuit> = {}): Design =>
  thing({ ...load, supply: 'always live' }, { from: { kind: 'bank', id: 'house' }, supply: 'always live', ...circuit });
const switched = (d: Design): Design => ({
  ...d,
  circuits: d.circuits.map((c) => (c.id === 'c-main' ? { ...c, devices: [blankDevice('s', 'battery switch')] } : c)),
});

const WHOLE: readonly Pair[] = [
  pair('no-bank', thing(), 'banks', []),
  pair('bank-volts', thing(), 'banks.house.series', 2),
  pair('loop', thing(), 'circuits.c-feed.from', { kind: 'panel', id: 'panel' }),
  more('twice', thing(), 'circuits', { ...(thing().circuits.find((c) => c.id === 'c-x') as Circuit), id: 'c-y' }),
  pair('no-rating', thing(), 'loads.x.rating', 0),
  pair('no-circuit', thing(), `${C}.taps`, []),
  pair('no-place', thing(), 'loads.x.placeId', null),
  pair('electronics-place', thing(amps(5, { group: 'electronics' })), 'places.saloon.wet', true),
  pair('ways', thing(), 'panels.main.ways', 1),
  pair('no-feeder', thing(), 'circuits.c-main.taps', []),
  pair('panel-family', weakPanel(10), 'banks.house.blockAh', 1500),
  pair(
    'sending-end',
    strong(thing(amps(2), { pin: pin({ size: size('1'), family: 'panel-breaker', ratingA: 5 }) }), 400),
    'banks.house.shortCircuitA',
    6000,
  ),
  pair('panel-total', thing(amps(90)), 'panels.main.maxTotalA', 60),
  pair('guard-live', alive(amps(4, { group: 'pump', kind: 'bilge pump' })), 'loads.x.supply', 'house switch'),
  pair('guard-live', alive(amps(1, { kind: 'gas alarm' })), `${C}.supply`, 'panel breaker'),
  pair('battery-switch', switched(thing()), 'circuits.c-main.devices', []),
  pair('disconnect', alive(amps(90), { devices: [blankDevice('d', 'isolator')] }), `${C}.devices`, []),
  pair('starter-bare', alive(amps(90, { duty: { onS: 10, restS: 30, repeats: 3 } })), 'loads.x.kind', 'starter'),
  pair('thin-parallel', thing(), `${C}.pin`, pin({ size: size('2.5'), legs: 2 })),
  pair('not-made', thing(), `${C}.pin`, pin({ family: 'terminal-cube', ratingA: 400 })),
  pair('uncharged', { ...thing(), sources: [sourceInto('wind')] }, 'sources', []),
  pair(
    'string-fuse-size',
    {
      ...thing(amps(100)),
      banks: thing().banks.map((b) => ({ ...b, chemistry: 'lfp' as const, strings: 2, shortCircuitA: 5000, stringFuseA: 150 })),
    },
    'banks.house.stringFuseA',
    40,
  ),
  pair(
    'string-fuses',
    { ...thing(), banks: thing().banks.map((b) => ({ ...b, chemistry: 'lfp' as const, stringFuseA: 150 })) },
    'banks.house.stringFuseA',
    null,
  ),
  pair('bank-temp', thing(), 'banks.house.tempC', 60),
  pair(
    'vapour-load',
    place(thing(amps(5, { placeId: 'fore', ignitionProtected: true })), 'fore', { vapour: true }),
    'loads.x.ignitionProtected',
    false,
  ),
  pair('vapour-bank', thing(), 'places.saloon.vapour', true),
  pair('metal-hull', thing(), 'boat.hull', 'steel'),
];

const boat = (sources: readonly Source[], change: Partial<Design> = {}): Design => ({ ...quietBoat(), sources, ...change });
const bank = (id: string, change: Partial<Bank> = {}): Bank => ({ ...(quietBoat().banks[0] as Bank), id, name: id, ...change });
const two = (tie: Partial<BankTie> = {}, sources: readonly Source[] = []): Design =>
  boat(sources, {
    banks: [bank('house'), bank('start', { job: 'start' })],
    joins: [{ ...blankTie('j', 'relay', 12), firstId: 'house', secondId: 'start', ...tie }],
  });
const alternator = (change: Partial<NonNullable<Source['alternator']>> = {}, more_: Partial<Source> = {}): Source => {
  const blank = sourceInto('alternator');
  return { ...blank, id: 's', alternator: blank.alternator && { ...blank.alternator, ...change }, ...more_ };
};
const kind = (k: Source['kind'], change: Partial<Source> = {}): Source => ({ ...sourceInto(k), id: 's', ...change });
const dcdc = (): Source => ({ ...blankSource('s', 'DC–DC', 12, 'start'), fromBankId: 'house' });
const bms = { overV: 14.8, underV: 11, lowChargeC: 0, toleranceV: 0, warns: true };
const day = (spans: Parameters<typeof driven>[2]): Design => driven(quietBoat(), [], spans);
const cruising = (days: number, livingId = 'day'): Design => ({
  ...quietBoat(),
  cruises: [{ ...blankCruise('k', 'Cruise'), legs: [{ id: 'l', livingId, days }] }],
});
const charger = (): Design => {
  const s = kind('shore charger');
  return boat([{ ...s, regulator: { ...s.regulator, sensor: 'on the bank' } }]);
};
const cold: Design = (() => {
  const d = boat([alternator()], { banks: [bank('house', { job: 'start', cca: 800 })] });
  return { ...d, engine: { ...d.engine, startBankId: 'house', crankA: 150, starts: 3 } };
})();

const CHARGING: readonly Pair[] = [
  pair(
    'source-unwired',
    { ...thing(amps(10, { group: 'charging' })), sources: [kind('wind', { loadId: 'x', pathMohm: null })] },
    'sources.s.loadId',
    null,
  ),
  pair('vapour-source', boat([kind('shore charger', { placeId: 'fore' })]), 'places.fore.vapour', true),
  pair('belt', boat([alternator({ belt: 'multi-rib' }, { ratedA: 150 })]), 'sources.s.alternator.belt', 'V-belt 10 mm'),
  pair('span', day([['engine', 8, 9, 1500]]), 'living.day.day.p0.toH', 7),
  pair(
    'overlap',
    day([
      ['engine', 8, 9, 1500],
      ['engine', 9, 11, 1500],
    ]),
    'living.day.day.p0.toH',
    10,
  ),
  pair('cruise-long', cruising(20), 'cruises.k.repeat', 40),
  pair('cruise-empty', cruising(20), 'cruises.k.legs.l.days', 0),
  pair('cruise-gone', cruising(20), 'cruises.k.legs.l.livingId', 'gone'),
  pair('no-sink', boat([kind('wind')]), 'sources.s.bankId', null),
  pair('low-setpoint', charger(), 'sources.s.regulator.absorptionV', 12.4),
  pair('low-float', charger(), 'sources.s.regulator.floatV', 12.5),
  pair('dump-bms', { ...quietBoat({ bms }), sources: [alternator({ suppressor: true })] }, 'sources.s.alternator.suppressor', false),
  pair('no-input', two({}, [dcdc()]), 'sources.s.fromBankId', null),
  pair('own-input', two({}, [dcdc()]), 'sources.s.bankId', 'house'),
  pair('dcdc-volts', two({}, [dcdc()]), 'sources.s.dcdc.stopV', 14),
  pair('curve', boat([alternator()]), 'sources.s.alternator.curve', []),
  pair('fit', boat([alternator({ ignitionProtected: false })]), 'engine.fuel', 'petrol'),
  pair(
    'dump-selector',
    two({ kind: 'selector', ratedA: 300, fieldDisconnect: true }, [alternator({ suppressor: false }, { joinId: 'j' })]),
    'joins.j.fieldDisconnect',
    false,
  ),
  pair(
    'external-fixed',
    boat([alternator({ excitation: 'external' }, { regulator: { ...alternator().regulator, staged: true } })]),
    'sources.s.regulator.staged',
    false,
  ),
  pair('cold-volts', boat([kind('solar')]), 'sources.s.solar.series', 6),
  pair(
    'string-fuse',
    boat([{ ...kind('solar'), solar: { ...(kind('solar').solar as NonNullable<Source['solar']>), seriesFuseA: null } }]),
    'sources.s.solar.parallel',
    3,
  ),
  pair('solar-volts', boat([kind('solar')]), 'sources.s.solar.vmpV', 12),
  pair(
    'brake',
    boat([{ ...kind('wind'), wind: kind('wind').wind && { ...(kind('wind').wind as NonNullable<Source['wind']>), brake: true } }]),
    'sources.s.wind.brake',
    false,
  ),
  pair('join-ends', two(), 'joins.j.secondId', 'house'),
  pair('relay-volts', two(), 'joins.j.openV', 14),
  pair('mixed', two(), 'banks.start.chemistry', 'lfp'),
  pair('join-volts', two(), 'banks.start.series', 2),
  pair('join-rating', two({ kind: 'splitter', ratedA: 120 }, [alternator({}, { joinId: 'j', ratedA: 90 })]), 'joins.j.ratedA', 50),
  pair('set-absorption', charger(), 'sources.s.regulator.absorptionV', 15.4),
  pair('set-time-and-tail', charger(), 'sources.s.regulator.tailA', 150),
  pair('set-float', charger(), 'sources.s.regulator.floatV', 14.6),
  pair('set-equalise', charger(), 'sources.s.regulator.equaliseV', 16),
  pair('set-slope', charger(), 'sources.s.regulator.slope', { value: 5, unit: 'mV/°C bank' }),
  pair('set-sensor', charger(), 'sources.s.regulator.sensor', 'none'),
  pair('set-largest-current', charger(), 'sources.s.ratedA', 400),
  pair('set-BMS', { ...quietBoat({ bms: { ...bms, overV: 16 } }), sources: [kind('shore charger')] }, 'banks.house.bms.overV', 14.4),
  pair(
    'box',
    quietBoat({
      box: { lengthMm: 900, widthMm: 400, heightMm: 300 },
      sheet: { ...(quietBoat().banks[0] as Bank).sheet, lengthMm: 330, widthMm: 170, heightMm: 240 },
    }),
    'banks.house.box.heightMm',
    100,
  ),
  pair('bms-volts', quietBoat({ bms }), 'banks.house.bms.underV', 15),
  pair('bms-warns', quietBoat({ chemistry: 'lfp', bms }), 'banks.house.bms.warns', false),
  pair('sharing', quietBoat({ strings: 4, links: { way: 'bus bars', size: '16', lengthM: 0.5 } }), 'banks.house.links.way', 'one end'),
  pair('cranking', cold, 'engine.crankA', 900),
];

/** A boat with the main side the application proposes, one heavy load with a case. */
const led: Design = (() => {
  let n = 0;
  const d = withLoad(bareBoat('metric'), amps(80, { name: 'Windlass', group: 'heavy' }), 4);
  const banks = [...d.banks, { ...(d.banks[0] as Bank), id: 'start', name: 'Start', job: 'start' as const, strings: 1 }];
  const boat_: Design = { ...d, banks, engine: { ...d.engine, startBankId: 'start' } };
  return { ...boat_, ...proposeMainSide(boat_, (prefix) => `${prefix}${++n}`) };
})();
const bar = (k: string): string => led.bars.find((b) => b.kind === k)?.id ?? '';
const leadId = (name: RegExp): string => led.leads.find((l) => name.test(l.name))?.id ?? '';
const lead = (
  rail: BatteryCable['rail'],
  from: BatteryCable['from'],
  to: BatteryCable['to'],
  change: Partial<BatteryCable> = {},
): BatteryCable => ({
  ...blankBatteryCable('z', 'Lead', rail, from, to),
  ...change,
});
const end = (k: BatteryCable['from']['kind'], id: string): BatteryCable['from'] => ({ kind: k, id });
const withLeads = (...leads: BatteryCable[]): Design => ({ ...led, leads: [...led.leads, ...leads] });
const charging: Design = {
  ...led,
  bars: [...led.bars, { id: 'cb', name: 'Charging bus', kind: 'positive bus', placeId: 'saloon', stud: 'M8' }],
  leads: [
    ...led.leads,
    { ...lead('positive', end('bank', 'house'), end('bar', 'cb')), id: 'feed', ratingA: 200, family: 'class-T', size: size('70') },
    { ...lead('positive', end('bar', 'cb'), end('source', 'sun')), id: 'on', size: size('6'), fused: true },
  ],
  sources: [{ ...blankSource('sun', 'solar', 12, 'house') }],
};

/** Out and back by its own cables. */
const charged: Design = {
  ...charging,
  leads: [...charging.leads, { ...lead('negative', end('source', 'sun'), end('bank', 'house')), id: 'back', size: size('16') }],
};

const MAIN_SIDE: readonly Pair[] = [
  pair('dangling', led, `leads.${leadId(/^Engine negative/)}.to`, end('bar', 'gone')),
  pair('to-itself', led, `leads.${leadId(/^Engine negative/)}.to`, end('bar', bar('engine'))),
  pair('unfused', charging, 'leads.feed.fused', false),
  pair('reduction', charging, 'leads.on.fused', false),
  pair('lead', charging, 'leads.feed.size', size('4')),
  pair('charge-path', charged, 'leads.on.lengthM', 60),
  pair('lead-end', charging, 'leads.feed.toStud', 'M4'),
  pair('lead-conflict', charging, 'leads.feed.ratingA', 5),
  pair(
    'lead-device',
    {
      ...charging,
      leads: charging.leads.map((l) => (l.id === 'feed' ? { ...l, through: [{ ...blankDevice('d', 'isolator'), ratingA: 300 }] } : l)),
    },
    'leads.feed.through.d.ratingA',
    1,
  ),
  more('loose', led, 'bars', { id: 'lost', name: 'Lost bar', kind: 'negative bus', placeId: 'saloon', stud: 'M8' }),
  more('paralleled', led, 'leads', lead('positive', end('bank', 'house'), end('bank', 'start'))),
  { ...more('second-joint', led, 'leads', lead('earth', end('bar', bar('bonding bus')), end('bar', bar('engine')))) },
  more('second-joint', led, 'leads', lead('negative', end('bar', bar('engine')), end('bar', bar('negative bus')))),
  pair(
    'hull-return',
    {
      ...withLeads(lead('earth', end('bar', 'hull'), end('bar', bar('negative bus')))),
      bars: [...led.bars, { id: 'hull', name: 'Hull', kind: 'hull', placeId: 'bilge', stud: 'M8' }],
    },
    'leads.z.rail',
    'negative',
  ),
  pair('ac-earth', led, `leads.${leadId(/^AC earth/)}.to`, end('bar', bar('bonding bus'))),
  pair('stud', thing(), 'circuits.c-main.pin', pin({ size: size('50'), legs: 6, ownDevices: true })),
  pair('round-shunt', led, `leads.${leadId(/^Engine negative/)}.to`, end('bank', 'house')),
];

const ac = pluggedIn();
const awg = pluggedIn('awg');
const machines = withMachines(ac);
const run = (d: Design, id: string, change: Partial<Design['acCircuits'][number]>): Design => ({
  ...d,
  acCircuits: d.acCircuits.map((c) => (c.id === id ? { ...c, ...change } : c)),
});
const wired: Design = (() => {
  const d = withLoad(
    bareBoat('metric'),
    { id: 'row', name: 'Inverter', group: 'heavy', rating: 800, behaviour: 'power', placeId: 'saloon', supply: 'house switch' },
    2,
    {
      devices: [{ ...blankDevice('iso', 'isolator'), ratingA: 300 }],
    },
  );
  const m = withMachines(pluggedIn());
  const inverter = m.acSources.find((s) => s.id === 'inv');
  return {
    ...m,
    banks: d.banks.map((b) => ({ ...b, blockAh: 400 })),
    panels: d.panels,
    circuits: d.circuits,
    loads: d.loads,
    acSources: m.acSources.map((s) =>
      s.id === 'inv' && inverter?.inverter
        ? {
            ...s,
            inverter: { ...inverter.inverter, va: 800, loadId: 'row', caseSize: size('120'), surges: [{ id: 's1', s: 5, va: 1600 }] },
          }
        : s,
    ),
  };
})();

const AC: readonly Pair[] = [
  pair('ac-no-service', ac, 'acSources', []),
  pair('ac-no-amps', ac, 'acSources.shore.ratedA', 0),
  pair('ac-other-service', ac, 'acSources.shore.service', '120 V'),
  pair('ac-unused', ac, 'acCircuits.main.from', { kind: 'panel', id: 'panel' }),
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

const studied: Design = {
  ...thing(amps(20, { minV: 10 }), { pin: pin({ size: size('4') }) }, 6),
  studies: [{ id: 'night', name: 'A night', soc: 0.5, engineRpm: 0, shore: false, cranking: false, loads: { x: 'on' } }],
};
const heavy: Design = { ...thing(amps(5, { behaviour: 'power', ratingBy: 'W', rating: 60 }), {}, 12), studies: studied.studies };
const windlassCase = leadId(/case$/);

const LATE: readonly Pair[] = [
  pair('collapse', heavy, 'loads.x.rating', 9000, 'study'),
  pair('study-volts', studied, 'loads.x.minV', 12),
  pair('case-earth', led, `leads.${windlassCase}.size`, size('0.75')),
  pair(
    'ac-dc-unfused',
    {
      ...wired,
      circuits: wired.circuits.map((c) =>
        c.id === 'c-x' ? { ...c, found: found({ size: size('120'), family: 'class-T', ratingA: 200 }) } : c,
      ),
    },
    `${C}.found.ratingA`,
    null,
  ),
  pair('ac-dc-disconnect', wired, `${C}.devices`, []),
  pair('ac-dc-cable', wired, `${C}.pin`, pin({ size: size('4') })),
  pair('ac-dc-fuse', wired, `${C}.pin`, pin({ family: 'maxi-blade', ratingA: 40 })),
  pair('ac-case', wired, 'acSources.inv.inverter.caseSize', null),
  pair('ac-case-thin', wired, 'acSources.inv.inverter.caseSize', size('1')),
  pair('ac-low-volts', { ...wired, loads: wired.loads.map((l) => ({ ...l, minV: 10 })) }, 'loads.row.minV', 12.4),
  pair('ac-start', wired, 'acLoads.tv.surgeVa', 9000),
  pair('ac-dip', machines, 'acLoads.kettle.surgeVa', 60000),
  pair(
    'ac-remote-start',
    (() => {
      const d = withLoad(
        bareBoat('metric'),
        {
          id: 'sol',
          name: 'Generator start solenoid',
          ratingBy: 'A',
          rating: 10,
          behaviour: 'current',
          placeId: 'engine',
          supply: 'always live',
        },
        3,
        { pin: pin({ size: size('1.5') }) },
      );
      return {
        ...machines,
        banks: d.banks,
        panels: d.panels,
        circuits: d.circuits,
        loads: d.loads,
        acSources: machines.acSources.map((s) => (s.generator ? { ...s, generator: { ...s.generator, startLoadId: 'sol' } } : s)),
      };
    })(),
    `${C}.taps.t-x.tapedM`,
    30,
  ),
];

/** What is not entered is asked for. */
const UNKNOWN: readonly Pair[] = [
  pair('device-unrated', thing(amps(5), { devices: [{ ...blankDevice('d', 'switch'), ratingA: 16 }] }), `${C}.devices.d.ratingA`, null),
  pair(
    'device-no-place',
    place(thing(amps(5), { devices: [{ ...blankDevice('d', 'switch'), placeId: 'saloon' }] }), 'fore', { vapour: true }),
    `${C}.devices.d.placeId`,
    null,
  ),
  pair('panel-no-place', place(thing(), 'fore', { vapour: true }), 'panels.main.placeId', null),
  pair(
    'lead-device-unrated',
    {
      ...charging,
      leads: charging.leads.map((l) => (l.id === 'feed' ? { ...l, through: [{ ...blankDevice('d', 'isolator'), ratingA: 300 }] } : l)),
    },
    'leads.feed.through.d.ratingA',
    null,
  ),
  pair('ac-no-place', machines, 'acSources.gen.placeId', null),
  pair('bms-unknown', quietBoat({ chemistry: 'lfp', bms }), 'banks.house.bms', null),
  pair('cca-unknown', cold, 'banks.house.cca', null),
];

export const PAIRS: readonly Pair[] = [...UNKNOWN, ...WHOLE, ...CIRCUITS, ...CHARGING, ...MAIN_SIDE, ...AC, ...LATE];
