/** Starts against breakers, with figures worked by hand. */
import type { AcLoad, Design } from '../design';
import { acCircuits } from './circuits';
import { startsBehind } from './starts';
import { acFindings, appliance, pluggedIn } from './testing';

const with_ = (loads: readonly AcLoad[], ratingA: number | null = null, wanted: readonly string[] = []): Design => {
  const plain = pluggedIn();
  return {
    ...plain,
    acLoads: loads,
    acCircuits: plain.acCircuits.map((c) => (c.id === 'galley' ? { ...c, loadIds: loads.map((l) => l.id), ratingA } : c)),
    acRules: { ...plain.acRules, wanted: [...wanted] },
  };
};
const starts = (d: Design, id: string) => startsBehind(d, acCircuits(d)).find((s) => s.id === id);
const rating = (d: Design) => acCircuits(d).find((r) => r.id === 'galley')?.ratingA;
const cooler = (id = 'cooler', more: Partial<AcLoad> = {}) =>
  appliance(id, 920, { motor: true, runsLong: true, surgeVa: 4600, surgeS: 0.8, ...more });

test('920 W run on 4 A and start on 20 A for 0.8 s: a 6 A breaker of curve C, quickest 0.2 s at 3.3 times, may open; 10 A, at twice, does not, and is proposed', () => {
  expect(starts(with_([cooler()], 6), 'galley')?.alone).toEqual([{ ids: ['cooler'], amps: 20, seconds: 0.8, opens: true }]);
  expect(acFindings(with_([cooler()], 6)).map((f) => f.id)).toContain('ac-start-opens cooler:galley');
  expect(rating(with_([cooler()]))).toBe(10);
  expect(acFindings(with_([cooler()])).some((f) => f.id.startsWith('ac-start-opens'))).toBe(false);
});
test('beside a kettle that is wanted it starts on 28 A', () => {
  const d = with_([cooler(), appliance('kettle', 1840)], 16, ['kettle']);
  expect(starts(d, 'galley')?.alone[0]?.amps).toBeCloseTo(28, 9);
});
test('an outlet keeps the breaker it is made for', () => {
  const d = with_([cooler('tool', { surgeVa: 23000 })]);
  const outlet: Design = { ...d, acCircuits: d.acCircuits.map((c) => (c.id === 'galley' ? { ...c, outlets: 2 } : c)) };
  expect(rating(outlet)).toBe(16);
  expect(acFindings(outlet).map((f) => f.id)).toContain('ac-start-opens tool:galley');
});
test('after a blackout three start at once, 60 A: each alone passes a 16 A main, all together do not', () => {
  const d = with_([cooler('a'), cooler('b'), cooler('c')], 16);
  const main = starts(d, 'main');
  expect(main?.blackout?.amps).toBeCloseTo(60, 9);
  expect(main?.blackout?.opens).toBe(true);
  expect(main?.alone.every((s) => !s.opens)).toBe(true);
  expect(acFindings(d).map((f) => f.id)).toContain('ac-blackout:main');
  expect(starts(with_([cooler('a')], 16), 'main')?.blackout).toBeNull();
});
test('what lies between the legs starts with half of its volt-amperes on each', () => {
  const d = with_([cooler('ac', { leg: 'both', surgeVa: 4800 })], 20);
  const split: Design = {
    ...d,
    boat: { ...d.boat, acRegion: '120/240 V' },
    acSources: d.acSources.map((s) => ({ ...s, service: '120/240 V' as const })),
  };
  expect(starts(split, 'main')?.alone[0]?.amps).toBe(20);
});
