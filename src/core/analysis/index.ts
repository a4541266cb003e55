export { analyse, type Analysis, createMemory, type LoadResult, type Memory, workedCircuit } from './analysis';
export { autonomyH, type Balance, type Need } from './balance';
export { cured, type Cured, cureOf } from './cured';
export { analysisDelta, type AnalysisDelta, withAnalysisDelta } from './delta';
export { type Growth, type GrowthLine, whatIfItGrows } from './grow';
export { studied, type Studied } from './studied';
export { isLed, swapGrowth } from './swapGrowth';
export { chosenTogether } from './together';
