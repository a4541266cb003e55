/** One worker: every call to it ends, with its answer or with what went wrong. */
import { wrap, type Remote } from 'comlink';

export interface Employed<Api> {
  /** Rejects when the worker throws, dies, cannot be loaded, or does not answer in time. */
  readonly call: <T>(work: (remote: Remote<Api>) => Promise<T>, patienceMs: number) => Promise<T>;
  /** Ends the worker at once; calls under way reject. */
  readonly end: () => void;
}

const wordsOf = (event: Event): string =>
  'message' in event && typeof event.message === 'string' && event.message !== '' ? event.message : 'its program did not load';

export function employ<Api>(make: () => Worker): Employed<Api> {
  const worker = make();
  const remote = wrap<Api>(worker);
  let fail: (why: Error) => void = () => undefined;
  const died = new Promise<never>((_, reject) => (fail = reject));
  // Whoever calls hears of it; nobody need be calling.
  died.catch(() => undefined);
  worker.addEventListener('error', (event) => {
    event.preventDefault();
    fail(new Error(wordsOf(event)));
  });
  worker.addEventListener('messageerror', () => fail(new Error('a message could not be read')));
  return {
    async call(work, patienceMs) {
      let timer: ReturnType<typeof setTimeout> | undefined;
      const late = new Promise<never>((_, reject) => {
        timer = setTimeout(() => reject(new Error(`no answer within ${Math.round(patienceMs / 1000)} s`)), patienceMs);
      });
      try {
        return await Promise.race([work(remote), died, late]);
      } finally {
        clearTimeout(timer);
      }
    },
    end() {
      fail(new Error('ended'));
      worker.terminate();
    },
  };
}
