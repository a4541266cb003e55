/** The drawing as it is drawn: travelled by arrows, its letters and symbols on screen and on paper. */
import { createElement } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import type { Laid, Layout, Line, Placed } from '@/core/drawing';
import { Figure } from './Figure';
import { roomsOn, Sheet, SHEETS } from './Sheet';
import { ON_PAPER, ON_SCREEN } from './symbols';
import { nextThing } from './travel';

const thing = (id: string, x: number, y: number, more: Partial<Placed> = {}): Placed => ({
  id,
  symbol: 'load',
  label: id,
  under: '',
  about: { kind: 'load', id },
  worst: null,
  taps: [],
  folded: false,
  ways: 0,
  sign: null,
  x,
  y,
  width: 60,
  height: 20,
  ...more,
});
const line = (id: string, from: string, to: string, more: Partial<Laid> = {}): Laid => ({
  id,
  from,
  to,
  rail: 'positive',
  symbols: [],
  no: '',
  over: '2.5 mm², 4 m',
  below: '',
  about: { kind: 'circuit', id },
  worst: null,
  points: [
    [60, 10],
    [200, 10],
  ],
  words: [68, 10],
  ...more,
});
const layout = (things: readonly Placed[], lines: readonly Laid[] = []): Layout => ({ things, lines, width: 500, height: 300 });
const draw = (l: Layout, more: object = {}) =>
  renderToStaticMarkup(createElement('svg', null, createElement(Figure, { layout: l, inks: ON_SCREEN, chosen: null, font: 'x', ...more })));
const words = (html: string) => html.replace(/<[^>]+>/g, ' ').replace(/\s+/g, ' ');

describe('arrows', () => {
  const grid = layout([thing('a', 0, 0), thing('b', 200, 5), thing('c', 200, 100), thing('d', 400, 0)], [line('run', 'a', 'b')]);
  const from = (id: string, step: readonly [number, number]) => nextThing(grid, { kind: 'load', id }, step)?.id ?? null;
  test('go to the nearest that lies that way, straight ahead before aside', () => {
    expect(from('a', [1, 0])).toBe('b');
    expect(from('b', [0, 1])).toBe('c');
    expect(from('c', [0, -1])).toBe('b');
    expect(from('d', [-1, 0])).toBe('b');
    expect(from('d', [1, 0])).toBeNull();
  });
  test('begin at the first thing, and from a line at where it ends', () => {
    expect(nextThing(grid, null, [1, 0])?.id).toBe('a');
    expect(nextThing(grid, { kind: 'circuit', id: 'run' }, [1, 0])?.id).toBe('d');
    expect(nextThing(layout([]), null, [1, 0])).toBeNull();
  });
});

describe('drawn', () => {
  test('a line carries number, size, length and device; what must be settled is marked by sign before colour', () => {
    const html = draw(layout([], [line('l', 'a', 'b', { no: '16', below: '10 A', worst: 'stop', symbols: ['breaker'] })]));
    expect(words(html)).toContain('▲ 16 2.5 mm², 4 m');
    expect(words(html)).toContain('10 A');
    expect(html).toContain('stroke="var(--lead)"');
  });
  test('negative and earth are dashed each in its way, a pair is two lines', () => {
    const of = (rail: Line['rail']) => draw(layout([], [line('l', 'a', 'b', { rail })]));
    expect(of('negative')).toContain('stroke-dasharray="6 3"');
    expect(of('earth')).toContain('stroke-dasharray="8 3 2 3"');
    expect(of('positive')).not.toContain('stroke-dasharray');
    expect(of('pair')).toContain('stroke-width="3.6"');
  });
  test('words stand where the layout has put them', () => {
    expect(draw(layout([], [line('l', 'a', 'b', { words: [38, 90] })]))).toMatch(/<text x="38" y="86"/);
  });
  test('a folded panel says how many it hides; taps stand under their thing', () => {
    const panel = thing('p', 0, 0, { symbol: 'panel', folded: true, ways: 24, about: { kind: 'panel', id: 'p' } });
    expect(words(draw(layout([panel])))).toContain('24 circuits, folded');
    const tapped = thing('l', 0, 0, {
      taps: [{ about: { kind: 'load', id: 'l2' }, label: 'Second lamp', under: '11.80 V', over: '2 m' }],
      height: 33,
    });
    expect(words(draw(layout([tapped])))).toContain('2 m Second lamp 11.80 V');
  });
  test('with the switches asked, what is dead is faint and says so, and findings keep quiet', () => {
    const lamp = thing('lamp', 0, 0, { worst: 'stop' });
    const dead = draw(layout([lamp]), { dead: new Set(['load lamp']) });
    expect(words(dead)).toContain('lamp, dead');
    expect(dead).not.toContain('▲');
    expect(words(draw(layout([lamp]), { dead: new Set() }))).not.toContain('dead');
  });
  test('every symbol draws something of its own', () => {
    const kinds = ['rotating', 'generator', 'lamp', 'converter', 'load', 'sun', 'selector', 'earth', 'place'] as const;
    const bodies = kinds.map((symbol) => draw(layout([thing('x', 0, 0, { symbol })])));
    expect(new Set(bodies).size).toBe(kinds.length);
    const inline = ['fuse', 'breaker', 'switch', 'relay', 'diode', 'shunt', 'plug'] as const;
    expect(new Set(inline.map((s) => draw(layout([], [line('l', 'a', 'b', { symbols: [s] })])))).size).toBe(inline.length);
  });
});

test.each(Object.keys(SHEETS) as (keyof typeof SHEETS)[])(
  '%s: true size, drawing within the frame, title block and legend, letters every reader has',
  (name) => {
    const html = renderToStaticMarkup(
      createElement(Sheet, {
        layout: { ...layout([thing('lamp', 0, 0, { worst: 'fix' })]), width: 4000, height: 900 },
        name,
        title: { vessel: 'Test boat', what: 'Line drawing', rules: 'Rule set: metric', revision: 7, on: '2026-01-02' },
        part: 'Fore panel',
        no: 2,
        of: 3,
      }),
    );
    const [w, h] = SHEETS[name];
    expect(html).toContain(`width="${w}mm" height="${h}mm"`);
    const scale = Number(/scale\(([\d.]+)\)/.exec(html)?.[1]);
    expect(4000 * scale).toBeLessThanOrEqual(w - 16);
    expect(900 * scale).toBeLessThanOrEqual(h - 40);
    for (const said of [
      'Test boat',
      'revision 7',
      '2026-01-02',
      'fuse',
      'negative',
      'Local code',
      'Fore panel Line drawing',
      'sheet 2 of 3',
    ])
      expect(words(html)).toContain(said);
    expect(html).not.toContain('var(--');
    expect(html).toContain(ON_PAPER.settle);
    // What Helvetica has: no sign beyond Latin-1.
    expect([...words(html)].filter((c) => c.charCodeAt(0) > 255)).toEqual([]);
  },
);

test('a sheet is full where capitals would be under 1.8 mm: on A4 1048 units wide, 625 high', () => {
  // Capitals are 6.86 of 10 units: 0.2624 mm a unit; 275 by 164 mm inside the frame, above the legend.
  expect(roomsOn('A4')({ width: 1048, height: 1 })).toBeCloseTo(1, 3);
  expect(roomsOn('A4')({ width: 1, height: 625 })).toBeCloseTo(1, 3);
  expect(roomsOn('A3')({ width: 1517, height: 1 })).toBeCloseTo(1, 3);
});
