/** What changed between two analyses that share their untouched parts: what the worker tells its window after an edit. */
import type { Analysis, LoadResult } from './analysis';
import type { CircuitResult } from '../circuit';
import { type Finding, listDelta, type ListDelta, withListDelta } from '../design';

/** One value: put whole, or only some of its fields. */
type Patch = { readonly put: unknown } | { readonly into: Readonly<Record<string, Patch>> };

export interface AnalysisDelta {
  /** Volts, banks, balance, paths and leads: those that are other objects now. */
  readonly rest: Patch;
  readonly loads: ListDelta<LoadResult>;
  readonly findings: ListDelta<Finding>;
  readonly order: readonly string[] | null;
  readonly circuits: readonly { readonly id: string; readonly patch: Patch }[];
}

const isPlain = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x);

/** Fields that are not the same objects, three levels deep; below that a value is put whole. */
function patchOf(before: unknown, after: unknown, depth = 3): Patch {
  if (depth === 0 || !isPlain(before) || !isPlain(after)) return { put: after };
  const into: Record<string, Patch> = {};
  for (const key of Object.keys(after)) if (before[key] !== after[key]) into[key] = patchOf(before[key], after[key], depth - 1);
  return { into };
}

function patched(before: unknown, patch: Patch): unknown {
  if ('put' in patch) return patch.put;
  const after: Record<string, unknown> = { ...(before as Record<string, unknown>) };
  for (const [key, inner] of Object.entries(patch.into)) after[key] = patched(after[key], inner);
  return after;
}

/** By identity. @param before null: everything is told. */
export function analysisDelta(before: Analysis | null, after: Analysis): AnalysisDelta {
  const { circuits, loads, findings, ...rest } = after;
  const known = new Map(before?.circuits.map((c) => [c.id, c]));
  const { order } = listDelta(before?.circuits ?? [], circuits);
  return {
    rest: patchOf(before, rest),
    loads: listDelta(before?.loads ?? [], loads),
    findings: listDelta(before?.findings ?? [], findings),
    order,
    circuits: circuits.flatMap((c) => (known.get(c.id) === c ? [] : [{ id: c.id, patch: patchOf(known.get(c.id), c) }])),
  };
}

export function withAnalysisDelta(before: Analysis | null, delta: AnalysisDelta): Analysis {
  const known = new Map(before?.circuits.map((c) => [c.id, c]));
  const rows = delta.circuits.map(({ id, patch }) => patched(known.get(id), patch) as CircuitResult);
  return {
    ...(patched(before, delta.rest) as Analysis),
    loads: withListDelta(before?.loads ?? [], delta.loads),
    findings: withListDelta(before?.findings ?? [], delta.findings),
    circuits: withListDelta(before?.circuits ?? [], { order: delta.order, rows }),
  };
}
