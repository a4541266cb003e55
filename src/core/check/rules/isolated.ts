/** Rules on a bank that is on no common negative: what ties it to the rest after all. */
import { type Bank, dropOp } from '../../design';
import { bankPost, endNode, returnBar, together } from '../../topology';
import { SOURCES, type Told, when } from '../rule';
import type { ChargingRule } from './chargingRule';
import type { MainSideFacts, MainSideRule } from './mainSideRule';

export const ISOLATED_RULES: readonly ChargingRule[] = [
  {
    id: 'isolated-charged',
    about: 'bank',
    severity: 'fix',
    reads: ['banks.isolated', 'joins', 'sources.dcdc', 'sources.bankId'],
    when: 'an isolated bank is charged by what ties its negative to the rest',
    why: 'Through a relay, a selector or a DC–DC with a common negative it is no longer apart.',
    todo: 'A DC–DC charger whose input and output are isolated, a shore charger or solar of its own.',
    hazard: 'stray current',
    confirm: 'a meter',
    source: SOURCES.practice,
    find: (design) =>
      design.banks.flatMap((b): readonly Told[] => {
        if (!b.isolated) return [];
        const ties = design.joins.filter((j) => j.firstId === b.id || j.secondId === b.id);
        const through = design.sources.filter((s) => s.bankId === b.id && s.kind === 'DC–DC' && !s.dcdc?.isolated);
        const names = [...ties, ...through].map((x) => x.name);
        return when(names.length > 0, () => ({ id: b.id, title: `is isolated, and ${names.join(' and ')} tie it to the rest` }));
      }),
  },
];

/** Banks whose negative hangs together with this one's, by the leads of the main side. */
function tiedTo({ design }: MainSideFacts, bank: Bank): readonly Bank[] {
  const sets = together();
  for (const l of design.leads) if (l.rail !== 'positive') sets.join(endNode(l.from, l), endNode(l.to, l));
  const own = sets.root(bankPost(bank.id, '-'));
  return design.banks.filter((b) => b.id !== bank.id && sets.root(bankPost(b.id, '-')) === own);
}

export const ISOLATED_TIED_RULES: readonly MainSideRule[] = [
  {
    id: 'isolated-tied',
    about: 'bank',
    severity: 'fix',
    reads: ['banks.isolated', 'leads'],
    when: 'a bank is entered as isolated and its negative is tied to another’s',
    why: 'What is meant to be apart shares a conductor: noise, stray current and faults pass by it.',
    todo: 'Take the tie off, or do without the isolation: then its negatives may share the common bar.',
    hazard: 'stray current',
    confirm: 'a meter',
    source: SOURCES.practice,
    cure: (design, { about }) => {
      const bar = returnBar(design, about.id);
      const ties = design.leads.filter((l) => {
        const ends = [l.from, l.to];
        return l.rail === 'negative' && ends.some((e) => e.kind === 'bar' && e.id === bar) && ends.every((e) => e.kind === 'bar');
      });
      return ties.length > 0 ? ties.map((l) => dropOp(design, 'leads', l.id)) : null;
    },
    find: (facts) =>
      facts.design.banks.flatMap((b): readonly Told[] => {
        const others = b.isolated ? tiedTo(facts, b) : [];
        return when(others.length > 0, () => ({
          id: b.id,
          title: `is entered as isolated, and its negative is tied to that of ${others.map((o) => o.name).join(' and ')}`,
        }));
      }),
  },
];
