import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, openPlan, signIn, test } from '../app.js';

/** What axe finds that is serious or critical, with where. */
async function seriousIn(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(', ')}`);
}

test('axe finds nothing serious on any screen', async ({ browser, app }) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(app.address);
  await page.getByRole('button', { name: 'Ines Marant' }).waitFor();
  expect(await seriousIn(page), 'sign-in').toEqual([]);
  await signIn(page, app);
  expect(await seriousIn(page), 'Desk').toEqual([]);
  await openPlan(page);
  expect(await seriousIn(page), 'the plan').toEqual([]);
  await page.keyboard.press('w');
  await page.getByRole('button', { name: 'announcements of last term 15' }).click();
  expect(await seriousIn(page), 'What').toEqual([]);
  await page.keyboard.press('n');
  await page.getByRole('grid').waitFor();
  expect(await seriousIn(page), 'When').toEqual([]);
  await page.keyboard.press('l');
  await page.getByRole('region', { name: 'Loose ends' }).waitFor();
  expect(await seriousIn(page), 'Left over').toEqual([]);
  await page.getByRole('button', { name: 'Bring 210 things' }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();
  expect(await seriousIn(page), 'after the run').toEqual([]);
  await page.getByRole('button', { name: 'Open the new course' }).click();
  await page.getByRole('button', { name: 'What a riffle is for' }).click();
  await page.getByRole('article').getByText('A riffle mixes air').waitFor();
  expect(await seriousIn(page), 'the course').toEqual([]);
});
