/** Route handlers called as the server calls them: good requests, bad ones, and what is stored afterwards. */
import { eq } from 'drizzle-orm';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { blankLoad, cardFrom, defaultHouse, type Design, setOp } from '@/core/design';
import { bareBoat, withLoad } from '@/core/design/testing';
import { studied } from '@/core/analysis';
import { everyFinding } from '@/core/check';
import { analyse } from '@/core';
import { createBoat, openBoat } from '@/server/boats';
import { database } from '@/server/database';
import { keptAs } from '@/server/stored';
import { boats } from '@/server/tables';
import * as analyseRoute from './analyse/route';
import * as boatsRoute from './boats/route';
import * as boatRoute from './boats/[id]/route';
import * as editsRoute from './boats/[id]/edits/route';
import * as exportRoute from './boats/[id]/export/route';
import * as historyRoute from './boats/[id]/history/route';
import * as proposeRoute from './propose/route';
import * as scratchRoute from './scratch/route';
import * as photoRoute from './boats/[id]/photos/[photo]/route';
import * as photosRoute from './boats/[id]/photos/route';
import * as restoreRoute from './boats/[id]/restore/route';
import * as cardBoatsRoute from './cards/[id]/boats/route';
import * as cardFileRoute from './cards/file/route';
import * as itemRoute from './shelf/[kind]/[id]/route';
import * as shelfRoute from './shelf/[kind]/route';
import * as tablesRoute from './tables/route';

const folder = mkdtempSync(join(tmpdir(), 'solenix-routes-'));
process.env.SOLENIX_DATA = folder;
afterAll(() => rmSync(folder, { recursive: true }));

const at = <T>(params: T): { params: Promise<T> } => ({ params: Promise.resolve(params) });
const post = (body: unknown, url = 'http://127.0.0.1:4000/x', headers: Record<string, string> = {}): Request =>
  new Request(url, {
    method: 'POST',
    headers,
    body: body instanceof Uint8Array || typeof body === 'string' ? (body as BodyInit) : JSON.stringify(body),
  });
const get = (url = 'http://127.0.0.1:4000/x'): Request => new Request(url);
const fromFile = 'http://127.0.0.1:4000/api/boats?from=file';
const design: Design = withLoad(bareBoat('metric'), {}, 4);
const boat = (id: string): string => {
  createBoat(database(), id, design, 1);
  return id;
};

describe('boats', () => {
  const good = { name: 'New', ruleSet: 'metric', lengthM: 9, beamM: 3, systemV: 12 };
  test('a new one from her figures', async () => {
    const answer = await boatsRoute.POST(post(good));
    expect(answer.status).toBe(201);
    const { id } = (await answer.json()) as { id: string };
    expect(openBoat(database(), id)?.design.boat.name).toBe('New');
  });
  test.each([
    ['no name', { ...good, name: ' ' }],
    ['no length', { ...good, lengthM: null }],
    ['a length of nothing', { ...good, lengthM: 0 }],
    ['a length beyond all boats', { ...good, lengthM: 1e9 }],
    ['230 V DC', { ...good, systemV: 230 }],
    ['another rule set', { ...good, ruleSet: 'imperial' }],
    ['a list', []],
  ])('%s is refused at the door', async (_, body) => expect((await boatsRoute.POST(post(body))).status).toBe(400));
  test('from a file, whole', async () => {
    const answer = await boatsRoute.POST(post(design, fromFile));
    const { id } = (await answer.json()) as { id: string };
    expect(openBoat(database(), id)?.design).toEqual(design);
  });
  test.each([
    ['broken', '{', 'not JSON'],
    ['too new', { ...design, version: 99 }, 'Update'],
    ['of another kind', { format: 'x' }, 'solenix-design'],
    ['with a hole in it', { ...design, loads: [{ id: 'x' }] }, 'loads'],
  ])('a file %s is refused with the place named', async (_, body, word) => {
    const answer = await boatsRoute.POST(post(body, fromFile));
    expect(answer.status).toBe(422);
    expect(JSON.stringify(await answer.json())).toContain(word);
  });
  test('put away and taken back', async () => {
    const id = boat('away');
    expect((await boatRoute.DELETE(new Request('http://127.0.0.1:4000/x', { method: 'DELETE' }), at({ id }))).status).toBe(200);
    expect((await boatRoute.GET(get(), at({ id }))).status).toBe(404);
    expect((await restoreRoute.POST(post({}), at({ id }))).status).toBe(200);
    expect((await boatRoute.GET(get(), at({ id }))).status).toBe(200);
  });
  test('all of them, listed', async () => {
    const rows = (await (await boatsRoute.GET(new Request('http://127.0.0.1/api/boats'))).json()) as { id: string; loads: number }[];
    expect(rows.find((r) => r.id === 'away')).toMatchObject({ loads: 1, systemV: 12 });
  });
});

describe('edits', () => {
  const edit = (n: number, from: unknown, to: unknown) => ({
    edit: { id: `edit-${n}-0000`, label: 'rating', ops: [{ op: 'set', path: ['loads', 'x', 'rating'], from, to }] },
    force: false,
  });
  test('one is taken, taken back and put back', async () => {
    const id = boat('edited');
    expect(await (await editsRoute.POST(post(edit(1, 60, 70)), at({ id }))).json()).toMatchObject({ revision: 1 });
    expect(await (await historyRoute.POST(post({ step: 'undo', id: 'undo-0001' }), at({ id }))).json()).toMatchObject({ kind: 'undo' });
    expect(openBoat(database(), id)?.design.loads[0]?.rating).toBe(60);
    expect((await historyRoute.POST(post({ step: 'redo', id: 'redo-0001' }), at({ id }))).status).toBe(200);
    expect((await historyRoute.POST(post({ step: 'redo', id: 'redo-0002' }), at({ id }))).status).toBe(409);
  });
  test('a stale one is answered with both values', async () => {
    const id = boat('stale');
    await editsRoute.POST(post(edit(1, 60, 70)), at({ id }));
    const answer = await editsRoute.POST(post(edit(2, 60, 80)), at({ id }));
    expect(answer.status).toBe(409);
    expect(await answer.json()).toMatchObject({ conflicts: [{ base: 60, mine: 80, theirs: 70 }] });
  });
  test.each([
    ['an absurd figure', edit(3, 60, 1e9), 422],
    ['text in a number', edit(4, 60, 'much'), 422],
    ['nothing in a number', edit(5, 60, null), 422],
    [
      'a path into the prototype',
      { edit: { id: 'edit-6-0000', label: 'x', ops: [{ op: 'set', path: ['__proto__', 'x'], from: null, to: 1 }] }, force: false },
      400,
    ],
    ['no ops', { edit: { id: 'edit-7-0000', label: 'x', ops: [] }, force: false }, 400],
    ['no label', { edit: { id: 'edit-8-0000', label: '', ops: [] }, force: false }, 400],
  ])('%s is refused and changes nothing', async (name, body, status) => {
    const id = boat(`bad ${name}`.replace(/ /g, '-'));
    expect((await editsRoute.POST(post(body), at({ id }))).status).toBe(status);
    expect(openBoat(database(), id)?.revision).toBe(0);
  });
  test('a boat that is not there', async () =>
    expect((await editsRoute.POST(post(edit(9, 60, 70)), at({ id: 'nobody' }))).status).toBe(404));
});

describe('the shelf', () => {
  const card = cardFrom({ ...blankLoad('x', 12), name: 'Fan', rating: 20 }, 'fan');
  const kind = at({ kind: 'card' });
  test('a card is put up, corrected, and a stale correction answered', async () => {
    expect((await shelfRoute.POST(post({ item: card, seen: null }), kind)).status).toBe(200);
    expect((await shelfRoute.POST(post({ item: { ...card, rating: 25 }, seen: 1 }), kind)).status).toBe(200);
    const stale = await shelfRoute.POST(post({ item: { ...card, rating: 30 }, seen: 1 }), kind);
    expect(stale.status).toBe(409);
    expect(await stale.json()).toMatchObject({ theirs: { revision: 2, item: { rating: 25 } } });
    expect(await (await shelfRoute.GET(get(), kind)).json()).toMatchObject([{ revision: 2, item: { rating: 25 } }]);
  });
  test.each([
    ['a card with an absurd figure', 'card', { item: { ...card, id: 'bad', rating: -5 }, seen: null }, 400],
    ['a card without a name', 'card', { item: { ...card, id: 'bad', name: '' }, seen: null }, 400],
    ['house rules without rules', 'house', { item: { id: 'h', name: 'H', school: 'awg' }, seen: null }, 400],
    ['a shelf that is not there', 'books', { item: card, seen: null }, 404],
  ])('%s is refused', async (_, shelf, body, status) =>
    expect((await shelfRoute.POST(post(body), at({ kind: shelf }))).status).toBe(status),
  );
  test('house rules and lines stand on shelves of their own', async () => {
    const house = { id: 'h', name: 'Yard', school: 'awg', house: defaultHouse('awg') };
    expect((await shelfRoute.POST(post({ item: house, seen: null }), at({ kind: 'house' }))).status).toBe(200);
    expect(
      (await shelfRoute.POST(post({ item: { id: 'l', name: '5 A 3 m', school: 'awg' }, seen: null }), at({ kind: 'line' }))).status,
    ).toBe(200);
    expect(await (await shelfRoute.GET(get(), at({ kind: 'line' }))).json()).toMatchObject([{ item: { name: '5 A 3 m' } }]);
  });
  test('taking off answers what it was', async () => {
    const gone = () => itemRoute.DELETE(new Request('http://127.0.0.1:4000/x', { method: 'DELETE' }), at({ kind: 'line', id: 'l' }));
    expect(await (await gone()).json()).toMatchObject({ item: { name: '5 A 3 m' } });
    expect((await gone()).status).toBe(404);
  });
  test('a file of cards goes out and comes in', async () => {
    const file = await (await cardFileRoute.GET()).json();
    expect(await (await cardFileRoute.POST(post(file))).json()).toEqual({ added: 0, replaced: 1 });
    expect((await cardFileRoute.POST(post({ ...(file as object), version: 7 }))).status).toBe(400);
  });
  test('boats behind a card are named and brought to it', async () => {
    createBoat(database(), 'follower', withLoad(bareBoat('metric'), { cardId: 'fan', rating: 1 }, 4), 1);
    const affected = (await (await cardBoatsRoute.GET(get(), at({ id: 'fan' }))).json()) as { boatId: string }[];
    expect(affected.map((a) => a.boatId)).toEqual(['follower']);
    expect(await (await cardBoatsRoute.POST(post({ boatIds: ['follower'] }), at({ id: 'fan' }))).json()).toEqual({ changed: ['follower'] });
    expect(openBoat(database(), 'follower')?.design.loads[0]?.rating).toBe(25);
    expect((await cardBoatsRoute.GET(get(), at({ id: 'nothing' }))).status).toBe(404);
  });
});

describe('files', () => {
  test('a spreadsheet becomes rows; rubbish is refused in words', async () => {
    const answer = await tablesRoute.POST(post(strToU8('a;b\n1,5;2\n')));
    expect(await answer.json()).toMatchObject({
      sheets: [
        {
          rows: [
            ['a', 'b'],
            ['1,5', '2'],
          ],
        },
      ],
    });
    expect((await tablesRoute.POST(post(new Uint8Array()))).status).toBe(422);
    expect((await tablesRoute.POST(post(new Uint8Array(9_000_000)))).status).toBe(413);
  });
  test('a picture goes in, is served as a picture only, and travels in the zip', async () => {
    const id = boat('pictured');
    const png = await sharp({ create: { width: 20, height: 10, channels: 3, background: '#123' } })
      .png()
      .toBuffer();
    const answer = await photosRoute.POST(post(new Uint8Array(png)), at({ id }));
    expect(answer.status).toBe(201);
    const picture = (await answer.json()) as { id: string; widthPx: number; heightPx: number };
    const photo = { ...picture, caption: '', about: { kind: 'boat', id: 'boat' } };
    const added = await editsRoute.POST(
      post({
        edit: { id: 'edit-pic-0001', label: 'picture', ops: [{ op: 'add', path: ['photos'], after: null, row: photo }] },
        force: false,
      }),
      at({ id }),
    );
    expect(added.status).toBe(200);
    const served = await photoRoute.GET(get(), at({ id, photo: picture.id }));
    expect(served.headers.get('content-type')).toBe('image/jpeg');
    expect(served.headers.get('x-content-type-options')).toBe('nosniff');
    expect((await photoRoute.GET(get(), at({ id: 'edited', photo: picture.id }))).status).toBe(404);
    const zip = new Uint8Array(await (await exportRoute.GET(get('http://127.0.0.1:4000/x?as=zip'), at({ id }))).arrayBuffer());
    expect(Object.keys(unzipSync(zip)).sort()).toEqual(['design.json', 'history.json', `photos/${picture.id}.jpg`, 'records.json']);
    const back = await boatsRoute.POST(post(zip, fromFile));
    expect(back.status).toBe(201);
    const { id: copy } = (await back.json()) as { id: string };
    expect(openBoat(database(), copy)?.design.photos).toHaveLength(1);
  });
  test.each([
    ['a script', strToU8('<script>alert(1)</script>'), 422],
    ['too large a file', new Uint8Array(15_000_001), 413],
  ])('%s is no picture', async (_, body, status) =>
    expect((await photosRoute.POST(post(body), at({ id: 'pictured' }))).status).toBe(status),
  );
  test('no picture of a boat that is not there', async () =>
    expect((await photosRoute.POST(post(strToU8('x')), at({ id: 'nobody' }))).status).toBe(404));
  test('an archive without a design is refused', async () =>
    expect((await boatsRoute.POST(post(zipSync({ 'x.txt': strToU8('x') }), fromFile))).status).toBe(422));
  test('the export is the design, under the boat’s name', async () => {
    const answer = await exportRoute.GET(get(), at({ id: 'edited' }));
    expect(answer.headers.get('content-disposition')).toContain('test-boat.solenix.json');
    expect(await answer.json()).toMatchObject({ format: 'solenix-design', version: 5 });
    expect((await exportRoute.GET(get(), at({ id: 'nobody' }))).status).toBe(404);
  });
});

describe('the whole analysis of a file', () => {
  const answerOf = async (response: Response) =>
    (await response.json()) as { findings: { id: string; severity: string; title: string }[]; drawing?: string; furtherSheets?: string[] };
  test('is answered as JSON, with the findings of the screen', async () => {
    const answer = await analyseRoute.POST(post(design));
    expect(answer.status).toBe(200);
    const read = await answerOf(answer);
    expect(read).toMatchObject({ circuits: expect.any(Array) as unknown, acCircuits: [], studies: [] });
    const analysis = analyse(design);
    expect(read.findings.map((f) => f.id)).toEqual(everyFinding(analysis, studied(design, analysis)).map((f) => f.id));
  });
  test('with the line drawing as SVG, where it is asked for', async () => {
    const read = await answerOf(await analyseRoute.POST(post(design, 'http://127.0.0.1:4000/x?drawing=one%20line&sheet=A4')));
    expect(read.drawing).toMatch(/^<svg[^>]*data-sheet="A4"/);
    expect(read.drawing).toContain('Thing');
    expect(read.furtherSheets).toEqual([]);
  });
  test('a file of the first version is read', async () => {
    const { plan: _plan, routes: _, departures: __, photos: ___, ...old } = design;
    expect((await analyseRoute.POST(post({ ...old, version: 1 }))).status).toBe(200);
  });
  test('what is no design is refused', async () => expect((await analyseRoute.POST(post({ format: 'x' }))).status).toBe(422));
});

describe('a panel that feeds itself', () => {
  const onItself = (d: Design): Design => ({
    ...d,
    circuits: d.circuits.map((c) => (c.id === 'c-feed' ? { ...c, from: { kind: 'panel' as const, id: 'panel' } } : c)),
  });
  test('is answered with a stop that names the loop', async () => {
    const answer = await analyseRoute.POST(post(onItself(design)));
    const { findings } = (await answer.json()) as { findings: { id: string; severity: string; title: string }[] };
    expect(findings.find((f) => f.id === 'loop:c-feed')).toMatchObject({ severity: 'stop', title: 'feeds itself: Panel → Panel' });
  });
  test('is refused as an edit; one that is stored opens, and may be edited and mended', async () => {
    createBoat(database(), 'ring', design, 1);
    const edit = (id: string, d: Design, path: string[], to: unknown) =>
      editsRoute.POST(post({ edit: { id, label: 'x', ops: [setOp(d, path, to)] }, force: false }), at({ id: 'ring' }));
    const refused = await edit('ring-edit-1', design, ['circuits', 'c-feed', 'from'], { kind: 'panel', id: 'panel' });
    expect(refused.status).toBe(422);
    expect(((await refused.json()) as { error: string }).error).toContain('Panel → Panel');
    database()
      .update(boats)
      .set(keptAs(onItself(design)))
      .where(eq(boats.id, 'ring'))
      .run();
    const stored = onItself(design);
    expect((await edit('ring-edit-2', stored, ['boat', 'note'], 'seen')).status).toBe(200);
    expect((await edit('ring-edit-3', stored, ['circuits', 'c-feed', 'from'], { kind: 'panel', id: 'main' })).status).toBe(200);
  });
});

describe('proposals and scratch lines', () => {
  test('a proposal answers the design and what it added', async () => {
    const answer = await proposeRoute.POST(post({ design, what: ['mainSide'] }));
    const { changes } = (await answer.json()) as { changes: { list: string }[] };
    expect(new Set(changes.map((c) => c.list))).toEqual(new Set(['bars', 'leads']));
  });
  test.each([
    [{ design: {}, what: ['circuits'] }, 'the design was not understood'],
    [{ design, what: ['everything'] }, 'what.0: one of'],
    ['{', 'not JSON'],
  ])('what is not understood is said', async (body, words) => {
    const answer = await proposeRoute.POST(post(body));
    expect(answer.status).toBe(422);
    expect(((await answer.json()) as { error: string }).error).toContain(words);
  });
  test('a scratch line', async () => {
    const answer = await scratchRoute.POST(post({ line: '60 W pump 12 V 5 m', ruleSet: 'awg' }));
    expect(await answer.json()).toMatchObject({ school: 'awg', legs: 1 });
    expect((await scratchRoute.POST(post({ line: 'what' }))).status).toBe(422);
  });
});
