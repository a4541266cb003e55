/** The whole order of work of a boat, each of its evenings proved by the network (docs/methods.md, "Order of work"). */
import { analyse, type Analysis } from '../analysis';
import type { MadePiece } from '../build';
import { asDecided, type Circuit, type Design, kindOf, type Load, rowOf } from '../design';
import { bankFor } from '../propose';
import { choiceName } from '../quantity';
import { ISOLATE_MIN, TEMPORARY_MIN, TIDY_MIN } from '../rules';
import { servingOf } from '../topology';
import { eveningDesign, temporaryCircuit, temporaryFeed, troubleOf } from './evening';
import { schedule, type Schedule } from './schedule';
import type { Essential, Task } from './task';
import { newFeed, oldFeed, tasksOf } from './tasks';

/** A feed for the time being, as it is made. */
export interface Temporary {
  readonly loadId: string;
  readonly what: string;
  readonly size: string;
  readonly lengthM: number;
  readonly device: string;
}

export interface Order {
  readonly tasks: readonly Task[];
  readonly essentials: readonly { readonly id: string; readonly name: string }[];
  readonly temporary: readonly Temporary[];
  readonly schedule: Schedule;
  /** Of the old feeds that are not used, why. */
  readonly notes: readonly string[];
}

/** What must be live each evening where nobody says: one of each kind, the most critical first. */
export function usualEssentials(design: Pick<Design, 'loads' | 'sources'>): readonly string[] {
  const first = (which: (l: Load) => boolean): string[] => {
    const all = design.loads.filter(which);
    return (all.find((l) => l.critical) ?? all[0]) ? [(all.find((l) => l.critical) ?? (all[0] as Load)).id] : [];
  };
  /** The one that burns longest of an evening. */
  const longest = (which: (l: Load) => boolean): string[] => {
    const hours = (l: Load) => Math.max(0, ...Object.values(l.hours));
    const [most] = design.loads.filter(which).sort((a, b) => hours(b) - hours(a));
    return most ? [most.id] : [];
  };
  return [
    ...design.loads.filter((l) => kindOf(l) === 'bilge pump').map((l) => l.id),
    ...first((l) => kindOf(l) === 'navigation light'),
    ...longest((l) => l.group === 'lights'),
    ...first((l) => kindOf(l) === 'radio'),
    ...first((l) => design.sources.some((s) => s.loadId === l.id && (s.kind === 'shore charger' || s.kind === 'solar'))),
  ];
}

/** Circuits from the bank to a load; null: it is on none. */
function pathTo(circuits: readonly Circuit[], loadId: string): readonly Circuit[] | null {
  const { loads, panels } = servingOf(circuits);
  const path: Circuit[] = [];
  for (let at = loads.get(loadId); at; at = at.from.kind === 'panel' ? panels.get(at.from.id) : undefined) {
    if (path.includes(at)) return null;
    path.unshift(at);
    if (at.from.kind === 'bank') return path;
  }
  return null;
}

/** @param done ids of tasks that are marked as done: their feeds are as they leave them. */
export function orderOf(whole: Design, analysis: Analysis, made: readonly MadePiece[], done: ReadonlySet<string> = new Set()): Order {
  const design = asDecided(whole);
  const all = tasksOf(whole, analysis, made);
  const tasks = tasksOf(whole, analysis, made, done);
  const finished = all.filter((t) => done.has(t.id));
  const down = new Set(finished.flatMap((t) => t.takesDown));
  const live = [
    ...whole.circuits
      .filter((c) => c.found !== null)
      .map((c) => oldFeed(c.id))
      .filter((f) => !down.has(f)),
    ...finished.flatMap((t) => t.bringsUp),
  ];
  const ids = design.work.livedAboard ? (design.work.essentials ?? usualEssentials(design)).filter((id) => rowOf(design.loads, id)) : [];
  const temporaries = new Map(ids.map((id) => [id, temporaryOf(design, id)]));
  const laid = [...temporaries.values()].flatMap((t) => (t.ok ? [t.circuit] : []));
  /** Old feeds that the network refuses on some evening. */
  const unfit = new Set<string>();
  /** Old feeds taken out of service before the first evening. */
  const opened = new Set<string>();
  const notes: string[] = [];

  const essentials = (): Essential[] =>
    ids.map((id): Essential => {
      const t = temporaries.get(id);
      const old = pathTo(
        whole.circuits.filter((c) => c.found !== null),
        id,
      );
      const fresh = pathTo(design.circuits, id);
      return {
        id,
        name: rowOf(design.loads, id)?.name ?? id,
        ways: [
          ...(old && !unfit.has(id) ? [{ name: 'its old feed', feeds: old.map((c) => oldFeed(c.id)) }] : []),
          ...(fresh ? [{ name: 'its new feed', feeds: fresh.map((c) => newFeed(c.id)) }] : []),
        ],
        temporary: t?.ok ? { feed: temporaryFeed(id), what: t.told.what } : { none: t?.why ?? 'it has no bank' },
      };
    });
  const run = (): Schedule =>
    schedule({
      tasks,
      essentials: essentials(),
      live: live.filter((f) => !opened.has(f)),
      people: design.work.people,
      dayMinutes: Math.max(30, design.work.hoursPerDay * 60 - ISOLATE_MIN - TIDY_MIN),
      temporaryMinutes: TEMPORARY_MIN,
    });

  let found = run();
  // An old feed that would leave an essential weak, or bare of protection, is not relied on: a temporary one takes its place.
  for (let again = 0; again <= ids.length; again++) {
    const trouble = firstTrouble(whole, found, ids, laid);
    if (!trouble) break;
    const day = found.days[trouble.day];
    const by = day?.evening.find((e) => e.essentialId === trouble.loadId)?.by;
    if (trouble.loadId !== null && by === 'its old feed' && !unfit.has(trouble.loadId)) {
      unfit.add(trouble.loadId);
      opened.add(oldFeed(trouble.circuitId));
      notes.push(`${trouble.why}: it is opened at its source, and a temporary feed takes its place`);
      found = run();
      continue;
    }
    found = {
      ok: false,
      days: found.days.slice(0, trouble.day),
      day: trouble.day + 1,
      why: `on the evening of day ${trouble.day + 1}: ${trouble.why}. Settle it in the design first`,
    };
    break;
  }
  const used = new Set(found.days.flatMap((d) => d.laid));
  return {
    tasks,
    essentials: ids.map((id) => ({ id, name: rowOf(design.loads, id)?.name ?? id })),
    temporary: [...temporaries.values()].flatMap((t) => (t.ok && used.has(t.told.what) ? [t.told] : [])),
    schedule: found,
    notes,
  };
}

/** The first evening on which something is wrong for an essential; evenings alike are looked at once. */
function firstTrouble(
  design: Design,
  { days }: Schedule,
  essentials: readonly string[],
  temporary: readonly Circuit[],
): { readonly day: number; readonly loadId: string | null; readonly circuitId: string; readonly why: string } | null {
  const known = new Map<string, ReturnType<typeof troubleOf>>();
  for (const [day, { live }] of days.entries()) {
    const key = [...live].sort().join(' ');
    const trouble = known.get(key) ?? troubleOf(eveningDesign(design, new Set(live), temporary), essentials);
    known.set(key, trouble);
    // What was found bare of protection and feeds no essential is a finding of the boat as she was, not of the order of work.
    const own = trouble.find((t) => t.loadId !== null);
    if (own) return { day, ...own };
  }
  return null;
}

/** A temporary feed, sized and fused as any circuit is. */
function temporaryOf(
  design: Design,
  loadId: string,
): { readonly ok: true; readonly circuit: Circuit; readonly told: Temporary } | { readonly ok: false; readonly why: string } {
  const load = rowOf(design.loads, loadId);
  const [first] = pathTo(design.circuits, loadId) ?? [];
  const bankId = load && (first?.from.id ?? bankFor(design, load)?.id);
  if (!load || !bankId) return { ok: false, why: 'no bank of its volts is aboard' };
  const circuit = temporaryCircuit(design, loadId, bankId);
  const result = analyse({ ...design, circuits: [circuit], options: [] }).circuits[0];
  if (!result || result.own.ladder.proposed === null)
    return { ok: false, why: 'no conductor of the table feeds it from the bank for the time being' };
  const { protection, ladder } = result.own;
  const size = choiceName(ladder.chosen);
  const device = `${protection.familyName} ${protection.ratingA} A`;
  const bank = rowOf(design.banks, bankId)?.name ?? '';
  return {
    ok: true,
    circuit,
    told: { loadId, what: `temporary feed of ${load.name}: ${size}, ${device} at ${bank}`, size, lengthM: result.lengthM, device },
  };
}
