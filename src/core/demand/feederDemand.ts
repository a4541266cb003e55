/** What a feeder has to carry (docs/methods.md, M0). */
import type { School } from '../rules';
import type { Usual } from './usual';

export interface DemandItem extends Usual {
  readonly loadId: string;
  readonly name: string;
  /** May run together for long: navigation lights, pumps, blowers, electronics, refrigeration. */
  readonly runsLong: boolean;
}

/** A start on a circuit or panel. */
export interface Surge {
  readonly tapIndex: number;
  readonly name: string;
  /** Whole circuit while that load starts, A, and for how long. */
  readonly circuitA: number;
  readonly loadA: number;
  /** What it adds to the working current upstream, A. */
  readonly addsA: number;
  readonly seconds: number;
  readonly minV: number;
}

export interface Demand {
  readonly demandA: number;
  readonly togetherA: number;
  readonly otherA: number;
  readonly largestOtherA: number;
  readonly everythingA: number;
  /** What the loads ask for, and what sources send the other way; the feeder carries whichever is more. */
  readonly loadsA: number;
  readonly chargingA: number;
}

/**
 * Feeder demand, A. awg: A + max(10 % of B, largest of B). metric: sum x diversity, never less than the largest item.
 * Never less than everything that charges through it at once.
 */
export function feederDemand(
  school: School,
  items: readonly (Pick<DemandItem, 'currentA' | 'runsLong'> & Partial<Pick<DemandItem, 'charging'>>)[],
  diversity: number,
): Demand {
  let chargingA = 0;
  let togetherA = 0;
  let otherA = 0;
  let largestOtherA = 0;
  let largestA = 0;
  for (const item of items) {
    if (item.charging) {
      chargingA += item.currentA;
      continue;
    }
    largestA = Math.max(largestA, item.currentA);
    if (item.runsLong) togetherA += item.currentA;
    else {
      otherA += item.currentA;
      largestOtherA = Math.max(largestOtherA, item.currentA);
    }
  }
  const everythingA = togetherA + otherA;
  const loadsA = school === 'awg' ? togetherA + Math.max(0.1 * otherA, largestOtherA) : Math.max(everythingA * diversity, largestA);
  return { demandA: Math.max(loadsA, chargingA), togetherA, otherA, largestOtherA, everythingA, loadsA, chargingA };
}
