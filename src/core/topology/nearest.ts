/** Places by how far a cable to them is. */
import { type Design, type Place, rowOf } from '../design';
import { pathM, placePoint } from './geometry';

/** Places that suit, the nearest to a place first; none where the place is not known. */
export function nearestPlaces(
  design: Pick<Design, 'boat' | 'places'>,
  placeId: string | null | undefined,
  suits: (place: Place, now: Place) => boolean,
): readonly Place[] {
  const now = rowOf(design.places, placeId);
  if (!now) return [];
  const from = placePoint(design, now.id);
  return design.places
    .filter((p) => p.id !== now.id && suits(p, now))
    .map((p) => ({ p, m: pathM(from, placePoint(design, p.id), 0) }))
    .sort((a, b) => a.m - b.m)
    .map(({ p }) => p);
}
