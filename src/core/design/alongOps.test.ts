/** What goes along: a school's units and colours with its rules, places with the hull; what somebody has set stays. */
import { placesAlongOps, ruleSetOps } from './alongOps';
import { blankDesign } from './blank';
import { applyEdit, type Op } from './edit';
import type { Design } from './schema';

const boat = blankDesign('Test', 'metric', 10, 3.2, 12);
const after = (d: Design, ops: readonly Op[]): Design => {
  const done = applyEdit(d, { ops: [...ops] });
  if (!done.ok) throw new Error('refused');
  return done.design;
};

test('to the North American school go feet, °F, lb, colours and the yellow negative', () => {
  const next = after(boat, ruleSetOps(boat, 'awg').ops);
  expect(next.boat).toMatchObject({
    ruleSet: 'awg',
    lengthUnit: 'ft',
    tempUnit: 'F',
    massUnit: 'lb',
    colourScheme: 'north-american',
    lengthM: 10,
  });
  expect(next.house).toMatchObject({ functionColours: true, negative: 'yellow' });
});
test('there and back is where it was', () => {
  const there = after(boat, ruleSetOps(boat, 'awg').ops);
  expect(after(there, ruleSetOps(there, 'metric').ops)).toEqual(boat);
});
test('what somebody has set otherwise stays, and is told; the same set changes nothing', () => {
  const own: Design = { ...boat, boat: { ...boat.boat, tempUnit: 'F', colourScheme: 'north-american' } };
  const { ops, said } = ruleSetOps(own, 'awg');
  expect(after(own, ops).boat).toMatchObject({ tempUnit: 'F', lengthUnit: 'ft' });
  expect(said).toEqual(['lengths', 'masses']);
  expect(ruleSetOps(boat, 'metric').ops).toEqual([]);
});
test('a longer hull takes along the places nobody has moved: the mast foot of 10 m stands at 5.8, of 12 m at 6.96', () => {
  const moved: Design = {
    ...boat,
    boat: { ...boat.boat, lengthM: 12 },
    places: boat.places.map((p) => (p.id === 'galley' ? { ...p, at: { ...p.at, x: 3 } } : p)),
  };
  const next = after(moved, placesAlongOps(moved, { lengthM: 10, beamM: 3.2 }));
  const at = (d: Design, id: string) => d.places.find((p) => p.id === id)?.at.x;
  expect([at(boat, 'mast'), at(next, 'mast'), at(next, 'galley')]).toEqual([5.8, 6.96, 3]);
  expect(placesAlongOps(next, { lengthM: 10, beamM: 3.2 })).toEqual([]);
});
