export { type Learned, learnedOf } from './learned';
export { addMonths, type Due, serviceItems, servicePlan, thingName } from './service';
