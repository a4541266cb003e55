/** How large a bank the need asks for, in each chemistry (docs/methods.md, M9). */
import { CHEMISTRIES, type Chemistry, type ChemistryId } from '../rules';
import { coldFactor, effectiveA } from './discharge';

export interface SizingNeed {
  /** Ah a day in the way of living the bank is for. */
  readonly needAh: number;
  readonly days: number;
  readonly tempC: number;
  readonly systemV: number;
}

export interface Sized {
  readonly chemistry: Chemistry;
  /** C20 capacity asked for, Ah; null when the cold leaves nothing. */
  readonly capacityAh: number | null;
  readonly usableAh: number;
  /** What counts against the capacity at the mean rate, over what is drawn. */
  readonly rateFactor: number;
  readonly cold: number;
  readonly massKg: number;
  readonly litres: number;
  /** Cycles through the window the chemistry stands, and the years they last when each such spell is followed by a full charge. */
  readonly cycles: number;
  readonly years: number | null;
  /** Most it takes in charging, A. */
  readonly chargeA: number;
  readonly chargesInTheCold: boolean;
}

const ROUNDS = 30;

/**
 * Capacity whose usable window, after rate and cold, covers the need for the days wanted. The rate's own correction depends on the
 * capacity: iterated until it stands. @returns zero figures for no need; capacityAh null where nothing would do.
 */
export function sizeBank(chemistry: Chemistry, asked: SizingNeed): Sized {
  const { needAh, days, tempC, systemV } = asked;
  const window = chemistry.windowHighSoc - chemistry.windowLowSoc;
  const cold = coldFactor(chemistry, tempC);
  const drawnAh = needAh * days;
  const meanA = needAh / 24;
  let capacityAh = cold > 0 ? drawnAh / (window * cold) : NaN;
  let rateFactor = 1;
  for (let i = 0; i < ROUNDS && capacityAh > 0; i++) {
    rateFactor = meanA > 0 ? effectiveA(meanA, capacityAh, chemistry.peukert) / meanA : 1;
    capacityAh = (drawnAh * rateFactor) / (window * cold);
  }
  const known = Number.isFinite(capacityAh);
  const wh = known ? capacityAh * systemV : 0;
  return {
    chemistry,
    capacityAh: known ? capacityAh : null,
    usableAh: known ? capacityAh * window * cold : 0,
    rateFactor,
    cold,
    massKg: wh / chemistry.whPerKg,
    litres: wh / chemistry.whPerL,
    cycles: chemistry.cyclesAtWindow,
    years: drawnAh > 0 ? (chemistry.cyclesAtWindow * days) / 365 : null,
    chargeA: known ? capacityAh * chemistry.maxChargeC : 0,
    chargesInTheCold: tempC >= chemistry.chargeMinC,
  };
}

/** The same need met by each chemistry. */
export const sizeAll = (asked: SizingNeed): Readonly<Record<ChemistryId, Sized>> => ({
  flooded: sizeBank(CHEMISTRIES.flooded, asked),
  agm: sizeBank(CHEMISTRIES.agm, asked),
  gel: sizeBank(CHEMISTRIES.gel, asked),
  lfp: sizeBank(CHEMISTRIES.lfp, asked),
});
