/** AC panels as they hang aboard. */
import { pluggedIn, withMachines } from '../ac/testing';
import { type AcCircuit, blankAcCircuit, type Design } from '../design';
import { acSchedules } from './acSchedules';

const branch = (id: string, way: number | null): AcCircuit => ({
  ...blankAcCircuit(id, id, id, { kind: 'panel', id: 'panel' }),
  loadIds: ['kettle'],
  lengthM: 3,
  way,
});
const boat = (ways: number | null, more: readonly AcCircuit[] = []): Design => {
  const d = pluggedIn();
  return { ...d, acPanels: d.acPanels.map((p) => ({ ...p, ways })), acCircuits: [...d.acCircuits, ...more] };
};
const names = (d: Design) => acSchedules(d)[0]?.ways.map((w) => w.name);

test('ways in their order, the rest in what is free, spare ones named', () => {
  expect(names(boat(5, [branch('oven', 1), branch('heat', 4)]))).toEqual(['oven', 'galley', 'spare', 'heat', 'spare']);
  expect(acSchedules(boat(5))[0]?.spare).toBe(4);
});
test('two that ask for one way, or more runs than ways: none is lost', () => {
  expect(names(boat(1, [branch('oven', 2), branch('heat', 2)]))).toEqual(['galley', 'oven', 'heat']);
});
test('a way carries its device, poles, trip and cable; the panel what feeds it', () => {
  const [panel] = acSchedules(boat(null));
  expect(panel?.feeds).toEqual(['Shore power, 16 A']);
  expect(panel?.ways).toHaveLength(1);
  expect(panel?.ways[0]).toMatchObject({
    way: 1,
    name: 'galley',
    device: 'AC breaker, curve C',
    ratingA: 10,
    poles: 2,
    leakageMa: null,
    cable: '3 × 1.5 mm²',
    worksA: 8,
  });
  expect(panel?.sumOfRatingsA).toBe(10);
});
describe('lamps', () => {
  const lamps = (d: Design, at = 0) => acSchedules(d)[at]?.lamps.map((l) => l.lamp);
  test('of a shore panel: the lead, polarity, the isolator, the trip to be tested', () =>
    expect(lamps(boat(null))).toEqual(['Shore power, green', 'reverse polarity, red', 'isolator, amber', 'test on main main']));
  test('behind a transformer there is no polarity to watch, and no isolator', () => {
    const d = boat(null);
    const behind: Design = {
      ...d,
      acSources: d.acSources.map((s) => ({ ...s, shore: s.shore && { ...s.shore, isolation: 'isolation transformer' as const } })),
    };
    expect(lamps(behind)).toEqual(['Shore power, green', 'test on main main']);
  });
  test('an inverter’s panel says that it is live with every lead out', () => {
    const d = withMachines(boat(null));
    expect(acSchedules(d)[1]?.lamps.find((l) => l.lamp === 'Inverter, amber')?.means).toMatch(/live with every lead out/);
  });
});
