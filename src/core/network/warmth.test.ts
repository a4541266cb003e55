/** What a study warms: copper and insulation by the squares of their amps, ends in the air of their places, what is brief for as long as it is. */
import { analyse } from '../analysis';
import type { Circuit, Design, Load, Study } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { runStudy } from './study';
import { warmthOf } from './warmth';

const study = (loads: Study['loads']): Study => ({
  id: 's',
  name: 'a study',
  soc: 0.6,
  engineRpm: 0,
  shore: false,
  cranking: false,
  loads,
});
const warmed = (design: Design, loads: Study['loads']) => {
  const analysed = analyse(design);
  const answer = runStudy(design, analysed, study(loads));
  return { analysed, answer, warmth: warmthOf(design, analysed, answer) };
};
/** 80 A for 6 m on 35 mm2, from a saloon of 30 degrees to a fore cabin of 40. */
const boat = (load: Partial<Load> = {}, circuit: Partial<Circuit> = {}): Design => {
  const bare = bareBoat('metric');
  const warm = (id: string) => (id === 'saloon' ? 30 : id === 'fore' ? 40 : 25);
  const placed = { ...bare, places: bare.places.map((p) => ({ ...p, ambientC: warm(p.id) })) };
  return withLoad(placed, { behaviour: 'current', ratingBy: 'A', rating: 80, ...load }, 6, {
    pin: { size: { school: 'metric', size: '35' }, legs: 1, family: null, ratingA: null, ownDevices: false },
    ...circuit,
  });
};
const own = ({ warmth }: ReturnType<typeof warmed>, id = 'c-x') => ({
  run: warmth.runs.find((r) => r.about.id === id),
  ends: warmth.ends.filter((e) => e.about.id === id),
});

test('by hand: 80 A that last, on 35 mm2 good for Iz at Tr', () => {
  const w = warmed(boat(), { x: 'on' });
  const heat = w.analysed.circuits.find((c) => c.id === 'c-x')?.own.state.heat;
  const [izA, tr] = [heat?.izA ?? NaN, heat?.derating.ratingC ?? NaN];
  const part = (80 / izA) ** 2;
  const { run, ends } = own(w);
  expect(ends.map((e) => [e.end, e.placeId, e.ambientC])).toEqual(
    expect.arrayContaining([
      ['at its feed', 'saloon', 30],
      ['at its far end', 'fore', 40],
    ]),
  );
  expect(ends.find((e) => e.placeId === 'saloon')?.tempC).toBeCloseTo(30 + (tr - 30) * part, 9);
  expect(ends.find((e) => e.placeId === 'fore')?.tempC).toBeCloseTo(40 + (tr - 40) * part, 9);
  // 0.565 milliohm a metre of 35 mm2, tinned, cold: two of them at 80 A are 7.23 W, and more as they warm.
  const warmC = 40 + (tr - 40) * part;
  expect(run?.wPerM).toBeCloseTo(2 * 6400 * 0.565e-3 * (1 + 0.00393 * (warmC - 20)), 6);
  expect(run?.onS).toBeNull();
});

test('a start of a second warms next to nothing, a duty of minutes some, and both say how long they are on', () => {
  const lasts = own(warmed(boat(), { x: 'on' }));
  const start = own(warmed(boat({ rating: 20, surgeA: 80, surgeS: 1 }), { x: 'start' }));
  const duty = own(warmed(boat({ duty: { onS: 180, restS: 600, repeats: 1 } }), { x: 'on' }));
  const rise = (x: typeof lasts) => (x.ends.find((e) => e.placeId === 'fore')?.tempC ?? NaN) - 40;
  expect(rise(start)).toBeGreaterThan(0);
  expect(rise(start)).toBeLessThan(0.02 * rise(lasts));
  expect(rise(duty)).toBeGreaterThan(rise(start));
  expect(rise(duty)).toBeLessThan(rise(lasts));
  expect([start.run?.onS, duty.run?.onS, lasts.run?.onS]).toEqual([1, 180, null]);
});

test('what lasts beside a start goes on warming: heat by the squares', () => {
  const two = withLoad(
    boat({ id: 'x', rating: 20, surgeA: 80, surgeS: 1 }),
    { id: 'y', rating: 40, behaviour: 'current', ratingBy: 'A' },
    1,
    {
      id: 'c-y',
      no: '11',
      from: { kind: 'panel', id: 'main' },
      taps: [{ id: 't-y', parent: null, serves: { kind: 'load', id: 'y' }, tapedM: 1 }],
    },
  );
  const end = (loads: Study['loads']) => own(warmed(two, loads), 'c-main').ends.find((e) => e.end === 'at its feed')?.tempC ?? NaN;
  const [alone, both] = [end({ y: 'on' }), end({ x: 'start', y: 'on' })];
  expect(both).toBeGreaterThan(alone);
  expect(both - alone).toBeLessThan(0.1 * (alone - 30));
});

test('along one run each end has what flows beyond it: 10 A of 30 go on, a third of the amps and a ninth of the rise', () => {
  const one = boat({ rating: 20 });
  const last: Load = { ...(one.loads[0] as Load), id: 'y', name: 'Beyond', rating: 10 };
  const taps = [
    { id: 'a', parent: null, serves: { kind: 'load' as const, id: 'x' }, tapedM: 6 },
    { id: 'b', parent: 'a', serves: { kind: 'load' as const, id: 'y' }, tapedM: 2 },
  ];
  const design: Design = { ...one, loads: [...one.loads, last], circuits: one.circuits.map((c) => (c.id === 'c-x' ? { ...c, taps } : c)) };
  const far = own(warmed(design, { x: 'on', y: 'on' })).ends.filter((e) => e.end === 'at its far end');
  expect(far).toHaveLength(2);
  expect(((far[1]?.tempC ?? NaN) - 40) / ((far[0]?.tempC ?? NaN) - 40)).toBeCloseTo(1 / 9, 9);
});

test('the watts of its metres are what the study says it loses, less joints and devices; hottest first; nothing on, nothing warm', () => {
  const w = warmed(boat(), { x: 'on' });
  const run = own(w).run;
  const loses = w.answer.runs.find((r) => r.circuitId === 'c-x')?.heatW ?? NaN;
  expect(6 * (run?.wPerM ?? NaN)).toBeLessThan(loses);
  expect(6 * (run?.wPerM ?? NaN)).toBeGreaterThan(0.5 * loses);
  const temps = w.warmth.ends.map((e) => e.tempC);
  expect(temps).toEqual([...temps].sort((a, b) => b - a));
  expect(warmed(boat(), {}).warmth).toEqual({ runs: [], ends: [] });
});

test('an overloaded wire is told as hot as it gets: 130 % of its amps in the wet, where 105 counts as 70, past what its ends and it bear', () => {
  const wet = boat();
  const design: Design = { ...wet, places: wet.places.map((p) => ({ ...p, wet: true })) };
  const iz = warmed(design, { x: 'on' }).analysed.circuits.find((c) => c.id === 'c-x')?.own.state.heat;
  expect(iz?.derating.ratingC).toBe(70);
  const over = { ...design, loads: design.loads.map((l) => ({ ...l, rating: 1.3 * (iz?.izA ?? NaN) })) };
  const far = own(warmed(over, { x: 'on' })).ends.find((e) => e.placeId === 'fore');
  // 40 + 30 x 1.69.
  expect(far?.tempC).toBeCloseTo(90.7, 6);
  expect(far?.limitC).toBe(70);
});
test('insulation of 60 degrees bears 60, whatever its terminal does', () => {
  const design = boat({ rating: 40 }, { insulationC: 60 });
  expect(own(warmed(design, { x: 'on' })).ends.map((e) => e.limitC)).toEqual([60, 60]);
});
