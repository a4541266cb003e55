export { type BatteryCableMemory, batteryCableResults } from './batteryCables';
export { ledOhm, type Paths, pathsOf, withPaths } from './paths';
export { withPostFaults } from './postFaults';
export { type Landing, MOST_ON_A_STUD, type Post, postInventory } from './posts';
export { startsThrough } from './carries';
export type { BatteryCableResult } from './sizing';
export { POST_FAULT_READS } from './parts';
