/** The window's side of saving, against a server kept in memory. */
import { applyEdit, type Design, type Edit, type Op, setOp } from '@/core/design';
import { bareBoat, withLoad } from '@/core/design/testing';
import { BoatStore } from './store';

interface Record {
  revision: number;
  editId: string;
  label: string;
  kind: 'edit' | 'undo';
  ops: readonly Op[];
  undo: string | null;
  redo: string | null;
}

/** Stands in for the server: applies edits, answers conflicts, can be away, and tells its listeners. */
class Server {
  design: Design = withLoad(bareBoat('metric'), {}, 4);
  revision = 0;
  away = false;
  posts = 0;
  readonly listeners = new Set<(r: Record) => void>();
  private readonly done = new Map<string, Record>();

  apply(edit: Edit, force = false): Record | null {
    const known = this.done.get(edit.id);
    if (known) return known;
    const next = applyEdit(this.design, edit, force);
    if (!next.ok) return null;
    this.design = next.design;
    const record: Record = {
      revision: ++this.revision,
      editId: edit.id,
      label: edit.label,
      kind: 'edit',
      ops: edit.ops,
      undo: edit.label,
      redo: null,
    };
    this.done.set(edit.id, record);
    for (const tell of this.listeners) tell(record);
    return record;
  }

  readonly fetch = async (url: string, init?: { body?: string }): Promise<Response> => {
    await Promise.resolve();
    if (this.away) throw new TypeError('away');
    if (!init) return Response.json({ id: 'x', revision: this.revision, design: this.design, undo: null, redo: null });
    this.posts++;
    const body = JSON.parse(init.body ?? '{}') as { edit: Edit; force: boolean };
    if (!url.endsWith('/edits')) return Response.json({ error: 'nothing' }, { status: 409 });
    if (body.edit.label === 'refuse me') return Response.json({ error: 'loads, row 1: no' }, { status: 422 });
    const before = applyEdit(this.design, body.edit, body.force);
    if (!before.ok) return Response.json({ conflicts: before.conflicts }, { status: 409 });
    return Response.json(this.apply(body.edit, body.force));
  };
}

let server: Server;
const kept = new Map<string, string>();
const leftIn = (what: string): number => [...kept.keys()].filter((key) => key.startsWith(`solenix-${what}-x-`)).length;
const storage = {
  getItem: (k: string) => kept.get(k) ?? null,
  setItem: (k: string, v: string) => void kept.set(k, v),
  removeItem: (k: string) => void kept.delete(k),
};

beforeEach(() => {
  server = new Server();
  kept.clear();
  const localStorage = new Proxy(storage, {
    ownKeys: () => [...kept.keys()],
    getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
  });
  Object.assign(globalThis, {
    fetch: server.fetch,
    localStorage,
    EventSource: class {
      onmessage: ((m: { data: string }) => void) | null = null;
      private readonly tell = (r: Record) => this.onmessage?.({ data: JSON.stringify(r) });
      addEventListener() {
        // Records are told of beside edits; these tests are of edits.
      }
      constructor() {
        server.listeners.add(this.tell);
      }
      close() {
        server.listeners.delete(this.tell);
      }
    },
  });
});

const open = (): BoatStore => {
  const store = new BoatStore({ id: 'x', revision: server.revision, design: server.design, undo: null, redo: null });
  store.open();
  return store;
};
const rate = (store: BoatStore, to: number) => store.edit(`rating ${to}`, [setOp(store.snapshot().design, ['loads', 'x', 'rating'], to)]);
const shown = (store: BoatStore) => store.snapshot().design.loads[0]?.rating;
const settle = async (store: BoatStore) => {
  for (let i = 0; i < 200 && (store.snapshot().pending > 0 || store.snapshot().link === 'saving'); i++)
    await new Promise((r) => setTimeout(r, 2));
};

test('an edit is shown at once and saved in order', async () => {
  const store = open();
  rate(store, 70);
  rate(store, 80);
  expect(shown(store)).toBe(80);
  expect(store.snapshot().pending).toBe(2);
  await settle(store);
  expect(server.design.loads[0]?.rating).toBe(80);
  expect(store.snapshot()).toMatchObject({ revision: 2, pending: 0, link: 'saved', undo: 'rating 80' });
  expect(leftIn('outbox')).toBe(0);
});

test('an unfinished entry is shown without being made, and given up without a trace', () => {
  const store = open();
  store.look([setOp(store.snapshot().design, ['loads', 'x', 'rating'], 999)]);
  expect(shown(store)).toBe(999);
  store.look(null);
  expect(shown(store)).toBe(60);
  expect(server.posts).toBe(0);
});

test('an edit with nothing in it is not made', () => {
  const store = open();
  store.edit('nothing', [undefined]);
  expect(store.snapshot().pending).toBe(0);
});

test('two windows see each other’s edits', async () => {
  const [one, two] = [open(), open()];
  rate(one, 70);
  await settle(one);
  expect(shown(two)).toBe(70);
  expect(two.snapshot().notice?.text).toContain('Changed in another window: rating 70');
  expect(one.snapshot().notice).toBeNull();
});

test('edits of different figures from two windows both stand', async () => {
  const [one, two] = [open(), open()];
  rate(one, 70);
  two.edit('name', [setOp(two.snapshot().design, ['loads', 'x', 'name'], 'Lamp')]);
  await settle(one);
  await settle(two);
  expect(server.design.loads[0]).toMatchObject({ rating: 70, name: 'Lamp' });
  expect(one.snapshot().design.loads[0]).toEqual(two.snapshot().design.loads[0]);
});

describe('a clash', () => {
  const clash = async (): Promise<[BoatStore, BoatStore]> => {
    const [one, two] = [open(), open()];
    const stale = setOp(two.snapshot().design, ['loads', 'x', 'rating'], 80);
    rate(one, 70);
    await settle(one);
    two.edit('rating 80', [stale]);
    await settle(two);
    return [one, two];
  };
  test('is shown to its author with base, mine and theirs, and changes nothing yet', async () => {
    const [, two] = await clash();
    expect(two.snapshot().clashes[0]?.conflicts).toEqual([{ path: ['loads', 'x', 'rating'], base: 60, mine: 80, theirs: 70 }]);
    expect(server.design.loads[0]?.rating).toBe(70);
    expect(shown(two)).toBe(70);
  });
  test('keeping mine overwrites on purpose', async () => {
    const [one, two] = await clash();
    const [first] = two.snapshot().clashes;
    if (first) two.settle(first, true);
    await settle(two);
    expect(server.design.loads[0]?.rating).toBe(80);
    expect(shown(one)).toBe(80);
    expect(two.snapshot().clashes).toEqual([]);
  });
  test('keeping theirs lets mine go', async () => {
    const [, two] = await clash();
    const [first] = two.snapshot().clashes;
    if (first) two.settle(first, false);
    await settle(two);
    expect(server.design.loads[0]?.rating).toBe(70);
    expect(two.snapshot().clashes).toEqual([]);
  });
});

test('a refused edit is taken off the screen and said so; the next one goes on', async () => {
  const store = open();
  store.edit('refuse me', [setOp(store.snapshot().design, ['loads', 'x', 'rating'], 1)]);
  rate(store, 90);
  await settle(store);
  expect(store.snapshot().notice?.tone).toBe('refused');
  expect(store.snapshot().notice?.text).toContain('loads, row 1: no');
  expect(shown(store)).toBe(server.design.loads[0]?.rating);
});

describe('an edit that was not taken', () => {
  const refused = async (): Promise<BoatStore> => {
    const store = open();
    store.edit('refuse me', [setOp(store.snapshot().design, ['loads', 'x', 'rating'], 1)]);
    await settle(store);
    return store;
  };
  test('is kept with its reason, and shown by the next window too', async () => {
    expect((await refused()).snapshot().held).toMatchObject([{ edit: { label: 'refuse me' }, why: 'loads, row 1: no' }]);
    expect(leftIn('held')).toBe(1);
    expect(open().snapshot().held).toMatchObject([{ edit: { label: 'refuse me' } }]);
  });
  test('sent again it is asked again; let go it is gone for good', async () => {
    const store = await refused();
    const [first] = store.snapshot().held;
    const before = server.posts;
    if (first) store.release(first, true);
    await settle(store);
    expect(server.posts).toBe(before + 1);
    const [again] = store.snapshot().held;
    if (again) store.release(again, false);
    expect(store.snapshot().held).toEqual([]);
    expect(leftIn('held')).toBe(0);
    expect(open().snapshot().held).toEqual([]);
  });
  test('a clash nobody has decided outlives the window', async () => {
    const [one, two] = [open(), open()];
    const stale = setOp(two.snapshot().design, ['loads', 'x', 'rating'], 80);
    rate(one, 70);
    await settle(one);
    two.edit('rating 80', [stale]);
    await settle(two);
    const [clash] = open().snapshot().clashes;
    expect(clash).toMatchObject({ edit: { label: 'rating 80' }, conflicts: [{ mine: 80, theirs: 70 }], step: null });
  });
});

describe('a step back', () => {
  const answering = (body: object, status: number) => {
    const { fetch } = server;
    const asked: { id: string; force: boolean; by: { device: string } }[] = [];
    Object.assign(globalThis, {
      fetch: (url: string, init?: { body?: string }) => {
        if (!url.endsWith('/history')) return fetch(url, init);
        asked.push(JSON.parse(init?.body ?? '{}') as (typeof asked)[number]);
        return Promise.resolve(Response.json(body, { status }));
      },
    });
    return asked;
  };
  test('of what somebody has set since shows both, and goes on when its author says so', async () => {
    const store = open();
    const conflicts = [{ path: ['loads', 'x', 'rating'], base: 70, mine: 60, theirs: 80 }];
    const ops = [{ op: 'set', path: ['loads', 'x', 'rating'], from: 70, to: 60 }];
    const asked = answering({ error: 'changed', label: 'rating 70', ops, conflicts }, 409);
    await store.step('undo');
    const [clash] = store.snapshot().clashes;
    expect(clash).toMatchObject({ edit: { label: 'rating 70' }, conflicts, step: 'undo' });
    if (clash) store.settle(clash, true);
    await store.step('redo');
    expect(asked.map((a) => a.force)).toEqual([false, true, false]);
    expect(asked[0]?.by.device).toMatch(/^[A-Za-z0-9-]{8,40}$/);
  });
  test.each([
    [404, 'there is no such boat', 'Not taken back: there is no such boat. Try again.'],
    [422, 'it was cut short', 'Not taken back: it was cut short. Try again.'],
  ])('that is answered %d says why, and not that nothing is left', async (status, error, said) => {
    const store = open();
    answering({ error }, status);
    await store.step('undo');
    expect(store.snapshot().notice?.text).toBe(said);
  });
});

test('while the server is away edits are kept, and the next window sends them', async () => {
  server.away = true;
  const store = open();
  rate(store, 70);
  await new Promise((r) => setTimeout(r, 20));
  expect(store.snapshot()).toMatchObject({ link: 'offline', pending: 1 });
  expect(shown(store)).toBe(70);
  expect(leftIn('outbox')).toBe(1);
  server.away = false;
  const next = open();
  expect(shown(next)).toBe(70);
  await settle(next);
  expect(server.design.loads[0]?.rating).toBe(70);
  expect(server.revision).toBe(1);
});

test('a window that missed edits fetches the whole', async () => {
  const store = open();
  const listeners = [...server.listeners];
  server.listeners.clear();
  server.apply({ id: 'missed-0001', label: 'missed', ops: [setOp(server.design, ['loads', 'x', 'rating'], 71)] });
  for (const l of listeners) server.listeners.add(l);
  server.apply({ id: 'heard-00001', label: 'heard', ops: [setOp(server.design, ['loads', 'x', 'name'], 'Lamp')] });
  await new Promise((r) => setTimeout(r, 20));
  expect(store.snapshot().revision).toBe(2);
  expect(store.snapshot().design).toEqual(server.design);
});

test('nothing to take back is said', async () => {
  const store = open();
  await store.step('undo');
  expect(store.snapshot().notice?.text).toBe('Nothing left to take back.');
});

test('the whole, asked for and long on its way, does not put an older design over what has come meanwhile', async () => {
  const store = open();
  const listeners = [...server.listeners];
  const late: (() => void)[] = [];
  const { fetch } = server;
  Object.assign(globalThis, {
    fetch: async (url: string, init?: { body?: string }) => {
      const answer = await fetch(url, init);
      if (!init) await new Promise<void>((go) => late.push(go));
      return answer;
    },
  });
  const tell = (id: string, to: number) => server.apply({ id, label: id, ops: [setOp(server.design, ['loads', 'x', 'rating'], to)] });
  server.listeners.clear();
  tell('missed-0001', 71);
  for (const l of listeners) server.listeners.add(l);
  // The gap makes it ask for the whole; the answer is of now, and waits. It asks again at the next, and that answer comes first.
  tell('heard-00001', 72);
  await new Promise((r) => setTimeout(r, 10));
  tell('heard-00002', 73);
  await new Promise((r) => setTimeout(r, 10));
  expect(late.length).toBe(2);
  late[1]?.();
  await new Promise((r) => setTimeout(r, 10));
  expect([store.snapshot().revision, shown(store)]).toEqual([3, 73]);
  late[0]?.();
  await new Promise((r) => setTimeout(r, 10));
  expect([store.snapshot().revision, shown(store)]).toEqual([3, 73]);
});

test('steps pressed fast are asked one after another', async () => {
  const store = open();
  let asked = 0;
  let most = 0;
  Object.assign(globalThis, {
    fetch: async () => {
      most = Math.max(most, ++asked);
      await new Promise((r) => setTimeout(r, 3));
      asked--;
      return Response.json({ error: 'nothing' }, { status: 409 });
    },
  });
  await Promise.all([store.step('undo'), store.step('undo'), store.step('redo')]);
  expect(most).toBe(1);
});
