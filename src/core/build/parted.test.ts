/** Runs parted by what stands in line, counted by hand. */
import { analyse } from '../analysis';
import { blankDevice, type Circuit, type Design, type InlineDevice } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { cutList } from './cutList';

/** A load 6 m along the boat from the bus, at the same height and beam, by way of what is in line; 0.3 m of slack at each end. */
function boat(devices: readonly InlineDevice[], tapedM: number | null = null, change: Partial<Circuit> = {}): Design {
  const bare = bareBoat('metric');
  const at = (id: string, x: number) => bare.places.filter((p) => p.id === id).map((p) => ({ ...p, at: { x, y: 0, z: 1 } }));
  const places = [
    ...at('saloon', 5),
    ...at('chart', 7),
    ...at('fore', 11),
    ...bare.places.filter((p) => !['saloon', 'chart', 'fore'].includes(p.id)),
  ];
  const d = withLoad({ ...bare, places }, { rating: 24, connection: 'M6' }, 1, { devices: [...devices], along: 'straight', ...change });
  return { ...d, circuits: d.circuits.map((c) => (c.id === 'c-x' ? { ...c, taps: c.taps.map((t) => ({ ...t, tapedM })) } : c)) };
}
const cuts = (d: Design) => cutList(d, analyse(d).circuits).cuts.filter((c) => c.circuitId === 'c-x');
const list = (d: Design) => cuts(d).map((c) => `${c.label}: ${c.lengthM.toFixed(2)}, ${c.fromEnd} to ${c.toEnd}`);
const switchAt = (placeId: string | null): InlineDevice => ({ ...blankDevice('s', 'switch'), placeId });

test('without anything in line a run is two pieces', () =>
  expect(cuts(boat([])).map((c) => [c.label, c.lengthM.toFixed(2)])).toEqual([
    ['9+ Thing', '6.60'],
    ['9− Thing', '6.60'],
  ]));
test('a switch 2 m on parts the positive alone: 2 m and 4 m, 0.6 m of slack each; the negative passes by with slack of its own', () => {
  const [one, two, back, ...more] = cuts(boat([switchAt('chart')]));
  expect([one?.label, two?.label, back?.label]).toEqual(['9+ Thing, 1 of 2', '9+ Thing, 2 of 2', '9− Thing']);
  expect([one?.lengthM, two?.lengthM].map((m) => m?.toFixed(2))).toEqual(['2.60', '4.60']);
  expect((one?.lengthM ?? 0) + (two?.lengthM ?? 0)).toBeCloseTo(back?.lengthM ?? 0, 9);
  expect([one?.toEnd, two?.fromEnd]).toEqual([one?.toEnd, one?.toEnd]);
  expect(one?.toEnd).toMatch(/^blade receptacle/);
  expect(more).toEqual([]);
});
test('a plug parts both poles', () => {
  const d = boat([{ ...blankDevice('p', 'plug'), placeId: 'chart' }]);
  expect(cuts(d).map((c) => c.label)).toEqual(['9+ Thing, 1 of 2', '9+ Thing, 2 of 2', '9− Thing, 1 of 2', '9− Thing, 2 of 2']);
  expect(cuts(d)[0]?.toEnd).toMatch(/^ferrule/);
});
test('a plug and a switch: the positive in three, the negative in two', () => {
  const d = boat([switchAt('chart'), { ...blankDevice('p', 'plug'), placeId: 'chart' }]);
  expect(cuts(d).map((c) => c.label)).toEqual([
    '9+ Thing, 1 of 3',
    '9+ Thing, 2 of 3',
    '9+ Thing, 3 of 3',
    '9− Thing, 1 of 2',
    '9− Thing, 2 of 2',
  ]);
});
test('a taped run keeps its length: it is shared as the places share it', () => {
  const [one, two, back] = cuts(boat([switchAt('chart')], 9));
  expect((one?.lengthM ?? 0) + (two?.lengthM ?? 0)).toBeCloseTo(9, 9);
  expect(one?.lengthM).toBeCloseTo((9 * 2.6) / 7.2, 9);
  expect(back?.lengthM).toBeCloseTo(9, 9);
});
test('what has no place yet leaves the piece whole and says so', () => {
  const [plus, minus] = cuts(boat([switchAt(null)]));
  expect(plus?.label).toBe('9+ Thing');
  expect(plus?.note).toMatch(/^parted where its switch will stand: two blade receptacle/);
  expect(minus?.note).toBe('');
});
test('a float switch on its own leads: a splice on either side of it, counted', () => {
  const d = boat([{ ...blankDevice('f', 'float switch'), placeId: 'chart' }]);
  const plain = boat([]);
  const splices = (x: Design) =>
    cutList(x, analyse(x).circuits)
      .terminals.filter((t) => t.item.startsWith('adhesive butt'))
      .reduce((sum, t) => sum + t.count, 0);
  expect(splices(d) - splices(plain)).toBe(2);
});
test('several ways from the beginning: which of them the switch stands in is not told, and said', () => {
  const d = boat([switchAt('chart')]);
  const forked: Design = {
    ...d,
    loads: [...d.loads, { ...(d.loads[0] as Design['loads'][number]), id: 'y', name: 'Y' }],
    circuits: d.circuits.map((c) =>
      c.id === 'c-x' ? { ...c, taps: [...c.taps, { id: 't-y', parent: null, serves: { kind: 'load', id: 'y' }, tapedM: 1 }] } : c,
    ),
  };
  expect(cuts(forked)).toHaveLength(4);
  expect(cuts(forked)[0]?.note).toMatch(/^parted where its switch will stand/);
});
test('the large one on a stud, the small one on a blade', () => {
  expect(list(boat([{ ...blankDevice('i', 'isolator'), placeId: 'chart' }]))[0]).toMatch(/ to (ring|lug) .* × M8$/);
});
