/** AC runs: breaker, conductor by the worst of its tests, drop from the source, and whether a fault to earth is cut in time (docs/methods.md, M12). */
import { ampacityA, conductorOhm, type Derating } from '../conductor';
import { slowestOpeningS } from '../protection';
import { type Conductor, CONDUCTORS, DROP_PCT, type Family, findConductor, underSchool } from '../rules';
import { type AcSource, partsRead } from '../design';
import { AC_READS, type AcParts } from './parts';
import { type AcRun, acRuns, type Chain } from './runs';
import { OWN_SHARE_PCT, runSizes } from './runSizes';
import { SERVICES, sourceOhm } from './services';

/** A fault at a branch is cut within this, s, by volts of the leg; at a feeder within FEEDER_S. */
export const clearWithinS = (volts: number): number => (volts > 150 ? 0.4 : 0.8);
export const FEEDER_S = 5;

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
  /** Its protective earth, and the least its school asks for. */
  readonly earth: Conductor;
  readonly earthLeast: Conductor;
  /** Degrees its terminals are good for, °C. */
  readonly terminalC: number;
  readonly governs: string;
  readonly rungs: readonly AcRung[];
  readonly failing: readonly string[];
  readonly lengthM: number;
  readonly izA: number;
  readonly derating: Derating;
  readonly ohm: number;
  /** In this run alone; aboard, from the source or the inlet on; and from the pedestal; of the worst source, %. */
  readonly ownDropPct: number;
  readonly dropPct: number;
  readonly totalPct: number;
  readonly faults: readonly EarthFault[];
}

const known = new WeakMap<AcParts['acCircuits'], { readonly deps: readonly unknown[]; readonly results: readonly AcCircuitResult[] }>();

/** All runs of the AC side. Total: a run that comes from nowhere is computed at the boat's own volts. */
export function acCircuits(design: AcParts): readonly AcCircuitResult[] {
  const deps = partsRead(design, AC_READS);
  const before = known.get(design.acCircuits);
  if (before?.deps.every((d, i) => d === deps[i])) return before.results;
  const results = computed(design);
  known.set(design.acCircuits, { deps, results });
  return results;
}

function computed(design: AcParts): readonly AcCircuitResult[] {
  const runs = acRuns(design);
  const sizes = runSizes(design, runs);
  // What it would be without its pin, the others as they are.
  const free = runs.size > 0 && [...runs.values()].some((r) => r.pinned) ? unpinned(design, runs) : sizes;
  return design.acCircuits.flatMap((c) => {
    const run = runs.get(c.id);
    const size = sizes.get(c.id);
    return run && size ? [resultOf(design, runs, sizes, run, size, free.get(c.id) ?? size)] : [];
  });
}

const unpinned = (design: AcParts, runs: ReadonlyMap<string, AcRun>): ReadonlyMap<string, Conductor> =>
  new Map(
    [...runs.values()]
      .filter((r) => r.pinned)
      .flatMap((r) => {
        const size = runSizes(design, new Map([...runs, [r.circuit.id, { ...r, pinned: null }]])).get(r.circuit.id);
        return size ? [[r.circuit.id, size] as const] : [];
      }),
  );

function resultOf(
  design: AcParts,
  runs: ReadonlyMap<string, AcRun>,
  sizes: ReadonlyMap<string, Conductor>,
  run: AcRun,
  conductor: Conductor,
  proposed: Conductor,
): AcCircuitResult {
  const { circuit: c, chains, feeder, volts, legs, spanV, amps, ratingA, family, lengthM } = run;
  const school = design.boat.ruleSet;
  const lostIn = (id: string): number => {
    const up = runs.get(id);
    const size = sizes.get(id);
    return up && size ? up.dropPct(size) : 0;
  };
  const upstream = chains.map(({ circuits }) => circuits.slice(0, -1).reduce((sum, x) => sum + lostIn(x.id), 0));
  const worstUp = Math.max(0, ...upstream);
  const drop = {
    test: 'drop',
    passes: (s: Conductor) => worstUp + run.dropPct(s) <= DROP_PCT + 1e-9,
    says:
      worstUp > DROP_PCT - OWN_SHARE_PCT + 1e-9 && !feeder
        ? `feeder and branch within ${DROP_PCT} %; the feeder takes most of it: a heavier feeder, not a heavier branch`
        : `feeder and branch within ${DROP_PCT} %, sizes chosen together for the least copper`,
  };
  const [ampacity, breaker, mechanical] = run.tests;
  const tests = [ampacity, breaker, drop, mechanical].flatMap((t) => (t ? [t] : []));
  const rungs = tests.map(({ test, passes, says }): AcRung => ({ test, size: CONDUCTORS[school].find(passes)?.size ?? null, says }));
  const areaOf = (r: AcRung): number => (r.size === null ? Infinity : (findConductor(school, r.size)?.areaMm2 ?? 0));
  const asking = rungs.filter((r) => areaOf(r) <= proposed.areaMm2 + 1e-9);
  const governing = [...(asking.length > 0 ? asking : rungs)].sort((a, b) => areaOf(b) - areaOf(a))[0];
  const derating = run.derated(conductor);
  const ownDropPct = run.dropPct(conductor);
  const cords = chains.map(
    ({ source, circuits }, i) =>
      (upstream[i] ?? 0) + cordPct(source, Math.min(amps, runs.get(circuits[0]?.id ?? '')?.ratingA ?? amps), spanV),
  );
  return {
    id: c.id,
    feeder,
    volts,
    legs,
    spanV,
    cores: coresOf(feeder, legs, spanV > volts),
    amps,
    ratingA,
    family,
    conductor,
    proposed,
    earth: earthOf(design, run, conductor),
    earthLeast: run.leastEarth(conductor),
    terminalC: run.terminalC,
    governs: governing?.test ?? 'ampacity',
    rungs,
    failing: tests.filter((t) => !t.passes(conductor)).map((t) => t.test),
    lengthM,
    izA: ampacityA(conductor, derating),
    derating,
    ohm: conductorOhm(conductor.r20OhmPerKm, lengthM, 20),
    ownDropPct,
    dropPct: worstUp + ownDropPct,
    totalPct: ownDropPct + Math.max(0, ...cords),
    faults: chains.map((chain) => earthFault(design, runs, sizes, run, chain)),
  };
}

/** Its protective earth: of the same cable, else as entered. */
function earthOf(design: AcParts, { circuit: { earthSize } }: AcRun, live: Conductor): Conductor {
  const entered = earthSize && findConductor(earthSize.school, earthSize.size);
  return entered ? underSchool(entered, design.boat.ruleSet) : live;
}

/** A feeder of a split service carries both legs and neutral; what lies between the legs needs no neutral. */
const coresOf = (feeder: boolean, legs: 1 | 2, between: boolean): readonly Core[] =>
  legs === 1 || !between
    ? ['live', 'neutral', 'earth']
    : feeder
      ? ['live', 'second live', 'neutral', 'earth']
      : ['live', 'second live', 'earth'];

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

/** Live to earth at the far end: source, cord, then out by the live and back by the earth of every run, as warm as they may be. */
function earthFault(
  design: AcParts,
  runs: ReadonlyMap<string, AcRun>,
  sizes: ReadonlyMap<string, Conductor>,
  { family, ratingA, feeder }: AcRun,
  { source, circuits }: Chain,
): EarthFault {
  const { volts } = SERVICES[source.service];
  const copper = circuits.reduce((sum, x) => {
    const run = runs.get(x.id);
    const live = sizes.get(x.id);
    if (!run || !live) return sum;
    const { ratingC } = run.derated(live);
    const ohm = (size: Conductor) => conductorOhm(size.r20OhmPerKm, run.lengthM, ratingC);
    return sum + ohm(live) + ohm(earthOf(design, run, live));
  }, 0);
  const loopOhm = sourceOhm(source) + cordOhm(source) + copper;
  const amps = volts / loopOhm;
  const opensS = amps > 0 ? slowestOpeningS(family, ratingA, amps) : Infinity;
  const withinS = feeder ? FEEDER_S : clearWithinS(volts);
  // Every run of the chain lies after the bond of its source.
  const residual =
    circuits.some((x) => x.leakageMa !== null) || (design.acRules.earthing === 'whole-boat residual current' && source.kind === 'shore');
  return {
    sourceId: source.id,
    loopOhm,
    amps,
    opensS,
    withinS,
    cutBy: opensS <= withinS ? 'breaker' : residual ? 'residual current' : 'nothing',
  };
}
