import fc from 'fast-check';
import type { Tap } from '@/core/design';
import { hungOn, shifted, withoutTap, withTap } from './taps';

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
  test('what hung on it hangs on what it hung on', () => expect(shape(withoutTap(chain, 'b'))).toEqual(['>a', 'a>c']));
  test('the first off leaves the next on the way itself', () => expect(shape(withoutTap(chain, 'a'))).toEqual(['>b', 'b>c']));
  test('the last off leaves the rest alone', () => expect(withoutTap(chain, 'c')).toEqual(chain.slice(0, 2)));
  test('a stranger changes nothing', () => expect(withoutTap(chain, 'z')).toEqual(chain));
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
  test('later', () => expect(shape(shifted(chain, 'a', 1))).toEqual(['>b', 'b>a', 'a>c']));
  test('earlier', () => expect(shape(shifted(chain, 'c', -1))).toEqual(['>a', 'a>c', 'c>b']));
  test('beyond either end there is nothing', () => {
    expect(shifted(chain, 'a', -1)).toBeNull();
    expect(shifted(chain, 'c', 1)).toBeNull();
  });
  test('a segment that still joins the same two keeps its taped length, others lose it', () => {
    const next = shifted([...chain, tap('d', 'c', 4)], 'a', 1);
    expect(next?.find((t) => t.id === 'd')?.tapedM).toBe(4);
    expect(next?.find((t) => t.id === 'b')?.tapedM).toBeNull();
  });
});

describe('hanging a tap on another', () => {
  test('a branch', () => expect(shape(hungOn(chain, 'c', 'a'))).toEqual(['>a', 'a>b', 'a>c']));
  test('on the way itself', () => expect(shape(hungOn(chain, 'b', null))).toEqual(['>a', '>b', 'b>c']));
  test('on a later one: the list is put in order', () => {
    const next = hungOn([tap('a', null), tap('b', null)], 'a', 'b');
    expect(shape(next)).toEqual(['>b', 'b>a']);
  });
  test('on itself, or on what hangs on it, never', () => {
    expect(hungOn(chain, 'a', 'a')).toBeNull();
    expect(hungOn(chain, 'a', 'c')).toBeNull();
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
          if (s.act === 'off') taps = withoutTap(taps, target.id);
          else if (s.act === 'hang') taps = hungOn(taps, target.id, on?.id ?? null) ?? taps;
          else taps = shifted(taps, target.id, s.act === 'later' ? 1 : -1) ?? taps;
          expect(taps).toHaveLength(s.act === 'off' ? before - 1 : before);
        }
        expect(wellOrdered(taps)).toBe(true);
        expect(new Set(taps.map((t) => t.id)).size).toBe(taps.length);
      });
    }),
  );
});
