/** Figures that cannot lie: a worker that breaks is replaced, what stays broken is said over every station, and one act asks one analysis. */
import type { Page } from '@playwright/test';
import { cell, enter, expect, open, reload, row, saved, test, url } from './boat';

const stale = (page: Page) => page.getByTestId('stale');
const need = (page: Page) => page.locator('header [data-figure]').first();

/** Spoils the next so many updates on their way to the worker: what arrives is no design. */
async function spoilable(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const w = window as unknown as { spoil: number; answers: number };
    w.spoil = w.answers = 0;
    const heard = new WeakSet<Worker>();
    const post = Worker.prototype.postMessage as (this: Worker, message: unknown, transfer?: unknown) => void;
    Worker.prototype.postMessage = function (this: Worker, message: unknown, transfer?: unknown) {
      const m = message as { path?: string[]; argumentList?: { value: unknown }[] };
      if (!heard.has(this)) {
        heard.add(this);
        this.addEventListener('message', () => w.answers++);
      }
      if (m.path?.[0] === 'update' && w.spoil > 0) {
        w.spoil--;
        m.argumentList = [{ ...m.argumentList?.[0], value: { parts: { loads: 5, circuits: null }, lists: {} } }] as { value: unknown }[];
      }
      post.call(this, message, transfer);
    };
  });
}
const spoil = (page: Page, updates: number) => page.evaluate((n) => void ((window as unknown as { spoil: number }).spoil = n), updates);

test('a worker that throws once is replaced without a word; twice, a bar says what is old, on paper too, and trying again mends it', async ({
  page,
  marram,
}) => {
  await spoilable(page);
  await open(page, marram, 'loads');
  await expect(row(page, 'Refrigerator compressor')).toBeVisible();
  await page.waitForFunction(() => (window as unknown as { answers: number }).answers > 0);
  await page.waitForTimeout(800);
  const before = await need(page).innerText();
  await spoil(page, 1);
  await enter(page, 'Refrigerator compressor', 'W', '90');
  await expect(need(page)).not.toHaveText(before);
  await expect(stale(page)).toHaveCount(0);
  const mended = await need(page).innerText();

  // Typed letters are looked at before they are taken: more than one update is on its way.
  await spoil(page, 4);
  await enter(page, 'Refrigerator compressor', 'W', '500');
  await expect(stale(page)).toContainText('not up to date');
  await expect(stale(page)).toContainText('failed twice');
  expect(await need(page).innerText()).toBe(mended);
  await saved(page);
  await page.goto(page.url().replace('/loads', '/loads'));
  await expect(stale(page)).toHaveCount(0);
  await expect(need(page)).not.toHaveText(mended);

  await spoil(page, 4);
  await enter(page, 'Refrigerator compressor', 'W', '60');
  await expect(stale(page)).toBeVisible();
  await page
    .getByRole('navigation', { name: 'Stations' })
    .getByRole('link', { name: /^Wiring/ })
    .click();
  await expect(page.getByRole('heading', { name: 'Wiring' })).toBeVisible();
  await expect(stale(page)).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(stale(page)).toBeVisible();
  await page.emulateMedia({ media: 'screen' });
  await spoil(page, 0);
  const old = await need(page).innerText();
  await stale(page).getByRole('button', { name: 'try again' }).click();
  await expect(stale(page)).toHaveCount(0);
  await expect(need(page)).not.toHaveText(old);
});

test('a worker that cannot be loaded is said, and figures are right again once it can', async ({ page, marram }) => {
  await open(page, marram, 'loads');
  const chunks = new Set<string>();
  page.on('request', (r) => {
    if (r.url().includes('/_next/') && r.resourceType() !== 'stylesheet') chunks.add(r.url());
  });
  await page.addInitScript(() => {
    const w = window as unknown as { refuseWorkers: boolean; Worker: typeof Worker };
    const Real = w.Worker;
    w.refuseWorkers = true;
    w.Worker = class extends Real {
      constructor(script: string | URL, options?: WorkerOptions) {
        super(w.refuseWorkers ? '/no-such-script.js' : script, options);
      }
    };
  });
  await reload(page);
  await expect(stale(page)).toContainText('failed twice');
  await page.evaluate(() => void ((window as unknown as { refuseWorkers: boolean }).refuseWorkers = false));
  await stale(page).getByRole('button', { name: 'try again' }).click();
  await expect(stale(page)).toHaveCount(0);
  const before = await need(page).innerText();
  await enter(page, 'Refrigerator compressor', 'W', '95');
  await expect(need(page)).not.toHaveText(before);
});

interface Counts {
  readonly updates: number;
  readonly questions: readonly string[];
  readonly commits: number;
}

/** Counts messages to the worker and commits of the screen. */
async function counted(page: Page): Promise<() => Promise<Counts>> {
  await page.addInitScript(() => {
    const w = window as unknown as {
      counts: { updates: number; questions: string[]; commits: number };
      lastMessage: number;
      open: Set<string>;
    };
    w.counts = { updates: 0, questions: [], commits: 0 };
    w.lastMessage = performance.now();
    w.open = new Set();
    const heard = new WeakSet<Worker>();
    const post = Worker.prototype.postMessage as (this: Worker, message: unknown, transfer?: unknown) => void;
    Worker.prototype.postMessage = function (this: Worker, message: unknown, transfer?: unknown) {
      const m = message as { id?: string; path?: string[]; argumentList?: unknown[] };
      w.lastMessage = performance.now();
      if (m.id !== undefined) w.open.add(m.id);
      if (!heard.has(this)) {
        heard.add(this);
        this.addEventListener('message', (e: MessageEvent<{ id?: string }>) => {
          w.lastMessage = performance.now();
          w.open.delete(e.data.id ?? '');
        });
      }
      if (m.path?.[0] === 'update') w.counts.updates++;
      else if (m.path) w.counts.questions.push(m.path.join('.') + JSON.stringify(m.argumentList));
      post.call(this, message, transfer);
    };
    (window as unknown as { __REACT_DEVTOOLS_GLOBAL_HOOK__: object }).__REACT_DEVTOOLS_GLOBAL_HOOK__ = {
      supportsFiber: true,
      inject: () => 1,
      onCommitFiberRoot: () => void w.counts.commits++,
      onCommitFiberUnmount: () => undefined,
      onPostCommitFiberRoot: () => undefined,
      checkDCE: () => undefined,
    };
  });
  /** What has been counted since it was last asked, once all is answered and quiet. */
  return async () => {
    // On a busy machine what belongs to the step before may still be asked.
    await page.waitForTimeout(900);
    await page.waitForFunction(
      () => {
        const w = window as unknown as { lastMessage: number; open: Set<string> };
        return w.open.size === 0 && performance.now() - w.lastMessage > 900;
      },
      null,
      { polling: 200 },
    );
    return page.evaluate(() => {
      const w = window as unknown as { counts: Counts };
      const was = w.counts;
      w.counts = { updates: 0, questions: [], commits: 0 };
      return was;
    });
  };
}
const twice = (questions: readonly string[]) => questions.filter((q, i) => questions.indexOf(q) !== i);

test('one keystroke asks one analysis, Enter on what was looked at none, the server’s answer none, another window’s edit one', async ({
  page,
  marram,
}) => {
  const counts = await counted(page);
  await open(page, marram, 'loads');
  await expect(row(page, 'Refrigerator compressor')).toBeVisible();
  await counts();
  await cell(page, 'Refrigerator compressor', 'W').click();
  await counts();
  await page.keyboard.press('7');
  const key = await counts();
  expect(key.updates).toBe(1);
  expect(key.commits).toBeLessThanOrEqual(4);
  expect(twice(key.questions)).toEqual([]);
  await page.keyboard.press('Enter');
  await saved(page);
  const taken = await counts();
  expect(taken.updates).toBe(0);
  // The next row is chosen, and its working asked for.
  expect(taken.questions.filter((q) => !q.startsWith('working'))).toEqual([]);
  expect(taken.commits).toBeLessThanOrEqual(8);
  const design = ((await (await page.request.get(`${url()}/api/boats/${marram}`)).json()) as { design: { boat: { note: string } } }).design;
  const edit = { id: 'other-window-1', label: 'note', ops: [{ op: 'set', path: ['boat', 'note'], from: design.boat.note, to: 'seen' }] };
  await page.request.post(`${url()}/api/boats/${marram}/edits`, { data: { edit, force: false } });
  await expect(page.getByRole('status')).toContainText('another window');
  expect((await counts()).updates).toBe(1);
});

test('in Wiring with studies each question is asked once a design, however many show it', async ({ page, marram }) => {
  const counts = await counted(page);
  await open(page, marram, 'wiring');
  await cell(page, 'Refrigerator compressor', 'bundled').click();
  await counts();
  // A circuit without a duty: the chart library commits once more by itself for each new curve.
  await page.keyboard.press('4');
  const key = await counts();
  expect(key.updates).toBe(1);
  expect(twice(key.questions)).toEqual([]);
  expect(key.questions.some((q) => q.startsWith('studied'))).toBe(true);
  expect(key.commits).toBeLessThanOrEqual(4);
});
