export { bestFirst, type Candidate, moveOps, type RunThere, WORTH_MIN } from './candidate';
export { candidatesOf, rankPlaces } from './rank';
