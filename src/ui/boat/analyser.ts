/** The window's line to the analysis worker: the newest design wins, older ones are skipped. */
import { wrap, type Remote } from 'comlink';
import type { Analysis } from '@/core';
import { withAnalysisDelta } from '@/core/analysisDelta';
import type { Design } from '@/core/design';
import { deltaOf } from '@/core/design/delta';
import type { AnalysisApi } from '@/workers/analysis.worker';

export class Analyser {
  private remote: Remote<AnalysisApi> | null = null;
  private worker: Worker | null = null;
  private wanted: Design | null = null;
  private busy = false;
  /** The design the worker has. */
  private told: Design | null = null;
  /** What the worker has told of its analysis. */
  private heard: Analysis | null = null;
  private readonly listeners = new Set<() => void>();
  private analysis: Analysis;

  constructor(first: Analysis) {
    this.analysis = first;
  }

  readonly snapshot = (): Analysis => this.analysis;
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  start(): () => void {
    this.worker = new Worker(new URL('../../workers/analysis.worker.ts', import.meta.url), { type: 'module' });
    this.remote = wrap<AnalysisApi>(this.worker);
    if (this.wanted) void this.run();
    return () => {
      this.worker?.terminate();
      this.worker = null;
      this.remote = null;
      this.told = null;
      this.heard = null;
      this.busy = false;
    };
  }

  analyse(design: Design): void {
    this.wanted = design;
    if (!this.busy && this.remote) void this.run();
  }

  /** Asks the worker something about the design as last analysed; null while it is not there. */
  async ask<T>(question: (remote: Remote<AnalysisApi>) => Promise<T>): Promise<T | null> {
    return this.remote ? question(this.remote) : null;
  }

  private async run(): Promise<void> {
    this.busy = true;
    while (this.wanted && this.remote) {
      const design = this.wanted;
      this.wanted = null;
      const delta = deltaOf(this.told, design);
      this.told = design;
      this.heard = withAnalysisDelta(this.heard, await this.remote.update(delta));
      this.analysis = this.heard;
      for (const listener of this.listeners) listener();
    }
    this.busy = false;
  }
}
