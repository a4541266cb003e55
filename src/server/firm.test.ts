/** The firm's shelf, pictures and archives, on a database of their own. */
import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import { blankLoad, type Card, cardFrom, defaultHouse, type Design, type Load, type Op, setOp, withCard } from '@/core/design';
import { bareBoat, withLoad } from '@/core/design/testing';
import { packBoat, photoName, unfold, unpackBoat } from './archive';
import { createBoat, openBoat } from './boats';
import { editBoat, stepBoat } from './history';
import { historyRows, historyText } from './historyFile';
import { openDatabase } from './database';
import { importArchive } from './importBoat';
import { keepPhoto, photoBytes, reencode } from './photos';
import { applyCard, boatsBehind, fromShelf, listShelf, putCards, putOnShelf, putShelf, shelfFile, takeOffShelf } from './shelf';

const folder = mkdtempSync(join(tmpdir(), 'solenix-firm-'));
process.env.SOLENIX_DATA = folder;
afterAll(() => rmSync(folder, { recursive: true }));
const db = openDatabase(folder);

const pump: Load = { ...blankLoad('x', 12), name: 'Wash-down pump', rating: 90, makerFuseA: 10, research: 'researched' };
const card = (change: Partial<Card> = {}): Card => ({ ...cardFrom(pump, 'pump'), ...change });

test('all that is on the shelf goes out as one file and comes in again, all or none', () => {
  const other = openDatabase(join(folder, 'other'));
  const line = { id: 'line-1', name: '5 A 6 m', school: 'metric' as const };
  putOnShelf(other, 'card', card({ id: 'c1' }), null, 1);
  putOnShelf(other, 'house', { id: 'h1', name: 'Ours', school: 'metric', house: defaultHouse('metric') }, null, 1);
  putOnShelf(other, 'line', line, null, 1);
  const file = shelfFile(other);
  const third = openDatabase(join(folder, 'third'));
  putOnShelf(third, 'card', card({ id: 'c1', name: 'Mine' }), null, 1);
  expect(putShelf(third, file, 2)).toEqual({ added: 2, replaced: 1 });
  expect(shelfFile(third)).toEqual(file);
  const broken = { ...file, card: [card({ id: 'c2' })], line: [{ ...line, id: null as unknown as string }] };
  expect(() => putShelf(third, broken, 3)).toThrow();
  expect(shelfFile(third)).toEqual(file);
});

describe('the shelf', () => {
  test('a card is kept with its revision and read back whole', () => {
    expect(putOnShelf(db, 'card', card(), null, 1)).toEqual({ ok: true, revision: 1 });
    expect(fromShelf(db, 'card', 'pump')).toEqual({ revision: 1, item: card() });
  });
  test('a stale change is answered with the other one, and changes nothing', () => {
    expect(putOnShelf(db, 'card', card({ rating: 95 }), 1, 2)).toEqual({ ok: true, revision: 2 });
    expect(putOnShelf(db, 'card', card({ rating: 99 }), 1, 3)).toMatchObject({ ok: false, theirs: { revision: 2, item: { rating: 95 } } });
    expect(fromShelf(db, 'card', 'pump')?.item.rating).toBe(95);
  });
  test('a second one of the same id is no new one', () => expect(putOnShelf(db, 'card', card(), null, 4).ok).toBe(false));
  test('taken off, it is told whole and can be put back', () => {
    const gone = takeOffShelf(db, 'card', 'pump');
    expect(listShelf(db, 'card')).toEqual([]);
    expect(takeOffShelf(db, 'card', 'pump')).toBeNull();
    expect(gone && putOnShelf(db, 'card', gone.item, null, 5).ok).toBe(true);
  });
  test('a file of cards adds what is new and replaces what is known', () => {
    expect(putCards(db, [card({ rating: 80 }), { ...card(), id: 'other', name: 'Another' }], 6)).toEqual({ added: 1, replaced: 1 });
    expect(listShelf(db, 'card').map((c) => c.item.name)).toEqual(['Another', 'Wash-down pump']);
  });
  test('house rules stand on a shelf of their own', () => {
    const set = { id: 'yard', name: 'Yard rules', school: 'awg' as const, house: { ...defaultHouse('awg'), criticalDropPct: 2 } };
    expect(putOnShelf(db, 'house', set, null, 7).ok).toBe(true);
    expect(fromShelf(db, 'house', 'yard')?.item.house.criticalDropPct).toBe(2);
    expect(fromShelf(db, 'card', 'yard')).toBeNull();
  });
});

describe('a corrected card', () => {
  const boat = (id: string, change: Partial<Load> = {}): Design => {
    const design = withLoad(bareBoat('metric'), { ...withCard(pump, card()), ...change }, 4);
    createBoat(db, id, design, 1);
    return design;
  };
  const ratingOn = (id: string) => openBoat(db, id)?.design.loads[0]?.rating;

  test('names the boats it concerns, changes those chosen, and each can take it back', () => {
    boat('b1');
    boat('b2');
    boat('b3', { cardId: null });
    const better = card({ rating: 110 });
    expect(boatsBehind(db, better)).toEqual(
      [
        { boatId: 'b1', boat: 'Test boat', loads: ['Wash-down pump'] },
        { boatId: 'b2', boat: 'Test boat', loads: ['Wash-down pump'] },
      ].sort((a, b) => a.boatId.localeCompare(b.boatId)),
    );
    const done = applyCard(db, better, ['b1', 'b3', 'nowhere'], (id) => `card-${id}-0001`, 8);
    expect(done.map((d) => [d.boatId, d.result.ok])).toEqual([['b1', true]]);
    expect([ratingOn('b1'), ratingOn('b2'), ratingOn('b3')]).toEqual([110, 90, 90]);
    expect(boatsBehind(db, better).map((b) => b.boatId)).toEqual(['b2']);
    stepBoat(db, 'b1', { step: 'undo', id: 'undo-card-01', force: false }, 9);
    expect(ratingOn('b1')).toBe(90);
  });
  test('what is the boat’s own stays: place, quantity, hours', () => {
    const own = { ...pump, quantity: 3, placeId: 'bow', hours: { anchor: 2 } };
    expect(withCard(own, card({ rating: 70 }))).toMatchObject({
      quantity: 3,
      placeId: 'bow',
      hours: { anchor: 2 },
      rating: 70,
      name: 'Wash-down pump',
    });
  });
});

const png = (widthPx: number, heightPx: number): Promise<Buffer> =>
  sharp({ create: { width: widthPx, height: heightPx, channels: 3, background: '#a25a22' } })
    .png()
    .toBuffer();

describe('pictures', () => {
  beforeAll(() => createBoat(db, 'seen', bareBoat('metric'), 1));
  test('are made anew as JPEG, 2000 px at most, without what else the file carried', async () => {
    const made = await reencode(
      await sharp(await png(3000, 1500))
        .withExif({ IFD0: { Copyright: 'somebody' } })
        .png()
        .toBuffer(),
    );
    expect(made).toMatchObject({ widthPx: 2000, heightPx: 1000 });
    const meta = await sharp(made?.data).metadata();
    expect(meta.format).toBe('jpeg');
    expect(meta.exif).toBeUndefined();
  });
  test.each([
    ['text', strToU8('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>')],
    ['a page', strToU8('<!doctype html><script>alert(1)</script>')],
    ['nothing', new Uint8Array()],
    ['half a picture', new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 0, 16])],
    ['a zip', zipSync({ 'a.txt': strToU8('x') })],
  ])('%s is no picture', async (_, bytes) => expect(await reencode(bytes)).toBeNull());
  test('are kept beside the database and only given to their own boat', async () => {
    const kept = await keepPhoto(db, 'seen', await png(40, 30), 1);
    if (!kept.ok) throw new Error(kept.reason);
    expect(kept.picture).toMatchObject({ widthPx: 40, heightPx: 30 });
    expect(existsSync(join(folder, 'photos', `${kept.picture.id}.jpg`))).toBe(true);
    const read = photoBytes(db, 'seen', kept.picture.id);
    expect(read.ok && read.bytes.subarray(0, 2)).toEqual(Buffer.from([0xff, 0xd8]));
    expect(photoBytes(db, 'b1', kept.picture.id)).toEqual({ ok: false, why: 'none' });
    expect(photoBytes(db, 'seen', '../solenix')).toEqual({ ok: false, why: 'none' });
    expect(readdirSync(join(folder, 'photos')).filter((f) => f.endsWith('.part'))).toEqual([]);
  });
});

describe('an archive', () => {
  const withPhoto = (id: string): Design => ({
    ...bareBoat('metric'),
    photos: [{ id, caption: 'Behind the panel', about: { kind: 'boat', id: 'boat' }, widthPx: 40, heightPx: 30 }],
  });
  test('carries design and pictures there and back', async () => {
    const packed = packBoat(withPhoto('p1'), () => strToU8('bytes'));
    const back = unpackBoat(packed);
    if (!back.ok) throw new Error(back.problems[0]?.message);
    expect(back.design).toEqual(withPhoto('p1'));
    expect(back.photos.get('p1')).toEqual(strToU8('bytes'));
  });
  test('imported, the boat has her pictures under ids of her own', async () => {
    const picture = await png(40, 30);
    const made = await importArchive(
      db,
      packBoat(withPhoto('p1'), () => picture),
      1,
    );
    if (!made.ok) throw new Error('refused');
    const [photo] = openBoat(db, made.id)?.design.photos ?? [];
    expect(made.unread).toBe(0);
    expect(photo).toMatchObject({ caption: 'Behind the panel', widthPx: 40 });
    expect(photo && photoBytes(db, made.id, photo.id).ok).toBe(true);
  });
  test('with her history she can be walked back where she is opened, pictures under their new ids too', async () => {
    createBoat(db, 'walked', bareBoat('metric'), 1);
    const first = await importArchive(
      db,
      packBoat(withPhoto('p1'), () => Buffer.alloc(0)),
      1,
    );
    expect(first).toMatchObject({ ok: true, unread: 1 });
    const picture = await png(40, 30);
    const edit = (id: string, ops: Op[]) =>
      editBoat(db, 'walked', { id, label: id, ops }, false, 5, { device: 'device-anna', name: 'Anna' });
    const photo = { id: 'Pold', caption: '', about: { kind: 'boat' as const, id: 'boat' }, widthPx: 40, heightPx: 30 };
    edit('add-picture', [{ op: 'add', path: ['photos'], after: null, row: photo }]);
    edit('caption-it', [{ op: 'set', path: ['photos', 'Pold', 'caption'], from: '', to: 'Behind the panel' }]);
    stepBoat(db, 'walked', { step: 'undo', id: 'step-walked-1', force: false }, 6);
    const boat = openBoat(db, 'walked');
    if (!boat) throw new Error('gone');
    const zip = packBoat(boat.design, () => picture, { history: historyText(historyRows(db, 'walked')) });
    const made = await importArchive(db, zip, 9);
    if (!made.ok) throw new Error(made.problems[0]?.message);
    const here = openBoat(db, made.id);
    expect(here).toMatchObject({ revision: 3, undo: 'add-picture', redo: 'caption-it' });
    expect(stepBoat(db, made.id, { step: 'redo', id: 'step-walked-2', force: false }, 10).ok).toBe(true);
    expect(openBoat(db, made.id)?.design.photos).toMatchObject([{ caption: 'Behind the panel', id: here?.design.photos[0]?.id }]);
    for (const id of ['step-walked-3', 'step-walked-4']) stepBoat(db, made.id, { step: 'undo', id, force: false }, 11);
    expect(openBoat(db, made.id)?.design.photos).toEqual([]);
  });
  test.each([
    ['is no JSON', '{'],
    ['is of another format', '{"format":"x","version":1,"edits":[]}'],
    [
      'runs backwards',
      historyText(
        [2, 1].map((revision) => ({
          revision,
          editId: `edit-${revision}-000`,
          label: 'x',
          kind: 'edit',
          state: 'done',
          ops: [],
          at: 1,
          by: null,
          named: null,
        })),
      ),
    ],
  ])('whose history %s is refused whole', (_, history) => {
    expect(unpackBoat(packBoat(bareBoat('metric'), () => null, { history }))).toMatchObject({
      ok: false,
      problems: [{ message: expect.stringContaining('history.json') as string }],
    });
  });
  test('a picture that is none is left out and counted', async () => {
    const made = await importArchive(
      db,
      packBoat(withPhoto('p1'), () => strToU8('<script>')),
      1,
    );
    expect(made).toMatchObject({ ok: true, unread: 1 });
  });
  test.each([
    ['no zip at all', strToU8('PK not really'), 'design.json'],
    ['one without a design', zipSync({ 'x.txt': strToU8('x') }), 'design.json'],
    ['one with a broken design', zipSync({ 'design.json': strToU8('{') }), 'not JSON'],
    ['one that unfolds without end', zipSync({ 'design.json': new Uint8Array(9_000_000) }), 'larger than'],
    ['one folded a thousand times', zipSync({ 'design.json': new Uint8Array(12_000_000) }), 'times its size'],
  ])('%s is refused in words', (_, zip, word) => {
    const read = unpackBoat(zip);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.problems[0]?.message).toContain(word);
  });
  test('what really comes out is counted, whatever the archive says of itself', () => {
    const bomb = zipSync({ 'a.bin': new Uint8Array(30_000_000) });
    // Its stated size made small: header fields of the local entry and the directory.
    const lying = new Uint8Array(bomb);
    new DataView(lying.buffer).setUint32(22, 10, true);
    expect(bomb.byteLength).toBeLessThan(100_000);
    for (const zip of [bomb, lying]) expect(unfold(zip, () => true, 1_000_000)).toMatchObject({ ok: false });
  });
  test('names that climb out of the folder are not taken', () => {
    const read = unpackBoat(
      zipSync({ 'design.json': strToU8(JSON.stringify(withPhoto('p1'))), '../evil.jpg': strToU8('x'), [photoName('p1')]: strToU8('y') }),
    );
    expect(read.ok && [...read.photos.keys()]).toEqual(['p1']);
  });
});

test('an edit that adds a row of an older shape is stored and told filled in', () => {
  createBoat(db, 'older', bareBoat('metric'), 1);
  const { standbyA: _, research: __, ...old } = { ...blankLoad('old', 12), name: 'Old row' };
  const result = editBoat(
    db,
    'older',
    { id: 'edit-older-1', label: 'add', ops: [{ op: 'add', path: ['loads'], after: null, row: old }] },
    false,
    2,
  );
  expect(result).toMatchObject({ ok: true, record: { ops: [{ row: { standbyA: null, research: 'unread' } }] } });
  const design = openBoat(db, 'older')?.design;
  expect(design?.loads[0]).toMatchObject({ id: 'old', standbyA: null });
  expect(
    design &&
      editBoat(db, 'older', { id: 'edit-older-2', label: 'rate', ops: [setOp(design, ['loads', 'old', 'rating'], 5)] }, false, 3).ok,
  ).toBe(true);
});
