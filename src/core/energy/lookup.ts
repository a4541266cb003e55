/** Curves over state of charge laid out for the time loop: even steps, so that a look-up is one multiplication. */
import { acceptanceC, restV } from '../rules';
import { chargeEfficiency } from '../bank';
import type { SceneBank } from './scene';

/** Curves side by side in a cell. */
export const CURVES = 3;

/**
 * Bank by bank, cell by cell: rest volts, amps accepted at absorption volts, efficiency of charging.
 * @param cells steps of a curve; each bank's stretch is two longer, so that full has a neighbour.
 */
export function curvesOf(banks: readonly SceneBank[], cells: number): Float64Array {
  const stretch = CURVES * (cells + 2);
  const curves = new Float64Array(banks.length * stretch);
  banks.forEach((b, bank) => {
    for (let i = 0; i < cells + 2; i++) {
      const soc = Math.min(1, i / cells);
      const at = bank * stretch + CURVES * i;
      curves[at] = (restV(b.chemistry, soc) * b.nominalV) / 12;
      curves[at + 1] = acceptanceC(b.chemistry.id, soc) * b.c20Ah * b.accepts;
      curves[at + 2] = chargeEfficiency(b.chemistry, soc);
    }
  });
  return curves;
}
