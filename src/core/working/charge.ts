/** The working of a setting against what its battery wants, and of the hours a source needs to fill a bank (docs/methods.md, M13 and M10). */
import { bankSource, bankTempC, cellsOf, chemistryOf, coldFactor, slopePerCell, tailA } from '../bank';
import { compensatedV, FROM_C, highestV, type Setting, type SettingName, senseErrorV, settingsMatrix, TO_C } from '../charging';
import { type Bank, type Design, outputA, rowOf, type Source } from '../design';
import { type BankDay, type Fill, fillTimes } from '../energy';
import { round3, show, type Units, unitOf } from '../quantity';
import { CHEMISTRY_SOURCE } from '../rules';
import { liner, plainWorking, voltsLine } from './parts';
import type { Working, WorkingLine } from './types';

const n = round3;

/** Whether a figure of the bank is its maker's. */
const from = (bank: Bank, key: keyof Bank['sheet']): Pick<WorkingLine, 'mark' | 'source'> =>
  bank.sheet[key] === null ? { mark: 'typical', source: CHEMISTRY_SOURCE } : { mark: "maker's", source: "the battery's sheet" };

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
      ...from(bank, key),
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
      return againstWanted(name, r.absorptionV, senseErrorV(design, source), bank, 'absorptionV', 0.1);
    case 'float':
      return againstWanted(name, r.floatV, 0, bank, 'floatV', 0.15);
    case 'time and tail': {
      const tail = tailA(bank);
      return [
        line('absorption ends at', r.tailA ?? tail, 'A', {
          source: r.tailA === null ? 'nothing set: taken as the battery wants' : 'as set',
        }),
        line('the battery wants', tail, 'A', {
          formula: `a tail of its capacity, ${show(bankSource(bank).capacityAh, 'Ah', units)}`,
          ...from(bank, 'tailPct'),
        }),
        line('no more than', 2 * tail, 'A', { formula: `2 × ${n(tail)} A`, source: 'above it the bank stops short of full', breaks }),
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
          ...from(bank, 'equaliseV'),
          breaks,
        }),
      ];
    case 'slope':
      return [
        slopeLine('set, a cell', slopePerCell(r.slope, cells), {
          formula: `${n(r.slope.value)} ${r.slope.unit}, ${n(cells.bank)} cells in the bank`,
          breaks,
        }),
        slopeLine('the battery wants, a cell', chemistry.slopeMvPerCCell, from(bank, 'slope')),
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
          ...from(bank, 'maxChargeA'),
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
        voltsLine('no more than', bms.overV - bms.toleranceV - 0.3 * twelves, {
          formula: `${bms.overV.toFixed(2)} − ${bms.toleranceV.toFixed(2)} − ${(0.3 * twelves).toFixed(2)} V`,
          source: 'what the BMS may be off, and 0.3 V per 12 V between',
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

const FILLED = [80, 95, 99.5] as const;

function filling(fill: Fill, lowSoc: number, capacityAh: number, takes: string, units: Units): WorkingLine[] {
  const line = liner(units);
  return [
    line('begins at, %', 100 * lowSoc, 'none'),
    line('the source can give', fill.givesA, 'A'),
    line('the bank takes at the most', fill.takesA, 'A', { formula: takes, mark: 'typical' }),
    ...FILLED.map((pct, i): WorkingLine => {
      const hours = fill.hours[i] ?? null;
      const ah = Math.max(0, pct / 100 - lowSoc) * capacityAh;
      return line(`to ${pct} %`, hours ?? NaN, 'h', {
        ...(hours === null ? { text: 'not in two days' } : {}),
        formula: `${n(ah)} Ah to store${hours === null || hours <= 0 ? '' : `, ${n(ah / hours)} A on the mean`}`,
        source: 'step by step of 5 minutes, nothing else on: less is taken the fuller it is',
      });
    }),
  ];
}

/** Hours a source alone needs to fill its bank from the bottom of its window. undefined for sun, wind and what charges nothing. */
export function fillWorking(design: Design, sourceId: string, units: Units): Working | undefined {
  const bank = rowOf(design.banks, rowOf(design.sources, sourceId)?.bankId);
  const fill = bank && fillTimes(design, design.engine.cruiseRpm, bank.id).find((f) => f.sourceId === sourceId);
  if (!bank || !fill) return undefined;
  const { chemistry, capacityAh } = bankSource(bank);
  return plainWorking(`${fill.name} fills ${bank.name}`, [
    {
      title: 'Alone, no load',
      lines: filling(fill, chemistry.windowLowSoc, capacityAh, `${n(chemistry.maxChargeC)} × ${n(capacityAh)} Ah`, units),
    },
  ]);
}

/** A bank's own figures: what it holds, what of it is used, its resistance and what it drives into a short. undefined for no bank of hers. */
export function bankFiguresWorking(design: Design, bankId: string, units: Units): Working | undefined {
  const bank = rowOf(design.banks, bankId);
  if (!bank) return undefined;
  const line = liner(units);
  const source = bankSource(bank);
  const { chemistry, capacityAh, ohm } = source;
  const label = bank.blockAh * bank.strings;
  const cold = coldFactor(chemistry, design.plan.tempC);
  return plainWorking(`${bank.name}, ${chemistry.name}`, [
    {
      title: 'What it holds',
      lines: [
        line('as labelled', label, 'Ah', {
          formula: `${bank.strings} × ${n(bank.blockAh)} Ah`,
          source: `rated over ${n(bank.ratedH)} h${bank.series > 1 ? `; ${bank.series} in series add volts, no Ah` : ''}`,
        }),
        line('over 20 h', capacityAh, 'Ah', {
          formula: `${n(label)} Ah × (20 ÷ ${n(bank.ratedH)})^(1 − 1 ÷ ${n(chemistry.peukert)})`,
          ...from(bank, 'peukert'),
        }),
        line('within its window', source.usableAh, 'Ah', {
          formula: `${n(100 * (chemistry.windowHighSoc - chemistry.windowLowSoc))} % of it, from ${n(100 * chemistry.windowHighSoc)} down to ${n(100 * chemistry.windowLowSoc)} %`,
          ...from(bank, 'windowLowSoc'),
        }),
        line('as cold as it gets', source.usableAh * cold, 'Ah', {
          formula: `× ${n(cold)} at ${show(design.plan.tempC, 'C', units)}`,
          mark: 'typical',
        }),
      ],
    },
    {
      title: 'What it drives into a short at its posts',
      lines: [
        line('its resistance', ohm, 'ohm', {
          formula: `${bank.series} × ${n((1000 * source.stringOhm) / bank.series)} mΩ ÷ ${bank.strings}`,
          ...from(bank, 'mohm'),
        }),
        line('at the most', source.largestFaultA, 'A', {
          ...(source.faultIsMakers
            ? { mark: "maker's" as const }
            : { mark: 'typical' as const, formula: `${source.fullV.toFixed(2)} V ÷ (0.6 × ${n(1000 * ohm)} mΩ)` }),
          source: 'full, new and warm',
        }),
        line('at the least', source.smallestV / source.smallestOhm, 'A', {
          formula: `${source.smallestV.toFixed(2)} V ÷ ${n(1000 * source.smallestOhm)} mΩ`,
          source: 'one string, half charged, cold and aged: twice its resistance',
        }),
      ],
    },
  ]);
}

/** A bank's day: what is drawn from it, how long it lasts, how low it comes. @param day as eachBank has it. */
export function bankDayWorking(day: BankDay, design: Design, units: Units): Working {
  const line = liner(units);
  const { engine } = design;
  const need = day.loadsAh + day.startsAh;
  return plainWorking(`${day.name}, day by day`, [
    {
      title: 'What a day takes',
      lines: [
        line('its loads', day.loadsAh, 'Ah', { source: 'hours of each load in this way of living' }),
        line('starting the engine', day.startsAh, 'Ah', {
          formula: `${day.starts} × ${n(engine.crankA)} A × ${n(engine.crankS)} s ÷ 3600`,
        }),
        line('in all', need, 'Ah', { formula: `${n(day.loadsAh)} + ${n(day.startsAh)}` }),
      ],
    },
    {
      title: 'How long it lasts',
      lines: [
        line('usable, as cold as it is', day.usableAh, 'Ah', { source: 'within its window', mark: 'typical' }),
        line('lasts, days', day.lastsDays ?? NaN, 'none', {
          ...(day.lastsDays === null ? { text: 'nothing is drawn' } : { formula: `${n(day.usableAh)} ÷ ${n(need)} Ah a day` }),
        }),
        line('lowest of three like days, %', 100 * day.lowest, 'none', { source: 'begun full, step by step with what charges it' }),
      ],
    },
  ]);
}
