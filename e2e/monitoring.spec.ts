/** Monitoring: gauges proposed, programmed with their working, held against thirty days of the boat, searched; alarms, shunt, volts. */
import { readFileSync } from 'node:fs';
import { axe, designOf, expect, open, reload, saved, test, url, view } from './boat';

test('a boat without a gauge learns why she wants one, and is proposed one for every bank', async ({ page, turnstone }) => {
  await open(page, turnstone, 'monitoring');
  await expect(page.getByText('A gauge that lies is worse than none.')).toBeVisible();
  await page.getByRole('button', { name: 'propose gauges' }).click();
  await expect(page.getByLabel('Gauge', { exact: true })).toBeVisible();
  await saved(page);
  const gauges = (await designOf(page, turnstone)).gauges;
  expect(gauges.length).toBe((await designOf(page, turnstone)).banks.length);
  await page.getByRole('button', { name: 'propose gauges' }).click();
  await expect(page.getByText('Every bank has a gauge.')).toBeVisible();
  await axe(page);
});

test('what to program, with its working; set above every absorption it never calls full: told, and put right', async ({ page, marram }) => {
  await open(page, marram, 'monitoring');
  await view(page, 'to program');
  const sheet = page.getByRole('table', { name: 'Settings to program' });
  await expect(sheet).toContainText('the least of all; 0.2 V per 12 V under it');
  const set = sheet.getByRole('row').filter({ hasText: 'charged volts' }).getByLabel('set');
  await set.fill('16');
  await set.press('Enter');
  await saved(page);
  await axe(page);
  await view(page, 'against the boat');
  const table = page.getByRole('table', { name: 'The gauge against the boat' });
  await expect(table.getByRole('row')).toHaveCount(3);
  const asSet = table.getByRole('row').filter({ hasText: 'as set' });
  await expect(asSet.getByRole('cell').nth(4)).toHaveText('0');
  await expect(page.getByText('as set: it misses full, for its charged volts are above what any source reaches')).toBeVisible();
  await page.getByRole('radio', { name: 'as set' }).check();
  await expect(page.getByRole('figure', { name: 'Charge in truth and as shown' })).toBeVisible();
  await axe(page);
  await open(page, marram, 'check');
  await page
    .getByText(/waits for 16\.00 V/)
    .first()
    .waitFor();
  await page.getByRole('listitem').filter({ hasText: 'waits for 16.00 V' }).getByRole('button', { name: 'put right' }).click();
  await expect.poll(async () => (await designOf(page, marram)).gauges[0]?.asSet.chargedV).toBeLessThan(14.5);
});

test('settings are searched with progress and stop; the best is taken as set', async ({ page, marram }) => {
  await open(page, marram, 'monitoring');
  await view(page, 'against the boat');
  await page.getByRole('button', { name: 'search volts, tail and time' }).click();
  await expect(page.getByText(/^best:/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'search volts, tail and time' })).toBeVisible({ timeout: 30_000 });
  const surface = page.getByRole('table', { name: 'Worst error by volts and tail' });
  await expect(surface.getByRole('row')).toHaveCount(13);
  await page.getByRole('button', { name: 'take it as set' }).click();
  await saved(page);
  const set = (await designOf(page, marram)).gauges[0]?.asSet;
  expect(set?.chargedV).toBeGreaterThan(13);
  expect(set?.tailPct).toBeGreaterThan(0);
  await expect(page.getByRole('table', { name: 'The gauge against the boat' }).getByRole('row')).toHaveCount(3);
});

test('a negative on the battery’s post goes round the shunt: named, with what the gauge then misses', async ({ page, marram }) => {
  await open(page, marram, 'monitoring');
  await view(page, 'shunt');
  await expect(page.getByText(/flow through it for long at most/)).toBeVisible();
  await expect(page.getByText('Nothing: every negative of this bank lands on the far side of the shunt.')).toBeVisible();
  await axe(page);
  await view(page, 'alarms');
  const alarms = page.getByRole('table', { name: 'Alarms' });
  const low = alarms.getByRole('row').filter({ hasText: 'charge low' });
  await expect(low).toContainText('the bottom of its window');
  // As it is set aboard stands with the gauge, and stays.
  await low.getByLabel(/^As set/).fill('55 %, at the helm');
  await low.getByLabel(/^As set/).press('Tab');
  await saved(page);
  await reload(page);
  await view(page, 'alarms');
  await expect(low.getByLabel(/^As set/)).toHaveValue('55 %, at the helm');
  await axe(page);
  await view(page, 'by volts');
  const card = page.getByRole('table', { name: 'Charge by volts' });
  const half = card.getByRole('row').filter({ hasText: '50 %' });
  await expect(half.getByRole('cell').nth(1)).toHaveText('12.35');
  await page.getByLabel('drawn while it is read, A').fill('0');
  await expect(half.getByRole('cell').nth(2)).toHaveText('12.35');
  await axe(page);
});

test('live: the simulated meter beside what is expected; a joint switched in is named; its day as files', async ({ page, marram }) => {
  await open(page, marram, 'monitoring');
  await view(page, 'live');
  await page.getByRole('button', { name: 'listen', exact: true }).click();
  const table = page.getByRole('table', { name: 'Beside what is expected' });
  await expect(table.getByRole('row').filter({ hasText: /^volts/ })).toContainText('as expected');
  await axe(page);
  await page.getByLabel('corroded joint').check();
  await expect(page.getByText(/^a joint, or a weak block: \d/)).toBeVisible();
  const keep = page.getByRole('button', { name: /^keep the \d+ heard with the boat$/ });
  await expect(keep).toBeVisible();
  await page.getByRole('button', { name: 'stop listening' }).click();
  // What was heard becomes measured days of the boat, and is held no more.
  await keep.click();
  await expect(page.getByText(/^\d+ are kept:/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'keep the 0 heard with the boat' })).toBeDisabled();
  const { sets } = (await (await page.request.get(`${url()}/api/boats/${marram}/measured`)).json()) as {
    sets: { name: string; rows: number; bankId: string }[];
  };
  expect(sets).toHaveLength(1);
  expect(sets[0]?.bankId).toBe('house');
  expect(sets[0]?.name).toMatch(/^heard 20/);
  expect(sets[0]?.rows).toBeGreaterThanOrEqual(10);
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'this day as CSV' }).click()]);
  expect(readFileSync((await file.path()) ?? '', 'utf8').split('\r\n')).toHaveLength(1441);
});

test('nobody listens to a meter from a page of another origin, or to one that is not listed', async ({ request, marram }) => {
  expect((await request.get(`${url()}/api/boats/${marram}/meter?meter=elsewhere&bank=house`)).status()).toBe(404);
  expect((await request.get(`${url()}/api/boats/${marram}/meter?meter=simulated&bank=../x`)).status()).toBe(400);
  expect((await request.get(`${url()}/api/boats/${marram}/meter`, { headers: { origin: 'http://elsewhere.example' } })).status()).toBe(403);
});
