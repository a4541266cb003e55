export { type Demand, type DemandItem, feederDemand, type Surge } from './feederDemand';
export { loadCurrent, type LoadCurrent, type StudyVolts } from './loadCurrent';
export { nominalW, standingA } from './nominal';
export { type DemandRollUp, rollUpDemand, demandItem, demandKey } from './rollUp';
export { cover, spanH, spansOf } from './spans';
export { isCharging, onPart, usualA } from './usual';
