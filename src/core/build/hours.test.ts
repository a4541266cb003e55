/** Hours, counted by hand on one circuit, and how they spread. */
import { analyse } from '../analysis';
import type { Design } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { postInventory } from '../mainSide';
import { cutList } from './cutList';
import { hoursOf, learnedFactor, spread } from './hours';
import { pulledThrough } from './runs';
import { listsOf } from './lists';
import { madePieces } from './made';

function hours(design: Design) {
  const a = analyse(design);
  const made = madePieces(
    design,
    cutList(design, a.circuits, a.leads).cuts,
    new Set(),
    postInventory(design, a.circuits, a.leads),
    new Map(),
  );
  return hoursOf(design, a.circuits, made, listsOf(design, a.circuits));
}
const boat = withLoad(bareBoat('metric'), { rating: 24, connection: 'M6' }, 4);
const of = (design: Design, kind: string) => hours(design).lines.filter((l) => l.kind === kind);

test('counted: ends at their minutes, each landed in three, metres pulled and clipped', () => {
  const { lines } = hours(boat);
  const ends = lines.filter((l) => l.kind === 'ends').reduce((n, l) => n + l.count, 0);
  const landed = lines.find((l) => l.kind === 'land and torque');
  expect(landed?.count).toBe(ends);
  expect(landed?.minutes).toBe(3 * ends);
  // The circuit's 4 m and its feeder's metre are pulled as runs, links as they are.
  const pulled = lines.filter((l) => l.kind === 'pull').reduce((n, l) => n + l.count, 0);
  expect(pulled).toBeCloseTo(6 + 2 * 0.3, 6);
  expect(lines.find((l) => l.what === 'DC circuits')).toMatchObject({ count: 3, each: 5, minutes: 15 });
});

test('each count names what it is counted from: as many names as there are things, and metres that add up', () => {
  const { lines } = hours(boat);
  const listed = lines.filter((l) =>
    ['survey and drawings', 'photographs and labels', 'access', 'tests', 'devices and panels'].includes(l.kind),
  );
  expect(listed.length).toBeGreaterThan(5);
  for (const l of listed) expect(l.of).toHaveLength(l.count);
  const open = lines.find((l) => l.what === 'run in the open');
  // Feeder and main a metre each, the circuit 4 m, two links of 0.3 m.
  expect(open?.of.map((x) => x.split(': ')[1])).toEqual(['1 m', '1 m', '4 m', '0.6 m']);
  expect(lines.find((l) => l.kind === 'support')?.of[0]).toBe(
    'one every 450 mm of 6.6 m in the open; not what goes through conduit or up a mast',
  );
  for (const l of lines) expect(l.of.length).toBeGreaterThan(0);
});

test('days ask for isolating and tidying; a share goes to what is found on the way', () => {
  const { lines, days } = hours(boat);
  expect(lines.find((l) => l.kind === 'tidy')).toMatchObject({ count: days, minutes: 45 * days });
  const own = lines.filter((l) => !['isolate and prove', 'tidy', 'faults found'].includes(l.kind)).reduce((n, l) => n + l.minutes, 0);
  expect(lines.find((l) => l.kind === 'faults found')?.minutes).toBeCloseTo(0.05 * own, 9);
});

test('the firm’s factor of a kind multiplies that kind alone', () => {
  const slow: Design = { ...boat, work: { ...boat.work, factors: { ends: 2 } } };
  const sum = (d: Design, kind: string) => of(d, kind).reduce((n, l) => n + l.minutes, 0);
  expect(sum(slow, 'ends')).toBeCloseTo(2 * sum(boat, 'ends'), 9);
  expect(sum(slow, 'land and torque')).toBe(sum(boat, 'land and torque'));
});

test('a factor is learned slowly: five tasks count half', () => {
  expect(learnedFactor(1.4, 0)).toBe(1);
  expect(learnedFactor(1.4, 5)).toBeCloseTo(1.2, 12);
  expect(learnedFactor(1.4, 1e9)).toBeCloseTo(1.4, 6);
});

test('P50 and P90 of one kind are those of a log-normal, and many kinds spread less', () => {
  const one = spread([{ kind: 'pull', minutes: 600 }]);
  // sigma² = 0.35² + 0.25²; P90 lies 1.2816 sigma above the median of 10 h.
  const sigma = Math.hypot(0.35, 0.25);
  expect(Math.abs(one.p50H - 10)).toBeLessThan(0.35);
  expect(Math.abs(one.p90H / one.p50H - Math.exp(1.2816 * sigma))).toBeLessThan(0.08);
  const many = spread((['pull', 'ends', 'tests', 'machines', 'access', 'tidy'] as const).map((kind) => ({ kind, minutes: 100 })));
  expect(many.p90H / many.p50H).toBeLessThan(one.p90H / one.p50H);
  expect(spread([{ kind: 'pull', minutes: 600 }])).toEqual(one);
});

test('up a mast it goes slowly, and is not clipped; the rest of the run is what it is', () => {
  const place = boat.places.find((p) => p.name === 'Saloon');
  if (!place) throw new Error('no place');
  const top = { ...place, id: 'top', name: 'Masthead', at: { x: place.at.x, y: 0, z: 14 } };
  const foot = { ...place, id: 'foot', name: 'Mast foot', at: { x: place.at.x, y: 0, z: 1 } };
  const design: Design = { ...boat, places: [...boat.places.filter((p) => Math.hypot(p.at.x - top.at.x, p.at.y) > 2), foot, top] };
  const circuit = { ...(design.circuits.find((c) => c.id === 'c-x') as Design['circuits'][number]), via: ['top'] };
  const through = pulledThrough(design, circuit, 20);
  expect(through.get('mast')).toBe(13);
  expect(through.get('open')).toBe(7);
});
