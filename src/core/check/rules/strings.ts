/** Rules on the fuse at each of several batteries in parallel. */
import { round3Beside } from '../../quantity';
import { bankSource, type StringFuse, stringFuse } from '../../bank';
import { dayHours, loadCurrent, loadDemand, rollUpDemand, studyVolts } from '../../demand';
import { type Bank, outputA, rowOf, setOp } from '../../design';
import { circuitOrder } from '../../topology';
import { type Rule, shortIsCause, SOURCES, type Told, when } from '../rule';
import type { DesignFacts } from './design';
import type { DesignParts } from './reads';

/** What a bank gives or takes at most for long: the demand of all that is fed from it, or all that charges it. */
function fuseOf(design: DesignParts, bank: Bank): StringFuse | undefined {
  if (bank.strings < 2) return undefined;
  const volts = studyVolts(design, bankSource(bank));
  const hours = dayHours([]);
  const loads = new Map(design.loads.map((l) => [l.id, loadDemand(l, loadCurrent(l, volts), hours)]));
  const { bankDemandA } = rollUpDemand(design, circuitOrder(design.circuits), loads);
  const takes = design.sources.reduce((sum, s) => sum + (s.bankId === bank.id ? outputA(s) : 0), 0);
  return stringFuse(bank, design.boat.ruleSet, Math.max(bankDemandA.get(bank.id) ?? 0, takes));
}

export const STRING_RULES: readonly Rule<DesignFacts>[] = [
  {
    id: 'string-fuses',
    about: 'bank',
    severity: 'fix',
    reads: ['banks.chemistry', 'banks.strings', 'banks.stringFuseA'],
    when: 'iron phosphate batteries in parallel without a fuse each',
    why: 'A battery that fails inside is fed by all the others, with thousands of amps.',
    todo: 'A fuse at each battery’s own terminal, 1.25 times its share at least and no more than its maker allows; it interrupts what the others can bring.',
    hazard: 'fire',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: ({ design }) =>
      design.banks.flatMap((b): readonly Told[] =>
        when(b.chemistry === 'lfp' && b.strings > 1 && b.stringFuseA === null, () => {
          const fuse = fuseOf(design, b);
          return {
            id: b.id,
            title: `no fuse for each of its ${b.strings} batteries`,
            ...(fuse?.ratingA
              ? { todo: `A class T fuse of ${fuse.ratingA} A at each battery’s own terminal, no more than its maker allows.` }
              : {}),
          };
        }),
      ),
    cure: (design, { about }) => {
      const bank = rowOf(design.banks, about.id);
      const rating = bank && fuseOf(design, bank)?.ratingA;
      return rating ? [setOp(design, ['banks', about.id, 'stringFuseA'], rating)] : null;
    },
  },
  {
    id: 'string-fuse-size',
    about: 'bank',
    severity: 'fix',
    reads: ['banks.stringFuseA', 'banks.strings', 'banks.links', 'circuits', 'sources'],
    when: 'the fuse at each of several batteries opens in use, leaves the others too little, or does not interrupt what they bring',
    why: 'One opens, the others carry more, and all open after it.',
    todo: 'A larger fuse, if its maker allows, even links, or less at once.',
    hazard: 'stranded',
    confirm: 'nothing',
    source: SOURCES.practice,
    find: ({ design }) =>
      design.banks.flatMap((b): readonly Told[] => {
        const rating = b.stringFuseA;
        const fuse = rating === null ? undefined : fuseOf(design, b);
        if (rating === null || !fuse) return [];
        if (fuse.faultA > fuse.interruptsA)
          return [
            {
              id: b.id,
              title: `a short at one battery is ${round3Beside(fuse.faultA, fuse.interruptsA)} A; a class T fuse interrupts ${fuse.interruptsA} A`,
              todo: 'Ask the battery’s maker for its short-circuit current: what stands here is typical of its kind unless it is entered.',
              ...shortIsCause(b.shortCircuitA === null ? b.id : null),
            },
          ];
        if (rating < fuse.leastA - 1e-9)
          return [
            {
              id: b.id,
              title: `${rating} A at each battery, whose share is ${Math.round(fuse.shareA)} A`,
              todo: `At least ${Math.ceil(fuse.leastA)} A, if its maker allows, more even links, or less at once.`,
            },
          ];
        return when(rating < fuse.oneOpenA - 1e-9, () => ({
          id: b.id,
          severity: 'note',
          title: `with one of its ${b.strings} fuses open the others carry ${Math.round(fuse.oneOpenA)} A each; they are ${rating} A`,
          todo: 'An indicator on each fuse, or less at once.',
        }));
      }),
    cure: (design, { about }) => {
      const bank = rowOf(design.banks, about.id);
      const rating = bank && fuseOf(design, bank)?.ratingA;
      return rating && rating !== bank.stringFuseA ? [setOp(design, ['banks', about.id, 'stringFuseA'], rating)] : null;
    },
  },
];
