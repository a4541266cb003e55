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

export interface DutyPoint {
  readonly s: number;
  /** Conductor temperature as it comes and goes, and were the current continuous from the start, degC. */
  readonly dutyC: number;
  readonly steadyC: number;
}

/**
 * Conductor temperature through a duty, from ambient: exponentials of the one time constant, exact at the points given.
 * @param riseC rise of the same current for ever, degC.
 * @param most points at most; the switching moments are always among them for duties of up to 40 cycles.
 */
export function dutyTrace(duty: Duty, areaMm2: number, ambientC: number, riseC: number, most = 240): DutyPoint[] {
  const tau = tauS(areaMm2);
  const cycles = Math.min(duty.repeats, 40);
  const per = Math.max(2, Math.floor(most / (2 * cycles)));
  const out: DutyPoint[] = [{ s: 0, dutyC: ambientC, steadyC: ambientC }];
  let now = 0;
  let above = 0;
  const stretch = (lengthS: number, to: number) => {
    const from = above;
    for (let i = 1; i <= per; i++) {
      const t = (lengthS * i) / per;
      above = to + (from - to) * Math.exp(-t / tau);
      out.push({ s: now + t, dutyC: ambientC + above, steadyC: ambientC + riseC * (1 - Math.exp(-(now + t) / tau)) });
    }
    now += lengthS;
  };
  for (let i = 0; i < cycles; i++) {
    stretch(duty.onS, riseC);
    if (duty.restS > 0) stretch(duty.restS, 0);
  }
  return out;
}
