import { parseHour, showHour } from './hours';

test.each([
  ['8', 8],
  ['8.5', 8.5],
  ['8,5', 8.5],
  ['8:30', 8.5],
  ['0830', 8.5],
  ['24:00', 24],
  ['0', 0],
])('%p is %p hours', (text, hours) => expect(parseHour(text)).toEqual({ ok: true, value: hours }));
test.each(['', 'noon', '25', '8:75', '-1', '24:30'])('%p is refused', (text) => expect(parseHour(text).ok).toBe(false));
test.each([
  [8.5, '8:30'],
  [0, '0:00'],
  [19.999, '20:00'],
])('%p reads %p', (hours, text) => expect(showHour(hours)).toBe(text));
