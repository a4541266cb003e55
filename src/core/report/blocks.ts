/** A report as plain data: chapters of paragraphs, tables and pictures, to be shown, printed or made a file of. */

export type Block =
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'heading'; readonly text: string }
  | { readonly kind: 'caution'; readonly text: string }
  | { readonly kind: 'list'; readonly items: readonly string[] }
  /** widths: parts of the page, one a column; missing: as the words ask. */
  | {
      readonly kind: 'table';
      readonly columns: readonly string[];
      readonly rows: readonly (readonly string[])[];
      readonly widths?: readonly number[];
    }
  /** A picture of the boat's own, by its id. */
  | { readonly kind: 'picture'; readonly photoId: string; readonly caption: string; readonly widthPx: number; readonly heightPx: number };

export interface ReportChapter {
  readonly title: string;
  readonly blocks: readonly Block[];
}

export interface Report {
  readonly title: string;
  /** What stands under the title: for whom, as of what. */
  readonly lines: readonly string[];
  readonly chapters: readonly ReportChapter[];
}

export const text = (t: string): Block => ({ kind: 'text', text: t });
export const heading = (t: string): Block => ({ kind: 'heading', text: t });
export const caution = (t: string): Block => ({ kind: 'caution', text: t });
export const list = (items: readonly string[]): Block => ({ kind: 'list', items });
export const table = (columns: readonly string[], rows: readonly (readonly string[])[], widths?: readonly number[]): Block => ({
  kind: 'table',
  columns,
  rows,
  ...(widths ? { widths } : {}),
});

export const chapter = (title: string, blocks: readonly (Block | null)[]): ReportChapter => ({
  title,
  blocks: blocks.flatMap((b) =>
    b && !(b.kind === 'table' && b.rows.length === 0) && !(b.kind === 'list' && b.items.length === 0) ? [b] : [],
  ),
});

export const LIMITS =
  'This is what the design, as entered, gives cause to say, and what was recorded aboard. It is no certificate: what is not entered is not tested, a system that works proves nothing, and local code, the makers’ instructions and licensed practice come first.';
