/** Loads seen in the steps of a bank's amps: each step is one load going on or off, or two at once; how long each was on (docs/methods.md, M19). */
import type { Held } from './accepted';
import type { Measured } from './series';
import { densest, GAIN_PART, halfWidth, median, within95 } from './spread';

export interface Step {
  readonly k: number;
  readonly amps: number;
  readonly volts: number;
}

/** A step, A: from so much on; and the two readings beside it no further apart than this, s. */
const STEP_A = 1;
const NEAR_S = 120;
/** A load that runs so many samples or more is looked for. */
const LEAST_SAMPLES = 5;
/** A step may be a load's within this part of its label; it is, within this of what it was seen to draw; of two at once of both together: the largest of each holds. */
const NEAR = 0.02;
const NEAR_A = 0.2;
const NEAR_HALVES = 5;
const BOTH = 0.03;
const BOTH_A = 0.3;
/** On for so many times its usual: the step off was missed. */
const TOO_LONG = 3;
/** Out of sight for no longer than this, what was on is taken to have run on. */
const RAN_ON_MS = 20 * 60_000;
/** Hours are told while no more of its steps than this part speak against the others. */
const MOST_AGAINST = 0.15;

export function stepsOf({ at, volts, amps }: Measured): readonly Step[] {
  const out: Step[] = [];
  for (let k = 1; k < at.length; k++) {
    if ((at[k] ?? 0) - (at[k - 1] ?? 0) > NEAR_S * 1000) continue;
    const di = (amps[k] ?? 0) - (amps[k - 1] ?? 0);
    if (Math.abs(di) >= STEP_A) out.push({ k, amps: di, volts: (volts[k] ?? 0) - (volts[k - 1] ?? 0) });
  }
  return out;
}

/** A full bank that is held may be read as giving a little. */
const REST_A = 0.2;

/** Readings in which a source holds the volts, at absorption or float, and covers what goes on: nothing is seen of it there. @param held null: nothing charges. */
function hiddenOf({ volts, amps }: Measured, held: Held | null): Uint8Array {
  if (!held) return new Uint8Array(volts.length);
  return Uint8Array.from(volts, (v, k) => {
    const a = amps[k] ?? 0;
    return a >= -REST_A && (v >= held.absorptionV || (v >= held.floatV && a < held.tailA)) ? 1 : 0;
  });
}

export interface Seen {
  readonly id: string;
  /** Of its steps, A, and within what it lies, 95 of 100. */
  readonly size: number;
  readonly within: number;
  readonly times: number;
  /** Of the time in which it could be seen; null: its steps speak against one another, on while on, off while off. */
  readonly duty: number | null;
}

/** A load as the design has it: amps, and the part they may be off by. */
export interface Label {
  readonly amps: number;
  readonly spread: number;
}

interface Event {
  readonly k: number;
  readonly on: boolean;
}

/** Steps as what goes on and off. The nearest load; where none is near, the nearest two. */
function eventsOf(
  steps: readonly Step[],
  sizes: ReadonlyMap<string, number>,
  nearA: ReadonlyMap<string, number>,
  used: Set<number>,
): ReadonlyMap<string, readonly Event[]> {
  const out = new Map<string, Event[]>([...sizes.keys()].map((id) => [id, []]));
  const all = [...sizes];
  const running = new Map<string, boolean>();
  for (const { k, amps } of steps) {
    let best: { readonly ids: readonly (readonly [string, boolean])[]; readonly off: number } | null = null;
    for (const [id, a] of all)
      for (const on of [true, false]) {
        const x = Math.abs(amps - (on ? -a : a)) / (nearA.get(id) ?? 0);
        if (x <= 1 && (!best || x < best.off)) best = { ids: [[id, on]], off: x };
      }
    if (!best)
      for (const [i, [one, a]] of all.entries())
        for (const [two, b] of all.slice(i + 1))
          for (const [oneOn, twoOn] of [
            [true, true],
            [true, false],
            [false, true],
            [false, false],
          ] as const) {
            // Two at once only as they stand: what is on goes off, what is off goes on.
            if (oneOn === running.get(one) || twoOn === running.get(two)) continue;
            const sum = (oneOn ? -a : a) + (twoOn ? -b : b);
            const x = Math.abs(amps - sum) / Math.max(BOTH_A, BOTH * Math.abs(sum));
            if (x <= 1 && (!best || x < best.off))
              best = {
                ids: [
                  [one, oneOn],
                  [two, twoOn],
                ],
                off: x,
              };
          }
    for (const [id, on] of best?.ids ?? []) {
      out.get(id)?.push({ k, on });
      running.set(id, on);
    }
    if (best) used.add(k);
  }
  return out;
}

/** On-times of one load, ms: whole ones, and stretches of which one end lay where nothing is seen. */
function timesOf(
  { at }: Measured,
  events: readonly Event[],
  hidden: Uint8Array,
): { readonly whole: readonly number[]; readonly part: readonly number[]; readonly against: number } {
  const whole: number[] = [];
  const part: number[] = [];
  let against = 0;
  const time = (k: number) => at[k] ?? 0;
  let from: number | null = null;
  let e = 0;
  // Where the stretch that is seen began, if nothing of this load was seen in it yet; and not at the start of all.
  let open: number | null = null;
  // Where it was last lost from sight while on: seen again soon after, it ran on.
  let lost: number | null = null;
  let broken = false;
  for (let k = 1; k < at.length; k++) {
    const event = events[e]?.k === k ? events[e++] : undefined;
    if (hidden[k] === 1) {
      if (hidden[k - 1] === 0) lost = from === null ? null : k;
      if (from !== null) part.push(time(k) - time(from));
      from = open = null;
      continue;
    }
    if (hidden[k - 1] === 1) {
      broken = lost !== null && time(k) - time(lost) <= RAN_ON_MS;
      from = broken ? k : null;
      open = k;
    }
    if (!event) continue;
    // On twice: the step off between them was missed, and how long it ran.
    if (event.on) {
      if (from !== null && !broken) against++;
      from = k;
      broken = false;
    } else if (from !== null) {
      if (broken) part.push(time(k) - time(from));
      else if (k - from >= LEAST_SAMPLES) whole.push(time(k) - time(from));
      from = null;
    } else if (open !== null) part.push(time(k) - time(open));
    else against++;
    open = null;
  }
  return { whole, part, against: events.length > 0 ? against / events.length : 0 };
}

/** Mean of all that lie by the densest of them. */
function closely(xs: readonly number[]): number {
  const at = densest(xs);
  const near = xs.filter((x) => Math.abs(x - at) <= Math.max(NEAR_A, NEAR * at));
  return near.reduce((n, x) => n + x, 0) / near.length;
}

/**
 * @param labels of each load that can be told apart, by id.
 * @param used takes the steps that are explained.
 */
export function seenIn(
  series: Measured,
  all: readonly Step[],
  labels: ReadonlyMap<string, Label>,
  held: Held | null,
  used: Set<number>,
): readonly Seen[] {
  const hidden = hiddenOf(series, held);
  // As a source takes over or lets go, its own amps step: no load does.
  const steps = all.filter(({ k }) => hidden[k] === 0 && hidden[k - 1] === 0);
  let seenMs = 0;
  for (let k = 1; k < series.at.length; k++) {
    const ms = (series.at[k] ?? 0) - (series.at[k - 1] ?? 0);
    if (hidden[k] === 0 && ms <= NEAR_S * 1000) seenMs += ms;
  }
  // What each draws, from the steps that are its alone.
  const own = new Map(
    [...labels].map(([id, { amps, spread }]) => [
      id,
      steps.map((s) => Math.abs(s.amps)).filter((a) => Math.abs(a - amps) <= spread * amps),
    ]),
  );
  const sizes = new Map([...labels].map(([id, { amps }]) => [id, (own.get(id)?.length ?? 0) > 0 ? closely(own.get(id) ?? []) : amps]));
  // Once its size is known a step is its own only close by: what is a little off is two others at once.
  const nearA = new Map([...sizes].map(([id, a]) => [id, Math.max(NEAR_A, NEAR * a, NEAR_HALVES * halfWidth(own.get(id) ?? []))]));
  const events = eventsOf(steps, sizes, nearA, used);
  return [...labels].map(([id, { amps: label }]): Seen => {
    const { whole, part, against } = timesOf(series, events.get(id) ?? [], hidden);
    const usual = median(whole);
    const longest = TOO_LONG * (usual || Infinity);
    // A part that is too long is none: its other end was another thing.
    const onMs = whole.reduce((n, ms) => n + (ms > longest ? usual : ms), 0) + part.reduce((n, ms) => n + (ms > longest ? 0 : ms), 0);
    const amps = (own.get(id) ?? []).filter((a) => Math.abs(a - (sizes.get(id) ?? label)) <= (nearA.get(id) ?? 0));
    return {
      id,
      size: sizes.get(id) ?? label,
      within: within95(amps, GAIN_PART * (sizes.get(id) ?? label)),
      times: whole.length,
      duty: seenMs > 0 && against <= MOST_AGAINST ? onMs / seenMs : null,
    };
  });
}
