export { fromBlock, harmless, restored, toBlock, toCsv } from './csv';
