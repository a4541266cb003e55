'use client';
import type { BoatRecord } from '@/core/design';
import { clockOf } from '@/core/keep';
import { type ClockRow, type ClockTask, stopped } from './stopped';

/** Starts and stops the clock of a task; it runs on through a closed window. */
export function TaskClock({
  task,
  records,
  onAdd,
}: {
  readonly task: ClockTask;
  readonly records: readonly BoatRecord[];
  readonly onAdd: (rows: ClockRow[]) => unknown;
}) {
  const { since, minutes } = clockOf(records, `task:${task.id}`);
  const runs = since !== null;
  const says = runs ? 'stop clock' : minutes > 0 ? `clock, ${Math.round(minutes)} min` : 'clock';
  return (
    <button
      type="button"
      className="plain screen-only min-h-[28px] whitespace-nowrap"
      aria-pressed={runs}
      aria-label={`${says}: ${task.what}`}
      onClick={() =>
        onAdd(
          runs
            ? stopped(records, task, Date.now())
            : [{ kind: 'mark', thing: `clock:${task.id}`, body: { state: 'started', what: task.what.slice(0, 200) } }],
        )
      }
    >
      {says}
    </button>
  );
}
