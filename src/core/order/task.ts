/** A piece of work with its reasons: what must be done before it, what it takes out of service and what it brings into it. */

/** In the order in which they are done where nothing else decides. */
export const TASK_KINDS = [
  'photograph',
  'bench',
  'holes',
  'strip',
  'pull',
  'mount',
  'terminate',
  'land',
  'test',
  'energise',
  'temporary',
] as const;
export type TaskKind = (typeof TASK_KINDS)[number];

export interface Task {
  readonly id: string;
  readonly kind: TaskKind;
  readonly what: string;
  /** Where it is done; '': anywhere. */
  readonly place: string;
  /** Of one pair of hands. */
  readonly minutes: number;
  /** It wants a second pair of hands. */
  readonly two: boolean;
  /** Tasks done before it, each with the reason. */
  readonly needs: readonly { readonly id: string; readonly why: string }[];
  /** Not before this day, from 1, and what it waits for. */
  readonly notBefore: { readonly day: number; readonly why: string } | null;
  /** Feeds that are out of service from its beginning on. */
  readonly takesDown: readonly string[];
  /** Feeds that are in service once it is done. */
  readonly bringsUp: readonly string[];
}

/** Something that must be live every evening, by any one of its feeds in whole. */
export interface Essential {
  readonly id: string;
  readonly name: string;
  /** Ways to feed it; each is live when all of its feeds are. Feeds in service at the beginning stand in `live`. */
  readonly ways: readonly { readonly name: string; readonly feeds: readonly string[] }[];
  /** A feed that may be laid for the time being; null: none can be, and why. */
  readonly temporary: { readonly feed: string; readonly what: string } | { readonly none: string };
}

export interface Job {
  readonly tasks: readonly Task[];
  readonly essentials: readonly Essential[];
  /** Feeds in service before the first day. */
  readonly live: readonly string[];
  readonly people: 1 | 2;
  /** Minutes of one day that tasks may take, of one pair of hands. */
  readonly dayMinutes: number;
  /** A temporary feed laid, min. */
  readonly temporaryMinutes: number;
}
