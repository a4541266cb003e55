/** What may run together as watts to be added up (docs/methods.md, M12): for crowded sources, where few rules of other kinds leave too much out. */
import { bits, exactRules } from './exactRules';
import { countBits, forbidsBy, type Rule } from './fewRules';
import type { AcLimit, Consumer } from './together';

export interface AddedUp {
  /** By load, and of all together, W as they count. */
  readonly watts: readonly number[];
  readonly most: number;
  /** Of what the sum lets by and does not fit: a branch's breaker, two of which one may run. */
  readonly others: readonly Rule[];
  /** Largest sets that are left out, and the part of them that is not. */
  readonly left: readonly number[];
  readonly allowed: number;
}

/** Counted in hundreds; where that leaves out too much, in fifties or tens. */
const STEPS_W = [100, 50, 10];
/** Counted up or to the nearest, and against so many steps less. */
const ROUNDED = [Math.ceil, Math.round];
const LOWERED = [0, 1, 2, 3, 4];
/** More sets let by than that, or such of more loads, are no matter of a few rules. */
const MOST_SLIPS = 20;
const SLIP_OF = 3;

interface Among {
  readonly loads: readonly Consumer[];
  readonly limit: AcLimit;
  readonly fits: Uint8Array;
  /** What fits alone, and the largest sets that fit, as bits. */
  readonly able: number;
  readonly largest: readonly number[];
}

/**
 * Of counts that leave enough of the largest sets the one with fewest other rules, coarse before fine; else the one that leaves most.
 * null: two legs, which nobody adds up in the head, or always more other rules than are kept in mind. @param most other rules. @param enough part of the largest sets
 */
export function addedUp(among: Among, most: number, enough: number): AddedUp | null {
  if (among.limit.legs !== 1) return null;
  const ways = [vaOf, alongOf(among)];
  const counts = STEPS_W.flatMap((step) =>
    ways.flatMap((va) => ROUNDED.flatMap((rounded) => LOWERED.map((lowered) => counted(among, va, step, rounded, lowered)))),
  ).filter((sum) => sum !== null && sum.others.length <= most) as AddedUp[];
  const good = counts.filter((sum) => sum.allowed >= enough);
  const better = (a: AddedUp, b: AddedUp) => (good.length > 0 ? b.others.length < a.others.length : b.allowed > a.allowed);
  return (good.length > 0 ? good : counts).reduce<AddedUp | null>((best, sum) => (best && !better(best, sum) ? best : sum), null);
}

const vaOf = ({ watts, powerFactor }: Consumer): number => watts / powerFactor;
const reactive = ({ watts, powerFactor }: Consumer): number => watts * Math.tan(Math.acos(powerFactor));

/** What a load adds to all together: currents out of phase add to less than their sum, so each counts by its part along the sum of all. */
function alongOf({ loads, able }: Among): (load: Consumer) => number {
  const on = bits(able).flatMap((i) => loads[i] ?? []);
  const [p, q] = [on.reduce((sum, l) => sum + l.watts, 0), on.reduce((sum, l) => sum + reactive(l), 0)];
  const s = Math.hypot(p, q) || 1;
  return (l) => (l.watts * p + reactive(l) * q) / s;
}

function counted(
  { loads, limit, fits, able, largest }: Among,
  va: (load: Consumer) => number,
  step: number,
  rounded: (x: number) => number,
  lowered: number,
): AddedUp | null {
  const mostVa = Math.min(limit.amps * limit.volts, ...[limit.kva, limit.kw].map((x) => (x === null ? Infinity : 1000 * x)));
  // In whole steps, so that sums are exact.
  const most = Math.floor(mostVa / step + 1e-9) - lowered;
  const counts = loads.map((l) => Math.max(1, rounded(va(l) / step - 1e-9)));
  const sums = new Int32Array(1 << loads.length);
  for (let m = 1; m < sums.length; m++) sums[m] = (sums[m & (m - 1)] ?? 0) + (counts[31 - Math.clz32(m & -m)] ?? 0);
  const within = (m: number) => (sums[m] ?? 0) <= most;
  const slips: number[] = [];
  for (let m = 1; m < sums.length; m++)
    if (fits[m] === 0 && within(m) && (m & ~able) === 0 && bits(m).every((i) => fits[m & ~(1 << i)] === 1)) {
      slips.push(m);
      if (slips.length > MOST_SLIPS || countBits(m) > SLIP_OF) return null;
    }
  const others = exactRules(
    slips.sort((a, b) => countBits(a) - countBits(b)),
    able,
    (m) => fits[m] === 1,
  );
  const left = largest.filter((m) => !within(m) || others.some((r) => forbidsBy(r, m)));
  return {
    watts: counts.map((n) => n * step),
    most: most * step,
    others,
    left,
    allowed: largest.length === 0 ? 1 : 1 - left.length / largest.length,
  };
}
