/** Prospective fault current between any two nodes (docs/methods.md, M7): volts with nothing drawn over the resistance seen from there. */
import { solve } from './factor';
import { flowOf, type Prepared } from './flow';

export interface Short {
  /** Before the fault, V; NaN where an end is dead. */
  readonly openV: number;
  /** Of everything behind the two nodes, ohm. */
  readonly ohm: number;
  /** Into a dead short, A; 0 where nothing feeds it. */
  readonly amps: number;
}

/**
 * Shorts between pairs of nodes, each alone.
 * @param p a network without loads and sources: banks and conductors as the fault is asked for (largest: full and cold; smallest: half and warm).
 * @param pairs plus and minus node; a name that is not there is dead.
 */
export function shortsOf(p: Prepared, pairs: readonly (readonly [string, string])[]): Short[] {
  // Without loads the last factoring is the network's own, and serves for every pair.
  const { volts } = flowOf(p);
  const seen = new Float64Array(p.pattern.n);
  return pairs.map(([plus, minus]): Short => {
    const a = p.index.get(plus) ?? -1;
    const b = p.index.get(minus) ?? -1;
    const openV = (volts[a] ?? NaN) - (volts[b] ?? NaN);
    if (Number.isNaN(openV) || p.islands.of[a] !== p.islands.of[b]) return { openV: NaN, ohm: NaN, amps: 0 };
    const [i, j] = [p.unknown[a] ?? -1, p.unknown[b] ?? -1];
    seen.fill(0);
    if (i >= 0) seen[i] = 1;
    if (j >= 0) seen[j] = (seen[j] ?? 0) - 1;
    solve(p.pattern, p.matrix, seen);
    const ohm = (i >= 0 ? (seen[i] ?? 0) : 0) - (j >= 0 ? (seen[j] ?? 0) : 0);
    return { openV, ohm, amps: ohm > 0 ? openV / ohm : 0 };
  });
}
