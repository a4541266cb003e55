export { acFor, appliancesA, dayLoads, hostOf, restW } from './budget';
export { type AcCircuitResult, acCircuits, cordOhm, cordPct, type Core } from './circuits';
export { chainsTo, outletA } from './runs';
export { consumerOf, loose, rowsOn, vaOf, wattsOf } from './consumers';
export { withBreakers } from './breakers';
export { type EarthRun, earthRun } from './earthRuns';
export { DIP_MOTORS_ONLY, DIP_WITH_LIGHTS, type MotorStart, startDip, startOrder, TYPICAL_XD } from './generator';
export { type Headroom, headroomOf } from './headroom';
export { ISOLATION_CAUTION, isolationSteps } from './isolation';
export { type OwnerRule, type OwnerRules, ownerRules } from './ownerRules';
export { type PlacardLine, placardLines } from './placard';
export { consumersOn, type Running, runningOf, runningOn } from './running';
export {
  ASSUMED_PEDESTAL_OHM,
  continuousPart,
  INTERRUPTS,
  INTERRUPTS_AT_LEAST,
  inverterVa,
  SERVICES,
  type Setting,
  settingsOf,
  sourceOhm,
  TRANSFORMER_UK,
  transformerOhm,
  wholeInverter,
} from './services';
export { type BreakerStart, type RunStarts, startsBehind } from './starts';
export { type AcState, bondsRight, MOST_STATES, type Origin, statesOf } from './states';
export { type AcLimit, type BreakerLimit, type Consumer, fits, largestSets, type Loaded, loadedOf, opens } from './together';
export { AC_READS, type AcParts, AC_SUPPLY_READS, type AcSupplyParts } from './parts';
