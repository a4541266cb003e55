/** What a load draws at its nominal volts, and while nobody uses it. */
import type { Load } from '../design';

/** Watts of a load at its nominal volts, all its pieces. */
export const nominalW = (load: Load): number => load.quantity * (load.ratingBy === 'W' ? load.rating : load.rating * load.nominalV);

/** Standing draw of a load, A: with quantity; 0 where none is stated. */
export const standingA = (load: Load): number => (load.standbyA ?? 0) * load.quantity;
