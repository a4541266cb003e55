export { byCause, everyFinding } from './finding';
export { findingsMemory, type FindingsMemory, findingsOf, studyFindings } from './findingsOf';
export { fitCount } from './fitCount';
export { findingsIn } from './rule';
export { type AcPower, MACHINE_RULES } from './rules/acMachines';
export { noisyAt } from './rules/cleanPower';
export { type CircuitOdds, decided } from './rules/odds';
export { RULE_SET_NAMES, ruleIds, ruleOf, ruleRows } from './table';
