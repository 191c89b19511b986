import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { planJobProblems } from '../../src/plan/headless/checkPlanJob.js';
import { planCourses } from '../../src/plan/headless/planCourses.js';
import type { Course, Item } from '../../src/schemas/course.js';
import type { Planned, PlanJob } from '../../src/schemas/planJob.js';
import { due, item, newShell, oldCourse, stock, unit } from '../builders.js';

const plan = (job: PlanJob): Planned => {
  const result = planCourses(job);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const verbs = ({ lines }: Planned): Record<string, string> =>
  Object.fromEntries(
    lines.map(({ source, item: id, verb }) => [source === 'old' || source === 'new' ? id : `${source}/${id}`, verb]),
  );
const titles = ({ course }: Planned): string[] => course.items.map(({ title }) => title);
const idsOf = ({ course }: Planned): string[] => course.items.map(({ id }) => id);

const LAB = item('assignment', 'lab', {
  body: '<p>Count. See <a href="item:page">the page</a>.</p>',
  points: 20,
  moments: due('lab', '2026-02-09T23:59'),
  links: [{ type: 'gradedIn', to: 'line' }],
});
const COURSE = oldCourse(
  ...unit('u', item('page', 'page', { body: '<p>Riffles <img src="item:map.png"></p>' }), LAB),
  item('lineItem', 'line', { points: 20 }),
  item('file', 'map.png'),
  item('announcement', 'snow', { body: '<p>Closed today.</p>' }),
);
const job = (rest: Partial<PlanJob> = {}): PlanJob => ({
  sources: [COURSE],
  destination: newShell(stock('page', 'here', { title: 'Library', body: '<p>8 to 20</p>' })),
  policy: { rule: 'week', weekdays: { 1: 2, 3: 4 } },
  ...rest,
});
/** The same plan again, on what the first left. */
const again = (first: Planned, rest: Partial<PlanJob> = {}): Planned =>
  plan(job({ destination: first.course, history: first.history, ...rest }));

describe('a plan of whole courses', () => {
  it('says a verb for every thing, and shows the new course with its texts and new dates', () => {
    const planned = plan(job());
    expect(verbs(planned)).toEqual({
      u: 'add',
      page: 'add',
      lab: 'add',
      line: 'add',
      'map.png': 'add',
      snow: 'leave',
      here: 'here',
    });
    const lab = planned.course.items.find(({ id }) => id === 'lab')!;
    expect(lab).toMatchObject({ parent: 'u', points: 20, moments: [{ role: 'due', at: '2027-02-09T23:59' }] });
    expect(lab.body).toContain('item:page');
    expect(planned.counts.announcement).toEqual({ source: 1, bring: 0, leave: 1 });
  });
  it('is the same for the same input', () => {
    expect(plan(job())).toEqual(plan(job()));
  });
  it('run twice adds nothing and changes nothing', () => {
    const first = plan(job());
    const second = again(first);
    expect(new Set(Object.values(verbs(second)))).toEqual(new Set(['same', 'leave', 'here']));
    expect(second.course).toEqual(first.course);
  });
  it('run again after the source changed brings only what changed, and keeps what was written in the shell', () => {
    const first = plan(job());
    const edited = (course: Course, id: string, body: string): Course => ({
      ...course,
      items: course.items.map((each) => (each.id === id ? { ...each, body } : each)),
    });
    const source = edited(COURSE, 'page', '<p>Pools</p>');
    const second = again(first, { sources: [source], destination: edited(first.course, 'lab', '<p>Mine</p>') });
    expect(verbs(second)).toMatchObject({ page: 'update', lab: 'keep', u: 'same' });
    const third = again(first, { sources: [source], destination: edited(first.course, 'page', '<p>Mine</p>') });
    expect(verbs(third)).toMatchObject({ page: 'ask' });
    expect(third.course.items.find(({ id }) => id === 'page')!.body).toBe('<p>Mine</p>');
  });
  it('what a person deleted in the shell does not come again; what left the source is said', () => {
    const first = plan(job());
    const without = (course: Course, id: string): Course => ({
      ...course,
      items: course.items.filter((each) => each.id !== id),
    });
    const second = again(first, { destination: without(first.course, 'page') });
    expect(verbs(second)).toMatchObject({ page: 'keep' });
    expect(idsOf(second)).not.toContain('page');
    const third = again(first, { sources: [without(COURSE, 'page')] });
    expect(verbs(third)).toMatchObject({ page: 'gone' });
    expect(idsOf(third)).toContain('page');
  });
  it('a heading that came for a child has no text, and gets it when it is chosen', () => {
    const first = plan(job({ choices: { all: 'leave', items: { page: 'bring' } } }));
    expect(first.course.items.find(({ id }) => id === 'u')).not.toHaveProperty('body');
    expect(first.lines.find(({ item: id }) => id === 'u')).toMatchObject({ headingOnly: true, verb: 'add' });
    const same = again(first, { choices: { all: 'leave', items: { page: 'bring' } } });
    expect(same.course).toEqual(first.course);
    const second = again(first);
    expect(second.course.items.find(({ id }) => id === 'u')!.body).toBe('<p>u</p>');
  });
  it('texts lead to where things stand now: what joined, what had to take another id, paths into the old course', () => {
    const source = oldCourse(
      item('page', 'start', { title: 'Start', body: '<p>Begin</p>' }),
      item('page', 'clash', { body: '<p>Clash</p>' }),
      item('page', 'left', { body: '<p>Left</p>' }),
      item('page', 'p', {
        body: '<a href="item:start">a</a><a href="/courses/old/items/clash?x=1">b</a><a href="/courses/old/items/left">c</a>',
      }),
    );
    const shell = newShell(
      stock('page', 's1', { title: 'Start' }),
      item('quiz', 'clash', { title: 'Another', body: '<p>Mine</p>' }),
    );
    const planned = plan(job({ sources: [source], destination: shell, choices: { items: { left: 'leave' } } }));
    const landed = planned.lines.find(({ item: id }) => id === 'clash')!.to!;
    expect(landed).not.toBe('clash');
    expect(planned.course.items.find(({ id }) => id === 'p')!.body).toBe(
      `<a href="item:s1">a</a><a href="/courses/new/items/${encodeURIComponent(landed)}?x=1">b</a><a href="/courses/old/items/left">c</a>`,
    );
    // Turned addresses are no edit of a person: the next run finds the page to be the same.
    const second = plan(
      job({
        sources: [source],
        destination: planned.course,
        history: planned.history,
        choices: { items: { left: 'leave' } },
      }),
    );
    expect(verbs(second)).toMatchObject({ p: 'same', start: 'same' });
    expect(second.course).toEqual(planned.course);
  });
});

describe('what both sides have', () => {
  const shell = newShell(item('page', 'mine', { title: 'Page', body: '<p>Mine</p>', points: 5, parent: undefined }));
  const both = (answers?: PlanJob['answers']): Planned =>
    plan(
      job({
        sources: [oldCourse(item('page', 'theirs', { title: 'page', body: '<p>Theirs</p>', points: 9 }))],
        destination: shell,
        ...(answers === undefined ? {} : { answers }),
      }),
    );
  it('stays the shell’s while nobody answers, and is a loose end', () => {
    const planned = both();
    expect(planned.course.items).toMatchObject([{ id: 'mine', body: '<p>Mine</p>', points: 5 }]);
    expect(planned.looseEnds.map(({ code }) => code)).toContain('standsAlready');
  });
  it.each<[string, NonNullable<PlanJob['answers']>[string], Partial<Item>]>([
    ['the old text, my points', { body: 'source' }, { title: 'Page', body: '<p>Theirs</p>', points: 5 }],
    ['the old points, my text', { points: 'source' }, { body: '<p>Mine</p>', points: 9 }],
    ['both texts', { body: { text: '<p>Mine</p><p>Theirs</p>' } }, { body: '<p>Mine</p><p>Theirs</p>', points: 5 }],
    ['another title', { title: { text: 'Pages' } }, { title: 'Pages', body: '<p>Mine</p>' }],
    ['all as it is here', { body: 'shell' }, { title: 'Page', body: '<p>Mine</p>', points: 5 }],
  ])('is decided field by field: %s', (_, answer, expected) => {
    const planned = both({ theirs: answer });
    expect(planned.course.items).toHaveLength(1);
    expect(planned.course.items[0]).toMatchObject({ id: 'mine', ...expected });
    expect(planned.looseEnds.map(({ code }) => code)).not.toContain('standsAlready');
    const second = plan(
      job({
        sources: [oldCourse(item('page', 'theirs', { title: 'page', body: '<p>Theirs</p>', points: 9 }))],
        destination: planned.course,
        history: planned.history,
      }),
    );
    expect(verbs(second)).toEqual({ theirs: 'same' });
  });
});

describe('several sources', () => {
  const course = (id: string, ...items: Item[]): Course => ({
    ...oldCourse(...items),
    course: { ...oldCourse().course, id },
  });
  const template = course(
    'template',
    item('page', 't1', { title: 'House rules', body: '<p>Rules of the house</p>' }),
    item('page', 't2', { title: 'Field code', body: '<p>Nobody enters alone</p>' }),
    item('page', 't3', { title: 'Before you begin', body: '<p><a href="item:t1">the rules</a></p>' }),
  );
  const last = course(
    'last',
    item('page', 'l1', { title: 'House Rules', body: '<p>Our own rules</p>' }),
    item('page', 'l2', { title: 'Field code', body: '<p>Nobody enters alone</p>' }),
    item('page', 'l3', {
      title: 'Rivers',
      body: '<p><a href="item:l1">rules</a></p>',
      links: [{ type: 'embeds', to: 'l1' }],
    }),
  );
  it('come in their order, and what stands in two of them comes once, from the first', () => {
    const planned = plan(job({ sources: [template, last] }));
    expect(titles(planned).sort()).toEqual(['Before you begin', 'Field code', 'House rules', 'Library', 'Rivers']);
    expect(planned.lines.filter(({ source }) => source === 'last')).toMatchObject([
      { item: 'l1', verb: 'leave', why: [{ reason: 'overlap', item: 't1' }], to: 't1' },
      { item: 'l2', verb: 'leave', why: [{ reason: 'overlap', item: 't2' }], to: 't2' },
      { item: 'l3', verb: 'add' },
    ]);
  });
  it('what needs the one that stays behind gets the other', () => {
    const planned = plan(job({ sources: [template, last] }));
    const rivers = planned.course.items.find(({ id }) => id === 'l3')!;
    expect(rivers.links).toEqual([{ type: 'embeds', to: 't1' }]);
    expect(rivers.body).toBe('<p><a href="item:t1">rules</a></p>');
  });
  it('a person can choose the later one’s by itself', () => {
    const planned = plan(job({ sources: [template, last], choices: { items: { l1: 'bring' } } }));
    expect(planned.course.items.find(({ id }) => id === 'l1')!.body).toBe('<p>Our own rules</p>');
    expect(idsOf(planned)).not.toContain('t1');
    // What leads to the earlier one's, in the earlier source, leads to it.
    const leading = planned.course.items.find(({ id }) => id === 't3')!;
    expect([leading.links, leading.body]).toEqual([
      [{ type: 'links', to: 'l1' }],
      '<p><a href="item:l1">the rules</a></p>',
    ]);
    expect(planned.looseEnds.map(({ code }) => code)).not.toContain('linkToNothing');
  });
  it('run twice add nothing', () => {
    const first = plan(job({ sources: [template, last] }));
    const second = plan(job({ sources: [template, last], destination: first.course, history: first.history }));
    expect(second.course.items).toHaveLength(5);
    expect(second.lines.filter(({ verb }) => verb === 'add')).toEqual([]);
  });
});

describe('settings of the course', () => {
  const settings = (id: string, details: Item['details'], links: Item['links']): Item =>
    item('courseSettings', id, { details, links });
  const source = oldCourse(
    item('page', 'home', { body: '<p>Home</p>' }),
    item('unit', 'first', { body: '<p>1</p>' }),
    settings('set', { menu: ['first'], areas: { files: 'Shelf' }, openToLearners: true }, [
      { type: 'shows', to: 'home' },
      { type: 'shows', to: 'first' },
    ]),
  );
  const shell = newShell(stock('page', 'own', { body: '<p>Own</p>' }), {
    ...stock('courseSettings', 'new-set'),
    details: { menu: ['own'] },
    links: [{ type: 'shows', to: 'own' }],
  });
  const landed = (choices: PlanJob['choices']): Item =>
    plan(job({ sources: [source], destination: shell, choices: choices ?? {} })).course.items.find(
      ({ kind }) => kind === 'courseSettings',
    )!;
  it('come each by itself; who gets in is decided anew', () => {
    expect(landed({}).details).toEqual({ home: 'home', menu: ['first'], areas: { files: 'Shelf' } });
    expect(landed({ settings: { menu: 'leave' } }).details).toEqual({
      home: 'home',
      menu: ['own'],
      areas: { files: 'Shelf' },
    });
    expect(landed({ settings: { home: 'leave', areas: 'leave' } }).details).toEqual({ menu: ['first'] });
  });
  it('an entry of the shell’s menu goes with what is taken out', () => {
    expect(landed({ settings: { menu: 'leave' }, takeOut: { own: true } }).details).toEqual({
      home: 'home',
      areas: { files: 'Shelf' },
    });
  });
  it('an entry of the menu stays with what it leads to, and so does the home page', () => {
    expect(landed({ items: { home: 'leave' } }).details).toEqual({ menu: ['first'], areas: { files: 'Shelf' } });
    expect(landed({ units: { first: 'leave' } })).toMatchObject({
      details: { home: 'home', menu: ['own'] },
      links: [
        { type: 'shows', to: 'home' },
        { type: 'shows', to: 'own' },
      ],
    });
  });
});

describe('a syllabus', () => {
  const section = (title: string, locked = false) => ({ title, body: `<p>${title}</p>`, locked });
  const source = oldCourse(
    item('syllabus', 'old-outline', {
      title: 'Outline',
      details: { sections: [section('Honesty of 2026', true), section('About'), section('Marks')] },
    }),
  );
  const landed = (choices: PlanJob['choices'], ...shell: Item[]): unknown =>
    (
      plan(job({ sources: [source], destination: newShell(...shell), choices: choices ?? {} })).course.items.find(
        ({ kind }) => kind === 'syllabus',
      )!.details!.sections as { title: string }[]
    ).map(({ title }) => title);
  const stocked = stock('syllabus', 's', {
    title: 'Outline',
    details: { sections: [section('Honesty of 2027', true)] },
  });
  it('comes section by section; the college’s stay the shell’s own', () => {
    expect(landed({})).toEqual(['About', 'Marks']);
    expect(landed({}, stocked)).toEqual(['Honesty of 2027', 'About', 'Marks']);
    expect(landed({ sections: { 'old-outline': { 1: 'leave' } } }, stocked)).toEqual(['Honesty of 2027', 'Marks']);
  });
});

describe('what lands how', () => {
  const states = (choices: PlanJob['choices'], source = COURSE): Record<string, string | undefined> =>
    Object.fromEntries(
      plan(job({ sources: [source], choices: choices ?? {} })).course.items.map(({ id, state }) => [id, state]),
    );
  it('by the plan, the kind, the mark and the item, the narrowest winning', () => {
    expect(states({ landing: 'hidden' })).toMatchObject({ u: 'hidden', page: 'hidden', lab: 'hidden' });
    expect(states({ landing: 'hidden', landings: { kinds: { page: 'draft' } } })).toMatchObject({
      page: 'draft',
      lab: 'hidden',
    });
    const marked: Course = { ...COURSE, marks: [{ item: 'page', mark: 'hidden' }] };
    expect(states({ landings: { kinds: { page: 'draft' } } }, marked).page).toBe('hidden');
    expect(states({ landings: { items: { page: 'as it was' } } }, marked).page).toBe('open');
  });
  it('nothing lands open with a date that has passed, unless somebody wants it so', () => {
    // The lab is due on Tuesday 9 February 2027 at 23:59.
    const labOn = (now: string, rest: Partial<PlanJob> = {}): string | undefined =>
      plan(job({ now, ...rest })).course.items.find(({ id }) => id === 'lab')!.state;
    expect(labOn('2027-02-09T23:58')).toBe('open');
    expect(labOn('2027-02-10T08:00')).toBe('draft');
    expect(labOn('2027-02-10T08:00', { byHand: { 'lab-due': '2027-02-09T12:00' } })).toBe('open');
    expect(labOn('2027-02-10T08:00', { choices: { landings: { items: { lab: 'as it was' } } } })).toBe('open');
    expect(labOn('2027-02-10T08:00', { choices: { landing: 'hidden' } })).toBe('hidden');
  });
  it('what learners never open stays as it was: a line of the gradebook is no draft', () => {
    const hidden = states({ landing: 'draft', landings: { kinds: { lineItem: 'hidden' } } });
    expect(hidden).toMatchObject({ lab: 'draft', line: 'open' });
  });
  it('discussions come without the teacher’s opening post when so chosen', () => {
    const talk = oldCourse(item('discussion', 'd', { body: '<p>Prompt</p>', details: { openingPost: true } }));
    const landed = (openingPosts: 'bring' | 'leave'): unknown =>
      plan(job({ sources: [talk], choices: { openingPosts } })).course.items.find(({ id }) => id === 'd')!.details;
    expect([landed('bring'), landed('leave')]).toEqual([{ openingPost: true }, { openingPost: false }]);
  });
});

describe('needs that a choice would break', () => {
  it('an equivalent of the shell serves in the place of what was left', () => {
    const shell = newShell(item('file', 'new-map', { details: { hash: 'sha256:1' } }));
    const left = plan(job({ destination: shell, choices: { kinds: { file: 'leave' } } }));
    expect(left.looseEnds.map(({ code }) => code)).toContain('neededButLeft');
    expect(idsOf(left)).toContain('map.png');
    const served = plan(
      job({ destination: shell, choices: { kinds: { file: 'leave' }, equivalents: { 'map.png': 'new-map' } } }),
    );
    expect(served.looseEnds.map(({ code }) => code)).not.toContain('neededButLeft');
    expect(idsOf(served)).not.toContain('map.png');
    expect(served.course.items.find(({ id }) => id === 'page')!.links).toEqual([{ type: 'embeds', to: 'new-map' }]);
  });
  it('what would open without its condition is said, until it is let open', () => {
    const ruled = oldCourse(
      item('quiz', 'q', { body: '<p>1</p>' }),
      item('page', 'guarded', { body: '<p>2</p>' }),
      item('rule', 'r', {
        links: [
          { type: 'reads', to: 'q' },
          { type: 'guards', to: 'guarded' },
        ],
      }),
    );
    const ends = (choices: PlanJob['choices']): string[] =>
      plan(job({ sources: [ruled], choices: choices ?? {} })).looseEnds.map(({ sentence }) => sentence);
    const SAID = '“guarded” would open without its condition';
    expect(ends({ items: { q: 'leave' } })).toContain(SAID);
    expect(ends({ items: { q: 'leave', guarded: 'leave' } })).not.toContain(SAID);
    expect(ends({ items: { q: 'leave' }, letOpen: { r: true } })).not.toContain(SAID);
    expect(ends({})).not.toContain(SAID);
  });
  it.each<[string, Partial<NonNullable<PlanJob['choices']>>, 'open' | 'hidden', PlanJob['sources'][number]['marks']]>([
    ['all things land hidden', { landing: 'hidden' }, 'open', []],
    ['its kind does', { landings: { kinds: { page: 'hidden' } } }, 'open', []],
    ['it does by itself', { landings: { items: { guarded: 'hidden' } } }, 'open', []],
    ['its mark says so', {}, 'open', [{ item: 'guarded', mark: 'hidden' }]],
    ['it was hidden', {}, 'hidden', []],
  ])('nothing opens without its condition when %s', (_, landing, state, marks) => {
    const ruled = oldCourse(
      item('quiz', 'q', { body: '<p>1</p>' }),
      item('page', 'guarded', { body: '<p>2</p>', state }),
      item('rule', 'r', {
        links: [
          { type: 'reads', to: 'q' },
          { type: 'guards', to: 'guarded' },
        ],
      }),
    );
    const choices = { items: { q: 'leave' as const }, ...landing };
    const { looseEnds } = plan(job({ sources: [{ ...ruled, marks }], choices }));
    expect(looseEnds.map(({ code }) => code)).not.toContain('ruleStays');
  });
});

describe('a job that makes no sense', () => {
  it.each<[string, Partial<PlanJob>, string, string]>([
    ['a kind that is none', { choices: { kinds: { exam: 'leave' } } }, 'noSuchKind', '/choices/kinds/exam'],
    [
      'a finding that is none',
      { choices: { findings: { stale: 'leave' } } },
      'noSuchFinding',
      '/choices/findings/stale',
    ],
    ['an item that is nowhere', { choices: { items: { 'a/b': 'leave' } } }, 'noSuchItem', '/choices/items/a~1b'],
    ['a date by hand of nothing', { byHand: { x: '2027-02-01T10:00' } }, 'noSuchMoment', '/byHand/x'],
    ['a day on no calendar', { byHand: { 'lab-due': '2027-02-30T10:00' } }, 'noSuchDate', '/byHand/lab-due'],
    ['a course into itself', { sources: [newShell()] }, 'sameCourse', '/destination'],
    ['an id twice', { sources: [oldCourse(item('page', 'p'), item('page', 'p'))] }, 'idTwice', '/sources/0/items/1/id'],
  ])('is told by its place: %s', (_, rest, code, where) => {
    expect(planJobProblems(job(rest))).toMatchObject([{ code, where }]);
  });
  it('a sound one has no problems, a missing unit is none', () => {
    expect(planJobProblems(job({ sources: [oldCourse(item('page', 'p', { parent: 'nowhere' }))] }))).toEqual([]);
  });
});

describe('for any choices', () => {
  const side = fc.constantFrom('bring' as const, 'leave' as const);
  const ids = COURSE.items.map(({ id }) => id);
  it('the preview loses nothing of the shell, doubles nothing, and a second run changes nothing', () => {
    fc.assert(
      fc.property(
        fc.record({
          all: side,
          items: fc.dictionary(fc.constantFrom(...ids), side),
          kinds: fc.dictionary(fc.constantFrom('page', 'file', 'unit'), side),
        }),
        (choices) => {
          const first = plan(job({ choices }));
          expect(idsOf(first)).toContain('here');
          expect(new Set(idsOf(first)).size).toBe(idsOf(first).length);
          expect(again(first, { choices }).course).toEqual(first.course);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('what is to be reworded', () => {
  const source = oldCourse(
    item('announcement', 'snow', { body: '<p>Closed today.</p>' }),
    item('announcement', 'trip', { body: '<p>We leave tomorrow.</p>' }),
    item('page', 'plain', { body: '<p>Rivers</p>' }),
  );
  const turned = (choices: PlanJob['choices'], rest: Partial<PlanJob> = {}): Planned =>
    plan(job({ sources: [source], choices: choices ?? {}, ...rest }));
  const ends = ({ looseEnds }: Planned): string[][] =>
    looseEnds.filter(({ code }) => code === 'toReword').map(({ items }) => items);
  const stateOf = ({ course }: Planned, id: string): string | undefined =>
    course.items.find((each) => each.id === id)?.state;

  it('comes as a draft and is a loose end, by finding or one by one', () => {
    const all = turned({ findings: { lastTermsAnnouncement: 'reword' } });
    expect(verbs(all)).toMatchObject({ snow: 'add', trip: 'add', plain: 'add' });
    expect(['snow', 'trip', 'plain'].map((id) => stateOf(all, id))).toEqual(['draft', 'draft', 'open']);
    expect(ends(all)).toEqual([['snow', 'trip']]);
    const one = turned({ items: { trip: 'reword' } });
    expect(verbs(one)).toMatchObject({ snow: 'leave', trip: 'add' });
    expect(ends(one)).toEqual([['trip']]);
    const but = turned({ findings: { lastTermsAnnouncement: 'reword' }, items: { snow: 'leave' } });
    expect(ends(but)).toEqual([['trip']]);
  });
  it('stays a loose end after the run, until a person writes it anew in the shell', () => {
    const choices = { items: { trip: 'reword' as const } };
    const first = turned(choices);
    const left = turned(choices, { destination: first.course, history: first.history });
    expect(ends(left)).toEqual([['trip']]);
    const items = first.course.items.map((each) => (each.id === 'trip' ? { ...each, body: '<p>New</p>' } : each));
    const written = turned(choices, { destination: { ...first.course, items }, history: first.history });
    expect(ends(written)).toEqual([]);
    expect(verbs(written)).toMatchObject({ trip: 'keep' });
  });
});

describe('what left the source', () => {
  const line = item('lineItem', 'line', { points: 20 });
  const source = oldCourse(
    ...unit('u', item('page', 'a', { body: '<p>A</p>' }), item('page', 'b', { body: '<p>B</p>' })),
    item('quiz', 'q', { body: '<p>Q</p>', links: [{ type: 'gradedIn', to: 'line' }] }),
    line,
  );
  const first = plan(job({ sources: [source] }));
  const after = (left: string[], takeOut: string[]): Planned =>
    plan(
      job({
        sources: [{ ...source, items: source.items.filter(({ id }) => !left.includes(id)) }],
        destination: first.course,
        history: first.history,
        choices: { takeOut: Object.fromEntries(takeOut.map((id) => [id, true])) },
      }),
    );
  const isThere = (planned: Planned, ...ids: string[]): boolean[] => ids.map((id) => idsOf(planned).includes(id));
  it.each<[string, string[], string[], boolean[]]>([
    ['stays unless somebody asks', ['a'], [], [true, true]],
    ['is taken out when somebody asks', ['a'], ['a'], [true, false]],
    ['stays when the source still has it, whatever was asked', [], ['a'], [true, true]],
    ['a unit stays while something that stays is in it', ['u', 'a'], ['u', 'a'], [true, false]],
    ['a unit goes with all that was in it', ['u', 'a', 'b'], ['u', 'a', 'b'], [false, false]],
  ])('%s', (_, left, takeOut, [unitThere, pageThere]) => {
    expect(isThere(after(left, takeOut), 'u', 'a')).toEqual([unitThere, pageThere]);
  });
  it('stays while something that stays must have it', () => {
    const planned = after(['line'], ['line']);
    expect(isThere(planned, 'line')).toEqual([true]);
    expect(isThere(after(['line', 'q'], ['line', 'q']), 'line', 'q')).toEqual([false, false]);
  });
  it('is said by a line that tells whether it is taken out', () => {
    const lineOf = (planned: Planned) => planned.lines.find(({ verb }) => verb === 'gone');
    expect(lineOf(after(['a'], []))).toEqual({ source: 'old', item: 'a', verb: 'gone', why: [], to: 'a' });
    expect(lineOf(after(['a'], ['a']))).toMatchObject({ takenOut: true });
  });
  it('says nothing more once it is gone on both sides', () => {
    const out = after(['a'], ['a']);
    const again = plan(
      job({
        sources: [{ ...source, items: source.items.filter(({ id }) => id !== 'a') }],
        destination: out.course,
        history: out.history,
      }),
    );
    expect(again.lines.filter(({ verb }) => verb === 'gone')).toEqual([]);
  });
});

describe('what a person took out of the shell by hand', () => {
  const source = oldCourse(
    item('page', 'call', { body: '<p>Join at <a href="https://meet.example/eco">meet.example/eco</a></p>' }),
    item('page', 'plain', { body: '<p>Rivers</p>' }),
  );
  it('is not in the counts of what comes, and leaves no loose end behind', () => {
    const first = plan(job({ sources: [source] }));
    const ends = ({ looseEnds }: Planned): boolean => looseEnds.some(({ code }) => code === 'meetingLink');
    expect([first.counts.page!.bring, ends(first)]).toEqual([2, true]);
    const items = first.course.items.filter(({ id }) => id !== 'call');
    const after = plan(job({ sources: [source], destination: { ...first.course, items }, history: first.history }));
    expect(verbs(after)).toMatchObject({ call: 'keep', plain: 'same' });
    expect([after.counts.page!.bring, after.counts.page!.leave, ends(after)]).toEqual([1, 1, false]);
  });
  describe('is put back when somebody asks', () => {
    const held = oldCourse(
      ...unit('u', item('quiz', 'q', { body: '<p>Q</p>', links: [{ type: 'gradedIn', to: 'line' }] })),
      item('lineItem', 'line', { points: 20 }),
      item('page', 'other', { body: '<p>O</p>' }),
    );
    const first = plan(job({ sources: [held] }));
    const gone = ['u', 'q', 'line', 'other'];
    const items = first.course.items.filter(({ id }) => !gone.includes(id));
    const after = (choices: PlanJob['choices']): Planned =>
      plan(
        job({ sources: [held], destination: { ...first.course, items }, history: first.history, choices: choices! }),
      );
    it('with the heading that it stood under and the line that it needs, and nothing else', () => {
      const back = after({ putBack: { q: true } });
      expect(verbs(back)).toMatchObject({ u: 'add', q: 'add', line: 'add', other: 'keep' });
      expect(back.course.items.find(({ id }) => id === 'q')).toMatchObject({
        parent: 'u',
        links: [{ type: 'gradedIn', to: 'line' }],
      });
    });
    it('but not when it is left', () => {
      expect(verbs(after({ putBack: { q: true }, items: { q: 'leave' } }))).toMatchObject({ q: 'leave', u: 'keep' });
      expect(verbs(after({ putBack: { q: false } }))).toMatchObject({ q: 'keep' });
    });
    it('and is the same on the next plan', () => {
      const back = after({ putBack: { other: true } });
      const next = plan(job({ sources: [held], destination: back.course, history: back.history }));
      expect(verbs(next)).toMatchObject({ other: 'same', q: 'keep' });
    });
  });
});

describe('what only the shell has', () => {
  const shell = newShell(
    ...unit('mine', item('page', 'draft of mine', { body: '<p>1</p>' }), item('page', 'second', { body: '<p>2</p>' })),
    item('quiz', 'check', { body: '<p>Q</p>', links: [{ type: 'draws', to: 'bank' }] }),
    item('questionBank', 'bank', { body: '<p>B</p>' }),
    item('courseSettings', 'settings'),
    item('syllabus', 'honesty', {
      details: { sections: [{ title: 'Honesty', body: '<p>Yours.</p>', locked: true }] },
    }),
  );
  const after = (out: string[]): Planned =>
    plan(job({ destination: shell, choices: { takeOut: Object.fromEntries(out.map((id) => [id, true])) } }));
  const own = shell.items.map(({ id }) => id);
  const staying = (out: string[]): string[] => own.filter((id) => idsOf(after(out)).includes(id));
  it.each<[string, string[], string[]]>([
    ['stays unless somebody asks', [], own],
    ['is taken out one by one', ['second'], own.filter((id) => id !== 'second')],
    ['a unit stays while something in it does', ['mine', 'second'], own.filter((id) => id !== 'second')],
    ['a bank stays while a quiz draws from it', ['bank'], own],
    ['all of it goes but its settings and what the college put there', own, ['settings', 'honesty']],
  ])('%s', (_, out, left) => expect(staying(out)).toEqual(left));
  it('is said by its line', () => {
    const line = after(['second']).lines.find(({ item: id }) => id === 'second');
    expect(line).toEqual({ source: 'new', item: 'second', verb: 'here', why: [], to: 'second', takenOut: true });
  });
  it('is not taken out when it answers to something that comes', () => {
    const stocked = newShell(stock('page', 'theirs', { title: 'page' }));
    const planned = plan(job({ destination: stocked, choices: { takeOut: { theirs: true } } }));
    expect(idsOf(planned)).toContain('theirs');
    expect(verbs(planned)).toMatchObject({ page: 'join' });
  });
  it('comes to the same whatever is asked twice: what is out is out', () => {
    const once = after(['second']);
    const twice = plan(
      job({ destination: once.course, history: once.history, choices: { takeOut: { second: true } } }),
    );
    expect(idsOf(twice).toSorted()).toEqual(idsOf(once).toSorted());
  });
  it('nothing that stays is broken, whatever is asked', () => {
    fc.assert(
      fc.property(fc.subarray(own), (out) => {
        const { course } = after(out);
        const there = new Set(course.items.map(({ id }) => id));
        for (const { parent, links = [] } of course.items) {
          if (parent !== undefined) expect(there).toContain(parent);
          for (const { type, to } of links) if (type === 'draws') expect(there).toContain(to);
        }
      }),
    );
  });
});
