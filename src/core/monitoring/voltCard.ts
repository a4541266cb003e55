/** What volts say of the charge: at rest, and under this boat's mean load (docs/methods.md, M14). */
import { bankSource, chemistryOf } from '../bank';
import type { Bank } from '../design';
import { round3, show, type Units } from '../quantity';
import { restV } from '../rules';

export interface VoltLine {
  readonly soc: number;
  readonly restV: number;
  readonly loadedV: number;
  /** How they come about, in words. */
  readonly of: readonly string[];
}

/** @param loadA drawn while it is read, A. @param ohm of the bank with its path to where it is read. */
export function voltCard(bank: Bank, loadA: number, units: Units, ohm = bankSource(bank).ohm): readonly VoltLine[] {
  const chemistry = chemistryOf(bank);
  const times = bankSource(bank).nominalV / 12;
  return [1, 0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2].map((soc) => {
    const rest = restV(chemistry, soc) * times;
    return {
      soc,
      restV: rest,
      loadedV: rest - loadA * ohm,
      of: [
        `at rest: ${(rest / times).toFixed(2)} V of a ${chemistry.name} bank of 12 V that full${times === 1 ? '' : ` × ${round3(times)}`}, typical of its kind`,
        `under load: ${rest.toFixed(2)} V − ${show(loadA, 'A', units)} × ${round3(1000 * ohm)} mΩ of the bank${bank.sheet.mohm === null ? ', typical of its kind' : ', by its maker'} = ${(rest - loadA * ohm).toFixed(2)} V`,
      ],
    };
  });
}
