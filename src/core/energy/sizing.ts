/** How large a bank the need asks for, in each chemistry (docs/methods.md, M9). */
import { CHEMISTRIES, CHEMISTRY_SOURCE, type Chemistry, type ChemistryId } from '../rules/chemistries';
import { round3, show, type Units } from '../quantity';
import type { WorkingLine, WorkingSection } from '../working/types';
import { coldFactor, effectiveA } from './discharge';

export interface Asked {
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
export function sizeBank(chemistry: Chemistry, asked: Asked): Sized {
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
export const sizeAll = (asked: Asked): Readonly<Record<ChemistryId, Sized>> => ({
  flooded: sizeBank(CHEMISTRIES.flooded, asked),
  agm: sizeBank(CHEMISTRIES.agm, asked),
  gel: sizeBank(CHEMISTRIES.gel, asked),
  lfp: sizeBank(CHEMISTRIES.lfp, asked),
});

/** The arithmetic of one chemistry, line by line. */
export function sizingLines(sized: Sized, asked: Asked, units: Units): WorkingSection {
  const { chemistry, capacityAh } = sized;
  const n = round3;
  const ah = (label: string, value: number, extra: Partial<WorkingLine> = {}): WorkingLine => ({
    label,
    value,
    kind: 'Ah',
    text: show(value, 'Ah', units),
    ...extra,
  });
  const drawnAh = asked.needAh * asked.days;
  const window = chemistry.windowHighSoc - chemistry.windowLowSoc;
  return {
    title: `${chemistry.name}, line by line`,
    lines: [
      ah('drawn without any source', drawnAh, { formula: `${n(asked.needAh)} Ah a day × ${n(asked.days)} days` }),
      ah('counts as, at that rate', drawnAh * sized.rateFactor, {
        formula: `× ${n(sized.rateFactor)}: ${n(asked.needAh / 24)} A on the mean, capacity rated over 20 h, exponent ${n(chemistry.peukert)}`,
        mark: 'typical',
      }),
      ah('from the window', (drawnAh * sized.rateFactor) / window, {
        formula: `÷ ${n(window)}, between ${n(chemistry.windowLowSoc * 100)} and ${n(chemistry.windowHighSoc * 100)} % of charge`,
        mark: 'typical',
        source: CHEMISTRY_SOURCE,
      }),
      ah('capacity asked for', capacityAh ?? Infinity, {
        formula: `÷ ${n(sized.cold)}, at ${show(asked.tempC, 'C', units)}: ${chemistry.leadAcid ? '0.8' : '0.4'} % a degree below 25 °C`,
        breaks: capacityAh === null,
      }),
    ],
  };
}
