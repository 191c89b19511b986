import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { expect, signIn, test, type RunningApp } from '../app.js';

async function signOut(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name, exact: true }).click();
  await page.getByRole('button', { name: 'Sign out' }).click();
}

async function enter(page: Page, app: RunningApp, name: string): Promise<void> {
  await page.goto(app.address);
  await choose(page, name);
}

/** The page of the sign-on has a heading too: whoever goes on has to have arrived at the Desk. */
async function choose(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name }).click();
  await page.getByRole('heading', { level: 1, name: 'Spring 2027 starts in 48 days' }).waitFor();
}

test('a course that is not open is found by code, term and teacher and asked for; its owner lets in, also unasked', async ({
  page,
  app,
}) => {
  await enter(page, app, 'Ana Brandt');
  await page.goto(`${app.address}/course/eco214-s26-01`);
  await expect(page.getByRole('alert')).toContainText('It belongs to Ines Marant; ask to be let in.');
  await page.goto(`${app.address}/find?words=freshwater`);
  await expect(page.getByRole('region', { name: 'Courses found' })).toContainText('0 courses');
  const closed = page.getByRole('region', { name: 'Not open to you' });
  await expect(closed).toHaveCount(0);
  await page.getByRole('textbox', { name: 'Words to find courses by' }).fill('eco214 marant');
  await expect(closed.getByRole('listitem')).toHaveText([/Spring 2026\s*ECO 214-01 · Ines Marant/]);
  await closed.getByRole('button', { name: 'Ask to use it as a source' }).click();
  await page.getByRole('textbox', { name: 'What you need it for' }).fill('For my field week.');
  await page.getByRole('button', { name: 'Ask', exact: true }).click();
  await expect(page.getByRole('status').first()).toContainText('Asked.');
  await page.goto(app.address);
  await signOut(page, 'Ana Brandt');

  await choose(page, 'Ines Marant');
  const asked = page.getByRole('region', { name: 'Asked of you' });
  await expect(asked).toContainText('Ana Brandt asks to use it as a source: ECO 214-01, Spring 2026');
  await expect(asked).toContainText('“For my field week.”');
  await asked.getByRole('button', { name: 'let in' }).click();
  await expect(asked).toHaveCount(0);
  await page.goto(`${app.address}/course/geo305-f26-01/settings`);
  const who = page.getByRole('region', { name: 'Who may use it' });
  await who.getByRole('combobox', { name: 'Colleague' }).click();
  await page.getByRole('option', { name: 'Ana Brandt' }).click();
  await who.getByRole('button', { name: 'Let in' }).click();
  await expect(who.getByRole('listitem')).toContainText('Ana Brandt was let in unasked, to use it as a source');
  await page.goto(app.address);
  await signOut(page, 'Ines Marant');

  await choose(page, 'Ana Brandt');
  await page.getByRole('button', { name: 'Ana Brandt' }).click();
  await page.getByRole('link', { name: 'Asked', exact: true }).click();
  await expect(page.getByRole('region', { name: 'Asked by you' }).getByRole('listitem')).toHaveText([
    /asked to use it as a source: ECO 214-01.*let in by Ines Marant/,
    /let in unasked, to use it as a source: GEO 305-01/,
  ]);
  await page.goto(`${app.address}/course/eco214-s26-01`);
  await expect(page.getByRole('heading', { level: 1, name: 'ECO 214 Freshwater Ecology' })).toBeVisible();
});

test('an administrator acts for an instructor, and the history says so', async ({ page, app }) => {
  await signIn(page, app, 'Tomas Rhee');
  await page.getByRole('button', { name: 'Tomas Rhee' }).click();
  await page.getByRole('button', { name: 'Act for Ines Marant' }).click();
  await expect(page.getByText('Tomas Rhee for Ines Marant')).toBeVisible();
  await expect(page.getByText('Five shells are yours.')).toBeVisible();
  await page.getByRole('button', { name: 'Open the plan of GEO 305-01' }).click();
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  await expect(page.getByRole('region', { name: 'What was done' })).toContainText('by Tomas Rhee for Ines Marant');
  await page.goto(`${app.address}/course/geo305-s27-01`);
  await expect(page.getByRole('article')).toContainText('Tomas Rhee for Ines Marant');
  await page.getByRole('button', { name: 'stop' }).click();
  await expect(page.getByText('Five shells are yours.')).toHaveCount(0);
});

test('the roster is loaded again: changes are said, bad rows told by line, and the Desk shows what touches it', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'Tomas Rhee');
  await page.getByRole('button', { name: 'Tomas Rhee' }).click();
  await page.getByRole('link', { name: 'The roster' }).click();
  const names = ['academicSessions', 'orgs', 'courses', 'classes', 'users', 'enrollments'];
  const files = names.map((name) => {
    const path = fileURLToPath(new URL(`../../demo/roster/${name}.csv`, import.meta.url));
    let text = readFileSync(path, 'utf8');
    if (name === 'classes')
      text = `${text.replace('eco214-s27-03,active', 'eco214-s27-03,tobedeleted')}x,active,,No course,,course-none,X 1-01,scheduled,,org-main,term-s27,,,\n`;
    return { name: `${name}.csv`, mimeType: 'text/csv', buffer: Buffer.from(text) };
  });
  await page.getByLabel('Files of the roster').setInputFiles(files.slice(0, 2));
  await expect(page.getByRole('alert')).toContainText('users.csv, enrollments.csv are missing. Nothing was loaded.');
  await page.getByLabel('Files of the roster').setInputFiles(files);
  const report = page.getByRole('region', { name: 'What the last load did' });
  await expect(report).toContainText('0 sections added, 0 changed, 1 taken off');
  await expect(report).toContainText('24 learners and 24 enrolments of learners left out');
  await expect(report).toContainText('The registrar took the section off: ECO 214-03.');
  await expect(report).toContainText('classes.csv, line 57');
  await signOut(page, 'Tomas Rhee');
  await choose(page, 'Ines Marant');
  await expect(page.getByRole('region', { name: 'From the registrar' })).toContainText(
    'took the section off: ECO 214-03',
  );
  await expect(page.getByText('taken off by the registrar')).toBeVisible();
});

test('an assistant reads the course and finds no dead controls', async ({ page, app }) => {
  await signIn(page, app, 'Jo Lindqvist');
  await page.goto(`${app.address}/course/eco214-s27-02`);
  await page.getByRole('treeitem', { name: /Library desk hours/ }).click();
  await expect(page.getByRole('article')).toContainText('Library desk hours');
  await expect(page.getByText('Only they, its designers or an administrator can change it.')).toBeVisible();
  for (const name of ['edit', 'Add a thing', 'remove'])
    await expect(page.getByRole('button', { name, exact: true })).toHaveCount(0);
  await expect(page.getByRole('region', { name: 'For next time' })).toHaveCount(0);
  await page.getByRole('link', { name: 'settings' }).click();
  await expect(page.getByText('Closed to learners.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'archive it' })).toHaveCount(0);
});

test('somebody puts the month first and has a clock of twelve hours, everywhere and for themselves alone', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'Ines Marant');
  await page.getByRole('button', { name: 'Ines Marant', exact: true }).click();
  await page.getByRole('radio', { name: 'Tue, Mar 16' }).check();
  await page.getByRole('radio', { name: '11:59 pm' }).check();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Open the plan of ECO 214-02' }).click();
  const needs = page.getByRole('region', { name: 'What needs you' });
  await expect(needs).toContainText('Thu, Feb 18 is Charter Day now');
  await expect(
    needs.getByRole('button', { name: /^Teaching day before, Wed, Feb 17: Thu, Feb 18 is Charter Day now/ }),
  ).toBeVisible();
  await page.keyboard.press('n');
  const dates = page.getByRole('grid', { name: /^Dates/ });
  await expect(dates.getByRole('row').filter({ hasText: 'Feb 18 is Charter Day' }).first()).toContainText(', 11:59 pm');

  await page.reload();
  await expect(dates.getByRole('row').filter({ hasText: 'Feb 18 is Charter Day' }).first()).toContainText(', 11:59 pm');
  await dates.getByRole('row').filter({ hasText: ', 11:59 pm' }).first().click();
  await page.keyboard.press('h');
  const field = page.getByRole('textbox', { name: /^New date of/ });
  await field.fill('02/19/2027 5:30 pm');
  await field.press('Enter');
  await expect(dates.getByRole('row').filter({ hasText: 'set by hand' })).toContainText('Fri, Feb 19, 5:30 pm');

  await page.goto(app.address);
  await signOut(page, 'Ines Marant');
  await choose(page, 'Ana Brandt');
  await page.getByRole('button', { name: 'Ana Brandt' }).click();
  await expect(page.getByRole('radio', { name: 'Tue 16 Mar' })).toBeChecked();
  await expect(page.getByRole('radio', { name: '23:59' })).toBeChecked();
});
