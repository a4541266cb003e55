/** The DC network: the main side, the line drawing, runs in the boat, and the switches worked. */
import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import { axe, cell, designOf, enter, expect, open, row, test, url, view } from './boat';

test('the main side is proposed, corrected row by row, judged, and taken back', async ({ page, turnstone }) => {
  await open(page, turnstone, 'wiring');
  await view(page, 'main side');
  await expect(page.getByText('Nothing yet. Proposed are a negative bus behind a shunt')).toBeVisible();
  await page.getByRole('button', { name: 'propose the main side' }).click();
  await expect.poll(async () => (await designOf(page, turnstone)).leads.length).toBeGreaterThan(0);
  const bank = (await designOf(page, turnstone)).banks[0]?.name ?? '';
  await enter(page, `${bank} negative`, 'lengthM', '1.4');
  await enter(page, `${bank} negative`, 'size', '1.5');
  await expect(cell(page, `${bank} negative`, 'governs')).toContainText('✗');
  const findings = page.getByRole('list', { name: 'Findings of the main side' });
  await expect(findings).toContainText(`${bank} negative: 1.5 mm² fails`);
  await enter(page, `${bank} negative`, 'size', '');
  await expect(findings.getByText(/fails/)).toHaveCount(0);
  await expect(page.getByRole('complementary', { name: 'The working' })).toContainText('What each test asks for');
  await enter(page, `${bank} negative`, 'through', 'shunt 40 A 0.5 mΩ at Bilge; isolator');
  await expect
    .poll(async () => (await designOf(page, turnstone)).leads[0]?.through.map((d) => [d.kind, d.ratingA, d.mohm, d.placeId]))
    .toEqual([
      ['shunt', 40, 0.5, 'bilge'],
      ['isolator', null, null, null],
    ]);
  await enter(page, `${bank} negative`, 'through', 'kettle');
  await expect(page.getByText('"kettle" is none of:')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'What lands where' })).toContainText('Nothing goes round the shunt');
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await designOf(page, turnstone)).leads[0]?.through.map((d) => d.kind)).toEqual(['shunt']);
  await axe(page);
});

test('a lead of one’s own that puts two banks side by side is a stop, there and in Check', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await view(page, 'main side');
  await page.getByRole('button', { name: 'add a lead' }).click();
  await enter(page, 'New lead', 'rail', 'positive');
  await enter(page, 'New lead', 'from', 'House bank');
  await enter(page, 'New lead', 'to', 'Start battery');
  await expect(page.getByRole('list', { name: 'Findings of the main side' })).toContainText(
    'puts House bank and Start battery side by side',
  );
  await open(page, marram, 'check');
  await page.getByRole('button', { name: 'New lead: puts House bank and Start battery side by side', exact: true }).click();
  await expect(page.getByRole('tab', { name: 'main side', exact: true })).toHaveAttribute('aria-selected', 'true');
  await expect(row(page, 'New lead')).toBeVisible();
});

const drawn = (page: Page) => page.getByRole('application', { name: /^Line drawing/ });

test('the line drawing: made from the design, travelled by keys, folded, its volts in a study, redrawn on an edit', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'wiring');
  await view(page, 'drawing');
  const drawing = drawn(page);
  await expect(drawing).toHaveAttribute('data-laid', 'yes');
  await expect(drawing).toContainText('Chart table panel');
  await expect(drawing).toContainText('VHF radio');
  await drawing.focus();
  for (const key of ['ArrowRight', 'ArrowRight', 'ArrowRight']) await page.keyboard.press(key);
  await expect(page.getByRole('button', { name: 'to its row' })).toBeVisible();
  await page.getByLabel('Study shown').selectOption({ label: 'the worst of all studies' });
  await expect(drawing.getByText(/8\.\d+ V, falls/)).toBeVisible();
  await page.getByRole('button', { name: 'fold the panels' }).click();
  await expect(drawing).toContainText('circuits, folded');
  await expect(drawing.getByText('VHF radio')).toHaveCount(0);
  await page.getByRole('button', { name: 'open all panels' }).click();
  await page.getByLabel('Rails').selectOption('negatives and earths');
  await expect(drawing).toContainText('Negative bus');
  await expect(drawing).toContainText(/clears in/);
  await expect(drawing.getByText('VHF radio')).toHaveCount(0);
  await axe(page);
  await page.getByLabel('Rails').selectOption('one line');
  await view(page, 'circuits');
  await enter(page, 'VHF radio', 'cable', '6');
  await view(page, 'drawing');
  await expect(drawn(page).locator('[data-about^="circuit "]', { hasText: '16' }).first()).toContainText('6 mm²');
  const radio = drawn(page).locator('[data-about^="load "]', { hasText: 'VHF radio' });
  // Wherever it lies: the drawing shows a part at a time.
  await radio.dispatchEvent('dblclick');
  await expect(page).toHaveURL(/\/loads$/);
});

test('the drawing goes out as SVG and PDF on the sheets it needs, and prints on as many', async ({ page, halcyon, turnstone }) => {
  const saved = async (name: string) => {
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name, exact: true }).click();
    return readFileSync(await (await download).path());
  };
  const pagesOf = (pdf: Buffer) => pdf.toString('latin1').match(/\/Type ?\/Page\b/g)?.length ?? 0;
  await open(page, turnstone, 'wiring');
  await view(page, 'drawing');
  await expect(page.getByText('one sheet', { exact: true })).toBeVisible();
  const svg = (await saved('SVG')).toString();
  expect(svg).toMatch(/<svg[^>]*width="420mm"/);
  expect(svg).toContain('Turnstone');
  expect(svg).toContain('revision');
  expect(pagesOf(await saved('PDF'))).toBe(1);
  expect(pagesOf(await page.pdf({ preferCSSPageSize: true }))).toBe(1);

  // A larger boat: her panels have sheets of their own, each says of the others.
  await open(page, halcyon, 'wiring');
  await view(page, 'drawing');
  await expect(drawn(page)).toHaveAttribute('data-laid', 'yes');
  await expect(page.getByText('2 sheets', { exact: true })).toBeVisible();
  const files = unzipSync(new Uint8Array(await saved('SVG')));
  expect(Object.keys(files)).toEqual(['halcyon-drift-line-drawing-sheet-1.svg', 'halcyon-drift-line-drawing-sheet-2.svg']);
  const texts = Object.values(files).map((f) => strFromU8(f).replace(/<[^>]+>/g, ' '));
  expect(texts[0]).toMatch(/on to sheet 2[\s\S]*A3, sheet 1 of 2/);
  expect(texts[1]).toMatch(/from sheet 1[\s\S]*Navigation panel[\s\S]*A3, sheet 2 of 2/);
  await page.getByLabel('Sheet', { exact: true }).selectOption('letter');
  await expect(page.getByText(/^[3-9] sheets$/)).toBeVisible();
  const count = Number((await page.getByText(/^[3-9] sheets$/).innerText()).charAt(0));
  const pdf = await saved('PDF');
  const text = pdf.toString('latin1');
  expect(text.slice(0, 5)).toBe('%PDF-');
  // 11 by 8.5 inches of 72 points.
  const boxes = [...text.matchAll(/\/MediaBox \[0 0 ([\d.]+) ([\d.]+)/g)].map(([, w, h]) => [Math.round(Number(w)), Math.round(Number(h))]);
  expect(boxes).toEqual(Array.from({ length: count }, () => [792, 612]));
  // Lines and letters, no picture.
  expect(text).not.toMatch(/\/Subtype ?\/Image/);
  expect(pagesOf(await page.pdf({ preferCSSPageSize: true }))).toBe(count);
});

test('runs lie in the boat, labelled by the worst found; a way along the hull changes the estimate', async ({ page, turnstone }) => {
  await open(page, turnstone, 'survey');
  await expect(page.getByRole('button', { name: /^run of 5 Bilge pump, plan, stop/ })).toBeVisible();
  await page.getByLabel('runs shown').selectOption('all');
  const runs = await page.locator('[data-run^=plan]').count();
  expect(runs).toBe((await designOf(page, turnstone)).circuits.length);
  await page.getByRole('button', { name: /^run of 10 Cool box, provisional, plan/ }).dispatchEvent('click');
  const line = page.getByTestId('run-line');
  const before = await line.locator('.reading').innerText();
  await line.getByRole('combobox').selectOption('starboard side');
  await expect(line.locator('.reading')).not.toHaveText(before);
  await expect.poll(async () => (await designOf(page, turnstone)).circuits.find((c) => c.no === '10')?.along).toBe('starboard side');
  await page.getByLabel('runs shown').selectOption('none');
  await expect(page.locator('[data-run^=plan]')).toHaveCount(1);
  await axe(page);
});

test('the bench: an act at the switches is told, undone, and leaves the design alone', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  const before = await designOf(page, marram);
  await view(page, 'bench');
  const told = page.getByTestId('consequences');
  await page.getByRole('button', { name: /^open: 1 Main/ }).click();
  await expect(told).toContainText('cut before they were shut down');
  await expect(page.getByText('2 Chart table panel feeder, closed, dead')).toBeVisible();
  const drawing = page.getByRole('application', { name: /^The drawing as the switches stand/ });
  await expect(drawing).toContainText('Main bus, dead');
  await page.getByRole('button', { name: 'undo the act' }).click();
  await expect(drawing).not.toContainText('Main bus, dead');
  await page.getByRole('button', { name: /^start: engine/ }).click();
  await expect(page.getByTestId('feeds')).toContainText('Alternator gives');
  await page.getByRole('button', { name: /^stop: engine/ }).click();
  await expect(told).toContainText('stops charging');
  await page.getByRole('button', { name: /^open: 8 Always-live feed/ }).click();
  await expect(told).toContainText('stop: ');
  await expect(told).toContainText('dead');
  await axe(page);
  expect(await designOf(page, marram)).toEqual(before);
});

test('faults where circuits begin: the posts name what can feed them', async ({ page, marram }) => {
  await open(page, marram, 'protection');
  const table = page.getByRole('table', { name: 'Faults where circuits begin' });
  await expect(table.getByRole('row', { name: /House bank, posts/ })).toContainText('from what can be paralleled with it');
  await expect(table.getByRole('row', { name: /Chart table panel/ })).toContainText('behind 2 runs of cable');
});

test('what a study finds is counted, told where it belongs, accepted as a departure, and stays one', async ({ page, marram }) => {
  await open(page, marram, 'check');
  const title = /^Anchor windlass: falls to 8\.\d+ V in/;
  const finding = page.getByRole('main').getByRole('button', { name: title });
  await expect(finding).toBeVisible();
  const fixes = async () => Number((await page.locator('header').getByText(/fix, /).innerText()).split(' ')[0]);
  const before = await fixes();
  await page.getByRole('button', { name: /^Accept: Anchor windlass: falls/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Accept a departure' });
  await dialog.getByLabel('why').fill('The owner runs the engine fast while he anchors.');
  await dialog.getByLabel('who accepts it').fill('The owner');
  await dialog.getByRole('button', { name: 'put it on record' }).click();
  await expect(finding).toHaveCount(0);
  await expect.poll(fixes).toBe(before - 1);
  await view(page, 'departures');
  await expect(page.getByRole('main')).toContainText('The owner runs the engine fast');
  await expect(page.getByText('its cause is gone')).toHaveCount(0);
});

test('the bolted fuses are stacked with their own lug; breakers are not among them', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await view(page, 'main side');
  const bolted = page.getByRole('table', { name: 'Bolted fuses' });
  await expect(bolted.getByRole('row', { name: /^1 Main/ })).toContainText(/150 A class T fuse, lug 50 mm² × M8 face to face/);
  await expect(bolted).not.toContainText('breaker');
});

test('a larger alternator led on the main side: its leads are tested as they stand', async ({ page, marram }) => {
  await open(page, marram, 'charging');
  await page.getByRole('button', { name: 'alternator', exact: true }).click();
  await page.getByLabel('rated, A').fill('150');
  await page.getByLabel('rated, A').press('Tab');
  await page.getByRole('table', { name: 'Sources' }).getByRole('button', { name: 'Alternator', exact: true }).first().click();
  const after = page.getByRole('table', { name: 'Cable and fuse after the swap' });
  await expect(after.getByRole('row', { name: /^Alternator output/ })).toContainText('fails now');
  // It bears 120 A from the start bank already, and 150 too.
  await expect(after.getByRole('row', { name: /^Engine negative/ })).toContainText('passes still');
});

test('a charger that grows: the leads it is on are tested from the main side', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await view(page, 'main side');
  await row(page, 'Shore charger output').getByRole('gridcell').first().click();
  await expect(page.getByLabel('What grows')).toHaveValue(/./);
  await page.getByLabel('Times as much').fill('4');
  const lines = page.getByRole('table', { name: 'What if it grows' });
  await expect(lines.getByRole('row', { name: /^Shore charger output/ })).toContainText('fails now');
  await expect(lines.getByRole('row', { name: /^Shore charger negative/ })).toContainText('120 A');
});

test('a study that falls short rules the ladder, and the size it asks for is pinned from there', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await row(page, 'Anchor windlass').click();
  const ladder = page.getByRole('figure', { name: 'Ladder of tests' });
  await expect(ladder.getByTestId('study-rung')).toContainText('governs');
  await ladder.getByRole('button', { name: 'pin 50 mm²' }).click();
  await expect(ladder.getByTestId('study-rung')).not.toContainText('governs');
  await expect(page.getByText(/falls to .* V in/)).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(ladder.getByTestId('study-rung')).toContainText('governs');
});

test('ends: what lands on a post is stacked, a fifth terminal is told; the list names barrel, stud, die, torque and shrink', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'wiring');
  await view(page, 'main side');
  const lands = page.getByRole('region', { name: 'What lands where' });
  const post = lands.getByRole('table', { name: 'Lands on House bank −' });
  await expect(post.getByRole('row')).toHaveCount(2);
  for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'add a lead' }).click();
  await expect(post.getByRole('row')).toHaveCount(6);
  await expect(lands).toContainText('5 on one stud: move some to a bus');
  await open(page, marram, 'check');
  await expect(page.getByRole('button', { name: 'House bank: 5 terminals on its negative post', exact: true })).toBeVisible();
  await open(page, marram, 'build');
  const main = page.getByRole('row').filter({ hasText: 'House bank negative' }).first();
  await expect(main).toContainText(/lug/);
  await expect(page.getByText(/die 50 mm²; \d+ N m unless its maker says otherwise/).first()).toBeVisible();
  await expect(page.getByText(/adhesive heat shrink \d+ mm × \d+ mm/).first()).toBeVisible();
});

test('the bench with a selector: turned to the start battery it feeds the house, at off all behind it is dead', async ({
  page,
  marram,
}) => {
  const design = await designOf(page, marram);
  const joins = design.joins.map((j) => ({ ...j, kind: 'selector', name: 'Bank selector', stopped: 'first', running: 'both' }));
  const made = (await (await page.request.post(`${url()}/api/boats?from=file`, { data: JSON.stringify({ ...design, joins }) })).json()) as {
    id: string;
  };
  await open(page, made.id, 'wiring');
  await view(page, 'bench');
  const selector = page.getByRole('group', { name: 'Bank selector' });
  const feeds = page.getByTestId('feeds');
  await expect(feeds).toContainText(/Start battery 0 circuits/);
  await selector.getByRole('button', { name: 'Start battery' }).click();
  await expect(page.getByTestId('consequences')).toContainText('Start battery is being drained');
  await expect(feeds).not.toContainText(/Start battery 0 circuits/);
  await selector.getByRole('button', { name: 'off' }).click();
  await expect(page.getByRole('application', { name: /^The drawing as the switches stand/ })).toContainText('Main bus, dead');
  await page.getByRole('button', { name: 'undo the act' }).click();
  await expect(page.getByRole('application', { name: /^The drawing as the switches stand/ })).not.toContainText('Main bus, dead');
});
