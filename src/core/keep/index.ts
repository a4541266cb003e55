export { type Learned, learnedOf } from './learned';
export { addMonths, type Due, serviceItems, servicePlan, thingName } from './service';
export { type BookLine, type Chapter, ownersBook } from './ownersBook';
