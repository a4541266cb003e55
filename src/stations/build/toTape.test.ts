/** Runs to tape: each once, from the stern forward, stretch by stretch where something stands in line. */
import { analyse } from '@/core';
import { blankDevice, type Design } from '@/core/design';
import { bareBoat, withLoad } from '@/core/design/testing';
import { toTape } from './toTape';

const boat = withLoad(bareBoat('metric'), { rating: 24 }, 4);
const of = (d: Design) => {
  const a = analyse(d);
  return toTape(d, a.circuits, a.leads, []);
};

test('every tap, with what is taped and the field it is written to; links of the bank as one', () => {
  const runs = of(boat);
  expect(new Set(runs.map((r) => r.id)).size).toBe(runs.length);
  const own = runs.find((r) => r.id === 'c-x.t-x');
  expect(own).toMatchObject({ tapedM: 4, path: ['circuits', 'c-x', 'taps', 't-x', 'tapedM'], links: null });
  expect(runs.filter((r) => r.links !== null)).toMatchObject([{ links: 'house', tapedM: null }]);
});

test('a switch in line parts the run: its stretch is taped beside the whole', () => {
  const d: Design = {
    ...boat,
    circuits: boat.circuits.map((c) => (c.id === 'c-x' ? { ...c, devices: [{ ...blankDevice('s', 'switch'), placeId: 'galley' }] } : c)),
  };
  const own = of(d).filter((r) => r.id.startsWith('c-x.'));
  expect(own.map((r) => r.path.join('.'))).toEqual(['circuits.c-x.devices.s.fromM', 'circuits.c-x.taps.t-x.tapedM']);
  expect(own[1]?.to).toContain('the whole way');
});

test('from the stern forward', () => {
  const runs = of(boat).filter((r) => r.place !== 'main side' && r.place !== 'place not entered');
  const at = runs.map((r) => boat.places.find((p) => p.name === r.place)?.at.x ?? 0);
  expect(at).toEqual([...at].sort((a, b) => a - b));
});
