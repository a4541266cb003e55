/** Which circuit a load or a panel is on: made once for each list of circuits. */
import type { Circuit } from '../design';

export interface Serving {
  /** By load and by panel, the first circuit with a tap there. */
  readonly loads: ReadonlyMap<string, Circuit>;
  readonly panels: ReadonlyMap<string, Circuit>;
}

const known = new WeakMap<readonly Circuit[], Serving>();

export function servingOf(circuits: readonly Circuit[]): Serving {
  const before = known.get(circuits);
  if (before) return before;
  const loads = new Map<string, Circuit>();
  const panels = new Map<string, Circuit>();
  for (const c of circuits)
    for (const { serves } of c.taps) {
      const into = serves.kind === 'load' ? loads : serves.kind === 'panel' ? panels : null;
      if (into && !into.has(serves.id)) into.set(serves.id, c);
    }
  const serving = { loads, panels };
  known.set(circuits, serving);
  return serving;
}
