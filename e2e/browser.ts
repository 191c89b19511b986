import type { PlaywrightTestConfig } from '@playwright/test';

/** Debian's headless Chromium, at the size that the screens are drawn for. */
export const chromium: PlaywrightTestConfig['use'] = {
  viewport: { width: 1280, height: 800 },
  launchOptions: {
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-quic',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--no-first-run',
    ],
  },
};
