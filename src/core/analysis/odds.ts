/** How sure the choice of every circuit is, kept circuit by circuit while it stands. */
import { type Odds, oddsOf, type WorkedCircuit } from '../circuit';
import type { CircuitOdds } from '../check';
import { type Memory, workedCircuit } from './analysis';
import type { Design } from '../design';

/** Odds kept from one time to the next. */
export interface OddsMemory {
  readonly circuits: Map<string, { readonly worked: WorkedCircuit; readonly odds: Odds }>;
}
export const oddsMemory = (): OddsMemory => ({ circuits: new Map() });

/** @param worked as the analysis left it. */
export function keptOdds(kept: OddsMemory, worked: WorkedCircuit): Odds {
  const { id } = worked.result;
  const before = kept.circuits.get(id);
  if (before?.worked === worked) return before.odds;
  const odds = oddsOf(worked);
  kept.circuits.set(id, { worked, odds });
  return odds;
}

/** Of a design's circuits, in their order. @param memory of its analysis. */
export function circuitOdds(design: Design, memory: Memory, kept: OddsMemory): CircuitOdds[] {
  return design.circuits.flatMap(({ id }) => {
    const worked = workedCircuit(memory, id);
    return worked ? [{ worked, odds: keptOdds(kept, worked) }] : [];
  });
}
