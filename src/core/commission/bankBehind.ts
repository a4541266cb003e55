/** Which bank a circuit is fed from. */
import type { Circuit, Design } from '../design';

/** The bank a circuit hangs on, up through its panels; the first bank where it hangs on none. */
export function bankBehind(design: Design, circuit: Circuit): string {
  const seen = new Set<string>();
  for (let c: Circuit | undefined = circuit; c && !seen.has(c.id);) {
    seen.add(c.id);
    if (c.from.kind === 'bank') return c.from.id;
    c = feederOf(design, c);
  }
  return design.banks[0]?.id ?? '';
}

/** The circuit that feeds the panel another starts from; undefined: it starts at a bank, or nothing feeds that panel. */
export const feederOf = (design: Design, { from }: Circuit): Circuit | undefined =>
  from.kind === 'bank' ? undefined : design.circuits.find((x) => x.taps.some((t) => t.serves.kind === 'panel' && t.serves.id === from.id));
