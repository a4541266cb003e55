/** Rules on motors that start behind AC breakers. */
import { type AcCircuitResult, type AcParts, type BreakerStart, type RunStarts, startsBehind } from '../../ac';
import { rowOf, setOp } from '../../design';
import { round3 } from '../../quantity';
import { type Rule, SOURCES } from '../rule';
import type { AcRunFacts } from './acRuns';

const names = (design: AcParts, { ids }: BreakerStart): string => ids.map((id) => rowOf(design.acLoads, id)?.name ?? id).join(', ');

/** Runs with motors behind them, and the results they were judged by. */
function starting({ design, results }: AcRunFacts): readonly { readonly starts: RunStarts; readonly run: AcCircuitResult }[] {
  return startsBehind(design, results).flatMap((starts) => {
    const run = results.find((r) => r.id === starts.id);
    return run ? [{ starts, run }] : [];
  });
}

export const AC_START_RULES: readonly Rule<AcRunFacts>[] = [
  {
    id: 'ac-start-opens',
    about: 'AC circuit',
    severity: 'fix',
    reads: ['acLoads.surgeVa', 'acCircuits.ratingA', 'acCircuits.family', 'acRules.wanted'],
    when: 'a motor’s start, beside what is wanted together, may open a breaker before it is over',
    why: 'The breaker opens now and then as it starts, mostly when the volts are low.',
    todo: 'A breaker that carries the start, with the cable it asks for; a soft starter; or start it with less beside it.',
    hazard: 'none',
    confirm: 'a meter',
    source: SOURCES.ac,
    find: (facts) =>
      starting(facts).flatMap(({ starts, run }) =>
        starts.alone
          .filter((s) => s.opens)
          .map((s) => ({
            id: run.id,
            suffix: ` ${s.ids[0] ?? ''}`,
            title: `${names(facts.design, s)} starting may open its ${round3(run.ratingA)} A`,
            why: `The start takes ${round3(s.amps)} A for ${round3(s.seconds)} s; the quickest ${run.family.name} of ${round3(run.ratingA)} A opens before that.`,
          })),
      ),
    cure: (design, { about }) => {
      const c = rowOf(design.acCircuits, about.id);
      return c?.ratingA != null && c.outlets === 0 ? [setOp(design, ['acCircuits', c.id, 'ratingA'], null)] : null;
    },
  },
  {
    id: 'ac-blackout',
    about: 'AC circuit',
    severity: 'note',
    reads: ['acLoads.surgeVa', 'acLoads.runsLong', 'acCircuits.ratingA', 'acCircuits.family'],
    when: 'all motors that start by themselves, starting at once after a blackout, may open a breaker',
    why: 'The power comes back and goes again, and nobody aboard notices until the food is warm.',
    todo: 'Some of them with a delayed start, or switched on by hand after a blackout.',
    hazard: 'none',
    confirm: 'nothing',
    source: SOURCES.practice,
    find: (facts) =>
      starting(facts).flatMap(({ starts: { blackout: s, alone }, run }) =>
        s?.opens && alone.every((x) => !x.opens)
          ? [
              {
                id: run.id,
                title: `${names(facts.design, s)} starting at once may open its ${round3(run.ratingA)} A`,
                why: `After a blackout they take ${round3(s.amps)} A for ${round3(s.seconds)} s together.`,
              },
            ]
          : [],
      ),
  },
];
