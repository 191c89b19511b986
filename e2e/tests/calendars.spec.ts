import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, openPlan, signIn, test, windowOf } from '../app.js';

const day = (page: Page, date: string) => page.locator(`#day-${date}`);

async function dragOver(page: Page, from: string, to: string): Promise<void> {
  const [start, end] = [await day(page, from).boundingBox(), await day(page, to).boundingBox()];
  await page.mouse.move(start!.x + 30, start!.y + 15);
  await page.mouse.down();
  await page.mouse.move(end!.x + 30, end!.y + 15, { steps: 8 });
  await page.mouse.up();
}

test('an administrator closes days by dragging over them, sees what that moves, and the plan says so until it is seen', async ({
  page,
  app,
  browser,
}) => {
  await signIn(page, app);
  await openPlan(page);
  const plan = page.url();

  const office = await windowOf(browser, app, 'Tomas Rhee');
  await office.getByRole('button', { name: 'Tomas Rhee' }).click();
  await office.getByRole('link', { name: 'Calendars' }).click();
  await office.getByRole('link', { name: /^Spring 2027/ }).click();
  await dragOver(office, '2027-04-01', '2027-04-02');
  await office.getByRole('textbox', { name: 'Name of the closed days' }).fill('Spring pause');
  await office.getByRole('button', { name: 'Close these days' }).click();
  await expect(day(office, '2027-04-02')).toHaveAttribute('aria-label', '2 Apr, Spring pause');
  await expect(office.getByRole('region', { name: 'What this changes' })).toContainText('dates in 1 of 1 open plan');

  await office.keyboard.press('Control+z');
  await expect(day(office, '2027-04-02')).toHaveAttribute('aria-label', '2 Apr');
  await office.getByRole('button', { name: 'redo' }).click();
  await office.getByRole('button', { name: 'Save Spring 2027' }).click();
  await expect(office.getByRole('button', { name: 'Saved' })).toBeDisabled();

  await page.goto(plan);
  const notice = page.getByRole('region', { name: 'The calendar changed' });
  await expect(notice).toContainText('Spring pause, 1–2 Apr, is new. 3 dates move');
  await notice.getByRole('button', { name: 'which' }).click();
  await expect(notice).toContainText('Quiz 7');
  await notice.getByRole('button', { name: 'seen' }).click();
  await expect(notice).toHaveCount(0);
  await page.reload();
  await page.getByRole('button', { name: /^Bring \d+ things/ }).waitFor();
  await expect(notice).toHaveCount(0);
});

test('by keyboard alone: a day is chosen, closed and let run as another weekday', async ({ page, app }) => {
  await page.goto(app.address);
  await page.getByRole('button', { name: 'Tomas Rhee' }).click();
  await page.getByRole('heading', { level: 1, name: /starts in 48 days/ }).waitFor();
  await page.goto(`${app.address}/calendars/term-s27`);
  await page.getByRole('grid', { name: /Spring 2027/ }).focus();
  for (const key of ['ArrowRight', 'ArrowDown', 'ArrowDown', 'Shift+ArrowDown', 'Enter'])
    await page.keyboard.press(key);
  await page.keyboard.type('Quiet days');
  await page.keyboard.press('Enter');
  await expect(day(page, '2027-01-20')).toHaveAttribute('aria-label', '20 Jan, Quiet days');
  await expect(day(page, '2027-01-21')).toHaveAttribute('aria-label', '21 Jan, Quiet days');
  await expect(page.getByRole('textbox', { name: /^Name of Quiet days/ })).toHaveValue('Quiet days');

  for (const key of ['ArrowRight', 'Enter']) await page.keyboard.press(key);
  await page.getByRole('combobox', { name: 'Whose timetable runs on this day' }).selectOption('Mon');
  await expect(day(page, '2027-01-28')).toHaveAttribute('aria-label', '28 Jan, runs as Mon');
});

test('closed days come from a list, a region and last year, and nothing is doubled', async ({ page, app }) => {
  await page.goto(app.address);
  await page.getByRole('button', { name: 'Tomas Rhee' }).click();
  await page.getByRole('heading', { level: 1, name: /starts in 48 days/ }).waitFor();
  await page.goto(`${app.address}/calendars`);
  await page.getByRole('button', { name: 'new term' }).click();
  await page.getByRole('textbox', { name: 'Name of the term' }).fill('Fall 2027');
  await page.getByRole('textbox', { name: 'First day' }).fill('23 Aug 2027');
  await page.keyboard.press('Enter');
  // Picked by keyboard from the weeks of the term that is being made.
  await page.getByRole('button', { name: 'Pick from the term: Last day' }).click();
  await expect(page.getByRole('grid', { name: 'Days of the term' })).toContainText('16');
  for (let week = 1; week < 16; week++) await page.keyboard.press('ArrowRight');
  for (let day = 1; day < 5; day++) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Last day' })).toHaveValue('Fri 10 Dec 2027');
  await page.getByRole('button', { name: 'Make it' }).click();
  await page.getByRole('heading', { level: 1, name: 'Fall 2027' }).waitFor();

  const many = page.getByRole('region', { name: 'Closed days in one go' });
  await many.getByRole('button', { name: 'public holidays' }).click();
  await many.getByRole('combobox', { name: 'Country' }).selectOption('United States of America');
  await many.getByRole('button', { name: 'Look' }).click();
  await many.getByRole('checkbox', { name: /Columbus Day/ }).uncheck();
  await many.getByRole('button', { name: /^Add \d/ }).click();
  await expect(day(page, '2027-11-25')).toHaveAttribute('aria-label', '25 Nov, Thanksgiving Day');
  await expect(day(page, '2027-10-11')).toHaveAttribute('aria-label', '11 Oct');

  await many.getByRole('button', { name: 'a pasted list' }).click();
  const list = 'Thanksgiving Day, 25 November 2027\n22–28 Nov 2027 Fall break\nExams 6 to 10 December 2027\nno date';
  await many.getByRole('textbox', { name: 'Closed days, one a line' }).fill(list);
  await many.getByRole('button', { name: 'Read it' }).click();
  await expect(many).toContainText('1 is there already.');
  await expect(many).toContainText('“no date”: There is no date in it; write it as “15–21 Mar Spring break”.');
  await many.getByRole('button', { name: 'Add 2' }).click();
  await expect(day(page, '2027-12-06')).toHaveClass(/exam/);
  await page.getByRole('button', { name: 'Save Fall 2027' }).click();
  await expect(page.getByRole('button', { name: 'Saved' })).toBeDisabled();
});

test('an instructor adds a lab in odd weeks and a day that is closed for the course alone', async ({ page, app }) => {
  await signIn(page, app);
  await page.goto(`${app.address}/course/eco214-s27-02/class-days`);
  const meetings = page.getByRole('region', { name: 'Class meetings' });
  await meetings.getByRole('button', { name: 'one more meeting' }).click();
  await meetings.getByRole('combobox', { name: 'Day of meeting 3' }).selectOption('Fri');
  await meetings.getByRole('textbox', { name: 'Start of meeting 3' }).fill('1 pm');
  await meetings.getByRole('textbox', { name: 'End of meeting 3' }).fill('12:00');
  await meetings.getByRole('textbox', { name: 'Series of meeting 3' }).fill('lab');
  await expect(page.getByRole('alert')).toContainText('The class ends at 12:00, before it starts at 13:00');
  await expect(page.getByRole('button', { name: 'Save when it runs' })).toBeDisabled();
  await meetings.getByRole('textbox', { name: 'End of meeting 3' }).fill('15:50');
  await page.keyboard.press('Tab');
  await meetings.getByRole('textbox', { name: 'Weeks of meeting 3' }).fill('odd');
  await meetings.getByRole('textbox', { name: 'Weeks of meeting 3' }).press('Tab');

  await dragOver(page, '2027-04-08', '2027-04-08');
  await page.getByRole('textbox', { name: 'Name of the closed days' }).fill('Field day');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Save when it runs' }).click();
  await expect(page.getByRole('button', { name: 'Saved' })).toBeDisabled();
  await page.reload();
  await expect(meetings.getByRole('textbox', { name: 'Start of meeting 3' })).toHaveValue('13:00');
  await expect(meetings.getByRole('textbox', { name: 'Weeks of meeting 3' })).toHaveValue('odd');
  await expect(day(page, '2027-04-08')).toHaveAttribute('aria-label', '8 Apr, Field day');
  await page.goto(`${app.address}/calendars/term-s27`);
  await expect(day(page, '2027-04-08')).toHaveAttribute('aria-label', '8 Apr');
  await expect(page.getByText('Terms are kept by the administrators of the whole college.')).toBeVisible();
});

test('class meetings come from a timetable file, each step is undone, and the term goes out as a file', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await page.goto(`${app.address}/course/eco214-s27-02/class-days`);
  const timetable = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    ...['BEGIN:VEVENT', 'UID:1', 'SUMMARY:ECO 214 Lecture', 'DTSTART:20270112T140000', 'DTEND:20270112T151500'],
    ...['RRULE:FREQ=WEEKLY;BYDAY=TU,TH;UNTIL=20270430T235959', 'END:VEVENT'],
    ...['BEGIN:VEVENT', 'UID:2', 'SUMMARY:ECO 214 Lab', 'LOCATION:Boat shed', 'DTSTART:20270115T090000'],
    ...['DTEND:20270115T120000', 'RRULE:FREQ=WEEKLY;COUNT=16', 'END:VEVENT'],
    'END:VCALENDAR',
  ].join('\r\n');
  const field = page.getByLabel('Timetable as an iCalendar file');
  await field.setInputFiles({ name: 'times.ics', mimeType: 'text/calendar', buffer: Buffer.from(timetable) });
  const found = page.getByRole('region', { name: 'Class meetings of the file' });
  await expect(found).toContainText('Fri 09:00–12:00, Boat shed, lab');
  await expect(found).toContainText('2 are there already.');
  await found.getByRole('button', { name: 'Add 1 meeting' }).click();
  await expect(day(page, '2027-01-15')).toHaveAttribute('aria-label', '15 Jan, class');
  await expect(page.getByRole('region', { name: 'Class meetings' }).first()).toContainText('Tue Thu 14:00, Fri 09:00');

  await page.getByRole('textbox', { name: 'Weeks of meeting 3' }).fill('odd');
  await page.getByRole('textbox', { name: 'Weeks of meeting 3' }).press('Enter');
  await expect(day(page, '2027-01-22')).toHaveAttribute('aria-label', '22 Jan');
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(day(page, '2027-01-22')).toHaveAttribute('aria-label', '22 Jan, class');
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(page.getByRole('textbox', { name: 'Room of meeting 3' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Saved' })).toBeDisabled();
  await page.getByRole('button', { name: 'redo' }).click();
  await expect(page.getByRole('textbox', { name: 'Room of meeting 3' })).toHaveValue('Boat shed');

  await page.goto(`${app.address}/calendars/term-s27`);
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'as a calendar file' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('Spring 2027.ics');
  expect(readFileSync(await file.path(), 'utf8')).toContain('SUMMARY:Charter Day');
});
