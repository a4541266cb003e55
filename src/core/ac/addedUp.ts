/** What may run together as watts to be added up (docs/methods.md, M12): for crowded sources, where few rules of other kinds leave too much out. */
import { bits, exactRules } from './exactRules';
import { countBits, forbidsBy, type Rule } from './fewRules';
import type { AcLimit, Consumer } from './together';

/** One count: of one leg, or of all there is. */
export interface Count {
  readonly leg: 'first' | 'second' | null;
  /** By load, and of all together, W as they count; 0: no matter on this leg. */
  readonly watts: readonly number[];
  readonly most: number;
}

export interface AddedUp {
  /** One; on a split service one of each leg. */
  readonly counts: readonly Count[];
  /** Of what the counts let by and does not fit: a branch's breaker, two of which one may run. */
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

/** How loads are counted, and up to what. */
interface Measure {
  readonly of: (load: Consumer) => number;
  readonly most: number;
}

/**
 * Coarse counts before fine ones: of those that leave enough of the largest sets the one with fewest other rules; where none does, the one
 * that leaves most. null: always more other rules than are kept in mind. @param most other rules. @param enough part of the largest sets
 */
export function addedUp(among: Among, most: number, enough: number): AddedUp | null {
  const measures = measuresOf(among);
  let best = null as AddedUp | null;
  for (const step of STEPS_W) {
    for (const measure of measures)
      for (const rounded of ROUNDED)
        for (const lowered of LOWERED) {
          const sum = counted(among, measure, step, rounded, lowered, best?.allowed ?? 0);
          if (!sum || sum.others.length > most) continue;
          const good = sum.allowed >= enough && best !== null && best.allowed >= enough;
          if (!best || (good ? sum.others.length < best.others.length : sum.allowed > best.allowed)) best = sum;
        }
    if (best && best.allowed >= enough) break;
  }
  return best;
}

const vaOf = ({ watts, powerFactor }: Consumer): number => watts / powerFactor;
const reactive = ({ watts, powerFactor }: Consumer): number => watts * Math.tan(Math.acos(powerFactor));

/** Volt-amperes against what is good for fewest of them; and plain watts where a machine's watts are what it is short of. */
function measuresOf(among: Among): readonly Measure[] {
  const { legs, volts, amps, kva, kw } = among.limit;
  const legVa = amps * volts;
  const inAll = legs === 1 ? legVa : 2 * legVa;
  const va = Math.min(legVa, ...[kva, kw].map((x) => (x === null ? Infinity : (1000 * x * legVa) / inAll)));
  const of = [vaOf, alongOf(among)].map((of): Measure => ({ of, most: va }));
  return kw === null || 1000 * kw > inAll ? of : [...of, { of: (l) => l.watts, most: (1000 * kw * legVa) / inAll }];
}

/** What a load adds to all together: currents out of phase add to less than their sum, so each counts by its part along the sum of all. */
function alongOf({ loads, able }: Among): (load: Consumer) => number {
  const on = bits(able).flatMap((i) => loads[i] ?? []);
  const [p, q] = [on.reduce((sum, l) => sum + l.watts, 0), on.reduce((sum, l) => sum + reactive(l), 0)];
  const s = Math.hypot(p, q) || 1;
  return (l) => (l.watts * p + reactive(l) * q) / s;
}

const LEGS = { 1: [null], 2: ['first', 'second'] } as const;
/** Of what a load draws, the part on a leg. */
const partOn = ({ leg }: Consumer, of: Count['leg']): number => (of === null || leg === of ? 1 : leg === 'both' ? 0.5 : 0);

/** @param least part of the largest sets worth the work. */
function counted(
  { loads, limit, fits, able, largest }: Among,
  { of, most: mostVa }: Measure,
  step: number,
  rounded: (x: number) => number,
  lowered: number,
  least: number,
): AddedUp | null {
  // In whole steps, so that sums are exact.
  const most = Math.floor(mostVa / step + 1e-9) - lowered;
  const onLegs = LEGS[limit.legs].map((leg) => ({
    leg,
    steps: loads.map((l) => (partOn(l, leg) === 0 ? 0 : Math.max(1, rounded((partOn(l, leg) * of(l)) / step - 1e-9)))),
  }));
  const sumOf = (steps: readonly number[], mask: number): number => {
    let sum = 0;
    for (let m = mask; m !== 0; m &= m - 1) sum += steps[31 - Math.clz32(m & -m)] ?? 0;
    return sum;
  };
  const kept = largest.filter((m) => onLegs.every(({ steps }) => sumOf(steps, m) <= most));
  // Other rules only leave fewer.
  if (largest.length > 0 && kept.length / largest.length < least) return null;
  const within = new Uint8Array(1 << loads.length).fill(1);
  for (const { steps } of onLegs) {
    const sums = new Int32Array(within.length);
    for (let m = 1; m < sums.length; m++) {
      const sum = (sums[m & (m - 1)] ?? 0) + (steps[31 - Math.clz32(m & -m)] ?? 0);
      sums[m] = sum;
      if (sum > most) within[m] = 0;
    }
  }
  const slips: number[] = [];
  for (let m = 1; m < within.length; m++)
    if (fits[m] === 0 && within[m] === 1 && (m & ~able) === 0 && bits(m).every((i) => fits[m & ~(1 << i)] === 1)) {
      slips.push(m);
      if (slips.length > MOST_SLIPS || countBits(m) > SLIP_OF) return null;
    }
  const others = exactRules(
    slips.sort((a, b) => countBits(a) - countBits(b)),
    able,
    (m) => fits[m] === 1,
  );
  const left = largest.filter((m) => within[m] === 0 || others.some((r) => forbidsBy(r, m)));
  return {
    counts: onLegs.map(({ leg, steps }) => ({ leg, watts: steps.map((n) => n * step), most: most * step })),
    others,
    left,
    allowed: largest.length === 0 ? 1 : 1 - left.length / largest.length,
  };
}
