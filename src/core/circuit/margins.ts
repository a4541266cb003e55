/** How far a choice may be stretched before a test fails: the same tests, with one thing grown until they do. */
import { type Candidate, circuitTrial, type CircuitTrial } from './trial';
import type { CircuitInput } from './circuitInput';
import { conductorOf, type SizeChoice, stateAt } from './ladder';

export interface Margins {
  /** The choice holds as it is; where not, each figure is what it would hold to. */
  readonly holds: boolean;
  /** Whole run, m; null when even ten times passes, or a twentieth does not. */
  readonly lengthM: number | null;
  /** Working current, A, device unchanged. */
  readonly currentA: number | null;
  /** Ambient of the warmest place passed, degC. */
  readonly ambientC: number | null;
  /** Lowest volts at the bank posts, V. */
  readonly lowV: number | null;
}

const STEPS = 24;

/**
 * Largest x for which passes(x): in [1, most] where it holds as it is, in [least, 1] where it does not. null when most still passes, or
 * least does not. Monotone tests are assumed.
 */
function largestPassing(least: number, most: number, passes: (x: number) => boolean): number | null {
  const holds = passes(1);
  if (holds ? passes(most) : !passes(least)) return null;
  let [low, high] = holds ? [1, most] : [least, 1];
  for (let i = 0; i < STEPS; i++) {
    const mid = (low + high) / 2;
    if (passes(mid)) low = mid;
    else high = mid;
  }
  return low;
}

const longer = (input: CircuitInput, by: number): CircuitInput => ({
  ...input,
  lengthM: input.lengthM * by,
  taps: input.taps.map((t) => ({ ...t, lengthM: t.lengthM * by })),
});

const heavier = (input: CircuitInput, by: number): CircuitInput => ({
  ...input,
  workingA: input.workingA * by,
  upstreamDropV: input.isFeeder
    ? input.upstreamDropV
    : Math.max(0, input.upstreamDropV + (by - 1) * input.workingA * input.upstream.hotOhm),
  taps: input.taps.map((t) => ({ ...t, ownA: t.ownA * by, segmentA: t.segmentA * by, fixedA: t.fixedA * by, powerW: t.powerW * by })),
});

const lower = (input: CircuitInput, by: number): CircuitInput => {
  const lowV = input.volts.lowV / by;
  return {
    ...input,
    volts: { ...input.volts, lowV },
    // The drop is counted from the posts: constant power draws more as they sink.
    taps: input.taps.map((t) => (t.powerW > 0 ? { ...t, ownA: t.ownA * by, segmentA: t.segmentA * by } : t)),
    workingA: input.taps.some((t) => t.powerW > 0) ? input.workingA * by : input.workingA,
  };
};

const hotter = (input: CircuitInput, by: number): CircuitInput => ({
  ...input,
  surroundings: input.surroundings.map((s) => ({ ...s, ambientC: s.ambientC + by })),
});

/** Every test of the choice, and the whole path with it. */
function holds(b: CircuitTrial, chosen: Candidate): boolean {
  const { passes, drop, surge } = stateAt(b, chosen);
  return passes && (b.input.isFeeder || drop.wholePasses) && (surge?.wholePasses ?? true);
}

export function marginsOf(b: CircuitTrial, chosen: SizeChoice): Margins {
  const conductor = conductorOf(b, chosen);
  const ok = (input: CircuitInput): boolean => holds(circuitTrial(input, b.protection), { conductor, legs: chosen.legs });
  const length = largestPassing(0.05, 10, (x) => ok(longer(b.input, x)));
  const current = largestPassing(0.05, 10, (x) => x * b.input.workingA <= b.protection.ratingA && ok(heavier(b.input, x)));
  const sunk = largestPassing(0.8, 2, (x) => ok(lower(b.input, x)));
  const rise = largestPassing(1 - 40, 91, (x) => ok(hotter(b.input, x - 1)));
  const warmest = Math.max(...b.input.surroundings.map((s) => s.ambientC));
  return {
    holds: ok(b.input),
    lengthM: length === null ? null : b.input.lengthM * length,
    currentA: current === null ? null : b.input.workingA * current,
    ambientC: rise === null ? null : warmest + rise - 1,
    lowV: sunk === null ? null : b.input.volts.lowV / sunk,
  };
}
