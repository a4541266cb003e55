/** Whether a body goes on a face only when it is turned by a quarter. */
import type { Face } from '../design';
import type { Mounted } from './things';

/** Room a body asks for with its air, mm: as it stands, and turned. */
export function roomFor({ body }: Mounted): { readonly upright: readonly [number, number]; readonly across: readonly [number, number] } {
  const [sides, ends] = [2 * body.sidesMm, body.aboveMm + body.belowMm];
  return { upright: [body.widthMm + sides, body.heightMm + ends], across: [body.heightMm + sides, body.widthMm + ends] };
}

/** A bank may stand either way round; of the rest, what is not let in and need not hang upright. */
export function turnedOn(face: Face, thing: Mounted): boolean {
  const { upright, across } = roomFor(thing);
  const fits = ([w, h]: readonly [number, number]) => w <= face.widthMm && h <= face.heightMm;
  const may = thing.kind === 'bank' || (!thing.letIn && thing.body.wayUp !== 'bulkhead only');
  return may && !fits(upright) && fits(across);
}
