/** Rules on how long a bank lasts with what charges it (docs/methods.md, M11). */
import { bankSource } from '../../bank';
import type { DayYield } from '../../energy';
import { type Bank, type Design, type Living, startBankOf } from '../../design';
import { round3 } from '../../quantity';
import { type Rule, SOURCES, type Told } from '../rule';

/** A way of living: what its loads take, Ah at the boat's volts, and the day gone through with its sources; null without any. */
export interface DayNeed {
  readonly livingId: string;
  readonly needAh: number;
  readonly made: DayYield | null;
}

export interface LastingFacts {
  readonly design: Pick<Design, 'banks' | 'living' | 'plan' | 'boat' | 'engine'>;
  readonly needs: readonly DayNeed[];
}

interface Loss {
  /** Of the banks together: what may be used from full, and what a day takes more than it gives, Ah. */
  readonly usableAh: number;
  readonly ahADay: number;
}

const sum = (xs: readonly number[]): number => xs.reduce((total, x) => total + x, 0);

/** A day's loss of some of the banks. */
function lossOf({ design, needs }: LastingFacts, living: Living, banks: readonly Bank[]): Loss {
  const usableAh = sum(banks.map((b) => bankSource(b).usableAh));
  const need = needs.find((n) => n.livingId === living.id);
  const house = banks.some((b) => b.job === 'house');
  const ahADay = need?.made ? -sum(banks.map((b) => need.made?.netAh[design.banks.indexOf(b)] ?? 0)) : house ? (need?.needAh ?? 0) : 0;
  return { usableAh, ahADay };
}

export const LASTING_RULES: readonly Rule<LastingFacts>[] = [
  {
    id: 'runs-down',
    about: 'bank',
    severity: 'fix',
    reads: ['plan.days', 'banks', 'sources', 'living', 'loads.hours'],
    when: 'a bank with what charges it lasts for fewer days than are wanted',
    why: 'It is empty before it is charged, and lead-acid that stays low is ruined within weeks.',
    todo: 'More charging in that way of living, a larger bank, or less use; or plan fewer days.',
    hazard: 'stranded',
    confirm: 'a meter',
    source: SOURCES.data,
    find: (facts) => {
      const { design } = facts;
      const { days } = design.plan;
      const houses = design.banks.filter((b) => b.job === 'house');
      const groups = [houses, ...design.banks.filter((b) => b.job !== 'house').map((b) => [b])].filter((g) => g.length > 0);
      const start = startBankOf(design);
      return groups.flatMap((banks): readonly Told[] => {
        const [first] = banks;
        if (!first) return [];
        const worst = design.living
          .map((living) => ({ living, ...lossOf(facts, living, banks) }))
          .filter((l) => l.ahADay > 0)
          .sort((a, b) => b.ahADay - a.ahADay)[0];
        if (!worst) return [];
        const lasts = worst.usableAh / worst.ahADay;
        if (lasts >= days) return [];
        return [
          {
            id: first.id,
            title: `lasts ${round3(lasts)} days ${worst.living.name}, ${round3(days)} are wanted`,
            why: `${round3(worst.ahADay)} Ah a day more are taken than given; ${round3(worst.usableAh)} Ah may be used from full.${first.id === start?.id ? ' The engine may then not start.' : ''}`,
          },
        ];
      });
    },
  },
];
