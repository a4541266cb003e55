export {
  bankPost,
  barNode,
  caseNode,
  type Ended,
  endName,
  endNode,
  endPlaceId,
  endsOf,
  joinSide,
  leadLengthM,
  panelBar,
  sourcePost,
} from './ends';
export { newRing, ringFrom, ringWords } from './feeds';
export { loadPoint, panelPoint, pathM, placePoint } from './geometry';
export { leadsBetween, loops, loose, paralleled, returnBar, shuntLead } from './graph';
export { circuitOrder, upFrom } from './order';
export { bankOfLoads } from './roots';
export { type Lay, layOf, runOf, sameParts, type Served } from './runs';
