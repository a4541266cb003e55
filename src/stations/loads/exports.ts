/** The load sheet as a file: every column, in the vessel's units, so that it can be read in again with nothing lost. */
import type { Load } from '@/core/design';
import { toCsv } from '@/core/format';
import type { Column } from '@/ui/sheet';

/** Columns that say it all: amps are left out where watts give them. */
const full = (rows: readonly Load[], columns: readonly Column<Load>[]): string[][] => {
  const kept = columns.filter((c) => c.write);
  return [
    kept.map((c) => (c.unit ? `${c.title}, ${c.unit}` : c.title)),
    ...rows.map((r) => kept.map((c) => (c.key === 'W' && r.ratingBy === 'A' ? '' : c.key === 'A' && r.ratingBy === 'W' ? '' : c.text(r)))),
  ];
};

export const loadsCsv = (rows: readonly Load[], columns: readonly Column<Load>[]): string => toCsv(full(rows, columns));

const NUMBER = /^-?\d+(\.\d+)?$/;

/** Cells typed as text or number: text is never run as a formula. */
export async function loadsXlsx(rows: readonly Load[], columns: readonly Column<Load>[]): Promise<Blob> {
  const { default: writeExcelFile } = await import('write-excel-file/browser');
  const [heads = [], ...cells] = full(rows, columns);
  return writeExcelFile(
    [
      heads.map((value) => ({ value, type: String, fontWeight: 'bold' as const })),
      ...cells.map((row) =>
        row.map((value) => (value === '' ? null : NUMBER.test(value) ? { value: Number(value), type: Number } : { value, type: String })),
      ),
    ],
    { sheet: 'Loads' },
  ).toBlob();
}
