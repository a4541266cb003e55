/** What is wrong on a path, from readings along it: suspects with their odds, and the next best place to measure (docs/methods.md, M16). */
import type { Element } from './path';
import { stretchOf } from './stretch';
import { worth } from './worth';

/** Millivolts read over some elements in a row, at a current. */
export interface Reading {
  readonly elements: readonly string[];
  readonly amps: number;
  readonly mv: number;
}

export interface Suspect {
  /** Ids of the elements that are bad; empty: none is. 'not drawn': something that is not in the drawing. */
  readonly elements: readonly string[];
  readonly notDrawn: boolean;
  readonly what: string;
  readonly probability: number;
  /** Extra resistance of each, mohm. */
  readonly extraMohm: readonly number[];
  /** Heat of it at a current, W. */
  readonly watts: number;
}

export interface NextReading {
  readonly elements: readonly string[];
  readonly what: string;
  /** Bits it is worth. */
  readonly bits: number;
  /** What each leading suspect predicts, mV. */
  readonly predicts: readonly { readonly what: string; readonly mv: number }[];
}

export interface Diagnosis {
  readonly suspects: readonly Suspect[];
  readonly next: NextReading | null;
}

/** Odds of an element of being bad beside others, and of nothing being wrong, and of what is not drawn. */
const PRIOR = { joints: 6, device: 4, copper: 2 } as const;
const SOUND = 0.3;
const NOT_DRAWN = 0.05;
/** Two faults at once are rarer than one by this. */
const PAIR = 0.08;
/** Extra resistance may be anything up to this, of the path and at least, mohm. */
const RANGE = 10;
const LEAST_RANGE = 20;
const DIGIT_MV = 0.2;

interface Model {
  readonly bad: readonly Element[];
  readonly extra: readonly number[];
  /** Of each: no reading lies over it, its extra is anything. */
  readonly free: readonly boolean[];
  readonly log: number;
  readonly notDrawn: boolean;
}

/** Spread of a reading over elements, one sigma, mV: their own, and the meter's. */
function sigmaOf(elements: readonly Element[], amps: number, mv: number): number {
  const shared = new Map<string, number>();
  let sum = 0;
  for (const e of elements) {
    const two = (e.up + e.down) / 2;
    if (e.shared === null) sum += (two * amps) ** 2;
    else shared.set(e.shared, (shared.get(e.shared) ?? 0) + two * amps);
  }
  for (const two of shared.values()) sum += two ** 2;
  const meter = 0.005 * Math.abs(mv) + DIGIT_MV + 0.02 * Math.abs(mv);
  return Math.sqrt(sum + meter ** 2) / 2;
}

interface Seen {
  readonly covers: ReadonlySet<string>;
  readonly amps: number;
  readonly off: number;
  readonly sigma: number;
}

const seenOf = (path: readonly Element[], readings: readonly Reading[]): Seen[] =>
  readings.map((r) => {
    const own = path.filter((e) => r.elements.includes(e.id));
    const expected = own.reduce((n, e) => n + e.mohm, 0) * r.amps;
    return { covers: new Set(r.elements), amps: r.amps, off: r.mv - expected, sigma: sigmaOf(own, r.amps, r.mv) };
  });

/** Extra resistances, none below zero, that leave least: one or two unknowns, solved in the open. */
function fit(
  seen: readonly Seen[],
  bad: readonly Element[],
): { readonly extra: number[]; readonly chi2: number; readonly sigmas: number[] } {
  const a = (s: Seen, e: Element) => (s.covers.has(e.id) ? s.amps / s.sigma : 0);
  const b = (s: Seen) => s.off / s.sigma;
  const [p, q] = bad;
  const chi2 = (x: number, y: number) => seen.reduce((n, s) => n + (b(s) - (p ? a(s, p) * x : 0) - (q ? a(s, q) * y : 0)) ** 2, 0);
  if (!p) return { extra: [], chi2: chi2(0, 0), sigmas: [] };
  const pp = seen.reduce((n, s) => n + a(s, p) ** 2, 0);
  const pb = seen.reduce((n, s) => n + a(s, p) * b(s), 0);
  const alone = Math.max(0, pp > 0 ? pb / pp : 0);
  if (!q) return { extra: [alone], chi2: chi2(alone, 0), sigmas: [pp > 0 ? 1 / Math.sqrt(pp) : Infinity] };
  const qq = seen.reduce((n, s) => n + a(s, q) ** 2, 0);
  const pq = seen.reduce((n, s) => n + a(s, p) * a(s, q), 0);
  const qb = seen.reduce((n, s) => n + a(s, q) * b(s), 0);
  const det = pp * qq - pq ** 2;
  const candidates: [number, number][] = [
    [alone, 0],
    [0, Math.max(0, qq > 0 ? qb / qq : 0)],
  ];
  if (det > 1e-12 * pp * qq) {
    const [x, y] = [(pb * qq - qb * pq) / det, (qb * pp - pb * pq) / det];
    if (x >= 0 && y >= 0) candidates.push([x, y]);
  }
  const [x, y] = candidates.reduce((best, c) => (chi2(...c) < chi2(...best) ? c : best));
  return { extra: [x, y], chi2: chi2(x, y), sigmas: [pp > 0 ? 1 / Math.sqrt(pp) : Infinity, qq > 0 ? 1 / Math.sqrt(qq) : Infinity] };
}

function models(path: readonly Element[], readings: readonly Reading[]): Model[] {
  const seen = seenOf(path, readings);
  const whole = path.reduce((n, e) => n + e.mohm, 0);
  const range = Math.max(LEAST_RANGE, RANGE * whole);
  const weight = path.reduce((n, e) => n + PRIOR[e.kind], 0);
  const of = (bad: readonly Element[]): Model => {
    const { extra, chi2, sigmas } = fit(seen, bad);
    const prior = bad.reduce((n, e) => n + Math.log(PRIOR[e.kind] / weight), bad.length === 2 ? Math.log(PAIR) : 0);
    // A free resistance costs what it could have been otherwise.
    const occam = sigmas.reduce((n, s) => n + Math.log(Math.min(1, (2.5 * Math.min(s, range)) / range)), 0);
    return {
      bad,
      extra,
      free: sigmas.map((s) => !Number.isFinite(s)),
      notDrawn: false,
      log: (bad.length === 0 ? Math.log(SOUND) : prior) + occam - chi2 / 2,
    };
  };
  const out = [of([]), ...path.map((e) => of([e]))];
  for (let i = 0; i < path.length; i++) for (let j = i + 1; j < path.length; j++) out.push(of([path[i] as Element, path[j] as Element]));
  // What is not drawn explains any reading alike: each may lie anywhere in the range.
  const anywhere = seen.reduce((n, r) => n + Math.log(Math.min(1, (2.5 * r.sigma) / Math.max(1e-9, range * r.amps))), 0);
  out.push({ bad: [], extra: [], free: [], notDrawn: true, log: Math.log(NOT_DRAWN) + anywhere });
  return out;
}

const wordsOf = (m: Model): string =>
  m.notDrawn ? 'something that is not drawn here' : m.bad.length === 0 ? 'nothing' : m.bad.map((e) => e.what).join(' and ');

const MOST_SHOWN = 12;

/** @param atA the current at which heat is told, A. */
export function diagnose(path: readonly Element[], readings: readonly Reading[], atA: number): Diagnosis {
  const all = models(path, readings);
  const top = Math.max(...all.map((m) => m.log));
  const weights = all.map((m) => Math.exp(m.log - top));
  const sum = weights.reduce((a, b) => a + b, 0);
  const ranked = all.map((m, i) => ({ m, p: (weights[i] ?? 0) / sum })).sort((a, b) => b.p - a.p);
  const suspects = ranked.slice(0, MOST_SHOWN).map(({ m, p }): Suspect => ({
    elements: m.bad.map((e) => e.id),
    notDrawn: m.notDrawn,
    what: wordsOf(m),
    probability: p,
    extraMohm: m.extra,
    watts: (m.extra.reduce((n, x) => n + x, 0) / 1000) * atA ** 2,
  }));
  return { suspects, next: nextOf(path, readings, ranked.slice(0, 24), atA) };
}

/** Stretches a meter can be put over, from stud to stud. @param fine from lug to conductor too. */
function stretches(path: readonly Element[], fine: boolean): readonly (readonly Element[])[] {
  const units: Element[][] = [];
  for (const e of path) {
    const last = units[units.length - 1];
    if (!fine && last?.[0] && stretchOf(last[0].id) === stretchOf(e.id)) last.push(e);
    else units.push([e]);
  }
  return units.flatMap((_, i) => units.slice(i).map((_u, k) => units.slice(i, i + k + 1).flat()));
}

function nextOf(
  path: readonly Element[],
  had: readonly Reading[],
  ranked: readonly { readonly m: Model; readonly p: number }[],
  amps: number,
): NextReading | null {
  if (amps <= 0) return null;
  const known = new Set(had.map((r) => [...r.elements].sort().join(' ')));
  // What a fault nobody has measured over may be like: enough to be complained of.
  const guess = Math.max(GUESS_MOHM, GUESS_PART * path.reduce((n, e) => n + e.mohm, 0));
  const found = bestOver(stretches(path, false));
  // Between a cable and its ends only once nothing else is left to be parted.
  return found && found.bits >= LEAST_BITS ? found : bestOver(stretches(path, true));

  function bestOver(all: readonly (readonly Element[])[]): NextReading | null {
    let best: NextReading | null = null;
    for (const own of all) {
      if (
        known.has(
          own
            .map((e) => e.id)
            .sort()
            .join(' '),
        )
      )
        continue;
      const ids = new Set(own.map((e) => e.id));
      const base = own.reduce((n, e) => n + e.mohm, 0) * amps;
      const predicted = ranked
        .filter(({ m }) => !m.notDrawn)
        .map(({ m, p }) => ({
          p,
          what: wordsOf(m),
          mv: base + m.bad.reduce((n, e, k) => (ids.has(e.id) ? n + (m.free[k] ? guess : (m.extra[k] ?? 0)) * amps : n), 0),
        }));
      const bits = worth(predicted, sigmaOf(own, amps, predicted[0]?.mv ?? base));
      if (best === null || bits > best.bits + 1e-9)
        best = {
          elements: [...ids],
          what: own.length === 1 ? (own[0]?.what ?? '') : `all from ${own[0]?.what ?? ''} to ${own[own.length - 1]?.what ?? ''}`,
          bits,
          predicts: predicted.slice(0, 3).map(({ what, mv }) => ({ what, mv })),
        };
    }
    return best;
  }
}
/** Extra of a fault that no reading lies over yet: of the path, and at least, mohm. */
const GUESS_PART = 0.5;
const GUESS_MOHM = 10;
/** A reading worth less is not worth its minutes. */
const LEAST_BITS = 0.3;
