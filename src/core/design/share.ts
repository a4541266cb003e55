/** Equality and structural sharing of plain JSON values. */

const isObject = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null;

/** Deep equality of JSON values. */
export function equal(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (!isObject(a) || !isObject(b) || Array.isArray(a) !== Array.isArray(b)) return Number.isNaN(a) && Number.isNaN(b);
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((k) => Object.hasOwn(b, k) && equal(a[k], b[k]));
}

/** next, but with every part that equals the same part of prev replaced by prev's own object, so that caches keyed by identity hit. */
export function share<T>(prev: unknown, next: T): T {
  if (Object.is(prev, next)) return next;
  if (!isObject(prev) || !isObject(next) || Array.isArray(prev) !== Array.isArray(next)) return next;
  if (Array.isArray(next)) {
    const before = prev as unknown as readonly unknown[];
    const byId = new Map(before.map((row, i) => [isObject(row) && 'id' in row ? row.id : i, row]));
    const items = next.map((row: unknown, i) => share(byId.get(isObject(row) && 'id' in row ? row.id : i), row));
    return (items.length === before.length && items.every((row, i) => row === before[i]) ? prev : items) as T;
  }
  const keys = Object.keys(next);
  let same = keys.length === Object.keys(prev).length;
  const out: Record<string, unknown> = {};
  for (const k of keys) {
    out[k] = share(prev[k], next[k as keyof T]);
    if (!Object.hasOwn(prev, k) || out[k] !== prev[k]) same = false;
  }
  return (same ? prev : out) as T;
}
