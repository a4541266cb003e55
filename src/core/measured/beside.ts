/** Measured days beside the same days through the time loop: what went in and out, and why they differ (docs/methods.md, M19). */
import type { Design } from '../design';
import { meterDay, type MeterSample } from '../monitoring';
import { DAY_MS, holdOf, MINUTES, minutesOf } from './minutes';
import type { Measured } from './series';

export interface DayBeside {
  /** Midnight it begins with, ms. */
  readonly at: number;
  /** The way of living it is most like. */
  readonly livingId: string;
  readonly livingName: string;
  /** Part of the day that was measured. */
  readonly part: number;
  readonly inAh: number;
  readonly outAh: number;
  readonly expectedInAh: number;
  readonly expectedOutAh: number;
  /** Mean of |measured − expected|, A. */
  readonly offA: number;
  /** Why they may differ, the largest first; empty: they hardly do. */
  readonly why: readonly string[];
}

/** Differences smaller than this are not worth a word: A all day, and Ah one way. */
const WORTH_A = 0.5;
const WORTH_AH = 5;
/** A difference is the same all day where its spread is under this part of it. */
const STEADY = 0.5;

/** What the difference looks like, minute by minute: the same all day, less given, or more drawn. */
function whyOf(amps: Float64Array, day: readonly MeterSample[]): readonly string[] {
  const off = [...amps].flatMap((a, m) => (Number.isNaN(a) ? [] : [{ a, d: a - (day[m]?.amps ?? 0) }]));
  const mean = off.reduce((n, x) => n + x.d, 0) / Math.max(1, off.length);
  const spread = Math.sqrt(off.reduce((n, x) => n + (x.d - mean) ** 2, 0) / Math.max(1, off.length));
  if (Math.abs(mean) >= WORTH_A && spread <= STEADY * Math.abs(mean))
    return [
      mean > 0
        ? `${mean.toFixed(1)} A less going out, the same all day: something drawn round the shunt, or its zero`
        : `${(-mean).toFixed(1)} A more going out, the same all day: something that draws always and is not listed, or its zero`,
    ];
  const ah = (of: (x: { a: number; d: number }) => number) => off.reduce((n, x) => n + of(x), 0) / 60;
  const parts: readonly (readonly [number, string])[] = [
    [ah((x) => (x.a > 0 || x.a - x.d > 0 ? Math.max(0, -x.d) : 0)), 'less given while it charges: sun, hours or the source'],
    [ah((x) => (x.a > 0 || x.a - x.d > 0 ? Math.max(0, x.d) : 0)), 'more given while it charges'],
    [ah((x) => (x.a <= 0 && x.a - x.d <= 0 ? Math.max(0, -x.d) : 0)), 'more drawn than the hours entered say'],
    [ah((x) => (x.a <= 0 && x.a - x.d <= 0 ? Math.max(0, x.d) : 0)), 'less drawn than the hours entered say'],
  ];
  return parts
    .filter(([x]) => x >= WORTH_AH)
    .sort((a, b) => b[0] - a[0])
    .map(([x, words]) => `${x.toFixed(0)} Ah ${words}`);
}

/** Every day of a bank beside the way of living it is most like. @param most days at the most. */
export function besideDays(design: Design, bankId: string, series: Measured, most = 400): readonly DayBeside[] {
  const expected = design.living.flatMap((l) => {
    const day = meterDay(design, bankId, l.id);
    return day ? [{ id: l.id, name: l.name, day }] : [];
  });
  const [first, last] = [series.at[0], series.at[series.at.length - 1]];
  if (expected.length === 0 || first === undefined || last === undefined) return [];
  const holdMs = holdOf(series);
  const out: DayBeside[] = [];
  for (let at = Math.floor(first / DAY_MS) * DAY_MS; at <= last && out.length < most; at += DAY_MS) {
    const { amps } = minutesOf(series, at, holdMs);
    const there = amps.reduce((n, a) => n + (Number.isNaN(a) ? 0 : 1), 0);
    if (there === 0) continue;
    const off = (day: readonly MeterSample[]): number =>
      amps.reduce((n, a, m) => n + (Number.isNaN(a) ? 0 : Math.abs(a - (day[m]?.amps ?? 0))), 0) / there;
    const like = expected.map((e) => ({ e, off: off(e.day) })).sort((a, b) => a.off - b.off)[0];
    if (!like) continue;
    const ah = (of: (m: number) => number): number => amps.reduce((n, a, m) => n + (Number.isNaN(a) ? 0 : of(m)), 0) / 60;
    out.push({
      at,
      livingId: like.e.id,
      livingName: like.e.name,
      part: there / MINUTES,
      inAh: ah((m) => Math.max(0, amps[m] ?? 0)),
      outAh: ah((m) => Math.max(0, -(amps[m] ?? 0))),
      expectedInAh: ah((m) => Math.max(0, like.e.day[m]?.amps ?? 0)),
      expectedOutAh: ah((m) => Math.max(0, -(like.e.day[m]?.amps ?? 0))),
      offA: like.off,
      why: whyOf(amps, like.e.day),
    });
  }
  return out;
}
