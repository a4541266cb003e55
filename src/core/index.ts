/** The core's public face: one Design in, one Analysis out, and the working behind it. */
export {
  analyse,
  type Analysis,
  autonomyH,
  type Balance,
  createMemory,
  type Growth,
  type GrowthLine,
  type LoadResult,
  type Memory,
} from './analysis';
export type { BatteryCableResult } from './mainSide';
export { type CircuitResult, CRITERIA, type CriterionId, type Ladder, type Rung, type Side, type TapResult } from './circuit';
export { type Appliance, APPLIANCES, type Finding, loadFrom, type Severity } from './design';
export {
  type CountLine,
  type Cut,
  cutList,
  type CutList,
  type Lists,
  listsOf,
  type PanelSchedule,
  type ReelLine,
  type RouteResult,
} from './build';
export { type Proposal, proposeCircuits } from './propose';
export {
  acCircuitWorking,
  acSourceWorking,
  bankWorking,
  circuitWorking,
  COMES_FIRST,
  dayWorking,
  batteryCableWorking,
  loadWorking,
  yieldWorking,
  needWorking,
  type Working,
  type WorkingLine,
} from './working';
