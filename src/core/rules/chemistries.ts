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
}

export const CHEMISTRY_SOURCE = "typical for the chemistry; the battery maker's data rule";

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
