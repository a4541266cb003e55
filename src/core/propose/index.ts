export { proposeAc } from './ac';
export { type Proposal, proposeCircuits } from './circuits';
export { PROPOSALS, propose, proposedRows } from './propose';
export { blankLead, proposeMainSide } from './mainSide';
export { proposeStudies } from './studies';
