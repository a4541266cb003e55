/** A path as it really is: every element drawn from its spread, a meter with its own error; faults put in; and what is found in four readings. */
import { diagnose, type Element, type Reading } from '@/core/commission';
import { random } from '@/core/solve';

/** What a fault counts as from: a part of nominal volts at the load, or watts. */
const COUNTS_PART = 0.01;
const COUNTS_W = 1;
export const MOST_READINGS = 4;

export function truthOf(elements: readonly Element[], seed: number) {
  const { normal, even: evenly } = random(seed, 23);
  const shared = new Map<string, number>();
  const real = new Map(
    elements.map((e) => {
      const z = e.shared === null ? normal() : (shared.get(e.shared) ?? shared.set(e.shared, normal()).get(e.shared) ?? 0);
      return [e.id, Math.max(0, e.mohm + (z > 0 ? (z * e.up) / 2 : (z * e.down) / 2))] as const;
    }),
  );
  const gain = 1 + 0.0025 * normal();
  return {
    evenly,
    fault: (id: string, mohm: number) => real.set(id, (real.get(id) ?? 0) + mohm),
    read: (ids: readonly string[], amps: number): Reading => {
      const mv = ids.reduce((n, id) => n + (real.get(id) ?? 0), 0) * amps * gain;
      return { elements: ids, amps, mv: Math.round(mv * 10 + normal() * 0.5) / 10 };
    },
  };
}

/** What no probe parts counts as one: a cable and its own two ends. */
export const unit = (id: string): string => id.replace(/j$/, '');

export interface Tried {
  readonly bad: readonly string[];
  /** Elements of the suspects, the first first, as units. */
  readonly said: readonly string[];
  readonly readings: number;
}

/**
 * One or two faults on a path, each from where it counts to ten times that, and what the program says after its own choice of readings; null: the
 * path is too short for so many.
 */
export function tried(path: readonly Element[], amps: number, nominalV: number, faults: 1 | 2, seed: number): Tried | null {
  const units = [...new Set(path.map((e) => unit(e.id)))];
  if (units.length < faults + 1) return null;
  const truth = truthOf(path, seed);
  const least = Math.min((COUNTS_PART * nominalV * 1000) / amps, (COUNTS_W * 1000) / amps ** 2);
  const bad = new Set<string>();
  while (bad.size < faults) bad.add(units[Math.floor(truth.evenly() * units.length)] ?? '');
  for (const u of bad) {
    const own = path.filter((e) => unit(e.id) === u);
    const e = own[Math.floor(truth.evenly() * own.length)];
    if (e) truth.fault(e.id, least * (1 + 9 * truth.evenly()));
  }
  // That the load gets too little is known: where to measure first is the program's choice too.
  const readings: Reading[] = [];
  let said = diagnose(path, readings, amps);
  while (readings.length < MOST_READINGS && said.next) {
    readings.push(truth.read(said.next.elements, amps));
    said = diagnose(path, readings, amps);
  }
  return {
    bad: [...bad].sort(),
    said: said.suspects.map((s) => [...new Set(s.elements.map(unit))].sort().join(' ')),
    readings: readings.length,
  };
}

/** The single fault is the first suspect. */
export const firstIs = (t: Tried): boolean => t.said[0] === t.bad.join(' ');
/** Both of two are in the first three suspects. */
export const bothWithin = (t: Tried): boolean => {
  const named = new Set(t.said.slice(0, 3).flatMap((s) => s.split(' ')));
  return t.bad.every((b) => named.has(b));
};
