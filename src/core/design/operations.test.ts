import fc from 'fast-check';
import { bareBoat, withLoad } from './testing';
import { blankCircuit } from './blank';
import { applyEdit } from './edit';
import {
  addRows,
  idsFor,
  moveTap,
  removeLoads,
  removePanel,
  shiftedTap,
  tapApart,
  tapHungOn,
  withoutTaps,
  withRows,
  withTap,
} from './operations';
import type { Design, Tap } from './schema';

const tap = (id: string, parent: string | null, tapedM: number | null = null): Tap => ({
  id,
  parent,
  serves: { kind: 'load', id: `load-${id}` },
  tapedM,
});
const chain = [tap('a', null, 1), tap('b', 'a', 2), tap('c', 'b', 3)];
const shape = (taps: readonly Tap[] | null) => taps?.map((t) => `${t.parent ?? ''}>${t.id}`);

/** Every tap must follow the one it hangs on: what a design file demands. */
const wellOrdered = (taps: readonly Tap[]): boolean =>
  taps.every((t, i) => t.parent === null || taps.slice(0, i).some((p) => p.id === t.parent));

describe('taking a tap off', () => {
  test('what hung on it hangs on what it hung on', () => expect(shape(withoutTaps(chain, new Set(['b'])))).toEqual(['>a', 'a>c']));
  test('the first off leaves the next on the way itself', () => expect(shape(withoutTaps(chain, new Set(['a'])))).toEqual(['>b', 'b>c']));
  test('the last off leaves the rest alone', () => expect(withoutTaps(chain, new Set(['c']))).toEqual(chain.slice(0, 2)));
  test('a stranger changes nothing', () => expect(withoutTaps(chain, new Set(['z']))).toEqual(chain));
});

describe('putting a tap on', () => {
  test('it goes to the far end, and its old taped length no longer holds', () => {
    const next = withTap(chain, tap('d', 'elsewhere', 9));
    expect(shape(next)).toEqual(['>a', 'a>b', 'b>c', 'c>d']);
    expect(next[3]?.tapedM).toBeNull();
  });
  test('on an empty circuit it hangs on the way', () => expect(shape(withTap([], tap('d', 'x')))).toEqual(['>d']));
  test('an id that is taken is made another', () => expect(withTap(chain, tap('a', null)).map((t) => t.id)).toEqual(['a', 'b', 'c', 'ax']));
});

describe('earlier and later along the run', () => {
  test('later', () => expect(shape(shiftedTap(chain, 'a', 1))).toEqual(['>b', 'b>a', 'a>c']));
  test('earlier', () => expect(shape(shiftedTap(chain, 'c', -1))).toEqual(['>a', 'a>c', 'c>b']));
  test('beyond either end there is nothing', () => {
    expect(shiftedTap(chain, 'a', -1)).toBeNull();
    expect(shiftedTap(chain, 'c', 1)).toBeNull();
  });
  test('a segment that still joins the same two keeps its taped length, others lose it', () => {
    const next = shiftedTap([...chain, tap('d', 'c', 4)], 'a', 1);
    expect(next?.find((t) => t.id === 'd')?.tapedM).toBe(4);
    expect(next?.find((t) => t.id === 'b')?.tapedM).toBeNull();
  });
});

describe('hanging a tap on another', () => {
  test('a branch', () => expect(shape(tapHungOn(chain, 'c', 'a'))).toEqual(['>a', 'a>b', 'a>c']));
  test('on the way itself', () => expect(shape(tapHungOn(chain, 'b', null))).toEqual(['>a', '>b', 'b>c']));
  test('on a later one: the list is put in order', () => {
    const next = tapHungOn([tap('a', null), tap('b', null)], 'a', 'b');
    expect(shape(next)).toEqual(['>b', 'b>a']);
  });
  test('on itself, or on what hangs on it, never', () => {
    expect(tapHungOn(chain, 'a', 'a')).toBeNull();
    expect(tapHungOn(chain, 'a', 'c')).toBeNull();
  });
});

test('whatever is done, the list stays in order and no tap is lost or doubled', () => {
  const step = fc.record({ act: fc.constantFrom('off', 'on', 'later', 'earlier', 'hang'), pick: fc.nat(9), on: fc.nat(9) });
  fc.assert(
    fc.property(fc.array(step, { maxLength: 15 }), (steps) => {
      let taps: readonly Tap[] = chain;
      steps.forEach((s, i) => {
        const target = taps[s.pick % Math.max(1, taps.length)];
        const on = taps[s.on % Math.max(1, taps.length)];
        const before = taps.length;
        if (s.act === 'on') {
          taps = withTap(taps, tap(`n${i}`, null));
          expect(taps).toHaveLength(before + 1);
        } else if (target) {
          if (s.act === 'off') taps = withoutTaps(taps, new Set([target.id]));
          else if (s.act === 'hang') taps = tapHungOn(taps, target.id, on?.id ?? null) ?? taps;
          else taps = shiftedTap(taps, target.id, s.act === 'later' ? 1 : -1) ?? taps;
          expect(taps).toHaveLength(s.act === 'off' ? before - 1 : before);
        }
        expect(wellOrdered(taps)).toBe(true);
        expect(new Set(taps.map((t) => t.id)).size).toBe(taps.length);
      });
    }),
  );
});

describe('operations on a design', () => {
  const boat = withLoad(bareBoat('metric'), { name: 'Lamp' }, 4);
  const done = (ops: Parameters<typeof applyEdit>[1]['ops']): Design => {
    const next = applyEdit(boat, { ops });
    if (!next.ok) throw new Error('refused');
    return next.design;
  };
  const panel = (id: string) => ({ ...(boat.panels[0] as Design['panels'][number]), id });
  test('many rows come in their order, after what is there', () => {
    const rows = { panels: [panel('p1'), panel('p2')] };
    const next = done(addRows(boat, rows));
    expect(next.panels.map((p) => p.id)).toEqual(['main', 'panel', 'p1', 'p2']);
    expect(withRows(boat, rows)).toEqual(next);
    expect(withRows(boat, {})).toBe(boat);
  });
  test('a load goes with its tap, and what hung on that stays on the run', () => {
    const next = done(removeLoads(boat, ['x']));
    expect(next.loads).toEqual([]);
    expect(next.circuits.find((c) => c.id === 'c-x')?.taps).toEqual([]);
  });
  test('a panel goes with its feeder’s tap, but not while it feeds', () => {
    expect(removePanel(boat, 'main')).toBeNull();
    const next = done(removePanel(boat, 'panel') ?? []);
    expect(next.panels.map((p) => p.id)).toEqual(['main']);
    expect(next.circuits.find((c) => c.id === 'c-feed')?.taps).toEqual([]);
  });
  test('a tap to another circuit, or to one of its own from the same source', () => {
    const moved = done(moveTap(boat, 't-x', 'c-feed'));
    expect(moved.circuits.map((c) => c.taps.length)).toEqual([1, 2, 0]);
    const apart = done(tapApart(boat, 't-x', blankCircuit('own', '10', 'Lamp', { kind: 'bank', id: 'house' })));
    expect(apart.circuits.find((c) => c.id === 'own')).toMatchObject({
      from: { kind: 'panel', id: 'main' },
      taps: [{ id: 't-x', tapedM: null }],
    });
    expect(moveTap(boat, 'gone', 'c-feed')).toEqual([]);
    expect(moveTap(boat, 't-x', 'c-x')).toEqual([]);
  });
  test('ids are of no row there is', () => {
    const fresh = idsFor({ ...boat, panels: [...boat.panels, panel('p1')] });
    expect([fresh('p'), fresh('p')]).toEqual(['p2', 'p3']);
  });
});
