/** The working of a bank: the hours a source needs to fill it, its own figures, its day (docs/methods.md, M9 to M11). */
import { type BankSource, bankSource, coldFactor } from '../bank';
import { type Bank, type Design, rowOf } from '../design';
import { type BankDay, type Fill, fillTimes } from '../energy';
import { round3, show, type Units } from '../quantity';
import { bySheet, liner, plainWorking } from './parts';
import type { Working, WorkingLine } from './types';

const n = round3;

const FILLED = [80, 95, 99.5] as const;

function filling(fill: Fill, bank: Bank, units: Units): WorkingLine[] {
  const line = liner(units);
  const { chemistry, capacityAh } = bankSource(bank);
  const lowSoc = chemistry.windowLowSoc;
  return [
    line('begins at, %', 100 * lowSoc, 'none'),
    line('the source can give', fill.givesA, 'A'),
    line('the bank takes at the most', fill.takesA, 'A', {
      formula: `${n(chemistry.maxChargeC)} × ${n(capacityAh)} Ah`,
      ...bySheet(bank, 'maxChargeA'),
    }),
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
  return plainWorking(`${fill.name} fills ${bank.name}`, [{ title: 'Alone, no load', lines: filling(fill, bank, units) }]);
}

/**
 * A bank's own figures: what it holds, what of it is used, its resistance and what its posts drive into a short. undefined for no bank of hers.
 * @param banks as analysed, with what can be paralleled with each
 */
export function bankFiguresWorking(
  design: Design,
  banks: readonly Pick<BankSource, 'bankId' | 'postsFaultA' | 'postsFaultBy'>[],
  bankId: string,
  units: Units,
): Working | undefined {
  const bank = rowOf(design.banks, bankId);
  if (!bank) return undefined;
  const line = liner(units);
  const source = bankSource(bank);
  const { chemistry, capacityAh, ohm } = source;
  const label = bank.blockAh * bank.strings;
  const posts = banks.find((b) => b.bankId === bankId);
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
          ...bySheet(bank, 'peukert'),
        }),
        line('within its window', source.usableAh, 'Ah', {
          formula: `${n(100 * (chemistry.windowHighSoc - chemistry.windowLowSoc))} % of it, from ${n(100 * chemistry.windowHighSoc)} down to ${n(100 * chemistry.windowLowSoc)} %`,
          ...bySheet(bank, 'windowLowSoc'),
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
          ...bySheet(bank, 'mohm'),
        }),
        line('of its own, at the most', source.largestFaultA, 'A', {
          ...(source.faultIsMakers
            ? { mark: "maker's" as const }
            : { mark: 'typical' as const, formula: `${source.fullV.toFixed(2)} V ÷ (0.6 × ${n(1000 * ohm)} mΩ)` }),
          source: 'full, new and warm',
        }),
        ...(posts && posts.postsFaultBy !== ''
          ? [line('with all that can feed its posts', posts.postsFaultA, 'A', { source: posts.postsFaultBy })]
          : []),
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
