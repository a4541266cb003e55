/** Sizes chosen together: the least copper in mains, feeders and branches with which every load's whole path holds (docs/methods.md, "Chosen together"). */
import { analyse, createMemory, type Memory } from './analysis';
import type { CircuitResult } from '../circuit';
import { type Design, type Op, rowOf, setOp } from '../design';
import { CONDUCTORS } from '../rules';
import { circuitOrder } from '../topology';

/** Steps at most: each makes one shared part one size heavier. */
const MOST_STEPS = 24;

/** Volts by which whole paths miss their limits, all together, where their own run is in order. */
function missV(circuits: readonly CircuitResult[], systemV: number): number {
  let sum = 0;
  for (const { isFeeder, own } of circuits) {
    const { drop, failing } = own.state;
    if (isFeeder || drop.collapses || drop.wholePasses || failing.includes('drop')) continue;
    for (const t of drop.taps) sum += Math.max(0, ((t.pct - t.limitPct) * systemV) / 100);
  }
  return sum;
}

const sized = (design: Design, circuitId: string, size: string): Design => ({
  ...design,
  circuits: design.circuits.map((c) => (c.id === circuitId ? { ...c, together: { school: design.boat.ruleSet, size } } : c)),
});

/** Mains, feeders and branches of the paths that miss, that nobody has pinned or keeps as found. */
function onThePath(design: Design, circuits: readonly CircuitResult[]): ReadonlySet<string> {
  const { feederOf } = circuitOrder(design.circuits);
  const out = new Set<string>();
  for (const r of circuits) {
    if (r.isFeeder || r.own.state.drop.wholePasses) continue;
    let at = rowOf(design.circuits, r.id);
    if (at && at.pin.size === null && at.found === null) out.add(at.id);
    for (let i = 0; at?.from.kind === 'panel' && i < design.circuits.length; i++) {
      at = feederOf.get(at.from.id);
      if (at && at.pin.size === null && at.found === null) out.add(at.id);
    }
  }
  return out;
}

/**
 * Edits that store a size "chosen together" with each part that needs more than it asks for by itself: one part one size heavier at a
 * time, the one that cures most volts a kilogram, until every path holds or none helps. Sizes chosen so before are chosen anew. Empty where
 * nothing is to be done.
 */
export function chosenTogether(whole: Design, memory: Memory = createMemory()): Op[] {
  const { boat } = whole;
  const table = CONDUCTORS[boat.ruleSet];
  let design: Design = { ...whole, circuits: whole.circuits.map((c) => (c.together === null ? c : { ...c, together: null })) };
  let { circuits } = analyse(design, memory);
  let miss = missV(circuits, boat.systemV);
  for (let step = 0; step < MOST_STEPS && miss > 1e-9; step++) {
    let best: { readonly design: Design; readonly miss: number; readonly gain: number } | null = null;
    for (const id of onThePath(design, circuits)) {
      const now = rowOf(circuits, id);
      const at = table.findIndex((c) => c.areaMm2 > (now?.own.state.conductor.areaMm2 ?? Infinity) + 1e-9);
      const next = at < 0 ? undefined : table[at];
      if (!now || !next || now.own.state.candidate.legs > 1) continue;
      const tried = sized(design, id, next.size);
      const less = missV(analyse(tried, memory).circuits, boat.systemV);
      const kg = (2 * now.lengthM * (next.massKgPerKm - now.own.state.conductor.massKgPerKm)) / 1000;
      const gain = (miss - less) / Math.max(1e-6, kg);
      if (less < miss - 1e-9 && (!best || gain > best.gain)) best = { design: tried, miss: less, gain };
    }
    if (!best) break;
    ({ design, miss } = best);
    ({ circuits } = analyse(design, memory));
  }
  return whole.circuits.flatMap((c, i): Op[] => {
    const to = design.circuits[i]?.together ?? null;
    const same = to === null ? c.together === null : c.together?.school === to.school && c.together.size === to.size;
    return same ? [] : [setOp(whole, ['circuits', c.id, 'together'], to)].flatMap((op) => (op ? [op] : []));
  });
}
