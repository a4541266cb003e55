/** Charge current a bank accepts at absorption volts and 25 degC, as a part of capacity per hour, by state of charge. Typical shapes. */
import type { ChemistryId } from './chemistries';

export const ACCEPTANCE_SOC = [0, 0.5, 0.6, 0.7, 0.8, 0.85, 0.9, 0.95, 0.98, 0.99, 1] as const;
export const ACCEPTANCE: Readonly<Record<ChemistryId, readonly number[]>> = {
  flooded: [0.3, 0.25, 0.22, 0.18, 0.13, 0.1, 0.065, 0.035, 0.02, 0.015, 0.01],
  agm: [0.4, 0.4, 0.4, 0.32, 0.22, 0.16, 0.1, 0.05, 0.02, 0.012, 0.005],
  gel: [0.2, 0.2, 0.2, 0.18, 0.14, 0.1, 0.07, 0.035, 0.015, 0.011, 0.008],
  lfp: [0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 0.5, 0.25, 0.1, 0.02],
};

/** Bank current that says absorption is done, % of capacity. Typical. */
export const TAIL_PCT: Readonly<Record<ChemistryId, number>> = { flooded: 2, agm: 1, gel: 1.5, lfp: 4 };

/** Value at x of a table given at rising points, linear between them, level beyond. */
export function tableAt(xs: readonly number[], ys: readonly number[], x: number): number {
  let i = 1;
  while (i < xs.length - 1 && (xs[i] as number) < x) i++;
  const [x0, x1, y0, y1] = [xs[i - 1] ?? 0, xs[i] ?? 1, ys[i - 1] ?? 0, ys[i] ?? 0];
  return y0 + (y1 - y0) * Math.min(1, Math.max(0, (x - x0) / (x1 - x0)));
}

/** Accepted at absorption volts and 25 degC, per hour. */
export const acceptanceC = (id: ChemistryId, soc: number): number => tableAt(ACCEPTANCE_SOC, ACCEPTANCE[id], soc);

/** What cold leaves of the acceptance: lead-acid 1 at 25 degC, 0.7 at 10, 0.5 at 0; iron phosphate 0.1 to 0.2 C from 0 to 10 degC and nothing below. */
export function coldAcceptance(id: ChemistryId, tempC: number, chargeMinC: number): number {
  if (tempC < chargeMinC) return 0;
  if (id === 'lfp') return tempC >= 10 ? 1 : (0.1 + 0.01 * Math.max(0, tempC)) / 0.5;
  return tableAt([-10, 0, 10, 25], [0.3, 0.5, 0.7, 1], tempC);
}
