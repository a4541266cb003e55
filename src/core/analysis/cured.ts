/** What curing a finding does: its edits, whether it goes, and what comes in its place. */
import { applyEdit, type Design, type Finding, type Op } from '../design';
import { ruleOf } from '../check';
import { findingsAfresh } from './studied';

/** The edits that cure a finding, of its rule; null where nothing can be done here but by hand. */
export function cureOf(design: Design, finding: Finding): readonly Op[] | null {
  const ops =
    ruleOf(finding)
      ?.cure?.(design, finding)
      ?.filter((op) => op !== undefined) ?? [];
  return ops.length > 0 ? ops : null;
}

export interface Cured {
  readonly ops: readonly Op[];
  /** The finding is gone with them. */
  readonly gone: boolean;
  /** Stops and fixes that come with them. */
  readonly brings: readonly Finding[];
}

/** @param before every finding of the design as it is. */
export function cured(design: Design, before: readonly Finding[], finding: Finding): Cured | null {
  const ops = cureOf(design, finding);
  if (!ops) return null;
  const edited = applyEdit(design, { ops: [...ops] });
  if (!edited.ok) return null;
  const after = findingsAfresh(edited.design, false);
  const known = new Set(before.map((f) => f.id));
  return {
    ops,
    gone: !after.some((f) => f.id === finding.id),
    brings: after.filter((f) => f.severity !== 'note' && !known.has(f.id)),
  };
}
