/** How sure a choice is: by hand where one figure rules, and as it must move. */
import { workedOf } from '../analysis/testing';
import type { Circuit, Load } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { oddsOf } from './odds';

const pinned = { size: { school: 'metric' as const, size: '2.5' }, legs: 1, family: null, ratingA: null, ownDevices: false };
const sure = (lengthM: number, load: Partial<Load> = {}, circuit: Partial<Circuit> = {}) =>
  oddsOf(
    workedOf(
      withLoad(
        bareBoat('metric'),
        { ratingBy: 'A', rating: 5, behaviour: 'current', placeId: 'saloon', supply: 'house switch', mark: 'typical', ...load },
        lengthM,
        { pin: pinned, ...circuit },
      ),
    ),
  );

test('far from every limit it is certain, and nothing decides', () => expect(sure(4)).toEqual({ passes: 1, decides: null }));

/*
 * By hand: 5 A through 11 m of 2.5 mm2 lose 9.66 % of 12 V; 10 % and a fiftieth more pass: 10.2 %, 5.6 % above. What the load draws is ±25 %, two
 * sigma, so 12.5 %; copper 2.5 % and the feeder's part are small beside it: z = 0.056 / 0.127 = 0.44, and 67 % of a normal lie below it.
 */
test('one figure ruling, as by hand', () => {
  const odds = sure(11);
  expect(odds.passes).toBeGreaterThan(0.62);
  expect(odds.passes).toBeLessThan(0.72);
  expect(odds.decides).toEqual({ unknown: 'load', load: 'Thing', best: false });
});

test('the longer the run the less sure; and the same asked again', () => {
  const all = [8, 9, 10, 11, 12, 13].map((m) => sure(m).passes);
  all.forEach((p, i) => expect(p).toBeLessThanOrEqual((all[i - 1] ?? 1) + 1e-9));
  expect(sure(11)).toEqual(sure(11));
});

test('what is measured makes it surer; with the load measured the rest decides', () => {
  const measured = sure(10.5, { mark: 'measured' });
  expect(measured.passes).toBeGreaterThan(sure(10.5).passes);
  expect(sure(11.2, { mark: 'measured' }).decides?.unknown).not.toBe('load');
});

test('a device whose milliohms are entered weighs as entered', () => {
  const breaker = { pin: { ...pinned, family: 'panel-breaker', ratingA: 6 } };
  const [typical, poor] = [sure(9, {}, breaker), sure(9, {}, { ...breaker, deviceMohm: 60 })];
  expect(poor.passes).toBeLessThan(typical.passes);
});

test('what fails in every case has nothing that decides', () => {
  const hopeless = sure(40);
  expect(hopeless.passes).toBe(0);
  expect(hopeless.decides).toBeNull();
});
