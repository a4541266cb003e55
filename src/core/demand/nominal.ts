/** What a load draws at its nominal volts, and while nobody uses it. */
import type { Load } from '../design';

/** Watts of a load at its nominal volts, all its pieces. */
export const nominalW = (load: Load): number => load.quantity * (load.ratingBy === 'W' ? load.rating : load.rating * load.nominalV);

/** Standing draw of a load, A: with quantity; 0 where none is stated. */
export const standingA = (load: Load): number => (load.standbyA ?? 0) * load.quantity;

/** What a load really draws lies within this part of what stands for it, two sigma, by where the figure came from (docs/methods.md, M15). */
export const LOAD_SPREAD = { typical: 0.25, "maker's": 0.1, measured: 0.05, estimated: 0.25, assumed: 0.25 } as const;
