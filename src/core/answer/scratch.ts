/** A line of text answered, as programs read it. */
import type { School } from '../rules';
import { scratch } from '../scratch';

/** The answer of POST /api/scratch; a line that is not understood is told in words. */
export function scratchAnswer(line: string, ruleSet: School) {
  const result = scratch(line, null, ruleSet);
  if (!result.ok) return { ok: false as const, message: result.message };
  const { result: circuit, working, assumed } = result.answer;
  const { ladder, protection, state } = circuit.own;
  return {
    ok: true as const,
    answer: {
      workingA: circuit.workingA,
      size: ladder.chosen.size,
      legs: ladder.chosen.legs,
      school: ladder.chosen.school,
      /** null: no device. */
      ratingA: protection.missing ? null : protection.ratingA,
      family: protection.missing ? null : protection.familyId,
      dropPct: state.drop.worst?.pct ?? null,
      limitPct: state.drop.worst?.limitPct ?? null,
      governs: ladder.governs,
      assumed,
      working,
    },
  };
}
