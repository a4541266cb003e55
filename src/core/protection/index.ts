export { adiabaticK, finalTempC, withstandS } from './adiabatic';
export { type CurveSample, curveSamples, selectivity, type Selectivity } from './coordination';
export { carries, fusingMultiple, openingTime, slowestOpeningS } from './curve';
