/** What flows in a shared part while one load is tested (docs/methods.md, M21): the others, each on with the probability of its use. */
import { kindOf, type Load, type LoadKind } from '../design';

/** Sources stand on the load sheet too, so that their cables are sized with the rest. */
export const isCharging = (load: Load): boolean => load.group === 'charging';

const FOR_SAFETY: ReadonlySet<LoadKind> = new Set([
  'bilge pump',
  'high-water alarm',
  'gas alarm',
  'smoke alarm',
  'navigation light',
  'radio',
  'steering',
]);

/** Loads that keep boat and people safe: each is tested with all the others on. */
export const forSafety = (load: Load): boolean => FOR_SAFETY.has(kindOf(load));

/** A load as one of several in a shared part. */
export interface Usual {
  readonly currentA: number;
  /** Probability that it is in use, by hour. */
  readonly use: readonly number[];
  readonly safety: boolean;
  /** Runs for minutes at most: it is tested on its own path, and never counts for another. */
  readonly brief: boolean;
  readonly charging: boolean;
}

/** 95 of 100 of a normal distribution lie below its mean plus so many standard deviations. */
const QUANTILE_95 = 1.645;

/**
 * The 95 % quantile of the sum of independent loads, A: normal by mean and variance, never above all of them together nor below what is always on.
 * @param hour which of the hours. @param safetyOn everything for safety is on.
 */
export function usualA(items: readonly Usual[], hour: number, safetyOn: boolean): number {
  let all = 0;
  let always = 0;
  let mean = 0;
  let variance = 0;
  for (const item of items) {
    if (item.brief || item.charging) continue;
    const p = safetyOn && item.safety ? 1 : (item.use[hour] ?? 0);
    if (p <= 0) continue;
    const { currentA } = item;
    all += currentA;
    if (p >= 1) always += currentA;
    mean += p * currentA;
    variance += p * (1 - p) * currentA ** 2;
  }
  return Math.max(always, Math.min(all, mean + QUANTILE_95 * Math.sqrt(variance)));
}

/** By hour, then by hour with everything for safety on, A. */
export function usualBy(items: readonly Usual[], hours: number): readonly number[] {
  const out: number[] = [];
  for (const safetyOn of [false, true]) for (let h = 0; h < hours; h++) out.push(usualA(items, h, safetyOn));
  return out;
}
