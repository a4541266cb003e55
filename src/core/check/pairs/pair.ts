/** A rule with a boat that is right, and the one fact that makes it wrong. */
import { type Design, valueAt } from '../../design';

export interface Pair {
  readonly rule: string;
  /** Kind of thing, where two rules have one name. */
  readonly about?: string;
  readonly right: Design;
  /** The one fact, and what makes it wrong. */
  readonly path: readonly string[];
  readonly wrong: unknown;
}

/** A copy with the value at a path (rows by id) replaced; a list at the end of a path is replaced whole, or has a row added to it. */
export function withFact(root: unknown, path: readonly string[], to: unknown): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return to;
  if (Array.isArray(root)) return (root as { id: string }[]).map((row) => (row.id === step ? withFact(row, rest, to) : row));
  const record = root as Record<string, unknown>;
  return { ...record, [step]: withFact(record[step], rest, to) };
}

export const wrongOf = ({ right, path, wrong }: Pair): Design => withFact(right, path, wrong) as Design;

export const pair = (rule: string, right: Design, path: string, wrong: unknown, about?: string): Pair => ({
  rule,
  right,
  path: path.split('.'),
  wrong,
  ...(about ? { about } : {}),
});
/** One row more. */
export const more = (rule: string, right: Design, list: keyof Design & string, row: object): Pair => ({
  rule,
  right,
  path: [list],
  wrong: [...(valueAt(right, [list]) as readonly object[]), row],
});
