/**
 * The order of work: day by day, so that every evening each essential is live, on its old feed, its new one, or a temporary one that is named
 * (docs/methods.md, "Order of work"). List scheduling: of the tasks that may begin, the first by kind and place.
 */
import { type Essential, type Job, type Task, TASK_KINDS } from './task';

export interface DayTask {
  readonly taskId: string;
  /** Of this day; a long task goes on the next. */
  readonly minutes: number;
  readonly begun: boolean;
  readonly done: boolean;
}

export interface Evening {
  readonly essentialId: string;
  readonly name: string;
  /** What feeds it tonight. */
  readonly by: string;
  readonly temporary: boolean;
}

export interface Day {
  readonly no: number;
  readonly tasks: readonly DayTask[];
  /** Temporary feeds laid on this day. */
  readonly laid: readonly string[];
  /** Temporary feeds taken away: the new one is live. */
  readonly removed: readonly string[];
  readonly evening: readonly Evening[];
  /** Feeds in service tonight. */
  readonly live: readonly string[];
  readonly waits: readonly string[];
}

export type Schedule =
  | { readonly ok: true; readonly days: readonly Day[] }
  | {
      readonly ok: false;
      /** Days that can be done. */
      readonly days: readonly Day[];
      readonly day: number;
      /** What cannot be met, and why. */
      readonly why: string;
    };

const MOST_DAYS = 400;

/** Everything that must be done before a task. */
function before(tasks: ReadonlyMap<string, Task>, id: string): ReadonlySet<string> {
  const seen = new Set<string>();
  const queue = [id];
  for (const next of queue)
    for (const n of tasks.get(next)?.needs ?? [])
      if (!seen.has(n.id)) {
        seen.add(n.id);
        queue.push(n.id);
      }
  return seen;
}

/** A ring of tasks each of which waits for the next; null: there is none. */
export function ringOf(all: readonly Task[]): readonly string[] | null {
  const tasks = new Map(all.map((t) => [t.id, t]));
  const state = new Map<string, 'open' | 'closed'>();
  const path: string[] = [];
  const walk = (id: string): readonly string[] | null => {
    if (state.get(id) === 'closed' || !tasks.has(id)) return null;
    if (state.get(id) === 'open') return path.slice(path.indexOf(id));
    state.set(id, 'open');
    path.push(id);
    for (const n of tasks.get(id)?.needs ?? []) {
      const ring = walk(n.id);
      if (ring) return ring;
    }
    path.pop();
    state.set(id, 'closed');
    return null;
  };
  for (const t of all) {
    const ring = walk(t.id);
    if (ring) return ring;
  }
  return null;
}

/**
 * What takes an essential's old feed away waits until its new one is live, unless the new one cannot come before it: then a temporary feed
 * bridges the time.
 */
function withWaits({ tasks, essentials, live }: Job): readonly Task[] {
  const byId = new Map(tasks.map((t) => [t.id, t]));
  const bringer = new Map(tasks.flatMap((t) => t.bringsUp.map((f) => [f, t.id] as const)));
  const stand = new Set(live);
  const added = new Map<string, { id: string; why: string }[]>();
  for (const e of essentials) {
    const old = e.ways.find((w) => w.feeds.every((f) => stand.has(f)));
    const fresh = e.ways.find((w) => w.feeds.some((f) => bringer.has(f)));
    if (!old || !fresh) continue;
    const bringers = fresh.feeds.flatMap((f) => bringer.get(f) ?? []);
    for (const t of tasks) {
      if (!t.takesDown.some((f) => old.feeds.includes(f))) continue;
      const circle = bringers.some((b) => b === t.id || before(byId, b).has(t.id));
      if (circle) continue;
      added.set(t.id, [...(added.get(t.id) ?? []), ...bringers.map((id) => ({ id, why: `${e.name} is live on its new feed first` }))]);
    }
  }
  const all = tasks.map((t) => ({ ...t, needs: [...t.needs, ...(added.get(t.id) ?? [])] }));
  // Two that wait for each other by what was added: the added reasons give way, and a temporary feed bridges.
  return ringOf(all) ? tasks : all;
}

/** What leads to the new feeds of essentials comes before the rest: the sooner they are live, the fewer nights on temporary ones. Dust before all. */
function ranked({ tasks, essentials }: Job, waiting: readonly Task[]): readonly Task[] {
  const byId = new Map(waiting.map((t) => [t.id, t]));
  const wanted = new Set(essentials.flatMap((e) => e.ways.flatMap((w) => w.feeds)));
  const ahead = new Set(tasks.filter((t) => t.bringsUp.some((f) => wanted.has(f))).flatMap((t) => [t.id, ...before(byId, t.id)]));
  const phase = (t: Task): number => (t.kind === 'photograph' || t.kind === 'holes' ? 0 : ahead.has(t.id) ? 1 : 2);
  const kind = (t: Task): number => TASK_KINDS.indexOf(t.kind);
  return [...waiting].sort(
    (a, b) => phase(a) - phase(b) || kind(a) - kind(b) || a.place.localeCompare(b.place) || a.id.localeCompare(b.id),
  );
}

interface State {
  readonly left: Map<string, number>;
  readonly begun: Set<string>;
  readonly done: Set<string>;
  readonly live: Set<string>;
  readonly laid: Set<string>;
}
const copied = (s: State): State => ({
  left: new Map(s.left),
  begun: new Set(s.begun),
  done: new Set(s.done),
  live: new Set(s.live),
  laid: new Set(s.laid),
});

/** Tasks of one day, so many minutes of hands in all. Changes the state. */
function worked(
  job: Job,
  order: readonly Task[],
  no: number,
  minutes: number,
  s: State,
): { readonly tasks: readonly DayTask[]; readonly waits: ReadonlySet<string> } {
  const today = new Map<string, DayTask>();
  const waits = new Set<string>();
  let hands = minutes;
  const may = (t: Task): boolean => {
    if (s.done.has(t.id) || t.needs.some((n) => !s.done.has(n.id))) return false;
    if (!t.notBefore || no >= t.notBefore.day) return true;
    waits.add(t.notBefore.why);
    return false;
  };
  for (let t = order.find(may); t && hands > 0; t = order.find(may)) {
    // A task for two takes both; where there is one pair of hands it takes half as long again.
    const slower = t.two && job.people === 1 ? ALONE : 1;
    const rest = (s.left.get(t.id) ?? 0) * slower;
    const now = Math.min(rest, hands);
    const begun = !s.begun.has(t.id);
    if (begun) for (const f of t.takesDown) s.live.delete(f);
    s.begun.add(t.id);
    hands -= now;
    s.left.set(t.id, (rest - now) / slower);
    const done = rest - now < 1e-9;
    today.set(t.id, { taskId: t.id, minutes: now, begun, done });
    if (!done) break;
    s.done.add(t.id);
    for (const f of t.bringsUp) s.live.add(f);
  }
  return { tasks: [...today.values()], waits };
}
/** A task for two done by one. */
const ALONE = 1.5;

interface Night {
  readonly evening: readonly Evening[];
  readonly laid: readonly string[];
  readonly removed: readonly string[];
}

/** How the essentials stand in the evening; a temporary feed is laid where one is dead without, and taken away where it is not. Changes the state. */
function nightOf(job: Job, no: number, s: State): Night | { readonly why: string } {
  const evening: Evening[] = [];
  const laid: string[] = [];
  const removed: string[] = [];
  for (const e of job.essentials) {
    const night = eveningOf(e, s.live, s.laid);
    if (!night.ok) return { why: `${e.name} would be dead on the evening of day ${no}: ${night.why}` };
    evening.push(night.evening);
    if (!('feed' in e.temporary)) continue;
    const { feed, what } = e.temporary;
    if (night.lay) {
      s.laid.add(feed);
      laid.push(what);
    } else if (!night.evening.temporary && s.laid.delete(feed)) removed.push(what);
  }
  return { evening, laid, removed };
}

export function schedule(job: Job): Schedule {
  const refuse = (days: readonly Day[], day: number, why: string): Schedule => ({ ok: false, days, day, why });
  const ring = ringOf(job.tasks);
  if (ring)
    return refuse([], 1, `these wait for each other: ${ring.map((id) => job.tasks.find((t) => t.id === id)?.what ?? id).join(', ')}`);
  const tasks = withWaits(job);
  const ids = new Set(tasks.map((t) => t.id));
  const strange = tasks.flatMap((t) => t.needs).find((n) => !ids.has(n.id));
  if (strange) return refuse([], 1, `${strange.id} is waited for, and is not part of the work`);
  const order = ranked(job, tasks);
  let state: State = {
    left: new Map(tasks.map((t) => [t.id, t.minutes])),
    begun: new Set(),
    done: new Set(),
    live: new Set(job.live),
    laid: new Set(),
  };
  const days: Day[] = [];
  for (let no = 1; state.done.size < tasks.length; no++) {
    if (no > MOST_DAYS) return refuse(days, no, `it takes more than ${MOST_DAYS} days`);
    // Each temporary feed takes of the day it is laid on: the day is gone through again with less time until what it asks for has its time.
    for (let feeds = 0; ;) {
      const next = copied(state);
      const minutes = job.dayMinutes * job.people - feeds * job.temporaryMinutes;
      if (minutes <= 0) return refuse(days, no, `the temporary feeds of day ${no} take all of it`);
      const { tasks: today, waits } = worked(job, order, no, minutes, next);
      const night = nightOf(job, no, next);
      if ('why' in night) return refuse(days, no, night.why);
      if (night.laid.length > feeds) {
        feeds = night.laid.length;
        continue;
      }
      if (today.length === 0 && waits.size === 0) return refuse(days, no, 'nothing can begin');
      days.push({ no, tasks: today, ...night, live: [...next.live, ...next.laid], waits: [...waits] });
      state = next;
      break;
    }
  }
  return { ok: true, days };
}

/** What feeds an essential tonight; lay: its temporary feed is laid for it. */
function eveningOf(
  e: Essential,
  live: ReadonlySet<string>,
  laid: ReadonlySet<string>,
): { readonly ok: true; readonly evening: Evening; readonly lay: boolean } | { readonly ok: false; readonly why: string } {
  const way = e.ways.findLast((w) => w.feeds.length > 0 && w.feeds.every((f) => live.has(f)));
  const evening = { essentialId: e.id, name: e.name };
  if (way) return { ok: true, evening: { ...evening, by: way.name, temporary: false }, lay: false };
  if ('none' in e.temporary) return { ok: false, why: e.temporary.none };
  return { ok: true, evening: { ...evening, by: e.temporary.what, temporary: true }, lay: !laid.has(e.temporary.feed) };
}
