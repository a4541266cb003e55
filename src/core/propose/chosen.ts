/** Proposed rows taken one by one: what needs another that is left out is left out with it. */
import type { Rows } from '../design';

export interface ProposedRow {
  readonly list: keyof Rows;
  readonly id: string;
  readonly name: string;
  /** Other proposed rows it needs: what it starts at, ends at or feeds. */
  readonly needs: readonly string[];
}

/** Every id a row names, its own left out. */
function named(value: unknown, ids: ReadonlySet<string>, out: Set<string>): void {
  if (typeof value === 'string') {
    if (ids.has(value)) out.add(value);
  } else if (typeof value === 'object' && value !== null) for (const inner of Object.values(value)) named(inner, ids, out);
}

/** In the order they are added. */
export function proposedList(rows: Rows): ProposedRow[] {
  const all = Object.entries(rows).flatMap(([list, added]) => added.map((row) => ({ list: list as keyof Rows, row })));
  const ids = new Set(all.map(({ row }) => row.id));
  // A panel is nothing without its feed.
  const feedOf = new Map(
    (rows.circuits ?? []).flatMap((c) => c.taps.flatMap((t) => (t.serves.kind === 'panel' ? [[t.serves.id, c.id] as const] : []))),
  );
  return all.map(({ list, row }) => {
    const needs = new Set<string>();
    named(row, ids, needs);
    const feed = feedOf.get(row.id);
    if (feed !== undefined) needs.add(feed);
    needs.delete(row.id);
    const no = 'no' in row && row.no ? `${row.no} ` : '';
    return { list, id: row.id, name: `${no}${'name' in row && row.name ? row.name : row.id}`, needs: [...needs] };
  });
}

/** What goes with the rows left out: everything that needs one of them, and what needs that. */
export function leftOut(list: readonly ProposedRow[], out: ReadonlySet<string>): ReadonlySet<string> {
  const gone = new Set(out);
  for (let grew = true; grew;) {
    grew = false;
    for (const row of list)
      if (!gone.has(row.id) && row.needs.some((id) => gone.has(id))) {
        gone.add(row.id);
        grew = true;
      }
  }
  return gone;
}

/** The rows without those left out. */
export const rowsWithout = (rows: Rows, gone: ReadonlySet<string>): Rows =>
  Object.fromEntries(Object.entries(rows).map(([list, added]) => [list, added.filter((row) => !gone.has(row.id))])) as Rows;
