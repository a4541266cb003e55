/** Design -> Analysis: the one function that runs it all. Incremental: a circuit whose inputs are the same objects keeps its result. */
import type { Circuit, Design, Load, Panel, Place } from './design/schema';
import { bySeverity, type Finding } from './check/findings';
import { designFindings } from './check/designFindings';
import { circuitInput, type Gathered, type Surge } from './conductor/circuitInput';
import { analyseCircuit, type CircuitResult } from './circuitResult';
import { bankSource, type BankSource } from './network/bankSource';
import { feederDemand, type DemandItem } from './network/demand';
import { loadPoint, panelPoint, pathM, placePoint } from './network/geometry';
import { loadCurrent, type LoadCurrent, type StudyVolts } from './network/loadCurrent';
import { circuitOrder } from './network/order';
import type { Upstream } from './network/upstream';
import { balance, type Balance } from './energy/balance';

export interface LoadResult {
  readonly id: string;
  readonly current: LoadCurrent;
  readonly circuitId: string | null;
}

export interface Analysis {
  readonly volts: StudyVolts;
  readonly banks: readonly BankSource[];
  readonly loads: readonly LoadResult[];
  readonly circuits: readonly CircuitResult[];
  readonly findings: readonly Finding[];
  readonly balance: Balance;
}

/** Where a circuit's run goes: the places it passes and its estimated lengths. */
interface Lay {
  readonly deps: readonly unknown[];
  readonly passes: readonly Place[];
  readonly lengths: readonly number[];
}

interface Kept {
  readonly deps: readonly unknown[];
  readonly result: CircuitResult;
}

/** Results kept from one analysis to the next. Make one per design being worked on. */
export interface Memory {
  readonly circuits: Map<string, Kept>;
  readonly lays: Map<string, Lay>;
  readonly currents: WeakMap<Load, { volts: StudyVolts; current: LoadCurrent }>;
  volts: StudyVolts | null;
}

export const createMemory = (): Memory => ({ circuits: new Map(), lays: new Map(), currents: new WeakMap(), volts: null });

const same = (a: readonly unknown[], b: readonly unknown[]): boolean => a.length === b.length && a.every((x, i) => Object.is(x, b[i]));

/** Study volts: lowest bank volts (house setting, 95 % of nominal for a first figure) and highest charging volts of the first bank. */
function studyVolts(design: Design, bank: BankSource | undefined): StudyVolts {
  const { systemV } = design.boat;
  return { lowV: (systemV * design.house.lowVoltsPct) / 100, chargingV: bank?.chargingV ?? systemV * 1.2 };
}

/**
 * Analyses a whole design. Total: never throws for a design that has passed the schema; what cannot be computed is a finding.
 * @param memory results of the last call for a neighbouring design; unchanged objects are not computed again.
 */
export function analyse(design: Design, memory: Memory = createMemory()): Analysis {
  const { boat, house } = design;
  const banks = design.banks.map(bankSource);
  const fresh = studyVolts(design, banks[0]);
  const volts = memory.volts?.lowV === fresh.lowV && memory.volts.chargingV === fresh.chargingV ? memory.volts : fresh;
  memory.volts = volts;
  const currentOf = (load: Load): LoadCurrent => {
    const kept = memory.currents.get(load);
    if (kept?.volts === volts) return kept.current;
    const current = loadCurrent(load, volts);
    memory.currents.set(load, { volts, current });
    return current;
  };
  const loads = new Map(design.loads.map((l) => [l.id, l]));
  const panels = new Map(design.panels.map((p) => [p.id, p]));
  const rows = new Map(design.banks.map((b) => [b.id, b]));
  const places = new Map(design.places.map((p) => [p.id, p]));
  const { order, feederOf, cyclic } = circuitOrder(design);
  const fedFrom = new Map<string, Circuit[]>();
  for (const c of design.circuits) {
    if (c.from.kind !== 'panel') continue;
    const list = fedFrom.get(c.from.id);
    if (list) list.push(c);
    else fedFrom.set(c.from.id, [c]);
  }

  // Bottom up: what every panel's circuits ask for.
  const panelItems = new Map<string, readonly DemandItem[]>();
  const panelSurge = new Map<string, Surge | null>();
  const circuitItems = (c: Circuit): DemandItem[] =>
    c.taps.flatMap((tap): readonly DemandItem[] => {
      if (tap.serves.kind === 'panel') return panelItems.get(tap.serves.id) ?? [];
      const load = tap.serves.kind === 'load' ? loads.get(tap.serves.id) : undefined;
      return load
        ? [{ loadId: load.id, name: load.name, currentA: currentOf(load).workingA, runsLong: load.runsLong, brief: load.duty !== null }]
        : [];
    });
  const circuitSurge = (c: Circuit): Surge | null =>
    c.taps.reduce<Surge | null>((worst, tap) => {
      const below = tap.serves.kind === 'panel' ? (panelSurge.get(tap.serves.id) ?? null) : surgeOf(tap.serves.id);
      return below && (!worst || below.addsA > worst.addsA) ? below : worst;
    }, null);
  const surgeOf = (loadId: string): Surge | null => {
    const load = loads.get(loadId);
    if (!load) return null;
    const current = currentOf(load);
    if (current.surgeA === null) return null;
    const addsA = current.surgeA - current.workingA;
    return { tapIndex: 0, name: load.name, circuitA: 0, loadA: current.surgeA, addsA, seconds: current.surgeS, minV: 0 };
  };
  for (const c of [...order].reverse()) {
    if (c.from.kind !== 'panel') continue;
    panelItems.set(c.from.id, [...(panelItems.get(c.from.id) ?? []), ...circuitItems(c)]);
    const surge = circuitSurge(c);
    const known = panelSurge.get(c.from.id) ?? null;
    panelSurge.set(c.from.id, surge && (!known || surge.addsA > known.addsA) ? surge : known);
  }
  const bankDemand = new Map<string, number>();
  for (const bank of design.banks) {
    const items = design.circuits.filter((c) => c.from.kind === 'bank' && c.from.id === bank.id).flatMap(circuitItems);
    bankDemand.set(bank.id, feederDemand(boat.ruleSet, items, house.diversity).demandA);
  }

  // Top down: each circuit behind what stands before it.
  const results = new Map<string, CircuitResult>();
  const below = new Map<string, Upstream>();
  const rootOf = (bankId: string): Upstream => {
    const at = design.banks.findIndex((b) => b.id === bankId);
    const place = places.get(design.banks[at]?.placeId ?? '') ?? null;
    return { ...NOWHERE, bank: banks[at] ?? null, bankDemandA: bankDemand.get(bankId) ?? 0, place, atBank: true };
  };
  const upstreamOf = (c: Circuit): Upstream => {
    if (c.from.kind === 'bank') return rootOf(c.from.id);
    const feeder = feederOf.get(c.from.id);
    const via = feeder && below.get(`${feeder.id}:${c.from.id}`);
    const place = places.get(panels.get(c.from.id)?.placeId ?? '') ?? null;
    // The bank's demand may move without the feeder's own result moving: it is taken afresh.
    return via ? { ...via, place, bankDemandA: bankDemand.get(via.bank?.bankId ?? '') ?? 0 } : { ...NOWHERE, place };
  };
  for (const circuit of order) {
    const upstream = upstreamOf(circuit);
    const served = circuit.taps.map((t) => (t.serves.kind === 'load' ? (loads.get(t.serves.id) ?? null) : null));
    const fed = circuit.taps.map((t) => (t.serves.kind === 'panel' ? (panels.get(t.serves.id) ?? null) : null));
    const panel = circuit.from.kind === 'panel' ? (panels.get(circuit.from.id) ?? null) : null;
    const layDeps = [circuit, design.places, boat, house, upstream.place, ...served, ...fed];
    const laid = memory.lays.get(circuit.id);
    const lay =
      laid && same(laid.deps, layDeps)
        ? laid
        : {
            deps: layDeps,
            passes: placesPassed(circuit, upstream.place, served, fed, places),
            lengths: tapLengths(design, circuit, loads, panels, upstream.place),
          };
    memory.lays.set(circuit.id, lay);
    const { passes, lengths } = lay;
    const feeds = fed.some((p) => p !== null);
    const downstream = feeds
      ? circuit.taps.map((t): readonly DemandItem[] =>
          t.serves.kind === 'panel' ? (panelItems.get(t.serves.id) ?? []) : circuitTapItem(served, t.serves.id, currentOf),
        )
      : NOTHING;
    const belowSurge = feeds
      ? circuit.taps.map((t) => (t.serves.kind === 'panel' ? (panelSurge.get(t.serves.id) ?? null) : null))
      : NOTHING;
    const demandKey = feeds ? downstream.flatMap((items, i) => (fed[i] ? demandKeyOf(items) : [])) : NOTHING;
    const surgeKey = feeds ? belowSurge.flatMap((s) => (s ? [s.addsA, s.seconds, s.name] : [null])) : NOTHING;
    const deps = [
      circuit,
      house,
      boat,
      volts,
      panel,
      ...passes,
      ...lengths,
      ...served,
      ...fed,
      ...demandKey,
      ...surgeKey,
      ...upstreamKey(upstream, rows.get(upstream.bank?.bankId ?? ''), belowSurge.some(Boolean) || served.some((l) => l?.surgeA != null)),
    ];
    const kept = memory.circuits.get(circuit.id);
    let result: CircuitResult;
    if (kept && same(kept.deps, deps)) result = kept.result;
    else {
      const gathered: Gathered = {
        circuit,
        house,
        school: boat.ruleSet,
        systemV: boat.systemV,
        volts,
        upstream,
        panel,
        places: passes,
        lengths: circuit.taps.map((tap, i) => ({ estimatedM: lengths[i] ?? 0, lengthM: tap.tapedM ?? lengths[i] ?? 0 })),
        loads: served,
        currents: served.map((l) => (l ? currentOf(l) : null)),
        panels: fed,
        names: circuit.taps.map((t, i) => served[i]?.name ?? fed[i]?.name ?? places.get(t.serves.id)?.name ?? '?'),
        downstream,
        belowSurge,
      };
      const other = boat.ruleSet === 'awg' ? 'metric' : 'awg';
      result = analyseCircuit(circuitInput(gathered), () => circuitInput({ ...gathered, school: other }), boat);
      memory.circuits.set(circuit.id, { deps, result });
    }
    results.set(circuit.id, result);
    fed.forEach((p, i) => {
      const own = result.below[i];
      if (p && own) below.set(`${circuit.id}:${p.id}`, own);
    });
  }
  for (const id of memory.circuits.keys())
    if (!results.has(id)) {
      memory.circuits.delete(id);
      memory.lays.delete(id);
    }

  const circuits = design.circuits.flatMap((c) => results.get(c.id) ?? []);
  const circuitOfLoad = new Map<string, string>();
  for (const c of design.circuits)
    for (const t of c.taps) if (t.serves.kind === 'load' && !circuitOfLoad.has(t.serves.id)) circuitOfLoad.set(t.serves.id, c.id);
  return {
    volts,
    banks,
    loads: design.loads.map((l) => ({ id: l.id, current: currentOf(l), circuitId: circuitOfLoad.get(l.id) ?? null })),
    circuits,
    findings: bySeverity([...designFindings(design, circuits, circuitOfLoad, feederOf, cyclic), ...circuits.flatMap((c) => c.findings)]),
    balance: balance(design, banks, circuits, currentOf),
  };
}

const NOWHERE: Upstream = {
  bank: null,
  chain: [],
  dropV: 0,
  hotOhm: 0,
  coldOhm: 0,
  faultHotOhm: 0,
  bankDemandA: 0,
  place: null,
  atBank: false,
  feederRatingA: null,
};

const NOTHING: readonly never[] = [];

/** What of an upstream can change a result, as primitives; the bank by its row in the design, which keeps its identity. */
const upstreamKey = (u: Upstream, bank: unknown, surges: boolean): unknown[] => [
  bank ?? null,
  u.chain.join('>'),
  u.dropV,
  u.hotOhm,
  u.coldOhm,
  u.faultHotOhm,
  // Only a start is reckoned from the sagged posts.
  surges ? u.bankDemandA : 0,
  u.place,
  u.atBank,
  u.feederRatingA,
];

/** All that demand takes from a panel's items, so that the same sums find the same result. */
function demandKeyOf(items: readonly DemandItem[]): number[] {
  const sums = [0, 0, 0, 0, 0, 0, 0];
  const add = (at: number, amps: number) => (sums[at] = (sums[at] as number) + amps);
  const most = (at: number, amps: number) => (sums[at] = Math.max(sums[at] as number, amps));
  for (const d of items) {
    add(d.runsLong ? 0 : 1, d.currentA);
    if (!d.runsLong) most(2, d.currentA);
    most(3, d.currentA);
    if (d.brief) continue;
    add(d.runsLong ? 4 : 5, d.currentA);
    most(6, d.currentA);
  }
  return sums;
}

const circuitTapItem = (served: readonly (Load | null)[], loadId: string, currentOf: (l: Load) => LoadCurrent): DemandItem[] => {
  const load = served.find((l) => l?.id === loadId);
  return load ? [{ loadId, name: load.name, currentA: currentOf(load).workingA, runsLong: load.runsLong, brief: load.duty !== null }] : [];
};

/** Places the run passes: where it starts, where it serves, and those named on the way. Each once. */
function placesPassed(
  circuit: Circuit,
  start: Place | null,
  served: readonly (Load | null)[],
  fed: readonly (Panel | null)[],
  places: ReadonlyMap<string, Place>,
): Place[] {
  const ids = [
    start?.id,
    ...served.map((l) => l?.placeId),
    ...fed.map((p) => p?.placeId),
    ...circuit.taps.map((t) => (t.serves.kind === 'place' ? t.serves.id : null)),
    ...circuit.via,
  ];
  return [...new Set(ids)].flatMap((id) => (id ? (places.get(id) ?? []) : []));
}

/** Estimated length of each segment, m, from the positions of its two ends. */
function tapLengths(
  design: Design,
  circuit: Circuit,
  loads: ReadonlyMap<string, Load>,
  panels: ReadonlyMap<string, Panel>,
  start: Place | null,
): number[] {
  const at = (serves: Circuit['taps'][number]['serves']) => {
    const load = serves.kind === 'load' ? loads.get(serves.id) : undefined;
    const panel = serves.kind === 'panel' ? panels.get(serves.id) : undefined;
    return load ? loadPoint(design, load) : panel ? panelPoint(design, panel) : placePoint(design, serves.id);
  };
  const points = new Map(circuit.taps.map((t) => [t.id, at(t.serves)]));
  const source = placePoint(design, start?.id ?? null);
  return circuit.taps.map((t) =>
    pathM((t.parent === null ? undefined : points.get(t.parent)) ?? source, points.get(t.id) ?? source, design.house.slackM),
  );
}
