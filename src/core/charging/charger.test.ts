import { anotherOutput, type Bank, blankSource, type Design } from '../design';
import { bareBoat } from '../design/testing';
import { acVolts, chargerAcA, chargerAmps, chargingV, hotPlace, shareOut } from './charger';

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

describe('a charger with several outputs', () => {
  const house = { ...(boat.banks[0] as Bank), blockAh: 200, strings: 1 };
  const start: Bank = { ...house, id: 'start', name: 'Start', job: 'start', blockAh: 50 };
  const machine = { ...charger, ratedA: 30 };
  const second = { ...anotherOutput(machine, 'c2', 2, 'start'), ratedA: 30 };
  const aboard = (...sources: Design['sources']): Design => ({ ...boat, banks: [house, start], sources });
  const both = (d: Design, acA = Infinity) => d.sources.map((s) => chargerAmps(d, s, acA));

  it('gives 30 A in all: 24 A to 200 Ah, 6 A to 50 Ah', () => {
    expect(both(aboard(machine, second))).toEqual([expect.closeTo(24, 9), expect.closeTo(6, 9)]);
  });
  it('what one output may not give goes to the other: 4 A and 26 A', () => {
    expect(both(aboard(machine, { ...second, ratedA: 4 }))).toEqual([expect.closeTo(26, 9), 4]);
  });
  it('where each has its own amps and there is enough, each gives them: 20 A and 10 A', () => {
    const first = { ...machine, charger: machine.charger && { ...machine.charger, firstA: 20 } };
    expect(both(aboard(first, { ...second, ratedA: 10 }))).toEqual([20, 10]);
  });
  it('an output without a battery takes nothing from the others', () => {
    expect(chargerAmps(aboard(machine, { ...second, bankId: null }), machine, Infinity)).toBe(30);
  });
  it('draws AC once, and a limit of it binds all of it: 1 A of 230 V are 13.6 A', () => {
    expect(chargerAcA(boat, second)).toBe(0);
    const limited = both(aboard(machine, second), 1);
    expect(limited.reduce((sum, a) => sum + a, 0)).toBeCloseTo((230 * 0.95 * 0.87) / 14, 9);
  });
  it('never gives more than there is, nor an output more than its own, however they are', () => {
    for (const total of [0, 7, 30, 200])
      for (const mosts of [
        [5, 10, 15],
        [0, 40, 40],
        [1, 1, 1],
      ]) {
        const given = shareOut(
          total,
          mosts.map((mostA, i) => ({ mostA, weight: i })),
        );
        given.forEach((a, i) => expect(a).toBeLessThanOrEqual((mosts[i] ?? 0) + 1e-9));
        expect(given.reduce((sum, a) => sum + a, 0)).toBeCloseTo(
          Math.min(
            total,
            mosts.reduce((sum, a) => sum + a, 0),
          ),
          6,
        );
      }
  });
});
