import { expect, openPlan, signIn, test } from '../app.js';

test('two could be it: both are shown with what speaks for and against, and one is chosen', async ({ page, app }) => {
  await signIn(page, app);
  const shell = page.getByRole('region', { name: 'Relief Printmaking' });
  await expect(shell).toContainText('Two could be it');
  await shell.getByRole('button', { name: 'Choose' }).click();
  await shell.getByRole('link', { name: 'see them side by side, or find another' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Bring into this shell' })).toBeVisible();
  const from = page.getByRole('region', { name: 'From' });
  await expect(from.getByRole('listitem').first()).toContainText('taught by Ines Marant too');
  await expect(from.getByRole('listitem').first()).toContainText('but an older run, Fall 2025');
  await expect(from.getByRole('listitem').nth(1)).toContainText('the last to run, Spring 2026');
  await expect(from.getByRole('listitem').nth(1)).toContainText('but taught by Ana Brandt, the shell by Ines Marant');
  await expect(page.getByRole('region', { name: 'Into' })).toContainText('What it holds is stock');
  await from.getByRole('checkbox', { name: /Spring 2026/ }).check();
  await page.getByRole('button', { name: 'Plan from Spring 2026' }).click();
  await expect(page.getByRole('button', { name: /^Bring \d+ things/ })).toBeVisible();
});

test('an old course is carried forward to two sections at once, each with a plan of its own', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.address}/course/eco214-s26-01`);
  await page.getByRole('link', { name: 'Carry forward to …' }).click();
  const into = page.getByRole('region', { name: 'Into' });
  await expect(page.getByRole('region', { name: 'From' })).toContainText('pages 36');
  await into.getByRole('checkbox', { name: /ECO 214-02/ }).check();
  await into.getByRole('checkbox', { name: /ECO 214-03/ }).check();
  await page.getByRole('button', { name: 'Open 2 plans' }).click();
  await expect(into.getByRole('link', { name: 'its plan is begun' })).toHaveCount(2);
  await into
    .getByRole('listitem')
    .filter({ hasText: '214-03' })
    .getByRole('link', { name: 'its plan is begun' })
    .click();
  await expect(page.getByText('section 03 · Mon Wed 10:00')).toBeVisible();
});

test('what was brought before, and what stands there by hand, is said first', async ({ page, app }) => {
  await signIn(page, app);
  await openPlan(page);
  await page.getByRole('button', { name: 'Bring 210 things' }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();
  await page.goto(`${app.address}/pair/into/eco214-s27-02`);
  const into = page.getByRole('region', { name: 'Into' });
  await expect(into).toContainText(
    '210 things were brought already, by Ines Marant on Tue 24 Nov 09:00, from ECO 214-01, Spring 2026.',
  );
  await expect(page.getByRole('region', { name: 'From' })).toContainText('but was brought into this shell already');
  await page.goto(`${app.address}/pair/into/geo305-s27-01`);
  await expect(into).toContainText(/4 things stand here that Yarin did not bring/);
});

test('a shell without predecessor is filled from any course that may be used', async ({ page, app }) => {
  await signIn(page, app);
  await page.getByRole('button', { name: 'Make a shell by hand' }).click();
  const form = page.getByRole('form', { name: 'Make a shell by hand' });
  await form.getByRole('textbox', { name: 'code' }).fill('geo');
  await form.getByRole('textbox', { name: 'number' }).fill('406');
  await form.getByRole('textbox', { name: 'section' }).fill('01');
  await form.getByRole('textbox', { name: 'title' }).fill('Peat');
  await form.getByRole('button', { name: 'Make it' }).click();
  const from = page.getByRole('region', { name: 'From' });
  await expect(from).toContainText('No earlier course has this code.');
  await from.getByRole('textbox', { name: 'Find another course to bring from' }).fill('geo305 fall 2026');
  await from.getByRole('checkbox', { name: /Soil Survey/ }).check();
  await page.getByRole('button', { name: 'Plan from Fall 2026' }).click();
  await expect(page.getByRole('button', { name: /^Bring \d+ things/ })).toBeVisible();
});

test('where nobody’s run may be used yet, the page says whom to ask, and asks', async ({ page, app }) => {
  await page.goto(app.address);
  await page.getByRole('button', { name: 'Ana Brandt' }).click();
  const shell = page.getByRole('region', { name: 'Hand Weaving' });
  await shell.getByRole('link', { name: 'find any course that you may use' }).click();
  const from = page.getByRole('region', { name: 'From' });
  await expect(from).toContainText('This course ran before, but not with you.');
  const earlier = from.getByRole('listitem').filter({ hasText: 'Spring 2026' });
  await expect(earlier).toContainText('belongs to Marta Valli');
  await earlier.getByRole('button', { name: 'Ask to use it as a source' }).click();
  await earlier.getByRole('button', { name: 'Ask', exact: true }).click();
  await expect(earlier.getByRole('status')).toContainText('Asked.');
});
