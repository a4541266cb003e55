/** Settings searched for the least worst error over volts, tail and time, within what a gauge offers (docs/methods.md, M14). */
import { counted, type GaugeRun, type GaugeSet, type Measures, runGauge, type Series } from './gauge';

/** What is tried. Volts of the whole bank, tail % of capacity, minutes. */
export interface Grid {
  readonly volts: readonly number[];
  readonly tailPct: readonly number[];
  readonly minutes: readonly number[];
}

export interface Tried {
  readonly chargedV: number;
  readonly tailPct: number;
  readonly minutes: number;
  readonly worst: number;
  readonly mean: number;
  readonly falseFulls: number;
  readonly missedDays: number;
}

/** 600 settings: 13 volts steps about a typical full, ten tails, five times; what most gauges offer. @param nominalV of the bank. */
export function gridOf(nominalV: number, leadAcid: boolean): Grid {
  const times = nominalV / 12;
  const lowest = leadAcid ? 13.2 : 13.4;
  return {
    volts: Array.from({ length: 12 }, (_, i) => Math.round((lowest + i * 0.1) * times * 100) / 100),
    tailPct: [0.5, 1, 1.5, 2, 2.5, 3, 4, 5, 7, 10],
    minutes: [1, 3, 5, 10, 20],
  };
}

export const setWith = (base: GaugeSet, chargedV: number, tailPct: number, minutes: number): GaugeSet => ({
  ...base,
  chargedV,
  tailA: (tailPct / 100) * base.capacityAh,
  chargedH: minutes / 60,
});

/** Ahead: a smaller worst error, then fewer days missed, fewer false fulls, a smaller mean. */
export const better = (a: Tried, b: Tried): boolean => {
  for (const key of ['worst', 'missedDays', 'falseFulls', 'mean'] as const) if (Math.abs(a[key] - b[key]) > 1e-9) return a[key] < b[key];
  return false;
};

/** Goes through the grid from one place on, so many at a time. @returns those tried. */
export function tryGrid(series: Series, base: GaugeSet, m: Measures, grid: Grid, from: number, most: number): readonly Tried[] {
  const { volts, tailPct, minutes } = grid;
  const all = volts.length * tailPct.length * minutes.length;
  const out: Tried[] = [];
  const once = counted(series, base, m);
  for (let i = from; i < Math.min(all, from + most); i++) {
    const v = volts[Math.floor(i / (tailPct.length * minutes.length))] ?? 0;
    const tail = tailPct[Math.floor(i / minutes.length) % tailPct.length] ?? 0;
    const min = minutes[i % minutes.length] ?? 0;
    const run: GaugeRun = runGauge(series, setWith(base, v, tail, min), m, false, once);
    out.push({
      chargedV: v,
      tailPct: tail,
      minutes: min,
      worst: run.worst,
      mean: run.mean,
      falseFulls: run.falseFulls.length,
      missedDays: run.missedDays,
    });
  }
  return out;
}

export const gridSize = ({ volts, tailPct, minutes }: Grid): number => volts.length * tailPct.length * minutes.length;

/** Of the best by their worst error the most forgiving: the one farthest from settings that are worse, in volts and tail; then the least mean. */
export function bestOf(tried: readonly Tried[]): Tried | null {
  const first = tried.reduce<Tried | null>((best, t) => (best === null || better(t, best) ? t : best), null);
  if (first === null) return null;
  const volts = [...new Set(tried.map((t) => t.chargedV))].sort((a, b) => a - b);
  const tails = [...new Set(tried.map((t) => t.tailPct))].sort((a, b) => a - b);
  const at = new Map(tried.map((t) => [`${volts.indexOf(t.chargedV)} ${tails.indexOf(t.tailPct)} ${t.minutes}`, t]));
  const alike = (t: Tried | undefined): boolean =>
    t !== undefined && t.worst <= first.worst + ALIKE && t.falseFulls <= first.falseFulls && t.missedDays <= first.missedDays;
  const around = (t: Tried): number => {
    const [v, k] = [volts.indexOf(t.chargedV), tails.indexOf(t.tailPct)];
    for (let r = 1; ; r++)
      for (let dv = -r; dv <= r; dv++)
        for (let dk = -r; dk <= r; dk++) if (!alike(at.get(`${v + dv} ${k + dk} ${t.minutes}`))) return r - 1;
  };
  return tried
    .filter((t) => alike(t) && t.worst <= first.worst + 1e-9)
    .map((t) => ({ t, room: around(t) }))
    .reduce((a, b) => (b.room > a.room || (b.room === a.room && b.t.mean < a.t.mean - 1e-12) ? b : a)).t;
}
/** Worst errors within this are as good as each other. */
const ALIKE = 0.001;
