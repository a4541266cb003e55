/** Generic cruising-boat appliances with typical figures of our own; every one is editable and marked typical. Watts and amps are for one item. */
import { blankLoad } from './blank';
import { kindOf } from './loadKind';
import type { Load, LoadGroup, Source, SupplyClass, When } from './schema';

export interface Appliance {
  readonly name: string;
  readonly group: LoadGroup;
  readonly watts: number;
  readonly behaviour: Load['behaviour'];
  /** Start surge as a multiple of working current, and seconds; null without one. */
  readonly surge: readonly [times: number, seconds: number] | null;
  readonly critical: boolean;
  readonly runsLong: boolean;
  readonly supply: SupplyClass;
  readonly connection: Load['connection'];
  /** Hours a day at anchor, on passage. */
  readonly hours: readonly [anchor: number, passage: number];
  readonly duty: Load['duty'];
  /** Drawn while it is live and nobody uses it, W; null where it is nothing. */
  readonly standbyW: number | null;
  readonly shutFirst: boolean;
  /** What it charges as; null: it does not. */
  readonly makes: Source['kind'] | null;
  /** Usual place, as an id of a blank design's places. */
  readonly place: string;
}

type Extra = Partial<
  Pick<Appliance, 'surge' | 'critical' | 'runsLong' | 'supply' | 'connection' | 'duty' | 'standbyW' | 'shutFirst' | 'makes'>
>;

const item = (
  name: string,
  group: LoadGroup,
  place: string,
  watts: number,
  behaviour: Load['behaviour'],
  anchor: number,
  passage: number,
  extra: Extra = {},
): Appliance => ({
  name,
  group,
  place,
  watts,
  behaviour,
  surge: null,
  makes: null,
  critical: false,
  runsLong: false,
  supply: 'panel breaker',
  connection: 'screw clamp',
  duty: null,
  standbyW: null,
  shutFirst: false,
  hours: [anchor, passage],
  ...extra,
});

const steady: Extra = { runsLong: true };
const vital: Extra = { critical: true, runsLong: true };
const motor = (times: number, seconds: number, more: Extra = {}): Extra => ({ surge: [times, seconds], connection: 'own lead', ...more });

const LIST: readonly Appliance[] = [
  item('Anchor light, LED', 'navigation', 'masthead', 3, 'power', 11, 0, vital),
  item('Masthead tricolour, LED', 'navigation', 'masthead', 4, 'power', 0, 11, vital),
  item('Steaming light, LED', 'navigation', 'spreaders', 4, 'power', 0, 1, vital),
  item('Bow light, two-colour', 'navigation', 'bow', 5, 'power', 0, 1, vital),
  item('Stern light', 'navigation', 'lazarette', 4, 'power', 0, 1, vital),
  item('Deck floodlight', 'lights', 'spreaders', 20, 'power', 0.1, 0.2),
  item('Cabin light, LED', 'lights', 'saloon', 4, 'power', 4, 2),
  item('Reading light, LED', 'lights', 'fore', 2, 'power', 2, 1),
  item('Halogen cabin light', 'lights', 'saloon', 20, 'resistance', 2, 1),
  item('Engine space light', 'lights', 'engine', 8, 'power', 0.1, 0.1),
  item('Chart table light', 'lights', 'chart', 3, 'power', 1, 6),
  item('Courtesy light', 'lights', 'saloon', 1, 'power', 4, 8),
  item('Bilge pump, automatic', 'pump', 'bilge', 42, 'current', 0.1, 0.2, motor(3, 0.5, { ...vital, supply: 'always live' })),
  item('Bilge pump, large', 'pump', 'bilge', 96, 'current', 0, 0, motor(3, 0.5, { ...vital, supply: 'always live' })),
  item('High-water alarm', 'other', 'bilge', 2, 'power', 0, 0, { critical: true, supply: 'always live' }),
  item('Gas detector', 'other', 'galley', 2.5, 'power', 24, 24, { critical: true, runsLong: true, supply: 'always live' }),
  item('Fresh water pump', 'pump', 'galley', 60, 'current', 0.4, 0.3, motor(2.5, 0.5)),
  item('Shower drain pump', 'pump', 'bilge', 36, 'current', 0.2, 0.1, motor(2.5, 0.5)),
  item('Deck wash pump', 'pump', 'bow', 110, 'current', 0.1, 0, motor(2.5, 0.5)),
  item('Heads pump, macerating', 'pump', 'fore', 240, 'current', 0.1, 0.1, motor(3, 0.3)),
  item('Holding tank discharge pump', 'pump', 'fore', 190, 'current', 0, 0.1, motor(3, 0.3)),
  item('Fuel transfer pump', 'pump', 'engine', 48, 'current', 0, 0.2, motor(2.5, 0.5)),
  item('Oil change pump', 'pump', 'engine', 84, 'current', 0, 0, motor(2.5, 0.5)),
  item(
    'Engine space blower',
    'blower',
    'engine',
    45,
    'current',
    0,
    0.5,
    motor(3, 1, { runsLong: true, critical: true, supply: 'engine key' }),
  ),
  item('Refrigerator compressor', 'refrigeration', 'galley', 55, 'power', 10, 10, motor(3, 0.5, steady)),
  item('Freezer compressor', 'refrigeration', 'galley', 70, 'power', 12, 12, motor(3, 0.5, steady)),
  item('Keel-cooled cold plate', 'refrigeration', 'galley', 110, 'power', 4, 4, motor(3, 0.5, steady)),
  item('VHF radio', 'electronics', 'chart', 60, 'power', 0.5, 3, vital),
  item('SSB transceiver', 'electronics', 'chart', 240, 'power', 0.2, 0.5, { critical: true }),
  item('Position reporting transponder', 'electronics', 'chart', 6, 'power', 4, 24, vital),
  item('Multifunction display', 'electronics', 'chart', 28, 'power', 1, 20, { ...vital, shutFirst: true }),
  item('Instrument network', 'electronics', 'chart', 9, 'power', 2, 24, vital),
  item('Radar, solid state', 'electronics', 'spreaders', 25, 'power', 0, 6, vital),
  item('Autopilot drive', 'electronics', 'lazarette', 96, 'current', 0, 12, motor(3, 1, { runsLong: true })),
  item('Autopilot computer', 'electronics', 'lazarette', 8, 'power', 0, 24, vital),
  item('Satellite terminal', 'electronics', 'lazarette', 50, 'power', 6, 6, { ...steady, shutFirst: true }),
  item('Mobile data router', 'electronics', 'chart', 7, 'power', 24, 24, steady),
  item('Laptop supply', 'comfort', 'chart', 65, 'power', 3, 2),
  item('USB outlet, double', 'comfort', 'saloon', 24, 'power', 2, 2),
  item('12 V outlet', 'comfort', 'saloon', 60, 'power', 0.3, 0.3),
  item('Stereo', 'comfort', 'saloon', 25, 'power', 3, 2),
  item('Television, small', 'comfort', 'saloon', 30, 'power', 2, 0),
  item('Cabin fan', 'comfort', 'saloon', 6, 'current', 8, 4, steady),
  item('Diesel heater', 'comfort', 'lazarette', 40, 'power', 4, 4, {
    surge: [3, 120],
    runsLong: true,
    connection: 'own lead',
    shutFirst: true,
  }),
  item('Starter solenoid', 'other', 'engine', 96, 'resistance', 0, 0, {
    critical: true,
    supply: 'engine key',
    duty: { onS: 15, restS: 60, repeats: 4 },
  }),
  item('Remote start relay, coil', 'other', 'engine', 3, 'resistance', 0, 0, { critical: true, supply: 'engine key' }),
  item('Gas valve solenoid', 'other', 'galley', 9, 'resistance', 1, 1, { critical: true }),
  item('Gas igniter and controls', 'other', 'galley', 3, 'power', 1, 1),
  item('Battery monitor', 'electronics', 'chart', 0.3, 'power', 24, 24, { runsLong: true, supply: 'always live' }),
  item('Tracker, stand-by', 'electronics', 'chart', 0.6, 'power', 24, 24, { supply: 'always live' }),
  item('Security alarm', 'other', 'chart', 0.5, 'power', 24, 24, { supply: 'always live' }),
  item('Tank gauges', 'electronics', 'chart', 1, 'power', 24, 24),
  item('Watermaker, small', 'heavy', 'engine', 380, 'current', 1, 1, motor(3, 1, { runsLong: true })),
  item(
    'Anchor windlass',
    'heavy',
    'bow',
    1000,
    'current',
    0.1,
    0,
    motor(3, 1, { supply: 'house switch', connection: 'M8', duty: { onS: 120, restS: 300, repeats: 3 } }),
  ),
  item(
    'Bow thruster',
    'heavy',
    'bow',
    2200,
    'current',
    0,
    0.02,
    motor(2.5, 0.5, { supply: 'house switch', connection: 'M10', duty: { onS: 60, restS: 600, repeats: 3 } }),
  ),
  item(
    'Sheet winch',
    'heavy',
    'lazarette',
    900,
    'current',
    0,
    0.1,
    motor(2.5, 0.5, { supply: 'house switch', connection: 'M8', duty: { onS: 40, restS: 120, repeats: 4 } }),
  ),
  item(
    'Furling motor',
    'deck',
    'bow',
    500,
    'current',
    0,
    0.05,
    motor(2.5, 0.5, { connection: 'M6', duty: { onS: 40, restS: 120, repeats: 3 } }),
  ),
  item(
    'Dinghy hoist',
    'deck',
    'lazarette',
    700,
    'current',
    0.05,
    0,
    motor(3, 1, { supply: 'house switch', connection: 'M8', duty: { onS: 90, restS: 300, repeats: 2 } }),
  ),
  item(
    'Passerelle pump',
    'deck',
    'lazarette',
    600,
    'current',
    0.05,
    0,
    motor(3, 1, { supply: 'house switch', connection: 'M8', duty: { onS: 60, restS: 240, repeats: 2 } }),
  ),
  item('Inverter, small', 'heavy', 'lazarette', 900, 'power', 0.5, 0.3, { surge: [2, 3], supply: 'house switch', connection: 'M8' }),
  item('Inverter, large', 'heavy', 'lazarette', 2200, 'power', 0.7, 0.4, { surge: [2, 3], supply: 'house switch', connection: 'M8' }),
  item('Horn', 'deck', 'mast', 60, 'current', 0, 0.01, motor(1.5, 0.2, { critical: true })),
  item('Windscreen wiper', 'deck', 'saloon', 50, 'current', 0, 1, motor(3, 0.5)),
  item('Alternator, medium frame', 'charging', 'engine', 960, 'current', 0, 0, {
    makes: 'alternator',
    critical: true,
    runsLong: true,
    supply: 'always live',
    connection: 'M8',
  }),
  item('Shore charger', 'charging', 'lazarette', 360, 'current', 0, 0, {
    makes: 'shore charger',
    critical: true,
    runsLong: true,
    supply: 'always live',
    connection: 'M6',
  }),
  item('Solar controller', 'charging', 'lazarette', 240, 'current', 0, 0, {
    makes: 'solar',
    critical: true,
    runsLong: true,
    supply: 'always live',
    connection: 'screw clamp',
  }),
  item('Searchlight', 'lights', 'bow', 100, 'resistance', 0, 0.1),
];

/** What draws while nobody uses it, W. */
const STANDBY_W: Readonly<Record<string, number>> = {
  'Gas detector': 1.2,
  'High-water alarm': 0.1,
  'Battery monitor': 0.15,
  'Tracker, stand-by': 0.4,
  Stereo: 0.3,
  'Bilge pump, automatic': 0.05,
  'Inverter, small': 7,
  'Inverter, large': 14,
  'USB outlet, double': 0.1,
};

export const APPLIANCES: readonly Appliance[] = LIST.map((a) => ({ ...a, standbyW: STANDBY_W[a.name] ?? a.standbyW }));

const two = (x: number): number => Number(x.toPrecision(3));

/** Hours in the usual ways of living: motoring as on passage, alongside as at anchor, laid up only what never stops. */
const hoursOf = ({ hours: [anchor, passage] }: Appliance): Load['hours'] => ({
  anchor,
  passage,
  motoring: passage,
  alongside: anchor,
  laidup: anchor === 24 && passage === 24 ? 24 : 0,
});

/** Lights burn by night, what hangs on the engine key runs with the engine; the rest at any time. */
function whenOf({ group, supply, name }: Appliance): Load['when'] {
  const when: When =
    supply === 'engine key' ? 'engine running' : group === 'lights' || /light|tricolour/i.test(name) ? 'by night' : 'any time';
  return when === 'any time' ? {} : { anchor: when, passage: when, motoring: when, alongside: when, laidup: when };
}

/** A load row from the list, at the vessel's volts. placeId stays only when the vessel has such a place. */
export function loadFrom(appliance: Appliance, id: string, systemV: number, places: ReadonlySet<string>): Load {
  const amps = appliance.watts / systemV;
  return {
    ...blankLoad(id, systemV),
    name: appliance.name,
    group: appliance.group,
    kind: kindOf({ kind: null, name: appliance.name, group: appliance.group }),
    rating: appliance.watts,
    behaviour: appliance.behaviour,
    surgeA: appliance.surge ? two(amps * appliance.surge[0]) : null,
    surgeS: appliance.surge?.[1] ?? null,
    critical: appliance.critical,
    runsLong: appliance.runsLong,
    supply: appliance.supply,
    connection: appliance.connection,
    duty: appliance.duty,
    shutFirst: appliance.shutFirst,
    standbyA: appliance.standbyW === null ? null : two(appliance.standbyW / systemV),
    placeId: places.has(appliance.place) ? appliance.place : null,
    hours: hoursOf(appliance),
    when: whenOf(appliance),
    mark: 'typical',
  };
}
