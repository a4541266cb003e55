'use client';
import type { BoatRecord } from '@/core/design';
import { clockOf } from '@/core/keep';
import { KIND_OF, TASK_KINDS } from '@/core/order';

type Row = Pick<BoatRecord, 'kind' | 'thing' | 'body'>;

/** What stops a task's clock and notes its minutes; nothing where it stands. */
export function stopped(
  records: readonly BoatRecord[],
  task: { readonly id: string; readonly what: string; readonly minutes: number },
  now: number,
): Row[] {
  const thing = `task:${task.id}`;
  const { since, minutes } = clockOf(records, thing);
  const kind = TASK_KINDS.find((k) => task.id.startsWith(`${k}:`));
  if (since === null || !kind) return [];
  const what = task.what.slice(0, 200);
  const total = Math.round(minutes + (now - since) / 60_000);
  return [
    { kind: 'mark', thing: `clock:${task.id}`, body: { state: 'stopped', what } },
    { kind: 'time', thing, body: { minutes: total, estimated: Math.round(task.minutes), kind: KIND_OF[kind], what } },
  ];
}

/** Starts and stops the clock of a task; it runs on through a closed window. */
export function TaskClock({
  task,
  records,
  onAdd,
}: {
  readonly task: { readonly id: string; readonly what: string; readonly minutes: number };
  readonly records: readonly BoatRecord[];
  readonly onAdd: (rows: Row[]) => unknown;
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
