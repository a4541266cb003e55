/** What each set of rules can read of a design: its findings are kept while none of it moves. */
import type { Part, Reads } from '../../design';

export const DESIGN_READS = [
  'banks',
  'loads',
  'panels',
  'places',
  'boat',
  'sources',
  'joins',
  'leads',
  'circuits',
  'house',
  'engine',
  'bars',
  'acPanels',
  'acSources',
  'acLoads',
  'acCircuits',
  'gauges',
  'mounts',
] as const satisfies readonly Part[];
export type DesignParts = Reads<typeof DESIGN_READS>;

/** What rules on how equipment stands and is mounted read: no circuit, no load. */
export const EQUIPMENT_READS = [
  'banks',
  'sources',
  'panels',
  'bars',
  'acPanels',
  'acSources',
  'acCircuits',
  'gauges',
  'mounts',
  'places',
  'boat',
] as const satisfies readonly Part[];
export interface EquipmentFacts {
  readonly design: Reads<typeof EQUIPMENT_READS>;
}

export const CHARGING_READS = [
  'banks',
  'sources',
  'joins',
  'living',
  'cruises',
  'engine',
  'places',
  'panels',
  'boat',
  'house',
  'smallLeads',
  'gauges',
] as const satisfies readonly Part[];
export type ChargingParts = Reads<typeof CHARGING_READS>;

export const MAIN_SIDE_READS = [
  'leads',
  'bars',
  'banks',
  'panels',
  'joins',
  'sources',
  'engine',
  'loads',
  'circuits',
  'boat',
  'house',
] as const satisfies readonly Part[];
export type MainSideParts = Reads<typeof MAIN_SIDE_READS>;
