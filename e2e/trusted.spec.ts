/** A firm's records: who changed what, what was not taken, what is damaged, what is had back. */
import Database from 'better-sqlite3';
import { randomBytes } from 'node:crypto';
import type { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import sharp from 'sharp';
import { freePort, serve } from '../scripts/lib.mjs';
import { blankDesign } from '../src/core/design';
import { axe, cell, designOf, enter, expect, open, refusal, reload, saved, test, url } from './boat';

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
  // A revision has a name, what differs since is told, and it is gone back to as one edit.
  await page.getByLabel('Name of revision 1').fill('hers alone');
  await page.getByLabel('Name of revision 1').press('Enter');
  await page.getByRole('button', { name: 'what differs since revision 1' }).click();
  const differs = page.getByRole('table', { name: 'Differences since revision 1' });
  await expect(differs).toContainText('Deck wash pump, note');
  await expect(differs).toContainText('his');
  await axe(page);
  await page.getByRole('button', { name: 'the whole history' }).click();
  // Any two are compared, by figures and parts too.
  await page.getByLabel('compared with revision').fill('2');
  await page.getByRole('button', { name: 'what differs since revision 1' }).click();
  await expect(page.getByText(/differs? between revision 1 and revision 2/)).toBeVisible();
  await page.getByRole('button', { name: 'go back to revision 1' }).click();
  await expect(cell(page, 'Deck wash pump', 'note')).toHaveText('hers');
  await page.locator('body').press('Control+z');
  await expect(cell(page, 'Deck wash pump', 'note')).toHaveText('his');
  await reload(page);
  await expect(page.getByRole('button', { name: 'Anna' })).toBeVisible();
  await page.getByRole('button', { name: 'history' }).click();
  await expect(page.getByLabel('Name of revision 1')).toHaveValue('hers alone');
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
  await reload(page);
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

test('names with markup are text on every station, on paper too', async ({ page, marram }) => {
  const strange = '<b>x</b><img src=x onerror=alert(1)>&amp;';
  const design = await designOf(page, marram);
  const set = (path: string[], from: string) => ({ op: 'set', path, from, to: strange });
  const ops = [
    set(['boat', 'name'], design.boat.name),
    ...design.places.slice(0, 1).map((p) => set(['places', p.id, 'name'], p.name)),
    ...design.banks.slice(0, 1).map((b) => set(['banks', b.id, 'name'], b.name)),
    ...design.loads.slice(0, 2).map((l) => set(['loads', l.id, 'name'], l.name)),
    ...design.circuits.slice(0, 4).map((c) => set(['circuits', c.id, 'name'], c.name)),
    ...design.panels.slice(0, 1).map((p) => set(['panels', p.id, 'name'], p.name)),
    ...design.sources.slice(0, 1).map((s) => set(['sources', s.id, 'name'], s.name)),
    ...design.acLoads.slice(0, 1).map((l) => set(['acLoads', l.id, 'name'], l.name)),
  ];
  const edit = { id: 'edit-strange-1', label: 'strange', ops };
  expect((await page.request.post(`${url()}/api/boats/${marram}/edits`, { data: { edit, force: false } })).status()).toBe(200);
  let ran = false;
  page.on('dialog', (dialog) => {
    ran = true;
    void dialog.dismiss();
  });
  for (const station of ['survey', 'loads', 'bank', 'charging', 'ac', 'wiring', 'protection', 'check', 'build']) {
    await open(page, marram, station);
    for (const media of ['screen', 'print'] as const) {
      await page.emulateMedia({ media });
      expect([station, media, await page.locator('img[src="x"]').count()]).toEqual([station, media, 0]);
    }
    await page.emulateMedia({ media: 'screen' });
    expect([
      station,
      (await page.locator('body').innerText()).includes(strange) ||
        (await page.locator(`input[value="${strange.replaceAll('"', '\\"')}"]`).count()) > 0,
    ]).toEqual([station, true]);
  }
  expect(ran).toBe(false);
});

test('an archive of many megabytes comes in whole', async ({ request }) => {
  // Noise does not fold: six pictures of three megabytes each.
  const pictures = await Promise.all(
    Array.from({ length: 6 }, () =>
      sharp(randomBytes(3 * 1200 * 900), { raw: { width: 1200, height: 900, channels: 3 } })
        .png()
        .toBuffer(),
    ),
  );
  const design = {
    ...blankDesign('Many megabytes', 'metric', 10, 3, 12),
    photos: pictures.map((_, i) => ({ id: `P${i}`, caption: '', about: { kind: 'boat', id: 'boat' }, widthPx: 1200, heightPx: 900 })),
  };
  const zip = zipSync({
    'design.json': Buffer.from(JSON.stringify(design)),
    ...Object.fromEntries(pictures.map((p, i) => [`photos/P${i}.jpg`, new Uint8Array(p)])),
  });
  expect(zip.byteLength).toBeGreaterThan(15_000_000);
  const made = await request.post(`${url()}/api/boats?from=file`, {
    data: Buffer.from(zip),
    headers: { 'content-type': 'application/zip' },
  });
  expect([made.status(), ((await made.json()) as { unread: number }).unread]).toEqual([201, 0]);
});
