export * from './schema';
export * from './bankSheet';
export { BAR_KINDS, END_KINDS, RAILS } from './mainSide';
export { STUDY_USES, type StudyUse } from './study';
export * from './blank';
export * from './ac';
export * from './blankAc';
export * from './blankCharging';
export * from './charging';
export { BOUNDS } from './bounds';
export { readDesign, readDesignText, brokenReferences, type ReadProblem, type ReadResult } from './read';
export {
  EditSchema,
  applyEdit,
  inverseOps,
  valueAt,
  setOp,
  addOp,
  dropOp,
  dropOps,
  type ApplyResult,
  type Conflict,
  type Edit,
  type Op,
} from './edit';
export { equal, share } from './share';
export { deltaOf, withDelta, type Delta } from './delta';
export { asDecided, asFoundDesign } from './decided';
export { addOptionOps, asOption, onTable, partsOf, switchOps } from './options';
export * from './operations';
export type { BoatSummary } from './summary';
