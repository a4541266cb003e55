import fc from 'fast-check';
import { parseWhen, showWhen, WHENS } from '../design';

const ways = [
  { id: 'a', name: 'at anchor' },
  { id: 'p', name: 'on passage' },
];

test('one word for every way of living, a list where they differ', () => {
  expect(showWhen({}, ways)).toBe('any time');
  expect(showWhen({ a: 'by night', p: 'by night' }, ways)).toBe('by night');
  expect(showWhen({ a: 'by night' }, ways)).toBe('at anchor: by night; on passage: any time');
});
test('read back it says the same', () =>
  fc.assert(
    fc.property(fc.record({ a: fc.constantFrom(...WHENS), p: fc.constantFrom(...WHENS) }), (when) => {
      const read = parseWhen(showWhen(when, ways), ways);
      expect(read.ok && showWhen(read.value, ways)).toBe(showWhen(when, ways));
    }),
  ));
test.each(['at dusk', 'at anchor: at dusk', 'elsewhere: by day'])('%p is refused', (text) => expect(parseWhen(text, ways).ok).toBe(false));
test('nothing is any time', () => expect(parseWhen(' ', ways)).toEqual({ ok: true, value: {} }));
