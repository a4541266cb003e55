/** The window's line to the analysis worker: the newest design wins, older ones are skipped; a worker that fails is replaced, and what stays wrong is said. */
import type { Remote } from 'comlink';
import type { Analysis } from '@/core';
import { withAnalysisDelta } from '@/core/analysis';
import { deltaOf, type Design } from '@/core/design';
import type { AnalysisApi } from '@/workers/analysis.worker';
import { Answers } from './answers';
import { employ, type Employed } from './employ';

export interface Figures {
  readonly analysis: Analysis;
  /** The design the analysis is of. */
  readonly of: Design;
  /** The revision of the boat when that design was handed in. */
  readonly revision: number;
  /** What went wrong, twice in a row; null while all is well. */
  readonly trouble: string | null;
  /** When the oldest design that is not analysed yet was handed in, ms of the clock; null while the figures are of the newest. */
  readonly behindSince: number | null;
}

/** An update that takes longer than this is a worker that hangs. */
const UPDATE_PATIENCE_MS = 20_000;
const QUESTION_PATIENCE_MS = 120_000;
/** After so many failures in a row only a new design or a person tries again. */
const TRIES = 2;

const makeWorker = (): Worker => new Worker(new URL('../../workers/analysis.worker.ts', import.meta.url), { type: 'module' });

export interface Waiting {
  readonly make?: () => Worker;
  readonly updatePatienceMs?: number;
  readonly questionPatienceMs?: number;
}

export class Analyser {
  /** Questions about the design as last analysed. */
  readonly answers = new Answers(this);
  private worker: Employed<AnalysisApi> | null = null;
  private newest: Design | null = null;
  private revision: number;
  private wanted: Design | null = null;
  private wantedSince = 0;
  private running = false;
  private failures = 0;
  /** The design the worker has, and what it has told of its analysis. */
  private told: Design | null = null;
  private heard: Analysis | null = null;
  private readonly listeners = new Set<() => void>();
  private state: Figures;

  constructor(
    first: { readonly analysis: Analysis; readonly design: Design; readonly revision: number },
    private readonly how: Waiting = {},
  ) {
    const { analysis, design: of, revision } = first;
    this.revision = revision;
    this.state = { analysis, of, revision, trouble: null, behindSince: null };
  }

  readonly figures = (): Figures => this.state;
  /** Whether the worker has a design to be asked about. */
  readonly ready = (): boolean => this.heard !== null;
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  start(): () => void {
    this.worker = employ<AnalysisApi>(this.how.make ?? makeWorker);
    if (this.wanted) void this.run();
    return () => {
      const { worker } = this;
      this.worker = null;
      worker?.end();
      this.told = this.heard = null;
      this.wanted = this.newest;
    };
  }

  /** Takes in the design as it is now; the same design again asks nothing. @param revision the boat's, without what is not saved yet. */
  analyse(design: Design, revision: number): void {
    this.revision = revision;
    if (design === this.newest) return;
    if (this.wanted === null) this.wantedSince = Date.now();
    this.newest = this.wanted = design;
    if (this.state.behindSince === null && design !== this.state.of) this.set({ behindSince: this.wantedSince });
    void this.run();
  }

  /** Tries again what failed. */
  retry(): void {
    this.failures = 0;
    this.wanted = this.newest;
    this.answers.forgetTroubles();
    void this.run();
  }

  /** One question to the worker about the design it has. Rejects with what went wrong, where it may after a second try in a new worker. */
  async ask<T>(question: (remote: Remote<AnalysisApi>) => Promise<T>, mayReplace = true): Promise<T> {
    for (let tries = mayReplace ? 1 : TRIES; ; tries++) {
      const { worker } = this;
      if (!worker) throw new Error('the worker has ended');
      try {
        return await worker.call(question, this.how.questionPatienceMs ?? QUESTION_PATIENCE_MS);
      } catch (error) {
        if (this.worker === null || tries >= TRIES) throw error;
        // Another call may have replaced it already.
        if (this.worker === worker) this.replace();
        await this.run();
        if (this.told === null) throw error;
      }
    }
  }

  private replace(): void {
    this.worker?.end();
    this.worker = employ<AnalysisApi>(this.how.make ?? makeWorker);
    this.told = this.heard = null;
    this.wanted = this.newest;
  }

  private pending: Promise<void> = Promise.resolve();

  private run(): Promise<void> {
    if (this.running || !this.worker) return this.pending;
    this.running = true;
    return (this.pending = this.work().finally(() => (this.running = false)));
  }

  private async work(): Promise<void> {
    while (this.wanted && this.worker) {
      const { worker, wanted: design, revision } = this;
      this.wanted = null;
      try {
        const delta = deltaOf(this.told, design);
        this.told = design;
        const news = await worker.call((r) => r.update(delta), this.how.updatePatienceMs ?? UPDATE_PATIENCE_MS);
        // A worker that was replaced meanwhile has nothing more to say.
        if (this.worker !== worker) continue;
        this.heard = withAnalysisDelta(this.heard, news);
        this.failures = 0;
        const newer: Design | null = this.wanted;
        this.set({ analysis: this.heard, of: design, revision, trouble: null, behindSince: newer ? this.wantedSince : null });
        this.answers.renew();
      } catch (error) {
        if (this.worker === worker) this.failed(error);
      }
    }
  }

  private failed(error: unknown): void {
    this.failures++;
    this.replace();
    if (this.failures < TRIES) return;
    this.wanted = null;
    this.set({ trouble: error instanceof Error ? error.message : String(error) });
  }

  private set(change: Partial<Figures>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}
