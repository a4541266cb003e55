/** What measured days teach: standing draw, resistance of the bank, loads seen in steps with their duty; each with its count and spread, offered. */
import { bankSource } from '../bank';
import { loadCurrent, studyVolts } from '../demand';
import { type Design, kindOf, type Load, type Op, rowOf, setOp } from '../design';
import { bankOfLoads } from '../topology';
import { meterDay } from '../monitoring';
import { besideDays } from './beside';
import type { Measured } from './series';

export interface LearnedFigure {
  readonly id: string;
  readonly what: string;
  readonly was: string;
  readonly is: string;
  /** Times it was seen, and its spread: half of it lies within ±. */
  readonly n: number;
  readonly spread: string;
  /** Empty: it is told, and nothing of the design holds it. */
  readonly ops: readonly Op[];
}

export interface LoadSeen {
  readonly name: string;
  readonly loadIds: readonly string[];
  /** Step in amps as it was seen, times, part of the time on. */
  readonly amps: number;
  readonly times: number;
  readonly duty: number;
}

export interface Learned {
  readonly figures: readonly LearnedFigure[];
  readonly seen: readonly LoadSeen[];
  /** Loads whose steps are too alike to be told apart, together. */
  readonly alike: readonly (readonly string[])[];
  /** Steps that no load explains: their size, and how often. */
  readonly unexplained: readonly { readonly amps: number; readonly times: number }[];
}

const median = (xs: readonly number[]): number => {
  const s = [...xs].sort((a, b) => a - b);
  const mid = s.length >> 1;
  return s.length === 0 ? NaN : s.length % 2 === 1 ? (s[mid] ?? NaN) : ((s[mid - 1] ?? NaN) + (s[mid] ?? NaN)) / 2;
};
/** Half of the values lie within this of their median. */
const halfWidth = (xs: readonly number[]): number => {
  const m = median(xs);
  return median(xs.map((x) => Math.abs(x - m)));
};
const round = (x: number): number => Number(x.toPrecision(3));

/** A step, A: from so much on; and the two readings beside it no further apart than this, s. */
const STEP_A = 1;
const HEAVY_STEP_A = 4;
const NEAR_S = 120;
const LEAST_TIMES = 5;
/** A load that runs so many samples or more is looked for. */
const LEAST_SAMPLES = 5;
/** Night, in which what draws always draws alone. */
const NIGHT_H = [1, 5] as const;
/** Of a night's draw the part below which what runs always runs alone: deep enough to be quiet, not so deep that it is the meter's trembling. */
const QUIET_PART = 0.25;
/** A step is a load's within this of its own. */
const ALIKE = 0.15;

interface Step {
  readonly k: number;
  readonly amps: number;
  readonly volts: number;
}

function stepsOf({ at, volts, amps }: Measured): readonly Step[] {
  const out: Step[] = [];
  for (let k = 1; k < at.length; k++) {
    if ((at[k] ?? 0) - (at[k - 1] ?? 0) > NEAR_S * 1000) continue;
    const di = (amps[k] ?? 0) - (amps[k - 1] ?? 0);
    if (Math.abs(di) >= STEP_A) out.push({ k, amps: di, volts: (volts[k] ?? 0) - (volts[k - 1] ?? 0) });
  }
  return out;
}

/** A resistance is offered from so many steps on, and while half of them lie within this part of it. */
const OFFERED_TIMES = 10;
const OFFERED_SPREAD = 0.3;

/** Volts over amps of steps large enough, in discharge before and after, where no source answers: resistance of bank and what lies before the gauge, ohm. */
function resistance(design: Design, bankId: string, { amps }: Measured, steps: readonly Step[]): readonly LearnedFigure[] {
  const bank = rowOf(design.banks, bankId);
  const draining = (k: number) => (amps[k] ?? 0) < 0 && (amps[k - 1] ?? 0) < 0;
  const ohms = steps.filter((s) => Math.abs(s.amps) >= HEAVY_STEP_A && s.volts * s.amps > 0 && draining(s.k)).map((s) => s.volts / s.amps);
  if (!bank || ohms.length < LEAST_TIMES) return [];
  const [whole, wide] = [median(ohms), halfWidth(ohms)];
  const sound = ohms.length >= OFFERED_TIMES && wide <= OFFERED_SPREAD * whole;
  const block = (1000 * whole * bank.strings) / bank.series;
  return [
    {
      id: 'bank-ohm',
      what: `resistance of ${bank.name}, from steps of load`,
      was: `${round(1000 * bankSource(bank).ohm)} mΩ, ${bank.sheet.mohm === null ? 'typical' : 'its sheet'}`,
      is: `${round(1000 * whole)} mΩ`,
      n: ohms.length,
      spread: `± ${round(1000 * wide)} mΩ${sound ? '' : ': too few or too wide to be taken'}`,
      ops: sound ? [setOp(design, ['banks', bank.id, 'sheet', 'mohm'], round(block))].flatMap((op) => op ?? []) : [],
    },
  ];
}

/** By night, the draw that a quarter of its readings lie below, A; nights with too few readings are left out. */
function quietNights({ at, amps }: Pick<Measured, 'at' | 'amps'>): readonly number[] {
  const nights = new Map<number, number[]>();
  for (let k = 0; k < at.length; k++) {
    const h = ((at[k] ?? 0) / 3600_000) % 24;
    const a = amps[k] ?? 0;
    if (h < NIGHT_H[0] || h >= NIGHT_H[1] || a > 0) continue;
    const day = Math.floor((at[k] ?? 0) / 86_400_000);
    const list = nights.get(day);
    if (list) list.push(-a);
    else nights.set(day, [-a]);
  }
  return [...nights.values()].flatMap((xs) => {
    const s = xs.sort((a, b) => a - b);
    return s.length >= LEAST_OF_A_NIGHT ? [s[Math.floor(s.length * QUIET_PART)] ?? 0] : [];
  });
}
const LEAST_OF_A_NIGHT = 30;

/** The least that draws at night, against the same of the day this boat's first measured one is most like. */
function quiet(design: Design, bankId: string, series: Measured): readonly LearnedFigure[] {
  const least = quietNights(series);
  const like = besideDays(design, bankId, series, 1)[0];
  const day = like && meterDay(design, bankId, like.livingId);
  if (least.length === 0 || !like || !day) return [];
  const [expected] = quietNights({
    at: Float64Array.from(day, (s) => s.minute * 60_000),
    amps: Float64Array.from(day, (s) => s.amps),
  });
  return [
    {
      id: 'standing',
      what: 'drawn at night when least is on',
      was: expected === undefined ? 'nothing expected then' : `${round(expected)} A expected ${like.livingName}`,
      is: `${round(median(least))} A`,
      n: least.length,
      spread: least.length > 1 ? `± ${round(halfWidth(least))} A` : 'one night',
      ops: [],
    },
  ];
}

/** Loads whose steps no other has: within twice their spread of one another they are told as one group. */
function toldApart(
  design: Design,
  bankId: string,
): { readonly single: readonly { readonly load: Load; readonly amps: number }[]; readonly groups: readonly (readonly Load[])[] } {
  const fedBy = bankOfLoads(design);
  const bank = rowOf(design.banks, bankId);
  const volts = studyVolts(design, bank && bankSource(bank));
  const loads = design.loads
    .filter((l) => fedBy.get(l.id) === bankId && l.group !== 'charging' && !l.runsLong && kindOf(l) !== 'starter')
    .map((load) => ({ load, amps: loadCurrent(load, volts).nominalA }))
    .filter((x) => x.amps > STEP_A)
    .sort((a, b) => a.amps - b.amps);
  const groups: { load: Load; amps: number }[][] = [];
  for (const x of loads) {
    const last = groups[groups.length - 1];
    const before = last?.[last.length - 1];
    if (last && before && x.amps - before.amps < 2 * ALIKE * before.amps) last.push(x);
    else groups.push([x]);
  }
  return {
    single: groups.flatMap((g) => (g.length === 1 ? g : [])),
    groups: groups.filter((g) => g.length > 1).map((g) => g.map((x) => x.load)),
  };
}

/** Each step on is paired with the next step off of about its size; unpaired ones are not counted. */
function seenOf(
  series: Measured,
  steps: readonly Step[],
  amps: number,
): { readonly times: number; readonly duty: number; readonly size: number; readonly used: ReadonlySet<number> } {
  const used = new Set<number>();
  const sizes: number[] = [];
  let onMs = 0;
  let from: Step | null = null;
  for (const s of steps) {
    if (Math.abs(Math.abs(s.amps) - amps) > ALIKE * amps) continue;
    if (s.amps < 0) from ??= s;
    else if (from) {
      if (s.k - from.k >= LEAST_SAMPLES) {
        onMs += (series.at[s.k] ?? 0) - (series.at[from.k] ?? 0);
        sizes.push((Math.abs(s.amps) + Math.abs(from.amps)) / 2);
        used.add(s.k);
        used.add(from.k);
      }
      from = null;
    }
  }
  const span = (series.at[series.at.length - 1] ?? 0) - (series.at[0] ?? 0);
  return { times: sizes.length, duty: span > 0 ? onMs / span : 0, size: sizes.length > 0 ? median(sizes) : NaN, used };
}

const MOST_UNEXPLAINED = 5;

/** What a bank's measured days teach. Nothing is named that cannot be told apart. */
export function learn(design: Design, bankId: string, series: Measured): Learned {
  const steps = stepsOf(series);
  const { single, groups } = toldApart(design, bankId);
  const explained = new Set<number>();
  const seen: LoadSeen[] = [];
  const figures: LearnedFigure[] = [...quiet(design, bankId, series), ...resistance(design, bankId, series, steps)];
  for (const { load, amps } of single) {
    const s = seenOf(series, steps, amps);
    for (const k of s.used) explained.add(k);
    if (s.times < LEAST_TIMES) continue;
    seen.push({ name: load.name, loadIds: [load.id], amps: s.size, times: s.times, duty: s.duty });
    const each = s.size / load.quantity;
    const rating = round(load.ratingBy === 'A' ? each : each * load.nominalV);
    figures.push({
      id: `load-${load.id}`,
      what: `what ${load.name} draws`,
      was: `${round(amps / load.quantity)} A, ${load.mark}`,
      is: `${round(each)} A`,
      n: s.times,
      spread: `${(24 * s.duty).toFixed(1)} h a day`,
      ops: [setOp(design, ['loads', load.id, 'rating'], rating), setOp(design, ['loads', load.id, 'mark'], 'measured')].flatMap(
        (op) => op ?? [],
      ),
    });
  }
  // What belongs to a group is explained, though nobody can say by which of it.
  for (const g of groups)
    for (const l of g) {
      const bank = rowOf(design.banks, bankId);
      const amps = loadCurrent(l, studyVolts(design, bank && bankSource(bank))).nominalA;
      for (const s of steps) if (Math.abs(Math.abs(s.amps) - amps) <= ALIKE * amps) explained.add(s.k);
    }
  const left = new Map<number, number>();
  for (const s of steps) if (!explained.has(s.k) && s.amps < 0) left.set(Math.round(-s.amps), (left.get(Math.round(-s.amps)) ?? 0) + 1);
  return {
    figures,
    seen: seen.sort((a, b) => b.duty - a.duty),
    alike: groups.map((g) => g.map((l) => l.name)),
    unexplained: [...left]
      .filter(([, times]) => times >= LEAST_TIMES)
      .sort((a, b) => b[1] - a[1])
      .slice(0, MOST_UNEXPLAINED)
      .map(([amps, times]) => ({ amps, times })),
  };
}
