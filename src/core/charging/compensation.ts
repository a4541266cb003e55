/** Setpoints as a source's sensor moves them (docs/methods.md, M10). */
import type { Bank, Source } from '../design';
import { bankSource, cellsOf, slopePerCell } from '../bank';
import { setpointV } from './setpoint';

/** The setpoint a source really charges with at the bank's temperature: compensated only where it has a sensor. */
export function compensatedV(at25V: number, source: Source, bank: Bank | undefined, tempC: number): number {
  if (!bank || source.regulator.sensor === 'none') return at25V;
  const { chemistry } = bankSource(bank);
  const cells = cellsOf(bank, chemistry);
  return setpointV(at25V, slopePerCell(source.regulator.slope, cells), cells.bank, tempC);
}
