export { type Band, bandOf, type Limit, type Verdict, verdictOf } from './band';
export { type Element, pathOf } from './path';
export { bandAt, type Conditions, dropBand, STAGES, type TestLine, testSheet, USUAL_CONDITIONS } from './sheet';
export { type Diagnosis, diagnose, type NextReading, type Reading, type Suspect } from './diagnose';
