/** Curves over state of charge laid out for the time loop: even steps, so that a look-up is one multiplication. */
import { acceptanceC } from '../rules/acceptance';
import { restV } from '../rules/chemistries';
import { chargeEfficiency } from './discharge';
import type { SceneBank } from './scene';

export const CELLS = 512;
/** One bank's stretch in a table: CELLS steps and one more beyond full. */
export const ROW = CELLS + 2;

export interface Tables {
  readonly ocvV: Float64Array;
  /** Accepted at absorption volts, A. */
  readonly acceptA: Float64Array;
  readonly efficiency: Float64Array;
}

export function tablesOf(banks: readonly SceneBank[]): Tables {
  const tables: Tables = {
    ocvV: new Float64Array(banks.length * ROW),
    acceptA: new Float64Array(banks.length * ROW),
    efficiency: new Float64Array(banks.length * ROW),
  };
  banks.forEach((b, at) => {
    for (let i = 0; i < ROW; i++) {
      const soc = Math.min(1, i / CELLS);
      tables.ocvV[at * ROW + i] = (restV(b.chemistry, soc) * b.nominalV) / 12;
      tables.acceptA[at * ROW + i] = acceptanceC(b.chemistry.id, soc) * b.c20Ah * b.accepts;
      tables.efficiency[at * ROW + i] = chargeEfficiency(b.chemistry, soc);
    }
  });
  return tables;
}
