/** A block of cells laid over the sheet from one corner: all of it or none, with every bad cell named. */
import { fromBlock } from '@/core/format';
import type { Change, Column } from './types';

export interface PasteProblem {
  readonly row: number;
  readonly column: string;
  readonly message: string;
}

export type PasteResult<Row> =
  | { readonly ok: true; readonly change: Change<Row> }
  | { readonly ok: false; readonly message: string; readonly problems: readonly PasteProblem[] };

export function layBlock<Row extends { readonly id: string }>(
  block: string,
  rows: readonly Row[],
  columns: readonly Column<Row>[],
  at: { readonly row: number; readonly col: number },
  blank: (() => Row) | undefined,
  most: number,
): PasteResult<Row> {
  if (block.length > 4_000_000) return { ok: false, message: 'That is more text than a sheet takes.', problems: [] };
  const cells = fromBlock(block);
  const extra = Math.max(0, at.row + cells.length - rows.length);
  if (extra > 0 && !blank)
    return { ok: false, message: `The block has ${cells.length} rows; ${rows.length - at.row} are left below here.`, problems: [] };
  if (rows.length + extra > most)
    return {
      ok: false,
      message: `The block has ${cells.length} rows; this sheet holds at most ${most}. Nothing was pasted.`,
      problems: [],
    };
  const problems: PasteProblem[] = [];
  const patches: { row: Row; patch: Partial<Row> }[] = [];
  const added: Row[] = [];
  cells.forEach((line, i) => {
    const existing = rows[at.row + i];
    const base = existing ?? blank?.();
    if (!base) return;
    let row = base;
    let patch: Partial<Row> = {};
    line.forEach((cell, k) => {
      const column = columns[at.col + k];
      // An empty cell leaves what is there, in a row that stands as in a new one.
      if (!column?.write || column.text(row) === cell.trim() || cell.trim() === '') return;
      const parsed = column.write(row, cell);
      if (!parsed.ok) {
        problems.push({ row: at.row + i + 1, column: column.title, message: parsed.message });
        return;
      }
      patch = { ...patch, ...parsed.value };
      row = { ...row, ...parsed.value };
    });
    if (!existing) added.push(row);
    else if (Object.keys(patch).length > 0) patches.push({ row: existing, patch });
  });
  if (problems.length > 0) {
    const told = problems.slice(0, 3).map((p) => `row ${p.row}, ${p.column}: ${p.message}`);
    return {
      ok: false,
      message: `Nothing was pasted. ${told.join('; ')}${problems.length > 3 ? `; and ${problems.length - 3} more` : ''}.`,
      problems,
    };
  }
  return { ok: true, change: { label: `paste ${cells.length} rows`, patches, added } };
}
