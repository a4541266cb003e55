/** Measured days: read, held beside the boat's own, and learned from, against a truth that is known. */
import { blankBank, blankDesign, blankLoad, type Design, designOfKind } from '../design';
import { meterCsv, meterDay } from '../monitoring';
import { random } from '../solve';
import { withProposals } from '@/testing/usualBoat';
import { besideDays } from './beside';
import { learn } from './learn';
import { asCsv, matchHeads, ofHeard, readRows, timeOf } from './series';

const rowsOf = (csv: string): string[][] => csv.split('\r\n').map((l) => l.split(','));
let n = 0;
const boat: Design = withProposals(
  designOfKind('coastal', { name: 'Turnstone', school: 'metric', lengthM: 11, beamM: 3.5, systemV: 12 }),
  (prefix) => `${prefix}q${++n}`,
);
const MIDNIGHT = Date.UTC(2026, 4, 31);

test('what was heard is kept as it came: without volts or amps it is none, nor what runs back; it reads again the same', () => {
  const at = (s: number) => MIDNIGHT + 1000 * s;
  const series = ofHeard([
    { at: at(0), volts: 12.61, amps: -4, soc: 0.8 },
    { at: at(1), volts: null, amps: -4, soc: 0.8 },
    { at: at(2), volts: 12.6, amps: -5, soc: null },
    { at: at(1), volts: 12.6, amps: -5, soc: null },
    { at: at(3), volts: 12.6, amps: 6, soc: 0.79 },
  ]);
  expect([...series.at]).toEqual([at(0), at(2), at(3)]);
  const [heads = [], ...rows] = asCsv(series)
    .trim()
    .split('\n')
    .map((l) => l.split(','));
  const again = readRows(rows, matchHeads(heads), false).series;
  expect([...again.amps]).toEqual([-4, -5, 6]);
  expect(again.soc[0]).toBeCloseTo(0.8, 9);
  expect(again.soc[1]).toBeNaN();
});

describe('reading', () => {
  const heads = ['time', 'volts', 'amps', 'soc'];
  const row = (minute: number, v: number, a: number) => [new Date(MIDNIGHT + minute * 60_000).toISOString(), String(v), String(a), '80'];
  test('heads in several words', () => {
    expect(matchHeads(heads)).toEqual({ time: 0, volts: 1, amps: 2, soc: 3, further: {} });
    expect(matchHeads(['Datum', 'Strom (A)', 'Spannung (V)'])).toEqual({ time: 0, volts: 2, amps: 1, soc: null, further: {} });
    expect(matchHeads(['x', 'y'])).toEqual({ time: null, volts: null, amps: null, soc: null, further: {} });
  });
  test('times as they are written', () => {
    expect(timeOf('2026-05-31 14:00')).toBe(Date.UTC(2026, 4, 31, 14));
    expect(timeOf('2026-05-31T14:00:00+02:00')).toBe(Date.UTC(2026, 4, 31, 12));
    expect(timeOf('1780236000')).toBe(1_780_236_000_000);
    expect(timeOf('yesterday')).toBeNaN();
  });
  test('what is no reading is dropped, what runs back is left out, holes are told', () => {
    const rows = [
      row(0, 12.5, -5),
      ['nonsense'],
      row(1, 12.5, -5),
      row(0, 12.5, -5),
      row(2, 12.5, -5),
      row(30, 12.5, -5),
      row(31, 12.4, -6),
    ];
    const read = readRows(rows, matchHeads(heads));
    expect(read).toMatchObject({ rows: 7, dropped: 1, back: 1, stepS: 60 });
    expect(read.gaps).toEqual([{ from: MIDNIGHT + 2 * 60_000, to: MIDNIGHT + 30 * 60_000 }]);
    expect(read.series.at).toHaveLength(5);
    expect(read.series.soc[0]).toBeCloseTo(0.8, 9);
  });
  test('the sign of the current is found, turned, and asked where nobody can say', () => {
    const wavy = Array.from({ length: 200 }, (_, k) => row(k, 12.5 + 0.1 * Math.sin(k), 10 * Math.sin(k)));
    const turned = wavy.map(([t, v, a, s]) => [t ?? '', v ?? '', String(-Number(a)), s ?? '']);
    const [into, out] = [readRows(wavy, matchHeads(heads)), readRows(turned, matchHeads(heads))];
    expect([into.sign, out.sign]).toEqual(['into the bank', 'out of the bank']);
    expect(out.series.amps[7]).toBeCloseTo(into.series.amps[7] ?? NaN, 9);
    expect(
      readRows(
        wavy.map(([t, , a, s]) => [t ?? '', '12.5', a ?? '', s ?? '']),
        matchHeads(heads),
      ).sign,
    ).toBe('unclear');
  });
});

describe('beside the boat’s own days', () => {
  const living = boat.living.find((l) => l.name === 'motoring')?.id ?? '';
  const csv = (faults: Parameters<typeof meterDay>[3] = []) => rowsOf(meterCsv(meterDay(boat, 'house', living, faults, 3) ?? [], MIDNIGHT));
  test('a day that was simulated is found again: its way of living, its amp-hours', () => {
    const [heads = [], ...rows] = csv();
    const [day, more] = besideDays(boat, 'house', readRows(rows, matchHeads(heads)).series);
    expect(more).toBeUndefined();
    expect(day).toMatchObject({ livingId: living, part: 1 });
    expect(day?.offA).toBeLessThan(0.2);
    expect(day?.why).toEqual([]);
    // The boat's own day, read back, draws at night what is expected of it.
    const night = learn(boat, 'house', readRows(rows, matchHeads(heads)).series).figures.find((f) => f.id === 'standing');
    expect(Number.parseFloat(night?.was ?? '')).toBeCloseTo(Number.parseFloat(night?.is ?? ''), 0);
    expect(day?.outAh).toBeCloseTo(day?.expectedOutAh ?? NaN, 0);
  });
  test('two amps drawn round the shunt all day: 48 Ah of difference, in and out together', () => {
    const [heads = [], ...rows] = csv(['drawn round the shunt']);
    const [day] = besideDays(boat, 'house', readRows(rows, matchHeads(heads)).series);
    const off = (day?.inAh ?? 0) - (day?.outAh ?? 0) - ((day?.expectedInAh ?? 0) - (day?.expectedOutAh ?? 0));
    expect(off).toBeCloseTo(48, 0);
    expect(day?.why).toHaveLength(1);
    expect(day?.why[0]).toMatch(/^2\.0 A less going out, the same all day: something drawn round the shunt/);
  });
});

/** A bank of 12 mΩ at 12.6 V: 1.2 A always, a fridge of 5 A twenty minutes of each hour, a pump of 12 A six minutes at seven. */
function truth(days: number, seed: number): { readonly design: Design; readonly rows: string[][] } {
  const base = blankDesign('Known', 'metric', 10, 3, 12);
  const load = (id: string, name: string, rating: number, standbyA: number | null = null) => ({
    ...blankLoad(id, 12),
    name,
    ratingBy: 'A' as const,
    rating,
    behaviour: 'current' as const,
    standbyA,
    placeId: 'saloon',
  });
  const loads = [
    load('fridge', 'Fridge', 4.6),
    load('pump', 'Pump', 13),
    load('tracker', 'Tracker', 0.3, 0.3),
    load('a', 'Fan', 2),
    load('b', 'Other fan', 2.1),
  ];
  const design: Design = {
    ...base,
    banks: [blankBank('house', 12, 'saloon')],
    loads,
    circuits: loads.map((l) => ({
      ...(boat.circuits[0] as Design['circuits'][number]),
      id: `c-${l.id}`,
      name: l.name,
      from: { kind: 'bank', id: 'house' },
      devices: [],
      taps: [{ id: `t-${l.id}`, parent: null, serves: { kind: 'load', id: l.id }, tapedM: 2 }],
    })),
  };
  const dice = random(seed, 3);
  const rows = Array.from({ length: days * 1440 }, (_, k) => {
    const [minute, hour] = [k % 60, Math.floor(k / 60) % 24];
    const amps = -(1.2 + (minute < 20 ? 5 : 0) + (hour === 7 && minute >= 40 && minute < 46 ? 12 : 0)) + 0.05 * dice.normal();
    const volts = 12.6 + 0.012 * amps + 0.002 * dice.normal();
    return [new Date(MIDNIGHT + k * 60_000).toISOString(), volts.toFixed(3), amps.toFixed(2)];
  });
  return { design, rows };
}

describe('learned', () => {
  const { design, rows } = truth(8, 1);
  const told = learn(design, 'house', readRows(rows, matchHeads(['time', 'volts', 'amps'])).series);
  const figure = (id: string) => told.figures.find((f) => f.id === id);
  test('what draws always, from eight nights', () => {
    expect(figure('standing')?.n).toBe(8);
    expect(Number.parseFloat(figure('standing')?.is ?? '')).toBeCloseTo(1.2, 1);
  });
  test('12 mΩ from the steps of the loads, with its spread', () => {
    expect(Number.parseFloat(figure('bank-ohm')?.is ?? '')).toBeCloseTo(12, 0);
    expect(figure('bank-ohm')?.n).toBeGreaterThan(100);
    expect(figure('bank-ohm')?.ops).toHaveLength(1);
  });
  test('the fridge and the pump by their steps, with hours within a tenth', () => {
    const of = (name: string) => told.seen.find((s) => s.name === name);
    expect(of('Fridge')?.amps).toBeCloseTo(5, 1);
    expect(of('Fridge')?.duty).toBeGreaterThan(0.3);
    expect(of('Fridge')?.duty).toBeLessThan(0.3667);
    expect(of('Pump')?.times).toBe(8);
    expect(figure('load-fridge')).toMatchObject({ was: '4.6 A, estimated', is: '5 A' });
  });
  test('two fans too alike are told as one group, and neither is named', () => {
    expect(told.alike).toEqual([['Fan', 'Other fan']]);
    expect(told.seen.map((s) => s.name)).not.toContain('Fan');
  });
  test('a draw that nobody listed is left unexplained', () => {
    const without: Design = {
      ...design,
      loads: design.loads.filter((l) => l.id !== 'fridge'),
      circuits: design.circuits.filter((c) => c.id !== 'c-fridge'),
    };
    const left = learn(without, 'house', readRows(rows, matchHeads(['time', 'volts', 'amps'])).series).unexplained;
    expect(left[0]?.amps).toBe(5);
    expect(told.unexplained).toEqual([]);
  });
});
