/** The server as other machines reach it: who is let in, by what, and for how long. */
import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort, root, seed, serve } from '../scripts/lib.mjs';
import { alive, axe, expect, refusal, test } from './boat';
import { type Server, startServer } from './server';

const PASS = 'seven tall ships';
const script = (name: string, data: string, input = '', ...args: string[]): string =>
  execFileSync(process.execPath, [join(root, 'node_modules/tsx/dist/cli.mjs'), join(root, 'scripts', `${name}.ts`), ...args], {
    cwd: root,
    input,
    env: { ...process.env, SOLENIX_DATA: data },
    encoding: 'utf8',
  });

test.describe.configure({ mode: 'serial' });
let data = '';
let server: Server;
test.beforeAll(async () => {
  data = mkdtempSync(join(tmpdir(), 'solenix-guarded-'));
  seed(data, 'ignore');
});
test.afterAll(async () => {
  await server.stop('SIGTERM');
  rmSync(data, { recursive: true, force: true });
});

test('without a passphrase it does not start where others reach it, and says what to do', async () => {
  const child: ReturnType<typeof spawn> = serve(await freePort(0), data, ['ignore', 'ignore', 'pipe'], { HOST: '0.0.0.0' });
  let said = '';
  child.stderr?.on('data', (piece: Buffer) => (said += piece.toString()));
  expect(await new Promise((done) => child.once('exit', done))).toBe(1);
  expect(said).toContain('npm run passphrase');
  expect(() => script('passphrase', data, 'short\n')).toThrow();
  expect(script('passphrase', data, `${PASS}\n`)).toContain('Everybody signs in again');
  server = await startServer(data, await freePort(0), { HOST: '0.0.0.0' });
});

test('nothing is shown or answered before the door; by the passphrase one comes in, goes on where one wanted, and out again', async ({
  page,
}) => {
  for (const path of ['/api/boats', '/api/boats/marram', '/api/boats/marram/events', '/api/backup', '/api/boats/marram/export'])
    expect([path, (await page.request.get(`${server.url}${path}`)).status()]).toEqual([path, 401]);
  for (const path of ['/api/analyse', '/api/restore', '/api/boats?from=file'])
    expect([path, (await page.request.post(`${server.url}${path}`, { data: {} })).status()]).toEqual([path, 401]);
  await page.goto(`${server.url}/boats/marram/loads`);
  await expect(page).toHaveURL(/\/enter\?to=/);
  await alive(page);
  await axe(page);
  await page.getByLabel('your name').fill('Anna');
  await page.getByLabel('passphrase').fill('not that one');
  await page.getByRole('button', { name: 'come in' }).click();
  await expect(refusal(page)).toContainText('That is not the passphrase', { ignoreCase: true });
  await page.getByLabel('passphrase').fill(PASS);
  await page.getByRole('button', { name: 'come in' }).click();
  await expect(page).toHaveURL(/boats\/marram\/loads$/);
  await expect(page.getByTestId('saved')).toContainText('saved');
  await expect(page.getByRole('button', { name: 'Anna' })).toBeVisible();
  // What lets in is out of reach of the page.
  expect(await page.evaluate(() => document.cookie)).not.toContain('solenix-session');
  await page.goto(`${server.url}/access`);
  await expect(page.getByRole('table', { name: 'Devices signed in' })).toContainText('Anna');
  await axe(page);
  await page.getByRole('button', { name: 'sign out here' }).click();
  await expect(page.getByRole('button', { name: 'come in' })).toBeVisible();
  await page.goto(`${server.url}/`);
  await expect(page).toHaveURL(/\/enter/);
});

test('a program comes in by a key until it is taken back; an owner by a link that shows one boat and changes nothing', async ({
  page,
  browser,
  playwright,
}) => {
  await page.goto(`${server.url}/access`);
  await alive(page);
  await page.getByLabel('your name').fill('Anna');
  await page.getByLabel('passphrase').fill(PASS);
  await page.getByRole('button', { name: 'come in' }).click();
  await page.getByLabel('what it is for').fill('the yard');
  await page.getByRole('button', { name: 'make a key' }).click();
  const key = /Bearer (\S+)/.exec((await page.getByRole('status').textContent()) ?? '')?.[1] ?? '';
  const program = await playwright.request.newContext({ extraHTTPHeaders: { authorization: `Bearer ${key}` } });
  expect((await program.get(`${server.url}/api/boats`)).status()).toBe(200);
  await page.getByRole('button', { name: 'take back the yard' }).click();
  await expect(page.getByRole('table', { name: 'Keys of programs' })).toHaveCount(0);
  expect((await program.get(`${server.url}/api/boats`)).status()).toBe(401);
  await program.dispose();

  await page.goto(`${server.url}/boats/marram/loads`);
  await page.getByRole('button', { name: 'show to somebody' }).click();
  await page.getByLabel('for whom').fill('the owner');
  await page.getByRole('button', { name: 'make a link' }).click();
  const link = /https?:\S+/.exec((await page.getByRole('status').filter({ hasText: 'Shown this once' }).textContent()) ?? '')?.[0] ?? '';

  const owner = await browser.newContext();
  const seen = await owner.newPage();
  await seen.goto(link);
  await expect(seen).toHaveURL(/boats\/marram\/survey$/);
  await expect(seen.getByText('shown by a link')).toBeVisible();
  await seen.goto(`${server.url}/boats/marram/loads`);
  await seen.getByRole('row').filter({ hasText: 'Deck wash pump' }).locator('[data-col="note"]').click();
  await seen.keyboard.type('mine');
  await seen.keyboard.press('Enter');
  await expect(refusal(seen)).toContainText('nothing is changed by it');
  expect((await seen.request.post(`${server.url}/api/boats/marram/edits`, { data: {} })).status()).toBe(401);
  await seen.goto(`${server.url}/boats/turnstone/survey`);
  await expect(seen).toHaveURL(/\/enter/);

  await page.goto(`${server.url}/access`);
  await page.getByRole('button', { name: 'take back the owner' }).click();
  await expect(page.getByRole('table', { name: 'Links that show one boat' })).toHaveCount(0);
  await seen.goto(`${server.url}/boats/marram/loads`);
  await expect(seen).toHaveURL(/\/enter/);
  await owner.close();
});

test('over TLS, by a certificate of its own making', async ({ browser }) => {
  expect(script('certificate', data, '', 'boat.example')).toContain('A tablet trusts it once');
  const port = await freePort(0);
  const child = spawn(process.execPath, [join(root, 'scripts/start.mjs')], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'inherit'],
    env: {
      ...process.env,
      HOST: '0.0.0.0',
      PORT: String(port),
      SOLENIX_DATA: data,
      SOLENIX_TLS_CERT: join(data, 'tls/certificate.pem'),
      SOLENIX_TLS_KEY: join(data, 'tls/key.pem'),
    },
  });
  try {
    await new Promise<void>((ready) => child.stdout.on('data', (piece: Buffer) => piece.toString().includes('https://') && ready()));
    const context = await browser.newContext({ ignoreHTTPSErrors: true });
    const page = await context.newPage();
    await page.goto(`https://127.0.0.1:${port}/`);
    await alive(page);
    await page.getByLabel('your name').fill('Anna');
    await page.getByLabel('passphrase').fill(PASS);
    await page.getByRole('button', { name: 'come in' }).click();
    await expect(page.getByRole('link', { name: 'Marram', exact: true })).toBeVisible();
    const [cookie] = await context.cookies();
    expect([cookie?.secure, cookie?.httpOnly, cookie?.sameSite]).toEqual([true, true, 'Strict']);
    await context.close();
  } finally {
    child.kill('SIGTERM');
    await new Promise((done) => child.once('exit', done));
  }
});
