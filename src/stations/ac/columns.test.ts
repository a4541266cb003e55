import { appliance, pluggedIn, withMachines } from '@/core/ac/testing';
import { type AcLoad, type AcPanel, blankAcLoad, blankSource, type Design } from '@/core/design';
import { fromBlock, toBlock } from '@/core/format';
import { acCircuits } from '@/core/ac';
import type { Column } from '@/ui/sheet/types';
import { applianceColumns, panelColumns, runColumns, runRows, type RunRow } from './columns';
import { readTable, tableOf } from './table';

const design: Design = withMachines(pluggedIn());
const of = <Row>(columns: readonly Column<Row>[], key: string): Column<Row> => {
  const found = columns.find((c) => c.key === key);
  if (!found) throw new Error(key);
  return found;
};
const shown = <Row>(c: Column<Row>, row: Row): string => (c.show ?? c.text)(row);
const write = <Row>(c: Column<Row>, row: Row, text: string) => {
  const parsed = c.write?.(row, text);
  if (!parsed) throw new Error('not typed');
  return parsed;
};

describe('appliances', () => {
  const columns = applianceColumns(design);
  const kettle = appliance('kettle', 1840, { mark: 'typical', placeId: 'galley', hours: { anchor: 0.5 } });
  const at = (key: string) => of(columns, key);
  test('typing over a typical figure makes it estimated; a measured one stays so', () => {
    expect(write(at('watts'), kettle, '2 kW')).toEqual({ ok: true, value: { watts: 2000, mark: 'estimated' } });
    expect(write(at('watts'), appliance('kettle', 1840, { mark: 'measured' }), '1900')).toEqual({
      ok: true,
      value: { watts: 1900, mark: 'measured' },
    });
    expect(write(at('watts'), kettle, 'lots').ok).toBe(false);
  });
  test('a charger shows what follows from its own station, and is not typed here', () => {
    const boat: Design = { ...design, sources: [{ ...blankSource('c', 'shore charger', 12, 'house'), ratedA: 30 }] };
    const row = appliance('charger', 0, { chargerId: 'c' });
    const watts = of(applianceColumns(boat), 'watts');
    // 14 V x 30 A / 0.87.
    expect(watts.text(row)).toBe('483');
    expect(watts.tone?.(row)).toBe('quiet');
    expect(write(watts, row, '100').ok).toBe(false);
    expect(of(applianceColumns(boat), 'powerFactor').text(row)).toBe('0.95');
  });
  test('a power factor of 0 is kept as typed and shown as broken; beyond 1 it is refused', () => {
    expect(write(at('powerFactor'), kettle, '0').ok).toBe(true);
    expect(at('powerFactor').tone?.({ ...kettle, powerFactor: 0 })).toBe('breaks');
    expect(write(at('powerFactor'), kettle, '1.2').ok).toBe(false);
  });
  test('hours by way of living, in whole days at most; empty is none', () => {
    const [way] = design.living;
    const hours = at(`hours-${way?.id ?? ''}`);
    expect(shown(hours, kettle)).toBe('0.5');
    expect(write(hours, kettle, '')).toEqual({ ok: true, value: { hours: { anchor: 0 } } });
    expect(write(hours, kettle, '25').ok).toBe(false);
  });
  test('places, legs and yes or no by name or a beginning of it', () => {
    expect(write(at('placeId'), kettle, 'char')).toEqual({ ok: true, value: { placeId: 'chart' } });
    expect(write(at('placeId'), kettle, '')).toEqual({ ok: true, value: { placeId: null } });
    expect(write(at('placeId'), kettle, 'attic').ok).toBe(false);
    expect(write(at('leg'), kettle, 'sec')).toEqual({ ok: true, value: { leg: 'second' } });
    expect(write(at('motor'), kettle, 'y')).toEqual({ ok: true, value: { motor: true } });
    expect(write(at('name'), kettle, ' ').ok).toBe(false);
    expect(write(at('keep'), kettle, '3.4')).toEqual({ ok: true, value: { keep: 3 } });
    expect(write(at('keep'), kettle, '0').ok).toBe(false);
  });
});

describe('runs', () => {
  const columns = runColumns(design);
  const rows = runRows(design.acCircuits, acCircuits(design));
  const row = (id: string): RunRow => {
    const found = rows.find((r) => r.id === id);
    if (!found) throw new Error(id);
    return found;
  };
  const at = (key: string) => of(columns, key);
  test('where it begins and ends by name; a branch ends on what it serves', () => {
    expect([shown(at('from'), row('main')), shown(at('to'), row('main'))]).toEqual(['Shore power', 'AC panel']);
    expect(shown(at('to'), row('galley'))).toBe('branch');
    expect(write(at('from'), row('galley'), 'Gen')).toEqual({ ok: true, value: { from: { kind: 'source', id: 'gen' } } });
    expect(write(at('to'), row('galley'), 'input of Inv')).toEqual({ ok: true, value: { to: { kind: 'inverter', id: 'inv' } } });
    expect(write(at('to'), row('main'), 'branch')).toEqual({ ok: true, value: { to: null } });
    expect(at('from').tone?.({ ...row('main'), from: { kind: 'panel', id: 'gone' } })).toBe('breaks');
  });
  test('appliances by name with semicolons; one that is not there is refused by name', () => {
    expect(write(at('loadIds'), row('galley'), 'tv; Kettle; tv')).toEqual({ ok: true, value: { loadIds: ['tv', 'kettle'] } });
    expect(write(at('loadIds'), row('galley'), 'sauna')).toEqual({ ok: false, message: 'there is no appliance "sauna"' });
    expect(write(at('loadIds'), row('galley'), '')).toEqual({ ok: true, value: { loadIds: [] } });
  });
  test('breaker, size and length: the choice is shown, what is typed pins, empty unpins', () => {
    expect([shown(at('ratingA'), row('galley')), shown(at('size'), row('galley')), shown(at('lengthM'), row('galley'))]).toEqual([
      '10',
      '3 × 1.5 mm²',
      '6',
    ]);
    expect(write(at('ratingA'), row('galley'), '16')).toEqual({ ok: true, value: { ratingA: 16 } });
    expect(write(at('size'), row('galley'), '2.5')).toEqual({ ok: true, value: { size: { school: 'metric', size: '2.5' } } });
    expect(write(at('size'), row('galley'), '')).toEqual({ ok: true, value: { size: null } });
    expect(write(at('size'), row('galley'), '3').ok).toBe(false);
    expect(at('ratingA').tone?.({ ...row('galley'), ratingA: 16 })).toBe('pinned');
  });
  test('leakage is 5, 10 or 30 mA or none', () => {
    expect(write(at('leakageMa'), row('galley'), '10')).toEqual({ ok: true, value: { leakageMa: 10 } });
    expect(write(at('leakageMa'), row('galley'), '')).toEqual({ ok: true, value: { leakageMa: null } });
    expect(write(at('leakageMa'), row('galley'), '100').ok).toBe(false);
  });
  test('what cuts a live case: the worst of its sources is told', () => {
    expect(shown(at('fault'), row('galley'))).toMatch(/^(breaker, 0.\d+ s|residual current)$/);
    expect(shown(at('fault'), row('tv-run'))).toBe('residual current');
    const bare: Design = { ...design, acCircuits: design.acCircuits.map((c) => ({ ...c, leakageMa: null })) };
    const tv = runRows(bare.acCircuits, acCircuits(bare)).find((r) => r.id === 'tv-run');
    expect(tv && at('fault').tone?.(tv)).toBe('breaks');
  });
});

test('panels: a transfer by name, the DC panel beside it by name or none', () => {
  const columns = panelColumns(design);
  const panel = design.acPanels[0] as AcPanel;
  expect(write(of(columns, 'transfer'), panel, 'rel')).toEqual({ ok: true, value: { transfer: 'relay' } });
  expect(write(of(columns, 'besideDcId'), panel, 'Panel')).toEqual({ ok: true, value: { besideDcId: 'panel' } });
  expect(write(of(columns, 'switchesNeutral'), panel, 'no')).toEqual({ ok: true, value: { switchesNeutral: false } });
});

describe('a sheet as a table and back', () => {
  const columns = applianceColumns(design);
  const rows: AcLoad[] = [
    appliance('Kettle', 2000, { placeId: 'galley', keep: 3, hours: { anchor: 0.25 }, mark: "maker's" }),
    appliance('Pump, "big"; port', 750, {
      powerFactor: 0.7,
      surgeVa: 4000,
      surgeS: 0.8,
      motor: true,
      runsLong: true,
      notWith: 'water',
      mark: 'measured',
      note: '=SUM(A1)',
    }),
  ];
  let n = 0;
  const blank = () => blankAcLoad(`new${++n}`);
  test('what goes out comes in the same, through the clipboard too', () => {
    const back = readTable(fromBlock(toBlock(tableOf(rows, columns))), columns, blank);
    expect(back.problems).toEqual([]);
    const plain = (l: AcLoad) => ({ ...l, id: '', hours: Object.fromEntries(Object.entries(l.hours).filter(([, h]) => h > 0)) });
    expect(back.rows.map(plain)).toEqual(rows.map(plain));
  });
  test('columns in any order, heads in any case, unknown ones passed over, empty rows left out', () => {
    const { rows: read } = readTable(
      [
        ['W', 'price', 'APPLIANCE'],
        ['900', '12', 'Toaster'],
        ['', '', ''],
      ],
      columns,
      blank,
    );
    expect(read.map((r) => [r.name, r.watts])).toEqual([['Toaster', 900]]);
  });
  test('a cell that is not understood is named by row and column and the rest taken; a table without a known head is refused', () => {
    const bad = readTable(
      [
        ['appliance', 'W', 'cos φ'],
        ['Toaster', 'hot', '0.9'],
      ],
      columns,
      blank,
    );
    expect(bad.problems[0]).toMatch(/^row 2, W: /);
    expect(bad.rows[0]).toMatchObject({ name: 'Toaster', watts: 0, powerFactor: 0.9 });
    expect(
      readTable(
        [
          ['a', 'b'],
          ['1', '2'],
        ],
        columns,
        blank,
      ),
    ).toEqual({ rows: [], problems: ['no column has a head this sheet knows'] });
    expect(readTable([], columns, blank).rows).toEqual([]);
  });
});
