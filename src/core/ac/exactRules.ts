/** Rules that forbid exactly what does not fit, however many they are (docs/methods.md, M12). Sets are bits of a number. */
import { countBits, forbidsBy, type Rule } from './fewRules';

export const bits = (mask: number): number[] => {
  const out: number[] = [];
  for (let m = mask; m !== 0; m &= m - 1) out.push(31 - Math.clz32(m & -m));
  return out;
};

/** Sets that do not fit though every smaller one within them does. */
export function conflictsIn(among: number, n: number, fits: (mask: number) => boolean): number[] {
  const out: number[] = [];
  for (let m = 1; m < 1 << n; m++) {
    if ((m & ~among) !== 0 || fits(m)) continue;
    let minimal = true;
    for (let rest = m; rest !== 0 && minimal; rest &= rest - 1) if (!fits(m & ~(rest & -rest))) minimal = false;
    if (minimal) out.push(m);
  }
  return out.sort((a, b) => countBits(a) - countBits(b));
}

/** Grown from one conflict: every other set of that many within it does not fit either. */
function grown(conflict: number, loads: number, clashes: (mask: number) => boolean): Rule {
  const most = countBits(conflict) - 1;
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
  return { members: group, most, centre: 0 };
}

/** One with each of several, none of which form a group with it. */
function star(edges: readonly number[]): Rule | null {
  const touched = new Map<number, number>();
  for (const e of edges) for (const i of bits(e)) touched.set(i, (touched.get(i) ?? 0) | (e & ~(1 << i)));
  let best: { readonly i: number; readonly others: number } | null = null;
  for (const [i, others] of touched) if (!best || countBits(others) > countBits(best.others)) best = { i, others };
  return best && countBits(best.others) > 1 ? { members: best.others, most: 0, centre: 1 << best.i } : null;
}

/** Groups weighed of one step: of more, those first met. */
const MOST_WEIGHED = 40;

/** So many rules are far from few: what they leave is forbidden by one. */
const MOST_RULES = 80;

/** Rules that between them forbid every conflict: what settles most first. Nothing that fits, but where it would take more than eighty. */
export function exactRules(conflicts: readonly number[], loads: number, fits: (mask: number) => boolean): Rule[] {
  const rules: Rule[] = [];
  let left = [...conflicts];
  while (left.length > 0) {
    const size = countBits(left[0] ?? 0);
    if (rules.length === MOST_RULES) return [...rules, { members: left.reduce((all, c) => all | c, 0), most: size - 1, centre: 0 }];
    const same = left.filter((c) => countBits(c) === size);
    const groups = same.slice(0, MOST_WEIGHED).map((c) => grown(c, loads, (m) => !fits(m)));
    const apart = size === 2 ? star(same) : null;
    let best = groups[0] ?? { members: same[0] ?? 0, most: size - 1, centre: 0 };
    let covers = 0;
    for (const rule of [...groups, ...(apart ? [apart] : [])]) {
      const n = left.reduce((sum, x) => sum + (forbidsBy(rule, x) ? 1 : 0), 0);
      if (n > covers) [best, covers] = [rule, n];
    }
    rules.push(best);
    left = left.filter((c) => !forbidsBy(best, c));
  }
  return rules;
}
