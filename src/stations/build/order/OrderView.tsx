'use client';
import { useState } from 'react';
import { round3, show } from '@/core/quantity';
import type { Order } from '@/core/order';
import { useAsked, useDesign, useStore } from '@/ui/boat/context';
import { usePut } from '@/ui/boat/put';
import { Tick } from '@/ui/field';
import { fileName, saveText } from '@/ui/files';
import { useBench, useKept } from '../useBench';
import { Deliveries } from './Deliveries';
import { Essentials } from './Essentials';
import { IsolationSheet } from './IsolationSheet';
import { dateOf } from './dates';
import { stopped } from './stopped';
import { TaskClock } from './TaskClock';

/** Day by day: what is done, why in this order, and what is live in the evening. */
export function OrderView() {
  const design = useDesign();
  const put = usePut();
  const store = useStore();
  const { book, marks } = useBench();
  const order = useKept(useAsked<Order>(`order:${book.version}`, (r) => r.order(marks)));
  const [opened, setOpened] = useState<string | null>(null);
  if (!order) return <p className="text-quiet">Working out the days, and proving each evening.</p>;
  const { schedule, tasks } = order;
  const byId = new Map(tasks.map((t) => [t.id, t]));
  const { work } = design;
  const calendar = async () => {
    const { calendarOf } = await import('./calendar');
    const made = calendarOf(design, order);
    if (made.ok) saveText(`${fileName(design.boat.name)}-work.ics`, made.text, 'text/calendar');
    else store.say('refused', `No calendar was made: ${made.why}.`);
  };
  const done = [...book.marks.values()].filter((m) => m.thing.startsWith('task:') && m.body.state === 'done');
  return (
    <div>
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <p className="text-[15px]">
          {schedule.ok ? (
            <>
              <b>{schedule.days.length}</b> days of {round3(work.hoursPerDay)} h for {work.people === 1 ? 'one' : 'two'}; {tasks.length}{' '}
              tasks are open
              {done.length > 0 ? `, ${done.length} done` : ''}.
            </>
          ) : (
            <span role="alert" className="font-semibold text-lead">
              No order of work: {schedule.why}.
            </span>
          )}
        </p>
        <span className="screen-only ml-auto flex flex-wrap items-end gap-3">
          <label>
            first day{' '}
            <input
              type="date"
              className="box"
              value={work.startOn}
              onChange={(e) => put(['work', 'startOn'], e.target.value, 'first day of work')}
            />
          </label>
          <button
            type="button"
            className="act"
            disabled={work.startOn === '' || schedule.days.length === 0}
            aria-description={work.startOn === '' ? 'Set the first day' : undefined}
            onClick={() => void calendar()}
          >
            calendar file
          </button>
          <button type="button" className="act" onClick={() => window.print()}>
            print
          </button>
        </span>
      </div>
      <p className="caution mt-2 max-w-[820px]">
        Nothing here replaces the eye on the boat: each morning isolate and prove dead, each evening look at every temporary feed before you
        leave. Local code, the maker&apos;s instructions and licensed practice come first.
      </p>
      <div className="screen-only mt-2">
        <Tick
          label="somebody lives aboard: essentials are live every evening"
          value={work.livedAboard}
          onChange={(v) => put(['work', 'livedAboard'], v, 'lived aboard while it is done')}
        />
        {work.livedAboard ? <Essentials order={order} /> : null}
      </div>
      <Deliveries />
      {order.notes.map((n) => (
        <p key={n} className="mt-1 text-copper">
          {n}.
        </p>
      ))}
      {order.temporary.length > 0 ? (
        <section className="keep mt-3">
          <h2 className="font-semibold">Temporary feeds</h2>
          <ul className="list-disc pl-5">
            {order.temporary.map((t) => (
              <li key={t.loadId}>
                {t.what}, {show(t.lengthM, 'm', design.boat)} of run, out and back; tied up and labelled “temporary”.
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {schedule.days.map((day) => (
        <section key={day.no} className="mt-4" aria-label={`Day ${day.no}`}>
          <h2 className="border-b-[1.5px] border-ink font-semibold">
            Day {day.no}
            {work.startOn ? <span className="font-normal text-quiet"> {dateOf(work.startOn, day.no)}</span> : null}
          </h2>
          {day.waits.length > 0 ? <p className="text-copper">Waits for: {day.waits.join(', ')}.</p> : null}
          <ul className="grid grid-cols-2 gap-x-8 max-[1150px]:grid-cols-1">
            {day.tasks.map((t) => {
              const task = byId.get(t.taskId);
              if (!task) return null;
              return (
                <li key={t.taskId} className="flex items-baseline gap-x-3 border-b border-line py-[2px]">
                  <button
                    type="button"
                    className="plain screen-only min-h-[28px]"
                    disabled={!t.done}
                    onClick={() =>
                      book.add([
                        ...stopped(book.records ?? [], task, Date.now()),
                        {
                          kind: 'mark',
                          thing: `task:${task.id}`,
                          body: { state: 'done', what: task.what.slice(0, 200), minutes: Math.round(task.minutes) },
                        },
                      ])
                    }
                    aria-label={`${task.what} is done`}
                  >
                    done
                  </button>
                  <span className="hidden print:inline">☐</span>
                  <span className="min-w-0 flex-1">
                    {task.what}
                    {task.two ? <span className="text-copper">, two pairs of hands</span> : null}
                    {!t.done ? (
                      <span className="text-quiet">, goes on</span>
                    ) : !t.begun ? (
                      <span className="text-quiet">, to its end</span>
                    ) : null}
                    {opened === task.id ? <Reasons needs={task.needs} names={byId} /> : null}
                  </span>
                  <TaskClock task={task} records={book.records ?? []} onAdd={book.add} />
                  <span className="reading whitespace-nowrap">{Math.round(t.minutes)} min</span>
                  <button
                    type="button"
                    className="plain screen-only"
                    onClick={() => setOpened(opened === task.id ? null : task.id)}
                    aria-expanded={opened === task.id}
                    aria-label={`Why ${task.what} now`}
                  >
                    why
                  </button>
                </li>
              );
            })}
          </ul>
          {day.laid.length > 0 ? <p className="mt-1 font-semibold">Laid today: {day.laid.join('; ')}.</p> : null}
          {day.removed.length > 0 ? <p className="mt-1">Taken away: {day.removed.join('; ')}.</p> : null}
          {day.evening.length > 0 ? (
            <p className="mt-1 text-[12px]">
              <b className="font-semibold">Evening</b>{' '}
              {day.evening.map((e) => `${e.name} on ${e.temporary ? 'its temporary feed' : e.by}`).join('; ')}: live, over their least
              volts, protected.
            </p>
          ) : null}
        </section>
      ))}
      {done.length > 0 ? (
        <section className="mt-5">
          <h2 className="font-semibold">Done</h2>
          <ul>
            {done.map((m) => (
              <li key={m.thing} className="flex gap-3 border-b border-line py-[2px]">
                <span className="flex-1">{String(m.body.what ?? m.thing)}</span>
                <span className="text-quiet">{new Date(m.at).toISOString().slice(0, 10)}</span>
                <button
                  type="button"
                  className="plain screen-only"
                  onClick={() => book.add([{ kind: 'mark', thing: m.thing, body: { state: 'back' } }])}
                >
                  not done after all
                </button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <IsolationSheet />
    </div>
  );
}

function Reasons({
  needs,
  names,
}: {
  needs: readonly { readonly id: string; readonly why: string }[];
  names: ReadonlyMap<string, { readonly what: string }>;
}) {
  if (needs.length === 0) return <span className="block text-[12px] text-quiet">nothing has to be done before it</span>;
  return (
    <span className="block text-[12px] text-quiet">after {needs.map((n) => `${names.get(n.id)?.what ?? n.id} (${n.why})`).join('; ')}</span>
  );
}
