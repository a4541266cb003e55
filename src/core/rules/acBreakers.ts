/** Least conductors behind an AC breaker by its rating, as fitted in both schools: terminals are good for 60 to 75 °C, whatever the insulation. Verify against the edition in force. */
import { type Conductor, CONDUCTORS, findConductor, type School } from './conductors';

interface LeastRow {
  /** Breakers up to this rating, A. */
  readonly upToA: number;
  readonly size: string;
}

const LEAST: Readonly<Record<School, readonly LeastRow[]>> = {
  awg: [
    { upToA: 15, size: '14' },
    { upToA: 20, size: '12' },
    { upToA: 30, size: '10' },
    { upToA: 40, size: '8' },
    { upToA: 50, size: '6' },
    { upToA: 70, size: '4' },
    { upToA: 100, size: '2' },
  ],
  metric: [
    { upToA: 10, size: '1.5' },
    { upToA: 16, size: '2.5' },
    { upToA: 25, size: '4' },
    { upToA: 32, size: '6' },
    { upToA: 50, size: '10' },
    { upToA: 63, size: '16' },
    { upToA: 100, size: '25' },
  ],
};

/** With terminals good for 75 °C: beyond 30 A a size less does in the awg school. */
const LEAST_AT_75: readonly LeastRow[] = [
  { upToA: 15, size: '14' },
  { upToA: 20, size: '12' },
  { upToA: 30, size: '10' },
  { upToA: 50, size: '8' },
  { upToA: 65, size: '6' },
  { upToA: 85, size: '4' },
  { upToA: 115, size: '2' },
];

/** Least size of a school behind a breaker with terminals good for so many °C; undefined beyond the rows. */
export const leastBehindBreaker = (school: School, ratingA: number, terminalC = 60): string | undefined =>
  (school === 'awg' && terminalC >= 75 ? LEAST_AT_75 : LEAST[school]).find((r) => ratingA <= r.upToA + 1e-9)?.size;

/** Least protective earth behind a breaker in the awg school, by the custom of North American wiring. */
const AWG_EARTH: readonly LeastRow[] = [
  { upToA: 15, size: '14' },
  { upToA: 20, size: '12' },
  { upToA: 60, size: '10' },
  { upToA: 100, size: '8' },
  { upToA: 200, size: '6' },
];

/**
 * Least protective earth beside a live. awg: by the breaker, never more than the live. metric: as the live up to 16 mm², 16 mm² up to 35, half of
 * it beyond (IEC 60364-5-54). Verify against the edition in force.
 */
export function leastEarth(live: Conductor, ratingA: number): Conductor {
  const named = (size: string | undefined) => (size === undefined ? undefined : findConductor(live.school, size));
  if (live.school === 'awg') {
    const least = named(AWG_EARTH.find((r) => ratingA <= r.upToA + 1e-9)?.size);
    return least && least.areaMm2 < live.areaMm2 ? least : live;
  }
  if (live.areaMm2 <= 16) return live;
  if (live.areaMm2 <= 35) return named('16') ?? live;
  return CONDUCTORS.metric.find((s) => s.areaMm2 >= live.areaMm2 / 2 - 1e-9) ?? live;
}
