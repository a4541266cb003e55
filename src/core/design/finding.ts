/** A finding: what is wrong, why it matters, what to do. stop: must be settled; fix: should be; note: good to know. */

import type { Op } from './edit';

export type Severity = 'stop' | 'fix' | 'note';

export const ABOUT_KINDS = [
  'circuit',
  'load',
  'panel',
  'bank',
  'source',
  'gauge',
  'join',
  'living',
  'cruise',
  'lead',
  'bar',
  'study',
  'AC source',
  'AC panel',
  'AC load',
  'AC circuit',
  'place',
  'boat',
] as const;
export type AboutKind = (typeof ABOUT_KINDS)[number];

export interface About {
  readonly kind: AboutKind;
  readonly id: string;
}

/** Who answers for a finding, and why. notHere: it does not apply to this boat. */
export interface Answered {
  readonly by: string;
  readonly why: string;
  readonly notHere?: boolean;
}

export interface Finding {
  /** Stable while the cause lasts: rule and the thing it is about. */
  readonly id: string;
  /** The row of the table of rules it comes from. */
  readonly rule: string;
  readonly severity: Severity;
  readonly about: About;
  readonly title: string;
  readonly why: string;
  readonly todo: string;
  /** The finding that brings this one about: they are shown together. */
  readonly cause?: string;
  /** Edits that set it right, where they follow from what was found. */
  readonly edits?: readonly Op[];
  /** A recorded departure: someone accepts it, with a reason. */
  readonly accepted?: Answered;
  /** It was accepted, and what it goes by has changed since: it is open. */
  readonly lapsed?: Answered & { readonly on: string };
}
