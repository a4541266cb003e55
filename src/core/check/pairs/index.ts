/** For every rule a boat that is right, and the one fact that makes it wrong: what tests and `npm run rules` go through. */
import { AC } from './ac';
import { CHARGING, GAUGED } from './charging';
import { CIRCUITS } from './circuits';
import { LATE } from './late';
import { MAIN_SIDE } from './mainSide';
import type { Pair } from './pair';
import { UNKNOWN } from './unknown';
import { WHOLE } from './whole';

export { type Pair, withFact, wrongOf } from './pair';

export const PAIRS: readonly Pair[] = [...UNKNOWN, ...WHOLE, ...CIRCUITS, ...CHARGING, ...GAUGED, ...MAIN_SIDE, ...AC, ...LATE];
