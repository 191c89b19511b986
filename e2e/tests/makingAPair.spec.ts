import { expect, openPlan, signIn, test } from '../app.js';

test('two could be it: both are shown with what speaks for and against, looked into and compared beside the list, and one is planned from: two presses', async ({
  page,
  app,
}) => {
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
  await from.getByRole('radio', { name: /Fall 2025/ }).check();
  const later = from.getByRole('listitem').nth(1);

  // Looking leaves nothing that was ticked, by Esc and by the way back alike.
  await later.getByRole('button', { name: 'beside the chosen one, thing by thing' }).click();
  const both = page.getByRole('article', { name: 'Two courses, thing by thing' });
  await expect(both.getByRole('radio', { name: 'alike 47' })).toBeChecked();
  await both.getByRole('button', { name: 'Quiz 1' }).first().click();
  await expect(both.getByRole('article', { name: 'In Spring 2026' })).toContainText('Quiz 1');
  await page.keyboard.press('Escape');
  await expect(both.getByRole('article')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await later.getByRole('button', { name: 'look inside' }).click();
  const inside = page.getByRole('article', { name: 'A look into PRN 110-01 Relief Printmaking, Spring 2026' });
  await inside.getByRole('treeitem', { name: /Exercise 2: wood/ }).click();
  await page.goBack();
  await expect(page.getByRole('region', { name: 'Into' })).toBeVisible();
  await expect(from.getByRole('radio', { name: /Fall 2025/ })).toBeChecked();

  await later.getByRole('button', { name: 'look inside' }).click();
  await inside.getByRole('button', { name: 'Plan from this' }).click();
  await expect(page.getByRole('button', { name: /^Bring \d+ things/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /Spring 2026/ })).toBeVisible();
});

test('an old course is carried forward to two sections at once, and the plans are gone through one after the other: four presses', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await page.goto(`${app.address}/course/eco214-s26-01`);
  await page.getByRole('link', { name: 'Carry forward to …' }).click();
  const into = page.getByRole('region', { name: 'Into' });
  await expect(page.getByRole('region', { name: 'From' })).toContainText('pages 36');
  await into.getByRole('checkbox', { name: /ECO 214-02/ }).check();
  await into.getByRole('checkbox', { name: /ECO 214-03/ }).check();
  await page.getByRole('button', { name: 'Open 2 plans' }).click();
  const row = page.getByRole('navigation', { name: 'Plans opened together' });
  await expect(row).toContainText('1 of 2 plans opened together');
  await expect(page.getByText('section 02 · Tue Thu 14:00')).toBeVisible();
  await row.getByRole('link', { name: 'next: ECO 214-03' }).click();
  await expect(page.getByText('section 03 · Mon Wed 10:00')).toBeVisible();
  await expect(row).toContainText('2 of 2 plans opened together');
  await page.goto(`${app.address}/pair/from/eco214-s26-01`);
  await expect(into.getByRole('link', { name: 'its plan is begun' })).toHaveCount(2);
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
  await from.getByRole('radio', { name: /Soil Survey/ }).check();
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

test('two courses go into one shell by one plan: what stands in both comes once, from either', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await page.goto(`${app.address}/pair/into/eco214-s27-02`);
  const from = page.getByRole('region', { name: 'From' });
  await expect(from.getByRole('radio', { name: /Spring 2026/ })).toBeChecked();

  // What stands above is not listed again, and another one takes its place unless it is asked for too.
  const words = from.getByRole('textbox', { name: 'Find another course to bring from' });
  await words.fill('eco214 s26');
  await expect(from.getByRole('status')).toHaveText('1 course that you may bring from; one of them stands above');
  await words.clear();
  await from.getByRole('checkbox', { name: 'templates' }).check();
  await from.getByRole('radio', { name: /Field course/ }).check();
  await expect(page.getByRole('button', { name: 'Plan from the shared template' })).toBeVisible();
  await from.getByRole('radio', { name: /Spring 2026/ }).check();
  await from
    .getByRole('listitem')
    .filter({ hasText: 'Field course' })
    .getByRole('button', { name: 'bring from it too' })
    .click();
  await page.getByRole('button', { name: 'Plan from 2 courses' }).click();
  await page.getByRole('link', { name: /^What 228 of 255/ }).click();
  const row = page.getByRole('treeitem', { name: /^Start here Spring 2026, also the shared template/ });
  await expect(row).toBeVisible();

  // The other one's is taken for one thing, then for all; each can be undone.
  await row.dblclick();
  await expect(page.getByText('stands in the shared template too')).toBeVisible();
  await expect(page.getByText('Marked:')).toHaveCount(0);
  await page.getByRole('button', { name: 'take that one' }).click();
  await expect(page.getByText('stands in Spring 2026 too')).toBeVisible();
  await expect(page.getByRole('article', { name: 'Start here, as it was' })).toContainText('the shared template');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'from 2 courses' }).click();
  const courses = page.getByRole('region', { name: 'Courses to bring from' });
  await courses.getByRole('button', { name: 'take all 5 from the shared template' }).click();
  await expect(courses).toContainText('6 things of Spring 2026 come from the shared template.');
  await page.keyboard.press('Control+z');
  await expect(courses).toContainText('5 things of the shared template come from Spring 2026.');

  await page.getByRole('button', { name: 'source', exact: true }).click();
  await expect(page.getByRole('treeitem', { name: /^Spring 2026/ })).toBeVisible();
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'the shared template' }).click();
  await expect(page.getByText('Fall 2026', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: /^Bring 2\d\d things/ }).click();
  const done = page.getByRole('region', { name: 'What was done' });
  await expect(done).toContainText(/\d+ from ECO 214, Spring 2026 · \d+ from FLD 000/);
  await done.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('button', { name: /^Bring 2\d\d things/ })).toBeVisible();
});
