/** What the rules on sources share: a rule asked of every source, and the cure that sets its regulator. */
import { type Bank, setOp, type Source, rowOf } from '../../design';
import { type Rule, type Said, SOURCES } from '../rule';
import type { ChargingParts } from './reads';

export type ChargingRule = Rule<ChargingParts>;
export type ChargingRow = Omit<ChargingRule, 'find' | 'about' | 'source'> & { readonly source?: string };

export const sourceOf = (design: ChargingParts, id: string) => rowOf(design.sources, id);

/** A rule asked of every source. */
export const source = (row: ChargingRow, told: (s: Source, design: ChargingParts) => readonly Said[]): ChargingRule => ({
  source: SOURCES.maker,
  ...row,
  about: 'source',
  find: (design) => design.sources.flatMap((s) => told(s, design).map((t) => ({ ...t, id: s.id }))),
});
export const bankOf = (s: Source, design: ChargingParts): Bank | undefined => rowOf(design.banks, s.bankId);
/** Sets a field of the regulator to what the battery wants. */
export const regulate =
  (change: (s: Source, bank: Bank) => Partial<Source['regulator']>): NonNullable<ChargingRule['cure']> =>
  (design, { about }) => {
    const s = sourceOf(design, about.id);
    const bank = s && bankOf(s, design);
    return s && bank
      ? Object.entries(change(s, bank)).map(([key, value]) => setOp(design, ['sources', s.id, 'regulator', key], value))
      : null;
  };
export const rounded = (volts: number): number => Math.round(10 * volts) / 10;
