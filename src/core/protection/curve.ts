/** Time to open of a protective device at a current (docs/methods.md, M5 and M8). */
import type { CurvePoint, Family } from '../rules';

export interface OpeningTime {
  /** Quickest, s; null: the current is below the curve, it carries it. */
  readonly fastestS: number | null;
  /** Slowest, s; null: it may never open. */
  readonly slowestS: number | null;
}

const logInterpolate = (x: number, x0: number, y0: number, x1: number, y1: number): number =>
  Math.exp(Math.log(y0) + ((Math.log(y1) - Math.log(y0)) * (Math.log(x) - Math.log(x0))) / (Math.log(x1) - Math.log(x0)));

/** Beyond the last point a fuse keeps I2t, a breaker keeps its time. */
function beyond(last: CurvePoint, time: number, multiple: number, fuse: boolean): number {
  return fuse ? time * (last.multiple / multiple) ** 2 : time;
}

/** Opening time at a multiple of the rating, log-log between the family's points. */
export function openingTime(family: Pick<Family, 'curve' | 'kind'>, multiple: number): OpeningTime {
  const { curve } = family;
  const last = curve[curve.length - 1];
  if (!last || !(multiple > 0)) return { fastestS: null, slowestS: null };
  const fuse = family.kind === 'fuse';
  if (multiple >= last.multiple) {
    return {
      fastestS: beyond(last, last.fastestS, multiple, fuse),
      slowestS: last.slowestS === null ? null : beyond(last, last.slowestS, multiple, fuse),
    };
  }
  const at = curve.findIndex((p) => p.multiple > multiple);
  const a = curve[at - 1];
  const b = curve[at];
  if (!a || !b) return { fastestS: null, slowestS: null };
  const fastestS = logInterpolate(multiple, a.multiple, a.fastestS, b.multiple, b.fastestS);
  const slowestS =
    a.slowestS === null || b.slowestS === null ? null : logInterpolate(multiple, a.multiple, a.slowestS, b.multiple, b.slowestS);
  // At a point itself its own slowest time holds even where the span below has none.
  return { fastestS, slowestS: multiple === a.multiple ? a.slowestS : slowestS };
}

/** Slowest time, s, a device of that rating takes to open at a current; Infinity when it may never open. */
export const slowestOpeningS = (family: Family, ratingA: number, currentA: number): number =>
  openingTime(family, currentA / ratingA).slowestS ?? Infinity;

/** Whether the quickest device of that rating still carries the current for that long. */
export function carries(family: Family, ratingA: number, currentA: number, forS: number): boolean {
  const { fastestS } = openingTime(family, currentA / ratingA);
  return fastestS === null || fastestS >= forS;
}

/** Conventional fusing current as a multiple of rating: the first point where it must open. */
export const fusingMultiple = (family: Family): number => family.curve.find((p) => p.slowestS !== null)?.multiple ?? Infinity;
