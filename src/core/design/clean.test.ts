import fc from 'fast-check';
import { cleanText, parseClean } from './clean';

test('control characters go, line ends and tabs stay, half characters are marked', () => {
  expect(cleanText('a\u0000b\u001b[31mc\u007f')).toBe('ab[31mc');
  expect(cleanText('a\tb\nc\r\n')).toBe('a\tb\nc\r\n');
  expect(cleanText('x\ud83dy\udea2z')).toBe('x\ufffdy\ufffdz');
  expect(cleanText('Möwe ⛵ \u{1f6a2}')).toBe('Möwe ⛵ \u{1f6a2}');
});
test('whatever comes, it is well formed, cleaned once and for all, and sound text is left alone', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary' }), (text) => {
      const clean = cleanText(text);
      expect(cleanText(clean)).toBe(clean);
      expect(Buffer.from(clean, 'utf8').toString('utf8')).toBe(clean);
    }),
  );
});
test('in JSON every text is, escaped or not; figures and structure stay', () => {
  expect(parseClean('{"a":"x\\u0000y","b":[1,null,true,{"c":"\\ud83d"}]}')).toEqual({ a: 'xy', b: [1, null, true, { c: '\ufffd' }] });
  expect(() => parseClean('{')).toThrow();
});
