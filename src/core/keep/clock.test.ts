/** Started and stopped, by marks that come in any order. */
import type { BoatRecord } from '../design';
import { clockOf } from './clock';

let n = 0;
const mark = (state: string, min: number, thing = 'clock:pull:c1'): BoatRecord => ({
  id: `mark-${++n}-clock`,
  kind: 'mark',
  thing,
  at: min * 60_000,
  body: { state },
});
const of = (...records: BoatRecord[]) => clockOf(records, 'task:pull:c1');

test('two stretches of 20 and 15 minutes are 35, in whatever order they arrive', () =>
  expect(of(mark('stopped', 120), mark('started', 10), mark('started', 105), mark('stopped', 30))).toEqual({ since: null, minutes: 35 }));
test('while it runs it says since when; started twice it runs from the first', () =>
  expect(of(mark('started', 5), mark('started', 9))).toEqual({ since: 300_000, minutes: 0 }));
test('stopped while it stands says nothing; another task’s clock is another’s', () =>
  expect(of(mark('stopped', 5), mark('started', 1, 'clock:pull:c2'))).toEqual({ since: null, minutes: 0 }));
test('one that was forgotten over two days counts as twelve hours', () =>
  expect(of(mark('started', 0), mark('stopped', 2 * 24 * 60)).minutes).toBe(720));
