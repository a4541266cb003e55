/** What the rules on the main side share. */
import { dropOp, type BatteryCable, type BatteryCableEnd } from '../../design';
import { type BatteryCableResult } from '../../mainSide';
import { type Rule } from '../rule';
import type { MainSideParts } from './reads';

export interface MainSideFacts {
  readonly design: MainSideParts;
  /** By their order in the design. */
  readonly leads: readonly BatteryCableResult[];
}

export type MainSideRule = Rule<MainSideFacts>;
export type MainSideRow = Omit<MainSideRule, 'find' | 'about' | 'source'> & { readonly source?: string };

export const endsOn = (lead: BatteryCable, kind: BatteryCableEnd['kind'], id: string): boolean =>
  [lead.from, lead.to].some((e) => e.kind === kind && e.id === id);

/** The cable is taken off. */
export const removeIt: MainSideRule['cure'] = (design, { about }) => [dropOp(design, 'leads', about.id)];
