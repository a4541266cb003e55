/** The working of a setting against what its battery wants (docs/methods.md, M13). */
import { bankSource, bankTempC, cellsOf, chemistryOf, slopePerCell, tailA } from '../bank';
import {
  ABSORPTION_RIGHT_V,
  BMS_ROOM_V,
  compensatedV,
  FLOAT_RIGHT_V,
  FROM_C,
  highestV,
  type Setting,
  type SettingName,
  senseErrorV,
  settingsMatrix,
  TO_C,
} from '../charging';
import { type Bank, type Design, outputA, type Source } from '../design';
import { round3, show, type Units, unitOf } from '../quantity';
import { bySheet, liner, plainWorking, voltsLine } from './parts';
import type { Working, WorkingLine } from './types';

const n = round3;

/** Volts of a setting against what is wanted: what is set, what arrives, how far off. */
function againstWanted(
  label: string,
  setV: number,
  lostV: number,
  bank: Bank,
  key: 'absorptionV' | 'floatV',
  toleranceV: number,
): WorkingLine[] {
  const chemistry = chemistryOf(bank);
  const twelves = (bank.blockV * bank.series) / 12;
  const wanted = chemistry[key] * twelves;
  return [
    voltsLine(`${label} is set to`, setV),
    ...(lostV === 0
      ? []
      : [
          voltsLine(lostV > 0 ? 'lost past its sensing' : 'its sense lead reads too little by', Math.abs(lostV), {
            source: lostV > 0 ? 'the splitter, sensed before it' : 'volts in the sense lead',
          }),
          voltsLine('the bank gets', setV - lostV, {
            formula: `${setV.toFixed(2)} ${lostV > 0 ? '−' : '+'} ${Math.abs(lostV).toFixed(2)} V`,
          }),
        ]),
    voltsLine('the battery wants', wanted, {
      formula: `${chemistry[key].toFixed(2)} V per 12 V × ${n(bank.blockV * bank.series)} V ÷ 12`,
      ...bySheet(bank, key),
    }),
    voltsLine('off by', setV - lostV - wanted, {
      source: `right within ${(toleranceV * twelves).toFixed(2)} V`,
      breaks: Math.abs(setV - lostV - wanted) > toleranceV * twelves,
    }),
  ];
}

function settingLines(design: Design, source: Source, bank: Bank, { name, verdict }: Setting, units: Units): WorkingLine[] {
  const line = liner(units);
  const { regulator: r } = source;
  const chemistry = chemistryOf(bank);
  const twelves = (bank.blockV * bank.series) / 12;
  const breaks = verdict === 'fix' || verdict === 'stop';
  const degree = unitOf('dC', units);
  const slopes = (mvPerC: number): string => `${n(mvPerC / degree.to(1))} mV/${degree.name}`;
  const slopeLine = (label: string, mvPerC: number, extra: Partial<WorkingLine> = {}): WorkingLine =>
    line(label, mvPerC, 'none', { text: slopes(mvPerC), ...extra });
  const cells = cellsOf(bank, chemistry);
  switch (name) {
    case 'absorption':
      return againstWanted(name, r.absorptionV, senseErrorV(design, source), bank, 'absorptionV', ABSORPTION_RIGHT_V);
    case 'float':
      return againstWanted(name, r.floatV, 0, bank, 'floatV', FLOAT_RIGHT_V);
    case 'time and tail': {
      const tail = tailA(bank);
      const ends = r.tailA ?? tail;
      return [
        r.staged
          ? line('absorption ends at', ends, 'A', {
              source: r.tailA === null ? 'nothing set: taken as the battery wants' : `as set; ${r.minMin} to ${r.maxMin} min`,
            })
          : line('absorption ends at', 0, 'A', { text: 'never', source: 'its volts are fixed', breaks }),
        line('the battery wants', tail, 'A', {
          formula: `a tail of its capacity, ${show(bankSource(bank).capacityAh, 'Ah', units)}`,
          ...bySheet(bank, 'tailPct'),
        }),
        line('no more than', 2 * tail, 'A', {
          formula: `2 × ${n(tail)} A`,
          source: 'above it the bank stops short of full',
          breaks: r.staged && ends > 2 * tail,
        }),
        line('no less than', tail / 2, 'A', { formula: `${n(tail)} A ÷ 2`, source: 'below it the tail may never come' }),
      ];
    }
    case 'equalise':
      return [
        voltsLine('equalise is set to', r.equaliseV ?? 0, r.equaliseV === null ? { text: 'off' } : {}),
        voltsLine('the battery takes', (chemistry.equaliseV ?? 0) * twelves, {
          ...(chemistry.equaliseV === null
            ? { text: 'none' }
            : { formula: `${chemistry.equaliseV.toFixed(2)} V per 12 V × ${n(12 * twelves)} V ÷ 12` }),
          ...bySheet(bank, 'equaliseV'),
          breaks,
        }),
      ];
    case 'slope':
      return [
        slopeLine('set, a cell', slopePerCell(r.slope, cells), {
          formula: `${n(r.slope.value)} ${r.slope.unit}, ${n(cells.bank)} cells in the bank`,
          breaks,
        }),
        slopeLine('the battery wants, a cell', chemistry.slopeMvPerCCell, bySheet(bank, 'slope')),
        slopeLine('for the whole bank', chemistry.slopeMvPerCCell * cells.bank, {
          formula: `${slopes(chemistry.slopeMvPerCCell)} × ${n(cells.bank)} cells`,
        }),
      ];
    case 'sensor': {
      const warm = bankTempC(design, bank);
      const slope = chemistry.slopeMvPerCCell * cells.bank;
      const wants = chemistry.absorptionV * twelves;
      return [
        line('the bank is at', warm, 'C', { source: bank.tempC === null ? 'its place' : 'as entered' }),
        voltsLine('absorption wanted there', wants + (slope / 1000) * (warm - 25), {
          formula: `${wants.toFixed(2)} V, and ${slopes(slope)} × ${show(warm - 25, 'dC', units)}`,
        }),
        voltsLine('the source asks for', compensatedV(r.absorptionV, source, bank, warm), {
          source: r.sensor === 'none' ? 'no sensor: the same at any temperature' : `sensor ${r.sensor}`,
          breaks,
        }),
      ];
    }
    case 'largest current': {
      const own = outputA(source);
      const sources = design.sources.filter((s) => s.bankId === bank.id);
      const most = bank.sheet.maxChargeA ?? chemistry.maxChargeC * bank.blockAh * bank.strings;
      return [
        line('this source gives', own, 'A', { breaks: own > most }),
        line(
          'all on this bank together',
          sources.reduce((sum, s) => sum + outputA(s), 0),
          'A',
          {
            formula: sources.map((s) => n(outputA(s))).join(' + '),
          },
        ),
        line('the battery takes at the most', most, 'A', {
          ...(bank.sheet.maxChargeA === null ? { formula: `${n(chemistry.maxChargeC)} × ${n(bank.blockAh * bank.strings)} Ah` } : {}),
          ...bySheet(bank, 'maxChargeA'),
        }),
      ];
    }
    case 'BMS': {
      const { bms } = bank;
      if (!bms) return [];
      const top = highestV(source, bank);
      return [
        voltsLine('highest this source asks for', top, {
          formula: `at ${show(FROM_C, 'C', units)} or ${show(TO_C, 'C', units)}, and ${r.toleranceV.toFixed(2)} V it may be off`,
          breaks,
        }),
        voltsLine('the BMS opens at', bms.overV),
        voltsLine('no more than', bms.overV - bms.toleranceV - BMS_ROOM_V * twelves, {
          formula: `${bms.overV.toFixed(2)} − ${bms.toleranceV.toFixed(2)} − ${(BMS_ROOM_V * twelves).toFixed(2)} V`,
          source: `what the BMS may be off, and ${BMS_ROOM_V} V per 12 V between`,
        }),
      ];
    }
  }
}

/** One setting of a source against its battery. undefined where it is not in the matrix. */
export function settingWorking(design: Design, sourceId: string, name: SettingName, units: Units): Working | undefined {
  const row = settingsMatrix(design).find((r) => r.source.id === sourceId);
  const setting = row?.settings.find((s) => s.name === name);
  if (!row || !setting) return undefined;
  return plainWorking(
    `${row.source.name}, ${name}`,
    [{ title: `Against ${row.bank.name}`, lines: settingLines(design, row.source, row.bank, setting, units) }],
    setting.change === '' ? [] : [`${setting.verdict}: ${setting.change}.`],
  );
}
