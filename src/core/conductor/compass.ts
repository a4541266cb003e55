/** What a pair of conductors does to a compass (docs/methods.md, "Clean power"). */

/** μ0 / 2π, T m/A; and the horizontal part of the earth's field in middle latitudes, T: 15 to 30 µT, typical. */
const MU0_2PI = 2e-7;
const EARTH_T = 20e-6;
/** Two single conductors lie so many of their own diameters apart, from middle to middle: ours. */
const APART = 4;
/** Twisting leaves so much of it: typical. */
const TWISTED = 0.02;
/** Nothing lies nearer to the needle than this, m. */
const NEAREST_M = 0.3;

/** Degrees a pair turns the card at most. @param odMm of one conductor; @param distanceM of the pair from the compass. */
export function deviationDeg(amps: number, odMm: number, distanceM: number, twisted: boolean): number {
  const r = Math.max(NEAREST_M, distanceM);
  const tesla = (MU0_2PI * amps * ((APART * odMm) / 1000) * (twisted ? TWISTED : 1)) / r ** 2;
  return (Math.atan(tesla / EARTH_T) * 180) / Math.PI;
}
