/** What flows in a shared part while one load is tested (docs/methods.md, M21): the others, each on with the probability of its use. */
import type { Load } from '../design';

/** Sources stand on the load sheet too, so that their cables are sized with the rest. */
export const isCharging = (load: Load): boolean => load.group === 'charging';

/** Part of the time a kind of load is on while another runs, where no hours are entered. Typical. */
const BY_GROUP: Readonly<Record<Load['group'], number>> = {
  navigation: 1,
  lights: 0.3,
  electronics: 0.1,
  pump: 0.03,
  blower: 0.03,
  refrigeration: 0.4,
  deck: 0.03,
  comfort: 0.25,
  heavy: 0.03,
  charging: 0,
  other: 0.25,
};

/** Hours of the day in which the hours of a load fall. */
const WINDOW_H: Readonly<Record<'any time' | 'by day' | 'by night' | 'engine running', number>> = {
  'any time': 24,
  'by day': 12,
  'by night': 12,
  'engine running': 24,
};

/**
 * Probability that a load is on while another is tested, 0 to 1: its hours over those they fall in, in the way of living that uses it most; 1 where
 * it runs on and on; without hours the typical one of its kind. 0 for what runs for minutes: it is tested on its own path.
 */
export function onPart(load: Load): number {
  if (load.duty !== null || isCharging(load)) return 0;
  let most = 0;
  for (const [livingId, hours] of Object.entries(load.hours))
    most = Math.max(most, Math.min(1, hours / WINDOW_H[load.when[livingId] ?? 'any time']));
  if (most > 0) return load.runsLong && load.group !== 'refrigeration' ? 1 : most;
  const typical = BY_GROUP[load.group];
  return load.runsLong && load.group !== 'refrigeration' ? 1 : typical;
}

interface Part {
  readonly currentA: number;
  readonly onPart: number;
}

/** 95 of 100 of a normal distribution lie below its mean plus so many standard deviations. */
const QUANTILE_95 = 1.645;

/** The 95 % quantile of the sum of independent loads, A: normal by mean and variance, never above all of them together nor below what is always on. */
export function usualA(items: readonly Part[]): number {
  let [all, always, mean, variance] = [0, 0, 0, 0];
  for (const { currentA, onPart: p } of items) {
    all += currentA;
    if (p >= 1) always += currentA;
    mean += p * currentA;
    variance += p * (1 - p) * currentA ** 2;
  }
  return Math.max(always, Math.min(all, mean + QUANTILE_95 * Math.sqrt(variance)));
}
