import type { Parsed } from '@/core/quantity';
import { layBlock } from './paste';
import type { Column } from './types';

interface Row {
  readonly id: string;
  readonly name: string;
  readonly amps: number;
  readonly sum: number;
}
const number = (text: string): Parsed<number> =>
  /^\d+$/.test(text) ? { ok: true, value: Number(text) } : { ok: false, message: `"${text}" is not a number` };
const columns: readonly Column<Row>[] = [
  { key: 'name', title: 'name', width: 10, text: (r) => r.name, write: (_, text) => ({ ok: true, value: { name: text } }) },
  {
    key: 'amps',
    title: 'A',
    width: 10,
    text: (r) => String(r.amps),
    write: (_, text) => {
      const parsed = number(text);
      return parsed.ok ? { ok: true, value: { amps: parsed.value } } : parsed;
    },
  },
  { key: 'sum', title: 'sum', width: 10, text: (r) => String(r.sum) },
];
const rows: readonly Row[] = [
  { id: 'a', name: 'A', amps: 1, sum: 0 },
  { id: 'b', name: 'B', amps: 2, sum: 0 },
];
let made = 0;
const blank = (): Row => ({ id: `n${++made}`, name: 'new', amps: 7, sum: 0 });
const lay = (block: string, at = { row: 0, col: 0 }, most = 10, maker: (() => Row) | undefined = blank) =>
  layBlock(block, rows, columns, at, maker, most);

test('cells are laid from the corner, and only what changes is changed', () => {
  const result = lay('A\t5\nX\t2');
  expect(result).toMatchObject({
    ok: true,
    change: {
      patches: [
        { row: rows[0], patch: { amps: 5 } },
        { row: rows[1], patch: { name: 'X' } },
      ],
      added: [],
    },
  });
});
test('from another corner', () =>
  expect(lay('9', { row: 1, col: 1 })).toMatchObject({ ok: true, change: { patches: [{ row: rows[1], patch: { amps: 9 } }] } }));
test('rows beyond the last are new ones; an empty cell there leaves the default', () => {
  const result = lay('B\t2\nC\t\nD\t4', { row: 1, col: 0 });
  expect(result).toMatchObject({
    ok: true,
    change: {
      patches: [],
      added: [
        { name: 'C', amps: 7 },
        { name: 'D', amps: 4 },
      ],
    },
  });
});
test('a column that is worked out is passed over', () =>
  expect(lay('A\t1\t99')).toMatchObject({ ok: true, change: { patches: [], added: [] } }));
test('cells beyond the last column are passed over', () =>
  expect(lay('A\t1\t0\tx\ty')).toMatchObject({ ok: true, change: { patches: [] } }));
test('one bad cell and nothing is pasted; it is named by row and column', () => {
  const result = lay('A\t5\nB\tfive');
  expect(result).toEqual({
    ok: false,
    message: 'Nothing was pasted. row 2, A: "five" is not a number.',
    problems: [{ row: 2, column: 'A', message: '"five" is not a number' }],
  });
});
test('of many bad cells three are told and the rest counted', () => {
  const result = lay('A\tx\nB\tx\nC\tx\nD\tx\nE\tx');
  expect(result.ok).toBe(false);
  if (!result.ok) {
    expect(result.message).toContain('and 2 more');
    expect(result.problems).toHaveLength(5);
  }
});
test('an empty cell of a block leaves what is there, in a row that stands as in a new one', () => {
  expect(lay('Z\t')).toMatchObject({ ok: true, change: { patches: [{ patch: { name: 'Z' } }] } });
});
test('more rows than the sheet holds are refused before any is read', () => {
  const result = lay('x\t1\n'.repeat(10_000));
  expect(result).toMatchObject({ ok: false, message: expect.stringContaining('at most 10') as string });
});
test('where rows cannot be added, a block that is too long is refused', () =>
  expect(layBlock('a\nb\nc', rows, columns, { row: 0, col: 0 }, undefined, 10)).toMatchObject({
    ok: false,
    message: 'The block has 3 rows; 2 are left below here.',
  }));
test('quoted cells with breaks in them stay one cell', () =>
  expect(lay('"two\nlines"\t3')).toMatchObject({ ok: true, change: { patches: [{ patch: { name: 'two\nlines', amps: 3 } }] } }));
test('an absurd amount of text is refused', () => expect(lay('x'.repeat(4_000_001)).ok).toBe(false));
