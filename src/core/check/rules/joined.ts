/** Rules on banks that a selector or a relay joins: who is drained, which is sensed, what helping a flat one takes. */
import { bankSource, chemistryOf, equalising } from '../../bank';
import { type Bank, type BankTie, blocksV, rowOf, type Source, startBankOf } from '../../design';
import { batteryCablesBetween, bankPost, tieSide } from '../../topology';
import { findFamily } from '../../rules';
import { carries } from '../../protection';
import { startsThrough } from '../../mainSide';
import { round3 } from '../../quantity';
import { type Said, SOURCES, type Told, when } from '../rule';
import { type Pair, pairOf } from './banks';
import type { ChargingRule } from './chargingRule';
import type { MainSideFacts, MainSideRule } from './mainSideRule';
import type { ChargingParts } from './reads';

/** A bank that is flat, for helping it: our figure. */
const FLAT_SOC = 0.1;
/** A selector's contacts bear a start of some seconds at this many times what they bear for long: typical, ours. */
const CRANK_TIMES = 3;
/** Volts per 12 that another bank may get beside what it wants: notes from the first on, a fix when too much from the second. */
const NOTE_V = 0.15;
const FIX_V = 0.3;

/** The two banks of a tie that may stand in parallel: those of unlike volts are a stop of their own. */
function levelPair(design: Pick<ChargingParts, 'banks'>, tie: BankTie): Pair | null {
  const pair = pairOf(design, tie);
  return pair && blocksV(pair.first) === blocksV(pair.second) ? pair : null;
}

/** Whether two banks stand in parallel through it while something charges. */
const charging = (tie: BankTie): boolean => tie.kind !== 'selector' || tie.running === 'both';

/** The other bank of a pair with what it gets beside what it wants, V, as the source has its own bank set. */
function atOther(tie: BankTie, { first, second }: Pair, source: Source) {
  const own = source.bankId === second.id ? second : first;
  const other = own === first ? second : first;
  const times = blocksV(other) / 12;
  const wants = chemistryOf(other).absorptionV * times;
  // Behind a splitter both lie a drop below what is sensed at its own post.
  const dropV = tie.kind === 'splitter' && source.regulator.sense !== 'the bank' ? tie.dropV : 0;
  const gets = source.regulator.absorptionV - dropV;
  return { own, other, times, wants, gets, ownWants: chemistryOf(own).absorptionV * times };
}

export const JOINED_RULES: readonly ChargingRule[] = [
  {
    id: 'sensed-other',
    about: 'join',
    severity: 'fix',
    reads: ['joins', 'banks.chemistry', 'banks.sheet', 'sources.regulator.absorptionV', 'sources.bankId'],
    when: 'a bank charged along with another wants other volts than the sensed one is given',
    why: 'Only the bank that is sensed gets what it wants: the other is overcharged, or never full.',
    todo: 'Banks of one kind, a DC–DC charger between them, or sense the one that bears less and let the other finish from shore.',
    hazard: 'damage',
    confirm: 'a meter',
    source: SOURCES.practice,
    find: (design) =>
      design.joins.flatMap((tie): readonly Told[] => {
        const pair = levelPair(design, tie);
        // Iron phosphate beside lead-acid is a stop of its own.
        if (!pair || !charging(tie) || (pair.first.chemistry === 'lfp') !== (pair.second.chemistry === 'lfp')) return [];
        const charged = design.sources.filter(
          (s) => s.insteadOfId === null && s.kind !== 'DC–DC' && (s.bankId === pair.first.id || s.bankId === pair.second.id),
        );
        const told = charged
          .map((s) => ({ s, ...atOther(tie, pair, s) }))
          .sort((a, b) => Math.abs(b.gets - b.wants) - Math.abs(a.gets - a.wants));
        const [worst] = told;
        if (!worst) return [];
        const off = worst.gets - worst.wants;
        return when(Math.abs(off) > NOTE_V * worst.times, () => ({
          id: tie.id,
          severity: off > FIX_V * worst.times ? ('fix' as const) : ('note' as const),
          title: `${worst.other.name} gets ${worst.gets.toFixed(2)} V from ${worst.s.name} and wants ${worst.wants.toFixed(2)} V`,
          why: `${worst.own.name} is sensed. Sensed at ${worst.other.name} instead, ${worst.own.name} would get ${worst.wants.toFixed(2)} V and want ${worst.ownWants.toFixed(2)} V.`,
        }));
      }),
  },
  {
    id: 'both-drains',
    about: 'join',
    severity: 'fix',
    reads: ['joins.kind', 'joins.stopped', 'banks', 'engine.startBankId'],
    when: 'a selector is left on both with the engine stopped',
    why: 'What the house draws empties the bank that starts the engine too.',
    todo: 'Turn it to the house with the engine stopped, with a notice beside it; or a relay or DC–DC that parts them by itself.',
    hazard: 'stranded',
    confirm: 'eyes',
    source: SOURCES.practice,
    find: (design) =>
      design.joins.flatMap((tie): readonly Told[] => {
        const pair = levelPair(design, tie);
        if (!pair || tie.kind !== 'selector' || tie.stopped !== 'both') return [];
        const { first, second } = pair;
        const starts = startBankOf(design);
        const [one, two] = [bankSource(first), bankSource(second)];
        const flow = equalising(one, 1, two, 1, 0);
        const [from, to] = flow.amps >= 0 ? [first, second] : [second, first];
        const alike = Math.abs(flow.apartV) < 0.02;
        return [
          {
            id: tie.id,
            title: `on both with the engine stopped: ${starts && (starts.id === first.id || starts.id === second.id) ? `${starts.name} is emptied with the house` : 'one bank drains the other'}`,
            why: alike
              ? 'Both give what is drawn, and the older one drains the other overnight.'
              : `Full, ${from.name} stands ${Math.abs(flow.apartV).toFixed(2)} V above ${to.name} and sends it ${round3(Math.abs(flow.amps))} A until they are level.`,
          },
        ];
      }),
  },
];

/** Between the banks of a selector: cables and contact, ohm, and the devices the current of a start passes. */
function between({ design, leads }: MainSideFacts, tie: BankTie, helper: Bank, flat: Bank) {
  const [ofHelper, ofFlat] = [helper, flat].map((bank) => {
    const side = bank.id === tie.firstId ? ('first' as const) : ('second' as const);
    const way = batteryCablesBetween(design, 'positive', bankPost(bank.id, '+'), tieSide(tie.id, side)) ?? [];
    return way.flatMap((i) => leads[i] ?? []);
  });
  const all = [...(ofHelper ?? []), ...(ofFlat ?? [])];
  // Where the engine is started through the selector, the helper's own cable alone carries the start.
  const carriesIt = startsThrough(design, tie.id) ? (ofHelper ?? []) : all;
  return { ohm: all.reduce((sum, r) => sum + r.copperOhm + r.inlineOhm, 0), carriesIt };
}

const emergency: MainSideRule = {
  id: 'emergency',
  about: 'join',
  severity: 'fix',
  reads: ['joins', 'leads', 'engine.crankA', 'banks'],
  when: 'helping a flat start battery from the other bank opens a device on the way, or is more than the selector bears',
  why: 'It fails just when it is needed: a fuse opens, or the contacts weld.',
  todo: 'A slower or larger device with the cable for it, a selector rated for the start; or a lead kept aboard for it.',
  hazard: 'stranded',
  confirm: 'nothing',
  source: SOURCES.practice,
  find: (facts) => {
    const { design } = facts;
    const { engine } = design;
    const start = startBankOf(design);
    return design.joins.flatMap((tie): readonly Told[] => {
      const pair = levelPair(design, tie);
      if (!pair || tie.kind !== 'selector' || !start || (start.id !== pair.first.id && start.id !== pair.second.id)) return [];
      const helper = start.id === pair.first.id ? pair.second : pair.first;
      const { ohm, carriesIt } = between(facts, tie, helper, start);
      const surge = equalising(bankSource(helper), 1, bankSource(start), FLAT_SOC, ohm);
      const why = `${round3(surge.amps)} A flow into the flat battery as it is turned to both, then the start's ${round3(engine.crankA)} A for ${round3(engine.crankS)} s.`;
      const opens = carriesIt.flatMap((r): readonly Said[] => {
        const p = r.device?.own.protection;
        const family = p && !p.missing ? findFamily(p.familyId) : undefined;
        if (!p || !family || carries(family, p.ratingA, Math.max(engine.crankA, surge.amps), engine.crankS)) return [];
        const lead = rowOf(design.leads, r.id);
        return [
          {
            suffix: `-${r.id}`,
            title: `the ${p.ratingA} A device of ${lead?.name ?? 'its cable'} opens as ${helper.name} starts the engine`,
            why,
          },
        ];
      });
      const welds = when(engine.crankA > CRANK_TIMES * tie.ratedA, () => ({
        suffix: '-contacts',
        title: `${round3(engine.crankA)} A of a start pass contacts rated for ${round3(tie.ratedA)} A`,
        why,
      }));
      return [...opens, ...welds].map((said) => ({ ...said, id: tie.id }));
    });
  },
};

export const EMERGENCY_RULES: readonly MainSideRule[] = [emergency];
