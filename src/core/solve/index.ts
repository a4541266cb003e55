export { type Collapse, type Flow, flowOf, prepare, type Prepared } from './flow';
export { leastOnTree, type Last, type Part, type Trunk, type TrunkSize } from './leastOnTree';
export type { NetBranch, NetLoad, NetRefusal, Network } from './network';
export { type Edge, type Ring, ringsIn } from './rings';
export { shortsOf } from './shorts';
export { random, type Random } from './random';
export { atOnce, inTurns, type Steps } from './steps';
