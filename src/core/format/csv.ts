/** Tables as text: CSV files and clipboard blocks. Cells that a spreadsheet would run as a formula are made harmless. */
import Papa from 'papaparse';

const FORMULA = /^[=+\-@\t\r]/;

/** A cell that no spreadsheet takes for a formula; plain numbers stay as they are. */
export const harmless = (cell: string): string => (FORMULA.test(cell) && !/^[+-]?\d+([.,]\d+)?$/.test(cell) ? `'${cell}` : cell);

/** The cell as it was before harmless. */
export const restored = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell);

export const toCsv = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(
    rows.map((r) => r.map(harmless)),
    { newline: '\r\n' },
  );

/** A block for the clipboard, as spreadsheets take it. */
export const toBlock = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(
    rows.map((r) => r.map(harmless)),
    { delimiter: '\t', newline: '\n' },
  );

/** A block from the clipboard: tab separated, quoted cells allowed. The empty last line that spreadsheets add is dropped. */
export function fromBlock(text: string): string[][] {
  const { data } = Papa.parse<string[]>(text.replace(/\r\n?/g, '\n').replace(/\n$/, ''), { delimiter: '\t' });
  return data.map((row) => row.map(restored));
}
