/** What changed between two designs that share their untouched parts: what a window sends to its analysis instead of the whole. */
import type { Design } from './schema';
import { share } from './share';

type Row = { readonly id: string };
type Part = keyof Design;

export interface ListDelta<R extends Row = Row> {
  /** Ids in their new order; null when only rows changed. */
  readonly order: readonly string[] | null;
  readonly rows: readonly R[];
}

export interface Delta {
  readonly parts: Partial<Record<Part, unknown>>;
  readonly lists: Partial<Record<Part, ListDelta>>;
}

const isList = (x: unknown): x is readonly Row[] => Array.isArray(x);

/** Rows of a list that are not the same objects as before. */
export function listDelta<R extends Row>(before: readonly R[], after: readonly R[]): ListDelta<R> {
  const known = new Set<R>(before);
  const inPlace = before.length === after.length && after.every((row, i) => row.id === before[i]?.id);
  return { order: inPlace ? null : after.map((r) => r.id), rows: after.filter((r) => !known.has(r)) };
}

/** By identity: rows and parts that are the same objects are not told. @param before null: everything is told. */
export function deltaOf(before: Design | null, after: Design): Delta {
  const parts: Partial<Record<Part, unknown>> = {};
  const lists: Partial<Record<Part, ListDelta>> = {};
  for (const part of Object.keys(after) as Part[]) {
    const [was, is] = [before?.[part] as unknown, after[part] as unknown];
    if (was === is) continue;
    if (isList(is) && isList(was)) lists[part] = listDelta(was, is);
    else parts[part] = is;
  }
  return { parts, lists };
}

/** The list after a delta; rows that were not told keep their identity. */
export function withListDelta<R extends Row>(before: readonly R[], { order, rows }: ListDelta<R>): readonly R[] {
  if (order === null && rows.length === 0) return before;
  const fresh = new Map(rows.map((r) => [r.id, r]));
  if (order === null) return before.map((r) => fresh.get(r.id) ?? r);
  const known = new Map(before.map((r) => [r.id, r]));
  return order.flatMap((id) => fresh.get(id) ?? known.get(id) ?? []);
}

/** Rows as they came, but with every part that says the same taken from the row that was there. */
const recognised = (before: readonly Row[], rows: readonly Row[]): readonly Row[] => {
  const known = new Map(before.map((r) => [r.id, r]));
  return rows.map((r) => share(known.get(r.id), r));
};

/** The design after a delta; what did not change keeps its identity, so that caches keyed by it hit. */
export function withDelta(before: Design | null, delta: Delta): Design {
  const next: Record<string, unknown> = { ...before };
  for (const [part, value] of Object.entries(delta.parts)) next[part] = share(before?.[part as Part], value);
  for (const [part, { order, rows }] of Object.entries(delta.lists)) {
    const was = next[part] as readonly Row[];
    next[part] = withListDelta(was, { order, rows: recognised(was, rows) });
  }
  return next as unknown as Design;
}
