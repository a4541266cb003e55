export { besideDays, type DayBeside } from './beside';
export { type Stretch, stretchOf, type StretchPoint } from './stretch';
export { type Learned, learn, type LearnedFigure, type LoadSeen } from './learn';
export { asCsv, type Column, COLUMNS, matchHeads, type Matching, type Measured, ofHeard, type Read, readRows, timeOf } from './series';
