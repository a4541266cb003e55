export { type AlarmLine, type Alarms, alarmsOf } from './alarms';
export {
  FALSE_UNDER,
  type GaugeRun,
  type GaugeSet,
  type Measures,
  type Missed,
  runGauge,
  type Series,
  type Synced,
  whyMissed,
} from './gauge';
export { bestOf, better, type Grid, gridOf, gridSize, setWith, type Tried, tryGrid } from './search';
export { clouded, RUN_DAYS, seriesOf } from './series';
export { asSet, gaugeSheet, type GaugeSheet, measuresOf, type SettingLine } from './settings';
export { shuntFigures, type ShuntFigures, SHUNTS_A, type Unseen, unseenOf } from './shunt';
export { voltCard, type VoltLine } from './voltCard';
export { proposeGauges } from './propose';
export { answerOf, type GaugeAnswer, type GaugeCurve, restOf } from './answer';
export { type Beside, type Could, liveAnswer, type LiveAnswer } from './live';
export { METER_FAULTS, meterCsv, meterDay, meterDelta, type MeterFault, type MeterSample } from './meter';
