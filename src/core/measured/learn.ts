/** What measured days teach: standing draw, resistance of the bank, loads seen in steps with their duty; each with its count and spread, offered. */
import { bankSource } from '../bank';
import { LOAD_SPREAD, loadCurrent, studyVolts } from '../demand';
import { type Design, kindOf, type Load, rowOf, setOp } from '../design';
import { bankOfLoads } from '../topology';
import { meterDay } from '../monitoring';
import { besideDays } from './beside';
import { acceptedOf, heldBy } from './accepted';
import type { LearnedFigure } from './figure';
import { seenIn, type Step, stepsOf } from './seen';
import { ofSources, withoutSources } from './sources';
import type { Measured } from './series';
import { GAIN_PART, halfWidth, median, shownStep, within95, ZERO_A } from './spread';

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

const round = (x: number): number => Number(x.toPrecision(3));

const STEP_A = 1;
const HEAVY_STEP_A = 4;
const LEAST_TIMES = 5;
/** Night, in which what draws always draws alone. */
const NIGHT_H = [1, 5] as const;
/** Of a night's draw the part below which what runs always runs alone: deep enough to be quiet, not so deep that it is the meter's trembling. */
const QUIET_PART = 0.25;
/** A resistance is offered from so many steps on, and while half of them lie within this part of it. */
const OFFERED_TIMES = 10;
const OFFERED_SPREAD = 0.3;
/** A meter's own volts, two sigma of what they differ by. */
const VOLTS_PART = 0.005;
/** A step that is off its usual by more than this part is another thing: a source, two at once. */
const FAR = 0.75;

/** Volts over amps of steps large enough, in discharge before and after, where no source answers: resistance of bank and what lies before the gauge, ohm. */
function resistance(design: Design, bankId: string, { amps }: Measured, steps: readonly Step[]): readonly LearnedFigure[] {
  const bank = rowOf(design.banks, bankId);
  const draining = (k: number) => (amps[k] ?? 0) < 0 && (amps[k - 1] ?? 0) < 0;
  const heavy = steps.filter((s) => Math.abs(s.amps) >= HEAVY_STEP_A && s.volts * s.amps >= 0 && draining(s.k));
  const usual = median(heavy.map((s) => s.volts / s.amps));
  // By least squares over what is not far off: volts come in steps of the meter, and a median would stand on one of them.
  const near = heavy.filter((s) => Math.abs(s.volts / s.amps - usual) <= FAR * usual);
  if (!bank || near.length < LEAST_TIMES) return [];
  const squares = near.reduce((n, s) => n + s.amps ** 2, 0);
  const whole = near.reduce((n, s) => n + s.volts * s.amps, 0) / squares;
  const left = near.reduce((n, s) => n + (s.volts - whole * s.amps) ** 2, 0) / Math.max(1, near.length - 1);
  const ohms = near.map((s) => s.volts / s.amps);
  const wide = halfWidth(ohms);
  const sound = ohms.length >= OFFERED_TIMES && wide <= OFFERED_SPREAD * whole;
  const off = Math.hypot(2 * Math.sqrt(left / squares), GAIN_PART * whole, VOLTS_PART * whole);
  const block = (1000 * whole * bank.strings) / bank.series;
  return [
    {
      id: 'bank-ohm',
      what: `resistance of ${bank.name}, from steps of load`,
      was: `${round(1000 * bankSource(bank).ohm)} mΩ, ${bank.sheet.mohm === null ? 'typical' : 'its sheet'}`,
      is: `${round(1000 * whole)} mΩ`,
      value: 1000 * whole,
      within: 1000 * off,
      n: ohms.length,
      spread: `± ${round(1000 * off)} mΩ${sound ? '' : ': too few or too wide to be taken'}`,
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
  const off = within95(least, Math.hypot(GAIN_PART * median(least), ZERO_A, shownStep(series.amps) / 2));
  return [
    {
      id: 'standing',
      what: 'drawn at night when least is on',
      was: expected === undefined ? 'nothing expected then' : `${round(expected)} A expected ${like.livingName}`,
      is: `${round(median(least))} A`,
      value: median(least),
      within: off,
      n: least.length,
      spread: `± ${round(off)} A${least.length > 1 ? '' : ', one night'}`,
      ops: [],
    },
  ];
}

/** Loads whose steps no other has; those that may draw the same, by their spreads, are told as one group. */
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
    // What either may really draw lies within what the other may.
    if (last && before && x.amps * (1 - LOAD_SPREAD[x.load.mark]) < before.amps * (1 + LOAD_SPREAD[before.load.mark])) last.push(x);
    else groups.push([x]);
  }
  return {
    single: groups.flatMap((g) => (g.length === 1 ? g : [])),
    groups: groups.filter((g) => g.length > 1).map((g) => g.map((x) => x.load)),
  };
}

/** What of a charge comes out again. */
function accepted(design: Design, bankId: string, series: Measured): readonly LearnedFigure[] {
  const found = acceptedOf(design, bankId, series);
  if (!found) return [];
  const pct = (x: number): string => `${round(100 * x)} %`;
  return [
    {
      id: 'accepted',
      what: 'of a charge that comes out again, from full to full',
      was: pct(found.was),
      is: pct(found.efficiency),
      value: 100 * found.efficiency,
      within: 100 * found.within,
      n: found.n,
      spread: `± ${pct(found.within)}`,
      ops: found.ops,
    },
  ];
}

const MOST_UNEXPLAINED = 5;

/** What a bank's measured days teach. Nothing is named that cannot be told apart. */
export function learn(design: Design, bankId: string, series: Measured): Learned {
  // A source that comes and goes is no load: where it has its own column its steps are known.
  const steps = stepsOf(withoutSources(design, bankId, series));
  const { single, groups } = toldApart(design, bankId);
  const explained = new Set<number>();
  const seen: LoadSeen[] = [];
  const figures: LearnedFigure[] = [
    ...quiet(design, bankId, series),
    ...resistance(design, bankId, series, stepsOf(series)),
    ...accepted(design, bankId, series),
    ...ofSources(design, bankId, series),
  ];
  const all = seenIn(
    series,
    steps,
    new Map(single.map((x) => [x.load.id, { amps: x.amps, spread: LOAD_SPREAD[x.load.mark] }])),
    heldBy(design, bankId),
    explained,
  );
  for (const { load, amps } of single) {
    const s = all.find((x) => x.id === load.id);
    if (!s || s.times < LEAST_TIMES) continue;
    if (s.duty !== null) seen.push({ name: load.name, loadIds: [load.id], amps: s.size, times: s.times, duty: s.duty });
    const each = s.size / load.quantity;
    const rating = round(load.ratingBy === 'A' ? each : each * load.nominalV);
    figures.push({
      id: `load-${load.id}`,
      what: `what ${load.name} draws`,
      was: `${round(amps / load.quantity)} A, ${load.mark}`,
      is: `${round(each)} A`,
      value: each,
      within: s.within / load.quantity,
      n: s.times,
      spread: `± ${round(s.within / load.quantity)} A, ${s.duty === null ? 'for how long is not clear' : `${(24 * s.duty).toFixed(1)} h a day`}`,
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
      for (const s of steps) if (Math.abs(Math.abs(s.amps) - amps) <= LOAD_SPREAD[l.mark] * amps) explained.add(s.k);
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
