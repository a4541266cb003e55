export {
  bankPost,
  barNode,
  caseNode,
  type Ended,
  endName,
  endNode,
  endPlaceId,
  endsOf,
  leadStretchesOf,
  tieSide,
  batteryCableLengthM,
  panelBar,
  sourcePost,
} from './ends';
export { newRing, ringFrom, ringWords } from './feeds';
export { isAloft, loadPoint, mastFoot, panelPoint, pathM, placePoint } from './geometry';
export { nearestPlaces } from './nearest';
export { batteryCablesBetween, loops, loose, paralleled, returnBar, shuntCable, together } from './graph';
export { circuitOrder, upFrom } from './order';
export { bankOfLoads } from './roots';
export { type RunGeometry, runGeometry, runOf, sameParts, type Served, stretchesOf } from './runs';
export { servingOf, startKey } from './serving';
