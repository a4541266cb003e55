/** The core's public face: one Design in, one Analysis out, and the working behind it. */
export { analyse, createMemory, type Analysis, type LoadResult, type Memory } from './analysis';
export type { LeadResult } from './mainSide/leads';
export type { CircuitResult, Side, TapResult } from './circuitResult';
export { CRITERIA, type CriterionId, type Ladder, type Rung } from './conductor/ladder';
export type { Finding, Severity } from './check/finding';
export { cutList, type Cut, type CutList, type CountLine, type ReelLine } from './build/cutList';
export { listsOf, type Lists } from './build/lists';
export type { PanelSchedule } from './build/schedules';
export type { RouteResult } from './build/routes';
export { whatIfItGrows, type Growth, type GrowthLine } from './grow';
export { proposeCircuits, type Proposal } from './network/propose';
export { autonomyH, type Balance } from './energy/balance';
export { APPLIANCES, loadFrom, type Appliance } from './library/appliances';
export {
  acCircuitWorking,
  acSourceWorking,
  bankWorking,
  circuitWorking,
  dayWorking,
  leadWorking,
  loadWorking,
  madeWorking,
  needWorking,
  COMES_FIRST,
  type Working,
  type WorkingLine,
} from './working';
