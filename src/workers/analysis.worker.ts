/** The analysis off the pointer's thread: keeps the last results, sends only circuits that changed. */
import { expose } from 'comlink';
import {
  analyse,
  circuitWorking,
  createMemory,
  cutList,
  loadWorking,
  needWorking,
  type Analysis,
  type CircuitResult,
  type CutList,
  type Working,
} from '@/core';
import { share, type Design } from '@/core/design';

export type Selected = { readonly kind: 'circuit' | 'load' | 'need'; readonly id: string };

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
  update(next: Design): Update {
    design = share(design, next);
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
  cutList: (): CutList | null => (design && analysis ? cutList(design, analysis.circuits) : null),
};

export type AnalysisApi = typeof api;
expose(api);
