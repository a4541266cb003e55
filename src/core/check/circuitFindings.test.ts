import { analyse } from '../analysis';
import { findFamily } from '../rules';
import type { Circuit, Design, Load } from '../design';
import { bareBoat, withLoad } from '../design/testing';

const thing = (load: Partial<Load> = {}, circuit: Partial<Circuit> = {}, lengthM = 4, school: 'metric' | 'awg' = 'metric'): Design =>
  withLoad(bareBoat(school), load, lengthM, circuit);
const pinned = (pin: Partial<Circuit['pin']>, load: Partial<Load> = {}, lengthM = 4, school: 'metric' | 'awg' = 'metric'): Design => {
  const d = thing(load, {}, lengthM, school);
  return { ...d, circuits: d.circuits.map((c) => (c.id === 'c-x' ? { ...c, pin: { ...c.pin, ...pin } } : c)) };
};
const house = (d: Design, change: Partial<Design['house']>): Design => ({ ...d, house: { ...d.house, ...change } });
const panel = (d: Design, id: string, change: Partial<Design['panels'][number]>): Design => ({
  ...d,
  panels: d.panels.map((p) => (p.id === id ? { ...p, ...change } : p)),
});
const place = (d: Design, id: string, change: Partial<Design['places'][number]>): Design => ({
  ...d,
  places: d.places.map((p) => (p.id === id ? { ...p, ...change } : p)),
});
const ids = (d: Design) => analyse(d).findings.map((f) => f.id);
const amps = (rating: number, change: Partial<Load> = {}): Partial<Load> => ({ ratingBy: 'A', rating, behaviour: 'current', ...change });

/** What is wrong, the boat with it, the boat with it put right, and the finding. */
const CASES: readonly (readonly [string, Design, Design, string])[] = [
  ['too thin for its current', pinned({ size: { school: 'metric', size: '1' } }, amps(40)), thing(amps(40)), 'fails-ampacity:c-x'],
  ['too thin for its drop', pinned({ size: { school: 'metric', size: '2.5' } }, amps(9), 12), thing(amps(9), {}, 12), 'fails-drop:c-x'],
  [
    'a size of the other school',
    pinned({ size: { school: 'awg', size: '10' } }, amps(5)),
    pinned({ size: { school: 'metric', size: '6' } }, amps(5)),
    'pin-school:c-x',
  ],
  ['a device far from its source', thing(amps(5), { deviceAtM: 1.2 }), thing(amps(5), { deviceAtM: 0.1 }), 'placement:c-x'],
  [
    'the same, sheathed all the way but from a bus',
    thing(amps(5), { deviceAtM: 1.9, sheathed: true }),
    thing(amps(5), { deviceAtM: 0.9, sheathed: true }),
    'placement:c-x',
  ],
  ['a load of other volts', thing({ nominalV: 24 }), thing({ nominalV: 12 }), 'volts-x:c-x'],
  [
    'always live, on a switched circuit',
    thing({ supply: 'always live' }, { supply: 'house switch' }),
    thing({ supply: 'always live' }, { supply: 'always live' }),
    'supply-x:c-x',
  ],
  [
    'a device far above its load',
    house(pinned({ ratingA: 40, family: 'maxi-blade', size: { school: 'metric', size: '16' } }, amps(3)), { protectionOverLoadMost: 1.5 }),
    house(pinned({ ratingA: 40, family: 'maxi-blade', size: { school: 'metric', size: '16' } }, amps(30)), { protectionOverLoadMost: 1.5 }),
    'over-load-gap:c-x',
  ],
  ['no watts or amps yet', thing({ rating: 0 }), thing({ rating: 5 }), 'no-rating:x'],
  [
    'electronics in a wet place',
    place(thing({ group: 'electronics', placeId: 'fore' }), 'fore', { wet: true }),
    place(thing({ group: 'electronics', placeId: 'fore' }), 'fore', { wet: false, drips: false, vapour: false, engineSpace: false }),
    'electronics-place:x',
  ],
  ['more circuits than ways', panel(thing(amps(5)), 'main', { ways: 1 }), panel(thing(amps(5)), 'main', { ways: 8 }), 'ways:main'],
  [
    'more through a panel than it bears',
    panel(thing(amps(90)), 'main', { maxTotalA: 60 }),
    panel(thing(amps(30)), 'main', { maxTotalA: 60 }),
    'panel-total:main',
  ],
  [
    'a panel that nothing feeds',
    { ...thing(amps(5)), circuits: thing(amps(5)).circuits.filter((c) => c.id !== 'c-main') },
    thing(amps(5)),
    'no-feeder:main',
  ],
  ['no bank', { ...thing(amps(5)), banks: [] }, thing(amps(5)), 'no-bank:boat'],
  [
    'a bank of other volts',
    { ...thing(amps(5)), banks: thing(amps(5)).banks.map((b) => ({ ...b, series: 2 })) },
    thing(amps(5)),
    'bank-volts:house',
  ],
  [
    'a load fed twice',
    {
      ...thing(amps(5)),
      circuits: [
        ...thing(amps(5)).circuits,
        ...thing(amps(5))
          .circuits.filter((c) => c.id === 'c-x')
          .map((c) => ({ ...c, id: 'c-y' })),
      ],
    },
    thing(amps(5)),
    'twice-c-y:x',
  ],
];

test.each(CASES)('%s', (_, wrong, right, id) => {
  expect(ids(wrong)).toContain(id);
  expect(ids(right)).not.toContain(id);
});

test('what is found has words for the reader and stands in order of weight', () => {
  const weight = { stop: 0, fix: 1, note: 2 };
  for (const [, design] of CASES) {
    const { findings } = analyse(design);
    for (const [i, f] of findings.entries()) {
      expect([f.title, f.why, f.todo].every((words) => words.length > 3)).toBe(true);
      expect(weight[f.severity]).toBeGreaterThanOrEqual(weight[findings[i - 1]?.severity ?? 'stop']);
    }
  }
});

test('a rating above the conductor is let through by the house rule only, and told', () => {
  // 16 A on a conductor good for a little less, from a family with 15 and 20.
  const open = house(pinned({ size: { school: 'awg', size: '16' } }, amps(14, { ownTrip: true }), 1, 'awg'), {
    roundUpToNext: true,
  });
  const { circuits, findings } = analyse(open);
  const own = circuits.find((c) => c.id === 'c-x')?.own;
  const above = (own?.protection.ratingA ?? 0) > (own?.state.heat.legIzA ?? Infinity);
  expect(findings.some((f) => f.id === 'rounded-up:c-x')).toBe(above && (own?.state.failing.includes('protection') ?? false) === false);
  expect(findFamily(own?.protection.familyId ?? '')).toBeDefined();
});
