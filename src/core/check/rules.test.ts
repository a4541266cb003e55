/** Every rule of the table: a boat that fires it, one that differs in a single fact and does not, and a cure that cures. */
import { cured, cureOf, findingsAfresh } from '../analysis';
import { applyEdit, brokenReferences, type Design, type Finding } from '../design';
import { type Pair, PAIRS, wrongOf } from './pairs';
import { ruleRows } from './table';

const idsOf = (design: Design): Set<string> => new Set(findingsAfresh(design).map((f) => f.id));
/** What the rule says of the wrong boat and not of the right one. */
function told(pair: Pair): Finding | undefined {
  const right = idsOf(pair.right);
  return findingsAfresh(wrongOf(pair)).find(
    (f) => f.rule === pair.rule && (pair.about === undefined || f.about.kind === pair.about) && !right.has(f.id),
  );
}

test('every rule of the table has such a pair', () => {
  const covered = new Set(PAIRS.map((p) => p.rule));
  expect(
    ruleRows()
      .filter((r) => !covered.has(r.id))
      .map((r) => r.id),
  ).toEqual([]);
  const known = new Set(ruleRows().map((r) => r.id));
  expect(PAIRS.filter((p) => !known.has(p.rule)).map((p) => p.rule)).toEqual([]);
});

test('every cure is tried by such a pair', () => {
  const tried = new Set(
    PAIRS.flatMap((p) => {
      const finding = told(p);
      return finding && cureOf(wrongOf(p), finding) ? [p.rule] : [];
    }),
  );
  expect(
    ruleRows()
      .filter((r) => r.curable && !tried.has(r.id))
      .map((r) => r.id),
  ).toEqual([]);
});

describe.each(PAIRS.map((p): [string, string, Pair] => [p.rule, p.path.join('.'), p]))('%s, by %s', (_, __, pair) => {
  test('fires for the one fact', () => {
    const finding = told(pair);
    expect(finding).toBeDefined();
    for (const words of [finding?.title, finding?.why, finding?.todo]) expect(words?.length).toBeGreaterThan(3);
    expect(finding?.why).toMatch(/[.!)]$/);
  });
  const cures = ruleRows().some((r) => r.id === pair.rule && r.curable);
  if (cures)
    test('its cure, applied, takes it away or cannot be applied here', () => {
      const finding = told(pair);
      if (!finding) throw new Error('it does not fire');
      const wrong = wrongOf(pair);
      if (!cureOf(wrong, finding)) return;
      const answer = cured(wrong, findingsAfresh(wrong), finding);
      expect(answer?.gone).toBe(true);
      expect(answer?.brings.filter((f) => f.severity === 'stop').map((f) => f.id)).toEqual([]);
      const edited = applyEdit(wrong, { ops: [...(answer?.ops ?? [])] });
      expect(edited.ok && brokenReferences(edited.design)).toEqual([]);
    });
});
