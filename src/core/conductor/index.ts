export { deviationDeg } from './compass';
export { ampacityA, derate, type Derating, rulingPlace, type Surroundings } from './ampacity';
export { constantPower, sweep } from './drop';
export { type Duty, dutyEquivalentA, dutyFraction, type DutyPoint, dutyTrace, timeConstantS } from './duty';
export { conductorOhm, conductorTempC, COPPER_PER_C, thumbCmilMm2, thumbMetricMm2 } from './resistance';
