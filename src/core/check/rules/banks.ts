/** Rules on banks, their boxes, BMS and links, and on what joins them. */
import { type Bank, type BankTie, blocksV, engineFor, setOp, rowOf, startBankOf } from '../../design';
import { crankIndex } from '../../energy';
import { BAD, bankSource, cranking, sharingOf, UNEVEN } from '../../bank';
import { sizeName, show } from '../../quantity';
import { fitCount } from '../../mounting';
import { FAMILY_ORDER, findFamily, NEARLY } from '../../rules';
import { ASK_SHORT, type Said, SOURCES, when } from '../rule';
import type { ChargingRule } from './chargingRule';
import type { ChargingParts } from './reads';

type Row = Omit<ChargingRule, 'find' | 'about' | 'source'> & { readonly source?: string };

export interface Pair {
  readonly first: Bank;
  readonly second: Bank;
}

/** The two banks of a tie; null where they are not two. */
export function pairOf(design: Pick<ChargingParts, 'banks'>, tie: BankTie): Pair | null {
  const [first, second] = [rowOf(design.banks, tie.firstId), rowOf(design.banks, tie.secondId)];
  return first && second && first.id !== second.id ? { first, second } : null;
}
const tie = (row: Row, told: (j: BankTie, pair: Pair | null, design: ChargingParts) => readonly Said[]): ChargingRule => ({
  source: SOURCES.practice,
  ...row,
  about: 'join',
  find: (design) => design.joins.flatMap((j) => told(j, pairOf(design, j), design).map((t) => ({ ...t, id: j.id }))),
});
const bank = (row: Row, told: (b: Bank, design: ChargingParts) => readonly Said[]): ChargingRule => ({
  source: SOURCES.maker,
  ...row,
  about: 'bank',
  find: (design) => design.banks.flatMap((b) => told(b, design).map((t) => ({ ...t, id: b.id }))),
});

/** A bank's main fuse has this rating and more. Ours. */
const MAIN_A = 200;
/** The family for a bank's main fuse that interrupts most, A at the bank's volts when full. */
function strongestMain(fullV: number): { readonly family: string; readonly amps: number } {
  const rows = FAMILY_ORDER.bank.flatMap((id) => findFamily(id) ?? []).filter((f) => f.ratingsA.some((r) => r >= MAIN_A));
  const all = rows.map((f) => ({ family: f.name, amps: f.interrupting.find((at) => at.volts >= fullV)?.amps ?? 0 }));
  return all.reduce((a, b) => (b.amps > a.amps ? b : a), { family: 'none', amps: 0 });
}

/** Least volts of a starter over its battery's nominal: 9 of 12 is usual; outside these it is another voltage's. Ours. */
const STARTER_PART = { low: 0.5, high: 0.95 } as const;

const throughA = (design: ChargingParts, joinId: string): number =>
  design.sources.filter((s) => s.joinId === joinId).reduce((sum, s) => sum + s.ratedA, 0);

export const TIE_RULES: readonly ChargingRule[] = [
  tie(
    {
      id: 'join-ends',
      severity: 'fix',
      reads: ['joins.firstId', 'joins.secondId'],
      when: 'what joins banks does not name two',
      why: 'It does nothing.',
      todo: 'Say which two.',
      hazard: 'none',
      confirm: 'nothing',
      source: SOURCES.data,
      cure: (design, { about }) => {
        const [a, b] = design.banks;
        return a && b ? [setOp(design, ['joins', about.id, 'firstId'], a.id), setOp(design, ['joins', about.id, 'secondId'], b.id)] : null;
      },
    },
    (_, pair) => when(pair === null, () => ({ title: 'does not join two banks' })),
  ),
  tie(
    {
      id: 'relay-volts',
      severity: 'fix',
      reads: ['joins.openV', 'joins.closeV'],
      when: 'a relay opens at higher volts than it closes at',
      why: 'It switches on and off without end.',
      todo: 'Set the opening volts below the closing.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.maker,
      cure: (design, { about }) => {
        const j = rowOf(design.joins, about.id);
        return j ? [setOp(design, ['joins', about.id, 'openV'], Math.round(10 * (j.closeV - 0.5)) / 10)] : null;
      },
    },
    (j, pair) =>
      when(pair !== null && j.kind === 'relay' && j.openV >= j.closeV, () => ({ title: 'opens at higher volts than it closes at' })),
  ),
  tie(
    {
      id: 'mixed',
      severity: 'stop',
      reads: ['joins', 'banks.chemistry'],
      when: 'iron phosphate is tied to lead-acid',
      why: 'Iron phosphate pours into lead-acid, and their settings never agree.',
      todo: 'A DC–DC charger between them.',
      hazard: 'fire',
      confirm: 'nothing',
    },
    (_, pair) =>
      when(pair !== null && (pair.first.chemistry === 'lfp') !== (pair.second.chemistry === 'lfp'), () => ({
        title: `joins ${pair?.first.name ?? ''} and ${pair?.second.name ?? ''}, of different chemistries`,
      })),
  ),
  tie(
    {
      id: 'join-volts',
      severity: 'stop',
      reads: ['joins', 'banks.blockV', 'banks.series'],
      when: 'banks of different volts are tied together',
      why: 'Thousands of amps flow.',
      todo: 'A DC–DC converter between them.',
      hazard: 'fire',
      confirm: 'a meter',
    },
    (_, pair) =>
      when(pair !== null && pair.first.blockV * pair.first.series !== pair.second.blockV * pair.second.series, () => ({
        title: 'joins banks of different volts',
      })),
  ),
  tie(
    {
      id: 'join-rating',
      severity: 'fix',
      reads: ['joins.ratedA', 'sources.ratedA', 'sources.joinId'],
      when: 'sources send more through what ties two banks than it is rated for',
      why: 'It overheats.',
      todo: 'One with a higher rating.',
      hazard: 'fire',
      confirm: 'eyes',
      source: SOURCES.maker,
    },
    (j, pair, design) =>
      when(pair !== null && throughA(design, j.id) > j.ratedA, () => ({
        title: `${throughA(design, j.id)} A go through its ${j.ratedA} A`,
      })),
  ),
];

export const BANK_RULES: readonly ChargingRule[] = [
  bank(
    {
      id: 'box',
      severity: 'fix',
      reads: ['banks.box', 'banks.sheet'],
      when: 'more blocks than their box takes',
      why: 'Upright, side by side, 10 mm (3/8 in) of air between.',
      todo: 'A larger box, fewer blocks, or others.',
      hazard: 'none',
      confirm: 'eyes',
    },
    ({ box, sheet, series, strings }) => {
      const { lengthMm, widthMm, heightMm } = sheet;
      if (!box || lengthMm === null || widthMm === null || heightMm === null) return [];
      const fits = fitCount(box, { lengthMm, widthMm, heightMm });
      return when(fits < series * strings, () => ({ title: `${series * strings} blocks, its box takes ${fits}` }));
    },
  ),
  bank(
    {
      id: 'bms-unknown',
      severity: 'fix',
      reads: ['banks.bms'],
      when: 'nothing is entered of the BMS of an iron phosphate bank',
      why: 'When it opens, and what that does to the alternator and to what is aboard, is not known.',
      todo: 'Enter where it opens, and whether it warns before.',
      hazard: 'damage',
      confirm: 'eyes',
    },
    ({ bms, chemistry }) => when(chemistry === 'lfp' && bms === null, () => ({ title: 'nothing is entered of its BMS' })),
  ),
  bank(
    {
      id: 'cca-unknown',
      severity: 'note',
      reads: ['banks.cca', 'engine'],
      when: 'the cold cranking current of the start bank is not entered',
      why: 'A typical one for its size is used: whether the engine starts in the cold is not certain.',
      todo: 'Read it off the battery, and enter it.',
      hazard: 'stranded',
      confirm: 'eyes',
    },
    (b, design) =>
      when(b.cca === null && design.banks[crankIndex(design)]?.id === b.id && design.sources.some((x) => x.kind === 'alternator'), () => ({
        title: 'its cold cranking current is not entered',
      })),
  ),
  bank(
    {
      id: 'bms-volts',
      severity: 'fix',
      reads: ['banks.bms'],
      when: 'a BMS is entered with its low volts above its high volts',
      why: 'One of the two is wrong.',
      todo: 'Read its sheet again.',
      hazard: 'none',
      confirm: 'nothing',
    },
    ({ bms }) => when(bms !== null && bms.underV >= bms.overV, () => ({ title: 'its BMS opens low above where it opens high' })),
  ),
  bank(
    {
      id: 'bms-warns',
      severity: 'note',
      reads: ['banks.bms.warns'],
      when: 'a BMS opens without a warning before',
      why: 'Sources should stop before it does.',
      todo: 'Take a warning or charge-enable signal to each source, or an alarm.',
      hazard: 'stranded',
      confirm: 'eyes',
      cure: (design, { about }) => [setOp(design, ['banks', about.id, 'bms', 'warns'], true)],
    },
    ({ bms, chemistry }) => when(chemistry === 'lfp' && bms !== null && !bms.warns, () => ({ title: 'its BMS opens without warning' })),
  ),
  bank(
    {
      id: 'sharing',
      severity: 'fix',
      reads: ['banks.links', 'banks.strings'],
      when: 'the strings of a bank share its current unevenly',
      why: 'It works hardest, ages first, and takes the others with it.',
      todo: 'Take its load off diagonally, or by bus bars: Bank, links.',
      hazard: 'none',
      confirm: 'a meter',
      source: SOURCES.practice,
      cure: (design, { about }) => [setOp(design, ['banks', about.id, 'links', 'way'], 'bus bars')],
    },
    (b, design) => {
      // The share does not depend on the current.
      const shared = sharingOf(b, design.boat.ruleSet, 100);
      return when(shared !== undefined && shared.worstOverMean > UNEVEN, () => ({
        severity: (shared?.worstOverMean ?? 0) > BAD ? 'fix' : 'note',
        title: `one of its strings gives ${Math.round(100 * (shared?.worstOverMean ?? 0))} % of an even share`,
        ...(shared?.sizeWanted
          ? { todo: `Links of ${sizeName(design.boat.ruleSet, shared.sizeWanted)}, or its load taken off diagonally: Bank, links.` }
          : {}),
      }));
    },
  ),
  bank(
    {
      id: 'bank-short',
      severity: 'stop',
      reads: ['banks.shortCircuitA', 'banks.blockAh', 'banks.strings', 'banks.blockV'],
      when: 'by its typical resistance a bank gives a larger short than any main fuse made interrupts, and its maker’s figure is not entered',
      why: 'A fuse that cannot interrupt its short bursts and burns on.',
      todo: `${ASK_SHORT} If it is as large: fewer batteries on one bank, a higher system voltage, or fuses its maker has proved with it.`,
      hazard: 'fire',
      confirm: 'nothing',
      source: SOURCES.dc,
    },
    (b) => {
      const { faultIsMakers, largestFaultA, fullV } = bankSource(b);
      const { family, amps } = strongestMain(fullV);
      return when(!faultIsMakers && largestFaultA > amps, () => ({
        severity: largestFaultA > NEARLY * amps ? 'stop' : 'fix',
        title: `a short of it may reach ${Math.round(largestFaultA / 100) / 10} kA: more than a main fuse interrupts; its maker has not been asked`,
        why: `By a typical resistance, taken low as for any largest short. Of the fuses of ${MAIN_A} A and more that may stand at a bank, ${family} interrupts most: ${amps / 1000} kA at ${fullV.toFixed(1)} V.`,
      }));
    },
  ),
  bank(
    {
      id: 'engine-volts',
      severity: 'fix',
      reads: ['engine.crankMinV', 'engine.startBankId', 'banks.blockV', 'banks.series', 'banks.job'],
      when: 'the least volts of the starter do not suit the volts of the bank that turns the engine',
      why: 'The engine’s figures are of another voltage than its battery: every figure of its start is wrong.',
      todo: 'Enter the current and least volts of the starter that is there; or correct the blocks of its bank. Here: the least volts usual at its volts.',
      hazard: 'stranded',
      confirm: 'eyes',
      source: SOURCES.data,
      cure: (design, { about }) => {
        const start = rowOf(design.banks, about.id);
        if (!start) return null;
        // Its current is its own: what was read off it stays.
        return [setOp(design, ['engine', 'crankMinV'], engineFor(blocksV(start)).crankMinV)];
      },
    },
    (b, design) => {
      const part = design.engine.crankMinV / blocksV(b);
      return when(startBankOf(design)?.id === b.id && (part < STARTER_PART.low || part > STARTER_PART.high), () => ({
        title: `makes ${blocksV(b)} V; its starter is entered as needing ${design.engine.crankMinV} V`,
      }));
    },
  ),
  {
    id: 'cranking',
    about: 'bank',
    severity: 'fix',
    reads: ['engine', 'banks.cca', 'banks.job', 'sources.kind'],
    when: 'the start bank does not turn the engine often enough in the cold',
    why: 'The engine may not start.',
    todo: 'A larger start bank, a shorter path, or both.',
    hazard: 'stranded',
    confirm: 'a meter',
    source: SOURCES.practice,
    find: (design) => {
      const start = design.banks[crankIndex(design)];
      if (!start || !design.sources.some((s) => s.kind === 'alternator')) return [];
      const c = cranking(design, start);
      return c.passes
        ? []
        : [
            {
              id: start.id,
              title: `turns the engine ${c.starts} times at ${show(design.engine.coldC, 'C', design.boat)}, ${c.wanted} are wanted`,
              why: `${c.starterV.toFixed(1)} V at the starter from full, ${c.minV} V needed; good for ${Math.round(c.coldCrankA)} cranking amps, ${c.crankA} asked.`,
            },
          ];
    },
  },
];
