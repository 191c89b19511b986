import { expect, Keys, test } from '../app.js';

test('the whole path by keyboard only', async ({ page, app }) => {
  const keys = new Keys(page);
  await page.goto(app.address);
  await page.getByRole('button', { name: 'Ines Marant' }).waitFor();
  await keys.tabTo(/^Ines Marant/);
  await page.keyboard.press('Enter');
  await page.getByRole('heading', { level: 1, name: 'Spring 2027 starts in 48 days' }).waitFor();
  await keys.tabTo(/Open the plan of ECO 214-02/);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Bring 210 things' }).waitFor();

  await page.keyboard.press('w');
  await page.getByRole('tree').waitFor();
  await keys.tabTo(/^The old course/);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Space');
  await expect(page.getByRole('treeitem', { name: /How this course works/ })).toHaveAttribute('aria-checked', 'false');
  await expect(page.getByRole('status')).toContainText('How this course works: stays behind. 209 of 236 come.');
  await page.keyboard.press('Space');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('article', { name: 'How this course works, as it will be' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('tree')).toBeVisible();

  await page.keyboard.press('n');
  await page.getByText('6 dates in doubt first').waitFor();
  await page.keyboard.press(']');
  await page.keyboard.press('f');
  await expect(page.getByRole('link', { name: /^When 134 dates, 3 doubts/ })).toBeVisible();
  await page.keyboard.press('h');
  const field = page.getByRole('textbox', { name: /^New date of/ });
  await field.fill('2027-03-02 23:59');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Tue 2 Mar 23:59').first()).toBeVisible();
  await expect(page.getByRole('grid')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('region', { name: 'What will happen' })).toBeVisible();

  await keys.tabTo(/^Bring 210 things/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'What was done' })).toBeVisible();
  await keys.tabTo(/^Take it back/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Bring 210 things' })).toBeVisible();
  await page.keyboard.press('d');
  await page.getByRole('heading', { level: 1, name: 'Spring 2027 starts in 48 days' }).waitFor();
});

test('no single key acts while somebody types', async ({ page, app }) => {
  await page.goto(app.address);
  await page.getByRole('button', { name: 'Ines Marant' }).click();
  await page.getByRole('heading', { level: 1, name: /Spring 2027/ }).waitFor();
  await page.keyboard.press('/');
  await page.keyboard.type('eco_214 s', { delay: 20 });
  await expect(page.getByLabel('Find a course')).toHaveValue('eco_214 s');
  await expect(page.getByRole('option', { name: /Spring 2026 ECO 214-01 Freshwater Ecology/ })).toBeVisible();
  await expect(page).toHaveURL(`${app.address}/`);
});
