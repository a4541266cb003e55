/** What if it grows: one thing made larger, and everything on its path tested again as it stands. */
import { analyse, type Analysis } from './analysis';
import type { CircuitResult } from './circuitResult';
import { choiceName } from './quantity';
import type { Circuit, Design } from './design/schema';

export interface Growth {
  /** Times the present figure. */
  readonly load?: { readonly id: string; readonly by: number };
  readonly run?: { readonly circuitId: string; readonly by: number };
  readonly everything?: number;
}

export type Verdict = 'passes still' | 'fails now' | 'failed before' | 'passes now' | 'larger than needed';

export interface GrowthLine {
  readonly circuitId: string;
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

/** What stands is pinned as it is, so that growth is tested against it. */
function asBuilt(circuit: Circuit, result: CircuitResult | undefined): Circuit {
  if (!result) return circuit;
  const { chosen } = result.own.ladder;
  const { familyId, ratingA } = result.own.protection;
  return {
    ...circuit,
    pin: { ...circuit.pin, size: { school: chosen.school, size: chosen.size }, legs: chosen.legs, family: familyId, ratingA },
  };
}

function grown(design: Design, growth: Growth): Design {
  const { load, run, everything } = growth;
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
    circuits: design.circuits.map((c) => {
      if (run?.circuitId !== c.id) return c;
      return { ...c, taps: c.taps.map((t) => ({ ...t, tapedM: t.tapedM === null ? null : t.tapedM * run.by })) };
    }),
  };
}

/** Estimated lengths of the run that grows, taped at what they are, so that they can grow. */
function taped(design: Design, analysis: Analysis, circuitId: string | undefined): Design {
  const result = analysis.circuits.find((r) => r.id === circuitId);
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

/** Every circuit whose figures the growth moves: whether what stands there still passes, and what it would take. */
export function whatIfItGrows(design: Design, growth: Growth): GrowthLine[] {
  const before = analyse(design);
  const results = new Map(before.circuits.map((r) => [r.id, r]));
  const built: Design = { ...design, circuits: design.circuits.map((c) => asBuilt(c, results.get(c.id))) };
  const base = taped(design, before, growth.run?.circuitId);
  const standing = analyse(grown(taped(built, before, growth.run?.circuitId), growth));
  const free = new Map(analyse(grown(base, growth)).circuits.map((r) => [r.id, r]));
  return standing.circuits.flatMap((after): GrowthLine[] => {
    const was = results.get(after.id);
    const wants = free.get(after.id);
    if (!was || !wants) return [];
    const moved = Math.abs(after.workingA - was.workingA) > 1e-6 || Math.abs(after.lengthM - was.lengthM) > 1e-6;
    const [bad, now] = [failingOf(was).length > 0, failingOf(after)];
    if (!moved && bad === now.length > 0) return [];
    const smaller = wants.own.state.areaMm2 < after.own.state.areaMm2 - 1e-9 && now.length === 0 && !was.own.ladder.pinned;
    return [
      {
        circuitId: after.id,
        name: `${after.no} ${after.name}`.trim(),
        verdict:
          now.length > 0 ? (bad ? 'failed before' : 'fails now') : bad ? 'passes now' : smaller ? 'larger than needed' : 'passes still',
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
}
