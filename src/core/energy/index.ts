export { type Enough, enoughOf, MOST_TIMES, withMoreTimes } from './enough';
export { AS_ENTERED } from './books';
export { compareDesigns, type CompareLine } from './compare';
export { cruise, cruiseOf, type CruiseResult, cruiseVerdict, runDays } from './cruise';
export { dayAh, standsBy } from './draws';
export { type BankDay, eachBank } from './eachBank';
export { type Fill, fillTimes } from './fill';
export { finishing, type School } from './finish';
export {
  type BankSide,
  compareTies,
  type TieConsequence,
  joinedBy,
  type TiePart,
  type TieWay,
  partsOfWay,
  type WrongPosition,
  wrongPositions,
} from './tieWays';
export { createLoop } from './loop';
export { type DayYield, yieldMemory, type YieldMemory } from './dayYield';

export { crankIndex, houseIndex, sceneOf } from './scene';
export {
  type Chance,
  MORE,
  type More,
  QUANTILES,
  type SeasonAsked,
  type SeasonBlock,
  seasonBlock,
  type SeasonResult,
  seasonResult,
  seasonScene,
  type SeasonScene,
  withMore,
} from './season';
export { limitsOf } from './sources';
