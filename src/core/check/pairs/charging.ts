/** Rules on banks and what charges them. */
import { anotherOutput, type Bank, blankGauge, type Gauge, type Source } from '../../design';
import { drawing, quietBoat } from '../../energy/testing';
import { amps, thing, boat, two, alternator, kind, dcdc, bms, day, cruising, charger, cold, leads, suppressed } from './boats';
import { type Pair, pair } from './pair';

/** A charger of two terminals, each with its battery. */
function twoOutputs() {
  const s = kind('shore charger');
  const machine: Source = { ...s, charger: s.charger && { ...s.charger, outputs: 2 } };
  return { ...two(), sources: [machine, anotherOutput(machine, 's2', 2, 'start')] };
}

export const CHARGING: readonly Pair[] = [
  pair(
    'source-unwired',
    { ...thing(amps(10, { group: 'charging' })), sources: [kind('wind', { loadId: 'x', pathMohm: null })] },
    'sources.s.loadId',
    null,
  ),
  pair(
    'machine-apart',
    { ...thing(amps(10, { group: 'charging', name: 'Ladegerät' })), sources: [kind('shore charger', { loadId: 'x', pathMohm: null })] },
    'sources.s.loadId',
    null,
  ),
  pair(
    'machine-figures',
    {
      ...thing(amps(30, { group: 'charging', id: 'row', name: 'Shore charger' })),
      sources: [kind('shore charger', { loadId: 'row', ratedA: 30 })],
    },
    'sources.s.ratedA',
    60,
  ),
  pair('bank-short', quietBoat({ chemistry: 'lfp', blockAh: 400, strings: 3, shortCircuitA: 18000 }), 'banks.house.shortCircuitA', null),
  pair('vapour-source', boat([kind('shore charger', { placeId: 'fore' })]), 'places.fore.vapour', true),
  pair('curve-rated', boat([alternator()]), 'sources.s.ratedA', 60),
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
  pair('outputs-untold', boat([kind('shore charger')]), 'sources.s.charger.outputs', 3),
  pair('outputs-many', twoOutputs(), 'sources.s.charger.outputs', 1),
  pair('output-apart', twoOutputs(), 'sources.s2.outputOf', 'gone'),
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
    'one-wire-splitter',
    two({ kind: 'splitter', ratedA: 300 }, [alternator({ excitation: 'three-wire' }, { joinId: 'j' })]),
    'sources.s.alternator.excitation',
    'one-wire',
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
  pair(
    'string-fuse-over',
    boat([{ ...kind('solar'), solar: { ...(kind('solar').solar as NonNullable<Source['solar']>), maxFuseA: 20 } }]),
    'sources.s.solar.seriesFuseA',
    30,
  ),
  pair('bms-volts', quietBoat({ bms }), 'banks.house.bms.underV', 15),
  pair('bms-warns', quietBoat({ chemistry: 'lfp', bms }), 'banks.house.bms.warns', false),
  pair(
    'sharing',
    quietBoat({ strings: 4, links: { way: 'bus bars', size: '16', lengthM: 0.5, measured: true } }),
    'banks.house.links.way',
    'one end',
  ),
  pair(
    'link-thin',
    {
      ...thing(amps(100)),
      banks: thing().banks.map((b) => ({ ...b, strings: 3, links: { way: 'one end', size: '70', lengthM: 0.3, measured: true } })),
    },
    'banks.house.links.size',
    '6',
  ),
  pair('runs-down', drawing(quietBoat(), 0.5), 'plan.days', 30),
  pair('sensed-other', two({}, [alternator()]), 'banks.start.chemistry', 'gel'),
  pair('isolated-charged', two(), 'banks.start.isolated', true),
  pair('both-drains', two({ kind: 'selector', stopped: 'first', running: 'both' }), 'joins.j.stopped', 'both'),
  pair('emergency', two({ kind: 'selector', ratedA: 200 }), 'joins.j.ratedA', 50),
  pair('small-missing', leads('sense'), 'smallLeads', []),
  pair('small-unfused', leads('sense'), 'smallLeads.se.fuseA', null),
  pair('small-fuse-large', leads('sense'), 'smallLeads.se.fuseA', 30),
  pair('excite-diode', leads('sense'), 'smallLeads.ex.diode', false),
  pair('small-long', leads('temperature', { mostM: 5 }), 'smallLeads.te.mostM', 2),
  pair('sense-drop', leads('sense'), 'smallLeads.se.amps', 2),
  pair('small-elsewhere', leads('temperature'), 'smallLeads.te.to', { kind: 'bank', id: 'start' }),
  pair('surge-trips', suppressed(), 'sources.s.alternator.suppressorPart.tripV', 15),
  pair('surge-lug', suppressed(), 'sources.s.alternator.suppressorPart.underMainLug', false),
  pair('surge-part-unknown', suppressed(), 'sources.s.alternator.suppressorPart', null),
  pair('engine-volts', cold, 'engine.crankMinV', 18),
  pair('cranking', cold, 'engine.crankA', 900),
];

const gauged = (change: Partial<Gauge> = {}) => ({
  ...boat([alternator()]),
  gauges: [{ ...blankGauge('g', 'Gauge', 'counting' as const, 'house', 'saloon'), supplyFuseA: 1, dataM: 4, dataMostM: 8, ...change }],
});

export const GAUGED: readonly Pair[] = [
  pair('gauge-asleep', gauged(), 'gauges.g.behindSwitch', true),
  pair('gauge-unfused', gauged(), 'gauges.g.supplyFuseA', null),
  pair('gauge-data-long', gauged(), 'gauges.g.dataM', 12),
  pair('gauge-unseen', gauged(), 'gauges.g.placeId', null),
  pair(
    'gauge-never-full',
    gauged({ asSet: { ...blankGauge('g', 'Gauge', 'counting', null, null).asSet, chargedV: 13.2 } }),
    'gauges.g.asSet.chargedV',
    15.9,
  ),
];
