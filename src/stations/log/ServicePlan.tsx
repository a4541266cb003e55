'use client';
import { useMemo, useState } from 'react';
import { servicePlan } from '@/core/keep';
import { useDesign, useStore } from '@/ui/boat/context';
import { useBook } from '@/ui/boat/useBook';
import { fileName, saveText } from '@/ui/files';
import { dayOf } from './said';

/** What is due, by what this boat has and what was done; done, it comes again. */
export function ServicePlan() {
  const design = useDesign();
  const store = useStore();
  const book = useBook();
  const [now] = useState(() => Date.now());
  const plan = useMemo(() => servicePlan(design, book.records ?? [], now), [design, book.records, now]);
  if (book.records === null) return <p className="text-quiet">Reading the records.</p>;
  const overdue = plan.filter((d) => d.overdue).length;
  const calendar = async () => {
    const { createEvents } = await import('ics');
    const { error, value } = createEvents(
      plan.map((d) => {
        const [year = 2026, month = 1, day = 1] = dayOf(d.due).split('-').map(Number);
        return {
          uid: `${d.id}-${d.due}@solenix`,
          productId: 'solenix',
          title: `${design.boat.name}: ${d.what}`,
          start: [year, month, day] as [number, number, number],
          duration: { days: 1 },
          description: `${d.why}; every ${d.everyMonths} months`,
        };
      }),
    );
    if (value) saveText(`${fileName(design.boat.name)}-service.ics`, value, 'text/calendar');
    else store.say('refused', `No calendar was made: ${error?.message ?? 'nothing is due'}.`);
  };
  return (
    <div className="max-w-[980px]">
      <div className="flex flex-wrap items-baseline gap-4">
        <p>
          {plan.length} things to look after; {overdue} {overdue === 1 ? 'is' : 'are'} due.
        </p>
        <span className="screen-only ml-auto flex gap-3">
          <button type="button" className="act" disabled={plan.length === 0} onClick={() => void calendar()}>
            calendar file
          </button>
          <button type="button" className="act" onClick={() => window.print()}>
            print
          </button>
        </span>
      </div>
      <table className="mt-2 w-full text-left" aria-label="Service plan">
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12px] text-quiet">
            <th className="w-[100px] font-medium">due</th>
            <th className="font-medium">what</th>
            <th className="font-medium">why</th>
            <th className="pr-3 text-right font-medium">every</th>
            <th className="w-[100px] font-medium">last done</th>
            <th className="screen-only" />
          </tr>
        </thead>
        <tbody>
          {plan.map((d) => (
            <tr key={d.id} className="border-b border-line align-baseline">
              <td className={`reading py-[3px] ${d.overdue ? 'text-lead' : ''}`}>{d.last === null ? 'now' : dayOf(d.due)}</td>
              <td className="pr-3">{d.what}</td>
              <td className="pr-3 text-quiet">{d.why}</td>
              <td className="pr-3 text-right whitespace-nowrap">{d.everyMonths === 1 ? 'month' : `${d.everyMonths} months`}</td>
              <td className="reading">{d.last === null ? 'not noted' : dayOf(d.last)}</td>
              <td className="screen-only text-right">
                <button
                  type="button"
                  className="act min-h-[30px]"
                  aria-label={`done: ${d.what}`}
                  onClick={() => book.add([{ kind: 'entry', thing: `service:${d.id}`, body: { sort: 'work', text: `${d.what}: done` } }])}
                >
                  done
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-[12px] text-quiet">
        Intervals are typical, ours; the makers’ sheets rule. Isolate first: Build, order of work.
      </p>
    </div>
  );
}
