/** Every test as the smallest size that passes it; the largest of them governs (docs/methods.md, M4). */
import { fusingMultiple } from '../protection/curve';
import { CONDUCTORS, findConductor, type Conductor, type School } from '../rules/conductors';
import {
  dropAt,
  faultAt,
  heatAt,
  surgeAt,
  terminalAt,
  type Bench,
  type Candidate,
  type Drop,
  type Fault,
  type Heat,
  type SurgeDrop,
} from './evaluate';
import { mechanicalSize, makerAreaMm2 } from './minimums';

export const CRITERIA = ['ampacity', 'protection', 'drop', 'surge', 'maker', 'mechanical', 'fault', 'terminals'] as const;
export type CriterionId = (typeof CRITERIA)[number];

export interface SizeChoice {
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

export interface State {
  readonly candidate: SizeChoice;
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

export interface Ladder {
  readonly school: School;
  readonly rungs: readonly Rung[];
  /** What the tests ask for; null when nothing in the table passes. */
  readonly proposed: SizeChoice | null;
  readonly chosen: SizeChoice;
  readonly pinned: boolean;
  readonly governs: CriterionId;
}

type Test = (c: Candidate, heat: Heat) => boolean;

/** Largest rating that may protect a conductor of that ampacity: the school's rule, or the flagged house rule. */
export function protects(b: Bench, legIzA: number): { passes: boolean; byHouseRule: boolean } {
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

function tests(b: Bench): Readonly<Record<CriterionId, Test>> {
  const minimum = findConductor(b.input.school, mechanicalSize(b.input))?.areaMm2 ?? 0;
  const maker = makerAreaMm2(b.input)?.areaMm2 ?? 0;
  return {
    ampacity: (_, heat) => heat.izA >= heat.dutyA - 1e-9 && heat.izA > 0,
    protection: (_, heat) => protects(b, heat.legIzA).passes,
    drop: (c, heat) => dropAt(b, c, heat).passes,
    surge: (c, heat) => surgeAt(b, c, heat)?.passes ?? true,
    maker: (c) => c.conductor.areaMm2 >= maker - 1e-9,
    mechanical: (c) => c.conductor.areaMm2 >= minimum - 1e-9,
    fault: (c) => faultAt(b, c)?.passes ?? true,
    terminals: (_, heat) => terminalAt(b, heat).passes,
  };
}

/** First single size that passes: every test is monotone in the area, so halving finds it. */
function smallestSingle(sizes: readonly Conductor[], heats: readonly Heat[], test: Test): number {
  let low = 0;
  let high = sizes.length;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (test({ conductor: sizes[mid] as Conductor, legs: 1 }, heats[mid] as Heat)) high = mid;
    else low = mid + 1;
  }
  return low;
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

export function applicable(b: Bench, id: CriterionId): boolean {
  const { input } = b;
  if (id === 'surge') return input.surges.some((s) => s.minV > 0);
  if (id === 'maker') return makerAreaMm2(input) !== null;
  if (id === 'fault') return input.upstream.bank !== null;
  if (id === 'drop') return input.taps.some((t) => t.load || t.panel);
  return true;
}

/** The circuit at one size: all figures and which tests fail. */
export function stateAt(b: Bench, candidate: Candidate): State {
  const heat = heatAt(b, candidate);
  const all = tests(b);
  const advisory = !b.input.house.upsizeForTerminals;
  const failing = CRITERIA.filter((id) => applicable(b, id) && !(id === 'terminals' && advisory) && !all[id](candidate, heat));
  return {
    candidate: { size: candidate.conductor.size, legs: candidate.legs },
    areaMm2: candidate.conductor.areaMm2 * candidate.legs,
    heat,
    drop: dropAt(b, candidate, heat),
    surge: surgeAt(b, candidate, heat),
    fault: faultAt(b, candidate),
    terminal: terminalAt(b, heat),
    passes: failing.length === 0,
    failing,
    massKg: (2 * b.input.lengthM * candidate.legs * candidate.conductor.massKgPerKm) / 1000,
  };
}

export function ladder(b: Bench): Ladder {
  const { school, circuit, house } = b.input;
  const sizes = CONDUCTORS[school];
  const heats = sizes.map((conductor) => heatAt(b, { conductor, legs: 1 }));
  const all = tests(b);
  const steps = CRITERIA.map((id) => {
    const applies = applicable(b, id);
    const advisory = id === 'terminals' && !house.upsizeForTerminals;
    return { id, applies, advisory, at: applies ? smallestSingle(sizes, heats, all[id]) : -1 };
  });
  const counting = steps.filter((s) => s.applies && !s.advisory);
  const need = Math.max(0, ...counting.map((s) => s.at));
  const governs = counting.find((s) => s.at === need)?.id ?? 'mechanical';
  let proposed: SizeChoice | null = null;
  const single = sizes[need];
  if (single) proposed = { size: single.size, legs: 1 };
  else {
    const pair = PARALLELS[school].find((c) => {
      const heat = heatAt(b, c);
      return counting.every((s) => all[s.id](c, heat));
    });
    if (pair) proposed = { size: pair.conductor.size, legs: pair.legs };
  }
  const pin = circuit.pin.size;
  const pinnedConductor = pin?.school === school ? findConductor(school, pin.size) : undefined;
  const largest = sizes[sizes.length - 1] as Conductor;
  const chosen: SizeChoice = pinnedConductor
    ? { size: pinnedConductor.size, legs: circuit.pin.legs }
    : (proposed ?? { size: largest.size, legs: 1 });
  const candidate: Candidate = { conductor: pinnedConductor ?? findConductor(school, chosen.size) ?? largest, legs: chosen.legs };
  const heat = heatAt(b, candidate);
  return {
    school,
    proposed,
    chosen,
    pinned: pinnedConductor !== undefined,
    governs,
    rungs: steps.map((s) => ({
      id: s.id,
      applies: s.applies,
      smallest: s.applies ? (sizes[s.at]?.size ?? null) : null,
      governs: s.id === governs && s.applies,
      advisory: s.advisory,
      chosenPasses: !s.applies || all[s.id](candidate, heat),
    })),
  };
}

/** The sizes one down and one up in the table from a choice, and their states. */
export function neighbours(b: Bench, chosen: SizeChoice): { down: State | null; up: State | null } {
  const sizes = CONDUCTORS[b.input.school];
  const at = sizes.findIndex((c) => c.size === chosen.size);
  const [down, up] = [sizes[at - 1], sizes[at + 1]];
  return {
    down: down ? stateAt(b, { conductor: down, legs: chosen.legs }) : null,
    up: up ? stateAt(b, { conductor: up, legs: chosen.legs }) : null,
  };
}
