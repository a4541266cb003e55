/** Few rules that forbid every set that does not fit, and leave as many of the largest sets as they can (docs/methods.md, M12). */
import { random } from '../solve';

/** centre 0: at most so many of the members. Else: the centre with none of the members. All by their bits. */
export interface Rule {
  readonly members: number;
  readonly most: number;
  readonly centre: number;
}

export const countBits = (mask: number): number => {
  let n = mask - ((mask >>> 1) & 0x55555555);
  n = (n & 0x33333333) + ((n >>> 2) & 0x33333333);
  return (((n + (n >>> 4)) & 0x0f0f0f0f) * 0x01010101) >>> 24;
};

export const forbidsBy = ({ members, most, centre }: Rule, set: number): boolean =>
  centre === 0 ? countBits(set & members) > most : (set & centre) !== 0 && (set & members) !== 0;

const bitsOf = (mask: number): number[] => {
  const out: number[] = [];
  for (let m = mask; m !== 0; m &= m - 1) out.push(m & -m);
  return out;
};

/** Rules with, for every set, how many of them forbid it: conflicts must be forbidden by one, the largest had better be by none. */
class Weighed {
  readonly rules: Rule[];
  uncovered = 0;
  gone = 0;
  /** Conflicts first, then the largest sets. */
  private readonly sets: Int32Array;
  private readonly times: Int16Array;
  private readonly marks: Uint8Array[];
  private readonly next: Uint8Array;
  constructor(
    rules: readonly Rule[],
    private readonly conflicts: readonly number[],
    largest: readonly number[],
  ) {
    this.rules = [...rules];
    this.sets = Int32Array.from([...conflicts, ...largest]);
    this.times = new Int16Array(this.sets.length);
    this.next = new Uint8Array(this.sets.length);
    this.marks = rules.map((r) => Uint8Array.from(this.sets, (s) => (forbidsBy(r, s) ? 1 : 0)));
    for (const m of this.marks) for (let i = 0; i < m.length; i++) this.times[i] = (this.times[i] ?? 0) + (m[i] ?? 0);
    for (let i = 0; i < this.times.length; i++) {
      if (i < conflicts.length && this.times[i] === 0) this.uncovered++;
      if (i >= conflicts.length && this.times[i] !== 0) this.gone++;
    }
  }
  isOpen(conflict: number): boolean {
    return this.times[conflict] === 0;
  }
  /** What another rule in a place would change: conflicts left open, sets forbidden. Taken by put, until the next is asked for. */
  change(at: number, rule: Rule): readonly [open: number, gone: number] {
    const { sets, times, next } = this;
    const was = this.marks[at] as Uint8Array;
    const n = this.conflicts.length;
    let [open, gone] = [0, 0];
    for (let i = 0; i < sets.length; i++) {
      const is = forbidsBy(rule, sets[i] ?? 0) ? 1 : 0;
      next[i] = is;
      if (is === was[i]) continue;
      const others = (times[i] ?? 0) - (was[i] ?? 0);
      if (others > 0) continue;
      if (i < n) open += is === 0 ? 1 : -1;
      else gone += is === 0 ? -1 : 1;
    }
    return [open, gone];
  }
  put(at: number, rule: Rule, [open, gone]: readonly [number, number]): void {
    const was = this.marks[at] as Uint8Array;
    for (let i = 0; i < was.length; i++) {
      this.times[i] = (this.times[i] ?? 0) + (this.next[i] ?? 0) - (was[i] ?? 0);
      was[i] = this.next[i] ?? 0;
    }
    this.rules[at] = rule;
    this.uncovered += open;
    this.gone += gone;
  }
}

/** Two rules in one that forbids all that both do. */
const merged = (a: Rule, b: Rule): Rule =>
  a.centre !== 0 && a.centre === b.centre
    ? { ...a, members: a.members | b.members }
    : {
        members: a.members | a.centre | b.members | b.centre,
        most: Math.min(a.centre === 0 ? a.most : 1, b.centre === 0 ? b.most : 1),
        centre: 0,
      };

/** Of so many rules all pairs are weighed; of more, neighbours are merged first. */
const MOST_WEIGHED = 80;

/** Merged two at a time, where fewest of the largest sets are lost. */
function fewer(exact: readonly Rule[], largest: readonly number[], mostRules: number): Rule[] {
  let rules = [...exact];
  while (rules.length > Math.max(MOST_WEIGHED, mostRules)) {
    rules.sort((a, b) => a.most - b.most || a.members - b.members);
    rules = rules.flatMap((r, i) => {
      const next = rules[i + 1];
      return i % 2 === 1 ? [] : [next ? merged(r, next) : r];
    });
  }
  let allowed = largest.filter((s) => !rules.some((r) => forbidsBy(r, s)));
  while (rules.length > mostRules) {
    let best: { readonly a: Rule; readonly b: Rule; readonly lost: number } | null = null;
    rules.forEach((a, i) => {
      for (const b of rules.slice(i + 1)) {
        const both = merged(a, b);
        const lost = allowed.reduce((n, s) => n + (forbidsBy(both, s) ? 1 : 0), 0);
        if (!best || lost < best.lost) best = { a, b, lost };
      }
    });
    const { a, b } = best ?? { a: undefined, b: undefined };
    if (!a || !b) break;
    const both = merged(a, b);
    rules = [...rules.filter((r) => r !== a && r !== b), both];
    allowed = allowed.filter((s) => !forbidsBy(both, s));
  }
  return rules;
}

/** Members left out and caps raised as long as every conflict stays forbidden: what is forbidden in vain comes back; what forbids nothing goes. */
function loosened(rules: readonly Rule[], conflicts: readonly number[], largest: readonly number[]): Rule[] {
  const w = new Weighed(rules, conflicts, largest);
  const nothing: Rule = { members: 0, most: 0, centre: 0 };
  for (let again = true; again;) {
    again = false;
    w.rules.forEach((rule, at) => {
      const looser = [
        nothing,
        ...(rule.centre === 0 ? [{ ...rule, most: rule.most + 1 }] : []),
        ...bitsOf(rule.members).map((bit) => ({ ...rule, members: rule.members & ~bit })),
      ];
      for (const next of looser) {
        if (rule.members === 0) return;
        const change = w.change(at, next);
        if (change[0] > 0) continue;
        w.put(at, next, change);
        again = true;
        return;
      }
    });
  }
  return w.rules.filter((r) => r.members !== 0);
}

/** Rules are changed at random so many times, each against all sets: a fifth of a second's work at most. */
const MOST_WORK = 1.2e7;
const MOST_MOVES = 60000;

/** A change at random of a rule: a member more or less, a cap, a conflict still open taken in, a star round one of them. */
function varied(old: Rule, members: readonly number[], open: number | undefined, chance: () => number): Rule {
  const any = () => members[Math.floor(chance() * members.length)] ?? 0;
  const x = chance();
  if (x < 0.55) return { ...old, members: (old.members ^ any()) & ~old.centre };
  if (x < 0.65 && old.centre === 0) return { ...old, most: Math.max(1, old.most + (chance() < 0.5 ? 1 : -1)) };
  if (x < 0.8) return { ...old, members: (old.members ^ any() ^ any()) & ~old.centre };
  if (open === undefined) return old;
  if (countBits(open) === 2 && chance() < 0.3) return { centre: open & -open, members: open & (open - 1), most: 0 };
  return chance() < 0.4
    ? { members: open, most: countBits(open) - 1, centre: 0 }
    : { members: old.members | old.centre | open, most: Math.min(Math.max(1, old.most), countBits(open) - 1), centre: 0 };
}

/** Better rules by chance, cooling down; the best found that forbids every conflict. The same every time. */
function annealed(rules: readonly Rule[], conflicts: readonly number[], largest: readonly number[], mostRules: number): readonly Rule[] {
  const spare = Array.from({ length: Math.max(0, mostRules - rules.length) }, (): Rule => ({ members: 0, most: 1, centre: 0 }));
  const w = new Weighed([...rules, ...spare], conflicts, largest);
  const members = bitsOf(conflicts.reduce((all, c) => all | c, 0));
  const moves = Math.min(MOST_MOVES, Math.floor(MOST_WORK / Math.max(1, conflicts.length + largest.length)));
  const chance = random(1, 0).even;
  let best = { gone: w.uncovered === 0 ? w.gone : Infinity, rules: [...w.rules] };
  for (let t = 0; t < moves && best.gone > 0; t++) {
    const warm = 1 - t / moves;
    const at = Math.floor(chance() * w.rules.length);
    const old = w.rules[at];
    if (!old) break;
    const from = Math.floor(chance() * conflicts.length);
    // One still open, if there is one soon after a place at random.
    let pick = from;
    while (w.uncovered > 0 && pick < conflicts.length && !w.isOpen(pick)) pick++;
    const next = varied(old, members, conflicts[pick] ?? conflicts[from], chance);
    const change = w.change(at, next);
    const worse = (1 + 3 * (1 - warm)) * change[0] + change[1];
    if (worse > 0 && chance() >= Math.exp(-worse / (2.5 * warm + 0.05))) continue;
    w.put(at, next, change);
    if (w.uncovered === 0 && w.gone < best.gone) best = { gone: w.gone, rules: [...w.rules] };
  }
  return best.rules.filter((r) => r.members !== 0);
}

/** Sets that weigh as well as all do. */
const SAMPLE = 1200;
const sampled = (sets: readonly number[]): readonly number[] =>
  sets.length <= SAMPLE ? sets : Array.from({ length: SAMPLE }, (_, i) => sets[Math.floor((i * sets.length) / SAMPLE)] ?? 0);

export interface FewRules {
  readonly rules: readonly Rule[];
  /** Of the largest sets, those none of them forbids; of many a sample. */
  readonly allows: number;
}

const allowing = (rules: readonly Rule[], largest: readonly number[]): FewRules => ({
  rules,
  allows: largest.length === 0 ? 1 : largest.reduce((n, s) => n + (rules.some((r) => forbidsBy(r, s)) ? 0 : 1), 0) / largest.length,
});

/**
 * At most so many rules that between them forbid every conflict (a set that does not fit though all smaller ones within do), and few of the
 * largest sets: exact ones merged where least is lost, loosened where nothing needs them. @param exact forbid every conflict and nothing that
 * fits, however many they are.
 */
export function fewRules(exact: readonly Rule[], conflicts: readonly number[], largest: readonly number[], mostRules: number): FewRules {
  const weighed = sampled(largest);
  return allowing(loosened(fewer(exact, weighed, mostRules), conflicts, weighed), weighed);
}

/** The same varied by chance, for those that allow more; takes longer. */
export function betterRules({ rules }: FewRules, conflicts: readonly number[], largest: readonly number[], mostRules: number): FewRules {
  const weighed = sampled(largest);
  return allowing(loosened(annealed(rules, conflicts, weighed, mostRules), conflicts, weighed), weighed);
}
