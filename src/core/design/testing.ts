/** Designs and generators for the core's own tests. */
import fc from 'fast-check';
import { blankBank, blankCircuit, blankDesign, blankLoad, blankPanel, defaultHouse } from './blank';
import type { Circuit, Design, Load } from './schema';

/** A 12 V or 24 V boat with a bank, a main bus, a panel and nothing on it. */
export function bareBoat(school: 'awg' | 'metric', systemV: 12 | 24 = 12): Design {
  const blank = blankDesign('Test boat', school, 11, 3.5, systemV);
  const feeder = (id: string, no: string, from: Circuit['from'], to: string): Circuit => ({
    ...blankCircuit(id, no, id, from),
    supply: 'house switch',
    taps: [{ id: `${id}-1`, parent: null, serves: { kind: 'panel', id: to }, tapedM: 1 }],
  });
  return {
    ...blank,
    house: defaultHouse(school),
    banks: [{ ...blankBank('house', systemV, 'saloon'), strings: 2 }],
    panels: [
      blankPanel('main', 'Main bus', 'bus', 'saloon'),
      { ...blankPanel('panel', 'Panel', 'panel', 'chart'), family: 'panel-breaker', ways: 40 },
    ],
    circuits: [feeder('c-main', '1', { kind: 'bank', id: 'house' }, 'main'), feeder('c-feed', '2', { kind: 'panel', id: 'main' }, 'panel')],
  };
}

/** The boat with one load on a circuit of its own from the main bus, run lengthM one way. */
export function withLoad(design: Design, change: Partial<Load>, lengthM: number, circuit: Partial<Circuit> = {}): Design {
  const load: Load = { ...blankLoad('x', design.boat.systemV), name: 'Thing', placeId: 'fore', rating: 60, ...change };
  return {
    ...design,
    loads: [...design.loads, load],
    circuits: [
      ...design.circuits,
      {
        ...blankCircuit('c-x', '9', 'Thing', { kind: 'panel', id: 'main' }),
        supply: load.supply,
        taps: [{ id: 't-x', parent: null, serves: { kind: 'load', id: load.id }, tapedM: lengthM }],
        ...circuit,
      },
    ],
  };
}

/** Any load a person might enter, within bounds. */
export const anyLoad: fc.Arbitrary<Partial<Load>> = fc.record({
  rating: fc.double({ min: 0, max: 4000, noNaN: true }),
  quantity: fc.integer({ min: 1, max: 9 }),
  behaviour: fc.constantFrom('power' as const, 'resistance' as const, 'current' as const),
  critical: fc.boolean(),
  runsLong: fc.boolean(),
  surgeA: fc.option(fc.double({ min: 0, max: 900, noNaN: true })),
  surgeS: fc.option(fc.double({ min: 0.01, max: 20, noNaN: true })),
  makerFuseA: fc.option(fc.double({ min: 0.1, max: 400, noNaN: true })),
  duty: fc.option(
    fc.record({
      onS: fc.double({ min: 1, max: 600, noNaN: true }),
      restS: fc.double({ min: 0, max: 900, noNaN: true }),
      repeats: fc.integer({ min: 1, max: 20 }),
    }),
  ),
  placeId: fc.constantFrom('fore', 'engine', 'bilge', 'lazarette', null),
});

export const anySchool = fc.constantFrom('awg' as const, 'metric' as const);
export const anyLength = fc.double({ min: 0.1, max: 40, noNaN: true });
