/** Every list that hands and eyes need beside the cut list, in one. */
import type { CircuitResult } from '../circuit';
import type { Design } from '../design';
import { type AcPanelSchedule, acSchedules } from './acSchedules';
import { type Position, positions } from './positions';
import { type Penetration, penetrations, routeResult, type RouteResult } from './routes';
import { foundLists, type FoundLists, panelSchedule, type PanelSchedule, type SwitchLine, switchSchedule } from './schedules';

export interface Lists {
  readonly panels: readonly PanelSchedule[];
  readonly acPanels: readonly AcPanelSchedule[];
  readonly switches: readonly SwitchLine[];
  readonly positions: readonly Position[];
  readonly routes: readonly RouteResult[];
  readonly penetrations: readonly Penetration[];
  readonly found: FoundLists;
}

export const listsOf = (design: Design, circuits: readonly CircuitResult[]): Lists => ({
  panels: design.panels.map((p) => panelSchedule(design, circuits, p)),
  acPanels: acSchedules(design),
  switches: switchSchedule(design, circuits),
  positions: positions(design),
  routes: design.routes.map((r) => routeResult(design, circuits, r)),
  penetrations: penetrations(design, circuits),
  found: foundLists(design, circuits),
});
