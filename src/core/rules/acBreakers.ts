/** Least conductor behind an AC breaker by its rating, as fitted in both schools: terminals are good for 60 or 70 °C, whatever the insulation. Verify against the edition in force. */
import type { School } from './conductors';

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

/** Least size of a school behind a breaker; undefined beyond the rows. */
export const leastBehindBreaker = (school: School, ratingA: number): string | undefined =>
  LEAST[school].find((r) => ratingA <= r.upToA + 1e-9)?.size;
