/** A cure several rules share: the thing moved to the nearest place free of what harms it. */
import { type Design, type Finding, type Op, type Place, rowOf, setOp, standsAtItsWork } from '../../design';
import { nearestPlaces } from '../../topology';

const LISTS = {
  source: 'sources',
  load: 'loads',
  bank: 'banks',
  panel: 'panels',
  bar: 'bars',
  'AC source': 'acSources',
  'AC panel': 'acPanels',
} as const;

/** Dry, cool and without petrol vapour. */
export const sound = (p: Place): boolean => !p.vapour && !p.wet && !p.drips && !p.engineSpace;

/**
 * The thing of a finding moved to the nearest place that suits; null where there is none, it has no place, or it stands where its work is. A
 * generator is not moved either: its exhaust and its noise decide where it may run.
 */
export const elsewhere =
  (suits: (place: Place) => boolean = sound) =>
  (design: Design, { about }: Pick<Finding, 'about'>): readonly Op[] | null => {
    if (!(about.kind in LISTS)) return null;
    const load = about.kind === 'load' ? rowOf(design.loads, about.id) : undefined;
    if (load && standsAtItsWork(load)) return null;
    if (about.kind === 'AC source' && rowOf(design.acSources, about.id)?.kind === 'generator') return null;
    const list = LISTS[about.kind as keyof typeof LISTS];
    const row = rowOf<{ readonly id: string; readonly placeId: string | null }>(design[list], about.id);
    const [to] = nearestPlaces(design, row?.placeId, suits);
    return to ? [setOp(design, [list, about.id, 'placeId'], to.id)] : null;
  };
