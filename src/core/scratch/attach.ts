/** A load made part of a boat: on a circuit proposed as for any other, with a distance given as its length. */
import { addOp, type Op } from '../design/edit';
import type { Design, Load } from '../design/schema';
import { proposeCircuits } from '../network/propose';

export interface Attached {
  readonly ops: Op[];
  /** The circuit it hangs on; null while the boat has no bank. */
  readonly circuitId: string | null;
}

export function attachOps(
  design: Design,
  load: Load,
  at: { readonly lengthM: number; readonly placeId: string | null },
  freshId: (prefix: string) => string,
): Attached {
  const row: Load = { ...load, id: freshId('L'), nominalV: design.boat.systemV, placeId: at.placeId };
  let growing: Design = { ...design, loads: [...design.loads, row] };
  const ops: Op[] = [addOp(design, 'loads', row)];
  // Only this load is to be placed: those that were loose before stay so.
  const proposal = proposeCircuits({ ...growing, loads: [row] }, freshId);
  let circuitId: string | null = null;
  for (const panel of proposal.panels) {
    ops.push(addOp(growing, 'panels', panel));
    growing = { ...growing, panels: [...growing.panels, panel] };
  }
  for (const circuit of proposal.circuits) {
    const own = circuit.taps.some((t) => t.serves.id === row.id);
    const taped = own ? { ...circuit, taps: circuit.taps.map((t) => ({ ...t, tapedM: at.lengthM })) } : circuit;
    if (own) circuitId = circuit.id;
    ops.push(addOp(growing, 'circuits', taped));
    growing = { ...growing, circuits: [...growing.circuits, taped] };
  }
  return { ops, circuitId };
}
