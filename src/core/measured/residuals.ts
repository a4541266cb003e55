/** What each source gave and each load drew a day, beside what the same days of this boat say (docs/methods.md, M19). */
import { asDecided, type Design, rowOf } from '../design';
import { nominalW } from '../demand';
import { meterDay } from '../monitoring';
import type { DayBeside } from './beside';
import type { Learned } from './learn';
import type { Measured } from './series';

export interface Residual {
  readonly id: string;
  readonly of: 'source' | 'load';
  readonly name: string;
  /** A day, Ah: as it was measured, and as the ways of living the days are most like say. */
  readonly measuredAh: number;
  readonly expectedAh: number;
  /** In words: what it was found from. */
  readonly by: string;
}

const HOUR_MS = 3600_000;
/** A reading stands no longer than this for the time after it. */
const HELD_MS = 15 * 60_000;

/** Ah of a column, over the time of it that was measured. */
function ahOf({ at }: Measured, values: Float64Array): { readonly ah: number; readonly days: number } {
  let [ah, ms] = [0, 0];
  for (let k = 1; k < at.length; k++) {
    const a = values[k - 1] ?? NaN;
    const held = Math.min(HELD_MS, (at[k] ?? 0) - (at[k - 1] ?? 0));
    if (!Number.isFinite(a)) continue;
    ah += (a * held) / HOUR_MS;
    ms += held;
  }
  return { ah, days: ms / (24 * HOUR_MS) };
}

/**
 * Sources that have a column of their own, and loads whose hours were seen in steps, the largest difference first.
 * @param days as besideDays found them: each counts by the part of it that was measured.
 */
export function residuals(
  whole: Design,
  bankId: string,
  series: Measured,
  days: readonly DayBeside[],
  { seen }: Learned,
): readonly Residual[] {
  const design = asDecided(whole);
  const measured = days.reduce((sum, d) => sum + d.part, 0);
  if (measured <= 0) return [];
  const mean = (of: (livingId: string) => number): number => days.reduce((sum, d) => sum + d.part * of(d.livingId), 0) / measured;
  // The same day that the measured one was held beside.
  const expected = new Map([...new Set(days.map((d) => d.livingId))].map((id) => [id, meterDay(design, bankId, id) ?? []]));
  const sources = design.sources.flatMap((s): Residual[] => {
    const column = series.further[`amps of ${s.id}`];
    const { ah, days: n } = column ? ahOf(series, column) : { ah: 0, days: 0 };
    if (n <= 0) return [];
    const expectedAh = mean((id) => (expected.get(id) ?? []).reduce((sum, m) => sum + (m.gives[s.id] ?? 0) / 60, 0));
    return [{ id: s.id, of: 'source', name: s.name, measuredAh: ah / n, expectedAh, by: 'its own column' }];
  });
  const loads = seen.flatMap((s): Residual[] => {
    const load = rowOf(design.loads, s.loadIds[0]);
    if (!load) return [];
    const expectedAh = mean((id) => {
      const living = rowOf(design.living, id);
      return living ? (nominalW(load) / load.nominalV) * Math.min(24, load.hours[living.id] ?? 0) : 0;
    });
    const by = `${s.times} steps of ${Number(s.amps.toPrecision(3))} A`;
    return [{ id: load.id, of: 'load', name: s.name, measuredAh: 24 * s.duty * s.amps, expectedAh, by }];
  });
  const off = (r: Residual) => Math.abs(r.measuredAh - r.expectedAh);
  return [...sources, ...loads].sort((a, b) => off(b) - off(a));
}
