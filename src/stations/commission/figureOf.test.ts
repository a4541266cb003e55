/** What a meter shows belongs to lines of its own bank alone, and the other way round where a load draws. */
import { bandOf, type TestLine } from '@/core/commission';
import { type AtHand, figureOf } from './figureOf';

const line = (id: string): TestLine => ({
  id,
  stage: 1,
  what: '',
  state: '',
  probes: '',
  unit: 'V',
  band: bandOf(1, []),
  limit: { least: null, most: null },
  working: '',
  hazard: '',
  outside: '',
  drop: null,
  at: null,
});
const hand: AtHand = { bankId: 'house', volts: 12.6, amps: -4.2 };
const bankOf = (id: string): string | null => (id === 'alt' ? 'house' : id === 'dcdc' ? 'start' : null);
const shown = (id: string, at: AtHand | null = hand) => figureOf(line(id), at, bankOf);

test.each([
  ['rest.house', 12.6],
  ['rest.start', null],
  ['absorbs.alt', 12.6],
  ['absorbs.dcdc', null],
  ['gives.alt', -4.2],
  ['speed.idle.alt', -4.2],
  ['speed.idle.dcdc', null],
  ['amps.c1.t1', 4.2],
  ['drop.c1.t1', null],
  ['crank.posts.house', null],
])('%s: %s', (id, expected) => expect(shown(id)).toBe(expected));
test('no meter, or one that does not say, says nothing', () => {
  expect(shown('rest.house', null)).toBeNull();
  expect(shown('amps.c1.t1', { ...hand, amps: null })).toBeNull();
});
