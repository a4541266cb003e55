import type { Design } from '../design';
import type { BankSource } from './bankSource';

/** The banks the house lives on; all of them where none is for the house. */
export function houseBanks(design: Design, banks: readonly BankSource[]): readonly BankSource[] {
  const house = new Set(design.banks.filter((b) => b.job === 'house').map((b) => b.id));
  return house.size > 0 ? banks.filter((b) => house.has(b.bankId)) : banks;
}
