/** The days of work as a calendar file (iCalendar), one entry a day. */
import { createEvents, type EventAttributes } from 'ics';
import type { Design } from '@/core/design';
import type { Order } from '@/core/order';
import { dateOf } from './dates';

const START_H = 8;

export function calendarOf(
  design: Design,
  order: Order,
): { readonly ok: true; readonly text: string } | { readonly ok: false; readonly why: string } {
  const names = new Map(order.tasks.map((t) => [t.id, t.what]));
  const events = order.schedule.days.map((day): EventAttributes => {
    const [year = 2026, month = 1, date = 1] = dateOf(design.work.startOn, day.no).split('-').map(Number);
    return {
      uid: `${design.boat.name.replace(/[^A-Za-z0-9]+/g, '-')}-day-${day.no}@solenix`,
      productId: 'solenix',
      title: `${design.boat.name}, day ${day.no}`,
      start: [year, month, date, START_H, 0],
      startInputType: 'local',
      startOutputType: 'local',
      duration: { minutes: Math.round(design.work.hoursPerDay * 60) },
      description: [
        ...day.tasks.map((t) => `${names.get(t.taskId) ?? t.taskId}${t.done ? '' : ', goes on'}`),
        ...day.laid,
        `Evening: ${day.evening.map((e) => `${e.name} on ${e.by}`).join('; ')}`,
      ].join('\n'),
    };
  });
  const { error, value } = createEvents(events);
  return error || !value ? { ok: false, why: error?.message ?? 'no entries' } : { ok: true, text: value };
}
