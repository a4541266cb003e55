/** Where things are, and how far a cable has to go between them. */
import { type Along, type Boat, type Design, type Load, type Panel, type Point, rowOf } from '../design';

/** Path of a cable between two points, m: fore-and-aft + athwart + up-and-down + slack at each end. Estimate; a tape rules. */
export const pathM = (a: Point, b: Point, slackM: number): number =>
  Math.abs(a.x - b.x) + Math.abs(a.y - b.y) + Math.abs(a.z - b.z) + 2 * slackM;

/** From here on a place is aloft, m above the waterline. */
const ALOFT_M = 4;
/** Its mast stands within this of it, m. */
const STEP_M = 1.5;

export const isAloft = ({ at }: { readonly at: Point }): boolean => at.z >= ALOFT_M;

/** Where the mast of a place aloft stands: the lowest place right under it; undefined where none is entered. */
export const mastFoot = (places: Design['places'], above: Design['places'][number]): Design['places'][number] | undefined =>
  places
    .filter((p) => !isAloft(p) && Math.hypot(p.at.x - above.at.x, p.at.y - above.at.y) <= STEP_M)
    .sort((a, b) => Math.hypot(a.at.x - above.at.x, a.at.y - above.at.y) - Math.hypot(b.at.x - above.at.x, b.at.y - above.at.y))[0];

const MIDSHIPS: Point = { x: 0, y: 0, z: 0.5 };

/** Position of a place; amidships when it has none. */
export function placePoint(design: Pick<Design, 'boat' | 'places'>, placeId: string | null): Point {
  const place = rowOf(design.places, placeId);
  return place?.at ?? { ...MIDSHIPS, x: design.boat.lengthM / 2 };
}

export const loadPoint = (design: Pick<Design, 'boat' | 'places'>, load: Pick<Load, 'at' | 'placeId'>): Point =>
  load.at ?? placePoint(design, load.placeId);

export const panelPoint = (design: Pick<Design, 'boat' | 'places'>, panel: Pick<Panel, 'placeId'>): Point =>
  placePoint(design, panel.placeId);

/** Where runs along a side lie, as a part of the beam from the centreline; under the sole they lie at the waterline. Typical. */
const SIDE = 0.42;

/**
 * The corners of a run between two points, m: fore and aft, then athwart, then up or down; along a side or under the sole it goes there first,
 * and leaves it abreast of where it ends.
 */
export function corners(boat: Pick<Boat, 'beamM'>, a: Point, b: Point, along: Along): Point[] {
  if (along === 'under the sole') return [a, { ...a, z: 0 }, { x: b.x, y: a.y, z: 0 }, { x: b.x, y: b.y, z: 0 }, b];
  if (along === 'straight') return [a, { ...a, x: b.x }, { ...a, x: b.x, y: b.y }, b];
  const y = (along === 'port side' ? SIDE : -SIDE) * boat.beamM;
  return [a, { ...a, y }, { x: b.x, y, z: a.z }, { x: b.x, y, z: b.z }, b];
}

/** Length of a run by its corners, m, with slack at both ends. Estimate; a tape rules. */
export const runM = (points: readonly Point[], slackM: number): number =>
  points.slice(1).reduce((sum, p, i) => sum + pathM(points[i] ?? p, p, 0), 2 * slackM);
