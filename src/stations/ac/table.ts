/** A sheet as a table with its heads, and back: columns are found by their heads, cells go through what the sheet itself takes. */
import type { Column } from '@/ui/sheet/types';

const headOf = <Row>(c: Column<Row>): string => (c.unit ? `${c.title}, ${c.unit}` : c.title);

/** Columns that can be typed, in the vessel's units. */
export function tableOf<Row>(rows: readonly Row[], columns: readonly Column<Row>[]): string[][] {
  const kept = columns.filter((c) => c.write);
  return [kept.map(headOf), ...rows.map((r) => kept.map((c) => c.text(r)))];
}

export interface TableRead<Row> {
  readonly rows: readonly Row[];
  /** Cells that were not taken, by row and column. */
  readonly problems: readonly string[];
}

/** Rows without any cell are passed over; what a cell does not say stays as a blank row has it. */
export function readTable<Row>(table: readonly (readonly string[])[], columns: readonly Column<Row>[], blank: () => Row): TableRead<Row> {
  const [heads = [], ...body] = table;
  const clean = (text: string) => text.trim().toLowerCase();
  const found = heads.map((h) => columns.find((c) => c.write && (clean(headOf(c)) === clean(h) || clean(c.title) === clean(h))));
  if (!found.some(Boolean)) return { rows: [], problems: ['no column has a head this sheet knows'] };
  const problems: string[] = [];
  const rows = body.flatMap((cells, i) => {
    if (cells.every((c) => c.trim() === '')) return [];
    let row = blank();
    found.forEach((column, k) => {
      const text = cells[k]?.trim() ?? '';
      if (!column?.write || text === '') return;
      const taken = column.write(row, text);
      if (taken.ok) row = { ...row, ...taken.value };
      else problems.push(`row ${i + 2}, ${column.title}: ${taken.message}`);
    });
    return [row];
  });
  return { rows, problems };
}
