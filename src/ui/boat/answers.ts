/** Questions to the worker, each asked once for every design, however many show its answer. */
import type { Remote } from 'comlink';
import type { Analysis } from '@/core';
import { share } from '@/core/design';
import type { AnalysisApi } from '@/workers/analysis.worker';

export type Question<T> = (remote: Remote<AnalysisApi>) => Promise<T>;

export interface Answer {
  /** null: no answer yet. */
  readonly value: unknown;
  /** The analysis it belongs to, and the boat's revision then; null: no answer yet. */
  readonly of: Analysis | null;
  readonly revision: number;
  /** What went wrong with the newest; null: nothing. */
  readonly trouble: string | null;
}

export interface Asking {
  /** Asked only once nothing has changed for so long: for what takes longer than an edit may. */
  readonly restMs?: number;
  /** The sheet itself says which revision the answer is for: it may be old for as long as the work takes. */
  readonly saysItself?: boolean;
}

interface Entry {
  readonly question: Question<unknown>;
  readonly asked: Asking;
  readonly listeners: Set<() => void>;
  answer: Answer;
  asking: boolean;
  timer: ReturnType<typeof setTimeout> | undefined;
  /** Since when its answer is of an older design, ms of the clock; null: it is of the newest. */
  behindSince: number | null;
}

/** What answers: the analyser. */
interface Asked {
  readonly figures: () => { readonly analysis: Analysis; readonly revision: number };
  readonly ready: () => boolean;
  readonly ask: <T>(question: Question<T>, mayReplace: boolean) => Promise<T>;
}

const NOTHING: Answer = { value: null, of: null, revision: 0, trouble: null };

export class Answers {
  private readonly entries = new Map<string, Entry>();
  private readonly watchers = new Set<() => void>();

  constructor(private readonly source: Asked) {}

  readonly answer = (about: string | null): Answer => (about === null ? NOTHING : (this.entries.get(about)?.answer ?? NOTHING));

  /** Watches a question: it is asked now and after every analysis, once nothing has changed for as long as it asks. */
  watch(about: string, question: Question<unknown>, asked: Asking, listener: () => void): () => void {
    const fresh = (): Entry => ({
      question,
      asked,
      listeners: new Set(),
      answer: NOTHING,
      asking: false,
      timer: undefined,
      behindSince: null,
    });
    const entry = this.entries.get(about) ?? fresh();
    this.entries.set(about, entry);
    entry.listeners.add(listener);
    this.schedule(entry);
    return () => void entry.listeners.delete(listener);
  }

  /** After an analysis: what is watched is asked again, what nobody watches is forgotten. */
  renew(): void {
    for (const [about, entry] of this.entries)
      if (entry.listeners.size > 0) this.schedule(entry);
      else {
        clearTimeout(entry.timer);
        this.entries.delete(about);
      }
  }

  forgetTroubles(): void {
    for (const entry of this.entries.values())
      if (entry.answer.trouble !== null) {
        entry.answer = { ...entry.answer, of: null, trouble: null };
        if (entry.listeners.size > 0) this.schedule(entry);
      }
  }

  /** What is watched and failed, by its question; and since when the oldest answer that is shown belongs to an older design. */
  readonly standing = (): { readonly trouble: string | null; readonly behindSince: number | null } => {
    let trouble: string | null = null;
    let behindSince: number | null = null;
    for (const e of this.entries.values()) {
      if (e.listeners.size === 0) continue;
      trouble ??= e.answer.trouble;
      if (e.behindSince !== null && !e.asked.saysItself) behindSince = Math.min(behindSince ?? Infinity, e.behindSince);
    }
    return { trouble, behindSince };
  };
  /** Tells of every change of any answer. */
  readonly subscribe = (listener: () => void): (() => void) => {
    this.watchers.add(listener);
    return () => this.watchers.delete(listener);
  };

  private schedule(entry: Entry): void {
    clearTimeout(entry.timer);
    const { analysis } = this.source.figures();
    // Before the worker has the design there is nobody to ask; its first answer asks.
    if (!this.source.ready() || entry.answer.of === analysis) return;
    if (entry.answer.of !== null) entry.behindSince ??= Date.now();
    if (entry.asked.restMs) entry.timer = setTimeout(() => void this.put(entry), entry.asked.restMs);
    else void this.put(entry);
  }

  private async put(entry: Entry): Promise<void> {
    if (entry.asking) return;
    entry.asking = true;
    const { analysis, revision } = this.source.figures();
    try {
      // What failed for the last design in two workers does not cost a worker at every edit.
      const value = await this.source.ask(entry.question, entry.answer.trouble === null);
      // An answer that says the same is the same object: who shows it need not be drawn again.
      entry.answer = { value: share(entry.answer.value, value), of: analysis, revision, trouble: null };
      entry.behindSince = null;
    } catch (error) {
      entry.answer = { ...entry.answer, of: analysis, trouble: error instanceof Error ? error.message : String(error) };
      entry.behindSince ??= Date.now();
    }
    entry.asking = false;
    this.news.add(entry);
    this.telling ??= setTimeout(() => this.tell(), TELL_MS);
    if (this.source.figures().analysis !== analysis) this.schedule(entry);
  }

  private readonly news = new Set<Entry>();
  private telling: ReturnType<typeof setTimeout> | null = null;

  /** Answers that come close together are shown together. */
  private tell(): void {
    this.telling = null;
    const listeners = new Set([...this.news].flatMap((e) => [...e.listeners]));
    this.news.clear();
    for (const listener of [...listeners, ...this.watchers]) listener();
  }
}

/** About two frames: questions asked together are answered within it. */
const TELL_MS = 30;
