/** What is bought in whole packs, kept for every boat; labels, strips and boards at true size, their millimetres read back from the PDF. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { TextItem } from 'pdfjs-dist/types/src/display/api';
import { axe, expect, open, test, view } from './boat';

const MM_PER_PT = 25.4 / 72;

async function savedBy(page: Page, button: string): Promise<Buffer> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  return readFileSync(await (await download).path());
}

interface Sheet {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly texts: readonly { readonly text: string; readonly x: number; readonly y: number }[];
  /** Boxes of everything that is drawn, mm from the lower left corner: from and to. */
  readonly drawn: readonly { readonly x: number; readonly y: number; readonly toX: number; readonly toY: number }[];
}

async function sheetOf(bytes: Buffer, pageNo = 1): Promise<Sheet> {
  const document = await getDocument({ data: new Uint8Array(bytes), disableFontFace: true, useSystemFonts: false, verbosity: 0 }).promise;
  const page = await document.getPage(pageNo);
  const [, , w, h] = page.view as [number, number, number, number];
  const { items } = await page.getTextContent();
  const operations = await page.getOperatorList();
  const drawn = operations.fnArray.flatMap((fn, i) => {
    if (fn !== OPS.constructPath) return [];
    const args = operations.argsArray[i] as unknown[];
    const box = args[args.length - 1] as Float32Array | number[] | null;
    if (!box || box.length < 4) return [];
    const [x, y, toX, toY] = Array.from(box, (v) => v * MM_PER_PT) as [number, number, number, number];
    return [{ x, y, toX, toY }];
  });
  return {
    widthMm: w * MM_PER_PT,
    heightMm: h * MM_PER_PT,
    texts: items
      .filter((t): t is TextItem => 'str' in t && t.str.trim() !== '')
      .map((t) => ({
        text: t.str,
        x: (t.transform[4] as number) * MM_PER_PT + (t.width * MM_PER_PT) / 2,
        y: (t.transform[5] as number) * MM_PER_PT,
      })),
    drawn,
  };
}

test('spares and whole packs; a supplier, days and a price are kept for every boat', async ({ page, marram, halcyon }) => {
  await open(page, marram, 'build');
  await view(page, 'buying');
  const rings = page.getByRole('table', { name: 'To buy, terminals' }).getByRole('row').filter({ hasText: /^ring/ });
  const name = (await rings.first().getByRole('cell').first().innerText()).trim();
  const row = page
    .getByRole('table', { name: 'To buy, terminals' })
    .getByRole('row')
    .filter({ has: page.getByRole('textbox', { name: `Price, ${name}`, exact: true }) });
  await expect(row).toContainText('typical');
  await expect(row).toContainText('× 25');
  const fill = async (what: string, value: string) => {
    const box = row.getByRole('textbox', { name: `${what}, ${name}`, exact: true });
    await box.fill(value);
    await box.press('Enter');
    await expect(box).toHaveValue(value);
  };
  await fill('Sold by', '10');
  await fill('Price', '4.5');
  await fill('Supplier', 'Quay Supplies');
  await fill('Days', '12');
  await expect(row).toContainText('× 10');
  await expect(page.getByText(/The longest takes 12 days/)).toBeVisible();
  await row.getByRole('textbox', { name: `Days, ${name}`, exact: true }).fill('soon');
  await row.getByRole('textbox', { name: `Days, ${name}`, exact: true }).press('Enter');
  await expect(row.getByRole('alert')).toBeVisible();
  await row.getByRole('textbox', { name: `Days, ${name}`, exact: true }).press('Escape');
  await axe(page);
  await page.getByRole('combobox').selectOption('Quay Supplies');
  await expect(page.getByRole('table')).toHaveCount(1);
  const csv = (await savedBy(page, 'order as CSV')).toString('utf8');
  expect(csv).toContain('Quay Supplies,12');
  await open(page, halcyon, 'build');
  await view(page, 'buying');
  await expect(page.getByText(/The longest takes 12 days/)).toHaveCount(0);
});

test('labels on a sheet of 65: the PDF has them every 40.6 mm across and 21.2 down, from the one that is left', async ({
  page,
  marram,
}) => {
  await open(page, marram, 'build');
  await view(page, 'labels');
  await page.getByRole('combobox', { name: /^sheet/ }).selectOption('38.1 × 21.2 mm, 65 on A4');
  const from = page.getByLabel('first label still on it');
  await from.fill('66');
  await expect(page.getByText('a number from 1 to 65')).toBeVisible();
  await from.fill('2');
  await axe(page);
  const sheet = await sheetOf(await savedBy(page, 'labels as PDF'));
  expect(sheet.widthMm).toBeCloseTo(210, 0);
  expect(sheet.heightMm).toBeCloseTo(297, 0);
  // Middles of the cells: 4.75 + 19.05 + 40.6 k; the first cell is left out, so five of the second column are the first there.
  const columns = [0, 1, 2, 3, 4].map((k) => 4.75 + 19.05 + 40.6 * k);
  for (const t of sheet.texts) expect(Math.min(...columns.map((c) => Math.abs(c - t.x)))).toBeLessThan(0.6);
  const first = sheet.texts.filter((t) => t.y > 297 - 10.7 - 21.2);
  expect(Math.min(...first.map((t) => t.x))).toBeGreaterThan(30);
  const csv = (await savedBy(page, 'CSV for a label printer')).toString('utf8');
  expect(csv.split('\n').length).toBeGreaterThan(50);
  await expect(page.getByRole('table', { name: 'Wraps' })).toBeVisible();
});

test('legend strips and boards: the bar of the PDF is 100 mm, a way is its panel’s pitch', async ({ page, marram }) => {
  await open(page, marram, 'build');
  await view(page, 'labels');
  const strips = await sheetOf(await savedBy(page, 'strips as PDF'));
  const long = (s: Sheet) => s.drawn.filter((d) => Math.abs(d.toX - d.x - 100) < 0.1 && d.toY - d.y < 0.5);
  expect(long(strips)).toHaveLength(1);
  // 20 mm a way on the chart table's panel, 14 high.
  expect(strips.drawn.filter((d) => Math.abs(d.toX - d.x - 20) < 0.1 && Math.abs(d.toY - d.y - 14) < 0.1).length).toBeGreaterThan(20);
  const boards = page.getByRole('button', { name: 'boards as PDF' });
  await expect(boards).toBeEnabled();
  expect(long(await sheetOf(await savedBy(page, 'boards as PDF')))).toHaveLength(1);
});
