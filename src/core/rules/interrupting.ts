/** Minimum interrupting capacity of DC protection on 12 and 24 V lead-acid banks (North American small-craft standard). */

export const INTERRUPTING_MINIMUM: readonly { readonly ccaUpTo: number; readonly mainA: number; readonly branchA: number }[] = [
  { ccaUpTo: 650, mainA: 1500, branchA: 750 },
  { ccaUpTo: 1100, mainA: 3000, branchA: 1500 },
  { ccaUpTo: Infinity, mainA: 5000, branchA: 2500 },
];

/** Least interrupting capacity, A, for a bank of that many cold-cranking amps. */
export function interruptingMinimumA(cca: number, main: boolean): number {
  const row = INTERRUPTING_MINIMUM.find((r) => cca <= r.ccaUpTo);
  return row ? (main ? row.mainA : row.branchA) : 5000;
}
