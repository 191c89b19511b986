import { expect, openPlan, signIn, test } from '../app.js';

test('a part of a run is taken back by mouse, and comes back as it stood; so does an edit in the course', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openPlan(page);
  await page.getByRole('button', { name: 'Bring 210 things' }).click();
  const done = page.getByRole('region', { name: 'What was done' });

  // One thing goes with its gradebook line; the plan would bring both again, and they come back as they stood.
  await done.getByRole('button', { name: 'take a part of it back' }).click();
  const part = done.getByRole('combobox', { name: 'What to take back' });
  await part.fill('lab 6');
  await page.getByRole('option', { name: 'Lab 6: flow and discharge assignment' }).click();
  await done.getByRole('button', { name: 'Take this back' }).click();
  await expect(page.getByRole('button', { name: /^Bring 2 things/ })).toBeVisible();
  const back = page.getByRole('list', { name: 'Taken back' });
  await expect(back).toContainText(
    'Ines Marant took back “Lab 6: flow and discharge” and what belongs to it, 2 things',
  );
  await back.getByRole('button', { name: /^do again/ }).click();
  await expect(done).toBeVisible();
  await expect(back).toHaveCount(0);

  // The dates alone: every thing stays.
  await done.getByRole('button', { name: 'take a part of it back' }).click();
  await part.click();
  await page.getByRole('option', { name: 'the dates alone; every thing stays' }).click();
  await done.getByRole('button', { name: 'Take this back' }).click();
  await expect(back).toContainText('took the dates of 65 things back');

  // What is done in the course itself is taken back there.
  await page.getByRole('button', { name: /^Open the new course/ }).click();
  await page.getByRole('link', { name: 'settings' }).click();
  await page.getByRole('textbox', { name: 'Room' }).fill('Haskell 2');
  await page.getByRole('button', { name: 'Save' }).click();
  await page.getByRole('link', { name: 'outline' }).click();
  const history = page.getByRole('button', { name: 'take back: changed its room' });
  await history.click();
  await expect(page.getByRole('button', { name: /^do again: took back: changed its room/ })).toBeVisible();
  await expect(history).toHaveCount(0);
});
