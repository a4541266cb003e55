/** Hours of a job, counted from its ends, metres and awkward places (docs/methods.md, "Hours"). */
import type { CircuitResult } from '../circuit';
import { asDecided, type Design } from '../design';
import { round3 } from '../quantity';
import { FAULTS_SHARE, ISOLATE_MIN, SPREAD_OF_JOB, SPREAD_OF_KIND, TIDY_MIN, WORK_KINDS, type WorkKind } from '../rules';
import { random } from '../solve';
import type { Lists } from './lists';
import type { MadePiece } from './made';
import { type Counted, counted } from './workCounts';

export interface WorkLine {
  readonly kind: WorkKind;
  readonly what: string;
  readonly count: number;
  readonly unit: string;
  readonly each: number;
  /** With the firm's factor. */
  readonly minutes: number;
  readonly factor: number;
  /** What the count is counted from, in words. */
  readonly of: readonly string[];
}

export interface Hours {
  readonly lines: readonly WorkLine[];
  /** Median of the sum, and what it stays under nine times in ten, h. */
  readonly p50H: number;
  readonly p90H: number;
  /** Working days of the hours given, by the median. */
  readonly days: number;
}

/** By day: what is isolated and proved each morning, and tidied each evening; and a share for what is found on the way. */
const daily = (days: number, otherMinutes: number, dayMinutes: number): Counted[] => {
  const counted = [
    `${round3(otherMinutes / 60)} h of all else and ${round3(100 * FAULTS_SHARE)} % for faults, in days of ${round3(dayMinutes / 60)} h less ${ISOLATE_MIN + TIDY_MIN} min: ${days}`,
  ];
  return [
    ['isolate and prove', 'visits', days, '', ISOLATE_MIN, counted],
    ['tidy', 'days', days, '', TIDY_MIN, counted],
    [
      'faults found',
      'share of all else, 5 %',
      1,
      '',
      FAULTS_SHARE * otherMinutes,
      [`${round3(100 * FAULTS_SHARE)} % of ${round3(otherMinutes / 60)} h`],
    ],
  ];
};

/** @param made the pieces still to be made: those that stand already are left out by the caller. */
export function hoursOf(whole: Design, circuits: readonly CircuitResult[], made: readonly MadePiece[], lists: Lists): Hours {
  const design = asDecided(whole);
  const { hoursPerDay, people, factors } = design.work;
  const line = ([kind, what, count, unit, each, of = []]: Counted): WorkLine => {
    const factor = factors[kind] ?? 1;
    return { kind, what, count, unit, each, factor, minutes: count * each * factor, of };
  };
  const own = counted(design, circuits, made, lists)
    .filter((c) => c[2] > 0)
    .map(line);
  const sum = own.reduce((n, l) => n + l.minutes, 0);
  const perDay = hoursPerDay * 60 * people;
  // A day is shorter by what each day asks for.
  const days = sum === 0 ? 0 : Math.max(1, Math.ceil((sum * (1 + FAULTS_SHARE)) / Math.max(60, perDay - ISOLATE_MIN - TIDY_MIN)));
  const lines = [
    ...own,
    ...daily(days, sum, perDay)
      .filter(() => sum > 0)
      .map(line),
  ].sort((a, b) => WORK_KINDS.indexOf(a.kind) - WORK_KINDS.indexOf(b.kind));
  return { lines, ...spread(lines), days };
}

const DRAWS = 4000;

/** P50 and P90 of the sum: minutes of a kind rise and fall together, and the whole job with them. Seeded: the same lines give the same. */
export function spread(lines: readonly { readonly kind: WorkKind; readonly minutes: number }[]): {
  readonly p50H: number;
  readonly p90H: number;
} {
  const sums = WORK_KINDS.map((kind) => lines.reduce((n, l) => (l.kind === kind ? n + l.minutes : n), 0)).filter((m) => m > 0);
  const { normal } = random(1, 0);
  const drawn = Array.from({ length: DRAWS }, () => {
    const job = Math.exp(SPREAD_OF_JOB * normal());
    return sums.reduce((n, m) => n + m * job * Math.exp(SPREAD_OF_KIND * normal()), 0) / 60;
  }).sort((a, b) => a - b);
  const at = (q: number) => drawn[Math.floor(q * DRAWS)] ?? 0;
  return { p50H: at(0.5), p90H: at(0.9) };
}

/** The firm's factor after n tasks of a kind, real over estimated minutes: it moves from 1 as they become many. */
export const learnedFactor = (ratio: number, n: number): number => 1 + ((ratio - 1) * n) / (n + 5);
