/** Ways out of what is found on a source: its cables, where it senses, what it goes through, its surge, its array. Which bank it charges is not one. */
import type { Analysis } from '../analysis';
import { type Design, type Op, rowOf, setOp, type Source } from '../../design';
import { sizeName } from '../../quantity';
import { CONDUCTORS } from '../../rules';
import { bankPost, batteryCablesBetween, sourcePost } from '../../topology';
import type { Series } from './try';

/** Every cable on its way that is one size heavier, two, and so on. */
function heavierWay(design: Design, s: Source, analysis: Analysis): Series {
  if (s.bankId === null) return [];
  const bankId = s.bankId;
  const on = (['+', '-'] as const).flatMap(
    (rail) => batteryCablesBetween(design, rail === '+' ? 'positive' : 'negative', bankPost(bankId, rail), sourcePost(s.id, rail)) ?? [],
  );
  const table = CONDUCTORS[design.boat.ruleSet];
  return [1, 2, 3, 4].flatMap((steps) => {
    let most = '';
    const ops = on.flatMap((i): Op[] => {
      const lead = design.leads[i];
      const area = analysis.leads[i]?.conductor.areaMm2 ?? Infinity;
      const to = table.filter((x) => x.areaMm2 > area + 1e-9)[steps - 1];
      if (!lead || !to) return [];
      most = sizeName(to.school, to.size);
      return [setOp(design, ['leads', lead.id, 'size'], { school: to.school, size: to.size })];
    });
    return ops.length === 0 ? [] : [{ id: `cables-${steps}`, say: `its battery cables heavier, up to ${most}`, ops }];
  });
}

export function ofSource(design: Design, s: Source, analysis: Analysis): Series[] {
  const set = (path: readonly string[], to: unknown): Op => setOp(design, ['sources', s.id, ...path], to);
  const { alternator, solar } = s;
  return [
    heavierWay(design, s, analysis),
    s.regulator.sense === 'the bank'
      ? []
      : [{ id: 'sense', say: 'its sense wire led to the bank', ops: [set(['regulator', 'sense'], 'the bank')] }],
    alternator && !alternator.suppressor
      ? [{ id: 'suppressor', say: 'a surge suppressor at the alternator', ops: [set(['alternator', 'suppressor'], true)] }]
      : [],
    s.joinId === null
      ? []
      : [
          {
            id: 'straight',
            say: `its output led straight to ${rowOf(design.banks, s.bankId)?.name ?? 'its bank'}, not through ${rowOf(design.joins, s.joinId)?.name ?? 'the tie'}`,
            ops: [set(['joinId'], null)],
          },
        ],
    solar && solar.series > 1
      ? Array.from({ length: solar.series - 1 }, (_, i) => solar.series - 1 - i).map((n) => ({
          id: `series-${n}`,
          say: `${n} panel${n === 1 ? '' : 's'} in series instead of ${solar.series}`,
          ops: [set(['solar', 'series'], n)],
        }))
      : [],
    solar
      ? [1, 2].map((n) => ({
          id: `series-${solar.series + n}`,
          say: `${solar.series + n} panels in series instead of ${solar.series}`,
          ops: [set(['solar', 'series'], solar.series + n)],
        }))
      : [],
  ];
}
