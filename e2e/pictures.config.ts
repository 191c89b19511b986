import { defineConfig } from '@playwright/test';
import { chromium } from './browser.js';

/** Makes the pictures of docs/screenshots from the demo data. */
export default defineConfig({
  testDir: 'pictures',
  globalSetup: './makeTemplate.ts',
  workers: 1,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: 'list',
  use: chromium,
});
