import { defineConfig } from '@playwright/test';
import { chromiumOptions } from './scripts/lib.mjs';

export default defineConfig({
  testDir: 'e2e',
  fullyParallel: false,
  workers: 2,
  retries: 0,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: process.env.PLAYWRIGHT_JSON_OUTPUT_NAME ? [['line'], ['json']] : 'line',
  globalSetup: './e2e/setup.ts',
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: chromiumOptions,
    permissions: ['clipboard-read', 'clipboard-write'],
    trace: 'off',
  },
});
