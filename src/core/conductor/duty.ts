/** Short duty: what a conductor reaches when the current comes and goes (docs/methods.md, M1). */
import { conductorOhm } from './resistance';

export interface Duty {
  readonly onS: number;
  readonly restS: number;
  readonly repeats: number;
}

/**
 * Thermal time constant of an insulated conductor in its place, s: heat it holds for each degree over what it gives away at its rating,
 * C' (Tr - Ta) / (Iz^2 R'(Tr)), C' = 3.45 S + 0.95 (pi/4 OD^2 - S/0.7) J/(m K) of copper and insulation (M1). 20 at least.
 */
export function timeConstantS(
  { areaMm2, odMm, r20OhmPerKm }: { readonly areaMm2: number; readonly odMm: number; readonly r20OhmPerKm: number },
  ratingC: number,
  ambientC: number,
  ampacityA: number,
): number {
  const heat = 3.45 * areaMm2 + 0.95 * Math.max(0, (Math.PI / 4) * odMm ** 2 - areaMm2 / 0.7);
  const watts = ampacityA ** 2 * conductorOhm(r20OhmPerKm, 1, ratingC);
  return watts > 0 ? Math.max(20, (heat * Math.max(0, ratingC - ambientC)) / watts) : 20;
}

/**
 * Peak temperature rise after the last on-time as a fraction of the rise under the same current for ever, 0..1.
 * Pulses of onS with restS between, from cold: (1 - e^(-on/tau)) (1 - q^n)/(1 - q), q = e^(-(on + rest)/tau).
 */
export function dutyFraction(duty: Duty | null, tau: number): number {
  if (!duty) return 1;
  const rise = 1 - Math.exp(-duty.onS / tau);
  const q = Math.exp(-(duty.onS + duty.restS) / tau);
  const trains = q >= 1 ? duty.repeats : (1 - q ** duty.repeats) / (1 - q);
  return Math.min(1, rise * trains);
}

/** The steady current, A, whose temperature equals the duty's peak. */
export const dutyEquivalentA = (currentA: number, duty: Duty | null, tau: number): number => currentA * Math.sqrt(dutyFraction(duty, tau));

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
export function dutyTrace(duty: Duty, tau: number, ambientC: number, riseC: number, most = 240): DutyPoint[] {
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
