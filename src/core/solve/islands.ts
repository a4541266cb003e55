/** Which nodes hang together: islands that a bank or a source keeps alive, and what is dead (docs/methods.md, M6). */
import type { Network } from './network';

export interface Islands {
  /** By node: its island; -1 where nothing keeps it alive. */
  readonly of: Int32Array;
  /** By node: whether it is the reference of its island: its volts are 0. */
  readonly reference: Uint8Array;
  /** By node: volts with nothing drawn, against the reference. Along branches it is the same figure. */
  readonly baseV: Float64Array;
  readonly count: number;
}

/** Sets that are joined two by two. */
function unions(n: number): { readonly root: (x: number) => number; readonly join: (a: number, b: number) => boolean } {
  const parent = Int32Array.from({ length: n }, (_, i) => i);
  const root = (x: number): number => {
    let at = x;
    while (parent[at] !== at) {
      parent[at] = parent[parent[at] as number] as number;
      at = parent[at] as number;
    }
    return at;
  };
  const join = (a: number, b: number): boolean => {
    const [ra, rb] = [root(a), root(b)];
    if (ra === rb) return false;
    parent[Math.max(ra, rb)] = Math.min(ra, rb);
    return true;
  };
  return { root, join };
}

/**
 * Conductors hang together by branches; rails by banks and sources. The reference of an island is the minus node of its first bank, else of
 * its first source.
 */
export function islandsOf(network: Network, index: ReadonlyMap<string, number>): Islands {
  const n = index.size;
  const at = (id: string): number => index.get(id) as number;
  const rails = unions(n);
  for (const { a, b } of network.branches) rails.join(at(a), at(b));
  const islands = unions(n);
  for (let i = 0; i < n; i++) islands.join(rails.root(i), i);
  const lives = [
    ...network.banks.map((b) => ({ plus: at(b.plus), minus: at(b.minus), v: b.emfV })),
    ...network.sources.map((s) => ({ plus: at(s.plus), minus: at(s.minus), v: s.setV })),
  ];
  for (const { plus, minus } of lives) islands.join(plus, minus);
  const numbers = new Map<number, number>();
  const reference = new Uint8Array(n);
  const railV = new Map<number, number>();
  for (const { minus } of lives) {
    const island = islands.root(minus);
    if (numbers.has(island)) continue;
    numbers.set(island, numbers.size);
    reference[minus] = 1;
    railV.set(rails.root(minus), 0);
  }
  // From rail to rail by the banks; what a second bank says of a rail known already is left to the solving.
  for (let moved = true; moved;) {
    moved = false;
    for (const { plus, minus, v } of lives) {
      const [p, m] = [rails.root(plus), rails.root(minus)];
      const [pV, mV] = [railV.get(p), railV.get(m)];
      if (pV === undefined && mV !== undefined) railV.set(p, mV + v);
      else if (mV === undefined && pV !== undefined) railV.set(m, pV - v);
      else continue;
      moved = true;
    }
  }
  return {
    of: Int32Array.from({ length: n }, (_, i) => numbers.get(islands.root(i)) ?? -1),
    reference,
    baseV: Float64Array.from({ length: n }, (_, i) => railV.get(rails.root(i)) ?? 0),
    count: numbers.size,
  };
}
