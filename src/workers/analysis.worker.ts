/** The analysis off the pointer's thread: keeps the last results, sends only circuits that changed. */
import { expose } from 'comlink';
import {
  analyse,
  circuitWorking,
  createMemory,
  cutList,
  listsOf,
  whatIfItGrows,
  loadWorking,
  needWorking,
  type Analysis,
  type CircuitResult,
  type CutList,
  type Finding,
  type Growth,
  type GrowthLine,
  type Lists,
  type Working,
} from '@/core';
import { benchOf } from '@/core/circuitResult';
import { dutyTrace, type DutyPoint } from '@/core/conductor/duty';
import { asDecided, asFoundDesign, withDelta, type Delta, type Design } from '@/core/design';
import { scratch, type ScratchResult } from '@/core/scratch';

export type Selected = { readonly kind: 'circuit' | 'load' | 'need'; readonly id: string };

export interface DutyChart {
  readonly points: readonly DutyPoint[];
  readonly ratingC: number;
  readonly peakC: number;
  /** For ever at this current, degC. */
  readonly steadyC: number;
  readonly amps: number;
  readonly equalA: number;
}

/** An analysis with only the circuits that differ from the last one sent. */
export interface Update {
  readonly rest: Omit<Analysis, 'circuits'>;
  readonly order: readonly string[];
  readonly changed: readonly CircuitResult[];
}

const memory = createMemory();
let design: Design | null = null;
let analysis: Analysis | null = null;
let sent = new Map<string, CircuitResult>();

const api = {
  update(delta: Delta): Update {
    design = withDelta(design, delta);
    analysis = analyse(design, memory);
    const { circuits, ...rest } = analysis;
    const changed = circuits.filter((c) => sent.get(c.id) !== c);
    sent = new Map(circuits.map((c) => [c.id, c]));
    return { rest, order: circuits.map((c) => c.id), changed };
  },
  working(selected: Selected): Working | null {
    if (!design || !analysis) return null;
    const units = design.boat;
    if (selected.kind === 'circuit') {
      const result = analysis.circuits.find((c) => c.id === selected.id);
      return (result && circuitWorking(result, units)) ?? null;
    }
    if (selected.kind === 'load') return loadWorking(design, analysis, selected.id, units) ?? null;
    return needWorking(design, analysis, selected.id, units);
  },
  cutList: (): CutList | null => (design && analysis ? cutList(asDecided(design), analysis.circuits) : null),
  lists: (): Lists | null => (design && analysis ? listsOf(design, analysis.circuits) : null),
  /** What would be found in the boat as she was found. */
  before: (): readonly Finding[] | null => (design ? analyse(asFoundDesign(design)).findings : null),
  grow: (growth: Growth): readonly GrowthLine[] | null => (design ? whatIfItGrows(design, growth) : null),
  /** A scratch line answered with this boat's rules, units, bank and places. */
  scratch: (line: string): ScratchResult | null => (design ? scratch(line, design, design.boat.ruleSet) : null),
  /** Temperature through the duty of a circuit's conductor; null where its load runs on and on. */
  duty(circuitId: string): DutyChart | null {
    const result = analysis?.circuits.find((c) => c.id === circuitId);
    const b = result && benchOf(result);
    if (!result || !b?.input.duty) return null;
    const { state } = result.own;
    const { derating, izA } = state.heat;
    const steadyC = derating.ambientC + (derating.ratingC - derating.ambientC) * (b.designA / izA) ** 2;
    return {
      points: dutyTrace(b.input.duty, state.conductor.areaMm2, derating.ambientC, steadyC - derating.ambientC),
      ratingC: derating.ratingC,
      peakC: state.heat.tempC,
      steadyC,
      amps: b.designA,
      equalA: state.heat.dutyA,
    };
  },
};

export type AnalysisApi = typeof api;
expose(api);
