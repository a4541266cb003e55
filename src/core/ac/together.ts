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
  /** On the ways from the source to the loads; missing: none. */
  readonly breakers?: readonly BreakerLimit[];
}

/** A breaker, or a relay that passes current on, and everything it may carry. */
export interface BreakerLimit {
  readonly id: string;
  readonly name: string;
  /** Of each leg, A. */
  readonly amps: number;
  readonly continuousPart: number;
  /** Whatever may be plugged in behind it: what may stand behind several counts on each, so that it fits however it is plugged in. */
  readonly members: ReadonlySet<string>;
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

/** Sums of a set behind one limit: watts and vars, of all and of what is continuous, on each leg. */
const P1 = 0;
const Q1 = 1;
const P2 = 2;
const Q2 = 3;
const CONTINUOUS = 4;
const SUMS = 8;

function partsOf(l: Consumer): readonly number[] {
  const q = l.watts * Math.tan(Math.acos(l.powerFactor));
  const [a, b] = l.leg === 'both' ? [0.5, 0.5] : l.leg === 'first' ? [1, 0] : [0, 1];
  const own = [a * l.watts, a * q, b * l.watts, b * q];
  return [...own, ...(l.continuous ? own : [0, 0, 0, 0])];
}

/** Against rounding: what is asked for to the last digit fits. */
const SLACK = 1e-9;

const over = (p: number, q: number, most: number): boolean => p * p + q * q > (most * (1 + SLACK) + SLACK) ** 2;

/** One of the limits a set is held against: the source itself, or a breaker on the way. */
interface Gauge {
  /** null: everything. */
  readonly members: ReadonlySet<string> | null;
  readonly name: string;
  readonly legVA: number;
  readonly continuousVA: number;
  readonly watts: number;
  readonly va: number;
}

function gaugesOf({ volts, amps, continuousPart, kw, kva, breakers }: AcLimit): Gauge[] {
  const leg = (a: number, part: number) => ({ legVA: volts * a, continuousVA: part * volts * a });
  return [
    {
      members: null,
      name: '',
      ...leg(amps, continuousPart),
      watts: kw === null ? Infinity : 1000 * kw,
      va: kva === null ? Infinity : 1000 * kva,
    },
    ...(breakers ?? []).map((b) => ({ members: b.members, name: b.name, ...leg(b.amps, b.continuousPart), watts: Infinity, va: Infinity })),
  ];
}

/** @param at where its sums begin. */
function within(sum: ArrayLike<number>, at: number, g: Gauge): boolean {
  const x = (i: number) => sum[at + i] ?? 0;
  return !(
    over(x(P1), x(Q1), g.legVA) ||
    over(x(P2), x(Q2), g.legVA) ||
    over(x(CONTINUOUS + P1), x(CONTINUOUS + Q1), g.continuousVA) ||
    over(x(CONTINUOUS + P2), x(CONTINUOUS + Q2), g.continuousVA) ||
    (g.watts < Infinity && over(x(P1) + x(P2), 0, g.watts)) ||
    (g.va < Infinity && over(x(P1) + x(P2), x(Q1) + x(Q2), g.va))
  );
}

const allWithin = (sum: ArrayLike<number>, gauges: readonly Gauge[]): boolean => gauges.every((g, i) => within(sum, SUMS * i, g));

/** What a load adds to the sums of every gauge. */
function adds(l: Consumer, gauges: readonly Gauge[]): Float64Array {
  const out = new Float64Array(SUMS * gauges.length);
  const own = partsOf(l);
  gauges.forEach((g, i) => {
    if (g.members === null || g.members.has(l.id)) out.set(own, SUMS * i);
  });
  return out;
}

function sumOf(loads: readonly Consumer[], gauges: readonly Gauge[]): Float64Array {
  const sum = new Float64Array(SUMS * gauges.length);
  for (const l of loads) adds(l, gauges).forEach((x, i) => (sum[i] = (sum[i] ?? 0) + x));
  return sum;
}

/** Whether loads may all run at once on the source, and behind every breaker. */
export function fits(loads: readonly Consumer[], limit: AcLimit): boolean {
  const groups = loads.flatMap((l) => l.notWith ?? []);
  if (new Set(groups).size < groups.length) return false;
  const gauges = gaugesOf(limit);
  return allWithin(sumOf(loads, gauges), gauges);
}

/** Of every set of the loads, by its bits in their order: 1 where it fits. Some quarter of a million for eighteen loads. */
export function fitsByMask(loads: readonly Consumer[], limit: AcLimit): Uint8Array {
  const n = loads.length;
  const everything = gaugesOf(limit);
  const whole = sumOf(loads, everything);
  const gauges = everything.filter((g, i) => g.members === null || !within(whole, SUMS * i, g));
  const parts = loads.map((l) => adds(l, gauges));
  const size = SUMS * gauges.length;
  const out = new Uint8Array(1 << n);
  const sums = Array.from({ length: n + 1 }, () => new Float64Array(size));
  // Load after load: what does not fit already is not added to.
  const walk = (i: number, mask: number, depth: number): void => {
    out[mask] = 1;
    const sum = sums[depth] as Float64Array;
    const next = sums[depth + 1];
    for (let k = i; k < n && next; k++) {
      const own = parts[k] as Float64Array;
      const group = loads[k]?.notWith;
      if (group != null && loads.some((l, j) => j < k && (mask & (1 << j)) !== 0 && l.notWith === group)) continue;
      for (let x = 0; x < size; x++) next[x] = (sum[x] ?? 0) + (own[x] ?? 0);
      if (allWithin(next, gauges)) walk(k + 1, mask | (1 << k), depth + 1);
    }
  };
  walk(0, 0, 0);
  return out;
}

/** Names of the breakers that loads running all at once would open, those nearest the loads last; the source's own limit is no name. */
export function opens(loads: readonly Consumer[], limit: AcLimit): string[] {
  const gauges = gaugesOf(limit);
  const sum = sumOf(loads, gauges);
  return gauges.flatMap((g, i) => (g.members !== null && !within(sum, SUMS * i, g) ? [g.name] : []));
}

/** What of a set runs behind one limit, leg by leg. */
export interface Loaded {
  /** The breaker's; null: the source itself. */
  readonly name: string | null;
  readonly ids: readonly string[];
  /** Amps of each leg, and those of what runs long. */
  readonly legA: readonly number[];
  readonly longA: readonly number[];
  readonly ofA: number;
  /** What it may carry for long, A. */
  readonly longOfA: number;
}

/** Of each limit that something of the set runs behind, the source first: what it then carries, and of how much. Any way it is plugged in. */
export function loadedOf(loads: readonly Consumer[], limit: AcLimit): Loaded[] {
  const gauges = gaugesOf(limit);
  const sum = sumOf(loads, gauges);
  const legs = limit.legs === 2 ? [P1, P2] : [P1];
  return gauges.flatMap((g, i) => {
    const ids = loads.filter((l) => g.members === null || g.members.has(l.id)).map((l) => l.id);
    const amps = (from: number) =>
      legs.map((p) => Math.hypot(sum[SUMS * i + from + p] ?? 0, sum[SUMS * i + from + p + 1] ?? 0) / limit.volts);
    const own = { name: g.members === null ? null : g.name, ids, legA: amps(0), longA: amps(CONTINUOUS) };
    return ids.length > 0 ? [{ ...own, ofA: g.legVA / limit.volts, longOfA: g.continuousVA / limit.volts }] : [];
  });
}

/** Least room behind the breakers that everything of the set runs behind, and behind those it overloads, VA; Infinity without one. */
export function breakerRoomVa(loads: readonly Consumer[], limit: AcLimit): number {
  const gauges = gaugesOf(limit);
  const sum = sumOf(loads, gauges);
  let room = Infinity;
  gauges.forEach((g, i) => {
    if (g.members === null || loads.length === 0) return;
    const at = (k: number) => sum[SUMS * i + k] ?? 0;
    const own = Math.min(
      g.legVA - Math.max(Math.hypot(at(P1), at(Q1)), Math.hypot(at(P2), at(Q2))),
      g.continuousVA - Math.max(Math.hypot(at(CONTINUOUS + P1), at(CONTINUOUS + Q1)), Math.hypot(at(CONTINUOUS + P2), at(CONTINUOUS + Q2))),
    );
    if (own < 0 || loads.every((l) => g.members?.has(l.id))) room = Math.min(room, own);
  });
  return room;
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
  const everything = gaugesOf(limit);
  const whole = sumOf(able, everything);
  // What cannot be overloaded by all at once is not asked again.
  const gauges = everything.filter((g, i) => g.members === null || !within(whole, SUMS * i, g));
  const size = SUMS * gauges.length;
  const parts = able.map((l) => adds(l, gauges));
  // All that is still to come, from each place on.
  const rest = Array.from({ length: n + 1 }, () => new Float64Array(size));
  for (let i = n - 1; i >= 0; i--)
    for (let k = 0; k < size; k++) (rest[i] as Float64Array)[k] = (rest[i + 1]?.[k] ?? 0) + (parts[i]?.[k] ?? 0);
  const sum = new Float64Array(size);
  const trial = new Float64Array(size);
  const taken = new Uint8Array(n);
  const groupTaken = new Map<string, number>();
  const found: number[][] = [];
  let more = false;

  const withExtra = (extra: ArrayLike<number>, also: ArrayLike<number> | null): boolean => {
    for (let k = 0; k < size; k++) trial[k] = (sum[k] ?? 0) + (extra[k] ?? 0) + (also?.[k] ?? 0);
    return allWithin(trial, gauges);
  };
  const add = (i: number, sign: 1 | -1) => {
    for (let k = 0; k < size; k++) sum[k] = (sum[k] ?? 0) + sign * (parts[i]?.[k] ?? 0);
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
  const sum = sumOf(loads, gaugesOf({ ...limit, breakers: [] }));
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
