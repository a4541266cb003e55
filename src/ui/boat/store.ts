/** One boat in this window: the server's design, the edits on their way to it, and what the screen shows. Nothing typed is lost on the way. */
import { createStore, type StoreApi } from 'zustand/vanilla';
import { applyEdit, type Conflict, type Design, type Edit, ofWholeMachines, type Op, type ReadProblem, share } from '@/core/design';
import { who } from './who';

export interface Notice {
  readonly id: number;
  readonly tone: 'said' | 'refused';
  readonly text: string;
}

/** An edit of ours that met another value; it waits for its author to choose. */
export interface Clash {
  readonly edit: Edit;
  readonly conflicts: readonly Conflict[];
  /** A step back or forth that met it; null: an edit. */
  readonly step: 'undo' | 'redo' | null;
}

/** An edit the server did not take. It is kept in this browser until its author has decided. */
export interface Held {
  readonly edit: Edit;
  readonly why: string;
}

export interface BoatState {
  readonly design: Design;
  readonly revision: number;
  readonly pending: number;
  readonly link: 'saved' | 'saving' | 'offline';
  /** Why nothing is saved for now. */
  readonly why: string;
  readonly held: readonly Held[];
  readonly undo: string | null;
  readonly redo: string | null;
  readonly clashes: readonly Clash[];
  readonly notice: Notice | null;
  /** Number of the newest of the boat's records the server has told of. */
  readonly recorded: number;
}

export interface Initial {
  readonly id: string;
  readonly revision: number;
  readonly design: Design;
  readonly undo: string | null;
  readonly redo: string | null;
  /** Opened by a link that shows the boat: nothing is changed. */
  readonly looksOnly?: boolean;
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

interface Answered {
  readonly error?: string;
  readonly label?: string;
  readonly ops?: readonly Op[];
  readonly conflicts?: readonly Conflict[];
  readonly problems?: readonly ReadProblem[];
}

const RETRY_MS = 1500;
/** A step is asked so many times before it is told that it could not be taken. */
const STEP_TRIES = 3;
const LOOKS_ONLY = 'This link shows the boat: nothing is changed by it.';
const NO_ANSWER = 'the server does not answer';
const later = (ms: number) => new Promise((r) => setTimeout(r, ms));
const bodyOf = async (answer: Response): Promise<Answered> => (await answer.json().catch(() => ({}))) as Answered;

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
      why: '',
      held: [],
      undo: initial.undo,
      redo: initial.redo,
      clashes: [],
      notice: null,
      recorded: 0,
    }));
  }

  /** Whether this window only shows the boat. */
  get looksOnly(): boolean {
    return this.initial.looksOnly ?? false;
  }

  get boatId(): string {
    return this.initial.id;
  }
  readonly snapshot = (): BoatState => this.state.getState();
  readonly subscribe = (listener: () => void): (() => void) => this.state.subscribe(listener);

  /** Starts listening to the other windows and sends what an earlier visit could not. */
  open(): () => void {
    this.adopt();
    this.stream = new EventSource(`${this.url}/events?since=${this.snapshot().revision}&device=${who().device}`);
    this.stream.onmessage = (message) => this.receive(JSON.parse(message.data as string) as EditRecord);
    this.stream.addEventListener('records', (message) => this.set({ recorded: Number((message as MessageEvent<string>).data) }));
    return () => this.stream?.close();
  }

  /** Makes an edit: shown at once, sent in order, kept until the server has it. */
  edit(label: string, ops: readonly (Op | undefined)[]): void {
    const asked = ops.filter((op) => op !== undefined);
    this.preview = null;
    if (this.looksOnly) {
      this.say('refused', LOOKS_ONLY);
      return this.show();
    }
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
    this.hold({ clashes: this.snapshot().clashes.filter((c) => c !== clash) });
    const { step } = clash;
    if (!keepMine) return;
    if (step) void (this.stepping = this.stepping.then(() => this.stepNow(step, true)).catch(() => undefined));
    else this.queue({ edit: { ...clash.edit, id: crypto.randomUUID() }, force: true });
  }

  /** An edit that was not taken: sent again, or let go. */
  release(held: Held, again: boolean): void {
    this.hold({ held: this.snapshot().held.filter((h) => h !== held) });
    if (again) this.queue({ edit: { ...held.edit, id: crypto.randomUUID() }, force: false });
  }

  /** One step after another, however fast the keys: each is told of what the one before has left. */
  step(step: 'undo' | 'redo'): Promise<void> {
    const done = this.stepping.then(() => this.stepNow(step));
    this.stepping = done.catch(() => undefined);
    return done;
  }

  private async stepNow(step: 'undo' | 'redo', force = false): Promise<void> {
    if (this.looksOnly) return this.say('refused', LOOKS_ONLY);
    await this.sentOrAway();
    // The same id each time: a step that was taken and whose answer was lost is answered, not taken twice.
    const id = crypto.randomUUID();
    let answer = await this.post('history', { step, id, force });
    for (let tried = 1; tried < STEP_TRIES && (!answer || answer.status >= 500); tried++) {
      await later(RETRY_MS);
      answer = await this.post('history', { step, id, force });
    }
    const done = step === 'undo' ? 'taken back' : 'put back';
    if (answer?.ok) {
      const record = (await answer.json()) as EditRecord;
      this.seen.add(record.editId);
      this.receive(record, { notice: this.notice('said', `${done.charAt(0).toUpperCase()}${done.slice(1)}: ${record.label}`) });
      return;
    }
    const body = answer ? await bodyOf(answer) : {};
    if (body.conflicts && body.ops)
      return this.hold({
        clashes: [
          ...this.snapshot().clashes,
          { edit: { id, label: body.label ?? step, ops: [...body.ops] }, conflicts: body.conflicts, step },
        ],
      });
    if (answer?.status === 409) return this.say('refused', step === 'undo' ? 'Nothing left to take back.' : 'Nothing left to put back.');
    this.say('refused', `Not ${done}: ${body.error ?? NO_ANSWER}. Try again.`);
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
      const keysOf = (what: string) =>
        Object.keys(localStorage).filter(
          (key) => key.startsWith(`solenix-${what}-${this.initial.id}-`) && !key.endsWith(`-${this.window}`),
        );
      const undecided = keysOf('held');
      for (const key of undecided) {
        const { held, clashes } = JSON.parse(localStorage.getItem(key) ?? '{}') as Partial<Pick<BoatState, 'held' | 'clashes'>>;
        const now = this.snapshot();
        this.hold({ held: [...now.held, ...(held ?? [])], clashes: [...now.clashes, ...(clashes ?? [])] });
        localStorage.removeItem(key);
      }
      const keys = keysOf('outbox');
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

  /** What its author has not decided yet outlives the window. */
  private hold(change: Partial<Pick<BoatState, 'held' | 'clashes'>>): void {
    this.set(change);
    const { held, clashes } = this.snapshot();
    const own = clashes.filter((c) => c.step === null);
    const key = `solenix-held-${this.initial.id}-${this.window}`;
    try {
      if (held.length + own.length > 0) localStorage.setItem(key, JSON.stringify({ held, clashes: own }));
      else localStorage.removeItem(key);
    } catch {
      // A full or forbidden store only loses the safety net.
    }
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
      // Signed out meanwhile: what was typed waits until somebody has signed in again.
      if (!answer || answer.status >= 500 || answer.status === 401) {
        const why = answer ? ((await bodyOf(answer)).error ?? NO_ANSWER) : NO_ANSWER;
        this.set({ link: 'offline', why });
        await later(RETRY_MS);
        continue;
      }
      const body = (await bodyOf(answer)) as EditRecord & Answered;
      this.waiting = this.waiting.filter((w) => w !== next);
      this.keep();
      const link = this.waiting.length > 0 ? ('saving' as const) : ('saved' as const);
      if (answer.ok) this.receive(body, { link });
      else if (body.conflicts) {
        this.set({ link });
        this.hold({ clashes: [...this.snapshot().clashes, { edit: next.edit, conflicts: body.conflicts, step: null }] });
        await this.reload();
      } else {
        const why = body.error ?? 'the server refused it';
        this.hold({ held: [...this.snapshot().held, { edit: next.edit, why }] });
        this.show({ link, notice: this.notice('refused', `Not taken: ${next.edit.label}. ${why}`) });
      }
    }
  }

  private async post(route: string, body: unknown): Promise<Response | null> {
    try {
      return await fetch(`${this.url}/${route}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ ...(body as object), by: who() }),
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
