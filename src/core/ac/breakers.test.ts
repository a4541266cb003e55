/** No set that is offered overloads a breaker on the way to it, whatever the AC side looks like. */
import fc from 'fast-check';
import { type AcCircuit, type AcLoad, blankAcCircuit, blankAcPanel, type Design } from '../design';
import { withBreakers } from './breakers';
import { acCircuits } from './circuits';
import { vaOf } from './consumers';
import { placardLines } from './placard';
import { runningOf } from './running';
import { SERVICES, settingsOf } from './services';
import { appliance, pluggedIn, withMachines } from './testing';

const boat = withMachines(pluggedIn());

describe('by hand', () => {
  const galley: Design = {
    ...boat,
    acLoads: [appliance('kettle', 2000), appliance('coffee', 1500), appliance('tv', 100)],
    acCircuits: boat.acCircuits.map((c) => (c.id === 'galley' ? { ...c, loadIds: ['kettle', 'coffee'], outlets: 2, ratingA: 10 } : c)),
  };
  test('the breakers of a source are those of its runs, each with what is behind it', () => {
    const [shore] = withBreakers(galley, settingsOf(galley));
    const members = Object.fromEntries((shore?.limit.breakers ?? []).map((b) => [b.id, [...b.members].sort()]));
    expect(members).toEqual({ main: ['coffee', 'kettle', 'tv'], galley: ['coffee', 'kettle'], 'to-small': ['tv'], 'tv-run': ['tv'] });
    expect(shore?.limit.breakers?.find((b) => b.id === 'galley')?.amps).toBe(10);
  });
  test('kettle and coffee maker on one branch of 10 A: no set has both, and the placard never says both', () => {
    // 2000 + 1500 W fit an inlet of 16 A at 230 V, not a branch of 10 A.
    const [shore] = runningOf(galley);
    expect(shore?.together.sets.some((s) => s.includes('kettle') && s.includes('coffee'))).toBe(false);
    for (const line of placardLines(galley, 99))
      for (const set of line.sets) expect(set.includes('kettle') && set.includes('coffee')).toBe(false);
  });
  test('what is wanted says which breaker it would open', () => {
    const wanted = { ...galley, acRules: { ...galley.acRules, wanted: ['kettle', 'coffee'] } };
    const [shore] = runningOf(wanted);
    expect(shore?.wanted.opens).toEqual(['10 A of galley galley']);
    expect(shore?.wanted.shedding.runs).toEqual(['coffee']);
    expect(shore?.wanted.roomVa).toBeCloseTo(10 * 230 - 3500, 9);
  });
  test('an inverter that passes shore current on is held to its relay', () => {
    const passing: Design = {
      ...galley,
      acSources: galley.acSources.map((s) => (s.inverter ? { ...s, inverter: { ...s.inverter, passA: 4 } } : s)),
      acCircuits: galley.acCircuits.map((c) => (c.id === 'to-small' ? { ...c, to: { kind: 'inverter' as const, id: 'inv' } } : c)),
      acLoads: galley.acLoads.map((l) => (l.id === 'tv' ? { ...l, watts: 1000 } : l)),
    };
    const [shore] = runningOf(passing);
    expect(shore?.opensAlone.tv).toEqual([expect.stringContaining('passes on')]);
  });
});

/** A tree of panels below a shore inlet, branches with appliances, some of which may be plugged in at two. */
const anySide = fc.record({
  panels: fc.integer({ min: 1, max: 4 }),
  feederA: fc.array(fc.constantFrom(null, 10, 16, 20, 32), { minLength: 4, maxLength: 4 }),
  branches: fc.array(fc.record({ panel: fc.nat(3), ratingA: fc.constantFrom(null, 6, 10, 16), outlets: fc.nat(2) }), {
    minLength: 1,
    maxLength: 8,
  }),
  loads: fc.array(
    fc.record({
      watts: fc.integer({ min: 20, max: 3000 }),
      powerFactor: fc.constantFrom(1, 0.9, 0.7),
      runsLong: fc.boolean(),
      leg: fc.constantFrom('first' as const, 'second' as const, 'both' as const),
      at: fc.nat(7),
      also: fc.option(fc.nat(7)),
    }),
    { minLength: 1, maxLength: 9 },
  ),
  service: fc.constantFrom('230 V' as const, '120 V' as const, '120/240 V' as const),
});

test('over 500 random AC sides no set on offer overloads any breaker, counted run by run', () =>
  fc.assert(
    fc.property(anySide, ({ panels, feederA, branches, loads, service }) => {
      const base = pluggedIn(service === '230 V' ? 'metric' : 'awg');
      const run = (id: string, from: AcCircuit['from'], more: Partial<AcCircuit>): AcCircuit => ({
        ...blankAcCircuit(id, id, id, from),
        ...more,
      });
      const rows: AcLoad[] = loads.map(({ at: _, also: __, ...l }, i) => appliance(`l${i}`, l.watts, l));
      const onBranch = (k: number) =>
        loads.flatMap((l, i) => (l.at % branches.length === k || (l.also !== null && l.also % branches.length === k) ? [`l${i}`] : []));
      const design: Design = {
        ...base,
        boat: { ...base.boat, acRegion: service },
        acSources: base.acSources.map((s) => ({ ...s, service, ratedA: 30 })),
        acPanels: Array.from({ length: panels }, (_, i) => blankAcPanel(`p${i}`, 'chart')),
        acLoads: rows,
        acCircuits: [
          ...Array.from({ length: panels }, (_, i) =>
            run(`f${i}`, i === 0 ? { kind: 'source', id: 'shore' } : { kind: 'panel', id: `p${(i - 1) >> 1}` }, {
              to: { kind: 'panel', id: `p${i}` },
              ratingA: feederA[i] ?? null,
            }),
          ),
          ...branches.map((b, k) =>
            run(`b${k}`, { kind: 'panel', id: `p${b.panel % panels}` }, { loadIds: onBranch(k), ratingA: b.ratingA, outlets: b.outlets }),
          ),
        ],
      };
      const { volts, legs } = SERVICES[service];
      const ratings = new Map(acCircuits(design).map((r) => [r.id, r.ratingA]));
      const above = (c: AcCircuit): AcCircuit[] => {
        const up = c.from.kind === 'panel' ? design.acCircuits.find((x) => x.to?.id === c.from.id) : undefined;
        return up ? [c, ...above(up)] : [c];
      };
      for (const r of runningOf(design)) {
        const part = design.boat.ruleSet === 'awg' ? 0.8 : 1;
        for (const set of r.together.sets) {
          // Plugged in at the first of the branches it may be on: each breaker carries the sum of what is behind it.
          const sums = new Map<string, { all: number[]; long: number[] }>();
          for (const id of set) {
            const l = rows.find((x) => x.id === id);
            const branch = design.acCircuits.find((c) => c.loadIds.includes(id));
            if (!l || !branch) throw new Error('an appliance that is nowhere');
            const va = vaOf(design, l);
            const share = legs === 1 ? [va, 0] : l.leg === 'both' ? [va / 2, va / 2] : l.leg === 'first' ? [va, 0] : [0, va];
            for (const c of above(branch)) {
              const sum = sums.get(c.id) ?? { all: [0, 0], long: [0, 0] };
              share.forEach((x, leg) => {
                sum.all[leg] = (sum.all[leg] ?? 0) + x * l.powerFactor;
                if (l.runsLong) sum.long[leg] = (sum.long[leg] ?? 0) + x * l.powerFactor;
              });
              sums.set(c.id, sum);
            }
          }
          // Watts alone are below the volt-amperes, whose parts add as vectors: a breaker that watts overload is overloaded.
          for (const [id, sum] of sums) {
            const most = (ratings.get(id) ?? 0) * volts * (1 + 1e-6);
            expect(Math.max(...sum.all)).toBeLessThanOrEqual(most);
            expect(Math.max(...sum.long)).toBeLessThanOrEqual(part * most);
          }
        }
      }
    }),
    { numRuns: 500 },
  ));
