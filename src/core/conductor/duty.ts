/** Short duty: what a conductor reaches when the current comes and goes (docs/methods.md, M1). */

export interface Duty {
  readonly onS: number;
  readonly restS: number;
  readonly repeats: number;
}

const TAU: readonly (readonly [areaMm2: number, tauS: number])[] = [
  [2.5, 120],
  [10, 300],
  [35, 700],
  [95, 1500],
];

/** Thermal time constant, s: typical, interpolated (and continued) in the logarithm of the area. */
export function tauS(areaMm2: number): number {
  const x = Math.log(Math.max(0.1, areaMm2));
  let i = 1;
  while (i < TAU.length - 1 && Math.log(TAU[i]?.[0] ?? 1) < x) i++;
  const [a0, t0] = TAU[i - 1] ?? [1, 1];
  const [a1, t1] = TAU[i] ?? [2, 1];
  return Math.max(20, t0 + ((t1 - t0) * (x - Math.log(a0))) / (Math.log(a1) - Math.log(a0)));
}

/**
 * Peak temperature rise after the last on-time as a fraction of the rise under the same current for ever, 0..1.
 * Pulses of onS with restS between, from cold: (1 - e^(-on/tau)) (1 - q^n)/(1 - q), q = e^(-(on + rest)/tau).
 */
export function dutyFraction(duty: Duty | null, areaMm2: number): number {
  if (!duty) return 1;
  const tau = tauS(areaMm2);
  const rise = 1 - Math.exp(-duty.onS / tau);
  const q = Math.exp(-(duty.onS + duty.restS) / tau);
  const trains = q >= 1 ? duty.repeats : (1 - q ** duty.repeats) / (1 - q);
  return Math.min(1, rise * trains);
}

/** The steady current, A, whose temperature equals the duty's peak. */
export const dutyEquivalentA = (currentA: number, duty: Duty | null, areaMm2: number): number =>
  currentA * Math.sqrt(dutyFraction(duty, areaMm2));
