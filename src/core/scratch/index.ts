export { attachOps } from './attach';
export { scratch, type ScratchResult } from './answer';
export { type Line, LineSchema } from './line';
