import { blankSource } from '../design';
import { bareBoat } from '../design/testing';
import { acVolts, chargerAcA, chargerAmps, chargingV, hotPlace } from './charger';

const boat = bareBoat('metric');
const hot = { ...boat, places: boat.places.map((p) => (p.id === 'engine' ? { ...p, ambientC: 55 } : p)) };
const charger = { ...blankSource('c', 'shore charger', 12, 'house'), ratedA: 50 };

test('up to 40 degC all of it, then 2 % less a degree, never under 30 %', () => {
  expect([20, 40, 50, 60, 90].map(hotPlace)).toEqual([1, 1, 0.8, 0.6, 0.3]);
  expect(chargerAmps(hot, { ...charger, placeId: 'engine' }, Infinity)).toBeCloseTo(35, 9);
});
test('50 A at 14 V over 0.87 and 0.95 are 3.68 A of 230 V, and 7.06 A of 120 V', () => {
  expect(chargerAcA(boat, charger)).toBeCloseTo((14 * 50) / (0.87 * 0.95 * 230), 9);
  const american = bareBoat('awg');
  expect([acVolts(boat), acVolts(american)]).toEqual([230, 120]);
  expect(chargerAcA(american, charger)).toBeCloseTo((14 * 50) / (0.87 * 0.95 * 120), 9);
  expect(chargingV(bareBoat('metric', 24), { bankId: null })).toBe(28);
});
test('an AC limit binds below what it draws, leaves it alone above, and of nothing makes nothing', () => {
  expect(chargerAmps(boat, charger, 2)).toBeCloseTo((2 * 230 * 0.95 * 0.87) / 14, 9);
  expect(chargerAmps(boat, charger, 10)).toBe(50);
  expect(chargerAmps(boat, charger, Infinity)).toBe(50);
  expect(chargerAmps(boat, charger, 0)).toBe(0);
});
test('what is no charger draws no AC and knows no limit', () => {
  const sun = blankSource('s', 'solar', 12, 'house');
  expect(chargerAcA(boat, sun)).toBe(0);
  expect(chargerAmps(boat, sun, 1)).toBe(sun.ratedA);
});
