/** Which circuit a load or a panel is on, and which begin at a panel: made once for each list of circuits. */
import { type Circuit, onceFor } from '../design';

export interface Serving {
  /** By load and by panel, the first circuit with a tap there. */
  readonly loads: ReadonlyMap<string, Circuit>;
  readonly panels: ReadonlyMap<string, Circuit>;
  /** Taps at what another circuit serves already. */
  readonly again: readonly { readonly circuit: Circuit; readonly kind: 'load' | 'panel'; readonly id: string }[];
  /** By `startKey` of what they begin at: the circuits from there, in their order. */
  readonly starting: ReadonlyMap<string, { readonly from: Circuit['from']; readonly circuits: readonly Circuit[] }>;
}

/** A bank or a panel at which circuits begin, as a key. */
export const startKey = ({ kind, id }: Circuit['from']): string => `${kind} ${id}`;

export const servingOf = onceFor((circuits: readonly Circuit[]): Serving => {
  const loads = new Map<string, Circuit>();
  const panels = new Map<string, Circuit>();
  const again: Serving['again'][number][] = [];
  const starting = new Map<string, { readonly from: Circuit['from']; readonly circuits: Circuit[] }>();
  for (const circuit of circuits) {
    for (const { serves } of circuit.taps) {
      const { kind, id } = serves;
      if (kind === 'place') continue;
      const into = kind === 'load' ? loads : panels;
      const first = into.get(id);
      if (!first) into.set(id, circuit);
      else if (first.id !== circuit.id) again.push({ circuit, kind, id });
    }
    const { from } = circuit;
    const beside = starting.get(startKey(from));
    if (beside) beside.circuits.push(circuit);
    else starting.set(startKey(from), { from, circuits: [circuit] });
  }
  return { loads, panels, again, starting };
});
