/** What may run together as a few rules an owner can keep in mind: they never allow a set that opens a breaker (docs/methods.md, M12). */
import { addedUp } from './addedUp';
import { bits, conflictsIn, exactRules } from './exactRules';
import { betterRules, countBits, fewRules, forbidsBy, type Rule } from './fewRules';
import { type AcLimit, type Consumer, fitsByMask } from './together';

export interface OwnerRule {
  /** not with: the first of ids with none of the others. at most: so many of ids. add up: watts of ids, no more than most together. */
  readonly kind: 'always fine' | 'one at a time' | 'at most' | 'either or' | 'not with' | 'add up';
  readonly ids: readonly string[];
  readonly most: number;
  /** Of add up, what each counts for, and on a split service the leg it is of. */
  readonly watts?: readonly number[];
  readonly leg?: 'first' | 'second';
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
const MOST_KEPT = 4;
/** So much of the largest sets allowed is enough: room is kept for small ones only where that allows more. */
const ENOUGH = 0.95;

const kindOf = ({ members, most, centre }: Rule): OwnerRule['kind'] =>
  centre !== 0 ? 'not with' : most > 1 ? 'at most' : countBits(members) === 2 ? 'either or' : 'one at a time';

/**
 * Rules of six kinds, at most twelve. Sets they allow fit, every one of all 2^n. Where twelve exact ones do not do, those are
 * sought that allow most of the largest sets; room is kept for small ones where that allows more; what is left out and fits
 * beside what is always fine is listed under also. Watts are added up, on a split service leg by leg, where the other five leave less than that. null: more loads than can be gone through.
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
  const attempt = (kept: number) => {
    const others = able & ~always & ~kept;
    const fit = (m: number) => fits[m | kept] === 1;
    const conflicts = conflictsIn(others, n, fit);
    const most = MOST_LINES - (always | kept ? 1 : 0);
    const sets = largest.map((m) => m & others);
    return { kept, conflicts, sets, most, few: fewRules(exactRules(conflicts, others, fit), conflicts, sets, most) };
  };
  let best = attempt(0);
  let kept = 0;
  for (const i of bits(able & ~always)
    .sort((a, b) => (loads[a]?.watts ?? 0) - (loads[b]?.watts ?? 0))
    .slice(0, MOST_KEPT)) {
    kept |= 1 << i;
    // Never so much that another could not run beside them.
    if (best.few.allows >= ENOUGH || bits(able).some((k) => fits[kept | (1 << k)] === 0)) break;
    const next = attempt(kept);
    if (next.few.allows > best.few.allows) best = next;
  }
  const { rules } = best.few.allows >= ENOUGH ? best.few : betterRules(best.few, best.conflicts, best.sets, best.most);
  const left = largest.filter((_, i) => rules.some((r) => forbidsBy(r, best.sets[i] ?? 0)));
  const allowed = largest.length === 0 ? 1 : 1 - left.length / largest.length;
  const idsOf = (mask: number) => bits(mask).map((i) => loads[i]?.id ?? '');
  const watts = (mask: number) => bits(mask).reduce((sum, i) => sum + (loads[i]?.watts ?? 0), 0);
  const line = (rule: Rule): OwnerRule => ({
    kind: kindOf(rule),
    most: rule.most,
    ids: [...idsOf(rule.centre), ...idsOf(rule.members)],
  });
  const largestFirst = (masks: readonly number[]) =>
    [...new Set(masks)]
      .sort((a, b) => watts(b) - watts(a))
      .slice(0, MOST_ALSO)
      .map(idsOf);
  const sum = allowed >= ENOUGH ? null : addedUp({ loads, limit, fits, able, largest }, MOST_LINES - limit.legs, ENOUGH);
  if (sum && sum.allowed > allowed)
    return {
      rules: [
        ...sum.counts.map(({ leg, watts, most }): OwnerRule => {
          const on = bits(able).filter((i) => (watts[i] ?? 0) > 0);
          const ids = on.map((i) => loads[i]?.id ?? '');
          return { kind: 'add up', ids, most, watts: on.map((i) => watts[i] ?? 0), ...(leg === null ? {} : { leg }) };
        }),
        ...sum.others.map(line),
      ],
      also: largestFirst(sum.left),
      allowed: sum.allowed,
      never: idsOf(everything & ~able),
    };
  const fine = always | best.kept;
  const others = able & ~fine;
  return {
    rules: [...(fine === 0 ? [] : [{ kind: 'always fine' as const, most: 0, ids: idsOf(fine) }]), ...rules.map(line)],
    // What stands under always fine runs beside them too: a set that leaves no room for it is none to be offered.
    also: largestFirst(left.map((m) => m & others).filter((m) => fits[m | fine] === 1)),
    allowed,
    never: idsOf(everything & ~able),
  };
}

/** Whether the rules let a set run. */
export function allows({ rules, never }: OwnerRules, set: readonly string[]): boolean {
  const on = new Set(set);
  if (never.some((id) => on.has(id))) return false;
  return rules.every(({ kind, ids, most, watts }) => {
    if (kind === 'add up') return ids.reduce((sum, id, i) => sum + (on.has(id) ? (watts?.[i] ?? 0) : 0), 0) <= most;
    const running = ids.filter((id) => on.has(id)).length;
    if (kind === 'always fine') return true;
    if (kind === 'not with') return !(on.has(ids[0] ?? '') && running > 1);
    return running <= most;
  });
}
