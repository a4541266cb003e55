/** What is tried against a finding. */
import type { Op } from '../../design';

export interface Try {
  readonly id: string;
  readonly say: string;
  readonly ops: readonly (Op | undefined)[];
}

/** One at a time, the first that helps counts: what is heavier than needed is no remedy of its own. */
export type Series = readonly Try[];
