/** Blocks of cells, out to the clipboard and in from it. */
export { toBlock } from '@/core/format';
export { layBlock } from './paste';
