/** Boats nobody would build: every shape the schema lets through, loops and loose ends included. The same seed gives the same boat. */
import { APPLIANCES, loadFrom } from '@/core';
import {
  type AcCircuit,
  type Bank,
  blankAcCircuit,
  blankAcLoad,
  blankAcPanel,
  blankAcSource,
  blankBank,
  blankCircuit,
  blankCruise,
  blankDesign,
  blankDevice,
  blankFound,
  blankTie,
  blankLoad,
  blankPanel,
  blankRoute,
  blankSource,
  type Circuit,
  defaultHouse,
  type Design,
  engineFor,
  type BatteryCable,
  type Load,
  SMALL_PURPOSES,
  type SmallLead,
  type Study,
  type Tap,
} from '@/core/design';
import { blankSmallLead } from '@/core/propose';
import { random } from '@/core/solve';

interface Dice {
  readonly even: () => number;
  readonly whole: (least: number, most: number) => number;
  readonly chance: (part: number) => boolean;
  readonly of: <T>(xs: readonly T[]) => T;
  readonly maybe: <T>(x: T, part?: number) => T | null;
}

function diceOf(seed: number): Dice {
  const { even } = random(seed, 77);
  const whole = (least: number, most: number) => least + Math.floor(even() * (most - least + 1));
  return {
    even,
    whole,
    chance: (part) => even() < part,
    of: (xs) => xs[whole(0, xs.length - 1)] as (typeof xs)[number],
    maybe: (x, part = 0.5) => (even() < part ? x : null),
  };
}

type Parts = Pick<Design, 'banks' | 'panels' | 'loads' | 'places'>;

const ids = (rows: readonly { readonly id: string }[]): string[] => rows.map((r) => r.id);

function anyLoad(d: Dice, i: number, base: Design): Load {
  const places = new Set(ids(base.places));
  const id = `l${i}`;
  const usual = loadFrom(d.of(APPLIANCES), id, base.boat.systemV, places);
  if (d.chance(0.5)) return usual;
  return {
    ...blankLoad(id, d.of([12, 24, 48, base.boat.systemV])),
    name: d.of(['Thing', 'Pump', 'Ø ⚓ lamp', 'Inverter', 'Alternator', 'x'.repeat(60)]),
    group: d.of(['navigation', 'lights', 'electronics', 'pump', 'blower', 'heavy', 'charging', 'other']),
    quantity: d.of([1, 1, 2, 99]),
    ratingBy: d.of(['W', 'A']),
    rating: d.of([0, 0.03, 5, 60, 800, 3000, 100000]),
    behaviour: d.of(['power', 'resistance', 'current']),
    surgeA: d.of([null, null, 0, 12, 600, 20000]),
    surgeS: d.of([null, 0.001, 2, 600]),
    minV: d.of([null, null, 0, 10.8, 60]),
    makerFuseA: d.of([null, null, 0.1, 10, 1000]),
    makerWire: d.chance(0.1) ? [{ school: 'metric', size: '10', upToM: d.of([null, 0.1, 9]) }] : [],
    critical: d.chance(0.3),
    runsLong: d.chance(0.4),
    supply: d.of(['always live', 'house switch', 'panel breaker', 'engine key', 'relay']),
    placeId: d.maybe(d.of(ids(base.places)), 0.8),
    duty: d.maybe({ onS: d.of([0.1, 30, 36000]), restS: d.of([0, 120]), repeats: d.of([1, 5, 1000]) }, 0.2),
    standbyA: d.of([null, 0, 0.2, 100]),
    range: d.maybe({ toRating: d.of([0, 10, 100000]), placeIds: [d.of(ids(base.places))] }, 0.1),
    hours: Object.fromEntries(base.living.map((l) => [l.id, d.of([0, 2, 24])])),
  };
}

function anyTaps(d: Dice, circuitId: string, parts: Parts): Tap[] {
  const taps: Tap[] = [];
  const most = d.of([0, 1, 1, 1, 2, 3, 6]);
  for (let i = 0; i < most; i++) {
    const kind = d.of(['load', 'load', 'load', 'panel', 'place'] as const);
    const rows = kind === 'load' ? parts.loads : kind === 'panel' ? parts.panels : parts.places;
    if (rows.length === 0) continue;
    taps.push({
      id: `${circuitId}-${i}`,
      parent: taps.length === 0 || d.chance(0.2) ? null : d.of(taps).id,
      serves: { kind, id: d.of(ids(rows)) },
      tapedM: d.of([null, null, 0.05, 3, 120]),
    });
  }
  return taps;
}

function anyCircuit(d: Dice, i: number, base: Design, parts: Parts): Circuit {
  const { ruleSet } = base.boat;
  const from: Circuit['from'] =
    parts.panels.length > 0 && (parts.banks.length === 0 || d.chance(0.75))
      ? { kind: 'panel', id: d.of(ids(parts.panels)) }
      : { kind: 'bank', id: d.of(ids(parts.banks)) };
  const blank = blankCircuit(`c${i}`, d.of(['', String(i)]), `Circuit ${i}`, from);
  const size = ruleSet === 'awg' ? d.of(['18', '10', '4/0']) : d.of(['0.75', '6', '120']);
  return {
    ...blank,
    supply: d.of(['always live', 'house switch', 'panel breaker', 'engine key', 'relay']),
    taps: anyTaps(d, blank.id, parts),
    via: d.chance(0.2) ? [d.of(ids(base.places))] : [],
    bundled: d.of([2, 6, 200]),
    enclosure: d.of(['open', 'conduit', 'insulated']),
    sheathed: d.chance(0.3),
    insulationC: d.of([null, null, 60, 105, 125]),
    deviceAtM: d.of([0.1, 0.1, 0, 30]),
    devices: d.chance(0.3)
      ? [
          {
            ...blankDevice(`d${i}`, d.of(['switch', 'diode', 'plug', 'float switch', 'battery switch', 'lit switch', 'relay'])),
            ratingA: d.of([null, 0.1, 100]),
            mohm: d.of([null, 0, 1000]),
          },
        ]
      : [],
    pin: {
      size: d.maybe(
        { school: d.chance(0.9) ? ruleSet : ruleSet === 'awg' ? 'metric' : 'awg', size: ruleSet === 'awg' ? '10' : '10' },
        0.15,
      ),
      legs: d.of([1, 1, 1, 2, 4]),
      family: d.of([null, null, null, 'blade', 'class-T', 'panel-breaker']),
      ratingA: d.of([null, null, null, 0.5, 15, 1000]),
      ownDevices: d.chance(0.1),
    },
    found: d.chance(0.1)
      ? {
          ...blankFound(ruleSet),
          size: { school: ruleSet, size },
          decision: d.of(['undecided', 'keep', 'replace', 'remove']),
          kind: d.of(['tinned strands', 'solid', 'household', 'unknown']),
          ratingA: d.of([null, 0.5, 1000]),
          lengthM: d.of([null, 0.05, 200]),
          ageYears: d.of([null, 0, 80]),
          faults: [
            {
              id: `f${i}`,
              kind: d.of(['green', 'burnt', 'nowhere', 'soldered'] as const),
              mohm: d.of([null, 0, 10000]),
              strands: null,
              alike: 1,
            },
          ],
        }
      : null,
    way: d.of([null, null, 1, 60]),
  };
}

function anyBank(d: Dice, i: number, base: Design): Bank {
  const bank = blankBank(`b${i}`, d.chance(0.9) ? base.boat.systemV : 12, d.maybe(d.of(ids(base.places)), 0.9));
  return {
    ...bank,
    chemistry: d.of(['flooded', 'agm', 'gel', 'lfp']),
    blockAh: d.of([1, 110, 280, 5000]),
    strings: d.of([1, 2, 4, 16]),
    job: d.of(['house', 'start', 'own']),
    cca: d.of([null, 50, 20000]),
    shortCircuitA: d.of([null, 50, 200000]),
    tempC: d.of([null, -30, 60]),
  };
}

function anyEnd(d: Dice, base: Design, parts: Parts & Pick<Design, 'bars' | 'joins' | 'sources'>): BatteryCable['from'] {
  const rows = {
    bank: parts.banks,
    panel: parts.panels,
    bar: parts.bars,
    source: parts.sources,
    case: parts.loads,
    'join first': parts.joins,
    'join second': parts.joins,
    'join common': parts.joins,
  };
  const kind = d.of(['bank', 'bank', 'panel', 'bar', 'bar', 'join first', 'join second', 'join common', 'source', 'case'] as const);
  const list = ids(rows[kind]);
  // A thing that is gone is a shape a file may have too.
  return { kind, id: list.length === 0 || d.chance(0.03) ? 'gone' : d.of(list) };
}

function anyLead(d: Dice, i: number, base: Design, parts: Parts & Pick<Design, 'bars' | 'joins' | 'sources'>): BatteryCable {
  const from = anyEnd(d, base, parts);
  return {
    id: `m${i}`,
    name: `Lead ${i}`,
    rail: d.of(['positive', 'negative', 'earth']),
    from,
    to: d.chance(0.1) ? from : anyEnd(d, base, parts),
    through: d.chance(0.3)
      ? [{ ...blankDevice(`md${i}`, d.of(['shunt', 'battery switch', 'isolator', 'diode'])), ratingA: d.of([null, 0.1, 500]) }]
      : [],
    fused: d.chance(0.5),
    family: d.of([null, null, 'class-T', 'strip-link'] as const),
    ratingA: d.of([null, null, 0.5, 300]),
    size: d.maybe({ school: base.boat.ruleSet, size: base.boat.ruleSet === 'awg' ? '2/0' : '70' }, 0.2),
    lengthM: d.of([null, null, 0.05, 120]),
    fromStud: 'M8',
    toStud: 'M8',
    note: '',
  };
}

function anyStudy(d: Dice, i: number, base: Design, parts: Parts & Pick<Design, 'joins' | 'circuits'>): Study {
  return {
    id: `s${i}`,
    name: `Study ${i}`,
    soc: d.of([0, 0.5, 1]),
    engineRpm: d.of([0, 800, 8000]),
    shore: d.chance(0.3),
    cranking: d.chance(0.3),
    loads: Object.fromEntries(ids(parts.loads).flatMap((id) => (d.chance(0.4) ? [[id, d.of(['on', 'start'] as const)]] : []))),
    positions: Object.fromEntries(ids(parts.joins).map((id) => [id, d.of(['off', 'first', 'second', 'both'] as const)])),
    open: ids(parts.circuits).filter(() => d.chance(0.05)),
  };
}

function acSide(
  d: Dice,
  base: Design,
  loads: readonly Load[],
  sources: Design['sources'],
): Pick<Design, 'acSources' | 'acPanels' | 'acLoads' | 'acCircuits'> {
  const acSources = Array.from({ length: d.of([0, 0, 1, 2, 4]) }, (_, i) => {
    const s = blankAcSource(`as${i}`, d.of(['shore', 'generator', 'inverter']), base.boat);
    const row = loads.length > 0 ? d.maybe(d.of(ids(loads)), 0.7) : null;
    return {
      ...s,
      name: `AC source ${i}`,
      service: d.chance(0.9) ? s.service : d.of(['120 V', '120/240 V', '230 V'] as const),
      placeId: d.maybe(d.of(ids(base.places)), 0.8),
      ratedA: d.of([s.ratedA, s.ratedA, 0, 400]),
      inverter: s.inverter && {
        ...s.inverter,
        loadId: d.chance(0.05) ? 'gone' : row,
        chargerId: sources.length > 0 ? d.maybe(d.of(ids(sources)), 0.3) : null,
        va: d.of([0, 800, 50000]),
        passA: d.of([null, 16, 400]),
      },
      generator: s.generator && { ...s.generator, kva: d.of([0, 4, 100]), startLoadId: row },
    };
  });
  const acPanels = Array.from({ length: d.of([0, 1, 2, 6]) }, (_, i) => ({
    ...blankAcPanel(`ap${i}`, d.maybe(d.of(ids(base.places)), 0.8)),
    name: `AC panel ${i}`,
    transfer: d.of(['none', 'by hand', 'relay'] as const),
    switchesNeutral: d.chance(0.5),
    barsApart: d.chance(0.8),
  }));
  const acLoads = Array.from({ length: d.of([0, 2, 8, 14]) }, (_, i) => ({
    ...blankAcLoad(`al${i}`),
    name: `Appliance ${i}`,
    watts: d.of([0, 60, 1500, 20000]),
    powerFactor: d.of([1, 0.6, 0]),
    surgeVa: d.of([null, 0, 4000]),
    leg: d.of(['first', 'second', 'both'] as const),
    notWith: d.of(['', '', 'hot']),
    chargerId: sources.length > 0 ? d.maybe(d.of(ids(sources)), 0.1) : null,
    hours: Object.fromEntries(base.living.map((l) => [l.id, d.of([0, 2, 24])])),
  }));
  const begins: AcCircuit['from'][] = [
    ...ids(acSources).map((id) => ({ kind: 'source' as const, id })),
    ...ids(acPanels).map((id) => ({ kind: 'panel' as const, id })),
  ];
  const ends: AcCircuit['to'][] = [
    null,
    null,
    ...ids(acPanels).map((id) => ({ kind: 'panel' as const, id })),
    ...acSources.flatMap((s) => (s.kind === 'inverter' ? [{ kind: 'inverter' as const, id: s.id }] : [])),
  ];
  const acCircuits =
    begins.length === 0
      ? []
      : Array.from({ length: d.of([0, 2, 6, 16]) }, (_, i): AcCircuit => ({
          ...blankAcCircuit(`ac${i}`, String(i), `AC run ${i}`, d.of(begins)),
          to: d.of(ends),
          loadIds: ids(acLoads).filter(() => d.chance(0.2)),
          outlets: d.of([0, 0, 2]),
          lengthM: d.of([null, 0.1, 5, 120]),
          ratingA: d.of([null, null, 1, 16]),
          leakageMa: d.of([null, 5, 30]),
          poles: d.of([1, 2]),
        }));
  return { acSources, acPanels, acLoads, acCircuits };
}

/** @param seed which boat. */
export function randomBoat(seed: number): Design {
  const d = diceOf(seed);
  const school = d.of(['awg', 'metric'] as const);
  const base = blankDesign(`Random ${seed}`, school, d.of([3, 10, 18, 60]), d.of([1, 3.5, 20]), d.of([12, 12, 24, 48] as const));
  const places = base.places.map((p) => ({
    ...p,
    ambientC: d.of([p.ambientC, p.ambientC, -20, 60, 95]),
    wet: d.chance(0.2),
    compass: d.chance(0.1),
    exhaust: d.chance(0.1),
    moving: d.chance(0.1),
    vapour: d.chance(0.2),
    drips: d.chance(0.1),
    engineSpace: d.chance(0.2),
  }));
  const boat = { ...base.boat, acRegion: d.of(['120 V', '120/240 V', '230 V'] as const), hull: d.of(['glass fibre', 'steel'] as const) };
  const start: Design = { ...base, boat, places, house: defaultHouse(school) };
  const banks = Array.from({ length: d.of([0, 1, 1, 2, 3]) }, (_, i) => anyBank(d, i, start));
  const panels = Array.from({ length: d.of([0, 1, 2, 4, 8]) }, (_, i) => ({
    ...blankPanel(`p${i}`, `Panel ${i}`, d.of(['panel', 'bus']), d.maybe(d.of(ids(places)), 0.9)),
    family: d.of([null, null, 'blade', 'panel-breaker'] as const),
    ways: d.of([1, 12, 60]),
    maxTotalA: d.of([null, 100, 1]),
    maxWayA: d.of([null, 30, 1]),
  }));
  const loads = Array.from({ length: d.of([0, 1, 5, 16, 40]) }, (_, i) => anyLoad(d, i, start));
  const sources = Array.from({ length: d.of([0, 1, 2, 5]) }, (_, i) => {
    const s = blankSource(`so${i}`, d.of(['alternator', 'shore charger', 'DC–DC', 'solar', 'wind', 'portable']), boat.systemV, null);
    return {
      ...s,
      name: `Source ${i}`,
      bankId: banks.length > 0 ? d.maybe(d.of(ids(banks)), 0.9) : null,
      fromBankId: banks.length > 0 ? d.maybe(d.of(ids(banks)), 0.5) : null,
      joinId: d.maybe('j0', 0.2),
      loadId: loads.length > 0 ? d.maybe(d.of(ids(loads)), 0.3) : null,
      placeId: d.maybe(d.of(ids(places)), 0.7),
      ratedA: d.of([s.ratedA, s.ratedA, 0, 2000]),
      pathMohm: d.of([null, null, 0, 1000]),
    };
  });
  const joins = Array.from({ length: banks.length > 0 ? d.of([0, 0, 1, 2]) : 0 }, (_, i) => ({
    ...blankTie(`j${i}`, d.of(['selector', 'splitter', 'relay']), boat.systemV),
    name: `BankTie ${i}`,
    firstId: d.maybe(d.of(ids(banks)), 0.9),
    secondId: d.maybe(d.of(ids(banks)), 0.9),
    running: d.of(['off', 'first', 'second', 'both'] as const),
  }));
  const parts: Parts = { banks, panels, loads, places };
  const circuits =
    banks.length + panels.length === 0 ? [] : Array.from({ length: d.of([0, 2, 8, 24]) }, (_, i) => anyCircuit(d, i, start, parts));
  const bars = Array.from({ length: d.of([0, 1, 3, 6]) }, (_, i) => ({
    id: `bar${i}`,
    name: `Bar ${i}`,
    kind: d.of(['positive bus', 'negative bus', 'engine', 'starter', 'bonding bus', 'AC earth bar', 'underwater metal', 'hull'] as const),
    placeId: d.maybe(d.of(ids(places)), 0.8),
    stud: 'M8' as const,
    ratedA: d.maybe(d.of([60, 150, 250, 600]), 0.5),
    studs: d.maybe(d.of([1, 4, 8]), 0.5),
    torqueNm: null,
  }));
  const all = { ...parts, bars, joins, sources };
  const leads = Array.from({ length: d.of([0, 2, 8, 20]) }, (_, i) => anyLead(d, i, start, all));
  const smallLeads = Array.from({ length: d.of([0, 0, 2, 5]) }, (_, i): SmallLead => ({
    ...blankSmallLead(`s${i}`, d.of(SMALL_PURPOSES), d.maybe(d.of([...ids(sources), 'gone']), 0.8)),
    to: d.maybe({ kind: d.of(['bank', 'panel', 'place'] as const), id: d.of([...ids(banks), ...ids(panels), 'gone']) }, 0.7),
    fuseA: d.maybe(d.of([0.5, 3, 30]), 0.5),
    diode: d.chance(0.5),
    lengthM: d.maybe(d.of([0.1, 5, 60]), 0.5),
    mostM: d.maybe(d.of([0.1, 5, 60]), 0.5),
    amps: d.maybe(d.of([0, 0.02, 5]), 0.5),
  }));
  const studies = Array.from({ length: d.of([0, 1, 3]) }, (_, i) => anyStudy(d, i, start, { ...parts, joins, circuits }));
  const engine = {
    ...engineFor(boat.systemV),
    startBankId: banks.length > 0 ? d.maybe(d.of(ids(banks)), 0.6) : null,
    fuel: d.of(['diesel', 'petrol'] as const),
  };
  const cruises = d.chance(0.3)
    ? [
        {
          ...blankCruise('cr', 'Cruise'),
          legs: start.living.map((l, i) => ({ id: `leg${i}`, livingId: d.chance(0.9) ? l.id : 'gone', days: d.of([0, 1, 7]) })),
          startSoc: d.of([0, 0.5, 1]),
        },
      ]
    : [];
  const routes = d.chance(0.2) ? [{ ...blankRoute('r0'), name: 'Conduit', circuitIds: ids(circuits).slice(0, 4) }] : [];
  return {
    ...start,
    banks,
    panels,
    loads,
    sources,
    joins,
    circuits,
    bars,
    leads,
    smallLeads,
    studies,
    engine,
    cruises,
    routes,
    ...acSide(d, start, loads, sources),
  };
}
