/* eslint-disable @typescript-eslint/no-non-null-assertion -- every index comes from the pattern built beside it; a check would cost in each of thousands of factorings */
/**
 * Symmetric sparse systems by LDLᵀ: the order of elimination and the place of every fill-in are found once for a wiring, so that factoring is a
 * flat run of multiplications. Of all unknowns the one with the fewest neighbours left goes first (minimum degree): a tree is factored
 * without any fill.
 */

/** Where everything stands. Off-diagonals are kept once for each pair of unknowns. */
export interface Pattern {
  readonly n: number;
  /** Unknown eliminated k-th. */
  readonly order: Int32Array;
  /** By step k: its stretch of column and row. */
  readonly start: Int32Array;
  /** Unknowns still there that step k touches. */
  readonly rows: Int32Array;
  /** By step k: its stretch of the updates below. */
  readonly updates: Int32Array;
  /** For every pair of rows of a step: where its product is taken from; an off-diagonal, or -1 - unknown for a diagonal. */
  readonly target: Int32Array;
  /** Off-diagonal of a pair of unknowns; -1 where there is none. */
  readonly slotOf: (a: number, b: number) => number;
}

/** @param edges pairs of different unknowns 0..n-1; repeats do no harm. */
export function patternOf(n: number, edges: readonly (readonly [number, number])[]): Pattern {
  const near: Set<number>[] = Array.from({ length: n }, () => new Set<number>());
  for (const [a, b] of edges) {
    near[a]!.add(b);
    near[b]!.add(a);
  }
  const slots = new Map<number, number>();
  const key = (a: number, b: number) => (a < b ? a * n + b : b * n + a);
  const order = new Int32Array(n);
  const start = new Int32Array(n + 1);
  const updates = new Int32Array(n + 1);
  const rows: number[] = [];
  const pairs: number[] = [];
  // Unknowns by how many neighbours they have left; an entry may be out of date and is then put where it belongs.
  const byDegree: number[][] = [];
  const put = (x: number) => (byDegree[near[x]!.size] ??= []).push(x);
  const done = new Uint8Array(n);
  for (let x = n - 1; x >= 0; x--) put(x);
  for (let k = 0, least = 0; k < n; k++) {
    let x = -1;
    while (x < 0) {
      const candidate = byDegree[least]?.pop();
      if (candidate === undefined) least++;
      else if (done[candidate] === 0 && near[candidate]!.size === least) x = candidate;
    }
    done[x] = 1;
    order[k] = x;
    const around = [...near[x]!];
    for (const a of around) {
      rows.push(a);
      slots.set(key(x, a), rows.length - 1);
      near[a]!.delete(x);
    }
    for (let i = 0; i < around.length; i++)
      for (let j = i; j < around.length; j++) {
        const [a, b] = [around[i]!, around[j]!];
        pairs.push(a, b);
        if (i === j) continue;
        near[a]!.add(b);
        near[b]!.add(a);
      }
    for (const a of around) {
      put(a);
      least = Math.min(least, near[a]!.size);
    }
    start[k + 1] = rows.length;
    updates[k + 1] = pairs.length / 2;
  }
  const target = new Int32Array(pairs.length / 2);
  for (let i = 0; i < target.length; i++) {
    const [a, b] = [pairs[2 * i]!, pairs[2 * i + 1]!];
    target[i] = a === b ? -1 - a : slots.get(key(a, b))!;
  }
  return {
    n,
    order,
    start,
    rows: Int32Array.from(rows),
    updates,
    target,
    slotOf: (a, b) => slots.get(key(a, b)) ?? -1,
  };
}

/** One matrix over a pattern: filled, then factored in place. */
export interface Matrix {
  readonly diagonal: Float64Array;
  readonly off: Float64Array;
}

export const matrixOf = (p: Pattern): Matrix => ({ diagonal: new Float64Array(p.n), off: new Float64Array(p.rows.length) });

/** Factors in place. @returns false where a pivot is not above least: the matrix is not positive definite, and nothing can be solved by it. */
export function factor(p: Pattern, { diagonal, off }: Matrix, least = 0): boolean {
  const { n, order, start, updates, target } = p;
  for (let k = 0; k < n; k++) {
    const pivot = diagonal[order[k]!]!;
    if (!(pivot > least)) return false;
    const from = start[k]!;
    const to = start[k + 1]!;
    let u = updates[k]!;
    for (let i = from; i < to; i++) {
      const l = off[i]! / pivot;
      for (let j = i; j < to; j++, u++) {
        const at = target[u]!;
        if (at < 0) diagonal[-1 - at] = diagonal[-1 - at]! - l * off[j]!;
        else off[at] = off[at]! - l * off[j]!;
      }
    }
    for (let i = from; i < to; i++) off[i] = off[i]! / pivot;
  }
  return true;
}

/** Solves in place by a factored matrix. */
export function solve(p: Pattern, { diagonal, off }: Matrix, x: Float64Array): void {
  const { n, order, start, rows } = p;
  for (let k = 0; k < n; k++) {
    const at = x[order[k]!]!;
    if (at === 0) continue;
    for (let i = start[k]!; i < start[k + 1]!; i++) x[rows[i]!] = x[rows[i]!]! - off[i]! * at;
  }
  for (let k = n - 1; k >= 0; k--) {
    const at = order[k]!;
    let sum = x[at]! / diagonal[at]!;
    for (let i = start[k]!; i < start[k + 1]!; i++) sum -= off[i]! * x[rows[i]!]!;
    x[at] = sum;
  }
}
