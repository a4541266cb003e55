/** One circuit with one conductor size: every figure the tests compare (docs/methods.md, M1 to M4). */
import { adiabaticK, finalTempC, slowestOpeningS, withstandS } from '../protection';
import type { Protection } from './choose';
import { bankRestV } from '../bank';
import { largestFaultA, smallestFaultA, type Upstream } from './upstream';
import {
  bundleFactor,
  type Conductor,
  CONDUCTORS,
  type Family,
  findConductor,
  findFamily,
  SEGMENT_JOINTS_OHM,
  AMBIENT_C,
  FUSE_V,
  SMALL_BREAKER_V,
  BREAKER_V,
} from '../rules';
import {
  ampacityA,
  conductorOhm,
  conductorTempC,
  constantPower,
  derate,
  type Derating,
  dutyEquivalentA,
  dutyFraction,
  rulingPlace,
  sweep,
  timeConstantS,
} from '../conductor';
import type { CircuitInput, TapInput } from './circuitInput';
import { makerAreaMm2, mechanicalSize } from './minimums';

export interface Candidate {
  readonly conductor: Conductor;
  readonly legs: number;
}

/** The circuit with the things that do not depend on the size worked out once. */
export interface CircuitTrial {
  readonly input: CircuitInput;
  readonly protection: Protection;
  readonly family: Family;
  readonly deratings: readonly Derating[];
  readonly headOhm: number;
  readonly designA: number;
  /** Sagged volts at the posts while a surge runs, by surge. */
  readonly sagV: readonly number[];
  /** At the posts while nothing starts and nothing is drawn, V. */
  readonly restV: number;
  readonly k: number;
  /** Least copper by strength and by the makers' sheets, mm2. */
  readonly strengthMm2: number;
  readonly makerMm2: number | null;
  /** Sizes already tried: a figure is worked out once however many tests ask for it. */
  readonly trials: (SizeTrial | undefined)[];
  /** Their figures that do not move with the volts before the way. */
  readonly still: (Still | undefined)[];
}

interface Still {
  readonly heat: Heat;
  /** Of each tap's segment, hot, ohm. */
  ohms?: readonly number[];
  fault?: Fault | null;
}

/** Resistance of a protective device where the maker gives none, ohm: volts at its rating, typical of the kind, over the rating. */
const typicalOhm = (family: Family, ratingA: number): number =>
  (family.kind === 'fuse' ? FUSE_V : ratingA <= 10 ? SMALL_BREAKER_V : BREAKER_V) / ratingA;

/** Of the circuit's own device at each end that has one, its legs side by side, ohm: entered, else typical; 0 without a device. */
export function ownDeviceOhm({ circuit }: CircuitInput, protection: Protection, family: Family): number {
  if (protection.missing) return 0;
  const ohm = circuit.deviceMohm === null ? typicalOhm(family, protection.ratingA) : circuit.deviceMohm / 1000;
  return (ohm * protection.count) / protection.legs ** 2;
}

export function circuitTrial(input: CircuitInput, protection: Protection): CircuitTrial {
  const family = findFamily(protection.familyId) as Family;
  const { house, school } = input;
  const laying = { insulationC: input.insulationC, bundled: input.bundled, enclosure: input.circuit.enclosure };
  const deratings = input.surroundings.map((s) => derate(school, laying, s));
  return {
    input,
    protection,
    family,
    deratings,
    // Devices of its own on each leg stand at both ends, and the legs side by side.
    headOhm: ownDeviceOhm(input, protection, family) + input.inlineOhm,
    designA: input.workingA * (input.runsLong ? house.continuousAmpacity : 1),
    sagV: saggedV(input),
    restV: restingV(input),
    strengthMm2: findConductor(school, mechanicalSize(input))?.areaMm2 ?? 0,
    makerMm2: makerAreaMm2(input)?.areaMm2 ?? null,
    trials: [],
    still: [],
    k: adiabaticK(Math.min(...deratings.map((d) => d.ratingC)), finalTempC(house.crossLinked)),
  };
}

const restingV = ({ upstream, house, volts }: CircuitInput): number =>
  upstream.bank ? bankRestV(upstream.bank, house.studySoc) : volts.lowV;

/** Volts at the posts as each surge runs: rest volts less the bank's own resistance. */
function saggedV(input: CircuitInput): number[] {
  const { upstream, surges } = input;
  if (surges.length === 0) return [];
  const restV = restingV(input);
  return surges.map((s) => restV - (upstream.bankDemandA + s.addsA) * (upstream.bank?.ohm ?? 0));
}

/** The trial of a circuit whose steady upstream alone has moved: heat and faults stand. Written out, as in `drifted`. */
export const circuitTrialAgain = (b: CircuitTrial, input: CircuitInput): CircuitTrial => ({
  input,
  protection: b.protection,
  family: b.family,
  deratings: b.deratings,
  headOhm: b.headOhm,
  designA: b.designA,
  sagV: saggedV(input),
  restV: b.restV,
  k: b.k,
  strengthMm2: b.strengthMm2,
  makerMm2: b.makerMm2,
  trials: [],
  still: b.still,
});

/** What of a circuit stays while only the volts before its way move: what goes by it need not be asked again. */
export type StillInput = Omit<CircuitInput, 'upstream' | 'upstreamDropV' | 'atHour'> & {
  readonly upstream: Omit<Upstream, 'lostV' | 'dropV' | 'hotOhm' | 'bankDemandA'>;
};
export type StillTrial = Omit<CircuitTrial, 'input' | 'sagV' | 'trials'> & { readonly input: StillInput };

export interface Heat {
  readonly placeIndex: number;
  readonly derating: Derating;
  /** Of one leg, bundling of the other legs counted, A. */
  readonly legIzA: number;
  readonly izA: number;
  readonly dutyA: number;
  /** Thermal time constant in its place, s; 0 where nothing comes and goes. */
  readonly tauS: number;
  readonly tempC: number;
}

export function heatAt(b: StillTrial, c: Candidate): Heat {
  const placeIndex = Math.max(0, rulingPlace(c.conductor, b.deratings));
  const derating = b.deratings[placeIndex] as Derating;
  const { input } = b;
  const crowd = c.legs > 1 ? bundleFactor(input.school, input.bundled + 2 * (c.legs - 1)) / derating.fBundle : 1;
  const legIzA = ampacityA(c.conductor, derating) * (input.house.bundleDc ? crowd : 1);
  const izA = legIzA * c.legs;
  const tau = input.duty ? timeConstantS(c.conductor, derating.ratingC, derating.ambientC, legIzA) : 0;
  const dutyA = dutyEquivalentA(b.designA, input.duty, tau);
  return { placeIndex, derating, legIzA, izA, dutyA, tauS: tau, tempC: conductorTempC(derating.ambientC, derating.ratingC, dutyA, izA) };
}

/** Loop resistance of one segment at the temperature its own current brings, ohm. */
function segmentOhm(b: CircuitTrial, c: Candidate, heat: Heat, tap: TapInput, currentA: number): number {
  const t = conductorTempC(
    heat.derating.ambientC,
    heat.derating.ratingC,
    currentA * Math.sqrt(dutyFraction(b.input.duty, heat.tauS)),
    heat.izA,
  );
  return (2 * conductorOhm(c.conductor.r20OhmPerKm, tap.lengthM, t) * b.input.copperFactor) / c.legs + SEGMENT_JOINTS_OHM;
}

const segmentOhms = (b: CircuitTrial, c: Candidate, still: Still): readonly number[] =>
  (still.ohms ??= b.input.taps.map((t) => segmentOhm(b, c, still.heat, t, t.segmentA)));

/** Each segment there and back, warm as it runs, ohm, by tap. */
export const warmSegmentOhms = (b: CircuitTrial, c: Candidate): readonly number[] => segmentOhms(b, c, { heat: heatAt(b, c) });

/** Judging lengths is no better than this: a path a little over its limit passes. */
export const NEAR = 1.02;

/** Volts a run may lose, of the path's limit and what everything else on the path loses: never more than its own limit, never held to less than half the path's. */
const ownHalfV = (runLimitV: number, pathLimitV: number, elseV: number): number =>
  Math.min(runLimitV, Math.max(pathLimitV - elseV, pathLimitV / 2));

/** The run's own volts at one tap, what it may lose there, and the whole path. */
function judged(b: CircuitTrial, tap: TapInput, loadV: number, headV: number) {
  const { input } = b;
  const lowV = input.volts.lowV;
  const atWayV = lowV - input.upstreamDropV;
  const runV = atWayV - headV - loadV;
  const [runLimitV, pathLimitV] = [(tap.dropPct * input.systemV) / 100, (tap.pathPct * input.systemV) / 100];
  const allowedV = tap.panel ? runLimitV : ownHalfV(runLimitV, pathLimitV, input.upstreamDropV + headV);
  const pathV = tap.panel ? runV : lowV - loadV;
  return { runV, allowedV, pathV, pathLimitV, passes: runV <= allowedV + 1e-9, wholePasses: pathV <= NEAR * pathLimitV + 1e-9 };
}

/** Whether the drop at working current passes; a circuit with one tap is answered without making the whole figure. */
export function dropPasses(b: CircuitTrial, t: SizeTrial): boolean {
  const { input } = b;
  const [tap] = input.taps;
  if (input.taps.length !== 1 || !tap || (tap.fixedA > 0 && tap.powerW > 0)) return t.drop().passes;
  if (!tap.load && !tap.panel) return true;
  const ohm = b.headOhm + (segmentOhms(b, t.candidate, t.still)[0] as number);
  const behindV = input.volts.lowV - input.upstreamDropV - input.inlineV;
  const solved = tap.powerW > 0 ? constantPower(behindV, ohm, tap.powerW) : null;
  const loadV = tap.powerW > 0 ? solved?.loadV : behindV - tap.fixedA * ohm;
  if (loadV === undefined) return false;
  const amps = tap.powerW > 0 ? (behindV - loadV) / ohm : tap.fixedA;
  return judged(b, tap, loadV, input.inlineV + amps * b.headOhm).passes;
}

export interface TapDrop {
  readonly tapIndex: number;
  readonly dropV: number;
  readonly pct: number;
  readonly limitPct: number;
  readonly loadV: number;
  readonly segmentOhm: number;
  /** Lost in this circuit's own run to the tap, V and % of nominal, and what it answers for: docs/methods.md, M4. */
  readonly runV: number;
  readonly runPct: number;
  readonly allowedPct: number;
}

export interface Drop {
  readonly taps: readonly TapDrop[];
  /** The tap with the least room to its limit. */
  readonly worst: TapDrop | null;
  readonly collapses: boolean;
  /** The run loses no more than it answers for, at every tap. */
  readonly passes: boolean;
  /** The whole path to every load is within its limit. */
  readonly wholePasses: boolean;
  readonly totalA: number;
  /** Lost in the devices of this circuit, V. */
  readonly headV: number;
  /** Drop of this circuit alone at its worst tap, V. */
  readonly ownV: number;
}

/** Drop at working current over the whole path, posts to each load and back. A feeder is judged on its own part only. */
export function dropAt(b: CircuitTrial, c: Candidate, still: Still = { heat: heatAt(b, c) }): Drop {
  const { input } = b;
  const lowV = input.volts.lowV;
  const atWayV = lowV - input.upstreamDropV;
  const behindV = atWayV - input.inlineV;
  const ohms = segmentOhms(b, c, still);
  const result = sweep(
    behindV,
    b.headOhm,
    input.taps.map((t, i) => ({ parent: t.parent, ohm: ohms[i] as number, fixedA: t.fixedA, powerW: t.powerW })),
  );
  if (result.collapses)
    return { taps: [], worst: null, collapses: true, passes: false, wholePasses: false, totalA: NaN, headV: NaN, ownV: NaN };
  const headV = input.inlineV + result.totalA * b.headOhm;
  const pct = (volts: number) => (100 * volts) / input.systemV;
  let worst: TapDrop | null = null;
  let passes = true;
  let wholePasses = true;
  const taps = input.taps.map((t, i): TapDrop => {
    const loadV = result.tapV[i] as number;
    const j = judged(b, t, loadV, headV);
    const drop = {
      tapIndex: i,
      dropV: j.pathV,
      pct: pct(j.pathV),
      limitPct: t.pathPct,
      loadV,
      segmentOhm: ohms[i] as number,
      runV: j.runV,
      runPct: pct(j.runV),
      allowedPct: pct(j.allowedV),
    };
    if (t.load || t.panel) {
      if (!j.passes) passes = false;
      if (!j.wholePasses) wholePasses = false;
      if (!worst || drop.pct - drop.limitPct > worst.pct - worst.limitPct) worst = drop;
    }
    return drop;
  });
  const found = worst as TapDrop | null;
  return {
    taps,
    worst: found,
    collapses: false,
    passes,
    wholePasses,
    totalA: result.totalA,
    headV,
    ownV: found ? atWayV - found.loadV : 0,
  };
}

/** Most the path may lose as something starts, V: a bank that sags by most of it is no copper's fault, half of the whole is left to the run. */
export const startPathV = (b: CircuitTrial, sagV: number, minV: number): number => Math.max(sagV - minV, (b.restV - minV) / 2);

export interface SurgeDrop {
  readonly surgeIndex: number;
  readonly sagV: number;
  readonly loadV: number;
  readonly minV: number;
  readonly upstreamV: number;
  readonly ownV: number;
  /** The run loses no more than it answers for. */
  readonly passes: boolean;
  /** The load gets the volts it needs. */
  readonly wholePasses: boolean;
}

/** Volts at a load while it starts, from the bank's sagged posts, whole path (M3). The worst of the circuit's surges; null without one. */
export function surgeAt(b: CircuitTrial, c: Candidate, still: Still = { heat: heatAt(b, c) }): SurgeDrop | null {
  const { input } = b;
  if (input.surges.length === 0) return null;
  const ohms = segmentOhms(b, c, still);
  let worst: SurgeDrop | null = null;
  let passes = true;
  input.surges.forEach((surge, surgeIndex) => {
    if (surge.minV <= 0) return;
    const sagV = b.sagV[surgeIndex] as number;
    const upstreamV = input.upstreamDropV + surge.addsA * input.upstream.hotOhm;
    const headV = surge.circuitA * b.headOhm + input.inlineV;
    let runV = 0;
    for (let i = surge.tapIndex; i >= 0; i = input.taps[i]?.parent ?? -1) {
      const tap = input.taps[i] as TapInput;
      runV += (tap.segmentA + surge.addsA) * (ohms[i] as number);
    }
    const loadV = sagV - upstreamV - headV - runV;
    const room = loadV - surge.minV;
    const pathV = startPathV(b, sagV, surge.minV);
    // Where the posts alone sag below what it needs, no copper helps.
    const own = sagV <= surge.minV || runV <= ownHalfV(Infinity, pathV, upstreamV + headV) + 1e-9;
    if (!own) passes = false;
    if (!worst || room < worst.loadV - worst.minV)
      worst = { surgeIndex, sagV, loadV, minV: surge.minV, upstreamV, ownV: headV + runV, passes: own, wholePasses: room >= -1e-9 };
  });
  const found = worst as SurgeDrop | null;
  return found && { ...found, passes };
}

export interface Fault {
  readonly sendingA: number;
  readonly farA: number;
  readonly sendingClearsS: number;
  readonly farClearsS: number;
  readonly sendingBearsS: number;
  readonly farBearsS: number;
  readonly k: number;
  /** The far end clears within 5 s. */
  readonly clears: boolean;
  /** The device opens before a far-end short harms the conductor, in half the time it bears. Slowness alone does not size copper. */
  readonly passes: boolean;
  /** The sending end also leaves the cable whole; failing is a caution. */
  readonly sendingPasses: boolean;
}

/**
 * How long a conductor bears a current from its temperature in use, s: adiabatically for the first seconds, and beyond them as it also gives heat
 * away; Infinity where it never reaches what its insulation withstands (M4.7).
 */
function bearsS(b: CircuitTrial, c: Candidate, heat: Heat, currentA: number): number {
  const adiabaticS = withstandS(b.k, c.conductor.areaMm2, currentA);
  if (adiabaticS <= ADIABATIC_S || heat.legIzA <= 0) return adiabaticS;
  const { ambientC, ratingC } = heat.derating;
  const finalC = finalTempC(b.input.house.crossLinked);
  const endC = ambientC + (ratingC - ambientC) * (currentA / heat.legIzA) ** 2;
  if (endC <= finalC) return Infinity;
  const startC = Math.min(heat.tempC, finalC);
  const tau = timeConstantS(c.conductor, ratingC, ambientC, heat.legIzA);
  return Math.max(adiabaticS, tau * Math.log((endC - startC) / (endC - finalC)));
}
/** A far-end short should be cut within this, s. */
const CLEARS_WITHIN_S = 5;
/** Up to here heat has no time to leave the conductor, s. */
const ADIABATIC_S = 5;

/** A dead short at the far end (smallest current, one leg alone) and at the sending end (largest). */
export function faultAt(b: CircuitTrial, c: Candidate, heat: Heat): Fault | null {
  const { input, family, protection, k } = b;
  if (!input.upstream.bank || input.taps.length === 0) return null;
  const ratingC = Math.min(...b.deratings.map((d) => d.ratingC));
  let farOhm = 0;
  input.taps.forEach((_, i) => {
    let sum = 0;
    for (let at = i; at >= 0; at = input.taps[at]?.parent ?? -1) {
      sum += 2 * conductorOhm(c.conductor.r20OhmPerKm, input.taps[at]?.lengthM ?? 0, ratingC) + SEGMENT_JOINTS_OHM;
    }
    farOhm = Math.max(farOhm, sum);
  });
  const sendingA = largestFaultA(input.upstream, 0);
  const farA = smallestFaultA(input.upstream, b.headOhm + farOhm);
  const farClearsS = slowestOpeningS(family, protection.ratingA, farA);
  const sendingClearsS = slowestOpeningS(family, protection.ratingA, sendingA);
  const farBearsS = bearsS(b, c, heat, farA);
  const sendingBearsS = withstandS(k, c.conductor.areaMm2, sendingA);
  const clears = farClearsS <= CLEARS_WITHIN_S;
  return {
    sendingA,
    farA,
    sendingClearsS,
    farClearsS,
    sendingBearsS,
    farBearsS,
    k,
    clears,
    passes: farBearsS === Infinity || farClearsS <= farBearsS / 2,
    sendingPasses: sendingClearsS <= sendingBearsS,
  };
}

/** Conductor temperature where it meets its device at working current, against the terminal's rating (75 degC; battery post 60 degC). */
export function terminalAt(b: CircuitTrial, heat: Heat): { tempC: number; limitC: number; passes: boolean } {
  const { upstream, house } = b.input;
  const limitC = upstream.atBank ? house.postC : house.terminalC;
  const ambientC = upstream.place?.ambientC ?? AMBIENT_C;
  const tempC = conductorTempC(ambientC, heat.derating.ratingC, heat.dutyA, heat.izA);
  return { tempC, limitC, passes: tempC <= limitC + 1e-9 };
}

/** One size tried on a circuit; figures are worked out when first asked for. */
export interface SizeTrial {
  readonly candidate: Candidate;
  readonly still: Still;
  readonly heat: Heat;
  readonly drop: () => Drop;
  readonly surge: () => SurgeDrop | null;
  readonly fault: () => Fault | null;
}

/** Each figure is worked out once, when it is first asked for. */
class Trial implements SizeTrial {
  readonly heat: Heat;
  private dropped: Drop | undefined;
  private surged: SurgeDrop | null | undefined;
  constructor(
    private readonly b: CircuitTrial,
    readonly candidate: Candidate,
    readonly still: Still,
  ) {
    this.heat = still.heat;
  }
  drop(): Drop {
    return (this.dropped ??= dropAt(this.b, this.candidate, this.still));
  }
  surge(): SurgeDrop | null {
    if (this.surged === undefined) this.surged = surgeAt(this.b, this.candidate, this.still);
    return this.surged;
  }
  fault(): Fault | null {
    if (this.still.fault === undefined) this.still.fault = faultAt(this.b, this.candidate, this.heat);
    return this.still.fault;
  }
}

/** A size tried on the circuit. */
export const sizeTrial = (b: CircuitTrial, candidate: Candidate, still: Still = { heat: heatAt(b, candidate) }): SizeTrial =>
  new Trial(b, candidate, still);

/** The trial of a single conductor, by its place in the school's table; made once. */
export function singleTrial(b: CircuitTrial, at: number): SizeTrial {
  const known = b.trials[at];
  if (known) return known;
  const candidate = { conductor: CONDUCTORS[b.input.school][at] as Conductor, legs: 1 };
  const still = (b.still[at] ??= { heat: heatAt(b, candidate) });
  return (b.trials[at] = sizeTrial(b, candidate, still));
}
