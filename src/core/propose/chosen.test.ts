/** What is proposed is taken row by row, never doubles and never makes what Check then reports. */
import { usualBoat } from '@/testing/usualBoat';
import { APPLIANCES, idsFor, loadFrom, withRows, type Design } from '../design';
import { bareBoat } from '../design/testing';
import { leftOut, proposedList, rowsWithout } from './chosen';
import { PROPOSALS, propose, proposedRows } from './propose';

const places = (d: Design) => new Set(d.places.map((p) => p.id));
const withLoads = (d: Design, names: readonly string[], prefix: string): Design => ({
  ...d,
  loads: [
    ...d.loads,
    ...APPLIANCES.filter((a) => names.includes(a.name)).map((a, i) => loadFrom(a, `${prefix}${i}`, d.boat.systemV, places(d))),
  ],
});

describe('left out', () => {
  const base = withLoads(
    { ...bareBoat('metric'), circuits: [], panels: [] },
    ['VHF radio', 'Cabin light, LED', 'Bilge pump, automatic'],
    'a',
  );
  const rows = proposedRows(base, 'circuits', idsFor(base));
  const list = proposedList(rows);
  const named = (name: RegExp) => list.find((r) => name.test(r.name))?.id ?? '';
  test('a circuit needs the panel it starts at, and that its feeder’s bus', () => {
    const radio = rows.circuits?.find((c) => /VHF/.test(c.name));
    const feeder = rows.circuits?.find((c) => c.taps.some((t) => t.serves.kind === 'panel' && t.serves.id === radio?.from.id));
    const gone = leftOut(list, new Set([feeder?.from.id ?? '']));
    // The bus, the feeder from it, the panel it feeds, and what starts there.
    expect([...gone]).toEqual(expect.arrayContaining([feeder?.from.id, feeder?.id, radio?.from.id, radio?.id]));
    expect([...leftOut(list, new Set([feeder?.id ?? '']))]).toEqual(expect.arrayContaining([radio?.from.id, radio?.id]));
  });
  test('a circuit alone takes nothing else with it', () => {
    const id = named(/VHF/);
    expect([...leftOut(list, new Set([id]))]).toEqual([id]);
    const left = rowsWithout(rows, new Set([id]));
    expect(left.circuits?.length).toBe((rows.circuits?.length ?? 0) - 1);
    // What stays names nothing that is gone.
    const whole = JSON.stringify(withRows(base, left));
    expect(whole.includes(`"id":"${id}"`)).toBe(false);
  });
});

describe.each([1, 4, 7, 9, 13])('boat %d, proposed, three loads later proposed again', (seed) => {
  const once = propose(usualBoat(seed), PROPOSALS, idsFor(usualBoat(seed))).design;
  const more = withLoads(once, ['Stereo', 'Deck wash pump', 'Radar, solid state'], 'more');
  const twice = propose(more, PROPOSALS, idsFor(more));
  test('nothing is doubled: only what the new loads need is added', () => {
    const served = twice.design.circuits.flatMap((c) => c.taps.map((t) => `${t.serves.kind} ${t.serves.id}`));
    expect(new Set(served).size).toBe(served.length);
    expect(propose(twice.design, PROPOSALS, idsFor(twice.design)).changes).toEqual([]);
    for (const c of once.circuits) expect(twice.design.circuits).toContainEqual(c);
  });
  test('no panel gets more circuits than ways, none without a feed, every new load is served', () => {
    for (const p of twice.design.panels) {
      const on = twice.design.circuits.filter((c) => c.from.kind === 'panel' && c.from.id === p.id).length;
      const before = once.circuits.filter((c) => c.from.kind === 'panel' && c.from.id === p.id).length;
      if (on > before) expect(on).toBeLessThanOrEqual(p.ways);
      if (on > 0)
        expect(twice.design.circuits.some((c) => c.taps.some((t) => t.serves.kind === 'panel' && t.serves.id === p.id))).toBe(true);
    }
    const served = new Set(twice.design.circuits.flatMap((c) => c.taps.map((t) => t.serves.id)));
    expect(more.loads.filter((l) => l.id.startsWith('more')).every((l) => served.has(l.id))).toBe(true);
  });
});
