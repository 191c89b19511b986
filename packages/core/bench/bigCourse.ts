import type { Course, Item } from '../src/schemas/course.js';

const UNITS = 420;

/** A unit with 24 things in it: pages that show files, a quiz with its bank, work with its line, rules, announcements. */
function unitOf(at: number): Item[] {
  const id = (name: string): string => `${name}-${at}`;
  const day = new Date(Date.UTC(2026, 0, 12 + (at % 110))).toISOString().slice(0, 10);
  const dues = (name: string): Item['moments'] => [
    { id: `${id(name)}-due`, role: 'due', at: `${day}T23:59` },
    { id: `${id(name)}-opens`, role: 'opens', at: `${day}T08:00` },
  ];
  const within = (item: Item, position: number): Item => ({
    ...item,
    parent: id('u'),
    position,
    state: 'open',
    editedAt: '2026-01-05T09:00',
  });
  const pages = Array.from({ length: 10 }, (_, page): Item => ({
    id: id(`p${page}`),
    kind: 'page',
    title: `Page ${page} of ${at}`,
    body: `<p>Page ${page} of unit ${at} <img src="item:${id(`f${page % 5}`)}"></p>`,
  }));
  const files = Array.from({ length: 5 }, (_, file): Item => ({
    id: id(`f${file}`),
    kind: 'file',
    title: `figure-${at}-${file}.png`,
    details: { hash: `sha256:${at}${file}` },
  }));
  return [
    { id: id('u'), kind: 'unit', title: `Unit ${at}`, body: `<p>Unit ${at}</p>`, position: at },
    ...[
      ...pages,
      {
        id: id('q'),
        kind: 'quiz',
        title: `Quiz ${at}`,
        points: 10,
        moments: dues('q'),
        links: [
          { type: 'draws', to: id('b') },
          { type: 'gradedIn', to: id('l') },
        ],
      },
      {
        id: id('w'),
        kind: 'assignment',
        title: `Work ${at}`,
        body: `<p>Work ${at}</p>`,
        points: 10,
        moments: dues('w'),
        links: [{ type: 'gradedIn', to: id('l2') }],
      },
      {
        id: id('a'),
        kind: 'announcement',
        title: `News ${at}`,
        body: '<p>See you tomorrow.</p>',
        moments: [{ id: id('a-posts'), role: 'posts', at: `${day}T09:00` }],
      },
      {
        id: id('e'),
        kind: 'event',
        title: 'Bench hours',
        moments: [
          { id: id('e-starts'), role: 'starts', at: `${day}T13:00` },
          { id: id('e-ends'), role: 'ends', at: `${day}T14:00` },
        ],
      },
    ].map((item, position) => within(item as Item, position)),
    { id: id('b'), kind: 'questionBank', title: `Bank ${at}`, details: { count: at } },
    { id: id('l'), kind: 'lineItem', title: `Quiz ${at}`, points: 10, links: [{ type: 'gradedIn', to: 'cat' }] },
    { id: id('l2'), kind: 'lineItem', title: `Work ${at}`, points: 10, links: [{ type: 'gradedIn', to: 'cat' }] },
    {
      id: id('r'),
      kind: 'rule',
      title: `Rule ${at}`,
      links: [
        { type: 'reads', to: id('q') },
        { type: 'guards', to: id('w') },
      ],
    },
    ...files,
  ];
}

const calendar = (name: string, firstDay: string, lastDay: string) => ({
  name,
  firstDay,
  lastDay,
  timeZone: 'America/Chicago',
});
const head = { code: 'BIG', number: '900', section: '01', title: 'Everything' };
/** 10,081 things of every common kind, as they hang together in a real course. */
export const bigCourse = (): Course => ({
  course: { ...head, id: 'big-s26', term: 'Spring 2026' },
  calendar: calendar('Spring 2026', '2026-01-12', '2026-05-08'),
  items: [
    { id: 'cat', kind: 'gradeCategory', title: 'Work', details: { weight: 100 } },
    ...Array.from({ length: UNITS }, (_, at) => unitOf(at)).flat(),
  ],
});

export const bigShell = (): Course => ({
  course: { ...head, id: 'big-s27', term: 'Spring 2027' },
  calendar: calendar('Spring 2027', '2027-01-11', '2027-05-07'),
  items: [],
});
