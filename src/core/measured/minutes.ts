/** A measured day minute by minute, whatever its logger's own step (docs/methods.md, M19). */
import { median } from './spread';
import type { Measured } from './series';

export const DAY_MS = 24 * 3600_000;
export const MINUTE_MS = 60_000;
export const MINUTES = 1440;

/** Of so many steps the usual one is found. */
const LOOKED_AT = 2000;
/** A reading stands for the time after it up to so many usual steps: what is longer is a hole. */
const STEPS_HELD = 3;

export interface DayMinutes {
  readonly volts: Float64Array;
  /** Into the bank. */
  readonly amps: Float64Array;
  readonly soc: Float64Array;
}

/** How long a reading stands for the time after it, ms. */
export function holdOf({ at }: Pick<Measured, 'at'>): number {
  const stride = Math.max(1, Math.floor(at.length / LOOKED_AT));
  const steps: number[] = [];
  for (let k = 1; k < at.length; k += stride) steps.push((at[k] ?? 0) - (at[k - 1] ?? 0));
  return STEPS_HELD * Math.max(MINUTE_MS, steps.length > 0 ? median(steps) : 0);
}

/** First reading at or after a time: readings stand in order, it is found by halves. */
function firstAt({ at }: Measured, time: number): number {
  let [low, high] = [0, at.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((at[mid] ?? 0) < time) low = mid + 1;
    else high = mid;
  }
  return low;
}

/** Means of what falls in each minute; where nothing does the reading before it, while it stands; else NaN. @param from midnight, ms. @param holdMs as holdOf tells */
export function minutesOf(series: Measured, from: number, holdMs: number): DayMinutes {
  const day = { volts: new Float64Array(MINUTES), amps: new Float64Array(MINUTES), soc: new Float64Array(MINUTES) };
  let k = firstAt(series, from);
  for (let m = 0; m < MINUTES; m++) {
    const [begins, first] = [from + m * MINUTE_MS, k];
    while (k < series.at.length && (series.at[k] ?? 0) < begins + MINUTE_MS) k++;
    const stands = k > 0 && begins - (series.at[k - 1] ?? 0) < holdMs;
    for (const key of ['volts', 'amps', 'soc'] as const) {
      let sum = 0;
      for (let i = first; i < k; i++) sum += series[key][i] ?? NaN;
      day[key][m] = k > first ? sum / (k - first) : stands ? (series[key][k - 1] ?? NaN) : NaN;
    }
  }
  return day;
}
