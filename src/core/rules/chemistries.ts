/** Battery chemistries: typical figures at 25 degC per 12 V nominal block; the battery maker's data rule. */

export type ChemistryId = 'flooded' | 'agm' | 'gel' | 'lfp';

export interface Chemistry {
  readonly id: ChemistryId;
  readonly name: string;
  /** Usable part of the capacity, as state of charge 0..1. */
  readonly windowLowSoc: number;
  readonly windowHighSoc: number;
  /** Volts per 12 V block. */
  readonly absorptionV: number;
  readonly equaliseV: number | null;
  /** Internal resistance of a 100 Ah 12 V block, ohm. */
  readonly ohmPer100Ah: number;
  /** Rest volts of a 12 V block at OCV_SOC. */
  readonly ocvV: readonly number[];
  readonly leadAcid: boolean;
  /** Exponent of Peukert's law, for lead-acid; 1: the rate takes nothing. */
  readonly peukert: number;
  /** Charging efficiency up to 80 % and at 100 % state of charge. */
  readonly chargeEffBulk: number;
  readonly chargeEffFull: number;
  readonly floatV: number;
  /** Setpoint slope, mV per degC and cell, and cells in 12 V. */
  readonly slopeMvPerCCell: number;
  readonly cellsPer12V: number;
  readonly selfDischargePctMonth: number;
  /** Largest charging current, of capacity per hour, and the coldest it may be charged at, degC. */
  readonly maxChargeC: number;
  readonly chargeMinC: number;
  readonly cyclesAtWindow: number;
  /** Energy by mass and by bulk, Wh/kg and Wh/L: ours, of blocks with their cases. */
  readonly whPerKg: number;
  readonly whPerL: number;
}

export const CHEMISTRY_SOURCE = "for the chemistry; the battery maker's data rule";

export const OCV_SOC = [0, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 0.95, 1] as const;

export const CHEMISTRIES: Readonly<Record<ChemistryId, Chemistry>> = {
  flooded: {
    id: 'flooded',
    name: 'flooded lead-acid',
    windowLowSoc: 0.5,
    windowHighSoc: 1,
    absorptionV: 14.6,
    equaliseV: 15.5,
    ohmPer100Ah: 0.008,
    ocvV: [11.8, 11.86, 11.92, 12.02, 12.1, 12.17, 12.25, 12.34, 12.43, 12.53, 12.63, 12.68, 12.73],
    leadAcid: true,
    peukert: 1.25,
    chargeEffBulk: 0.92,
    chargeEffFull: 0.7,
    floatV: 13.4,
    slopeMvPerCCell: -5,
    cellsPer12V: 6,
    selfDischargePctMonth: 5,
    maxChargeC: 0.25,
    chargeMinC: -10,
    cyclesAtWindow: 500,
    whPerKg: 32,
    whPerL: 75,
  },
  agm: {
    id: 'agm',
    name: 'AGM lead-acid',
    windowLowSoc: 0.5,
    windowHighSoc: 1,
    absorptionV: 14.4,
    equaliseV: null,
    ohmPer100Ah: 0.0045,
    ocvV: [11.85, 11.9, 11.95, 12.04, 12.12, 12.22, 12.35, 12.47, 12.58, 12.69, 12.84, 12.88, 12.92],
    leadAcid: true,
    peukert: 1.12,
    chargeEffBulk: 0.96,
    chargeEffFull: 0.8,
    floatV: 13.5,
    slopeMvPerCCell: -4,
    cellsPer12V: 6,
    selfDischargePctMonth: 2,
    maxChargeC: 0.4,
    chargeMinC: -10,
    cyclesAtWindow: 600,
    whPerKg: 33,
    whPerL: 85,
  },
  gel: {
    id: 'gel',
    name: 'gel lead-acid',
    windowLowSoc: 0.5,
    windowHighSoc: 1,
    absorptionV: 14.1,
    equaliseV: null,
    ohmPer100Ah: 0.006,
    ocvV: [11.82, 11.88, 11.93, 12.02, 12.1, 12.2, 12.33, 12.45, 12.56, 12.67, 12.79, 12.83, 12.87],
    leadAcid: true,
    peukert: 1.14,
    chargeEffBulk: 0.96,
    chargeEffFull: 0.8,
    floatV: 13.7,
    slopeMvPerCCell: -5,
    cellsPer12V: 6,
    selfDischargePctMonth: 2,
    maxChargeC: 0.2,
    chargeMinC: -10,
    cyclesAtWindow: 700,
    whPerKg: 32,
    whPerL: 80,
  },
  lfp: {
    id: 'lfp',
    name: 'lithium iron phosphate',
    windowLowSoc: 0.2,
    windowHighSoc: 1,
    absorptionV: 14.2,
    equaliseV: null,
    ohmPer100Ah: 0.0025,
    ocvV: [11.2, 12.4, 12.8, 12.95, 13.05, 13.12, 13.17, 13.21, 13.28, 13.32, 13.34, 13.36, 13.5],
    leadAcid: false,
    peukert: 1,
    chargeEffBulk: 0.995,
    chargeEffFull: 0.98,
    floatV: 13.5,
    slopeMvPerCCell: 0,
    cellsPer12V: 4,
    selfDischargePctMonth: 2,
    maxChargeC: 0.5,
    chargeMinC: 0,
    cyclesAtWindow: 3500,
    whPerKg: 105,
    whPerL: 150,
  },
};

/** Rest volts of one 12 V block at a state of charge (clamped to 0..1), linear between the table's points. */
export function restV(chemistry: Chemistry, soc: number): number {
  const s = Math.min(1, Math.max(0, soc));
  let i = 1;
  while (i < OCV_SOC.length - 1 && (OCV_SOC[i] ?? 1) < s) i++;
  const [s0, s1] = [OCV_SOC[i - 1] ?? 0, OCV_SOC[i] ?? 1];
  const [v0, v1] = [chemistry.ocvV[i - 1] ?? 0, chemistry.ocvV[i] ?? 0];
  return v0 + ((v1 - v0) * (s - s0)) / (s1 - s0);
}
