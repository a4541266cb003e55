/** The order in which circuits feed each other: main, feeders, branches; and the loops in which panels feed themselves. */
import { type Circuit, onceFor, rowOf } from '../design';
import { panelFeeds } from './feeds';
import { type Ring, ringsIn } from '../solve';

export interface CircuitOrder {
  /** Sources before what they feed; circuits that close a loop last. */
  readonly order: readonly Circuit[];
  /** The circuit that feeds each panel: the first that reaches it without closing a loop. */
  readonly feederOf: ReadonlyMap<string, Circuit>;
  /** Circuits that close a loop: without them nothing feeds itself. */
  readonly cyclic: ReadonlySet<string>;
  /** Panels that feed each other, and the circuits between them. */
  readonly loops: readonly Ring[];
}

/** Panels of a loop that something outside it feeds, and the ways by which the rest of it is reached from there. What is left closes the loop. */
function openWays(circuits: readonly Circuit[], loop: Ring, feederOf: Map<string, Circuit>): Set<string> {
  const ring = new Set(loop.nodes);
  const inside = new Set(loop.edges);
  const serves = (c: Circuit) => c.taps.flatMap((t) => (t.serves.kind === 'panel' && ring.has(t.serves.id) ? [t.serves.id] : []));
  for (const c of circuits) if (!inside.has(c.id)) for (const p of serves(c)) if (!feederOf.has(p)) feederOf.set(p, c);
  const opened = new Set<string>();
  for (let grew = true; grew;) {
    grew = false;
    for (const c of circuits) {
      if (!inside.has(c.id) || opened.has(c.id) || !feederOf.has(c.from.id)) continue;
      const fresh = serves(c);
      if (fresh.length === 0 || fresh.some((p) => feederOf.has(p))) continue;
      for (const p of fresh) feederOf.set(p, c);
      opened.add(c.id);
      grew = true;
    }
  }
  return opened;
}

/** The order of a design's circuits; asked again for the same list, the same order. */
export const circuitOrder = onceFor(orderOf);

/** A circuit and what feeds it, up to the bank. */
export function upFrom(circuits: readonly Circuit[], circuitId: string | undefined): Circuit[] {
  const { feederOf } = circuitOrder(circuits);
  const chain: Circuit[] = [];
  let at = rowOf(circuits, circuitId);
  while (at && !chain.includes(at)) {
    chain.push(at);
    at = at.from.kind === 'panel' ? feederOf.get(at.from.id) : undefined;
  }
  return chain;
}

function orderOf(circuits: readonly Circuit[]): CircuitOrder {
  const loops = ringsIn(panelFeeds(circuits));
  const feederOf = new Map<string, Circuit>();
  const cyclic = new Set<string>();
  for (const loop of loops) {
    const opened = openWays(circuits, loop, feederOf);
    for (const id of loop.edges) if (!opened.has(id)) cyclic.add(id);
  }
  const ringed = new Set(loops.flatMap((l) => l.nodes));
  for (const c of circuits)
    for (const t of c.taps)
      if (t.serves.kind === 'panel' && !ringed.has(t.serves.id) && !cyclic.has(c.id) && !feederOf.has(t.serves.id))
        feederOf.set(t.serves.id, c);
  // Behind every circuit that serves its panel, whichever is its feeder.
  const servedBy = new Map<string, Circuit[]>();
  for (const c of circuits)
    if (!cyclic.has(c.id))
      for (const t of c.taps) if (t.serves.kind === 'panel') servedBy.set(t.serves.id, [...(servedBy.get(t.serves.id) ?? []), c]);
  const depth = new Map<string, number>();
  const depthOf = (c: Circuit): number => {
    const done = depth.get(c.id);
    if (done !== undefined) return done;
    const before = c.from.kind === 'panel' ? (servedBy.get(c.from.id) ?? []) : [];
    const d = before.reduce((most, b) => Math.max(most, depthOf(b) + 1), 0);
    depth.set(c.id, d);
    return d;
  };
  const place = (c: Circuit) => (cyclic.has(c.id) ? Infinity : depthOf(c));
  const order = [...circuits].sort((a, b) => (place(a) === place(b) ? 0 : place(a) - place(b)));
  return { order, feederOf, cyclic, loops };
}
