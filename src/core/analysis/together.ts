/** Sizes chosen together: the least copper in mains, feeders and branches with which every load's whole path holds (docs/methods.md, "Chosen together"). */
import { analyse, type Analysis, createMemory, type Memory, workedCircuit } from './analysis';
import { reelsKg, sizeFewer, sizesOf } from './fewerSizes';
import { leastCopper } from './leastCopper';
import type { CircuitResult } from '../circuit';
import { type Circuit, type Design, type Op, rowOf, setOp } from '../design';
import { choiceName } from '../quantity';
import { CONDUCTORS } from '../rules';
import { atOnce, type Steps } from '../solve';
import { circuitOrder } from '../topology';

/** Repairs at most: each makes one shared part one size heavier. */
const MOST_STEPS = 24;

/** A part whose size is another than it was. */
export interface SizeChange {
  readonly circuitId: string;
  readonly no: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  /** Copper and insulation more, kg; less where negative. */
  readonly kg: number;
}

export interface Together {
  readonly ops: readonly Op[];
  /** Every circuit whose size changes, chosen or in consequence. */
  readonly changes: readonly SizeChange[];
  /** Of all circuits, as they are and as they would be. */
  readonly kgBefore: number;
  readonly kgAfter: number;
  /** Sizes of conductor the circuits use: each is a reel. */
  readonly sizesBefore: number;
  readonly sizesAfter: number;
  /** Loads whose whole path loses too much, or that start on too few volts, as they are and as they would be. */
  readonly missingBefore: number;
  readonly missingAfter: number;
}

const missing = ({ isFeeder, own: { state } }: CircuitResult): boolean =>
  !isFeeder && (state.drop.collapses || !state.drop.wholePasses || state.surge?.wholePasses === false);

/** Volts by which whole paths miss their limits, all together, where their own run is in order. */
function missV(circuits: readonly CircuitResult[], systemV: number): number {
  let sum = 0;
  for (const { isFeeder, own } of circuits) {
    const { drop, failing } = own.state;
    if (isFeeder || drop.collapses || drop.wholePasses || failing.includes('drop')) continue;
    for (const t of drop.taps) sum += Math.max(0, ((t.pct - t.limitPct) * systemV) / 100);
  }
  return sum;
}

const kgOf = (circuits: readonly CircuitResult[]): number => circuits.reduce((sum, c) => sum + c.own.state.massKg, 0);
const grave = ({ findings }: Analysis): number => findings.filter((f) => f.severity !== 'note').length;

const withSizes = (design: Design, sizes: ReadonlyMap<string, string>): Design => ({
  ...design,
  circuits: design.circuits.map((c) => {
    const size = sizes.get(c.id);
    return size === undefined ? c : { ...c, together: { school: design.boat.ruleSet, size } };
  }),
});

/** Mains, feeders and branches of the paths that miss, that nobody has pinned or keeps as found. */
function onThePath(design: Design, circuits: readonly CircuitResult[]): ReadonlySet<string> {
  const { feederOf } = circuitOrder(design.circuits);
  const out = new Set<string>();
  for (const r of circuits) {
    if (r.isFeeder || r.own.state.drop.wholePasses) continue;
    let at = rowOf(design.circuits, r.id);
    if (at && at.pin.size === null && at.found === null) out.add(at.id);
    for (let i = 0; at?.from.kind === 'panel' && i < design.circuits.length; i++) {
      at = feederOf.get(at.from.id);
      if (at && at.pin.size === null && at.found === null) out.add(at.id);
    }
  }
  return out;
}

/** One part after another one size heavier, each time the one that cures most volts a kilogram, until every path holds or none helps. */
function* repaired(start: Design, memory: Memory): Steps<Design> {
  const { boat } = start;
  const table = CONDUCTORS[boat.ruleSet];
  let design = start;
  let { circuits } = analyse(design, memory);
  let miss = missV(circuits, boat.systemV);
  for (let step = 0; step < MOST_STEPS && miss > 1e-9; step++) {
    let best: { readonly design: Design; readonly miss: number; readonly gain: number } | null = null;
    for (const id of onThePath(design, circuits)) {
      const now = rowOf(circuits, id);
      const next = table.find((c) => c.areaMm2 > (now?.own.state.conductor.areaMm2 ?? Infinity) + 1e-9);
      if (!now || !next || now.own.state.candidate.legs > 1) continue;
      const tried = withSizes(design, new Map([[id, next.size]]));
      const less = missV(analyse(tried, memory).circuits, boat.systemV);
      yield;
      const kg = (2 * now.lengthM * (next.massKgPerKm - now.own.state.conductor.massKgPerKm)) / 1000;
      const gain = (miss - less) / Math.max(1e-6, kg);
      if (less < miss - 1e-9 && (!best || gain > best.gain)) best = { design: tried, miss: less, gain };
    }
    if (!best) break;
    ({ design, miss } = best);
    ({ circuits } = analyse(design, memory));
    yield;
  }
  return design;
}

/** The tree's least copper stored where it is more than a part takes by itself, main and feeders first. */
function* byTree(bare: Design, memory: Memory): Steps<Design> {
  const table = CONDUCTORS[bare.boat.ruleSet];
  // Others may have used the memory since: it is of this design again before it is read.
  analyse(bare, memory);
  const places = leastCopper(bare.circuits.flatMap((c) => workedCircuit(memory, c.id) ?? []));
  yield;
  let design = bare;
  for (const feeders of [true, false]) {
    const sizes = new Map<string, string>();
    for (const { id, isFeeder, own } of analyse(design, memory).circuits) {
      const to = table[places.get(id) ?? -1];
      if (to && isFeeder === feeders && to.areaMm2 > own.state.conductor.areaMm2 + 1e-9) sizes.set(id, to.size);
    }
    yield;
    if (sizes.size > 0) design = withSizes(design, sizes);
  }
  return design;
}

/** One size less after another, while that weighs less than the reel it spares and brings no fault. */
function* withFewerSizes(start: Design, memory: Memory): Steps<Design> {
  let design = start;
  let now = analyse(design, memory);
  for (;;) {
    let fewer: Design | null = null;
    for (const sizes of sizeFewer(design, now.circuits)) {
      const tried = withSizes(design, sizes);
      const then = analyse(tried, memory);
      yield;
      if (
        sizesOf(then.circuits).length >= sizesOf(now.circuits).length ||
        grave(then) > grave(now) ||
        missV(then.circuits, start.boat.systemV) > missV(now.circuits, start.boat.systemV) + 1e-9
      )
        continue;
      fewer = tried;
      break;
    }
    if (!fewer) return design;
    design = fewer;
    now = analyse(design, memory);
  }
}

/** Circuits whose conductor is another than it was. */
export const sizeChanges = (before: readonly CircuitResult[], after: readonly CircuitResult[]): SizeChange[] =>
  before.flatMap((b): SizeChange[] => {
    const a = rowOf(after, b.id);
    const [was, is] = [b.own.ladder.chosen, a?.own.ladder.chosen];
    if (!a || !is || (is.size === was.size && is.legs === was.legs && is.school === was.school)) return [];
    const kg = a.own.state.massKg - b.own.state.massKg;
    return [{ circuitId: b.id, no: b.no, name: b.name, from: choiceName(was), to: choiceName(is), kg }];
  });

const sameSize = (a: Circuit['together'], b: Circuit['together']): boolean =>
  a === null || b === null ? a === b : a.school === b.school && a.size === b.size;

/**
 * Sizes that go together: what was chosen so before is chosen anew. The tree's least copper with currents as they are; worked out whole, and
 * repaired upward where a path still misses. Where that finds more faults than each part by itself, repairs alone. Edits are empty where
 * nothing is to be gained.
 */
export function* choosingTogether(whole: Design, memory: Memory): Steps<Together> {
  const { boat } = whole;
  const before = analyse(whole, memory);
  const bare: Design = whole.circuits.some((c) => c.together !== null)
    ? { ...whole, circuits: whole.circuits.map((c) => (c.together === null ? c : { ...c, together: null })) }
    : whole;
  yield;
  const faults = grave(analyse(bare, memory));
  yield;
  let design = yield* repaired(yield* byTree(bare, memory), memory);
  if (grave(analyse(design, memory)) > faults) design = yield* repaired(bare, memory);
  design = yield* withFewerSizes(design, memory);
  const after = analyse(design, memory);
  const missingBefore = before.circuits.filter(missing).length;
  const missingAfter = after.circuits.filter(missing).length;
  const [kgBefore, kgAfter] = [kgOf(before.circuits), kgOf(after.circuits)];
  const [weighedBefore, weighedAfter] = [kgBefore + reelsKg(before.circuits), kgAfter + reelsKg(after.circuits)];
  const same =
    (weighedAfter > weighedBefore - 0.001 && missV(after.circuits, boat.systemV) > missV(before.circuits, boat.systemV) - 1e-9) ||
    missingAfter > missingBefore;
  const sizesBefore = sizesOf(before.circuits).length;
  if (same)
    return {
      ops: [],
      changes: [],
      kgBefore,
      kgAfter: kgBefore,
      sizesBefore,
      sizesAfter: sizesBefore,
      missingBefore,
      missingAfter: missingBefore,
    };
  return {
    ops: whole.circuits.flatMap((c, i): Op[] => {
      const to = design.circuits[i]?.together ?? null;
      return sameSize(c.together, to) ? [] : [setOp(whole, ['circuits', c.id, 'together'], to)].flatMap((op) => (op ? [op] : []));
    }),
    changes: sizeChanges(before.circuits, after.circuits),
    kgBefore,
    kgAfter,
    sizesBefore,
    sizesAfter: sizesOf(after.circuits).length,
    missingBefore,
    missingAfter,
  };
}

export const chosenTogether = (whole: Design, memory: Memory = createMemory()): Together => atOnce(choosingTogether(whole, memory));
