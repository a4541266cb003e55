import * as v from 'valibot';
import { blankDesign } from './blank';
import { DesignSchema } from './schema';
import { APPLIANCES, loadFrom } from './appliances';

const places = new Set(blankDesign('x', 'metric', 10, 3, 12).places.map((p) => p.id));

test('there are some sixty, each under its own name', () => {
  expect(APPLIANCES.length).toBeGreaterThanOrEqual(58);
  expect(new Set(APPLIANCES.map((a) => a.name)).size).toBe(APPLIANCES.length);
});
test('every place they name is one of a new boat’s', () =>
  expect(APPLIANCES.filter((a) => !places.has(a.place)).map((a) => a.name)).toEqual([]));
test.each([12, 24, 48] as const)('at %p V all of them are loads a design file takes, marked typical', (systemV) => {
  const loads = APPLIANCES.map((a, i) => loadFrom(a, `n${i}`, systemV, places));
  const read = v.safeParse(DesignSchema, { ...blankDesign('x', 'metric', 10, 3, systemV), loads });
  expect(read.success).toBe(true);
  expect(loads.every((l) => l.mark === 'typical')).toBe(true);
});
test('watts stay the same at another voltage, amps follow', () => {
  const windlass = APPLIANCES.find((a) => a.name === 'Anchor windlass');
  if (!windlass) throw new Error('no windlass');
  const [low, high] = [loadFrom(windlass, 'a', 12, places), loadFrom(windlass, 'b', 24, places)];
  expect(low.rating).toBe(high.rating);
  expect(low.surgeA).toBe(250);
  expect(high.surgeA).toBe(125);
});
test('a place the vessel has not is left open', () =>
  expect(loadFrom(APPLIANCES[0] as (typeof APPLIANCES)[number], 'a', 12, new Set()).placeId).toBeNull());
test('surges are above running, day hours within a day, and what is always live is small or vital', () => {
  for (const a of APPLIANCES) {
    if (a.surge) expect(a.surge[0]).toBeGreaterThan(1);
    for (const h of a.hours) expect(h >= 0 && h <= 24).toBe(true);
    if (a.supply === 'always live') expect(a.critical || a.watts <= 5).toBe(true);
  }
});
