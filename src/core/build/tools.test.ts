/** Tools and consumables, counted by hand on one circuit. */
import { analyse } from '../analysis';
import { bareBoat, withLoad } from '../design/testing';
import { postInventory } from '../mainSide';
import { cutList } from './cutList';
import { madePieces } from './made';
import { consumablesOf, toolsOf } from './tools';

const design = withLoad(bareBoat('metric'), { rating: 24, connection: 'M6' }, 4);
const a = analyse(design);
const list = cutList(design, a.circuits, a.leads);
const made = madePieces(design, list.cuts, new Set(), postInventory(design, a.circuits, a.leads), new Map());

test('each die with the ends it makes: the two links of the bank ask for four of 70 mm²', () => {
  expect(toolsOf(made, design.boat).find((t) => t.item === 'die 16 (DIN 46235)')?.count).toBe(4);
  for (const t of toolsOf(made, design.boat)) expect(t.of.reduce((n, x) => n + x.count, 0)).toBe(t.count);
  const all = toolsOf(made, design.boat).filter((t) => t.note.startsWith('ends'));
  expect(all.reduce((n, t) => n + t.count, 0)).toBe(2 * made.length);
  // The battery's inserts take least, the M8 studs of the bus most.
  expect(toolsOf(made, design.boat).find((t) => t.item.startsWith('torque'))?.note).toBe('studs, 6 to 14 N m');
  expect(toolsOf([], design.boat)).toEqual([]);
});

test('clips every 450 mm: 4 m and two of 1 m, and two links of 0.3 m; two labels a piece', () => {
  const [clips, labels] = consumablesOf(design, a.circuits, list);
  expect([clips, labels]).toMatchObject([
    { item: 'clips or ties with their screws', count: Math.ceil(6 / 0.45 + 0.6 / 0.45), note: 'every 450 mm of what lies in the open' },
    { item: 'label wraps', count: 2 * list.cuts.length, note: 'one at each end of each piece' },
  ]);
  // 4 m ÷ 0.45 m, a metre of feeder and one of main, and two links of 0.3 m.
  expect(clips?.of.map((x) => x.count)).toEqual([2.2, 2.2, 8.9, 1.3]);
});

test('what the firm’s tools cannot crimp: of two links of 70 mm² four ends beyond 50 mm²; up to 70 nothing; nobody has said: nothing', () => {
  const beyond = (size: string | null) =>
    toolsOf(made, design.boat, size === null ? null : { school: 'metric', size })
      .filter((t) => t.item.startsWith('no tool'))
      .map((t) => [t.item, t.count]);
  expect(beyond('50')).toEqual([['no tool of the firm’s crimps 70 mm²', 4]]);
  expect([beyond('70'), beyond(null)]).toEqual([[], []]);
});
