/** What is written down when a task's clock stops. */
import type { BoatRecord } from '@/core/design';
import { clockOf } from '@/core/keep';
import { KIND_OF, TASK_KINDS } from '@/core/order';

export interface ClockTask {
  readonly id: string;
  readonly what: string;
  /** As estimated. */
  readonly minutes: number;
}

export type ClockRow = Pick<BoatRecord, 'kind' | 'thing' | 'body'>;

/** What stops a task's clock and notes its minutes; nothing where it stands. */
export function stopped(records: readonly BoatRecord[], task: ClockTask, now: number): ClockRow[] {
  const thing = `task:${task.id}`;
  const kind = TASK_KINDS.find((k) => task.id.startsWith(`${k}:`));
  if (clockOf(records, thing).since === null || !kind) return [];
  const what = task.what.slice(0, 200);
  const stop = { kind: 'mark' as const, thing: `clock:${task.id}`, body: { state: 'stopped', what } };
  // As the clock will say once it is kept: a stretch that was forgotten is cut there too.
  const total = Math.round(clockOf([...records, { ...stop, id: 'stop-now', at: now }], thing).minutes);
  return [stop, { kind: 'time', thing, body: { minutes: total, estimated: Math.round(task.minutes), kind: KIND_OF[kind], what } }];
}
