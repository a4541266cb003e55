/** Foreign load lists read, and our own read back. */
import Papa from 'papaparse';
import { APPLIANCES, blankLoad, type Design, type Load, loadFrom } from '@/core/design';
import { restored } from '@/core/format';
import { bareBoat } from '@/core/design/testing';
import { loadColumns } from './columns';
import { loadsCsv, loadsXlsx } from './exports';
import { hasHeads, readRows, suggest } from './match';

const design = bareBoat('metric');
const columns = loadColumns(design);
const blank = (row: number): Load => ({ ...blankLoad(`r${row}`, 12), name: `Row ${row + 1}` });
const none = new Set<number>();

describe('matching headings', () => {
  test.each([
    ['Load', 'name'],
    ['Appliance', 'name'],
    ['Watts', 'W'],
    ['Power (W)', 'W'],
    ['Current [A]', 'A'],
    ['AMPS', 'A'],
    ['Voltage', 'nominalV'],
    ['Location', 'place'],
    ['at anchor, h', 'hours-anchor'],
    ['Maker’s sheet', 'research'],
    ["maker's wire", 'makerWire'],
    ['Remarks', 'note'],
    ['qty', 'quantity'],
    ['Serial number', null],
    ['', null],
  ])('"%s"', (head, key) => expect(suggest([head], columns)).toEqual([key]));
  test('each column is taken once: the second is left out', () => expect(suggest(['Watts', 'Power'], columns)).toEqual(['W', null]));
  test('two known names make a heading row; a load does not', () => {
    expect(hasHeads(['Item', 'Watts', 'Shelf'], columns)).toBe(true);
    expect(hasHeads(['Fridge', '45', 'Galley'], columns)).toBe(false);
  });
});

describe('reading rows', () => {
  const read = (rows: string[][], matching: (string | null)[], skipped: ReadonlySet<number> = none) =>
    readRows(rows, matching, columns, blank, skipped);
  test('decimal commas, places by name, hours, yes and no', () => {
    const { loads, bad } = read([['Fan', '2,5', 'Saloon', '6', 'yes']], ['name', 'A', 'place', 'hours-anchor', 'critical']);
    expect(bad).toEqual([]);
    expect(loads[0]).toMatchObject({ name: 'Fan', ratingBy: 'A', rating: 2.5, placeId: 'saloon', hours: { anchor: 6 }, critical: true });
  });
  test('every bad cell is told with its row, column and what is meant', () => {
    const { bad } = read(
      [
        ['Fan', 'ten', 'Attic'],
        ['', '5', ''],
        ['Lamp', '-3', 'Galley'],
      ],
      ['name', 'W', 'place'],
    );
    expect(bad.map((b) => [b.row, b.column, b.text])).toEqual([
      [0, 'W', 'ten'],
      [0, 'place', 'Attic'],
      [2, 'W', '-3'],
    ]);
    expect(bad[1]?.message).toContain('Saloon');
  });
  test('a skipped row is neither taken nor judged', () => {
    const { loads, bad } = read(
      [
        ['Fan', 'ten'],
        ['Lamp', '5'],
      ],
      ['name', 'W'],
      new Set([0]),
    );
    expect([loads.length, bad.length]).toEqual([1, 0]);
  });
  test('an empty cell leaves what a new load starts with', () =>
    expect(read([['Fan', '']], ['name', 'quantity']).loads[0]?.quantity).toBe(1));
  test('with watts and amps both there watts rule; with watts empty or nothing, amps', () => {
    const both = read(
      [
        ['Fan', '60', '9'],
        ['Lamp', '', '2'],
        ['Gauge', '0', '3'],
      ],
      ['name', 'W', 'A'],
    ).loads;
    expect(both.map((l) => [l.ratingBy, l.rating])).toEqual([
      ['W', 60],
      ['A', 2],
      ['A', 3],
    ]);
  });
  test('a figure from a file counts as estimated until its source is stated in it', () => {
    expect(read([['Fan', '60']], ['name', 'W']).loads[0]?.mark).toBe('estimated');
    expect(read([['Fan', "maker's", '60']], ['name', 'mark', 'W']).loads[0]?.mark).toBe("maker's");
  });
  test('columns left out are not read', () => expect(read([['Fan', 'rubbish']], ['name', null]).bad).toEqual([]));
});

describe('our own export', () => {
  const places = new Set(design.places.map((p) => p.id));
  const boat: Design = { ...design, loads: APPLIANCES.map((a, i) => loadFrom(a, `L${i}`, 12, places)) };
  const own = loadColumns(boat);
  const rows: readonly Load[] = [
    ...boat.loads,
    {
      ...blankLoad('odd', 12),
      name: '=cmd|calc',
      rating: 1 / 3,
      note: '-1+1',
      range: { toRating: 60, placeIds: ['galley'] },
      standbyA: 0.02,
      questions: '@home?',
    },
  ];
  const back = (cells: readonly (readonly string[])[]): readonly Load[] => {
    const [heads = [], ...body] = cells;
    const { loads, bad } = readRows(body, suggest(heads, own), own, (i) => ({ ...blankLoad(rows[i]?.id ?? '', 12) }), none);
    expect(bad).toEqual([]);
    return loads;
  };
  const csv = () => Papa.parse<string[]>(loadsCsv(rows, own)).data;
  test('every heading is known again', () => expect(suggest(csv()[0] ?? [], own)).not.toContain(null));
  test('read back it is the same list, position and card and all', () => {
    const loads = back(csv().map((r) => r.map(restored)));
    const stripped = (l: Load) => ({
      ...l,
      at: null,
      cardId: null,
      hours: Object.fromEntries(Object.entries(l.hours).filter(([, h]) => h > 0)),
    });
    loads.forEach((l, i) => {
      const was = rows[i] as Load;
      const now = stripped(l);
      expect(now.rating).toBeCloseTo(was.rating, 6);
      expect({ ...now, rating: 0, surgeA: 0 }).toEqual({ ...stripped(was), rating: 0, surgeA: 0 });
      expect(now.surgeA ?? -1).toBeCloseTo(was.surgeA ?? -1, 6);
    });
  });
  test('what a spreadsheet would run is made harmless', () => {
    const cells = csv().flat();
    expect(cells.filter((c) => /^[=+@]/.test(c))).toEqual([]);
    expect(cells).toContain("'=cmd|calc");
  });
  test('a workbook holds text as text', async () => {
    const blob = await loadsXlsx([rows[rows.length - 1] as Load], own);
    const { default: read } = await import('read-excel-file/node');
    const [sheet] = await read(Buffer.from(await blob.arrayBuffer()));
    expect(sheet?.data[1]?.[0]).toBe('=cmd|calc');
  });
});
