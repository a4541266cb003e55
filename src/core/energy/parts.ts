/** What the time loop's scene reads of a design: what comes of it is kept while none of it moves (design/reads.ts). */
import { AC_SUPPLY_READS } from '../ac';
import type { Part, Reads } from '../design';

/** Of banks and sources, and of how she lives. */
export const STILL_READS = [...AC_SUPPLY_READS, 'joins', 'living', 'engine'] as const satisfies readonly Part[];
/** Of what draws from them as well. */
export const SCENE_READS = [...STILL_READS, 'loads', 'circuits'] as const satisfies readonly Part[];
export type SceneParts = Reads<typeof SCENE_READS>;
