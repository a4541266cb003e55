import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { cell, designOf, enter, expect, hinted, open, reload, saved, test, url } from './boat';
import { startServer } from './server';

test('a design goes out as a file and comes in elsewhere with nothing lost', async ({ page, halcyon }) => {
  await page.goto(url());
  const link = page.locator(`a[href="/api/boats/${halcyon}/export"]`);
  const [download] = await Promise.all([page.waitForEvent('download'), link.click()]);
  expect(download.suggestedFilename()).toBe('halcyon-drift.solenix.json');
  await page.getByLabel(/design file|solenix.json/).setInputFiles(await download.path());
  await page.waitForURL(/survey$/);
  const id = page.url().split('/')[4] ?? '';
  expect(id).not.toBe(halcyon);
  expect(await designOf(page, id)).toEqual(await designOf(page, halcyon));
});

const bad: readonly (readonly [name: string, text: (good: string) => string, told: RegExp])[] = [
  ['broken', (good) => good.slice(0, 900), /not JSON/],
  ['too new', (good) => good.replace(/"version": \d+/, '"version": 7'), /version 7/],
  ['another program’s', () => '{"circuits":[]}', /not a solenix-design file/],
  ['absurd', (good) => good.replace(/"rating": [\d.]+/, '"rating": 1e12'), /loads, row 1 \(Anchor light, LED\), rating: at most 100000/],
  ['malicious', (good) => good.replace('"loads": [', '"loads": [{"id":"__proto__","__proto__":{"x":1}},'), /loads, row 1/],
];
for (const [name, make, told] of bad)
  test(`a ${name} file is refused, naming the place, and changes nothing`, async ({ page }) => {
    const good = (await (await page.request.get(`${url()}/api/boats/marram/export`)).text()).replace('"Marram"', `"Bad ${name}"`);
    await page.goto(url());
    await page.getByLabel(/solenix.json/).setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(make(good)) });
    await expect(page.getByRole('alert').filter({ hasText: told })).toBeVisible();
    const boats = (await (await page.request.get(`${url()}/api/boats`)).json()) as { name: string }[];
    expect(boats.map((b) => b.name)).not.toContain(`Bad ${name}`);
  });

test('fifty megabytes are refused at the field and at the door', async ({ page }) => {
  await page.goto(url());
  const big = Buffer.alloc(50_000_000, 32);
  const answer = await page.request.post(`${url()}/api/boats?from=file`, { data: big, headers: { 'content-type': 'application/json' } });
  expect(answer.status()).toBe(413);
  expect((await page.request.post(`${url()}/api/analyse`, { data: big, headers: { 'content-type': 'application/json' } })).status()).toBe(
    413,
  );
  expect((await page.request.get(`${url()}/api/boats`)).status()).toBe(200);
});

test('the analysis is answered over HTTP, and bad requests are told what is wrong', async ({ page }) => {
  const design = await designOf(page, 'marram');
  const ask = (data: unknown) =>
    page.request.post(`${url()}/api/analyse`, {
      data: typeof data === 'string' ? data : JSON.stringify(data),
      headers: { 'content-type': 'application/json' },
    });
  const good = (await (await ask(design)).json()) as {
    circuits: { name: string; own: { ladder: { chosen: { size: string } } }; working: { sections: unknown[] } }[];
    cutList: { totalM: number };
  };
  expect(good.circuits).toHaveLength(design.circuits.length);
  expect(good.circuits.every((c) => c.working.sections.length > 3)).toBe(true);
  expect((await ask('{')).status()).toBe(422);
  expect((await ask({ ...design, version: 99 })).status()).toBe(422);
  const edits = (data: unknown) =>
    page.request.post(`${url()}/api/boats/marram/edits`, { data: JSON.stringify(data), headers: { 'content-type': 'application/json' } });
  expect((await edits({})).status()).toBe(400);
  expect(
    (
      await edits({ force: false, edit: { id: 'abcdefgh', label: 'x', ops: [{ op: 'set', path: ['__proto__', 'x'], from: null, to: 1 }] } })
    ).status(),
  ).toBe(400);
  expect(
    (
      await edits({
        force: false,
        edit: { id: 'abcdefgh', label: 'x', ops: [{ op: 'set', path: ['boat', 'lengthM'], from: 11.6, to: -1 }] },
      })
    ).status(),
  ).toBe(422);
  expect((await page.request.post(`${url()}/api/boats`, { data: '{}', headers: { 'content-type': 'application/json' } })).status()).toBe(
    400,
  );
  expect((await page.request.get(`${url()}/api/boats/nobody`)).status()).toBe(404);
  expect((await page.request.get(`${url()}/boats/nobody/survey`)).status()).toBe(404);
  const foreign = await page.request.post(`${url()}/api/boats/marram/history`, {
    data: '{}',
    headers: { 'content-type': 'application/json', origin: 'http://elsewhere.example' },
  });
  expect(foreign.status()).toBe(403);
});

test('edits are taken back and put back, also after a reload', async ({ page, marram }) => {
  await open(page, marram, 'loads');
  await enter(page, 'Stereo', 'W', '31');
  await enter(page, 'Stereo', 'W', '32');
  await saved(page);
  await reload(page);
  await expect(cell(page, 'Stereo', 'W')).toHaveText('32');
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'Stereo', 'W')).toHaveText('31');
  await reload(page);
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'Stereo', 'W')).toHaveText('25');
  await page.keyboard.press('Control+y');
  await page.keyboard.press('Control+y');
  await expect(cell(page, 'Stereo', 'W')).toHaveText('32');
});

test('two windows: the second sees the first’s edits; a clash is shown to its author with both values', async ({
  page,
  context,
  marram,
}) => {
  await open(page, marram, 'loads');
  const second = await context.newPage();
  await open(second, marram, 'loads');
  await enter(page, 'Stereo', 'W', '41');
  await expect(cell(second, 'Stereo', 'W')).toHaveText('41');
  await expect(second.getByText('Changed in another window')).toBeVisible();

  // The second window's edit is held up on its way while the first changes the same figure.
  let release = () => {};
  const gate = new Promise<void>((resolve) => (release = resolve));
  await second.route('**/edits', async (route) => {
    await gate;
    await route.continue();
  });
  await second.bringToFront();
  await enter(second, 'Stereo', 'W', '52');
  await page.bringToFront();
  await enter(page, 'Stereo', 'W', '63');
  await expect.poll(async () => (await designOf(page, marram)).loads.find((l) => l.name === 'Stereo')?.rating).toBe(63);
  release();
  await second.bringToFront();
  const dialog = second.getByRole('dialog');
  await expect(dialog).toContainText('Changed in another window meanwhile');
  await expect(dialog).toContainText('52');
  await expect(dialog).toContainText('63');
  await second.unroute('**/edits');
  expect((await designOf(page, marram)).loads.find((l) => l.name === 'Stereo')?.rating).toBe(63);
  await dialog.getByRole('button', { name: 'Keep mine' }).click();
  await expect(cell(page, 'Stereo', 'W')).toHaveText('52');
  await page.keyboard.press('Control+z');
  await expect(cell(second, 'Stereo', 'W')).toHaveText('63');
});

test('an edit made while the server is away is kept and sent when it is back, also after a reload', async ({ page, marram }) => {
  await open(page, marram, 'loads');
  await page.route('**/edits', (route) => route.abort());
  await enter(page, 'Stereo', 'W', '77');
  await expect(page.getByTestId('saved')).toContainText('not saved yet');
  expect((await designOf(page, marram)).loads.find((l) => l.name === 'Stereo')?.rating).toBe(25);
  await reload(page);
  await expect(cell(page, 'Stereo', 'W')).toHaveText('77');
  await page.unroute('**/edits');
  await expect(page.getByTestId('saved')).toHaveText(/^saved/);
  expect((await designOf(page, marram)).loads.find((l) => l.name === 'Stereo')?.rating).toBe(77);
});

test('the server may be killed at any moment: every acknowledged edit is there at the next start', async ({ page }) => {
  test.setTimeout(300_000);
  const data = mkdtempSync(join(tmpdir(), 'solenix-kill-'));
  let server = await startServer(data);
  const { port } = server;
  try {
    const acknowledged: number[] = [];
    for (let round = 0; round < 3; round++) {
      const until = acknowledged.length + 8 + round * 5;
      let from = ((await (await fetch(`${server.url}/api/boats/marram`)).json()) as { design: { boat: { freeboardM: number } } }).design
        .boat.freeboardM;
      while (acknowledged.length < until) {
        const to = 1 + (acknowledged.length + 1) / 1000;
        const answer = await fetch(`${server.url}/api/boats/marram/edits`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', connection: 'close' },
          body: JSON.stringify({
            force: false,
            edit: {
              id: `kill-edit-${acknowledged.length}`,
              label: 'freeboard',
              ops: [{ op: 'set', path: ['boat', 'freeboardM'], from, to }],
            },
          }),
        });
        expect(answer.status).toBe(200);
        acknowledged.push(to);
        from = to;
      }
      await server.stop('SIGKILL');
      server = await startServer(data, port);
      const boat = (await (await fetch(`${server.url}/api/boats/marram`)).json()) as {
        revision: number;
        design: { boat: { freeboardM: number } };
      };
      expect(boat.revision).toBe(acknowledged.length);
      expect(boat.design.boat.freeboardM).toBe(acknowledged[acknowledged.length - 1]);
    }
    await page.goto(`${server.url}/boats/marram/survey`);
    await expect(page.getByLabel('freeboard, m')).toHaveValue(String(acknowledged[acknowledged.length - 1]));
  } finally {
    await server.stop('SIGKILL');
    rmSync(data, { recursive: true, force: true });
  }
});

test('the palette finds loads, circuits and acts; G and a letter goes to a station', async ({ page, marram }) => {
  await open(page, marram, 'survey');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('windlass');
  await page.getByRole('option', { name: /\d+ Anchor windlass/ }).click();
  await page.waitForURL(/wiring$/);
  await expect(page.getByRole('region', { name: 'Circuit Anchor windlass' })).toBeVisible();
  // The second letter is waited for a moment only: a busy machine may let it pass, and a person presses both again.
  await expect(async () => {
    await page.locator('body').press('g');
    await page.locator('body').press('m');
    await page.waitForURL(/monitoring$/, { timeout: 4000 });
  }).toPass();
  await expect(page.getByRole('heading', { name: 'Monitoring' })).toBeVisible();
  await page.keyboard.press('Control+k');
  await page.keyboard.type('water heater');
  await page.getByRole('option', { name: /A4 Water heater/ }).click();
  await page.waitForURL(/ac$/);
  await expect(page.getByRole('tab', { name: 'runs and panels' })).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Control+k');
  await page.keyboard.type('night');
  await page.keyboard.press('Enter');
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'night');
  await reload(page);
  await expect(page.locator('html')).toHaveAttribute('data-scheme', 'night');
});

test('a figure above opens where it comes from; a finding opens its row', async ({ page, marram }) => {
  await open(page, marram, 'survey');
  await hinted(page, 'Show where it comes from').first().click();
  const working = page.getByRole('complementary', { name: 'The working' });
  await expect(working).toContainText('Need, at anchor');
  await expect(working).toContainText('usable of 330 Ah');
  await page.getByRole('link', { name: /stop/ }).first().click();
  await page.waitForURL(/check$/);
  await page.getByRole('button', { name: /^Anchor windlass: 35 mm²/ }).click();
  await page.waitForURL(/wiring$/);
  await expect(page.getByRole('region', { name: 'Circuit Anchor windlass' })).toBeVisible();
});
