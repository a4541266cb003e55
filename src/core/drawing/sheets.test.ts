/** A drawing on sheets: every line on one of them, nothing lost, each thing says where else it stands, letters large enough. */
import ELK from 'elkjs/lib/elk.bundled.js';
import { usualBoat } from '@/testing/usualBoat';
import { analyse } from '../analysis';
import { drawingOf } from './graph';
import { fromElk, toElk } from './layout';
import { onSheets } from './sheets';
import type { Drawing, Drawn, Line } from './types';

const elk = new ELK();
const layOut = async (d: Drawing) => fromElk(d, await elk.layout(toElk(d)));
/** On A4: 1048 by 625 units; on A3 1517 by 956. */
const takes = ({ width, height }: { width: number; height: number }) => Math.max(width / 1048, height / 625);
const onA3 = ({ width, height }: { width: number; height: number }) => Math.max(width / 1517, height / 956);
/** Paper of 800 by 800 units. */
const square = ({ width, height }: { width: number; height: number }) => Math.max(width / 800, height / 800);
const sheetsOf = async (d: Drawing, rooms = onA3) => onSheets(d, await layOut(d), layOut, rooms);

const thing = (id: string, symbol: Drawn['symbol'] = 'load'): Drawn => ({
  id,
  symbol,
  label: id,
  under: '',
  about: { kind: symbol === 'panel' ? 'panel' : 'load', id },
  worst: null,
  taps: [],
  folded: false,
  ways: 0,
  sign: null,
});
const line = (from: string, to: string, kind: 'circuit' | 'lead' = 'circuit'): Line => ({
  id: `${from}>${to}`,
  from,
  to,
  rail: 'positive',
  symbols: [],
  no: '',
  over: '2.5 mm², 4 m',
  below: '10 A',
  about: { kind, id: `${from}>${to}` },
  worst: null,
});
/** A bank with its bus, and a panel of so many lamps, the last behind a small block. */
const boat = (lamps: number): Drawing => {
  const names = Array.from({ length: lamps }, (_, i) => `lamp ${i + 1}`);
  return {
    things: [
      thing('bank', 'cell'),
      thing('bus', 'bar'),
      thing('pump'),
      thing('panel', 'panel'),
      thing('block', 'panel'),
      ...names.map((n) => thing(n)),
    ],
    lines: [
      line('bank', 'bus', 'lead'),
      line('bus', 'pump'),
      line('bus', 'panel'),
      ...names.slice(0, -1).map((n) => line('panel', n)),
      line('panel', 'block'),
      line('block', names.at(-1) ?? ''),
    ],
  };
};
const under = (sheet: { layout: { things: readonly Drawn[] } } | undefined, id: string) =>
  sheet?.layout.things.filter((t) => t.id.endsWith(id)).map((t) => t.under);

test('a small drawing is one sheet, without a word of sheets', async () => {
  const sheets = await sheetsOf(boat(6));
  expect(sheets.map((s) => [s.name, s.layout.lines.length])).toEqual([['', 10]]);
  expect(JSON.stringify(sheets)).not.toContain('sheet');
});

test('a panel of 20 ways has a sheet of its own; it and the first say of each other', async () => {
  const sheets = await sheetsOf(boat(20), square);
  expect(sheets.map((s) => [s.name, s.layout.lines.length])).toEqual([
    ['main side', 3],
    ['panel', 21],
  ]);
  expect(under(sheets[0], 'panel')).toEqual(['on to sheet 2']);
  expect(under(sheets[1], 'panel')).toEqual(['from sheet 1']);
  // What hangs on one sheet alone says nothing.
  expect(under(sheets[1], 'block')).toEqual(['']);
});

test('a panel of 60 ways is shared out in its order, its block with its lamp', async () => {
  const sheets = await sheetsOf(boat(60));
  expect(new Set(sheets.map((s) => s.name))).toEqual(new Set(['main side, panel', 'panel']));
  expect(sheets).toHaveLength(3);
  const lamps = sheets.flatMap((s) => s.layout.lines.map((l) => Number(/lamp (\d+)$/.exec(l.id)?.[1])).filter(Number.isFinite));
  expect(lamps).toEqual(Array.from({ length: 60 }, (_, i) => i + 1));
  // Where it is fed from, its first ways beside that, the others on.
  expect(under(sheets[0], 'panel')).toEqual(['on beside, on to sheets 2, 3', 'on to sheets 2, 3']);
  expect(under(sheets[2], 'panel')).toEqual(['from sheet 1, on to sheet 2']);
  for (const s of sheets) expect(onA3(s.layout)).toBeLessThanOrEqual(1);
});

test('what comes before the panels is called by what is drawn of it', async () => {
  const d = boat(24);
  const negatives = await sheetsOf({ ...d, lines: d.lines.map((l) => ({ ...l, rail: 'negative' as const })) }, square);
  expect(negatives.map((s) => s.name).join()).toContain('negatives and earths');
  expect(negatives.map((s) => s.name).join()).not.toContain('main side');
});

test('small parts stand side by side on one sheet', async () => {
  // Two panels of 26: one over the other they are too high for the paper.
  const one = boat(26);
  const two: Drawing = {
    things: [...one.things, thing('aft', 'panel'), ...Array.from({ length: 26 }, (_, i) => thing(`aft ${i}`))],
    lines: [...one.lines, line('bus', 'aft'), ...Array.from({ length: 26 }, (_, i) => line('aft', `aft ${i}`))],
  };
  const sheets = await sheetsOf(two, onA3);
  expect(sheets).toHaveLength(1);
  expect(onA3(await layOut(two))).toBeGreaterThan(1);
  expect(sheets.flatMap((s) => s.layout.lines)).toHaveLength(two.lines.length);
  const boxes = sheets.map((s) => s.layout.things.filter((t) => t.symbol === 'panel'));
  for (const panels of boxes)
    for (const [i, a] of panels.entries())
      for (const b of panels.slice(i + 1))
        expect(a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y).toBe(true);
});

test.each([1, 4, 9])(
  'usual boat %i: each line on one sheet, each thing on one at least, references both ways, letters large enough',
  async (seed) => {
    const design = usualBoat(seed);
    const analysis = analyse(design);
    for (const rails of ['one line', 'both'] as const) {
      const drawing = drawingOf(design, analysis, { rails, folded: new Set(), study: null });
      const sheets = await sheetsOf(drawing, takes);
      const bare = (id: string) => id.replace(/^\d+ (?=panel |bar |bank |source |join |load |case |place |lead |c|[^ ]+\/)/, '');
      const lines = sheets.flatMap((s) => s.layout.lines.map((l) => bare(l.id)));
      expect(lines.sort()).toEqual(
        drawing.lines
          .filter((l) => l.from !== l.to)
          .map((l) => l.id)
          .sort(),
      );
      const of = (t: { about: { kind: string; id: string }; label: string }) => `${t.about.kind} ${t.about.id} ${t.label}`;
      const on = sheets.map((s) => new Set(s.layout.things.map(of)));
      for (const t of drawing.things) expect(on.some((s) => s.has(of(t)))).toBe(true);
      for (const [i, s] of sheets.entries()) {
        expect(takes(s.layout)).toBeLessThanOrEqual(1);
        for (const t of s.layout.things) {
          const told = [...t.under.matchAll(/sheets? ([\d, ]+)/g)].flatMap((m) => m[1]?.match(/\d+/g)?.map(Number) ?? []);
          const others = on.flatMap((o, j) => (j !== i && o.has(of(t)) ? [j + 1] : []));
          expect(told.sort((a, b) => a - b)).toEqual(others);
        }
      }
    }
  },
);
