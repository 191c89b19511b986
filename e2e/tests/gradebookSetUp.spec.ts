import { expect, signIn, test } from '../app.js';

test('a gradebook’s set-up goes into two courses by itself: four presses; one is taken back', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.address}/course/eco214-s26-01/gradebook`);
  await page.getByRole('link', { name: 'carry the set-up into other courses' }).click();
  const from = page.getByRole('region', { name: 'From' });
  await expect(from).toContainText('5 categories at 100 %, 33 lines, 4 rubrics, a scale');
  const into = page.getByRole('region', { name: 'Into' });
  const [section, other] = ['ECO 214-02', 'APC 120-01'].map((code) =>
    into.getByRole('listitem').filter({ hasText: code }),
  );
  await expect(other!).toContainText('holds 0 categories, 0 lines, no scale');
  await section!.getByRole('checkbox').check();
  await other!.getByRole('checkbox').check();
  await page.getByRole('button', { name: 'Bring the set-up into 2 courses' }).click();
  await expect(section!.getByRole('status')).toContainText('brought');
  await expect(other!.getByRole('status')).toContainText('brought');
  await expect(other!).toContainText('holds 5 categories at 100 %, 33 lines, 4 rubrics, a scale');
  await expect(other!.getByRole('checkbox')).toBeDisabled();

  await other!.getByRole('button', { name: 'take it back' }).click();
  await expect(other!.getByRole('status')).toContainText('taken back');
  await expect(other!).toContainText('holds 0 categories, 0 lines, no scale');

  // The shell is not taken for filled: its plan still brings the rest, and the record is that of the set-up.
  await section!.getByRole('link', { name: 'record' }).click();
  await expect(page.getByText(/the gradebook set-up alone · brought/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'What was done' }).getByRole('table')).not.toContainText('pages');
  await page.goto(app.address);
  await expect(page.getByRole('button', { name: 'Open the plan of ECO 214-02' })).toBeVisible();
});

test('line by line by keyboard, and a course without a scale is given one', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.address}/course/apc120-s27-01/gradebook`);
  await page.getByRole('button', { name: 'give it one, A to F, to be changed' }).press('Enter');
  await expect(page.getByRole('article').getByRole('heading', { level: 2, name: 'Scale' })).toBeVisible();
  await page.goto(`${app.address}/course/apc120-s27-01/gradebook`);
  await expect(page.getByRole('region', { name: 'Scale' })).toContainText('from 90');
  await page.goto(`${app.address}/set-up/eco214-s26-01`);
  const row = page.getByRole('region', { name: 'Into' }).getByRole('listitem').filter({ hasText: 'APC 120-01' });
  await row.getByRole('button', { name: 'line by line' }).press('Enter');
  await expect(page.getByRole('button', { name: /^Bring 4\d things/ })).toBeVisible();
  await expect(page.getByText(/the gradebook set-up alone · .*saved/)).toBeVisible();
});
