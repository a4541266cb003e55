/** What heat a conductor takes before its insulation is lost (docs/methods.md, M4.7). */

/** k, A s^0.5 / mm2, of copper from starting to final temperature: 226 sqrt(ln(1 + (Tf - Ti)/(234.5 + Ti))). 0 when Tf <= Ti. */
export const adiabaticK = (startC: number, finalC: number): number =>
  finalC <= startC ? 0 : 226 * Math.sqrt(Math.log(1 + (finalC - startC) / (234.5 + startC)));

/** Final temperature of the insulation kind, degC. */
export const finalTempC = (crossLinked: boolean): number => (crossLinked ? 250 : 160);

/** Longest time, s, a conductor bears a current: k^2 S^2 / I^2. */
export const withstandS = (k: number, areaMm2: number, currentA: number): number => (k * areaMm2) ** 2 / currentA ** 2;
