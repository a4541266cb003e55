/** A study answered: volts at every load, what falls out of its band, heat in every run, and what would cure it (docs/methods.md, M6). */
import type { CircuitResult } from '../circuit';
import { type Design, type Load, type Study, rowOf, madeForV } from '../design';
import { CONDUCTORS, SEGMENT_JOINTS_OHM } from '../rules';
import { upFrom, servingOf } from '../topology';
import { flowOneWay } from './oneWay';
import { type Collapse, type Flow, flowOf, type NetRefusal, prepare, type Prepared } from '../solve';
import { type Analysed, type Hands, STARTER, type System, systemOf, type Turning } from './system';

export interface StudyLoad {
  readonly id: string;
  readonly name: string;
  readonly starting: boolean;
  /** NaN where it is dead. */
  readonly volts: number;
  readonly amps: number;
  /** Least it works at, and whether its maker says so. */
  readonly minV: number;
  readonly minIsMakers: boolean;
  readonly falls: boolean;
}

export interface StudyRun {
  readonly circuitId: string;
  readonly name: string;
  /** Largest current in it, A, and volts lost in it on both rails. */
  readonly amps: number;
  readonly dropV: number;
  readonly heatW: number;
}

/** A conductor of the main side. */
export interface StudyLead {
  readonly leadId: string;
  readonly name: string;
  readonly amps: number;
  readonly dropV: number;
  readonly heatW: number;
}

export interface StudyBank {
  readonly id: string;
  readonly name: string;
  readonly restV: number;
  readonly postsV: number;
  /** Out of it, A; below zero it is charged. */
  readonly amps: number;
}

export interface Cure {
  readonly loadId: string;
  readonly circuitId: string;
  readonly name: string;
  readonly size: string;
  readonly volts: number;
}

export interface StudyAnswer {
  readonly loads: readonly StudyLoad[];
  readonly runs: readonly StudyRun[];
  readonly leads: readonly StudyLead[];
  /** Volts of every node against the first bank's negative; NaN where it is dead. */
  readonly nodes: Readonly<Record<string, number>>;
  readonly banks: readonly StudyBank[];
  readonly sources: readonly { readonly id: string; readonly name: string; readonly amps: number }[];
  readonly heatW: number;
  readonly collapse: Collapse | null;
  readonly refusals: readonly NetRefusal[];
  /** Loads asked for that stand on no circuit, or behind something open. */
  readonly cutOff: readonly string[];
  /** For the load that falls furthest: the one run that, made heavier, brings it back; null where none alone does. */
  readonly cure: Cure | null;
}

/** Least volts of a load: its maker's, else the house rule for starts, of the nominal volts it is made for. */
export const leastV = (design: Design, load: Load): number => load.minV ?? (madeForV(load.nominalV) * design.house.surgeVoltsPct) / 100;

/** @param analysed results of this process, not copies. */
export function runStudy(design: Design, analysed: Analysed, study: Study & Turning, hands: Hands | null = null): StudyAnswer {
  const { circuits } = analysed;
  const system = systemOf(design, analysed, study, hands);
  const p = prepare(system.network);
  const flow = flowOneWay(p, [...system.diodes.keys()]);
  const loads = system.network.loads.flatMap(({ id }, i): StudyLoad[] => {
    const volts = flow.loadV[i] ?? NaN;
    if (id === STARTER) {
      const minV = design.engine.crankMinV;
      const falls = Number.isNaN(volts) || volts < minV - 1e-9;
      return [{ id, name: 'Starter', starting: false, volts, amps: flow.loadA[i] ?? 0, minV, minIsMakers: true, falls }];
    }
    const load = rowOf(design.loads, id);
    if (!load) return [];
    const minV = leastV(design, load);
    return [
      {
        id,
        name: load.name,
        starting: study.loads[id] === 'start' && load.surgeA !== null,
        volts,
        amps: flow.loadA[i] ?? 0,
        minV,
        minIsMakers: load.minV !== null,
        falls: Number.isNaN(volts) || volts < minV - 1e-9,
      },
    ];
  });
  const worst = loads.filter((l) => l.falls && !Number.isNaN(l.volts)).sort((a, b) => a.volts - a.minV - (b.volts - b.minV))[0];
  return {
    loads,
    runs: runsOf(design, system, p, flow),
    leads: leadsOf(design, p, flow),
    nodes: Object.fromEntries([...p.index].map(([node, i]) => [node, flow.volts[i] ?? NaN])),
    banks: design.banks.map((b, i) => ({
      id: b.id,
      name: b.name,
      restV: p.emfV[i] ?? NaN,
      postsV: (p.emfV[i] ?? NaN) - (flow.bankA[i] ?? 0) / (p.bankS[i] ?? NaN),
      amps: flow.bankA[i] ?? 0,
    })),
    sources: system.network.sources.map((s, i) => ({
      id: s.id,
      name: rowOf(design.sources, s.id)?.name ?? '',
      amps: flow.sourceA[i] ?? 0,
    })),
    heatW: flow.heatW + diodeHeatW(system, p, flow),
    collapse: flow.collapse,
    refusals: p.refusals,
    cutOff: system.cutOff,
    cure: worst && !flow.collapse ? cureFor(design, circuits, system, p, flow, worst) : null,
  };
}

const diodeHeatW = ({ diodes }: System, p: Prepared, flow: Flow): number =>
  p.network.branches.reduce((sum, b, i) => sum + (diodes.get(b.id) ?? 0) * Math.abs(flow.branchA[i] ?? 0), 0);

function leadsOf(design: Design, p: Prepared, flow: Flow): StudyLead[] {
  const at = new Map(p.network.branches.map((b, i) => [b.id, i]));
  return design.leads.flatMap((l): StudyLead[] => {
    const i = at.get(`lead ${l.id}`);
    if (i === undefined) return [];
    const amps = Math.abs(flow.branchA[i] ?? 0);
    const dropV = amps / (p.siemens[i] ?? Infinity);
    return [{ leadId: l.id, name: l.name, amps, dropV, heatW: amps * dropV }];
  });
}

function runsOf(design: Design, system: System, p: Prepared, flow: Flow): StudyRun[] {
  const at = new Map(p.network.branches.map((b, i) => [b.id, i]));
  return design.circuits.flatMap((c): StudyRun[] => {
    const ids = system.runs.get(c.id);
    if (!ids) return [];
    let [amps, heatW, dropV] = [0, 0, 0];
    for (const id of ids) {
      const i = at.get(id) ?? -1;
      const a = Math.abs(flow.branchA[i] ?? 0);
      const ohm = 1 / (p.siemens[i] ?? Infinity);
      amps = Math.max(amps, a);
      heatW += a * a * ohm;
      dropV += a * ohm;
    }
    return [{ circuitId: c.id, name: `${c.no} ${c.name}`.trim(), amps, dropV, heatW }];
  });
}

/** Joints of a segment on one rail, ohm. */
const JOINTS_OHM = SEGMENT_JOINTS_OHM / 2;

/** One run of its path after another made heavier, size by size, the one that loses most first. */
function cureFor(
  design: Design,
  circuits: readonly CircuitResult[],
  system: System,
  p: Prepared,
  flow: Flow,
  load: StudyLoad,
): Cure | null {
  const runs = new Map(runsOf(design, system, p, flow).map((r) => [r.circuitId, r]));
  const index = p.network.loads.findIndex((l) => l.id === load.id);
  const own = servingOf(design.circuits).loads.get(load.id);
  const path = upFrom(design.circuits, own?.id).map((c) => c.id);
  const byLoss = path.sort((a, b) => (runs.get(b)?.dropV ?? 0) - (runs.get(a)?.dropV ?? 0));
  for (const circuitId of byLoss) {
    const state = rowOf(circuits, circuitId)?.own.state;
    if (!state) continue;
    const copper = p.network.branches.flatMap((b, i) => (b.id.startsWith(`${circuitId}/`) && b.id !== `${circuitId}/head` ? [i] : []));
    const before = copper.map((i) => p.siemens[i] ?? 0);
    const { conductor, candidate } = state;
    const heavier = CONDUCTORS[design.boat.ruleSet].filter((c) => c.areaMm2 > conductor.areaMm2 * candidate.legs + 1e-9);
    for (const size of heavier) {
      const times = (size.r20OhmPerKm * candidate.legs) / conductor.r20OhmPerKm;
      // Its joints stay as they are.
      copper.forEach((i, k) => (p.siemens[i] = 1 / (JOINTS_OHM + Math.max(0, 1 / (before[k] ?? 0) - JOINTS_OHM) * times)));
      const again = flowOf(p, flow.departure);
      const volts = again.loadV[index] ?? NaN;
      copper.forEach((i, k) => (p.siemens[i] = before[k] ?? 0));
      if (!again.collapse && volts >= load.minV)
        return { loadId: load.id, circuitId, name: runs.get(circuitId)?.name ?? '', size: size.size, volts };
    }
  }
  return null;
}
