export { acCircuitWorking, acSourceWorking } from './ac';
export { circuitWorking, COMES_FIRST } from './circuit';
export { leadWorking } from './lead';
export { loadWorking, madeWorking, needWorking } from './load';
export { sizingLines } from './sizing';
export type { Working, WorkingLine } from './types';
export { bankWorking, dayWorking } from './voyage';
