/** One gauge against the boat: as proposed, as set and as its maker sets it, over the same minutes (docs/methods.md, M14). */
import { bankSource, c20Ah, chemistryOf } from '../bank';
import { type Design, type Gauge, rowOf } from '../design';
import { restV } from '../rules';
import { type GaugeRun, type GaugeSet, type Measures, type Missed, runGauge, type Series, whyMissed } from './gauge';
import { gaugeLines } from './gaugeLines';
import { clouded, seriesOf } from './series';
import { asSet, gaugeSheet, type GaugeSheet, measuresOf } from './settings';

export interface GaugeCurve {
  readonly name: 'as proposed' | 'as set' | 'its maker’s';
  readonly set: GaugeSet;
  readonly run: Omit<GaugeRun, 'shown'>;
  /** Shown charge every quarter of an hour. */
  readonly shown: readonly number[];
  readonly missed: Missed;
  /** What its figures are made of, in words. */
  readonly of: readonly string[];
}

export interface GaugeAnswer {
  readonly sheet: GaugeSheet;
  readonly days: number;
  /** Hours of one point of a curve. */
  readonly everyH: number;
  readonly truth: readonly number[];
  readonly curves: readonly GaugeCurve[];
  readonly series: Series;
  readonly measures: Measures;
}

const EVERY_H = 0.25;

/** Rest volts of a full bank. */
export const restOf = (design: Design, bankId: string): number => {
  const bank = rowOf(design.banks, bankId);
  return bank ? restV(chemistryOf(bank), 1) * (bankSource(bank).nominalV / 12) : 12.7;
};

/** null: the gauge counts nothing, its bank is gone, or nobody lives aboard. @param unseenA drawn round its shunt, A. @param cloudSeed null: clear skies as the days say. */
export function answerOf(design: Design, gauge: Gauge, unseenA: number, cloudSeed: number | null): GaugeAnswer | null {
  const sheet = gaugeSheet(design, gauge);
  const bank = rowOf(design.banks, gauge.bankId);
  const clear = bank && seriesOf(design, bank.id);
  if (!sheet || !clear) return null;
  const series = cloudSeed === null ? clear : clouded(clear, restOf(design, bank.id), c20Ah(bank), cloudSeed);
  const measures = measuresOf(gauge, unseenA);
  const step = Math.max(1, Math.round(EVERY_H / series.stepH));
  const every = (list: ArrayLike<number>): number[] =>
    Array.from({ length: Math.floor(list.length / step) }, (_, i) => list[(i + 1) * step - 1] ?? 0);
  const [truth, everyH] = [every(series.soc), step * series.stepH];
  const curve = (name: GaugeCurve['name'], set: GaugeSet): GaugeCurve => {
    const { shown, ...run } = runGauge(series, set, measures);
    const drawn = every(shown);
    const of = gaugeLines({ truth, everyH, measures }, { set, run, shown: drawn }, design.boat);
    return { name, set, run, shown: drawn, missed: whyMissed(series, set, measures), of };
  };
  const said = (x: Gauge['asSet']) => Object.values(x).some((v) => v !== null);
  return {
    sheet,
    days: Math.round((series.amps.length * series.stepH) / 24),
    everyH,
    truth,
    curves: [
      curve('as proposed', sheet.set),
      ...(said(gauge.asSet) ? [curve('as set', asSet(sheet, gauge.asSet))] : []),
      ...(said(gauge.maker) ? [curve('its maker’s', asSet(sheet, gauge.maker))] : []),
    ],
    series,
    measures,
  };
}
