/** Where things are, and how far a cable has to go between them. */
import type { Design, Load, Panel, Point } from '../design/schema';

/** Path of a cable between two points, m: fore-and-aft + athwart + up-and-down + slack at each end. Estimate; a tape rules. */
export const pathM = (a: Point, b: Point, slackM: number): number =>
  Math.abs(a.x - b.x) + Math.abs(a.y - b.y) + Math.abs(a.z - b.z) + 2 * slackM;

const MIDSHIPS: Point = { x: 0, y: 0, z: 0.5 };

/** Position of a place; amidships when it has none. */
export function placePoint(design: Pick<Design, 'boat' | 'places'>, placeId: string | null): Point {
  const place = design.places.find((p) => p.id === placeId);
  return place?.at ?? { ...MIDSHIPS, x: design.boat.lengthM / 2 };
}

export const loadPoint = (design: Pick<Design, 'boat' | 'places'>, load: Pick<Load, 'at' | 'placeId'>): Point =>
  load.at ?? placePoint(design, load.placeId);

export const panelPoint = (design: Pick<Design, 'boat' | 'places'>, panel: Pick<Panel, 'placeId'>): Point =>
  placePoint(design, panel.placeId);
