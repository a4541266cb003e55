/** Every figure opens its working: of settings, hours to full, banks, shared strings, the season, studies and warm ends; and no row of their tables is without. */
import type { Locator, Page } from '@playwright/test';
import { axe, copyOf, expect, hinted, open, test, view } from './boat';

const panel = (page: Page): Locator => page.getByRole('complementary', { name: 'The working' });
const line = (at: Locator, label: string): Locator => at.getByText(label, { exact: true }).locator('..');
const opener = (at: Locator, of: string | RegExp): Locator => hinted(at, typeof of === 'string' ? `The working: ${of}` : of);
const table = (page: Page, name: string): Locator => page.getByRole('table', { name, exact: true });

/**
 * Rows of the tables in sight that tell a figure and open nothing. Not counted: what stands beside a chart to be copied, its figures are the
 * chart's; a sum under its column; and what is a working itself, each line with its reckoning.
 */
const WORKINGS = ['What its score is made of', 'Five minutes'];
const silent = (page: Page): Promise<readonly string[]> =>
  page.evaluate(
    (workings) =>
      [...document.querySelectorAll('main table')]
        .filter(
          (t) =>
            !t.closest('details') &&
            t.getBoundingClientRect().height > 0 &&
            !workings.some((w) => t.getAttribute('aria-label')?.startsWith(w)),
        )
        .flatMap((t) =>
          [...t.querySelectorAll('tbody tr')]
            .filter((r) =>
              [...r.querySelectorAll('td')].some((d) =>
                /^[−-]?\d[\d.]*( (?:A|V|W|Ah|h|%|mΩ|days|°C|°F|m|mm|kg|min)\b.*)?$/.test(d.textContent.trim()),
              ),
            )
            .filter((r) => !r.querySelector('button, input, select'))
            .map((r) => `${t.getAttribute('aria-label') ?? ''}: ${r.textContent.slice(0, 60)}`),
        ),
    WORKINGS,
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
  const end = opener(table(page, 'Ends in the study'), /^The working: /).first();
  const warm = await end.innerText();
  await end.click();
  await expect(line(panel(page), 'comes to')).toContainText(warm);
  expect(await silent(page)).toEqual([]);

  await view(page, 'switches');
  await opener(table(page, 'Switch schedule'), '1 Main').first().click();
  await expect(panel(page).getByRole('heading', { name: '1 Main' })).toBeVisible();
  await view(page, 'main side');
  const bar = opener(table(page, 'Bus bars, as they are loaded'), 'Negative bus');
  await bar.click();
  await expect(line(panel(page), 'through the bar')).toContainText(await bar.innerText());
  await open(page, marram, 'protection');
  const posts = opener(table(page, 'Faults where circuits begin'), 'House bank, posts');
  await posts.click();
  await expect(line(panel(page), 'with all that can feed its posts')).toContainText(await posts.innerText());
  expect(await silent(page)).toEqual([]);
});

test('each way to join the banks opens how it joins them; a largest set what every breaker carries then', async ({
  page,
  marram,
  halcyon,
}) => {
  await open(page, marram, 'bank');
  await view(page, 'joined');
  const ways = table(page, 'Ways to join the banks');
  const splitter = opener(ways, 'diode splitter');
  await splitter.click();
  const told = page.getByRole('region', { name: 'The working: diode splitter' });
  await expect(line(told, 'the splitter takes')).toContainText('0.70 V');
  const lowest = /([\d.]+) %/.exec(await line(told, 'lowest').first().innerText())?.[1];
  expect(`${Math.round(Number(lowest))} %`).toBe(await splitter.innerText());
  expect(await silent(page)).toEqual([]);

  await open(page, halcyon, 'ac');
  await view(page, 'what can run together');
  const set = opener(table(page, 'Largest sets'), /^The working: set of/).first();
  const watts = await set.innerText();
  await set.click();
  await expect(line(panel(page), 'together')).toContainText(`${watts} W`);
  await expect(line(panel(page), 'the source itself, leg 1')).toBeVisible();
  expect(await silent(page)).toEqual([]);
});

test('the cut list opens where its counts come from, and what a length is made of', async ({ page, marram }) => {
  await open(page, marram, 'build');
  const terminals = table(page, 'Terminals');
  const first = hinted(terminals, /^Where they go: /).first();
  const count = Number(await first.innerText());
  await first.click();
  const where = terminals.getByRole('list', { name: /^Where they go: / }).getByRole('listitem');
  const counted = (await where.allInnerTexts()).map((t) => Number(/^(\d+) × /.exec(t)?.[1]));
  expect(counted.reduce((sum, n) => sum + n, 0)).toBe(count);
  const length = hinted(page.locator('main'), /^The working: length of /).first();
  const row = page
    .getByRole('row')
    .filter({ has: hinted(page, /^The working: length of /) })
    .first();
  await length.click();
  await expect(row).toContainText(/as taped|as its ends stand|of slack at both/);
  await axe(page);
});

for (const name of ['marram', 'halcyon'] as const)
  test(`on no sheet of ${name}’s stations a row tells a figure and opens nothing`, async ({ page, request }) => {
    test.setTimeout(180_000);
    const boat = await copyOf(request, name);
    for (const station of [
      'survey',
      'loads',
      'charging',
      'bank',
      'wiring',
      'protection',
      'ac',
      'monitoring',
      'check',
      'build',
      'commission',
    ]) {
      await open(page, boat, station);
      const sheets = page.locator('main').getByRole('tablist').first().getByRole('tab');
      await expect(page.locator('main')).not.toBeEmpty();
      for (const sheet of await sheets.all()) {
        await sheet.click();
        await expect(page.getByText(/^(Calculating|Working it out|Working out the list|Counting|Looking at what flows)\.$/)).toHaveCount(0);
        expect(await silent(page), `${station}, ${await sheet.innerText()}`).toEqual([]);
      }
    }
  });

test('what a swap changes, how strings would share, hours, reels and tools tell what they are made of; a way of a panel opens its run on Build', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'charging');
  const swap = table(page, 'What a swap changes');
  await opener(swap, 'hot, at idle').click();
  await expect(swap.getByRole('list', { name: 'The working: hot, at idle' })).toContainText(
    /rpm of the engine × [\d.]+ = \d+ rpm of its own/,
  );
  const then = hinted(table(page, 'Cable and fuse after the swap'), /^The working: .* then$/).first();
  const amps = await then.innerText();
  await then.click();
  await expect(panel(page)).toContainText(amps);

  await open(page, marram, 'build');
  const way = hinted(table(page, 'Ways of Chart table panel'), /^The working: /).first();
  await way.click();
  await expect(panel(page).getByRole('heading', { name: '3 Anchor light, LED' })).toBeVisible();
  await page.keyboard.press('Escape');
  await view(page, 'hours');
  const visits = opener(page.locator('main'), 'isolate and prove: visits');
  await visits.click();
  await expect(page.getByRole('list', { name: 'The working: isolate and prove: visits' })).toContainText(/in days of [\d.]+ h less 65 min/);
  await visits.click();
  await expect(page.getByRole('list', { name: 'The working: isolate and prove: visits' })).toHaveCount(0);
  await axe(page);
});

test('a hint is beside what the mouse rests on or the keyboard is at, and goes with a key', async ({ page, marram }) => {
  await open(page, marram, 'charging');
  const hours = opener(page.locator('main'), 'hours of Alternator').first();
  await hours.hover();
  const hint = page.getByRole('tooltip', { name: 'The working: hours of Alternator' });
  await expect(hint).toBeAttached();
  await page.keyboard.press('Shift');
  await expect(hint).toBeHidden();
  await page.mouse.move(0, 0);
  await page.getByRole('tab', { name: 'sources', exact: true }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('tab', { name: 'small leads', exact: true })).toBeFocused();
  await expect(page.getByRole('tab', { name: 'sources', exact: true })).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('tabpanel', { name: 'small leads' })).toBeVisible();
  // The ring shows where the keyboard is, and goes with a press of the mouse.
  const settings = page.getByRole('tab', { name: 'settings', exact: true });
  await settings.click();
  await expect(settings).toBeFocused();
  await expect(settings).toHaveCSS('outline-style', 'none');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('tab', { name: 'small leads', exact: true })).toHaveCSS('outline-style', 'solid');
});

test('what is typed into a field stays when another sheet is put on top', async ({ page, marram }) => {
  await open(page, marram, 'charging');
  await view(page, 'programming sheets');
  const field = page.getByLabel('As set: battery kind').first();
  await field.fill('14.25 V at the bench');
  await view(page, 'settings');
  await view(page, 'programming sheets');
  await expect(field).toHaveValue('14.25 V at the bench');
});
