/** What a lead of the main side has to carry, and why. */
import type { CircuitResult } from '../circuit';
import { dcdcInputA } from '../charging';
import { round3 } from '../quantity';
import { type BatteryCable, type BatteryCableEnd, outputA, rowOf, sideOfTie, startBankOf } from '../design';
import { bankPost, barNode, batteryCablesBetween, returnBar } from '../topology';
import type { LeadParts } from './parts';

export interface Carries {
  readonly amps: number;
  readonly why: string;
  /** While the engine is cranked: amps are the starter's. */
  readonly cranks: boolean;
  /** What may pass for long, A. */
  readonly lastingA: number;
}

const NOTHING: Carries = { amps: 0, why: 'nothing in a sound boat', cranks: false, lastingA: 0 };
const lasts = (amps: number, why: string): Carries => ({ amps, why, cranks: false, lastingA: amps });

/** A selector whose common post feeds the starter: what leads to it carries the start. */
export function startsThrough({ leads, bars }: Pick<LeadParts, 'leads' | 'bars'>, tieId: string): boolean {
  return leads.some((l) => {
    const both = ends(l);
    return (
      l.rail === 'positive' &&
      both.some((e) => e.kind === 'join common' && e.id === tieId) &&
      both.some((e) => e.kind === 'bar' && rowOf(bars, e.id)?.kind === 'starter')
    );
  });
}

const sum = (xs: readonly number[]): number => xs.reduce((total, x) => total + x, 0);
const ends = (lead: BatteryCable): readonly [BatteryCableEnd, BatteryCableEnd] => [lead.from, lead.to];
const barKind = (design: LeadParts, end: BatteryCableEnd) => (end.kind === 'bar' ? rowOf(design.bars, end.id)?.kind : undefined);

/** Amps of sources that end on a bank, straight or through what joins it. */
const charged = (design: LeadParts, bankId: string): number =>
  sum(
    design.sources
      .filter((s) => s.bankId === bankId || (s.bankId === null && rowOf(design.joins, s.joinId)?.firstId === bankId))
      .map(outputA),
  );

/** All that circuits from the posts of a bank ask for at work. */
const drawn = (circuits: readonly CircuitResult[], design: LeadParts, bankId: string): number =>
  sum(design.circuits.filter((c) => c.from.kind === 'bank' && c.from.id === bankId).map((c) => rowOf(circuits, c.id)?.workingA ?? 0));

/** Whether a negative lead lies on the starter's way back, from the block to the bank that cranks. */
function bringsTheStartBack(design: LeadParts, lead: BatteryCable): boolean {
  const start = startBankOf(design);
  const block = design.bars.find((b) => b.kind === 'engine');
  if (lead.rail !== 'negative' || !start || !block) return false;
  const way = batteryCablesBetween(design, 'negative', bankPost(start.id, '-'), barNode(block.id));
  return way?.some((i) => design.leads[i]?.id === lead.id) ?? false;
}

/** What charges the start bank from elsewhere than the engine, or by what ties it, comes back through the block. */
const backThroughBlock = (design: LeadParts): number => {
  const start = startBankOf(design);
  if (!start) return 0;
  const own = design.sources.filter((s) => s.bankId === start.id && s.kind !== 'alternator').map(outputA);
  const ties = design.joins.filter((j) => j.firstId === start.id || j.secondId === start.id).map((j) => j.ratedA);
  return sum([...own, ...ties]);
};

/** @returns the largest of what may pass for long, or the starter's current on its way. */
export function carries(design: LeadParts, circuits: readonly CircuitResult[], lead: BatteryCable): Carries {
  const { engine } = design;
  if (lead.rail === 'earth') return NOTHING;
  const forLong = lasting(design, circuits, lead);
  const starts = ends(lead).some((e) => barKind(design, e) === 'starter') || bringsTheStartBack(design, lead);
  if (!starts) return forLong;
  return { amps: engine.crankA, why: `the starter's, ${engine.crankS} s`, cranks: true, lastingA: forLong.lastingA };
}

/** What may pass for long; by way of a tie the start too. */
function lasting(design: LeadParts, circuits: readonly CircuitResult[], lead: BatteryCable): Carries {
  const { engine } = design;
  const kinds = ends(lead).map((e) => barKind(design, e));
  const bankIds = ends(lead).flatMap((e) => (e.kind === 'bank' ? [e.id] : []));
  for (const end of ends(lead)) {
    if (end.kind === 'source') {
      const source = rowOf(design.sources, end.id);
      if (source) return lasts(lead.rail === 'negative' ? source.ratedA : outputA(source), `${source.name}, rated`);
    }
    if (end.kind === 'source input') {
      const source = rowOf(design.sources, end.id);
      const from = rowOf(design.banks, source?.fromBankId);
      if (source) return lasts(dcdcInputA(source, from, design.house), `${source.name} draws it to give ${round3(source.ratedA)} A`);
    }
  }
  for (const end of ends(lead)) {
    const tie = sideOfTie(end.kind) ? rowOf(design.joins, end.id) : undefined;
    if (tie && startsThrough(design, tie.id))
      return { amps: engine.crankA, why: `the starter's by way of ${tie.name}, ${engine.crankS} s`, cranks: true, lastingA: tie.ratedA };
    if (tie) return lasts(tie.ratedA, `${tie.name}, rated`);
  }
  // From a bank's own bar to the common one flows back what charges it.
  if (lead.rail === 'negative' && ends(lead).every((e) => barKind(design, e) === 'negative bus'))
    for (const own of design.banks) {
      const bar = returnBar(design, own.id);
      if (own.job === 'house' || !ends(lead).some((e) => e.id === bar)) continue;
      const ties = design.joins.filter((j) => j.firstId === own.id || j.secondId === own.id).map((j) => j.ratedA);
      return lasts(charged(design, own.id) + sum(ties), `all that charges ${own.name}`);
    }
  if (kinds.includes('positive bus'))
    for (const id of bankIds) {
      const amps = charged(design, id);
      if (amps > 0) return lasts(amps, `all that charges ${rowOf(design.banks, id)?.name ?? ''}`);
    }
  if (kinds.includes('engine') && bankIds.length === 0) {
    const amps = sum(design.sources.filter((s) => s.kind === 'alternator').map((s) => s.ratedA));
    const back = backThroughBlock(design);
    return back > amps
      ? lasts(back, 'what charges the start bank comes back through the block')
      : lasts(amps, 'the alternators return through the block');
  }
  let worst = NOTHING;
  for (const id of bankIds) {
    const name = rowOf(design.banks, id)?.name ?? '';
    const [out, back] = [drawn(circuits, design, id), charged(design, id)];
    if (out > worst.amps) worst = lasts(out, `all that is wired from ${name}, at work`);
    if (back > worst.amps) worst = lasts(back, `all that charges ${name}`);
  }
  return worst;
}
