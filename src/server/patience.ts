/** Another program that holds the database is waited for without keeping anybody else waiting. */

const EVERY_MS = 100;

export const codeOf = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';

/** Does it, again and again while another program holds the database. @param mostMs then it throws. */
export async function patiently<T>(work: () => T, mostMs = 12_000): Promise<T> {
  for (const until = Date.now() + mostMs; ;) {
    try {
      return work();
    } catch (error) {
      if (!codeOf(error).startsWith('SQLITE_BUSY') || Date.now() >= until) throw error;
    }
    await new Promise((r) => setTimeout(r, EVERY_MS));
  }
}

/** What a fault of the disk or the database means to a person, and the status it is answered with; null: it is another fault. */
export function diskFault(error: unknown): { readonly status: number; readonly message: string } | null {
  const code = codeOf(error);
  if (code.startsWith('SQLITE_BUSY')) return { status: 503, message: 'another program holds the database; nothing was changed' };
  if (code === 'SQLITE_FULL' || code === 'ENOSPC' || code === 'EDQUOT')
    return { status: 507, message: 'the disk is full; nothing was changed' };
  if (code.startsWith('SQLITE_READONLY') || code === 'EROFS' || code === 'EACCES')
    return { status: 507, message: 'the folder of the boats may not be written to; nothing was changed' };
  if (code.startsWith('SQLITE_CORRUPT') || code === 'SQLITE_NOTADB')
    return { status: 500, message: 'the database is damaged: restore a backup (docs/operations.md); nothing was changed' };
  if (code.startsWith('SQLITE_IOERR')) return { status: 507, message: 'the disk does not take what is written; nothing was changed' };
  return null;
}
