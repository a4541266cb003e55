/** Which bank's volts a battery cable is judged by. */
import { type BatteryCable, type BatteryCableEnd, rowOf, startBankOf } from '../design';
import type { LeadParts } from './parts';

function ofEnd(design: LeadParts, { kind, id }: BatteryCableEnd): string | null {
  if (kind === 'bank') return id;
  if (kind === 'source') return rowOf(design.sources, id)?.bankId ?? null;
  if (kind === 'source input') return rowOf(design.sources, id)?.fromBankId ?? null;
  if (kind === 'join first' || kind === 'join common') return rowOf(design.joins, id)?.firstId ?? null;
  if (kind === 'join second') return rowOf(design.joins, id)?.secondId ?? null;
  return kind === 'bar' && rowOf(design.bars, id)?.kind === 'starter' ? (startBankOf(design)?.id ?? null) : null;
}

/** The bank at one of its ends, or of what stands there; of a bar the bank that a cable of the same rail brings to it; null: none of these. */
export function bankOfCable(design: LeadParts, cable: BatteryCable): string | null {
  const ends = [cable.from, cable.to];
  const own = ends.map((e) => ofEnd(design, e)).find((id) => id !== null);
  if (own) return own;
  const bars = ends.filter((e) => e.kind === 'bar').map((e) => e.id);
  for (const c of design.leads) {
    if (c.rail !== cable.rail) continue;
    const [from, to] = [c.from, c.to];
    const bank = from.kind === 'bank' ? from.id : to.kind === 'bank' ? to.id : null;
    if (bank !== null && [from, to].some((e) => e.kind === 'bar' && bars.includes(e.id))) return bank;
  }
  return null;
}
