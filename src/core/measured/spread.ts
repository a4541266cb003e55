/** What figures of a meter say, and within what it holds (docs/methods.md, M19). */

export const median = (xs: readonly number[]): number => {
  const s = [...xs].sort((a, b) => a - b);
  const mid = s.length >> 1;
  return s.length === 0 ? NaN : s.length % 2 === 1 ? (s[mid] ?? NaN) : ((s[mid - 1] ?? NaN) + (s[mid] ?? NaN)) / 2;
};

/** Half of the values lie within this of their median. */
export const halfWidth = (xs: readonly number[]): number => {
  const m = median(xs);
  return median(xs.map((x) => Math.abs(x - m)));
};

/** Mean of the half that lies closest together: what most of them are, whatever else is among them. */
export function densest(xs: readonly number[]): number {
  const s = [...xs].sort((a, b) => a - b);
  const n = Math.max(1, Math.ceil(s.length / 2));
  let from = 0;
  for (let k = 1; k + n <= s.length; k++) if ((s[k + n - 1] ?? 0) - (s[k] ?? 0) < (s[from + n - 1] ?? 0) - (s[from] ?? 0) - 1e-12) from = k;
  const half = s.slice(from, from + n);
  return half.length === 0 ? NaN : half.reduce((sum, x) => sum + x, 0) / half.length;
}

/** The step a meter shows its figures in: the least by which two of them differ. */
export function shownStep(xs: Float64Array): number {
  const some = [...new Set(xs.subarray(0, SAMPLE))].sort((a, b) => a - b);
  let least = Infinity;
  for (let k = 1; k < some.length; k++) {
    const d = (some[k] ?? 0) - (some[k - 1] ?? 0);
    if (d > 1e-6) least = Math.min(least, d);
  }
  return Number.isFinite(least) ? least : 0;
}
const SAMPLE = 5000;

/** One sigma of what half of it lies within that; and of a median, over the root of how many. */
const SIGMA_OF_HALF = 1.4826;
const OF_A_MEDIAN = 1.2533;

/** A gauge's own amps: two sigma of its gain, and of its zero, A (M15). */
export const GAIN_PART = 0.01;
export const ZERO_A = 0.05;

/** What a median lies within, 95 of 100: how it scatters, and what the meter may be off by at all times. @param meter two sigma, in the unit of the values. */
export const within95 = (xs: readonly number[], meter: number): number =>
  Math.hypot((2 * OF_A_MEDIAN * SIGMA_OF_HALF * halfWidth(xs)) / Math.sqrt(Math.max(1, xs.length)), meter);
