/** Rings in a directed graph: nodes that reach each other. */

export interface Edge {
  readonly id: string;
  readonly from: string;
  readonly to: string;
}

export interface Ring {
  /** In an order one can follow, where the ring is a simple one. */
  readonly nodes: readonly string[];
  readonly edges: readonly string[];
}

function nextOf(edges: readonly Edge[]): ReadonlyMap<string, readonly string[]> {
  const next = new Map<string, string[]>();
  for (const { from, to } of edges) {
    const known = next.get(from);
    if (known) known.push(to);
    else next.set(from, [to]);
  }
  return next;
}

/** All that is reached from a node, in the order it is come upon; the node itself only round a ring. */
function reachedFrom(start: string, next: ReadonlyMap<string, readonly string[]>): ReadonlySet<string> {
  const seen = new Set<string>();
  const open = [...(next.get(start) ?? [])];
  for (let at = open.shift(); at !== undefined; at = open.shift()) {
    if (seen.has(at)) continue;
    seen.add(at);
    open.push(...(next.get(at) ?? []));
  }
  return seen;
}

/** Sets of nodes that reach each other, and the edges between them; an edge from a node to itself is a ring of one. Empty where nothing turns back. */
export function ringsIn(edges: readonly Edge[]): Ring[] {
  const next = nextOf(edges);
  const reach = new Map([...next.keys()].map((node) => [node, reachedFrom(node, next)]));
  const taken = new Set<string>();
  const rings: Ring[] = [];
  for (const [node, reached] of reach) {
    if (taken.has(node) || !reached.has(node)) continue;
    const nodes = new Set([node, ...[...reached].filter((n) => reach.get(n)?.has(node))]);
    for (const n of nodes) taken.add(n);
    const between = edges.filter((e) => nodes.has(e.from) && nodes.has(e.to));
    rings.push({ nodes: [...nodes], edges: [...new Set(between.map((e) => e.id))] });
  }
  return rings;
}
