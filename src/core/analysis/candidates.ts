/** A candidate in the place of the source it may replace: what it would change. */
import { createMemory, type Memory } from './analysis';
import { type Compared, comparedOf } from './compared';
import { applyEdit, type Design, takeCandidate } from '../design';

/** null where it is no candidate. */
export function compareCandidate(design: Design, candidateId: string, memory: Memory = createMemory()): Compared | null {
  const ops = takeCandidate(design, candidateId);
  const edited = ops && applyEdit(design, { ops });
  return edited?.ok ? comparedOf(design, edited.design, memory) : null;
}
