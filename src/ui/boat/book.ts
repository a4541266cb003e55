/** The records of one boat in this window: what the server has, and what is on its way there. Nothing ticked is lost on the way. */
import { createStore, type StoreApi } from 'zustand/vanilla';
import { type BoatRecord, type KeptRecord, lastMarks, RECORDS_AT_ONCE } from '@/core/design';
import { who } from './who';

export interface BookState {
  /** In the order they came in, what waits last. null: not read yet. */
  readonly records: readonly (BoatRecord & { readonly by: string | null })[] | null;
  readonly marks: ReadonlyMap<string, BoatRecord>;
  /** Rises with every change of what stands here. */
  readonly version: number;
  readonly waiting: number;
  /** Why nothing is taken for now; '': it is. */
  readonly why: string;
}

const RETRY_MS = 1500;
const later = (ms: number) => new Promise((r) => setTimeout(r, ms));
/** Beside the pages that open without a connection, and forgotten with them. */
const KEPT = 'solenix-pages-1';

export class Book {
  readonly state: StoreApi<BookState> = createStore<BookState>(() => ({
    records: null,
    marks: new Map(),
    version: 0,
    waiting: 0,
    why: '',
  }));
  private had: KeptRecord[] = [];
  private waiting: BoatRecord[] = [];
  private sending: Promise<void> | null = null;
  private pulling: Promise<void> | null = null;
  private again = false;
  private readonly url: string;
  private readonly key: string;

  constructor(
    boatId: string,
    private readonly looksOnly: boolean,
  ) {
    this.url = `/api/boats/${boatId}/records`;
    const box = `solenix-records-${boatId}-`;
    this.key = `${box}${Math.random().toString(36).slice(2)}`;
    this.adopt(box);
  }

  /** Writes records; they stand here at once. A device that only looks writes nothing: false. */
  add(rows: readonly Omit<BoatRecord, 'id' | 'at'>[]): boolean {
    if (this.looksOnly) return false;
    const at = Date.now();
    this.waiting.push(...rows.map((r) => ({ ...r, id: crypto.randomUUID(), at })));
    this.keep();
    this.show();
    void this.send();
    return true;
  }

  /** Reads what came in since. */
  pull(): Promise<void> {
    this.again = true;
    return (this.pulling ??= this.pullAll().finally(() => (this.pulling = null)));
  }

  private async pullAll(): Promise<void> {
    while (this.again) {
      this.again = false;
      const answer = await fetch(`${this.url}?since=${this.had.at(-1)?.seq ?? 0}`).catch(() => null);
      if (!answer?.ok) {
        if (this.had.length === 0) await this.fromHere();
        this.show();
        return;
      }
      const { records, more } = (await answer.json()) as { readonly records: readonly KeptRecord[]; readonly more: boolean };
      this.take(records);
      this.again ||= more;
    }
    await this.keepHere();
    this.show();
  }

  private take(records: readonly KeptRecord[]): void {
    const have = new Set(this.had.map((r) => r.id));
    this.had = [...this.had, ...records.filter((r) => !have.has(r.id))].sort((a, b) => a.seq - b.seq);
    const came = new Set(records.map((r) => r.id));
    this.waiting = this.waiting.filter((w) => !came.has(w.id));
    this.keep();
  }

  private send(): Promise<void> {
    return (this.sending ??= this.sendAll().finally(() => (this.sending = null)));
  }

  private async sendAll(): Promise<void> {
    while (this.waiting.length > 0) {
      const some = this.waiting.slice(0, RECORDS_AT_ONCE);
      const answer = await fetch(this.url, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ records: some, by: who() }),
      }).catch(() => null);
      const body = (await answer?.json().catch(() => null)) as { records?: readonly KeptRecord[]; error?: string } | null | undefined;
      if (answer?.ok && body?.records) {
        this.take(body.records);
        this.state.setState({ why: '' });
        this.show();
        void this.keepHere();
        continue;
      }
      // What the server does not take is kept and told: it is tried again, for nothing ticked may vanish.
      this.state.setState({ why: body?.error ?? 'the server does not answer' });
      await later(RETRY_MS);
    }
  }

  /** Takes over what windows of this boat could not send before they were closed. Sent by two, a record stands once. */
  private adopt(box: string): void {
    try {
      for (const key of Object.keys(localStorage).filter((k) => k.startsWith(box))) {
        this.waiting.push(...(JSON.parse(localStorage.getItem(key) ?? '[]') as BoatRecord[]));
        localStorage.removeItem(key);
      }
    } catch {
      // Unreadable leavings of another version: nothing that could be sent.
    }
    this.keep();
    if (this.waiting.length === 0) return;
    this.show();
    void this.send();
  }

  private keep(): void {
    try {
      if (this.waiting.length > 0) localStorage.setItem(this.key, JSON.stringify(this.waiting));
      else localStorage.removeItem(this.key);
    } catch {
      // A full or forbidden store only loses the safety net.
    }
  }

  /** What was read, for when there is no connection. */
  private async keepHere(): Promise<void> {
    if (!('caches' in window)) return;
    const cache = await caches.open(KEPT).catch(() => null);
    await cache?.put(this.url, Response.json(this.had)).catch(() => undefined);
  }

  private async fromHere(): Promise<void> {
    if (!('caches' in window)) return;
    const kept = await caches.match(this.url).catch(() => undefined);
    if (kept) this.take((await kept.json()) as KeptRecord[]);
  }

  private show(): void {
    const records = [...this.had, ...this.waiting.map((w) => ({ ...w, by: who().name }))];
    const before = this.state.getState();
    const same = before.records?.length === records.length && before.records.every((r, i) => r.id === records[i]?.id);
    if (same && before.waiting === this.waiting.length) return;
    this.state.setState({ records, marks: lastMarks(records), version: before.version + 1, waiting: this.waiting.length });
  }
}
