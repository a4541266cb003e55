/** What the AC side reads of a design: what comes of it is kept while none of it moves (design/reads.ts). */
import type { Part, Reads } from '../design';

/** What is behind which source, and what it takes. */
export const AC_SUPPLY_READS = [
  'banks',
  'acRules',
  'acSources',
  'acPanels',
  'acLoads',
  'acCircuits',
  'boat',
  'places',
  'sources',
] as const satisfies readonly Part[];
export type AcSupplyParts = Reads<typeof AC_SUPPLY_READS>;

/** The same with how its runs are laid and where its earths go. */
export const AC_READS = [...AC_SUPPLY_READS, 'house', 'bars', 'leads'] as const satisfies readonly Part[];
export type AcParts = Reads<typeof AC_READS>;

/** What a day's loads are made of, AC appliances on their inverter's bank. */
export const DAY_LOAD_READS = [...AC_SUPPLY_READS, 'living', 'loads'] as const satisfies readonly Part[];
export type DayLoadParts = Reads<typeof DAY_LOAD_READS>;
