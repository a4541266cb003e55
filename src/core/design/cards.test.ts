import * as v from 'valibot';
import { applyEdit } from './edit';
import { blankLoad, defaultHouse } from './blank';
import type { Design, Load } from './schema';
import { HOUSE_WORDS, houseDifferences, HouseSetSchema } from './houseSets';
import { bareBoat } from './testing';
import { CARD_FIELDS, cardDifferences, CardFileSchema, cardFrom, cardOps, CardSchema, loadsBehind, withCard } from './cards';

const found: Load = {
  ...blankLoad('x', 12),
  name: 'Fan',
  rating: 20,
  makerWire: [{ school: 'metric', size: '2.5', upToM: 4 }],
  makerFuseA: 5,
  page: 'sheet 3',
  research: 'researched',
};
const card = cardFrom(found, 'fan');

test('a card says what was found out and not where it stands', () => {
  expect(Object.keys(card).sort()).toEqual(['id', 'name', ...CARD_FIELDS].sort());
  expect(v.safeParse(CardSchema, card).success).toBe(true);
});
test('a load made from a card does not differ from it; changed by hand it does, by name', () => {
  const load = withCard(blankLoad('y', 24), card);
  expect(cardDifferences(load, card)).toEqual([]);
  expect(cardDifferences({ ...load, rating: 25, questions: 'which fuse?' }, card)).toEqual(['rating', 'questions']);
});
test('the ops bring every load of the card to it, and only those', () => {
  const design: Design = {
    ...bareBoat('metric'),
    loads: [{ ...withCard(found, card), rating: 25 }, { ...blankLoad('z', 12), rating: 25 }, withCard({ ...found, id: 'w' }, card)],
  };
  expect(loadsBehind(design, card).map((l) => l.id)).toEqual(['x']);
  const next = applyEdit(design, { ops: cardOps(design, card) });
  expect(next.ok && next.design.loads.map((l) => l.rating)).toEqual([20, 25, 20]);
  expect(next.ok && cardOps(next.design, card)).toEqual([]);
});
test.each([
  ['another format', { format: 'x', version: 1, cards: [] }],
  ['a newer version', { format: 'solenix-cards', version: 2, cards: [] }],
  ['a card without a name', { format: 'solenix-cards', version: 1, cards: [{ ...card, name: ' ' }] }],
  ['an absurd figure', { format: 'solenix-cards', version: 1, cards: [{ ...card, rating: 1e9 }] }],
  ['no cards', { format: 'solenix-cards', version: 1 }],
])('a file with %s is refused', (_, file) => expect(v.safeParse(CardFileSchema, file).success).toBe(false));

describe('house rules beside the rule set', () => {
  test('its own defaults do not differ', () => {
    expect(houseDifferences(defaultHouse('awg'), 'awg')).toEqual([]);
    expect(houseDifferences(defaultHouse('metric'), 'metric')).toEqual([]);
  });
  test('a difference is told with both values', () => {
    const house = {
      ...defaultHouse('metric'),
      criticalDropPct: 2,
      roundUpToNext: true,
      minElectronics: { school: 'metric' as const, size: '1.5' },
    };
    expect(houseDifferences(house, 'metric').map((d) => [d.key, d.own, d.ruleSet])).toEqual([
      ['roundUpToNext', 'yes', 'no'],
      ['criticalDropPct', '2', '3'],
      ['minElectronics', '1.5 mm²', "the rule set's"],
    ]);
  });
  test('every house rule has words', () => expect(Object.keys(HOUSE_WORDS).sort()).toEqual(Object.keys(defaultHouse('awg')).sort()));
  test('a set goes through its schema', () =>
    expect(v.safeParse(HouseSetSchema, { id: 'a', name: 'A', school: 'awg', house: defaultHouse('awg') }).success).toBe(true));
});
