import { expect, signIn, test } from '../app.js';

test('whoever is not signed in signs in first and then comes where they wanted', async ({ page, app }) => {
  await page.goto(`${app.address}/course/eco214-s26-01`);
  await page.getByRole('button', { name: 'Ines Marant' }).click();
  await expect(page.getByRole('heading', { name: 'ECO 214 Freshwater Ecology' })).toBeVisible();
  await expect(page.getByText('A finished course is a record')).toBeVisible();
});

test('an assistant without rights sees that, and why, before starting', async ({ page, app }) => {
  await signIn(page, app, 'Jo Lindqvist');
  await expect(
    page.getByText(
      'ECO 214-02 (Spring 2027) is taught by Ines Marant. Only they, its designers or an administrator can change it.',
    ),
  ).toBeVisible();
  await expect(page.getByRole('button', { name: /Open the plan/ })).toHaveCount(0);
});

test('an address that leads nowhere, and a plan that is not there, say so', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.address}/no/such/page`);
  await expect(page.getByRole('heading', { name: 'Nothing is here' })).toBeVisible();
  await page.goto(`${app.address}/plan/none`);
  await expect(page.getByRole('alert')).toContainText('There is no such plan. Open one from the Desk.');
});

test('the plan can be read on a narrow screen', async ({ page, app }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signIn(page, app);
  await page.getByRole('button', { name: 'Open the plan of ECO 214-02' }).click();
  await expect(page.getByRole('region', { name: 'What will happen' })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
