/** What changed between two designs that share their untouched parts: what a window sends to its analysis instead of the whole. */
import type { Design } from './schema';
import { share } from './share';

type Row = { readonly id: string };
type Part = keyof Design;

interface ListDelta {
  /** Ids in their new order; null when only rows changed. */
  readonly order: readonly string[] | null;
  readonly rows: readonly Row[];
}

export interface Delta {
  readonly parts: Partial<Record<Part, unknown>>;
  readonly lists: Partial<Record<Part, ListDelta>>;
}

const isList = (x: unknown): x is readonly Row[] => Array.isArray(x);

function listDelta(before: readonly Row[], after: readonly Row[]): ListDelta {
  const known = new Set<Row>(before);
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

function applied(before: readonly Row[], { order, rows }: ListDelta): readonly Row[] {
  const fresh = new Map(rows.map((r) => [r.id, r]));
  const known = new Map(before.map((r) => [r.id, r]));
  const row = (id: string): Row | undefined => {
    const [was, is] = [known.get(id), fresh.get(id)];
    return is ? share(was, is) : was;
  };
  return (order ?? before.map((r) => r.id)).flatMap((id) => row(id) ?? []);
}

/** The design after a delta; what did not change keeps its identity, so that caches keyed by it hit. */
export function withDelta(before: Design | null, delta: Delta): Design {
  const next: Record<string, unknown> = { ...before };
  for (const [part, value] of Object.entries(delta.parts)) next[part] = share(before?.[part as Part], value);
  for (const [part, list] of Object.entries(delta.lists)) next[part] = applied(next[part] as readonly Row[], list);
  return next as unknown as Design;
}
