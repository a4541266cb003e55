/** What a five-minute check asks and answers: a machine looked at on any boat, with or without a design of hers. */
import type { Finding, Severity } from '../design';
import type { School } from '../rules';

/** One thing asked. number: in the unit given (m, mm, A, VA, Ah, V); size: of a conductor, '' for not known; yes: '', 'yes' or 'no'. */
export type Question =
  | {
      readonly key: string;
      readonly ask: string;
      readonly kind: 'number';
      readonly unit: 'm' | 'A' | 'VA' | 'Ah' | 'V';
      readonly usual: number | null;
      readonly low: number;
      readonly high: number;
    }
  | { readonly key: string; readonly ask: string; readonly kind: 'choice'; readonly options: readonly string[] }
  | { readonly key: string; readonly ask: string; readonly kind: 'size' }
  | { readonly key: string; readonly ask: string; readonly kind: 'yes' };

/** As typed: a number, a word, a size, 'yes' or 'no'; null or '': not known. */
export type Typed = Readonly<Record<string, number | string | null>>;

export interface QuickLine {
  readonly what: string;
  /** What it ought to be, and what is there; '' where nothing was entered. */
  readonly asked: string;
  readonly there: string;
  /** null: not known. */
  readonly ok: boolean | null;
  readonly why: string;
}

export interface QuickAnswer {
  readonly lines: readonly QuickLine[];
  /** What the rules find about it. */
  readonly findings: readonly (Pick<Finding, 'title' | 'why' | 'todo' | 'rule'> & { readonly severity: Severity })[];
  /** What was taken for granted. */
  readonly assumed: readonly string[];
  readonly caution: string;
}

export interface QuickCheck {
  readonly id: 'inverter' | 'shore' | 'alternator';
  readonly name: string;
  readonly about: string;
  readonly questions: (school: School) => readonly Question[];
  readonly answer: (school: School, typed: Typed) => QuickAnswer;
}

export const num = (typed: Typed, key: string): number | null => {
  const value = typed[key];
  return typeof value === 'number' && Number.isFinite(value) ? value : null;
};
export const word = (typed: Typed, key: string): string => {
  const value = typed[key];
  return typeof value === 'string' ? value : '';
};
/** null: nobody has looked. */
export const yes = (typed: Typed, key: string): boolean | null =>
  word(typed, key) === 'yes' ? true : word(typed, key) === 'no' ? false : null;
export const pick = <T extends string>(typed: Typed, key: string, options: readonly T[], usual: T): T =>
  options.find((o) => o === word(typed, key)) ?? usual;

/** A yes or no line. @param wanted what is well. */
export const seen = (what: string, is: boolean | null, why: string, wanted = true): QuickLine => ({
  what,
  asked: wanted ? 'yes' : 'no',
  there: is === null ? '' : is ? 'yes' : 'no',
  ok: is === null ? null : is === wanted,
  why,
});
