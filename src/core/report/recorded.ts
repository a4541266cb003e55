/** What the boat's records bring to Check: tests that were not right, and figures that go where they should not. */
import { aboutOf, openTests, testLimits, type TestLine } from '../commission';
import type { BoatRecord, Design, Finding } from '../design';
import { trendFindings, trendsOf } from '../keep';

/** @param sheet of the design as it is. @param now ms. */
export const recordedFindings = (
  design: Design,
  sheet: readonly TestLine[],
  records: readonly BoatRecord[],
  now: number,
): readonly Finding[] => [
  ...openTests(design, sheet, records),
  ...trendFindings(trendsOf(design, records, testLimits(sheet)), now, (id) => aboutOf(design, id)),
];
