/**
 * The season: many cruises with varied sun, wind, use and motoring (docs/methods.md, M11).
 * Sun and wind come in spells (a day keeps half of the last one's departure); wind is spread by Weibull k = 2 where its spread is whole;
 * use and motoring are spread evenly about 1 in their logarithm. Every cruise has its own stream of the seed.
 */
import type { Design } from '../design';
import { cruiseOf, daysOf } from './cruise';
import { Sum } from './kernel/layout';
import { createLoop } from './loop';
import { random } from '../solve';
import { houseIndex, type Scene, sceneOf } from './scene';

export interface SeasonAsked {
  readonly runs: number;
  readonly seed: number;
  readonly sunSpread: number;
  readonly windSpread: number;
  readonly useSpread: number;
  readonly motorSpread: number;
}

export interface SeasonBlock {
  /** First cruise of the block and how many days each has. */
  readonly from: number;
  readonly runs: number;
  readonly days: number;
  /** Lowest state of charge of the house bank, cruise by cruise, day by day. */
  readonly lowest: Float32Array;
  /** 1 where a cruise had loads without current. */
  readonly unmet: Uint8Array;
}

export const SEASON_STEP_MIN = 15;

export interface SeasonScene {
  readonly scene: Scene;
  readonly days: readonly number[];
  readonly startSoc: number;
  readonly windowLow: number;
}

export function seasonScene(design: Design): SeasonScene {
  const chosen = cruiseOf(design);
  const days = daysOf(design, chosen);
  const scene = sceneOf(design, { stepMin: SEASON_STEP_MIN, ways: new Set(days), varied: true });
  return {
    scene,
    days: scene.banks.length === 0 ? [] : days,
    startSoc: chosen.startSoc,
    windowLow: scene.banks[scene.house]?.chemistry.windowLowSoc ?? 0,
  };
}

/** Cruises from..from+runs-1 of the season. Those of one seed are the same however they are shared out. */
export function seasonBlock(
  season: SeasonScene,
  asked: SeasonAsked,
  from: number,
  runs: number,
  loop = createLoop(season.scene, true),
): SeasonBlock {
  const { scene, days } = season;
  const n = days.length;
  const lowest = new Float32Array(runs * n);
  const unmet = new Uint8Array(runs);
  const factors = { sun: 1, wind: 1, use: 1, motor: 1 };
  for (let r = 0; r < runs; r++) {
    const dice = random(asked.seed, from + r);
    loop.reset(season.startSoc);
    let sky = 0;
    let blow = 0;
    for (let d = 0; d < n; d++) {
      sky = 0.5 * sky + Math.sqrt(0.75) * dice.normal();
      blow = 0.5 * blow + Math.sqrt(0.75) * dice.normal();
      factors.sun = Math.min(1.6, Math.max(0.08, 1 + asked.sunSpread * sky));
      // Weibull k = 2 has a spread of 0.52 of its mean.
      factors.wind = Math.min(3, Math.max(0, 1 + asked.windSpread * blow));
      factors.use = Math.exp(asked.useSpread * dice.normal() - asked.useSpread ** 2 / 2);
      factors.motor = Math.min(1.5, Math.exp(asked.motorSpread * dice.normal() - asked.motorSpread ** 2 / 2));
      loop.day(days[d] as number, factors);
      lowest[r * n + d] = loop.totals.lowest[scene.house] ?? 0;
    }
    unmet[r] = (loop.totals.sums[Sum.unmet] ?? 0) > 0.05 ? 1 : 0;
  }
  return { from, runs, days: n, lowest, unmet };
}

export const QUANTILES = [0.05, 0.25, 0.5, 0.75, 0.95] as const;

export interface SeasonResult {
  readonly runs: number;
  readonly days: number;
  /** By day, then by QUANTILES: lowest state of charge. */
  readonly fan: readonly (readonly number[])[];
  /** Share of cruises in which the house bank leaves its window, and its 95 % limits (Wilson). */
  readonly out: Chance;
  /** Share in which loads are without current. */
  readonly dark: Chance;
  /** Median of the lowest of a whole cruise. */
  readonly medianLowest: number;
  /** State of charge the house bank leaves its window at. */
  readonly windowLow: number;
}

export interface Chance {
  readonly share: number;
  readonly low: number;
  readonly high: number;
  readonly count: number;
}

/** Share of count in runs with its 95 % limits (Wilson score). 0 runs: 0 to 1. */
export function chance(count: number, runs: number): Chance {
  if (runs === 0) return { share: 0, low: 0, high: 1, count };
  const z = 1.96;
  const p = count / runs;
  const middle = (p + (z * z) / (2 * runs)) / (1 + (z * z) / runs);
  const half = (z / (1 + (z * z) / runs)) * Math.sqrt((p * (1 - p)) / runs + (z * z) / (4 * runs * runs));
  return { share: p, low: Math.max(0, middle - half), high: Math.min(1, middle + half), count };
}

/** Value below which a share of the sorted figures lies, linear between neighbours. */
export function quantile(sorted: ArrayLike<number>, share: number): number {
  const x = (sorted.length - 1) * share;
  const i = Math.floor(x);
  const [a, b] = [sorted[i] ?? NaN, sorted[Math.min(sorted.length - 1, i + 1)] ?? NaN];
  return a + (x - i) * (b - a);
}

/** All blocks together, in the order of their cruises. */
export function seasonResult(blocks: readonly SeasonBlock[], windowLow: number): SeasonResult {
  const ordered = [...blocks].sort((a, b) => a.from - b.from);
  const runs = ordered.reduce((sum, b) => sum + b.runs, 0);
  const days = ordered[0]?.days ?? 0;
  const column = new Float32Array(runs);
  const fan = Array.from({ length: days }, (_, d) => {
    let at = 0;
    for (const b of ordered) for (let r = 0; r < b.runs; r++) column[at++] = b.lowest[r * days + d] ?? 0;
    column.sort();
    return QUANTILES.map((q) => quantile(column, q));
  });
  const lows = new Float32Array(runs);
  let at = 0;
  let dark = 0;
  for (const b of ordered)
    for (let r = 0; r < b.runs; r++) {
      let low = 1;
      for (let d = 0; d < days; d++) low = Math.min(low, b.lowest[r * days + d] ?? 1);
      lows[at++] = low;
      dark += b.unmet[r] ?? 0;
    }
  const out = lows.reduce((count, low) => count + (low < windowLow - 1e-6 ? 1 : 0), 0);
  lows.sort();
  return { runs, days, fan, out: chance(out, runs), dark: chance(dark, runs), medianLowest: runs > 0 ? quantile(lows, 0.5) : 1, windowLow };
}

export const MORE = ['one more battery', '100 Wp more sun', '30 A more alternator', 'one more hour of engine a day'] as const;
export type More = (typeof MORE)[number];

/** The design with a little more of something; null where it has nothing to add to. */
export function withMore(design: Design, more: More): Design | null {
  const house = design.banks[houseIndex(design.banks)];
  switch (more) {
    case 'one more battery':
      return house ? { ...design, banks: design.banks.map((b) => (b.id === house.id ? { ...b, strings: b.strings + 1 } : b)) } : null;
    case '100 Wp more sun': {
      const sun = design.sources.find((s) => s.kind === 'solar' && s.solar);
      if (!sun?.solar) return null;
      const { solar } = sun;
      const had = solar.wp * solar.series * solar.parallel;
      const wp = (solar.wp * (had + 100)) / had;
      const controllerA = solar.controllerA * ((had + 100) / had);
      return { ...design, sources: design.sources.map((s) => (s.id === sun.id ? { ...s, solar: { ...solar, wp, controllerA } } : s)) };
    }
    case '30 A more alternator': {
      const alt = design.sources.find((s) => s.kind === 'alternator' && s.alternator);
      if (!alt?.alternator || alt.ratedA <= 0) return null;
      const by = (alt.ratedA + 30) / alt.ratedA;
      const { alternator } = alt;
      const grown = { ...alternator, curve: alternator.curve.map((p) => ({ ...p, amps: p.amps * by })) };
      return {
        ...design,
        sources: design.sources.map((s) => (s.id === alt.id ? { ...s, ratedA: alt.ratedA + 30, alternator: grown } : s)),
      };
    }
    case 'one more hour of engine a day':
      return design.living.some((l) => l.day.some((s) => s.what === 'engine'))
        ? {
            ...design,
            living: design.living.map((l) => {
              const last = [...l.day].reverse().find((s) => s.what === 'engine');
              return last ? { ...l, day: l.day.map((s) => (s === last ? { ...s, toH: Math.min(24, s.toH + 1) } : s)) } : l;
            }),
          }
        : null;
  }
}
