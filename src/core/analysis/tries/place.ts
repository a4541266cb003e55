/** Ways out of what is found where a thing stands: the nearest places free of what harms there. */
import { type Design, type Place, rowOf, setOp } from '../../design';
import { pathM, placePoint } from '../../topology';
import type { Series } from './try';

const LISTS = { source: 'sources', load: 'loads', bank: 'banks', panel: 'panels' } as const;
type Placed = keyof typeof LISTS;
const isPlaced = (kind: string): kind is Placed => kind in LISTS;

/** Places tried, the nearest first. */
const MOST = 4;
/** No worse than where it stands in what may be wrong with a place, and better in something. */
const better = (now: Place, p: Place): boolean =>
  (!p.vapour || now.vapour) &&
  (!p.wet || now.wet) &&
  (!p.engineSpace || now.engineSpace) &&
  (now.vapour !== p.vapour || now.wet !== p.wet || now.engineSpace !== p.engineSpace);

/** Moved to the nearest place that is better: one after another, the first that helps counts. */
export function moved(design: Design, about: { readonly kind: string; readonly id: string }): Series {
  const { kind, id } = about;
  if (!isPlaced(kind)) return [];
  const list = LISTS[kind];
  const now = rowOf(design.places, rowOf<{ readonly id: string; readonly placeId: string | null }>(design[list], id)?.placeId);
  if (!now) return [];
  const from = placePoint(design, now.id);
  return design.places
    .filter((p) => p.id !== now.id && better(now, p))
    .map((p) => ({ p, m: pathM(from, placePoint(design, p.id), 0) }))
    .sort((a, b) => a.m - b.m)
    .slice(0, MOST)
    .map(({ p }) => ({ id: `place-${p.id}`, say: `moved to ${p.name.toLowerCase()}`, ops: [setOp(design, [list, id, 'placeId'], p.id)] }));
}
