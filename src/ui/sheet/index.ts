export { Sheet } from './Sheet';
export { opsOf } from './ops';
export type { Change, Column, Tone } from './types';
