/** Matching a foreign table's columns to the load sheet's, and reading its rows: every bad cell is told, nothing is guessed. */
import type { Load } from '@/core/design';
import type { Column } from '@/ui/sheet';

/** By file column: the sheet column it goes to, or null to leave it out. */
export type Matching = readonly (string | null)[];

export interface BadCell {
  /** Row of the file, from 0, and column of the file. */
  readonly row: number;
  readonly col: number;
  readonly column: string;
  readonly text: string;
  readonly message: string;
}

export interface Reading {
  readonly loads: readonly Load[];
  readonly bad: readonly BadCell[];
}

const ALSO: Readonly<Record<string, readonly string[]>> = {
  name: ['name', 'item', 'appliance', 'equipment', 'description', 'device', 'consumer'],
  quantity: ['quantity', 'count', 'number', 'pcs', 'no', 'pieces'],
  W: ['watts', 'watt', 'power', 'power w', 'load w'],
  A: ['amps', 'amp', 'current', 'current a', 'load a', 'amperes'],
  nominalV: ['volts', 'volt', 'voltage', 'nominal'],
  place: ['location', 'where', 'position', 'zone'],
  makerFuseA: ['fuse a', 'fuse rating', 'maker fuse', 'protection'],
  note: ['remark', 'remarks', 'comment', 'comments', 'notes'],
  surgeA: ['start current', 'inrush', 'peak'],
};

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/[^a-z0-9%/]+/g, ' ')
    .trim();

/** The names a column of the sheet goes by: its title, its title with unit, its key, and what others call it. */
const namesOf = (c: Column<Load>): string[] => [c.title, `${c.title} ${c.unit ?? ''}`, c.key, ...(ALSO[c.key] ?? [])].map(plain);

/** Likeliest matching of a heading row: exact names first; each sheet column is taken once. */
export function suggest(heads: readonly string[], columns: readonly Column<Load>[]): Matching {
  const taken = new Set<string>();
  return heads.map((head) => {
    const wanted = plain(head);
    const bare = plain(head.replace(/\(.*?\)|\[.*?\]|,.*$/g, ''));
    const found =
      wanted === ''
        ? undefined
        : (columns.find((c) => c.write && !taken.has(c.key) && namesOf(c).includes(wanted)) ??
          columns.find((c) => c.write && !taken.has(c.key) && namesOf(c).includes(bare)));
    if (found) taken.add(found.key);
    return found?.key ?? null;
  });
}

/** Does the first row name columns rather than hold a load? */
export const hasHeads = (first: readonly string[], columns: readonly Column<Load>[]): boolean =>
  suggest(first, columns).filter(Boolean).length >= 2;

/** A foreign table as the load sheet writes it: columns it does not know keep their text. */
export function readRows(
  rows: readonly (readonly string[])[],
  matching: Matching,
  columns: readonly Column<Load>[],
  blank: (row: number) => Load,
  skipped: ReadonlySet<number>,
): Reading {
  const bad: BadCell[] = [];
  const loads: Load[] = [];
  // Amps follow nominal volts, and a range follows watts or amps: those come first whatever the file's order.
  const order = columns.map((c) => c.key);
  const firsts = ['nominalV', 'W', 'A'];
  const into = matching
    .flatMap((key, col) => {
      const column = columns.find((c) => c.key === key);
      return column ? [{ col, column }] : [];
    })
    .sort((a, b) => {
      const rank = (key: string) => (firsts.includes(key) ? firsts.indexOf(key) : 10 + order.indexOf(key));
      return rank(a.column.key) - rank(b.column.key);
    });
  const rated = (row: readonly string[], key: string) => (row[into.find((i) => i.column.key === key)?.col ?? -1] ?? '').trim();
  rows.forEach((row, i) => {
    if (skipped.has(i)) return;
    let load = blank(i);
    for (const { col, column } of into) {
      const text = (row[col] ?? '').trim();
      if (text === '' || !column.write) continue;
      // Either of watts and amps gives the other: with both there, watts rule unless they are nothing.
      if (column.key === 'A' && Number(rated(row, 'W').replace(',', '.')) > 0) continue;
      const parsed = column.write(load, text);
      if (parsed.ok) load = { ...load, ...parsed.value };
      else bad.push({ row: i, col, column: column.title, text, message: parsed.message });
    }
    loads.push(load);
  });
  return { loads, bad };
}
