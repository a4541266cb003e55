/** What may run together on an AC source: every largest set that fits, and in which order to drop or turn down (docs/methods.md, M12). */

/** A consumer, or the charger. Watts and vars add; vars are taken as lagging, so that a set with one load less always fits. */
export interface Consumer {
  readonly id: string;
  readonly watts: number;
  /** 0 < powerFactor <= 1. */
  readonly powerFactor: number;
  /** Runs for more than three hours. */
  readonly continuous: boolean;
  /** both: between the two legs of a split service, half on each. */
  readonly leg: 'first' | 'second' | 'both';
  /** Of loads with the same word only one may run. */
  readonly notWith: string | null;
  /** The higher, the longer it is kept. */
  readonly keep: number;
}

export interface AcLimit {
  readonly legs: 1 | 2;
  /** Of one leg, V. */
  readonly volts: number;
  /** Breaker of each leg, A. */
  readonly amps: number;
  /** Part of the breaker continuous loads may take together. */
  readonly continuousPart: number;
  /** A generator's or inverter's own limits over all legs; null: none. */
  readonly kw: number | null;
  readonly kva: number | null;
}

export interface Refusal {
  readonly id: string;
  readonly why: string;
}

/** What cannot be calculated, by load; '' for the source. Empty where all is well. */
export function refusalsOf(loads: readonly Consumer[], limit: AcLimit): Refusal[] {
  const out: Refusal[] = [];
  const say = (id: string, why: string) => out.push({ id, why });
  if (!(limit.volts > 0)) say('', 'a source has volts above 0');
  if (!(limit.amps >= 0)) say('', 'a breaker has 0 A or more');
  if (!(limit.continuousPart > 0 && limit.continuousPart <= 1)) say('', 'the continuous part is above 0 and at most 1');
  for (const l of loads) {
    if (!(l.watts >= 0)) say(l.id, 'a load draws 0 W or more');
    if (!(l.powerFactor > 0 && l.powerFactor <= 1)) say(l.id, 'a power factor is above 0 and at most 1');
    if (limit.legs === 1 && l.leg !== 'first') say(l.id, 'a service of one leg has no second');
  }
  return out;
}

/** Sums of a set: watts and vars, of all and of what is continuous, on each leg. */
const P1 = 0;
const Q1 = 1;
const P2 = 2;
const Q2 = 3;
const CONTINUOUS = 4;
const SUMS = 8;

function partsOf(l: Consumer): number[] {
  const q = l.watts * Math.tan(Math.acos(l.powerFactor));
  const [a, b] = l.leg === 'both' ? [0.5, 0.5] : l.leg === 'first' ? [1, 0] : [0, 1];
  const own = [a * l.watts, a * q, b * l.watts, b * q];
  return [...own, ...(l.continuous ? own : [0, 0, 0, 0])];
}

/** Against rounding: what is asked for to the last digit fits. */
const SLACK = 1e-9;

const over = (p: number, q: number, most: number): boolean => p * p + q * q > (most * (1 + SLACK) + SLACK) ** 2;

function within(sum: ArrayLike<number>, limit: AcLimit): boolean {
  const at = (i: number) => sum[i] ?? 0;
  const legVA = limit.volts * limit.amps;
  const part = limit.continuousPart * legVA;
  const [p, q] = [at(P1) + at(P2), at(Q1) + at(Q2)];
  return !(
    over(at(P1), at(Q1), legVA) ||
    over(at(P2), at(Q2), legVA) ||
    over(at(CONTINUOUS + P1), at(CONTINUOUS + Q1), part) ||
    over(at(CONTINUOUS + P2), at(CONTINUOUS + Q2), part) ||
    (limit.kw !== null && over(p, 0, 1000 * limit.kw)) ||
    (limit.kva !== null && over(p, q, 1000 * limit.kva))
  );
}

/** Whether loads may all run at once on the source. */
export function fits(loads: readonly Consumer[], limit: AcLimit): boolean {
  const groups = loads.flatMap((l) => l.notWith ?? []);
  if (new Set(groups).size < groups.length) return false;
  return within(sumOf(loads), limit);
}

function sumOf(loads: readonly Consumer[]): Float64Array {
  const sum = new Float64Array(SUMS);
  for (const l of loads) partsOf(l).forEach((x, i) => (sum[i] = (sum[i] ?? 0) + x));
  return sum;
}

/** Beyond this many sets nobody reads on. */
export const MOST_SETS = 4000;

export interface Together {
  /** Ids in the order of the loads; the sets with most watts first. */
  readonly sets: readonly (readonly string[])[];
  /** There are more than were listed. */
  readonly more: boolean;
}

/**
 * Every set that fits and to which no load can be added. Exhaustive: loads are taken in or left out in turn, and a branch is given up where
 * what was left out would fit even with everything still to come. Loads that do not fit alone are in no set.
 */
export function largestSets(loads: readonly Consumer[], limit: AcLimit): Together {
  const able = loads.filter((l) => fits([l], limit)).sort((a, b) => b.watts - a.watts);
  const n = able.length;
  const parts = able.map((l) => Float64Array.from(partsOf(l)));
  // All that is still to come, from each place on.
  const rest = Array.from({ length: n + 1 }, () => new Float64Array(SUMS));
  for (let i = n - 1; i >= 0; i--)
    for (let k = 0; k < SUMS; k++) (rest[i] as Float64Array)[k] = (rest[i + 1]?.[k] ?? 0) + (parts[i]?.[k] ?? 0);
  const sum = new Float64Array(SUMS);
  const trial = new Float64Array(SUMS);
  const taken = new Uint8Array(n);
  const groupTaken = new Map<string, number>();
  const found: number[][] = [];
  let more = false;

  const withExtra = (extra: ArrayLike<number>, also: ArrayLike<number> | null): boolean => {
    for (let k = 0; k < SUMS; k++) trial[k] = (sum[k] ?? 0) + (extra[k] ?? 0) + (also?.[k] ?? 0);
    return within(trial, limit);
  };
  const add = (i: number, sign: 1 | -1) => {
    for (let k = 0; k < SUMS; k++) sum[k] = (sum[k] ?? 0) + sign * (parts[i]?.[k] ?? 0);
    taken[i] = sign === 1 ? 1 : 0;
    const group = able[i]?.notWith;
    if (group != null) groupTaken.set(group, (groupTaken.get(group) ?? 0) + sign);
  };
  const free = (i: number): boolean => {
    const group = able[i]?.notWith;
    return group == null || (groupTaken.get(group) ?? 0) === 0;
  };
  const largest = (): boolean => {
    for (let i = 0; i < n; i++) if (taken[i] === 0 && free(i) && withExtra(parts[i] as Float64Array, null)) return false;
    return true;
  };
  const walk = (i: number): void => {
    if (more) return;
    if (i === n) {
      if (!largest()) return;
      if (found.length >= MOST_SETS) more = true;
      else found.push(Array.from({ length: n }, (_, k) => k).filter((k) => taken[k] === 1));
      return;
    }
    const own = parts[i] as Float64Array;
    if (free(i) && withExtra(own, null)) {
      add(i, 1);
      walk(i + 1);
      add(i, -1);
    }
    // Left out in vain: it would fit beside all that may still come, and nothing to come excludes it.
    const excluded = able[i]?.notWith != null;
    if (!excluded && withExtra(own, rest[i + 1] as Float64Array)) return;
    walk(i + 1);
  };
  walk(0);
  const order = new Map(loads.map((l, i) => [l.id, i]));
  const watts = (set: readonly number[]) => set.reduce((total, k) => total + (able[k]?.watts ?? 0), 0);
  return {
    sets: found
      .sort((a, b) => watts(b) - watts(a))
      .map((set) => set.map((k) => able[k]?.id ?? '').sort((a, b) => (order.get(a) ?? 0) - (order.get(b) ?? 0))),
    more,
  };
}

export interface Step {
  readonly id: string;
  readonly do: 'drop' | 'turn down';
  /** What is left of it, W. */
  readonly toWatts: number;
}

export interface Shedding {
  readonly fits: boolean;
  readonly steps: readonly Step[];
  /** What runs in the end. */
  readonly runs: readonly string[];
}

/**
 * How a wanted set is brought to fit: what is kept least goes first, of equals the larger; the charger, where one may be turned down, first of
 * all and only as far as is needed. @param turnDown the charger's id; null: nothing is turned down.
 */
export function shed(wanted: readonly Consumer[], limit: AcLimit, turnDown: string | null): Shedding {
  let left = [...wanted];
  const steps: Step[] = [];
  const charger = left.find((l) => l.id === turnDown);
  if (charger && !fits(left, limit)) {
    const others = left.filter((l) => l !== charger);
    const watts = roomFor(charger, others, limit);
    steps.push(watts > 0 ? { id: charger.id, do: 'turn down', toWatts: watts } : { id: charger.id, do: 'drop', toWatts: 0 });
    left = watts > 0 ? [...others, { ...charger, watts }] : others;
  }
  const order = left.filter((l) => l.id !== turnDown).sort((a, b) => a.keep - b.keep || b.watts - a.watts);
  for (const next of order) {
    if (fits(left, limit)) break;
    left = left.filter((l) => l.id !== next.id);
    steps.push({ id: next.id, do: 'drop', toWatts: 0 });
  }
  if (!fits(left, limit)) left = [];
  return { fits: steps.length === 0, steps, runs: wanted.filter((l) => left.some((x) => x.id === l.id)).map((l) => l.id) };
}

/** The most watts a load may take beside others, to a watt; 0 where they leave no room, or do not fit themselves. */
function roomFor(load: Consumer, others: readonly Consumer[], limit: AcLimit): number {
  let [low, high] = [0, load.watts];
  while (high - low > 0.5) {
    const middle = (low + high) / 2;
    if (fits([...others, { ...load, watts: middle }], limit)) low = middle;
    else high = middle;
  }
  return Math.floor(low);
}

export interface Legs {
  /** Amps of each leg. */
  readonly amps: readonly number[];
  /** Of a split service; 0 of a service with one leg, whose neutral carries what the leg does. */
  readonly neutralA: number;
  /** How far the legs are apart, as a part of the heavier; 0 with one leg. */
  readonly imbalance: number;
}

/** How a set loads the legs. The legs of a split service are opposed: their neutral carries the difference. */
export function legsOf(loads: readonly Consumer[], limit: AcLimit): Legs {
  const sum = sumOf(loads);
  const at = (i: number) => (sum[i] ?? 0) / limit.volts;
  const [first, second] = [Math.hypot(at(P1), at(Q1)), Math.hypot(at(P2), at(Q2))];
  if (limit.legs === 1) return { amps: [first], neutralA: 0, imbalance: 0 };
  const heavier = Math.max(first, second);
  return {
    amps: [first, second],
    neutralA: Math.hypot(at(P1) - at(P2), at(Q1) - at(Q2)),
    imbalance: heavier > 0 ? Math.abs(first - second) / heavier : 0,
  };
}
