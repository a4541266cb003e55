/** AC machines and conductors: a generator that starts, inverters in parallel, isolators, terminals, colours, schedules. */
import { axe, enter, expect, open, row, saved, test, view } from './boat';
import type { Page } from '@playwright/test';

async function typed(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label);
  await field.fill(text);
  await field.press('Enter');
}

test('a generator’s start: its coil named, its starter entered, what would help compared by volts, metres and minutes', async ({
  page,
  halcyon,
}) => {
  // A pump that is wired already becomes the solenoid.
  await open(page, halcyon, 'loads');
  await enter(page, 'Deck wash pump', 'name', 'Start solenoid');
  await saved(page);
  await open(page, halcyon, 'ac');
  await view(page, 'sources');
  await page.getByRole('button', { name: 'Generator, 8 kVA', exact: true }).click();
  await page.getByLabel('remote start, its coil').selectOption({ label: 'Start solenoid' });
  const coil = page.getByRole('table', { name: 'Generator, 8 kVA: its coil' });
  await expect(coil).toContainText('typical');
  await expect(coil.getByRole('row', { name: /before anything turns/ })).toContainText('pulls in');
  const findings = page.getByRole('list', { name: 'Findings of Generator, 8 kVA' });
  await expect(findings).toContainText('its starter is not entered');
  await expect(findings).toContainText('nothing locks its remote start out');
  await page.getByRole('button', { name: 'enter its starter' }).click();
  await typed(page, 'cranks with; empty: typical, A', '160');
  await expect(findings.getByText('its starter is not entered')).toHaveCount(0);
  await typed(page, 'coil lets go at; empty: 40 %, V', '26');
  await expect(findings).toContainText('its control coil lets go as its starter turns');
  const ways = page.getByRole('table', { name: 'Generator, 8 kVA: ways to start it' });
  await expect(ways.getByRole('row', { name: /a relay at the set/ })).toContainText(/min/);
  await expect(ways.getByRole('row', { name: /a heavier pair/ })).toHaveCount(2);
  await typed(page, 'largest start, its maker’s, kVA', '3');
  await expect(findings).toContainText('Its maker allows a start of 3 kVA');
  await axe(page);
});

test('two inverters in parallel want a cable and a fuse each; capacitors without pre-charge are found', async ({ page, halcyon }) => {
  await open(page, halcyon, 'ac');
  await view(page, 'sources');
  await page.getByRole('button', { name: 'Inverter, large', exact: true }).click();
  const findings = page.getByRole('list', { name: 'Findings of Inverter, large' });
  const own = page.getByRole('table', { name: 'Inverter, large on this boat' });
  const output = async () =>
    Number(
      await own
        .getByRole('row', { name: /output, VA/ })
        .getByRole('cell')
        .last()
        .textContent(),
    );
  const one = await output();
  await typed(page, 'of these in parallel', '2');
  await expect.poll(output).toBeGreaterThan(1.9 * one);
  await expect(findings).toContainText('2 in parallel on one DC cable behind one fuse');
  await page.getByRole('checkbox', { name: 'capacitors charged before its disconnect closes' }).uncheck();
  await expect(findings).toContainText('its capacitors are switched onto 24 V without pre-charge');
  await page.keyboard.press('Control+z');
  await expect(findings.getByText('without pre-charge')).toHaveCount(0);
  await axe(page);
});

test('an isolator is a thing: entered with place and rating, wet and small are stops, its earth is on the cut list', async ({
  page,
  turnstone,
}) => {
  await open(page, turnstone, 'ac');
  await view(page, 'sources');
  await page.getByRole('button', { name: 'shore inlet' }).click();
  const findings = page.getByRole('list', { name: 'Findings of Shore power' });
  await expect(findings).toContainText('of its galvanic isolator only the word is entered');
  await page.getByRole('button', { name: /^enter the galvanic isolator/ }).click();
  await expect(findings).toContainText('its galvanic isolator has no place aboard');
  await page.getByLabel('it is in').selectOption({ index: 1 });
  await typed(page, 'bears for good; empty: not read, A', '6');
  await expect(findings).toContainText('its galvanic isolator of 6 A is behind an inlet of');
  await typed(page, 'bears for good; empty: not read, A', '60');
  await expect(findings.getByText('is behind an inlet of')).toHaveCount(0);
  await axe(page);
  await open(page, turnstone, 'build');
  await expect(page.getByText('earth Shore power, galvanic isolator').first()).toBeVisible();
});

test('runs: terminals for 75 °C, a light earth, cores in the wrong colour, marks; the panel’s schedule, lamps and strip in Build', async ({
  page,
  halcyon,
}) => {
  await open(page, halcyon, 'ac');
  await view(page, 'runs and panels');
  const findings = page.getByRole('list', { name: 'Findings of runs and panels' });
  await enter(page, 'Water heater', 'earthSize', '18');
  await expect(findings).toContainText(/its earth is 18 AWG behind \d+ A/);
  await page.keyboard.press('Control+z');
  await enter(page, 'Water heater', 'neutralColour', 'black');
  await expect(findings).toContainText('its neutral is black, as live is');
  await page.keyboard.press('Control+z');
  await enter(page, 'Main, shore power', 'labelled', 'no');
  await expect(findings).toContainText('its red live lies beside DC positive of that colour');
  await page.keyboard.press('Control+z');
  await enter(page, 'Main, shore power', 'terminalC', '70');
  await expect(page.getByText('60 or 75, or empty')).toBeVisible();
  await page.keyboard.press('Escape');
  await enter(page, 'AC main panel', 'ways', '8');
  await expect(row(page, 'Water heater')).toBeVisible();
  await axe(page);
  await open(page, halcyon, 'build');
  const panel = page.getByRole('region', { name: 'AC panel AC main panel' });
  await expect(panel).toContainText('of 8 ways');
  await expect(panel.getByRole('table', { name: 'Lamps of AC main panel' })).toContainText('Live and neutral are changed over ashore');
  await expect(panel.getByRole('figure', { name: 'Legend strip of AC main panel' })).toBeVisible();
  await expect(page.getByText(/^sheath off .* longer than live and neutral; from Shore power to the line side/).first()).toBeVisible();
});

test('bonds with the lead in and the pedestal dead: an inverter-charger that keeps the neutral together is found by that state', async ({
  page,
  halcyon,
}) => {
  await open(page, halcyon, 'ac');
  await view(page, 'bonds and earth');
  const states = page.getByRole('table', { name: 'States' });
  await expect(page.getByText('neutral meets earth in the right place in all of them')).toBeVisible();
  await expect(states).toContainText('Shore power in with the pedestal dead');
  await view(page, 'runs and panels');
  await enter(page, 'Inverter panel', 'switchesNeutral', 'no');
  await view(page, 'bonds and earth');
  await expect(page.getByText(/wrong in \d+/)).toBeVisible();
  // Wrong ones stand first.
  await expect(states.getByRole('row').nth(1)).toContainText('wrong');
  await expect(page.getByRole('list', { name: 'Findings of bonds and earth' })).toContainText('Inverter, large: has 2 neutral–earth bonds');
});
