import type { Page } from '@playwright/test';
import { expect, openPlan, seriousIn, signIn, test, type RunningApp } from '../app.js';

/** Opens the spread of a pair, as whoever is signed in. */
async function openSpread(page: Page, app: RunningApp, source: string, destination: string): Promise<void> {
  const answer = await page.request.post(`${app.address}/api/plans`, { data: { sources: [source], destination } });
  const { id } = (await answer.json()) as { id: string };
  await page.goto(`${app.address}/plan/${id}/what`);
  await page.getByRole('tree').waitFor();
}

const box = (page: Page, title: RegExp) => page.getByRole('treeitem', { name: title }).locator('.hit').first();
const decisions = (page: Page) => page.getByRole('region', { name: 'What needs a decision' });

test('all but last term’s announcements and the outside work, by mouse', async ({ page, app }) => {
  await signIn(page, app);
  await openPlan(page);
  await page.getByRole('link', { name: /^What 210 of 236/ }).click();
  await page.getByRole('button', { name: 'video meetings 7' }).click();
  await page.getByRole('button', { name: 'Bring all 7' }).click();
  await page.getByRole('button', { name: 'one-off events 1' }).click();
  await page.getByRole('button', { name: 'Bring all 1' }).click();
  await page.getByRole('button', { name: 'empty units 1' }).click();
  await page.getByRole('button', { name: 'Bring all 1' }).click();
  // The announcement of a call keeps staying, as one of last term; everything else of the three comes.
  await expect(page.getByRole('link', { name: /^What 219 of 236/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'announcements of last term 15' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'held by an outside course 2 and 2 places kept' })).toBeVisible();
  await page.getByRole('button', { name: 'Bring 219 things' }).click();
  await expect(page.getByRole('region', { name: 'What was done' })).toContainText('219 things brought: 212 added');
});

test('all but last term’s announcements and the outside work, by keyboard', async ({ page, app }) => {
  await signIn(page, app);
  await openPlan(page);
  await page.keyboard.press('w');
  const tree = page.getByRole('tree');
  await tree.waitFor();
  await page.getByRole('button', { name: 'finding', exact: true }).press('Enter');
  await tree.focus();
  const status = page.getByRole('status');
  for (const title of ['One-off events', 'Video meetings', 'Empty units']) {
    await page.keyboard.press('Home');
    await expect(async () => {
      const id = await tree.getAttribute('aria-activedescendant');
      const row = page.locator(`#${id}`).locator('.words');
      if ((await row.textContent()) !== title) {
        await page.keyboard.press('ArrowDown');
        throw new Error('not there yet');
      }
    }).toPass({ intervals: [10] });
    await page.keyboard.press('Space');
    await expect(status).toContainText(`${title}: comes`);
  }
  await expect(page.getByRole('link', { name: /^What 219 of 236/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(status).toContainText('Undone: bring Empty units. 218 of 236 come.');
  await page.keyboard.press('Control+Shift+z');
  await expect(status).toContainText('219 of 236 come.');
});

test('only one unit comes, in two presses: what it holds and needs, and nothing else', async ({ page, app }) => {
  await signIn(page, app);
  await openSpread(page, app, 'apc120-dev', 'apc120-s27-01');
  await page.getByRole('button', { name: 'nothing yet' }).click();
  await expect(page.getByRole('link', { name: /^What 0 of 47/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Nothing to bring' })).toContainText('nothing is chosen yet');
  await box(page, /^1\. The hive as an animal/).click();
  // The unit, its page, its exercise, that one's line in the gradebook and the category of the line.
  await expect(page.getByRole('link', { name: /^What 5 of 47/ })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Bring 5 things' })).toBeVisible();
  await page.getByRole('button', { name: 'everything', exact: true }).click();
  await expect(page.getByRole('link', { name: /^What 46 of 47/ })).toBeVisible();
  await page.getByRole('button', { name: 'undo' }).click();
  await expect(page.getByRole('link', { name: /^What 5 of 47/ })).toBeVisible();
});

test('a kind that is left takes its lines of the gradebook along, in one press', async ({ page, app }) => {
  await signIn(page, app);
  await openSpread(page, app, 'apc120-dev', 'apc120-s27-01');
  await page.getByRole('button', { name: 'kind', exact: true }).click();
  await page.getByRole('textbox', { name: 'Show only rows with these words' }).fill('quiz');
  await box(page, /^Quizzes/).click();
  await expect(page.getByRole('link', { name: /^What 38 of 47/ })).toBeVisible();
  await expect(page.getByRole('treeitem', { name: /^Quiz 1.*gradebook line/ }).first()).toContainText(
    'stays with Quiz 1',
  );
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await expect(page.getByText('Stays behind with its work: lines of the gradebook')).toBeVisible();
});

test('what a choice would break is said, and each of the ways out mends it', async ({ page, app }) => {
  await signIn(page, app);
  await openSpread(page, app, 'eco214-s26-01', 'eco214-s27-02');
  const filter = page.getByRole('textbox', { name: 'Show only rows with these words' });
  await filter.fill('no such words');
  await expect(page.getByText('Nothing on this page has these words.')).toHaveCount(2);
  await filter.fill('streams, 40');
  await box(page, /^Streams, 40 questions/).click();
  await expect(page.getByRole('treeitem', { name: /^Streams, 40 questions comes with/ })).toBeVisible();
  await filter.fill('safety check');
  await box(page, /^Safety check/).click();
  await page.getByRole('button', { name: 'needs a decision 2' }).click();
  await expect(decisions(page)).toContainText('“Lab 3: macroinvertebrate count” would open without its condition');
  await expect(decisions(page)).toContainText('“Streams, 40 questions” was left, and 5 things need it');
  await decisions(page).getByRole('button', { name: 'leave those 5 too' }).click();
  await expect(decisions(page)).not.toContainText('Streams');
  await filter.fill('Quiz 3');
  await expect(page.getByRole('treeitem', { name: /^Quiz 3/ }).first()).toHaveAttribute('aria-checked', 'false');
  // With the five quizzes goes what Unit 4 waits for, and that is said in turn.
  const about = (title: string) =>
    decisions(page)
      .getByRole('listitem')
      .filter({ hasText: `“${title}` });
  await about('Unit 4').getByRole('button', { name: 'let it open' }).click();
  await expect(about('Unit 4')).toHaveCount(0);
  await about('Lab 3').getByRole('button', { name: 'land it hidden' }).click();
  await expect(page.getByRole('button', { name: /^needs a decision/ })).toBeHidden();
  await page.getByRole('button', { name: 'undo', exact: true }).click();
  await about('Lab 3').getByRole('button', { name: 'Bring Safety check' }).click();
  // The safety check draws from the bank that was left, and now is the one thing that needs it.
  await about('Streams').getByRole('button', { name: 'Bring it after all' }).click();
  await expect(page.getByRole('button', { name: /^needs a decision/ })).toBeHidden();
});

test('links to what stays: plain words in one press, something of the shell in three, said where they are', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openSpread(page, app, 'eco214-s26-01', 'eco214-s27-02');
  await page.getByRole('button', { name: 'kind', exact: true }).click();
  await box(page, /^Pages/).click();
  await page.keyboard.press('Escape');
  const needs = page.getByRole('region', { name: 'What needs you' });
  const line = needs.getByRole('listitem').filter({ hasText: 'links to something that is not here' });
  await expect(line).toContainText('Lab 3: macroinvertebrate count');
  await line.getByRole('button', { name: 'plain words' }).click();
  await expect(line).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await line.getByRole('button', { name: 'one by one' }).click();
  await line.getByRole('combobox', { name: 'What of the shell stands for What a riffle is for' }).click();
  await page.getByRole('option').filter({ hasText: 'Start here' }).first().click();
  await expect(line).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await line.getByRole('button', { name: 'plain words' }).first().click();
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();
  await page.goto(`${app.address}/find?words=lab+3+macroinvertebrate`);
  await page.getByRole('link', { name: 'Lab 3: macroinvertebrate count' }).first().click();
  await expect(page.getByRole('article')).toContainText('What a riffle is for');
  await expect(page.getByRole('article').getByRole('link', { name: /riffle/ })).toHaveCount(0);
});

test('a thing that both sides have is decided field by field, with both texts on the page', async ({ page, app }) => {
  await signIn(page, app, 'Tomas Rhee');
  await openSpread(page, app, 'geo305-s26-01', 'geo305-s27-01');
  await page.getByRole('treeitem', { name: /^Digging a pit stands there already/ }).click();
  await page.getByRole('tree').press('Enter');
  const both = page.getByRole('region', { name: 'Decide about Digging a pit' });
  await expect(page.getByRole('article', { name: 'Digging a pit, as it was' })).toContainText('what to look at first');
  const landed = page.getByRole('article', { name: 'Digging a pit, as it will be' });
  await expect(landed).toContainText('what we shall look at this time');
  await both.getByRole('button', { name: 'the old text' }).click();
  await expect(landed).toContainText('what to look at first');
  await both.getByRole('button', { name: 'both' }).click();
  await expect(landed).toContainText('what we shall look at this time');
  await expect(landed).toContainText('what to look at first');
  await both.getByRole('button', { name: 'written; change it' }).click();
  await page.getByRole('textbox', { name: 'Text in the new course' }).fill('A pit, dug by hand.');
  await both.getByRole('button', { name: 'Take this' }).click();
  await expect(landed).toContainText('A pit, dug by hand.');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  await page.getByRole('button', { name: 'Open the new course' }).click();
  await page.getByRole('treeitem', { name: /^Digging a pit page/ }).click();
  await expect(page.getByRole('article')).toContainText('A pit, dug by hand.');
});

test('choices are saved as a recipe, shared, and say in another course what they could not decide', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openSpread(page, app, 'eco214-s26-01', 'eco214-s27-02');
  await page.getByRole('button', { name: 'kind', exact: true }).click();
  await box(page, /^Surveys/).click();
  await page.getByRole('button', { name: 'recipes' }).click();
  const recipes = page.getByRole('region', { name: 'Recipes' });
  await recipes.getByRole('textbox', { name: 'Name of the recipe' }).fill('Field courses');
  await recipes.getByRole('button', { name: 'Save these choices as a recipe' }).click();
  await expect(recipes).toContainText('leaves surveys — by Ines Marant, yours alone');
  await recipes.getByRole('button', { name: 'share it' }).click();
  await expect(recipes).toContainText('colleagues see it');
  await page.context().clearCookies();
  await signIn(page, app, 'Tomas Rhee');
  await openSpread(page, app, 'geo305-s26-01', 'geo305-s27-01');
  await page.getByRole('button', { name: 'recipes' }).click();
  await recipes.getByRole('button', { name: 'Apply Field courses' }).click();
  await expect(recipes).toContainText('“Field courses” is applied.');
  await expect(recipes).toContainText('it speaks of surveys; there are none here');
  await expect(page.getByRole('button', { name: 'recipe: Field courses' })).toBeVisible();
});

test('how things land, and the settings one by one, are seen on the other page and in the new course', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openSpread(page, app, 'eco214-s26-01', 'eco214-s27-02');
  await page.getByRole('button', { name: 'how it comes' }).click();
  const how = page.getByRole('region', { name: 'How it comes' });
  await how.getByText('as drafts').click();
  await how.getByText('names of areas').click();
  await page.getByRole('button', { name: 'Bring 210 things' }).click();
  await page.getByRole('button', { name: 'Open the new course' }).click();
  await page.getByRole('treeitem', { name: /^How this course works/ }).click();
  await expect(page.getByRole('article')).toContainText('draft');
});

test('last term’s announcements come as drafts to reword: all of them, but one', async ({ page, app }) => {
  await signIn(page, app);
  await openSpread(page, app, 'eco214-s26-01', 'eco214-s27-02');
  await page.getByRole('button', { name: 'announcements of last term 15' }).click();
  const panel = page.getByRole('region', { name: 'announcements of last term' });
  await panel.getByRole('button', { name: 'Bring all to reword' }).click();
  await panel.getByRole('button', { name: 'Leave Exam room' }).click();
  await panel.getByRole('button', { name: 'Bring Video call for those away to reword' }).click();
  await expect(page.getByRole('button', { name: 'Bring 224 things' })).toBeVisible();
  await page.keyboard.press('l');
  await expect(page.getByText('14 things come as drafts, to be reworded')).toBeVisible();
  await page.getByRole('button', { name: 'Bring 224 things' }).click();
  await expect(page.getByRole('region', { name: 'Left over' })).toContainText(
    '14 things come as drafts, to be reworded',
  );
});

test('brought again: what changed is marked, what left the old course is taken out if asked, all of it is taken back', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openSpread(page, app, 'apc120-dev', 'apc120-s27-01');
  await page.getByRole('button', { name: /^Bring \d+ things/ }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();

  const api = async (course: string) => {
    const { items } = (await (await page.request.get(`${app.address}/api/courses/${course}`)).json()) as {
      items: { id: string; title: string }[];
    };
    const path = (title: string): string =>
      `${app.address}/api/courses/${course}/items/${encodeURIComponent(items.find((each) => each.title === title)!.id)}`;
    return {
      add: async (title: string, words: string): Promise<void> => {
        const { version, item } = (await (await page.request.get(path(title))).json()) as {
          version: number;
          item: { body: string };
        };
        const body = item.body.replace('</p>', ` ${words}</p>`);
        expect((await page.request.put(path(title), { data: { version, changes: { body } } })).ok()).toBe(true);
      },
      remove: async (title: string): Promise<void> => {
        expect((await page.request.delete(path(title))).ok()).toBe(true);
      },
    };
  };
  const [old, shell] = [await api('apc120-dev'), await api('apc120-s27-01')];
  await old.add('Queens', 'Mark her with the colour of the year.');
  await old.add('Mites', 'Count them on a board.');
  await shell.add('Mites', 'We count them in the yard.');
  await old.remove('Swarming');
  await shell.remove('Foraging and bloom');
  await openSpread(page, app, 'apc120-dev', 'apc120-s27-01');

  await page.getByRole('treeitem', { name: /^Queens/ }).dblclick();
  const right = page.getByRole('article', { name: 'Queens, as it will be' });
  await expect(right.locator('mark')).toHaveText(['Mark her with the colour of the year.']);
  await page.keyboard.press('Escape');
  await page.getByRole('treeitem', { name: /^Mites stands there already/ }).dblclick();
  await expect(page.getByRole('article', { name: 'Mites, as it was' }).locator('mark')).toHaveText([
    'Count',
    'on a board.',
  ]);
  await page.keyboard.press('Escape');
  const out = page.getByRole('treeitem', { name: /^Foraging and bloom taken out of the shell/ });
  await expect(out).toHaveAttribute('aria-checked', 'false');
  await out.dblclick();
  await expect(page.getByText('was taken out of the shell by hand; it stays out')).toBeVisible();
  await page.getByRole('button', { name: 'put it back' }).click();
  await expect(page.getByRole('article', { name: 'Foraging and bloom, as it will be' })).toContainText('lands');
  await page.getByRole('button', { name: 'leave it' }).click();
  await page.keyboard.press('Escape');
  await expect(out).toHaveAttribute('aria-checked', 'false');

  await page.getByRole('button', { name: 'gone from the old course 1' }).click();
  await page.getByRole('button', { name: 'take out Swarming' }).click();
  await page.getByRole('button', { name: 'Bring 1, take 1 out' }).click();
  const done = page.getByRole('region', { name: 'What was done' });
  await expect(done).toContainText('1 thing taken out');
  await done.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('button', { name: 'Bring 1, take 1 out' })).toBeVisible();
});

const newPage = (page: Page) => page.getByRole('treegrid', { name: 'The new course as it will be' });

test('the shell is emptied first in two presses, and stands again when the run is taken back', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openSpread(page, app, 'eco214-s26-01', 'eco214-s27-02');
  await page.getByRole('button', { name: 'the shell’s own 3' }).click();
  const own = page.getByRole('region', { name: 'The shell’s own' });
  await expect(own).toContainText('the college’s: it stays');
  await own.getByRole('button', { name: 'Empty the shell first: take out all 2' }).click();
  await expect(newPage(page).getByRole('row', { name: /^Library desk hours taken out/ })).toBeVisible();
  await own.getByRole('button', { name: 'keep Library desk hours' }).click();
  await page.getByRole('button', { name: 'Bring 210, take 1 out' }).click();
  const done = page.getByRole('region', { name: 'What was done' });
  await expect(done).toContainText('1 thing taken out');
  const titles = async (): Promise<string[]> => {
    const answer = await page.request.get(`${app.address}/api/courses/eco214-s27-02`);
    return ((await answer.json()) as { items: { title: string }[] }).items.map(({ title }) => title);
  };
  expect(await titles()).not.toContain('Boathouse rules');
  await done.getByRole('button', { name: 'Take it back' }).click();
  await page.getByRole('button', { name: 'Bring 210, take 1 out' }).waitFor();
  expect(await titles()).toContain('Boathouse rules');
});

test('a thing that only the shell has is opened, taken out and kept by keyboard', async ({ page, app }) => {
  await signIn(page, app);
  await openSpread(page, app, 'eco214-s26-01', 'eco214-s27-02');
  await newPage(page).focus();
  const row = newPage(page).getByRole('row', { name: /^Library desk hours/ });
  await expect(async () => {
    if ((await row.getAttribute('aria-selected')) !== 'true') {
      await page.keyboard.press('ArrowDown');
      throw new Error('not there yet');
    }
  }).toPass({ intervals: [10] });
  await page.keyboard.press('Enter');
  await expect(page.getByRole('article', { name: 'Library desk hours, the shell’s own' })).toContainText('weekdays 8');
  await page.keyboard.press('Escape');
  await newPage(page).focus();
  await page.keyboard.press('Space');
  await expect(page.getByRole('status')).toContainText('Library desk hours: is taken out with the run');
  await expect(page.getByRole('button', { name: 'Bring 210, take 1 out' })).toBeVisible();
  await page.keyboard.press('Space');
  await expect(page.getByRole('button', { name: 'Bring 210 things' })).toBeVisible();
});

test('with a filter in force one press leaves what is shown, and nothing that is not', async ({ page, app }) => {
  await signIn(page, app);
  await openSpread(page, app, 'apc120-dev', 'apc120-s27-01');
  const filter = page.getByRole('textbox', { name: 'Show only rows with these words' });
  await filter.fill('quiz');
  const shown = page.getByRole('group', { name: 'The things shown' });
  await expect(shown).toContainText('8 of 47 things shown');
  await shown.getByRole('button', { name: 'leave these 8' }).click();
  await expect(page.getByRole('link', { name: /^What 38 of 47/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await filter.fill('queens');
  await box(page, /^2\. /).click();
  await expect(page.getByRole('link', { name: /^What 44 of 47/ })).toBeVisible();
  await expect(page.getByRole('treeitem', { name: /^2\. Queens/ })).toContainText('0 of 2 shown');
});

test('kinds open folded, units fold by keyboard with the other page, and stay so', async ({ page, app }) => {
  await signIn(page, app);
  await openSpread(page, app, 'apc120-dev', 'apc120-s27-01');
  const tree = page.getByRole('tree');
  const unit = tree.getByRole('treeitem', { name: /^1\. The hive as an animal/ });
  await unit.click({ position: { x: 300, y: 14 } });
  await tree.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowLeft');
  await expect(unit).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('ArrowLeft');
  await expect(unit).toHaveAttribute('aria-expanded', 'false');
  await expect(unit).toContainText('3 of 3');
  await expect(newPage(page).getByRole('row', { name: /^1\. The hive as an animal/ })).toHaveAttribute(
    'aria-expanded',
    'false',
  );
  await page.reload();
  await expect(unit).toHaveAttribute('aria-expanded', 'false');
  await tree.focus();
  await page.keyboard.press('Shift+ArrowRight');
  await expect(unit).toHaveAttribute('aria-expanded', 'true');
  await page.getByRole('button', { name: 'kind', exact: true }).click();
  await expect(tree.getByRole('treeitem')).toHaveCount(await tree.getByRole('treeitem', { expanded: false }).count());
  await tree.getByText('Quizzes', { exact: true }).click();
  await expect(tree.getByRole('treeitem', { name: /^Quiz 1/ })).toBeVisible();
});

test('all goes back to the proposal in two presses, said before; a course that was added is undone like a choice', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  await openSpread(page, app, 'apc120-dev', 'apc120-s27-01');
  await page.getByRole('button', { name: 'nothing yet' }).click();
  await page.getByRole('button', { name: 'as proposed', exact: true }).click();
  const proposed = page.getByRole('region', { name: 'As proposed' });
  await expect(proposed).toContainText('46 things would come that stay now');
  await proposed.getByRole('button', { name: 'Put it all back as proposed' }).click();
  await expect(page.getByRole('link', { name: /^What 46 of 47/ })).toBeVisible();
  await expect(proposed).toContainText('The plan is as it was proposed');
  await page.getByRole('button', { name: 'undo', exact: true }).click();
  await expect(page.getByRole('link', { name: /^What 0 of 47/ })).toBeVisible();
  await page.getByRole('button', { name: 'do again' }).click();
  await page.getByRole('button', { name: 'from 1 course' }).click();
  const courses = page.getByRole('region', { name: 'Courses to bring from' });
  await courses.getByRole('textbox', { name: 'Find another course to bring from' }).fill('field course');
  await courses.getByRole('checkbox', { name: /Field course/ }).click();
  await page.getByRole('button', { name: 'from 2 courses' }).waitFor();
  await page.getByRole('button', { name: 'undo', exact: true }).click();
  await expect(page.getByRole('button', { name: 'from 1 course' })).toBeVisible();
  await expect(page.getByRole('link', { name: /^What 46 of 47/ })).toBeVisible();
});

test('in a course of two thousand things a choice shows at once, and the other page follows', async ({ page, app }) => {
  await signIn(page, app, 'Emi Sato');
  await openSpread(page, app, 'bot220-s26-01', 'bot220-s27-01');
  const tree = page.getByRole('tree');
  const first = tree.getByRole('treeitem').nth(2);
  const title = (await first.locator('.words').textContent())!;
  await expect(newPage(page).getByText(title, { exact: true }).first()).toBeVisible();
  const before = await page.getByRole('link', { name: /^What/ }).textContent();
  await first.locator('.hit').click();
  await expect(first).toHaveAttribute('aria-checked', 'false');
  await expect(newPage(page).getByText(title, { exact: true })).toHaveCount(0);
  expect(await page.getByRole('link', { name: /^What/ }).textContent()).not.toBe(before);
});

test('axe finds nothing serious in the panels of the spread, nor where both sides are decided', async ({
  browser,
  app,
}) => {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await signIn(page, app, 'Tomas Rhee');
  await openSpread(page, app, 'geo305-s26-01', 'geo305-s27-01');
  for (const panel of [
    'how it comes',
    'recipes',
    'from 1 course',
    'as proposed',
    /^needs a decision/,
    'kind',
    'finding',
  ]) {
    const press = page.getByRole('button', { name: panel, exact: typeof panel === 'string' });
    await press.click();
    await expect(press.and(page.locator('[aria-expanded=true], [aria-pressed=true]'))).toBeVisible();
    expect(await seriousIn(page), String(panel)).toEqual([]);
  }
  await page.getByRole('treeitem', { name: /^Digging a pit stands there already/ }).dblclick();
  await page.getByRole('region', { name: 'Decide about Digging a pit' }).waitFor();
  expect(await seriousIn(page), 'both sides').toEqual([]);
});

test('one lab goes into a running course: three presses, its weight stays behind, and what learners see is said', async ({
  page,
  app,
}) => {
  await signIn(page, app);
  const running = 'geo305-f26-01';
  await page.request.patch(`${app.address}/api/courses/${running}`, { data: { openToLearners: true } });
  await openSpread(page, app, 'eco214-s26-01', running);
  await page.getByRole('button', { name: 'nothing yet' }).click();
  await page.getByRole('textbox', { name: 'Show only rows with these words' }).fill('lab 5');
  await box(page, /^Lab 5: drift nets/).click();
  await page.getByRole('textbox', { name: 'Show only rows with these words' }).press('Escape');
  await page.goto(page.url().replace('/what', ''));
  const happens = page.getByRole('region', { name: 'What will happen' });
  await expect(happens).toContainText('The course is open to learners. They see at once 1 thing: Unit 5 · Drifters.');
  await expect(happens).toContainText('Lands as a draft: its date has passed');
  const needs = page.getByRole('region', { name: 'What needs you' });
  await expect(needs).toContainText('“Lab reports” comes without its 40 %');
  await expect(needs).toContainText('the course’s own weights come to 100 % and stay as they are');
  await needs.getByRole('button', { name: 'into Work' }).click();
  await expect(needs).not.toContainText('“Lab reports” comes without');
  await page.getByRole('button', { name: /^Bring \d things/ }).click();
  await page.getByRole('region', { name: 'What was done' }).waitFor();
  await page.goto(`${app.address}/course/${running}/gradebook`);
  await expect(page.getByText('The weights come to 100 %.')).toBeVisible();
  await expect(page.getByRole('rowgroup').filter({ hasText: 'Lab 5: drift nets' })).toContainText('Work');
});
