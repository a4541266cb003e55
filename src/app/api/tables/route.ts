import { guarded, readBytes, refuse } from '@/server/request';
import { readTable, SHEET_BYTES } from '@/server/spreadsheet';

/** Rows of a spreadsheet file, for matching to the columns of a sheet. Keeps nothing. */
export const POST = (request: Request) =>
  guarded(async () => {
    const bytes = await readBytes(request, SHEET_BYTES);
    if (!bytes.ok) return bytes.response;
    const table = await readTable(bytes.value);
    return table.ok ? Response.json(table) : refuse(422, table.message);
  });
