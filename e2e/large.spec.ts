/** A thousand loads on a thousand circuits: the sheet moves, takes what is typed, and draws what is in sight; and boats by the hundred. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { largeBoat } from '../src/testing/largeBoat';
import { axe, cell, designOf, expect, open, row, saved, test, url } from './boat';
import { startServer } from './server';

test('a thousand rows are gone through by keys, by wheel and by filter; what is typed is taken, and few of them are drawn', async ({
  page,
}) => {
  const made = await page.request.post(`${url()}/api/boats?from=file`, {
    data: JSON.stringify(largeBoat(1000)),
    headers: { 'content-type': 'application/json' },
  });
  expect(made.status()).toBe(201);
  const { id } = (await made.json()) as { id: string };
  await open(page, id, 'loads');
  const drawn = () => page.getByRole('row').count();
  expect(await drawn()).toBeLessThan(150);
  await cell(page, 'Load 3', 'name').click();
  await page.keyboard.press('Control+End');
  await expect(row(page, 'Load 999')).toBeInViewport();
  expect(await drawn()).toBeLessThan(150);
  await page.keyboard.press('Home');
  await page.keyboard.type('The last one');
  await page.keyboard.press('Enter');
  await expect(row(page, 'The last one')).toBeInViewport();
  await saved(page);
  expect((await designOf(page, id)).loads[999]?.name).toBe('The last one');
  // One that is far away stays the one worked on: the next key goes on from it.
  await page.mouse.move(600, 500);
  await page.mouse.wheel(0, -100_000);
  await expect(row(page, 'Load 0')).toBeInViewport();
  await page.keyboard.press('ArrowUp');
  await expect(row(page, 'Load 998')).toBeInViewport();
  await page
    .getByPlaceholder(/filter/i)
    .first()
    .fill('Load 500');
  await expect(row(page, 'Load 500')).toBeInViewport();
  await open(page, id, 'wiring');
  expect(await drawn()).toBeLessThan(150);
  await page.request.delete(`${url()}/api/boats/${id}`);
});

test('of many boats those of a name are found', async ({ page }) => {
  const data = mkdtempSync(join(tmpdir(), 'solenix-many-'));
  const server = await startServer(data);
  try {
    const names = Array.from({ length: 210 }, (_, i) => `Petrel ${String(i).padStart(3, '0')}`);
    for (const name of names)
      await page.request.post(`${server.url}/api/boats`, { data: { name, ruleSet: 'metric', lengthM: 9, beamM: 3, systemV: 12 } });
    await page.goto(server.url);
    await page.getByLabel('Find a boat by name').fill('petrel');
    await page.getByRole('button', { name: 'find' }).click();
    await expect(page.getByText('1 to 200 of 210')).toBeVisible();
    await expect(page.locator('a[href="/boats/marram/survey"]')).toHaveCount(0);
    await axe(page);
    await page.getByRole('link', { name: 'those after' }).click();
    await expect(page.getByText('201 to 210 of 210')).toBeVisible();
    await page.getByRole('link', { name: 'those before' }).click();
    await expect(page.getByText('1 to 200 of 210')).toBeVisible();
    await page.getByRole('link', { name: 'those after' }).click();
    await expect(page.getByText('201 to 210 of 210')).toBeVisible();
    await expect(page.getByRole('link', { name: 'Petrel 000', exact: true })).toBeVisible();
  } finally {
    await server.stop('SIGTERM');
    rmSync(data, { recursive: true, force: true });
  }
});
