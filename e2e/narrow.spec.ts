/** On a tablet held upright or across, and Build on a phone: nothing scrolls sideways but what is meant to, everything is within a finger's reach. */
import type { Page } from '@playwright/test';
import { alive, axe, cell, expect, hinted, open, test } from './boat';

const STATIONS = ['survey', 'loads', 'bank', 'charging', 'ac', 'wiring', 'protection', 'monitoring', 'check', 'build', 'commission', 'log'];

test.use({ hasTouch: true, isMobile: true });

/** How far the page itself can be scrolled sideways, px. */
const sideways = (page: Page) => page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);

for (const [width, height] of [
  [820, 1180],
  [1180, 820],
] as const)
  test(`every station at ${width} by ${height}: the frame does not scroll sideways`, async ({ page, marram }) => {
    await page.setViewportSize({ width, height });
    const wide: string[] = [];
    for (const station of STATIONS) {
      await open(page, marram, station);
      const over = await sideways(page);
      if (over > 0) wide.push(`${station}: ${over} px`);
    }
    expect(wide).toEqual([]);
    await axe(page);
  });

test('upright, the stations fold, one tap opens a cell, and the working lies below', async ({ page, marram }) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await open(page, marram, 'loads');
  const rail = page.getByRole('navigation', { name: 'Stations' });
  await expect(rail).toBeHidden();
  await page.getByRole('button', { name: /all stations/ }).tap();
  await expect(rail).toBeVisible();
  const link = rail.getByRole('link', { name: /^Wiring/ });
  expect((await link.boundingBox())?.height).toBeGreaterThanOrEqual(44);
  await link.tap();
  await page.waitForURL(/\/wiring$/);
  await expect(rail).toBeHidden();
  const row = cell(page, 'Deck wash pump', 'bundled');
  expect((await row.boundingBox())?.height).toBeGreaterThanOrEqual(44);
  await alive(page);
  await expect(page.getByTestId('saved')).toContainText('saved');
  await row.tap();
  const field = page.locator('.cell-editor');
  await expect(field).toBeFocused();
  await expect(field).toHaveAttribute('inputmode', 'decimal');
  await page.keyboard.press('Escape');
  const working = page.getByRole('complementary', { name: 'The working' });
  await expect(working).toBeVisible();
  const box = await working.boundingBox();
  expect(box?.width).toBeGreaterThan(800);
  expect(box?.y).toBeGreaterThan(500);
  await working.getByRole('button', { name: 'close' }).tap();
  await expect(working).toBeHidden();
});

test('Build on a phone: the list is read and ticked off within its width', async ({ page, marram }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, marram, 'build');
  await expect(page.getByRole('heading', { name: 'Cut list', exact: true })).toBeVisible();
  expect(await sideways(page)).toBe(0);
  await axe(page);
});

test('a finger held on a figure reads its hint and presses nothing; a short touch presses', async ({ page, marram }) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await open(page, marram, 'charging');
  const figure = hinted(page.locator('main'), 'The working: hours of Alternator').first();
  await figure.scrollIntoViewIfNeeded();
  const at = await figure.boundingBox();
  const point = { x: (at?.x ?? 0) + 4, y: (at?.y ?? 0) + 4 };
  const touch = await page.context().newCDPSession(page);
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [point] });
  const hint = page.getByRole('tooltip', { name: 'The working: hours of Alternator' });
  await expect(hint).toBeAttached();
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  const heading = page.getByRole('heading', { name: 'Alternator fills House bank' });
  await page.waitForTimeout(600);
  await expect(heading).toHaveCount(0);
  await figure.tap();
  await expect(heading).toBeVisible();
});
