/** What to program into a source's regulator for the bank it charges. */
import { round3 } from '../quantity';
import { type Design, type Source, rowOf } from '../design';
import { bankSource, cellsOf, tailA } from '../bank';
import { senseErrorV, settable } from './settings';

export interface SheetLine {
  readonly id: string;
  readonly name: string;
  readonly toSet: string;
}

const v = (x: number) => `${x.toFixed(2)} V`;

/** Settings of a source as its bank's maker (else the chemistry) wants them. Without a bank: as entered. */
export function sheetLines(design: Design, source: Source): SheetLine[] {
  const bank = rowOf(design.banks, source.bankId);
  const { regulator: r } = source;
  const b = bank && bankSource(bank);
  const times = b ? b.nominalV / 12 : 1;
  if (!settable(source))
    return [
      { id: 'battery', name: 'battery kind', toSet: b ? b.chemistry.name : 'not known' },
      { id: 'fixed', name: 'its own regulator', toSet: `${v(r.absorptionV)}, as made: nothing can be set` },
    ];
  const lost = senseErrorV(design, source);
  const lines: SheetLine[] = [
    { id: 'battery', name: 'battery kind', toSet: b ? b.chemistry.name : 'not known' },
    { id: 'absorption', name: r.staged ? 'absorption' : 'fixed volts', toSet: v((b ? b.chargingV : r.absorptionV) + lost) },
  ];
  if (r.staged) {
    lines.push(
      { id: 'float', name: 'float', toSet: v((b ? b.chemistry.floatV * times : r.floatV) + lost) },
      { id: 'tail', name: 'absorption ends at', toSet: `${(bank ? tailA(bank) : (r.tailA ?? 0)).toFixed(1)} A` },
      { id: 'times', name: 'absorption time', toSet: `${r.minMin} to ${r.maxMin} min` },
      { id: 'rebulk', name: 'bulk again', toSet: r.rebulkV === null ? 'never' : `below ${v(r.rebulkV)} for ${r.rebulkMin} min` },
    );
  }
  lines.push({
    id: 'equalise',
    name: 'equalise',
    toSet: b?.chemistry.equaliseV ? `off; ${v(b.chemistry.equaliseV * times)} by hand` : 'off',
  });
  if (bank && b) {
    const cells = cellsOf(bank, b.chemistry).bank;
    lines.push(
      {
        id: 'slope',
        name: 'temperature compensation',
        toSet:
          b.chemistry.slopeMvPerCCell === 0
            ? 'off'
            : `${round3(Math.round(b.chemistry.slopeMvPerCCell * cells))} mV/°C of the bank (${round3(b.chemistry.slopeMvPerCCell)} a cell)`,
      },
      {
        id: 'sensor',
        name: 'sensor',
        toSet: b.chemistry.leadAcid ? 'negative post of the warmest battery' : 'none for volts; low-temperature cut-off on',
      },
      {
        id: 'current',
        name: 'largest current',
        toSet: `${Math.min(source.ratedA, bank.sheet.maxChargeA ?? b.chemistry.maxChargeC * b.capacityAh).toFixed(0)} A`,
      },
    );
    if (bank.bms) lines.push({ id: 'bms', name: 'BMS opens above', toSet: v(bank.bms.overV) });
  }
  if (source.dcdc)
    lines.push({ id: 'input', name: 'input starts and stops', toSet: `${v(source.dcdc.startV)} and ${v(source.dcdc.stopV)}` });
  return lines;
}
