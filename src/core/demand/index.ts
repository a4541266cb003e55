export { type Demand, type DemandItem, feederDemand, type Surge } from './feederDemand';
export { loadCurrent, type LoadCurrent } from './loadCurrent';
export { studyVolts, type StudyVolts } from './studyVolts';
export { LOAD_SPREAD, nominalW, standingA } from './nominal';
export { type DemandRollUp, demandItem, loadDemand, type LoadDemand, rollUpDemand } from './rollUp';
export { cover, spanH, spansOf } from './spans';
export { forSafety, isCharging, type Usual, usualA, usualBy } from './usual';
export { dayHours, type DayHour, inUseBy } from './hours';
export { hoursOf, inUse, inUseAt, type InUse, windowOf } from './windows';
