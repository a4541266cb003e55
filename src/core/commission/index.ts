export { curesOf, type PathCure } from './cures';
export { type Band, bandOf, type Limit, type Verdict, verdictOf } from './band';
export { type Element, pathOf } from './path';
export { bandAt, type Conditions, dropBand, type ProbesAt, STAGES, type TestLine, USUAL_CONDITIONS } from './line';
export { testLimits, testSheet } from './sheet';
export { type Diagnosis, diagnose, type NextReading, type Reading, type Suspect } from './diagnose';
export { behind, type Behind } from './causes';
export { readSymptom, type ReadSymptom, SURE_FROM, type SymptomId, SYMPTOMS } from './symptom';
export { aboutOf, type Offer, offersOf, openTests } from './offers';
export { type Stretch, stretchesOf, stretchOf } from './stretch';
export { byProgram, drawn, hide, type HiddenFault, MOST_READINGS } from './hiddenFault';
export {
  beginExercise,
  type Complaint,
  complaintOf,
  type Exercise,
  type PracticeEnd,
  type PracticeReading,
  type PracticeTold,
  readOver,
  sayBad,
} from './exercise';
export { SKETCH_AT_FIRST, SKETCH_KINDS, sketchedPath, type SketchKind, type SketchRow } from './sketch';
export {
  BANK_TROUBLES,
  type BankAsked,
  bankByProgram,
  type BankDiagnosis,
  type BankReading,
  bankScene,
  type BankSuspect,
  type BankTrouble,
  diagnoseBank,
  hideInBank,
} from './bankFaults';
