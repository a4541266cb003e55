/** What if it grows: one thing made larger, and everything on its path tested again as it stands. */
import { analyse, type Analysis, type Memory } from './analysis';
import type { CircuitResult } from '../circuit';
import { type Circuit, type Design, type BatteryCable, rowOf } from '../design';
import type { BatteryCableResult } from '../mainSide';
import { choiceName, sizeName } from '../quantity';
import { atOnce, type Steps } from '../solve';

export interface Growth {
  /** Times the present figure. */
  readonly load?: { readonly id: string; readonly by: number };
  /** What charges: its rated amps, through the leads it is on; without the candidate that would take its place, which is in the list as well. */
  readonly source?: { readonly id: string; readonly by: number; readonly without?: string };
  readonly run?: { readonly circuitId: string; readonly by: number };
  readonly everything?: number;
}

export type Verdict = 'passes still' | 'fails now' | 'failed before' | 'passes now' | 'larger than needed';

export interface GrowthLine {
  readonly kind: 'circuit' | 'lead';
  readonly id: string;
  readonly name: string;
  readonly verdict: Verdict;
  readonly cable: string;
  readonly wants: string;
  readonly deviceA: number;
  readonly wantsA: number;
  readonly beforeA: number;
  readonly afterA: number;
  readonly failing: readonly string[];
}

const withoutCandidate = (whole: Design, { source }: Growth): Design =>
  source?.without ? { ...whole, sources: whole.sources.filter((s) => s.id !== source.without) } : whole;

const builtOf = new WeakMap<CircuitResult, { readonly circuit: Circuit; readonly built: Circuit }>();

/** What stands is pinned as it is, so that growth is tested against it; the same row for the same result, so that it is known again. */
function asBuilt(circuit: Circuit, result: CircuitResult | undefined): Circuit {
  if (!result) return circuit;
  const known = builtOf.get(result);
  if (known?.circuit === circuit) return known.built;
  const { chosen } = result.own.ladder;
  const { familyId, ratingA } = result.own.protection;
  const built: Circuit = {
    ...circuit,
    pin: { ...circuit.pin, size: { school: chosen.school, size: chosen.size }, legs: chosen.legs, family: familyId, ratingA },
  };
  builtOf.set(result, { circuit, built });
  return built;
}

function leadAsBuilt(lead: BatteryCable, result: BatteryCableResult | undefined): BatteryCable {
  if (!result) return lead;
  const { school, size } = result.conductor;
  const device = result.device?.own.protection;
  return { ...lead, size: { school, size }, ...(device ? { family: device.familyId, ratingA: device.ratingA } : {}) };
}

function grown(design: Design, growth: Growth): Design {
  const { load, source, run, everything } = growth;
  const by = (id: string): number => (load?.id === id ? load.by : 1) * (everything ?? 1);
  return {
    ...design,
    loads: design.loads.map((l) =>
      by(l.id) === 1
        ? l
        : {
            ...l,
            rating: l.rating * by(l.id),
            surgeA: l.surgeA === null ? null : l.surgeA * by(l.id),
            range: l.range && { ...l.range, toRating: l.range.toRating * by(l.id) },
          },
    ),
    sources: design.sources.map((s) => (source?.id === s.id ? { ...s, ratedA: s.ratedA * source.by } : s)),
    circuits: design.circuits.map((c) => {
      if (run?.circuitId !== c.id) return c;
      return { ...c, taps: c.taps.map((t) => ({ ...t, tapedM: t.tapedM === null ? null : t.tapedM * run.by })) };
    }),
  };
}

/** Estimated lengths of the run that grows, taped at what they are, so that they can grow. */
function taped(design: Design, analysis: Analysis, circuitId: string | undefined): Design {
  const result = rowOf(analysis.circuits, circuitId);
  if (!result) return design;
  return {
    ...design,
    circuits: design.circuits.map((c) =>
      c.id === circuitId ? { ...c, taps: c.taps.map((t, i) => ({ ...t, tapedM: result.taps[i]?.lengthM ?? t.tapedM })) } : c,
    ),
  };
}

const failingOf = (r: CircuitResult): string[] => [
  ...r.own.state.failing,
  ...(r.own.protection.conflict ? ['device'] : []),
  ...(r.own.state.drop.collapses ? ['collapse'] : []),
];

const verdictOf = (failed: boolean, fails: boolean, smaller: boolean): Verdict =>
  fails ? (failed ? 'failed before' : 'fails now') : failed ? 'passes now' : smaller ? 'larger than needed' : 'passes still';

const failingLead = (r: BatteryCableResult): string[] => [...r.failing, ...(r.device?.own.protection.conflict ? ['device'] : [])];

/** Leads of the main side that would carry something else, tested as circuits are. */
function leadLines(design: Design, before: Analysis, standing: Analysis, free: Analysis): GrowthLine[] {
  return design.leads.flatMap((lead, i): GrowthLine[] => {
    const [was, after, wants] = [before.leads[i], standing.leads[i], free.leads[i]];
    if (!was || !after || !wants) return [];
    const [failed, now] = [failingLead(was).length > 0, failingLead(after)];
    if (Math.abs(after.carries.amps - was.carries.amps) < 1e-6 && failed === now.length > 0) return [];
    const smaller = wants.conductor.areaMm2 < after.conductor.areaMm2 - 1e-9 && now.length === 0 && !was.pinned;
    return [
      {
        kind: 'lead',
        id: lead.id,
        name: lead.name,
        verdict: verdictOf(failed, now.length > 0, smaller),
        cable: sizeName(after.conductor.school, after.conductor.size),
        wants: sizeName(wants.conductor.school, wants.conductor.size),
        deviceA: after.device?.own.protection.ratingA ?? 0,
        wantsA: wants.device?.own.protection.ratingA ?? 0,
        beforeA: was.carries.amps,
        afterA: after.carries.amps,
        failing: now,
      },
    ];
  });
}

/** The boat with what grows grown, and every run as it stands now. */
export function grownAsBuilt(whole: Design, growth: Growth, before?: Analysis): Design {
  const design = withoutCandidate(whole, growth);
  const was = before ?? analyse(design);
  const built: Design = {
    ...design,
    circuits: design.circuits.map((c) => asBuilt(c, rowOf(was.circuits, c.id))),
    leads: design.leads.map((l, i) => leadAsBuilt(l, was.leads[i])),
  };
  return grown(taped(built, was, growth.run?.circuitId), growth);
}

interface Known {
  readonly of?: Analysis;
  readonly standing?: Memory;
  readonly anew?: Memory;
}

/**
 * Every circuit and lead whose figures the growth moves: whether what stands there still passes, and what it would take.
 * @param known the analysis of the boat as she is, and what is remembered of boats grown before: the next is tried sooner.
 */
export function* growing(whole: Design, growth: Growth, known: Known = {}): Steps<GrowthLine[]> {
  const design = withoutCandidate(whole, growth);
  const before = (design === whole ? known.of : undefined) ?? analyse(design);
  yield;
  const results = new Map(before.circuits.map((r) => [r.id, r]));
  const base = taped(design, before, growth.run?.circuitId);
  const standing = analyse(grownAsBuilt(design, growth, before), known.standing);
  yield;
  const anew = analyse(grown(base, growth), known.anew);
  yield;
  const free = new Map(anew.circuits.map((r) => [r.id, r]));
  const circuits = standing.circuits.flatMap((after): GrowthLine[] => {
    const was = results.get(after.id);
    const wants = free.get(after.id);
    if (!was || !wants) return [];
    const moved = Math.abs(after.workingA - was.workingA) > 1e-6 || Math.abs(after.lengthM - was.lengthM) > 1e-6;
    const [bad, now] = [failingOf(was).length > 0, failingOf(after)];
    if (!moved && bad === now.length > 0) return [];
    const smaller = wants.own.state.areaMm2 < after.own.state.areaMm2 - 1e-9 && now.length === 0 && !was.own.ladder.pinned;
    return [
      {
        kind: 'circuit',
        id: after.id,
        name: `${after.no} ${after.name}`.trim(),
        verdict: verdictOf(bad, now.length > 0, smaller),
        cable: choiceName(after.own.ladder.chosen),
        wants: choiceName(wants.own.ladder.chosen),
        deviceA: after.own.protection.ratingA,
        wantsA: wants.own.protection.ratingA,
        beforeA: was.workingA,
        afterA: after.workingA,
        failing: now,
      },
    ];
  });
  return [...circuits, ...leadLines(design, before, standing, anew)];
}

export const whatIfItGrows = (whole: Design, growth: Growth): GrowthLine[] => atOnce(growing(whole, growth));
