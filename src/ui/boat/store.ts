/** One boat in this window: the server's design, the edits on their way to it, and what the screen shows. Nothing typed is lost on the way. */
import { createStore, type StoreApi } from 'zustand/vanilla';
import { applyEdit, type Conflict, type Design, type Edit, ofWholeMachines, type Op, type ReadProblem, share } from '@/core/design';

export interface Notice {
  readonly id: number;
  readonly tone: 'said' | 'refused';
  readonly text: string;
}

/** An edit of ours that met another value; it waits for its author to choose. */
export interface Clash {
  readonly edit: Edit;
  readonly conflicts: readonly Conflict[];
}

export interface BoatState {
  readonly design: Design;
  readonly revision: number;
  readonly pending: number;
  readonly link: 'saved' | 'saving' | 'offline';
  readonly undo: string | null;
  readonly redo: string | null;
  readonly clashes: readonly Clash[];
  readonly notice: Notice | null;
}

export interface Initial {
  readonly id: string;
  readonly revision: number;
  readonly design: Design;
  readonly undo: string | null;
  readonly redo: string | null;
}

interface EditRecord {
  readonly revision: number;
  readonly editId: string;
  readonly label: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  readonly ops: Op[];
  readonly undo: string | null;
  readonly redo: string | null;
}

interface Waiting {
  readonly edit: Edit;
  readonly force: boolean;
}

const RETRY_MS = 1500;

export class BoatStore {
  private base: Design;
  private stepping: Promise<void> = Promise.resolve();
  private waiting: Waiting[] = [];
  private preview: readonly Op[] | null = null;
  /** Resolves when what waits has been sent, or the server has gone away; null while nothing is under way. */
  private sending: Promise<void> | null = null;
  private noticeCount = 0;
  private readonly seen = new Set<string>();
  /** What the screen shows, for selectors. */
  readonly state: StoreApi<BoatState>;
  private readonly url: string;
  private stream: EventSource | null = null;
  /** Each window keeps its own outbox. */
  private readonly window = Math.random().toString(36).slice(2);

  constructor(private readonly initial: Initial) {
    this.url = `/api/boats/${initial.id}`;
    this.base = initial.design;
    this.state = createStore<BoatState>(() => ({
      design: initial.design,
      revision: initial.revision,
      pending: 0,
      link: 'saved',
      undo: initial.undo,
      redo: initial.redo,
      clashes: [],
      notice: null,
    }));
  }

  get boatId(): string {
    return this.initial.id;
  }
  readonly snapshot = (): BoatState => this.state.getState();
  readonly subscribe = (listener: () => void): (() => void) => this.state.subscribe(listener);

  /** Starts listening to the other windows and sends what an earlier visit could not. */
  open(): () => void {
    this.adopt();
    this.stream = new EventSource(`${this.url}/events?since=${this.snapshot().revision}`);
    this.stream.onmessage = (message) => this.receive(JSON.parse(message.data as string) as EditRecord);
    return () => this.stream?.close();
  }

  /** Makes an edit: shown at once, sent in order, kept until the server has it. */
  edit(label: string, ops: readonly (Op | undefined)[]): void {
    const asked = ops.filter((op) => op !== undefined);
    this.preview = null;
    if (asked.length === 0) return this.show();
    const real = [...ofWholeMachines(this.snapshot().design, asked)];
    this.queue({ edit: { id: crypto.randomUUID(), label: label.slice(0, 200), ops: real }, force: false });
  }

  /** Shows what an unfinished entry would do, without making it. null takes it back. */
  look(ops: readonly Op[] | null): void {
    if (ops === null && this.preview === null) return;
    this.preview = ops;
    this.show();
  }

  /** The author has seen both values of a clash: keeps their own, or takes the other. */
  settle(clash: Clash, keepMine: boolean): void {
    this.set({ clashes: this.snapshot().clashes.filter((c) => c !== clash) });
    if (keepMine) this.queue({ edit: { ...clash.edit, id: crypto.randomUUID() }, force: true });
  }

  /** One step after another, however fast the keys: each is told of what the one before has left. */
  step(step: 'undo' | 'redo'): Promise<void> {
    const done = this.stepping.then(() => this.stepNow(step));
    this.stepping = done.catch(() => undefined);
    return done;
  }

  private async stepNow(step: 'undo' | 'redo'): Promise<void> {
    await this.sentOrAway();
    const answer = await this.post('history', { step, id: crypto.randomUUID() });
    if (!answer) return this.say('refused', 'The server does not answer. Try again when it is back.');
    if (answer.ok) {
      const record = (await answer.json()) as EditRecord;
      this.seen.add(record.editId);
      this.receive(record, { notice: this.notice('said', `${step === 'undo' ? 'Taken back' : 'Put back'}: ${record.label}`) });
    } else this.say('refused', step === 'undo' ? 'Nothing left to take back.' : 'Nothing left to put back.');
  }

  /** Resolves once nothing waits any more, or the server has gone away. */
  private sentOrAway(): Promise<void> {
    const settled = () => this.waiting.length === 0 || this.snapshot().link === 'offline';
    if (settled()) return Promise.resolve();
    return new Promise((resolve) => {
      const stop = this.subscribe(() => {
        if (!settled()) return;
        stop();
        resolve();
      });
    });
  }

  say(tone: Notice['tone'], text: string): void {
    this.set({ notice: this.notice(tone, text) });
  }

  /** Takes over what windows of this boat could not send before they were closed. An edit sent by two is applied once. */
  private adopt(): void {
    try {
      const keys = Object.keys(localStorage).filter((key) => key.startsWith(`solenix-outbox-${this.initial.id}-`) && key !== this.outbox);
      const kept = keys.flatMap((key) => JSON.parse(localStorage.getItem(key) ?? '[]') as Waiting[]);
      for (const key of keys) localStorage.removeItem(key);
      if (kept.length === 0) return;
      this.waiting = [...kept, ...this.waiting];
      this.keep();
      this.show();
      void this.send();
    } catch {
      // Unreadable leavings of another version: nothing that could be sent.
    }
  }

  private get outbox(): string {
    return `solenix-outbox-${this.initial.id}-${this.window}`;
  }

  private queue(waiting: Waiting): void {
    this.waiting = [...this.waiting, waiting];
    this.keep();
    this.show({ link: this.snapshot().link === 'offline' ? 'offline' : 'saving' });
    void this.send();
  }

  private keep(): void {
    try {
      if (this.waiting.length > 0) localStorage.setItem(this.outbox, JSON.stringify(this.waiting));
      else localStorage.removeItem(this.outbox);
    } catch {
      // A full or forbidden store only loses the safety net, not the edit.
    }
  }

  private send(): Promise<void> {
    return (this.sending ??= this.sendAll().finally(() => (this.sending = null)));
  }

  private async sendAll(): Promise<void> {
    for (let next = this.waiting[0]; next; next = this.waiting[0]) {
      const answer = await this.post('edits', next);
      if (!answer || answer.status >= 500) {
        this.set({ link: 'offline' });
        await new Promise((r) => setTimeout(r, RETRY_MS));
        continue;
      }
      const body = (await answer.json().catch(() => ({}))) as EditRecord & {
        error?: string;
        conflicts?: Conflict[];
        problems?: ReadProblem[];
      };
      this.waiting = this.waiting.filter((w) => w !== next);
      this.keep();
      const link = this.waiting.length > 0 ? ('saving' as const) : ('saved' as const);
      if (answer.ok) this.receive(body, { link });
      else if (body.conflicts) {
        this.set({ link, clashes: [...this.snapshot().clashes, { edit: next.edit, conflicts: body.conflicts }] });
        await this.reload();
      } else this.show({ link, notice: this.notice('refused', `Not taken: ${next.edit.label}. ${body.error ?? 'the server refused it'}`) });
    }
  }

  private async post(route: string, body: unknown): Promise<Response | null> {
    try {
      return await fetch(`${this.url}/${route}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      });
    } catch {
      return null;
    }
  }

  private async reload(): Promise<void> {
    const answer = await fetch(this.url).catch(() => null);
    if (!answer?.ok) return;
    const fresh = (await answer.json()) as Initial;
    // An answer that was long on its way is older than what has come meanwhile.
    if (fresh.revision < this.snapshot().revision) return;
    this.base = fresh.design;
    this.show({ revision: fresh.revision, undo: fresh.undo, redo: fresh.redo });
  }

  /** Takes in an applied edit, ours or another window's. @param change what else is told with it. */
  private receive(record: EditRecord, change: Partial<BoatState> = {}): void {
    const { revision } = this.snapshot();
    if (record.revision <= revision) return this.show(change);
    if (record.revision > revision + 1) {
      this.set(change);
      void this.reload();
      return;
    }
    const ours = this.waiting.some((w) => w.edit.id === record.editId) || this.seen.has(record.editId);
    this.seen.add(record.editId);
    const next = applyEdit(this.base, { ops: record.ops }, true);
    if (next.ok) this.base = next.design;
    this.waiting = this.waiting.filter((w) => w.edit.id !== record.editId);
    this.keep();
    const notice = ours || this.sending ? {} : { notice: this.notice('said', `Changed in another window: ${record.label}`) };
    this.show({ revision: record.revision, undo: record.undo, redo: record.redo, ...notice, ...change });
  }

  /** The screen's design: the server's, with our waiting edits and the unfinished entry on top. What says the same stays the same object. */
  private show(change: Partial<BoatState> = {}): void {
    let design = this.base;
    for (const { edit } of this.waiting) {
      const next = applyEdit(design, edit, true);
      if (next.ok) design = next.design;
    }
    if (this.preview) {
      const next = applyEdit(design, { ops: [...this.preview] }, true);
      if (next.ok) design = next.design;
    }
    this.set({ ...change, design: share(this.snapshot().design, design), pending: this.waiting.length });
  }

  private notice(tone: Notice['tone'], text: string): Notice {
    return { id: ++this.noticeCount, tone, text };
  }

  /** Tells what changed, and nothing where nothing did. */
  private set(change: Partial<BoatState>): void {
    const now = this.snapshot();
    if (Object.entries(change).some(([key, value]) => now[key as keyof BoatState] !== value)) this.state.setState(change);
  }
}
