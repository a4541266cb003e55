import { blankBank, blankCircuit, blankDevice, blankLoad, type Circuit, type Design, type Load } from '../design';
import { bareBoat } from '../design/testing';
import { standingA } from '../demand';
import { positions } from './positions';

const load = (id: string, supply: Load['supply'], standbyA: number | null): Load => ({
  ...blankLoad(id, 12),
  name: id,
  supply,
  standbyA,
  rating: 12,
});
const to = (id: string, from: Circuit['from'], supply: Circuit['supply'], loadId: string): Circuit => ({
  ...blankCircuit(id, id, id, from),
  supply,
  taps: [{ id: `${id}-1`, parent: null, serves: { kind: 'load', id: loadId }, tapedM: 2 }],
});
const bare = bareBoat('metric');
const boat: Design = {
  ...bare,
  loads: [
    load('bilge pump', 'always live', 0.01),
    load('stereo', 'panel breaker', 0.05),
    load('gauge', 'engine key', 0.2),
    load('loose', 'panel breaker', 9),
  ],
  circuits: [
    ...bare.circuits,
    to('c-b', { kind: 'bank', id: 'house' }, 'always live', 'bilge pump'),
    to('c-s', { kind: 'panel', id: 'panel' }, 'panel breaker', 'stereo'),
    to('c-k', { kind: 'panel', id: 'main' }, 'engine key', 'gauge'),
  ],
};
const at = (design: Design, id: string) => {
  const found = positions(design).find((p) => p.id === id);
  if (!found) throw new Error(id);
  return found;
};

test('off: only what hangs before the switch lives, and what it drains is told in days', () => {
  // 2 x 100 Ah AGM, half usable: 100 Ah; 0.01 A x 24 h = 0.24 Ah a day.
  expect(at(boat, 'off')).toMatchObject({ live: ['bilge pump'], dead: ['stereo', 'gauge'], standingA: 0.01, surprises: [] });
  expect(at(boat, 'off').days).toBeCloseTo(100 / 0.24, 6);
});
test('on: the panel lives, the key does not', () => expect(at(boat, 'on').live).toEqual(['bilge pump', 'stereo']));
test('on with the key: everything wired', () => {
  expect(at(boat, 'key').live).toEqual(['bilge pump', 'stereo', 'gauge']);
  expect(at(boat, 'key').standingA).toBeCloseTo(0.26, 12);
});
test('what has no circuit is in neither list', () =>
  expect(positions(boat).every((p) => !p.live.concat(p.dead).includes('loose'))).toBe(true));
test('a pump that should live and dies with the switch is a surprise', () => {
  const wrong = {
    ...boat,
    circuits: boat.circuits.map((c) => (c.id === 'c-b' ? { ...c, from: { kind: 'panel' as const, id: 'panel' } } : c)),
  };
  expect(at(wrong, 'off')).toMatchObject({ live: [], surprises: ['bilge pump'] });
});
test('a stereo that stays alive with the switch off is one too', () => {
  const wrong = {
    ...boat,
    circuits: boat.circuits.map((c) => (c.id === 'c-s' ? { ...c, from: { kind: 'bank' as const, id: 'house' } } : c)),
  };
  expect(at(wrong, 'off').surprises).toEqual(['stereo']);
});
test('a battery switch in line opens whatever the class of its circuit says', () => {
  const inLine = {
    ...boat,
    circuits: boat.circuits.map((c) => (c.id === 'c-b' ? { ...c, devices: [blankDevice('s', 'battery switch')] } : c)),
  };
  expect(at(inLine, 'off').live).toEqual([]);
});
test('two switched banks have a position each, and the days are those of the first to go', () => {
  const two: Design = {
    ...boat,
    banks: [...boat.banks, { ...blankBank('start', 12, null), name: 'Start', strings: 1 }],
    loads: [...boat.loads, load('alarm', 'house switch', 0.1)],
    circuits: [...boat.circuits, { ...to('c-a', { kind: 'bank', id: 'start' }, 'house switch', 'alarm') }],
  };
  expect(positions(two).map((p) => p.name)).toEqual(['off', 'House bank only', 'Start only', 'all on', 'on, engine key']);
  expect(at(two, 'only-start').live).toEqual(['bilge pump', 'alarm']);
  expect(at(two, 'on').days).toBeCloseTo(50 / 2.4, 6);
});
test('no bank: nothing lives and no days are counted', () =>
  expect(positions({ ...boat, banks: [] }).every((p) => p.days === null)).toBe(true));
test('several of one kind stand together', () =>
  expect(standingA({ ...load('x', 'always live', 0.02), quantity: 3 })).toBeCloseTo(0.06, 12));

test('what draws is named, largest first, and adds up; days are told with what they are made of', () => {
  for (const p of positions(boat)) expect(p.draws.reduce((sum, d) => sum + d.amps, 0)).toBeCloseTo(p.standingA, 9);
  expect(at(boat, 'key').draws.map((d) => d.name)).toEqual(['gauge', 'stereo', 'bilge pump']);
  const { days, lasts } = at(boat, 'off');
  expect(lasts[0]).toMatch(/^House bank: [\d.]+ Ah usable ÷ 0\.01 A ÷ 24 h = /);
  expect(days).toBeGreaterThan(0);
});
