export { leftOut, type ProposedRow, proposedList, rowsWithout } from './chosen';
export { proposeAc } from './ac';
export { type Proposal, proposeCircuits } from './circuits';
export { PROPOSALS, propose, proposedRows } from './propose';
export { blankBatteryCable, proposeMainSide } from './mainSide';
export { proposeStudies } from './studies';
export { blankSmallLead, proposeSmallLeads, tapFuseA, usualLead } from './smallLeads';
export { bankFor } from './livesOn';
