export { deviceEnd, endsTooSmall, type EndTooSmall, negativeEnd, tapEnd } from './ends';
export { foundInsulationC, foundOhm } from './asFound';
export { type AtHour, type Gathered, lostBefore } from './circuitInput';
export {
  analyseAgain,
  analyseCircuit,
  type CircuitResult,
  otherSchool,
  pathOhm,
  type Side,
  type TapResult,
  type WorkedCircuit,
} from './circuitResult';
export { type CircuitTrial, circuitTrial, dropAt, heatAt, type StillTrial } from './trial';
export {
  CRITERIA,
  type CriterionId,
  type Ladder,
  ladder,
  neighbours,
  protects,
  type Rung,
  type State,
  type StillState,
  stateAt,
} from './ladder';
export { marginsOf } from './margins';
export { type VoltsLost, voltsLost, type VoltsShare } from './shares';
export { type Behind, behindAt, branchNeeds, feederSizes, lostBeforeWay, sizeFixed, type SizeNeed } from './needs';
export { makerAreaMm2, runToTapM } from './minimums';
export { devicesOnPath, type PathDevice, selectivityText } from './path';
export { largestFaultA, NOWHERE, smallestFaultA, type Upstream } from './upstream';
export { type Odds, oddsOf, type Unknown } from './odds';
