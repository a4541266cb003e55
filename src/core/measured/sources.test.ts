/** Sources with columns of their own: an alternator's curve, the way to the bank, what each gave a day; by hand. */
import { alternatorAt } from '../charging';
import { applyEdit, blankBank, blankDesign, blankLiving, blankLoad, blankSource, blankSpan, type Design } from '../design';
import { meterDay } from '../monitoring';
import { learn } from './learn';
import { residuals } from './residuals';
import { asCsv, type Further, matchHeads, type Measured, readRows } from './series';
import { withoutSources } from './sources';

const base = blankDesign('Known', 'metric', 10, 3, 12);
const alternator = { ...blankSource('alt', 'alternator', 12, 'house'), name: 'Port alternator' };
const design: Design = {
  ...base,
  banks: [{ ...blankBank('house', 12, 'saloon'), blockAh: 200 }],
  sources: [alternator, { ...blankSource('sun', 'solar', 12, 'house'), name: 'Arch' }],
};
const own = alternator.alternator;
if (!own) throw new Error('an alternator');

/** A reading a minute. */
const minutes = (n: number, of: Partial<Record<'volts' | 'amps' | Further, (k: number) => number>>): Measured => {
  const list = (key: keyof typeof of, or: number) => Float64Array.from({ length: n }, (_, k) => of[key]?.(k) ?? or);
  const further = Object.fromEntries(
    (Object.keys(of) as (keyof typeof of)[]).flatMap((key) => (key === 'volts' || key === 'amps' ? [] : [[key, list(key, NaN)]])),
  );
  const at = Float64Array.from({ length: n }, (_, k) => k * 60_000);
  return { at, volts: list('volts', 13), amps: list('amps', 0), soc: new Float64Array(n).fill(NaN), further };
};
const figure = (series: Measured, id: string) => learn(design, 'house', series).figures.find((f) => f.id === id);

test('heads name a source by its name or its id; as it is kept it reads again', () => {
  const heads = ['time', 'Port alternator, amps', 'volts', 'amps', 'Engine rpm', 'Port alternator volts'];
  const match = matchHeads(heads, design.sources);
  expect(match).toEqual({
    time: 0,
    volts: 2,
    amps: 3,
    soc: null,
    further: { rpm: 4, 'amps of alt': 1, 'volts of alt': 5 },
  });
  const { series } = readRows([['2026-05-31 14:00', '40', '13.1', '30', '1500', '13.6']], match, false);
  const [first = '', ...lines] = asCsv(series).trim().split('\n');
  expect(first.split(',').slice(4).sort()).toEqual(['amps of alt', 'rpm', 'volts of alt']);
  const again = readRows(
    lines.map((l) => l.split(',')),
    matchHeads(first.split(','), design.sources),
    false,
  ).series;
  expect([again.further.rpm?.[0], again.further['amps of alt']?.[0], again.further['volts of alt']?.[0], again.amps[0]]).toEqual([
    1500, 40, 13.6, 30,
  ]);
  // A file without any is as it was.
  expect(matchHeads(['time', 'volts', 'amps'], design.sources).further).toEqual({});
});

describe('an alternator’s curve', () => {
  /** Its engine at two speeds, half an hour each; it gives four fifths of what the design says, warm, and all of it for the first ten minutes. */
  const turns = (k: number) => (k < 30 ? 1250 : k < 60 ? 1750 : 0);
  const says = (k: number) => (turns(k) > 0 ? alternatorAt(own, 12, turns(k), 0, Infinity).hotA : 0);
  const days = (volts: (k: number) => number) =>
    minutes(70, { rpm: turns, volts, 'amps of alt': (k) => (k < 10 ? 1 : 0.8) * says(k), amps: (k) => says(k) });
  test('four fifths of what it says, warm: all of its points, those it never ran at too', () => {
    const told = figure(
      days(() => 13.2),
      'curve-alt',
    );
    expect(told?.value).toBeCloseTo(80, 6);
    // 1250 turns of the engine are 2500 of its own, 1750 are 3500: 20 readings after the first ten minutes, and 30.
    expect(told?.n).toBe(50);
    expect(told?.was).toBe('50 A at 2500, 66 A at 3500');
    expect(told?.is).toBe('40 A at 2500, 52.8 A at 3500');
    const taken = applyEdit(design, { ops: [...(told?.ops ?? [])] });
    if (!taken.ok) throw new Error('refused');
    const source = taken.design.sources[0];
    expect(source?.mark).toBe('measured');
    expect(source?.alternator?.curve.map((p) => p.amps)).toEqual(own.curve.map((p) => Number((0.8 * p.amps).toPrecision(3))));
  });
  test('while its volts are held it says nothing of its curve', () =>
    expect(
      figure(
        days(() => 14.4),
        'curve-alt',
      ),
    ).toBeUndefined());
});

describe('the way from a source to the bank', () => {
  test('10 mΩ out and back, whatever the meters’ zeros differ by', () => {
    const amps = (k: number) => 5 + (k % 40);
    const series = minutes(200, { volts: () => 13.2, 'amps of alt': amps, 'volts of alt': (k) => 13.2 + 0.07 + 0.01 * amps(k) });
    const told = figure(series, 'path-alt');
    expect(told?.value).toBeCloseTo(10, 6);
    expect(told?.ops).toEqual([{ op: 'set', path: ['sources', 'alt', 'pathMohm'], from: null, to: 10 }]);
  });
  test('always the same amps: no line can be laid through them', () =>
    expect(figure(minutes(200, { volts: () => 13.2, 'amps of alt': () => 30, 'volts of alt': () => 13.5 }), 'path-alt')).toBeUndefined());
});

test('what sources give is taken off before loads are looked for; what has no column is not', () => {
  const series = minutes(3, { amps: () => 10, 'amps of alt': (k) => (k === 1 ? NaN : 16) });
  expect([...withoutSources(design, 'house', series).amps]).toEqual([-6, 10, -6]);
  expect(withoutSources(design, 'house', minutes(3, {})).amps).toHaveLength(3);
});

test('a day by source and by load: what was measured beside what her days say', () => {
  const living = { ...blankLiving('day', 'anchor'), day: [blankSpan('e', 'engine', 8, 10, 1750)] };
  const pump = { ...blankLoad('pump', 12), name: 'Pump', ratingBy: 'A' as const, rating: 10, hours: { day: 3 } };
  const boat: Design = { ...design, living: [living], loads: [pump] };
  const series = minutes(1440, { 'amps of alt': (k) => (k >= 480 && k < 600 ? 20 : 0) });
  const day = {
    at: 0,
    livingId: 'day',
    livingName: 'anchor',
    part: 1,
    inAh: 0,
    outAh: 0,
    expectedInAh: 0,
    expectedOutAh: 0,
    offA: 0,
    why: [],
  };
  const seen = [{ name: 'Pump', loadIds: ['pump'], amps: 9, times: 12, duty: 0.25 }];
  const none = { figures: [], seen: [], alike: [], unexplained: [] };
  const rows = residuals(boat, 'house', series, [day], { figures: [], seen, alike: [], unexplained: [] });
  const [alt, load] = [rows.find((r) => r.id === 'alt'), rows.find((r) => r.id === 'pump')];
  // Two hours of 20 A; six hours of 9 A, where three of 10 A are entered.
  expect(alt?.measuredAh).toBeCloseTo(40, 1);
  expect(alt?.expectedAh).toBeGreaterThan(60);
  expect([load?.measuredAh, load?.expectedAh]).toEqual([54, 30]);
  expect(load?.by).toBe('12 steps of 9 A');
  // Her own simulated day beside itself: nothing differs.
  const own = meterDay(boat, 'house', 'day') ?? [];
  const same = residuals(boat, 'house', minutes(1440, { 'amps of alt': (k) => own[k]?.gives.alt ?? 0 }), [day], none);
  expect(same[0]?.measuredAh).toBeGreaterThan(60);
  expect(Math.abs((same[0]?.measuredAh ?? 0) - (same[0]?.expectedAh ?? NaN))).toBeLessThan(0.2);
  // The sun has no column: nothing is said of it.
  expect(rows.map((r) => r.id).sort()).toEqual(['alt', 'pump']);
  expect(residuals(boat, 'house', series, [], { figures: [], seen, alike: [], unexplained: [] })).toEqual([]);
});
