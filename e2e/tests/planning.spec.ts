import { expect, openPlan, signIn, test, windowOf } from '../app.js';

test('the spread by kind counts every kind and leaves one with a press', async ({ page, app }) => {
  await signIn(page, app);
  await openPlan(page);
  await page.keyboard.press('w');
  await page.getByRole('button', { name: 'kind', exact: true }).click();
  const units = page.getByRole('treeitem', { name: /^Units/ });
  await expect(units).toContainText('18 of 19');
  await expect(units).toHaveAttribute('aria-checked', 'mixed');
  const tree = page.getByRole('tree');
  await tree.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('End');
  await expect(page.getByRole('treeitem', { name: /Course settings/ })).toBeVisible();
  await page
    .getByRole('treeitem', { name: /Unit 14 opens after Lab 13/ })
    .getByTitle('bring or leave')
    .click();
  await expect(page.getByRole('link', { name: /^What 209 of 236/ })).toBeVisible();
});

test('a week of the new term narrows the table', async ({ page, app }) => {
  await signIn(page, app);
  await openPlan(page);
  await page.keyboard.press('n');
  await page.locator('rect.week.exam.pick').click();
  const weeks = page.getByRole('combobox', { name: 'Weeks in the table' });
  await expect(weeks.locator('option:checked')).toHaveText('exams, from Mon 3 May');
  await expect(page.getByRole('row', { name: /Written exam, sitting starts/ })).toBeVisible();
  await weeks.selectOption('all weeks');
  await expect(page.getByText('6 dates in doubt first')).toBeVisible();
});

test('another predecessor can be chosen, and an administrator acts for an instructor', async ({ page, app }) => {
  await signIn(page, app, 'Tomas Rhee');
  const bees = page.getByRole('region', { name: 'Beekeeping' });
  await bees.getByRole('button', { name: '2 more' }).click();
  await bees
    .getByRole('listitem')
    .filter({ hasText: 'Summer 2026' })
    .getByRole('button', { name: 'plan from this' })
    .click();
  await expect(page.getByText('Summer 2026')).toBeVisible();
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  await expect(page.getByRole('region', { name: 'What was done' })).toContainText('by Tomas Rhee');
  await page.getByRole('button', { name: 'Tomas Rhee' }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
  await page.getByRole('button', { name: 'Ines Marant' }).click();
  await expect(page.getByText(/things into APC 120-01 from Summer 2026/)).toBeVisible();
  await page.getByRole('button', { name: 'take back' }).click();
  await expect(page.getByText('by Tomas Rhee; taken back')).toBeVisible();
});

test('a note to this term opens the thing it was left beside', async ({ page, app }) => {
  await signIn(page, app);
  await page
    .getByRole('listitem')
    .filter({ hasText: 'Split in two; nobody finished.' })
    .getByRole('link', { name: 'open' })
    .click();
  await expect(page.getByRole('article')).toContainText('Lab 5: drift nets');
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('article')).not.toContainText('Lab 5: drift nets');
});

test('a run that fails says so, and the shell is as it was', async ({ page, app }) => {
  await signIn(page, app);
  await openPlan(page);
  await page.route('**/runs', (route) => route.abort());
  await page.getByRole('button', { name: 'Bring 210 things' }).click();
  await expect(page.getByRole('alert')).toContainText('Yarin can’t be reached just now');
  await page.unroute('**/runs');
  await page.getByRole('button', { name: 'Bring 210 things' }).click();
  await expect(page.getByRole('region', { name: 'What was done' })).toBeVisible();
});

test('what two people decide in one plan at the same time holds side by side, and is not brought unseen', async ({
  page,
  app,
  browser,
}) => {
  await signIn(page, app);
  // Nothing is heard before it is pressed.
  await page.route('**/news', (route) => route.abort());
  await openPlan(page);
  const needs = page.getByRole('region', { name: 'What needs you' });
  const office = await windowOf(browser, app, 'Tomas Rhee');
  await office.goto(page.url());
  const officeNeeds = office.getByRole('region', { name: 'What needs you' });
  await office.getByRole('button', { name: /Fine as it is: Thu 18 Feb is Charter Day now/ }).click();
  await expect(officeNeeds).not.toContainText('Charter Day');
  await expect(office.getByText(/· saved$/)).toBeVisible();

  await page.getByRole('button', { name: /Fine as it is: Quiz 4, answers/ }).click();
  await expect(page.getByRole('alert')).toHaveText(
    'Somebody else decided in this plan meanwhile; what you decided holds beside it.',
  );
  await expect(needs).not.toContainText('Charter Day');
  await expect(needs).not.toContainText('Quiz 4, answers');
  // The office hears it by itself.
  await expect(officeNeeds).not.toContainText('Quiz 4, answers');

  // Whoever presses before the other one's decision is shown brings nothing.
  await office.getByRole('button', { name: /Fine as it is: Field journal, first part/ }).click();
  await expect(officeNeeds).not.toContainText('Field journal, first part');
  await expect(office.getByText(/· saved$/)).toBeVisible();
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  await expect(page.getByRole('alert')).toContainText('Nothing was brought');
  await expect(needs).not.toContainText('Field journal, first part');
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  await expect(page.getByRole('region', { name: 'What was done' })).toContainText('by Ines Marant');
  await office.close();
});

test('what is done in one window is known in the others without a reload, and its way back stands beside it', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  const desk = await page.context().newPage();
  await desk.goto(app.address);
  const shell = desk.getByRole('region', { name: 'Freshwater Ecology' });
  await expect(shell.getByText('210 of 236 come').first()).toBeVisible();
  await openPlan(page);
  const second = await page.context().newPage();
  await second.goto(page.url());
  await second.getByRole('button', { name: 'Bring 210 things' }).waitFor();

  await page.getByRole('button', { name: 'Bring 210 things' }).click();
  const said = page.locator('.said');
  await expect(said).toContainText('Done: 210 things of Spring 2026 stand in ECO 214-02, Spring 2027.');
  await expect(shell.getByText('210 things brought')).toBeVisible();
  await expect(second.locator('.said')).toContainText('Ines Marant has brought this plan');
  await expect(second.getByRole('button', { name: /^Open the new course/ })).toBeVisible();

  await said.getByRole('button', { name: 'take it back' }).click();
  await expect(said).toContainText('210 things are taken back. The shell is as it was.');
  await expect(second.getByRole('button', { name: 'Bring 210 things' })).toBeVisible();
  await expect(shell.getByText('210 things brought')).toBeHidden();
  await said.getByRole('button', { name: 'do it again' }).click();
  await expect(page.getByRole('button', { name: /^Open the new course/ })).toBeVisible();
});
