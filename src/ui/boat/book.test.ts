/** The window's side of records, against a server kept in memory: nothing ticked is lost, nothing is kept twice. */
import type { BoatRecord, KeptRecord } from '@/core/design';
import { Book } from './book';

/** Keeps records in order, each once; may be away. */
class Server {
  records: KeptRecord[] = [];
  away = false;
  posts = 0;
  readonly fetch = async (url: string, init?: { method?: string; body?: string }): Promise<Response> => {
    await Promise.resolve();
    if (this.away) throw new TypeError('away');
    if (init?.method !== 'POST') {
      const since = Number(new URL(url, 'http://x').searchParams.get('since'));
      const rows = this.records.filter((r) => r.seq > since);
      return Response.json({ records: rows.slice(0, 2), more: rows.length > 2 });
    }
    this.posts++;
    const { records } = JSON.parse(init.body ?? '{}') as { records: BoatRecord[] };
    for (const r of records)
      if (!this.records.some((x) => x.id === r.id)) this.records.push({ ...r, seq: this.records.length + 1, by: 'Hand' });
    return Response.json({ records: this.records.filter((x) => records.some((r) => r.id === x.id)) });
  };
}

let server: Server;
const kept = new Map<string, string>();
const waitingHere = (): number =>
  [...kept].flatMap(([k, v]) => (k.startsWith('solenix-records-x-') ? (JSON.parse(v) as unknown[]) : [])).length;

beforeEach(() => {
  server = new Server();
  kept.clear();
  const storage = {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => void kept.set(k, v),
    removeItem: (k: string) => void kept.delete(k),
  };
  const localStorage = new Proxy(storage, {
    ownKeys: () => [...kept.keys()],
    getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
  });
  Object.assign(globalThis, { localStorage, window: {}, fetch: server.fetch });
});

const mark = (thing: string, state: string) => ({ kind: 'mark' as const, thing, body: { state } });
const until = async (met: () => boolean): Promise<void> => {
  for (let i = 0; i < 400 && !met(); i++) await new Promise((r) => setTimeout(r, 10));
  expect(met()).toBe(true);
};
const stateOf = (book: Book, thing: string) => book.state.getState().marks.get(thing)?.body.state;

test('a mark stands at once, is sent, and waits no more', async () => {
  const book = new Book('x', false);
  expect(book.add([mark('piece:a', 'cut')])).toBe(true);
  expect(stateOf(book, 'piece:a')).toBe('cut');
  expect(book.state.getState().waiting).toBe(1);
  await until(() => book.state.getState().waiting === 0);
  expect(server.records.map((r) => r.thing)).toEqual(['piece:a']);
  expect(waitingHere()).toBe(0);
});

test('while the server is away marks wait here, outlive the window, and are sent by the next, each once', async () => {
  server.away = true;
  const first = new Book('x', false);
  first.add([mark('piece:a', 'cut'), mark('piece:b', 'made')]);
  await until(() => first.state.getState().why !== '');
  expect(waitingHere()).toBe(2);
  const next = new Book('x', false);
  expect(stateOf(next, 'piece:b')).toBe('made');
  expect(waitingHere()).toBe(2);
  server.away = false;
  await until(() => next.state.getState().waiting === 0);
  // The first window is still there and sends its own: it stands already.
  await until(() => first.state.getState().waiting === 0);
  expect(server.records).toHaveLength(2);
});

test('what others wrote is read page by page, in order, and again from where it stopped', async () => {
  const row = (seq: number, state: string): KeptRecord => ({
    seq,
    id: `other-000${seq}`,
    kind: 'mark',
    thing: 'piece:a',
    at: seq,
    by: 'Other',
    body: { state },
  });
  server.records = [row(1, 'released'), row(2, 'cut'), row(3, 'made'), row(4, 'landed'), row(5, 'back')];
  const book = new Book('x', false);
  await book.pull();
  expect(book.state.getState().records?.map((r) => r.body.state)).toEqual(['released', 'cut', 'made', 'landed', 'back']);
  expect(stateOf(book, 'piece:a')).toBe('back');
  const { version } = book.state.getState();
  await book.pull();
  // Nothing new: nothing is told.
  expect(book.state.getState().version).toBe(version);
  server.records.push(row(6, 'cut'));
  await book.pull();
  expect(stateOf(book, 'piece:a')).toBe('cut');
});

test('a link that only shows the boat writes nothing', () => {
  const book = new Book('x', true);
  expect(book.add([mark('piece:a', 'cut')])).toBe(false);
  expect(book.state.getState().marks.size).toBe(0);
  expect(server.posts).toBe(0);
});

test('leavings that cannot be read do no harm', () => {
  kept.set('solenix-records-x-old', 'not json');
  expect(() => new Book('x', false)).not.toThrow();
});
