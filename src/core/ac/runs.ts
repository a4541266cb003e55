/** AC runs before their sizes are chosen: the ways current comes, what they carry, their breaker, and what each size would do (docs/methods.md, M12). */
import { ampacityA, conductorOhm, derate, type Derating, rulingPlace } from '../conductor';
import { carries } from '../protection';
import { pathM, placePoint } from '../topology';
import { type Conductor, CONDUCTORS, type Family, findConductor, findFamily, leastBehindBreaker, leastEarth, underSchool } from '../rules';
import { type AcCircuit, type AcSource, blankPlace, rowOf } from '../design';
import type { AcParts } from './parts';
import { vaOf } from './consumers';
import { continuousPart, limitOf, SERVICES } from './services';

/** Seconds a start lasts where nobody says. */
export const USUAL_START_S = 1;
/** What an outlet is made for, A. */
export const outletA = (volts: number): number => (volts > 150 ? 16 : 15);
/** Smallest conductor within a three-core boat cable: ours, between the minimum of single conductors and common practice. */
const MINIMUM = { awg: '16', metric: '1.5' } as const;

export interface Chain {
  readonly source: AcSource;
  /** From the source down, the circuit itself last. */
  readonly circuits: readonly AcCircuit[];
}

/** Ways that are followed, and ways that are told, of one circuit: panels that all feed each other have more than anybody could use. */
const MOST_STEPS = 400;
const MOST_CHAINS = 40;

/** Ways current comes to a circuit, from each source, the shortest first; an inverter passes on what is behind it. None goes through a panel twice. */
export function chainsTo(design: AcParts, circuit: AcCircuit): Chain[] {
  const chains: Chain[] = [];
  const open: (readonly AcCircuit[])[] = [[circuit]];
  for (let step = 0; step < open.length && step < MOST_STEPS && chains.length < MOST_CHAINS; step++) {
    const chain = open[step] ?? [];
    const [first] = chain;
    if (!first) continue;
    const source = first.from.kind === 'source' ? rowOf(design.acSources, first.from.id) : undefined;
    if (source) chains.push({ source, circuits: chain });
    if (first.from.kind === 'source' && source?.inverter?.passA == null) continue;
    const kind = first.from.kind === 'panel' ? 'panel' : 'inverter';
    for (const x of design.acCircuits)
      if (x.to?.kind === kind && x.to.id === first.from.id && !chain.some((c) => c.id === x.id || c.from.id === x.from.id))
        open.push([x, ...chain]);
  }
  return chains;
}

const unknownPlace = blankPlace('', 'somewhere', { x: 0, y: 0, z: 0 });

interface RunEnd {
  readonly placeId: string | null;
  readonly opens: boolean;
}

function endsOf(design: AcParts, c: AcCircuit): readonly [RunEnd, RunEnd] {
  const at = (kind: 'source' | 'panel', id: string): RunEnd => {
    const panel = kind === 'panel' ? rowOf(design.acPanels, id) : undefined;
    return { placeId: (panel ?? rowOf(design.acSources, id))?.placeId ?? null, opens: panel?.opens ?? false };
  };
  const load = design.acLoads.find((l) => c.loadIds.includes(l.id) && l.placeId !== null);
  return [
    at(c.from.kind, c.from.id),
    c.to ? at(c.to.kind === 'panel' ? 'panel' : 'source', c.to.id) : { placeId: c.placeId ?? load?.placeId ?? null, opens: false },
  ];
}

/** Length of a run: taped, else from where its ends stand, with slack, and more at a panel that opens. */
export function acLengthM(design: AcParts, c: AcCircuit): number {
  if (c.lengthM !== null) return c.lengthM;
  const [a, b] = endsOf(design, c);
  const { slackM, openSlackM } = design.house;
  return pathM(placePoint(design, a.placeId), placePoint(design, b.placeId), slackM) + openSlackM * ((a.opens ? 1 : 0) + (b.opens ? 1 : 0));
}

/** Amps of what a branch serves: fixed appliances all, of those that exclude one another the largest; outlets what one is made for, or its largest. */
function branchA(design: AcParts, c: AcCircuit, volts: number, split: boolean): number {
  const rows = design.acLoads.filter((l) => c.loadIds.includes(l.id));
  const amps = rows.map((l) => vaOf(design, l) / (split && l.leg === 'both' ? 2 * volts : volts));
  if (c.outlets > 0) return Math.max(outletA(volts), ...amps);
  const groups = new Map<string, number>();
  let sum = 0;
  rows.forEach((l, i) => {
    const a = amps[i] ?? 0;
    if (l.notWith === '') sum += a;
    else groups.set(l.notWith, Math.max(groups.get(l.notWith) ?? 0, a));
  });
  return [...groups.values()].reduce((total, a) => total + a, sum);
}

const nextRating = (family: Family, amps: number): number =>
  family.ratingsA.find((r) => r >= amps - 1e-9) ?? family.ratingsA.at(-1) ?? amps;

/** The next rating that carries what starts behind it too, where one does; an outlet's breaker stays what the outlet is made for. */
function branchRating(design: AcParts, c: AcCircuit, family: Family, amps: number, volts: number, split: boolean): number {
  const least = nextRating(family, amps);
  if (c.outlets > 0) return least;
  const starts = design.acLoads
    .filter((l) => c.loadIds.includes(l.id) && (l.surgeVa ?? 0) > 0)
    .map((l) => ({ amps: (l.surgeVa ?? 0) / (split && l.leg === 'both' ? 2 * volts : volts), s: l.surgeS ?? USUAL_START_S }));
  return family.ratingsA.find((r) => r >= least - 1e-9 && starts.every((s) => carries(family, r, s.amps, s.s))) ?? least;
}

/** A feeder's breaker is no larger than what stands before it. */
const feederRating = (family: Family, most: number): number =>
  [...family.ratingsA].reverse().find((r) => r <= most + 1e-9) ?? family.ratingsA[0] ?? most;

/** A feeder of a split service is taken as balanced; a branch runs in one leg and neutral, unless all it serves lies between the legs. */
function spanOf(design: AcParts, c: AcCircuit, volts: number, legs: 1 | 2): number {
  if (legs === 1 || c.to !== null) return legs * volts;
  const rows = design.acLoads.filter((l) => c.loadIds.includes(l.id));
  return c.outlets === 0 && rows.length > 0 && rows.every((l) => l.leg === 'both') ? 2 * volts : volts;
}

export interface RunTest {
  readonly test: string;
  readonly passes: (size: Conductor) => boolean;
  readonly says: string;
}

/** A run with everything that does not hang on what is chosen for others. */
export interface AcRun {
  readonly circuit: AcCircuit;
  readonly chains: readonly Chain[];
  readonly feeder: boolean;
  readonly volts: number;
  readonly legs: 1 | 2;
  readonly spanV: number;
  readonly family: Family;
  readonly amps: number;
  readonly ratingA: number;
  readonly lengthM: number;
  /** Degrees its terminals are good for, °C. */
  readonly terminalC: number;
  readonly derated: (size: Conductor) => Derating;
  readonly dropPct: (size: Conductor) => number;
  /** All but the drop, which hangs on the feeders too. */
  readonly tests: readonly RunTest[];
  /** Least earth of its school behind its breaker, beside a live of that size. */
  readonly leastEarth: (live: Conductor) => Conductor;
  /** As pinned, under the school's columns; null: chosen. */
  readonly pinned: Conductor | null;
}

/** Terminals of AC breakers and inlets, °C, where nobody says otherwise; verify against the device's own sheet. */
export const usualTerminalC = (school: 'awg' | 'metric'): number => (school === 'awg' ? 60 : 70);

/** Degrees the least of a run's terminals is good for: its own, and the inlet's where it starts there. */
function terminalOf(design: AcParts, c: AcCircuit): number {
  const school = design.acRules.terminalC ?? usualTerminalC(design.boat.ruleSet);
  const inlet = c.from.kind === 'source' ? (rowOf(design.acSources, c.from.id)?.shore?.terminalC ?? school) : Infinity;
  return Math.min(c.terminalC ?? school, inlet);
}

/** All runs, by id. Total: one that comes from nowhere is computed at the boat's own volts. */
export function acRuns(design: AcParts): ReadonlyMap<string, AcRun> {
  const runs = new Map<string, AcRun>();
  const busy = new Set<string>();
  const put = (c: AcCircuit): void => {
    if (runs.has(c.id) || busy.has(c.id)) return;
    busy.add(c.id);
    const chains = chainsTo(design, c);
    // What stands before it first: its rating comes into this one's.
    for (const chain of chains) for (const up of chain.circuits) if (up !== c) put(up);
    runs.set(c.id, runOf(design, runs, c, chains));
    busy.delete(c.id);
  };
  for (const c of design.acCircuits) put(c);
  return runs;
}

function runOf(design: AcParts, runs: ReadonlyMap<string, AcRun>, c: AcCircuit, chains: readonly Chain[]): AcRun {
  const school = design.boat.ruleSet;
  const { volts, legs } = SERVICES[chains[0]?.source.service ?? design.boat.acRegion];
  const feeder = c.to !== null;
  const family = findFamily(c.family ?? (school === 'awg' ? 'ac-panel-breaker' : 'mcb-C')) as Family;
  const before = chains.map(({ source, circuits }) => {
    const up = circuits.at(-2);
    const above = up ? runs.get(up.id)?.ratingA : undefined;
    return above ?? limitOf(design, source, null).amps;
  });
  const most = before.length > 0 ? Math.max(...before) : Infinity;
  const asked = feeder ? most : branchA(design, c, volts, legs === 2);
  const amps = Number.isFinite(asked) ? asked : 0;
  const long = design.acLoads.some((l) => c.loadIds.includes(l.id) && l.runsLong);
  const part = long ? continuousPart(design.acRules, school) : 1;
  const ratingA = c.ratingA ?? (feeder ? feederRating(family, amps) : branchRating(design, c, family, amps / part, volts, legs === 2));
  const lengthM = acLengthM(design, c);
  const laying = {
    insulationC: design.house.insulationC,
    bundled: Math.max(c.bundled, legs === 2 && feeder ? 3 : 2),
    enclosure: c.enclosure,
  };
  const deratings = endsOf(design, c).map((e) => derate(school, laying, rowOf(design.places, e.placeId) ?? unknownPlace));
  const derated = (size: Conductor): Derating => deratings[rulingPlace(size, deratings)] ?? (deratings[0] as Derating);
  const spanV = spanOf(design, c, volts, legs);
  const terminalC = terminalOf(design, c);
  const leastMm2 = findConductor(school, leastBehindBreaker(school, ratingA, terminalC) ?? '')?.areaMm2 ?? 0;
  const slightMm2 = findConductor(school, MINIMUM[school])?.areaMm2 ?? 0;
  const pinned = c.size && findConductor(c.size.school, c.size.size);
  return {
    circuit: c,
    chains,
    feeder,
    volts,
    legs,
    spanV,
    family,
    amps,
    ratingA,
    lengthM,
    terminalC,
    derated,
    dropPct: (size) => (200 * conductorOhm(size.r20OhmPerKm, lengthM, 60) * amps) / spanV,
    tests: [
      { test: 'ampacity', passes: (s) => ampacityA(s, derated(s)) >= ratingA - 1e-9, says: `carries its breaker of ${ratingA} A` },
      {
        test: 'breaker',
        passes: (s) => s.areaMm2 >= leastMm2 - 1e-9,
        says: `customary behind ${ratingA} A: terminals are good for ${terminalC} °C, less than the insulation`,
      },
      { test: 'mechanical', passes: (s) => s.areaMm2 >= slightMm2 - 1e-9, says: 'smallest in a three-core cable' },
    ],
    leastEarth: (live) => leastEarth(live, ratingA),
    pinned: pinned ? underSchool(pinned, school) : null,
  };
}

/** What a run asks for by itself: the first size of its school that passes all but the drop; the largest where none does. */
export const ownSizes = (run: AcRun, school: 'awg' | 'metric'): readonly Conductor[] => {
  const sizes = CONDUCTORS[school];
  const at = sizes.findIndex((s) => run.tests.every((t) => t.passes(s)));
  return at < 0 ? sizes.slice(-1) : sizes.slice(at);
};
