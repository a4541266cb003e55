/** Curves over state of charge laid out for the time loop: even steps, so that a look-up is one multiplication. */
import { acceptanceC, restV } from '../rules';
import { chargeEfficiency } from '../bank';
import { CELLS, Curve } from './kernel/layout';
import type { SceneBank } from './scene';

/** Bank by bank, cell by cell: rest volts, amps accepted at absorption volts, efficiency of charging; as kernel/layout.ts has them. */
export function curvesOf(banks: readonly SceneBank[]): Float64Array {
  const stretch = Curve.count * (CELLS + 2);
  const curves = new Float64Array(banks.length * stretch);
  banks.forEach((b, bank) => {
    for (let i = 0; i < CELLS + 2; i++) {
      const soc = Math.min(1, i / CELLS);
      const at = bank * stretch + Curve.count * i;
      curves[at + Curve.restV] = (restV(b.chemistry, soc) * b.nominalV) / 12;
      curves[at + Curve.acceptsA] = acceptanceC(b.chemistry.id, soc) * b.c20Ah * b.accepts;
      curves[at + Curve.efficiency] = chargeEfficiency(b.chemistry, soc);
    }
  });
  return curves;
}
