export { readScratch, type ScratchRead, type ScratchReading } from './read';
export { scratch, scratchLoad, type ScratchAnswer, type ScratchResult } from './answer';
export { attachOps } from './attach';
