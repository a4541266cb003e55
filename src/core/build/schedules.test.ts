/** Lists for the hands: panels, switches, what comes out, where cables pass. */
import { analyse } from '../analysis';
import { blankFault, blankCircuit, blankDevice, blankFound, blankRoute, type Circuit, type Design, type Route } from '../design';
import { bareBoat, withLoad } from '../design/testing';
import { mostFill, penetrations, routeResult } from './routes';
import { foundCopperOhm, foundLists, panelSchedule, switchSchedule } from './schedules';

const base = withLoad(bareBoat('metric'), { rating: 60, placeId: 'saloon', supply: 'house switch' }, 5);
const change = (to: Partial<Circuit>): Design => ({ ...base, circuits: base.circuits.map((c) => (c.id === 'c-x' ? { ...c, ...to } : c)) });
const results = (design: Design) => analyse(design).circuits;

describe('a panel’s schedule', () => {
  const onPanel = change({ from: { kind: 'panel', id: 'panel' }, way: 3 });
  const panel = (design: Design) => {
    const row = design.panels.find((p) => p.id === 'panel');
    if (!row) throw new Error('no panel');
    return panelSchedule(design, results(design), row);
  };
  test('each circuit stands at its way, the rest is spare', () => {
    const schedule = panel(onPanel);
    expect(schedule.ways).toHaveLength(40);
    expect(schedule.ways[2]).toMatchObject({ way: 3, name: 'Thing', circuitId: 'c-x', device: 'panel breaker' });
    expect(schedule.spare).toBe(39);
  });
  test('a circuit without a way takes the first free one; two at one way do not hide each other', () => {
    const crowd: Design = {
      ...onPanel,
      circuits: [
        ...onPanel.circuits,
        { ...blankCircuit('a', '20', 'A', { kind: 'panel', id: 'panel' }), way: 3 },
        { ...blankCircuit('b', '21', 'B', { kind: 'panel', id: 'panel' }) },
      ],
    };
    expect(
      panel(crowd)
        .ways.slice(0, 4)
        .map((w) => w.name),
    ).toEqual(['A', 'B', 'Thing', 'spare']);
  });
  test('more circuits than ways are all shown', () => {
    const small = { ...onPanel, panels: onPanel.panels.map((p) => ({ ...p, ways: 1 })) };
    expect(
      panel({ ...small, circuits: [...small.circuits, { ...blankCircuit('b', '21', 'B', { kind: 'panel', id: 'panel' }) }] }).ways,
    ).toHaveLength(2);
  });
  test('amps to spare are those of the feeder’s device or the bus bar, whichever is less', () => {
    const free = panel(onPanel);
    const feeder = results(onPanel).find((c) => c.id === 'c-feed');
    expect(free.spareA).toBeCloseTo((feeder?.own.protection.ratingA ?? 0) - (feeder?.workingA ?? 0), 9);
    const weak = panel({ ...onPanel, panels: onPanel.panels.map((p) => ({ ...p, maxTotalA: 6 })) });
    expect(weak.limitedBy).toBe('its bus bar');
    expect(weak.spareA).toBeCloseTo(6 - 60 / 11.4, 9);
  });
});

test('the switch schedule names what each carries and takes; a diode is no switch', () => {
  const design = change({
    devices: [
      { ...blankDevice('s', 'lit switch'), ratingA: 10, placeId: 'chart', largest: { school: 'metric', size: '4' } },
      blankDevice('d', 'diode'),
      { ...blankDevice('f', 'float switch'), bypass: true },
    ],
  });
  const lines = switchSchedule(design, results(design));
  expect(lines.map((l) => l.kind)).toEqual(['lit switch', 'float switch']);
  expect(lines[0]).toMatchObject({ place: 'Chart table', ratingA: 10, largest: '4 mm²', note: 'its lamp needs a negative of its own' });
  expect(lines[0]?.carriesA).toBeCloseTo(60 / 11.4, 9);
  expect(lines[1]?.note).toContain('manual bypass');
});

describe('what was found', () => {
  const found = {
    ...blankFound('metric'),
    sizeKnown: true,
    size: { school: 'metric' as const, size: '2.5' },
    lengthM: 8,
    faults: [blankFault('a', 'green', 10), blankFault('b', 'colour')],
  };
  const lists = (decision: 'keep' | 'replace' | 'remove' | 'undecided', to: Partial<Circuit> = {}) => {
    const design = change({ found: { ...found, decision }, ...to });
    return foundLists(design, results(design));
  };
  test('replaced and removed is stripped out, with its copper', () => {
    // 2 x 8 m x 32 kg/km = 0.512 kg
    expect(lists('replace').stripOut).toMatchObject([
      { cable: '2.5 mm²', lengthM: 8, massKg: 0.512, faults: 'green copper, misleading colour' },
    ]);
    expect(lists('remove').stripOut).toHaveLength(1);
  });
  test('kept is used again, shorter by what is cut back at its bad end', () => {
    const [line] = lists('keep').reuse;
    expect(line?.leftM).toBeCloseTo(7.85, 12);
    // (60 / 11.4)^2 x 10 mohm
    expect(line?.heatW).toBeCloseTo((60 / 11.4) ** 2 * 0.01, 9);
  });
  test('what leads nowhere known is listed apart, unless it comes out', () => {
    expect(lists('undecided', { taps: [] }).unidentified).toHaveLength(1);
    expect(lists('remove', { taps: [] })).toMatchObject({ unidentified: [], stripOut: [{ lengthM: 8 }] });
  });
  test('undecided is in none of them', () => expect(Object.values(lists('undecided')).flat()).toEqual([]));
  test('what a meter should read across sound copper', () =>
    // 2 x 8 m x 8.21 ohm/km
    expect(foundCopperOhm({ school: 'metric', size: '2.5' }, 8)).toBeCloseTo(0.13136, 9));
});

describe('where cables run', () => {
  const route = (to: Partial<Route>): Route => ({ ...blankRoute('r'), circuitIds: ['c-x'], drawLine: false, ...to });
  const of = (to: Partial<Route>, design = base) => routeResult(design, results(design), route(to));
  const od = results(base).find((c) => c.id === 'c-x')?.own.state.conductor.odMm ?? 0;

  test('two single conductors fill what their rounds fill', () => {
    const result = of({ boreMm: 16 });
    expect(result.filledMm2).toBeCloseTo((2 * Math.PI * od ** 2) / 4, 9);
    expect(result.fill).toBeCloseTo((2 * od ** 2) / 16 ** 2, 12);
    expect(result).toMatchObject({ mostFill: 0.31, passes: true, bundled: 2 });
  });
  test('too small a bore names the one that would do, and that one passes', () => {
    const tight = of({ boreMm: 5 });
    expect(tight.passes).toBe(false);
    expect(of({ boreMm: tight.needsBoreMm ?? 0 }).passes).toBe(true);
    expect(of({ boreMm: (tight.needsBoreMm ?? 0) - 1 }).passes).toBe(false);
  });
  test('the draw line takes its room', () => expect(of({ drawLine: true }).filledMm2 - of({}).filledMm2).toBeCloseTo((Math.PI * 9) / 4, 9));
  test.each([
    ['conduit', 1, 0.53],
    ['conduit', 2, 0.31],
    ['conduit', 3, 0.4],
    ['trunking', 9, 0.45],
    ['gland', 1, 1],
  ] as const)('%s with %d: %d', (kind, pieces, most) => expect(mostFill(kind, pieces)).toBe(most));
  test('a quarter kept free by the house: of 31 % 23.25; a gland keeps its whole', () => {
    const spare: Design = { ...base, house: { ...base.house, spareFillPct: 25 } };
    expect(of({ boreMm: 16 }, spare).mostFill).toBeCloseTo(0.75 * 0.31, 9);
    expect(of({ kind: 'gland' }, spare).mostFill).toBe(1);
    const tight = Math.sqrt((2 * od ** 2) / 0.29);
    expect(of({ boreMm: tight }).passes).toBe(true);
    expect(of({ boreMm: tight }, spare).passes).toBe(false);
  });
  test('no cord is asked for where the house leaves none', () => {
    const none: Design = { ...base, house: { ...base.house, drawLines: false } };
    expect(of({}).notes).toContain('leave a draw line in');
    expect(of({}, none).notes).not.toContain('leave a draw line in');
  });
  test('notes say what a hand would', () => {
    expect(of({ kind: 'gland' }).notes.join()).toContain('one cable');
    expect(of({ bends: 5 }).notes.join()).toContain('5 bends');
    expect(of({}).notes.join()).toContain('draw line');
    expect(of({}).notes.join()).toContain('lying open');
    expect(of({ kind: 'bulkhead' }).notes.join()).toContain('bush');
  });
  test('a circuit that is gone is no cable', () =>
    expect(of({ circuitIds: ['nobody'] })).toMatchObject({ cables: [], fill: 0, passes: true }));
  test('penetrations: a sheathed cable takes a gland of its round, singles a hole for both', () => {
    const design = { ...change({ sheathed: true }), routes: [route({ kind: 'gland', name: 'Foredeck gland', placeId: 'bow' })] };
    const size = results(design).find((c) => c.id === 'c-x')?.own.state.conductor.odMm ?? 0;
    expect(penetrations(design, results(design))).toMatchObject([
      { route: 'Foredeck gland', place: 'Bow locker', clampMm: Math.round((2 * size + 1.4) * 10) / 10 },
    ]);
    const open = { ...base, routes: [route({ kind: 'bulkhead' })] };
    expect(penetrations(open, results(open))[0]?.holeMm).toBe(Math.ceil(2 * od * 1.2 + 1));
    expect(penetrations({ ...base, routes: [route({ kind: 'conduit' })] }, results(base))).toEqual([]);
  });
});
