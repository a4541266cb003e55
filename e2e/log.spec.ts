/** The log: what was done elsewhere stands in it, entries are added and found, service comes round, hours are learned. */
import { readFileSync } from 'node:fs';
import { unzipSync } from 'fflate';
import { axe, designOf, expect, open, reload, saved, test, url, view } from './boat';

test('what is ticked and what is written stands in one list, found by words and kind, out as CSV, and stays', async ({ page, marram }) => {
  await open(page, marram, 'log');
  await expect(page.getByText('Nothing is noted yet.')).toBeVisible();
  await axe(page);
  await page.getByLabel(/^what/).first().selectOption('fault');
  await page.getByLabel('about').selectOption({ label: 'House bank' });
  await page.getByLabel('in words').fill('Post of the second block green');
  await page.getByLabel('hours', { exact: true }).fill('0,5');
  await page.getByRole('button', { name: 'note it' }).click();
  const log = page.getByRole('table', { name: 'The log' });
  await expect(log.getByRole('row').nth(1)).toContainText('fault: Post of the second block green (0.5 h)');
  await expect(log.getByRole('row').nth(1)).toContainText('House bank');
  await open(page, marram, 'build');
  await view(page, 'bench');
  await page.getByRole('button', { name: /^release all that are taped/ }).click();
  await expect(page.getByRole('button', { name: /^release all that are taped \(0\)/ })).toBeVisible();
  await open(page, marram, 'log');
  await page.getByLabel(/^show /).selectOption('marks');
  await expect(log.getByRole('row').nth(1)).toContainText('released');
  await page.getByLabel(/^show /).selectOption('everything');
  await page.getByLabel('Find in the log').fill('green');
  await expect(log.getByRole('row')).toHaveCount(2);
  await axe(page);
  const [csv] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'CSV' }).click()]);
  expect(readFileSync(await csv.path(), 'utf8')).toContain('entry,House bank,fault: Post of the second block green');
  await reload(page);
  await expect(log.getByRole('row').filter({ hasText: 'green' })).toHaveCount(1);
});

test('service: due until it is noted as done, then an interval later; in a calendar', async ({ page, marram }) => {
  await open(page, marram, 'log');
  await view(page, 'service');
  const plan = page.getByRole('table', { name: 'Service plan' });
  const float = plan.getByRole('row').filter({ hasText: 'float lifted by hand' }).first();
  await expect(float).toContainText('now');
  await axe(page);
  await float.getByRole('button', { name: /^done:/ }).click();
  await expect(float).toContainText(new Date().toISOString().slice(0, 10));
  await expect(float.getByRole('cell').first()).not.toHaveText('now');
  const [calendar] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'calendar file' }).click()]);
  expect(readFileSync(await calendar.path(), 'utf8')).toContain('float lifted by hand');
});

test('how long a task took moves the factor of its kind, and is taken', async ({ page, marram }) => {
  await open(page, marram, 'build');
  await view(page, 'order of work');
  await page.getByRole('button', { name: 'photograph and label: Bilge is done' }).click();
  await expect(page.getByRole('button', { name: 'not done after all' })).toBeVisible();
  await open(page, marram, 'log');
  await view(page, 'hours');
  await page.getByLabel('Minutes of photograph and label: Bilge').fill('22');
  await page.getByLabel('Minutes of photograph and label: Bilge').press('Enter');
  const learned = page.getByRole('table', { name: 'Hours learned' });
  // 22 of 10 minutes, one task: 1 + 1.2 × 1/6.
  await expect(learned.getByRole('row').nth(1)).toContainText('1.2');
  await page.getByRole('button', { name: 'take these factors for this boat’s hours' }).click();
  await saved(page);
  expect((await designOf(page, marram)).work.factors).toEqual({ 'photographs and labels': 1.2 });
  await axe(page);
});

test('the owner’s book says how this boat is used, and a thing that is taken away takes its lines with it', async ({ page, marram }) => {
  await open(page, marram, 'log');
  await view(page, 'owner’s book');
  const book = page.getByRole('article');
  await expect(book.getByRole('heading', { name: 'Charging' })).toBeVisible();
  await expect(book).toContainText('Solar: House bank');
  await expect(book).toContainText('Bilge pump, automatic: float lifted by hand');
  await axe(page);
  const design = await designOf(page, marram);
  const solar = design.sources.find((s) => s.kind === 'solar');
  const at = design.sources.findIndex((s) => s.id === solar?.id);
  await page.request.post(`${url()}/api/boats/${marram}/edits`, {
    data: {
      edit: {
        id: 'takes-solar-away',
        label: 'no solar',
        ops: [{ op: 'drop', path: ['sources'], after: design.sources[at - 1]?.id ?? null, row: solar }],
      },
      force: true,
    },
  });
  await expect(book).not.toContainText('Solar: House bank');
});

test('the evidence pack: schedules, findings and tests in one PDF, the open files beside it', async ({ page, turnstone }) => {
  await open(page, turnstone, 'log');
  await view(page, 'evidence pack');
  const pack = page.getByRole('article', { name: /evidence pack/ });
  await expect(pack.getByRole('heading', { name: /Schedules/ })).toBeVisible();
  await expect(pack).toContainText('digest of the design');
  await axe(page);
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'save with the open files, zip' }).click(),
  ]);
  const names = Object.keys(unzipSync(readFileSync((await file.path()) ?? '')));
  expect(names.some((n) => n.endsWith('.pdf'))).toBe(true);
  expect(names).toEqual(expect.arrayContaining(['design.json', 'records.json']));
});

test('measured days: a file of the simulated meter is matched, found again as a day of this boat, and what it teaches is offered', async ({
  page,
  marram,
}) => {
  const design = await designOf(page, marram);
  const living = design.living[0];
  const csv = await (await page.request.get(`${url()}/api/boats/${marram}/meter/day?bank=house&living=${living?.id ?? ''}`)).body();
  await open(page, marram, 'log');
  await view(page, 'measured days');
  await page.getByLabel('file').setInputFiles({ name: 'day.csv', mimeType: 'text/csv', buffer: csv });
  await expect(page.getByText('1440 rows; which column is which')).toBeVisible();
  await page.getByRole('button', { name: 'hold it beside the boat' }).click();
  const days = page.getByRole('table', { name: 'Measured days' });
  await expect(days.getByRole('row').nth(1)).toContainText(living?.name ?? '');
  await expect(page.getByText(/Amps run into the bank/)).toBeVisible();
  // Over one another, for as much of it as is chosen: the same day twice differs by what the meter trembles.
  const over = page.getByRole('region', { name: 'Measured over expected', exact: true });
  await expect(over.locator('[data-stretch]')).toContainText('Steps of 4 min');
  await expect(over.getByRole('img', { name: /^Amps into the bank, measured and expected/ })).toBeVisible();
  await expect(over.getByRole('img', { name: /^State of charge/ })).toBeVisible();
  const [most] = /(?<=: )[\d.]+(?= Ah (?:less|more))/.exec(await over.locator('[data-stretch]').innerText()) ?? ['NaN'];
  expect(Number(most)).toBeLessThan(1);
  const range = over.locator('[data-range]');
  const all = await range.innerText();
  await over.getByRole('slider', { name: 'last hour shown' }).focus();
  for (let i = 0; i < 18; i++) await page.keyboard.press('ArrowLeft');
  await expect(range).not.toHaveText(all);
  await expect(range).toContainText(' 06:00');
  await expect(over.locator('[data-stretch]')).toContainText('Steps of 1 min');
  await over.getByRole('button', { name: 'all of it' }).click();
  await expect(range).toHaveText(all);
  await expect(page.getByRole('table', { name: 'What they teach' })).toContainText('drawn at night');
  // The file has the engine's speed and what each source gives: each beside its own day, and what would be taken tells what it changes.
  await expect(page.getByLabel('engine, 1/min')).toHaveValue('4');
  const bySource = page.getByRole('table', { name: 'A day by source and load' });
  await expect(bySource.getByRole('row', { name: /^Alternator, gives/ })).toContainText('its own column');
  const teach = page.getByRole('table', { name: 'What they teach' });
  await teach.getByRole('button', { name: /^what it would change: curve of Alternator/ }).click();
  await expect(page.getByRole('list', { name: 'What it would change' })).toBeVisible();
  await axe(page);
  // Kept with the boat they are there again, opened they say the same, and they go out with her archive and into another boat.
  await page.getByRole('button', { name: 'keep these days with the boat' }).click();
  await expect(page.getByText(/These days are kept/)).toBeVisible();
  const first = (await days.getByRole('row').nth(1).textContent()) ?? '';
  await reload(page);
  await view(page, 'measured days');
  await page.getByRole('button', { name: 'open day.csv' }).click();
  await page.getByRole('button', { name: 'hold it beside the boat' }).click();
  await expect(days.getByRole('row').nth(1)).toHaveText(first);
  await axe(page);
  const zip = await (await page.request.get(`${url()}/api/boats/${marram}/export?as=zip`)).body();
  expect(Object.keys(unzipSync(zip)).filter((name) => name.startsWith('measured/'))).toHaveLength(1);
  const made = await page.request.post(`${url()}/api/boats?from=file`, { data: zip, headers: { 'content-type': 'application/zip' } });
  expect(made.ok()).toBe(true);
  const copy = ((await made.json()) as { id: string }).id;
  const listed = (await (await page.request.get(`${url()}/api/boats/${copy}/measured`)).json()) as {
    sets: { name: string; rows: number }[];
  };
  expect(listed.sets).toMatchObject([{ name: 'day.csv', rows: 1440 }]);
  await page.getByRole('button', { name: 'put away day.csv' }).click();
  await expect(page.getByRole('button', { name: '1 put away' })).toBeVisible();
});

test('trends: a bank that loses capacity crosses its limit on a date, and Check says so', async ({ page, marram }) => {
  const design = await designOf(page, marram);
  const bank = design.banks[0];
  const label = (bank?.blockAh ?? 0) * (bank?.strings ?? 0);
  const year = 365.25 * 86_400_000;
  const records = [1, 0.94, 0.88].map((part, i) => ({
    id: `capacity-test-${i}`,
    kind: 'reading',
    thing: `measured:capacity.${bank?.id ?? ''}`,
    at: Math.round(Date.now() - (2 - i) * year),
    body: { value: Math.round(part * label), unit: 'Ah', what: `capacity of ${bank?.name ?? ''}` },
  }));
  const sent = await page.request.post(`${url()}/api/boats/${marram}/records`, {
    data: { records, by: { name: 'Test', device: 'test-device-1' } },
  });
  expect(sent.ok()).toBe(true);
  await open(page, marram, 'log');
  await view(page, 'trends');
  const row = page.getByRole('table', { name: 'Trends' }).getByRole('row').nth(1);
  await expect(row).toContainText(`capacity of ${bank?.name ?? ''}`);
  await expect(row).toContainText(/past its limit about \d{4}-\d\d/);
  await expect(row).toContainText('80 % of');
  await axe(page);
  // Another reading by hand, far below: past its limit, and to be settled.
  await page.getByLabel('Figure, Ah').fill(String(Math.round(0.6 * label)));
  await page.getByRole('button', { name: 'note it' }).click();
  await expect(row).toContainText('past its limit');
  // A metal under water, by what it is made of and how it was read.
  await page.getByLabel('measured', { exact: true }).selectOption('potential');
  await page.getByLabel('of what').selectOption('drive leg');
  await page.getByLabel('made of').selectOption('aluminium');
  await page.getByLabel('shore lead in').check();
  await page.getByLabel('Figure, mV').fill('−905');
  await axe(page);
  await page.getByRole('button', { name: 'note it' }).click();
  await view(page, 'log');
  await expect(page.getByText('potential of drive leg, shore lead in').first()).toBeVisible();
  await open(page, marram, 'check');
  await expect(page.getByText(/capacity of .*past its limit/).first()).toBeVisible();
});

test('the clock of a task runs on through a reload, and its minutes stand beside the estimate', async ({ page, marram }) => {
  await open(page, marram, 'build');
  await view(page, 'order of work');
  const clock = page.getByRole('button', { name: /^clock: / }).first();
  const name = ((await clock.getAttribute('aria-label')) ?? '').replace(/^clock: /, '');
  await clock.click();
  const running = page.getByRole('button', { name: `stop clock: ${name}` });
  await expect(running).toHaveAttribute('aria-pressed', 'true');
  await expect(page.getByText(/to be kept|readings? waits?/)).toHaveCount(0);
  await reload(page);
  await view(page, 'order of work');
  await running.click();
  await expect(running).toHaveCount(0);
  const kept = async () =>
    ((await (await page.request.get(`${url()}/api/boats/${marram}/records`)).json()) as { records: { kind: string; thing: string }[] })
      .records;
  await expect.poll(async () => (await kept()).map((r) => r.kind).sort()).toEqual(['mark', 'mark', 'time']);
});
