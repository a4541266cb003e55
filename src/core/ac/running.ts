/** What may run at once on every setting of every source, and what becomes of the set that is wanted (docs/methods.md, M12). */
import { partsRead, rowOf } from '../design';
import { AC_READS, type AcParts } from './parts';
import { consumerOf, rowsOn } from './consumers';
import { withBreakers } from './breakers';
import { type Setting, settingsOf } from './services';
import {
  type Consumer,
  breakerRoomVa,
  fits,
  opens,
  largestSets,
  type Legs,
  legsOf,
  type Refusal,
  refusalsOf,
  shed,
  type Shedding,
  type Together,
} from './together';

export interface Wanted {
  /** Ids of the wanted set this source can reach, and of those it cannot. */
  readonly ids: readonly string[];
  readonly outOfReach: readonly string[];
  readonly watts: number;
  readonly va: number;
  /** Least room left, VA: on the fuller leg, or of the machine. Below zero: too much by so much. */
  readonly roomVa: number;
  readonly legs: Legs;
  /** Breakers that would open with all of it on. */
  readonly opens: readonly string[];
  readonly shedding: Shedding;
}

export interface Running {
  readonly setting: Setting;
  readonly refusals: readonly Refusal[];
  readonly together: Together;
  /** Appliances that do not fit alone, and the breakers each would open. */
  readonly tooLarge: readonly string[];
  readonly opensAlone: Readonly<Record<string, readonly string[]>>;
  readonly wanted: Wanted;
}

const NO_SETS: Together = { sets: [], more: false };

/** Volt-amperes left on the fuller leg, and of the machine's own rating, whichever is less. */
export function roomVa(loads: readonly Consumer[], { limit }: Setting): number {
  const { amps } = legsOf(loads, limit);
  const legs = [...amps.map((a) => limit.volts * (limit.amps - a)), breakerRoomVa(loads, limit)];
  const p = loads.reduce((sum, l) => sum + l.watts, 0);
  const q = loads.reduce((sum, l) => sum + l.watts * Math.tan(Math.acos(l.powerFactor)), 0);
  return Math.min(
    ...legs,
    limit.kva === null ? Infinity : 1000 * limit.kva - Math.hypot(p, q),
    limit.kw === null ? Infinity : 1000 * limit.kw - p,
  );
}

/** Appliances within a setting's reach, and those of them that can be calculated. */
export function consumersOn(design: AcParts, { sourceId, limit }: Setting) {
  const all = rowsOn(design, sourceId).map((l) => consumerOf(design, l, limit.legs));
  const refusals = refusalsOf(all, limit);
  const refused = new Set(refusals.map((r) => r.id));
  return { all, refusals, refused, able: refused.has('') ? [] : all.filter((l) => !refused.has(l.id)) };
}

/** @param wantedIds as the design has them; @param sets whether the largest sets are asked for too, which takes longer. */
export function runningOn(design: AcParts, setting: Setting, wantedIds: readonly string[], sets = true): Running {
  const { limit } = setting;
  const { all, able, refusals, refused } = consumersOn(design, setting);
  const wanted = able.filter((l) => wantedIds.includes(l.id));
  const charger = design.acRules.chargerFirst ? (wanted.find((l) => isCharger(design, l.id))?.id ?? null) : null;
  const tooLarge = able.filter((l) => !fits([l], limit));
  const reached = new Set(all.map((l) => l.id));
  return {
    setting,
    refusals,
    together: sets && limit.amps > 0 ? largestSets(able, limit) : NO_SETS,
    tooLarge: tooLarge.map((l) => l.id),
    opensAlone: Object.fromEntries(tooLarge.map((l) => [l.id, opens([l], limit)])),
    wanted: {
      ids: wanted.map((l) => l.id),
      outOfReach: wantedIds.filter((id) => !reached.has(id)),
      watts: wanted.reduce((sum, l) => sum + l.watts, 0),
      va: Math.hypot(
        wanted.reduce((sum, l) => sum + l.watts, 0),
        wanted.reduce((sum, l) => sum + l.watts * Math.tan(Math.acos(l.powerFactor)), 0),
      ),
      roomVa: refused.has('') ? NaN : roomVa(wanted, setting),
      legs: legsOf(wanted, limit),
      opens: opens(wanted, limit),
      shedding: shed(wanted, limit, charger),
    },
  };
}

export const isCharger = (design: AcParts, id: string): boolean => rowOf(design.acLoads, id)?.chargerId != null;

const known = new WeakMap<AcParts['acLoads'], { readonly deps: readonly unknown[]; readonly running: readonly Running[] }>();

/** All settings. */
export function runningOf(design: AcParts): readonly Running[] {
  const deps = partsRead(design, AC_READS);
  const before = known.get(design.acLoads);
  if (before?.deps.every((d, i) => d === deps[i])) return before.running;
  const running = withBreakers(design, settingsOf(design)).map((s) => runningOn(design, s, design.acRules.wanted));
  known.set(design.acLoads, { deps, running });
  return running;
}
