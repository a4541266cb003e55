export { type Learned, learnedOf } from './learned';
export { addMonths, type Due, serviceItems, servicePlan, thingName } from './service';
export { type BookLine, type Chapter, ownersBook } from './ownersBook';
export { type Limits, MEASURED_KINDS, MEASURED_UNIT, type MeasuredKind, OPENED, type Trend, trendFindings, trendsOf } from './trends';
export { type Clock, clockOf } from './clock';
export { type BoatDue, cardAsLearned, type EquipmentLearned, type FirmBoat, type FirmPart, type FirmSum, firmSum, partOf } from './firm';
