import { defineConfig } from '@playwright/test';
import { chromiumOptions } from './scripts/lib.mjs';

export default defineConfig({
  testDir: 'e2e',
  fullyParallel: false,
  workers: 2,
  // On a machine that is busy a key may meet a screen not yet painted. What fails twice fails; what passed at the second try is told as flaky.
  retries: 1,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['line'], ['json']] : 'line',
  globalSetup: './e2e/setup.ts',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: chromiumOptions,
    permissions: ['clipboard-read', 'clipboard-write'],
    trace: 'off',
    // What is kept for offline use is its own journey: elsewhere every page is the server's.
    serviceWorkers: 'block',
  },
});
