/** A place for a thing as a screen shows it, the edit that takes it, and the order of several. */
import { blankMount, type Design, type Face, type MountKind, type Op, setOp } from '../design';
import { type FitLine, MOUNT_LISTS, type Verdict } from '../mounting';

/** What a run that ends at the thing comes to with it there. */
export interface RunThere {
  readonly id: string;
  readonly name: string;
  readonly lengthM: number;
  /** Metres of conductor: a pair counts twice. */
  readonly wireM: number;
  readonly kg: number;
  readonly minutes: number;
  /** Worst drop over the whole path, % of nominal; null where it is not judged so. */
  readonly dropPct: number | null;
}

/** So many of something, each standing for so many minutes. */
export interface ScorePart {
  readonly what: string;
  readonly count: number;
  readonly kind: 'kg' | 'none';
  readonly each: number;
}

export interface Candidate {
  readonly placeId: string;
  readonly placeName: string;
  readonly face: Face | null;
  readonly verdict: Verdict;
  /** Lines of the body and of the place that refuse or ask. */
  readonly lines: readonly FitLine[];
  readonly runs: readonly RunThere[];
  readonly lengthM: number;
  readonly kg: number;
  readonly minutes: number;
  /** Stops and fixes of the whole boat with it there, and titles of those that it does not have today. */
  readonly stops: number;
  readonly fixes: number;
  readonly brings: readonly string[];
  /** Minutes of work it stands for: lower is better; and what they are made of, which adds up to it. */
  readonly score: number;
  readonly parts: readonly ScorePart[];
  readonly now: boolean;
}

/** What a kilogram of copper, an open question, a fix and a stop stand for, in minutes. Ours: a house may think otherwise. */
export const WORTH_MIN = { kg: 30, ask: 10, fix: 60, stop: 480, noReach: 60 } as const;

/** The edit that moves it there. */
export function moveOps(
  design: Design,
  kind: MountKind,
  thingId: string,
  placeId: string,
  faceId: string | null,
): readonly (Op | undefined)[] {
  const mount = design.mounts.find((m) => m.kind === kind && m.thingId === thingId);
  const row = { ...blankMount(kind, thingId), faceId };
  return [
    setOp(design, [MOUNT_LISTS[kind], thingId, 'placeId'], placeId),
    mount
      ? setOp(design, ['mounts', mount.id, 'faceId'], faceId)
      : faceId === null
        ? undefined
        : { op: 'add', path: ['mounts'], after: design.mounts[design.mounts.length - 1]?.id ?? null, row },
  ];
}

/** The best first: what fits, then what is to be asked, then what does not; within each by score. */
export const bestFirst = (all: readonly Candidate[]): readonly Candidate[] => {
  const order: Readonly<Record<Verdict, number>> = { goes: 0, ask: 1, 'does not go': 2 };
  return [...all].sort((a, b) => order[a.verdict] - order[b.verdict] || a.score - b.score);
};
