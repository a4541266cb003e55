/** Sizes of mains, feeders and branches with which every whole path holds and least copper is bought, currents as they are (docs/methods.md, M20). */
import { leastOnTree, type Part } from '../solve';
import { type Behind, behindAt, branchNeeds, feederSizes, lostBeforeWay, sizeFixed, type SizeNeed, type WorkedCircuit } from '../circuit';

/** Sizes of a main or feeder that are tried, from what it needs by itself on. */
const FEEDER_SIZES = 8;
/** A volt that a path misses weighs more than any copper, kg. */
const KG_PER_V = 1e4;

type Tree = Part<Behind, number>;

function partOf(worked: WorkedCircuit, from: (panelId: string) => readonly WorkedCircuit[], seen: ReadonlySet<string>): Tree {
  const { result, trial } = worked;
  if (!result.isFeeder) return branchOf(worked, branchNeeds(worked));
  const on = new Set([...seen, result.id]);
  const sizes = sizeFixed(worked)
    ? [{ at: null, kg: 0, behind: behindAt(worked, null) }]
    : feederSizes(worked, FEEDER_SIZES).map(({ at, kg }) => ({ at, kg, behind: behindAt(worked, at) }));
  // What the ways of the panel at each tap feed.
  const below = trial.input.taps.map((t) =>
    t.panel
      ? from(t.panel.id)
          .filter((w) => !on.has(w.result.id))
          .map((w) => partOf(w, from, on))
      : [],
  );
  return {
    id: result.id,
    sizes: (up) =>
      sizes.map(({ at, kg, behind }) => ({
        at,
        cost: kg,
        behind: below.map((parts, tap) => ({ parts, up: further(up, behind[tap]) })),
      })),
  };
}

/** The smallest size that holds behind what is lost before it; what it still misses counts as copper. */
const branchOf = (worked: WorkedCircuit, needs: readonly SizeNeed[]): Tree => ({
  id: worked.result.id,
  least: (up) => {
    const lost = lostBeforeWay(worked, up);
    const miss = (n: SizeNeed) => Math.max(0, lost.workV - n.workV, lost.startV - n.startV);
    const need = needs.find((n) => miss(n) <= 1e-9) ?? needs[needs.length - 1];
    return need ? { at: need.at, cost: need.kg + KG_PER_V * Math.min(miss(need), 1e3) } : null;
  },
});

const further = (up: Behind, by: Behind | null | undefined): Behind =>
  by ? { lostV: by.lostV.map((v, k) => v + (up.lostV[k] ?? 0)), hotOhm: up.hotOhm + by.hotOhm } : up;

/**
 * Places in the school's table, by circuit: the least copper, exactly, while the currents stay as they were worked out. Circuits whose size is
 * fixed are left out.
 */
export function leastCopper(circuits: readonly WorkedCircuit[]): ReadonlyMap<string, number> {
  const byPanel = new Map<string, WorkedCircuit[]>();
  for (const w of circuits) {
    const { from } = w.trial.input.circuit;
    if (from.kind === 'panel') byPanel.set(from.id, [...(byPanel.get(from.id) ?? []), w]);
  }
  const out = new Map<string, number>();
  for (const w of circuits) {
    if (w.trial.input.circuit.from.kind !== 'bank') continue;
    leastOnTree(
      partOf(w, (id) => byPanel.get(id) ?? [], new Set()),
      { lostV: [], hotOhm: 0 },
      out,
    );
  }
  return out;
}
