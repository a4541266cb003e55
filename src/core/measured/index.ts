export { besideDays, type DayBeside } from './beside';
export { type Residual, residuals } from './residuals';
export { type Stretch, stretchOf, type StretchPoint } from './stretch';
export type { LearnedFigure } from './figure';
export { type Learned, learn, type LoadSeen } from './learn';
export {
  asCsv,
  type Column,
  COLUMNS,
  type Further,
  matchHeads,
  type Matching,
  type Measured,
  ofHeard,
  type Read,
  readRows,
  timeOf,
} from './series';
