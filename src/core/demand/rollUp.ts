/** Bottom up: what every panel's circuits ask of what feeds them (docs/methods.md, M0). */
import { type Circuit, type Design, type Load, share } from '../design';
import { type DemandItem, feederDemand, type Surge } from './feederDemand';
import { type DayHour, inUseBy } from './hours';
import { forSafety, isCharging } from './usual';
import type { LoadCurrent } from './loadCurrent';

export interface DemandRollUp {
  /** By panel: everything its ways feed, and the start surge that adds most. */
  readonly items: ReadonlyMap<string, readonly DemandItem[]>;
  readonly surge: ReadonlyMap<string, Surge | null>;
  /** By bank: demand of all it feeds, A. */
  readonly bankDemandA: ReadonlyMap<string, number>;
}

/** A load as it counts in what feeds it. */
export interface LoadDemand {
  readonly load: Load;
  readonly current: LoadCurrent;
  readonly item: DemandItem;
  /** Its start; null where it has none. */
  readonly start: Surge | null;
}

/** @param before of the same load: what says the same keeps its identity. */
export function loadDemand(load: Load, current: LoadCurrent, hours: readonly DayHour[], before?: LoadDemand): LoadDemand {
  return { load, current, item: share(before?.item, demandItem(load, current, hours)), start: startOf(load, current) };
}

/** A load as an item of its feeder's demand. */
export const demandItem = (load: Load, current: LoadCurrent, hours: readonly DayHour[]): DemandItem => ({
  loadId: load.id,
  name: load.name,
  currentA: current.workingA,
  runsLong: load.runsLong,
  brief: load.duty !== null,
  charging: isCharging(load),
  use: inUseBy(load, hours),
  safety: forSafety(load),
});

function startOf(load: Load, { workingA, surgeA, surgeS }: LoadCurrent): Surge | null {
  if (surgeA === null) return null;
  return { tapIndex: 0, name: load.name, circuitA: 0, loadA: surgeA, addsA: surgeA - workingA, seconds: surgeS, minV: 0 };
}

const worse = (a: Surge | null, b: Surge | null): Surge | null => (b && (!a || b.addsA > a.addsA) ? b : a);

/** Whether any panel is fed by more than one circuit. */
function fedTwice({ circuits }: Pick<Design, 'circuits'>): boolean {
  const fed = new Set<string>();
  for (const c of circuits)
    for (const { serves } of c.taps) {
      if (serves.kind !== 'panel') continue;
      if (fed.has(serves.id)) return true;
      fed.add(serves.id);
    }
  return false;
}

/** @param order circuits, sources before what they feed. @param cyclic those that close a loop. @param loads by id. */
export function rollUpDemand(
  design: Pick<Design, 'banks' | 'boat' | 'circuits' | 'house' | 'panels'>,
  { order, cyclic }: { readonly order: readonly Circuit[]; readonly cyclic: ReadonlySet<string> },
  loads: ReadonlyMap<string, LoadDemand>,
): DemandRollUp {
  const items = new Map<string, DemandItem[]>();
  const surge = new Map<string, Surge | null>();
  const banked = new Map<string, DemandItem[]>();
  // Where a panel is fed twice each load counts once for what feeds both: else every double feed on the way doubles the list.
  const twice = fedTwice(design);
  for (let i = order.length - 1; i >= 0; i--) {
    const circuit = order[i] as Circuit;
    const into = circuit.from.kind === 'panel' ? items : banked;
    let sum = into.get(circuit.from.id);
    if (!sum) into.set(circuit.from.id, (sum = []));
    let start: Surge | null = null;
    for (const { serves } of circuit.taps) {
      // What closes a loop brings its own panel's demand back to it: it is left out, and a stop says so.
      if (serves.kind === 'panel' && !cyclic.has(circuit.id)) {
        for (const item of items.get(serves.id) ?? []) if (!twice || !sum.some((d) => d.loadId === item.loadId)) sum.push(item);
        start = worse(start, surge.get(serves.id) ?? null);
      }
      const load = serves.kind === 'load' ? loads.get(serves.id) : undefined;
      if (!load) continue;
      sum.push(load.item);
      start = worse(start, load.start);
    }
    if (circuit.from.kind === 'panel') surge.set(circuit.from.id, worse(surge.get(circuit.from.id) ?? null, start));
  }
  const { ruleSet } = design.boat;
  const bankDemandA = new Map(
    design.banks.map((b) => [b.id, feederDemand(ruleSet, banked.get(b.id) ?? [], design.house.diversity).loadsA]),
  );
  return { items, surge, bankDemandA };
}
