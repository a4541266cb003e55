/** The line drawing on the screen: read at first sight, nothing written over anything else, an overview to move in. */
import type { Page } from '@playwright/test';
import { expect, open, test, url } from './boat';

interface Seen {
  readonly texts: number;
  readonly smallestPx: number;
  readonly over: readonly string[];
}

/** Every text of the drawing: how small the smallest is on the screen, and which lie over each other. */
const seen = (page: Page): Promise<Seen> =>
  page.evaluate(() => {
    const view = document.querySelector('[data-view]') as SVGGElement;
    const scale = view.getCTM()?.a ?? 0;
    const all = [...view.querySelectorAll('text')]
      .map((t) => ({ words: t.textContent ?? '', box: t.getBBox() }))
      .filter((t) => t.box.width > 0);
    const over = all.flatMap((a, i) =>
      all.slice(i + 1).flatMap((b) => {
        const across = Math.min(a.box.x + a.box.width, b.box.x + b.box.width) - Math.max(a.box.x, b.box.x);
        const down = Math.min(a.box.y + a.box.height, b.box.y + b.box.height) - Math.max(a.box.y, b.box.y);
        // A line of letters is set in a box taller than its letters: they meet where it is over by more than that.
        return across > 1 && down > 3 ? [`${a.words} | ${b.words}`] : [];
      }),
    );
    return { texts: all.length, smallestPx: scale * 10, over };
  });

async function everyMode(page: Page, boat: string, most = Infinity): Promise<string[]> {
  await open(page, boat, 'wiring');
  await page.getByRole('tab', { name: 'drawing', exact: true }).click();
  const canvas = page.getByRole('application');
  const wrong: string[] = [];
  const rails = await page
    .getByLabel('Rails')
    .locator('option')
    .evaluateAll((all) => all.map((o) => (o as HTMLOptionElement).value));
  for (const rail of rails) {
    await page.getByLabel('Rails').selectOption(rail);
    const studies =
      rail === 'AC'
        ? ['']
        : await page
            .getByLabel('Study shown')
            .locator('option')
            .evaluateAll((all) => all.map((o) => (o as HTMLOptionElement).value));
    for (const study of studies.slice(0, most)) {
      if (rail !== 'AC') await page.getByLabel('Study shown').selectOption(study);
      await expect(canvas).toHaveAttribute('data-laid', 'yes');
      await page.waitForTimeout(400);
      const { texts, smallestPx, over } = await seen(page);
      if (texts === 0) wrong.push(`${rail}, ${study}: empty`);
      if (smallestPx < 11 - 1e-6) wrong.push(`${rail}, ${study}: ${smallestPx.toFixed(1)} px`);
      wrong.push(...over.map((o) => `${rail}, ${study}: ${o}`));
    }
  }
  return wrong;
}

test('Marram: names, sizes and volts of every mode and study at 11 px or more, none over another', async ({ page, marram }) => {
  test.setTimeout(120_000);
  expect(await everyMode(page, marram)).toEqual([]);
});
test('Halcyon Drift: the same', async ({ page, halcyon }) => {
  test.setTimeout(120_000);
  expect(await everyMode(page, halcyon, 4)).toEqual([]);
});
test('Turnstone: the same', async ({ page, turnstone }) => {
  expect(await everyMode(page, turnstone)).toEqual([]);
});
test('a boat of 120 circuits: the same, and panels are folded at first', async ({ page, request, marram }) => {
  test.setTimeout(120_000);
  const { design } = (await (await request.get(`${url()}/api/boats/${marram}`)).json()) as {
    design: {
      loads: { id: string; name: string }[];
      circuits: { id: string; no: string; name: string; taps: { id: string; serves: { kind: string; id: string } }[] }[];
    };
  };
  const single = design.circuits.filter((c) => c.taps.length === 1 && c.taps[0]?.serves.kind === 'load');
  for (let n = 0; design.circuits.length < 120; n++) {
    const of = single[n % single.length];
    const load = design.loads.find((l) => l.id === of?.taps[0]?.serves.id);
    if (!of || !load) continue;
    design.loads.push({ ...load, id: `more${n}`, name: `${load.name} ${n}` });
    design.circuits.push({
      ...of,
      id: `moreC${n}`,
      no: String(100 + n),
      name: `${of.name} ${n}`,
      taps: [{ ...(of.taps[0] as (typeof of.taps)[number]), id: `moreT${n}`, serves: { kind: 'load', id: `more${n}` } }],
    });
  }
  const made = (await (await request.post(`${url()}/api/boats?from=file`, { data: design })).json()) as { id: string };
  expect(await everyMode(page, made.id, 2)).toEqual([]);
});
test('the overview frames what is in sight, and a press moves there', async ({ page, marram }) => {
  await open(page, marram, 'wiring');
  await page.getByRole('tab', { name: 'drawing', exact: true }).click();
  const overview = page.getByTestId('overview');
  await expect(overview).toBeVisible();
  const at = () => page.locator('[data-view]').getAttribute('transform');
  const before = await at();
  const box = await overview.boundingBox();
  await overview.click({ position: { x: (box?.width ?? 0) * 0.6, y: 10 } });
  await expect.poll(at).not.toBe(before);
  await expect(page.locator('[data-view]').getByText('Anchor light, LED')).toBeInViewport();
});
