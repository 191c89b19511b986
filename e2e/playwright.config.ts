import { defineConfig } from '@playwright/test';
import { chromium } from './browser.js';

export default defineConfig({
  testDir: 'tests',
  globalSetup: './makeTemplate.ts',
  workers: 2,
  timeout: 240_000,
  expect: { timeout: 20_000 },
  reporter: 'list',
  use: { ...chromium, actionTimeout: 30_000, screenshot: 'only-on-failure' },
});
