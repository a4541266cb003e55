/** Every bank in a way of living: by hand from amps and hours, and by the loop. */
import { blankBank, blankTie, type Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { eachBank } from './eachBank';
import { sourceInto } from './testing';

/** A house bank with 5 A for 10 h; a bank for the bow with 20 A for half an hour; a start battery behind a relay. */
function boat(): Design {
  const bare = bareBoat('metric');
  const way = bare.living[0]?.id ?? '';
  const house = withLoad(bare, { behaviour: 'current', ratingBy: 'A', rating: 5, hours: { [way]: 10 } }, 3);
  const bow = withLoad(house, { id: 'w', name: 'Bow gear', behaviour: 'current', ratingBy: 'A', rating: 20, hours: { [way]: 0.5 } }, 2, {
    id: 'c-w',
    no: '12',
    from: { kind: 'bank', id: 'bow' },
    taps: [{ id: 't-w', parent: null, serves: { kind: 'load', id: 'w' }, tapedM: 2 }],
  });
  return {
    ...bow,
    banks: [
      ...bow.banks,
      { ...blankBank('bow', 12, 'fore'), name: 'Bow', job: 'own', strings: 1 },
      { ...blankBank('start', 12, 'engine'), name: 'Start', job: 'start', strings: 1 },
    ],
    joins: [{ ...blankTie('j', 'relay', 12), name: 'Relay', firstId: 'house', secondId: 'start' }],
    engine: { ...bow.engine, crankA: 240, crankS: 3 },
    living: bow.living.map((l) => ({ ...l, day: [{ id: 'e', what: 'engine' as const, fromH: 9, toH: 11, level: 1800 }] })),
    sources: [{ ...sourceInto('alternator'), bankId: 'house' }],
  };
}
const rows = (design: Design) => eachBank(design, design.living[0]?.id ?? '');

test('by hand: 50 Ah of the house, 10 Ah of the bow, one start of 240 A for 3 s is 0.2 Ah', () => {
  const [house, bow, start] = rows(boat());
  expect(house?.loadsAh).toBeCloseTo(50, 6);
  expect(bow?.loadsAh).toBeCloseTo(10, 6);
  expect(start).toMatchObject({ loadsAh: 0, starts: 1 });
  expect(start?.startsAh).toBeCloseTo(0.2, 9);
  expect(bow?.lastsDays).toBeCloseTo((bow?.usableAh ?? NaN) / 10, 9);
});

test('what nothing charges goes down day by day, what a relay ties comes back, and each says by what', () => {
  const [house, bow, start] = rows(boat());
  expect(house?.refills.map((r) => r.name)).toEqual([boat().sources[0]?.name]);
  expect(bow).toMatchObject({ refills: [], through: [] });
  expect(start?.through).toEqual([{ name: 'Relay', withBank: 'House' }].map((t) => ({ ...t, withBank: boat().banks[0]?.name })));
  // Three days of 10 Ah are gone from it.
  expect(bow?.endSoc).toBeLessThan(1 - 25 / 110);
  // The relay lets it give some to the house before it opens again.
  expect(start?.endSoc).toBeGreaterThan(0.85);
});

test('a panel of its own charges it by the weather; one that is only considered does not', () => {
  const sun = { ...sourceInto('solar'), id: 'sun', name: 'Bow panel', bankId: 'bow' };
  const of = (design: Design) => rows(design)[1]?.byWeather;
  expect(of({ ...boat(), sources: [...boat().sources, sun] })).toEqual(['Bow panel']);
  expect(of({ ...boat(), sources: [...boat().sources, { ...sun, insteadOfId: boat().sources[0]?.id ?? null }] })).toEqual([]);
});

test('a day’s need goes back sooner than the whole window; nothing drawn, nothing to put back', () => {
  const [house] = rows(boat());
  expect(house?.refills[0]?.hours ?? NaN).toBeGreaterThan(0);
  const idle = rows({ ...boat(), loads: [], sources: [] });
  expect(idle.map((b) => [b.lastsDays, b.refills])).toEqual([
    [null, []],
    [null, []],
    [null, []],
  ]);
  expect(eachBank(boat(), 'no such way')).toEqual([]);
});
