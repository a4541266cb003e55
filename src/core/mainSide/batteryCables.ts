/** Every lead of the main side, each computed anew only when something says so. */
import type { CircuitResult } from '../circuit';
import { type BatteryCable, share, rowOf, partsRead } from '../design';
import type { BankSource } from '../bank';
import { sameParts } from '../topology';
import { LEAD_READS, type LeadParts } from './parts';
import { carries } from './carries';
import { batteryCableResult, type BatteryCableResult, positiveMm2 } from './sizing';

export { type BatteryCableResult } from './sizing';

/** Results kept from one analysis to the next, lead by lead. */
export interface BatteryCableMemory {
  readonly byId: Map<string, { readonly deps: readonly unknown[]; readonly result: BatteryCableResult }>;
  results: readonly BatteryCableResult[];
  /** What all leads go by: the same list while none of it moves. */
  shared: readonly unknown[];
}

/** What the circuits have to say to a lead: of a positive what it carries, of a negative all that returns in it, of a case earth the positive beside it. */
function ofCircuits(design: LeadParts, circuits: readonly CircuitResult[], lead: BatteryCable): string {
  const said: (number | string)[] = [];
  if (lead.rail === 'positive') {
    const { amps, why, lastingA } = carries(design, circuits, lead);
    said.push(amps, why, lastingA);
  }
  for (const end of [lead.from, lead.to]) {
    if (end.kind === 'case') said.push(positiveMm2(design, circuits, end.id));
    if (end.kind === 'bank' && lead.rail !== 'positive')
      design.circuits.forEach((c, i) => {
        if (c.from.kind !== 'bank' || c.from.id !== end.id) return;
        const r = circuits[i]?.id === c.id ? circuits[i] : rowOf(circuits, c.id);
        said.push(r?.workingA ?? 0, r?.own.protection.ratingA ?? 0, r?.own.state.areaMm2 ?? 0, c.name);
      });
  }
  return said.join();
}

/** Every lead; the same objects while nothing they are made of moves. */
export function batteryCableResults(
  design: LeadParts,
  circuits: readonly CircuitResult[],
  banks: readonly BankSource[],
  memory: BatteryCableMemory,
): readonly BatteryCableResult[] {
  if (design.leads.length === 0) return NONE;
  const parts = partsRead(design, LEAD_READS);
  const shared = (memory.shared = sameParts(memory.shared, parts) ? memory.shared : parts);
  const compute = (lead: BatteryCable, positives: readonly BatteryCableResult[]): BatteryCableResult => {
    const feeder = lead.from.kind === 'bar' ? design.leads : null;
    const loads = [lead.from, lead.to].flatMap((e) => (e.kind === 'case' ? (rowOf(design.loads, e.id) ?? []) : []));
    const deps: unknown[] = [lead, shared, feeder, ...loads, ofCircuits(design, circuits, lead), ...positives];
    const kept = memory.byId.get(lead.id);
    if (kept && sameParts(kept.deps, deps)) return kept.result;
    const result = share(kept?.result, batteryCableResult(design, circuits, banks, lead, positives));
    memory.byId.set(lead.id, { deps, result });
    return result;
  };
  const positives = design.leads.filter((l) => l.rail === 'positive').map((l) => compute(l, []));
  const results = design.leads.map((l) => positives.find((r) => r.id === l.id) ?? compute(l, l.rail === 'negative' ? positives : []));
  if (!sameParts(memory.results, results)) memory.results = results;
  return memory.results;
}

const NONE: readonly BatteryCableResult[] = [];
