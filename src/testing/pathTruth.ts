/** Faults hidden in a path, and whether the program's own four readings find them. */
import { byProgram, type Element, hide } from '@/core/commission';

export interface Tried {
  readonly bad: readonly string[];
  /** Stretches of the suspects, the first first. */
  readonly said: readonly string[];
  readonly readings: number;
}

/** One or two faults on a path, and what the program says after its own choice of readings; null: the path is too short for so many. */
export function tried(path: readonly Element[], amps: number, nominalV: number, faults: 1 | 2, seed: number): Tried | null {
  const hidden = hide(path, amps, nominalV, faults, seed);
  if (!hidden) return null;
  const { readings, suspects } = byProgram(path, hidden, amps);
  return { bad: hidden.bad.map((b) => b.id).sort(), said: suspects.map((s) => [...s].sort().join(' ')), readings: readings.length };
}

/** The single fault is the first suspect. */
export const firstIs = (t: Tried): boolean => t.said[0] === t.bad.join(' ');
/** Both of two are in the first three suspects. */
export const bothWithin = (t: Tried): boolean => {
  const named = new Set(t.said.slice(0, 3).flatMap((s) => s.split(' ')));
  return t.bad.every((b) => named.has(b));
};
