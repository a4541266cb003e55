/** Files handed to the person: saved by the browser as a download would be. */
export function saveBlob(name: string, blob: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** CSV with the mark by which spreadsheets know UTF-8. */
export const saveCsv = (name: string, text: string): void => saveBlob(name, new Blob(['\uFEFF', text], { type: 'text/csv;charset=utf-8' }));

/** Text of a kind, as a calendar. */
export const saveText = (name: string, text: string, type: string): void =>
  saveBlob(name, new Blob([text], { type: `${type};charset=utf-8` }));

/** A name any file system takes. */
export const fileName = (name: string): string =>
  name
    .replace(/[^A-Za-z0-9-]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase() || 'boat';
