/** What may run together, in plain words for the owner, to hang beside the panel. */
import { rowOf } from '../design';
import type { AcParts } from './parts';
import { type OwnerRule, ownerRules } from './ownerRules';
import { consumersOn, runningOf } from './running';

export interface PlacardLine {
  readonly setting: string;
  /** Everything at once. */
  readonly all: boolean;
  /** A few of the largest sets, by name. */
  readonly sets: readonly (readonly string[])[];
  readonly more: number;
  /** What never runs here, and what was asked for and must go, in order. */
  readonly never: readonly string[];
  readonly wanted: string;
  /** The rules in words, each with what it says first; empty: there are too many appliances for rules, the sets stand alone. */
  readonly rules: readonly { readonly lead: string; readonly text: string }[];
  /** Part of the largest sets that the rules leave. */
  readonly allowed: number;
  /** Sets that fit beside the rules. */
  readonly also: readonly (readonly string[])[];
}

/** One after another; a name with a comma of its own asks for semicolons. */
const row = (names: readonly string[]): string => names.join(names.some((n) => n.includes(',')) ? '; ' : ', ');
const list = (names: readonly string[], last: string): string => {
  const end = names[names.length - 1] ?? '';
  if (names.length < 2) return end;
  return names.some((n) => n.includes(',')) ? `${row(names.slice(0, -1))}; ${last} ${end}` : `${row(names.slice(0, -1))} ${last} ${end}`;
};
const NUMBERS = ['none', 'one', 'two', 'three', 'four', 'five', 'six'];

/** A rule as an owner reads it. */
function inWords(
  { kind, ids, most, watts, leg }: OwnerRule,
  name: (id: string) => string,
): { readonly lead: string; readonly text: string } {
  const names = ids.map(name);
  switch (kind) {
    case 'always fine':
      return { lead: 'Always fine', text: row(names) };
    case 'one at a time':
      return { lead: 'One of these at a time', text: row(names) };
    case 'at most':
      return { lead: `At most ${NUMBERS[most] ?? most} of`, text: row(names) };
    case 'either or':
      return { lead: 'Either', text: list(names, 'or') };
    case 'add up':
      return {
        lead: `${leg ? `On the ${leg} leg add` : 'Add'} up these watts, ${most} together at the most`,
        text: names.map((n, i) => `${n} ${watts?.[i] ?? 0}`).join('; '),
      };
    case 'not with':
      return { lead: names[0] ?? '', text: `not with ${list(names.slice(1), 'or')}` };
  }
}

const nameOf = (design: AcParts, id: string): string => rowOf(design.acLoads, id)?.name ?? id;

/** Sets that say most with fewest lines: each shows an appliance no set before it had, largest first. */
function telling(sets: readonly (readonly string[])[], most: number): (readonly string[])[] {
  const shown = new Set<string>();
  const out: (readonly string[])[] = [];
  for (const set of sets) {
    if (out.length >= most) break;
    if (out.length > 0 && set.every((id) => shown.has(id))) continue;
    out.push(set);
    for (const id of set) shown.add(id);
  }
  return out;
}

/** @param most lines of sets a setting. */
export function placardLines(design: AcParts, most = 3): PlacardLine[] {
  return runningOf(design)
    .filter((r) => r.together.sets.length > 0 || r.tooLarge.length > 0)
    .map((r): PlacardLine => {
      const owner = r.setting.limit.amps > 0 ? ownerRules(consumersOn(design, r.setting).able, r.setting.limit) : null;
      const chosen = telling(r.together.sets, most);
      const { shedding, ids, outOfReach } = r.wanted;
      const steps = shedding.steps.map((s) =>
        s.do === 'turn down' ? `turn ${nameOf(design, s.id)} down to ${s.toWatts} W` : `switch off ${nameOf(design, s.id)}`,
      );
      const never = [...r.tooLarge, ...r.refusals.map((x) => x.id).filter((id) => id !== '')];
      return {
        rules: (owner?.rules ?? []).map((rule) => inWords(rule, (id) => nameOf(design, id))),
        allowed: owner?.allowed ?? 1,
        also: (owner?.also ?? []).map((set) => set.map((id) => nameOf(design, id))),
        setting: r.setting.name,
        all: r.together.sets.length === 1 && never.length === 0,
        sets: chosen.map((set) => set.map((id) => nameOf(design, id))),
        more: r.together.sets.length - chosen.length,
        never: never.map((id) => nameOf(design, id)),
        wanted:
          ids.length + outOfReach.length === 0
            ? ''
            : [
                steps.length === 0 ? (ids.length > 0 ? 'fits' : '') : steps.join(', then '),
                outOfReach.length > 0 ? `not on this source: ${outOfReach.map((id) => nameOf(design, id)).join(', ')}` : '',
              ]
                .filter(Boolean)
                .join('; '),
      };
    });
}
