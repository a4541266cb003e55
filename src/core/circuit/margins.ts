/** How far a choice may be stretched before a test fails: the same tests, with one thing grown until they do. */
import { circuitTrial, type CircuitTrial } from './trial';
import type { CircuitInput } from './circuitInput';
import { conductorOf, type SizeChoice, stateAt } from './ladder';

export interface Margins {
  /** Whole run, m; null when even ten times passes, or it fails as it stands. */
  readonly lengthM: number | null;
  /** Working current, A, device unchanged. */
  readonly currentA: number | null;
  /** Ambient of the warmest place passed, degC. */
  readonly ambientC: number | null;
  /** Lowest volts at the bank posts, V. */
  readonly lowV: number | null;
}

const STEPS = 24;

/** Largest x in [1, most] for which passes(x); null when x = 1 fails or most still passes. Monotone tests are assumed. */
function largestPassing(most: number, passes: (x: number) => boolean): number | null {
  if (!passes(1) || passes(most)) return null;
  let low = 1;
  let high = most;
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

export function marginsOf(b: CircuitTrial, chosen: SizeChoice): Margins {
  const conductor = conductorOf(b, chosen);
  const ok = (input: CircuitInput): boolean => stateAt(circuitTrial(input, b.protection), { conductor, legs: chosen.legs }).passes;
  const length = largestPassing(10, (x) => ok(longer(b.input, x)));
  const current = largestPassing(10, (x) => x * b.input.workingA <= b.protection.ratingA && ok(heavier(b.input, x)));
  const sunk = largestPassing(2, (x) => ok(lower(b.input, x)));
  const rise = largestPassing(91, (x) => ok(hotter(b.input, x - 1)));
  const warmest = Math.max(...b.input.surroundings.map((s) => s.ambientC));
  return {
    lengthM: length === null ? null : b.input.lengthM * length,
    currentA: current === null ? null : b.input.workingA * current,
    ambientC: rise === null ? null : warmest + rise - 1,
    lowV: sunk === null ? null : b.input.volts.lowV / sunk,
  };
}
