export type { Neighbour, Working, WorkingLine, WorkingSection } from './types';
export { circuitWorking, COMES_FIRST } from './circuit';
export { bankWorking, dayWorking } from './voyage';
export { acCircuitWorking, acSourceWorking } from './ac';
export { leadWorking } from './lead';
export { loadWorking, madeWorking, needWorking } from './load';
