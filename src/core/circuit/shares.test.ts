/** Where the volts of a whole path go, against the figures the tests use. */
import { pathOf } from '../analysis/testing';
import { blankLoad } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import type { WorkedCircuit } from './circuitResult';
import { type VoltsLost, voltsLost } from './shares';

const sumOf = (lost: VoltsLost | undefined, which: (s: VoltsLost['shares'][number]) => boolean = () => true): number =>
  (lost?.shares ?? []).filter(which).reduce((sum, s) => sum + s.volts, 0);

const thing = (load: Parameters<typeof withLoad>[1], m = 5) =>
  withLoad(bareBoat('metric'), { behaviour: 'current', ratingBy: 'A', ...load }, m);

describe('at working current', () => {
  const path = pathOf(thing({ rating: 8 }));
  const [work] = voltsLost(path);
  const last = path[path.length - 1] as WorkedCircuit;
  test('the shares are what lies between posts and load', () => {
    expect(work).toMatchObject({ when: 'at working current', postsV: 11.4, tap: 'Thing', bankSagV: null });
    expect(sumOf(work)).toBeCloseTo(11.4 - (work?.loadV ?? 0), 9);
  });
  test('its own copper, device and joints by hand: 8 A through each', () => {
    const ohm = last.result.warmOhm;
    expect(sumOf(work, (s) => s.own && s.part === 'devices')).toBeCloseTo(8 * ohm.head, 9);
    // Four joints of 0.03 mohm.
    expect(sumOf(work, (s) => s.own && s.part === 'joints')).toBeCloseTo(8 * 0.00012, 9);
    expect(sumOf(work, (s) => s.own && s.part === 'copper')).toBeCloseTo(8 * ((ohm.segments[0] ?? 0) - 0.00012), 9);
  });
  test('what stands before the way is split over its main, and sums to what the tests count', () =>
    expect(sumOf(work, (s) => !s.own)).toBeCloseTo(last.trial.input.upstreamDropV, 9));
  test('no share is negative', () => expect(work?.shares.every((s) => s.volts >= 0)).toBe(true));
  test('a heavier draw is lost in every part', () => {
    const [more] = voltsLost(
      pathOf(
        withLoad(bareBoat('metric'), { behaviour: 'current', ratingBy: 'A', rating: 9 }, 5, {
          pin: { size: { school: 'metric', size: '2.5' }, legs: 1, family: null, ratingA: null, ownDevices: false },
        }),
      ),
    );
    const [less] = voltsLost(
      pathOf(
        withLoad(bareBoat('metric'), { behaviour: 'current', ratingBy: 'A', rating: 6 }, 5, {
          pin: { size: { school: 'metric', size: '2.5' }, legs: 1, family: null, ratingA: null, ownDevices: false },
        }),
      ),
    );
    expect(sumOf(more, (s) => s.part === 'copper' && s.own)).toBeGreaterThan(1.49 * sumOf(less, (s) => s.part === 'copper' && s.own));
  });
});

test('what charges is charged with its own current alone', () => {
  const path = pathOf(thing({ rating: 10, group: 'charging', kind: null }));
  const [work] = voltsLost(path);
  expect(sumOf(work)).toBeCloseTo((work?.postsV ?? 0) - (work?.loadV ?? 0), 9);
});

test('a feeder shows its own run alone', () => {
  const path = pathOf(thing({ rating: 8 }), 'c-main');
  const [work] = voltsLost(path);
  expect(work?.shares.every((s) => s.own)).toBe(true);
  expect(sumOf(work)).toBeCloseTo((work?.postsV ?? 0) - (work?.loadV ?? 0), 9);
});

test('a start is counted from the sagged posts, the sag apart', () => {
  const [, start] = voltsLost(pathOf(thing({ rating: 20, surgeA: 80, surgeS: 1 })));
  expect(start).toMatchObject({ when: 'as it starts' });
  expect(start?.bankSagV).toBeGreaterThan(0.05);
  expect(sumOf(start)).toBeCloseTo((start?.postsV ?? 0) - (start?.loadV ?? 0), 9);
  // 85 % of 12 V is what it needs unless it says otherwise.
  expect(start?.limitV).toBeCloseTo((start?.postsV ?? 0) - 10.2, 9);
});

test('several taps: the volts to the worst of them, segment by segment', () => {
  const boat = thing({ rating: 5 });
  const second = {
    ...blankLoad('far', 12),
    name: 'Far',
    behaviour: 'current' as const,
    ratingBy: 'A' as const,
    rating: 3,
    placeId: boat.loads[0]?.placeId ?? null,
  };
  const design = {
    ...boat,
    loads: [...boat.loads, second],
    circuits: boat.circuits.map((c) =>
      c.id === 'c-x'
        ? {
            ...c,
            taps: [...c.taps, { id: 'tap-far', parent: c.taps[0]?.id ?? null, serves: { kind: 'load' as const, id: 'far' }, tapedM: 4 }],
          }
        : c,
    ),
  };
  const [work] = voltsLost(pathOf(design));
  expect(work?.tap).toBe('Far');
  expect(sumOf(work)).toBeCloseTo(11.4 - (work?.loadV ?? 0), 9);
});

test('nothing to say of a path that is not there', () => expect(voltsLost([])).toEqual([]));
