/** A boat of very many loads, each on a circuit of its own, on panels of fifty. */
import { blankBank, blankCircuit, blankDesign, blankLoad, blankPanel, BOUNDS, type Circuit, type Design, type Load } from '@/core/design';

const GROUPS = ['lights', 'pump', 'electronics', 'comfort'] as const satisfies readonly Load['group'][];
const WAYS = 50;

/** @param count loads; of circuits as many as a design may have, feeders with them. */
export function largeBoat(count: number): Design {
  const blank = blankDesign('Large', 'metric', 40, 9, 24);
  const at = (i: number): string | null => blank.places[i % blank.places.length]?.id ?? null;
  const bus = { ...blankPanel('main', 'Main bus', 'bus', 'saloon'), ways: 60 };
  const boards = Array.from({ length: Math.ceil(count / WAYS) }, (_, i) => ({
    ...blankPanel(`p${i}`, `Panel ${i}`, 'panel', at(i)),
    family: 'panel-breaker' as const,
    ways: 60,
  }));
  const run = (id: string, name: string, from: Circuit['from'], kind: 'panel' | 'load', serves: string): Circuit => ({
    ...blankCircuit(id, id, name, from),
    taps: [{ id: `${id}-t`, parent: null, serves: { kind, id: serves }, tapedM: null }],
  });
  const feeders = [
    run('f', 'Main', { kind: 'bank', id: 'house' }, 'panel', 'main'),
    ...boards.map((p, i) => run(`f${i}`, `${p.name} feeder`, { kind: 'panel', id: 'main' }, 'panel', p.id)),
  ];
  const loads = Array.from({ length: count }, (_, i) => ({
    ...blankLoad(`l${i}`, 24),
    name: `Load ${i}`,
    rating: 5 + (i % 60),
    placeId: at(7 * i),
    group: GROUPS[i % GROUPS.length] ?? ('other' as const),
  }));
  const own = loads
    .slice(0, BOUNDS.circuits - feeders.length)
    .map((l, i) => run(`c${i}`, l.name, { kind: 'panel', id: `p${Math.floor(i / WAYS)}` }, 'load', l.id));
  return {
    ...blank,
    banks: [{ ...blankBank('house', 24, 'saloon'), strings: 8 }],
    panels: [bus, ...boards],
    loads,
    circuits: [...feeders, ...own],
  };
}
