/** Which bank turns the engine: one rule for proposals, studies, bench, cruise and audit. */
import { rowOf } from './rowOf';
import type { Bank, Design } from './schema';

/** The bank the engine names, else the first whose job it is to start; undefined where neither is. */
export const startBankOf = ({ banks, engine }: Pick<Design, 'banks' | 'engine'>): Bank | undefined =>
  rowOf(banks, engine.startBankId) ?? banks.find((b) => b.job === 'start');
