/** Lowest and highest volts that a bank's circuits are worked out at (docs/methods.md, M0). */
import { type Design, nominalVOf } from '../design';

export interface StudyVolts {
  /** Of the bank, or where none is known, of the boat. */
  readonly nominalV: number;
  /** Lowest bank volts of the study (house setting, 95 % of nominal for a first figure) and highest charging volts. */
  readonly lowV: number;
  readonly chargingV: number;
}

/** @param bank what feeds it, with its highest charging volts; undefined: nothing is known to. */
export function studyVolts(
  design: Pick<Design, 'boat' | 'house' | 'banks'>,
  bank: { readonly bankId: string; readonly chargingV: number } | undefined,
): StudyVolts {
  const nominalV = nominalVOf(design, bank?.bankId);
  return { nominalV, lowV: (nominalV * design.house.lowVoltsPct) / 100, chargingV: bank?.chargingV ?? nominalV * 1.2 };
}
