/** A bank's figures: the maker's where they are known, the chemistry's typical ones else. */
import { cellsOf, slopePerCell } from './slope';
import { type Bank, type Design, onceFor, rowOf } from '../design';
import { CHEMISTRIES, type Chemistry, TAIL_PCT, BATTERY_C } from '../rules';

/** Peukert's exponent: the maker's or the chemistry's. It is for lead-acid only: iron phosphate gives what it holds at any rate (exponent 1). */
export const peukertOf = (bank: Pick<Bank, 'chemistry' | 'sheet'>): number => {
  const typical = CHEMISTRIES[bank.chemistry];
  return typical.leadAcid ? (bank.sheet.peukert ?? typical.peukert) : 1;
};

/** Capacity at the 20 h rate, Ah: a label rated over h hours is brought there by Peukert's exponent, C20 = Ch (20/h)^(1 - 1/p). */
export const c20Ah = (bank: Bank): number => {
  const p = peukertOf(bank);
  return bank.blockAh * bank.strings * (20 / bank.ratedH) ** (1 - 1 / p);
};

/** The chemistry with what the bank's maker states put in; the same typical chemistry where nothing is stated. */
export const chemistryOf = onceFor((bank: Bank): Chemistry => {
  const typical = CHEMISTRIES[bank.chemistry];
  const { sheet } = bank;
  if (Object.values(sheet).every((x) => x === null)) return typical;
  const per12 = 12 / (bank.blockV * bank.series);
  const volts = (v: number | null): number | null => (v === null ? null : v * per12);
  return {
    ...typical,
    peukert: peukertOf(bank),
    chargeEffBulk: sheet.chargeEffBulk ?? typical.chargeEffBulk,
    chargeEffFull: sheet.chargeEffFull ?? typical.chargeEffFull,
    windowLowSoc: Math.min(sheet.windowLowSoc ?? typical.windowLowSoc, (sheet.windowHighSoc ?? typical.windowHighSoc) - 0.01),
    windowHighSoc: sheet.windowHighSoc ?? typical.windowHighSoc,
    absorptionV: volts(sheet.absorptionV) ?? typical.absorptionV,
    floatV: volts(sheet.floatV) ?? typical.floatV,
    equaliseV: volts(sheet.equaliseV) ?? typical.equaliseV,
    slopeMvPerCCell: sheet.slope ? slopePerCell(sheet.slope, cellsOf(bank, typical)) : typical.slopeMvPerCCell,
    maxChargeC: sheet.maxChargeA === null ? typical.maxChargeC : sheet.maxChargeA / c20Ah(bank),
    cyclesAtWindow: sheet.cycles ?? typical.cyclesAtWindow,
    selfDischargePctMonth: sheet.selfDischargePctMonth ?? typical.selfDischargePctMonth,
    ohmPer100Ah: sheet.mohm === null ? typical.ohmPer100Ah : ((sheet.mohm / 1000) * (bank.blockAh / 100) * 12) / bank.blockV,
  };
});

/** Temperature the bank is computed at, degC: its own, else its place's, else 25. */
export const bankTempC = (design: Pick<Design, 'places'>, bank: Bank): number =>
  bank.tempC ?? rowOf(design.places, bank.placeId)?.ambientC ?? BATTERY_C;

/** Bank current at which absorption is done, A. */
export const tailA = (bank: Bank): number => ((bank.sheet.tailPct ?? TAIL_PCT[bank.chemistry]) / 100) * c20Ah(bank);

/** Mass of the bank, kg, and whether the maker states it. */
export const bankMass = (bank: Bank): { kg: number; makers: boolean } => {
  const blocks = bank.series * bank.strings;
  if (bank.sheet.massKg !== null) return { kg: bank.sheet.massKg * blocks, makers: true };
  return { kg: (bank.blockAh * bank.blockV * blocks) / CHEMISTRIES[bank.chemistry].whPerKg, makers: false };
};
