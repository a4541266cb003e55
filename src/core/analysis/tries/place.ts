/** Ways out of what is found where a thing stands: the nearest places free of what harms there. */
import { type Design, type Place, rowOf, setOp, standsAtItsWork } from '../../design';
import { nearestPlaces } from '../../topology';
import type { Series } from './try';

const LISTS = { source: 'sources', load: 'loads', bank: 'banks', panel: 'panels' } as const;
type Placed = keyof typeof LISTS;
const isPlaced = (kind: string): kind is Placed => kind in LISTS;

/** Places tried, the nearest first. */
const MOST = 4;
const HARMS = ['vapour', 'wet', 'engineSpace'] as const;
/** No worse than where it stands in what may be wrong with a place, and better in something. */
const better = (p: Place, now: Place): boolean => HARMS.every((h) => !p[h] || now[h]) && HARMS.some((h) => now[h] !== p[h]);

/** Moved to the nearest place that is better: one after another, the first that helps counts. */
export function moved(design: Design, { kind, id }: { readonly kind: string; readonly id: string }): Series {
  if (!isPlaced(kind)) return [];
  const load = kind === 'load' ? rowOf(design.loads, id) : undefined;
  if (load && standsAtItsWork(load)) return [];
  const list = LISTS[kind];
  const row = rowOf<{ readonly id: string; readonly placeId: string | null }>(design[list], id);
  return nearestPlaces(design, row?.placeId, better)
    .slice(0, MOST)
    .map((p) => ({ id: `place-${p.id}`, say: `moved to ${p.name.toLowerCase()}`, ops: [setOp(design, [list, id, 'placeId'], p.id)] }));
}
