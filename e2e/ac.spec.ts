/** AC aboard: the side proposed and corrected, what can run together, bonds, machines, the placard and the steps before work. */
import { readFileSync } from 'node:fs';
import { axe, cell, designOf, enter, expect, open, row, test, view } from './boat';

test('a boat without AC: appliances from the list, the side proposed, a run corrected and taken back', async ({ page, turnstone }) => {
  await open(page, turnstone, 'ac');
  await expect(page.getByText('Nothing on AC yet.')).toBeVisible();
  await page.getByRole('button', { name: 'from the list' }).click();
  for (const name of ['Kettle', 'Fan heater', 'Laptop supplies']) await page.getByRole('checkbox', { name }).check();
  await page.getByRole('button', { name: 'add 3' }).click();
  await expect
    .poll(async () => (await designOf(page, turnstone)).acLoads.map((l) => l.name))
    .toEqual(['Kettle', 'Fan heater', 'Laptop supplies']);
  await view(page, 'runs and panels');
  await page.getByRole('button', { name: 'propose the AC side' }).click();
  await expect(row(page, 'Main, shore power')).toBeVisible();
  await expect.poll(async () => (await designOf(page, turnstone)).acSources.some((s) => s.kind === 'shore')).toBe(true);
  await expect(cell(page, 'Main, shore power', 'leakageMa')).toHaveText('30');
  await enter(page, 'Main, shore power', 'leakageMa', '');
  const findings = page.getByRole('list', { name: 'Findings of runs and panels' });
  await expect(findings).toContainText('the main has no leakage trip');
  await page.keyboard.press('Control+z');
  await expect(findings.getByText('the main has no leakage trip')).toHaveCount(0);
  await enter(page, 'Fan heater', 'cable', 'household');
  await enter(page, 'Fan heater', 'liveColour', 'black');
  await expect(findings).toContainText('household cable');
  await expect(findings).toContainText('its live conductor is black, as DC negative is');
  await enter(page, 'Fan heater', 'lengthM', '40');
  await enter(page, 'Fan heater', 'size', '1.5');
  await expect(findings).toContainText(/feeder and branch lose/);
  await expect(page.getByRole('complementary', { name: 'The working' })).toContainText('A live case at its far end');
  await enter(page, 'Fan heater', 'leakageMa', '7');
  await expect(page.getByText('5, 10 or 30 mA, or empty')).toBeVisible();
  await page.keyboard.press('Escape');
  await axe(page);
});

test('appliances: bad figures are told, the sheet leaves as CSV and comes back the same', async ({ page, marram, turnstone }) => {
  await open(page, marram, 'ac');
  await enter(page, 'Kettle', 'powerFactor', '0');
  const findings = page.getByRole('list', { name: 'Findings of appliances' });
  await expect(findings).toContainText('Kettle: has a power factor of 0');
  await page.keyboard.press('Control+z');
  await enter(page, 'Power tools', 'surgeVa', '100');
  await expect(findings).toContainText('Power tools: starts with less than it runs on');
  await enter(page, 'Power tools', 'leg', 'both');
  await expect(findings).toContainText('is on a leg this boat has not');
  await enter(page, 'Shore charger', 'watts', '100');
  await expect(page.getByText('follow from its amps on the Charging station')).toBeVisible();
  await page.keyboard.press('Escape');
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'CSV', exact: true }).click()]);
  const csv = readFileSync(await file.path(), 'utf8');
  await open(page, turnstone, 'ac');
  await page.getByLabel('AC appliances from a file').setInputFiles({ name: 'ac.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await expect(page.getByText(/rows taken/)).toBeVisible();
  const figures = (d: Awaited<ReturnType<typeof designOf>>) =>
    d.acLoads.filter((l) => l.chargerId === null).map((l) => [l.name, l.watts, l.powerFactor, l.surgeVa, l.leg, l.keep, l.notWith]);
  const before = figures(await designOf(page, marram));
  await expect
    .poll(async () => figures(await designOf(page, turnstone)).slice(0, before.filter(([n]) => n !== 'Shore charger').length))
    .toEqual(before);
  await axe(page);
});

test('what can run together: the wanted set fits, is too much, is shed in order, charger first; the sets stand below', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'ac');
  await view(page, 'what can run together');
  const settings = page.getByRole('table', { name: 'Settings' });
  await expect(settings.getByRole('row', { name: /Shore power, 16 A/ })).toContainText('fits');
  const small = settings.getByRole('row', { name: /Shore power, 10 A/ });
  await expect(small).toContainText('too much');
  await expect(small).toContainText(/Shore charger off, then Water heater off/);
  await page.getByRole('checkbox', { name: 'Fan heater' }).uncheck();
  await expect(small).toContainText(/Shore charger down to \d+ W/);
  await page.getByRole('checkbox', { name: /turn the charger down/ }).uncheck();
  await expect(small).toContainText('Water heater off');
  await small.getByRole('button', { name: 'Shore power, 10 A' }).click();
  const sets = page.getByRole('region', { name: 'Largest sets on Shore power, 10 A' });
  await expect(sets).toContainText('Each fits on the source and behind every breaker on the way');
  await expect(sets.getByRole('img', { name: 'Water heater runs, wanted' }).first()).toBeVisible();
  await expect(page.getByRole('banner')).toContainText('AC room');
  await axe(page);
});

test('split service: legs and neutral; the inverter on its battery; the generator in starting order', async ({ page, halcyon }) => {
  await open(page, halcyon, 'ac');
  await view(page, 'what can run together');
  await expect(page.getByRole('table', { name: 'Settings' }).getByRole('row', { name: /Shore power, 50 A/ })).toContainText(
    /\| .* neutral \d/,
  );
  await view(page, 'sources');
  await page.getByRole('button', { name: 'Inverter, large', exact: true }).click();
  const own = page.getByRole('table', { name: 'Inverter, large on this boat' });
  await expect(own.getByRole('row', { name: /volts at its posts/ })).toContainText(/25\.\d+ V/);
  await expect(own.getByRole('row', { name: /case earth/ })).toContainText('AWG');
  await expect(own.getByRole('row', { name: /left on a day/ })).toContainText('sleep saves');
  await page.getByLabel('while nothing draws').selectOption('sleeps');
  await expect(page.getByRole('list', { name: 'Findings of Inverter, large' })).toContainText('wakes when touched');
  await page.getByRole('button', { name: 'Generator, 8 kVA', exact: true }).click();
  await expect(page.getByRole('table', { name: 'Motors on the generator' })).toContainText('Air conditioner');
  await expect(page.getByRole('table', { name: 'Days of the generator' }).getByRole('row', { name: /at anchor/ })).toContainText(
    /1 h at \d+ %/,
  );
  const kva = page.getByLabel('kVA', { exact: true });
  await kva.fill('3');
  await kva.press('Enter');
  await expect(page.getByRole('list', { name: 'Findings of Generator, 8 kVA' })).toContainText('pulls it down by');
  await kva.fill('0');
  await kva.press('Enter');
  await expect(page.getByRole('list', { name: 'Findings of Generator, 8 kVA' })).toContainText('rated 0 kVA');
  await expect(page.getByRole('complementary', { name: 'The working' })).toContainText('Carbon monoxide');
  await axe(page);
});

test('bonds: right in every state, wrong once the transfer leaves the neutral; the drawing shows the state', async ({ page, halcyon }) => {
  await open(page, halcyon, 'ac');
  await view(page, 'bonds and earth');
  await expect(page.getByText('neutral meets earth in the right place in all of them')).toBeVisible();
  await page
    .getByRole('table', { name: 'States' })
    .getByRole('button', { name: /^Generator, 8 kVA running, AC main panel on Generator, 8 kVA, Inverter panel on AC main panel$/ })
    .click();
  await expect(page.getByRole('img', { name: /neutral meets earth at Generator, 8 kVA, at the generator/ })).toBeVisible();
  await axe(page);
  await view(page, 'runs and panels');
  await enter(page, 'AC main panel', 'switchesNeutral', 'no');
  await view(page, 'bonds and earth');
  await expect(page.getByRole('list', { name: 'Findings of bonds and earth' })).toContainText(
    /Shore power: has a neutral–earth bond aboard/,
  );
  await page.keyboard.press('Control+z');
  await page.getByLabel('the AC earth').selectOption('isolation transformer');
  await expect(page.getByRole('list', { name: 'Findings of bonds and earth' })).toContainText('has no isolation transformer');
  await page.keyboard.press('Control+z');
  await open(page, halcyon, 'wiring');
  await view(page, 'drawing');
  await page.getByLabel('Rails').selectOption('AC side');
  const drawing = page.getByRole('application', { name: /^Line drawing/ });
  await expect(drawing).toContainText('joined ashore');
  await expect(drawing).toContainText('Inverter, large, dead');
  await page
    .getByLabel('State shown')
    .selectOption({ label: 'AC main panel off, Inverter panel on Inverter, large, Inverter, large inverting' });
  await expect(drawing).toContainText('neutral–earth bond');
  await expect(drawing).toContainText('AC main panel, dead');
  await axe(page);
});

test('the placard and the steps before work are one page each, in plain words, from this boat', async ({ page, marram }) => {
  await open(page, marram, 'ac');
  await view(page, 'placard');
  const placard = page.getByRole('article', { name: 'Placard' });
  await expect(placard).toContainText('Marram: what can run at the same time');
  await expect(placard).toContainText('Shore power, 10 A');
  await expect(placard).toContainText(/Either:/);
  // Ten appliances on 10 A: few rules of other kinds leave too little, so watts are added up.
  await expect(placard).toContainText(/Add up these watts, 2300 together at the most: .*Kettle \d+; .*Shore charger \d+/);
  await expect(placard).toContainText('Never here:');
  await axe(page);
  await page.emulateMedia({ media: 'print' });
  const pdf = await page.pdf({ format: 'A4' });
  // One page: one page object beside their tree.
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)?.length).toBe(1);
  await page.emulateMedia({ media: 'screen' });
  await view(page, 'before work');
  const steps = page.getByRole('region', { name: 'before work' });
  await expect(steps).toContainText('Inverter, small: off at its own switch, then its DC disconnect on circuit');
  await expect(steps).toContainText('Then prove the tester again');
  await axe(page);
});

test('the AC side joins the day: inverter loads are needed, a finding in Check opens the station', async ({ page, marram }) => {
  await open(page, marram, 'ac');
  const need = page.getByRole('banner').locator('[data-figure]').first();
  const before = Number((await need.textContent())?.replace(/[^\d.]/g, ''));
  await enter(page, 'Laptop supplies', 'hours-anchor', '12');
  await expect.poll(async () => Number((await need.textContent())?.replace(/[^\d.]/g, ''))).toBeGreaterThan(before + 80);
  await view(page, 'sources');
  await page.getByLabel('in the earth').selectOption('none');
  await open(page, marram, 'check');
  await page.getByRole('button', { name: 'Shore power: has its earth straight from ashore', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Shore power' }).getByRole('heading', { name: 'Shore power', exact: true })).toBeVisible();
});
