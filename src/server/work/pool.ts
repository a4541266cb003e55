/** Threads for heavy work, bounded in time and memory: a design that takes too much ends its thread, not the server. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { JobMessage, JobName, JobReply, JobResult, Jobs } from './jobs';

/** Made by scripts/thread.mjs of src/app/work/thread.ts. */
const THREAD = join(process.cwd(), 'dist/thread.mjs');

export interface Limits {
  readonly threads: number;
  readonly jobMs: number;
  readonly heapMb: number;
  readonly script: string;
}

const LIMITS: Limits = { threads: 2, jobMs: 20_000, heapMb: 1024, script: THREAD };

/** Work that was given up, with words for whoever asked. */
export class WorkRefused extends Error {}

interface Waiting {
  readonly message: JobMessage;
  readonly resolve: (value: unknown) => void;
  readonly reject: (why: Error) => void;
}

interface Thread {
  readonly worker: Worker;
  job: Waiting | null;
  timer: ReturnType<typeof setTimeout> | undefined;
  idle: ReturnType<typeof setTimeout> | undefined;
}

/** A thread nobody needed for so long is ended: its memory is given back. */
const IDLE_MS = 60_000;

export class WorkPool {
  private readonly limits: Limits;
  private readonly threads = new Set<Thread>();
  private readonly queue: Waiting[] = [];
  private count = 0;

  constructor(limits: Partial<Limits> = {}) {
    this.limits = { ...LIMITS, ...limits };
  }

  /** Does a job in a thread. Rejects with WorkRefused when it takes too long or too much memory, and with an Error when it throws. */
  run<N extends JobName>(job: N, ...args: Parameters<Jobs[N]>): Promise<JobResult<N>> {
    if (!existsSync(this.limits.script)) return Promise.reject(new Error(`${this.limits.script} is missing: npm run build makes it`));
    return new Promise((resolve, reject) => {
      const message: JobMessage = { id: ++this.count, job, args };
      this.queue.push({ message, resolve: (value) => resolve(value as JobResult<N>), reject });
      this.next();
    });
  }

  async end(): Promise<void> {
    await Promise.all([...this.threads].map((t) => t.worker.terminate()));
  }

  private next(): void {
    const [waiting] = this.queue;
    if (!waiting) return;
    const thread = [...this.threads].find((t) => t.job === null) ?? (this.threads.size < this.limits.threads ? this.employ() : null);
    if (!thread) return;
    this.queue.shift();
    clearTimeout(thread.idle);
    thread.job = waiting;
    thread.worker.ref();
    thread.timer = setTimeout(() => {
      this.fail(thread, new WorkRefused(`this took longer than ${this.limits.jobMs / 1000} s and was given up`));
      void thread.worker.terminate();
    }, this.limits.jobMs);
    thread.worker.postMessage(waiting.message);
  }

  private employ(): Thread {
    const { heapMb, script } = this.limits;
    const worker = new Worker(script, { resourceLimits: { maxOldGenerationSizeMb: heapMb, stackSizeMb: 8 } });
    const thread: Thread = { worker, job: null, timer: undefined, idle: undefined };
    this.threads.add(thread);
    worker.on('message', (reply: JobReply) => {
      const { job } = thread;
      if (job?.message.id !== reply.id) return;
      this.settle(thread);
      if (reply.ok) job.resolve(reply.value);
      else job.reject(new Error(reply.message));
      this.next();
    });
    worker.on('error', (error: Error & { code?: string }) =>
      this.fail(
        thread,
        error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? new WorkRefused(`this took more than ${heapMb} MB of memory and was given up`) : error,
      ),
    );
    worker.on('exit', () => this.fail(thread, new WorkRefused('its thread ended')));
    return thread;
  }

  /** The thread is free again, and does not keep the process alive. */
  private settle(thread: Thread): void {
    clearTimeout(thread.timer);
    thread.job = null;
    thread.worker.unref();
    thread.idle = setTimeout(() => {
      if (thread.job === null) void thread.worker.terminate();
    }, IDLE_MS);
    thread.idle.unref();
  }

  /** The thread is gone; whoever waited hears why, and the queue goes on in another. */
  private fail(thread: Thread, why: Error): void {
    const { job } = thread;
    clearTimeout(thread.timer);
    clearTimeout(thread.idle);
    this.threads.delete(thread);
    thread.job = null;
    job?.reject(why);
    this.next();
  }
}

const shared = globalThis as { solenixWork?: WorkPool };

/** The server's threads: one pool however often this module is loaded. */
export const work = (): WorkPool => (shared.solenixWork ??= new WorkPool());
