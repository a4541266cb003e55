/** Finding faults for practice: a fault hidden in a path of this boat, readings as a meter would show them, and the program's own way beside (docs/methods.md, M16). */
import type { CircuitResult } from '../circuit';
import { blocksV, type Design, rowOf } from '../design';
import { bankOfLoads } from '../topology';
import { byProgram, hide, type HiddenFault } from './hiddenFault';
import { type Element, pathOf } from './path';
import { type Stretch, stretchesOf } from './stretch';

export interface Exercise {
  readonly circuitId: string;
  readonly load: string;
  /** At the test, A; volts at the bank's posts. */
  readonly amps: number;
  readonly bankV: number;
  readonly path: readonly Element[];
  readonly parts: readonly Stretch[];
  readonly hidden: HiddenFault;
  readonly found: ReadonlySet<string>;
  readonly minutes: number;
}

/** What whoever practises is told at first: nothing of what is wrong. */
export interface Complaint {
  readonly circuitId: string;
  readonly load: string;
  readonly amps: number;
  readonly bankV: number;
  readonly loadV: number;
  readonly expectedV: number;
  readonly faults: number;
  readonly parts: readonly { readonly id: string; readonly what: string; readonly expectedMv: number }[];
}
export interface PracticeReading {
  readonly mv: number;
  readonly expectedMv: number;
  readonly minutes: number;
}
export interface PracticeTold {
  readonly minutes: number;
  readonly right: boolean;
  /** Found so far. */
  readonly found: number;
  /** null: there is more to find, and it was not given up. */
  readonly end: PracticeEnd | null;
}
export interface PracticeEnd {
  readonly bad: readonly { readonly what: string; readonly extraMohm: number; readonly watts: number }[];
  /** The program's own readings of the same path. */
  readonly program: readonly { readonly what: string; readonly mv: number }[];
  readonly programMinutes: number;
  readonly programSays: string;
}

/** Minutes of a reading along a path, and of taking a part apart that was sound. Typical (work minutes: a heavy path's part, a device). */
export const READ_MIN = 6;
export const APART_MIN = 15;

const AIR_C = 20;
const LEAST_PARTS = 4;
const LEAST_A = 1;
/** A charged bank under a small load, of its nominal volts. */
const AT_TEST = 1.03;

const overOf = (elements: readonly Element[], amps: number): number => elements.reduce((n, e) => n + e.mohm, 0) * amps;
const idsOf = (elements: readonly Element[]): string[] => elements.map((e) => e.id);

/** Paths of several parts to a load that draws enough to be read. */
function practicePaths(design: Design, circuits: readonly CircuitResult[]) {
  return circuits.flatMap((r) =>
    r.taps.flatMap((t, tap) => {
      const serves = rowOf(design.circuits, r.id)?.taps[tap]?.serves;
      if (r.workingA < LEAST_A || serves?.kind !== 'load') return [];
      const path = pathOf(design, circuits, r.id, tap, AIR_C);
      return stretchesOf(path).length >= LEAST_PARTS ? [{ circuitId: r.id, loadId: serves.id, load: t.name, amps: r.workingA, path }] : [];
    }),
  );
}

/** @param circuitId null: any. @param seed the same seed hides the same. null: no path is long enough, or draws enough. */
export function beginExercise(
  design: Design,
  circuits: readonly CircuitResult[],
  circuitId: string | null,
  faults: 1 | 2,
  seed: number,
): Exercise | null {
  const all = practicePaths(design, circuits).filter((p) => circuitId === null || p.circuitId === circuitId);
  const chosen = all[seed % Math.max(1, all.length)];
  if (!chosen) return null;
  const { load, amps, path } = chosen;
  const bank = rowOf(design.banks, bankOfLoads(design).get(chosen.loadId));
  const volts = bank ? blocksV(bank) : design.boat.systemV;
  const hidden = hide(path, amps, volts, faults, seed);
  if (!hidden) return null;
  const parts = stretchesOf(path);
  return { circuitId: chosen.circuitId, load, amps, bankV: volts * AT_TEST, path, parts, hidden, found: new Set(), minutes: 0 };
}

export function complaintOf({ circuitId, load, amps, bankV, path, parts, hidden }: Exercise): Complaint {
  const lost = hidden.read(idsOf(path), amps).mv;
  return {
    circuitId,
    load,
    amps,
    bankV,
    // As a meter shows it at two places, one after the other.
    loadV: Math.round((bankV - lost / 1000) * 100) / 100,
    expectedV: bankV - overOf(path, amps) / 1000,
    faults: hidden.bad.length,
    parts: parts.map((p) => ({ id: p.id, what: p.what, expectedMv: overOf(p.elements, amps) })),
  };
}

/** Probes before one part and behind another. null: they are not parts of it in that order. */
export function readOver(x: Exercise, from: string, to: string): { readonly next: Exercise; readonly reading: PracticeReading } | null {
  const [a, b] = [x.parts.findIndex((p) => p.id === from), x.parts.findIndex((p) => p.id === to)];
  if (a < 0 || b < a) return null;
  const over = x.parts.slice(a, b + 1).flatMap((p) => p.elements);
  const next = { ...x, minutes: x.minutes + READ_MIN };
  return { next, reading: { mv: x.hidden.read(idsOf(over), x.amps).mv, expectedMv: overOf(over, x.amps), minutes: next.minutes } };
}

const endOf = ({ path, hidden, amps }: Exercise): PracticeEnd => {
  const program = byProgram(path, hidden, amps);
  return {
    bad: hidden.bad.map(({ what, extraMohm }) => ({ what, extraMohm, watts: (extraMohm / 1000) * amps ** 2 })),
    program: program.readings.map(({ what, reading }) => ({ what, mv: reading.mv })),
    programMinutes: program.readings.length * READ_MIN,
    programSays: program.diagnosis.suspects[0]?.what ?? '',
  };
};

/** A part is said to be bad: what is wrong is told once all of it is found. @param partId null: it is given up, and told. */
export function sayBad(x: Exercise, partId: string | null): { readonly next: Exercise; readonly told: PracticeTold } {
  const right = x.hidden.bad.some((b) => b.id === partId);
  const found = right && partId !== null ? new Set([...x.found, partId]) : x.found;
  const next = { ...x, found, minutes: x.minutes + (right || partId === null ? 0 : APART_MIN) };
  const over = partId === null || found.size === x.hidden.bad.length;
  return { next, told: { minutes: next.minutes, right, found: found.size, end: over ? endOf(x) : null } };
}
