/** Times the network solver: 300 nodes with 200 loads of constant power, and the same equations by a general dense package. */
import { LuDecomposition, Matrix } from 'ml-matrix';
import { flowOf, type Network, prepare, type Prepared, shortsOf } from '../src/core/solve';

const median = (xs: number[]) => [...xs].sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? NaN;
const times = (n: number, work: (i: number) => void): number =>
  median(
    Array.from({ length: n }, (_, i) => {
      const from = performance.now();
      work(i);
      return performance.now() - from;
    }),
  );

/** A bus, eleven panels off it, branches off these on both rails; 150 nodes a rail, a load at 200 of the pairs (some two to a pair). */
function boat(): Network {
  const rail = 150;
  const parent = (i: number) => (i <= 11 ? 0 : 1 + ((i - 12) % 11));
  return {
    branches: ['+', '-'].flatMap((r) =>
      Array.from({ length: rail - 1 }, (_, i) => ({
        id: `${r}${i + 1}`,
        a: `${r}${parent(i + 1)}`,
        b: `${r}${i + 1}`,
        ohm: i < 11 ? 0.0006 : 0.01 + 0.0004 * (i % 40),
      })),
    ),
    banks: [{ id: 'house', plus: '+0', minus: '-0', emfV: 12.7, ohm: 0.002 }],
    sources: [],
    loads: Array.from({ length: 200 }, (_, i) => {
      const at = 12 + (i % (rail - 12));
      return { id: `l${i}`, plus: `+${at}`, minus: `-${at}`, watts: 8 + (i % 25), siemens: 0, amps: 0 };
    }),
  };
}

const network = boat();
const p = prepare(network);
for (let i = 0; i < 200; i++) flowOf(p);
const layMs = times(50, () => prepare(network));
const cold = times(400, () => flowOf(p));
let near = flowOf(p);
const warm = times(400, (i) => {
  const k = (i * 37) % p.watts.length;
  p.watts[k] = (p.watts[k] ?? 0) * (i % 2 ? 1.07 : 0.94);
  near = flowOf(p, near.departure);
});
const bare = prepare({ ...network, loads: [] });
const pairs = Array.from({ length: 150 }, (_, i) => [`+${i}`, `-${i}`] as const);
const faults = times(100, () => shortsOf(bare, pairs));
const dense = times(10, () => denseOnce(p));
console.log(`network: ${p.nodes.length} nodes, ${network.loads.length} loads of constant power, ${near.rounds} rounds from a neighbour`);
console.log(
  `  laid out in ${layMs.toFixed(2)} ms; solved cold: median ${cold.toFixed(3)} ms (aim: 1 ms); from a neighbour ${warm.toFixed(3)} ms (aim: 0.3 ms)`,
);
console.log(`  fault current at ${pairs.length} pairs of nodes: median ${faults.toFixed(2)} ms (aim: 3 ms)`);
console.log(
  `  one round of the same equations by a dense package: ${dense.toFixed(1)} ms; a whole cold solving here is ${(dense / cold).toFixed(0)} times as fast`,
);

/** The same matrix, dense: one factoring and one solving. */
function denseOnce({ pattern, unknown, branches, siemens, banks, bankS }: Prepared): void {
  const m = Matrix.zeros(pattern.n, pattern.n);
  const stamp = (a: number, b: number, g: number) => {
    if (a >= 0) m.set(a, a, m.get(a, a) + g);
    if (b >= 0) m.set(b, b, m.get(b, b) + g);
    if (a < 0 || b < 0) return;
    m.set(a, b, m.get(a, b) - g);
    m.set(b, a, m.get(b, a) - g);
  };
  siemens.forEach((g, i) => {
    stamp(unknown[branches.a[i] ?? 0] ?? -1, unknown[branches.b[i] ?? 0] ?? -1, g);
  });
  bankS.forEach((g, i) => {
    stamp(unknown[banks.a[i] ?? 0] ?? -1, unknown[banks.b[i] ?? 0] ?? -1, g);
  });
  new LuDecomposition(m).solve(Matrix.ones(pattern.n, 1));
}
