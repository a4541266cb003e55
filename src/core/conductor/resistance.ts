/** Conductor resistance and temperature (docs/methods.md, M1). */

/** Temperature coefficient of copper resistance at 20 degC, per degC. */
export const COPPER_PER_C = 0.00393;

/** Resistance of ONE conductor, ohm, of lengthM metres at tempC. Source: R(T) = r20 L/1000 (1 + 0.00393 (T - 20)). */
export const conductorOhm = (r20OhmPerKm: number, lengthM: number, tempC: number): number =>
  ((r20OhmPerKm * lengthM) / 1000) * (1 + COPPER_PER_C * (tempC - 20));

/** Temperature, degC, of a conductor carrying currentA for ever: Ta + (Tr - Ta)(I/Iz)^2, held at Tr when overloaded. */
export function conductorTempC(ambientC: number, ratingC: number, currentA: number, izA: number): number {
  if (!(izA > 0)) return ratingC;
  const ratio = Math.min(1, Math.abs(currentA) / izA);
  return ambientC + (ratingC - ambientC) * ratio * ratio;
}

/** Rule of thumb, awg school, for comparison only: circular mils = 10.75 I L / E, L out and back in feet. @returns mm2 */
export const thumbCmilMm2 = (currentA: number, loopM: number, dropV: number): number =>
  ((10.75 * currentA * (loopM / 0.3048)) / dropV) * 5.067e-4;

/** Rule of thumb, metric school, for comparison only: S = 0.0164 I L / E, L out and back in m. @returns mm2. Copper at 8 degC: optimistic. */
export const thumbMetricMm2 = (currentA: number, loopM: number, dropV: number): number => (0.0164 * currentA * loopM) / dropV;
