/**
 * What a study warms (docs/methods.md, M1): watts in each metre of every run, and the temperature each of its ends comes to. What is on stays on; what
 * starts or runs for minutes warms only for as long as it does.
 */
import { conductorOhm, type Duty, dutyEquivalentA, timeConstantS } from '../conductor';
import { type Circuit, type Design, rowOf, type Tap } from '../design';
import { AMBIENT_C, type Conductor } from '../rules';
import { endPlaceId, servingOf, upFrom } from '../topology';
import type { StudyAnswer } from './study';
import { type Analysed, STARTER } from './system';

export interface WarmRun {
  readonly about: { readonly kind: 'circuit' | 'lead'; readonly id: string };
  readonly name: string;
  readonly amps: number;
  /** In one metre of it: of a circuit both conductors, of a cable of the main side the one. */
  readonly wPerM: number;
  /** Its current lasts; else seconds it is on at a time. */
  readonly onS: number | null;
}

export interface WarmEnd {
  readonly about: WarmRun['about'];
  readonly name: string;
  readonly end: 'at its feed' | 'at its far end';
  /** null: nobody says where. */
  readonly placeId: string | null;
  readonly ambientC: number;
  readonly tempC: number;
  /** What it lands on bears, or its insulation where that is less. */
  readonly limitC: number;
  /** The current that for ever would warm it so, A; what its conductor bears, A; and what its insulation is rated for, degC. */
  readonly warmA: number;
  readonly izA: number;
  readonly ratingC: number;
}

export interface Warmth {
  /** Those that carry current, the most watts in a metre first. */
  readonly runs: readonly WarmRun[];
  /** The hottest first. */
  readonly ends: readonly WarmEnd[];
}

/** Under this a conductor carries nothing worth telling, A. */
const LEAST_A = 0.005;
const SHORT_S = 1;

/** What warms: how much of the current comes and goes, and how. */
interface Brief {
  readonly amps: number;
  readonly duty: Duty;
}

/** A load's own coming and going in a study; null: it stays on. */
function dutyIn(design: Design, { id, starting }: StudyAnswer['loads'][number]): Duty | null {
  if (id === STARTER) return { onS: design.engine.crankS, restS: 0, repeats: 1 };
  const load = rowOf(design.loads, id);
  return starting ? { onS: load?.surgeS ?? SHORT_S, restS: 0, repeats: 1 } : (load?.duty ?? null);
}

const more = (a: Brief | undefined, amps: number, duty: Duty): Brief => ({
  amps: (a?.amps ?? 0) + amps,
  duty: a && a.duty.onS * a.duty.repeats >= duty.onS * duty.repeats ? a.duty : duty,
});

/** By circuit, what of its current is brief; and of all that flows in the study. */
function briefIn(
  design: Design,
  loads: StudyAnswer['loads'],
): { readonly on: ReadonlyMap<string, Brief>; readonly all: Brief | undefined } {
  const on = new Map<string, Brief>();
  let all: Brief | undefined;
  for (const l of loads) {
    const duty = dutyIn(design, l);
    if (!duty) continue;
    all = more(all, l.amps, duty);
    for (const c of upFrom(design.circuits, servingOf(design.circuits).loads.get(l.id)?.id)) on.set(c.id, more(on.get(c.id), l.amps, duty));
  }
  return { on, all };
}

interface Copper {
  readonly conductor: Conductor;
  readonly legs: number;
  readonly izA: number;
  readonly ratingC: number;
  /** Where it is warmest. */
  readonly ambientC: number;
}

/** The current that, for ever, would warm it as this does. */
function warmingA(amps: number, brief: Brief | undefined, of: Copper): number {
  if (!brief) return amps;
  const lasting = Math.max(0, amps - brief.amps);
  const tau = timeConstantS(of.conductor, of.ratingC, of.ambientC, of.izA / of.legs);
  // Heat goes with the square: what lasts is there all the time, the rest while it is on.
  return Math.sqrt(lasting ** 2 + dutyEquivalentA(Math.sqrt(amps ** 2 - lasting ** 2), brief.duty, tau) ** 2);
}

/** What a conductor comes to at so many amps for ever; above its rating where it is overloaded, which a size that is chosen never is. */
const settlesC = (ambientC: number, warmA: number, { ratingC, izA }: Copper): number =>
  izA > 0 ? ambientC + (ratingC - ambientC) * (warmA / izA) ** 2 : ratingC;

const wattsPerM = (amps: number, warmA: number, ways: number, copper: Copper): number =>
  (ways * amps ** 2 * conductorOhm(copper.conductor.r20OhmPerKm, 1, settlesC(copper.ambientC, warmA, copper))) / copper.legs;

/** Amps of the study at a tap and beyond it; of one that goes on to a panel those of the whole run. */
function beyondA(c: Circuit, tap: Tap, amps: number, loadA: ReadonlyMap<string, number>): number {
  const behind = c.taps.filter((t) => {
    for (let at: Tap | undefined = t; at; at = c.taps.find((x) => x.id === at?.parent)) if (at.id === tap.id) return true;
    return false;
  });
  if (behind.some((t) => t.serves.kind === 'panel')) return amps;
  return Math.min(
    amps,
    behind.reduce((sum, t) => sum + (loadA.get(t.serves.id) ?? 0), 0),
  );
}

/** @param answer of the same design and analysis. */
export function warmthOf(design: Design, { circuits, leads }: Analysed, answer: StudyAnswer): Warmth {
  const brief = briefIn(design, answer.loads);
  const loadA = new Map(answer.loads.map((l) => [l.id, l.amps]));
  const ambientOf = (placeId: string | null) => rowOf(design.places, placeId)?.ambientC ?? AMBIENT_C;
  const totalA = answer.loads.reduce((sum, l) => sum + l.amps, 0);
  const runs: WarmRun[] = [];
  const ends: WarmEnd[] = [];
  const end = (
    of: Pick<WarmRun, 'about' | 'name'>,
    where: WarmEnd['end'],
    placeId: string | null,
    warmA: number,
    copper: Copper,
    limitC: number,
  ) => {
    const ambientC = ambientOf(placeId);
    const { izA, ratingC } = copper;
    const tempC = settlesC(ambientC, warmA, copper);
    ends.push({ ...of, end: where, placeId, ambientC, tempC, limitC: Math.min(limitC, ratingC), warmA, izA, ratingC });
  };
  for (const { circuitId, name, amps } of answer.runs) {
    const c = rowOf(design.circuits, circuitId);
    const result = rowOf(circuits, circuitId);
    if (!c || !result || amps < LEAST_A) continue;
    const { candidate, conductor, heat, terminal } = result.own.state;
    const copper = { conductor, legs: candidate.legs, izA: heat.izA, ratingC: heat.derating.ratingC, ambientC: heat.derating.ambientC };
    const comes = brief.on.get(circuitId);
    const warmA = warmingA(amps, comes, copper);
    const of = { about: { kind: 'circuit' as const, id: circuitId }, name };
    runs.push({ ...of, amps, wPerM: wattsPerM(amps, warmA, 2, copper), onS: comes && comes.amps > amps / 2 ? comes.duty.onS : null });
    end(of, 'at its feed', fedAt(design, c), warmA, copper, terminal.limitC);
    for (const tap of c.taps) {
      const part = amps > 0 ? beyondA(c, tap, amps, loadA) / amps : 0;
      if (part * amps >= LEAST_A) end(of, 'at its far end', servedAt(design, tap), part * warmA, copper, design.house.terminalC);
    }
  }
  for (const { leadId, name, amps } of answer.leads) {
    const lead = rowOf(design.leads, leadId);
    const result = rowOf(leads, leadId);
    if (!lead || !result || amps < LEAST_A) continue;
    const { conductor, izA, ratingC, ambientC } = result;
    const copper = { conductor, legs: 1, izA, ratingC, ambientC };
    // What of the main side's current comes and goes nobody can tell by cable: as of the whole.
    const comes = brief.all && { ...brief.all, amps: (amps * brief.all.amps) / totalA };
    const warmA = warmingA(amps, comes, copper);
    const of = { about: { kind: 'lead' as const, id: leadId }, name };
    runs.push({ ...of, amps, wPerM: wattsPerM(amps, warmA, 1, copper), onS: comes && comes.amps > amps / 2 ? comes.duty.onS : null });
    for (const [where, at] of [
      ['at its feed', lead.from],
      ['at its far end', lead.to],
    ] as const)
      end(of, where, endPlaceId(design, at), warmA, copper, at.kind === 'bank' ? design.house.postC : design.house.terminalC);
  }
  return { runs: runs.sort((a, b) => b.wPerM - a.wPerM), ends: ends.sort((a, b) => b.tempC - a.tempC) };
}

const fedAt = (design: Design, { from }: Circuit): string | null =>
  (from.kind === 'bank' ? rowOf(design.banks, from.id) : rowOf(design.panels, from.id))?.placeId ?? null;

const servedAt = (design: Design, { serves }: Tap): string | null =>
  serves.kind === 'place'
    ? serves.id
    : ((serves.kind === 'panel' ? rowOf(design.panels, serves.id) : rowOf(design.loads, serves.id))?.placeId ?? null);
