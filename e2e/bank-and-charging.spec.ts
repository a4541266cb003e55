/** Ways of living, banks and what joins them, charging, settings, the day, the cruise, the season, options, the balance line. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { axe, designOf, expect, hinted, open, saved, test, view } from './boat';

const put = async (page: Page, label: string | RegExp, text: string) => {
  const field = page.getByRole('textbox', { name: label, ...(typeof label === 'string' ? { exact: true } : {}) }).first();
  await field.fill(text);
  await field.press('Enter');
};
const sums = (page: Page) => page.locator('[data-day-sums]');

test('the day as a strip: dragged, moved by arrows, typed; the chart and its figures follow', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await view(page, 'the day');
  const before = await sums(page).innerText();
  const end = page.getByRole('slider', { name: 'engine to' }).first();
  await expect(end).toHaveAttribute('aria-valuetext', '10:00');
  const box = await end.boundingBox();
  if (!box) throw new Error('no handle');
  await page.mouse.move(box.x + 3, box.y + 8);
  await page.mouse.down();
  await page.mouse.move(box.x + 40, box.y + 8, { steps: 8 });
  await expect(sums(page)).not.toHaveText(before);
  const dragged = await end.getAttribute('aria-valuetext');
  expect(dragged).not.toBe('10:00');
  await page.mouse.up();
  await saved(page);
  await end.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(end).not.toHaveAttribute('aria-valuetext', dragged ?? '');
  await saved(page);
  await expect
    .poll(async () => (await designOf(page, marram)).living.find((l) => l.id === 'anchor')?.day.find((s) => s.id === 'e1')?.toH)
    .toBeGreaterThan(11);
  await put(page, 'to', '20:15');
  await expect(page.getByRole('slider', { name: 'sun to' })).toHaveAttribute('aria-valuetext', '20:15');
  await put(page, 'from', '26:00');
  await expect(page.getByText('a time such as 8:30 is meant')).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('heading', { name: 'Bank', exact: true }).click();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('slider', { name: 'sun to' })).toHaveAttribute('aria-valuetext', '19:30');
});

test('the day fills the width there is', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await view(page, 'the day');
  const chart = page.locator('.chart svg').first();
  await expect(chart).toBeVisible();
  await expect
    .poll(async () => {
      const [drawn, room] = await Promise.all([chart.boundingBox(), page.locator('.chart').first().boundingBox()]);
      return (room?.width ?? 0) - (drawn?.width ?? 0);
    })
    .toBeLessThan(8);
});

test('when a load runs moves its amps to that part of the day; the table beside goes out as CSV', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await view(page, 'the day');
  await page.getByText('at anchor, hour by hour, as a table').click();
  const table = page.getByRole('table', { name: 'at anchor, hour by hour' });
  const midnight = table.getByRole('row').nth(1).getByRole('cell').nth(1);
  const before = Number(await midnight.innerText());
  const fridge = page.getByRole('list', { name: 'Loads of the day' }).getByRole('listitem').first();
  await fridge.getByLabel('falls').selectOption('by day');
  await expect.poll(async () => Number(await midnight.innerText())).toBeLessThan(before - 1);
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'CSV', exact: true }).click()]);
  const csv = readFileSync(await file.path(), 'utf8');
  expect(csv.split('\r\n')).toHaveLength(25);
  expect(csv).toContain('Solar, A');
  await saved(page);
  await open(page, marram, 'loads');
  await expect(page.locator('[data-col="when"]').filter({ hasText: 'at anchor: by day' })).toHaveCount(1);
});

test('an own way of living, and a load list keeps when its hours fall', async ({ page, marram }) => {
  await open(page, marram, 'loads');
  await page.getByRole('button', { name: /^ways of living/ }).click();
  await page.getByLabel('A new way of living').fill('at the yard');
  await page.getByRole('button', { name: 'add', exact: true }).click();
  await page.keyboard.press('Escape');
  await saved(page);
  await expect
    .poll(async () => (await designOf(page, marram)).living.find((l) => l.name === 'at the yard'))
    .toMatchObject({ houseSwitch: 'on' });
  await open(page, marram, 'bank');
  await view(page, 'the day');
  await page.getByLabel('way of living').selectOption('at the yard');
  await page.getByRole('button', { name: 'shore', exact: true }).click();
  await expect(page.getByRole('slider', { name: 'shore from' })).toBeVisible();
});

test("a bank's maker's figures stand in for typical ones, its box and its cranking are told", async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await view(page, 'banks');
  await put(page, 'labelled over, h', '100');
  await expect(page.getByText('278 Ah')).toBeVisible();
  await put(page, /^absorption; typical/, '14.7');
  await put(page, 'block long, mm', '330');
  await put(page, 'block wide, mm', '170');
  await put(page, 'block high, mm', '240');
  await put(page, 'box inside long, mm', '400');
  await put(page, 'box inside wide, mm', '360');
  await put(page, 'box inside high, mm', '260');
  await expect(page.getByText('The box takes 2 blocks upright')).toBeVisible();
  await saved(page);
  await page.getByRole('button', { name: 'Start battery', exact: true }).click();
  await expect(page.getByText(/of 6 wanted/)).toBeVisible();
  await open(page, marram, 'check');
  await expect(page.getByText('3 blocks, its box takes 2')).toBeVisible();
  await expect(page.getByText(/absorption: 14.40 V, House bank wants 14.70 V/).first()).toBeVisible();
});

test('strings share by their links: a row taken off at one end is uneven, and what helps is told', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await view(page, 'banks');
  await put(page, 'strings in parallel', '4');
  await view(page, 'links');
  const verdict = page.locator('[data-verdict]');
  const picture = page.getByRole('img', { name: /^House bank: string 1 gives/ });
  await expect(verdict).toContainText('Shared well enough');
  await page.getByLabel('tied').selectOption('one end');
  await page.getByRole('combobox', { name: 'links' }).selectOption('25');
  await put(page, 'length of each, m', '0.6');
  await expect(verdict).toContainText('Uneven: one string gives');
  await expect(verdict).toContainText(/links of \d+ mm² would do|bus bars share evenly/);
  await expect(picture).toBeVisible();
  const strings = page.getByRole('table', { name: 'String by string' });
  await expect(strings.getByRole('row')).toHaveCount(5);
  const amps = async () =>
    Promise.all([1, 2, 3, 4].map(async (i) => Number(await strings.getByRole('row').nth(i).getByRole('cell').nth(1).innerText())));
  const [first = 0, , , last = 0] = await amps();
  expect(first).toBeGreaterThan(last);
  await page.getByLabel('tied').selectOption('bus bars');
  await expect.poll(async () => new Set(await amps()).size).toBe(1);
  await expect
    .poll(async () => (await designOf(page, marram)).banks[0]?.links)
    .toMatchObject({ way: 'bus bars', size: '25', lengthM: 0.6 });
});

test('the ways to join the banks are compared by consequence; a selector left wrong is told', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await view(page, 'joined');
  const ways = page.getByRole('table', { name: 'Ways to join the banks' }).first();
  await expect(ways.getByRole('row')).toHaveCount(8);
  await expect(ways.getByRole('row', { name: /^not joined/ })).toContainText('not in 12 h');
  await page.getByRole('button', { name: 'remove', exact: true }).click();
  await page.getByRole('button', { name: 'selector by hand' }).click();
  await expect(page.getByRole('table', { name: 'Wrong positions' }).getByRole('row')).toHaveCount(5);
  await expect(page.getByText('Not through OFF with the engine running')).toBeVisible();
  await saved(page);
  await expect
    .poll(async () => (await designOf(page, marram)).joins)
    .toMatchObject([{ kind: 'selector', firstId: 'house', secondId: 'start' }]);
});

test('each way to join costs what is typed for its parts, and nothing is assumed', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await view(page, 'joined');
  const way = (name: string) =>
    page
      .getByRole('table', { name: 'Ways to join the banks' })
      .first()
      .getByRole('row', { name: new RegExp(`^${name}`) });
  await expect(way('DC–DC charger')).toContainText('not priced');
  await page.getByLabel('parts and trace of').selectOption('DC–DC charger');
  await put(page, 'price: DC–DC charger', '240');
  await expect(way('DC–DC charger')).toContainText('240, 2 not priced');
  await put(page, 'price: cable with a fuse at each bank', '60');
  await expect(way('DC–DC charger')).toContainText('300, 1 not priced');
  // The same cable is a part of other ways.
  await expect(way('voltage-sensitive relay')).toContainText('60, 1 not priced');
  await expect.poll(async () => (await designOf(page, marram)).boat.prices).toEqual({ dcdc: 240, 'bank-cable': 60 });
  await page.getByRole('heading', { name: 'Bank', exact: true }).click();
  await page.keyboard.press('Control+z');
  await expect(way('voltage-sensitive relay')).toContainText('not priced');
});

test('a swap tests cable and fuse of the run it goes through, by figures', async ({ page, halcyon }) => {
  await open(page, halcyon, 'charging');
  await page.getByRole('button', { name: 'alternator', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Alternator', exact: true })).toBeVisible();
  await put(page, 'rated, A', '220');
  await page.getByRole('button', { name: 'Second alternator, 24 V' }).click();
  await expect(page.getByLabel(/^path; of its run/)).toBeVisible();
  const after = page.getByRole('table', { name: 'Cable and fuse after the swap' });
  const run = after.getByRole('row', { name: /lternator/ }).first();
  await expect(run).toContainText('220 A');
  await expect(run).toContainText(/fails now/);
  await expect(run).toContainText(/mm²|AWG/);
});

test('a source is added, its curve drawn, its fit and a swap told, its faults found', async ({ page, marram }) => {
  await open(page, marram, 'charging');
  const rows = page.getByRole('table', { name: 'Sources' });
  await expect(rows.getByRole('row')).toHaveCount(4);
  await expect(page.getByRole('img', { name: /Alternator output by engine speed/ })).toBeVisible();
  await expect(page.getByRole('table', { name: 'Does it fit' })).toContainText('dual foot');
  await expect(page.getByRole('table', { name: 'What a swap changes' })).toContainText('run a switched supply');
  await page.getByRole('button', { name: 'wind', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Wind', exact: true })).toBeVisible();
  await expect(rows.getByRole('row', { name: /^Wind/ })).toContainText('has no cable and no fuse');
  await put(page, 'path; typical 5, mΩ', '6');
  await page.getByLabel('has a brake').uncheck();
  await expect(rows.getByRole('row', { name: /^Wind/ })).toContainText('has no brake');
  await put(page, 'absorption, V', '12');
  await expect(rows.getByRole('row', { name: /^Wind/ })).toContainText('below the full bank');
  await page.getByRole('button', { name: 'Solar', exact: true }).click();
  await put(page, 'in series', '4');
  await expect(rows.getByRole('row', { name: /^Solar/ })).toContainText('on a morning of 0 °C');
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('in series')).toHaveValue('1');
});

test('settings worst first, slopes in any unit, and a programming sheet filled in', async ({ page, marram }) => {
  await open(page, marram, 'charging');
  await page.getByRole('button', { name: 'Shore charger', exact: true }).click();
  await put(page, 'slope', '-24');
  await expect(page.getByRole('row', { name: /^Shore charger/ })).toContainText('slope');
  await page.getByLabel('slope is in').selectOption('mV/°C bank');
  await put(page, 'equalise (empty: off), V', '15.5');
  await view(page, 'settings');
  const first = page
    .getByRole('table', { name: /Settings against/ })
    .getByRole('row')
    .nth(1);
  await expect(first).toContainText('Shore charger');
  await expect(first).toContainText('−24 mV/°C bank (−4 mV/°C cell)');
  await expect(page.getByRole('listitem').filter({ hasText: 'switch equalising off' })).toBeVisible();
  await expect(page.getByRole('img', { name: /Absorption volts by temperature/ })).toBeVisible();
  await view(page, 'programming sheets');
  await page.getByRole('tab', { name: 'Shore charger', exact: true }).click();
  await page.getByLabel('As set: float').fill('13.5, by the owner');
  await page.getByLabel('As set: float').blur();
  await saved(page);
  await expect
    .poll(async () => (await designOf(page, marram)).sources.find((s) => s.id === 'shore')?.sheet.float?.asSet)
    .toBe('13.5, by the owner');
  await expect(page.getByRole('table', { name: /Programming sheet/ })).toContainText('13.50 V');
});

test('a cruise: its days, drift and warnings, both schools of finishing, day by day as a file', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await view(page, 'the cruise');
  await expect(page.locator('[data-verdict]')).toContainText('days at most without full');
  await expect(page.getByText('House bank goes down to')).toBeVisible();
  await expect(page.getByText('Finish alongside.')).toBeVisible();
  await page.getByLabel('times over').fill('100');
  await page.getByLabel('times over').press('Enter');
  await expect(page.getByRole('table', { name: 'Day by day' }).getByRole('row')).toHaveCount(367, { timeout: 20000 });
  await saved(page);
  await page.getByRole('button', { name: 'add a cruise' }).click();
  await expect(page.getByLabel('name')).toHaveValue('A cruise');
  await expect(page.getByRole('table', { name: 'Day by day' }).getByRole('row')).toHaveCount(6);
  await page.getByRole('button', { name: /^Remove 5 days/ }).click();
  await expect(page.getByText('Nothing to calculate yet')).toBeVisible();
});

test('a day and a cruise open their working, term by term; it is closed again', async ({ page, marram }) => {
  const working = page.getByRole('complementary', { name: 'The working' });
  const line = (label: string) => working.getByText(label, { exact: true });
  await open(page, marram, 'bank');
  await view(page, 'the day');
  await hinted(page, 'The working of this day').click();
  await expect(working.getByRole('heading', { name: 'Day 1: at anchor' })).toBeVisible();
  for (const label of ['Alternator', 'Solar', 'made', 'not to be had', 'at midnight, %', 'fuel, litres'])
    await expect(line(label)).toBeVisible();
  await view(page, 'the cruise');
  await hinted(page, 'The working of House bank').click();
  await expect(working.getByRole('heading', { name: 'House bank, A fortnight of summer' })).toBeVisible();
  for (const label of ['begins with', 'stored', 'drawn', 'self-discharge', 'ends with', 'full cycles'])
    await expect(line(label)).toBeVisible();
  await hinted(page, 'The working of day 3').click();
  await expect(working.getByRole('heading', { name: 'Day 3: motoring' })).toBeVisible();
  await page.getByLabel('begins at, %').fill('60');
  await page.getByLabel('begins at, %').press('Enter');
  await hinted(page, 'The working of day 1').click();
  await expect(line('begins at, %').locator('..')).toContainText('60');
  await working.getByRole('button', { name: 'close' }).click();
  await expect(working).toHaveCount(0);
});

test('on paper the charts keep their height', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await page.emulateMedia({ media: 'print' });
  const heightOf = async (name: string, label: RegExp) => {
    await page.emulateMedia({ media: 'screen' });
    await view(page, name);
    const chart = page.getByRole('img', { name: label }).first();
    await expect(chart).toBeVisible();
    const onScreen = (await chart.boundingBox())?.height ?? 0;
    await page.emulateMedia({ media: 'print' });
    return ((await chart.boundingBox())?.height ?? 0) / onScreen;
  };
  expect(await heightOf('the cruise', /^State of charge through/)).toBeCloseTo(1, 1);
  expect(await heightOf('the day', /./)).toBeGreaterThan(0.8);
});

test('the season: sailed in workers, stopped, and the same by the same seed', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await view(page, 'the season');
  await put(page, 'cruises', '60');
  await page.getByRole('button', { name: 'calculate the season' }).click();
  const table = page.getByRole('table', { name: 'What a little more buys' });
  await expect(table.getByRole('row')).toHaveCount(6, { timeout: 60000 });
  const first = await page.locator('[data-season]').innerText();
  expect(first).toContain('of 60 cruises run, seed 1');
  await page.getByRole('button', { name: 'calculate the season' }).click();
  await expect(table.getByRole('row')).toHaveCount(6, { timeout: 60000 });
  expect(await page.locator('[data-season]').innerText()).toBe(first);
  await put(page, 'cruises', '20000');
  await page.getByRole('button', { name: 'calculate the season' }).click();
  await expect(page.getByRole('progressbar', { name: 'Cruises calculated' })).toBeVisible();
  await page.getByRole('button', { name: 'stop', exact: true }).click();
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'calculate the season' })).toBeEnabled();
});

test('options: side by side, one put on the table for every station, and back by undo', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await view(page, 'options');
  const table = page.getByRole('table', { name: 'Options side by side' }).first();
  await expect(table.getByRole('row', { name: /^house bank, C20/ })).toContainText('400 Ah');
  await expect(table.getByRole('row', { name: /^part: DC–DC charger/ })).toContainText('20 A');
  await page.getByRole('button', { name: 'put on the table' }).click();
  await saved(page);
  await view(page, 'banks');
  await expect(page.getByRole('button', { name: 'House bank, iron phosphate', exact: true })).toBeVisible();
  await expect.poll(async () => (await designOf(page, marram)).options.map((o) => o.parts === null)).toEqual([false, true]);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: 'House bank', exact: true })).toBeVisible();
  await view(page, 'options');
  await page.getByRole('button', { name: 'add an option' }).click();
  await expect(page.getByLabel('option', { exact: true })).toHaveCount(3);
});

test('the balance line: need, made, what is lacking; each opens its working', async ({ page, marram }) => {
  await open(page, marram, 'loads');
  const line = page.getByRole('banner');
  await expect(line).toContainText('to spare');
  await line.getByRole('button', { name: 'at anchor' }).click();
  await expect(line).toContainText('lacks');
  await hinted(line, 'Show where it comes from').nth(1).click();
  const working = page.getByRole('complementary', { name: 'The working' });
  await expect(working).toContainText('Made, on passage');
  await expect(working).toContainText('the house bank settles at');
});

test('everything of it goes out and comes in', async ({ page, halcyon, request }) => {
  await open(page, halcyon, 'bank');
  const design = await designOf(page, halcyon);
  expect(design.sources).toHaveLength(4);
  const made = (await (
    await request.post(`${page.url().split('/boats')[0] ?? ''}/api/boats?from=file`, { data: JSON.stringify(design) })
  ).json()) as { id: string };
  const { boat: _boat, ...rest } = await designOf(page, made.id);
  const { boat: _was, ...before } = design;
  expect(rest).toEqual(before);
});

for (const [station, views] of [
  ['bank', ['size', 'banks', 'links', 'joined', 'the day', 'the cruise', 'the season', 'options']],
  ['charging', ['sources', 'settings', 'programming sheets', 'the engine']],
] as const)
  test(`nothing of ${station} hinders a reader, by day or by night`, async ({ page, marram }) => {
    await open(page, marram, station);
    for (const scheme of ['day', 'night']) {
      if (scheme === 'night') await page.getByRole('button', { name: 'night or day' }).click();
      for (const name of views) {
        await view(page, name);
        await page.waitForTimeout(250);
        await axe(page);
      }
    }
  });

test('a candidate is compared with the alternator it may replace, counted nowhere, taken in its place and taken back', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'charging');
  const rows = page.getByRole('table', { name: 'Sources' });
  const made = hinted(page.getByRole('banner'), 'Show where it comes from').nth(1);
  await expect(page.getByRole('banner')).toContainText('to spare');
  const before = await made.innerText();
  await page.getByRole('button', { name: 'alternator', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Alternator 2', exact: true })).toBeVisible();
  await page.getByLabel('instead of').selectOption({ label: 'Alternator' });
  await expect(rows.getByRole('row', { name: /^Alternator 2/ })).toContainText('instead of Alternator');
  await expect(made).toHaveText(before, { useInnerText: true });
  await put(page, 'rated, A', '140');
  const compared = page.getByRole('region', { name: 'Alternator 2 instead of Alternator' });
  await expect(compared.getByRole('row', { name: /^part: Alternator 2/ })).toContainText('140 A');
  await expect(compared).toContainText('It brings');
  await compared.getByRole('button', { name: 'take it in its place' }).click();
  await expect(rows.getByRole('row', { name: /^Alternator alternator/ })).toContainText('instead of Alternator 2');
  await expect
    .poll(async () => (await designOf(page, marram)).sources.map((s) => s.insteadOfId !== null))
    .toEqual([true, false, false, false]);
  await saved(page);
  await page.getByRole('heading', { name: 'Charging', exact: true }).click();
  await page.keyboard.press('Control+z');
  await expect(rows.getByRole('row', { name: /^Alternator 2/ })).toContainText('instead of Alternator');
});

test('her other banks have their need, how long they last and what puts it back; the hull shows what stands where', async ({
  page,
  halcyon,
}) => {
  await open(page, halcyon, 'bank');
  const start = page.getByRole('table', { name: 'Her other banks' }).getByRole('row', { name: /^Start battery, a start a day/ });
  await expect(start).toContainText(/0\.146 Ah.*38\.4 Ah.*26\d days.*9\d %.*DC–DC charger, \d+ min/);
  await open(page, halcyon, 'survey');
  const design = await designOf(page, halcyon);
  await expect(page.locator('[data-thing^=plan] [data-aboard=bank]')).toHaveCount(design.banks.length);
  await expect(page.locator('[data-thing^=plan] [data-aboard=panel]')).toHaveCount(design.panels.length);
  await expect(page.getByRole('button', { name: /^Engine space with engine, Start battery, plan/ })).toBeVisible();
  await axe(page);
});
