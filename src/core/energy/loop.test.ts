import fc from 'fast-check';
import { blankBank, blankTie, blankSource, BOUNDS, type Design, type Source } from '../design';
import type { ChemistryId } from '../rules';
import { AS_ENTERED, traceFor } from './books';
import { Sum } from './kernel/layout';
import { runDays } from './cruise';
import { instance } from './instance';
import { createLoop } from './loop';
import { type SceneDay, sceneOf } from './scene';
import { windAmps } from './sources';
import { drawing, driven, quietBoat, sourceInto } from './testing';

const chemistries = fc.constantFrom<ChemistryId>('flooded', 'agm', 'gel', 'lfp');
const day = (design: Design, soc: number, days = 2) => {
  const scene = sceneOf(design, { stepMin: 15 });
  return runDays(scene, new Array<number>(days).fill(0), soc, 'test');
};

/** The house bank halved into two that a selector holds together all day. */
const halved = (design: Design): Design => {
  const [house] = design.banks;
  if (!house) return design;
  const half = { ...house, blockAh: house.blockAh / 2 };
  return {
    ...design,
    banks: [half, { ...half, id: 'other', name: 'the other half' }],
    joins: [{ ...blankTie('both', 'selector', 12), firstId: house.id, secondId: 'other', running: 'both', stopped: 'both' }],
  };
};

test('powers are those of the platform to thirteen digits, whatever browser it is', () => {
  const { raised } = instance();
  // By hand: 8^(2/3) = 4, 10^0.3010299956639812 = 2.
  expect(raised(8, 2 / 3)).toBeCloseTo(4, 13);
  expect(raised(10, Math.log10(2))).toBeCloseTo(2, 13);
  fc.assert(
    fc.property(fc.double({ min: 1e-6, max: 1e4, noNaN: true }), fc.double({ min: -2, max: 2, noNaN: true }), (x, y) => {
      expect(Math.abs(raised(x, y) / x ** y - 1)).toBeLessThan(1e-13);
    }),
  );
  expect([raised(1e300, 2), raised(1e-300, 2)]).toEqual([Infinity, 0]);
});

describe('the loop', () => {
  test('two halves held together are one bank: volts by the list of banks are volts by the single one', () =>
    fc.assert(
      fc.property(
        chemistries,
        fc.double({ min: 0.25, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 12, noNaN: true }),
        fc.constantFrom<'power' | 'resistance' | 'current'>('power', 'resistance', 'current'),
        fc.double({ min: 1, max: 90, noNaN: true }),
        (chemistry, soc, amps, behaviour, ratedA) => {
          const whole = driven(
            drawing(quietBoat({ chemistry, tempC: 20, blockAh: 200 }), amps, { behaviour }),
            [sourceInto('shore charger', { ratedA })],
            [['shore', 3, 15, 0]],
          );
          const [one, two] = [day(whole, soc), day(halved(whole), soc)];
          expect(two.banks[0]?.endSoc).toBeCloseTo(one.banks[0]?.endSoc ?? NaN, 6);
          expect(two.banks[1]?.endSoc).toBeCloseTo(one.banks[0]?.endSoc ?? NaN, 6);
          expect(two.days[1]?.madeAh).toBeCloseTo(one.days[1]?.madeAh ?? NaN, 4);
          expect(two.trace.volts[2 * 40]).toBeCloseTo(one.trace.volts[40] ?? NaN, 6);
        },
      ),
      { numRuns: 60 },
    ));

  test('there is room for as many banks, sources and joins as a design may have, and none reads another’s row', () => {
    const { banks: nB, sources: nS, joins: nJ } = BOUNDS;
    const base = quietBoat();
    const bankIds = Array.from({ length: nB }, (_, i) => `b${i}`);
    const boat: Design = {
      ...driven(
        base,
        Array.from({ length: nS }, (_, i) => ({
          ...sourceInto('shore charger', { ratedA: 5 + (i % nB) }),
          id: `s${i}`,
          bankId: bankIds[i % nB] ?? null,
        })),
        [['shore', 0, 2, 0]],
      ),
      banks: bankIds.map((id) => ({ ...blankBank(id, 12, null), tempC: 25, name: id })),
      // All open: each would tie the bank to its neighbour.
      joins: Array.from({ length: nJ }, (_, i) => ({
        ...blankTie(`j${i}`, 'relay', 12),
        firstId: bankIds[i] ?? null,
        secondId: bankIds[(i + 1) % nB] ?? null,
        closeV: 99,
      })),
    };
    const r = day(boat, 0.5, 1);
    // Two sources of 5 + i amps for two hours.
    r.banks.forEach((b, i) => {
      expect(b.inAh).toBeCloseTo(2 * 2 * (5 + i), 6);
    });
    expect(r.imbalance).toBeLessThan(1e-9);
  });

  test('two loops may take turns: each keeps its own memory', () => {
    const one = sceneOf(drawing(quietBoat(), 3), { stepMin: 15 });
    const two = sceneOf(driven(quietBoat({ chemistry: 'lfp' }), [sourceInto('shore charger')], [['shore', 1, 5, 0]]), { stepMin: 15 });
    const alone = createLoop(one);
    alone.reset(0.9);
    for (let i = 0; i < 3; i++) alone.day(0, AS_ENTERED);
    const [a, b] = [createLoop(one), createLoop(two)];
    a.reset(0.9);
    b.reset(0.3);
    for (let i = 0; i < 3; i++) {
      a.day(0, AS_ENTERED);
      b.day(0, AS_ENTERED);
    }
    expect(Array.from(a.soc)).toEqual(Array.from(alone.soc));
    expect(b.soc[0]).toBeGreaterThan(0.3);
  });

  test('without its books a loop comes to the same states of charge', () =>
    fc.assert(
      fc.property(
        chemistries,
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        (chemistry, soc, amps) => {
          const boat = driven(drawing(quietBoat({ chemistry }), amps), [sourceInto('shore charger')], [['shore', 8, 12, 0]]);
          const scene = sceneOf(boat, { stepMin: 15 });
          const [full, lean] = [createLoop(scene), createLoop(scene, true)];
          for (const loop of [full, lean]) {
            loop.reset(soc);
            loop.day(0, AS_ENTERED);
          }
          expect(lean.soc[0]).toBe(full.soc[0]);
          expect(lean.totals.lowest[0]).toBe(full.totals.lowest[0]);
          expect(lean.totals.sums[Sum.unmet]).toBe(full.totals.sums[Sum.unmet]);
        },
      ),
      { numRuns: 40 },
    ));

  test('told that loads draw otherwise, a loop goes on as one made for them, also where a bank comes to be drawn from', () => {
    const boat = driven(drawing(quietBoat(), 3), [sourceInto('shore charger')], [['shore', 8, 12, 0]]);
    const [idle, drawn] = [sceneOf(quietBoat(), { stepMin: 15 }), sceneOf(boat, { stepMin: 15 })];
    const days = (d: Design) => sceneOf(d, { stepMin: 15 }).days[0]?.drawing.length;
    expect([days(quietBoat()), days(boat)]).toEqual([0, 1]);
    // Only the loads differ.
    const loop = createLoop({ ...drawn, days: drawn.days.map((d, i) => d && { ...d, ...pick(idle.days[i]) }) });
    loop.reset(0.9);
    loop.day(0, AS_ENTERED);
    const charged = loop.soc[0] ?? NaN;
    loop.redraw(drawn);
    loop.reset(0.9);
    loop.day(0, AS_ENTERED);
    const fresh = createLoop(drawn);
    fresh.reset(0.9);
    fresh.day(0, AS_ENTERED);
    expect(loop.soc[0]).toBe(fresh.soc[0]);
    expect(loop.soc[0]).toBeLessThan(charged);
  });

  test('a day of minutes of the largest boat finds room: every step of it is told, and the last is what stands', () => {
    const { banks: nB } = BOUNDS;
    const base = drawing(quietBoat(), 2);
    const boat: Design = {
      ...base,
      banks: [...base.banks, ...Array.from({ length: nB - 1 }, (_, i) => ({ ...blankBank(`b${i}`, 12, null), tempC: 25, name: `b${i}` }))],
    };
    const scene = sceneOf(boat, { stepMin: 1 });
    expect(scene.n).toBe(1440);
    const loop = createLoop(scene);
    const trace = traceFor(scene, 2);
    loop.reset(0.8);
    loop.day(0, AS_ENTERED, trace, 0);
    loop.day(0, AS_ENTERED, trace, scene.n);
    const rows = 2 * scene.n * nB;
    expect(trace.soc).toHaveLength(rows);
    expect(trace.soc.every((x) => x > 0 && x <= 0.8)).toBe(true);
    expect(Array.from(trace.soc.subarray(rows - nB))).toEqual(Array.from(loop.soc));
    // The day's 2 A, at the volts they see.
    expect(trace.loadA[2 * scene.n - 1]).toBeGreaterThan(1.8);
    expect(loop.totals.sums[Sum.load]).toBeCloseTo(
      trace.loadA.reduce((sum, a) => sum + a * scene.stepH, 0),
      6,
    );
  });

  test('wind of another day is looked up on the generator’s curve, and none is none', () => {
    const blank = blankSource('w', 'wind', 12, 'house');
    const curve = [
      { id: 'a', mps: 3, amps: 0 },
      { id: 'b', mps: 8, amps: 2 },
      { id: 'c', mps: 14, amps: 5 },
    ];
    const windy: Source = { ...blank, wind: blank.wind && { ...blank.wind, curve } };
    const boat = driven(quietBoat({ chemistry: 'lfp' }), [windy], [['wind', 0, 24, 5]]);
    const scene = sceneOf(boat, { stepMin: 15, varied: true });
    const made = (wind: number) => {
      const loop = createLoop(scene);
      loop.reset(0.3);
      loop.day(0, { ...AS_ENTERED, wind });
      return loop.totals.sourceAh[0] ?? NaN;
    };
    expect(made(0)).toBe(0);
    expect(made(1)).toBeCloseTo(24 * windAmps(curve, 5), 6);
    expect(made(2)).toBeCloseTo(24 * windAmps(curve, 10), 6);
    // Between two places of the table it is straight.
    expect(made(0.55)).toBeCloseTo(12 * (windAmps(curve, 2.5) + windAmps(curve, 3)), 6);
  });
});

/** What loads draw in a day, of nothing else. */
const pick = (d: SceneDay | null | undefined) => (d ? { drawing: d.drawing, draws: d.draws } : {});
