/** What the journeys share: a boat of their own to work on, cells of a sheet, and an accessibility check. */
import { expect, test as base, type Locator, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Design } from '../src/core/design';

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
export const url = (): string => process.env.SOLENIX_URL ?? '';

/** A copy of a demo boat, so that journeys do not meet each other. */
export const test = base.extend<{ marram: string; halcyon: string; turnstone: string }>({
  marram: async ({ request }, give) => give(await copyOf(request, 'marram')),
  halcyon: async ({ request }, give) => give(await copyOf(request, 'halcyon')),
  turnstone: async ({ request }, give) => give(await copyOf(request, 'turnstone')),
});
export { expect };

export async function copyOf(
  request: {
    get: (u: string) => Promise<{ text: () => Promise<string> }>;
    post: (u: string, o: object) => Promise<{ json: () => Promise<unknown> }>;
  },
  boat: string,
): Promise<string> {
  const text = await (await request.get(`${url()}/api/boats/${boat}/export`)).text();
  const made = (await (
    await request.post(`${url()}/api/boats?from=file`, { data: text, headers: { 'content-type': 'application/json' } })
  ).json()) as { id: string };
  return made.id;
}

/** Opens a station and waits until the worker has answered. */
export async function open(page: Page, boatId: string, station: string): Promise<void> {
  await page.goto(`${url()}/boats/${boatId}/${station}`);
  await expect(page.getByTestId('saved')).toContainText('saved');
  await page.waitForLoadState('load');
  await alive(page);
}

/** Waits until what is drawn on the server answers here: a key pressed before that is nobody's. */
export const alive = async (page: Page): Promise<void> => {
  await page.waitForFunction(() => {
    const first = document.querySelector('main')?.firstElementChild;
    const framed = document.querySelector('[data-testid=saved]') !== null;
    return (
      first &&
      Object.keys(first).some((key) => key.startsWith('__reactFiber')) &&
      (!framed || document.documentElement.dataset.keys === 'heard')
    );
  });
};

/** Loads the page again, and waits until it answers. */
export async function reload(page: Page): Promise<void> {
  await page.reload();
  await alive(page);
}

export const row = (page: Page, name: string): Locator =>
  page.getByRole('row').filter({
    has: page.getByRole('gridcell').filter({ hasText: new RegExp(`^${name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}( \\(\\d+\\))?$`) }),
  });
export const cell = (page: Page, name: string, column: string): Locator => row(page, name).locator(`[data-col="${column}"]`);

/** Types into a cell as a person does: choose it, type, Enter. */
export async function enter(page: Page, name: string, column: string, text: string): Promise<void> {
  await cell(page, name, column).click();
  if (text === '') await page.keyboard.press('Delete');
  else {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  }
}

/** What the application refuses, said aloud; the router has an alert of its own. */
export const refusal = (page: Page): Locator => page.locator('[role=alert]:not(#__next-route-announcer__)');

/** Puts another sheet of the station on top. */
export const view = (page: Page, name: string): Promise<void> => page.getByRole('tab', { name, exact: true }).click();

/** Things whose hint says this: in full, or as a pattern. */
export const hinted = (at: Page | Locator, hint: string | RegExp): Locator =>
  at.getByRole('button', typeof hint === 'string' ? { description: hint, exact: true } : { description: hint });

export const saved = (page: Page): Promise<void> => expect(page.getByTestId('saved')).toHaveText(/^saved/);

export const designOf = async (page: Page, boatId: string): Promise<Design> =>
  ((await (await page.request.get(`${url()}/api/boats/${boatId}`)).json()) as { design: Design }).design;

/** Fails on any serious or critical accessibility fault. */
export async function axe(page: Page): Promise<void> {
  await page.evaluate(axeSource);
  const faults = await page.evaluate(async () => {
    const { violations } = await (
      window as unknown as {
        axe: { run: () => Promise<{ violations: { id: string; impact: string; nodes: { html: string; failureSummary: string }[] }[] }> };
      }
    ).axe.run();
    return violations
      .filter((v) => v.impact === 'serious' || v.impact === 'critical')
      .map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)} ${v.nodes[0]?.failureSummary.slice(0, 200)}`);
  });
  expect(faults).toEqual([]);
}
