/** A fuse at each of several batteries in parallel (docs/methods.md, M5). */
import { findFamily, type School } from '../rules';
import type { Bank } from '../design';
import { bankSource } from './bankSource';
import { sharingOf } from './sharing';

export interface StringFuse {
  /** What one battery carries where they share worst, A. */
  readonly shareA: number;
  /** Least rating: 1.25 times that, A; and the first that is made which also carries the rest with one open, null where none is. */
  readonly leastA: number;
  readonly ratingA: number | null;
  /** What each of the others carries with one fuse open, A. */
  readonly oneOpenA: number;
  /** Largest short at one battery: its own, or what the others bring, A; and what the family interrupts. */
  readonly faultA: number;
  readonly interruptsA: number;
}

/** 1.25 times the share: charging and discharging pass by it for hours. */
const OVER = 1.25;
/** The family that interrupts a lithium bank's short at its own terminal. */
export const STRING_FUSE_FAMILY = 'class-T';

/** @param currentA the largest the whole bank gives or takes. undefined for one battery alone. */
export function stringFuse(bank: Bank, school: School, currentA: number): StringFuse | undefined {
  if (bank.strings < 2) return undefined;
  const sharing = sharingOf(bank, school, Math.max(currentA, 1));
  const shareA = (currentA / bank.strings) * (sharing?.worstOverMean ?? 1);
  const family = findFamily(STRING_FUSE_FAMILY);
  const leastA = OVER * shareA;
  const oneOpenA = currentA / (bank.strings - 1);
  const { postsFaultA, fullV } = bankSource(bank);
  return {
    shareA,
    leastA,
    ratingA: family?.ratingsA.find((r) => r >= Math.max(leastA, oneOpenA) - 1e-9) ?? null,
    oneOpenA,
    faultA: (postsFaultA * Math.max(1, bank.strings - 1)) / bank.strings,
    interruptsA: family?.interrupting.find((at) => at.volts >= fullV)?.amps ?? 0,
  };
}
