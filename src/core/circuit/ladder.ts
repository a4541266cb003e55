/** Every test as the smallest size that passes it; the largest of them governs (docs/methods.md, M4). */
import { fusingMultiple } from '../protection';
import { startsEngine } from './choose';
import { type Conductor, CONDUCTORS, findConductor, type School, underSchool } from '../rules';
import { share } from '../design';
import {
  type CircuitTrial,
  type Candidate,
  type Drop,
  dropPasses,
  type Fault,
  type Heat,
  singleTrial,
  type SurgeDrop,
  terminalAt,
  sizeTrial,
  type SizeTrial,
  type StillTrial,
} from './trial';

export const CRITERIA = ['ampacity', 'protection', 'drop', 'surge', 'maker', 'mechanical', 'fault', 'terminals'] as const;
export type CriterionId = (typeof CRITERIA)[number];

export interface SizeChoice {
  readonly school: School;
  readonly size: string;
  readonly legs: number;
}

export interface Rung {
  readonly id: CriterionId;
  /** Smallest single conductor that passes; null when none does. undefined smallest with applies=false: the test has nothing to say. */
  readonly applies: boolean;
  readonly smallest: string | null;
  readonly governs: boolean;
  /** Advice only: shown, never sizes the conductor. */
  readonly advisory: boolean;
  readonly chosenPasses: boolean;
}

/** Several legs with one of them open: what the others then carry and lose. */
export interface LegOpen {
  readonly pct: number;
  readonly limitPct: number;
  readonly legA: number;
  readonly legIzA: number;
  readonly passes: boolean;
}

export interface State {
  readonly candidate: SizeChoice;
  readonly conductor: Conductor;
  readonly legOpen: LegOpen | null;
  readonly areaMm2: number;
  readonly heat: Heat;
  readonly drop: Drop;
  readonly surge: SurgeDrop | null;
  readonly fault: Fault | null;
  readonly terminal: { readonly tempC: number; readonly limitC: number; readonly passes: boolean };
  readonly passes: boolean;
  readonly failing: readonly CriterionId[];
  /** Copper and insulation of the whole circuit, both conductors, kg. */
  readonly massKg: number;
}

/** What of a state stays while only the volts before its way move. */
export type StillState = Omit<State, 'legOpen' | 'drop' | 'surge' | 'passes' | 'failing'>;

export interface Ladder {
  readonly school: School;
  readonly rungs: readonly Rung[];
  /** What the tests ask for; null when nothing in the table passes. */
  readonly proposed: SizeChoice | null;
  readonly chosen: SizeChoice;
  readonly pinned: boolean;
  /** The wire as found stands. */
  readonly kept: boolean;
  /** Chosen together with the others on its path: heavier than its own tests ask for. */
  readonly together: boolean;
  readonly governs: CriterionId;
}

/** Largest rating that may protect a conductor of that ampacity: the school's rule, or the flagged house rule. */
export function protects(b: StillTrial, legIzA: number): { passes: boolean; byHouseRule: boolean } {
  const { protection, input, family } = b;
  const strict = protection.ratingA <= legIzA + 1e-9;
  const { fusingCurrentFactor } = input.rules;
  const conventional = fusingCurrentFactor === null || fusingMultiple(family) * protection.ratingA <= fusingCurrentFactor * legIzA + 1e-9;
  if (strict && conventional) return { passes: true, byHouseRule: false };
  const allowed = input.house.roundUpToNext && input.ownTrip && !input.isFeeder && input.bundled <= 2;
  const next = family.ratingsA.find((r) => r >= legIzA);
  const byHouseRule = allowed && next === protection.ratingA && protection.ratingA <= 1.5 * legIzA;
  return { passes: byHouseRule, byHouseRule };
}

/** Whether a size passes one test. */
export function passes(b: CircuitTrial, id: CriterionId, t: SizeTrial): boolean {
  const area = t.candidate.conductor.areaMm2;
  switch (id) {
    case 'ampacity':
      return t.heat.izA >= t.heat.dutyA - 1e-9 && t.heat.izA > 0;
    case 'protection':
      return protects(b, t.heat.legIzA).passes;
    case 'drop':
      return dropPasses(b, t);
    case 'surge':
      return t.surge()?.passes ?? true;
    case 'maker':
      return area >= (b.makerMm2 ?? 0) - 1e-9;
    case 'mechanical':
      return area >= b.strengthMm2 - 1e-9;
    case 'fault':
      return t.fault()?.passes ?? true;
    case 'terminals':
      return terminalAt(b, t.heat).passes;
  }
}

/**
 * First single size that passes: every test but the short's is monotone in the area, so halving finds it.
 * @param guess where it was last time: two trials tell whether it still is.
 */
function smallestSingle(b: CircuitTrial, id: CriterionId, guess?: number): number {
  let low = 0;
  let high = CONDUCTORS[b.input.school].length;
  if (guess !== undefined) {
    if (guess < high && !passes(b, id, singleTrial(b, guess))) low = guess + 1;
    else if (guess > 0 && passes(b, id, singleTrial(b, guess - 1))) high = guess - 1;
    else return guess;
  }
  while (low < high) {
    const mid = (low + high) >> 1;
    if (passes(b, id, singleTrial(b, mid))) high = mid;
    else low = mid + 1;
  }
  return low;
}

/**
 * The first size from one on that bears its own short. A thin conductor may bear what it holds small by its own resistance, and a thicker one, asked
 * for by another test, may not.
 */
function bearsFrom(b: CircuitTrial, from: number): number {
  const { length } = CONDUCTORS[b.input.school];
  if (!applicable(b, 'fault')) return from;
  let at = from;
  while (at < length && !passes(b, 'fault', singleTrial(b, at))) at++;
  return at;
}

/** Pairs and triples of 1/0 or 50 mm2 and up, by copper. */
function parallels(school: School): Candidate[] {
  const from = school === 'awg' ? 53 : 50;
  return CONDUCTORS[school]
    .filter((c) => c.areaMm2 >= from)
    .flatMap((conductor) => [2, 3].map((legs) => ({ conductor, legs })))
    .sort((x, y) => x.conductor.areaMm2 * x.legs - y.conductor.areaMm2 * y.legs);
}
const PARALLELS: Readonly<Record<School, readonly Candidate[]>> = { awg: parallels('awg'), metric: parallels('metric') };

export function applicable(b: CircuitTrial, id: CriterionId): boolean {
  const { input } = b;
  if (id === 'surge') return input.surges.some((s) => s.minV > 0);
  if (id === 'maker') return b.makerMm2 !== null;
  if ((id === 'protection' || id === 'fault') && startsEngine(input)) return false;
  if (id === 'fault') return input.upstream.bank !== null;
  if (id === 'drop') return input.taps.some((t) => t.load || t.panel);
  return true;
}

/** Sizes of the table are tried once; legs, and wire of the other school, are tried as they come. */
function triedAt(b: CircuitTrial, candidate: Candidate): SizeTrial {
  const at = candidate.legs === 1 ? CONDUCTORS[b.input.school].indexOf(candidate.conductor) : -1;
  return at >= 0 ? singleTrial(b, at) : sizeTrial(b, candidate);
}

function legOpenAt(b: CircuitTrial, { conductor, legs }: Candidate): LegOpen {
  const left = sizeTrial(b, { conductor, legs: legs - 1 });
  const { worst } = left.drop();
  const legA = left.heat.dutyA / (legs - 1);
  return {
    pct: worst?.pct ?? NaN,
    limitPct: worst?.limitPct ?? NaN,
    legA,
    legIzA: left.heat.legIzA,
    passes: left.drop().passes && legA <= left.heat.legIzA + 1e-9,
  };
}

/** The conductor of a choice under the trial's school. */
export function conductorOf(b: CircuitTrial, choice: SizeChoice): Conductor {
  const conductor = findConductor(choice.school, choice.size);
  const sizes = CONDUCTORS[b.input.school];
  return conductor ? underSchool(conductor, b.input.school) : (sizes[sizes.length - 1] as Conductor);
}

/** The circuit at one size: all figures and which tests fail. */
export function stateAt(b: CircuitTrial, candidate: Candidate): State {
  const tried = triedAt(b, candidate);
  const advisory = !b.input.house.upsizeForTerminals;
  const failing = CRITERIA.filter((id) => applicable(b, id) && !(id === 'terminals' && advisory) && !passes(b, id, tried));
  return {
    candidate: { school: candidate.conductor.school, size: candidate.conductor.size, legs: candidate.legs },
    conductor: candidate.conductor,
    legOpen: candidate.legs > 1 ? legOpenAt(b, candidate) : null,
    areaMm2: candidate.conductor.areaMm2 * candidate.legs,
    heat: tried.heat,
    drop: tried.drop(),
    surge: tried.surge(),
    fault: tried.fault(),
    terminal: terminalAt(b, tried.heat),
    passes: failing.length === 0,
    failing,
    massKg: (2 * b.input.lengthM * candidate.legs * candidate.conductor.massKgPerKm) / 1000,
  };
}

/** Tests that move with the volts before the way; the rest stand when only those move. */
export const DRIFTING: ReadonlySet<CriterionId> = new Set(['drop', 'surge']);

/** The ladder when only the volts before the way have moved: the same object while no rung and no verdict does. */
export function ladderAgain(b: CircuitTrial, before: Ladder): Ladder {
  const { proposed, chosen } = before;
  if (!proposed && !stillHopeless(b, before)) return share(before, ladder(b, before));
  const tried = triedAt(b, { conductor: conductorOf(b, chosen), legs: chosen.legs });
  for (const rung of before.rungs) {
    if (!rung.applies || !DRIFTING.has(rung.id)) continue;
    const was = placeOf(b, rung);
    if (smallestSingle(b, rung.id, was) !== was || passes(b, rung.id, tried) !== rung.chosenPasses) return share(before, ladder(b, before));
  }
  if (proposed && proposed.legs > 1) return share(before, ladder(b, before));
  return before;
}

/** Whether a ladder that proposed nothing would still propose nothing, and stand in with the same size. */
function stillHopeless(b: CircuitTrial, before: Ladder): boolean {
  const { school } = b.input;
  const counting = before.rungs.filter((r) => r.applies && !r.advisory);
  const most = heaviestTrial(b);
  if (most && !counting.some((r) => DRIFTING.has(r.id) && !passes(b, r.id, most))) return false;
  if (before.kept || before.pinned) return true;
  const others = counting.filter((r) => !DRIFTING.has(r.id)).map((r) => placeOf(b, r));
  return before.chosen.school === school && standIn(b, Math.max(0, ...others))?.size === before.chosen.size;
}

/** The heaviest pair or triple there is. */
function heaviestTrial(b: CircuitTrial): SizeTrial | undefined {
  const legs = PARALLELS[b.input.school];
  const heaviest = legs[legs.length - 1];
  return heaviest && sizeTrial(b, heaviest);
}

/**
 * What stands in where no size passes: the largest; but where the volts are gone before this way no copper brings them back, and it is
 * sized by everything else. @param others place of the smallest that passes the tests but drop and start.
 */
function standIn({ input }: CircuitTrial, others: number): Conductor | undefined {
  const sizes = CONDUCTORS[input.school];
  const goneBefore = input.taps.some((t) => t.load && (100 * input.upstreamDropV) / input.systemV >= t.dropPct);
  return (goneBefore ? sizes[others] : undefined) ?? sizes[sizes.length - 1];
}

/** Where a rung's smallest size stands in the table; past its end where none passes. */
const placeOf = (b: CircuitTrial, rung: Rung): number => {
  const sizes = CONDUCTORS[b.input.school];
  return rung.smallest === null ? sizes.length : sizes.findIndex((c) => c.size === rung.smallest);
};

/** The state when only the volts before the way have moved and the choice has not. */
export function stateAgain(b: CircuitTrial, before: State, candidate: Candidate): State {
  const tried = triedAt(b, candidate);
  const failing = before.failing.filter((id) => !DRIFTING.has(id));
  for (const id of DRIFTING) if (applicable(b, id) && !passes(b, id, tried)) failing.push(id);
  failing.sort((x, y) => CRITERIA.indexOf(x) - CRITERIA.indexOf(y));
  return {
    candidate: before.candidate,
    conductor: before.conductor,
    legOpen: candidate.legs > 1 ? legOpenAt(b, candidate) : null,
    areaMm2: before.areaMm2,
    heat: before.heat,
    drop: tried.drop(),
    surge: tried.surge(),
    fault: before.fault,
    terminal: before.terminal,
    passes: failing.length === 0,
    failing,
    massKg: before.massKg,
  };
}

/** Up to this, A, a load is light: its drop raises its conductor by so many listed sizes at most. */
export const LIGHT_A = 10;
export const MOST_STEPS = 5;

/** @param before the ladder of the same trial before its upstream drifted. */
export function ladder(b: CircuitTrial, before?: Ladder): Ladder {
  const { input } = b;
  const { school, circuit, house, found } = input;
  const sizes = CONDUCTORS[school];
  const steps = CRITERIA.map((id) => {
    const applies = applicable(b, id);
    const advisory = id === 'terminals' && !house.upsizeForTerminals;
    const rung = before?.rungs.find((r) => r.id === id);
    const was = rung && placeOf(b, rung);
    const at = !applies
      ? -1
      : was !== undefined && !DRIFTING.has(id) && id !== 'fault'
        ? was
        : smallestSingle(b, id, id === 'fault' ? undefined : was);
    return { id, applies, advisory, at };
  });
  // What a light load's drop may ask for: a few sizes more than everything else does. Beyond that copper is no cure.
  const others = Math.max(0, ...steps.filter((s) => s.applies && !s.advisory && !DRIFTING.has(s.id)).map((s) => s.at));
  const light = !input.isFeeder && input.workingA <= LIGHT_A;
  const mostFor = (id: CriterionId): number => (light && DRIFTING.has(id) ? others + MOST_STEPS : Infinity);
  const counting = steps.filter((s) => s.applies && !s.advisory).map((s) => ({ ...s, at: Math.min(s.at, mostFor(s.id)) }));
  const together = circuit.together?.school === school ? sizes.findIndex((c) => c.size === circuit.together?.size) : -1;
  const least = Math.max(0, ...counting.map((s) => s.at));
  const own = bearsFrom(b, least);
  const need = bearsFrom(b, Math.max(own, together));
  // What is chosen together is chosen for the drop of what lies behind it.
  const governs =
    need > Math.max(least, together) ? 'fault' : (counting.find((s) => s.at === need)?.id ?? (together === need ? 'drop' : 'mechanical'));
  let proposed: SizeChoice | null = null;
  const single = sizes[need];
  if (single) proposed = { school, size: single.size, legs: 1 };
  else {
    // Where even the heaviest legs leave too few volts, no lighter ones are tried.
    const most = heaviestTrial(b);
    const hopeless = !most || counting.some((s) => (s.id === 'drop' || s.id === 'surge') && !passes(b, s.id, most));
    const pair = hopeless ? undefined : PARALLELS[school].find((c) => counting.every((s) => passes(b, s.id, sizeTrial(b, c))));
    if (pair) proposed = { school, size: pair.conductor.size, legs: pair.legs };
  }
  const fallback = standIn(b, Math.max(0, ...counting.filter((s) => !DRIFTING.has(s.id)).map((s) => s.at)));
  const pin = circuit.pin.size?.school === school && findConductor(school, circuit.pin.size.size) ? circuit.pin.size : null;
  const kept = found && findConductor(found.size.school, found.size.size) ? found.size : null;
  const chosen: SizeChoice = kept
    ? { ...kept, legs: 1 }
    : pin
      ? { ...pin, legs: circuit.pin.legs }
      : (proposed ?? { school, size: fallback?.size ?? '', legs: 1 });
  const tried = triedAt(b, { conductor: conductorOf(b, chosen), legs: chosen.legs });
  return {
    school,
    proposed,
    chosen,
    pinned: pin !== null && !kept,
    kept: kept !== null,
    together: pin === null && kept === null && together === need && together > own,
    governs,
    rungs: steps.map((s) => ({
      id: s.id,
      applies: s.applies,
      smallest: s.applies ? (sizes[s.id === governs && s.id === 'fault' ? need : s.at]?.size ?? null) : null,
      governs: s.id === governs && s.applies && need === own,
      advisory: s.advisory,
      chosenPasses: !s.applies || passes(b, s.id, tried),
    })),
  };
}

/** The sizes one down and one up in the table from a choice, and their states. */
export function neighbours(b: CircuitTrial, chosen: SizeChoice): { down: State | null; up: State | null } {
  const sizes = CONDUCTORS[b.input.school];
  const { areaMm2 } = conductorOf(b, chosen);
  const down = [...sizes].reverse().find((c) => c.areaMm2 < areaMm2 - 1e-9);
  const up = sizes.find((c) => c.areaMm2 > areaMm2 + 1e-9);
  return {
    down: down ? stateAt(b, { conductor: down, legs: chosen.legs }) : null,
    up: up ? stateAt(b, { conductor: up, legs: chosen.legs }) : null,
  };
}
