/** What one source in place of another makes its run or battery cables carry. */
import { type Design, type Source, rowOf } from '../design';
import type { Growth } from './grow';
import { nominalW } from '../demand';

/** Whether a source's output lies on leads of the main side. */
export const isLed = ({ leads }: Pick<Design, 'leads'>, source: Source): boolean =>
  leads.some((l) => l.rail === 'positive' && [l.from, l.to].some((e) => e.kind === 'source' && e.id === source.id));

/** How much more the run or the leads of the one would have to carry with the other in its place; null where it is on neither or carries no more. */
export function swapGrowth(design: Design, was: Source, becomes: Source): Growth | null {
  const row = rowOf(design.loads, was.loadId);
  if (row && row.rating > 0) {
    const nominalA = nominalW(row) / row.nominalV;
    return becomes.ratedA > nominalA ? { load: { id: row.id, by: becomes.ratedA / nominalA } } : null;
  }
  return isLed(design, was) && becomes.ratedA > was.ratedA && was.ratedA > 0
    ? { source: { id: was.id, by: becomes.ratedA / was.ratedA, ...(becomes.id === was.id ? {} : { without: becomes.id }) } }
    : null;
}
