/** The scratch line answered: the load on a run of its own, with or without a boat behind it. */
import { analyse } from '../analysis';
import type { CircuitResult } from '../circuitResult';
import { blankBank, blankCircuit, blankDesign, blankLoad, blankPanel, blankPlace } from '../design/blank';
import type { Circuit, Design, Load, Place } from '../design/schema';
import { APPLIANCES } from '../library/appliances';
import { circuitWorking, type Working } from '../working';
import { readScratch, type ScratchReading } from './read';

export interface ScratchAnswer {
  readonly reading: ScratchReading;
  readonly load: Load;
  readonly lengthM: number;
  readonly result: CircuitResult;
  readonly working: Working;
  /** What was taken for granted. */
  readonly assumed: readonly string[];
}

export type ScratchResult = { readonly ok: true; readonly answer: ScratchAnswer } | { readonly ok: false; readonly message: string };

/** Prospective short-circuit current at the bus when no boat says otherwise, A: a panel a few metres from a bank of moderate size. */
const SHORT_A = 900;
/** From here on it hangs on the main bus, whose short is the bank's own. */
const HEAVY_A = 30;
const BEHAVES = {
  power: 'an electronic supply: draws more as volts fall',
  current: 'a motor: current as given',
  resistance: 'a resistance',
} as const;
const SYSTEMS = [12, 24, 48] as const;
const systemOf = (volts: number): 12 | 24 | 48 => (volts < 17 ? 12 : volts < 34 ? 24 : 48);

const OTHER_WORDS: Readonly<Record<string, string>> = {
  fridge: 'refrigerator',
  freezer: 'refrigerator',
  lamp: 'light',
  lamps: 'light',
  lights: 'light',
};

/** The appliance of the list whose words the name shares most of; its behaviour and group are taken. */
function likeness(name: string) {
  const words = new Set(
    name
      .toLowerCase()
      .split(/[^a-z]+/)
      .filter((w) => w.length > 2)
      .map((w) => OTHER_WORDS[w] ?? w),
  );
  let best: (typeof APPLIANCES)[number] | null = null;
  let most = 0;
  let closely = false;
  for (const appliance of APPLIANCES) {
    const own = appliance.name
      .toLowerCase()
      .split(/[^a-z]+/)
      .filter((w) => w.length > 2);
    const count = own.filter((w) => words.has(w)).length;
    const shared = count + count / Math.max(1, own.length);
    if (shared > most) [best, most, closely] = [appliance, shared, count > 1 || own.length === 1];
  }
  return best && { behaviour: best.behaviour, connection: best.connection, closely: closely ? best : null };
}

export function scratchLoad(reading: ScratchReading, systemV: number, id: string): Load {
  const like = likeness(reading.name);
  return {
    ...blankLoad(id, systemV),
    name: reading.name,
    quantity: reading.quantity,
    ratingBy: reading.ratingBy ?? 'W',
    rating: reading.rating,
    behaviour: like?.behaviour ?? (reading.ratingBy === 'A' ? 'current' : 'power'),
    group: like?.closely?.group ?? 'other',
    critical: reading.critical || (like?.closely?.critical ?? false),
    runsLong: like?.closely?.runsLong ?? false,
    connection: like?.connection ?? 'screw clamp',
    surgeA: reading.surgeA,
    surgeS: reading.surgeA === null ? null : reading.surgeS,
    placeId: reading.placeId,
    mark: 'estimated',
  };
}

/** A boat of one bank, one bus beside it and one run; with the house rules, units and bank of the boat on the table if there is one. */
function bench(reading: ScratchReading, boat: Design | null, school: 'awg' | 'metric'): { design: Design; load: Load } {
  const volts = reading.volts ?? boat?.boat.systemV ?? 12;
  const systemV = systemOf(volts);
  const blank = boat ?? blankDesign('Scratch', school, 10, 3, systemV);
  const bank = boat?.boat.systemV === systemV ? boat.banks[0] : undefined;
  const own: Place = {
    ...blankPlace('there', 'where it runs', { x: 5, y: 0, z: 0.5 }),
    ambientC: reading.ambientC ?? (reading.engineSpace ? 50 : 30),
    engineSpace: reading.engineSpace,
    wet: reading.wet,
    vapour: reading.vapour,
  };
  const known = boat?.places.find((p) => p.id === reading.placeId);
  const place = known ? { ...known, id: 'there', ...(reading.ambientC === null ? {} : { ambientC: reading.ambientC }) } : own;
  const dry = blankPlace('source', 'the bus', { x: 5, y: 0, z: 0.5 });
  const load = { ...scratchLoad(reading, systemV, 'scratch'), placeId: 'there' };
  const heavy = (load.ratingBy === 'A' ? load.rating : load.rating / systemV) * load.quantity >= HEAVY_A;
  const main: Circuit = {
    ...blankCircuit('main', '', 'Main', { kind: 'bank', id: 'bank' }),
    supply: 'house switch',
    taps: [{ id: 'main-1', parent: null, serves: { kind: 'panel', id: 'bus' }, tapedM: 0.5 }],
    pin: {
      ...blankCircuit('x', '', 'x', { kind: 'bank', id: 'bank' }).pin,
      size: blank.boat.ruleSet === 'awg' ? { school: 'awg', size: '4/0' } : { school: 'metric', size: '120' },
    },
  };
  const { house } = blank;
  return {
    load,
    design: {
      ...blank,
      boat: { ...blank.boat, systemV },
      house: reading.dropPct === null ? house : { ...house, criticalDropPct: reading.dropPct, generalDropPct: reading.dropPct },
      places: [dry, place],
      banks: [
        bank
          ? { ...bank, id: 'bank', placeId: 'source' }
          : { ...blankBank('bank', systemV, 'source'), blockAh: 200, shortCircuitA: heavy ? null : SHORT_A },
      ],
      panels: [blankPanel('bus', 'Bus', 'bus', 'source')],
      loads: [{ ...load, nominalV: systemV }],
      circuits: [
        main,
        {
          ...blankCircuit('run', '', reading.name, { kind: 'panel', id: 'bus' }),
          supply: load.supply,
          enclosure: reading.conduit ? 'conduit' : 'open',
          taps: [{ id: 'run-1', parent: null, serves: { kind: 'load', id: 'scratch' }, tapedM: reading.lengthM }],
        },
      ],
      routes: [],
      departures: [],
      photos: [],
    },
  };
}

/**
 * Size, device, drop, what governs and the working of a line such as "140 W pump 24 V 7 m engine space".
 * @param boat the boat on the table, whose rules, units, bank and places are used; null without one.
 */
export function scratch(line: string, boat: Design | null, school: 'awg' | 'metric' = 'metric'): ScratchResult {
  const read = readScratch(line, boat?.places);
  if (!read.ok) return { ok: false, message: read.message };
  const { reading } = read;
  const { design, load } = bench(reading, boat, school);
  const result = analyse(design).circuits.find((c) => c.id === 'run');
  const working = result && circuitWorking(result, design.boat);
  if (!result || !working) return { ok: false, message: 'that cannot be worked out' };
  const { systemV } = design.boat;
  return {
    ok: true,
    answer: {
      reading,
      load,
      lengthM: reading.lengthM ?? 0,
      result,
      working: { ...working, title: `${reading.name}, ${working.title === reading.name ? 'a run of its own' : working.title}` },
      assumed: [
        ...(reading.volts === null ? [`${systemV} V system`] : SYSTEMS.some((s) => s === reading.volts) ? [] : [`${systemV} V system`]),
        `behaves as ${BEHAVES[load.behaviour]}`,
        load.critical ? 'critical' : 'general',
        'from a bus beside the bank, nothing lost before it but its main',
        ...(boat && design.banks[0]?.name === boat.banks[0]?.name
          ? [`${boat.boat.name}'s rules and bank`]
          : [design.banks[0]?.shortCircuitA ? `a short at the bus gives ${SHORT_A} A` : 'a 200 Ah AGM bank']),
        ...(reading.placeId === null && !reading.engineSpace && reading.ambientC === null ? ['30 °C, dry'] : []),
      ],
    },
  };
}
