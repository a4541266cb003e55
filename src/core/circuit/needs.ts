/** A circuit by the volts that may be lost before its way, size by size: what sizes chosen together are made from (docs/methods.md, M20). */
import { CONDUCTORS } from '../rules';
import { belowTaps, type WorkedCircuit } from './circuitResult';
import { lostBeforeInput } from './circuitInput';
import { DRIFTING, MOST_STEPS, LIGHT_A, stateAt } from './ladder';
import { NEAR, singleTrial, startPathV } from './trial';
import type { Upstream } from './upstream';

/** One size of a circuit: most that may be lost before its way while it works, and as it starts, V; -Infinity where its own run loses too much. */
export interface SizeNeed {
  /** Place in the school's table. */
  readonly at: number;
  readonly kg: number;
  readonly workV: number;
  readonly startV: number;
}

/** Place of the smallest size that passes every test but drop and start; past the table where none does. */
function leastAt({ result: { own }, trial }: WorkedCircuit): number {
  const sizes = CONDUCTORS[trial.input.school];
  return Math.max(
    0,
    ...own.ladder.rungs
      .filter((r) => r.applies && !r.advisory && !DRIFTING.has(r.id))
      .map((r) => (r.smallest === null ? sizes.length : sizes.findIndex((c) => c.size === r.smallest))),
  );
}

/** Its size is nobody's to choose: pinned, found, several legs, of the other school, or none in the table does. */
export function sizeFixed(worked: WorkedCircuit): boolean {
  const { ladder } = worked.result.own;
  return (
    ladder.pinned || ladder.kept || ladder.proposed === null || ladder.chosen.legs > 1 || ladder.chosen.school !== worked.trial.input.school
  );
}

const kgAt = ({ trial: { input } }: WorkedCircuit, at: number): number =>
  (2 * input.lengthM * (CONDUCTORS[input.school][at]?.massKgPerKm ?? 0)) / 1000;

/** Of a branch: its sizes from the smallest its other tests allow, up to where more copper is no cure. Empty where its size is fixed. */
export function branchNeeds(worked: WorkedCircuit): SizeNeed[] {
  if (sizeFixed(worked)) return [];
  const { trial } = worked;
  const { input } = trial;
  const sizes = CONDUCTORS[input.school];
  const least = leastAt(worked);
  const last = Math.min(sizes.length - 1, input.workingA <= LIGHT_A ? least + MOST_STEPS : sizes.length - 1);
  const out: SizeNeed[] = [];
  for (let at = least; at <= last; at++) {
    const size = singleTrial(trial, at);
    const drop = size.drop();
    let workV = drop.collapses ? -Infinity : Infinity;
    for (const t of drop.taps) {
      const tap = input.taps[t.tapIndex];
      if (!tap?.load) continue;
      const [runLimitV, pathV] = [(tap.dropPct * input.systemV) / 100, (tap.pathPct * input.systemV) / 100];
      const rest = (t.runV <= pathV / 2 ? NEAR : 1) * pathV - drop.headV - t.runV;
      workV = Math.min(workV, t.runV <= runLimitV ? rest : -Infinity);
    }
    const surge = size.surge();
    const start = surge && input.surges[surge.surgeIndex];
    let startV = Infinity;
    if (surge && start && surge.sagV > surge.minV) {
      const headV = start.circuitA * trial.headOhm + input.inlineV;
      const runV = surge.ownV - headV;
      const leftV = surge.sagV - surge.minV;
      const pathV = startPathV(trial, surge.sagV, surge.minV);
      // Where the bank sags by most of it, no copper gives the whole path back.
      startV = runV > pathV / 2 ? pathV - surge.ownV : leftV < pathV ? Infinity : leftV - surge.ownV;
    }
    out.push({ at, kg: kgAt(worked, at), workV, startV });
    if (workV === Infinity && startV === Infinity) break;
  }
  return out;
}

/** Of a main or feeder: the size its own tests ask for, and the heavier ones. Empty where its size is fixed. */
export function feederSizes(worked: WorkedCircuit, most: number): { readonly at: number; readonly kg: number }[] {
  if (sizeFixed(worked)) return [];
  const { school } = worked.trial.input;
  const own = CONDUCTORS[school].findIndex((c) => c.size === worked.result.own.ladder.chosen.size);
  return CONDUCTORS[school].slice(own, own + most).map((_, i) => ({ at: own + i, kg: kgAt(worked, own + i) }));
}

/** Lost from the posts to a way as usual, by hour, V, and the hot loop to it, ohm. */
export type Behind = Pick<Upstream, 'lostV' | 'hotOhm'>;

/** What a main or feeder loses, by tap, at a size of its table or (null) as it is. */
export function behindAt(worked: WorkedCircuit, at: number | null): readonly (Behind | null)[] {
  const { result, trial } = worked;
  const { upstream } = trial.input;
  const conductor = at === null ? undefined : CONDUCTORS[trial.input.school][at];
  const below = conductor ? belowTaps(trial, { ...result.own, state: stateAt(trial, { conductor, legs: 1 }) }) : result.below;
  return below.map((u) => u && { lostV: u.lostV.map((v, k) => v - (upstream.lostV[k] ?? 0)), hotOhm: u.hotOhm - upstream.hotOhm });
}

/** What is lost before a branch's way, at work and as its worst start runs, V, with what stands before it losing so much. */
export function lostBeforeWay(worked: WorkedCircuit, up: Behind): { readonly workV: number; readonly startV: number } {
  const { input } = worked.trial;
  const workV = lostBeforeInput(input, { ...input.upstream, ...up, dropV: Math.max(0, ...up.lostV) }).volts;
  const { surge } = worked.result.own.state;
  const addsA = (surge && input.surges[surge.surgeIndex]?.addsA) ?? 0;
  return { workV, startV: workV + addsA * up.hotOhm };
}
