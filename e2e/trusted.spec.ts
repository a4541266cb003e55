/** A firm's records: who changed what, what was not taken, what is damaged, what is had back. */
import Database from 'better-sqlite3';
import type { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort, serve } from '../scripts/lib.mjs';
import { axe, cell, designOf, enter, expect, open, refusal, saved, test, url } from './boat';

const records = (): Database.Database => new Database(join(process.env.SOLENIX_E2E_DATA ?? '', 'solenix.sqlite'));

test('a name given once stands in the history; a colleague’s figure is not taken back unseen', async ({ page, browser, marram }) => {
  await open(page, marram, 'loads');
  await page.getByRole('button', { name: 'who are you?' }).click();
  await page.getByRole('dialog').getByLabel('name').fill('Anna');
  await page.getByRole('button', { name: 'keep it' }).click();
  await enter(page, 'Deck wash pump', 'note', 'hers');
  await saved(page);

  const other = await browser.newContext();
  const ben = await other.newPage();
  await open(ben, marram, 'loads');
  await ben.getByRole('button', { name: 'who are you?' }).click();
  await ben.getByRole('dialog').getByLabel('name').fill('Ben');
  await ben.keyboard.press('Enter');
  await enter(ben, 'Deck wash pump', 'note', 'his');
  await saved(ben);

  await expect(cell(page, 'Deck wash pump', 'note')).toHaveText('his');
  await page.locator('body').press('Control+z');
  const asked = page.getByRole('dialog', { name: 'Changed by somebody since' });
  await expect(asked).toContainText('Deck wash pump, note');
  await expect(asked).toContainText('his');
  await asked.getByRole('button', { name: 'Leave it as it is' }).click();
  expect((await designOf(page, marram)).loads.find((l) => l.name === 'Deck wash pump')?.note).toBe('his');

  await page.getByRole('button', { name: 'history' }).click();
  const history = page.getByRole('table', { name: 'History' });
  await expect(history.getByRole('row').nth(1)).toContainText('Ben');
  await expect(history.getByRole('row').nth(2)).toContainText('Anna');
  await axe(page);
  await page.keyboard.press('Escape');
  await page.reload();
  await expect(page.getByRole('button', { name: 'Anna' })).toBeVisible();
  await other.close();
});

test('an edit that is not taken is kept with its reason, through a reload, and sent again when the boat is back', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'loads');
  expect((await page.request.delete(`${url()}/api/boats/${marram}`)).ok()).toBe(true);
  await enter(page, 'Deck wash pump', 'note', 'typed while she was put away');
  await expect(refusal(page)).toContainText('there is no such boat');
  await expect(page.getByRole('button', { name: '1 not taken' })).toBeVisible();
  expect((await page.request.post(`${url()}/api/boats/${marram}/restore`)).ok()).toBe(true);
  await page.reload();
  await page.getByRole('button', { name: '1 not taken' }).click();
  const list = page.getByRole('list', { name: 'Edits not taken' });
  await expect(list).toContainText('there is no such boat');
  await expect(list).toContainText('typed while she was put away');
  await axe(page);
  await list.getByRole('button', { name: 'send again' }).click();
  await expect(page.getByRole('button', { name: /not taken/ })).toHaveCount(0);
  await saved(page);
  expect((await designOf(page, marram)).loads.find((l) => l.name === 'Deck wash pump')?.note).toBe('typed while she was put away');
});

test('a boat that was damaged on file is told as such, hides no other, and goes on from the last good revision', async ({
  page,
  marram,
  turnstone,
}) => {
  await open(page, marram, 'loads');
  await enter(page, 'Deck wash pump', 'note', 'kept');
  await saved(page);
  const db = records();
  db.prepare('update boats set design = substr(design, 1, 3000) where id = ?').run(marram);
  db.close();
  await page.goto(`${url()}/boats/${marram}/loads`);
  await expect(page.getByRole('heading', { name: 'This boat cannot be read' })).toBeVisible();
  await expect(page.locator('main')).toContainText('changed or cut short');
  await axe(page);
  await page.getByRole('link', { name: 'all boats' }).click();
  await expect(page.locator(`a[href="/boats/${turnstone}/survey"]`)).toBeVisible();
  const listed = page.getByRole('listitem').filter({ has: page.locator(`a[href="/boats/${marram}/survey"]`) });
  await expect(listed).toContainText('changed or cut short');
  await axe(page);
  await listed.locator(`a[href="/boats/${marram}/survey"]`).click();
  await page.getByRole('button', { name: 'go on from revision 1' }).click();
  await expect(page.getByTestId('saved')).toContainText('saved');
  expect((await designOf(page, marram)).loads.find((l) => l.name === 'Deck wash pump')?.note).toBe('kept');
});

test('a backup is restored from the list of boats into a folder of its own; one that is none is refused', async ({ page, marram }) => {
  await page.goto(url());
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'back up everything' }).click()]);
  await page.getByLabel('restore a backup').setInputFiles(await file.path());
  const told = page.getByRole('status').filter({ hasText: 'is whole' });
  await expect(told).toContainText('every file by its checksum');
  const folder = /It stands in (\S+);/.exec((await told.textContent()) ?? '')?.[1] ?? '';
  const restored = new Database(join(folder, 'solenix.sqlite'), { readonly: true });
  expect(restored.prepare('select count(*) from boats where id = ?').pluck().get(marram)).toBe(1);
  restored.close();
  await page
    .getByLabel('restore a backup')
    .setInputFiles({ name: 'no.zip', mimeType: 'application/zip', buffer: Buffer.from('no backup') });
  await expect(refusal(page)).toContainText('not restored');
});

test('of many boats those of a name are found', async ({ page, marram }) => {
  const names = Array.from({ length: 210 }, (_, i) => `Petrel ${String(i).padStart(3, '0')}`);
  for (const name of names)
    await page.request.post(`${url()}/api/boats`, { data: { name, ruleSet: 'metric', lengthM: 9, beamM: 3, systemV: 12 } });
  await page.goto(url());
  await page.getByLabel('Find a boat by name').fill('petrel');
  await page.getByRole('button', { name: 'find' }).click();
  await expect(page.getByText('1 to 200 of 210')).toBeVisible();
  await expect(page.locator(`a[href="/boats/${marram}/survey"]`)).toHaveCount(0);
  await axe(page);
  await page.getByRole('link', { name: 'older' }).click();
  await expect(page.getByText('201 to 210 of 210')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Petrel 000', exact: true })).toBeVisible();
  const found = (await (await page.request.get(`${url()}/api/boats?q=petrel`)).json()) as { boats: { id: string }[] };
  await page.request
    .get(`${url()}/api/boats?q=petrel&from=200`)
    .then(async (r) => found.boats.push(...((await r.json()) as typeof found).boats));
  for (const { id } of found.boats) await page.request.delete(`${url()}/api/boats/${id}`);
});

test('on a database that is none the server says so at once and ends, and leaves it as it was', async () => {
  const data = mkdtempSync(join(tmpdir(), 'solenix-foreign-'));
  try {
    mkdirSync(data, { recursive: true });
    writeFileSync(join(data, 'solenix.sqlite'), 'not a database '.repeat(500));
    const child: ReturnType<typeof spawn> = serve(await freePort(0), data, ['ignore', 'ignore', 'pipe']);
    let said = '';
    child.stderr?.on('data', (piece: Buffer) => (said += piece.toString()));
    const code = await new Promise((done) => child.once('exit', done));
    expect(code).toBe(1);
    expect(said).toContain('is damaged, or no database at all. Restore a backup');
  } finally {
    rmSync(data, { recursive: true, force: true });
  }
});
