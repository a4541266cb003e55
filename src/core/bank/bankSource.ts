/** A bank as a source of current: rest volts, resistance, what it gives into a short (docs/methods.md, M6 and M7). */
import { type Bank, onceFor } from '../design';
import { c20Ah, chemistryOf } from './bankFigures';
import { type Chemistry, interruptingMinimumA, restV } from '../rules';

export interface BankSource {
  readonly bankId: string;
  readonly chemistry: Chemistry;
  readonly nominalV: number;
  readonly capacityAh: number;
  readonly usableAh: number;
  /** Typical resistance of the whole bank and of one string, ohm. */
  readonly ohm: number;
  readonly stringOhm: number;
  /** Rest volts when full: 13.6 V per 12 V for iron phosphate just off charge. */
  readonly fullV: number;
  readonly halfV: number;
  readonly chargingV: number;
  readonly equaliseV: number;
  /** Largest prospective current at the posts: the maker's, else EMF full / (0.6 x typical R). */
  readonly largestFaultA: number;
  readonly faultIsMakers: boolean;
  /** The same with all that can be paralleled with it and what charges it; and in words, what that is. */
  readonly postsFaultA: number;
  readonly postsFaultBy: string;
  /** Smallest: one string, cold and aged, half charged: EMF half behind 2 x typical R. */
  readonly smallestV: number;
  readonly smallestOhm: number;
  /** Largest fuse its maker allows before it, A; null: not said. */
  readonly maxFuseA: number | null;
  readonly cca: number;
  readonly ccaIsMakers: boolean;
}

/** Cold-cranking amps of a lead-acid bank per Ah where the maker gives none: typical of deep-cycle blocks. */
const CCA_PER_AH = 5;

/** A bank as a source, by itself. The same object for the same row. */
export const bankSource = onceFor((bank: Bank): BankSource => {
  const chemistry = chemistryOf(bank);
  const twelves = bank.blockV / 12;
  const perString12 = twelves * bank.series;
  const blockOhm = chemistry.ohmPer100Ah * (100 / bank.blockAh) * twelves;
  const stringOhm = blockOhm * bank.series;
  const ohm = stringOhm / bank.strings;
  const capacityAh = c20Ah(bank);
  const fullV = (chemistry.leadAcid ? restV(chemistry, 1) : 13.6) * perString12;
  const halfV = restV(chemistry, 0.5) * perString12;
  // A maker's short-circuit current speaks for the resistance too.
  const faultStringOhm = bank.shortCircuitA === null ? stringOhm : (fullV / bank.shortCircuitA) * bank.strings;
  const cca = bank.cca ?? capacityAh * CCA_PER_AH;
  return {
    bankId: bank.id,
    chemistry,
    nominalV: bank.blockV * bank.series,
    capacityAh,
    usableAh: capacityAh * (chemistry.windowHighSoc - chemistry.windowLowSoc),
    ohm,
    stringOhm,
    fullV,
    halfV,
    chargingV: chemistry.absorptionV * perString12,
    equaliseV: (chemistry.equaliseV ?? chemistry.absorptionV) * perString12,
    largestFaultA: bank.shortCircuitA ?? fullV / (0.6 * ohm),
    faultIsMakers: bank.shortCircuitA !== null,
    postsFaultA: bank.shortCircuitA ?? fullV / (0.6 * ohm),
    postsFaultBy: '',
    smallestV: halfV,
    smallestOhm: 2 * faultStringOhm,
    maxFuseA: bank.sheet.maxFuseA,
    cca,
    ccaIsMakers: bank.cca !== null,
  };
});

/** Rest volts of the bank at a state of charge. */
export const bankRestV = (source: BankSource, soc: number): number => (restV(source.chemistry, soc) * source.nominalV) / 12;

/** Least interrupting capacity demanded of devices by the awg table; 0 where the table does not speak (iron phosphate). */
export const interruptingFloorA = (source: BankSource, main: boolean): number =>
  source.chemistry.leadAcid ? interruptingMinimumA(source.cca, main) : 0;
