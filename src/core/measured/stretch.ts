/** A stretch of measured days beside the ways of living they are most like: volts, amps and charge in so many steps (docs/methods.md, M19). */
import type { Design } from '../design';
import { meterDay } from '../monitoring';
import type { DayBeside } from './beside';
import { DAY_MS, holdOf, MINUTE_MS, minutesOf } from './minutes';
import type { Measured } from './series';

export interface StretchPoint {
  /** Middle of the step, ms. */
  readonly at: number;
  /** Means of what was measured in it; null: nothing was, or there is no charge in the file. Amps into the bank, charge 0 to 1. */
  readonly volts: number | null;
  readonly amps: number | null;
  readonly soc: number | null;
  /** The same of the day it is most like; its charge from where the measured one stood as that day began. */
  readonly expectedV: number | null;
  readonly expectedA: number | null;
  readonly expectedSoc: number | null;
}

export interface Stretch {
  /** Length of a step, ms. */
  readonly stepMs: number;
  readonly points: readonly StretchPoint[];
  /** Over the minutes of the stretch of which both are known: into the bank, measured and expected, Ah. */
  readonly ah: number;
  readonly expectedAh: number;
}

/** Mean of what is known of a step; null: nothing is. */
function meanOf(minutes: readonly number[]): number | null {
  const known = minutes.filter((x) => !Number.isNaN(x));
  return known.length > 0 ? known.reduce((n, x) => n + x, 0) / known.length : null;
}

const FIGURES = ['volts', 'amps', 'soc', 'expectedV', 'expectedA', 'expectedSoc'] as const;

/**
 * @param days as besideDays found them. @param from, to ms; to not counted in.
 * @param steps so many at the most, none shorter than a minute
 */
export function stretchOf(
  design: Design,
  bankId: string,
  series: Measured,
  days: readonly Pick<DayBeside, 'at' | 'livingId'>[],
  from: number,
  to: number,
  steps = 360,
): Stretch {
  const stepMs = Math.max(MINUTE_MS, Math.ceil((to - from) / steps / MINUTE_MS) * MINUTE_MS);
  const likeOf = new Map(days.map((d) => [d.at, d.livingId]));
  const samples = new Map([...new Set(likeOf.values())].map((id) => [id, meterDay(design, bankId, id)]));
  const holdMs = holdOf(series);
  const points: StretchPoint[] = [];
  let [ah, expectedAh] = [0, 0];
  let [todayAt, today, began] = [NaN, minutesOf(series, from, holdMs), NaN];
  for (let start = from; start < to; start += stepMs) {
    const end = Math.min(to, start + stepMs);
    const seen: Record<(typeof FIGURES)[number], number[]> = {
      volts: [],
      amps: [],
      soc: [],
      expectedV: [],
      expectedA: [],
      expectedSoc: [],
    };
    for (let at = start; at < end; at += MINUTE_MS) {
      const dayAt = Math.floor(at / DAY_MS) * DAY_MS;
      if (todayAt !== dayAt) {
        [todayAt, today] = [dayAt, minutesOf(series, dayAt, holdMs)];
        // The first charge that is told that day.
        began = today.soc.find((x) => !Number.isNaN(x)) ?? NaN;
      }
      const m = Math.floor((at - dayAt) / MINUTE_MS);
      const like = samples.get(likeOf.get(dayAt) ?? '');
      const [amps, expectedA] = [today.amps[m] ?? NaN, like?.[m]?.amps ?? NaN];
      seen.volts.push(today.volts[m] ?? NaN);
      seen.amps.push(amps);
      seen.soc.push(today.soc[m] ?? NaN);
      seen.expectedV.push(like?.[m]?.volts ?? NaN);
      seen.expectedA.push(expectedA);
      seen.expectedSoc.push(Math.min(1, Math.max(0, began + (like?.[m]?.soc ?? NaN) - (like?.[0]?.soc ?? NaN))));
      if (Number.isNaN(amps) || Number.isNaN(expectedA)) continue;
      ah += amps / 60;
      expectedAh += expectedA / 60;
    }
    const [volts, amps, soc, expectedV, expectedA, expectedSoc] = FIGURES.map((f) => meanOf(seen[f]));
    points.push({
      at: (start + end) / 2,
      volts: volts ?? null,
      amps: amps ?? null,
      soc: soc ?? null,
      expectedV: expectedV ?? null,
      expectedA: expectedA ?? null,
      expectedSoc: expectedSoc ?? null,
    });
  }
  return { stepMs, points, ah, expectedAh };
}
