export { type BusBar, busBars, busName, busPart } from './busBars';
export { type CaseFault, caseFaults } from './caseFaults';
export { type GensetStart, gensetStart } from './gensetStart';
export { type GeneratorAnswer, generatorAnswers } from './genset';
export { bearsVa, type InverterAnswer, inverterAnswers } from './inverter';
export { runStudy, type StudyAnswer, type StudyLoad } from './study';
export { type Act, after, atRest, type BenchAnswer, type Consequence, consequencesOf, type Standing, standingAnswer } from './switching';
export { type Worst, type WorstLoad, worstOfStudies } from './worst';
export { type WarmEnd, type WarmRun, type Warmth, warmthOf } from './warmth';
