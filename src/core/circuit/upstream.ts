/** What stands before a circuit's way: the path back to the bank, reduced to what the circuit needs of it. */
import type { Place } from '../design';
import type { BankSource } from '../bank';

export interface Upstream {
  readonly bank: BankSource | null;
  /** Circuits from the bank to here, nearest the bank first. */
  readonly chain: readonly string[];
  /** Lost from the posts to this way as usual, V: by hour of the day, then by hour with everything for safety on. Empty at the posts. */
  readonly lostV: readonly number[];
  /** The most of it in the hours that count for what is asked, V. */
  readonly dropV: number;
  /** Hot loop resistance from the posts to here, ohm: what an extra ampere costs. */
  readonly hotOhm: number;
  /** Loop resistance for the largest fault (20 degC, joints and devices zero) and the smallest (at rating, joints and devices in). */
  readonly coldOhm: number;
  readonly faultHotOhm: number;
  /** Current the bank gives with everything at demand, A. */
  readonly bankDemandA: number;
  readonly place: Place | null;
  readonly atBank: boolean;
  /** Rating of the device next upstream, A; null at the bank. */
  readonly feederRatingA: number | null;
}

export const NOWHERE: Upstream = {
  bank: null,
  chain: [],
  lostV: [],
  dropV: 0,
  hotOhm: 0,
  coldOhm: 0,
  faultHotOhm: 0,
  bankDemandA: 0,
  place: null,
  atBank: false,
  feederRatingA: null,
};

/** Largest and smallest prospective fault current, A, behind extra loop resistance (docs/methods.md, M7, radial path). */
export const largestFaultA = (up: Upstream, extraOhm: number): number => {
  if (!up.bank) return 0;
  const source = up.bank.fullV / up.bank.postsFaultA;
  return up.bank.fullV / (source + up.coldOhm + extraOhm);
};

export const smallestFaultA = (up: Upstream, extraOhm: number): number =>
  up.bank ? up.bank.smallestV / (up.bank.smallestOhm + up.faultHotOhm + extraOhm) : 0;
