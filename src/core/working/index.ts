export { acCircuitWorking, acSourceWorking } from './ac';
export { circuitWorking, COMES_FIRST } from './circuit';
export { batteryCableWorking } from './batteryCable';
export { loadWorking, yieldWorking, needWorking } from './load';
export { sizingLines } from './sizing';
export type { Working, WorkingLine } from './types';
export { bankWorking, dayWorking } from './voyage';
