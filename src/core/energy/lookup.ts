/** Curves over state of charge laid out for the time loop: even steps, so that a look-up is one multiplication. */
import { acceptanceC } from '../rules/acceptance';
import { restV } from '../rules/chemistries';
import { chargeEfficiency } from './discharge';
import type { SceneBank } from './scene';

export interface Tables {
  readonly ocvV: Float64Array;
  /** Accepted at absorption volts, A. */
  readonly acceptA: Float64Array;
  readonly efficiency: Float64Array;
}

/** @param cells steps of a curve; each bank's stretch is two longer, so that full has a neighbour. */
export function tablesOf(banks: readonly SceneBank[], cells: number): Tables {
  const row = cells + 2;
  const tables: Tables = {
    ocvV: new Float64Array(banks.length * row),
    acceptA: new Float64Array(banks.length * row),
    efficiency: new Float64Array(banks.length * row),
  };
  banks.forEach((b, at) => {
    for (let i = 0; i < row; i++) {
      const soc = Math.min(1, i / cells);
      tables.ocvV[at * row + i] = (restV(b.chemistry, soc) * b.nominalV) / 12;
      tables.acceptA[at * row + i] = acceptanceC(b.chemistry.id, soc) * b.c20Ah * b.accepts;
      tables.efficiency[at * row + i] = chargeEfficiency(b.chemistry, soc);
    }
  });
  return tables;
}
