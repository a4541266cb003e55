/** Every figure opens its working: of settings, hours to full, banks, shared strings, the season, studies and warm ends; and no row of their tables is without. */
import type { Locator, Page } from '@playwright/test';
import { axe, expect, open, test, view } from './boat';

const panel = (page: Page): Locator => page.getByRole('complementary', { name: 'The working' });
const line = (at: Locator, label: string): Locator => at.getByText(label, { exact: true }).locator('..');
const opener = (at: Locator, of: string | RegExp): Locator =>
  at.getByTitle(typeof of === 'string' ? `The working: ${of}` : of, { exact: typeof of === 'string' });
const table = (page: Page, name: string): Locator => page.getByRole('table', { name, exact: true });

/**
 * Rows of the tables in sight that tell a figure and open nothing. Not counted: what stands beside a chart to be copied, its figures are the
 * chart's; and what of a swap is told with its reckoning in the row.
 */
const IN_THE_ROW = ['Does it fit', 'What a swap changes', 'Cable and fuse after the swap', 'Ways to tie the strings'];
const silent = (page: Page): Promise<readonly string[]> =>
  page.evaluate(
    (inTheRow) =>
      [...document.querySelectorAll('main table')]
        .filter(
          (t) => !t.closest('details') && t.getBoundingClientRect().height > 0 && !inTheRow.includes(t.getAttribute('aria-label') ?? ''),
        )
        .flatMap((t) =>
          [...t.querySelectorAll('tbody tr')]
            .filter((r) =>
              [...r.querySelectorAll('td')].some((d) => /^[−-]?\d[\d.]*( (?:A|V|W|Ah|h|%|mΩ|days|°C|°F)\b.*)?$/.test(d.textContent.trim())),
            )
            .filter((r) => !r.querySelector('button, input, select'))
            .map((r) => `${t.getAttribute('aria-label') ?? ''}: ${r.textContent.slice(0, 60)}`),
        ),
    IN_THE_ROW,
  );

test('a setting opens what the battery wants and what it gets; hours to full the amp-hours they store', async ({ page, marram }) => {
  await open(page, marram, 'charging');
  await expect(opener(page.locator('main'), 'hours of Alternator').first()).toBeVisible();
  const hours = await opener(page.locator('main'), 'hours of Alternator').first().innerText();
  await opener(page.locator('main'), 'hours of Alternator').first().click();
  await expect(panel(page).getByRole('heading', { name: 'Alternator fills House bank' })).toBeVisible();
  await expect(line(panel(page), 'to 80 %')).toContainText(hours);
  await expect(panel(page)).toContainText('Ah to store');
  expect(await silent(page)).toEqual([]);

  await view(page, 'settings');
  const set = opener(page.locator('main'), 'Alternator, absorption');
  const now = await set.innerText();
  await set.click();
  await expect(panel(page).getByRole('heading', { name: 'Alternator, absorption' })).toBeVisible();
  await expect(line(panel(page), 'absorption is set to')).toContainText(now.split(',')[0] ?? '');
  await expect(line(panel(page), 'the battery wants')).toBeVisible();
  await axe(page);
});

test('banks: what one holds and drives into a short, a day of another, how strings share, the chemistry looked at', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'bank');
  await view(page, 'size');
  const holds = opener(table(page, 'The bank she has'), 'House bank');
  const capacity = await holds.innerText();
  await holds.click();
  await expect(line(panel(page), 'over 20 h')).toContainText(capacity);
  await expect(line(panel(page), 'of its own, at the most')).toBeVisible();
  await opener(table(page, 'Her other banks'), 'Start battery').click();
  await expect(line(panel(page), 'in all')).toContainText(await opener(table(page, 'Her other banks'), 'Start battery').innerText());
  const gel = opener(page.locator('main'), /^The working: .*gel/i);
  await gel.click();
  await expect(page.locator('main').getByRole('heading', { name: /gel.*line by line$/i })).toBeVisible();
  await expect(line(page.locator('main'), 'capacity asked for')).toContainText(await gel.innerText());
  expect(await silent(page)).toEqual([]);

  await view(page, 'links');
  const first = opener(table(page, 'String by string'), 'string 1');
  await first.click();
  await expect(line(panel(page), 'string 1')).toContainText(await first.innerText());
  await expect(line(panel(page), 'together')).toContainText('100 A');

  await view(page, 'the season');
  const chance = opener(table(page, 'What a little more buys'), 'as she is');
  await chance.click();
  const told = page.getByRole('region', { name: 'The working: as she is' });
  await expect(told).toContainText('cruises');
  await expect(told).toContainText('with 95 % confidence');
  await chance.click();
  await expect(told).toHaveCount(0);
  expect(await silent(page)).toEqual([]);
});

test('a study opens where the volts go and how warm an end gets; posts and switches open their runs, panels and posts their faults', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'wiring');
  await view(page, 'studies');
  const volts = opener(page.locator('main'), 'volts of Anchor windlass');
  const at = await volts.innerText();
  await volts.click();
  await expect(line(panel(page), 'at its ends')).toContainText(at);
  await expect(panel(page)).toContainText('the bank itself');
  await expect(panel(page)).toContainText('out and back, warm');
  const end = table(page, 'Ends in the study')
    .getByTitle(/^The working: /)
    .first();
  const warm = await end.innerText();
  await end.click();
  await expect(line(panel(page), 'comes to')).toContainText(warm);
  expect(await silent(page)).toEqual([]);

  await view(page, 'switches');
  await table(page, 'Switch schedule').getByTitle('The working: 1 Main').first().click();
  await expect(panel(page).getByRole('heading', { name: '1 Main' })).toBeVisible();
  await open(page, marram, 'protection');
  const posts = opener(table(page, 'Faults where circuits begin'), 'House bank, posts');
  await posts.click();
  await expect(line(panel(page), 'with all that can feed its posts')).toContainText(await posts.innerText());
  expect(await silent(page)).toEqual([]);
});
