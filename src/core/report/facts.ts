/** What reports are made from. */
import type { Analysis } from '../analysis';
import type { TestLine } from '../commission';
import type { BoatRecord, Design, Finding } from '../design';

export interface ReportFacts {
  readonly design: Design;
  readonly analysis: Analysis;
  /** All of them, studies and machines with them, accepted ones too. */
  readonly findings: readonly Finding[];
  readonly records: readonly (BoatRecord & { readonly by?: string | null })[];
  readonly sheet: readonly TestLine[];
  readonly revision: number;
  /** Digest of the design as it is, and the day the report is made, as 2026-05-31. */
  readonly hash: string;
  readonly day: string;
}
