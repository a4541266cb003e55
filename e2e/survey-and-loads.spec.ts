import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { axe, cell, designOf, enter, expect, open, row, saved, test, url } from './boat';
import { restoreBackup } from '../src/server/backup';

test('a new boat from her figures: survey, a bank, loads from the list, circuits, a list to cut from', async ({ page }) => {
  await page.goto(url());
  await page.getByLabel('name', { exact: true }).fill('Curlew');
  await page.getByLabel('length, m').fill('9,8');
  await page.getByLabel('beam, m').fill('3.2');
  await page.getByLabel('begins as').selectOption('empty');
  await page.getByRole('button', { name: 'add the boat' }).click();
  await page.waitForURL(/survey$/);
  await expect(page.getByLabel('name')).toHaveValue('Curlew');
  await page.getByRole('tab', { name: 'bank' }).click();
  await page.getByRole('button', { name: 'add a bank' }).click();
  await expect(page.getByText('into a dead short')).toBeVisible();

  await page.getByRole('link', { name: /^Loads/ }).click();
  await expect(page.getByText('One row is one kind of appliance')).toBeVisible();
  await page.getByRole('button', { name: 'from the list' }).click();
  for (const name of ['Cabin light, LED', 'Bilge pump, automatic', 'Anchor windlass', 'VHF radio']) await page.getByLabel(name).check();
  await page.getByRole('button', { name: 'add 4' }).click();
  await expect(cell(page, 'Anchor windlass', 'W')).toHaveText('1000');

  await page.getByRole('link', { name: /^Wiring/ }).click();
  await page.getByRole('button', { name: 'propose for 4 loose' }).click();
  await expect(row(page, 'Anchor windlass')).toBeVisible();
  await expect(cell(page, 'Anchor windlass', 'from')).toHaveText('Main bus');
  await expect(cell(page, 'Bilge pump, automatic', 'from')).toHaveText('Always-live bus');
  await page.getByRole('link', { name: /^Build/ }).click();
  await expect(page.getByRole('heading', { name: 'Cut list', exact: true })).toBeVisible();
  await expect(page.getByText('Anchor windlass').first()).toBeVisible();
});

test('a place is dragged and nudged with the arrows; runs are measured anew, and it can be taken back', async ({ page, marram }) => {
  await open(page, marram, 'survey');
  const before = (await designOf(page, marram)).places.find((p) => p.id === 'galley')?.at;
  const mark = page.locator('[data-thing="plan-galley"]');
  const box = await mark.locator('circle').first().boundingBox();
  if (!box || !before) throw new Error('no galley');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 60, y + 10, { steps: 6 });
  await page.mouse.up();
  await saved(page);
  await expect.poll(async () => (await designOf(page, marram)).places.find((p) => p.id === 'galley')?.at.x).toBeGreaterThan(before.x + 0.5);
  const dragged = (await designOf(page, marram)).places.find((p) => p.id === 'galley')?.at;
  await mark.focus();
  await page.keyboard.press('ArrowRight');
  await expect
    .poll(async () => (await designOf(page, marram)).places.find((p) => p.id === 'galley')?.at.x)
    .toBeCloseTo((dragged?.x ?? 0) + 0.1, 6);
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await designOf(page, marram)).places.find((p) => p.id === 'galley')?.at).toEqual(before);
});

test('a load beside its place can be given a position of its own', async ({ page, marram }) => {
  await open(page, marram, 'survey');
  await page.locator('[data-thing="plan-galley"]').focus();
  const load = page.locator('[data-thing^="plan-L"]').first();
  await load.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await saved(page);
  await expect.poll(async () => (await designOf(page, marram)).loads.filter((l) => l.at !== null).length).toBe(1);
});

test('watts give amps, amps give watts, and the line above follows', async ({ page, marram }) => {
  await open(page, marram, 'loads');
  const need = page.locator('[data-figure]').first();
  const before = await need.innerText();
  await enter(page, 'Stereo', 'W', '48');
  await expect(cell(page, 'Stereo', 'A')).toHaveText('4');
  await expect(need).not.toHaveText(before);
  await enter(page, 'Stereo', 'A', '2.5');
  await expect(cell(page, 'Stereo', 'W')).toHaveText('30');
  await expect(cell(page, 'Stereo', 'W')).toHaveAttribute('data-tone', 'quiet');
  await enter(page, 'Stereo', 'behaviour', 'res');
  await expect(cell(page, 'Stereo', 'behaviour')).toHaveText('resistance');
  await enter(page, 'Stereo', 'makerWire', '2.5 mm2 to 3 m; 4 mm2');
  await expect(cell(page, 'Stereo', 'makerWire')).toHaveText('2.5 mm² to 3 m; 4 mm²');
  await saved(page);
  const stereo = (await designOf(page, marram)).loads.find((l) => l.name === 'Stereo');
  expect(stereo).toMatchObject({ ratingBy: 'A', rating: 2.5, mark: 'estimated', behaviour: 'resistance' });
});

test.describe('what is not understood stays where it was typed, with the reason', () => {
  for (const [column, text, reason] of [
    ['W', 'sixty', '"sixty" is not a number'],
    ['W', '-5', 'at least 0 W is needed'],
    ['W', '1e9', 'at most 100000 W is taken'],
    ['quantity', '0', 'at least 1 is needed'],
    ['quantity', '2.5', 'a whole number is needed'],
    ['hours-anchor', '25', 'at most 24 h is taken'],
    ['behaviour', 'magic', 'one of power, resistance, current is needed'],
  ] as const)
    test(`${column}: ${text}`, async ({ page, marram }) => {
      await open(page, marram, 'loads');
      await enter(page, 'Stereo', column, text);
      await expect(page.getByRole('alert').filter({ hasText: reason })).toBeVisible();
      await expect(page.locator('.cell-editor')).toHaveValue(text);
      await page.keyboard.press('Escape');
      await expect(page.locator('.cell-editor')).toHaveCount(0);
      expect((await designOf(page, marram)).loads).toEqual((await designOf(page, 'marram')).loads);
    });
});

test('a block from a spreadsheet is laid over the sheet, new rows and all, and copied out again', async ({ page, marram }) => {
  await open(page, marram, 'loads');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('copy a block out');
  await page.keyboard.press('Escape');
  const rows = (await designOf(page, marram)).loads.length;
  await cell(page, 'Inverter, small', 'name').click();
  await page.evaluate(() => navigator.clipboard.writeText('Inverter, tiny\t1\t300\nIce maker\t2\t120\nFoot pump\t1\t\t3.5\n'));
  await page.keyboard.press('Control+v');
  await expect(row(page, 'Ice maker')).toBeVisible();
  await expect(cell(page, 'Foot pump', 'A')).toHaveText('3.5');
  await saved(page);
  const loads = (await designOf(page, marram)).loads;
  expect(loads).toHaveLength(rows + 2);
  expect(loads.find((l) => l.name === 'Ice maker')).toMatchObject({ quantity: 2, rating: 120, ratingBy: 'W' });
  await cell(page, 'Ice maker', 'name').click();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Control+c');
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe('Ice maker\t2\nFoot pump\t1');
  await page.keyboard.press('Control+z');
  await expect(row(page, 'Ice maker')).toHaveCount(0);
  await expect(row(page, 'Inverter, small')).toBeVisible();
});

test('a bad block changes nothing and names the cells; ten thousand rows are refused', async ({ page, marram }) => {
  await open(page, marram, 'loads');
  await cell(page, 'Stereo', 'name').click();
  await page.evaluate(() => navigator.clipboard.writeText('Radio\tmany\t20\nTuner\t1\tloud'));
  await page.keyboard.press('Control+v');
  await expect(page.getByRole('alert').filter({ hasText: 'Nothing was pasted' })).toContainText('"many" is not a number');
  await page.evaluate(() => navigator.clipboard.writeText('Lamp\t1\t5\n'.repeat(10_000)));
  await page.keyboard.press('Control+v');
  await expect(page.getByRole('alert').filter({ hasText: 'at most 1000' })).toBeVisible();
  expect((await designOf(page, marram)).loads).toEqual((await designOf(page, 'marram')).loads);
});

test('rows are duplicated, removed with their taps, sorted and filtered', async ({ page, marram }) => {
  await open(page, marram, 'loads');
  await cell(page, 'Stereo', 'name').click();
  await page.keyboard.press('Control+d');
  await expect(row(page, 'Stereo, copy')).toBeVisible();
  await cell(page, 'Stereo', 'name').click();
  await page.keyboard.press('Control+Delete');
  await expect(row(page, 'Stereo')).toHaveCount(0);
  await saved(page);
  const design = await designOf(page, marram);
  const ids = new Set(design.loads.map((l) => l.id));
  expect(design.circuits.flatMap((c) => c.taps).every((t) => t.serves.kind !== 'load' || ids.has(t.serves.id))).toBe(true);
  await page.getByRole('columnheader', { name: /^W/ }).getByRole('button').click();
  await page.getByRole('columnheader', { name: /^W/ }).getByRole('button').click();
  await expect(page.getByRole('row').nth(1)).toContainText('Anchor windlass');
  await page.getByLabel('Filter loads').fill('cabin');
  await expect(page.getByRole('row').filter({ hasText: 'Refrigerator' })).toHaveCount(0);
  await expect(row(page, 'Cabin fans')).toBeVisible();
});

test('units are switched without loss', async ({ page, marram }) => {
  await open(page, marram, 'survey');
  await page.getByLabel('lengths in').selectOption('ft');
  await expect(page.getByLabel('length, ft')).toHaveValue('38.06');
  await page.getByLabel('lengths in').selectOption('m');
  await expect(page.getByLabel('length, m')).toHaveValue('11.6');
  await saved(page);
  expect((await designOf(page, marram)).boat.lengthM).toBe(11.6);
  await page.getByLabel('length, m').fill('-4');
  await page.getByLabel('length, m').press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'at least 3 m is needed' })).toBeVisible();
  await expect(page.getByLabel('length, m')).toHaveValue('-4');
});

test('the bank the need asks for: in each chemistry, by days and cold, beside the bank she has', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  const chemistries = page.getByRole('table', { name: 'The need in each chemistry' });
  const agm = chemistries.getByRole('row').filter({ hasText: 'AGM' }).getByRole('cell').nth(1);
  const before = Number.parseFloat(await agm.innerText());
  await page.getByLabel('days without any source').fill('4');
  await page.getByLabel('days without any source').press('Enter');
  await expect.poll(async () => Number.parseFloat(await agm.innerText())).toBeGreaterThan(1.9 * before);
  await page.getByLabel('coldest the bank is used at, °C').fill('-5');
  await page.getByLabel('coldest the bank is used at, °C').press('Enter');
  await expect(chemistries).toContainText('not to be charged as cold');
  await expect(page.getByRole('main')).toContainText('0.8 % a °C below 25 °C');
  await expect(page.getByRole('table', { name: 'The bank she has' })).toContainText('short by');
  await page.getByLabel('days without any source').fill('for ever');
  await page.getByLabel('days without any source').press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'is not a number' })).toBeVisible();
  await saved(page);
  expect((await designOf(page, marram)).plan).toMatchObject({ days: 4, tempC: -5 });
});

for (const station of [
  'survey',
  'loads',
  'bank',
  'charging',
  'ac',
  'wiring',
  'protection',
  'monitoring',
  'check',
  'build',
  'commission',
  'log',
])
  test(`${station}: no serious accessibility fault, by day and by night`, async ({ page }) => {
    await open(page, 'halcyon', station);
    if (station === 'wiring') await cell(page, 'Bow thruster', 'name').click();
    if (station === 'loads') await cell(page, 'SSB transceiver', 'name').click();
    await axe(page);
    await page.getByRole('button', { name: 'night or day' }).click();
    await axe(page);
  });

test('the list of boats: no serious accessibility fault; a boat put away is taken back', async ({ page, marram }) => {
  await page.goto(url());
  await axe(page);
  const mine = page.getByRole('listitem').filter({ has: page.locator(`a[href="/boats/${marram}/survey"]`) });
  await mine.getByRole('button', { name: /^remove/ }).click();
  await expect(mine).toHaveCount(0);
  await page.getByRole('button', { name: 'take back' }).click();
  await expect(mine).toHaveCount(1);
});

test('everything is backed up by one click while somebody works, and is restored into a new folder', async ({ page, marram }) => {
  await page.goto(url());
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'back up everything' }).click(),
    page.request.get(`${url()}/api/boats/${marram}`),
  ]);
  expect(file.suggestedFilename()).toMatch(/^solenix-\d{4}-\d\d-\d\dT\d{6}\.zip$/);
  const root = mkdtempSync(join(tmpdir(), 'solenix-restored-'));
  try {
    const done = await restoreBackup(await file.path(), join(root, 'boats'));
    expect(done.ok).toBe(true);
    if (done.ok) expect(done.boats).toBeGreaterThan(0);
  } finally {
    rmSync(root, { recursive: true, force: true });
  }
});
