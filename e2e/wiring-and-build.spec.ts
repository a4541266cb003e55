import { readFileSync } from 'node:fs';
import { axe, cell, designOf, enter, expect, open, row, saved, test, url, view } from './boat';

test('the ladder shows every test; a failing pin is kept and flagged, and unpinning takes the proposal', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await cell(page, 'Anchor windlass', 'name').click();
  const ladder = page.getByRole('img', { name: /^Ladder/ });
  // What is told of it takes the lower half of the sheet; its row stays in sight.
  await expect(page.getByRole('region', { name: 'Circuit Anchor windlass' })).toBeVisible();
  await expect(cell(page, 'Anchor windlass', 'name')).toBeInViewport();
  for (const word of [
    'current, heat',
    'protection',
    'drop, working',
    'drop, starting',
    "maker's minimum",
    'strength',
    'far-end short',
    'terminal heat',
  ])
    await expect(ladder).toContainText(word);
  await expect(ladder).toContainText('pinned');
  await expect(cell(page, 'Anchor windlass', 'cable')).toHaveAttribute('data-tone', 'pinned');
  await expect(cell(page, 'Anchor windlass', 'governs')).toHaveAttribute('data-tone', 'breaks');
  const working = page.getByRole('complementary', { name: 'The working' });
  await expect(working).toContainText('fails surge');
  await enter(page, 'Anchor windlass', 'cable', '');
  await expect(cell(page, 'Anchor windlass', 'cable')).toHaveText('50 mm²');
  await expect(cell(page, 'Anchor windlass', 'governs')).toHaveText('surge drop');
  await expect(ladder).toContainText('chosen');
  await enter(page, 'Anchor windlass', 'fuse', '30');
  await expect(cell(page, 'Anchor windlass', 'fuse')).toHaveAttribute('data-tone', 'breaks');
  await expect(working).toContainText('below the working current');
});

test('the working gives every line with its numbers, units, marks, sources and neighbours', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await cell(page, 'Refrigerator compressor', 'name').click();
  const working = page.getByRole('complementary', { name: 'The working' });
  for (const heading of [
    'Current',
    'Length',
    'Conductor',
    'Drop at working current',
    'Protection',
    'Dead short',
    'The AWG school would say',
  ])
    await expect(working.getByRole('heading', { name: heading, exact: true })).toBeVisible();
  await expect(working).toContainText('69.6 W ÷ 11.4 V');
  await expect(working).toContainText('6.11 A');
  await expect(working).toContainText('one size up');
  await expect(working).toContainText('IEC 60228');
  await expect(working).toContainText('taped; the estimate was');
  await expect(working).toContainText('Good to');
});

test('a taped length replaces the estimate; both are kept, and the one in use is marked', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  const run = cell(page, 'Laptop supply', 'length');
  await expect(run).toHaveAttribute('data-tone', 'estimated');
  const estimate = await run.innerText();
  await enter(page, 'Laptop supply', 'length', '7.25');
  await expect(run).toHaveText('7.25');
  await expect(run).toHaveAttribute('data-tone', 'measured');
  await expect(page.getByRole('region', { name: 'Circuit Laptop supply' })).toContainText(`${estimate} m`);
  await enter(page, 'Laptop supply', 'length', '');
  await expect(run).toHaveText(estimate);
});

test('taps are regrouped by keys, by choice and by dragging', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await cell(page, 'Lights, aft', 'name').click();
  const region = page.getByRole('region', { name: /^Circuit / });
  const tapNames = async (name: string) => {
    const design = await designOf(page, marram);
    const circuit = design.circuits.find((c) => c.name === name);
    return circuit?.taps.map((t) => design.loads.find((l) => l.id === t.serves.id)?.name);
  };
  const before = await tapNames('Lights, aft');
  const [first, second, ...rest] = before ?? [];
  if (!first || !second || rest.length === 0) throw new Error('three taps and more are wanted');

  await region.getByRole('button', { name: `Move ${first}:` }).focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect.poll(() => tapNames('Lights, aft')).toEqual([second, first, ...rest]);
  // On the screen, too, before the next key.
  await expect(region.getByRole('button', { name: /^Move / }).nth(1)).toHaveAccessibleName(new RegExp(`^Move ${first}:`));
  await region.getByRole('button', { name: `Move ${first}:` }).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect.poll(() => tapNames('Lights, forward')).toContain(first);
  await expect(page.getByRole('region', { name: 'Circuit Lights, forward' })).toBeVisible();

  await region.getByLabel(`Circuit of ${first}`).selectOption('new');
  await expect(row(page, first)).toBeVisible();
  await expect.poll(() => tapNames(first)).toEqual([first]);

  await cell(page, 'Lights, aft', 'name').click();
  const handle = region.getByRole('button', { name: `Move ${second}:` });
  const target = row(page, 'Lights, forward');
  await target.scrollIntoViewIfNeeded();
  // The circuit's answer has come in, and what stands below it has moved to where it stays.
  await expect(page.getByRole('region', { name: 'Circuit Lights, aft' })).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'The working' })).toContainText('Lights, aft');
  await page.waitForTimeout(500);
  const from = await handle.boundingBox();
  const to = await target.boundingBox();
  if (!from || !to) throw new Error('nothing to drag');
  await page.mouse.move(from.x + 5, from.y + 5);
  await page.mouse.down();
  await page.mouse.move(from.x + 20, from.y - 30, { steps: 4 });
  await page.mouse.move(to.x + 200, to.y + to.height / 2, { steps: 6 });
  await page.mouse.up();
  await expect.poll(() => tapNames('Lights, forward')).toContain(second);
  expect(await tapNames('Lights, aft')).toEqual(rest);
  for (let i = 0; i < 4; i++) {
    await page.keyboard.press('Control+z');
    await saved(page);
  }
  await expect.poll(() => tapNames('Lights, aft')).toEqual(before);
});

test('a run can branch, and cannot be hung on itself', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await cell(page, 'Lights, aft', 'name').click();
  const region = page.getByRole('region', { name: /^Circuit / });
  const follows = region.getByLabel(/follows$/);
  await follows.nth(2).selectOption({ index: 1 });
  await saved(page);
  const taps = (await designOf(page, marram)).circuits.find((c) => c.name === 'Lights, aft')?.taps;
  expect(taps?.[2]?.parent).toBe(taps?.[0]?.id);
  await follows.nth(0).selectOption({ index: 1 });
  await expect(page.getByRole('alert').filter({ hasText: 'cannot follow' })).toBeVisible();
});

test('what a circuit lies in and passes changes its answer', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await cell(page, 'Inverter, small', 'name').click();
  const working = page.getByRole('complementary', { name: 'The working' });
  await expect(working).toContainText('ampacity of');
  const region = page.getByRole('region', { name: /^Circuit / });
  await region.getByLabel('also passes').selectOption({ label: 'Engine space' });
  await expect(working).toContainText('Ruled by Engine space');
  await region.getByLabel('lies').selectOption('conduit');
  await expect(working).toContainText('× 0.9');
  await region.getByLabel('device from its source, m').fill('2');
  await region.getByLabel('device from its source, m').press('Enter');
  await expect(working).toContainText('protection is 2 m from its source');
});

test('panels: what their ways take decides, and a family that cannot interrupt is a stop', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await page.getByRole('tab', { name: 'panels', exact: true }).click();
  await enter(page, 'Chart table panel', 'family', 'blade fuse');
  await page.getByRole('link', { name: /^Check/ }).click();
  const finding = page.getByRole('button', { name: 'Chart table panel: may not hold blade fuses', exact: true });
  await expect(finding).toBeVisible();
  await page.getByRole('button', { name: 'Put right: Chart table panel: may not hold blade fuses' }).click();
  await expect(finding).toHaveCount(0);
  expect((await designOf(page, marram)).panels.find((p) => p.name === 'Chart table panel')?.family).toBeNull();
  await page.keyboard.press('Control+z');
  await expect(finding).toBeVisible();
});

test('the cut list adds up, prints without the frame, and is saved as CSV', async ({ page, marram }) => {
  await open(page, marram, 'build');
  await expect(page.getByRole('heading', { name: 'Cable by size and colour' })).toBeVisible();
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'CSV' }).click()]);
  const csv = readFileSync(await download.path(), 'utf8');
  const lines = csv
    .replace(/^\uFEFF/, '')
    .split('\r\n')
    .map((l) => l.split(','));
  const metres = (kind: string) => lines.filter((l) => l[0] === kind).reduce((sum, l) => sum + Number(l[kind === 'cable' ? 4 : 5] ?? 0), 0);
  expect(csv).toContain('Anchor windlass');
  // AC runs are cables, with what their cores are.
  await expect(page.getByRole('row', { name: /^3 × 1.5 mm² brown \/ light blue/ })).toBeVisible();
  await expect(page.getByText('AC: shore lead out')).toBeVisible();
  const answer = (await (
    await page.request.post(`${url()}/api/analyse`, {
      data: JSON.stringify(await designOf(page, marram)),
      headers: { 'content-type': 'application/json' },
    })
  ).json()) as { cutList: { totalM: number; cuts: unknown[] } };
  expect(lines.filter((l) => l[0] === 'piece')).toHaveLength(answer.cutList.cuts.length);
  expect(metres('cable')).toBeCloseTo(answer.cutList.totalM, 0);
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'CSV' })).toBeHidden();
  await expect(page.getByText('Supply isolated, locked and proved dead')).toBeVisible();
  const pdf = await page.pdf({ format: 'A4' });
  expect((pdf.toString('latin1').match(/\/Type \/Page\b/g) ?? []).length).toBeGreaterThan(1);
});

test('the AWG boat reads in AWG, feet and °F, the metric school beside it', async ({ page, halcyon }) => {
  await open(page, halcyon, 'wiring');
  await expect(cell(page, 'Bow thruster', 'cable')).toHaveText(/AWG$/);
  await cell(page, 'Bow thruster', 'name').click();
  const working = page.getByRole('complementary', { name: 'The working' });
  await expect(working).toContainText('ft');
  await expect(working).toContainText('The metric school would say');
  await expect(page.getByText(/The metric school would take .* mm²/)).toBeVisible();
});

test('studies: what one load pulls down, what the engine lifts, and what would cure it', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await view(page, 'studies');
  const verdict = page.locator('[data-verdict]');
  const loads = page.getByRole('table', { name: 'Volts at every load' });
  const voltsOf = async (name: string) =>
    parseFloat(
      await loads
        .getByRole('row', { name: new RegExp(`^${name}`) })
        .getByRole('cell')
        .nth(2)
        .innerText(),
    );
  await expect(verdict).toContainText('Anchor windlass falls below the volts it needs');
  await expect(verdict).toContainText(/Circuit .*Anchor windlass in \d+ mm² would cure Anchor windlass/);
  const pulled = await voltsOf('VHF radio');
  await page.getByLabel('Anchor windlass in the study').selectOption('off');
  await expect.poll(() => voltsOf('VHF radio')).toBeGreaterThan(pulled + 0.05);
  await expect(verdict).toContainText('Every load stays in its band');
  const idling = await voltsOf('VHF radio');
  await page.getByLabel('engine, rpm; 0 stopped').fill('2200');
  await page.getByLabel('engine, rpm; 0 stopped').press('Enter');
  await expect.poll(() => voltsOf('VHF radio')).toBeGreaterThan(idling + 0.03);
  await expect(verdict).toContainText('House bank takes');
  await expect(verdict).toContainText('Start battery takes');
  await page.getByLabel('Voltage-sensitive relay').selectOption({ label: 'open' });
  await expect(verdict).not.toContainText('Start battery takes');
  await page.getByLabel('Voltage-sensitive relay').selectOption({ label: 'as habit has it' });
  await expect(verdict).toContainText('Start battery takes');
  await page.getByText('Mains and feeders').click();
  await page.getByRole('checkbox', { name: /Chart table panel feeder open/ }).check();
  await expect(loads.getByRole('row', { name: /^VHF radio/ })).toContainText('dead');
  await page.getByRole('checkbox', { name: /Chart table panel feeder open/ }).uncheck();
  await expect.poll(() => voltsOf('VHF radio')).toBeGreaterThan(idling);
  await page.getByRole('heading', { name: 'Wiring', exact: true }).click();
  // Two turns of the relay, the feeder opened and closed, the engine, the windlass.
  for (let i = 0; i < 6; i++) await page.keyboard.press('Control+z');
  await expect(verdict).toContainText('Anchor windlass falls');
  await page
    .getByRole('table', { name: 'Runs in the study' })
    .getByRole('button', { name: /Anchor windlass/ })
    .click();
  await expect(page.getByRole('complementary', { name: 'The working' })).toContainText('Anchor windlass');
});

test('a study of one’s own, from nothing; too much for the bank collapses; it goes out and comes in', async ({ page, marram, request }) => {
  await open(page, marram, 'wiring');
  await view(page, 'studies');
  await page.getByRole('button', { name: 'add a study' }).click();
  await expect(page.getByText('Nothing is switched on yet')).toBeVisible();
  await page.getByRole('textbox', { name: 'study', exact: true }).fill('heater at dawn');
  await page.getByRole('textbox', { name: 'study', exact: true }).press('Enter');
  await page.getByLabel('Diesel heater in the study').selectOption('on');
  await page.getByLabel('banks stand at, %').fill('30');
  await page.getByLabel('banks stand at, %').press('Enter');
  await expect(page.locator('[data-verdict]')).toContainText('House bank gives');
  // Where it gets warm: the heater's ends, on the plan and in the list, each with what it lands on bears.
  const warm = page.getByRole('region', { name: 'How warm the ends get' });
  await expect(warm.getByRole('img', { name: /hottest end of each place.*Diesel heater/ })).toBeVisible();
  const end = warm.getByRole('row', { name: /Diesel heater at its far end/ });
  await expect(end).toContainText(/\d+(\.\d+)? °C.*75 °C/);
  await expect(page.getByRole('table', { name: 'Runs in the study' }).getByRole('row', { name: /Diesel heater/ })).toContainText('W/m');
  await expect
    .poll(async () => (await designOf(page, marram)).studies.find((s) => s.name === 'heater at dawn'))
    .toMatchObject({ soc: 0.3, engineRpm: 0, shore: false });
  const design = await designOf(page, marram);
  const made = (await (
    await request.post(`${page.url().split('/boats')[0] ?? ''}/api/boats?from=file`, { data: JSON.stringify(design) })
  ).json()) as { id: string };
  expect((await designOf(page, made.id)).studies).toEqual(design.studies);
  await axe(page);
  await page.getByRole('button', { name: 'remove this study' }).click();
  await expect(page.getByRole('button', { name: 'heater at dawn' })).toHaveCount(0);
});

test('protection: faults at either end, whether a device opens alone, its curves, and the reasons against other kinds', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'protection');
  const devices = page.getByRole('table', { name: 'Every device' }).first();
  await expect(devices.getByRole('row')).toHaveCount((await designOf(page, marram)).circuits.length + 1);
  await devices.getByRole('button', { name: /Anchor windlass/ }).click();
  const path = page.getByRole('region', { name: 'Path of Anchor windlass' });
  await expect(path.getByRole('img', { name: /^Time to open against current: .*Anchor windlass/ })).toBeVisible();
  await expect(path).toContainText('A short just after it drives up to');
  await expect(path).toContainText('Why not another kind');
  await expect(path).toContainText(/Anchor windlass under .*Main/);
  await expect(page.getByRole('complementary', { name: 'The working' })).toContainText('Anchor windlass');
  await page.getByLabel('Filter devices').fill('radio');
  await expect(devices.getByRole('row')).toHaveCount(2);
  await page.getByLabel('Filter devices').fill('');
  await page.getByLabel('only these').check();
  const wrong = await devices.getByRole('row').count();
  expect(wrong - 1).toBe(Number((await page.getByText(/want looking at$/).innerText()).split(' ')[0]));
  await axe(page);
});

test('the volts of a path are shown by share, and a finding’s ways out are searched, priced and taken', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await cell(page, 'Anchor windlass', 'name').click();
  const volts = page.getByTestId('volts-lost');
  await expect(
    volts.getByRole('img', { name: /^at working current, to Anchor windlass: .* mV of 1200 mV lost; 1 Main .* mV/ }),
  ).toBeVisible();
  await expect(volts.getByRole('img', { name: /^as it starts/ })).toBeVisible();
  await expect(volts).toContainText('sagged by');
  const working = page.getByRole('complementary', { name: 'The working' });
  await expect(working).toContainText(/Good to [\d.]+ m of run \([\d.]+ m asked\)/);
  await working.getByRole('button', { name: /^Ways out: .*fails surge/ }).click();
  const ways = page.getByRole('list', { name: /^Ways out: .*fails surge/ });
  await expect(ways).toContainText('50 mm² in its own run');
  await expect(ways).toContainText('Anchor windlass 35 mm² → 50 mm²');
  // Its case earth is no more than one size smaller: it grows with it.
  await expect(ways).toContainText('Anchor windlass case 25 mm² → 35 mm²');
  await expect(ways).toContainText('+3.81 kg');
  await ways.getByRole('button', { name: 'Take: 50 mm² in its own run' }).click();
  await expect(cell(page, 'Anchor windlass', 'cable')).toHaveText('50 mm²');
  await expect(working.getByText('fix: 35 mm², pinned, fails surge')).toHaveCount(0);
  await saved(page);
  await page.keyboard.press('Control+z');
  await expect(cell(page, 'Anchor windlass', 'cable')).toHaveText('35 mm²');
});

test('shared parts: what choosing sizes together would change is listed, taken as one edit, and stays until asked again', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'wiring');
  await enter(page, 'Chart table panel feeder', 'cable', '6');
  await enter(page, 'Chart table panel feeder', 'cable', '');
  // More than five sizes: those that weigh less than the reel they need become the next one.
  await expect(page.getByTestId('could-save')).toHaveText(/size.? fewer could do/);
  await page.getByRole('button', { name: 'size shared parts' }).click();
  const dialog = page.getByRole('dialog', { name: 'Sizes chosen together' });
  await expect(dialog).toContainText(/of \d+ sizes, then \d/);
  await dialog.getByRole('button', { name: 'take all' }).click();
  await expect(page.getByTestId('could-save')).toHaveCount(0);
  await page.getByRole('button', { name: 'size shared parts' }).click();
  await expect(page.getByText(/Nothing to change: every path holds with the least copper/)).toBeVisible();
  // The bank moves 8 m away: paths miss until the shared parts are heavier.
  await enter(page, 'Main', 'length', '8');
  await expect(page.getByTestId('could-save')).toHaveText(/paths? could hold/);
  await page.getByRole('button', { name: 'size shared parts' }).click();
  await expect(dialog).toContainText(/All circuits: [\d.]+ kg, then [\d.]+ kg/);
  await dialog.getByRole('button', { name: 'leave it' }).click();
  await expect(page.getByTestId('could-save')).toBeVisible();
  await page.getByRole('button', { name: 'size shared parts' }).click();
  await dialog.getByRole('button', { name: 'take all' }).click();
  await expect(page.getByTestId('could-save')).toHaveCount(0);
  await saved(page);
});

test('with a stop open the cut list is not to be built: its pieces are struck and named, on paper too', async ({ page, marram }) => {
  await open(page, marram, 'build');
  await expect(page.getByTestId('not-to-be-built')).toHaveCount(0);
  await open(page, marram, 'wiring');
  await enter(page, 'Refrigerator compressor', 'cable', '0.75');
  await enter(page, 'Refrigerator compressor', 'fuse', '40');
  await saved(page);
  await open(page, marram, 'build');
  const mark = page.getByTestId('not-to-be-built');
  await expect(mark).toContainText(/Not to be built/i);
  await expect(mark).toContainText('Refrigerator compressor');
  await expect(mark).toContainText(/\d+ may be cut already, \d+ more once their runs are taped/);
  const piece = page
    .getByRole('row', { name: /Refrigerator compressor/ })
    .filter({ hasText: 'no:' })
    .first();
  await expect(piece).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(mark).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('checkbox', { name: /only what may be cut already/ }).check();
  await expect(page.getByRole('row', { name: /Refrigerator compressor.*no:/ })).toHaveCount(0);
  await axe(page);
});

test('the least sure choices are listed with what would settle each; a bus bar asks for what it carries, and is put right', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'wiring');
  await page.getByRole('button', { name: 'least sure' }).click();
  const dialog = page.getByRole('dialog', { name: 'Least sure' });
  const least = dialog.getByRole('row').filter({ hasText: 'USB outlets' });
  await expect(least).toContainText('the length of its run');
  await expect(least).toContainText('Tape the run, and enter it.');
  await axe(page);
  await least.getByRole('button', { name: 'USB outlets' }).click();
  await expect(dialog).toHaveCount(0);
  const working = page.getByRole('complementary', { name: 'The working' });
  await expect(working).toContainText('How sure it is');
  await expect(working).toContainText(/in \d+ of 100 cases/);

  await view(page, 'main side');
  const buses = page.getByRole('table', { name: 'Bus bars, as they are loaded' });
  await expect(buses.getByRole('row', { name: /^Negative bus/ })).toContainText(/\d+ A, \d+ studs M8/);
  await axe(page);
  const asked = /(\d+) A, (\d+) studs/.exec(await buses.getByRole('row', { name: /^Negative bus/ }).innerText());
  await open(page, marram, 'check');
  const finding = page.getByRole('listitem').filter({ hasText: 'Negative bus: its rating and studs are not entered' });
  await finding.getByRole('button', { name: 'put right' }).click();
  await expect(finding).toHaveCount(0);
  const bar = (await designOf(page, marram)).bars.find((b) => b.name === 'Negative bus');
  expect([bar?.ratedA, bar?.studs]).toEqual([Number(asked?.[1]), Number(asked?.[2])]);
});

test('proposed again, it shows what it adds and what stays, and takes what is ticked', async ({ page, marram }) => {
  await open(page, marram, 'loads');
  await page.getByRole('button', { name: 'from the list' }).click();
  for (const name of ['Stereo', 'Deck wash pump']) await page.getByLabel(name).check();
  await page.getByRole('button', { name: 'add 2' }).click();
  await page.getByRole('link', { name: /^Wiring/ }).click();
  const before = (await designOf(page, marram)).circuits;
  await page.getByRole('button', { name: 'propose for 2 loose' }).click();
  const dialog = page.getByRole('dialog', { name: 'What is proposed' });
  await expect(dialog.getByRole('list', { name: 'Added' }).getByRole('listitem')).toHaveCount(2);
  await expect(dialog).toContainText(`${before.length} circuits and`);
  await dialog.getByLabel(/Deck wash pump/).uncheck();
  await dialog.getByRole('button', { name: 'take 1' }).click();
  await expect.poll(async () => (await designOf(page, marram)).circuits.length).toBe(before.length + 1);
  const after = (await designOf(page, marram)).circuits;
  expect(after.filter((c) => before.some((b) => b.id === c.id))).toEqual(before);
  await expect(page.getByRole('button', { name: 'propose for 1 loose' })).toBeVisible();
});

test('sizes the firm’s tools do not crimp lead the list of tools', async ({ page, marram }) => {
  await open(page, marram, 'build');
  const tools = page.locator('section').filter({ has: page.getByRole('heading', { name: 'Tools and dies' }) });
  await expect(tools).toBeVisible();
  await expect(tools).not.toContainText('no tool of the firm’s');
  await page.getByLabel('our tools crimp up to').selectOption({ label: '16 mm²' });
  await expect(tools).toContainText('no tool of the firm’s crimps 50 mm²');
  await expect(tools).toContainText('hire the tool');
  await saved(page);
  await page.getByLabel('our tools crimp up to').selectOption({ label: 'not said' });
  await expect(tools).not.toContainText('no tool of the firm’s');
});
