import { describe, expect, it } from '@jest/globals';
import { homeAndMenu, type Calendar, type ItemView, type SnapshotItem } from '@yarin/core';
import { datesOf, monthOf, monthsOf } from '../src/course/dates/months.js';
import { fileRows, sizeWords } from '../src/course/files/fileRows.js';
import { gradebookOf } from '../src/course/gradebook/gradebook.js';
import { changesOf, draftOf } from '../src/course/item/itemDraft.js';
import { LISTED } from '../src/course/item/listedDetails.js';
import { courseRows } from '../src/course/outline/courseRows.js';
import { dropMove, keyboardMove } from '../src/course/state/moves.js';
import { linksFor } from '../src/course/settings/settingLinks.js';

const item = (id: string, rest: Partial<SnapshotItem> = {}): SnapshotItem => ({
  id,
  kind: 'page',
  title: id,
  contentHash: '',
  state: 'open',
  moments: [],
  links: [],
  ...rest,
});
const unit = (id: string, position: number, parent?: string): SnapshotItem =>
  item(id, { kind: 'unit', position, ...(parent === undefined ? {} : { parent }) });
const page = (id: string, parent: string, position: number): SnapshotItem => item(id, { parent, position });

describe('moving by keyboard', () => {
  const items = [
    unit('u1', 1),
    page('a', 'u1', 1),
    page('b', 'u1', 2),
    page('c', 'u1', 3),
    unit('u2', 2),
    page('d', 'u2', 1),
  ];
  it.each([
    ['b', 'up', { parent: 'u1', before: 'a' }],
    ['a', 'up', undefined],
    ['a', 'down', { parent: 'u1', before: 'c' }],
    ['b', 'down', { parent: 'u1', before: null }],
    ['c', 'down', undefined],
    ['b', 'out', { parent: null, before: 'u2' }],
    ['d', 'out', { parent: null, before: null }],
    ['u1', 'out', undefined],
    ['u2', 'in', { parent: 'u1', before: null }],
    ['a', 'in', undefined],
    ['nothing', 'up', undefined],
  ] as const)('%s %s', (key, way, place) => expect(keyboardMove(items, key, way)).toEqual(place));

  it('a category and a line are neighbours in the gradebook, as they are shown', () => {
    const book = [
      item('line', { kind: 'lineItem', position: 1 }),
      item('category', { kind: 'gradeCategory', position: 2 }),
    ];
    expect(keyboardMove(book, 'category', 'up')).toEqual({ parent: null, before: 'line' });
  });
  it('things in no unit have only those of their area as neighbours', () => {
    const loose = [
      item('f1', { kind: 'file', position: 1 }),
      item('p', { position: 2 }),
      item('f2', { kind: 'file', position: 3 }),
      unit('u', 4),
    ];
    expect(keyboardMove(loose, 'f2', 'up')).toEqual({ parent: null, before: 'f1' });
    expect(keyboardMove(loose, 'u', 'up')).toEqual({ parent: null, before: 'p' });
  });
});

describe('dropping', () => {
  const items = [unit('u1', 1), page('a', 'u1', 1), page('b', 'u1', 2), unit('in', 3, 'u1'), unit('u2', 2)];
  it.each([
    ['b', 'a', 'above', { parent: 'u1', before: 'a' }],
    ['a', 'b', 'below', { parent: 'u1', before: 'in' }],
    ['a', 'u2', 'into', { parent: 'u2', before: null }],
    ['a', 'b', 'into', undefined],
    ['a', 'a', 'above', undefined],
    ['u1', 'in', 'into', undefined],
    ['u1', 'b', 'below', undefined],
    ['a', 'u1', 'below', { parent: null, before: 'u2' }],
  ] as const)('%s on %s, %s', (key, onto, how, place) => expect(dropMove(items, key, onto, how)).toEqual(place));
});

describe('a gradebook', () => {
  const items = [
    item('cat', { kind: 'gradeCategory', title: 'Labs', details: { weight: 60, official: true } }),
    item('quizzes', { kind: 'gradeCategory', title: 'Quizzes', details: { weight: 30 } }),
    item('l1', { kind: 'lineItem', points: 20, links: [{ type: 'gradedIn', to: 'cat' }] }),
    item('l2', { kind: 'lineItem', points: 10, links: [{ type: 'gradedIn', to: 'cat' }] }),
    item('l3', { kind: 'lineItem', points: 5 }),
    item('lab', {
      kind: 'assignment',
      points: 25,
      links: [{ type: 'gradedIn', to: 'l1' }],
      moments: [{ id: 'm', role: 'due', at: '2027-02-01T23:59' }],
    }),
    item('essay', { kind: 'assignment' }),
  ];
  const book = gradebookOf(items);
  it('has lines under their categories, the work of each, and the sum of the weights', () => {
    expect(book.weights).toBe(90);
    expect(book.categories.map(({ title, points, isOfficial }) => [title, points, isOfficial])).toEqual([
      ['Labs', 30, true],
      ['Quizzes', 0, false],
      ['In no category', 5, false],
    ]);
    expect(book.categories[0]!.lines.map(({ work, due }) => [work, due])).toEqual([
      ['assignment', '2027-02-01T23:59'],
      ['on paper or from outside', undefined],
    ]);
  });
  it('says what does not fit', () => {
    expect(book.categories[0]!.lines[0]!.doubt).toBe('the work has 25 points');
    expect(book.categories[2]!.lines[0]!.doubt).toBe('in no category');
    expect(book.outside.map(({ id }) => id)).toEqual(['essay']);
  });
  it('without weights has no sum', () =>
    expect(gradebookOf([item('c', { kind: 'gradeCategory' })]).weights).toBeUndefined());
});

describe('a month', () => {
  const calendar: Calendar = {
    firstDay: '2027-01-11',
    lastDay: '2027-05-07',
    timeZone: 'America/Chicago',
    closures: [
      { from: '2027-03-15', to: '2027-03-21', label: 'Spring break', kind: 'break' },
      { from: '2027-05-03', to: '2027-05-07', kind: 'exams' },
    ],
  };
  const dates = datesOf([
    item('quiz', { moments: [{ id: 'd', role: 'due', at: '2027-03-31T23:59' }] }),
    item('class', {
      moments: [
        { id: 's', role: 'starts', at: '2027-03-02T10:00' },
        { id: 'e', role: 'ends', at: '2027-03-02T11:15' },
      ],
    }),
    item('early', { moments: [{ id: 'p', role: 'posts', at: '2026-12-20T08:00' }] }),
  ]);
  it('is cut into weeks from Monday, with the ends of its neighbours', () => {
    const march = monthOf(2027, 3, dates, calendar);
    expect(march.weeks).toHaveLength(5);
    expect(march.weeks[0]!.map(({ date }) => date)).toEqual([1, 2, 3, 4, 5, 6, 7]);
    expect(march.weeks[4]!.map(({ date, isInMonth }) => [date, isInMonth])).toContainEqual([1, false]);
    expect(march.weeks[2]!.every(({ closure }) => closure === 'Spring break')).toBe(true);
    expect(march.weeks[4]![2]!.dates.map(({ title }) => title)).toEqual(['quiz']);
  });
  it('shows what ends on the day it starts once, exam days, and days outside the term', () => {
    expect(monthOf(2027, 3, dates, calendar).weeks[0]![1]!.dates.map(({ role }) => role)).toEqual(['starts']);
    expect(monthOf(2027, 5, dates, calendar).weeks[1]!.map(({ isExam }) => isExam)).toEqual([
      true,
      true,
      true,
      true,
      true,
      false,
      false,
    ]);
    expect(monthOf(2027, 1, dates, calendar).weeks[0]!.some(({ isInTerm }) => isInTerm)).toBe(false);
  });
  it('there is one for every month of the term and of its dates', () => {
    expect(monthsOf(dates, calendar).map(({ year, month }) => `${year}-${month}`)).toEqual([
      '2026-12',
      '2027-1',
      '2027-2',
      '2027-3',
      '2027-4',
      '2027-5',
    ]);
  });
});

describe('files', () => {
  it('stand by name, with size and what uses each', () => {
    const rows = fileRows([
      item('f2', { kind: 'file', title: 'map.png', details: { bytes: 6572, mediaType: 'image/png' } }),
      item('f1', { kind: 'file', title: 'gear.txt', details: { bytes: 157 } }),
      item('p', {
        title: 'Page',
        links: [
          { type: 'embeds', to: 'f2' },
          { type: 'links', to: 'f2' },
        ],
      }),
    ]);
    expect(rows.map(({ title, users }) => [title, users.map((user) => user.title)])).toEqual([
      ['gear.txt', []],
      ['map.png', ['Page']],
    ]);
    expect([0, 157, 6572, 12_400_000, 3_000_000_000].map(sizeWords)).toEqual([
      '0 bytes',
      '157 bytes',
      '6.6 kB',
      '12 MB',
      '3.0 GB',
    ]);
  });
});

describe('an edit', () => {
  const view = (rest: object = {}): ItemView =>
    ({
      version: 3,
      item: {
        id: 'a',
        kind: 'assignment',
        title: 'Lab',
        body: '<p>x</p>',
        state: 'open',
        points: 20,
        moments: [{ id: 'm', role: 'due', at: '2027-02-01T23:59' }],
        links: [
          { type: 'gradedIn', to: 'l1', title: 'Line' },
          { type: 'embeds', to: 'f', title: 'File' },
        ],
        details: { attempts: 2, unknown: 'stays' },
        ...rest,
      },
      usedBy: [],
      mark: null,
      earlier: [],
      editedBy: null,
    }) as ItemView;
  it('names only what was changed', () => {
    const draft = draftOf(view());
    expect(changesOf(view(), draft)).toEqual({});
    draft.points = undefined;
    draft.details.attempts = undefined;
    draft.moments = [{ ...draft.moments[0]!, at: '2027-02-02T23:59' }, { role: 'opens' }];
    expect(changesOf(view(), draft)).toEqual({
      points: null,
      details: { attempts: null },
      moments: [{ id: 'm', role: 'due', at: '2027-02-02T23:59' }],
    });
  });
  it('names the category only when it is another, and null when it is none any more', () => {
    const draft = draftOf(view(), 'labs');
    expect(changesOf(view(), draft, 'labs')).toEqual({});
    draft.category = 'quizzes';
    expect(changesOf(view(), draft, 'labs')).toEqual({ category: 'quizzes' });
    draft.category = '';
    expect(changesOf(view(), draft, 'labs')).toEqual({ category: null });
  });
  it('says how many are drawn from a bank', () => {
    const quiz = view({ kind: 'quiz', links: [{ type: 'draws', to: 'bank', quantity: 10, title: 'Bank' }] });
    const draft = draftOf(quiz);
    draft.quantities.bank = 8;
    expect(changesOf(quiz, draft).links).toEqual([{ type: 'draws', to: 'bank', quantity: 8 }]);
  });
  it('keeps links that have no field when one that has is changed', () => {
    const draft = draftOf(view());
    draft.links.gradedIn = ['l2'];
    expect(changesOf(view(), draft).links).toEqual([
      { type: 'embeds', to: 'f' },
      { type: 'gradedIn', to: 'l2' },
    ]);
  });
});

describe('lists that a thing holds', () => {
  it.each([
    [
      'questionBank',
      {
        questions: [
          { stem: 'A riffle is', options: ['shallow', 'deep'], answer: 0 },
          { stem: 'Why?', options: [] },
        ],
      },
      [
        { stem: 'A riffle is', options: '* shallow\ndeep' },
        { stem: 'Why?', options: '' },
      ],
    ],
    ['groups', { groups: [{ name: 'Heron', size: 4 }] }, [{ name: 'Heron', size: '4' }]],
    [
      'scoreScale',
      {
        scale: [
          ['A', 93],
          ['F', 0],
        ],
      },
      [
        { letter: 'A', from: '93' },
        { letter: 'F', from: '0' },
      ],
    ],
  ] as const)('%s is read into rows and written back as it was', (kind, details, rows) => {
    expect(LISTED[kind]!.read(details)).toEqual(rows);
    expect(LISTED[kind]!.write(rows as never)).toEqual(details);
  });
  it('what is no number counts as none, and a row that is new is empty', () => {
    expect(LISTED.groups!.write([{ name: 'Newt', size: 'four' }, {}])).toEqual({
      groups: [
        { name: 'Newt', size: 0 },
        { name: '', size: 0 },
      ],
    });
    expect(LISTED.groups!.read({ groups: 'none' })).toEqual([]);
  });
});

describe('home page and menu', () => {
  const settings = item('s', {
    kind: 'courseSettings',
    details: { menu: ['start', 'c.u1'], areas: { announcements: 'News' } },
    links: [
      { type: 'shows', to: 'c.home' },
      { type: 'shows', to: 'c.start' },
      { type: 'shows', to: 'c.u1' },
    ],
  });
  it('are read from the links, whichever way the entries are named', () => {
    expect(homeAndMenu(settings, [])).toEqual({
      home: 'c.home',
      menu: ['c.start', 'c.u1'],
      picture: null,
      areas: { announcements: 'News' },
    });
    expect(homeAndMenu(undefined, [])).toEqual({ home: null, menu: [], picture: null, areas: {} });
  });
  it('an entry without a link is found in the course; one that leads to nothing is kept and seen', () => {
    const loose = item('s', { kind: 'courseSettings', details: { home: 'c.gone', menu: ['u2', 'nowhere'] } });
    expect(homeAndMenu(loose, ['c.u1', 'c.u2'])).toMatchObject({ home: 'c.gone', menu: ['c.u2', 'nowhere'] });
  });
  it('are written as links, each once', () => {
    const next = { home: 'c.start', menu: ['c.start', 'c.u1', 'c.gone'], picture: 'c.pic', areas: {} };
    expect(linksFor(settings.links!, next, (key) => key !== 'c.gone')).toEqual([
      { type: 'shows', to: 'c.start' },
      { type: 'shows', to: 'c.u1' },
      { type: 'embeds', to: 'c.pic' },
    ]);
  });
});

describe('rows of an outline', () => {
  it('say what is marked for next time', () => {
    const rows = courseRows(
      [item('a'), item('b'), item('c')],
      [
        { item: 'a', mark: 'never' },
        { item: 'b', note: 'x' },
      ],
    );
    expect(rows.map(({ mark }) => mark)).toEqual(['never carry on', 'a note', '']);
  });
});
