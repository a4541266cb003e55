/** Feeders and branches of the AC side sized together. */
import fc from 'fast-check';
import { type AcCircuit, blankAcCircuit, blankAcPanel, type Design } from '../design';
import { DROP_PCT } from '../rules';
import { type AcCircuitResult, acCircuits } from './circuits';
import { acRuns, ownSizes } from './runs';
import { OWN_SHARE_PCT } from './runSizes';
import { appliance, pluggedIn } from './testing';

const cable = (kg: number, m: number) => (3 * kg * m) / 1000;
const byId = (design: Design): Record<string, AcCircuitResult> => Object.fromEntries(acCircuits(design).map((r) => [r.id, r]));
const size = (design: Design, id: string) => byId(design)[id]?.conductor.size;
const branch = (id: string, lengthM: number, from = 'panel'): AcCircuit => ({
  ...blankAcCircuit(id, id, id, { kind: 'panel', id: from }),
  loadIds: [id],
  lengthM,
});
/** A main of so many metres behind 16 A, and branches of 2300 W (10 A) of so many metres. */
function boat(mainM: number, branches: readonly number[]): Design {
  const plain = pluggedIn();
  return {
    ...plain,
    acLoads: branches.map((_, i) => appliance(`b${i}`, 2300)),
    acCircuits: [
      ...plain.acCircuits.filter((c) => c.id === 'main').map((c) => ({ ...c, lengthM: mainM })),
      ...branches.map((m, i) => branch(`b${i}`, m)),
    ],
  };
}
const pinned = (design: Design, id: string, metric: string): Design => ({
  ...design,
  acCircuits: design.acCircuits.map((c) => (c.id === id ? { ...c, size: { school: 'metric', size: metric } } : c)),
});

describe('by hand, 230 V, copper at 60 degC 1.1572 times that at 20', () => {
  // A metre out and back of 2.5 mm2: 2 x 8.21 x 1.1572 / 1000 = 0.01900 ohm; 4 mm2 0.01178; 1.5 mm2 0.03171.
  test('14 m of main at 16 A lose 1.85 % in 2.5 mm2; 8 m at 10 A 1.10 % in 1.5 mm2: 2.95 %, nothing heavier than it needs', () => {
    const d = boat(14, [8]);
    expect([size(d, 'main'), size(d, 'b0')]).toEqual(['2.5', '1.5']);
    expect(byId(d).b0?.dropPct).toBeCloseTo((100 * (14 * 0.019 * 16 + 8 * 0.03171 * 10)) / 230, 2);
  });
  test('18 m of main lose 2.38 %: for six branches the main goes to 4 mm2 (1.47 %), not each of the branches to 2.5', () => {
    const d = boat(18, [8, 8, 8, 8, 8, 8]);
    expect(size(d, 'main')).toBe('4');
    for (let i = 0; i < 6; i++) expect(size(d, `b${i}`)).toBe('1.5');
  });
  test('a main pinned thin makes no branch heavy: the branch keeps to its own share, and the feeder is named', () => {
    const d = pinned(boat(22, [12]), 'main', '2.5');
    const r = byId(d).b0;
    // 2.91 % in the main; of its own 12 m at 10 A lose 1.65 % in 1.5 mm2, 0.99 % in 2.5: that is its share.
    expect(r?.conductor.size).toBe('2.5');
    expect(r?.failing).toEqual(['drop']);
    expect(byId(boat(22, [12])).b0?.failing).toEqual([]);
  });
});

test('least copper: nothing lighter among all sizes of a main and, within their share, of up to three branches holds 3 %', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 2, max: 30, noNaN: true }),
      fc.array(fc.double({ min: 1, max: 14, noNaN: true }), { minLength: 1, maxLength: 3 }),
      (mainM, branches) => {
        const d = boat(mainM, branches);
        const runs = acRuns(d);
        const chosen = byId(d);
        if (Object.values(chosen).some((r) => r.failing.length > 0)) return;
        const kg = Object.values(chosen).reduce((sum, r) => sum + cable(r.conductor.massKgPerKm, r.lengthM), 0);
        const main = runs.get('main');
        if (!main) throw new Error('no main');
        for (const m of ownSizes(main, 'metric').slice(0, 8)) {
          let total = cable(m.massKgPerKm, mainM);
          for (let i = 0; i < branches.length; i++) {
            const run = runs.get(`b${i}`);
            const sizes = run ? ownSizes(run, 'metric') : [];
            const share = Math.max(2, sizes.findIndex((s) => (run?.dropPct(s) ?? 0) <= OWN_SHARE_PCT) + 1);
            const least = run && sizes.slice(0, share).find((s) => main.dropPct(m) + run.dropPct(s) <= DROP_PCT);
            total += least && run ? cable(least.massKgPerKm, run.lengthM) : Infinity;
          }
          expect(kg).toBeLessThanOrEqual(total + 1e-9);
        }
      },
    ),
    { numRuns: 100 },
  ));

test('panels behind panels, twelve deep and in a ring: every run has a size, at once', () => {
  const plain = boat(4, [3]);
  const ids = Array.from({ length: 12 }, (_, i) => `p${i}`);
  const chain: Design = {
    ...plain,
    acPanels: [...plain.acPanels, ...ids.map((id) => ({ ...blankAcPanel(id, 'chart'), name: id }))],
    acCircuits: [
      ...plain.acCircuits,
      ...ids.map((id, i) => ({
        ...blankAcCircuit(`f${i}`, `f${i}`, `f${i}`, { kind: 'panel' as const, id: ids[i - 1] ?? 'panel' }),
        to: { kind: 'panel' as const, id },
        lengthM: 2,
      })),
      { ...blankAcCircuit('back', 'back', 'back', { kind: 'panel', id: 'p11' }), to: { kind: 'panel', id: 'p3' }, lengthM: 2 },
    ],
  };
  expect(acCircuits(chain)).toHaveLength(chain.acCircuits.length);
});

describe('terminals and earth', () => {
  const awg = (amps: number, terminalC: 60 | 75 | null): Design => {
    const plain = pluggedIn('awg');
    return {
      ...plain,
      acRules: { ...plain.acRules, terminalC },
      acSources: plain.acSources.map((s) => ({ ...s, ratedA: amps })),
    };
  };
  test('15, 20, 30 and 50 A come out at 14, 12, 10 and 6 AWG; with terminals for 75 degC 50 A at 8', () => {
    expect([15, 20, 30, 50].map((a) => size(awg(a, null), 'main'))).toEqual(['14', '12', '10', '6']);
    expect([15, 20, 30, 50].map((a) => size(awg(a, 75), 'main'))).toEqual(['14', '12', '10', '8']);
  });
  test('an inlet good for 60 degC rules its main, whatever the breakers are good for', () => {
    const d = awg(50, 75);
    const inlet: Design = { ...d, acSources: d.acSources.map((s) => ({ ...s, shore: s.shore && { ...s.shore, terminalC: 60 as const } })) };
    expect(size(inlet, 'main')).toBe('6');
  });
  test('a lighter earth comes into the loop and is held against its school: 10 AWG behind 50 A, as the live in 2.5 mm2', () => {
    const d = awg(50, null);
    const earth = (e: string, over = d): AcCircuitResult | undefined =>
      byId({ ...over, acCircuits: over.acCircuits.map((c) => (c.id === 'main' ? { ...c, earthSize: { school: 'awg', size: e } } : c)) })
        .main;
    expect(earth('10')?.earthLeast.size).toBe('10');
    expect(earth('12')?.earth.areaMm2).toBeLessThan(earth('12')?.earthLeast.areaMm2 ?? 0);
    const [alike, lighter] = [byId(d).main, earth('10')];
    if (!alike || !lighter) throw new Error('no main');
    const hot = 1 + 0.00393 * (alike.derating.ratingC - 20);
    const more = ((lighter.earth.r20OhmPerKm - alike.earth.r20OhmPerKm) * alike.lengthM * hot) / 1000;
    expect((lighter.faults[0]?.loopOhm ?? 0) - (alike.faults[0]?.loopOhm ?? 0)).toBeCloseTo(more, 9);
    expect(byId(boat(4, [3])).main?.earthLeast.size).toBe('2.5');
  });
});
