/** How far a choice may be stretched before a test fails: the same tests, with one thing grown until they do. */
import { bench, type Bench } from './evaluate';
import type { CircuitInput } from './circuitInput';
import { stateAt, type SizeChoice } from './ladder';
import { findConductor } from '../rules/conductors';

export interface Margins {
  /** Whole run, m; null when even ten times passes, or it fails as it stands. */
  readonly lengthM: number | null;
  /** Working current, A, device unchanged. */
  readonly currentA: number | null;
  /** Ambient of the warmest place passed, degC. */
  readonly ambientC: number | null;
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

const hotter = (input: CircuitInput, by: number): CircuitInput => ({
  ...input,
  surroundings: input.surroundings.map((s) => ({ ...s, ambientC: s.ambientC + by })),
});

export function marginsOf(b: Bench, chosen: SizeChoice): Margins {
  const conductor = findConductor(b.input.school, chosen.size);
  if (!conductor) return { lengthM: null, currentA: null, ambientC: null };
  const ok = (input: CircuitInput): boolean => stateAt(bench(input, b.protection), { conductor, legs: chosen.legs }).passes;
  const length = largestPassing(10, (x) => ok(longer(b.input, x)));
  const current = largestPassing(10, (x) => x * b.input.workingA <= b.protection.ratingA && ok(heavier(b.input, x)));
  const rise = largestPassing(91, (x) => ok(hotter(b.input, x - 1)));
  const warmest = Math.max(...b.input.surroundings.map((s) => s.ambientC));
  return {
    lengthM: length === null ? null : b.input.lengthM * length,
    currentA: current === null ? null : b.input.workingA * current,
    ambientC: rise === null ? null : warmest + rise - 1,
  };
}
