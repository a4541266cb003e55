/** Sizes along a tree of conductors: each is chosen for the least cost of itself and of all that hangs behind it (docs/methods.md, M20). */

/** What the last conductor of a path takes, behind what is lost before it. */
export interface Last<Up, At> {
  readonly id: string;
  readonly least: (up: Up) => { readonly at: At; readonly cost: number } | null;
}

/** A size of a conductor that feeds others. at null: it is fixed, and none is chosen. */
export interface TrunkSize<Up, At> {
  readonly at: At | null;
  readonly cost: number;
  readonly behind: readonly { readonly parts: readonly Part<Up, At>[]; readonly up: Up }[];
}

export interface Trunk<Up, At> {
  readonly id: string;
  readonly sizes: (up: Up) => readonly TrunkSize<Up, At>[];
}

export type Part<Up, At> = Last<Up, At> | Trunk<Up, At>;

const isLast = <Up, At>(part: Part<Up, At>): part is Last<Up, At> => 'least' in part;

function cost<Up, At>(part: Part<Up, At>, up: Up): number {
  return isLast(part) ? (part.least(up)?.cost ?? 0) : Math.min(...part.sizes(up).map(costOf));
}

const costOf = <Up, At>(size: TrunkSize<Up, At>): number =>
  size.behind.reduce((sum, b) => b.parts.reduce((s, p) => s + cost(p, b.up), sum), size.cost);

/** Chosen sizes by id put into out; of equal costs the first. Total: a trunk without sizes, and all behind it, is left out. */
export function leastOnTree<Up, At>(part: Part<Up, At>, up: Up, out: Map<string, At>): void {
  if (isLast(part)) {
    const least = part.least(up);
    if (least) out.set(part.id, least.at);
    return;
  }
  let best: { readonly size: TrunkSize<Up, At>; readonly cost: number } | null = null;
  for (const size of part.sizes(up)) {
    const all = costOf(size);
    if (!best || all < best.cost - 1e-9) best = { size, cost: all };
  }
  if (!best) return;
  if (best.size.at !== null) out.set(part.id, best.size.at);
  for (const b of best.size.behind) for (const p of b.parts) leastOnTree(p, b.up, out);
}
