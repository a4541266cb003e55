/** Words of lines lie over nothing: on the longest level stretch, farther along it where something is in the way, on another where all of it is. */
import type { Laid, Layout, Placed } from './placed';
import { textWidth } from './placed';
import { levelsOf, withWords } from './words';

const thing = (x: number, y: number, more: Partial<Placed> = {}): Placed => ({
  id: `t${x}`,
  symbol: 'load',
  label: 'A lamp',
  under: '',
  about: { kind: 'load', id: `t${x}` },
  worst: null,
  taps: [],
  folded: false,
  ways: 0,
  sign: null,
  x,
  y,
  width: 60,
  height: 25,
  ...more,
});
const line = (id: string, points: Laid['points'], more: Partial<Laid> = {}): Laid => ({
  id,
  from: 'a',
  to: 'b',
  rail: 'positive',
  symbols: [],
  no: '',
  over: '2.5 mm², 4 m',
  below: '5 A',
  about: { kind: 'circuit', id },
  worst: null,
  points,
  words: [0, 0],
  ...more,
});
const placed = (things: readonly Placed[], ...lines: readonly Laid[]): Layout => withWords({ things, lines, width: 900, height: 900 });
const wordsOf = (l: Layout) => l.lines.map((x) => x.words);

test('on the longest level stretch, after the symbols in line', () => {
  const bent: Laid['points'] = [
    [0, 10],
    [30, 10],
    [30, 90],
    [250, 90],
  ];
  expect(levelsOf({ points: bent })).toEqual([
    [30, 250, 90],
    [0, 30, 10],
  ]);
  expect(wordsOf(placed([], line('l', bent)))).toEqual([[38, 90]]);
  expect(wordsOf(placed([], line('l', bent, { symbols: ['fuse', 'switch'] })))).toEqual([[78, 90]]);
});
test('a thing in the way moves them along', () => {
  const [[x = 0] = []] = wordsOf(
    placed(
      [thing(20, 78)],
      line('l', [
        [0, 90],
        [400, 90],
      ]),
    ),
  );
  expect(x).toBeGreaterThan(20 + 24 + textWidth('A lamp'));
});
test('two lines close together do not write over each other', () => {
  const all = wordsOf(
    placed(
      [],
      line('a', [
        [0, 90],
        [400, 90],
      ]),
      line('b', [
        [0, 98],
        [400, 98],
      ]),
    ),
  );
  expect(Math.abs((all[0]?.[0] ?? 0) - (all[1]?.[0] ?? 0))).toBeGreaterThan(textWidth('2.5 mm², 4 m') - 10);
});
test('where there is no room at all they stand where the line is longest', () => {
  const crowd = Array.from({ length: 12 }, (_, i) => thing(i * 40, 78));
  expect(
    wordsOf(
      placed(
        crowd,
        line('l', [
          [0, 90],
          [300, 90],
        ]),
      ),
    ),
  ).toEqual([[8, 90]]);
});
