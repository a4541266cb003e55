/** Who is let in, and what a page may run. */
import { type Asked, contentPolicy, hostName, ownHosts, refusal } from './door';

const own = ownHosts(undefined);
const ask = (change: Partial<Asked>): string | null =>
  refusal({ method: 'GET', path: '/api/boats', host: '127.0.0.1:4170', origin: null, site: null, mode: null, ...change }, own);

describe('the host', () => {
  test.each(['127.0.0.1:4170', 'localhost:4170', 'LOCALHOST', '[::1]:4170', '127.0.0.1'])('%s is ours', (host) =>
    expect(ask({ host })).toBeNull(),
  );
  test.each([
    null,
    '',
    'elsewhere.example',
    'elsewhere.example:4170',
    '127.0.0.1.elsewhere.example',
    'localhost.elsewhere.example:4170',
    '127.0.0.1:4170:80',
    'a b',
    '127.0.0.1/x',
  ])('%p is not', (host) => expect(ask({ host })).toMatch(/does not answer as/));
  test('a name made to point here gets nothing, though its own page asks: Origin and Host agree', () => {
    const rebound = { host: 'elsewhere.example:4170', origin: 'http://elsewhere.example:4170', site: 'same-origin' };
    for (const method of ['GET', 'POST', 'DELETE']) expect(ask({ ...rebound, method })).not.toBeNull();
  });
  test('names of SOLENIX_HOSTS are ours too, with or without a port; what is no host is left out', () => {
    const named = ownHosts('workshop.local, 192.168.4.2:8080,,not a host');
    expect([...named].sort()).toEqual(['127.0.0.1', '192.168.4.2', '[::1]', 'localhost', 'workshop.local']);
    expect(refusal({ method: 'GET', path: '/', host: 'Workshop.local:4170', origin: null, site: null, mode: null }, named)).toBeNull();
    expect(hostName('nobody@127.0.0.1')).toBeNull();
  });
});

describe('another site’s page', () => {
  test.each(['http://elsewhere.example', 'null', 'http://127.0.0.1:4171', 'http://localhost:4170', 'not a url'])(
    'from %s neither reads nor writes nor listens',
    (origin) => {
      for (const method of ['GET', 'POST', 'PUT', 'DELETE'])
        expect(ask({ method, origin, path: '/api/boats/x/events' })).toBe('requests from other sites are refused');
    },
  );
  test.each(['cross-site', 'same-site'])('that hides its Origin is told by its fetch metadata, %s', (site) => {
    expect(ask({ site, mode: 'no-cors' })).not.toBeNull();
    expect(ask({ site, mode: 'cors', method: 'POST' })).not.toBeNull();
    // Opened as a page of its own an API answer would still be read by nobody, and is not given.
    expect(ask({ site, mode: 'navigate' })).not.toBeNull();
    expect(ask({ site, mode: 'no-cors', path: '/boats/x/check' })).not.toBeNull();
  });
  test('may link to a boat: a page opened by a person', () => {
    expect(ask({ site: 'cross-site', mode: 'navigate', path: '/boats/x/check' })).toBeNull();
    expect(ask({ site: 'cross-site', mode: 'navigate', path: '/boats/x/check', method: 'POST' })).not.toBeNull();
  });
});

test('our own pages, typed addresses and programs come in', () => {
  expect(ask({ origin: 'http://127.0.0.1:4170', site: 'same-origin', mode: 'cors', method: 'POST' })).toBeNull();
  expect(ask({ site: 'none', mode: 'navigate', path: '/' })).toBeNull();
  expect(ask({ method: 'POST' })).toBeNull();
});

test('a page runs its own files and what carries its nonce, and talks to nobody else', () => {
  const policy = contentPolicy('abc');
  expect(policy).toContain("script-src 'self' 'nonce-abc' 'wasm-unsafe-eval';");
  expect(policy).toContain("connect-src 'self'");
  expect(policy).toContain("frame-ancestors 'none'");
  expect(policy).not.toMatch(/script-src[^;]*unsafe-inline|https?:/);
});
