import fc from 'fast-check';
import { CHEMISTRIES } from '../rules';
import { setpointV } from '../charging';
import { chargeEfficiency, coldFactor, effectiveA } from './discharge';
import { sizingLines } from '../working';
import { sizeAll, sizeBank, type SizingNeed } from './sizing';
import { bareBoat } from '../design/testing';

const asked: SizingNeed = { needAh: 96, days: 2, tempC: 25, systemV: 12 };

describe('a need of 96 Ah a day, two days, by hand', () => {
  // 192 Ah; AGM window 50 %: 384 Ah; mean 4 A is below 384 / 20 = 19.2 A, so the rate costs nothing.
  test('AGM', () => expect(sizeBank(CHEMISTRIES.agm, asked)).toMatchObject({ capacityAh: 384, usableAh: 192, rateFactor: 1, cold: 1 }));
  // Iron phosphate: 80 % window: 240 Ah.
  test('iron phosphate', () => expect(sizeBank(CHEMISTRIES.lfp, asked).capacityAh).toBeCloseTo(240, 9));
  test('its mass and bulk', () => {
    const sized = sizeBank(CHEMISTRIES.agm, asked);
    expect(sized.massKg).toBeCloseTo((384 * 12) / 33, 9);
    expect(sized.litres).toBeCloseTo((384 * 12) / 85, 9);
  });
  test('600 spells of two days are 3.3 years', () => expect(sizeBank(CHEMISTRIES.agm, asked).years).toBeCloseTo((600 * 2) / 365, 9));
  test('at 5 °C lead-acid has 84 %, iron phosphate 92 %', () => {
    expect(sizeBank(CHEMISTRIES.agm, { ...asked, tempC: 5 }).capacityAh).toBeCloseTo(384 / 0.84, 9);
    expect(sizeBank(CHEMISTRIES.lfp, { ...asked, tempC: 5 }).capacityAh).toBeCloseTo(240 / 0.92, 9);
  });
  test('its lines end in its capacity', () => {
    const { lines } = sizingLines(sizeBank(CHEMISTRIES.agm, asked), asked, bareBoat('metric').boat);
    expect(lines.map((l) => l.value)).toEqual([192, 192, 384, 384]);
    expect(lines[0]?.formula).toBe('96 Ah a day × 2 days');
  });
});

test('drawn within hours the rate counts, and the answer stands by its own rate', () => {
  // A tenth of a day at 960 Ah a day: 96 Ah at 40 A.
  const fast = sizeBank(CHEMISTRIES.flooded, { ...asked, needAh: 960, days: 0.1 });
  const capacity = fast.capacityAh ?? NaN;
  expect(fast.rateFactor).toBeGreaterThan(1);
  expect(capacity * 0.5).toBeCloseTo((96 * effectiveA(40, capacity, 1.25)) / 40, 3);
});
test('no need asks for nothing', () =>
  expect(sizeBank(CHEMISTRIES.gel, { ...asked, needAh: 0 })).toMatchObject({ capacityAh: 0, massKg: 0, years: null }));
test('iron phosphate takes no charge below freezing', () => {
  expect(sizeBank(CHEMISTRIES.lfp, { ...asked, tempC: -1 }).chargesInTheCold).toBe(false);
  expect(sizeBank(CHEMISTRIES.agm, { ...asked, tempC: 0 }).chargesInTheCold).toBe(true);
});
test('cold that leaves nothing is told, not divided by', () => {
  const frozen = sizeBank(CHEMISTRIES.agm, { ...asked, tempC: -150 });
  expect(frozen.capacityAh).toBeNull();
  expect(Number.isFinite(frozen.massKg)).toBe(true);
});
test('efficiency falls only above 80 %', () => {
  const { agm } = CHEMISTRIES;
  expect([0, 0.8, 0.9, 1, 2].map((soc) => chargeEfficiency(agm, soc))).toEqual([0.96, 0.96, expect.closeTo(0.88, 9), 0.8, 0.8]);
});
test('setpoints fall as lead-acid warms and stand still for iron phosphate', () => {
  const at = (t: number) => setpointV(14.4, CHEMISTRIES.agm.slopeMvPerCCell, 6, t);
  expect(at(25)).toBe(14.4);
  expect(at(35)).toBeCloseTo(14.16, 9);
  expect(setpointV(14.2, CHEMISTRIES.lfp.slopeMvPerCCell, 4, 45)).toBe(14.2);
});

describe('properties', () => {
  const some = fc.record({
    needAh: fc.double({ min: 0.1, max: 3000, noNaN: true }),
    days: fc.double({ min: 0.1, max: 30, noNaN: true }),
    tempC: fc.double({ min: -20, max: 50, noNaN: true }),
    systemV: fc.constantFrom(12, 24, 48),
  });
  test('more need, more days or more cold never asks for less', () => {
    fc.assert(
      fc.property(some, fc.constantFrom('flooded' as const, 'agm' as const, 'gel' as const, 'lfp' as const), (a, id) => {
        const c = (x: SizingNeed) => sizeBank(CHEMISTRIES[id], x).capacityAh ?? Infinity;
        const here = c(a);
        expect(c({ ...a, needAh: a.needAh * 1.1 })).toBeGreaterThanOrEqual(here - 1e-6);
        expect(c({ ...a, days: a.days * 1.1 })).toBeGreaterThanOrEqual(here * (1 - 1e-6));
        expect(c({ ...a, tempC: a.tempC - 5 })).toBeGreaterThanOrEqual(here - 1e-6);
      }),
    );
  });
  test('what is sized covers what is drawn, at its rate and in its cold', () => {
    fc.assert(
      fc.property(some, (a) => {
        for (const sized of Object.values(sizeAll(a))) {
          if (sized.capacityAh === null) continue;
          expect(sized.usableAh).toBeGreaterThanOrEqual(a.needAh * a.days * (1 - 1e-6));
        }
      }),
    );
  });
  test('effective current is never less than the current, and grows with it', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.double({ min: 1, max: 2000, noNaN: true }),
        fc.double({ min: 1, max: 1.4, noNaN: true }),
        (i, c20, p) => {
          expect(effectiveA(i, c20, p)).toBeGreaterThanOrEqual(i);
          expect(effectiveA(i + 1, c20, p)).toBeGreaterThan(effectiveA(i, c20, p));
        },
      ),
    );
  });
  test('cold never gives capacity', () => {
    fc.assert(
      fc.property(fc.double({ min: -60, max: 60, noNaN: true }), (t) => {
        for (const c of Object.values(CHEMISTRIES)) expect(coldFactor(c, t)).toBeLessThanOrEqual(1);
      }),
    );
  });
});
