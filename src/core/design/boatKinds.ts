/** Kinds of boats to begin from: what is usually aboard, as typical figures of our own, every one to be corrected. */
import { acLoadFrom } from './acAppliances';
import { APPLIANCES, loadFrom } from './appliances';
import { blankBank, blankDesign } from './blank';
import { blankSource, blankTie, engineFor } from './blankCharging';
import { type Bank, type Design, type Source } from './schema';
import { CHEMISTRIES, type School } from '../rules';

type Row = readonly [name: string, quantity?: number];

interface BoatKind {
  readonly name: string;
  /** One line for whoever chooses. */
  readonly about: string;
  readonly loads: readonly Row[];
  readonly bank: { readonly chemistry: Bank['chemistry']; readonly blockAh: number; /** Blocks of 12 V. */ readonly blocks: number };
  /** What charges, at 12 V: at more the amps are fewer. */
  readonly sources: readonly (readonly [kind: Source['kind'], amps: number, more?: { readonly panels?: number }])[];
  readonly ac: readonly string[];
}

const LIGHTS: readonly Row[] = [['Anchor light, LED'], ['Steaming light, LED'], ['Bow light, two-colour'], ['Stern light']];
const UNDER_SAIL: readonly Row[] = [...LIGHTS, ['Masthead tricolour, LED']];
const PUMPS: readonly Row[] = [['Bilge pump, automatic'], ['High-water alarm'], ['Fresh water pump']];
const CRUISING: readonly Row[] = [
  ['Gas detector'],
  ['Refrigerator compressor'],
  ['Shower drain pump'],
  ['Position reporting transponder'],
  ['Multifunction display'],
  ['Autopilot drive'],
  ['Autopilot computer'],
  ['Stereo'],
  ['Diesel heater'],
  ['Anchor windlass'],
];
const SMALL: readonly Row[] = [['VHF radio'], ['Instrument network'], ['USB outlet, double', 2], ['Battery monitor']];

export const BOAT_KINDS = {
  weekender: {
    name: 'weekender',
    about: 'Under sail, a night or two from a berth: lights, radio, a pump, one solar panel.',
    loads: [...UNDER_SAIL, ...PUMPS, ...SMALL, ['Cabin light, LED', 4], ['Reading light, LED', 2], ['Multifunction display']],
    bank: { chemistry: 'agm', blockAh: 100, blocks: 2 },
    sources: [
      ['alternator', 60],
      ['shore charger', 15],
      ['solar', 10, { panels: 1 }],
    ],
    ac: [],
  },
  coastal: {
    name: 'coastal cruiser',
    about: 'Under sail, weeks along a coast: refrigerator, autopilot, heater, windlass, shore power.',
    loads: [...UNDER_SAIL, ...PUMPS, ...SMALL, ...CRUISING, ['Cabin light, LED', 8], ['Reading light, LED', 4], ['Deck floodlight']],
    bank: { chemistry: 'agm', blockAh: 110, blocks: 4 },
    sources: [
      ['alternator', 90],
      ['shore charger', 30],
      ['solar', 15, { panels: 2 }],
    ],
    ac: ['Water heater'],
  },
  'long-distance': {
    name: 'long-distance cruiser',
    about: 'Under sail, weeks away from shore: iron-phosphate bank, watermaker, freezer, radar, inverter, much solar.',
    loads: [
      ...UNDER_SAIL,
      ...PUMPS,
      ...SMALL,
      ...CRUISING,
      ['Cabin light, LED', 10],
      ['Reading light, LED', 6],
      ['Cabin fan', 4],
      ['Deck floodlight', 2],
      ['Freezer compressor'],
      ['Radar, solid state'],
      ['SSB transceiver'],
      ['Satellite terminal'],
      ['Mobile data router'],
      ['Watermaker, small'],
      ['Heads pump, macerating'],
      ['Deck wash pump'],
      ['Inverter, large'],
    ],
    bank: { chemistry: 'lfp', blockAh: 200, blocks: 3 },
    sources: [
      ['alternator', 120],
      ['shore charger', 60],
      ['solar', 40, { panels: 6 }],
    ],
    ac: ['Water heater', 'Microwave oven'],
  },
  motor: {
    name: 'motor cruiser',
    about: 'Under engine: windlass, thruster, wipers, refrigerator, a small inverter, shore power at the berth.',
    loads: [
      ...LIGHTS,
      ...PUMPS,
      ...SMALL,
      ['Cabin light, LED', 8],
      ['Gas detector'],
      ['Refrigerator compressor'],
      ['Shower drain pump'],
      ['Multifunction display', 2],
      ['Radar, solid state'],
      ['Windscreen wiper', 2],
      ['Horn'],
      ['Searchlight'],
      ['Heads pump, macerating'],
      ['Anchor windlass'],
      ['Bow thruster'],
      ['Inverter, small'],
    ],
    bank: { chemistry: 'agm', blockAh: 110, blocks: 4 },
    sources: [
      ['alternator', 110],
      ['shore charger', 40],
    ],
    ac: ['Water heater', 'Air conditioner'],
  },
} as const satisfies Readonly<Record<string, BoatKind>>;

export type BoatKindId = keyof typeof BOAT_KINDS;
export const BOAT_KIND_IDS = Object.keys(BOAT_KINDS) as readonly BoatKindId[];

const inKind = (kind: BoatKind, loads: readonly Row[], design: Design): Design['loads'] => {
  const places = new Set(design.places.map((p) => p.id));
  const { systemV } = design.boat;
  return loads.flatMap(([name, quantity = 1], i) => {
    const appliance = APPLIANCES.find((a) => a.name === name);
    if (!appliance) throw new Error(`${kind.name}: no appliance is called ${name}`);
    return [{ ...loadFrom(appliance, `l${i + 1}`, systemV, places), quantity }];
  });
};

/** Volts of the battery that cranks: nobody makes a starter for 48 V, such a boat has an engine of 12. */
const cranksAt = (systemV: number): number => (systemV > 24 ? 12 : systemV);

/** Banks that fit the kind: the house bank of 12 V blocks, and a battery that cranks. */
function banksOf({ bank }: BoatKind, design: Design): Bank[] {
  const { systemV } = design.boat;
  const house = blankBank('house', systemV, 'saloon');
  const strings = Math.max(1, Math.round(bank.blocks / house.series));
  const lithium = bank.chemistry === 'lfp';
  const times = systemV / 12;
  return [
    {
      ...house,
      chemistry: bank.chemistry,
      blockAh: bank.blockAh,
      strings,
      // Of three batteries each gives a third; a quarter more than the largest share of what the bank is asked for.
      stringFuseA: lithium && strings > 1 ? 200 : null,
      bms: lithium
        ? { overV: round(14.8 * times), underV: round(10.8 * times), lowChargeC: 0, toleranceV: 0.05 * times, warns: true }
        : null,
    },
    { ...blankBank('start', cranksAt(systemV), 'lazarette'), name: 'Start battery', job: 'start', strings: 1, blockAh: 75, cca: 700 },
  ];
}

/** A single V-belt bears no more, A at 12 V. */
const V_BELT_A = 80;

/** What charges, set as the chemistry wants it, told on the bank; on iron phosphate the alternator is regulated from outside. */
function sourcesOf(kind: BoatKind, design: Design, house: Bank): Source[] {
  const times = design.boat.systemV / 12;
  const chemistry = CHEMISTRIES[kind.bank.chemistry];
  return kind.sources.map(([what, amps, more], i) => {
    const made = blankSource(`s${i + 1}`, what, design.boat.systemV, house.id);
    const ratedA = Math.round(amps / times);
    const regulator: Source['regulator'] = {
      ...made.regulator,
      absorptionV: round(chemistry.absorptionV * times),
      floatV: round(chemistry.floatV * times),
      slope: { value: chemistry.slopeMvPerCCell, unit: 'mV/°C cell' },
      sensor: 'on the bank',
      tailA: Math.round((chemistry.leadAcid ? 0.01 : 0.04) * house.blockAh * house.strings),
    };
    const source: Source = { ...made, ratedA, placeId: what === 'alternator' ? 'engine' : 'lazarette', regulator };
    if (made.alternator) {
      const regulated = !chemistry.leadAcid;
      const wide = amps > V_BELT_A;
      const alternator: Source['alternator'] = {
        ...made.alternator,
        curve: made.alternator.curve.map((p) => ({ ...p, amps: Math.round((p.amps * ratedA) / made.ratedA) })),
        belt: wide ? 'multi-rib' : made.alternator.belt,
        ...(regulated ? ({ excitation: 'external', fieldLimited: true, suppressor: true } as const) : {}),
      };
      return regulated
        ? { ...source, alternator, regulator: { ...regulator, staged: true, sense: 'the bank' } }
        : { ...source, alternator, regulator: { ...made.regulator, absorptionV: regulator.absorptionV, slope: regulator.slope } };
    }
    if (made.solar) {
      // Above 24 V four in series work over the charging volts, and a controller of more volts takes them on a cold morning.
      const series = times > 2 ? 4 : made.solar.series;
      const controllerV = times > 2 ? 150 : made.solar.controllerV;
      const parallel = Math.max(1, Math.round((more?.panels ?? 1) / series));
      return { ...source, solar: { ...made.solar, series, parallel, controllerV, controllerA: ratedA } };
    }
    return source;
  });
}

const round = (x: number): number => Math.round(x * 100) / 100;

/** What charges the start battery from a house bank of another chemistry, or of other volts. */
function toStart(systemV: number): Source {
  const volts = cranksAt(systemV);
  const made = blankSource('s9', 'DC–DC', volts, 'start', systemV);
  return {
    ...made,
    name: 'DC–DC charger for the start battery',
    fromBankId: 'house',
    placeId: 'lazarette',
    ratedA: Math.round((20 * 12) / volts),
    regulator: { ...made.regulator, sensor: 'on the bank' },
  };
}

/** A boat to begin from. Every figure is typical, none is anybody's. @param kind null: an empty one, with her usual places. */
export function designOfKind(
  kind: BoatKindId | null,
  boat: {
    readonly name: string;
    readonly school: School;
    readonly lengthM: number;
    readonly beamM: number;
    readonly systemV: 12 | 24 | 48;
  },
): Design {
  const empty = blankDesign(boat.name, boat.school, boat.lengthM, boat.beamM, boat.systemV);
  if (kind === null) return empty;
  const chosen: BoatKind = BOAT_KINDS[kind];
  const apart = chosen.bank.chemistry === 'lfp' || cranksAt(boat.systemV) !== boat.systemV;
  const joined: Pick<Design, 'joins' | 'sources'> = apart
    ? {
        joins: [],
        sources: [toStart(boat.systemV)],
      }
    : { joins: [{ ...blankTie('relay', 'relay', boat.systemV), firstId: 'house', secondId: 'start' }], sources: [] };
  const banks = banksOf(chosen, empty);
  const [house] = banks;
  return {
    ...empty,
    loads: inKind(chosen, chosen.loads, empty),
    banks,
    engine: { ...engineFor(cranksAt(boat.systemV)), startBankId: 'start' },
    joins: joined.joins,
    sources: [...(house ? sourcesOf(chosen, empty, house) : []), ...joined.sources],
    acLoads: chosen.ac.flatMap((name, i) => acLoadFrom(name, `a${i + 1}`, empty) ?? []),
  };
}
