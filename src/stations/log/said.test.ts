/** Records in words. */
import type { BoatRecord } from '@/core/design';
import { dayOf, sortOf, wordsOf } from './said';

const record = (kind: BoatRecord['kind'], body: BoatRecord['body']): BoatRecord => ({
  id: 'aaaaaaaa',
  kind,
  thing: 'boat:boat',
  at: Date.parse('2027-05-01T10:00:00Z'),
  body,
});

test('each kind says what it is', () => {
  expect(wordsOf(record('entry', { sort: 'fault', text: 'green post' }))).toBe('fault: green post');
  expect(wordsOf(record('reading', { what: 'rest volts', value: 12.6123, unit: 'V', verdict: 'pass' }))).toBe('rest volts, 12.612 V, pass');
  expect(wordsOf(record('reading', { what: 'rings off', value: null, unit: 'seen', verdict: 'seen' }))).toBe('rings off, seen');
  expect(wordsOf(record('time', { what: 'pull 9', minutes: 40, estimated: 30 }))).toBe('pull 9: 40 min, 30 estimated');
  expect(wordsOf(record('mark', { label: '9+ Pump', state: 'cut', size: '1 mm²' }))).toBe('9+ Pump, cut');
  expect(wordsOf(record('mark', { state: 'opened', why: 'no sun' }))).toBe('opened, no sun');
});
test('by day and kind', () => {
  const r = record('mark', {});
  expect(dayOf(r.at)).toBe('2027-05-01');
  expect(sortOf(r)).toBe('marks');
});
