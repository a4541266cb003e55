/** The drawing's files read back: every label of the design is in PDF and SVG, in fonts that travel with the file, and there is ink where it stands. */
import { readFileSync } from 'node:fs';
import { strFromU8, unzipSync } from 'fflate';
import { createCanvas } from '@napi-rs/canvas';
import type { Page } from '@playwright/test';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import type { PDFPageProxy, TextItem } from 'pdfjs-dist/types/src/display/api';
import { designOf, expect, open, test, view } from './boat';

const SCALE = 3;
/** Darker than this is ink: the palest text of the sheet is a grey well below it. */
const INK = 190;
/** Millimetres of a point; capitals of the sheet's font over its size. */
const MM = 25.4 / 72;
const CAPITALS = 0.686;

async function savedAs(page: Page, name: 'SVG' | 'PDF'): Promise<Buffer> {
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name, exact: true }).click();
  return readFileSync(await (await download).path());
}

const tight = (text: string): string => text.replace(/\s+/g, '');

/** Texts of the sheet as it stands on the page. */
const sheetTexts = (page: Page): Promise<string[]> =>
  page
    .getByTestId('sheet')
    .locator('svg text')
    .evaluateAll((texts) => texts.map((t) => t.textContent ?? ''));

interface Read {
  readonly items: readonly TextItem[];
  readonly fonts: ReadonlySet<string>;
  /** Part of a text's box that is ink. */
  readonly inkOf: (item: TextItem) => number;
}

async function readPdf(bytes: Buffer): Promise<readonly Read[]> {
  const document = await getDocument({ data: new Uint8Array(bytes), disableFontFace: true, useSystemFonts: false, verbosity: 0 }).promise;
  const pages: Read[] = [];
  for (let no = 1; no <= document.numPages; no++) pages.push(await readPage(await document.getPage(no)));
  return pages;
}

async function readPage(page: PDFPageProxy): Promise<Read> {
  const viewport = page.getViewport({ scale: SCALE });
  const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
  await page.render({ canvas: null, canvasContext: canvas.getContext('2d') as never, viewport }).promise;
  const { items } = await page.getTextContent();
  const texts = items.filter((i): i is TextItem => 'str' in i && i.str.trim() !== '');
  const fonts = new Set(texts.map((t) => (page.commonObjs.get(t.fontName) as { name: string }).name));
  const context = canvas.getContext('2d');
  return {
    items: texts,
    fonts,
    inkOf: ({ transform, width, height }) => {
      const [x, y] = viewport.convertToViewportPoint(transform[4] as number, transform[5] as number) as [number, number];
      const [w, h] = [Math.max(1, Math.round(width * SCALE)), Math.max(1, Math.round(height * SCALE))];
      const { data } = context.getImageData(Math.round(x), Math.round(y - h), w, h);
      let dark = 0;
      for (let i = 0; i < data.length; i += 4) if (((data[i] ?? 255) + (data[i + 1] ?? 255) + (data[i + 2] ?? 255)) / 3 < INK) dark++;
      return dark / (w * h);
    },
  };
}

for (const rails of ['one line', 'both'])
  test(`PDF and SVG of the drawing carry every label, with ink, none under 1.8 mm: ${rails}`, async ({ page, halcyon }) => {
    await open(page, halcyon, 'wiring');
    await view(page, 'drawing');
    await page.getByLabel('Rails').selectOption(rails);
    // What is folded to be read on the screen is open on paper.
    if (rails === 'one line') {
      await page.getByRole('button', { name: 'fold the panels' }).click();
      await expect(page.getByText('circuits, folded').first()).toBeVisible();
      await expect(page.getByText(/ sheets, panels open$/)).toBeVisible();
    }
    await expect(page.getByRole('button', { name: 'PDF', exact: true })).toBeEnabled();
    const design = await designOf(page, halcyon);
    const texts = (await sheetTexts(page)).filter((t) => t.trim() !== '');
    // The sheet speaks of the design: banks, panels, and each circuit's number with its size and length.
    const said = tight(texts.join('\n'));
    for (const { name } of [...design.banks, ...design.panels]) expect(said).toContain(tight(name));
    for (const c of design.circuits.filter((x) => x.taps.length > 0))
      expect(texts.join('\n')).toMatch(new RegExp(`${c.no}  .*(AWG|mm²), `));

    const pages = await readPdf(await savedAs(page, 'PDF'));
    expect(pages.length).toBeGreaterThan(1);
    const read = tight(pages.flatMap((p) => p.items.map((i) => i.str)).join(''));
    expect(texts.filter((t) => !read.includes(tight(t)))).toEqual([]);
    expect(pages.flatMap((p) => [...p.fonts]).filter((f) => !/Archivo/.test(f))).toEqual([]);
    const bare = pages.flatMap((p) => p.items.filter((i) => p.inkOf(i) < 0.03).map((i) => i.str));
    expect(bare).toEqual([]);
    const small = pages.flatMap((p) => p.items.filter((i) => CAPITALS * i.height * MM < 1.795).map((i) => i.str));
    expect(small).toEqual([]);

    const sheets = Object.values(unzipSync(new Uint8Array(await savedAs(page, 'SVG')))).map((f) => strFromU8(f));
    expect(sheets).toHaveLength(pages.length);
    const svg = sheets.join('');
    const inSvg = tight(
      svg
        .replace(/<style[\s\S]*?<\/style>/g, '')
        .replace(/<[^>]+>/g, '')
        .replaceAll('&amp;', '&')
        .replaceAll('&gt;', '>'),
    );
    expect(texts.filter((t) => !inSvg.includes(tight(t)))).toEqual([]);
    expect(svg).toMatch(/@font-face\{font-family:'Archivo'[^}]*base64,/);
  });

test('names in other letters keep them in the PDF', async ({ page, turnstone }) => {
  const design = await designOf(page, turnstone);
  const bank = design.banks[0];
  const name = 'Łódź Волна Ω';
  const edit = {
    id: 'other-letters-1',
    label: 'name',
    ops: [{ op: 'set', path: ['banks', bank?.id, 'name'], from: bank?.name, to: name }],
  };
  await page.request.post(`${process.env.SOLENIX_URL ?? ''}/api/boats/${turnstone}/edits`, { data: { edit, force: false } });
  await open(page, turnstone, 'wiring');
  await view(page, 'drawing');
  await expect(page.getByRole('button', { name: 'PDF', exact: true })).toBeEnabled();
  const [pdf] = await readPdf(await savedAs(page, 'PDF'));
  expect(tight(pdf?.items.map((i) => i.str).join('') ?? '')).toContain(tight(name));
  expect([...(pdf?.fonts ?? [])].join()).toMatch(/DejaVu/);
});
