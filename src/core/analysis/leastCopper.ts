/** Sizes of mains, feeders and branches with which every whole path holds and least copper is bought, currents as they are (docs/methods.md, M20). */
import { type Behind, behindAt, branchNeeds, feederSizes, lostBeforeWay, sizeFixed, type SizeNeed, type WorkedCircuit } from '../circuit';

/** Sizes of a main or feeder that are tried, from what it needs by itself on. */
const FEEDER_SIZES = 8;
/** A volt that a path misses weighs more than any copper, kg. */
const KG_PER_V = 1e4;

interface Branch {
  readonly worked: WorkedCircuit;
  readonly needs: readonly SizeNeed[];
}

interface FeederSize {
  readonly at: number | null;
  readonly kg: number;
  /** By tap. */
  readonly behind: ReturnType<typeof behindAt>;
}

interface Feeder {
  readonly worked: WorkedCircuit;
  readonly sizes: readonly FeederSize[];
  /** What the ways of the panel at each tap feed. */
  readonly below: readonly (readonly Part[])[];
}

type Part = Branch | Feeder;

function partOf(worked: WorkedCircuit, from: (panelId: string) => readonly WorkedCircuit[], seen: ReadonlySet<string>): Part {
  const { result, trial } = worked;
  if (!result.isFeeder) return { worked, needs: branchNeeds(worked) };
  const on = new Set([...seen, result.id]);
  const sizes = sizeFixed(worked)
    ? [{ at: null, kg: 0, behind: behindAt(worked, null) }]
    : feederSizes(worked, FEEDER_SIZES).map(({ at, kg }) => ({ at, kg, behind: behindAt(worked, at) }));
  const below = trial.input.taps.map((t) =>
    t.panel
      ? from(t.panel.id)
          .filter((w) => !on.has(w.result.id))
          .map((w) => partOf(w, from, on))
      : [],
  );
  return { worked, sizes, below };
}

/** The smallest size that holds behind what is lost before it, and what it still misses. */
function branchAt({ worked, needs }: Branch, up: Behind): { readonly need: SizeNeed | undefined; readonly missV: number } {
  const lost = lostBeforeWay(worked, up);
  const miss = (n: SizeNeed) => Math.max(0, lost.workV - n.workV, lost.startV - n.startV);
  const holding = needs.find((n) => miss(n) <= 1e-9);
  const need = holding ?? needs[needs.length - 1];
  return { need, missV: need ? Math.min(miss(need), 1e3) : 0 };
}

const isBranch = (part: Part): part is Branch => 'needs' in part;

/** Copper of a part and all behind it at its best, kg; what is missed counts as copper. */
function cost(part: Part, up: Behind): number {
  if (isBranch(part)) {
    const { need, missV } = branchAt(part, up);
    return (need?.kg ?? 0) + KG_PER_V * missV;
  }
  return Math.min(...part.sizes.map((s) => costAt(part, s, up)));
}

const behind = (up: Behind, by: Behind | null | undefined): Behind =>
  by ? { lostV: by.lostV.map((v, k) => v + (up.lostV[k] ?? 0)), hotOhm: up.hotOhm + by.hotOhm } : up;

const costAt = (part: Feeder, size: FeederSize, up: Behind): number =>
  part.below.reduce((sum, parts, tap) => {
    const below = behind(up, size.behind[tap]);
    return parts.reduce((s, p) => s + cost(p, below), sum);
  }, size.kg);

function choose(part: Part, up: Behind, out: Map<string, number>): void {
  const { id } = part.worked.result;
  if (isBranch(part)) {
    const { need } = branchAt(part, up);
    if (need) out.set(id, need.at);
    return;
  }
  let best: { readonly size: FeederSize; readonly kg: number } | null = null;
  for (const size of part.sizes) {
    const kg = costAt(part, size, up);
    if (!best || kg < best.kg - 1e-9) best = { size, kg };
  }
  if (!best) return;
  const { size } = best;
  if (size.at !== null) out.set(id, size.at);
  part.below.forEach((parts, tap) => {
    const below = behind(up, size.behind[tap]);
    for (const p of parts) choose(p, below, out);
  });
}

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
    choose(
      partOf(w, (id) => byPanel.get(id) ?? [], new Set()),
      { lostV: [], hotOhm: 0 },
      out,
    );
  }
  return out;
}
