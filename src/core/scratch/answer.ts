/** The scratch line answered: the load on a run of its own, with or without a boat behind it. */
import { analyse, createMemory, workedCircuit, workedPath } from '../analysis';
import {
  APPLIANCES,
  applyEdit,
  blankBank,
  blankCircuit,
  blankDesign,
  blankLoad,
  blankPanel,
  blankPlace,
  type Circuit,
  type Design,
  type Finding,
  type HouseRules,
  type Load,
  type Place,
  UNPINNED,
  kindOf,
  rowOf,
} from '../design';
import type { CircuitResult } from '../circuit';
import { show } from '../quantity';
import { circuitWorking, type Working } from '../working';
import { attachOps } from './attach';
import { readScratch, type ScratchReading } from './read';

export interface ScratchAnswer {
  readonly reading: ScratchReading;
  readonly load: Load;
  readonly lengthM: number;
  readonly result: CircuitResult;
  /** What is found about its run. */
  readonly findings: readonly Finding[];
  readonly working: Working;
  /** What was taken for granted. */
  readonly assumed: readonly string[];
}

export type ScratchResult = { readonly ok: true; readonly answer: ScratchAnswer } | { readonly ok: false; readonly message: string };

/** Prospective short-circuit current at the bus when no boat says otherwise, A: a panel a few metres from a bank of moderate size. */
const SHORT_A = 900;
/** From here on it hangs on the main bus, whose short is the bank's own. */
const HEAVY_A = 30;
/** What charges the bank; a telephone's charger does not. */
const CHARGES =
  /\b(alternator|(shore|battery|mains) charger|solar (panel|controller|array|regulator)s?|wind (generator|turbine)|dc.?dc)\b|^charger$/i;
/** AC watts over DC watts of an inverter where nobody says. Typical. */
const INVERTER_EFFICIENCY = 0.9;
/** A hard start: three times ten seconds. Typical. */
const STARTER_DUTY = { onS: 10, restS: 30, repeats: 3 };
const BEHAVES = {
  power: 'an electronic supply: draws more as volts fall',
  current: 'a motor: current as given',
  resistance: 'a resistance',
} as const;
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
  const kind = kindOf({ kind: null, name: reading.name, group: like?.closely?.group ?? 'other' });
  const charges = CHARGES.test(reading.name);
  const close = like?.closely ?? null;
  const rating = reading.rating / (kind === 'inverter' && reading.ratingBy === 'W' ? INVERTER_EFFICIENCY : 1);
  const amps = reading.ratingBy === 'A' ? rating : rating / systemV;
  // What starts with a surge and runs for minutes does so however it is entered.
  const surgeA = reading.surgeA ?? (close?.surge ? Number((amps * close.surge[0]).toPrecision(3)) : null);
  return {
    ...blankLoad(id, systemV),
    name: reading.name,
    quantity: reading.quantity,
    ratingBy: reading.ratingBy ?? 'W',
    // What an inverter draws is its AC watts through its efficiency.
    rating,
    behaviour:
      kind === 'starter' || (charges && reading.ratingBy === 'A')
        ? 'current'
        : (like?.behaviour ?? (reading.ratingBy === 'A' ? 'current' : 'power')),
    group: charges ? 'charging' : kind === 'navigation light' ? 'navigation' : (like?.closely?.group ?? 'other'),
    kind: kind === 'starter' ? kind : null,
    duty: kind === 'starter' ? STARTER_DUTY : (close?.duty ?? null),
    supply: close?.supply ?? 'panel breaker',
    critical: reading.critical || kind === 'navigation light' || kind === 'bilge pump' || (like?.closely?.critical ?? false),
    runsLong: like?.closely?.runsLong ?? false,
    connection: like?.connection ?? 'screw clamp',
    surgeA,
    surgeS: reading.surgeA === null ? (close?.surge?.[1] ?? null) : reading.surgeS,
    placeId: reading.placeId,
    mark: 'estimated',
  };
}

interface Scene {
  readonly design: Design;
  readonly circuitId: string;
  readonly assumed: readonly string[];
}

/** The place the line speaks of: one of the boat's by name, or one as described. */
function placeOf(reading: ScratchReading, boat: Design | null): Place {
  const known = boat?.places.find((p) => p.id === reading.placeId);
  const place = known ?? {
    ...blankPlace('there', 'where it runs', { x: (boat?.boat.lengthM ?? 10) / 2, y: 0, z: 0.5 }),
    ambientC: reading.engineSpace ? 50 : 30,
    engineSpace: reading.engineSpace,
    wet: reading.wet,
    vapour: reading.vapour,
  };
  return { ...place, id: 'there', ambientC: reading.ambientC ?? place.ambientC };
}

const strict = (house: HouseRules, { dropPct }: ScratchReading): HouseRules =>
  dropPct === null ? house : { ...house, criticalDropPct: dropPct, generalDropPct: dropPct };

const laid = (circuit: Circuit, reading: ScratchReading): Circuit => ({
  ...circuit,
  enclosure: reading.conduit ? 'conduit' : circuit.enclosure,
});

/** On the boat herself, where the application would hang it; null when she has no bank yet or another voltage. */
function aboard(reading: ScratchReading, boat: Design, load: Load): Scene | null {
  if (boat.banks.length === 0 || (reading.volts !== null && systemOf(reading.volts) !== boat.boat.systemV)) return null;
  let count = 0;
  const base: Design = { ...boat, house: strict(boat.house, reading), places: [...boat.places, placeOf(reading, boat)] };
  const { ops, circuitId } = attachOps(
    base,
    load,
    { lengthM: reading.lengthM ?? 0, placeId: 'there' },
    (prefix) => `scratch-${prefix}${++count}`,
  );
  const next = applyEdit(base, { ops }, true);
  if (!next.ok || circuitId === null) return null;
  const circuit = rowOf(next.design.circuits, circuitId);
  const from = rowOf(next.design.panels, circuit?.from.id)?.name ?? 'the bank';
  return {
    circuitId,
    design: { ...next.design, circuits: next.design.circuits.map((c) => (c.id === circuitId ? laid(c, reading) : c)) },
    assumed: [`fed from ${from} of ${boat.boat.name}, with her rules`],
  };
}

/** A boat of one bank, one bus beside it and one run. */
function alone(reading: ScratchReading, boat: Design | null, school: 'awg' | 'metric', load: Load): Scene {
  const systemV = systemOf(reading.volts ?? boat?.boat.systemV ?? 12);
  const blank = boat ?? blankDesign('Scratch', school, 10, 3, systemV);
  const heavy = (load.ratingBy === 'A' ? load.rating : load.rating / systemV) * load.quantity >= HEAVY_A;
  const main: Circuit = {
    ...blankCircuit('main', '', 'Main', { kind: 'bank', id: 'bank' }),
    supply: 'house switch',
    taps: [{ id: 'main-1', parent: null, serves: { kind: 'panel', id: 'bus' }, tapedM: 0.5 }],
    pin: { ...UNPINNED, size: blank.boat.ruleSet === 'awg' ? { school: 'awg', size: '4/0' } : { school: 'metric', size: '120' } },
  };
  const run: Circuit = {
    ...blankCircuit('run', '', reading.name, { kind: 'panel', id: 'bus' }),
    supply: load.supply,
    taps: [{ id: 'run-1', parent: null, serves: { kind: 'load', id: load.id }, tapedM: reading.lengthM }],
  };
  return {
    circuitId: 'run',
    design: {
      ...blank,
      boat: { ...blank.boat, systemV },
      house: strict(blank.house, reading),
      places: [blankPlace('source', 'the bus', { x: 5, y: 0, z: 0.5 }), placeOf(reading, boat)],
      banks: [{ ...blankBank('bank', systemV, 'source'), blockAh: 200, shortCircuitA: heavy ? null : SHORT_A }],
      panels: [blankPanel('bus', 'Bus', 'bus', 'source')],
      loads: [{ ...load, placeId: 'there' }],
      circuits: [main, laid(run, reading)],
      routes: [],
      departures: [],
      photos: [],
    },
    assumed: [
      'from a bus beside the bank, nothing lost before it but its main',
      heavy ? 'a 200 Ah AGM bank' : `a short at the bus gives ${SHORT_A} A`,
    ],
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
  const systemV = systemOf(reading.volts ?? boat?.boat.systemV ?? 12);
  const load = scratchLoad(reading, systemV, 'scratch-load');
  const scene = (boat && aboard(reading, boat, load)) ?? alone(reading, boat, school, load);
  const memory = createMemory();
  const { findings } = analyse(scene.design, memory);
  const worked = workedCircuit(memory, scene.circuitId);
  const working = circuitWorking(workedPath(memory, scene.circuitId), scene.design.boat);
  if (!worked || !working) return { ok: false, message: 'that cannot be worked out' };
  return {
    ok: true,
    answer: {
      reading,
      load,
      lengthM: reading.lengthM ?? 0,
      result: worked.result,
      findings: findings.filter((f) => f.id.endsWith(`:${scene.circuitId}`)),
      working: { ...working, title: reading.name },
      assumed: [
        ...(reading.volts === systemV ? [] : [`${systemV} V system`]),
        `behaves as ${BEHAVES[load.behaviour]}`,
        load.critical ? 'critical' : load.group === 'charging' ? 'charging: 3 % over the whole way' : 'general',
        ...(kindOf(load) === 'inverter' && load.ratingBy === 'W'
          ? [`watts are of the AC side, ${100 * INVERTER_EFFICIENCY} % efficient`]
          : []),
        ...(kindOf(load) === 'starter'
          ? [`turned ${STARTER_DUTY.repeats} times for ${STARTER_DUTY.onS} s; a starter’s cable has no device`]
          : []),
        ...scene.assumed,
        ...(reading.placeId === null && !reading.engineSpace && reading.ambientC === null
          ? [`${show(30, 'C', scene.design.boat)}, dry`]
          : []),
      ],
    },
  };
}
