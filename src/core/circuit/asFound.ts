/** A circuit that is kept as it was found: the figures its age, kind and condition leave it (docs/methods.md, "As found"). */
import type { Circuit, Found } from '../design';
import { conditionOf } from '../rules';

/** What is aboard and has not been given up: kept, or not decided yet. */
export const standing = (circuit: Circuit): Found | null =>
  circuit.found && (circuit.found.decision === 'keep' || circuit.found.decision === 'undecided') ? circuit.found : null;

/** Insulation rating taken for a kind of wire, degC: typical, lowest of what is sold. */
const KIND_C: Readonly<Record<Found['kind'], number>> = {
  'tinned strands': 105,
  'bare strands': 75,
  solid: 60,
  household: 60,
  unknown: 60,
};
const AGED_YEARS = 20;
const AGED_C = 75;

/** Rating its insulation is trusted with, degC: the entered one; else typical of the kind, and 75 at most from 20 years on. */
export function foundInsulationC(found: Found): number {
  if (found.insulationC !== null) return found.insulationC;
  const typical = KIND_C[found.kind];
  return found.ageYears !== null && found.ageYears >= AGED_YEARS ? Math.min(AGED_C, typical) : typical;
}

/** Loop resistance its faults add, ohm: measured where entered, else typical of the condition. */
export const foundOhm = (found: Found): number =>
  found.faults.reduce((sum, f) => sum + f.alike * (f.mohm ?? conditionOf(f.kind)?.mohm ?? 0), 0) / 1000;

/**
 * Lengths of the segments, m: the whole run's measured length shared among those not taped, in the proportion of their estimates.
 * @param lengths what would hold without it.
 */
export function foundLengths(found: Found, lengths: readonly { readonly lengthM: number; readonly taped: boolean }[]): number[] {
  if (found.lengthM === null) return lengths.map((l) => l.lengthM);
  const taped = lengths.reduce((sum, l) => sum + (l.taped ? l.lengthM : 0), 0);
  const rest = lengths.reduce((sum, l) => sum + (l.taped ? 0 : l.lengthM), 0);
  const left = Math.max(0.05, found.lengthM - taped);
  return lengths.map((l) => (l.taped || rest === 0 ? l.lengthM : (l.lengthM * left) / rest));
}
