/** The time clock of a task: started and stopped by marks that are kept, so that it runs on through a closed window. */
import type { BoatRecord } from '../design';

export interface Clock {
  /** When it was last started, ms; null: it stands. */
  readonly since: number | null;
  /** Minutes of the stretches that ended. */
  readonly minutes: number;
}

/** A stretch of more than this was forgotten: it counts as this much, min. */
const LONGEST_MIN = 12 * 60;

/** @param thing as task:ID; its marks are clock:ID, started or stopped. */
export function clockOf(records: readonly BoatRecord[], thing: string): Clock {
  const own = records.filter((r) => r.kind === 'mark' && r.thing === thing.replace(/^task:/, 'clock:')).sort((a, b) => a.at - b.at);
  let since: number | null = null;
  let minutes = 0;
  for (const { at, body } of own) {
    // Started twice it runs from the first; stopped while it stands says nothing.
    if (body.state === 'started') since ??= at;
    else if (since !== null) {
      minutes += Math.min(LONGEST_MIN, (at - since) / 60_000);
      since = null;
    }
  }
  return { since, minutes };
}
