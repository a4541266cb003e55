/** Who is let in, in a real browser: names that were made to point here, pages of other sites, and what a page may run. */
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { chromiumOptions } from '../scripts/lib.mjs';
import { expect, open, test, url } from './boat';

/** Both names lead to this machine; only one of them is ours. */
const FOREIGN = 'elsewhere.example';
test.use({ launchOptions: { ...chromiumOptions, args: [...chromiumOptions.args, `--host-resolver-rules=MAP ${FOREIGN} 127.0.0.1`] } });

let other: Server;
let otherUrl = '';
test.beforeAll(async () => {
  other = createServer((_, answer) => answer.setHeader('content-type', 'text/html').end('<!doctype html><title>other</title><p>other'));
  await new Promise<void>((done) => other.listen(0, '127.0.0.1', done));
  otherUrl = `http://${FOREIGN}:${(other.address() as AddressInfo).port}/`;
});
test.afterAll(() => void other.close());

test('a foreign name that points here gets neither page nor boats, though its own page asks', async ({ page, marram }) => {
  const ours = new URL(url());
  const as = `http://${FOREIGN}:${ours.port}`;
  const answer = await page.goto(`${as}/boats/${marram}/survey`);
  expect(answer?.status()).toBe(403);
  await expect(page.locator('body')).toContainText('does not answer as elsewhere.example');
  // That page is of the foreign name's own origin: what it asks for is "same-origin" to the browser.
  const got = await page.evaluate(async (id) => {
    const list = await fetch('/api/boats');
    const gone = await fetch(`/api/boats/${id}`, { method: 'DELETE' });
    return [list.status, gone.status];
  }, marram);
  expect(got).toEqual([403, 403]);
  expect((await page.request.get(`${url()}/api/boats/${marram}`)).status()).toBe(200);
});

test('another site’s page reads nothing, changes nothing, listens to nothing, but may link here', async ({ page, marram }) => {
  await page.goto(otherUrl);
  const tried = await page.evaluate(
    async ([base, id]) => {
      const ask = (path: string, how: RequestInit): Promise<string> =>
        fetch(`${base}${path}`, how).then(
          (r) => `${r.type} ${r.status}`,
          () => 'refused',
        );
      return {
        read: await ask('/api/boats', {}),
        quiet: await ask(`/api/boats/${id}/export`, { mode: 'no-cors' }),
        write: await ask(`/api/boats/${id}`, { method: 'DELETE' }),
        form: await ask('/api/boats?from=file', { method: 'POST', mode: 'no-cors', body: '{}' }),
      };
    },
    [url(), marram] as const,
  );
  // An opaque answer tells a page nothing; the server's own refusal is asked for below.
  expect([tried.read, tried.write]).toEqual(['refused', 'refused']);
  for (const opaque of [tried.quiet, tried.form]) expect(['refused', 'opaque 0']).toContain(opaque);
  expect((await page.request.get(`${url()}/api/boats/${marram}`)).status()).toBe(200);
  const foreign = { headers: { origin: 'http://elsewhere.example', 'content-type': 'application/zip' }, data: 'x' };
  for (const path of ['/api/restore', '/api/boats?from=file', '/api/shelf'])
    expect([path, (await page.request.post(`${url()}${path}`, foreign)).status()]).toEqual([path, 403]);
  await page.setContent(`<a href="${url()}/boats/${marram}/check">her findings</a>`);
  await page.getByRole('link', { name: 'her findings' }).click();
  await page.waitForURL(/check$/);
  await expect(page.getByTestId('saved')).toContainText('saved');
});

test('every station runs under the policy: no script, style, worker or connection of it is blocked, no hydration fault', async ({
  page,
  marram,
}) => {
  const faults: string[] = [];
  page.on('console', (m) => {
    if (m.type() === 'error' || /Content.Security.Policy|hydrat/i.test(m.text())) faults.push(m.text());
  });
  page.on('pageerror', (e) => faults.push(e.message));
  for (const station of ['survey', 'loads', 'bank', 'charging', 'ac', 'wiring', 'protection', 'check', 'build']) {
    await open(page, marram, station);
    await page.waitForTimeout(300);
  }
  expect(faults).toEqual([]);
  const policy = (await page.request.get(`${url()}/boats/${marram}/survey`)).headers()['content-security-policy'];
  expect(policy).toMatch(/script-src 'self' 'nonce-[A-Za-z0-9+/=]+' 'wasm-unsafe-eval'/);
  // A script without the nonce does not run.
  await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'window.__slipped = true';
    document.body.append(script);
  });
  expect(await page.evaluate(() => '__slipped' in window)).toBe(false);
});
