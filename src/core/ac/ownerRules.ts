/** What may run together as a few rules an owner can keep in mind: they never allow a set that opens a breaker (docs/methods.md, M12). */
import { type AcLimit, type Consumer, fitsByMask } from './together';

export interface OwnerRule {
  /** not with: the first of ids with none of the others. at most: so many of ids. */
  readonly kind: 'always fine' | 'one at a time' | 'at most' | 'either or' | 'not with';
  readonly ids: readonly string[];
  readonly most: number;
}

export interface OwnerRules {
  readonly rules: readonly OwnerRule[];
  /** Sets that fit, with all that is always fine, though the rules leave them out: the largest few. */
  readonly also: readonly (readonly string[])[];
  /** Part of the largest sets the rules allow. */
  readonly allowed: number;
  /** Loads that do not fit alone. */
  readonly never: readonly string[];
}

/** Beyond so many nobody keeps them in mind, and all sets can no longer be gone through. */
export const MOST_LOADS = 18;
const MOST_LINES = 12;
const MOST_ALSO = 6;
/** Small ones that room may be kept for. */
const MOST_KEPT = 6;
/** More exact ones than this nobody keeps in mind: then a few strict ones do. */
const EASY_LINES = 7;
const FEW_LINES = 3;

const bits = (mask: number): number[] => {
  const out: number[] = [];
  for (let m = mask; m !== 0; m &= m - 1) out.push(31 - Math.clz32(m & -m));
  return out;
};
const count = (mask: number): number => {
  let n = 0;
  for (let m = mask; m !== 0; m &= m - 1) n++;
  return n;
};

/** Sets that do not fit though every smaller one within them does. */
function conflictsIn(among: number, n: number, fits: (mask: number) => boolean): number[] {
  const out: number[] = [];
  for (let m = 1; m < 1 << n; m++) {
    if ((m & ~among) !== 0 || fits(m)) continue;
    let minimal = true;
    for (let rest = m; rest !== 0 && minimal; rest &= rest - 1) if (!fits(m & ~(rest & -rest))) minimal = false;
    if (minimal) out.push(m);
  }
  return out;
}

interface Line {
  readonly rule: Omit<OwnerRule, 'ids'> & { readonly members: readonly number[] };
  readonly forbids: (mask: number) => boolean;
}

const atMost = (mask: number, most: number): Line => ({
  rule: { kind: most === 1 ? (count(mask) === 2 ? 'either or' : 'one at a time') : 'at most', most, members: bits(mask) },
  forbids: (m) => count(m & mask) > most,
});

/** Grown from one conflict: every other set of that many within it does not fit either. */
function grown(conflict: number, loads: number, clashes: (mask: number) => boolean): number {
  const most = count(conflict) - 1;
  let group = conflict;
  for (const i of bits(loads & ~conflict)) {
    // All sets of the size of the conflict that have the newcomer and otherwise members of the group.
    const members = bits(group);
    const all = (at: number, chosen: number, left: number): boolean => {
      if (left === 0) return clashes(chosen);
      for (let k = at; k <= members.length - left; k++) if (!all(k + 1, chosen | (1 << (members[k] ?? 0)), left - 1)) return false;
      return true;
    };
    if (all(0, 1 << i, most)) group |= 1 << i;
  }
  return group;
}

/** One with each of several, none of which form a group with it. */
function star(edges: readonly number[]): Line | null {
  const touched = new Map<number, number>();
  for (const e of edges) for (const i of bits(e)) touched.set(i, (touched.get(i) ?? 0) | (e & ~(1 << i)));
  let best: { readonly i: number; readonly others: number } | null = null;
  for (const [i, others] of touched) if (!best || count(others) > count(best.others)) best = { i, others };
  if (!best || count(best.others) < 2) return null;
  const { i, others } = best;
  return { rule: { kind: 'not with', most: 0, members: [i, ...bits(others)] }, forbids: (m) => (m & (1 << i)) !== 0 && (m & others) !== 0 };
}

/** Lines that between them forbid every conflict, and nothing that fits while there are few enough. */
function linesFor(conflicts: readonly number[], loads: number, fits: (mask: number) => boolean, mostLines: number): Line[] {
  const lines: Line[] = [];
  let left = [...conflicts].sort((a, b) => count(a) - count(b));
  const put = (line: Line) => {
    lines.push(line);
    left = left.filter((c) => !line.forbids(c));
  };
  // The last line is kept for whatever is still open.
  while (left.length > 0 && lines.length < mostLines) {
    const size = count(left[0] ?? 0);
    const same = left.filter((c) => count(c) === size);
    let best = atMost(same[0] ?? 0, size - 1);
    let covers = 0;
    for (const c of same) {
      const line = atMost(
        grown(c, loads, (m) => !fits(m)),
        size - 1,
      );
      const n = left.filter((x) => line.forbids(x)).length;
      if (n > covers) [best, covers] = [line, n];
    }
    const apart = size === 2 ? star(same) : null;
    const byStar = apart ? left.filter((x) => apart.forbids(x)).length : 0;
    put(apart && byStar > covers ? apart : best);
  }
  if (left.length > 0) {
    // Each of them has more members than this.
    const most = Math.min(...left.map(count)) - 1;
    const all = left.reduce((sum, c) => sum | c, 0);
    put(atMost(all, most));
  }
  return lines;
}

/**
 * Rules of five kinds, at most twelve. Sets they allow fit, every one of all 2^n; where twelve exact ones do not do, room is kept
 * for the small ones, and the last is stricter than it needs to be; what that leaves out and fits
 * beside what is always fine is listed under also. null: more loads than can be gone through.
 */
export function ownerRules(loads: readonly Consumer[], limit: AcLimit): OwnerRules | null {
  const n = loads.length;
  if (n > MOST_LOADS) return null;
  const fits = fitsByMask(loads, limit);
  const everything = (1 << n) - 1;
  let able = 0;
  for (let i = 0; i < n; i++) if (fits[1 << i] === 1) able |= 1 << i;
  let always = 0;
  for (const i of bits(able)) {
    let free = true;
    for (let m = 0; m <= everything && free; m++) if (fits[m] === 1 && (m & (1 << i)) === 0 && fits[m | (1 << i)] === 0) free = false;
    if (free) always |= 1 << i;
  }
  const largest: number[] = [];
  for (let m = 0; m <= everything; m++)
    if (fits[m] === 1 && (m & ~able) === 0 && bits(able & ~m).every((i) => fits[m | (1 << i)] === 0)) largest.push(m);
  /** With what is kept free for: those always run, whatever else does. */
  const attempt = (kept: number, mostLines: number) => {
    const others = able & ~always & ~kept;
    const fit = (m: number) => fits[m | kept] === 1;
    const lines = linesFor(conflictsIn(others, n, fit), others, fit, mostLines);
    return { kept, lines, left: largest.filter((m) => lines.some((l) => l.forbids(m & others))) };
  };
  let best = attempt(0, MOST_LINES - 2);
  const simple = best.left.length > 0 || best.lines.length > EASY_LINES;
  if (simple) best = attempt(0, FEW_LINES);
  let kept = 0;
  // Room kept for the small ones makes the rest simpler.
  for (const i of bits(able & ~always)
    .sort((a, b) => (loads[a]?.watts ?? 0) - (loads[b]?.watts ?? 0))
    .slice(0, MOST_KEPT)) {
    kept |= 1 << i;
    // Never so much that another could not run beside them.
    if (!simple || bits(able).some((k) => fits[kept | (1 << k)] === 0)) break;
    const next = attempt(kept, FEW_LINES);
    if (next.left.length < best.left.length) best = next;
  }
  const { lines, left } = best;
  const fine = always | best.kept;
  const others = able & ~fine;
  const idsOf = (members: readonly number[]) => members.map((i) => loads[i]?.id ?? '');
  const watts = (mask: number) => bits(mask).reduce((sum, i) => sum + (loads[i]?.watts ?? 0), 0);
  return {
    rules: [
      ...(fine === 0 ? [] : [{ kind: 'always fine' as const, most: 0, ids: idsOf(bits(fine)) }]),
      ...lines.map(({ rule: { members, ...rule } }) => ({ ...rule, ids: idsOf(members) })),
    ],
    // What stands under always fine runs beside them too: a set that leaves no room for it is none to be offered.
    also: [...new Set(left.map((m) => m & others))]
      .filter((m) => fits[m | fine] === 1)
      .sort((a, b) => watts(b) - watts(a))
      .slice(0, MOST_ALSO)
      .map((m) => idsOf(bits(m))),
    allowed: largest.length === 0 ? 1 : 1 - left.length / largest.length,
    never: idsOf(bits(everything & ~able)),
  };
}

/** Whether the rules let a set run. */
export function allows({ rules, never }: OwnerRules, set: readonly string[]): boolean {
  const on = new Set(set);
  if (never.some((id) => on.has(id))) return false;
  return rules.every(({ kind, ids, most }) => {
    const running = ids.filter((id) => on.has(id)).length;
    if (kind === 'always fine') return true;
    if (kind === 'not with') return !(on.has(ids[0] ?? '') && running > 1);
    return running <= most;
  });
}
