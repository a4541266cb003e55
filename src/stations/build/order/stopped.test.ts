/** A clock that stops: the mark, and the minutes of all its stretches beside the estimate. */
import type { BoatRecord } from '@/core/design';
import { TASK_KINDS } from '@/core/order';
import { stopped } from './stopped';

const kind = TASK_KINDS[0];
const task = { id: `${kind}:c1`, what: 'something to do', minutes: 29.6 };
const mark = (state: string, min: number): BoatRecord => ({
  id: `mark-${state}-${min}`,
  kind: 'mark',
  thing: `clock:${task.id}`,
  at: min * 60_000,
  body: { state },
});

test('20 minutes before and 15 now are 35, beside 30 estimated', () =>
  expect(stopped([mark('started', 0), mark('stopped', 20), mark('started', 100)], task, 115 * 60_000)).toMatchObject([
    { kind: 'mark', thing: `clock:${task.id}`, body: { state: 'stopped' } },
    { kind: 'time', thing: `task:${task.id}`, body: { minutes: 35, estimated: 30, what: 'something to do' } },
  ]));
test('one that stands writes nothing down; one forgotten over two nights counts as twelve hours', () => {
  expect(stopped([], task, 5)).toEqual([]);
  expect(stopped([mark('started', 0), mark('stopped', 5)], task, 10 * 60_000)).toEqual([]);
  expect(stopped([mark('started', 0)], task, 2 * 24 * 3600_000)[1]?.body.minutes).toBe(720);
});
