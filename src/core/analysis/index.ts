export { analyse, type Analysis, createMemory, type LoadResult, type Memory, workedCircuit, workedPath } from './analysis';
export { autonomyH, type Balance, type Need } from './balance';
export { cured, type Cured, cureOf } from './cured';
export { analysisDelta, type AnalysisDelta, withAnalysisDelta } from './delta';
export { type Growth, type GrowthLine, whatIfItGrows } from './grow';
export { type Remedy, remediesOf, searchable } from './remedies';
export { studied, type Studied } from './studied';
export { isLed, swapGrowth } from './swapGrowth';
export { chosenTogether, type SizeChange, type Together } from './together';
