/* eslint-disable @typescript-eslint/no-non-null-assertion -- every index comes from the wiring laid out below; a check would cost in each round */
/**
 * Volts and currents of a network (docs/methods.md, M6): Newton's method on what flows out of each node, from the volts with nothing drawn
 * downward, so that constant power is met on its upper branch. What cannot be carried is found by taking load off until it can.
 */
import { factor, type Matrix, matrixOf, type Pattern, patternOf, solve } from './factor';
import { type Islands, islandsOf } from './islands';
import { LEAST_OHM, type NetRefusal, type Network, nodesOf, refusalsOf } from './network';

/** A network laid out for solving, once for a wiring. Figures of loads, banks and branches may be changed in place between solvings. */
export interface Prepared {
  readonly network: Network;
  readonly nodes: readonly string[];
  readonly index: ReadonlyMap<string, number>;
  readonly islands: Islands;
  readonly refusals: readonly NetRefusal[];
  /** By branch, bank, source, load: its ends as nodes. */
  readonly branches: Ends;
  readonly banks: Ends;
  readonly sources: Ends;
  readonly loads: Ends;
  readonly siemens: Float64Array;
  readonly emfV: Float64Array;
  readonly bankS: Float64Array;
  readonly setV: Float64Array;
  readonly sourceS: Float64Array;
  readonly limitA: Float64Array;
  readonly watts: Float64Array;
  readonly loadS: Float64Array;
  readonly amps: Float64Array;
  /** By load: 1 where both its ends are alive on one island. */
  readonly fed: Uint8Array;
  readonly pattern: Pattern;
  readonly matrix: Matrix;
  /** By node: its unknown; -1 for references and what is dead. */
  readonly unknown: Int32Array;
}

interface Ends {
  readonly a: Int32Array;
  readonly b: Int32Array;
  /** Off-diagonal that stands for the pair; -1 where an end is not an unknown. */
  readonly slot: Int32Array;
}

/** Lays a network out. Total: what cannot be calculated is refused by name, and solving it then returns no volts. */
export function prepare(network: Network): Prepared {
  const refusals = refusalsOf(network);
  const clear: Network = refusals.length > 0 ? { branches: [], banks: [], sources: [], loads: [] } : network;
  const nodes = nodesOf(clear);
  const index = new Map(nodes.map((id, i) => [id, i]));
  const islands = islandsOf(clear, index);
  const unknown = new Int32Array(nodes.length).fill(-1);
  let n = 0;
  for (let i = 0; i < nodes.length; i++) if (islands.of[i]! >= 0 && islands.reference[i] === 0) unknown[i] = n++;
  const at = (id: string): number => index.get(id)!;
  const endsOf = (rows: readonly { readonly a: string; readonly b: string }[]) => ({
    a: Int32Array.from(rows, (r) => at(r.a)),
    b: Int32Array.from(rows, (r) => at(r.b)),
  });
  const poles = (rows: readonly { readonly plus: string; readonly minus: string }[]) =>
    endsOf(rows.map((r) => ({ a: r.plus, b: r.minus })));
  const bare = [endsOf(clear.branches), poles(clear.banks), poles(clear.sources), poles(clear.loads)] as const;
  const fed = Uint8Array.from(clear.loads, (_, i) => {
    const [a, b] = [islands.of[bare[3].a[i]!]!, islands.of[bare[3].b[i]!]!];
    return a >= 0 && a === b ? 1 : 0;
  });
  const edges: [number, number][] = [];
  bare.forEach(({ a, b }, list) => {
    for (let i = 0; i < a.length; i++) {
      const [p, q] = [unknown[a[i]!]!, unknown[b[i]!]!];
      if (p >= 0 && q >= 0 && p !== q && (list < 3 || fed[i] === 1)) edges.push([p, q]);
    }
  });
  const pattern = patternOf(n, edges);
  const withSlots = ({ a, b }: { a: Int32Array; b: Int32Array }): Ends => ({
    a,
    b,
    slot: Int32Array.from(a, (x, i) => {
      const [p, q] = [unknown[x]!, unknown[b[i]!]!];
      return p >= 0 && q >= 0 ? pattern.slotOf(p, q) : -1;
    }),
  });
  const [branches, banks, sources, loads] = bare.map(withSlots) as [Ends, Ends, Ends, Ends];
  return {
    network: clear,
    nodes,
    index,
    islands,
    refusals,
    branches,
    banks,
    sources,
    loads,
    siemens: Float64Array.from(clear.branches, (x) => 1 / Math.max(LEAST_OHM, x.ohm)),
    emfV: Float64Array.from(clear.banks, (x) => x.emfV),
    bankS: Float64Array.from(clear.banks, (x) => 1 / Math.max(LEAST_OHM, x.ohm)),
    setV: Float64Array.from(clear.sources, (x) => x.setV),
    sourceS: Float64Array.from(clear.sources, (x) => 1 / Math.max(LEAST_OHM, x.ohm)),
    limitA: Float64Array.from(clear.sources, (x) => x.limitA),
    watts: Float64Array.from(clear.loads, (x) => x.watts),
    loadS: Float64Array.from(clear.loads, (x) => x.siemens),
    amps: Float64Array.from(clear.loads, (x) => x.amps),
    fed,
    pattern,
    matrix: matrixOf(pattern),
    unknown,
  };
}

export interface Collapse {
  /** Largest part of all loads that can still be carried, 0 to 1. */
  readonly fraction: number;
  /** The load that is worst off there, and its volts. */
  readonly loadId: string;
  readonly volts: number;
}

export interface Flow {
  /** By node against its island's reference, V; NaN where it is dead. */
  readonly volts: Float64Array;
  /** Departure of each node from its volts with nothing drawn, V: may be handed to the next solving. */
  readonly departure: Float64Array;
  /** From a to b, A, by branch. */
  readonly branchA: Float64Array;
  /** Out of its plus post, by bank; into the network, by source. */
  readonly bankA: Float64Array;
  readonly sourceA: Float64Array;
  /** By load: volts across it (NaN: dead) and what it draws. */
  readonly loadV: Float64Array;
  readonly loadA: Float64Array;
  /** W turned to heat in branches and inside banks. */
  readonly heatW: number;
  readonly rounds: number;
  /** Null where all of the load is carried. Otherwise all figures are those of the part that can be. */
  readonly collapse: Collapse | null;
}

const MOST_ROUNDS = 40;
/** Pieces of a source's line, from low volts to high. */
const LIMITED = 0;
const REGULATING = 1;
const IDLE = 2;

/** @param from departure of a neighbouring solution, to begin with. */
export function flowOf(p: Prepared, from?: Float64Array): Flow {
  const u = new Float64Array(p.nodes.length);
  if (from?.length === u.length) u.set(from);
  let rounds = newton(p, u, 1);
  if (rounds < 0 && from) {
    u.fill(0);
    rounds = newton(p, u, 1);
  }
  return rounds >= 0 ? told(p, u, rounds, 1) : lessened(p, u);
}

/** The largest part of the load that can be carried, to a thousandth. */
function lessened(p: Prepared, u: Float64Array): Flow {
  const last = new Float64Array(u.length);
  let [low, high] = [0, 1];
  newton(p, last, 0);
  while (high - low > 0.001) {
    const middle = (low + high) / 2;
    u.set(last);
    if (newton(p, u, middle) >= 0) {
      low = middle;
      last.set(u);
    } else high = middle;
  }
  return told(p, last, 0, low);
}

/** Volts across two nodes. */
const across = ({ islands: { baseV } }: Prepared, u: Float64Array, a: number, b: number): number => baseV[a]! - baseV[b]! + (u[a]! - u[b]!);

/** Current of a source at volts across it, A. */
function sourceAt(p: Prepared, i: number, v: number): number {
  const amps = (p.setV[i]! - v) * p.sourceS[i]!;
  return amps <= 0 ? 0 : Math.min(amps, p.limitA[i]!);
}

/** Adds a conductance between two nodes to the matrix. */
function stamp(p: Prepared, ends: Ends, i: number, g: number): void {
  const { diagonal, off } = p.matrix;
  const a = p.unknown[ends.a[i]!]!;
  const b = p.unknown[ends.b[i]!]!;
  if (a >= 0) diagonal[a] = diagonal[a]! + g;
  if (b >= 0) diagonal[b] = diagonal[b]! + g;
  const slot = ends.slot[i]!;
  if (slot >= 0) off[slot] = off[slot]! - g;
}

/** Rounds it took, or -1 where there is no solution on the upper branch. u: departures, in and out. */
function newton(p: Prepared, u: Float64Array, scale: number): number {
  const { unknown, matrix, pattern } = p;
  const out = new Float64Array(pattern.n);
  const flows = (ends: Ends, i: number, amps: number) => {
    const a = unknown[ends.a[i]!]!;
    const b = unknown[ends.b[i]!]!;
    if (a >= 0) out[a] = out[a]! - amps;
    if (b >= 0) out[b] = out[b]! + amps;
  };
  const pieces = new Int8Array(p.setV.length);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    let settled = true;
    matrix.diagonal.fill(0);
    matrix.off.fill(0);
    out.fill(0);
    for (let i = 0; i < p.siemens.length; i++) {
      const g = p.siemens[i]!;
      stamp(p, p.branches, i, g);
      flows(p.branches, i, (u[p.branches.a[i]!]! - u[p.branches.b[i]!]!) * g);
    }
    for (let i = 0; i < p.emfV.length; i++) {
      stamp(p, p.banks, i, p.bankS[i]!);
      flows(p.banks, i, -(p.emfV[i]! - across(p, u, p.banks.a[i]!, p.banks.b[i]!)) * p.bankS[i]!);
    }
    for (let i = 0; i < p.setV.length; i++) {
      const wanted = (p.setV[i]! - across(p, u, p.sources.a[i]!, p.sources.b[i]!)) * p.sourceS[i]!;
      const piece = wanted >= p.limitA[i]! ? LIMITED : wanted <= 0 ? IDLE : REGULATING;
      // From its limit to idle only by way of regulating, or it would jump to and fro for ever.
      const now = round > 0 && Math.abs(piece - pieces[i]!) === 2 ? REGULATING : piece;
      settled &&= now === piece;
      pieces[i] = now;
      // What is at its limit or idle still ties its ends together, by next to nothing, lest an island of it alone float.
      stamp(p, p.sources, i, now === REGULATING ? p.sourceS[i]! : 1e-9);
      flows(p.sources, i, now === REGULATING ? -wanted : now === LIMITED ? -p.limitA[i]! : 0);
    }
    for (let i = 0; i < p.watts.length; i++) {
      if (p.fed[i] === 0) continue;
      const v = across(p, u, p.loads.a[i]!, p.loads.b[i]!);
      const watts = p.watts[i]! * scale;
      if (watts > 0 && v <= 0) return -1;
      const s = p.loadS[i]! * scale;
      stamp(p, p.loads, i, s - (watts > 0 ? watts / (v * v) : 0));
      flows(p.loads, i, (watts > 0 ? watts / v : 0) + s * v + p.amps[i]! * scale);
    }
    if (!factor(pattern, matrix)) return -1;
    solve(pattern, matrix, out);
    let most = 0;
    for (let i = 0; i < u.length; i++) {
      const k = unknown[i]!;
      if (k >= 0) most = Math.max(most, Math.abs(out[k]!));
    }
    const part = stepOf(p, u, out);
    for (let i = 0; i < u.length; i++) {
      const k = unknown[i]!;
      if (k >= 0) u[i] = u[i]! + part * out[k]!;
    }
    if (!(most < 1e9)) return -1;
    // What a step this small leaves behind goes by its square: far less than a nanoampere.
    if (settled && most < 1e-6) return round + 1;
  }
  return -1;
}

/** Part of a step that leaves every load of constant power at least half its volts. */
function stepOf(p: Prepared, u: Float64Array, out: Float64Array): number {
  let part = 1;
  for (let i = 0; i < p.watts.length; i++) {
    if (p.fed[i] === 0 || p.watts[i] === 0) continue;
    const [a, b] = [p.loads.a[i]!, p.loads.b[i]!];
    const v = across(p, u, a, b);
    const [ka, kb] = [p.unknown[a]!, p.unknown[b]!];
    const change = (ka >= 0 ? out[ka]! : 0) - (kb >= 0 ? out[kb]! : 0);
    if (change < -0.5 * v) part = Math.min(part, (-0.5 * v) / change);
  }
  return part;
}

function told(p: Prepared, u: Float64Array, rounds: number, scale: number): Flow {
  const { islands } = p;
  const volts = Float64Array.from(p.nodes, (_, i) => (islands.of[i]! < 0 ? NaN : islands.baseV[i]! + u[i]!));
  const branchA = p.siemens.map((g, i) => {
    const [a, b] = [p.branches.a[i]!, p.branches.b[i]!];
    return islands.of[a]! < 0 ? 0 : (u[a]! - u[b]!) * g;
  });
  const bankA = p.emfV.map((emf, i) => (emf - across(p, u, p.banks.a[i]!, p.banks.b[i]!)) * p.bankS[i]!);
  const sourceA = p.setV.map((_, i) => sourceAt(p, i, across(p, u, p.sources.a[i]!, p.sources.b[i]!)));
  const loadV = p.watts.map((_, i) => (p.fed[i] === 1 ? across(p, u, p.loads.a[i]!, p.loads.b[i]!) : NaN));
  const loadA = loadV.map((v, i) =>
    Number.isNaN(v) ? 0 : scale * ((p.watts[i]! > 0 ? p.watts[i]! / v : 0) + p.loadS[i]! * v + p.amps[i]!),
  );
  let heatW = 0;
  branchA.forEach((amps, i) => (heatW += (amps * amps) / p.siemens[i]!));
  bankA.forEach((amps, i) => (heatW += (amps * amps) / p.bankS[i]!));
  return { volts, departure: u, branchA, bankA, sourceA, loadV, loadA, heatW, rounds, collapse: collapsed(p, loadV, scale) };
}

function collapsed(p: Prepared, loadV: Float64Array, scale: number): Collapse | null {
  if (scale === 1) return null;
  let worst = -1;
  loadV.forEach((v, i) => {
    const drop = (at: number) => 1 - loadV[at]! / across(p, new Float64Array(p.nodes.length), p.loads.a[at]!, p.loads.b[at]!);
    if (!Number.isNaN(v) && (worst < 0 || drop(i) > drop(worst))) worst = i;
  });
  return { fraction: scale, loadId: p.network.loads[worst]?.id ?? '', volts: loadV[worst] ?? NaN };
}
