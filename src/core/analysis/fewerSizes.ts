/** Fewer sizes on the cut list: a further reel is worth so much copper (docs/methods.md, "Chosen together"). */
import type { CircuitResult } from '../circuit';
import type { Design } from '../design';
import { type Conductor, CONDUCTORS } from '../rules';

/** So many sizes cost nothing, each further one as much as so much copper, kg (M20). */
const SIZES = 5;
const KG_PER_SIZE = 1;

const chosenOf = ({ own }: CircuitResult): Conductor => own.state.conductor;
const fixed = (design: Design, { id, own }: CircuitResult): boolean =>
  own.ladder.pinned || own.ladder.kept || own.ladder.chosen.legs > 1 || design.circuits.some((c) => c.id === id && c.pin.size !== null);

/** Sizes the circuits use, the lightest first. */
export const sizesOf = (circuits: readonly CircuitResult[]): readonly Conductor[] =>
  [...new Set(circuits.map(chosenOf))].sort((a, b) => a.areaMm2 - b.areaMm2);

/** What sizes beyond the fifth weigh, kg. */
export const reelsKg = (circuits: readonly CircuitResult[]): number => KG_PER_SIZE * Math.max(0, sizesOf(circuits).length - SIZES);

/**
 * Ways to do with one size less, the cheapest first: every circuit of a size takes the next one that is used anyway. Sizes by circuit. Only those
 * that weigh less than the reel they spare; none while there are few enough.
 */
export function sizeFewer(design: Design, circuits: readonly CircuitResult[]): readonly ReadonlyMap<string, string>[] {
  const used = sizesOf(circuits);
  if (used.length <= SIZES) return [];
  return used
    .slice(0, -1)
    .flatMap((from, i) => {
      const to = used[i + 1];
      const own = circuits.filter((r) => chosenOf(r) === from);
      if (!to || !CONDUCTORS[design.boat.ruleSet].includes(to) || own.some((r) => fixed(design, r))) return [];
      const kg = own.reduce((sum, r) => sum + (2 * r.lengthM * (to.massKgPerKm - from.massKgPerKm)) / 1000, 0);
      return kg < KG_PER_SIZE ? [{ kg, sizes: new Map(own.map((r) => [r.id, to.size])) }] : [];
    })
    .sort((a, b) => a.kg - b.kg)
    .map(({ sizes }) => sizes);
}
