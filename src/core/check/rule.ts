/** A rule of the audit: one row of the table. Adding a rule is adding a row. */
import type { About, AboutKind, Design, Finding, Op, Severity } from '../design';

export const HAZARDS = ['fire', 'shock', 'explosion', 'burns', 'stray current', 'flooding', 'stranded', 'damage', 'none'] as const;
export type Hazard = (typeof HAZARDS)[number];

/** What the program cannot know: looked at, or measured, aboard. */
export type Confirm = 'nothing' | 'eyes' | 'a meter';

/** What a rule has found about one thing. */
export interface Told {
  /** The thing, of the rule's kind unless about says otherwise. */
  readonly id: string;
  readonly title: string;
  /** Where they are missing the row's own words are used. */
  readonly why?: string;
  readonly todo?: string;
  readonly severity?: Severity;
  /** Behind the rule's id, where one thing may have several of the kind. */
  readonly suffix?: string;
  readonly about?: About;
  /** Id of the finding that brings it about. */
  readonly cause?: string;
  /** Edits that set it right, where they follow from what was found: a cure may hand them on. */
  readonly edits?: readonly Op[];
}

/** The same, of a thing that the rule goes through by itself. */
export type Said = Omit<Told, 'id'>;

export interface Rule<F> {
  readonly id: string;
  readonly about: AboutKind;
  /** The gravest it says. */
  readonly severity: Severity;
  /** The facts it reads, by their names in the design or the analysis. */
  readonly reads: readonly string[];
  /** When it applies, in words. */
  readonly when: string;
  readonly why: string;
  readonly todo: string;
  readonly hazard: Hazard;
  readonly confirm: Confirm;
  /** Where it comes from; figures of standards are to be verified against the edition in force. */
  readonly source: string;
  readonly find: (facts: F) => readonly Told[];
  /** Edits of the design that take the finding away; null where none can be made here. */
  readonly cure?: (design: Design, finding: Finding) => readonly (Op | undefined)[] | null;
}

/** A rule without what it reads: what docs and screens show of a row. */
export type RuleRow = Omit<Rule<never>, 'find' | 'cure'> & { readonly curable: boolean };

/** What a set of rules finds in its facts, in the order of the rows. */
export function findingsIn<F>(rules: readonly Rule<F>[], facts: F): Finding[] {
  const out: Finding[] = [];
  for (const rule of rules) {
    const all = rule.find(facts);
    // Most rules find nothing, and this is asked of every circuit at every edit.
    if (all.length > 0)
      for (const t of all)
        out.push({
          id: `${rule.id}${t.suffix ?? ''}:${t.id}`,
          rule: rule.id,
          severity: t.severity ?? rule.severity,
          about: t.about ?? { kind: rule.about, id: t.id },
          title: t.title,
          why: t.why ?? rule.why,
          todo: t.todo ?? rule.todo,
          ...(t.cause === undefined ? {} : { cause: t.cause }),
          ...(t.edits === undefined ? {} : { edits: t.edits }),
        });
  }
  return out;
}

/** One thing told, or nothing. */
export const when = <T = Told>(applies: boolean, told: () => T): readonly T[] => (applies ? [told()] : NOTHING);
const NOTHING: readonly never[] = [];

/** Sources of rules, said the same everywhere. */
export const SOURCES = {
  dc: 'small-craft DC standards of both schools; verify',
  ac: 'small-craft AC standards of both schools; verify',
  maker: "the maker's sheet",
  house: 'house rule',
  practice: 'practice of the trade',
  data: 'the design itself',
} as const;

/** What only a bank's typical short speaks against waits for what is said of the bank. @param bankId null: something else speaks against it too. */
export const shortIsCause = (bankId: string | null): { readonly cause?: string } =>
  bankId === null ? {} : { cause: `bank-short:${bankId}` };
/** Of a place where no device made is good for the short, and a typical resistance alone says so. */
export const NONE_INTERRUPTS = 'nothing made interrupts the short the bank may give there';
/** What settles a short that is known by a typical resistance alone. */
export const ASK_SHORT = 'Ask the battery’s maker for the short-circuit current, and enter it on Bank.';
