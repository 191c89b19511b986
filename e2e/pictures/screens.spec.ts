import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { openPlan, signIn, test } from '../app.js';

const folder = fileURLToPath(new URL('../../docs/screenshots/', import.meta.url));

async function picture(page: Page, name: string): Promise<void> {
  await page.mouse.move(640, 790);
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: `${folder}${name}.png`, animations: 'disabled' });
}

test('one current picture of each main view', async ({ page, app }) => {
  await page.goto(app.address);
  await page.getByRole('button', { name: 'Ines Marant' }).waitFor();
  await picture(page, 'sign-in');
  await signIn(page, app);
  await page.getByText('208 of 236 come').first().waitFor();
  await picture(page, 'desk');
  await openPlan(page);
  await picture(page, 'plan');

  await page.keyboard.press('w');
  await page.getByRole('treeitem', { name: /Safety check/ }).click();
  await picture(page, 'what');
  await page.getByRole('button', { name: 'announcements of last term 15' }).click();
  await picture(page, 'what-evidence');
  await page.getByRole('button', { name: 'close' }).click();
  await page.getByRole('tree').hover();
  await page.mouse.wheel(0, 700);
  await page.getByRole('treeitem', { name: /Bends, bars and pools/ }).dblclick();
  await page.getByRole('article').first().getByRole('img').waitFor();
  await picture(page, 'facing');
  await page.keyboard.press('Escape');

  await page.keyboard.press('n');
  await page.getByText('7 dates in doubt first').waitFor();
  await picture(page, 'when');
  await page.keyboard.press('l');
  await page.getByRole('region', { name: 'Loose ends' }).waitFor();
  await picture(page, 'left-over');

  await page.getByRole('button', { name: 'Bring 210 things' }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();
  await picture(page, 'done');
  await page.getByRole('button', { name: 'Open the new course' }).click();
  await page.getByRole('button', { name: 'Lab 1: measuring discharge' }).click();
  await page.getByRole('article').getByText('Work through the sheet').waitFor();
  await picture(page, 'course');
});
