/** Knowing less never warns less: a fact taken away takes no stop and no fix with it without one that asks for the fact. */
import { randomBoat } from '../../testing/randomBoat';
import { findingsAfresh } from '../analysis';
import { type Design, type Finding, valueAt } from '../design';
import { PAIRS, withFact, wrongOf } from './pairs';
import { ruleRows } from './table';

type Path = readonly string[];
/** Every path of a fact, through rows of lists and parts of rows. */
function below(root: unknown, [step, ...rest]: Path, at: Path = []): Path[] {
  if (Array.isArray(root)) return (root as { id: string }[]).flatMap((row) => below(row, [step ?? '', ...rest], [...at, row.id]));
  if (root === null || root === undefined) return [];
  return step === undefined ? [at] : below((root as Record<string, unknown>)[step], rest, [...at, step]);
}

/** Facts that may be not entered, each with the rule that then asks for it. */
const FACTS: readonly (readonly [fact: string, asks: string])[] = [
  ['loads.placeId', 'no-place'],
  ['panels.placeId', 'panel-no-place'],
  ['acSources.placeId', 'ac-no-place'],
  ['banks.bms', 'bms-unknown'],
  ['banks.cca', 'cca-unknown'],
  ['circuits.devices.ratingA', 'device-unrated'],
  ['circuits.devices.placeId', 'device-no-place'],
  ['leads.through.ratingA', 'lead-device-unrated'],
  ['loads.makerFuseA', 'sheet-unread'],
  ['loads.makerFuseFamily', 'sheet-unread'],
  ['loads.maxLeadM', 'sheet-unread'],
  ['loads.minV', 'sheet-unread'],
  ['loads.minBankAh', 'sheet-unread'],
  ['loads.surgeA', 'sheet-unread'],
  ['loads.kind', 'kind-unknown'],
  ['panels.maxTotalA', 'panel-unrated'],
  ['panels.maxWayA', 'panel-unrated'],
  ['banks.placeId', 'bank-no-place'],
  ['banks.sheet.heightMm', 'box-unknown'],
  ['banks.sheet.lengthMm', 'box-unknown'],
  ['banks.sheet.widthMm', 'box-unknown'],
  ['sources.placeId', 'source-no-place'],
  ['acSources.shore.pedestalOhm', 'pedestal-unknown'],
];
/** Of a load nobody has read the sheet of: what its maker says is not known, rather than nothing. */
const unread = (design: Design, [list, id]: Path): Design =>
  list === 'loads' ? (withFact(design, ['loads', id ?? '', 'research'], 'unread') as Design) : design;
const grave = (f: Finding): boolean => f.severity !== 'note';

/** Stops and fixes that go with a fact while nothing asks for it. */
function silenced(design: Design): string[] {
  const before = findingsAfresh(design, false);
  if (!before.some(grave)) return [];
  return FACTS.flatMap(([fact, asks]) => {
    return below(design, fact.split('.')).flatMap((path) => {
      // A lead-acid bank without a BMS has none: that is no fact that is missing.
      if (valueAt(design, path) === null || (fact === 'banks.bms' && valueAt(design, ['banks', path[1] ?? '', 'chemistry']) !== 'lfp'))
        return [];
      const less = unread(withFact(design, path, null) as Design, path);
      const after = findingsAfresh(less, false);
      const still = new Set(after.map((f) => f.id));
      const gone = before.filter((f) => grave(f) && !still.has(f.id));
      if (gone.length === 0) return [];
      const asked = after.some((f) => f.rule === asks && (f.about.id === path[1] || f.about.kind === 'circuit' || f.about.kind === 'boat'));
      return asked ? [] : gone.map((f) => `${path.join('.')}: ${f.id}`);
    });
  });
}

test('every asking rule is in the table, and reads its fact', () => {
  for (const [fact, asks] of FACTS) expect(ruleRows().find((r) => r.id === asks)?.reads).toContain(fact);
});

test.each(
  PAIRS.filter((p) => FACTS.some(([fact]) => fact.split('.')[0] === p.path[0] && p.path.length > 1)).map((p): [string, string, Design] => [
    p.rule,
    p.path.join('.'),
    wrongOf(p),
  ]),
)('the boat that breaks %s by %s', (_, __, design) => expect(silenced(design)).toEqual([]));

test.each([1, 2, 3])('random boats, lot %i', (lot) => {
  for (let seed = 1000 + 4 * lot; seed < 1004 + 4 * lot; seed++)
    expect(silenced(randomBoat(seed)).map((s) => `seed ${seed}, ${s}`)).toEqual([]);
});
