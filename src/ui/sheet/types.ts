/** The sheet: rows of real things, edited in place from the keyboard. */
import type { Mark, Parsed } from '@/core/quantity';

export interface Column<Row> {
  readonly key: string;
  readonly title: string;
  readonly unit?: string;
  /** Told on hover of the header. */
  readonly hint?: string;
  readonly width: number;
  readonly align?: 'right';
  readonly mono?: boolean;
  readonly text: (row: Row) => string;
  /** Shown beside or instead of text when not editing. */
  readonly show?: (row: Row) => string;
  readonly tone?: (row: Row) => Tone;
  readonly sort?: (row: Row) => number | string;
  /** Absent: worked out, not typed. */
  readonly write?: (row: Row, text: string) => Parsed<Partial<Row>>;
  /** What may be chosen; a function where that depends on the row. */
  readonly options?: readonly string[] | ((row: Row) => readonly string[]);
  readonly yesNo?: boolean;
}

export type Tone = Mark | 'pinned' | 'breaks' | 'quiet' | undefined;

export interface Change<Row> {
  readonly label: string;
  readonly patches: readonly { readonly row: Row; readonly patch: Partial<Row> }[];
  readonly added: readonly Row[];
}

/** What is being typed into a cell, and why it is not taken yet. */
export interface Entry {
  readonly rowId: string;
  readonly col: number;
  readonly text: string;
  readonly message: string | null;
}
