/** Whether the device nearest a fault opens alone (docs/methods.md, M8). */
import type { Family } from '../rules';
import { openingTime } from './curve';

export interface Device {
  readonly family: Pick<Family, 'curve' | 'kind'>;
  readonly ratingA: number;
}

export interface Selectivity {
  /**
   * selective: the lower one opens alone whatever the fault; up to: only below untilA; may both open: in part of the range; never: the upper
   * one may open first wherever the lower one opens.
   */
  readonly verdict: 'selective' | 'up to' | 'never';
  /** Fault current from which both may open, A; null where it is selective throughout. */
  readonly untilA: number | null;
}

const STEPS_A_DECADE = 120;

/**
 * An upper device against a lower one over every fault from where the lower must open to the largest there is: selective where the upper's
 * fastest time is longer than the lower's slowest. Both see the fault; the upper carries what its other branches draw besides. Below 0.01 s,
 * where heat has no time to leave, times of one current stand for I2t: fuses keep theirs beyond their last point.
 * @param largestA prospective current just after the lower device, A. @param othersA what else the upper carries, A.
 */
export function selectivity(upper: Device, lower: Device, largestA: number, othersA = 0): Selectivity {
  const must = lower.family.curve.find((p) => p.slowestS !== null);
  const fromA = (must?.multiple ?? Infinity) * lower.ratingA;
  if (!(largestA > fromA)) return { verdict: 'selective', untilA: null };
  const steps = Math.max(1, Math.ceil(STEPS_A_DECADE * Math.log10(largestA / fromA)));
  let last: number | null = null;
  for (let i = 0; i <= steps; i++) {
    const faultA = fromA * (largestA / fromA) ** (i / steps);
    if (holds(upper, lower, faultA, othersA)) last = faultA;
    else return last === null ? { verdict: 'never', untilA: fromA } : { verdict: 'up to', untilA: faultA };
  }
  return { verdict: 'selective', untilA: null };
}

function holds(upper: Device, lower: Device, faultA: number, othersA: number): boolean {
  const { slowestS } = openingTime(lower.family, faultA / lower.ratingA);
  const { fastestS } = openingTime(upper.family, (faultA + othersA) / upper.ratingA);
  return fastestS === null || (slowestS !== null && fastestS > slowestS);
}

export interface CurveSample {
  readonly amps: number;
  /** Quickest and slowest to open, s; null where it carries the current, or may never open. */
  readonly fastestS: number | null;
  readonly slowestS: number | null;
}

/** A device's band by current, evenly in its logarithm. */
export function curveSamples({ family, ratingA }: Device, fromA: number, toA: number, n = 120): CurveSample[] {
  return Array.from({ length: n + 1 }, (_, i) => {
    const amps = fromA * (toA / fromA) ** (i / n);
    return { amps, ...openingTime(family, amps / ratingA) };
  });
}
