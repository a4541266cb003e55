/** The devices between a bank and a circuit's far end, and whether the lowest opens alone (docs/methods.md, M7 and M8). */
import { round3 } from '../quantity';
import type { CircuitResult } from './circuitResult';
import type { Design } from '../design';
import { upFrom } from '../topology';
import { type Family, findFamily } from '../rules';
import { selectivity, type Selectivity } from '../protection';

export interface PathDevice {
  readonly circuitId: string;
  readonly name: string;
  readonly family: Family;
  readonly ratingA: number;
  /** What it carries at work. */
  readonly workingA: number;
  /** Largest prospective current at it, and what it can interrupt, A. */
  readonly faultA: number;
  readonly interruptsA: number;
  /** Against the one above it; null for the first. */
  readonly above: Selectivity | null;
}

/** From a circuit upward: each with its feeder. A loop ends where it closes; a circuit without a result or a device is left out. */
export function devicesOnPath(design: Design, circuits: readonly CircuitResult[], circuitId: string): PathDevice[] {
  const results = new Map(circuits.map((r) => [r.id, r]));
  const chain = upFrom(design.circuits, circuitId).flatMap((c) => results.get(c.id) ?? []);
  const devices = chain.flatMap((r): (Omit<PathDevice, 'above'> & { readonly demandA: number })[] => {
    const { protection } = r.own;
    const family = findFamily(protection.familyId);
    if (!family || protection.missing) return [];
    return [
      {
        circuitId: r.id,
        name: `${r.no} ${r.name}`.trim(),
        family,
        ratingA: protection.ratingA,
        workingA: r.workingA,
        faultA: protection.faultA,
        interruptsA: protection.interruptsA,
        demandA: r.workingA,
      },
    ];
  });
  return devices.map(({ demandA, ...d }, i): PathDevice => {
    const upper = devices[i + 1];
    return { ...d, above: upper ? selectivity(upper, d, d.faultA, Math.max(0, upper.demandA - demandA)) : null };
  });
}

/** A device against the next above it, in words. */
export function selectivityText(s: Selectivity | null): string {
  if (s === null) return 'nothing above it';
  if (s.verdict === 'selective') return 'opens alone';
  if (s.verdict === 'never') return 'the one above may open with it';
  return `alone up to ${round3(s.untilA ?? 0)} A, then both may open`;
}
