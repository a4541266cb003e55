export {
  bestPlan,
  type CutFrom,
  type CutPlan,
  firstPlan,
  type InStore,
  KERF_MM,
  SHORT_MM,
  type Sold,
  type Solve,
  type StockAsked,
  type Wanted,
} from './plan';
export { solverOf } from './highs';
export { type FewerReels, fewerReels, groupsOf, type ReelGroup, type StoreLength } from './groups';
