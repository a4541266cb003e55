import { blankBank, blankLoad, BOUNDS, type Design, type Load } from '../design';
import { bareBoat } from '../design/testing';
import { proposeStudies } from './studies';

const load = (id: string, change: Partial<Load>): Load => ({ ...blankLoad(id, 12), name: id, ratingBy: 'A', ...change });
const windlass = load('Windlass', { rating: 80, surgeA: 240, surgeS: 1, duty: { onS: 120, restS: 300, repeats: 3 } });
const inverter = load('Inverter', { rating: 75, surgeA: 160, surgeS: 2 });
const fridge = load('Fridge', { rating: 5, runsLong: true });
const reading = load('Reading light', { rating: 0.3 });
const boat = (...loads: Load[]): Design => ({
  ...bareBoat('metric'),
  loads,
  banks: [{ ...blankBank('house', 12, null), blockAh: 100, strings: 2 }],
});
const propose = (d: Design) => {
  let n = 0;
  return proposeStudies(d, (prefix) => `${prefix}${++n}`);
};

describe('studies are proposed', () => {
  test('for every hard start, with what runs long beside it; engine idling for what has a duty', () => {
    const [first, second, evening] = propose(boat(windlass, inverter, fridge, reading));
    expect(first).toMatchObject({ name: 'Windlass starts, engine idling, 60 %', soc: 0.6, loads: { Windlass: 'start', Fridge: 'on' } });
    expect(first?.engineRpm).toBeGreaterThan(0);
    expect(second).toMatchObject({ name: 'Inverter starts, 60 %', engineRpm: 0, loads: { Inverter: 'start', Fridge: 'on' } });
    expect(evening).toMatchObject({ soc: 0.5, engineRpm: 0, shore: false, loads: { Fridge: 'on' } });
  });
  test('a heavy load without a start is switched on, not started', () => {
    const heater = load('Heater', { rating: 90 });
    expect(propose(boat(heater))[0]?.loads).toEqual({ Heater: 'on' });
  });
  test('what is there by name already is not proposed again', () => {
    const d = boat(windlass, fridge);
    const once = propose(d);
    expect(propose({ ...d, studies: once })).toEqual([]);
    expect(propose({ ...d, studies: once.slice(1) }).map((s) => s.name)).toEqual([once[0]?.name]);
  });
  test('never more than a design may have, nothing without loads, no hard start without a bank', () => {
    const many = boat(...Array.from({ length: 40 }, (_, i) => load(`Heavy ${i}`, { rating: 90 })));
    expect(propose(many)).toHaveLength(BOUNDS.studies);
    expect(propose(boat())).toEqual([]);
    expect(propose({ ...boat(windlass), banks: [] })).toEqual([]);
  });
  test('sources on the load sheet are no loads', () => {
    expect(propose(boat(load('Alternator', { rating: 120, group: 'charging' })))).toEqual([]);
  });
});
