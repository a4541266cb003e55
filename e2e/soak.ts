/** The server under kills, locks, damage and rubbish: what was tried, what failed, what was lost. Long: npm run soak; short: soak.spec.ts. */
import Database from 'better-sqlite3';
import { zipSync } from 'fflate';
import { randomBytes } from 'node:crypto';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { blankDesign } from '../src/core/design';
import { random } from '../src/core/solve';
import { openDatabase } from '../src/server/database';
import { freePort, root, seed, serve } from '../scripts/lib.mjs';
import { type Server, startServer } from './server';

export interface Told {
  readonly what: string;
  readonly tried: number;
  /** Answered otherwise than it should be. */
  readonly failed: number;
  /** Acknowledged, and not there afterwards. */
  readonly lost: number;
  readonly note: string;
}

const wait = (ms: number): Promise<void> => new Promise((r) => setTimeout(r, ms));
const folderOf = (what: string): string => mkdtempSync(join(tmpdir(), `solenix-soak-${what}-`));
/** A server on a folder with the demo boats, which are made once. */
let template = '';
const seeded = async (data: string): Promise<Server> => {
  if (template === '') {
    seed((template = folderOf('demo')), 'ignore');
    process.once('exit', () => rmSync(template, { recursive: true, force: true }));
  }
  cpSync(template, data, { recursive: true });
  return startServer(data, await freePort(0));
};
const json = (body: unknown): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json', connection: 'close' },
  body: JSON.stringify(body),
});
interface Answer {
  readonly ok: boolean;
  readonly status: number;
  readonly text: string;
}
/** null: no answer, or one that was cut off. */
const ask = async (url: string, init?: RequestInit): Promise<Answer | null> => {
  try {
    const { ok, status, text } = await fetch(url, init).then(async (r) => ({ ok: r.ok, status: r.status, text: await r.text() }));
    return { ok, status, text };
  } catch {
    return null;
  }
};
const idIn = ({ text }: Answer): string => (JSON.parse(text) as { id: string }).id;

interface Opened {
  readonly revision: number;
  readonly design: { readonly loads: readonly { readonly id: string; readonly note: string }[] };
}
const opened = async (server: Server, id: string): Promise<Opened> =>
  (await (await fetch(`${server.url}/api/boats/${id}`)).json()) as Opened;

/** Four writers of distinct figures of one boat and a reader, while the server is killed: everything acknowledged stands, nothing is overwritten silently. */
export async function killedWhileWriting(seed: number, kills: number): Promise<Told> {
  const dice = random(seed, 0);
  const data = folderOf('kills');
  let server = await seeded(data);
  const { port } = server;
  let [tried, failed, lost, stop] = [0, 0, 0, false];
  const acknowledged = new Map<string, string>();
  const sent = new Map<string, string>();
  const { design } = await opened(server, 'marram');
  const rows = design.loads.slice(0, 4);
  const writer = async ({ id }: (typeof rows)[number]): Promise<void> => {
    let from = design.loads.find((l) => l.id === id)?.note ?? '';
    for (let n = 1; !stop; n++) {
      const to = `${id} ${n}`;
      const edit = {
        id: `soak-${id}-${n}-${seed}`.padEnd(12, '-'),
        label: to,
        ops: [{ op: 'set', path: ['loads', id, 'note'], from, to }],
      };
      sent.set(id, to);
      // As a window does: the same edit again until it is answered.
      for (;;) {
        if (stop) return;
        tried++;
        const answer = await ask(`${server.url}/api/boats/marram/edits`, json({ edit, force: false }));
        if (answer?.ok) break;
        if (answer && answer.status < 500) failed++;
        await wait(30);
      }
      acknowledged.set(id, to);
      from = to;
    }
  };
  const writers = rows.map(writer);
  for (let k = 0; k < kills; k++) {
    await wait(200 + 1500 * dice.even());
    await server.stop('SIGKILL');
    const before = new Map(acknowledged);
    server = await startServer(data, port);
    const now = await opened(server, 'marram');
    for (const [id, note] of before) {
      const stands = now.design.loads.find((l) => l.id === id)?.note ?? '';
      const number = (text: string) => Number(text.split(' ').at(-1));
      if (number(stands) < number(note)) lost++;
    }
  }
  stop = true;
  await Promise.all(writers);
  await server.stop('SIGTERM');
  const edits = [...acknowledged.values()].reduce((sum, note) => sum + Number(note.split(' ').at(-1)), 0);
  rmSync(data, { recursive: true, force: true });
  return { what: 'edits, four writers', tried, failed, lost, note: `${edits} edits acknowledged, ${kills} kills` };
}

/** Archives with pictures taken in while the server is killed: a boat is there whole, or not at all. */
export async function killedWhileTakingIn(seed: number, kills: number): Promise<Told> {
  const dice = random(seed, 1);
  const data = folderOf('archives');
  const picture = await sharp({ create: { width: 900, height: 700, channels: 3, background: '#a25a22' } })
    .jpeg()
    .toBuffer();
  const ids = Array.from({ length: 12 }, (_, i) => `P${i}`);
  const design = {
    ...blankDesign('Taken in', 'metric', 10, 3, 12),
    photos: ids.map((id) => ({ id, caption: id, about: { kind: 'boat' as const, id: 'boat' }, widthPx: 900, heightPx: 700 })),
  };
  const zip = zipSync({
    'design.json': Buffer.from(JSON.stringify(design)),
    ...Object.fromEntries(ids.map((id) => [`photos/${id}.jpg`, new Uint8Array(picture)])),
  });
  let server = await seeded(data);
  const { port } = server;
  const acknowledged = new Set<string>();
  let [failed, lost, whole] = [0, 0, 0];
  for (let k = 0; k < kills; k++) {
    const sent = ask(`${server.url}/api/boats?from=file`, { method: 'POST', body: zip }).then((answer) => {
      if (answer?.ok) acknowledged.add(idIn(answer));
      else if (answer) failed++;
    });
    await wait(20 + 600 * dice.even());
    await server.stop('SIGKILL');
    await sent;
    server = await startServer(data, port);
    const { boats } = (await (await fetch(`${server.url}/api/boats?q=Taken`)).json()) as { boats: { id: string }[] };
    for (const id of acknowledged) if (!boats.some((b) => b.id === id)) lost++;
    for (const { id } of boats) {
      const boat = (await (await fetch(`${server.url}/api/boats/${id}`)).json()) as { design: { photos: { id: string }[] } };
      const files = await Promise.all(
        boat.design.photos.map(async (p) => (await fetch(`${server.url}/api/boats/${id}/photos/${p.id}`)).status),
      );
      if (files.length !== ids.length || files.some((s) => s !== 200)) failed++;
    }
    whole = boats.length;
  }
  await server.stop('SIGTERM');
  rmSync(data, { recursive: true, force: true });
  return { what: 'archives taken in', tried: kills, failed, lost, note: `${whole} boats whole, ${acknowledged.size} acknowledged` };
}

/** A file of the first release brought up to date while the server is killed: every boat is there in the end. */
export async function killedWhileMigrating(seed: number, kills: number, boats: number): Promise<Told> {
  const dice = random(seed, 2);
  const data = folderOf('migrations');
  const migrations = join(data, 'migrations');
  cpSync(join(root, 'src/server/migrations'), migrations, { recursive: true });
  const journal = JSON.parse(readFileSync(join(migrations, 'meta/_journal.json'), 'utf8')) as { entries: unknown[] };
  writeFileSync(join(migrations, 'meta/_journal.json'), JSON.stringify({ ...journal, entries: journal.entries.slice(0, 1) }));
  const first = openDatabase(data, migrations);
  const design = JSON.stringify(blankDesign('Older', 'metric', 10, 3, 12));
  const add = first.$client.prepare('insert into boats (id, name, revision, design, created_at, updated_at) values (?, ?, 0, ?, 1, 1)');
  first.$client.transaction(() => {
    for (let i = 0; i < boats; i++) add.run(`older-${i}`, `Older ${i}`, design.replace('"loads":[]', `"loads":[]${' '.repeat(2000)}`));
  })();
  first.$client.close();
  let failed = 0;
  for (let k = 0; k < kills; k++) {
    const copy = folderOf('migrating');
    cpSync(join(data, 'solenix.sqlite'), join(copy, 'solenix.sqlite'));
    const child = serve(await freePort(0), copy, 'ignore');
    const gone = new Promise((done) => child.once('exit', done));
    await wait(300 + 900 * dice.even());
    child.kill('SIGKILL');
    await gone;
    // What is left of the log beside it is taken in as the file is opened.
    const db = openDatabase(copy);
    const all = db.$client
      .prepare("select count(*) from boats where name like 'Older %' and length(design) > 2000")
      .pluck()
      .get() as number;
    if (all !== boats || db.$client.pragma('integrity_check', { simple: true }) !== 'ok') failed++;
    db.$client.close();
    // What a killed server was writing may still arrive.
    rmSync(copy, { recursive: true, force: true, maxRetries: 5, retryDelay: 200 });
  }
  rmSync(data, { recursive: true, force: true });
  return { what: 'files brought up to date', tried: kills, failed, lost: 0, note: `${boats} boats of the first release each` };
}

/** Another program holds the database: readers are answered at once, a writer waits and is taken. */
export async function held(holdMs: number): Promise<Told> {
  const data = folderOf('held');
  const server = await seeded(data);
  const other = new Database(join(data, 'solenix.sqlite'));
  other.exec('begin immediate');
  const { design } = await opened(server, 'marram');
  const [load] = design.loads;
  const ops = [{ op: 'set', path: ['loads', load?.id, 'note'], from: load?.note, to: 'waited' }];
  const writing = ask(`${server.url}/api/boats/marram/edits`, json({ edit: { id: 'soak-held-01', label: 'x', ops }, force: false }));
  let [reads, failed, slowest] = [0, 0, 0];
  for (const until = Date.now() + holdMs; Date.now() < until;) {
    const at = performance.now();
    const answer = await ask(`${server.url}/api/boats/marram`);
    if (!answer?.ok) failed++;
    slowest = Math.max(slowest, performance.now() - at);
    reads++;
  }
  other.exec('commit');
  other.close();
  const written = await writing;
  if (!written?.ok) failed++;
  const lost = (await opened(server, 'marram')).design.loads[0]?.note === 'waited' ? 0 : 1;
  await server.stop('SIGTERM');
  rmSync(data, { recursive: true, force: true });
  return {
    what: `held by another program for ${holdMs / 1000} s`,
    tried: reads + 1,
    failed,
    lost,
    note: `slowest reader ${slowest.toFixed(0)} ms`,
  };
}

/** Designs on file struck at random: the list and the others stand, and each goes on from its last good revision. */
export async function struck(seed: number, boats: number): Promise<Told> {
  const dice = random(seed, 3);
  const data = folderOf('struck');
  const server = await seeded(data);
  const text = await (await fetch(`${server.url}/api/boats/turnstone/export`)).text();
  let [failed, lost] = [0, 0];
  const ids: string[] = [];
  for (let i = 0; i < boats; i++) {
    const { id } = (await (await fetch(`${server.url}/api/boats?from=file`, { method: 'POST', body: text })).json()) as { id: string };
    const { design } = await opened(server, id);
    for (let n = 0; n < 3; n++) {
      const ops = [
        { op: 'set', path: ['loads', design.loads[0]?.id, 'note'], from: n === 0 ? design.loads[0]?.note : `n${n - 1}`, to: `n${n}` },
      ];
      await ask(`${server.url}/api/boats/${id}/edits`, json({ edit: { id: `struck-${i}-${n}-x`, label: 'x', ops }, force: false }));
    }
    ids.push(id);
  }
  const db = new Database(join(data, 'solenix.sqlite'));
  for (const id of ids) {
    const design = db.prepare('select design from boats where id = ?').pluck().get(id) as string;
    const at = Math.floor(dice.even() * design.length);
    const hit =
      dice.even() < 0.5 ? design.slice(0, at) : `${design.slice(0, at)}${randomBytes(3).toString('latin1')}${design.slice(at + 3)}`;
    db.prepare('update boats set design = ? where id = ?').run(hit, id);
  }
  db.close();
  const list = await ask(`${server.url}/api/boats`);
  if (!list?.ok || (JSON.parse(list.text) as unknown[]).length !== boats + 3) failed++;
  for (const id of ids) {
    const answer = await ask(`${server.url}/api/boats/${id}`);
    if (answer?.status !== 422) failed++;
    const back = await ask(`${server.url}/api/boats/${id}/recover`, { method: 'POST' });
    if (!back?.ok) failed++;
    else if ((await opened(server, id)).design.loads[0]?.note !== 'n2') lost++;
  }
  await server.stop('SIGTERM');
  rmSync(data, { recursive: true, force: true });
  return { what: 'designs struck on file', tried: boats, failed, lost, note: 'each recovered to its last edit' };
}

/** Files and archives that are nearly right, and such as are nothing: each is taken or refused in words, and the server goes on. */
export async function rubbish(seed: number, files: number, zips: number): Promise<Told> {
  const dice = random(seed, 4);
  const data = folderOf('rubbish');
  const server = await seeded(data);
  const text = new Uint8Array(await (await fetch(`${server.url}/api/boats/turnstone/export`)).arrayBuffer());
  const zip = new Uint8Array(await (await fetch(`${server.url}/api/boats/turnstone/export?as=zip`)).arrayBuffer());
  const spoiled = (good: Uint8Array): Uint8Array => {
    const bad = good.slice(0, dice.even() < 0.3 ? Math.floor(dice.even() * good.length) : good.length);
    for (let n = Math.ceil(8 * dice.even()); n > 0; n--) bad[Math.floor(dice.even() * bad.length)] = Math.floor(256 * dice.even());
    return bad;
  };
  let [failed, taken] = [0, 0];
  for (let i = 0; i < files + zips; i++) {
    const answer = await ask(`${server.url}/api/boats?from=file`, {
      method: 'POST',
      body: spoiled(i < files ? text : zip) as Uint8Array<ArrayBuffer>,
    });
    if (answer?.status === 201) {
      taken++;
      // What was taken opens.
      const id = idIn(answer);
      if (!(await ask(`${server.url}/api/boats/${id}`))?.ok) failed++;
      await ask(`${server.url}/api/boats/${id}`, { method: 'DELETE' });
    } else if (!answer || answer.status >= 500) failed++;
  }
  if (!(await ask(`${server.url}/api/boats/turnstone`))?.ok) failed++;
  await server.stop('SIGTERM');
  const parts = readdirSync(data).includes('photos') ? readdirSync(join(data, 'photos')).filter((f) => f.endsWith('.part')).length : 0;
  rmSync(data, { recursive: true, force: true });
  return {
    what: 'spoiled files and archives',
    tried: files + zips,
    failed: failed + parts,
    lost: 0,
    note: `${taken} still good enough to be taken`,
  };
}

export const line = ({ what, tried, failed, lost, note }: Told): string =>
  `${what.padEnd(38)} ${String(tried).padStart(7)} tried ${String(failed).padStart(4)} failed ${String(lost).padStart(4)} lost   ${note}`;
