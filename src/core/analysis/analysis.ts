/** Design -> Analysis: the one function that runs it all. Incremental: a circuit whose inputs are the same objects keeps its result. */
import { asDecided, type Circuit, type Design, type Finding, partsRead, share } from '../design';
import { findingsMemory, type FindingsMemory, findingsOf } from '../check';
import {
  analyseAgain,
  analyseCircuit,
  type CircuitResult,
  type Gathered,
  lostBefore,
  NOWHERE,
  type Upstream,
  type WorkedCircuit,
} from '../circuit';
import { balance, type Balance } from './balance';
import {
  type BatteryCableMemory,
  type BatteryCableResult,
  batteryCableResults,
  type Paths,
  pathsOf,
  POST_FAULT_READS,
  withPaths,
  withPostFaults,
} from '../mainSide';
import { yieldMemory, type YieldMemory } from '../energy';
import {
  type DayHour,
  dayHours,
  type DemandRollUp,
  rollUpDemand,
  loadCurrent,
  loadDemand,
  type LoadDemand,
  type LoadCurrent,
  studyVolts,
  type StudyVolts,
} from '../demand';
import { bankSource, type BankSource, houseBanks } from '../bank';
import { bankOfLoads, circuitOrder, type RunGeometry, runGeometry, sameParts, type Served, servingOf } from '../topology';

export interface LoadResult {
  readonly id: string;
  readonly current: LoadCurrent;
  /** Volts it is worked out at: of the bank that feeds it. */
  readonly volts: StudyVolts;
  readonly circuitId: string | null;
}

export interface Analysis {
  /** Of the house. */
  readonly volts: StudyVolts;
  readonly banks: readonly BankSource[];
  readonly loads: readonly LoadResult[];
  readonly circuits: readonly CircuitResult[];
  readonly findings: readonly Finding[];
  readonly balance: Balance;
  /** What stands between each source and its bank, where it is not entered. */
  readonly paths: Paths;
  /** Leads of the main side, sized. */
  readonly leads: readonly BatteryCableResult[];
}

interface Kept {
  readonly deps: readonly unknown[];
  readonly drift: readonly number[];
  readonly worked: WorkedCircuit;
}

interface KeptLoad extends LoadDemand {
  readonly volts: StudyVolts;
  readonly hours: readonly DayHour[];
  /** Its line of the analysis, and the circuit it was on. */
  readonly result: LoadResult;
}

/** Results kept from one analysis to the next. Make one per design being worked on. */
export interface Memory {
  readonly circuits: Map<string, Kept>;
  results: readonly CircuitResult[];
  readonly geometries: Map<string, RunGeometry>;
  /** Loads as they count in what feeds them, by id. */
  loads: ReadonlyMap<string, KeptLoad>;
  hours: { readonly living: Design['living']; readonly hours: readonly DayHour[] } | null;
  volts: Volts | null;
  readonly made: YieldMemory;
  paths: Paths;
  readonly leads: BatteryCableMemory;
  posts: { readonly deps: readonly unknown[]; readonly banks: readonly BankSource[] } | null;
  readonly findings: FindingsMemory;
}

export const createMemory = (): Memory => ({
  circuits: new Map(),
  results: [],
  geometries: new Map(),
  loads: new Map(),
  hours: null,
  volts: null,
  made: yieldMemory(),
  paths: {},
  leads: { byId: new Map(), results: [], shared: [] },
  posts: null,
  findings: findingsMemory(),
});

const byId = <T extends { readonly id: string }>(rows: readonly T[]): ReadonlyMap<string, T> => new Map(rows.map((r) => [r.id, r]));

/** Study volts of the first house bank, which hold too for what no bank feeds, and by bank. The same objects while they say the same. */
interface Volts {
  readonly house: StudyVolts;
  readonly by: ReadonlyMap<string, StudyVolts>;
}

function voltsByBank(memory: Memory, design: Design, banks: readonly BankSource[]): Volts {
  const kept = memory.volts;
  const house = share(kept?.house, studyVolts(design, houseBanks(design, banks)[0]));
  const by = new Map(banks.map((b) => [b.bankId, share(kept?.by.get(b.bankId), studyVolts(design, b))]));
  return (memory.volts = { house, by });
}

/**
 * Analyses a whole design. Total: never throws for a design that has passed the schema; what cannot be computed is a finding.
 * @param memory results of the last call for a neighbouring design; unchanged objects are not computed again.
 */
export function analyse(whole: Design, memory: Memory = createMemory()): Analysis {
  const design = asDecided(whole);
  const alone = design.banks.map(bankSource);
  const volts = voltsByBank(memory, design, alone);
  const voltsOf = (bankId: string | undefined): StudyVolts => volts.by.get(bankId ?? '') ?? volts.house;
  const banks = postFaultsOf(memory, design, alone);
  const ordered = circuitOrder(design.circuits);
  const { order, feederOf } = ordered;
  const hours = hoursOf(memory, design);
  const loads = loadsOf(memory, design, hours, voltsOf);
  const asked = rollUpDemand(design, ordered, loads);
  const done = analyseCircuits({ design, memory, banks, voltsOf, hours, loads, order, feederOf, asked });
  const worked = design.circuits.flatMap((c) => done.get(c.id) ?? []);
  const results = worked.map((w) => w.result);
  const circuits = (memory.results = sameParts(memory.results, results) ? memory.results : results);
  const leads = batteryCableResults(design, circuits, banks, memory.leads);
  const paths = (memory.paths = share(memory.paths, pathsOf(design, circuits, leads)));
  const balanced = balance(design, banks, circuits, memory.made.of(withPaths(design, paths)));
  return {
    volts: volts.house,
    banks,
    loads: Array.from(loads.values(), (l) => l.result),
    circuits,
    findings: findingsOf({ design, circuits, worked, leads, needs: balanced.needs, studied: null }, memory.findings),
    balance: balanced,
    paths,
    leads,
  };
}

/** The hours of a day that differ in what is on: the same object while the ways of living say the same. */
function hoursOf(memory: Memory, { living }: Pick<Design, 'living'>): readonly DayHour[] {
  if (memory.hours?.living !== living) memory.hours = { living, hours: share(memory.hours?.hours, dayHours(living)) };
  return memory.hours.hours;
}

/** Banks with all that can feed a fault at their posts: the same objects while nothing of it moves. */
function postFaultsOf(memory: Memory, design: Design, alone: readonly BankSource[]): readonly BankSource[] {
  const deps = partsRead(design, POST_FAULT_READS);
  if (!memory.posts || !sameParts(memory.posts.deps, deps))
    memory.posts = { deps, banks: share(memory.posts?.banks, withPostFaults(design, alone)) };
  return memory.posts.banks;
}

/** A circuit of the last analysis beside what it was worked out from; undefined where there is none of that id. */
export const workedCircuit = (memory: Memory, circuitId: string): WorkedCircuit | undefined => memory.circuits.get(circuitId)?.worked;

/** From the bank to a circuit, the circuit last, each beside what it was worked out from; empty where there is none of that id. */
export function workedPath(memory: Memory, circuitId: string): WorkedCircuit[] {
  const last = workedCircuit(memory, circuitId);
  if (!last) return [];
  const before = last.trial.input.upstream.chain.flatMap((id) => workedCircuit(memory, id) ?? []);
  return [...before, last];
}

/** Every load in its row's order, at the volts of the bank that feeds it: the same objects while they say the same. */
function loadsOf(
  memory: Memory,
  design: Design,
  hours: readonly DayHour[],
  voltsOf: (bankId: string | undefined) => StudyVolts,
): ReadonlyMap<string, KeptLoad> {
  const fedBy = bankOfLoads(design);
  const serving = servingOf(design.circuits).loads;
  const loads = new Map<string, KeptLoad>();
  for (const load of design.loads) {
    const volts = voltsOf(fedBy.get(load.id));
    const circuitId = serving.get(load.id)?.id ?? null;
    const before = memory.loads.get(load.id);
    const same = before?.load === load && before.volts === volts ? before : undefined;
    if (same?.hours === hours && same.result.circuitId === circuitId) {
      loads.set(load.id, same);
      continue;
    }
    const current = same?.current ?? loadCurrent(load, volts);
    const result = { id: load.id, current, volts, circuitId };
    loads.set(load.id, { ...loadDemand(load, current, hours, before), volts, hours, result });
  }
  return (memory.loads = loads);
}

interface Scene {
  readonly design: Design;
  readonly memory: Memory;
  readonly banks: readonly BankSource[];
  readonly voltsOf: (bankId: string | undefined) => StudyVolts;
  readonly hours: readonly DayHour[];
  readonly loads: ReadonlyMap<string, LoadDemand>;
  readonly order: readonly Circuit[];
  readonly feederOf: ReadonlyMap<string, Circuit>;
  readonly asked: DemandRollUp;
}

const NOTHING: readonly never[] = [];

/** Top down: each circuit behind what stands before it. */
function analyseCircuits(scene: Scene): ReadonlyMap<string, WorkedCircuit> {
  const { design, memory, banks, voltsOf, hours, loads, order, feederOf, asked } = scene;
  const { boat, house } = design;
  const panels = byId(design.panels);
  const places = byId(design.places);
  const results = new Map<string, WorkedCircuit>();
  const below = new Map<string, Upstream>();
  /** What stands before the ways of a bank or panel: one object for all of them. */
  const starts = new Map<string, Upstream>();
  const upstreamOf = (c: Circuit): Upstream => {
    const key = `${c.from.kind} ${c.from.id}`;
    let upstream = starts.get(key);
    if (!upstream) starts.set(key, (upstream = startOf(c)));
    return upstream;
  };
  const startOf = (c: Circuit): Upstream => {
    if (c.from.kind === 'bank') {
      const at = design.banks.findIndex((b) => b.id === c.from.id);
      const place = places.get(design.banks[at]?.placeId ?? '') ?? null;
      return { ...NOWHERE, bank: banks[at] ?? null, bankDemandA: asked.bankDemandA.get(c.from.id) ?? 0, place, atBank: true };
    }
    const feeder = feederOf.get(c.from.id);
    const via = feeder && below.get(`${feeder.id}:${c.from.id}`);
    const place = places.get(panels.get(c.from.id)?.placeId ?? '') ?? null;
    // The bank's demand may move without the feeder's own result moving: it is taken afresh.
    return via ? { ...via, place, bankDemandA: asked.bankDemandA.get(via.bank?.bankId ?? '') ?? 0 } : { ...NOWHERE, place };
  };
  // Of the design only what runs go by: what is kept of it must not keep the rest.
  const lies = { places: design.places, boat, house };
  // Gathered for one circuit after another, and copied only where they have moved.
  const deps: unknown[] = [];
  const drift: number[] = [];
  for (const circuit of order) {
    const upstream = upstreamOf(circuit);
    const drawn = circuit.taps.map((t) => (t.serves.kind === 'load' ? (loads.get(t.serves.id) ?? null) : null));
    const served: Served = {
      loads: drawn.map((d) => d && d.load),
      panels: circuit.taps.map((t) => (t.serves.kind === 'panel' ? (panels.get(t.serves.id) ?? null) : null)),
    };
    const panel = circuit.from.kind === 'panel' ? (panels.get(circuit.from.id) ?? null) : null;
    const lay = runGeometry(
      { design: lies, circuit, start: upstream.place, served, from: panel },
      places,
      memory.geometries.get(circuit.id),
    );
    memory.geometries.set(circuit.id, lay);
    const feeds = served.panels.some((p) => p !== null);
    const surges = feeds ? circuit.taps.map((t) => (t.serves.kind === 'panel' ? (asked.surge.get(t.serves.id) ?? null) : null)) : NOTHING;
    const volts = voltsOf(upstream.bank?.bankId);
    deps.length = 0;
    deps.push(circuit, house, boat, volts, hours, panel, upstream.bank, upstream.place, upstream.atBank);
    deps.push(upstream.coldOhm, upstream.faultHotOhm, upstream.feederRatingA);
    for (const list of [lay.passes, lay.lengths, served.loads, served.panels, upstream.chain]) for (const x of list) deps.push(x);
    for (const s of surges) deps.push(s?.addsA, s?.seconds, s?.name);
    if (feeds)
      for (const t of circuit.taps)
        if (t.serves.kind === 'panel') for (const item of asked.items.get(t.serves.id) ?? NOTHING) deps.push(item);
    // Only a start is computed from the sagged posts.
    const surging = surges.some(Boolean) || drawn.some((d) => d?.load.surgeA != null);
    drift.length = 0;
    const items = feeds ? NOTHING : drawn.map((d) => d && d.item);
    const workingA = items.reduce((sum, i) => sum + (i?.currentA ?? 0), 0);
    const lost = lostBefore({ isFeeder: feeds, items, workingA }, upstream);
    if (feeds) drift.push(...upstream.lostV);
    else drift.push(lost.volts);
    drift.push(upstream.hotOhm, surging ? upstream.bankDemandA : 0);
    const kept = memory.circuits.get(circuit.id);
    const known = kept && sameParts(kept.deps, deps) ? kept : undefined;
    const still = known && sameParts(known.drift, drift);
    const again = known && (still ? known.worked : analyseAgain(known.worked, upstream, lost));
    const worked =
      again ??
      analyseCircuit(
        gather(
          circuit,
          upstream,
          volts,
          panel,
          served,
          drawn,
          lay,
          feeds
            ? circuit.taps.map((t, i) => {
                const load = drawn[i];
                return t.serves.kind === 'panel' ? (asked.items.get(t.serves.id) ?? []) : load ? [load.item] : [];
              })
            : NOTHING,
          surges,
        ),
      );
    if (!still) memory.circuits.set(circuit.id, { deps: known?.deps ?? deps.slice(), drift: drift.slice(), worked });
    results.set(circuit.id, worked);
    served.panels.forEach((p, i) => {
      const own = worked.result.below[i];
      if (p && own) below.set(`${circuit.id}:${p.id}`, own);
    });
  }
  for (const id of memory.circuits.keys())
    if (!results.has(id)) {
      memory.circuits.delete(id);
      memory.geometries.delete(id);
    }
  return results;

  function gather(
    circuit: Circuit,
    upstream: Upstream,
    volts: StudyVolts,
    panel: Gathered['panel'],
    served: Served,
    drawn: readonly (LoadDemand | null)[],
    lay: RunGeometry,
    downstream: Gathered['downstream'],
    belowSurge: Gathered['belowSurge'],
  ): Gathered {
    return {
      circuit,
      house,
      school: boat.ruleSet,
      volts,
      upstream,
      panel,
      places: lay.passes,
      lengths: circuit.taps.map((tap, i) => ({ estimatedM: lay.lengths[i] ?? 0, lengthM: tap.tapedM ?? lay.lengths[i] ?? 0 })),
      loads: served.loads,
      currents: drawn.map((d) => d && d.current),
      items: drawn.map((d) => d && d.item),
      hours,
      panels: served.panels,
      names: circuit.taps.map((t, i) => served.loads[i]?.name ?? served.panels[i]?.name ?? places.get(t.serves.id)?.name ?? '?'),
      downstream,
      belowSurge,
    };
  }
}
