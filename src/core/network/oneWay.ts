/** Diodes in a network: each lets current through one way, found by opening and closing them until the flow agrees (docs/methods.md, M6). */
import { type Flow, flowOf, type Prepared } from '../solve';

/** What a blocking diode lets through, S: nothing anybody could read. */
const BLOCKED_S = 1e-9;

/** Rounds of opening and closing; two diodes of one splitter need three at most. */
const ROUNDS = 8;

/**
 * @param ids branches that let current through from their first node to their second.
 * @returns the flow with each of them closed or blocked; p keeps them so.
 */
export function flowOneWay(p: Prepared, ids: readonly string[]): Flow {
  const diodes = p.network.branches.flatMap((b, i) => (ids.includes(b.id) ? [{ i, b, closedS: p.siemens[i] ?? 0 }] : []));
  let flow = flowOf(p);
  for (let round = 0; round < ROUNDS; round++) {
    let moved = false;
    for (const { i, b, closedS } of diodes) {
      const over = (flow.volts[p.index.get(b.a) ?? -1] ?? NaN) - (flow.volts[p.index.get(b.b) ?? -1] ?? NaN);
      const closed = p.siemens[i] === closedS;
      if (Number.isNaN(over) || (closed ? over >= -1e-9 : over <= 1e-9)) continue;
      p.siemens[i] = closed ? BLOCKED_S : closedS;
      moved = true;
    }
    if (!moved) break;
    flow = flowOf(p, flow.departure);
  }
  return flow;
}
