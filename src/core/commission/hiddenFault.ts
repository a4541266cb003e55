/** A path as it may really be, with faults that nobody is told of: every element drawn from its spread, a meter with its own error (docs/methods.md, M16). */
import { random } from '../solve';
import { diagnose, type Diagnosis, type Reading } from './diagnose';
import type { Element } from './path';
import { stretchesOf, stretchOf } from './stretch';

/** A fault counts from this part of nominal volts at the load, or from these watts. */
const COUNTS_PART = 0.01;
const COUNTS_W = 1;
/** Up to so many times that. */
const MOST_TIMES = 10;
/** One sigma of a meter: gain, and a digit, mV. */
const GAIN = 0.0025;
const DIGIT_MV = 0.05;
export const MOST_READINGS = 4;

export interface HiddenFault {
  /** Stretches that are bad, in order. */
  readonly bad: readonly { readonly id: string; readonly what: string; readonly extraMohm: number }[];
  /** Millivolts over elements in a row at a current, as a meter shows them. */
  readonly read: (elements: readonly string[], amps: number) => Reading;
}

/** Elements drawn from their spreads, without a fault yet. The same seed gives the same path. */
export function drawn(path: readonly Element[], seed: number) {
  const { normal, even } = random(seed, 23);
  const shared = new Map<string, number>();
  const real = new Map(
    path.map((e) => {
      const z = e.shared === null ? normal() : (shared.get(e.shared) ?? shared.set(e.shared, normal()).get(e.shared) ?? 0);
      return [e.id, Math.max(0, e.mohm + (z > 0 ? (z * e.up) / 2 : (z * e.down) / 2))] as const;
    }),
  );
  const gain = 1 + GAIN * normal();
  return {
    even,
    fault: (id: string, mohm: number) => real.set(id, (real.get(id) ?? 0) + mohm),
    read: (ids: readonly string[], amps: number): Reading => {
      const mv = ids.reduce((n, id) => n + (real.get(id) ?? 0), 0) * amps * gain;
      return { elements: ids, amps, mv: Math.round((mv + normal() * DIGIT_MV) * 10) / 10 };
    },
  };
}

/** One or two faults, each from where it counts to ten times that. null: the path is too short for so many, or nothing flows. */
export function hide(path: readonly Element[], amps: number, nominalV: number, faults: 1 | 2, seed: number): HiddenFault | null {
  const parts = stretchesOf(path);
  if (parts.length < faults + 1 || amps <= 0) return null;
  const { even, fault, read } = drawn(path, seed);
  const least = Math.min((COUNTS_PART * nominalV * 1000) / amps, (COUNTS_W * 1000) / amps ** 2);
  const chosen = new Set<number>();
  while (chosen.size < faults) chosen.add(Math.floor(even() * parts.length));
  const bad = [...chosen]
    .sort((a, b) => a - b)
    .flatMap((at) => {
      const part = parts[at];
      const e = part?.elements[Math.floor(even() * part.elements.length)];
      if (!part || !e) return [];
      const extraMohm = least * (1 + (MOST_TIMES - 1) * even());
      fault(e.id, extraMohm);
      return [{ id: part.id, what: part.what, extraMohm }];
    });
  return { bad, read };
}

/** What the program reads and says by its own choice, from the first reading on: that the load gets too little is all that is known. */
export function byProgram(path: readonly Element[], { read }: Pick<HiddenFault, 'read'>, amps: number) {
  const readings: { readonly what: string; readonly reading: Reading }[] = [];
  const said = (): Diagnosis =>
    diagnose(
      path,
      readings.map((r) => r.reading),
      amps,
    );
  let diagnosis = said();
  while (readings.length < MOST_READINGS && diagnosis.next) {
    readings.push({ what: diagnosis.next.what, reading: read(diagnosis.next.elements, amps) });
    diagnosis = said();
  }
  return { readings, suspects: diagnosis.suspects.map((s) => [...new Set(s.elements.map(stretchOf))]), diagnosis };
}
