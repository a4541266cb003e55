/** What the rules on the main side share. */
import { dropOp, type BatteryCable, type BatteryCableEnd, rowOf, sideOfTie } from '../../design';
import { endName, endNode } from '../../topology';
import { type BatteryCableResult, startsThrough } from '../../mainSide';
import { type Rule } from '../rule';
import type { MainSideParts } from './reads';

/** A battery cable that lands somewhere, with what its rules ask. */
export interface OneLead {
  readonly lead: BatteryCable;
  readonly result: BatteryCableResult | undefined;
  readonly design: MainSideParts;
  /** Rating of the device before it where it has none of its own, A; null: none. */
  readonly beforeA: number | null;
  /** A positive without a device that is no starter's. */
  readonly bare: boolean;
  readonly atBank: boolean;
}

/** The starter's own cable, or one to the selector it is started through. */
const isStarter = (design: MainSideParts, lead: BatteryCable): boolean =>
  [lead.from, lead.to].some(
    (e) => (e.kind === 'bar' && rowOf(design.bars, e.id)?.kind === 'starter') || (sideOfTie(e.kind) && startsThrough(design, e.id)),
  );

/** Rating of the device before a lead: the largest of those that end where it starts or ends. */
function upstreamA(design: MainSideParts, leads: readonly BatteryCableResult[], l: BatteryCable): number | null {
  const nodes = [endNode(l.from, l), endNode(l.to, l)];
  let most: number | null = null;
  design.leads.forEach((other, i) => {
    const rating = leads[i]?.device?.own.protection.ratingA;
    if (other.id === l.id || other.rail !== 'positive' || rating === undefined) return;
    if (nodes.includes(endNode(other.to, other))) most = Math.max(most ?? 0, rating);
  });
  return most;
}

export const gone = (design: MainSideParts, lead: BatteryCable): boolean =>
  endName(design, lead, lead.from) === null || endName(design, lead, lead.to) === null;
export const toItself = (lead: BatteryCable): boolean => endNode(lead.from, lead) === endNode(lead.to, lead);

export interface MainSideFacts {
  readonly design: MainSideParts;
  /** By their order in the design. */
  readonly leads: readonly BatteryCableResult[];
  readonly each: readonly OneLead[];
}

export const mainSideFacts = (design: MainSideParts, leads: readonly BatteryCableResult[]): MainSideFacts => ({
  design,
  leads,
  each: design.leads.flatMap((l, i): OneLead[] => {
    if (gone(design, l) || toItself(l)) return [];
    const result = leads[i];
    return [
      {
        lead: l,
        result,
        design,
        beforeA: upstreamA(design, leads, l),
        bare: l.rail === 'positive' && (!l.fused || !result?.device) && !isStarter(design, l),
        atBank: l.from.kind === 'bank' || l.to.kind === 'bank',
      },
    ];
  }),
});

export type MainSideRule = Rule<MainSideFacts>;
export type MainSideRow = Omit<MainSideRule, 'find' | 'about' | 'source'> & { readonly source?: string };

export const endsOn = (lead: BatteryCable, kind: BatteryCableEnd['kind'], id: string): boolean =>
  [lead.from, lead.to].some((e) => e.kind === kind && e.id === id);

/** The cable is taken off. */
export const removeIt: MainSideRule['cure'] = (design, { about }) => [dropOp(design, 'leads', about.id)];
