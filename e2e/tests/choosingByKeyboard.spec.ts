import type { Page } from '@playwright/test';
import { expect, Keys, signIn, test, type RunningApp } from '../app.js';

/** Opens the spread of a plan that was not opened before, and gives the keyboard. */
async function atSpread(page: Page, app: RunningApp, source: string, destination: string): Promise<Keys> {
  await signIn(page, app);
  const answer = await page.request.post(`${app.address}/api/plans`, { data: { sources: [source], destination } });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`${app.address}/plan/${id}/what`);
  await page.getByRole('tree').waitFor();
  return new Keys(page);
}

/** What a job takes, so that its name can say so. */
async function keysFor(keys: Keys, job: () => Promise<void>): Promise<number> {
  const before = keys.count;
  await job();
  return keys.count - before;
}

/** Down the old course to a row. */
async function downTo(keys: Keys, page: Page, title: RegExp): Promise<void> {
  const row = page.getByRole('treeitem', { name: title }).first();
  await keys.tabTo(/^The old course/);
  for (let at = 0; at < 40 && (await row.getAttribute('aria-selected')) !== 'true'; at++) await keys.press('ArrowDown');
  await expect(row).toHaveAttribute('aria-selected', 'true');
}

const what = (page: Page, some: number) => page.getByRole('link', { name: new RegExp(`^What ${some} of 47`) });

test('by keyboard alone: one unit in 30 keys, all as proposed in 6, no quizzes in 27, the rows of a filter left in 30', async ({
  page,
  app,
}) => {
  const keys = await atSpread(page, app, 'apc120-dev', 'apc120-s27-01');
  const unit = await keysFor(keys, async () => {
    await keys.tabTo(/^nothing yet/);
    await keys.press('Enter');
    await expect(what(page, 0)).toBeVisible();
    await downTo(keys, page, /^1\. The hive/);
    await keys.press('Space');
    await expect(what(page, 5)).toBeVisible();
  });
  expect(unit).toBeLessThanOrEqual(30);
  const proposed = await keysFor(keys, async () => {
    await keys.tabTo(/^as proposed/, 'Shift+Tab');
    await keys.press('Enter');
    await keys.tabTo(/^Put it all back/);
    await keys.press('Enter');
    await expect(what(page, 46)).toBeVisible();
  });
  expect(proposed).toBeLessThanOrEqual(6);
  const kind = await keysFor(keys, async () => {
    await keys.tabTo(/^kind/, 'Shift+Tab');
    await keys.press('Enter');
    await downTo(keys, page, /^Quizzes/);
    await keys.press('Space');
    await expect(what(page, 38)).toBeVisible();
  });
  expect(kind).toBeLessThanOrEqual(27);
  await keys.press('Control+z');
  await expect(what(page, 46)).toBeVisible();
  const filter = await keysFor(keys, async () => {
    await keys.tabTo(/^Show only rows/, 'Shift+Tab');
    await keys.type('quiz');
    await keys.tabTo(/^leave these 8/);
    await keys.press('Enter');
    await expect(what(page, 38)).toBeVisible();
  });
  expect(filter).toBeLessThanOrEqual(30);
});
