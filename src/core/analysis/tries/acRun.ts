/** Ways out of what is found on an AC run: heavier conductors on its way, another breaker, everything left to the program. */
import { acCircuits, chainsTo } from '../../ac';
import { type AcCircuit, type Design, type Op, rowOf, setOp } from '../../design';
import { sizeName } from '../../quantity';
import { AC_FAMILIES, CONDUCTORS } from '../../rules';
import type { Series, Try } from './try';

/** Sizes heavier that are tried of one run. */
const STEPS = 5;

export function acRun(design: Design, c: AcCircuit): Series[] {
  const results = acCircuits(design);
  const set = (of: AcCircuit, key: keyof AcCircuit, to: unknown): Op => setOp(design, ['acCircuits', of.id, key], to);
  const now = rowOf(results, c.id);
  const before = [...new Set(chainsTo(design, c).flatMap(({ circuits }) => circuits.slice(0, -1)))];
  const heavier = (of: AcCircuit): Series => {
    const area = rowOf(results, of.id)?.conductor.areaMm2 ?? Infinity;
    return CONDUCTORS[design.boat.ruleSet]
      .filter((s) => s.areaMm2 > area + 1e-9)
      .slice(0, STEPS)
      .map((s): Try => ({
        id: `ac-${of.id}-${s.size}`,
        say: `${sizeName(s.school, s.size)} in ${of === c ? 'its own run' : `${of.no} ${of.name}`.trim()}`,
        ops: [set(of, 'size', { school: s.school, size: s.size })],
      }));
  };
  const ratings = now?.family.ratingsA ?? [];
  const rated = (r: number): Try => ({
    id: `ac-rating-${r}`,
    say: `${r} A instead of ${now?.ratingA ?? 0} A`,
    ops: [set(c, 'ratingA', r)],
  });
  return [
    c.size === null && c.ratingA === null && c.family === null
      ? []
      : [
          {
            id: 'ac-free',
            say: 'size and breaker left to the program',
            ops: [set(c, 'size', null), set(c, 'ratingA', null), set(c, 'family', null)],
          },
        ],
    heavier(c),
    ...before.map(heavier),
    ratings
      .filter((r) => r < (now?.ratingA ?? 0))
      .toReversed()
      .slice(0, 2)
      .map(rated),
    ratings
      .filter((r) => r > (now?.ratingA ?? Infinity))
      .slice(0, 2)
      .map(rated),
    ...AC_FAMILIES.filter((f) => f.id !== now?.family.id).map((f): Series => [
      { id: `ac-family-${f.id}`, say: `a ${f.name} instead of the ${now?.family.name ?? 'breaker'}`, ops: [set(c, 'family', f.id)] },
    ]),
  ];
}
