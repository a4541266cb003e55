/** The index of a design: rows of its lists by id, made once for each list that is asked, however often. */

/** Below this a list is gone through faster than an index is made. */
const FEW = 8;

const indexes = new WeakMap<readonly unknown[], ReadonlyMap<string, unknown>>();

/** The row of that id; undefined where there is none. @param rows a list that does not change: of a design, or of its results. */
export function rowOf<T extends { readonly id: string }>(rows: readonly T[], id: string | null | undefined): T | undefined {
  if (id === null || id === undefined) return undefined;
  if (rows.length < FEW) return rows.find((r) => r.id === id);
  let index = indexes.get(rows) as ReadonlyMap<string, T> | undefined;
  if (!index) {
    const made = new Map<string, T>();
    for (const r of rows) if (!made.has(r.id)) made.set(r.id, r);
    index = made;
    indexes.set(rows, made);
  }
  return index.get(id);
}
