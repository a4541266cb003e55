/** What a bank really gives: rate, cold, and how much of it may be used (docs/methods.md, M9). */
import { type Chemistry, BATTERY_C } from '../rules';

/** Current that counts against a C20 capacity, A (Peukert): I (I / I20)^(p - 1) above I20 = C20 / 20; no credit below. 0 for no capacity. */
export function effectiveA(currentA: number, c20Ah: number, peukert: number): number {
  const i20 = c20Ah / 20;
  if (!(i20 > 0) || currentA <= i20) return currentA;
  return currentA * (currentA / i20) ** (peukert - 1);
}

/** Part of the capacity left by cold, 0..1: lead-acid loses 0.8 % a degree below 25 degC, iron phosphate 0.4 %. */
export const coldFactor = (chemistry: Chemistry, tempC: number): number =>
  Math.max(0, 1 - (chemistry.leadAcid ? 0.008 : 0.004) * Math.max(0, BATTERY_C - tempC));

/** Charging efficiency at a state of charge: flat up to 80 %, then linear to full. */
export function chargeEfficiency(chemistry: Chemistry, soc: number): number {
  const over = Math.min(1, Math.max(0, (soc - 0.8) / 0.2));
  return chemistry.chargeEffBulk + (chemistry.chargeEffFull - chemistry.chargeEffBulk) * over;
}
