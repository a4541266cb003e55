/** Without a connection: a boat opened once opens again, is worked on, and what was typed reaches the server when it is back. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { cell, enter, expect, hinted, open, test, view } from './boat';
import { startServer } from './server';

test.use({ serviceWorkers: 'allow' });

test('a boat opened once opens with no server, goes from station to station, keeps what is typed through a reload, and sends it', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const data = mkdtempSync(join(tmpdir(), 'solenix-offline-'));
  let server = await startServer(data);
  const { port, url } = server;
  try {
    await page.goto(`${url}/boats/marram/loads`);
    await expect(page.getByTestId('kept')).toHaveText('opens offline', { timeout: 60_000 });
    const before = await page.locator('header [data-figure]').first().innerText();
    await server.stop('SIGKILL');

    await page.reload();
    await expect(page.getByRole('heading', { name: 'Loads' })).toBeVisible();
    await enter(page, 'Refrigerator compressor', 'W', '95');
    await expect(page.getByTestId('saved')).toContainText('not saved yet');
    await expect(page.locator('header [data-figure]').first()).not.toHaveText(before);
    await page.getByRole('link', { name: /^Wiring/ }).click();
    await expect(page.getByRole('heading', { name: 'Wiring' })).toBeVisible();
    await page.getByRole('link', { name: /^Build/ }).click();
    await expect(page.getByRole('heading', { name: 'Cut list', exact: true })).toBeVisible();
    await page.getByRole('link', { name: /^Loads/ }).click();
    await expect(page.getByRole('heading', { name: 'Loads', exact: true })).toBeVisible();
    await page.reload();
    await expect(cell(page, 'Refrigerator compressor', 'W')).toHaveText('95');
    // A page that was never opened says so.
    const never = await page.context().newPage();
    await never.goto(`${url}/boats/halcyon/loads`);
    await expect(never.getByText('never opened on this device')).toBeVisible();
    await never.close();

    server = await startServer(data, port);
    await expect(page.getByTestId('saved')).toHaveText(/^saved/, { timeout: 60_000 });
    const { design } = (await (await page.request.get(`${url}/api/boats/marram`)).json()) as {
      design: { loads: { name: string; rating: number }[] };
    };
    expect(design.loads.find((l) => l.name === 'Refrigerator compressor')?.rating).toBe(95);
  } finally {
    // Its streams are open still: it is not asked to wait for them.
    await server.stop('SIGKILL');
    rmSync(data, { recursive: true, force: true });
  }
});

test('typed with no server, while a colleague changed the same figure: both are shown, and either can stand', async ({ page, browser }) => {
  test.setTimeout(240_000);
  const data = mkdtempSync(join(tmpdir(), 'solenix-clash-'));
  let server = await startServer(data);
  const { port, url } = server;
  const rating = async (name: string) => {
    const { design } = (await (await page.request.get(`${url}/api/boats/marram`)).json()) as {
      design: { loads: { name: string; rating: number }[] };
    };
    return design.loads.find((l) => l.name === name)?.rating;
  };
  try {
    await page.goto(`${url}/boats/marram/loads`);
    await expect(page.getByTestId('kept')).toHaveText('opens offline', { timeout: 60_000 });
    await server.stop('SIGKILL');
    await enter(page, 'Refrigerator compressor', 'W', '95');
    await enter(page, 'VHF radio', 'W', '31');
    await expect(page.getByTestId('saved')).toContainText('not saved yet');
    // The tablet leaves the boat; a colleague works on her at the desk.
    await page.context().setOffline(true);
    server = await startServer(data, port);
    const desk = await browser.newContext({ serviceWorkers: 'block' });
    const other = await desk.newPage();
    await other.goto(`${url}/boats/marram/loads`);
    await enter(other, 'Refrigerator compressor', 'W', '70');
    await expect(other.getByTestId('saved')).toHaveText(/^saved/);
    await desk.close();

    await page.context().setOffline(false);
    const clash = page.getByRole('dialog');
    await expect(clash).toContainText('Changed in another window meanwhile', { timeout: 60_000 });
    await expect(clash).toContainText('95');
    await expect(clash).toContainText('70');
    expect(await rating('Refrigerator compressor')).toBe(70);
    await clash.getByRole('button', { name: 'Keep mine' }).click();
    await expect.poll(() => rating('Refrigerator compressor')).toBe(95);
    // What nobody else touched has gone its way all the same.
    await expect.poll(() => rating('VHF radio')).toBe(31);
    await expect(page.getByTestId('saved')).toHaveText(/^saved/);
  } finally {
    await server.stop('SIGKILL');
    rmSync(data, { recursive: true, force: true });
  }
});

test.describe('where nothing is kept on the device', () => {
  test.use({ serviceWorkers: 'block' });
  test('an opened page still shows what it has not shown yet: a circuit, its other views, a dialog', async ({ page, context, marram }) => {
    await open(page, marram, 'wiring');
    // A while after its first view it has fetched the rest.
    await page.waitForTimeout(5000);
    await context.setOffline(true);
    await cell(page, 'VHF radio', 'name').click();
    await expect(page.getByRole('img', { name: /^Ladder/ })).toBeVisible();
    await view(page, 'switches');
    await expect(page.getByRole('table').first()).toBeVisible();
    await view(page, 'studies');
    await hinted(page, 'The working: volts of Anchor windlass').click();
    await expect(page.getByRole('complementary', { name: 'The working' })).toContainText('Where the volts go');
    await page.getByRole('button', { name: /keys/ }).click();
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
    await context.setOffline(false);
  });
});
