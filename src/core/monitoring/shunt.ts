/** A bank's shunt: chosen, judged, and what goes round it (docs/methods.md, M14). */
import type { CircuitResult } from '../circuit';
import { asDecided, type Bank, type Design, type Gauge, type InlineDevice, rowOf } from '../design';
import { dayAh } from '../energy';
import { type BatteryCableResult, postInventory } from '../mainSide';
import { servingOf, shuntCable } from '../topology';
import { c20Ah } from '../bank';

/** Ratings that are made, A; and the volts at rating, V. */
export const SHUNTS_A = [50, 100, 200, 300, 500, 1000] as const;
const RATED_V = 0.05;
/** Rating over the largest steady current; and for a start of a few seconds. */
const STEADY = 1.25;
const PEAK = 5;

export interface ShuntFigures {
  readonly device: InlineDevice | null;
  readonly ratingA: number | null;
  /** Largest that flows through it for long, A. */
  readonly steadyA: number;
  /** The smallest that is made and enough, A. */
  readonly wantedA: number;
  readonly mohm: number;
  readonly wattsRated: number;
  readonly wattsWorst: number;
  /** Of the gauge's step, how many make what the boat draws while nobody uses anything. */
  readonly standingSteps: number;
  readonly standingA: number;
  /** What draws it, A. */
  readonly standing: readonly { readonly name: string; readonly amps: number }[];
  readonly faults: readonly string[];
}

/** Something a shunt does not see, and what that comes to. */
export interface Unseen {
  readonly name: string;
  /** Ah a day by way of living: positive, drawn. */
  readonly byLiving: readonly { readonly living: string; readonly ah: number }[];
  /** Of the first way of living, A on the mean. */
  readonly meanA: number;
  /** Until a gauge is 10 % of capacity wrong; Infinity: never. */
  readonly days: number;
}

export function shuntFigures(
  whole: Design,
  leads: readonly BatteryCableResult[],
  circuits: readonly CircuitResult[],
  gauge: Gauge,
): ShuntFigures | null {
  const design = asDecided(whole);
  const bank = rowOf(design.banks, gauge.bankId);
  if (!bank) return null;
  const cable = shuntCable(design, bank.id);
  const result = cable && leads[whole.leads.findIndex((l) => l.id === cable.id)];
  const device = cable?.through.find((d) => d.kind === 'shunt') ?? null;
  const own = circuits.filter(
    (r) => rowOf(design.circuits, r.id)?.from.kind === 'bank' && rowOf(design.circuits, r.id)?.from.id === bank.id,
  );
  const steadyA = result?.carries.amps ?? own.reduce((sum, r) => sum + r.workingA, 0);
  const wantedA = SHUNTS_A.find((a) => a >= STEADY * steadyA) ?? SHUNTS_A[SHUNTS_A.length - 1] ?? 1000;
  const ratingA = device?.ratingA ?? null;
  const mohm = device?.mohm ?? (ratingA === null ? 0 : (1000 * RATED_V) / ratingA);
  const post = postInventory(design, circuits, leads).find((p) => p.node === `bank ${bank.id}+`);
  const standingA = post?.landings.reduce((sum, l) => sum + l.standingA, 0) ?? 0;
  const surgeA = Math.max(0, ...own.map((r) => r.surgeA ?? 0));
  return {
    device,
    ratingA,
    steadyA,
    wantedA,
    mohm,
    wattsRated: ratingA === null ? 0 : ratingA ** 2 * (mohm / 1000),
    wattsWorst: steadyA ** 2 * (mohm / 1000),
    standingA,
    standing: (post?.landings ?? []).filter((l) => l.standingA > 0).map((l) => ({ name: l.name, amps: l.standingA })),
    standingSteps: gauge.stepA > 0 ? standingA / gauge.stepA : Infinity,
    faults: [
      ...(device === null ? ['no shunt stands in this bank’s negative'] : []),
      ...(ratingA !== null && ratingA < STEADY * steadyA - 1e-9
        ? [`${ratingA} A is too small for ${steadyA.toFixed(0)} A that flow for long: ${wantedA} A`]
        : []),
      ...(ratingA !== null && surgeA > PEAK * ratingA ? [`a start of ${surgeA.toFixed(0)} A is more than five times its rating`] : []),
      ...(standingA > 0 && gauge.stepA > 0 && standingA < gauge.stepA / 2
        ? ['what is drawn at rest is less than half a step: it counts as nothing']
        : []),
      ...(Math.abs(gauge.offsetA) > standingA / 4 && gauge.offsetA !== 0
        ? [`an offset of ${gauge.offsetA} A is ${(Math.abs(gauge.offsetA) * 24).toFixed(1)} Ah a day: set its zero with nothing flowing`]
        : []),
    ],
  };
}

/** What lands on the battery's negative post beside the shunt, and what hangs on it. */
export function unseenOf(
  whole: Design,
  leads: readonly BatteryCableResult[],
  circuits: readonly CircuitResult[],
  bank: Bank,
): readonly Unseen[] {
  const design = asDecided(whole);
  const post = postInventory(design, circuits, leads).find((p) => p.node === `bank ${bank.id}-`);
  const round = new Set(post?.bypasses ?? []);
  if (round.size === 0) return [];
  const { panels } = servingOf(design.circuits);
  /** Loads on a circuit and on the panels it feeds. */
  const loadsOf = (circuitId: string): readonly string[] => {
    const seen = new Set([circuitId]);
    const out: string[] = [];
    for (const id of seen)
      for (const t of rowOf(design.circuits, id)?.taps ?? [])
        if (t.serves.kind === 'load') out.push(t.serves.id);
        else if (t.serves.kind === 'panel')
          for (const c of design.circuits) if (c.from.id === t.serves.id && panels.get(t.serves.id)?.id === id) seen.add(c.id);
    return out;
  };
  return (post?.landings ?? [])
    .filter((l) => round.has(l.name))
    .map((l): Unseen => {
      const loads = l.kind === 'circuit' ? loadsOf(l.id) : [];
      const byLiving = design.living.map((way) => ({
        living: way.name,
        ah: loads.reduce((sum, id) => {
          const load = rowOf(design.loads, id);
          return load ? sum + dayAh(load, way) : sum;
        }, 0),
      }));
      const first = byLiving[0]?.ah ?? 0;
      const most = Math.max(0, ...byLiving.map((x) => x.ah));
      return { name: l.name, byLiving, meanA: first / 24, days: most === 0 ? Infinity : (0.1 * c20Ah(bank)) / most };
    });
}
