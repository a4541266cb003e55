/** What is bought: spares, whole packs, days, by hand. */
import { analyse } from '../analysis';
import { type Article, type Design, designOfKind } from '../design';
import { withProposals } from '@/testing/usualBoat';
import { buyingOf } from './buying';
import { cutList, type CutList } from './cutList';
import { priceKey } from './quotation';

let n = 0;
const boat: Design = withProposals(
  designOfKind('coastal', { name: 'Test', school: 'metric', lengthM: 11, beamM: 3.4, systemV: 12 }),
  (p) => `${p}b${++n}`,
);
const { circuits, leads } = analyse(boat);
const real = cutList(boat, circuits, leads);
const list: CutList = {
  ...real,
  cuts: [],
  reels: [{ size: '2.5 mm²', colour: 'red', pieces: 3, netM: 11.2, orderM: 12.5, massKg: 0.4, estimated: false }],
  terminals: [
    { item: 'ferrule 2.5 mm²', count: 93, note: '', of: [] },
    { item: 'ring 2.5 × M5', count: 24, note: '', of: [] },
    { item: 'lug 50 × M8', count: 4, note: '', of: [] },
  ],
  shrink: [],
  protection: [
    { item: 'blade fuse 10 A', count: 6, note: '', of: [] },
    { item: 'thermal breaker 15 A', count: 2, note: '', of: [] },
  ],
  bars: [],
  makers: [],
};
const article = (item: string, given: Partial<Article>): readonly [string, Article] => [
  priceKey(item),
  { id: priceKey(item), name: item, pack: null, price: null, supplier: '', days: null, ...given },
];
const of = (articles: readonly (readonly [string, Article])[] = [], design = boat) => buyingOf(design, list, new Map(articles));
const line = (b: ReturnType<typeof of>, item: string) => b.lines.find((l) => l.item === item);

test('93 ferrules and ten of a hundred: 103, so two packs of a hundred and 107 left; 24 rings and 3: two packs of 25', () => {
  expect(line(of(), 'ferrule 2.5 mm²')).toMatchObject({ needed: 93, spare: 10, pack: 100, packs: 2, left: 107, typical: true });
  expect(line(of(), 'ring 2.5 × M5')).toMatchObject({ needed: 24, spare: 3, pack: 25, packs: 2 });
  expect(line(of(), 'lug 50 × M8')).toMatchObject({ needed: 4, spare: 1, pack: 1, packs: 5 });
});
test('one spare of each fuse, none of a breaker; cable by its step, its waste not added twice', () => {
  expect(line(of(), 'blade fuse 10 A')).toMatchObject({ spare: 1, packs: 7 });
  expect(line(of(), 'thermal breaker 15 A')).toMatchObject({ spare: 0, packs: 2 });
  expect(line(of(), '2.5 mm², red')).toMatchObject({ unit: 'm', needed: 12.5, spare: 0, pack: 0.5, packs: 25, left: 0 });
});
test('on a boat of feet cable is bought by the foot: 43 of them', () => {
  const feet: Design = { ...boat, boat: { ...boat.boat, lengthUnit: 'ft' } };
  const reels = [{ size: '4/0 AWG', colour: 'red', pieces: 2, netM: 11.9, orderM: 43 * 0.3048, massKg: 15, estimated: false }];
  const [cable] = buyingOf(feet, { ...list, reels }, new Map()).lines;
  expect(cable).toMatchObject({ pack: 0.3048, packs: 43 });
  expect(cable?.left).toBeCloseTo(0, 9);
});
test('no spares where the house wants none; a pack, a price, a supplier of the firm’s', () => {
  const bare: Design = { ...boat, work: { ...boat.work, sparePct: 0 } };
  expect(line(of([], bare), 'lug 50 × M8')).toMatchObject({ spare: 0, packs: 4 });
  const b = of([
    article('ring 2.5 × M5', { pack: 50, price: 8.5, supplier: 'The chandler', days: 3 }),
    article('2.5 mm², red', { pack: 25, price: 0.8 }),
  ]);
  expect(line(b, 'ring 2.5 × M5')).toMatchObject({ pack: 50, packs: 1, sum: 8.5, supplier: 'The chandler', typical: false });
  expect(line(b, '2.5 mm², red')).toMatchObject({ packs: 1, left: 12.5, sum: 20 });
  expect(b).toMatchObject({ sum: 28.5, open: 4, longestDays: 3 });
});
test('work from 2 March, ten days: ordered by 20 February, over the end of a month', () => {
  const set: Design = { ...boat, work: { ...boat.work, startOn: '2026-03-02' } };
  const b = of([article('lug 50 × M8', { days: 10 })], set);
  expect(line(b, 'lug 50 × M8')?.orderBy).toBe('2026-02-20');
  expect(line(b, 'blade fuse 10 A')?.orderBy).toBe('');
});
test('sleeves by the stick of 1.2 m: as many to a pack as it gives', () => {
  const b = buyingOf(boat, real, new Map());
  const sleeves = b.lines.filter((l) => l.group === 'heat shrink');
  expect(sleeves.length).toBeGreaterThan(0);
  for (const l of sleeves) expect(l.packs * l.pack).toBeGreaterThanOrEqual(l.needed + l.spare);
  expect(Math.min(...sleeves.map((l) => l.pack))).toBeGreaterThan(1);
});
