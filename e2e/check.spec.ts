/** Check in full: the audit by lines, missing facts, the walk-round, five minutes, reports, findings that open again. */
import { readFileSync } from 'node:fs';
import { axe, designOf, expect, open, saved, test, url, view } from './boat';

test('the audit line by line; missing facts, the first of them entered, is missing no more', async ({ page, marram }) => {
  await open(page, marram, 'check');
  await view(page, 'the audit');
  await expect(page.getByText('every source of current is fused at its end, near enough')).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'it works' })).toContainText('not from here');
  await expect(page.getByRole('listitem').filter({ hasText: 'a generator starts' })).toContainText('not aboard');
  await axe(page);
  await view(page, 'missing');
  await expect(page.getByText(/facts are missing; these would settle most/)).toBeVisible();
  const table = page.getByRole('table', { name: 'What is missing' });
  const short = table.getByRole('row').filter({ hasText: 'short-circuit current of a battery' });
  await expect(short).toContainText('House bank, Start battery');
  await axe(page);
  await short.getByRole('button', { name: 'House bank' }).click();
  await expect(page).toHaveURL(/\/bank$/);
});

test('findings by place, and searched', async ({ page, marram }) => {
  await open(page, marram, 'check');
  await page.getByRole('combobox', { name: /^by/ }).selectOption('place');
  await expect(page.getByRole('heading', { name: /^Battery locker/ })).toBeVisible();
  await page.getByRole('searchbox', { name: 'Search the findings' }).fill('pedestal');
  await expect(page.getByText(/^\d+ of \d+$/)).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Battery locker/ })).toBeHidden();
});

test('the walk-round: not held down becomes a finding, held down takes it away, both kept with a note', async ({ page, marram }) => {
  await open(page, marram, 'check');
  await view(page, 'walk-round');
  const item = page.getByRole('listitem').filter({ hasText: 'House bank: it is held down' });
  await item.getByRole('button', { name: /^note and picture/ }).click();
  await item.getByRole('textbox', { name: /^note/ }).fill('strap torn');
  await item.getByRole('button', { name: /^not well/ }).click();
  await saved(page);
  await expect(item).toContainText('strap torn');
  expect((await designOf(page, marram)).banks.find((b) => b.id === 'house')?.mounting.held).toBe(false);
  await axe(page);
  await view(page, 'as decided');
  await expect(page.getByText('House bank: is not held down')).toBeVisible();
  await view(page, 'walk-round');
  await item.getByRole('button', { name: /^well/ }).click();
  await saved(page);
  await view(page, 'as decided');
  await expect(page.getByText('House bank: is not held down')).toBeHidden();
});

test('an end that is not well goes to the as-found sheet with its numbers', async ({ page, turnstone }) => {
  await open(page, turnstone, 'check');
  await view(page, 'walk-round');
  const item = page.getByRole('listitem').filter({ hasText: 'both ends: every strand' }).first();
  await item.getByRole('button', { name: /^note and picture/ }).click();
  const words = item.getByRole('textbox', { name: /with numbers/ });
  await words.fill('strands lost 20 of 19');
  await words.press('Enter');
  await expect(item.getByRole('alert')).toContainText('7 of 19');
  await words.fill('strands lost 7 of 19 × 2');
  await words.press('Enter');
  await saved(page);
  const found = (await designOf(page, turnstone)).circuits.flatMap((c) => c.found?.faults ?? []);
  expect(found.find((f) => f.kind === 'strands-lost')).toMatchObject({ strands: { lost: 7, of: 19 }, alike: 2 });
});

test('accepted, and open again when what it goes by changes', async ({ page, marram }) => {
  await open(page, marram, 'check');
  await view(page, 'walk-round');
  await page.getByRole('button', { name: /^not well: House bank, it is held down/ }).click();
  await saved(page);
  await view(page, 'as decided');
  await page.getByRole('button', { name: 'Accept: House bank: is not held down' }).click();
  await page.getByRole('radio', { name: 'it does not apply to this boat' }).check();
  await page.getByRole('textbox', { name: 'why' }).fill('it stands in a box that is bolted down');
  await page.getByRole('textbox', { name: 'who accepts it' }).fill('A. Surveyor');
  await page.getByRole('button', { name: 'put it on record' }).click();
  await expect(page.getByRole('button', { name: 'Accept: House bank: is not held down' })).toBeHidden();
  await view(page, 'departures');
  await expect(page.getByText(/Does not apply here, says\s+A\. Surveyor/)).toBeVisible();
  // Looked at again and found the same: it stands. Found well, and then not: it is another fact of another day only if it differs.
  const departure = (await designOf(page, marram)).departures[0];
  expect(departure).toMatchObject({ kind: 'does not apply' });
  expect(departure?.facts).toMatch(/^[0-9a-f]{14}/);
});

test('five minutes: nothing looked at is neither well nor wrong; what is missing is found; it stays as it was typed', async ({ page }) => {
  await page.goto(`${url()}/five-minutes`);
  const table = page.getByRole('table', { name: 'Five minutes: inverter or inverter-charger' });
  await expect(table.getByRole('row')).toHaveCount(10);
  await expect(page.getByRole('status')).toHaveText(/0 not well, 0 well, 9 still/);
  await page.getByLabel('its size, mm²').first().fill('16');
  await page.getByLabel('is its case earthed').selectOption('no');
  await expect(table.getByRole('row').filter({ hasText: 'case earth' })).toContainText('not well');
  await expect(table.getByRole('row').filter({ hasText: 'DC cable' })).toContainText('not well');
  await axe(page);
  await page.reload();
  await expect(page.getByLabel('its size, mm²').first()).toHaveValue('16');
  await page.getByRole('tab', { name: 'shore power' }).click();
  await page.getByLabel('main breaker, A').fill('50');
  await expect(
    page.getByRole('table', { name: 'Five minutes: shore power' }).getByRole('row').filter({ hasText: 'main breaker' }),
  ).toContainText('not well');
  await page.getByLabel('main breaker, A').fill('fifty');
  await expect(page.getByText('"fifty" is not a number')).toBeVisible();
  await page.getByLabel('school').selectOption('awg');
  await expect(page.getByText('inlet to main, ft')).toBeVisible();
});

test('reports: for the owner without rules’ names, for a surveyor with them; a PDF with contents and bookmarks', async ({
  page,
  turnstone,
}) => {
  await open(page, turnstone, 'check');
  await view(page, 'reports');
  const owner = page.getByRole('article', { name: /in plain words/ });
  await expect(owner).toContainText('Before she is used');
  await expect(owner).not.toContainText('rule fault');
  await axe(page);
  await page.getByRole('tab', { name: 'for a surveyor' }).click();
  await expect(page.getByRole('article', { name: /electrical survey/ })).toContainText('source: small-craft DC standards');
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'save as PDF' }).click()]);
  const bytes = readFileSync((await file.path()) ?? '').toString('latin1');
  expect(bytes.startsWith('%PDF')).toBe(true);
  expect(bytes).toContain('/Outlines');
  expect(bytes.match(/\/Type \/Page\b/g)?.length).toBeGreaterThan(5);
});
