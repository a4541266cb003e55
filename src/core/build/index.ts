export type { Cut } from './cut';
export { type CountLine, cutList, type CutList, type ReelLine } from './cutList';
export { endName } from './ends';
export { type Held, heldBack } from './held';
export { type Lists, listsOf } from './lists';
export type { RouteResult } from './routes';
export { type AcPanelSchedule, acSchedules } from './acSchedules';
export type { PanelSchedule } from './schedules';
