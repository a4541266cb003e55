/** What is found aboard, what stands in line, where cables run, and the lists that come of it. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { axe, cell, designOf, enter, expect, open, refusal, row, saved, test, url, view } from './boat';

test('as found: what is kept is reckoned as it is, its joints with it; before and after stand side by side', async ({
  page,
  turnstone,
}) => {
  await open(page, turnstone, 'survey');
  await view(page, 'as found');
  await cell(page, 'Cabin lamps', 'name').click();
  const working = page.getByRole('complementary', { name: 'The working' });
  await expect(working).toContainText('as found');
  await expect(working).toContainText('2.5 mm²');
  await expect(page.getByTestId('before-after')).toContainText(/as found: \d+ stop/);

  await enter(page, 'Cabin lamps', 'faults', 'failed crimp 40 mΩ; no label');
  await expect(cell(page, 'Cabin lamps', 'faults')).toHaveText('failed crimp 40 mΩ; no label');
  await expect(working).toContainText('40 mΩ measured');
  await expect(cell(page, 'Cabin lamps', 'heat')).toContainText('40,');

  await enter(page, 'Cabin lamps', 'size', '0.75');
  await expect(working).toContainText('as found, fails');
  await enter(page, 'Cabin lamps', 'decision', 'replace');
  await expect(working).not.toContainText('as found, fails');
  await enter(page, 'Cabin lamps', 'kind', 'string');
  await expect(page.locator('.cell-message')).toContainText('tinned strands');
  await page.keyboard.press('Escape');
  await saved(page);
  expect((await designOf(page, turnstone)).circuits.find((c) => c.name === 'Cabin lamps')?.found).toMatchObject({
    decision: 'replace',
    size: { school: 'metric', size: '0.75' },
    faults: [{ kind: 'failed-crimp', mohm: 40 }, { kind: 'unlabelled' }],
  });
});

test('a wire is recorded, decided, listed to be stripped out, and taken back', async ({ page, turnstone }) => {
  await open(page, turnstone, 'survey');
  await view(page, 'as found');
  await page.getByRole('button', { name: 'add a found wire' }).click();
  await enter(page, 'Found wire', 'name', 'Red pair at the mast');
  await enter(page, 'Red pair at the mast', 'length', '4');
  await expect(page.getByRole('region', { name: 'Found: Red pair at the mast' })).toContainText('feeds nothing that is known');
  await enter(page, 'Red pair at the mast', 'decision', 'remove');
  await saved(page);
  await open(page, turnstone, 'build');
  await expect(page.getByRole('table', { name: 'Strip out' })).toContainText('Red pair at the mast');
  await expect(page.getByRole('table', { name: 'Strip out' })).toContainText('Old spotlight feed');
  await expect(page.getByRole('table', { name: 'Use again' })).toContainText('Cabin lamps');
  await expect(page.getByRole('table', { name: 'Not identified' })).toContainText('White pair behind the galley');
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('table', { name: 'Strip out' })).not.toContainText('Red pair at the mast');
  await open(page, turnstone, 'check');
  await view(page, 'as found');
  await expect(page.getByRole('main')).toContainText('Old spotlight feed: has nothing to protect it');
  await view(page, 'as decided');
  await expect(page.getByRole('main')).not.toContainText('Old spotlight feed');
});

test('pictures are taken in, captioned, served as pictures, and refused when they are none', async ({ page, turnstone }) => {
  await open(page, turnstone, 'survey');
  await view(page, 'as found');
  await cell(page, 'Masthead light', 'name').click();
  const shown = page.getByRole('region', { name: 'Pictures of Masthead light' });
  const png = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#a25a22' } })
    .png()
    .toBuffer();
  await shown.locator('input[type=file]').setInputFiles({ name: 'mast.png', mimeType: 'image/png', buffer: png });
  await expect(shown.getByRole('img')).toHaveCount(1);
  await shown.getByPlaceholder('caption').fill('Green at the deck plug');
  await shown.getByPlaceholder('caption').press('Tab');
  await saved(page);
  const [photo] = (await designOf(page, turnstone)).photos;
  expect(photo).toMatchObject({ caption: 'Green at the deck plug', widthPx: 60, heightPx: 40 });
  const served = await page.request.get(`${url()}/api/boats/${turnstone}/photos/${photo?.id ?? ''}`);
  expect(served.headers()['content-type']).toBe('image/jpeg');

  await shown
    .locator('input[type=file]')
    .setInputFiles({ name: 'page.png', mimeType: 'image/png', buffer: Buffer.from('<script>alert(1)</script>') });
  await expect(refusal(page)).toContainText('not a picture');
  await expect(shown.getByRole('img')).toHaveCount(1);

  const zip = await page.request.get(`${url()}/api/boats/${turnstone}/export?as=zip`);
  await page.goto(url());
  await page.getByLabel(/solenix.json/).setInputFiles({ name: 'boat.zip', mimeType: 'application/zip', buffer: await zip.body() });
  await page.waitForURL(/\/boats\/[^/]+\/survey/);
  await view(page, 'pictures');
  await expect(page.getByRole('img', { name: 'Green at the deck plug' })).toBeVisible();
});

test('in line: ratings, the largest cable, place and bypass are entered and judged; the switch schedule lists them', async ({
  page,
  turnstone,
}) => {
  await open(page, turnstone, 'wiring');
  await cell(page, 'Radio and instruments', 'name').click();
  const region = page.getByRole('region', { name: 'Circuit Radio and instruments' });
  const working = page.getByRole('complementary', { name: 'The working' });
  await expect(working).toContainText('plug rated 5 A carries');
  await region.getByLabel('rating, A, of the plug').fill('16');
  await region.getByLabel('rating, A, of the plug').press('Tab');
  await expect(working).not.toContainText('plug rated');
  await region.getByLabel('largest cable of the plug').fill('0.75');
  await region.getByLabel('largest cable of the plug').press('Tab');
  await expect(working).toContainText('plug takes 0.75 mm² at most');
  await region.getByLabel('rating, A, of the plug').fill('lots');
  await region.getByLabel('rating, A, of the plug').press('Tab');
  await expect(refusal(page)).toContainText('is not a number');
  await region.getByLabel('in line', { exact: true }).selectOption('diode');
  await expect(region).toContainText('loses 0.7 V');

  await cell(page, 'Bilge pump', 'name').click();
  await expect(working).toContainText('no manual switch beside it');
  await page.getByRole('region', { name: 'Circuit Bilge pump' }).getByLabel('bypass').check();
  await expect(working).not.toContainText('no manual switch beside it');

  await view(page, 'switches');
  const schedule = page.getByRole('table', { name: 'Switch schedule' });
  await expect(schedule).toContainText('with a manual bypass');
  await expect(schedule).toContainText('0.75 mm²');
  const positions = page.getByRole('table', { name: 'Positions of the house switch' });
  await expect(positions.getByRole('row').filter({ hasText: /^off/ })).toContainText('Bilge pump, automatic');
  await expect(positions.getByRole('row').filter({ hasText: /^on/ }).first()).toContainText('days');
});

test('a conduit fills with what runs in it, says what bore it would need, and counts its bundle', async ({ page, turnstone }) => {
  await open(page, turnstone, 'wiring');
  await view(page, 'routes');
  await cell(page, 'Starboard conduit', 'name').click();
  const fill = cell(page, 'Starboard conduit', 'fill');
  await expect(fill).toHaveAttribute('data-tone', 'breaks');
  const need = await cell(page, 'Starboard conduit', 'needs').innerText();
  await enter(page, 'Starboard conduit', 'boreMm', need);
  await expect(fill).not.toHaveAttribute('data-tone', 'breaks');
  const region = page.getByRole('region', { name: 'Circuits in Starboard conduit' });
  await region.getByRole('button', { name: /as a bundle/ }).click();
  await saved(page);
  const inside = (await designOf(page, turnstone)).circuits.filter((c) => ['c-4', 'c-6', 'c-cool'].includes(c.id));
  expect(inside.map((c) => [c.bundled, c.enclosure])).toEqual([
    [6, 'conduit'],
    [6, 'conduit'],
    [6, 'conduit'],
  ]);
  await region.getByLabel(/Stereo/).check();
  await expect(cell(page, 'Starboard conduit', 'cables')).toHaveText('8');
  await expect(page.getByRole('table', { name: 'Penetrations' })).toContainText('Masthead light');
});

test('short duty is drawn beside continuous; what grows is tested against what stands', async ({ page, halcyon }) => {
  await open(page, halcyon, 'wiring');
  await cell(page, 'Anchor windlass', 'name').click();
  const duty = page.getByRole('figure', { name: 'Conductor temperature through the duty' });
  await expect(duty).toContainText('120 s on, 300 s rest, 3 times');
  await expect(duty).toContainText(/The tests ask for \S+ AWG with the duty, for \S+ AWG without it/);
  await expect(duty.locator('path.recharts-line-curve')).toHaveCount(2);
  const region = page.getByRole('region', { name: 'Circuit Anchor windlass' });
  await region.getByLabel('Times as much').fill('1.5');
  await expect(region.getByRole('table', { name: 'What if it grows' })).toContainText('fails now');
  await region.getByLabel('Times as much').fill('1.01');
  await expect(region.getByRole('table', { name: 'What if it grows' })).toContainText('passes still');
  await region.getByLabel('Times as much').fill('a lot');
  await expect(region).toContainText('is not a number');
  await region.getByLabel('What grows').selectOption('the run');
  await region.getByLabel('Times as much').fill('4');
  await expect(region.getByRole('table', { name: 'What if it grows' })).toContainText('fails now: drop');
});

test('equipment not chosen yet: the run suits every candidate', async ({ page, turnstone }) => {
  await open(page, turnstone, 'wiring');
  const amps = cell(page, 'Cool box, provisional', 'amps');
  await expect(amps).toHaveText(/^5\.\d+/);
  await open(page, turnstone, 'loads');
  await enter(page, 'Cool box, not chosen', 'range', 'to 120 W; Fore cabin');
  await expect(cell(page, 'Cool box, not chosen', 'range')).toHaveText('to 120 W; Fore cabin');
  await enter(page, 'Cool box, not chosen', 'range', 'soon');
  await expect(page.locator('.cell-message')).toContainText('is meant');
  await page.keyboard.press('Escape');
  await open(page, turnstone, 'wiring');
  await expect(amps).toHaveText(/^10\.\d+/);
});

test('a panel’s schedule shows each way, what is spare, and a legend strip of true size', async ({ page, turnstone }) => {
  await open(page, turnstone, 'wiring');
  await enter(page, 'Stereo', 'way', '5');
  await open(page, turnstone, 'build');
  const panel = page.getByRole('region', { name: 'Panel Fuse board' });
  await expect(panel).toContainText('of 8 ways');
  await expect(panel).toContainText('to spare of');
  await expect(panel.getByRole('row').filter({ hasText: 'Stereo' })).toContainText('5');
  const strip = panel.getByRole('figure', { name: 'Legend strip of Fuse board' });
  // 15 mm at 96 pixels to the inch.
  expect((await strip.locator('div > div').first().boundingBox())?.width).toBeCloseTo((15 / 25.4) * 96, 0);
});

test('a finding is accepted by name and with a reason, and listed and printed as a departure', async ({ page, turnstone }) => {
  await open(page, turnstone, 'check');
  const title = 'Feed of the board: has nothing to protect it';
  await page.getByRole('button', { name: `Accept: ${title}` }).click();
  const dialog = page.getByRole('dialog', { name: 'Accept a departure' });
  await expect(dialog).toContainText('can hurt someone');
  await expect(dialog.getByRole('button', { name: 'put it on record' })).toBeDisabled();
  await dialog.getByLabel('why').fill('Replaced next week; the battery stays disconnected.');
  await dialog.getByLabel('who accepts it').fill('The owner');
  await axe(page);
  await dialog.getByRole('button', { name: 'put it on record' }).click();
  await expect(page.getByRole('button', { name: title })).toHaveCount(0);
  await view(page, 'departures');
  await expect(page.getByRole('main')).toContainText('Accepted by The owner');
  await open(page, turnstone, 'build');
  await expect(page.getByRole('table', { name: 'Departures' })).toContainText('Replaced next week');
  await open(page, turnstone, 'check');
  await view(page, 'departures');
  await page.getByRole('button', { name: 'accept it no longer' }).click();
  await view(page, 'as decided');
  await expect(page.getByRole('button', { name: title, exact: true })).toBeVisible();
});

test('house rules are kept as a set, taken by another boat, and differ visibly', async ({ page, marram, turnstone }) => {
  const name = `Set ${Date.now()}`;
  await open(page, marram, 'survey');
  await page.getByRole('tab', { name: 'house rules' }).click();
  const differs = page.getByRole('table', { name: 'Differences from the rule set' });
  await expect(differs).toContainText('diversity of feeders');
  await page.getByLabel('of a conduit kept free for later, %').fill('25');
  await page.getByLabel('of a conduit kept free for later, %').press('Enter');
  await expect(differs).toContainText('of a conduit kept free, %');
  await page.getByLabel('electronics: no conductor under').selectOption('2.5 mm²');
  await expect(differs).toContainText('least size for electronics');
  await page.getByLabel('Name of a set').fill(name);
  await page.getByRole('button', { name: 'keep as set' }).click();
  await expect(page.getByLabel('the firm’s set').or(page.getByLabel("the firm's set"))).toContainText(name);
  await saved(page);
  await open(page, turnstone, 'survey');
  await page.getByRole('tab', { name: 'house rules' }).click();
  await page.getByLabel("the firm's set").selectOption({ label: `${name} (mm²)` });
  await expect(differs).toContainText('diversity of feeders');
  await page.getByLabel('drop, critical loads, %').fill('2');
  await page.getByLabel('drop, critical loads, %').press('Enter');
  await expect(page.getByText('Changed since it was taken')).toBeVisible();
  await page.getByRole('button', { name: 'back to the set' }).click();
  await expect(page.getByText('Changed since it was taken')).toHaveCount(0);
  await saved(page);
  expect((await designOf(page, turnstone)).boat.houseSet).toBe(name);
});

test('legs side by side: a device on each, and what one open leg would do', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await enter(page, 'Inverter, small', 'cable', '2x50');
  const region = page.getByRole('region', { name: 'Circuit Inverter, small' });
  const working = page.getByRole('complementary', { name: 'The working' });
  await expect(working).toContainText('with one leg open');
  await region.getByLabel('device at both ends of each leg').check();
  await expect(working).toContainText('2 legs, one at both ends of each');
  await saved(page);
  await open(page, marram, 'build');
  await expect(page.getByText('at both ends of each leg')).toBeVisible();
});

for (const [station, name] of [
  ['survey', 'as found'],
  ['survey', 'pictures'],
  ['loads', 'cards'],
  ['wiring', 'switches'],
  ['wiring', 'routes'],
  ['wiring', 'panels'],
  ['check', 'as found'],
  ['check', 'departures'],
] as const)
  test(`${station}, ${name}: no serious accessibility fault`, async ({ page }) => {
    await open(page, 'turnstone', station);
    await view(page, name);
    await page.waitForTimeout(300);
    await axe(page);
  });

test('as found prints and exports with the rest: the design file holds every record', async ({ page, turnstone }) => {
  const file = JSON.parse(readFileSync(await (await downloadOf(page, turnstone)).path(), 'utf8')) as {
    circuits: { found: unknown }[];
    routes: unknown[];
  };
  expect(file.circuits.filter((c) => c.found !== null)).toHaveLength(9);
  expect(file.routes).toHaveLength(2);
});

async function downloadOf(page: Page, boat: string) {
  await open(page, boat, 'survey');
  const waiting = page.waitForEvent('download');
  await page.keyboard.press('Control+k');
  await page.getByText('Export the design as a file').click();
  await expect(row(page, 'nothing')).toHaveCount(0);
  return waiting;
}
