/** Multipliers on the ampacity columns, by school. */
import type { School } from './conductors';

export const DERATING_SOURCE = 'small-craft ampacity correction factors of the school; verify against the edition in force';

const BUNDLE: Readonly<Record<School, readonly (readonly [upTo: number, factor: number])[]>> = {
  awg: [
    [2, 1],
    [3, 0.7],
    [6, 0.6],
    [24, 0.5],
    [Infinity, 0.4],
  ],
  metric: [
    [3, 1],
    [6, 0.7],
    [24, 0.6],
    [Infinity, 0.5],
  ],
};

/** Factor for the number of loaded conductors lying together (a DC pair counts 2). */
export const bundleFactor = (school: School, conductors: number): number => BUNDLE[school].find(([upTo]) => conductors <= upTo)?.[1] ?? 1;

/** Factor in an engine space taken as 50 degC, by insulation rating; null where that insulation is not allowed there. */
export const ENGINE_SPACE: Readonly<Record<School, Readonly<Record<number, number>>>> = {
  awg: { 75: 0.75, 80: 0.78, 90: 0.82, 105: 0.85, 125: 0.89 },
  metric: { 70: 0.75, 85: 0.82, 105: 0.86, 125: 0.89 },
};

/** The awg table gives 0.58 for 60 degC insulation, but such insulation is refused in engine spaces. */
export const MIN_ENGINE_SPACE_RATING_C = 61;

export type Enclosure = 'open' | 'conduit' | 'insulated';

export const ENCLOSURE_FACTOR: Readonly<Record<Enclosure, number>> = { open: 1, conduit: 0.9, insulated: 0.75 };
