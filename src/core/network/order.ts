/** The order in which circuits hang on each other: main, feeders, branches. */
import type { Circuit } from '../design/schema';

export interface CircuitOrder {
  /** Sources before what they feed. Circuits in a loop are left to the end, fed from nowhere. */
  readonly order: readonly Circuit[];
  /** The circuit that feeds each panel: the first that reaches it. */
  readonly feederOf: ReadonlyMap<string, Circuit>;
  /** Circuits that feed themselves. */
  readonly cyclic: ReadonlySet<string>;
}

const known = new WeakMap<readonly Circuit[], CircuitOrder>();

/** The order of a design's circuits; asked again for the same list, the same order. */
export function circuitOrder(circuits: readonly Circuit[]): CircuitOrder {
  const order = known.get(circuits) ?? orderOf(circuits);
  known.set(circuits, order);
  return order;
}

/** A circuit and what feeds it, up to the bank; in a loop, up to where it closes. */
export function upFrom(circuits: readonly Circuit[], circuitId: string | undefined): Circuit[] {
  const { feederOf } = circuitOrder(circuits);
  const chain: Circuit[] = [];
  let at = circuits.find((c) => c.id === circuitId);
  while (at && !chain.includes(at)) {
    chain.push(at);
    at = at.from.kind === 'panel' ? feederOf.get(at.from.id) : undefined;
  }
  return chain;
}

function orderOf(circuits: readonly Circuit[]): CircuitOrder {
  const feederOf = new Map<string, Circuit>();
  for (const c of circuits) {
    for (const t of c.taps) if (t.serves.kind === 'panel' && !feederOf.has(t.serves.id)) feederOf.set(t.serves.id, c);
  }
  const depth = new Map<string, number>();
  const cyclic = new Set<string>();
  const depthOf = (c: Circuit, trail: ReadonlySet<string>): number => {
    const done = depth.get(c.id);
    if (done !== undefined) return done;
    if (trail.has(c.id)) {
      for (const id of trail) cyclic.add(id);
      return 0;
    }
    const feeder = c.from.kind === 'panel' ? feederOf.get(c.from.id) : undefined;
    const d = feeder ? depthOf(feeder, new Set([...trail, c.id])) + 1 : 0;
    depth.set(c.id, d);
    return d;
  };
  for (const c of circuits) depthOf(c, new Set());
  for (const c of circuits) {
    if (cyclic.has(c.id))
      for (const t of c.taps) if (t.serves.kind === 'panel' && feederOf.get(t.serves.id) === c) feederOf.delete(t.serves.id);
  }
  const order = [...circuits].sort((a, b) => (depth.get(a.id) ?? 0) - (depth.get(b.id) ?? 0));
  return { order, feederOf, cyclic };
}
