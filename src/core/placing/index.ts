export { bestFirst, type Candidate, moveOps, type RunThere, type ScorePart, WORTH_MIN } from './candidate';
export { candidatesOf, designThere, rankPlaces } from './rank';
