/** AC runs: breaker, conductor by the worst of its tests, drop from the source, and whether a fault to earth is cut in time (docs/methods.md, M12). */
import { ampacityA, conductorOhm, derate, type Derating, rulingPlace } from '../conductor';
import { pathM, placePoint } from '../topology';
import { slowestOpeningS } from '../protection';
import {
  type Conductor,
  CONDUCTORS,
  type Family,
  findConductor,
  findFamily,
  underSchool,
  AMBIENT_C,
  DROP_PCT,
  leastBehindBreaker,
} from '../rules';
import { type AcCircuit, type AcSource, type Place, rowOf } from '../design';
import type { AcParts } from './parts';
import { vaOf } from './consumers';
import { continuousPart, limitOf, SERVICES, sourceOhm } from './services';

/** A fault at a branch is cut within this, s, by volts of the leg; at a feeder within FEEDER_S. */
export const clearWithinS = (volts: number): number => (volts > 150 ? 0.4 : 0.8);
export const FEEDER_S = 5;

/** What an outlet is made for, A. */
export const outletA = (volts: number): number => (volts > 150 ? 16 : 15);
/** Smallest conductor within a three-core boat cable: ours, between the minimum of single conductors and common practice. */
const MINIMUM = { awg: '16', metric: '1.5' } as const;

export interface AcRung {
  readonly test: string;
  readonly size: string | null;
  readonly says: string;
}

/** A short to earth at the far end, fed by one source. */
export interface EarthFault {
  readonly sourceId: string;
  readonly loopOhm: number;
  readonly amps: number;
  readonly opensS: number;
  readonly withinS: number;
  /** nothing: neither the breaker in time, nor a residual-current device after the bond. */
  readonly cutBy: 'breaker' | 'residual current' | 'nothing';
}

/** Conductors within a run's cable. */
export type Core = 'live' | 'second live' | 'neutral' | 'earth';

export interface AcCircuitResult {
  readonly id: string;
  readonly feeder: boolean;
  readonly volts: number;
  readonly legs: 1 | 2;
  /** Between the two conductors its current runs in: of one leg, or of both. */
  readonly spanV: number;
  readonly cores: readonly Core[];
  /** Taken for the conductor and its drop, A. */
  readonly amps: number;
  readonly ratingA: number;
  readonly family: Family;
  readonly conductor: Conductor;
  readonly proposed: Conductor;
  readonly governs: string;
  readonly rungs: readonly AcRung[];
  readonly failing: readonly string[];
  readonly lengthM: number;
  readonly izA: number;
  readonly derating: Derating;
  readonly ohm: number;
  /** Aboard, from the source or the inlet on; and from the pedestal; of the worst source, %. */
  readonly dropPct: number;
  readonly totalPct: number;
  readonly faults: readonly EarthFault[];
}

interface Chain {
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

const unknownPlace: Place = {
  id: '',
  name: 'somewhere',
  at: { x: 0, y: 0, z: 0 },
  ambientC: AMBIENT_C,
  engineSpace: false,
  wet: false,
  vapour: false,
  drips: false,
  compass: false,
  exhaust: false,
  moving: false,
};

function endsOf(design: AcParts, c: AcCircuit): readonly [string | null, string | null] {
  const sourceAt = (id: string) => rowOf(design.acSources, id)?.placeId ?? null;
  const panelAt = (id: string) => rowOf(design.acPanels, id)?.placeId ?? null;
  const start = c.from.kind === 'source' ? sourceAt(c.from.id) : panelAt(c.from.id);
  const load = design.acLoads.find((l) => c.loadIds.includes(l.id) && l.placeId !== null);
  const end = c.to ? (c.to.kind === 'panel' ? panelAt(c.to.id) : sourceAt(c.to.id)) : (c.placeId ?? load?.placeId ?? null);
  return [start, end];
}

/** Length of a run: taped, else from where its ends stand. */
export function acLengthM(design: AcParts, c: AcCircuit): number {
  if (c.lengthM !== null) return c.lengthM;
  const [a, b] = endsOf(design, c);
  return pathM(placePoint(design, a), placePoint(design, b), design.house.slackM);
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

/** Memory of one computation: each run once. */
interface Evaluation {
  readonly design: AcParts;
  readonly results: Map<string, AcCircuitResult>;
  readonly busy: Set<string>;
}

/** All runs of the AC side. Total: a run that comes from nowhere is computed at the boat's own volts. */
export function acCircuits(design: AcParts): AcCircuitResult[] {
  const evaluation: Evaluation = { design, results: new Map(), busy: new Set() };
  return design.acCircuits.map((c) => resultOf(evaluation, c));
}

function resultOf(evaluation: Evaluation, c: AcCircuit): AcCircuitResult {
  const known = evaluation.results.get(c.id);
  if (known) return known;
  const { design } = evaluation;
  evaluation.busy.add(c.id);
  const chains = chainsTo(design, c);
  // What stands before it first: its drop and its ratings come into this one's.
  for (const chain of chains) for (const up of chain.circuits) if (up !== c && !evaluation.busy.has(up.id)) resultOf(evaluation, up);
  const result = compute(evaluation, c, chains);
  evaluation.results.set(c.id, result);
  evaluation.busy.delete(c.id);
  return result;
}

function compute({ design, results }: Evaluation, c: AcCircuit, chains: readonly Chain[]): AcCircuitResult {
  const school = design.boat.ruleSet;
  const own = chains[0]?.source;
  const { volts, legs } = SERVICES[own?.service ?? design.boat.acRegion];
  const feeder = c.to !== null;
  const family = findFamily(c.family ?? (school === 'awg' ? 'ac-panel-breaker' : 'mcb-C')) as Family;
  const before = chains.map(({ source, circuits }) => {
    const up = circuits.at(-2);
    const above = up ? results.get(up.id)?.ratingA : undefined;
    return above ?? limitOf(design, source, null).amps;
  });
  const most = before.length > 0 ? Math.max(...before) : Infinity;
  const asked = feeder ? most : branchA(design, c, volts, legs === 2);
  const amps = Number.isFinite(asked) ? asked : 0;
  const long = design.acLoads.some((l) => c.loadIds.includes(l.id) && l.runsLong);
  const part = long ? continuousPart(design.acRules, school) : 1;
  const ratingA = c.ratingA ?? (feeder ? feederRating(family, amps) : nextRating(family, amps / part));
  const lengthM = acLengthM(design, c);
  const places = endsOf(design, c).map((id) => rowOf(design.places, id) ?? unknownPlace);
  const laying = {
    insulationC: design.house.insulationC,
    bundled: Math.max(c.bundled, legs === 2 && feeder ? 3 : 2),
    enclosure: c.enclosure,
  };
  const deratings = places.map((p) => derate(school, laying, p));
  const derated = (size: Conductor): Derating => deratings[rulingPlace(size, deratings)] ?? (deratings[0] as Derating);
  const span = spanOf(design, c, volts, legs);
  const drops = (size: Conductor): number => (200 * conductorOhm(size.r20OhmPerKm, lengthM, 60) * amps) / span;
  const upstream = chains.map(({ circuits }) => circuits.slice(0, -1).reduce((sum, x) => sum + ownDropPct(results.get(x.id)), 0));
  const worstUp = Math.max(0, ...upstream);
  const leastMm2 = findConductor(school, leastBehindBreaker(school, ratingA) ?? '')?.areaMm2 ?? 0;
  const tests: readonly { readonly test: string; readonly passes: (s: Conductor) => boolean; readonly says: string }[] = [
    { test: 'ampacity', passes: (s) => ampacityA(s, derated(s)) >= ratingA - 1e-9, says: `carries its breaker of ${ratingA} A` },
    {
      test: 'breaker',
      passes: (s) => s.areaMm2 >= leastMm2 - 1e-9,
      says: `customary behind ${ratingA} A: terminals are good for less heat than the insulation`,
    },
    { test: 'drop', passes: (s) => worstUp + drops(s) <= DROP_PCT + 1e-9, says: `feeder and branch within ${DROP_PCT} %` },
    {
      test: 'mechanical',
      passes: (s) => s.areaMm2 >= (findConductor(school, MINIMUM[school])?.areaMm2 ?? 0) - 1e-9,
      says: 'smallest in a three-core cable',
    },
  ];
  const sizes = CONDUCTORS[school];
  const rungs = tests.map(({ test, passes, says }): AcRung => ({ test, size: sizes.find(passes)?.size ?? null, says }));
  const proposed = sizes.find((s) => tests.every((t) => t.passes(s))) ?? (sizes.at(-1) as Conductor);
  const pinned = c.size && findConductor(c.size.school, c.size.size);
  const conductor = pinned ? underSchool(pinned, school) : proposed;
  const governing = [...rungs].sort((a, b) => areaOf(b) - areaOf(a))[0];
  function areaOf(r: AcRung): number {
    return r.size === null ? Infinity : (findConductor(school, r.size)?.areaMm2 ?? 0);
  }
  const derating = derated(conductor);
  const ohm = conductorOhm(conductor.r20OhmPerKm, lengthM, 20);
  const dropPct = worstUp + drops(conductor);
  const cords = chains.map(
    ({ source, circuits }, i) =>
      (upstream[i] ?? 0) + cordPct(source, Math.min(amps, results.get(circuits[0]?.id ?? '')?.ratingA ?? amps), span),
  );
  return {
    id: c.id,
    feeder,
    volts,
    legs,
    spanV: span,
    cores: coresOf(feeder, legs, span > volts),
    amps,
    ratingA,
    family,
    conductor,
    proposed,
    governs: governing?.test ?? 'ampacity',
    rungs,
    failing: tests.filter((t) => !t.passes(conductor)).map((t) => t.test),
    lengthM,
    izA: ampacityA(conductor, derating),
    derating,
    ohm,
    dropPct,
    totalPct: drops(conductor) + Math.max(0, ...cords),
    faults: chains.map((chain) =>
      earthFault(design, results, c, chain, { conductor, lengthM, ratingA, family, feeder, ratingC: derating.ratingC }),
    ),
  };
}

/** A feeder of a split service is taken as balanced; a branch runs in one leg and neutral, unless all it serves lies between the legs. */
function spanOf(design: AcParts, c: AcCircuit, volts: number, legs: 1 | 2): number {
  if (legs === 1 || c.to !== null) return legs * volts;
  const rows = design.acLoads.filter((l) => c.loadIds.includes(l.id));
  return c.outlets === 0 && rows.length > 0 && rows.every((l) => l.leg === 'both') ? 2 * volts : volts;
}

/** A feeder of a split service carries both legs and neutral; what lies between the legs needs no neutral. */
const coresOf = (feeder: boolean, legs: 1 | 2, between: boolean): readonly Core[] =>
  legs === 1 || !between
    ? ['live', 'neutral', 'earth']
    : feeder
      ? ['live', 'second live', 'neutral', 'earth']
      : ['live', 'second live', 'earth'];

/** A feeder's breaker is no larger than what stands before it. */
const feederRating = (family: Family, most: number): number =>
  [...family.ratingsA].reverse().find((r) => r <= most + 1e-9) ?? family.ratingsA[0] ?? most;

const ownDropPct = (r: AcCircuitResult | undefined): number =>
  r ? (200 * conductorOhm(r.conductor.r20OhmPerKm, r.lengthM, 60) * r.amps) / r.spanV : 0;

/** Loop of a shore cord, out and back, warm, ohm. */
export function cordOhm(source: AcSource): number {
  const size = source.shore && findConductor(source.shore.cordSize.school, source.shore.cordSize.size);
  return size && source.shore ? 2 * conductorOhm(size.r20OhmPerKm, source.shore.cordM, 40) : 0;
}

/** What a cord takes at a current, %. @param spanV between the conductors it runs in; missing: both legs where there are two. */
export function cordPct(source: AcSource, amps: number, spanV?: number): number {
  const { volts, legs } = SERVICES[source.service];
  return (100 * cordOhm(source) * amps) / (spanV ?? legs * volts);
}

interface OwnRun {
  readonly conductor: Conductor;
  readonly lengthM: number;
  readonly ratingA: number;
  readonly family: Family;
  readonly feeder: boolean;
  readonly ratingC: number;
}

/** Live to earth at the far end: source, cord, then out by the live and back by the earth of every run, as warm as they may be. */
function earthFault(
  design: AcParts,
  results: ReadonlyMap<string, AcCircuitResult>,
  c: AcCircuit,
  { source, circuits }: Chain,
  own: OwnRun,
): EarthFault {
  const { volts } = SERVICES[source.service];
  const loop = (conductor: Conductor, lengthM: number, ratingC: number) => 2 * conductorOhm(conductor.r20OhmPerKm, lengthM, ratingC);
  const upstream = circuits.slice(0, -1).reduce((sum, x) => {
    const r = results.get(x.id);
    return sum + (r ? loop(r.conductor, r.lengthM, r.derating.ratingC) : 0);
  }, 0);
  const loopOhm = sourceOhm(source) + cordOhm(source) + upstream + loop(own.conductor, own.lengthM, own.ratingC);
  const amps = volts / loopOhm;
  const opensS = amps > 0 ? slowestOpeningS(own.family, own.ratingA, amps) : Infinity;
  const withinS = own.feeder ? FEEDER_S : clearWithinS(volts);
  // Every run of the chain lies after the bond of its source.
  const residual =
    [...circuits].some((x) => x.leakageMa !== null) ||
    (design.acRules.earthing === 'whole-boat residual current' && source.kind === 'shore');
  return {
    sourceId: source.id,
    loopOhm,
    amps,
    opensS,
    withinS,
    cutBy: opensS <= withinS ? 'breaker' : residual ? 'residual current' : 'nothing',
  };
}
