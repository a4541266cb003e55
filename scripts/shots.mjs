/** npm run shots: one picture of each main view, from the demo data, into docs/screenshots. */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { answering, build, chromiumOptions, freePort, install, root, seed, serve } from './lib.mjs';

install();
await build();
const { chromium } = await import('@playwright/test');
const data = mkdtempSync(join(tmpdir(), 'solenix-shots-'));
seed(data);
const port = await freePort(0);
const url = `http://127.0.0.1:${port}`;
const server = serve(port, data, 'ignore');
const shots = [
  ['boats', '/', null],
  ['survey', '/boats/marram/survey', '[data-thing="plan-galley"]'],
  ['loads', '/boats/marram/loads', 'text=Diesel heater'],
  ['mounting', '/boats/marram/survey', '[role=tab]:text-is("mounting")', 'button:has-text("Chart table panel")'],
  ['bank-day', '/boats/marram/bank', '[role=tab]:text-is("the day")'],
  ['charging', '/boats/marram/charging', null],
  ['wiring', '/boats/marram/wiring', '[role=gridcell]:has-text("Anchor windlass")'],
  ['wiring-awg-night', '/boats/halcyon/wiring', 'text=Navigation panel feeder'],
  ['check', '/boats/halcyon/check', null],
  ['as-found', '/boats/turnstone/survey', '[role=tab]:text-is("as found")', '[role=gridcell]:has-text("Cabin lamps")'],
  ['ac', '/boats/halcyon/ac', '[role=tab]:text-is("what can run together")'],
  ['main-side', '/boats/marram/wiring', '[role=tab]:text-is("main side")', '[role=gridcell]:has-text("House bank negative")'],
  ['drawing', '/boats/marram/wiring', '[role=tab]:text-is("drawing")'],
  ['bench', '/boats/marram/wiring', '[role=tab]:text-is("bench")', 'button:text-is("start")', '[aria-label^="open: 1 Main"]'],
  ['build', '/boats/marram/build', null],
  ['build-bench', '/boats/marram/build', '[role=tab]:text-is("bench")', 'button:text("release all")', 'table button.plain'],
  ['build-order', '/boats/marram/build', '[role=tab]:text-is("order of work")'],
  ['monitoring', '/boats/marram/monitoring', '[role=tab]:text-is("against the boat")'],
  ['protection', '/boats/marram/protection', '[role=region] button:has-text("Autopilot drive")'],
];
try {
  await answering(`${url}/api/boats`);
  const browser = await chromium.launch(chromiumOptions);
  for (const [name, path, ...clicks] of shots) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    if (name.includes('night')) await context.addInitScript(() => localStorage.setItem('solenix-scheme', 'night'));
    const page = await context.newPage();
    await page.goto(url + path);
    await page.waitForTimeout(1200);
    for (const click of clicks.filter(Boolean)) {
      await page.locator(click).first().click();
      await page.waitForTimeout(500);
    }
    // A drawing is laid out before it is taken.
    if (name === 'drawing') await page.locator('[data-laid=yes]').waitFor();
    await page.waitForTimeout(700);
    await page.screenshot({ path: join(root, 'docs/screenshots', `${name}.png`) });
    await context.close();
  }
  await browser.close();
} finally {
  server.kill('SIGTERM');
  rmSync(data, { recursive: true, force: true });
}
