/** Readings over the years: the line through them, the day it crosses, what falls outside. Figures by hand. */
import type { BoatRecord, Design } from '../design';
import { bareBoat } from '../design/testing';
import { trendFindings, trendsOf } from './trends';

const YEAR = 365.25 * 86_400_000;
const from = Date.UTC(2022, 0, 1);
let n = 0;
const read = (thing: string, years: number, value: number, more: Record<string, string | number> = {}): BoatRecord => ({
  id: `reading-${++n}`,
  kind: 'reading',
  thing,
  at: Math.round(from + years * YEAR),
  body: { value, unit: 'Ah', what: 'capacity of House', ...more },
});
const boat: Design = bareBoat('metric');
const bankId = boat.banks[0]?.id ?? '';
const label = (boat.banks[0]?.blockAh ?? 0) * (boat.banks[0]?.strings ?? 0);
const of = (parts: readonly (readonly [years: number, part: number])[]) =>
  trendsOf(
    boat,
    parts.map(([years, part]) => read(`measured:capacity.${bankId}`, years, part * label)),
  )[0];

test('a bank that loses 5 % of its label a year crosses 80 % four years after it was new', () => {
  const t = of([
    [0, 1],
    [1, 0.95],
    [2, 0.9],
  ]);
  expect(t?.perYear).toBeCloseTo(-0.05 * label, 6);
  expect(((t?.crosses ?? 0) - from) / YEAR).toBeCloseTo(4, 6);
  expect(t).toMatchObject({ over: false, outside: false, unit: 'Ah' });
});
test('of two readings there is no line; of one nothing is told; a rising one never crosses the floor', () => {
  expect(
    of([
      [0, 1],
      [1, 0.9],
    ]),
  ).toMatchObject({ perYear: null, crosses: null });
  expect(of([[0, 1]])).toBeUndefined();
  expect(
    of([
      [0, 0.9],
      [1, 0.92],
      [2, 0.95],
    ])?.crosses,
  ).toBeNull();
});
test('several readings of a day are one: the last', () => {
  const t = trendsOf(boat, [
    read(`measured:capacity.${bankId}`, 0, 100),
    read(`measured:capacity.${bankId}`, 0.0001, 90),
    read(`measured:capacity.${bankId}`, 1, 85),
  ])[0];
  expect(t?.points.map((p) => p.value)).toEqual([90, 85]);
});
test('millivolts at a current are milliohms: 100 mV at 50 A, then 120 at 40', () => {
  const [t] = trendsOf(boat, [
    read('test:part.c.t.device', 0, 100, { unit: 'mV', atA: 50 }),
    read('test:part.c.t.device', 1, 120, { unit: 'mV', atA: 40 }),
  ]);
  expect(t?.points.map((p) => p.value)).toEqual([2, 3]);
  expect(t).toMatchObject({ unit: 'mΩ', limits: { most: 4 } });
});
test('what lies far from the line of those before is outside; what lies on it is not', () => {
  const steady = [
    [0, 1],
    [1, 0.99],
    [2, 0.98],
  ] as const;
  expect(of([...steady, [3, 0.97]])).toMatchObject({ outside: false });
  expect(of([...steady, [3, 0.85]])).toMatchObject({ outside: true });
});
test('findings: past its limit is to be settled; outside and soon are told; what lies far ahead is not', () => {
  const now = from + 3 * YEAR;
  const told = (parts: Parameters<typeof of>[0]) => {
    const t = of(parts);
    return t ? trendFindings([t], now).map((f) => [f.rule, f.severity]) : [];
  };
  const steady = [
    [0, 1],
    [1, 0.95],
    [2, 0.9],
  ] as const;
  expect(told([...steady, [3, 0.75]])).toEqual([['trend-over', 'fix']]);
  expect(told([...steady, [2.5, 0.95]])).toEqual([['trend-outside', 'note']]);
  expect(told([...steady, [3, 0.85]])).toEqual([['trend-crosses', 'note']]);
  expect(told(steady.map(([y, p]) => [y, 1 - (1 - p) / 3] as const))).toEqual([]);
});
test('metals under water by the hull: bronze at −300 mV on a plastic boat is past its limit, at −700 it is not', () => {
  const at = (mv: number) =>
    trendsOf(boat, [
      read('measured:potential.boat', 0, -700, { unit: 'mV', what: 'potential of underwater metals' }),
      read('measured:potential.boat', 1, mv, { unit: 'mV', what: 'potential of underwater metals' }),
    ])[0]?.over;
  expect([at(-300), at(-700)]).toEqual([true, false]);
});

describe('a thing under water by what it is made of', () => {
  const of = (hull: Design['boat']['hull'], id: string, mv: number, metal?: string) => {
    const body = { unit: 'mV', what: `potential of ${id}`, ...(metal ? { metal } : {}) };
    return trendsOf({ ...boat, boat: { ...boat.boat, hull } }, [
      read(`measured:potential.${id}`, 0, mv, body),
      read(`measured:potential.${id}`, 1, mv, { unit: 'mV', what: body.what }),
    ])[0];
  };
  test('an aluminium drive at −900 mV is not protected, bronze there is; what was said of it once holds', () => {
    expect(of('glass fibre', 'drive', -900, 'aluminium')?.over).toBe(true);
    expect(of('glass fibre', 'drive', -900)?.over).toBe(false);
    expect(of('glass fibre', 'drive', -900, 'aluminium')?.limits).toMatchObject({ least: -1150, most: -950 });
  });
  test('bronze in wood at −700 mV softens the wood; in glass fibre it is well', () => {
    expect(of('wood', 'fittings', -700, 'bronze or copper')?.over).toBe(true);
    expect(of('glass fibre', 'fittings', -700, 'bronze or copper')?.over).toBe(false);
  });
  test('a hull is of its own metal; with its earth opened a thing has no limit', () => {
    expect(of('steel', 'hull', -700, 'bronze or copper')?.limits).toMatchObject({ least: -1100, most: -850 });
    expect(of('steel', 'shaft-opened', -300, 'bronze or copper')?.limits).toMatchObject({ least: null, most: null });
    expect(of('glass fibre', 'shaft-shore', -300, 'bronze or copper')?.over).toBe(true);
  });
});

test('an anode that is half gone is replaced', () => {
  const at = (left: number) =>
    trendsOf(boat, [read('measured:anode_left.shaft', 0, 100, { unit: '%' }), read('measured:anode_left.shaft', 1, left, { unit: '%' })])[0]
      ?.over;
  expect([at(60), at(49)]).toEqual([false, true]);
});
