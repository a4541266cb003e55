/** Which bank each load is fed from. */
import { type Design, onceFor } from '../design';
import { circuitOrder } from './order';

/** By load: the bank at the root of its first circuit. Loads on no circuit, or on one without a bank, are not in it. The same map for the same circuits. */
export const bankOfLoads = ({ circuits }: Pick<Design, 'circuits'>): ReadonlyMap<string, string> => rootsOf(circuits);

const rootsOf = onceFor((circuits: Design['circuits']): ReadonlyMap<string, string> => {
  const { order, feederOf } = circuitOrder(circuits);
  const root = new Map<string, string>();
  const out = new Map<string, string>();
  for (const c of order) {
    const bank = c.from.kind === 'bank' ? c.from.id : root.get(feederOf.get(c.from.id)?.id ?? '');
    if (bank === undefined) continue;
    root.set(c.id, bank);
    for (const { serves } of c.taps) if (serves.kind === 'load' && !out.has(serves.id)) out.set(serves.id, bank);
  }
  return out;
});
