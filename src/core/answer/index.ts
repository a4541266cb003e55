/** What the program answers to other programs: the same figures and findings as on its screens. */
export { analysisAnswer, type AnalysisAnswer } from './analyse';
export { nameOf } from './names';
export { scratchAnswer } from './scratch';
export * from './schemas';
