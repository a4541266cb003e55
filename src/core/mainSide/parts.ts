/** What the main side reads of a design: its results are kept while none of it moves (design/reads.ts). */
import type { Design, Part, Reads } from '../design';

/** Whole lists that any battery cable's result goes by. */
export const LEAD_READS = [
  'bars',
  'joins',
  'banks',
  'sources',
  'panels',
  'places',
  'boat',
  'house',
  'engine',
] as const satisfies readonly Part[];
/** Of leads, loads and circuits a cable's result goes by the rows that concern it alone (batteryCables.ts). */
export type LeadParts = Reads<typeof LEAD_READS> & Pick<Design, 'leads' | 'loads' | 'circuits'>;

/** What feeds a fault at the posts. */
export const POST_FAULT_READS = [...LEAD_READS, 'leads'] as const satisfies readonly Part[];
export type PostFaultParts = Reads<typeof POST_FAULT_READS>;
