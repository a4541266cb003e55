/** From the list to cables on the bench: runs taped aboard, pieces released, cut by a plan, made up step by step, landed; and the order of it all. */
import { readFileSync } from 'node:fs';
import { axe, designOf, expect, open, reload, saved, test, url, view } from './boat';
import type { Page } from '@playwright/test';

const stage = (page: Page, label: string) =>
  page.getByRole('table', { name: 'Pieces at the bench' }).getByRole('row').filter({ hasText: label });

test('a run is taped in walking order, and its pieces are released; a second window and a reload show it', async ({
  page,
  marram,
  context,
}) => {
  await open(page, marram, 'build');
  await view(page, 'taping');
  await expect(page.getByText(/^\d+ of \d+ runs are taped/)).toBeVisible();
  const field = page.getByLabel('9 Bilge pump, automatic, taped');
  await field.fill('3,85 m');
  await field.press('Enter');
  await saved(page);
  expect((await designOf(page, marram)).circuits.find((c) => c.no === '9')?.taps[0]?.tapedM).toBe(3.85);
  await view(page, 'bench');
  const piece = stage(page, '9+ Bilge pump, automatic').first();
  await expect(piece).toContainText('taped');
  await page
    .getByRole('button', { name: '9+ Bilge pump, automatic released' })
    .or(piece.getByRole('button', { name: /release$/ }))
    .first()
    .click();
  await expect(piece).toContainText('released');
  await piece.getByRole('button', { name: /is cut$/ }).click();
  await expect(piece.getByRole('cell').nth(3)).toHaveText('cut');

  const other = await context.newPage();
  await open(other, marram, 'build');
  await view(other, 'bench');
  await expect(stage(other, '9+ Bilge pump, automatic').first().getByRole('cell').nth(3)).toHaveText('cut');
  await stage(other, '9+ Bilge pump, automatic')
    .first()
    .getByRole('button', { name: /is made up$/ })
    .click();
  await expect(piece.getByRole('cell').nth(3)).toHaveText('made up');
  await reload(page);
  await view(page, 'bench');
  await expect(stage(page, '9+ Bilge pump, automatic').first().getByRole('cell').nth(3)).toHaveText('made up');
  await axe(page);

  // A later design is held against what was cut.
  const kept = (await (await page.request.get(`${url()}/api/boats/${marram}/records`)).json()) as {
    records: { body: { state: string; mm: number } }[];
  };
  expect(kept.records.map((r) => r.body.state)).toEqual(['released', 'cut', 'made']);
  await view(page, 'taping');
  await page.getByLabel('also those that are taped').check();
  await page.getByLabel('9 Bilge pump, automatic, taped').fill('5');
  await page.getByLabel('9 Bilge pump, automatic, taped').press('Enter');
  await view(page, 'bench');
  await expect(stage(page, '9+ Bilge pump, automatic').first()).toContainText('it was cut as');
});

test('one step at a time with keys, and the passport beside it', async ({ page, marram }) => {
  await open(page, marram, 'build');
  await view(page, 'bench');
  await page.getByRole('button', { name: /^release all that are taped/ }).click();
  await page.getByLabel('Find pieces').fill('windlass');
  await page
    .getByRole('button', { name: /^\d+\+ Anchor windlass/ })
    .first()
    .click();
  const passport = page.getByRole('region', { name: /^Passport of/ });
  await expect(passport).toContainText('less the stand-off of the first end');
  await expect(passport).toContainText(/die \d+ \(DIN 46235\)/);
  await passport.getByLabel('palms to each other').selectOption('90°');
  await expect(passport).toContainText('Turn the palm to 90° of the other.');
  await page.getByRole('button', { name: /^one step at a time/ }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('step 1 of');
  await expect(dialog).toContainText(/^.*Cut \d+ mm² red: [\d.]+ m, square\./);
  await axe(page);
  const steps = Number(/step 1 of (\d+)/.exec((await dialog.textContent()) ?? '')?.[1]);
  for (let k = 0; k < steps; k++) await page.keyboard.press('PageDown');
  await expect(dialog).toContainText('piece 2 of');
  await page.keyboard.press('Escape');
  await expect(stage(page, 'Anchor windlass').first().getByRole('cell').nth(3)).toHaveText('made up');
  await page.getByRole('button', { name: 'as cards' }).click();
  await expect(page.getByRole('img', { name: /^Code of/ }).first()).toBeVisible();
});

test('reels: what the store holds is used first, the plan is proved, and booking leaves what remains', async ({ page, marram }) => {
  await open(page, marram, 'build');
  await view(page, 'bench');
  await page.getByRole('button', { name: /^release all that are taped/ }).click();
  await view(page, 'reels');
  const store = page.getByRole('region', { name: 'Store of cable' });
  await store.getByLabel('cable').selectOption({ label: '35 mm² red' });
  await store.getByLabel(/^length/).fill('11.2');
  await store.getByRole('button', { name: 'add to the store' }).click();
  const plan = page.getByRole('region', { name: 'Plan of 35 mm² red' });
  await expect(plan).toContainText('no plan needs less');
  await expect(plan.getByRole('row').nth(1)).toContainText('store');
  await expect(page.getByRole('table', { name: 'Cable to buy' }).getByRole('row').filter({ hasText: '35 mm²red' })).toContainText('·');
  const [order] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'order as CSV' }).click()]);
  expect(readFileSync(await order.path(), 'utf8')).toContain('35 mm²,black');
  await plan.getByRole('button', { name: /^all cut/ }).click();
  await expect(plan).toHaveCount(0);
  await expect(store.getByLabel('Length of 35 mm² red')).not.toHaveValue('11.2');
  const left = Number(await store.getByLabel('Length of 35 mm² red').inputValue());
  expect(left).toBeGreaterThan(0);
  expect(left).toBeLessThan(2);
  await axe(page);
  await store.getByRole('button', { name: 'take out 35 mm² red' }).click();
  await expect(store.getByLabel('Length of 35 mm² red')).toHaveCount(0);
});

test('hours and the order of work: evenings, temporary feeds, what is done, the calendar, isolation', async ({ page, marram }) => {
  await open(page, marram, 'build');
  await view(page, 'hours');
  await expect(page.getByText(/h at the median, under/)).toBeVisible();
  await axe(page);
  await view(page, 'order of work');
  const days = page.getByRole('region', { name: /^Day \d+$/ });
  await expect(days.first()).toContainText('Evening');
  await expect(days.first()).toContainText('on its temporary feed');
  const before = await days.count();
  expect(before).toBeGreaterThan(5);
  await page.getByRole('button', { name: 'photograph and label: Bilge is done' }).click();
  await expect(page.getByRole('button', { name: 'photograph and label: Bilge is done' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'not done after all' })).toBeVisible();
  await page.getByRole('button', { name: /^Why pull 9 Bilge pump, automatic now$/ }).click();
  await expect(page.getByText(/^after cut and make up 9 Bilge pump, automatic \(it is cut\)/)).toBeVisible();
  await page.getByLabel('first day').fill('2027-03-01');
  await saved(page);
  const [calendar] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'calendar file' }).click()]);
  const text = readFileSync(await calendar.path(), 'utf8');
  expect(text).toContain('BEGIN:VCALENDAR');
  expect(text.match(/BEGIN:VEVENT/g)?.length).toBe(await days.count());
  expect(text).toContain('DTSTART:20270301T080000');
  await page.getByLabel('Isolate for').selectOption({ label: '9 Bilge pump, automatic' });
  const sheet = page.getByRole('region', { name: 'Isolation' });
  await expect(sheet).toContainText('negative off first');
  await expect(sheet).toContainText('negative on, torqued, last of all');
  await page.getByLabel(/^somebody lives aboard/).uncheck();
  await expect(page.getByText('on its temporary feed')).toHaveCount(0);
  await axe(page);
});

test('on a phone the bench and the test sheet keep to its width', async ({ page, marram }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const [station, on] of [
    ['build', 'bench'],
    ['build', 'taping'],
    ['commission', 'test sheet'],
  ] as const) {
    await open(page, marram, station);
    await view(page, on);
    await page.waitForTimeout(300);
    const wide = await page.getByRole('tabpanel', { name: on }).evaluate((e) => e.scrollWidth - e.clientWidth);
    expect(wide, on).toBeLessThanOrEqual(1);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  }
});

test('without a connection marks wait, and arrive', async ({ page, marram, context }) => {
  await open(page, marram, 'build');
  await view(page, 'bench');
  await expect(page.getByRole('table', { name: 'Pieces at the bench' })).toBeVisible();
  await context.setOffline(true);
  await page.getByRole('button', { name: /^release all that are taped/ }).click();
  await expect(page.getByText(/marks wait to be kept/)).toBeVisible();
  await expect(stage(page, 'released').first()).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByText(/marks wait to be kept/)).toHaveCount(0);
  const kept = (await (await page.request.get(`${url()}/api/boats/${marram}/records`)).json()) as { records: unknown[] };
  expect(kept.records.length).toBeGreaterThan(5);
});

test('a quotation sums what is priced and says what is not; a delivery makes its circuit wait', async ({ page, marram }) => {
  await open(page, marram, 'build');
  await view(page, 'quotation');
  await expect(page.getByText(/lines have no price/)).toBeVisible();
  const price = page.getByRole('region', { name: 'cable' }).getByRole('textbox', { name: 'a metre' }).first();
  await price.fill('3');
  await price.press('Enter');
  await saved(page);
  expect(Object.values((await designOf(page, marram)).boat.prices)).toContain(3);
  await expect(page.getByRole('table', { name: 'Sum' }).getByRole('row').last()).not.toContainText(' 0.00');
  await axe(page);
  await view(page, 'order of work');
  await page.getByRole('textbox', { name: 'what comes later' }).fill('reel of 1 mm²');
  await page.getByRole('textbox', { name: 'on day' }).fill('3');
  await page.getByRole('button', { name: 'wait for it' }).click();
  await saved(page);
  const circuit = (await designOf(page, marram)).circuits.find((c) => c.name === 'Refrigerator compressor');
  await page.getByLabel('Another circuit waits for reel of 1 mm²').selectOption(circuit?.id ?? '');
  await saved(page);
  expect((await designOf(page, marram)).work.deliveries[0]).toMatchObject({ day: 3, circuitIds: [circuit?.id] });
  await axe(page);
});
