/** A new boat from nothing to a list to cut from, each line read as a practitioner reads it: nothing to cross out. */
import type { Locator, Page } from '@playwright/test';
import { cell, expect, saved, test, url } from './boat';

const LOADS = [
  'Bow light, two-colour',
  'Stern light',
  'Masthead tricolour, LED',
  'Cabin light, LED',
  'Reading light, LED',
  'Bilge pump, automatic',
  'High-water alarm',
  'Gas detector',
  'Fresh water pump',
  'Refrigerator compressor',
  'VHF radio',
  'Multifunction display',
  'Instrument network',
  'USB outlet, double',
  'Diesel heater',
  'Anchor windlass',
];

/** By amps at work: the heaviest copper, mm2, and the largest device, A, that nobody would cross out in a boat of ten metres. */
const WORTH: readonly (readonly [upToA: number, mostMm2: number, mostA: number])[] = [
  [1, 2.5, 5],
  [5, 4, 15],
  [15, 10, 30],
  [60, 35, 80],
  [200, 95, 250],
];
/** Of mains and feeders: a short heavy one saves copper behind it, and no cube is made below 30 A. */
const FEEDS: readonly [number, number] = [120, 30];
const worthOf = (name: string, amps: number): readonly [mostMm2: number, mostA: number] => {
  const [, mostMm2, mostA] = WORTH.find(([upToA]) => amps <= upToA) ?? [0, 0, 0];
  return /^Main$|feed/.test(name) ? [FEEDS[0], Math.max(FEEDS[1], 2 * amps)] : [mostMm2, mostA];
};

const texts = async (rows: Locator, columns: readonly string[]): Promise<string[][]> =>
  rows.evaluateAll(
    (all, keys) => all.map((row) => keys.map((key) => (row.querySelector(`[data-col="${key}"]`)?.textContent ?? '').trim())),
    columns,
  );

async function madeBoat(page: Page): Promise<void> {
  await page.goto(url());
  await page.getByLabel('name', { exact: true }).fill('Whimbrel');
  await page.getByLabel('length, m').fill('10');
  await page.getByLabel('beam, m').fill('3.3');
  await page.getByLabel('begins as').selectOption('empty');
  await page.getByRole('button', { name: 'add the boat' }).click();
  await page.waitForURL(/survey$/);
  await page.getByRole('tab', { name: 'bank' }).click();
  await page.getByRole('button', { name: 'add a bank' }).click();
  await expect(page.getByText('into a dead short')).toBeVisible();
  await page.getByRole('link', { name: /^Loads/ }).click();
  await page.getByRole('button', { name: 'from the list' }).click();
  for (const name of LOADS) await page.getByLabel(name).first().check();
  await page.getByRole('button', { name: `add ${LOADS.length}` }).click();
  await page.getByRole('link', { name: /^Wiring/ }).click();
  await page.getByRole('button', { name: `propose for ${LOADS.length} loose` }).click();
  await expect(cell(page, 'Anchor windlass', 'from')).toHaveText('Main bus');
  await expect(page.getByRole('button', { name: 'size shared parts' })).toBeEnabled();
  await saved(page);
}

test('sixteen usual loads, one press of propose: no size, device or end to cross out', async ({ page }) => {
  await madeBoat(page);
  const rows = page.locator('[role="row"]:has([data-col="cable"])').filter({ has: page.locator('[data-col="amps"]') });
  const read = (await texts(rows, ['name', 'amps', 'cable', 'fuse', 'governs'])).filter(([name]) => name !== '' && name !== 'circuit');
  expect(read.length).toBeGreaterThanOrEqual(LOADS.length);
  const crossed = read.flatMap(([name = '', amps = '', cable = '', fuse = '', governs = '']) => {
    const [a, mm2, rating] = [amps, cable, fuse].map((text) => Number.parseFloat(text));
    const [mostMm2, mostA] = worthOf(name, a ?? Infinity);
    const wrong = [
      mm2 !== undefined && mm2 <= mostMm2 ? '' : `${cable} for ${amps} A`,
      rating !== undefined && rating <= mostA && rating >= (a ?? 0) ? '' : `${fuse} for ${amps} A`,
      governs.includes('✗') ? governs : '',
      /\d × /.test(cable) ? 'side by side' : '',
    ].filter(Boolean);
    return wrong.length > 0 ? [`${name}: ${wrong.join('; ')}`] : [];
  });
  expect(crossed).toEqual([]);

  await page.getByRole('link', { name: /^Build/ }).click();
  await expect(page.getByRole('heading', { name: 'Cut list', exact: true })).toBeVisible();
  await expect(page.getByText('Not to be built')).toHaveCount(0);
  const pieces = page.getByRole('row').filter({ hasText: '☐' });
  const cuts = await pieces.evaluateAll((all) => all.map((r) => [...r.querySelectorAll('td')].map((td) => td.textContent ?? '')));
  // A positive and a negative of every run.
  expect(cuts.length).toBeGreaterThanOrEqual(2 * LOADS.length);
  const END =
    /^(ring|lug) [\d.]+ mm² × M\d+(\.\d)?( on a junction stud)?$|^ferrule [\d.]+ mm²$|^adhesive butt splice [\d.]+ mm²$|^blade receptacle 6\.3 mm, [\d.]+ mm²$/;
  /** Largest copper each end takes, mm2. */
  const TAKES: Readonly<Record<string, number>> = {
    M4: 6,
    M5: 16,
    M6: 35,
    M8: 120,
    M10: 150,
    M12: 150,
    ferrule: 16,
    adhesive: 6,
    blade: 6,
  };
  const odd = cuts.flatMap(([label = '', size = '', , length = '', from = '', to = '']) => {
    const mm2 = Number.parseFloat(size);
    const wrong = [from, to].flatMap((end) => {
      if (!END.test(end)) return [`"${end}"`];
      const key = /× (M\d+)/.exec(end)?.[1] ?? end.split(' ')[0] ?? '';
      return mm2 <= (TAKES[key] ?? 0) ? [] : [`${size} on ${end}`];
    });
    if (!(Number.parseFloat(length) > 0)) wrong.push(`length ${length}`);
    return wrong.length > 0 ? [`${label}: ${wrong.join('; ')}`] : [];
  });
  expect(odd).toEqual([]);
});
