/** One circuit with one conductor size: every figure the tests compare (docs/methods.md, M1 to M4). */
import { adiabaticK, finalTempC, slowestOpeningS, withstandS } from '../protection';
import type { Protection } from './choose';
import { bankRestV } from '../bank';
import { largestFaultA, smallestFaultA } from './upstream';
import { bundleFactor, type Conductor, CONDUCTORS, type Family, findConductor, findFamily, SEGMENT_JOINTS_OHM, AMBIENT_C } from '../rules';
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

/** Resistance of a protective device where the maker gives none, ohm: 0.09 V / rating; breakers 0.15 V (0.2 V up to 10 A). */
export const protectionOhm = (family: Family, ratingA: number): number =>
  (family.kind === 'fuse' ? 0.09 : ratingA <= 10 ? 0.2 : 0.15) / ratingA;

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
    headOhm: (protectionOhm(family, protection.ratingA) * protection.count) / protection.legs ** 2 + input.inlineOhm,
    designA: input.workingA * (input.runsLong ? house.continuousAmpacity : 1),
    sagV: saggedV(input),
    strengthMm2: findConductor(school, mechanicalSize(input))?.areaMm2 ?? 0,
    makerMm2: makerAreaMm2(input)?.areaMm2 ?? null,
    trials: [],
    still: [],
    k: adiabaticK(Math.min(...deratings.map((d) => d.ratingC)), finalTempC(house.crossLinked)),
  };
}

/** Volts at the posts as each surge runs: rest volts less the bank's own resistance. */
function saggedV({ upstream, house, volts, surges }: CircuitInput): number[] {
  if (surges.length === 0) return [];
  const restV = upstream.bank ? bankRestV(upstream.bank, house.studySoc) : volts.lowV;
  return surges.map((s) => restV - (upstream.bankDemandA + s.addsA) * (upstream.bank?.ohm ?? 0));
}

/** The trial of a circuit whose steady upstream alone has moved: heat and faults stand. */
export const circuitTrialAgain = (b: CircuitTrial, input: CircuitInput): CircuitTrial => ({
  ...b,
  input,
  sagV: saggedV(input),
  trials: [],
});

export interface Heat {
  readonly placeIndex: number;
  readonly derating: Derating;
  /** Of one leg, bundling of the other legs counted, A. */
  readonly legIzA: number;
  readonly izA: number;
  readonly dutyA: number;
  readonly tempC: number;
}

export function heatAt(b: CircuitTrial, c: Candidate): Heat {
  const placeIndex = Math.max(0, rulingPlace(c.conductor, b.deratings));
  const derating = b.deratings[placeIndex] as Derating;
  const { input } = b;
  const crowd = c.legs > 1 ? bundleFactor(input.school, input.bundled + 2 * (c.legs - 1)) / derating.fBundle : 1;
  const legIzA = ampacityA(c.conductor, derating) * (input.house.bundleDc ? crowd : 1);
  const izA = legIzA * c.legs;
  const dutyA = dutyEquivalentA(b.designA, input.duty, c.conductor.areaMm2);
  return { placeIndex, derating, legIzA, izA, dutyA, tempC: conductorTempC(derating.ambientC, derating.ratingC, dutyA, izA) };
}

/** Loop resistance of one segment at the temperature its own current brings, ohm. */
function segmentOhm(b: CircuitTrial, c: Candidate, heat: Heat, tap: TapInput, currentA: number): number {
  const t = conductorTempC(
    heat.derating.ambientC,
    heat.derating.ratingC,
    currentA * Math.sqrt(dutyFraction(b.input.duty, c.conductor.areaMm2)),
    heat.izA,
  );
  return (2 * conductorOhm(c.conductor.r20OhmPerKm, tap.lengthM, t) * b.input.copperFactor) / c.legs + SEGMENT_JOINTS_OHM;
}

const segmentOhms = (b: CircuitTrial, c: Candidate, still: Still): readonly number[] =>
  (still.ohms ??= b.input.taps.map((t) => segmentOhm(b, c, still.heat, t, t.segmentA)));

/** Each segment there and back, warm as it runs, ohm, by tap. */
export const warmSegmentOhms = (b: CircuitTrial, c: Candidate): readonly number[] => segmentOhms(b, c, { heat: heatAt(b, c) });

/** Whether the drop at working current passes; a circuit with one tap is answered without making the whole figure. */
export function dropPasses(b: CircuitTrial, t: SizeTrial): boolean {
  const { input } = b;
  const [tap] = input.taps;
  if (input.taps.length !== 1 || !tap || (tap.fixedA > 0 && tap.powerW > 0)) return t.drop().passes;
  if (!tap.load && !tap.panel) return true;
  const atWayV = input.volts.lowV - input.upstreamDropV;
  const ohm = b.headOhm + (segmentOhms(b, t.candidate, t.still)[0] as number);
  const behindV = atWayV - input.inlineV;
  const loadV = tap.powerW > 0 ? constantPower(behindV, ohm, tap.powerW)?.loadV : behindV - tap.fixedA * ohm;
  return loadV !== undefined && (100 * ((tap.panel ? atWayV : input.volts.lowV) - loadV)) / input.systemV <= tap.dropPct + 1e-9;
}

export interface TapDrop {
  readonly tapIndex: number;
  readonly dropV: number;
  readonly pct: number;
  readonly limitPct: number;
  readonly loadV: number;
  readonly segmentOhm: number;
}

export interface Drop {
  readonly taps: readonly TapDrop[];
  /** The tap with the least room to its limit. */
  readonly worst: TapDrop | null;
  readonly collapses: boolean;
  readonly passes: boolean;
  readonly totalA: number;
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
  if (result.collapses) return { taps: [], worst: null, collapses: true, passes: false, totalA: NaN, ownV: NaN };
  let worst: TapDrop | null = null;
  const taps = input.taps.map((t, i): TapDrop => {
    const loadV = result.tapV[i] as number;
    const dropV = t.panel ? atWayV - loadV : lowV - loadV;
    const drop = { tapIndex: i, dropV, pct: (100 * dropV) / input.systemV, limitPct: t.dropPct, loadV, segmentOhm: ohms[i] as number };
    if ((t.load || t.panel) && (!worst || drop.pct - drop.limitPct > worst.pct - worst.limitPct)) worst = drop;
    return drop;
  });
  const found = worst as TapDrop | null;
  return {
    taps,
    worst: found,
    collapses: false,
    passes: !found || found.pct <= found.limitPct + 1e-9,
    totalA: result.totalA,
    ownV: found ? atWayV - found.loadV : 0,
  };
}

export interface SurgeDrop {
  readonly surgeIndex: number;
  readonly sagV: number;
  readonly loadV: number;
  readonly minV: number;
  readonly upstreamV: number;
  readonly ownV: number;
  readonly passes: boolean;
}

/** Volts at a load while it starts, from the bank's sagged posts, whole path (M3). The worst of the circuit's surges; null without one. */
export function surgeAt(b: CircuitTrial, c: Candidate, still: Still = { heat: heatAt(b, c) }): SurgeDrop | null {
  const { input } = b;
  if (input.surges.length === 0) return null;
  const ohms = segmentOhms(b, c, still);
  let worst: SurgeDrop | null = null;
  input.surges.forEach((surge, surgeIndex) => {
    if (surge.minV <= 0) return;
    const sagV = b.sagV[surgeIndex] as number;
    const upstreamV = input.upstreamDropV + surge.addsA * input.upstream.hotOhm;
    let ownV = surge.circuitA * b.headOhm + input.inlineV;
    for (let i = surge.tapIndex; i >= 0; i = input.taps[i]?.parent ?? -1) {
      const tap = input.taps[i] as TapInput;
      ownV += (tap.segmentA + surge.addsA) * (ohms[i] as number);
    }
    const loadV = sagV - upstreamV - ownV;
    const room = loadV - surge.minV;
    if (!worst || room < worst.loadV - worst.minV)
      worst = { surgeIndex, sagV, loadV, minV: surge.minV, upstreamV, ownV, passes: room >= -1e-9 };
  });
  return worst;
}

export interface Fault {
  readonly sendingA: number;
  readonly farA: number;
  readonly sendingClearsS: number;
  readonly farClearsS: number;
  readonly sendingBearsS: number;
  readonly farBearsS: number;
  readonly k: number;
  readonly clears: boolean;
  /** Far end clears in 5 s and the conductor bears it. */
  readonly passes: boolean;
  /** The sending end also leaves the cable whole; failing is a caution. */
  readonly sendingPasses: boolean;
}

/** A dead short at the far end (smallest current, one leg alone) and at the sending end (largest). */
export function faultAt(b: CircuitTrial, c: Candidate): Fault | null {
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
  const farBearsS = withstandS(k, c.conductor.areaMm2, farA);
  const sendingBearsS = withstandS(k, c.conductor.areaMm2, sendingA);
  const clears = farClearsS <= 5;
  return {
    sendingA,
    farA,
    sendingClearsS,
    farClearsS,
    sendingBearsS,
    farBearsS,
    k,
    clears,
    passes: clears && farClearsS <= farBearsS,
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

const once = <T>(work: () => T): (() => T) => {
  let kept: { value: T } | null = null;
  return () => (kept ??= { value: work() }).value;
};

/** A size tried on the circuit. */
export function sizeTrial(b: CircuitTrial, candidate: Candidate, still: Still = { heat: heatAt(b, candidate) }): SizeTrial {
  return {
    candidate,
    still,
    heat: still.heat,
    drop: once(() => dropAt(b, candidate, still)),
    surge: once(() => surgeAt(b, candidate, still)),
    fault: () => (still.fault === undefined ? (still.fault = faultAt(b, candidate)) : still.fault),
  };
}

/** The trial of a single conductor, by its place in the school's table; made once. */
export function singleTrial(b: CircuitTrial, at: number): SizeTrial {
  const known = b.trials[at];
  if (known) return known;
  const candidate = { conductor: CONDUCTORS[b.input.school][at] as Conductor, legs: 1 };
  const still = (b.still[at] ??= { heat: heatAt(b, candidate) });
  return (b.trials[at] = sizeTrial(b, candidate, still));
}
