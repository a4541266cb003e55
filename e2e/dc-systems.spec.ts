/** Machines as one thing, a petrol boat, a boat of two batteries and a selector, small leads. */
import type { Page } from '@playwright/test';
import { axe, cell, designOf, enter, expect, open, row, saved, test, url, view } from './boat';

const idOf = (page: Page): string => /boats\/([^/]+)/.exec(page.url())?.[1] ?? '';
async function station(page: Page, name: string): Promise<void> {
  await page.getByRole('link', { name: new RegExp(`^${name}`) }).click();
  await page.waitForURL(new RegExp(`/${name.toLowerCase()}$`));
}
const finding = (page: Page, text: string) => page.getByRole('listitem').filter({ hasText: text }).first();

async function newBoat(page: Page, name: string): Promise<void> {
  await page.goto(url());
  await page.getByLabel('name', { exact: true }).fill(name);
  await page.getByLabel('length, m').fill('9');
  await page.getByLabel('beam, m').fill('3');
  await page.getByLabel('begins as').selectOption('empty');
  await page.getByRole('button', { name: 'add the boat' }).click();
  await page.waitForURL(/survey$/);
  await page.getByRole('tab', { name: 'bank' }).click();
  await page.getByRole('button', { name: 'add a bank' }).click();
  await expect(page.getByText('into a dead short')).toBeVisible();
}

async function fromList(page: Page, ...names: string[]): Promise<void> {
  await station(page, 'Loads');
  await page.getByRole('button', { name: 'from the list' }).click();
  for (const name of names) await page.getByLabel(name).first().check();
  await page.getByRole('button', { name: `add ${names.length}` }).click();
  await saved(page);
}

test('a charger and an inverter from the list stand on Charging and AC at once, are renamed and go as one', async ({ page }) => {
  await newBoat(page, 'Sanderling');
  await fromList(page, 'Shore charger', 'Inverter, small');
  await station(page, 'Charging');
  await expect(page.getByRole('table', { name: 'Sources' }).getByRole('row', { name: /^Shore charger/ })).toBeVisible();
  await station(page, 'AC');
  await view(page, 'sources');
  await expect(page.getByRole('table', { name: 'AC sources' }).getByRole('row', { name: /^Inverter, small/ })).toBeVisible();
  await station(page, 'Loads');
  await enter(page, 'Shore charger', 'name', 'Galley charger');
  await saved(page);
  await expect
    .poll(async () => {
      const d = await designOf(page, idOf(page));
      return [d.sources[0]?.name, d.acLoads[0]?.name, d.sources[0]?.loadId === d.loads.find((l) => l.name === 'Galley charger')?.id];
    })
    .toEqual(['Galley charger', 'Galley charger', true]);
  await station(page, 'Charging');
  // What it gives stands on both: the cable is sized by the load sheet.
  await page.getByRole('button', { name: 'Galley charger', exact: true }).click();
  await page.getByLabel('rated, A', { exact: true }).fill('50');
  await page.getByLabel('rated, A', { exact: true }).press('Enter');
  await saved(page);
  await expect
    .poll(async () => {
      const d = await designOf(page, idOf(page));
      return d.loads.filter((l) => l.name === 'Galley charger').map((l) => [l.ratingBy, l.rating]);
    })
    .toEqual([['A', 50]]);
  await page.getByRole('button', { name: 'remove Galley charger' }).click();
  await expect(page.getByText('Nothing charges the boat yet')).toBeVisible();
  await station(page, 'Loads');
  await expect(row(page, 'Galley charger')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(row(page, 'Galley charger')).toHaveCount(1);
  await expect.poll(async () => (await designOf(page, idOf(page))).acLoads.length).toBe(1);
});

test('an inverter-charger is added once: on Loads, Charging and AC it is the same case, and goes as one', async ({ page }) => {
  await newBoat(page, 'Dotterel');
  await station(page, 'AC');
  await view(page, 'sources');
  await page.getByRole('button', { name: 'inverter-charger' }).click();
  await saved(page);
  await expect(page.getByRole('table', { name: 'AC sources' }).getByRole('row', { name: /^Inverter-charger/ })).toBeVisible();
  await expect(page.getByLabel('charger in the same case')).not.toHaveValue('');
  await station(page, 'Charging');
  await expect(page.getByRole('table', { name: 'Sources' }).getByRole('row', { name: /^Inverter-charger/ })).toContainText('80 A');
  await page.getByRole('button', { name: 'Inverter-charger', exact: true }).click();
  await expect(page.getByLabel('its cable is that of').locator('option:checked')).toHaveText('Inverter-charger');
  await station(page, 'Loads');
  await enter(page, 'Inverter-charger', 'name', 'Combi');
  await saved(page);
  await expect
    .poll(async () => {
      const d = await designOf(page, idOf(page));
      return [d.sources, d.acSources, d.acLoads].map((rows) => rows.filter((r) => r.name === 'Combi').length);
    })
    .toEqual([1, 1, 1]);
  await station(page, 'Charging');
  await page.getByRole('button', { name: 'remove Combi' }).click();
  await saved(page);
  await expect
    .poll(async () => {
      const d = await designOf(page, idOf(page));
      return [d.sources, d.acSources, d.acLoads, d.loads].flat().some((r) => r.name === 'Combi');
    })
    .toBe(false);
});

test('a petrol boat: her engine space is one with vapour, what sparks there is told, a blower is asked for', async ({ page, marram }) => {
  await open(page, marram, 'charging');
  await view(page, 'the engine');
  await page.getByLabel('fuel', { exact: true }).selectOption('petrol');
  await saved(page);
  await station(page, 'Check');
  const space = finding(page, 'has a petrol engine in Engine space');
  await expect(space).toBeVisible();
  await space.getByRole('button', { name: 'put right' }).click();
  await expect(finding(page, 'has no blower for Engine space')).toBeVisible();
  await expect(finding(page, 'has a petrol engine in Engine space')).toHaveCount(0);
  await expect(finding(page, 'may light petrol vapour')).toBeVisible();
  await fromList(page, 'Engine space blower');
  await station(page, 'Check');
  await expect(finding(page, 'may light petrol vapour')).toBeVisible();
  await expect(page.getByText('has no blower for Engine space')).toHaveCount(0);
});

test('two batteries and a selector: what charges ends on its common post; left on both it is told who is drained', async ({ page }) => {
  await newBoat(page, 'Turnix');
  await station(page, 'Bank');
  await view(page, 'banks');
  await page.getByRole('button', { name: 'add a bank' }).click();
  await view(page, 'joined');
  await page.getByRole('button', { name: 'selector by hand' }).click();
  await fromList(page, 'Alternator, medium frame');
  await station(page, 'Charging');
  await page.getByLabel('its cable is that of').selectOption('');
  await page.getByLabel('through').selectOption({ label: 'Bank selector' });
  await saved(page);
  await station(page, 'Wiring');
  await view(page, 'main side');
  await page.getByRole('button', { name: 'propose the main side' }).click();
  await expect(cell(page, 'Alternator, medium frame output', 'from')).toHaveText('Bank selector, common post');
  await station(page, 'Check');
  await expect(page.getByText('is emptied with the house')).toHaveCount(0);
  await station(page, 'Bank');
  await view(page, 'joined');
  await page.getByLabel('engine stopped').selectOption('both');
  await saved(page);
  await station(page, 'Check');
  await expect(finding(page, 'on both with the engine stopped: Start battery is emptied with the house')).toBeVisible();
});

test('small leads: proposed, judged, counted in the list to cut from', async ({ page, halcyon }) => {
  await open(page, halcyon, 'charging');
  await view(page, 'small leads');
  const excitation = 'Excitation of Second alternator, 24 V';
  await expect(row(page, excitation)).toBeVisible();
  await axe(page);
  await enter(page, excitation, 'diode', 'no');
  await expect(finding(page, 'its excitation has no diode')).toBeVisible();
  await enter(page, 'Temperature sensor of Second alternator, 24 V', 'mostM', '2 ft');
  await expect(finding(page, 'its temperature lead runs')).toBeVisible();
  await saved(page);
  await station(page, 'Build');
  const makers = page.getByRole('heading', { name: 'Makers’ own cables' });
  await expect(makers).toBeVisible();
  await expect(page.getByText(/^Temperature sensor of Second alternator, 24 V, /)).toBeVisible();
  await expect(page.getByRole('row').filter({ hasText: excitation })).toContainText('purple');
  await station(page, 'Charging');
  await view(page, 'small leads');
  await row(page, excitation).locator('[data-col="name"]').click();
  await page.keyboard.press('Control+Delete');
  await page.getByRole('button', { name: 'propose small leads' }).click();
  await expect(page.getByRole('dialog')).toContainText(excitation);
});
