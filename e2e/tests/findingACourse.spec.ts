import { expect, openPlan, signIn, test } from '../app.js';

test('a course is found from anywhere, with a typo, and a thing inside my courses too', async ({ page, app }) => {
  await signIn(page, app);
  await page.keyboard.press('/');
  await page.keyboard.type('freshwoter s26');
  const panel = page.getByRole('listbox', { name: 'Found' });
  await expect(panel.getByRole('option')).toHaveText([
    /Spring 2026\s*ECO 214-01 Freshwater Ecology/,
    /1 course, 0 things/,
  ]);
  await page.getByRole('combobox', { name: 'Find a course' }).fill('drift nets');
  await panel
    .getByRole('option', { name: /Lab 5: drift nets/ })
    .first()
    .click();
  await expect(page.getByRole('article').getByRole('heading', { name: 'Lab 5: drift nets' })).toBeVisible();
});

test('everyday words lead to what they mean, from where one is', async ({ page, app }) => {
  await signIn(page, app);
  await openPlan(page);
  const field = page.getByRole('combobox', { name: 'Find a course' });
  await field.fill('announcements');
  await page
    .getByRole('listbox', { name: 'Found' })
    .getByRole('option', { name: /Announcements\s*of this plan, under What/ })
    .click();
  await expect(page.getByRole('group', { name: 'The things shown' })).toContainText('17 of 236 things shown');
  await field.fill('due dates');
  await expect(page.getByRole('option', { name: /Dates\s*this plan, When/ })).toBeVisible();
  await field.press('Enter');
  await expect(page.getByRole('link', { name: /^When/ })).toHaveAttribute('aria-current', 'page');
});

test('the list keeps its place while one looks inside a course, and at anything in it', async ({ page, app }) => {
  await signIn(page, app);
  await page.keyboard.press('/');
  await page.keyboard.type('geo');
  await page.keyboard.press('ArrowUp');
  await page.getByRole('option', { name: /filter and look inside/ }).click();
  await expect(page.getByRole('region', { name: 'Courses found' })).toContainText('4 courses');
  const list = page.getByRole('listbox', { name: 'Courses' });
  await expect(list.getByRole('option')).toHaveText([/^Spring 2027/, /^Fall 2026/, /^Spring 2026/, /^Fall 2025/]);
  await list.getByRole('option', { name: /Spring 2026/ }).click();
  const peek = page.getByRole('article', { name: 'A look into GEO 305-01 Soil Survey, Spring 2026' });
  await expect(peek).toContainText('10 units, 9 pages');
  await expect(peek).toContainText('Ines Marant · last edited');
  await peek.getByRole('treeitem', { name: /Exercise 1/ }).click();
  await expect(peek.getByRole('heading', { level: 3 })).toContainText('Exercise 1');
  await peek.getByRole('button', { name: 'back to its outline' }).click();
  await list.focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('article', { name: /Fall 2025/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1, name: 'GEO 305 Soil Survey' })).toBeVisible();
  await page.goBack();
  await expect(list.getByRole('option', { name: /Fall 2025/ })).toHaveAttribute('aria-selected', 'true');
});

test('filters narrow what is found, and the total says how much there is', async ({ page, app }) => {
  await signIn(page, app, 'Tomas Rhee');
  await page.goto(`${app.address}/find`);
  const found = page.getByRole('region', { name: 'Courses found' });
  await expect(found).toContainText('57 courses');
  await page.getByRole('radio', { name: 'coming' }).check();
  await expect(found).toContainText('21 courses');
  await page.getByRole('checkbox', { name: 'holds something' }).check();
  await expect(page.getByRole('listbox', { name: 'Courses' }).getByRole('option')).toHaveText([/GEO 305-01/]);
  await page.getByRole('radio', { name: 'any time' }).check();
  await page.getByRole('checkbox', { name: 'holds something' }).uncheck();
  await page.getByRole('combobox', { name: 'Term' }).press('Enter');
  await page.getByRole('option', { name: 'Fall 2025' }).click();
  await expect(page.getByRole('listbox', { name: 'Courses' }).getByRole('option').first()).toContainText('Fall 2025');
  await page.getByRole('textbox', { name: 'Words to find courses by' }).fill('glaciers');
  await expect(found).toContainText('0 courses');
  await expect(found).toContainText('Nothing that you may read matches all of these words.');
});
