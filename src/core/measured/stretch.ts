/** A stretch of measured days beside the ways of living they are most like: volts, amps and charge in so many steps (docs/methods.md, M19). */
import type { Design } from '../design';
import { meterDay } from '../monitoring';
import type { DayBeside } from './beside';
import type { Measured } from './series';

const DAY_MS = 24 * 3600_000;
const MINUTE_MS = 60_000;

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
  /** Over the whole stretch, where both are known: into the bank, measured and expected, Ah. */
  readonly ah: number;
  readonly expectedAh: number;
}

/** A mean in the making. */
class Mean {
  private sum = 0;
  private count = 0;
  add(x: number): void {
    if (!Number.isFinite(x)) return;
    this.sum += x;
    this.count++;
  }
  get is(): number | null {
    return this.count > 0 ? this.sum / this.count : null;
  }
}

/** First reading at or after a time. */
function firstAt({ at }: Measured, time: number): number {
  let [low, high] = [0, at.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((at[mid] ?? 0) < time) low = mid + 1;
    else high = mid;
  }
  return low;
}

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
  const expectedOn = (dayAt: number) => samples.get(likeOf.get(dayAt) ?? '') ?? null;
  /** Charge the measured day began with: its first reading that tells one. */
  const began = new Map<number, number | null>();
  const beganOf = (dayAt: number): number | null => {
    const known = began.get(dayAt);
    if (known !== undefined) return known;
    let found: number | null = null;
    for (let k = firstAt(series, dayAt); k < series.at.length && (series.at[k] ?? 0) < dayAt + DAY_MS && found === null; k++)
      if (Number.isFinite(series.soc[k])) found = series.soc[k] ?? null;
    began.set(dayAt, found);
    return found;
  };
  const points: StretchPoint[] = [];
  let [ah, expectedAh] = [0, 0];
  let k = firstAt(series, from);
  for (let start = from; start < to; start += stepMs) {
    const end = Math.min(to, start + stepMs);
    const [volts, amps, soc, expectedV, expectedA, expectedSoc] = [new Mean(), new Mean(), new Mean(), new Mean(), new Mean(), new Mean()];
    for (; k < series.at.length && (series.at[k] ?? 0) < end; k++) {
      volts.add(series.volts[k] ?? NaN);
      amps.add(series.amps[k] ?? NaN);
      soc.add(series.soc[k] ?? NaN);
    }
    for (let at = start; at < end; at += MINUTE_MS) {
      const dayAt = Math.floor(at / DAY_MS) * DAY_MS;
      const day = expectedOn(dayAt);
      const sample = day?.[Math.floor((at - dayAt) / MINUTE_MS)];
      if (!day || !sample) continue;
      expectedV.add(sample.volts);
      expectedA.add(sample.amps);
      const first = beganOf(dayAt);
      if (first !== null) expectedSoc.add(Math.min(1, Math.max(0, first + sample.soc - (day[0]?.soc ?? 0))));
    }
    if (amps.is !== null && expectedA.is !== null) {
      ah += (amps.is * (end - start)) / 3600_000;
      expectedAh += (expectedA.is * (end - start)) / 3600_000;
    }
    points.push({
      at: (start + end) / 2,
      volts: volts.is,
      amps: amps.is,
      soc: soc.is,
      expectedV: expectedV.is,
      expectedA: expectedA.is,
      expectedSoc: expectedSoc.is,
    });
  }
  return { stepMs, points, ah, expectedAh };
}
