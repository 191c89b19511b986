import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { expect, openPlan, signIn, test } from '../app.js';

const folder = fileURLToPath(new URL('../../docs/screenshots/', import.meta.url));

async function picture(page: Page, name: string): Promise<void> {
  await page.mouse.move(640, 790);
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: `${folder}${name}.png`, animations: 'disabled' });
}

test('one current picture of each main view', async ({ page, app }) => {
  await page.goto(app.address);
  await signIn(page, app);
  await expect(page.getByText('its plan is being worked out')).toHaveCount(0);
  await picture(page, 'desk');
  await openPlan(page);
  await picture(page, 'plan');

  await page.keyboard.press('w');
  await page.getByRole('treeitem', { name: /Safety check/ }).click();
  await picture(page, 'what');
  await page.getByRole('tree').hover();
  await page.mouse.wheel(0, 700);
  await page.getByRole('treeitem', { name: /Bends, bars and pools/ }).dblclick();
  await page.getByRole('article').first().getByRole('img').waitFor();
  await picture(page, 'facing');
  await page.keyboard.press('Escape');

  await page.keyboard.press('n');
  await page.getByText('6 dates in doubt first').waitFor();
  await picture(page, 'when');
  await page.getByRole('button', { name: 'all sections' }).click();
  await page.getByRole('table', { name: 'Dates of all sections' }).waitFor();
  await picture(page, 'sections');
  await page.keyboard.press('l');
  await page.getByRole('region', { name: 'Loose ends' }).waitFor();
  await picture(page, 'left-over');

  await page.getByRole('button', { name: 'Bring 210 things' }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();
  await picture(page, 'done');
  await page.getByRole('button', { name: 'Open the new course' }).click();
  await page
    .getByRole('treeitem', { name: /^Lab 1: measuring discharge/ })
    .first()
    .click();
  await page.getByRole('article').getByText('Work through the sheet').waitFor();
  await picture(page, 'course');

  await page.goto(`${app.address}/find?words=marant&peek=geo305-f26-01`);
  await page.getByRole('article').getByRole('tree').waitFor();
  await picture(page, 'find');
  await page.goto(`${app.address}/pair/into/prn110-s27-01`);
  await page.getByRole('region', { name: 'From' }).waitFor();
  await page.getByRole('radio', { name: /Fall 2025/ }).check();
  await page.getByRole('button', { name: 'look inside' }).nth(1).click();
  await page.getByRole('article').getByRole('tree').waitFor();
  await picture(page, 'pair');
  await page.goto(`${app.address}/set-up/eco214-s26-01`);
  await page.getByRole('region', { name: 'Into' }).getByRole('checkbox').nth(2).check();
  await picture(page, 'set-up');
  await page.goto(`${app.address}/course/eco214-s27-02`);
  await page
    .getByRole('treeitem', { name: /^Lab 1: measuring discharge/ })
    .first()
    .click();
  await page.getByRole('button', { name: 'edit', exact: true }).click();
  await page.getByRole('textbox', { name: 'Text' }).waitFor();
  await picture(page, 'item');
  await page.goto(`${app.address}/course/eco214-s27-02/gradebook`);
  await page.getByText('The weights come to').waitFor();
  await picture(page, 'gradebook');
  await page.goto(`${app.address}/course/eco214-s27-02/dates`);
  await page.getByRole('button', { name: 'later' }).click();
  await picture(page, 'dates');
  await page.goto(`${app.address}/course/eco214-s27-02/class-days`);
  await page.getByRole('grid').waitFor();
  await picture(page, 'class-days');
  await page.getByRole('button', { name: 'Ines Marant' }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByRole('button', { name: 'Tomas Rhee' }).click();
  await page.getByRole('heading', { level: 1, name: /starts in 48 days/ }).waitFor();
  await page.goto(`${app.address}/roster`);
  await page.getByText('Every row was good').waitFor();
  await picture(page, 'roster');
  await page.goto(`${app.address}/calendars`);
  await page.getByRole('link', { name: /^Spring 2027/ }).waitFor();
  await picture(page, 'calendars');
  await page.goto(`${app.address}/calendars/term-s27`);
  await page.getByRole('grid').waitFor();
  await page.locator('#day-2027-04-01').click();
  await page.keyboard.press('Shift+ArrowDown');
  await picture(page, 'term');
});
