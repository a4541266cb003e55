/** Mounting: faces measured, bodies held against them, places ranked and taken. */
import { axe, designOf, expect, hinted, open, saved, test, view } from './boat';

test('a face is measured where a place is entered; a body too deep for it is refused, and told in Check', async ({ page, marram }) => {
  await open(page, marram, 'survey');
  await page.getByRole('tab', { name: 'places' }).click();
  const sheet = page.getByRole('tabpanel', { name: 'places' });
  await sheet.getByRole('button', { name: /^Aft cabin/ }).click();
  await sheet.locator('summary', { hasText: 'Bunk bulkhead' }).click();
  const behind = sheet.getByRole('combobox', { name: /behind it/ });
  await behind.selectOption('open space');
  const deep = sheet.getByRole('textbox', { name: 'free before it, mm' });
  await deep.fill('200');
  await deep.press('Enter');
  await saved(page);
  await view(page, 'mounting');
  await page.getByRole('button', { name: /^Shore charger/ }).click();
  const places = page.getByRole('table', { name: 'Places for Shore charger' });
  const bunk = places.getByRole('row').filter({ hasText: 'Bunk bulkhead' });
  await expect(bunk).toContainText('does not go');
  await bunk.getByRole('button', { name: /^Aft cabin/ }).click();
  await expect(page.getByText(/depth with air before it; it needs 210 mm, there is: 200 mm/)).toBeVisible();
  // Its score is added up; a lead's drop there opens the working of that lead there.
  const made = page.getByRole('table', { name: 'What its score is made of' });
  const minutes = (await made.getByRole('row').allInnerTexts()).map((r) => Number(r.trim().split(/\s+/).at(-1)));
  expect(minutes.slice(1, -1).reduce((sum, m) => sum + m, 0) / (minutes.at(-1) ?? 0)).toBeCloseTo(1, 1);
  await hinted(page.getByRole('table', { name: 'Leads with it there' }), /^The working: /)
    .first()
    .click();
  await expect(page.getByRole('complementary', { name: 'The working' })).toContainText(/ampacity|carries/);
  await bunk.getByRole('button', { name: 'mount it there: Aft cabin, Bunk bulkhead' }).click();
  await saved(page);
  const moved = await designOf(page, marram);
  expect(moved.sources.find((s) => s.name === 'Shore charger')?.placeId).toBe('aft');
  await expect(page.getByRole('table', { name: 'Does it go there' })).toContainText('210 mm');
  await axe(page);
  await open(page, marram, 'check');
  await expect(page.getByText(/Shore charger: does not go on Bunk bulkhead/)).toBeVisible();
});

test('its maker’s body, typed, lets it go there; the board shows it with its air', async ({ page, marram }) => {
  await open(page, marram, 'survey');
  await view(page, 'mounting');
  await page.getByRole('button', { name: /^Chart table panel/ }).click();
  await expect(page.getByRole('table', { name: 'Does it go there' }).getByRole('row')).toHaveCount(8);
  const wide = page.getByRole('textbox', { name: 'wide, mm' });
  await wide.fill('600');
  await wide.press('Enter');
  await expect(
    page
      .getByRole('table', { name: 'Does it go there' })
      .getByRole('row')
      .filter({ hasText: /^width/ }),
  ).toContainText('no');
  await page.getByRole('button', { name: 'back to the typical body' }).click();
  await expect(page.getByRole('button', { name: /^Chart table panel/ })).toContainText('goes');
  await expect(page.getByRole('img', { name: /^Panel front/ })).toBeVisible();
});

test('a battery’s case is chosen by its standard’s letters', async ({ page, marram }) => {
  await open(page, marram, 'bank');
  await view(page, 'banks');
  await page.getByLabel('case of the trade').selectOption('L5');
  await saved(page);
  expect((await designOf(page, marram)).banks[0]?.sheet).toMatchObject({ lengthMm: 353, widthMm: 175, heightMm: 190 });
});
