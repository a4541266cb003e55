import { bareBoat, withLoad } from '../design/testing';
import { circuitFindings } from './testing';
import { analyse } from './analysis';
import { grownAsBuilt, whatIfItGrows } from './grow';
import { swapGrowth } from './swapGrowth';
import { blankSource, type Design } from '../design';
import { proposeMainSide } from '../propose';

const boat = (to: object = {}, lengthM = 5): Design =>
  withLoad(bareBoat('metric'), { rating: 60, placeId: 'saloon', supply: 'house switch', ...to }, lengthM);
const lineOf = (design: Design, growth: Parameters<typeof whatIfItGrows>[1], id = 'c-x') =>
  whatIfItGrows(design, growth).find((l) => l.id === id);

test('a little more passes still, and the figures before and after are told', () => {
  const line = lineOf(boat(), { load: { id: 'x', by: 1.05 } });
  expect(line).toMatchObject({ verdict: 'passes still', failing: [] });
  expect((line?.afterA ?? 0) / (line?.beforeA ?? 1)).toBeCloseTo(1.05, 9);
});
test('what stands, grown, carries what the line says', () => {
  const growth = { load: { id: 'x', by: 1.05 } };
  const there = analyse(grownAsBuilt(boat(), growth));
  expect(there.circuits.find((c) => c.id === 'c-x')?.workingA).toBe(lineOf(boat(), growth)?.afterA);
  expect(there.circuits.find((c) => c.id === 'c-x')?.own.ladder.pinned).toBe(true);
});
test('four times as much fails what stands, and what it would take is told', () => {
  const line = lineOf(boat(), { load: { id: 'x', by: 4 } });
  expect(line?.verdict).toBe('fails now');
  expect(line?.failing).toContain('device');
  expect(line?.wantsA).toBeGreaterThan(line?.deviceA ?? 0);
});
test('what is shared upstream is tested too', () =>
  expect(whatIfItGrows(boat(), { load: { id: 'x', by: 4 } }).map((l) => l.id)).toEqual(expect.arrayContaining(['c-main', 'c-x'])));
test('what it does not touch is not listed', () =>
  expect(whatIfItGrows(boat(), { load: { id: 'x', by: 2 } }).map((l) => l.id)).not.toContain('c-feed'));
test('a longer run, taped or only estimated', () => {
  expect(lineOf(boat({ critical: true }), { run: { circuitId: 'c-x', by: 6 } })?.failing).toContain('drop');
  const estimated = boat({ critical: true });
  const untaped = { ...estimated, circuits: estimated.circuits.map((c) => ({ ...c, taps: c.taps.map((t) => ({ ...t, tapedM: null })) })) };
  expect(lineOf(untaped, { run: { circuitId: 'c-x', by: 30 } })?.failing).toContain('drop');
});
test('shrunk, what stands is larger than needed', () =>
  expect(lineOf(boat({ rating: 600 }), { load: { id: 'x', by: 0.2 } })?.verdict).toBe('larger than needed'));
test('a pin that fails today is told as failing before', () => {
  const design = boat({ rating: 240 });
  const pinned = {
    ...design,
    circuits: design.circuits.map((c) =>
      c.id === 'c-x' ? { ...c, pin: { ...c.pin, size: { school: 'metric' as const, size: '0.75' } } } : c,
    ),
  };
  expect(lineOf(pinned, { load: { id: 'x', by: 1.1 } })?.verdict).toBe('failed before');
});
test('everything at once grows the main by as much', () => {
  const line = lineOf(boat(), { everything: 1.2 }, 'c-main');
  expect((line?.afterA ?? 0) / (line?.beforeA ?? 1)).toBeCloseTo(1.2, 9);
});

describe('sources', () => {
  const charger = (amps: number): Design =>
    withLoad(
      withLoad(bareBoat('metric'), { rating: 5, ratingBy: 'A', behaviour: 'current', placeId: 'saloon', supply: 'house switch' }, 4),
      {
        id: 'alt',
        name: 'Alternator',
        group: 'charging',
        rating: amps,
        ratingBy: 'A',
        behaviour: 'current',
        critical: true,
        placeId: 'engine',
        supply: 'always live',
      },
      3,
      { id: 'c-alt', name: 'Alternator' },
    );
  const circuitOf = (design: Design, id: string) => analyse(design).circuits.find((c) => c.id === id);
  test('what charges is no load: it is in no daily need and no discharge, but the feeder carries it', () => {
    const design = charger(80);
    const needy = { ...design, loads: design.loads.map((l) => ({ ...l, hours: { anchor: 10 } })) };
    expect(analyse(needy).balance.needs[0]?.needAh).toBe(50);
    // Loads ask 5 A x 0.7, never less than the largest: 5 A. 80 A come the other way.
    expect(circuitOf(design, 'c-main')?.demand).toMatchObject({ loadsA: 5, chargingA: 80, demandA: 80 });
    expect(circuitOf(charger(2), 'c-main')?.workingA).toBe(5);
  });
  test('its drop is its own current over its own path, within the charging limit', () => {
    const alt = circuitOf(charger(80), 'c-alt');
    expect(alt?.own.state.drop.worst?.limitPct).toBe(3);
    expect(alt?.own.state.failing).toEqual([]);
    expect(circuitFindings(charger(80), 'c-alt').map((f) => f.id)).toContain('source-alt:c-alt');
  });
  test('the lamp’s drop is not the worse for it', () => {
    const drop = (d: Design) => circuitOf(d, 'c-x')?.own.state.drop.worst?.dropV ?? 0;
    expect(drop(charger(80))).toBeLessThanOrEqual(drop(charger(1)) + 1e-9);
  });
  test('a bigger alternator: its cable, device and the main are tested as they stand', () => {
    const lines = whatIfItGrows(charger(80), { load: { id: 'alt', by: 2 } });
    expect(lines.map((l) => l.id).sort()).toEqual(['c-alt', 'c-main']);
    expect(lines.find((l) => l.id === 'c-alt')).toMatchObject({ verdict: 'fails now', beforeA: 80, afterA: 160 });
  });
});

describe('a larger alternator on leads of the main side', () => {
  let n = 0;
  const bare = bareBoat('metric');
  const withAlternator: Design = {
    ...bare,
    sources: [{ ...blankSource('alt', 'alternator', 12, 'house'), name: 'Alternator', ratedA: 80 }],
  };
  const design: Design = { ...withAlternator, ...proposeMainSide(withAlternator, (p) => `${p}${++n}`) };
  const [alternator] = design.sources;
  if (!alternator) throw new Error('no alternator');
  const growth = swapGrowth(design, alternator, { ...alternator, ratedA: 200 });
  const lines = growth ? whatIfItGrows(design, growth) : [];
  const line = (name: string) => lines.find((l) => l.name === name);
  test('its output and its return are tested as they stand, with what they would take', () => {
    expect(growth).toEqual({ source: { id: 'alt', by: 2.5 } });
    expect(line('Alternator output')).toMatchObject({ verdict: 'fails now', beforeA: 80, afterA: 200 });
    expect(line('Alternator output')?.failing).toEqual(expect.arrayContaining(['current, heat', 'device']));
    expect(line('Alternator output')?.wantsA).toBeGreaterThanOrEqual(250);
    expect(line('Engine negative')).toMatchObject({ verdict: 'fails now', beforeA: 80, afterA: 200, deviceA: 0 });
    expect(line('Bonding joint')).toBeUndefined();
  });
  test('a candidate in the list is compared, not summed: the answer is as without it', () => {
    const candidate = { ...alternator, id: 'candidate', name: 'Larger alternator', ratedA: 200 };
    const listed: Design = { ...design, sources: [...design.sources, candidate] };
    const swapped = swapGrowth(listed, alternator, candidate);
    expect(swapped).toEqual({ source: { id: 'alt', by: 2.5, without: 'candidate' } });
    expect(swapped && whatIfItGrows(listed, swapped)).toEqual(lines);
  });
  test('one that gives no more changes nothing; one on nothing cannot be asked', () => {
    expect(swapGrowth(design, alternator, { ...alternator, ratedA: 70 })).toBeNull();
    expect(swapGrowth(withAlternator, alternator, { ...alternator, ratedA: 200 })).toBeNull();
  });
});
