/** Days of work in a calendar: weekdays alone, one entry a day. */
import { bareBoat } from '@/core/design/testing';
import type { Order } from '@/core/order';
import { calendarOf } from './calendar';
import { dateOf } from './dates';

test('nobody is expected on a Saturday or a Sunday', () => {
  // 2027-03-05 is a Friday.
  expect([1, 2, 3].map((n) => dateOf('2027-03-05', n))).toEqual(['2027-03-05', '2027-03-08', '2027-03-09']);
  expect(dateOf('2027-03-06', 1)).toBe('2027-03-08');
});

test('one entry a day, with its tasks, what is laid and the evening', () => {
  const task = {
    id: 't',
    kind: 'pull' as const,
    what: 'pull 9 Pump',
    place: '',
    minutes: 60,
    two: false,
    needs: [],
    notBefore: null,
    takesDown: [],
    bringsUp: [],
  };
  const day = (no: number, done: boolean) => ({
    no,
    tasks: [{ taskId: 't', minutes: 30, begun: !done, done }],
    laid: no === 1 ? ['temporary feed of Pump'] : [],
    removed: [],
    evening: [{ essentialId: 'p', name: 'Pump', by: 'its old feed', temporary: false }],
    live: [],
    waits: [],
  });
  const order: Order = {
    tasks: [task],
    essentials: [],
    temporary: [],
    notes: [],
    schedule: { ok: true, days: [day(1, false), day(2, true)] },
  };
  const design = bareBoat('metric');
  const made = calendarOf({ ...design, work: { ...design.work, startOn: '2027-03-05' } }, order);
  if (!made.ok) throw new Error(made.why);
  const text = made.text.replace(/\r\n[ \t]/g, '');
  expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
  expect(text).toContain('DTSTART:20270305T080000');
  expect(text).toContain('DTSTART:20270308T080000');
  expect(text).toContain('pull 9 Pump\\, goes on');
  expect(text).toContain('temporary feed of Pump');
  expect(text).toContain('Evening: Pump on its old feed');
});
