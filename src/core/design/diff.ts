/** The edit that makes one design of another: rows added, taken away and moved, and every field that differs. */
import type { Op } from './edit';
import type { Design } from './schema';
import { equal } from './share';

type Row = { readonly id: string } & Readonly<Record<string, unknown>>;

const isRow = (x: unknown): x is Row => typeof x === 'object' && x !== null && 'id' in x && typeof x.id === 'string';
const isRows = (x: unknown): x is readonly Row[] => Array.isArray(x) && x.every(isRow);
const isPlain = (x: unknown): x is Readonly<Record<string, unknown>> => typeof x === 'object' && x !== null && !Array.isArray(x);

/** Fields of one object that differ from another's. */
const fieldOps = (path: readonly string[], was: Readonly<Record<string, unknown>>, is: Readonly<Record<string, unknown>>): Op[] =>
  Object.keys(is).flatMap((key): Op[] =>
    equal(was[key], is[key]) ? [] : [{ op: 'set', path: [...path, key], from: was[key] ?? null, to: is[key] }],
  );

function listOps(path: readonly string[], was: readonly Row[], is: readonly Row[]): Op[] {
  const ops: Op[] = [];
  const wanted = new Set(is.map((r) => r.id));
  const now = [...was];
  const drop = (at: number): void => {
    const [row] = now.splice(at, 1);
    if (row) ops.push({ op: 'drop', path: [...path], after: now[at - 1]?.id ?? null, row: { ...row } });
  };
  for (let at = now.length - 1; at >= 0; at--) if (!wanted.has(now[at]?.id ?? '')) drop(at);
  is.forEach((row, at) => {
    if (now[at]?.id === row.id) {
      ops.push(...fieldOps([...path, row.id], now[at] as Row, row));
      return;
    }
    const elsewhere = now.findIndex((r) => r.id === row.id);
    if (elsewhere >= 0) drop(elsewhere);
    ops.push({ op: 'add', path: [...path], after: is[at - 1]?.id ?? null, row: { ...row } });
    now.splice(at, 0, row);
  });
  return ops;
}

/** Ops by which the first design becomes the second; none where they say the same. */
export const diffOps = (was: Design, is: Design): Op[] =>
  (Object.keys(is) as (keyof Design)[]).flatMap((part): Op[] => {
    const [a, b]: [unknown, unknown] = [was[part], is[part]];
    if (equal(a, b)) return [];
    if (isRows(a) && isRows(b)) return listOps([part], a, b);
    if (isPlain(a) && isPlain(b)) return fieldOps([part], a, b);
    return [{ op: 'set', path: [part], from: a ?? null, to: b }];
  });
