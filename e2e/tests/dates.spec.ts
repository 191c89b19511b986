import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, openPlan, signIn, test } from '../app.js';

async function openDates(page: Page): Promise<void> {
  await openPlan(page);
  await page.keyboard.press('n');
  await page.getByText('6 dates in doubt first').waitFor();
}
const row = (page: Page, name: RegExp) => page.getByRole('row', { name });

test('many dates are chosen by keyboard, moved, given another rule, cleared and given back, each step undone', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openDates(page);
  await page.getByRole('grid', { name: /^Dates/ }).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  const chosen = page.getByRole('group', { name: '2 dates chosen' });
  await expect(chosen).toBeVisible();
  await chosen.getByRole('textbox', { name: 'How many days later' }).fill('3');
  await chosen.getByRole('button', { name: 'days later' }).click();
  await expect(row(page, /Lab 6: flow and discharge due/)).toContainText('Mon 22 Feb 23:59');
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(row(page, /Lab 6: flow and discharge due/)).toContainText('Fri 19 Feb 23:59');

  await chosen.getByRole('button', { name: 'next class' }).click();
  await expect(row(page, /Lab 6: flow and discharge due/)).toContainText('Tue 23 Feb 14:00');
  await chosen.getByRole('combobox', { name: 'To another weekday of the same week' }).selectOption('Fri');
  // They stand in a class now: leaving it is told first.
  await expect(page.getByRole('alert')).toContainText('away from class');
  await expect(page.getByRole('button', { name: 'move those on to the next class' })).toBeVisible();
  await page.getByRole('button', { name: 'move all as they are' }).click();
  await expect(row(page, /Lab 6: flow and discharge due/)).toContainText('Fri 26 Feb 14:00');
  await chosen.getByRole('button', { name: 'back to the rule' }).click();
  await expect(row(page, /Lab 6: flow and discharge due/)).toContainText('closed day · week 6');
  const toDate = chosen.getByRole('textbox', { name: 'All to a date' });
  await toDate.fill('31 Feb');
  await expect(page.getByRole('alert')).toContainText('There is no 31 Feb');
  await toDate.fill('+1 week');
  await toDate.press('Enter');
  await expect(row(page, /Lab 6: flow and discharge due/)).toContainText('Fri 26 Feb 23:59');
  await expect(toDate).toHaveValue('');
  await chosen.getByRole('button', { name: 'back to the rule' }).click();
  await expect(row(page, /Lab 6: flow and discharge due/)).toContainText('closed day · week 6');

  await chosen.getByRole('button', { name: 'take their dates away' }).click();
  await expect(row(page, /Lab 6: flow and discharge due/)).toContainText('no date');
  await page.getByRole('button', { name: 'Lab 6: flow and discharge: no date, as the rest again' }).click();
  await expect(row(page, /Lab 6: flow and discharge due/)).toContainText('Fri 19 Feb 23:59');
  await page.keyboard.press('Control+z');
  await expect(row(page, /Lab 6: flow and discharge due/)).toContainText('no date');
  await page.reload();
  await expect(page.getByRole('button', { name: /^Lab 6: flow and discharge: no date/ })).toBeVisible();
});

test('a stretch of dates is chosen by pressing two boxes, the second with Shift', async ({ page, app }) => {
  await signIn(page, app);
  await openDates(page);
  const boxes = page.getByRole('checkbox', { name: /^Choose / });
  await boxes.nth(1).click();
  await boxes.nth(4).click({ modifiers: ['Shift'] });
  await expect(page.getByRole('group', { name: '4 dates chosen' })).toBeVisible();
  await expect(page.getByRole('checkbox', { checked: true })).toHaveCount(4);
});

test('what another rule would do is seen before it is taken, and a class-day map is changed day by day', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openDates(page);
  await page.getByRole('button', { name: 'class days and rules' }).click();
  const rules = page.getByRole('complementary', { name: 'Class days and rules' });
  const week = rules.getByRole('listitem').filter({ hasText: 'the same teaching week, same weekday' });
  await expect(week).toContainText('90 dates go elsewhere · better: 2 fewer out of order, 1 fewer on a weekend');
  // What it would do stands in the table beside it, and nothing is taken yet.
  await week.getByRole('button', { name: /^Take this/ }).hover();
  await expect(page.getByText('90 dates would go elsewhere, those first')).toBeVisible();
  await expect(row(page, /Poster opens/)).toContainText('now Tue 6 Apr 08:00');
  await page.getByRole('heading', { level: 1 }).hover();
  await expect(page.getByText('6 dates in doubt first')).toBeVisible();
  await week.getByRole('button', { name: /^Take this/ }).click();
  await page.getByRole('heading', { level: 1 }).hover();
  await expect(page.getByText('3 dates in doubt first')).toBeVisible();
  await expect(rules.getByRole('listitem').first()).toContainText('proposed');
  const monday = rules.getByRole('slider', { name: 'Mon of everything else goes to' });
  await expect(monday).toHaveAttribute('aria-valuetext', 'Mon');
  await monday.focus();
  await page.keyboard.press('ArrowRight');
  await expect(monday).toHaveAttribute('aria-valuetext', 'Tue');
  await page.getByRole('button', { name: 'as proposed' }).click();
  await expect(page.getByText('6 dates in doubt first')).toBeVisible();
});

test('a column is pasted from a spreadsheet: good cells are set, a bad one is told', async ({ page, app }) => {
  await signIn(page, app);
  await openDates(page);
  const grid = page.getByRole('grid', { name: /^Dates/ });
  await grid.focus();
  await page.keyboard.press('ArrowDown');
  await grid.evaluate((element) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', 'Wed 17 Feb\tnoted\nsoon\n2/22/2027 8 am\n');
    element.dispatchEvent(new ClipboardEvent('paste', { clipboardData, bubbles: true, cancelable: true }));
  });
  const pasted = page.getByRole('region', { name: 'Pasted dates' });
  await expect(pasted).toContainText('“soon” is no date that can be read');
  await pasted.getByRole('button', { name: 'set 2 by hand' }).click();
  await expect(pasted).toHaveCount(0);
  await expect(row(page, /Lab 6: flow and discharge due/)).toContainText('Wed 17 Feb 23:59');
  await expect(row(page, /Quiz 4 due/)).toContainText('Fri 19 Feb 23:59');
  await expect(row(page, /Quiz 4 answers/)).toContainText('Mon 22 Feb 08:00');
});

test('a sheet goes out, is changed and comes back: only changed rows are set by hand, bad ones are told by line', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openDates(page);
  await page.getByRole('button', { name: 'sheet' }).click();
  const sheet = page.getByRole('region', { name: 'Sheet of dates' });
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    sheet.getByRole('button', { name: 'all dates as a table' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('ECO 214-02 dates.csv');
  const lines = readFileSync(await download.path(), 'utf8').split('\r\n');
  const at = lines.findIndex((line) => line.includes(',Quiz 7,') && line.includes(',due,'));
  const text = lines
    .with(at, lines[at]!.replace(/,2027-[^,]*,/, ',2027-03-29 12:00,'))
    .with(1, lines[1]!.replace(/,2027-[^,]*,/, ',2027-02-30,'))
    .join('\n');
  await page
    .getByLabel('Sheet of dates', { exact: true })
    .and(page.locator('input'))
    .setInputFiles({ name: 'dates.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await expect(sheet).toContainText('1 date is another than in the plan, 132 the same.');
  await expect(sheet).toContainText('line 2: There is no 30 Feb; that month has 28 days in 2027.');
  // What it would change stands there before it does.
  await expect(sheet).toContainText('Thu 1 Apr 23:59Mon 29 Mar 12:00');
  await sheet.getByRole('button', { name: 'set 1 by hand' }).click();
  await expect(row(page, /Quiz 7 due/)).toContainText('Mon 29 Mar 12:00');

  const [calendar] = await Promise.all([
    page.waitForEvent('download'),
    sheet.getByRole('button', { name: 'as a calendar file' }).click(),
  ]);
  expect(readFileSync(await calendar.path(), 'utf8')).toContain('DTSTART:20270329T170000Z');
});

test('a strand is dragged with Shift: everything chosen goes as many days along', async ({ page, app }) => {
  await signIn(page, app);
  await openDates(page);
  const boxes = page.getByRole('grid', { name: /^Dates/ });
  await boxes.getByRole('checkbox', { name: 'Choose Field journal, first part' }).check();
  await boxes.getByRole('checkbox', { name: 'Choose Lab 6: flow and discharge, due' }).check();
  const end = page.locator('circle.end.doubtful').filter({ hasText: 'Lab 6: flow and discharge' }).last();
  const box = (await end.boundingBox())!;
  const strip = (await page.locator('svg[role=img]').boundingBox())!;
  const aDay = (strip.width - 48 - 126) / 126;
  await page.keyboard.down('Shift');
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 + aDay * 3, box.y + box.height / 2, { steps: 6 });
  await expect(page.locator('svg[role=img]').getByText(/ · \d dates/)).toContainText(
    /\d deadlines? that day, \d+ that week/,
  );
  await page.mouse.up();
  await page.keyboard.up('Shift');
  const landed = (await row(page, /Lab 6: flow and discharge due/).textContent())!;
  const days = Number(/(\d+) Feb 23:59\s*set by hand/.exec(landed)![1]) - 19;
  expect(days).toBeGreaterThan(0);
  await expect(row(page, /Field journal first part/)).toContainText(`${7 + days} Mar 23:59`);
});

test('parallel sections are compared in one table, follow one plan, and are brought together', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openPlan(page);
  await page.keyboard.press('w');
  const filter = page.getByRole('textbox', { name: 'Show only rows with these words' });
  await filter.fill('Borrow waders');
  await page
    .getByRole('treeitem', { name: /^Borrow waders/ })
    .first()
    .locator('.hit')
    .click();
  await page.getByRole('button', { name: 'Bring 209 things' }).waitFor();
  await filter.fill('');
  await filter.blur();
  await page.keyboard.press('n');
  await page.getByRole('button', { name: 'all sections' }).click();
  const table = page.getByRole('table', { name: 'Dates of all sections' });
  await expect(table.getByRole('row', { name: /^Quiz 2 due/ })).toHaveText(/Thu 2[18] Jan.*Wed 2[07] Jan/);
  await expect(table).toContainText('no plan yet; shown as it would follow');
  await page.getByRole('button', { name: 'let 1 section follow this plan' }).click();
  await expect(table).toContainText('follows this plan');
  await page.getByRole('button', { name: 'Bring into 2 sections' }).click();
  await expect(table.getByText('brought')).toHaveCount(2);
  await expect(table.getByRole('row', { name: /^Quiz 2 due/ })).toHaveText(/Thu 2[18] Jan.*Wed 2[07] Jan/);
  await page.goto(`${app.address}/course/eco214-s27-03`);
  await expect(page.getByRole('treeitem', { name: /^Lab 1: measuring discharge/ }).first()).toBeVisible();
  await expect(page.getByRole('treeitem', { name: /^Borrow waders/ })).toHaveCount(0);
});

test('after the run: what was in doubt still is, until it is fine, or moved in the new course and put back', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openPlan(page);
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  const look = page.getByRole('region', { name: 'Dates to look at' });
  await expect(look.getByRole('listitem')).toHaveCount(4);
  await look.getByRole('button', { name: 'Fine as it is: Thu 18 Feb is Charter Day now, twice' }).click();
  await expect(page.getByRole('link', { name: /^When 134 dates, 3 doubts/ })).toBeVisible();

  await look.getByRole('button', { name: /^In the new break, Sun 21 Mar: Field journal/ }).click();
  await expect(look.getByRole('list', { name: 'Moved since in the new course' })).toContainText(
    'moved 1 date on 1 thing',
  );
  await expect(look.getByText('Field journal, first part: Sun 15 Mar was in Spring break')).toHaveCount(0);
  await page.keyboard.press('n');
  await page.getByRole('combobox', { name: 'Weeks in the table' }).selectOption('break, from Mon 15 Mar');
  const journal = page.getByRole('row').filter({ hasText: 'Sun 15 Mar 23:59' });
  await expect(journal).toContainText('Sun 21 Mar 23:59');
  await page.keyboard.press('Escape');
  await look.getByRole('button', { name: /^put back/ }).click();
  await expect(look.getByText('Field journal, first part: Sun 15 Mar was in Spring break')).toBeVisible();

  await page.keyboard.press('n');
  await expect(page.getByText(/^\d dates in doubt first/)).toBeVisible();
  await page.keyboard.press(']');
  await page.keyboard.press('f');
  await expect(page.getByRole('link', { name: /^When 134 dates, 2 doubts/ })).toBeVisible();
  await page.goto(app.address);
  await expect(page.getByText('by Ines Marant; 4 loose ends and 2 doubts left')).toBeVisible();

  await page.getByRole('button', { name: 'See what was done' }).click();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('button', { name: 'Bring 210 things' })).toBeVisible();
});

test('after the run: a storm moves everything from week 7 on by two days in one step, and it is put back', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openPlan(page);
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();
  await page.goto(`${app.address}/course/eco214-s27-02/dates`);
  await page.getByRole('button', { name: 'many at once' }).click();
  await page.getByRole('textbox', { name: 'From which teaching week on' }).fill('7');
  await page.getByRole('button', { name: 'on', exact: true }).click();
  await expect(page.getByRole('checkbox', { checked: true }).nth(7)).toBeInViewport();
  const days = page.getByRole('textbox', { name: 'How many days later' });
  await days.fill('9999');
  await page.getByRole('button', { name: 'days later' }).click();
  await expect(page.getByRole('alert')).toHaveText('At most 366 days.');
  await days.fill('2');
  await page.getByRole('button', { name: 'days later' }).click();
  // What would fall on weekends and closed days is said before anything moves.
  await expect(page.getByRole('alert')).toContainText(/of \d+ dates would fall on unusual days: .*on a Saturday/);
  await page.getByRole('button', { name: 'move all as they are' }).click();
  const first = row(page, /^Choose .* Lab 7: .* opens Tue 23 Feb 08:00 set by hand Thu 25 Feb 08:00/).first();
  await expect(first).toBeVisible();
  await page.getByRole('button', { name: /^Move \d+ dates$/ }).click();
  await expect(page.getByRole('button', { name: 'Saved' })).toBeDisabled();
  await expect(row(page, /Lab 7: .* opens Thu 25 Feb 08:00/).first()).toBeVisible();
  await page.getByRole('button', { name: 'choose none' }).click();
  await page.getByRole('button', { name: /^put \d+ back$/ }).click();
  await expect(row(page, /Lab 7: .* opens Tue 23 Feb 08:00/).first()).toBeVisible();
});

test('after the run: the calendar changed, and the course is dated anew but for what was set by hand', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openPlan(page);
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();
  const plan = page.url();
  await page.goto(`${app.address}/course/eco214-s27-02/class-days`);
  const pause = page.locator('#day-2027-04-01');
  await pause.click();
  await page.getByRole('textbox', { name: 'Name of the closed days' }).fill('Storm');
  await page.getByRole('button', { name: 'Close these days' }).click();
  await page.getByRole('button', { name: 'Save when it runs' }).click();
  await expect(page.getByRole('button', { name: 'Saved' })).toBeDisabled();
  await page.goto(plan);
  await expect(page.getByRole('region', { name: 'The calendar changed' })).toContainText(
    'Storm, Thu 1 Apr, is new. 2 dates would go elsewhere now; what was brought stays',
  );
  const left = page.getByRole('region', { name: 'Left over' });
  await expect(left).toContainText('2 dates that were brought would stand elsewhere on the calendar as it is now');
  await left.getByRole('link', { name: /^date them anew/ }).click();
  const anew = page.getByRole('region', { name: 'By the calendar as it is now' });
  await expect(anew.getByRole('listitem').filter({ hasText: 'Quiz 7' }).filter({ hasText: 'due' })).toContainText(
    'Fri 2 Apr 23:59',
  );
  await anew.getByRole('button', { name: /^take \d+ over$/ }).click();
  await page.getByRole('button', { name: /^Move \d+ dates?$/ }).click();
  await expect(page.getByRole('button', { name: 'Saved' })).toBeDisabled();
  await page.getByRole('button', { name: 'choose none' }).click();
  await page.getByRole('button', { name: 'by the calendar as it is now' }).click();
  await expect(anew).toContainText('Every date that was brought stands where its rule puts it');
});

test('points, category and attempts are set for many at once in the plan, and land in the new course', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openDates(page);
  await page.getByRole('button', { name: 'points and more' }).click();
  await page.getByRole('checkbox', { name: 'Choose Quiz 4, due' }).check();
  await page.getByRole('checkbox', { name: 'Choose Quiz 1, due' }).check();
  const work = page.getByRole('group', { name: 'Set for 2 works' });
  await work.getByRole('textbox', { name: 'Points' }).fill('25');
  await work.getByRole('button', { name: 'points' }).click();
  await work.getByRole('textbox', { name: 'Attempts' }).fill('3');
  await work.getByRole('button', { name: 'attempts' }).click();
  await expect(row(page, /Quiz 4 due/)).toContainText('25 points · Quizzes · 3 attempts');
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(row(page, /Quiz 4 due/)).not.toContainText('3 attempts');
  await page.getByRole('button', { name: 'redo' }).click();
  await work.getByRole('combobox', { name: 'Category' }).selectOption('Lab reports');
  await expect(row(page, /Quiz 1 due/)).toContainText('25 points · Lab reports · 3 attempts');
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();
  await page.goto(`${app.address}/course/eco214-s27-02/gradebook`);
  await expect(page.getByRole('row', { name: /^Quiz 4/ })).toContainText('25');
  await expect(page.getByRole('row', { name: /^Quiz 5/ })).toContainText('20');
});

test('two sections share a shell: each has class days and a map of its own, looked at by itself, brought and taken back', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openDates(page);
  const plan = page.url();
  await page.getByRole('link', { name: 'calendar', exact: true }).click();
  const section = (meeting: number) => page.getByRole('textbox', { name: `Section of meeting ${meeting},` });
  for (const meeting of [1, 2]) await section(meeting).fill('02');
  for (const [meeting, day] of [
    [3, 'Mon'],
    [4, 'Wed'],
  ] as const) {
    await page.getByRole('button', { name: 'one more meeting' }).click();
    await page.getByRole('combobox', { name: `Day of meeting ${meeting}` }).selectOption(day);
    await section(meeting).fill('05');
  }
  await page.getByRole('button', { name: 'Save when it runs' }).click();
  await expect(page.getByRole('button', { name: 'Saved' })).toBeDisabled();

  await page.goto(plan);
  const notice = page.getByRole('region', { name: 'The calendar changed' });
  await expect(notice).toContainText('Class meets Mon Tue Wed Thu 14:00, it was Tue Thu 14:00');
  await notice.getByRole('button', { name: 'seen' }).click();
  // Of the new term week 4 alone; Lab 3 was due Mon 2 Feb 2026.
  await page.locator('rect.week.pick').nth(4).click();
  const lab3 = (words: string) => row(page, new RegExp(`Lab 3: .* for ${words}`));
  await expect(lab3('02 due .* Tue 2 Feb 23:59')).toHaveCount(1);
  await page.getByRole('button', { name: 'section 05', exact: true }).click();
  await expect(lab3('05 due .* Mon 1 Feb 23:59')).toHaveCount(1);
  await expect(row(page, /for 02/)).toHaveCount(0);
  await page.getByRole('button', { name: 'class days and rules' }).click();
  const monday = page.getByRole('slider', { name: 'Mon of everything else goes to, section 05' });
  for (let step = 0; step < 4; step++) {
    await monday.focus();
    await page.keyboard.press('ArrowRight');
  }
  await page.getByRole('button', { name: 'class days and rules' }).click();
  await expect(lab3('05 due .* Fri 5 Feb 23:59')).toHaveCount(1);
  await page.getByRole('button', { name: 'section 02', exact: true }).click();
  await expect(lab3('02 due .* Tue 2 Feb 23:59')).toHaveCount(1);

  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  const done = page.getByRole('region', { name: 'What was done' });
  await done.waitFor();
  await page.goto(plan);
  await page.locator('rect.week.pick').nth(4).click();
  await expect(lab3('05 due .* Fri 5 Feb 23:59')).toHaveCount(1);
  await expect(lab3('02 due .* Tue 2 Feb 23:59')).toHaveCount(1);
  await page.goto(plan.replace(/\/when$/, ''));
  await done.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('button', { name: /^Bring \d+ things/ })).toBeVisible();
});

test('2,000 dates by keyboard: from doubt to doubt, set by hand, to the end, all at once, and back', async ({
  page,
  app,
}) => {
  await signIn(page, app, 'Emi Sato');
  await openPlan(page, 'BOT 220-01');
  await page.keyboard.press('n');
  await page.getByText('26 dates in doubt first, then 1946').waitFor();
  await page.keyboard.press(']');
  await page.keyboard.press('h');
  await page.keyboard.press('Control+a');
  await page.keyboard.type('22 Feb 2027 09:00');
  await page.keyboard.press('Enter');
  const byHand = row(page, /opens Tue 20 Jan 08:00 set by hand Mon 22 Feb 09:00 order changed/);
  await expect(byHand).toHaveCount(1);
  await expect(byHand).toBeInViewport({ ratio: 1 });
  await page.keyboard.press('Control+z');
  await expect(byHand).toHaveCount(0);

  const table = page.getByRole('grid', { name: /^Dates/ });
  await table.focus();
  await page.keyboard.press('End');
  await expect(row(page, /Fri 30 Apr/).last()).toBeInViewport();
  await page.keyboard.press('Control+a');
  const all = page.getByRole('group', { name: '1972 dates chosen' });
  await all.getByRole('textbox', { name: 'How many days later' }).fill('7');
  await all.getByRole('button', { name: 'days later' }).click();
  await expect(all.getByRole('alert')).toContainText('would fall on unusual days');
  await all.getByRole('button', { name: 'move all as they are' }).click();
  await expect(row(page, /Fri 7 May/).last()).toBeInViewport();
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(page.getByRole('link', { name: /^When 1972 dates, 1 doubt/ })).toBeVisible();

  // A rule of their own for all of them is one line.
  await all.getByRole('button', { name: 'take their dates away' }).click();
  await expect(row(page, /no date cleared/).last()).toBeInViewport();
  await page.getByRole('button', { name: /and 1970 more: no date, as the rest again$/ }).click();
  await expect(page.getByRole('link', { name: /^When 1972 dates, 1 doubt/ })).toBeVisible();
});

test('a date is typed as people write it and picked from the term, with what is on that day said before it is set', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openDates(page);
  const table = page.getByRole('grid', { name: /^Dates/ });
  const field = page.getByRole('textbox', { name: 'New date of Field journal' });
  await table.focus();
  await page.keyboard.press('h');
  await field.fill('31 Feb');
  await expect(page.getByRole('alert')).toHaveText('There is no 31 Feb; that month has 28 days in 2027.');
  await page.keyboard.press('Enter');
  await expect(field).toBeVisible();
  await field.fill('Sat of week 6');
  await expect(page.getByRole('status').filter({ hasText: 'Sat 20 Feb 23:59 · a Saturday' })).toBeVisible();

  await page.keyboard.press('ArrowDown');
  const sheet = page.getByRole('grid', { name: 'Days of the term' });
  await expect(sheet.getByRole('button', { name: /^Sat 20 Feb/ })).toBeFocused();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(sheet.getByRole('button', { name: /^Thu 18 Feb, Charter Day/ })).toBeFocused();
  await page.keyboard.press('Escape');
  await expect(sheet).toHaveCount(0);
  await expect(field).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(field).toHaveCount(0);
  // It stays in its row, with a note of what is unusual about the day; undo takes it back.
  await expect(row(page, /Field journal first part/)).toContainText('Sat 27 Feb 23:59');
  await expect(row(page, /Field journal first part/)).toContainText('set by hand · a Saturday');
  await page.keyboard.press('Control+z');
  await expect(row(page, /Field journal first part/)).toContainText('Sun 7 Mar 23:59');

  // Work that never had a date is given one the same way, and loses it again.
  const bare = row(page, /Ask the lab bench due no date/);
  await bare.dblclick();
  await page.getByRole('textbox', { name: 'New date of Ask the lab bench' }).fill('Tue of week 6');
  await page.keyboard.press('Enter');
  await expect(row(page, /Ask the lab bench due no date set by hand Tue 16 Feb 23:59/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(bare).toContainText('no date');
});

test('a course of fifteen weeks goes into eight summer weeks: the plan says how, and offers the next best way', async ({
  page,
  app,
}) => {
  await page.goto(app.address);
  await page.getByRole('button', { name: 'Jonas Hale' }).click();
  await page.getByRole('heading', { level: 1, name: /starts in 48 days/ }).waitFor();
  const plan = await page.evaluate(async () => {
    const body = JSON.stringify({ sources: ['his212-s26-01'], destination: 'his212-u27-01' });
    const answer = await fetch('/api/plans', { method: 'POST', headers: { 'content-type': 'application/json' }, body });
    return ((await answer.json()) as { id: string }).id;
  });
  await page.goto(`${app.address}/plan/${plan}`);
  const happens = page.getByRole('region', { name: 'What will happen' });
  await expect(happens).toContainText(
    'The new term is 7 weeks shorter: 15 weeks became 8, dates go to the same share of the term',
  );
  await expect(happens).toContainText('No week holds more graded work than the limit of 4.');
  await happens.getByRole('button', { name: 'or the same class meeting 4 dates go elsewhere, 0 in doubt' }).click();
  await expect(happens).toContainText('15 weeks became 8, dates go to the same class meeting');
  await happens.getByRole('button', { name: /^or the same share of the term/ }).click();
  await expect(happens).toContainText('15 weeks became 8, dates go to the same share of the term');
});

test('after the run a date is dragged in the month, what is on the day said, and it is put back', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openPlan(page);
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();
  await page.goto(`${app.address}/course/eco214-s27-02/dates`);
  const month = page.getByRole('region', { name: 'Month' });
  const cell = (day: string) =>
    month
      .getByRole('cell')
      .filter({ has: page.getByText(day, { exact: true }) })
      .first();
  const quiz = month.getByRole('button', { name: /Quiz 1/ }).last();
  await quiz.dragTo(cell('20'));
  await expect(month.getByRole('status')).toContainText(/^Quiz 1 moved to Wed 20 Jan/);
  await month.getByRole('button', { name: 'put it back' }).click();
  await expect(month.getByRole('status')).toContainText('Put back.');
});
