/** Equality and structural sharing of plain JSON values. */

const isObject = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null;

/** Deep equality of JSON values. Runs on whole designs at every keystroke: it allocates nothing. */
export function equal(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (!isObject(a) || !isObject(b)) return Number.isNaN(a) && Number.isNaN(b);
  if (Array.isArray(a)) {
    if (!Array.isArray(b) || a.length !== b.length) return false;
    for (let i = 0; i < a.length; i++) if (!equal(a[i], b[i])) return false;
    return true;
  }
  if (Array.isArray(b)) return false;
  let more = 0;
  for (const k in a) {
    if (!equal(a[k], b[k]) || !Object.hasOwn(b, k)) return false;
    more++;
  }
  for (const _ in b) more--;
  return more === 0;
}

/** next, but with every part that equals the same part of prev replaced by prev's own object, so that caches keyed by identity hit. */
export function share<T>(prev: unknown, next: T): T {
  if (equal(prev, next)) return prev as T;
  if (!isObject(prev) || !isObject(next) || Array.isArray(prev) !== Array.isArray(next)) return next;
  if (Array.isArray(next)) {
    const before = prev as unknown as readonly unknown[];
    const idOf = (row: unknown, i: number): unknown => (isObject(row) && 'id' in row ? row.id : i);
    const inPlace = before.length === next.length && before.every((row, i) => idOf(row, i) === idOf(next[i], i));
    const byId = inPlace ? null : new Map(before.map((row, i) => [idOf(row, i), row]));
    return next.map((row: unknown, i) => share(byId ? byId.get(idOf(row, i)) : before[i], row)) as T;
  }
  const out: Record<string, unknown> = {};
  for (const k of Object.keys(next)) out[k] = share(prev[k], next[k as keyof T]);
  return out as T;
}
