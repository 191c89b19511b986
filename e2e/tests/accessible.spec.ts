import { expect, openPlan, seriousIn, signIn, test } from '../app.js';

test('axe finds nothing serious on any screen', async ({ browser, app }) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(app.address);
  await page.getByRole('button', { name: 'Ines Marant' }).waitFor();
  expect(await seriousIn(page), 'sign-in').toEqual([]);
  await signIn(page, app);
  expect(await seriousIn(page), 'Desk').toEqual([]);
  await openPlan(page);
  expect(await seriousIn(page), 'the plan').toEqual([]);
  await page.keyboard.press('w');
  await page.getByRole('button', { name: 'announcements of last term 15' }).click();
  expect(await seriousIn(page), 'What').toEqual([]);
  await page.keyboard.press('n');
  await page.getByRole('grid').waitFor();
  expect(await seriousIn(page), 'When').toEqual([]);
  await page.keyboard.press('l');
  await page.getByRole('region', { name: 'Loose ends' }).waitFor();
  expect(await seriousIn(page), 'Left over').toEqual([]);
  await page.getByRole('button', { name: 'Bring 210 things' }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();
  expect(await seriousIn(page), 'after the run').toEqual([]);
  await page.getByRole('button', { name: 'Open the new course' }).click();
  await page.getByRole('treeitem', { name: /^How this course works/ }).click();
  await page.getByRole('article').getByRole('heading', { name: 'How this course works' }).waitFor();
  expect(await seriousIn(page), 'the course').toEqual([]);
});

test('on a low screen, as one that is zoomed twice, the plan’s head scrolls away and the work fills it', async ({
  browser,
  app,
}) => {
  const page = await (await browser.newContext({ viewport: { width: 640, height: 400 } })).newPage();
  await signIn(page, app);
  await openPlan(page);
  await page.keyboard.press('n');
  const grid = page.getByRole('grid', { name: /^Dates/ });
  await grid.getByRole('checkbox').nth(3).check();
  const knot = page.getByRole('link', { name: /^When/ }).or(page.getByRole('button', { name: /^When/ }));
  await expect(knot).not.toBeInViewport();
  await expect(page.getByRole('button', { name: 'take its date away' })).toBeInViewport();
});

test('axe finds nothing serious where courses are found, paired and edited', async ({ browser, app }) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(page, app, 'Tomas Rhee');
  const places: [path: string, ready: () => Promise<unknown>][] = [
    ['/find?words=geo&peek=geo305-f26-01', () => page.getByRole('article').getByRole('tree').waitFor()],
    ['/pair/into/prn110-s27-01', () => page.getByRole('region', { name: 'From' }).waitFor()],
    ['/pair/from/eco214-s26-01', () => page.getByRole('region', { name: 'Into' }).waitFor()],
    ['/set-up/eco214-s26-01', () => page.getByRole('region', { name: 'Into' }).waitFor()],
    ['/course/apc120-dev/gradebook', () => page.getByText('The weights come to').waitFor()],
    ['/course/apc120-dev/dates', () => page.getByRole('region', { name: 'Month' }).waitFor()],
    ['/course/eco214-s26-01/files', () => page.getByText('reach-map.png').first().waitFor()],
    ['/course/eco214-s27-02/settings', () => page.getByRole('region', { name: 'Home page and menu' }).waitFor()],
    ['/calendars', () => page.getByRole('heading', { name: 'Calendars' }).waitFor()],
    ['/calendars/term-s27', () => page.getByRole('grid').waitFor()],
    ['/course/eco214-s27-02/class-days', () => page.getByRole('grid').waitFor()],
    ['/access', () => page.getByRole('heading', { name: 'Asked' }).waitFor()],
    ['/roster', () => page.getByText('Every row was good').waitFor()],
  ];
  for (const [path, ready] of places) {
    await page.goto(app.address + path);
    await ready();
    expect(await seriousIn(page), path).toEqual([]);
  }
  await page.goto(`${app.address}/pair/into/prn110-s27-01`);
  await page.getByRole('radio', { name: /Fall 2025/ }).check();
  await page.getByRole('button', { name: 'look inside' }).last().click();
  await page.getByRole('article').getByRole('tree').waitFor();
  expect(await seriousIn(page), 'a look inside, beside the pair').toEqual([]);
  await page.getByRole('button', { name: 'beside the chosen one, thing by thing' }).click();
  await page.getByRole('table', { name: 'Things of both courses' }).getByRole('button').first().click();
  expect(await seriousIn(page), 'two courses thing by thing').toEqual([]);
  await page.goto(`${app.address}/course/apc120-dev`);
  await page.getByRole('treeitem', { name: /^Exercise 1/ }).click();
  await page.getByRole('button', { name: 'edit' }).click();
  await page.getByRole('textbox', { name: 'Text' }).waitFor();
  expect(await seriousIn(page), 'an edit').toEqual([]);
  await page.getByRole('combobox', { name: 'Find a course' }).fill('nets');
  await page.getByRole('listbox', { name: 'Found' }).waitFor();
  expect(await seriousIn(page), 'the find field').toEqual([]);
});
