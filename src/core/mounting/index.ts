export { blocksOn, blocksThatStand, fitCount } from './blocks';
export { type Board, boardOf, type OnBoard } from './board';
export { fitOn, type FitLine, placeFor, type Verdict, verdictOf } from './fit';
export { MOUNT_LISTS, type Mounted, mountedOf } from './things';
