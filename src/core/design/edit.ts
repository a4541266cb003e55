/** Edits: small, invertible changes of a Design that carry the value they replace, so that a stale one is noticed. */
import * as v from 'valibot';
import { BOUNDS } from './bounds';
import type { Design } from './schema';
import { equal } from './share';

const key = v.pipe(
  v.string(),
  v.maxLength(60),
  v.check((k) => k !== '__proto__' && k !== 'constructor' && k !== 'prototype', 'not a field name'),
);
const path = v.pipe(v.array(key), v.minLength(1), v.maxLength(6));
const json = v.unknown();

const OpSchema = v.variant('op', [
  /** Field at path (list rows are named by their id) from one value to another. */
  v.object({ op: v.literal('set'), path, from: json, to: json }),
  /** A row into the list at path, after the row of that id (null: first). */
  v.object({ op: v.literal('add'), path, after: v.nullable(key), row: v.looseObject({ id: key }) }),
  /** That row out of the list. */
  v.object({ op: v.literal('drop'), path, after: v.nullable(key), row: v.looseObject({ id: key }) }),
]);

export const EditSchema = v.object({
  id: v.pipe(v.string(), v.minLength(8), v.maxLength(60)),
  label: v.pipe(v.string(), v.minLength(1), v.maxLength(200)),
  ops: v.pipe(v.array(OpSchema), v.minLength(1), v.maxLength(2 * BOUNDS.loads + 2 * BOUNDS.circuits)),
});

export type Op = v.InferOutput<typeof OpSchema>;
export type Edit = v.InferOutput<typeof EditSchema>;

/** One field where the edit and the current design disagree. */
export interface Conflict {
  readonly path: readonly string[];
  /** What the author saw, what the author wants, what stands there now. null: the row does not exist. */
  readonly base: unknown;
  readonly mine: unknown;
  readonly theirs: unknown;
}

export type ApplyResult = { readonly ok: true; readonly design: Design } | { readonly ok: false; readonly conflicts: readonly Conflict[] };

type Node = Record<string, unknown> | readonly unknown[];
type Row = { readonly id: string };

const isNode = (x: unknown): x is Node => typeof x === 'object' && x !== null;
const child = (node: unknown, step: string): unknown => {
  if (!isNode(node)) return undefined;
  if (Array.isArray(node)) return (node as Row[]).find((row) => row.id === step);
  return Object.hasOwn(node, step) ? (node as Record<string, unknown>)[step] : undefined;
};

/** The value at a path, or undefined. */
export const valueAt = (root: unknown, steps: readonly string[]): unknown => steps.reduce<unknown>(child, root);

/** A copy of root with the value at the path replaced; everything beside the path is shared. */
function withValue(root: unknown, steps: readonly string[], to: unknown): unknown {
  const [step, ...rest] = steps;
  if (step === undefined) return to;
  if (Array.isArray(root)) return (root as Row[]).map((row) => (row.id === step ? withValue(row, rest, to) : row));
  if (!isNode(root)) return root;
  const record = root as Record<string, unknown>;
  return { ...record, [step]: withValue(record[step], rest, to) };
}

function withRow(list: readonly Row[], after: string | null, row: Row): Row[] {
  const at = after === null ? 0 : list.findIndex((r) => r.id === after) + 1 || list.length;
  return [...list.slice(0, at), row, ...list.slice(at)];
}

/** Applies one edit whole or not at all. With force, values that moved on are overwritten (the author has seen both). */
export function applyEdit(design: Design, edit: Pick<Edit, 'ops'>, force = false): ApplyResult {
  let current: unknown = design;
  const conflicts: Conflict[] = [];
  for (const op of edit.ops) {
    const standing = valueAt(current, op.path);
    if (op.op === 'set') {
      const parent = valueAt(current, op.path.slice(0, -1));
      if (!isNode(parent)) conflicts.push({ path: op.path, base: op.from, mine: op.to, theirs: null });
      else if (!force && !equal(standing ?? null, op.from ?? null) && !equal(standing, op.to))
        conflicts.push({ path: op.path, base: op.from ?? null, mine: op.to ?? null, theirs: standing ?? null });
      else current = withValue(current, op.path, op.to);
      continue;
    }
    const list = Array.isArray(standing) ? (standing as Row[]) : null;
    const there = list?.find((row) => row.id === op.row.id) ?? null;
    if (op.op === 'add') {
      if (!list || there) conflicts.push({ path: [...op.path, op.row.id], base: null, mine: op.row, theirs: there });
      else current = withValue(current, op.path, withRow(list, op.after, op.row));
    } else if (!list || !there) {
      if (!force) conflicts.push({ path: [...op.path, op.row.id], base: op.row, mine: null, theirs: null });
    } else if (!force && !equal(there, op.row)) {
      conflicts.push({ path: [...op.path, op.row.id], base: op.row, mine: null, theirs: there });
    } else {
      current = withValue(
        current,
        op.path,
        list.filter((row) => row.id !== op.row.id),
      );
    }
  }
  return conflicts.length > 0 ? { ok: false, conflicts } : { ok: true, design: current as Design };
}

/** The ops that take an edit back, in reverse order. */
export const inverseOps = (ops: readonly Op[]): Op[] =>
  [...ops].reverse().map((op): Op => {
    if (op.op === 'set') return { op: 'set', path: op.path, from: op.to, to: op.from };
    return { op: op.op === 'add' ? 'drop' : 'add', path: op.path, after: op.after, row: op.row };
  });

/** A set op for a field of the design, reading its present value. */
export const setOp = (design: Design, steps: readonly string[], to: unknown): Op => ({
  op: 'set',
  path: [...steps],
  from: valueAt(design, steps) ?? null,
  to,
});

export type ListName =
  | 'places'
  | 'banks'
  | 'panels'
  | 'loads'
  | 'circuits'
  | 'living'
  | 'routes'
  | 'bars'
  | 'leads'
  | 'smallLeads'
  | 'gauges'
  | 'mounts'
  | 'departures'
  | 'photos'
  | 'sources'
  | 'joins'
  | 'cruises'
  | 'studies'
  | 'acSources'
  | 'acPanels'
  | 'acLoads'
  | 'acCircuits'
  | 'options';

/** Adds a row to a list of the design, after a row or at the end. */
export function addOp<R extends Row>(design: Design, list: ListName, row: R, after?: string | null): Op {
  const rows = design[list];
  return { op: 'add', path: [list], after: after === undefined ? (rows[rows.length - 1]?.id ?? null) : after, row: { ...row } };
}

/** Removes a row; undefined when it is not there. */
export const dropOp = (design: Design, list: ListName, id: string): Op | undefined => dropOps(design, list, [id])[0];

/** Removes several rows of a list; those that are not there are left out. */
export function dropOps(design: Design, list: ListName, ids: readonly string[]): Op[] {
  let rows: readonly Row[] = design[list];
  return ids.flatMap((id): Op[] => {
    const at = rows.findIndex((r) => r.id === id);
    const row = rows[at];
    if (!row) return [];
    const after = rows[at - 1]?.id ?? null;
    rows = rows.filter((r) => r.id !== id);
    return [{ op: 'drop', path: [list], after, row: { ...row } }];
  });
}
