import type { Page } from '@playwright/test';
import { expect, signIn, test, type RunningApp } from '../app.js';

const DEV = '/course/apc120-dev';
const row = (page: Page, name: string | RegExp) => page.getByRole('treeitem', { name });
const sheet = (page: Page) => page.getByRole('article');

async function openDev(page: Page, app: RunningApp, who = 'Ines Marant'): Promise<void> {
  await signIn(page, app, who);
  await page.goto(app.address + DEV);
  await row(page, /^Start here/).waitFor();
}

test('a text, points and a date are changed, and what it said before is kept', async ({ page, app }) => {
  await openDev(page, app);
  await row(page, /^Exercise 1/).click();
  await sheet(page).getByRole('button', { name: 'edit' }).click();
  await sheet(page).getByRole('textbox', { name: 'Text' }).fill('Count the bees at the gate.');
  await sheet(page).getByRole('textbox', { name: 'Text' }).press('Control+a');
  await sheet(page).getByRole('button', { name: 'bold' }).click();
  await sheet(page).getByLabel('points').fill('25');
  await sheet(page).getByRole('button', { name: 'Save' }).click();
  await expect(sheet(page).locator('strong')).toHaveText('Count the bees at the gate.');
  await expect(sheet(page)).toContainText('25 points');
  await expect(sheet(page)).toContainText('last edited Tue 24 Nov 09:00 by Ines Marant');
  await sheet(page).getByRole('button', { name: '1 earlier text' }).click();
  await sheet(page).getByRole('button', { name: 'take this again' }).click();
  await expect(sheet(page)).toContainText('Hand in one page or one piece.');
  await expect(sheet(page)).toContainText('2 earlier texts');
});

test('an edit made elsewhere meanwhile is said, and both texts are there', async ({ page, app, browser }) => {
  await openDev(page, app);
  await row(page, /^Queens/).click();
  await sheet(page).getByRole('button', { name: 'edit' }).click();
  const other = await (await browser.newContext()).newPage();
  await openDev(other, app, 'Tomas Rhee');
  await row(other, /^Queens/).click();
  await sheet(other).getByRole('button', { name: 'edit' }).click();
  await sheet(other).getByRole('textbox', { name: 'Text' }).fill('Tomas was quicker.');
  await sheet(other).getByRole('button', { name: 'Save' }).click();
  await expect(sheet(other)).toContainText('last edited');

  await sheet(page).getByRole('textbox', { name: 'Text' }).fill('Ines has more to say.');
  await sheet(page).getByRole('button', { name: 'Save' }).click();
  await expect(sheet(page).getByRole('alert')).toContainText('Tomas Rhee changed this at 09:00, after you opened it.');
  await expect(sheet(page).getByRole('region', { name: 'What was saved meanwhile' })).toContainText(
    'Tomas was quicker.',
  );
  await expect(sheet(page).getByRole('textbox', { name: 'Text' })).toHaveText('Ines has more to say.');
  await sheet(page).getByRole('button', { name: 'Save mine over it' }).click();
  await expect(sheet(page)).toContainText('last edited');
  await sheet(page)
    .getByRole('button', { name: /earlier texts/ })
    .click();
  await expect(sheet(page).getByRole('region', { name: 'Earlier texts' })).toContainText('Tomas was quicker.');
});

test('what is not saved is not lost by leaving; a title that is too long is told at its field', async ({
  page,
  app,
}) => {
  await openDev(page, app);
  await row(page, /^Queens/).click();
  await sheet(page).getByRole('button', { name: 'edit' }).click();
  await sheet(page).getByRole('textbox', { name: 'title' }).fill('Q'.repeat(300));
  await expect(sheet(page)).toContainText('300 characters; 255 are the most.');
  await sheet(page).getByRole('button', { name: 'Save' }).click();
  await expect(sheet(page).getByRole('alert')).toContainText('at most 255 characters');
  await row(page, /^Swarming/).click();
  await expect(sheet(page).getByRole('alert')).toContainText('not saved yet');
  await expect(sheet(page).getByRole('textbox', { name: 'title' })).toHaveValue('Q'.repeat(300));
  await row(page, /^Swarming/).click();
  await expect(sheet(page).getByRole('heading', { level: 2 })).toHaveText('Swarming');
});

test('things are moved by dragging and by keys, nested and taken out again', async ({ page, app }) => {
  await openDev(page, app);
  const names = async (): Promise<string[]> =>
    (await page.getByRole('treeitem').allInnerTexts()).slice(0, 8).map((text) => text.split('\n')[0]!.trim());
  expect((await names()).slice(2, 6)).toEqual([
    '1. The hive as an animal',
    'The hive as an animal',
    'Exercise 1: the hive as an animal',
    '2. Queens',
  ]);
  await row(page, /^The hive as an animal/).dragTo(row(page, /^2\. Queens/), { targetPosition: { x: 200, y: 14 } });
  await expect(row(page, /^1\. The hive/)).toBeVisible();
  await expect
    .poll(names)
    .toEqual([
      'Start here',
      'Course outline',
      '1. The hive as an animal',
      'Exercise 1: the hive as an animal',
      '2. Queens',
      'Queens',
      'Quiz 1',
      'On queens',
    ]);
  await row(page, /^Quiz 1/).click();
  await page.getByRole('tree').focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect.poll(async () => (await names()).slice(4, 7)).toEqual(['2. Queens', 'Quiz 1', 'Queens']);
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(row(page, /^Quiz 1/)).toHaveAttribute('aria-level', '1');
  await page.keyboard.press('Alt+ArrowRight');
  await expect(row(page, /^Quiz 1/)).toHaveAttribute('aria-level', '2');
});

test('a thing is added, copied as a template, removed and put back', async ({ page, app }) => {
  await openDev(page, app);
  await row(page, /^2\. Queens/).click();
  await page.getByRole('button', { name: 'Add a thing' }).click();
  await page.getByRole('textbox', { name: 'Title' }).fill('Marking a queen');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(sheet(page).getByRole('heading', { level: 2 })).toHaveText('Marking a queen');
  await expect(row(page, /^Marking a queen/)).toContainText('draft');
  await sheet(page).getByRole('button', { name: 'copy as a template' }).click();
  await expect(sheet(page).getByRole('heading', { level: 2 })).toHaveText('Copy of Marking a queen');
  await sheet(page).getByRole('button', { name: 'remove' }).click();
  await expect(row(page, /^Copy of Marking/)).toHaveCount(0);
  await sheet(page).getByRole('button', { name: 'put it back' }).click();
  await expect(row(page, /^Copy of Marking/)).toBeVisible();
});

test('weights of the gradebook add up before the eye, and lines lead to their work', async ({ page, app }) => {
  await openDev(page, app);
  await page.getByRole('link', { name: 'gradebook' }).click();
  await expect(page.getByText('The weights come to 100 %')).toBeVisible();
  await page.getByLabel('Weight of Work, per cent').fill('50');
  await page.getByLabel('Weight of Work, per cent').press('Enter');
  await expect(page.getByText('they should come to 100 %')).toBeVisible();
  await page.getByRole('checkbox', { name: 'Work is passed on to the official record' }).check();
  await expect(page.getByRole('checkbox', { name: 'Work is passed on to the official record' })).toBeChecked();
  await page.getByRole('button', { name: 'Exercise 1' }).first().click();
  await expect(sheet(page).getByRole('heading', { level: 2 })).toContainText('Exercise 1');
});

test('dates stand in a month and in a list; a picture that is none is refused and nothing is lost', async ({
  page,
  app,
}) => {
  await openDev(page, app);
  await page.getByRole('link', { name: 'dates', exact: true }).click();
  const month = page.getByRole('region', { name: 'Month' });
  await expect(month).toContainText('Nov 2026');
  await month.getByRole('button', { name: 'earlier' }).click();
  await expect(month).toContainText('Oct 2026');
  await month
    .getByRole('button', { name: /Exercise/ })
    .first()
    .click();
  await expect(sheet(page).getByRole('heading', { level: 2 })).toContainText('Exercise');
  await page.getByRole('link', { name: 'files', exact: true }).click();
  const zip = Buffer.from('UEsDBBQAAAAAAAAAIQAAAAAAAAAAAAAAAAAAAAAA', 'base64');
  const field = page.getByLabel('Files to add');
  await field.setInputFiles({ name: 'hive.png', mimeType: 'image/png', buffer: zip });
  await expect(page.getByRole('alert')).toContainText(
    '“hive.png” is named as image/png, but its bytes are those of application/zip',
  );
  await field.setInputFiles({ name: 'bees.csv', mimeType: 'text/csv', buffer: Buffer.from('day,bees\n1,40\n') });
  await expect(page.getByRole('row', { name: /bees\.csv/ })).toContainText('nothing uses it');
});

test('a finished course is a readable record: no act but reading, marking and carrying forward', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await page.goto(`${app.address}/course/eco214-s26-01`);
  await row(page, /^Who to ask/).click();
  await expect(sheet(page)).toContainText('Who to ask');
  for (const name of ['edit', 'remove', 'copy as a template', 'Add a thing'])
    await expect(page.getByRole('button', { name, exact: true })).toHaveCount(0);
  await expect(page.getByText('A finished course is a record')).toBeVisible();
  const next = sheet(page).getByRole('region', { name: 'For next time' });
  await next.getByRole('radio', { name: 'never carry on' }).check();
  await next.getByRole('textbox', { name: 'A note to next term' }).fill('Names changed.');
  await next.getByRole('button', { name: 'Note it' }).click();
  await expect(row(page, /^Who to ask/)).toContainText('never carry on');
  await page.getByRole('link', { name: 'Yarin, to the Desk' }).click();
  await expect(page.getByText('“Names changed.”')).toBeVisible();
  await page.getByRole('button', { name: 'Open the plan of ECO 214-02' }).click();
  await expect(page.getByRole('link', { name: /^What 209 of 236/ })).toBeVisible();
});

test('two thousand things open at once and scroll to the end', async ({ page, app }) => {
  await signIn(page, app, 'Emi Sato');
  await page.goto(`${app.address}/course/bot220-s26-01`);
  await expect(page.getByText('2000 things')).toBeVisible();
  await page.getByRole('tree').focus();
  await page.keyboard.press('End');
  await expect(page.locator('[role=treeitem][aria-selected=true]')).toBeVisible();
  expect(await page.getByRole('treeitem').count()).toBeLessThan(80);
});

test('a course is archived out of the way and comes back as it was', async ({ page, app }) => {
  await openDev(page, app);
  await page.getByRole('link', { name: 'settings' }).click();
  await page.getByRole('button', { name: 'archive it' }).click();
  await expect(page.getByText('is archived. Bring it back from the archive to work in it.')).toBeVisible();
  await page.getByRole('button', { name: 'bring it back' }).click();
  await expect(page.getByRole('button', { name: 'archive it' })).toBeVisible();
  await page.getByRole('link', { name: 'outline' }).click();
  await expect(row(page, /^Exercise 1/)).not.toContainText('hidden');
});
