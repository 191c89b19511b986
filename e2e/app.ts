import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { AxeBuilder } from '@axe-core/playwright';
import { test as base, type Browser, type Page } from '@playwright/test';

const project = fileURLToPath(new URL('..', import.meta.url));
export const TEMPLATE = join(tmpdir(), `yarin-template-${process.getuid?.() ?? 0}`);

export interface RunningApp {
  readonly address: string;
  stop(): Promise<void>;
}

/** Starts the built application on a data folder and waits for its address. */
export function startApp(dataFolder: string): Promise<RunningApp> {
  const server: ChildProcess = spawn(process.execPath, ['packages/server/dist/main.js'], {
    cwd: project,
    env: {
      ...process.env,
      YARIN_DATA: dataFolder,
      YARIN_PORT: '0',
      YARIN_NOW: '2026-11-24T09:00',
      YARIN_QUERY_THREADS: '1',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    let said = '';
    const endedEarly = (code: number | null): void =>
      reject(new Error(`Yarin ended with ${code} before it listened: ${said}`));
    server.once('exit', endedEarly);
    server.stdout!.on('data', (chunk: Buffer) => {
      said += chunk.toString();
      const address = /Yarin is at (\S+)/.exec(said)?.[1];
      if (address === undefined) return;
      server.off('exit', endedEarly);
      resolve({
        address,
        stop: () =>
          new Promise((stopped) => {
            server.once('exit', () => stopped());
            server.kill('SIGTERM');
          }),
      });
    });
  });
}

/** Each test has Yarin to itself, on a copy of the demo institution. */
export const test = base.extend<{ app: RunningApp }>({
  // eslint-disable-next-line no-empty-pattern -- the fixture needs nothing, and the runner wants a pattern here
  app: async ({}, use) => {
    const dataFolder = mkdtempSync(join(tmpdir(), 'yarin-e2e-'));
    cpSync(TEMPLATE, dataFolder, { recursive: true });
    const app = await startApp(dataFolder);
    await use(app);
    await app.stop();
    rmSync(dataFolder, { recursive: true, force: true });
  },
});

export { expect } from '@playwright/test';

export async function signIn(page: Page, app: RunningApp, name = 'Ines Marant'): Promise<void> {
  await page.goto(app.address);
  await page.getByRole('button', { name }).click();
  await page.getByRole('heading', { level: 1, name: 'Spring 2027 starts in 48 days' }).waitFor();
}

/** A window of somebody else beside the one of the test, with a session of its own. */
export async function windowOf(browser: Browser, app: RunningApp, name: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await signIn(page, app, name);
  return page;
}

export async function openPlan(page: Page, shell = 'ECO 214-02'): Promise<void> {
  await page.getByRole('button', { name: `Open the plan of ${shell}` }).click();
  await page.getByRole('button', { name: /^Bring \d+ things/ }).waitFor();
}

/** What axe finds on the page that is serious or critical, with where. */
export async function seriousIn(page: Page): Promise<string[]> {
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
  const { violations } = await axe.analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`);
}

/** Somebody who uses the keyboard alone, and how many keys that took. */
export class Keys {
  count = 0;

  constructor(private readonly page: Page) {}

  async press(...keys: string[]): Promise<void> {
    for (const key of keys) {
      this.count += 1;
      await this.page.keyboard.press(key);
    }
  }

  /** What is typed counts as one. */
  async type(text: string): Promise<void> {
    this.count += 1;
    await this.page.keyboard.type(text);
  }

  /** Presses Tab until something with this name has the focus. */
  async tabTo(name: RegExp, key: 'Tab' | 'Shift+Tab' = 'Tab'): Promise<void> {
    for (let presses = 0; presses < 60; presses++) {
      await this.press(key);
      if (name.test(await this.focused())) return;
    }
    throw new Error(`Nothing called ${name} can be reached with ${key}.`);
  }

  private focused(): Promise<string> {
    return this.page.evaluate(() => {
      const element = document.activeElement;
      return `${element?.getAttribute('aria-label') ?? ''} ${element?.textContent ?? ''}`.replace(/\s+/g, ' ').trim();
    });
  }
}
