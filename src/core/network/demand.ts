/** What a feeder has to carry (docs/methods.md, M0). */
import type { School } from '../rules/conductors';

export interface DemandItem {
  readonly loadId: string;
  readonly name: string;
  readonly currentA: number;
  /** May run together for long: navigation lights, pumps, blowers, electronics, refrigeration. */
  readonly runsLong: boolean;
  /** Runs for minutes at most (windlass, thruster, winch): no part of what others see as steady. */
  readonly brief: boolean;
}

export interface Demand {
  readonly demandA: number;
  readonly togetherA: number;
  readonly otherA: number;
  readonly largestOtherA: number;
  readonly everythingA: number;
}

/** Feeder demand, A. awg: A + max(10 % of B, largest of B). metric: sum x diversity, never less than the largest item. */
export function feederDemand(school: School, items: readonly Pick<DemandItem, 'currentA' | 'runsLong'>[], diversity: number): Demand {
  let togetherA = 0;
  let otherA = 0;
  let largestOtherA = 0;
  let largestA = 0;
  for (const item of items) {
    largestA = Math.max(largestA, item.currentA);
    if (item.runsLong) togetherA += item.currentA;
    else {
      otherA += item.currentA;
      largestOtherA = Math.max(largestOtherA, item.currentA);
    }
  }
  const everythingA = togetherA + otherA;
  const demandA = school === 'awg' ? togetherA + Math.max(0.1 * otherA, largestOtherA) : Math.max(everythingA * diversity, largestA);
  return { demandA, togetherA, otherA, largestOtherA, everythingA };
}
