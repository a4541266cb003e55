/** What is read again and again: where it goes, when it crosses its limit, and a reading that falls outside its own line (docs/methods.md, M19). */
import type { About, BoatRecord, Design, Finding } from '../design';
import { rowOf } from '../design';
import { metalOfHull, potentialLimits, UNDERWATER_METALS, type UnderwaterMetal } from '../rules';

export interface TrendPoint {
  readonly at: number;
  readonly value: number;
}

export interface Limits {
  readonly least: number | null;
  readonly most: number | null;
  readonly why: string;
}

export interface Trend {
  /** Of the test or the measured thing. */
  readonly id: string;
  readonly what: string;
  readonly unit: string;
  readonly points: readonly TrendPoint[];
  readonly limits: Limits;
  /** A year; null: fewer than three readings, or all of one day. */
  readonly perYear: number | null;
  /** Two sigma of a reading about the line. */
  readonly spread: number | null;
  /** When the line crosses its limit, ms; null: it does not within ten years, or there is no line. */
  readonly crosses: number | null;
  /** The last reading lies outside the line of those before it. */
  readonly outside: boolean;
  /** The last reading is over its limit already. */
  readonly over: boolean;
}

/** Read by hand and kept by thing, beside the test sheet: what it is, of what, in what. */
export const MEASURED_KINDS = ['capacity', 'resistance', 'potential', 'anode left', 'insulation', 'hours to full', 'leakage'] as const;
export type MeasuredKind = (typeof MEASURED_KINDS)[number];
export const MEASURED_UNIT: Readonly<Record<MeasuredKind, string>> = {
  capacity: 'Ah',
  resistance: 'mΩ',
  potential: 'mV',
  'anode left': '%',
  insulation: 'MΩ',
  'hours to full': 'h',
  leakage: 'mA',
};

const YEAR_MS = 365.25 * 86_400_000;
const LEAST_POINTS = 3;
/** Readings of one day are one. */
const LEAST_DAYS = 2;
const FURTHEST_MS = 10 * YEAR_MS;
/** Below this part of its label a bank is worn out. Usual. */
const WORN = 0.8;
/** Twice what it was when it was sound. Ours. */
const DOUBLED = 2;
/** An anode is replaced at this part of its mass, %. Usual. */
const ANODE_LEAST = 50;
/** How a thing read with its earth opened is told from the same joined. */
export const OPENED = '-opened';

/** A spread is never known better than this part of the reading. */
const LEAST_SPREAD = 0.02;

interface Series {
  readonly what: string;
  readonly unit: string;
  readonly points: TrendPoint[];
  /** Of a potential, what the thing is made of; null: nobody has said. */
  metal: UnderwaterMetal | null;
}

const num = (x: unknown): number | null => (typeof x === 'number' && Number.isFinite(x) ? x : null);
const text = (x: unknown): string => (typeof x === 'string' ? x : '');

/** Readings by what they are of, oldest first; of a day the last one. Millivolts at a current count as milliohms. */
function seriesOf(records: readonly BoatRecord[]): ReadonlyMap<string, Series> {
  const out = new Map<string, Series>();
  for (const r of [...records].sort((a, b) => a.at - b.at)) {
    if (r.kind !== 'reading') continue;
    const [value, atA] = [num(r.body.value), num(r.body.atA)];
    if (value === null) continue;
    const perA = atA !== null && atA > 0 && text(r.body.unit) === 'mV';
    const id = r.thing.replace(/^(test|measured):/, '');
    const point = { at: r.at, value: perA ? value / atA : value };
    const series = out.get(id) ?? { what: text(r.body.what) || id, unit: perA ? 'mΩ' : text(r.body.unit), points: [], metal: null };
    series.metal = UNDERWATER_METALS.find((m) => m === r.body.metal) ?? series.metal;
    const last = series.points.at(-1);
    if (last && dayOf(last.at) === dayOf(r.at)) series.points.pop();
    series.points.push(point);
    out.set(id, series);
  }
  return out;
}
const dayOf = (at: number): number => Math.floor(at / 86_400_000);

/** Least squares through points, about their own middle. null: all at one time. */
function lineOf(
  points: readonly TrendPoint[],
): { readonly at: (t: number) => number; readonly perMs: number; readonly sigma: number } | null {
  const n = points.length;
  const t0 = points.reduce((sum, p) => sum + p.at, 0) / n;
  const y0 = points.reduce((sum, p) => sum + p.value, 0) / n;
  const tt = points.reduce((sum, p) => sum + (p.at - t0) ** 2, 0);
  if (tt === 0) return null;
  const perMs = points.reduce((sum, p) => sum + (p.at - t0) * (p.value - y0), 0) / tt;
  const at = (t: number) => y0 + perMs * (t - t0);
  const rest = points.reduce((sum, p) => sum + (p.value - at(p.at)) ** 2, 0);
  return { at, perMs, sigma: n > 2 ? Math.sqrt(rest / (n - 2)) : 0 };
}

function limitsOf(design: Design, id: string, { unit, points, metal }: Series, ofTests: ReadonlyMap<string, Limits>): Limits {
  const known = ofTests.get(id);
  if (known) return known;
  const [kind, thing] = [id.slice(0, id.indexOf('.')).replaceAll('_', ' '), id.slice(id.indexOf('.') + 1)];
  const bank = rowOf(design.banks, thing);
  if (kind === 'capacity' && bank) {
    const label = bank.blockAh * bank.strings;
    return { least: WORN * label, most: null, why: `${Math.round(100 * WORN)} % of ${label} Ah` };
  }
  if (kind === 'potential') {
    if (thing.endsWith(OPENED)) return { least: null, most: null, why: 'by itself, its earth opened: to hold beside what it is joined' };
    const { leastMv, mostMv, why } = potentialLimits(design.boat.hull, thing === 'hull' ? metalOfHull(design.boat.hull) : metal);
    return { least: leastMv, most: mostMv, why };
  }
  if (kind === 'anode left') return { least: ANODE_LEAST, most: null, why: 'half of it gone: replace it' };
  if (kind === 'insulation') return { least: 1, most: null, why: '1 MΩ at the least' };
  const [first] = points;
  if (unit === 'mΩ' && first) return { least: null, most: DOUBLED * first.value, why: 'twice what it was when it was first read' };
  return { least: null, most: null, why: '' };
}

/** When a line reaches a limit after a moment, ms; null: not in ten years. */
function crossing(line: { at: (t: number) => number; perMs: number }, { least, most }: Limits, from: number): number | null {
  const towards = line.perMs > 0 ? most : least;
  if (towards === null || line.perMs === 0) return null;
  const t = from + (towards - line.at(from)) / line.perMs;
  return t >= from && t - from <= FURTHEST_MS ? t : null;
}

/** @param ofTests limits of the test sheet's lines, by id, where they have any: over a current they are in mΩ. */
export function trendsOf(
  design: Design,
  records: readonly BoatRecord[],
  ofTests: ReadonlyMap<string, Limits> = new Map(),
): readonly Trend[] {
  return [...seriesOf(records)].flatMap(([id, series]): Trend[] => {
    const { points } = series;
    const last = points.at(-1);
    if (!last || points.length < LEAST_DAYS) return [];
    const limits = limitsOf(design, id, series, ofTests);
    const line = points.length >= LEAST_POINTS ? lineOf(points) : null;
    const floor = LEAST_SPREAD * Math.abs(last.value);
    const before = points.slice(0, -1);
    const past = before.length >= LEAST_POINTS ? lineOf(before) : null;
    const over = (limits.most !== null && last.value > limits.most) || (limits.least !== null && last.value < limits.least);
    return [
      {
        id,
        what: series.what,
        unit: series.unit,
        points,
        limits,
        perYear: line ? line.perMs * YEAR_MS : null,
        spread: line ? Math.max(2 * line.sigma, floor) : null,
        crosses: line && !over ? crossing(line, limits, last.at) : null,
        outside: past !== null && Math.abs(last.value - past.at(last.at)) > OUTSIDE * Math.max(past.sigma, floor / 2),
        over,
      },
    ];
  });
}
/** So many sigmas from the line of the readings before: one in some hundreds by chance. */
const OUTSIDE = 4;
/** Told as a finding when it crosses within this. */
const SOON_MS = YEAR_MS;

/** A limit crossed, a reading outside its own trend, and a line that crosses within a year, as findings. @param aboutOf what a trend's id is of. */
export function trendFindings(
  trends: readonly Trend[],
  now: number,
  aboutOf: (id: string) => About = () => ({ kind: 'boat', id: 'boat' }),
): readonly Finding[] {
  return trends.flatMap((t): Finding[] => {
    const last = t.points.at(-1);
    if (!last) return [];
    const figure = `${Number(last.value.toPrecision(3))} ${t.unit}`;
    const told = (rule: string, severity: Finding['severity'], title: string, why: string): Finding => ({
      id: `${rule}:${t.id}`,
      rule,
      severity,
      about: aboutOf(t.id),
      title,
      why,
      todo: 'Read it again; then see Log, trends.',
    });
    if (t.over) return [told('trend-over', 'fix', `${t.what}: ${figure}, past its limit`, `Its limit is ${t.limits.why}.`)];
    if (t.outside)
      return [
        told(
          'trend-outside',
          'note',
          `${t.what}: ${figure} is outside its own trend`,
          'Either it was read otherwise, or something has changed since.',
        ),
      ];
    if (t.crosses !== null && t.crosses - now <= SOON_MS)
      return [
        told(
          'trend-crosses',
          'note',
          `${t.what}: at this rate past its limit about ${new Date(t.crosses).toISOString().slice(0, 7)}`,
          `${Number((t.perYear ?? 0).toPrecision(3))} ${t.unit} a year over ${t.points.length} readings; its limit is ${t.limits.why}.`,
        ),
      ];
    return [];
  });
}
