/** The boat's lines from her figures: a hull that is right in length, beam, draft and freeboard, and only typical in shape. */
import type { Boat } from '@/core/design';

/** Half beam at a station, as a fraction of the greatest: transom 0.72, fullest at 0.42 of the length, fine at the bow. */
export function halfBeam(f: number): number {
  if (f < 0.42) return 0.72 + 0.28 * Math.sin((f / 0.42) * (Math.PI / 2));
  return Math.max(0, Math.cos(((f - 0.42) / 0.58) * (Math.PI / 2))) ** 0.72;
}

/** Sheer height above the waterline: lowest a third forward of the transom, rising to the bow. */
export const sheer = (boat: Boat, f: number): number => boat.freeboardM * (0.86 + 0.42 * (f - 0.33) ** 2);

/** Canoe body below the waterline, m (negative), without the keel. */
export const bottom = (boat: Boat, f: number): number =>
  -boat.draftM * 0.3 * Math.max(0, Math.sin(Math.PI * Math.min(1, Math.max(0, f * 0.92 + 0.06)))) ** 0.8;

const STEPS = 40;
type Point = readonly [number, number];

/** Plan outline, in metres (x forward, y to port). */
export function planOutline(boat: Pick<Boat, 'lengthM' | 'beamM'>): Point[] {
  const side = (sign: 1 | -1) =>
    Array.from({ length: STEPS + 1 }, (_, i): Point => [(boat.lengthM * i) / STEPS, sign * (boat.beamM / 2) * halfBeam(i / STEPS)]);
  return [...side(1), ...side(-1).reverse()];
}

/** Profile outline, in metres (x forward, z up), keel included. */
export function profileOutline(boat: Boat): Point[] {
  const up = Array.from({ length: STEPS + 1 }, (_, i): Point => [(boat.lengthM * i) / STEPS, sheer(boat, i / STEPS)]);
  const down = Array.from({ length: STEPS - 1 }, (_, i): Point => {
    const f = 1 - (i + 2) / STEPS;
    const keel = f > 0.38 && f < 0.58 ? -boat.draftM : bottom(boat, f);
    return [boat.lengthM * f, keel];
  });
  return [...up, ...down];
}
