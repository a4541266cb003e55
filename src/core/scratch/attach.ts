/** A load made part of a boat: on a circuit proposed as for any other, with a distance given as its length. */
import { addOp, addRows, type Circuit, type Design, type Load, type Op } from '../design';
import { proposeCircuits } from '../propose';

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
  // Only this load is to be placed: those that were loose before stay so.
  const { panels, circuits } = proposeCircuits({ ...design, loads: [row] }, freshId);
  const own = (c: Circuit) => c.taps.some((t) => t.serves.id === row.id);
  const taped = circuits.map((c) => (own(c) ? { ...c, taps: c.taps.map((t) => ({ ...t, tapedM: at.lengthM })) } : c));
  return {
    ops: [addOp(design, 'loads', row), ...addRows(design, { panels, circuits: taped })],
    circuitId: circuits.find(own)?.id ?? null,
  };
}
