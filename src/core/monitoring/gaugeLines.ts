/** What the figures of a gauge run are made of, in words (docs/methods.md, M14). */
import { round3, show, type Units } from '../quantity';
import { FALSE_UNDER, type GaugeRun, type GaugeSet, type Measures, REALLY_FULL } from './gauge';

const pct = (part: number): string => `${round3(100 * part)} %`;

interface Told {
  /** True charge, every so many hours. */
  readonly truth: readonly number[];
  readonly everyH: number;
  readonly measures: Measures;
}

/** @param shown charge it shows, at the same hours. */
export function gaugeLines(
  { truth, everyH, measures }: Told,
  { set, run, shown }: { readonly set: GaugeSet; readonly run: Omit<GaugeRun, 'shown'>; readonly shown: readonly number[] },
  units: Units,
): readonly string[] {
  const days = Math.round((truth.length * everyH) / 24);
  const at = Math.min(truth.length - 1, Math.max(0, Math.round(run.worstAtH / everyH) - 1));
  return [
    `counts ${show(measures.offsetA, 'A', units)} of its own zero and ${show(measures.unseenA, 'A', units)} it never sees, in steps of ${show(measures.stepA, 'A', units)}; ${pct(set.chargeEff)} of what goes in, exponent ${round3(set.peukert)} of what comes out, of ${round3(set.capacityAh)} Ah`,
    `calls full once ${set.chargedV.toFixed(2)} V and less than ${show(set.tailA, 'A', units)} going in have lasted ${round3(60 * set.chargedH)} min`,
    `at its worst it shows about ${pct(shown[at] ?? 0)} where the bank holds ${pct(truth[at] ?? 0)}: ${pct(run.worst)} between them; ${pct(run.mean)} on the mean of ${days} days`,
    `called full ${run.fulls} times, ${run.falseFulls.length} of them with less than ${pct(FALSE_UNDER)} in the bank${run.falseFulls[0] ? ` (${pct(run.falseFulls[0].trueSoc)} the first time)` : ''}; on ${run.missedDays} days it was filled to ${pct(REALLY_FULL)} and never said so`,
    'drift: what it is off when it calls full, less what it was off at the full before, over the time between',
  ];
}
