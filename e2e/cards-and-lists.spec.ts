/** The firm's cards, load lists in and out, and the scratch line. */
import { readFileSync, writeFileSync } from 'node:fs';
import { axe, cell, designOf, enter, expect, open, refusal, reload, row, saved, test, url, view } from './boat';

const latin = (text: string): Buffer => Buffer.from(text, 'latin1');

test('a card is made from a load, corrected once, and the boats chosen follow', async ({ page, marram, turnstone }) => {
  await open(page, marram, 'loads');
  const name = `Pump ${Date.now()}`;
  await enter(page, 'Deck wash pump', 'name', name);
  await cell(page, name, 'name').click();
  await page.getByRole('button', { name: 'card from this load' }).click();
  await expect(page.getByRole('status')).toContainText('on a card now');

  await open(page, turnstone, 'loads');
  await view(page, 'cards');
  await cell(page, name, 'name').click();
  await page.getByRole('button', { name: 'use it on this boat' }).click();
  await expect(row(page, name)).toBeVisible();
  await saved(page);

  await view(page, 'cards');
  await enter(page, name, 'makerFuseA', '12');
  await cell(page, name, 'name').click();
  const followers = page.getByRole('region', { name: `Card ${name}` });
  await expect(followers).toContainText('Marram');
  await expect(followers).toContainText('Turnstone');
  await followers.getByLabel(/Marram/).uncheck();
  await followers.getByRole('button', { name: 'bring 1 to the card' }).click();
  await expect(page.getByRole('status')).toContainText('brought to 1 boats');
  expect((await designOf(page, turnstone)).loads.find((l) => l.name === name)?.makerFuseA).toBe(12);
  expect((await designOf(page, marram)).loads.find((l) => l.name === name)?.makerFuseA).toBeNull();
  await expect(followers).toContainText('Marram');
  await expect(followers).not.toContainText('Turnstone');
});

test('cards go out as a file and come in again; a broken file is refused', async ({ page }) => {
  await open(page, 'marram', 'loads');
  await view(page, 'cards');
  await page.getByRole('button', { name: 'add a card' }).click();
  await expect(row(page, 'New card').first()).toBeVisible();
  const waiting = page.waitForEvent('download');
  await page.getByRole('link', { name: 'export cards' }).click();
  const path = await (await waiting).path();
  const file = JSON.parse(readFileSync(path, 'utf8')) as { cards: { name: string }[] };
  expect(file.cards.length).toBeGreaterThan(0);
  await page
    .getByLabel('import cards')
    .setInputFiles({ name: 'cards.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(file)) });
  await expect(page.getByRole('status')).toContainText('replaced');
  await page
    .getByLabel('import cards')
    .setInputFiles({ name: 'cards.json', mimeType: 'application/json', buffer: Buffer.from('{"format":"x"}') });
  await expect(refusal(page)).toContainText('was not taken');
});

test('a load list in another encoding, with semicolons and decimal commas, is matched, mended and taken whole', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'loads');
  await page.getByRole('button', { name: 'import', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Loads from a spreadsheet' });
  await dialog.getByLabel('Spreadsheet file').setInputFiles({
    name: 'liste.csv',
    mimeType: 'text/csv',
    buffer: latin('Gerät;Watts;Location;Qty\nKühlbox;45,5;Galley;1\nLüfter;zehn;Saloon;2\nPumpe;60;Keller;1\nLampe;5;Galley;4\n'),
  });
  const take = dialog.getByRole('button', { name: /^take/ });
  await expect(dialog).toContainText('Say which column holds the names');
  await dialog.getByLabel('Column Gerät goes to').selectOption('name');
  await expect(dialog).toContainText('2 cells to settle');
  await expect(take).toBeDisabled();
  await axe(page);
  await dialog.getByLabel('Row 3, W').fill('10');
  await dialog.getByLabel('Row 3, W').press('Enter');
  await expect(dialog).toContainText('1 cells to settle');
  await dialog.getByRole('button', { name: 'skip the row' }).click();
  await take.click();
  await saved(page);
  const { loads } = await designOf(page, marram);
  expect(loads.slice(-3).map((l) => [l.name, l.rating, l.quantity])).toEqual([
    ['Kühlbox', 45.5, 1],
    ['Lüfter', 10, 2],
    ['Lampe', 5, 4],
  ]);
  await page.keyboard.press('Control+z');
  await expect(row(page, 'Kühlbox')).toHaveCount(0);
});

for (const [name, file, word] of [
  [
    'a picture called a spreadsheet',
    { name: 'x.xlsx', mimeType: 'application/x', buffer: Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3]) },
    'neither',
  ],
  ['half a workbook', { name: 'x.xlsx', mimeType: 'application/x', buffer: Buffer.from('PK\u0003\u0004rubbish') }, 'x.xlsx'],
  ['an empty file', { name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.alloc(0) }, 'empty'],
  ['ten megabytes', { name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.alloc(10_000_000, 65) }, 'at most'],
] as const)
  test(`${name} is refused in words and changes nothing`, async ({ page }) => {
    await open(page, 'marram', 'loads');
    await page.getByRole('button', { name: 'import', exact: true }).click();
    const dialog = page.getByRole('dialog', { name: 'Loads from a spreadsheet' });
    await dialog.getByLabel('Spreadsheet file').setInputFiles({ ...file });
    await expect(dialog.getByRole('alert')).toContainText(word);
  });

for (const kind of ['CSV', 'XLSX'] as const)
  test(`a list goes out as ${kind} and comes in again with nothing lost`, async ({ page, marram, turnstone }, info) => {
    await open(page, marram, 'loads');
    await enter(page, 'Stereo', 'note', '=SUM(A1:A9)');
    await saved(page);
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: kind, exact: true }).click();
    const bytes = readFileSync(await (await waiting).path());
    if (kind === 'CSV') expect(bytes.toString('utf8')).toContain("'=SUM(A1:A9)");
    const path = info.outputPath(`loads.${kind.toLowerCase()}`);
    writeFileSync(path, bytes);
    const sent = (await designOf(page, marram)).loads;

    await open(page, turnstone, 'loads');
    await page.getByRole('button', { name: 'import', exact: true }).click();
    const dialog = page.getByRole('dialog', { name: 'Loads from a spreadsheet' });
    await dialog.getByLabel('Spreadsheet file').setInputFiles(path);
    await expect(dialog).toContainText(`${sent.length} rows`);
    // Turnstone lacks some of Marram's places: those cells are told, not guessed.
    await expect(dialog).toContainText('cells to settle');
    await dialog.getByLabel('Column place goes to').selectOption('');
    await dialog.getByRole('button', { name: `take ${sent.length} rows` }).click();
    await saved(page);
    const came = (await designOf(page, turnstone)).loads.slice(-sent.length);
    const told = (l: (typeof sent)[number]) => [
      l.name,
      l.quantity,
      l.nominalV,
      l.ratingBy,
      l.behaviour,
      l.makerFuseA,
      l.makerWire.length,
      l.mark,
      l.note,
      l.standbyA,
      l.duty,
    ];
    expect(came.map(told)).toEqual(sent.map(told));
    came.forEach((l, i) => expect(l.rating).toBeCloseTo(sent[i]?.rating ?? NaN, 5));
  });

test('the scratch line: without a boat it is worked out as it is typed, kept, and found again', async ({ page }) => {
  await page.goto(url());
  const pad = page.getByRole('region', { name: 'Scratch line' });
  const line = pad.getByLabel('Load and distance');
  await line.fill('140 W pump 24 V 7 m engine space');
  const answer = pad.getByRole('status', { name: 'Scratch answer' });
  await expect(answer).toContainText('7.5 A');
  await expect(answer).toContainText('governed by drop');
  await answer.getByRole('button', { name: 'the working' }).click();
  await expect(answer).toContainText('Drop at working current');
  await line.fill('60 W');
  await expect(pad.getByRole('status')).toContainText('a distance one way is needed');
  const own = `11 A 23 ft lamp ${Date.now()}`;
  await line.fill(own);
  await pad.getByLabel('School').selectOption('awg');
  await expect(answer).toContainText('AWG');
  await pad.getByRole('button', { name: 'keep it' }).click();
  const kept = pad.getByRole('list', { name: 'Kept lines' }).getByRole('button', { name: own, exact: true });
  await expect(kept).toBeVisible();
  await reload(page);
  await kept.click();
  await expect(answer).toContainText('AWG');
  await pad.getByRole('button', { name: `remove ${own}` }).click();
  await expect(kept).toHaveCount(0);
});

test('a line tried beside the boats is taken along to one of them', async ({ page }) => {
  await page.goto(url());
  const pad = page.getByRole('region', { name: 'Scratch line' });
  await pad.getByLabel('Load and distance').fill('4 A horn 3 m');
  await pad.getByRole('link', { name: 'Turnstone' }).first().click();
  await expect(page.getByRole('combobox', { name: 'Find anything' })).toHaveValue('4 A horn 3 m');
  await expect(page.getByRole('status', { name: 'Scratch answer' })).toContainText('Turnstone');
  await expect(page.getByText('Attach to Turnstone')).toBeVisible();
  await axe(page);
});

test('the scratch line on a boat: answered with her panel and rules, and attached as a load on a circuit', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Find anything' }).fill('55 W radar test 6.5 m Fore cabin');
  await expect(page.getByRole('status', { name: 'Scratch answer' })).toContainText('Chart table panel of Marram');
  await page.getByText('Attach to Marram').click();
  await expect.poll(async () => (await designOf(page, marram)).loads.some((l) => l.name === 'Radar test')).toBe(true);
  const design = await designOf(page, marram);
  const load = design.loads.find((l) => l.name === 'Radar test');
  const circuit = design.circuits.find((c) => c.taps.some((t) => t.serves.id === load?.id));
  expect(load).toMatchObject({ rating: 55, ratingBy: 'W', placeId: 'fore' });
  expect(circuit?.taps[0]?.tapedM).toBe(6.5);
  await expect(cell(page, 'Radar test', 'length')).toHaveText('6.5');
});
