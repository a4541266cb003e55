import fc from 'fast-check';
import cases from '../cases.json';
import { factor, matrixOf, patternOf, solve } from './factor';
import { type Flow, flowOf, prepare, type Prepared } from './flow';
import { MOST_NODES, type Network } from './network';

const nothing: Network = { branches: [], banks: [], sources: [], loads: [] };
const volts = (p: Prepared, f: Flow, node: string) => f.volts[p.index.get(node) ?? -1] ?? NaN;

interface Case {
  readonly id: string;
  readonly relTol: number;
  readonly given: {
    readonly branches: readonly { a: string; b: string; ohm: number }[];
    readonly banks: readonly { node: string; emf_V: number; ohm: number }[];
    readonly loads: readonly { node: string; kind: string; value: number; at_V: number }[];
  };
  readonly expect: { readonly node_V: Readonly<Record<string, number>> };
}

/** The cases have one rail; the other is a bar of copper, node "-". */
const networkOf = ({ given }: Case): Network => ({
  branches: given.branches.map((b, i) => ({ id: `b${i}`, ...b })),
  banks: given.banks.map((b, i) => ({ id: `k${i}`, plus: b.node, minus: '-', emfV: b.emf_V, ohm: b.ohm })),
  sources: [],
  loads: given.loads.map((l, i) => ({
    id: `l${i}`,
    plus: l.node,
    minus: '-',
    watts: l.kind === 'power' ? l.value : 0,
    amps: l.kind === 'current' ? l.value : 0,
    siemens: l.kind === 'resistance' ? l.value / l.at_V : 0,
  })),
});

test.each((cases as unknown as Case[]).filter((c) => c.id.startsWith('network')).map((c) => [c.id, c] as const))('%s', (_, c) => {
  const p = prepare(networkOf(c));
  const f = flowOf(p);
  for (const [node, v] of Object.entries(c.expect.node_V)) expect(Math.abs(volts(p, f, node) / v - 1)).toBeLessThan(5e-6 + c.relTol);
});

/** A feeder there and back with so many watts at its end. */
const pair = (watts: number, change: Partial<Network> = {}): Network => ({
  branches: [
    { id: 'out', a: 'post', b: 'far', ohm: 0.03 },
    { id: 'back', a: 'far-', b: 'post-', ohm: 0.02 },
  ],
  banks: [{ id: 'bank', plus: 'post', minus: 'post-', emfV: 12, ohm: 0.05 }],
  sources: [],
  loads: [{ id: 'x', plus: 'far', minus: 'far-', watts, siemens: 0, amps: 0 }],
  ...change,
});

describe('by hand', () => {
  test('both conductors drop: 100 W behind 0.1 ohm at 12 V', () => {
    // v = (12 + sqrt(144 - 4 x 0.1 x 100)) / 2 = 11.0990 V, 9.0098 A; the negative's end stands 0.1802 V above the post.
    const p = prepare(pair(100));
    const f = flowOf(p);
    expect(f.loadV[0]).toBeCloseTo(11.099, 4);
    expect(f.loadA[0]).toBeCloseTo(9.0098, 4);
    expect(volts(p, f, 'far-')).toBeCloseTo(0.1802, 4);
    expect(volts(p, f, 'post')).toBeCloseTo(12 - 0.05 * 9.0098, 4);
    expect(f.bankA[0]).toBeCloseTo(9.0098, 4);
    expect(f.heatW).toBeCloseTo(0.1 * 9.0098 ** 2, 3);
  });
  test('no more than E² / 4R can be carried: 720 W of which 360 W, at half the volts', () => {
    const { collapse } = flowOf(prepare(pair(720)));
    expect(collapse?.fraction).toBeCloseTo(0.5, 2);
    expect(collapse?.loadId).toBe('x');
    expect(collapse?.volts).toBeGreaterThan(5.9);
    expect(flowOf(prepare(pair(359))).collapse).toBeNull();
  });
  test('a charger at its limit: the bank gets what the load leaves', () => {
    const f = flowOf(
      prepare(
        pair(0, {
          sources: [{ id: 'c', plus: 'post', minus: 'post-', setV: 14.4, ohm: 0.01, limitA: 30 }],
          loads: [{ id: 'x', plus: 'far', minus: 'far-', watts: 0, siemens: 0, amps: 10 }],
        }),
      ),
    );
    expect(f.sourceA[0]).toBeCloseTo(30, 9);
    expect(f.bankA[0]).toBeCloseTo(-20, 9);
    expect(f.loadV[0]).toBeCloseTo(13 - 0.5, 9);
  });
  test('a charger at its setpoint gives what keeps it there', () => {
    // 14.4 V behind 0.01 ohm against 12 V behind 0.05: 2.4 / 0.06 = 40 A, under its limit of 60.
    const f = flowOf(prepare(pair(0, { sources: [{ id: 'c', plus: 'post', minus: 'post-', setV: 14.4, ohm: 0.01, limitA: 60 }] })));
    expect(f.sourceA[0]).toBeCloseTo(40, 8);
  });
  test('a shunt that is bypassed carries less than the return: 50 mV / 500 A beside a strap of twice that', () => {
    const p = prepare({
      branches: [
        { id: 'shunt', a: 'post-', b: 'bus-', ohm: 0.0001 },
        { id: 'strap', a: 'post-', b: 'bus-', ohm: 0.0002 },
        { id: 'out', a: 'post', b: 'far', ohm: 0.01 },
        { id: 'back', a: 'bus-', b: 'far-', ohm: 0.01 },
      ],
      banks: [{ id: 'bank', plus: 'post', minus: 'post-', emfV: 12.6, ohm: 0.005 }],
      sources: [],
      loads: [{ id: 'x', plus: 'far', minus: 'far-', watts: 0, siemens: 0, amps: 90 }],
    });
    const f = flowOf(p);
    expect(f.branchA[0]).toBeCloseTo(-60, 9);
    expect(f.branchA[1]).toBeCloseTo(-30, 9);
  });
});

describe('what is not whole', () => {
  test('behind an open switch all is dead, and that is no error', () => {
    const p = prepare(pair(60, { branches: [{ id: 'back', a: 'far-', b: 'post-', ohm: 0.02 }] }));
    const f = flowOf(p);
    expect(f.loadV[0]).toBeNaN();
    expect(f.loadA[0]).toBe(0);
    expect(volts(p, f, 'far')).toBeNaN();
    expect(volts(p, f, 'post')).toBe(12);
    expect(f.collapse).toBeNull();
  });
  test('two islands, each with its own reference; a load between them is dead', () => {
    const p = prepare({
      ...nothing,
      banks: [
        { id: 'a', plus: 'a+', minus: 'a-', emfV: 12, ohm: 0.01 },
        { id: 'b', plus: 'b+', minus: 'b-', emfV: 24, ohm: 0.01 },
      ],
      loads: [{ id: 'x', plus: 'a+', minus: 'b-', watts: 50, siemens: 0, amps: 0 }],
    });
    const f = flowOf(p);
    expect(p.islands.count).toBe(2);
    expect([volts(p, f, 'a+'), volts(p, f, 'b+')]).toEqual([12, 24]);
    expect(f.loadV[0]).toBeNaN();
  });
  test('two banks in series make one island of twice the volts', () => {
    const p = prepare({
      ...nothing,
      banks: [
        { id: 'low', plus: 'm', minus: '-', emfV: 12.6, ohm: 0.01 },
        { id: 'high', plus: '+', minus: 'm', emfV: 12.8, ohm: 0.01 },
      ],
      loads: [{ id: 'x', plus: '+', minus: '-', watts: 0, siemens: 0, amps: 20 }],
    });
    expect(flowOf(p).loadV[0]).toBeCloseTo(25.4 - 0.4, 9);
  });
  test('unlike banks in parallel drive a current through each other', () => {
    const p = prepare({
      ...nothing,
      branches: [{ id: 'link', a: 'a+', b: 'b+', ohm: 0.002 }],
      banks: [
        { id: 'a', plus: 'a+', minus: '-', emfV: 12.8, ohm: 0.004 },
        { id: 'b', plus: 'b+', minus: '-', emfV: 12.2, ohm: 0.006 },
      ],
    });
    // 0.6 V over 12 mohm.
    expect(flowOf(p).branchA[0]).toBeCloseTo(50, 9);
  });
  test('a conductor of no resistance is one point', () => {
    const p = prepare(pair(60, { branches: pair(60).branches.map((b) => ({ ...b, ohm: 0 })) }));
    const f = flowOf(p);
    expect(volts(p, f, 'far') - volts(p, f, 'post')).toBeCloseTo(0, 4);
    expect(p.refusals).toEqual([]);
  });
  test.each<[string, Network, string]>([
    ['a negative resistance', pair(10, { branches: [{ id: 'bad', a: 'post', b: 'far', ohm: -1 }] }), 'less than nothing'],
    ['a resistance that is not a number', pair(10, { branches: [{ id: 'bad', a: 'post', b: 'far', ohm: NaN }] }), 'not a figure'],
    ['a panel that feeds itself', pair(10, { branches: [{ id: 'bad', a: 'post', b: 'post', ohm: 1 }] }), 'a loop of itself'],
    [
      'more nodes than a boat has',
      { ...nothing, branches: Array.from({ length: MOST_NODES + 1 }, (_, i) => ({ id: `b${i}`, a: `n${i}`, b: `n${i + 1}`, ohm: 1 })) },
      'too many nodes',
    ],
  ])('%s is refused by name, and nothing is solved', (_, network, what) => {
    const p = prepare(network);
    expect(p.refusals.map((r) => r.what)).toContain(what);
    expect(flowOf(p).volts).toHaveLength(0);
  });
  test('no bank: all dead', () => {
    const f = flowOf(prepare({ ...pair(10), banks: [] }));
    expect([...f.volts].every(Number.isNaN)).toBe(true);
  });
});

/** A tree of so many ways on both rails, closed into loops here and there, with loads at its ends that it can carry. */
const anyNetwork = fc
  .record({
    ways: fc.array(
      fc.record({
        from: fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true }),
        ohm: fc.double({ min: 0.0005, max: 0.02, noNaN: true }),
        kind: fc.constantFrom('watts' as const, 'siemens' as const, 'amps' as const, 'none' as const),
        amps: fc.double({ min: 0.1, max: 3, noNaN: true }),
      }),
      { minLength: 1, maxLength: 25 },
    ),
    loops: fc.array(fc.tuple(fc.nat(25), fc.nat(25), fc.double({ min: 0.001, max: 0.05, noNaN: true })), { maxLength: 4 }),
    emfs: fc.array(fc.double({ min: 12, max: 12.9, noNaN: true }), { minLength: 1, maxLength: 3 }),
    charger: fc.option(fc.double({ min: 2, max: 60, noNaN: true }), { nil: null }),
  })
  .map(({ ways, loops, emfs, charger }): Network => {
    const node = (i: number) => `p${i}`;
    const parent = ways.map((w, i) => Math.floor(w.from * (i + 1)));
    return {
      branches: [
        ...ways.flatMap((w, i) => [
          { id: `p${i}`, a: node(parent[i] ?? 0), b: node(i + 1), ohm: w.ohm },
          { id: `n${i}`, a: `n${parent[i] ?? 0}`, b: `n${i + 1}`, ohm: w.ohm * 0.8 },
        ]),
        ...loops
          .filter(([a, b]) => a !== b && a <= ways.length && b <= ways.length)
          .map(([a, b, ohm], i) => ({ id: `loop${i}`, a: node(a), b: node(b), ohm })),
      ],
      banks: emfs.map((emfV, i) => ({
        id: `bank${i}`,
        plus: node(Math.min(i, ways.length)),
        minus: `n${Math.min(i, ways.length)}`,
        emfV,
        ohm: 0.006,
      })),
      sources: charger === null ? [] : [{ id: 'c', plus: 'p0', minus: 'n0', setV: 14.2, ohm: 0.004, limitA: charger }],
      loads: ways.flatMap((w, i) =>
        w.kind === 'none'
          ? []
          : [
              {
                id: `l${i}`,
                plus: node(i + 1),
                minus: `n${i + 1}`,
                watts: w.kind === 'watts' ? 12 * w.amps : 0,
                siemens: w.kind === 'siemens' ? w.amps / 12 : 0,
                amps: w.kind === 'amps' ? w.amps : 0,
              },
            ],
      ),
    };
  });

/** Current out of every node, A. */
function sums(p: Prepared, f: Flow): Float64Array {
  const out = new Float64Array(p.nodes.length);
  const add = (ends: Prepared['branches'], amps: Float64Array, sign: number) =>
    amps.forEach((i, k) => {
      out[ends.a[k] ?? 0] = (out[ends.a[k] ?? 0] ?? 0) + sign * i;
      out[ends.b[k] ?? 0] = (out[ends.b[k] ?? 0] ?? 0) - sign * i;
    });
  add(p.branches, f.branchA, 1);
  add(p.banks, f.bankA, -1);
  add(p.sources, f.sourceA, -1);
  add(p.loads, f.loadA, 1);
  return out;
}

describe('whatever the network', () => {
  test('currents at every node add up to nothing, to 1e-9 A', () =>
    fc.assert(
      fc.property(anyNetwork, (network) => {
        const p = prepare(network);
        const f = flowOf(p);
        expect(f.collapse).toBeNull();
        for (const sum of sums(p, f)) expect(Math.abs(sum)).toBeLessThan(1e-9);
      }),
    ));
  test('power in is power out and heat, to 1e-9', () =>
    fc.assert(
      fc.property(anyNetwork, (network) => {
        const p = prepare(network);
        const f = flowOf(p);
        const into = f.bankA.reduce((sum, i, k) => sum + i * (p.emfV[k] ?? 0), 0);
        const given = f.sourceA.reduce((sum, i, k) => {
          const [a, b] = [p.sources.a[k] ?? 0, p.sources.b[k] ?? 0];
          return sum + i * ((f.volts[a] ?? 0) - (f.volts[b] ?? 0));
        }, 0);
        const out = f.loadA.reduce((sum, i, k) => sum + i * (f.loadV[k] ?? 0), 0);
        const whole = Math.abs(into) + given + out + f.heatW;
        expect(Math.abs(into + given - out - f.heatW)).toBeLessThan(1e-9 * Math.max(1, whole));
      }),
    ));
  test('taking a load off never lowers the volts across another', () =>
    fc.assert(
      fc.property(anyNetwork, fc.nat(30), (network, which) => {
        if (network.loads.length < 2) return;
        const gone = network.loads[which % network.loads.length];
        const before = prepare(network);
        const rest = { ...network, loads: network.loads.filter((l) => l !== gone) };
        const after = prepare(rest);
        const [f, g] = [flowOf(before), flowOf(after)];
        rest.loads.forEach((l, i) => {
          const was = f.loadV[network.loads.indexOf(l)] ?? NaN;
          expect(g.loadV[i]).toBeGreaterThanOrEqual(was - 1e-9);
        });
      }),
    ));
  test('the order of its rows does not matter', () =>
    fc.assert(
      fc.property(anyNetwork, (network) => {
        const turned: Network = {
          branches: [...network.branches].reverse(),
          banks: network.banks,
          sources: network.sources,
          loads: [...network.loads].reverse(),
        };
        const [p, q] = [prepare(network), prepare(turned)];
        const [f, g] = [flowOf(p), flowOf(q)];
        for (const node of p.nodes) expect(volts(q, g, node)).toBeCloseTo(volts(p, f, node), 8);
      }),
    ));
  test('begun from a neighbouring solution it comes to the same', () =>
    fc.assert(
      fc.property(anyNetwork, fc.double({ min: 0.2, max: 1.5, noNaN: true }), (network, by) => {
        const p = prepare(network);
        const first = flowOf(p);
        for (let i = 0; i < p.watts.length; i++) p.watts[i] = (p.watts[i] ?? 0) * by;
        const [warm, cold] = [flowOf(p, first.departure), flowOf(p)];
        warm.volts.forEach((v, i) => {
          expect(v).toBeCloseTo(cold.volts[i] ?? NaN, 8);
        });
      }),
    ));
});

describe('factoring', () => {
  test('a tree has no fill: as many off-diagonals as edges', () => {
    const edges = Array.from({ length: 60 }, (_, i): [number, number] => [i + 1, Math.floor(i / 2)]);
    expect(patternOf(61, edges).rows).toHaveLength(60);
  });
  test('solves what it factors, whatever the pattern', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 14 }),
        fc.array(fc.tuple(fc.nat(13), fc.nat(13), fc.double({ min: 0.1, max: 9, noNaN: true })), { maxLength: 40 }),
        fc.array(fc.double({ min: -9, max: 9, noNaN: true }), { minLength: 14, maxLength: 14 }),
        (n, raw, x) => {
          const edges = raw.filter(([a, b]) => a < n && b < n && a !== b);
          const p = patternOf(
            n,
            edges.map(([a, b]) => [a, b] as const),
          );
          const m = matrixOf(p);
          const dense = Array.from({ length: n }, () => new Float64Array(n));
          const add = (a: number, b: number, v: number) => {
            const line = dense[a] ?? new Float64Array(0);
            line[b] = (line[b] ?? 0) + v;
          };
          for (let i = 0; i < n; i++) {
            add(i, i, 0.5);
            m.diagonal[i] = 0.5;
          }
          for (const [a, b, g] of edges) {
            add(a, a, g);
            add(b, b, g);
            add(a, b, -g);
            add(b, a, -g);
            m.diagonal[a] = (m.diagonal[a] ?? 0) + g;
            m.diagonal[b] = (m.diagonal[b] ?? 0) + g;
            m.off[p.slotOf(a, b)] = (m.off[p.slotOf(a, b)] ?? 0) - g;
          }
          const right = Float64Array.from(dense, (line) => line.reduce((sum, v, j) => sum + v * (x[j] ?? 0), 0));
          expect(factor(p, m)).toBe(true);
          solve(p, m, right);
          right.forEach((v, i) => {
            expect(v).toBeCloseTo(x[i] ?? NaN, 6);
          });
        },
      ),
    ));
  test('what is not positive definite is told', () => {
    const p = patternOf(2, [[0, 1]]);
    const m = matrixOf(p);
    m.diagonal.set([1, 1]);
    m.off[0] = -2;
    expect(factor(p, m)).toBe(false);
  });
});
