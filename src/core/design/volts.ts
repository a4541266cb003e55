/** Nominal volts a bank stands for: what is fed from it and what charges it is judged by them. */
import { rowOf } from './rowOf';
import type { Bank, Design } from './schema';

/** Volts of its blocks in series. */
export const blocksV = (bank: Pick<Bank, 'blockV' | 'series'>): number => bank.blockV * bank.series;

/**
 * V. Of a house bank, and where there is none, the boat's own: a house bank that makes others is a finding, not a second system.
 * A start bank and a bank for one job have their own: a 12 V engine on a 24 V boat, a 24 V thruster on a 12 V boat.
 */
export function nominalVOf({ boat, banks }: Pick<Design, 'boat' | 'banks'>, bankId: string | null | undefined): number {
  const bank = rowOf(banks, bankId ?? null);
  return bank && bank.job !== 'house' ? blocksV(bank) : boat.systemV;
}

/** The nominal system that volts typed for a machine belong to: 13.8 V is one of 12. */
export const madeForV = (volts: number): 12 | 24 | 48 => (volts < 17 ? 12 : volts < 34 ? 24 : 48);
