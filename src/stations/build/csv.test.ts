import Papa from 'papaparse';
import { analyse, cutList } from '@/core';
import { heldBack } from '@/core/build';
import { pluggedIn } from '@/core/ac/testing';
import { bareBoat, withLoad } from '@/core/design/testing';
import { cutListCsv } from './csv';

describe.each([
  ['metric', withLoad(bareBoat('metric'), { name: '=odd name', connection: 'M6' }, 4.2), 1],
  ['AWG, feet', withLoad(bareBoat('awg', 24), { connection: 'M8', rating: 900 }, 7), 0.3048],
] as const)('the cut list of a %s boat as CSV', (_, design, metre) => {
  const list = cutList(design, analyse(design).circuits);
  const { data, errors } = Papa.parse<string[]>(cutListCsv(list, design.boat, heldBack(design, list, [])));
  const of = (kind: string) => data.filter((row) => row[0] === kind);
  test('reads back without a fault, every row as wide as the head', () => {
    expect(errors).toEqual([]);
    expect(new Set(data.map((row) => row.length)).size).toBe(1);
  });
  test('has every piece, in the vessel’s unit', () => {
    expect(of('piece')).toHaveLength(list.cuts.length);
    const metres = of('piece').reduce((sum, row) => sum + Number(row[4]), 0) * metre;
    expect(metres).toBeCloseTo(list.totalM, 0);
  });
  test('its total is the sum of its cables', () => {
    const cables = of('cable').reduce((sum, row) => sum + Number(row[4]), 0);
    expect(Math.abs(cables - Number(of('total')[0]?.[4]))).toBeLessThan(0.2);
  });
  test('terminals, shrink, protection and labels are all there', () => {
    for (const kind of ['terminal', 'heat shrink', 'protection', 'label']) expect(of(kind).length).toBeGreaterThan(0);
    expect(of('protection').reduce((sum, row) => sum + Number(row[8]), 0)).toBe(design.circuits.filter((c) => c.taps.length > 0).length);
  });
  test('no cell can run as a formula', () => expect(data.flat().filter((cell) => /^[=+@]/.test(cell))).toEqual([]));
});

test('what a piece’s cores and breaker sides are told stands in its note', () => {
  const design = pluggedIn();
  const list = cutList(design, analyse(design).circuits);
  const { data } = Papa.parse<string[]>(cutListCsv(list, design.boat, heldBack(design, list, [])));
  const main = data.find((row) => row[0] === 'piece' && row[1]?.startsWith('main AC'));
  expect(main?.[10]).toMatch(/^sheath off .* to the line side of its breaker/);
});
