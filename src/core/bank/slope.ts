/** Temperature slopes in whatever unit a maker states, brought to mV per degC and cell (docs/methods.md, M10). */
import type { Bank, Slope } from '../design';
import type { Chemistry } from '../rules';

/** Cells in series of one block and of the bank. */
export const cellsOf = (bank: Pick<Bank, 'blockV' | 'series'>, chemistry: Chemistry): { block: number; bank: number } => {
  const block = Math.max(1, Math.round((chemistry.cellsPer12V * bank.blockV) / 12));
  return { block, bank: block * bank.series };
};

/** mV per degC and cell. */
export function slopePerCell(slope: Slope, cells: { block: number; bank: number }): number {
  const perC = slope.unit.startsWith('mV/°F') ? slope.value * 1.8 : slope.value;
  const of = slope.unit.endsWith('cell') ? 1 : slope.unit.endsWith('block') ? cells.block : cells.bank;
  return perC / of;
}

/** What is odd about a slope; null when it is plausible. Lead-acid falls 2 to 7 mV a degree and cell, iron phosphate not at all. */
export function oddSlope(perCell: number, leadAcid: boolean): string | null {
  if (!leadAcid) return perCell === 0 ? null : 'iron phosphate wants no compensation: set it to 0';
  if (perCell > 0) return 'it rises with warmth: the sign is wrong';
  if (perCell === 0) return 'lead-acid is overcharged when warm and undercharged when cold without it';
  if (perCell > -2 || perCell < -7) return 'it is outside 2 to 7 mV a degree and cell: is it per block or bank, or per °F?';
  return null;
}
