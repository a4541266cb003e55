import { blankCircuit, type Circuit } from '../design';
import { bareBoat } from '../design/testing';
import { autonomyH } from '../analysis';
import { circuitOrder } from './order';
import { loadPoint, panelPoint, placePoint } from './geometry';

const feed = (id: string, from: Circuit['from'], to: string): Circuit => ({
  ...blankCircuit(id, id, id, from),
  taps: [{ id: `${id}-1`, parent: null, serves: { kind: 'panel', id: to }, tapedM: 1 }],
});
const panel = (id: string) => ({ kind: 'panel' as const, id });
const bank = { kind: 'bank' as const, id: 'house' };

test('sources come before what they feed, however the rows stand', () => {
  const { order, cyclic } = circuitOrder([feed('c', panel('p2'), 'p3'), feed('b', panel('p1'), 'p2'), feed('a', bank, 'p1')]);
  expect(order.map((c) => c.id)).toEqual(['a', 'b', 'c']);
  expect(cyclic.size).toBe(0);
});
test('the first that reaches a panel is its feeder', () => {
  const { feederOf } = circuitOrder([feed('a', bank, 'p1'), feed('b', bank, 'p1')]);
  expect(feederOf.get('p1')?.id).toBe('a');
});
test('a ring of three is told whole, and what is outside it is not', () => {
  const { cyclic } = circuitOrder([
    feed('a', panel('p1'), 'p2'),
    feed('b', panel('p2'), 'p3'),
    feed('c', panel('p3'), 'p1'),
    feed('d', bank, 'p9'),
  ]);
  expect([...cyclic].sort()).toEqual(['a', 'b', 'c']);
});
test('a panel that feeds itself directly', () => {
  const { cyclic, feederOf } = circuitOrder([feed('a', panel('p1'), 'p1')]);
  expect([...cyclic]).toEqual(['a']);
  expect(feederOf.get('p1')).toBeUndefined();
});
test('an empty design has an empty order', () => expect(circuitOrder([]).order).toEqual([]));

describe('positions', () => {
  const design = bareBoat('metric');
  test('a place’s own', () => expect(placePoint(design, 'galley')).toEqual(design.places.find((p) => p.id === 'galley')?.at));
  test('without a place: amidships', () => expect(placePoint(design, null)).toMatchObject({ x: design.boat.lengthM / 2, y: 0 }));
  test('a load’s own position goes before its place’s', () => {
    const own = { x: 1, y: 1, z: 1 };
    expect(loadPoint(design, { at: own, placeId: 'galley' })).toBe(own);
    expect(loadPoint(design, { at: null, placeId: 'galley' })).toEqual(placePoint(design, 'galley'));
    expect(panelPoint(design, { placeId: 'chart' })).toEqual(placePoint(design, 'chart'));
  });
});

test('hours without a source: usable over need, and none without either', () => {
  expect(autonomyH(120, 60)).toBe(48);
  expect(autonomyH(0, 60)).toBeNull();
  expect(autonomyH(120, 0)).toBeNull();
});
