/** Rows of text from whatever spreadsheet file a person has: XLSX, or CSV in any usual encoding and with any usual separator. */
import Papa from 'papaparse';
import readExcelFile from 'read-excel-file/node';
import { restored } from '@/core/format';
import { unfold } from './archive';

export const SHEET_BYTES = 8_000_000;
const UNFOLDED_BYTES = 80_000_000;
const MOST_ROWS = 10_000;
const MOST_COLUMNS = 200;

export interface TableSheet {
  readonly name: string;
  readonly rows: readonly (readonly string[])[];
}

export type TableResult = { readonly ok: true; readonly sheets: readonly TableSheet[] } | { readonly ok: false; readonly message: string };

const refuse = (message: string): TableResult => ({ ok: false, message });

/** Text of a file: by its mark at the start, else UTF-16 where every other byte is empty, else UTF-8, else Western Latin. */
export function decodeText(bytes: Uint8Array): string {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  const head = bytes.subarray(0, 400);
  const empty = (odd: 0 | 1) => head.filter((b, i) => b === 0 && i % 2 === odd).length;
  if (head.length > 4 && empty(1) > head.length / 5) return new TextDecoder('utf-16le').decode(bytes);
  if (head.length > 4 && empty(0) > head.length / 5) return new TextDecoder('utf-16be').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;
const isOldWorkbook = (bytes: Uint8Array): boolean => bytes[0] === 0xd0 && bytes[1] === 0xcf && bytes[2] === 0x11;

/** A cell as text: numbers with a point, dates as 2026-05-31. */
function cellText(cell: unknown): string {
  if (cell === null || cell === undefined) return '';
  if (cell instanceof Date) return cell.toISOString().slice(0, 10);
  if (typeof cell === 'number') return String(Number(cell.toPrecision(12)));
  return typeof cell === 'string' || typeof cell === 'boolean' ? String(cell) : '';
}

function sheetOf(name: string, rows: readonly (readonly unknown[])[]): TableSheet {
  const cut = rows.map((row) => row.map((cell) => restored(cellText(cell)).trim()));
  return { name, rows: cut.filter((row) => row.some((cell) => cell !== '')) };
}

function bounded(sheets: readonly TableSheet[]): TableResult {
  const full = sheets.filter((s) => s.rows.length > 0);
  if (full.length === 0) return refuse('there are no rows in it');
  for (const s of full) {
    if (s.rows.length > MOST_ROWS) return refuse(`“${s.name}” has ${s.rows.length} rows; ${MOST_ROWS} at most are taken`);
    if (s.rows.some((r) => r.length > MOST_COLUMNS)) return refuse(`“${s.name}” has more than ${MOST_COLUMNS} columns`);
  }
  return { ok: true, sheets: full };
}

async function readWorkbook(bytes: Uint8Array): Promise<TableResult> {
  const unfolded = unfold(bytes, () => true, UNFOLDED_BYTES);
  if (!unfolded.ok) return refuse(`the workbook was not opened: ${unfolded.message}`);
  if (!unfolded.files.has('xl/workbook.xml')) return refuse('this is a zip, and no workbook (.xlsx)');
  try {
    const sheets = await readExcelFile(Buffer.from(bytes));
    return bounded(sheets.map((s) => sheetOf(s.sheet, s.data as unknown[][])));
  } catch {
    return refuse('the workbook is damaged or of a kind that cannot be read; save it again as .xlsx or .csv');
  }
}

/** Reads a spreadsheet file. Never throws for what is in it. */
export async function readTable(bytes: Uint8Array): Promise<TableResult> {
  if (bytes.byteLength === 0) return refuse('the file is empty');
  if (isOldWorkbook(bytes)) return refuse('this is an old workbook (.xls) or a locked one; save it as .xlsx or .csv without a password');
  if (isZip(bytes)) return readWorkbook(bytes);
  const text = decodeText(bytes).replace(/^\uFEFF/, '');
  if (/[\u0000-\u0008]/.test(text.slice(0, 4000))) return refuse('this is neither a workbook (.xlsx) nor text (.csv)');
  const parsed = Papa.parse<string[]>(text, { skipEmptyLines: 'greedy', delimitersToGuess: [',', ';', '\t', '|'] });
  return bounded([sheetOf('the file', parsed.data)]);
}
