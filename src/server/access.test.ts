/** Who may do what once other machines reach the server. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { blankDesign } from '@/core/design';
import { give, grantOf, grantsNow, hasPassphrase, listGrants, may, Patience, revoke, SESSION_MS, setPassphrase, signIn } from './access';
import { createBoat } from './boats';
import { openDatabase } from './database';
import { goingTo, isBeforeDoor, isGuarded, LINK_COOKIE, SESSION_COOKIE } from './gate';

const folder = mkdtempSync(join(tmpdir(), 'solenix-access-'));
afterAll(() => rmSync(folder, { recursive: true }));
const db = openDatabase(folder);
createBoat(db, 'mine', blankDesign('Mine', 'metric', 10, 3, 12), 1);
createBoat(db, 'other', blankDesign('Other', 'metric', 10, 3, 12), 1);
const PASS = 'seven tall ships';

const asked = (path: string, more: { session?: string; link?: string; key?: string; method?: string } = {}) => ({
  method: more.method ?? 'GET',
  path,
  cookies: new Map([
    ...(more.session ? [[SESSION_COOKIE, more.session] as const] : []),
    ...(more.link ? [[LINK_COOKIE, more.link] as const] : []),
  ]),
  authorization: more.key ? `Bearer ${more.key}` : null,
});

describe('the passphrase', () => {
  test('is long enough, and is kept as a salted hash alone', () => {
    expect(setPassphrase(db, 'short', 1)).toMatch(/10 letters/);
    expect(hasPassphrase(db)).toBe(false);
    expect(setPassphrase(db, PASS, 1)).toBeNull();
    const row = JSON.stringify(db.$client.prepare('select * from passphrases').all());
    expect(row).not.toContain(PASS);
    expect(row).toMatch(/"hash":"[0-9a-f]{64}"/);
  });
  test('lets in, by a token the file does not hold; another does not', () => {
    const patience = new Patience();
    const done = signIn(db, patience, PASS, 'Anna', 'a', 10);
    if (!done.ok) throw new Error(done.why);
    expect(may(db, asked('/', { session: done.token }), 11)).toEqual({ may: 'all' });
    expect(JSON.stringify(db.$client.prepare('select * from grants').all())).not.toContain(done.token);
    expect(signIn(db, patience, `${PASS}!`, 'Anna', 'a', 10)).toMatchObject({ ok: false, why: 'that is not the passphrase' });
    // The same letters, put together differently by another keyboard.
    setPassphrase(db, 'sieben große Schiffe é', 12);
    expect(signIn(db, patience, 'sieben große Schiffe e\u0301', 'Anna', 'a', 13).ok).toBe(true);
    expect(may(db, asked('/', { session: done.token }), 14)).toEqual({ may: 'nothing' });
    setPassphrase(db, PASS, 15);
  });
  test('asked for wrongly makes the next answer wait, twice as long each time, from where it was asked', () => {
    const patience = new Patience();
    const waits: number[] = [];
    let now = 1000;
    for (let i = 0; i < 8; i++) {
      signIn(db, patience, 'wrong wrong', 'X', 'away', now);
      waits.push(patience.waits('away', now));
      now += patience.waits('away', now);
    }
    expect(waits).toEqual([0, 0, 0, 0, 1000, 2000, 4000, 8000]);
    expect(signIn(db, patience, PASS, 'X', 'here', now).ok).toBe(true);
    signIn(db, patience, 'wrong wrong', 'X', 'away', now);
    expect(signIn(db, patience, PASS, 'X', 'away', now)).toMatchObject({ ok: false, why: expect.stringContaining('wait') as string });
    expect(signIn(db, patience, PASS, 'X', 'away', now + 300_000).ok).toBe(true);
    expect(patience.waits('away', now + 300_000)).toBe(0);
  });
});

test('from ever new addresses the answers are counted all the same', () => {
  const patience = new Patience();
  const waits = Array.from({ length: 34 }, (_, i) => {
    patience.failed(`stranger ${i}`, 1000);
    return patience.waits('somebody else', 1000);
  });
  expect(waits.slice(28)).toEqual([0, 0, 1000, 2000, 4000, 8000]);
  for (let i = 0; i < 1500; i++) patience.failed(`stranger ${i}`, 1000);
  expect(patience.waits('yet another', 1000)).toBe(300_000);
  patience.succeeded('somebody else');
  expect(patience.waits('yet another', 1000)).toBe(0);
});

test('a session ends by itself, and by one press of somebody else', () => {
  const { id, token } = give(db, 'session', { name: 'Ben', expiresAt: 1000 + SESSION_MS }, 1000);
  expect(may(db, asked('/x', { session: token }), 1000 + SESSION_MS - 1)).toEqual({ may: 'all' });
  expect(may(db, asked('/x', { session: token }), 1000 + SESSION_MS)).toEqual({ may: 'nothing' });
  expect(listGrants(db, 'session', 2000).map((s) => s.name)).toContain('Ben');
  expect(revoke(db, id)).toBe(true);
  expect(revoke(db, id)).toBe(false);
  expect(may(db, asked('/x', { session: token }), 2000)).toEqual({ may: 'nothing' });
});

test('a program comes in by its key until that is taken back; what is no key does not', () => {
  const { id, token } = give(db, 'key', { name: 'The yard’s program' }, 1);
  expect(may(db, asked('/api/boats', { key: token, method: 'POST' }), 2)).toEqual({ may: 'all' });
  expect(may(db, asked('/api/boats', { key: 'x'.repeat(32) }), 2)).toEqual({ may: 'nothing' });
  expect(may(db, { ...asked('/api/boats'), authorization: 'Basic abc' }, 2)).toEqual({ may: 'nothing' });
  // A key is no session, nor the other way about.
  expect(may(db, asked('/', { session: token }), 2)).toEqual({ may: 'nothing' });
  expect(grantsNow(db).keys).toMatchObject([{ name: 'The yard’s program', seenAt: 2 }]);
  revoke(db, id);
  expect(may(db, asked('/api/boats', { key: token }), 3)).toEqual({ may: 'nothing' });
});

test('a link shows one boat, changes nothing, shows no other, and ends', () => {
  const { id, token } = give(db, 'link', { name: 'Surveyor', boatId: 'mine', expiresAt: 5000 }, 1);
  const look = { may: 'look', boatId: 'mine' };
  for (const path of ['/boats/mine/survey', '/api/boats/mine', '/api/boats/mine/events', '/api/boats/mine/photos/P1'])
    expect([path, may(db, asked(path, { link: token }), 2)]).toEqual([path, look]);
  for (const path of [
    '/',
    '/api/boats',
    '/boats/other/survey',
    '/boats/mine2/survey',
    '/api/boats/other',
    '/api/shelf/card',
    '/api/backup',
    '/access',
  ])
    expect([path, may(db, asked(path, { link: token }), 2)]).toEqual([path, { may: 'nothing' }]);
  for (const method of ['POST', 'DELETE', 'PUT'])
    expect(may(db, asked('/api/boats/mine/edits', { link: token, method }), 2)).toEqual({ may: 'nothing' });
  expect(grantOf(db, 'link', token, 5000)).toBeNull();
  expect(listGrants(db, 'link', 2, 'other')).toEqual([]);
  expect(listGrants(db, 'link', 2, 'mine')).toMatchObject([{ name: 'Surveyor', boat: 'Mine' }]);
  revoke(db, id);
  expect(may(db, asked('/boats/mine/survey', { link: token }), 2)).toEqual({ may: 'nothing' });
});

test('guarded is what other machines reach', () => {
  for (const HOST of [undefined, '', 'localhost', '127.0.0.1', '127.1.2.3', '::1'])
    expect([HOST, isGuarded({ HOST })]).toEqual([HOST, false]);
  for (const HOST of ['0.0.0.0', '::', '192.168.1.5', 'boat.local', '1270.0.0.1'])
    expect([HOST, isGuarded({ HOST })]).toEqual([HOST, true]);
  expect(isGuarded({ SOLENIX_GUARDED: '1' })).toBe(true);
});

test('before the door stand the door itself, links, and what pages are made of', () => {
  for (const path of ['/enter', '/api/session', '/view/abc_-1', '/_next/static/chunks/a.js', '/icon.svg'])
    expect([path, isBeforeDoor(path)]).toEqual([path, true]);
  for (const path of ['/', '/enter/x', '/api/session/x', '/view/', '/view/a/b', '/_next/image', '/icons/../api/boats', '/api/boats'])
    expect([path, isBeforeDoor(path)]).toEqual([path, false]);
});

test('after the door one goes on within, and nowhere else', () => {
  expect(goingTo('/boats/mine/wiring?line=5')).toBe('/boats/mine/wiring?line=5');
  for (const to of ['//elsewhere.example', 'https://elsewhere.example', '/\\elsewhere.example', '\\\\x', 'javascript:alert(1)', '', null])
    expect([to, goingTo(to)]).toEqual([to, '/']);
});
