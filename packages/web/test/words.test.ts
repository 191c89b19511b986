import { describe, expect, it } from '@jest/globals';
import {
  totalsOf,
  type CourseSummary,
  type DeskShell,
  type LearnerCounts,
  type Preview,
  type RunView,
  type Snapshot,
} from '@yarin/core';
import { deskLine, holdsWords, leftWords, reasonWords, sentenceWords } from '../src/desk/deskWords.js';
import { fateLines, shellWords, wayWords, zerosWords } from '../src/plan/state/planWords.js';
import { broughtBy, runWords } from '../src/plan/state/runWords.js';
import { count, courseCode, listed, sectionWords } from '../src/shared/words.js';

const SUMMARY = {
  code: 'ECO',
  number: '214',
  section: '02',
  things: 8,
  stockThings: 8,
  type: 'course',
  meetings: [
    { weekday: 2, start: '14:00', end: '15:15' },
    { weekday: 4, start: '14:00', end: '15:15' },
  ],
} as unknown as CourseSummary;
const shell = (verdict: DeskShell['verdict'], done = false, touched = false): DeskShell =>
  ({ verdict, done: done ? {} : null, plan: touched ? { touched } : null }) as unknown as DeskShell;

const shellWith = (...ids: string[]): Snapshot =>
  ({ items: ids.map((id) => ({ id, title: id })) }) as unknown as Snapshot;

describe('words for courses', () => {
  it('name a section with its class days, and what it is when it is none', () => {
    expect(courseCode(SUMMARY)).toBe('ECO 214-02');
    expect(sectionWords(SUMMARY)).toBe('section 02 · Tue Thu 14:00');
    expect(sectionWords({ ...SUMMARY, type: 'development' })).toBe('development course');
    expect(sectionWords({ ...SUMMARY, meetings: [] })).toBe('section 02 · no class days');
  });
  it('count and list', () => {
    expect([count(1, 'thing'), count(0, 'thing'), count(2, 'category', 'categories')]).toEqual([
      '1 thing',
      '0 things',
      '2 categories',
    ]);
    expect([listed(['a']), listed(['a', 'b']), listed(['a', 'b', 'c'])]).toEqual(['a', 'a and b', 'a, b and c']);
  });
});

describe('words of the Desk', () => {
  it('say what a shell holds', () => {
    expect(holdsWords(SUMMARY)).toBe('8 stock things');
    expect(holdsWords({ ...SUMMARY, things: 213 })).toBe('holds 213 things');
    expect(holdsWords({ ...SUMMARY, things: 0, stockThings: 0 })).toBe('empty');
  });
  it('say why a course is proposed, and what speaks against it', () => {
    expect(reasonWords({ for: ['sameCourse', 'yours', 'latestRun', 'sameCampus'], against: [] })).toBe(
      'yours, the last to run',
    );
    expect(reasonWords({ for: ['sameCourse'], against: ['notYours', 'otherCampus'] })).toBe(
      'same course; but not yours and another campus',
    );
  });
  it('put a plan in one sentence', () => {
    const things = {
      of: 236,
      comes: 210,
      places: 2,
      changed: 5,
      stands: 0,
      stays: 26,
      own: 3,
      takenOut: 0,
      holds: 213,
    };
    const sentence = { ...things, dates: { move: 134, cleared: 0, kept: 0 }, doubts: 4, toDecide: 0, leftOver: 4 };
    expect(sentenceWords(sentence)).toBe('210 of 236 come, 134 dates move, 8 to look at');
    expect(sentenceWords({ ...sentence, dates: { move: 1, cleared: 2, kept: 0 }, doubts: 0, leftOver: 0 })).toBe(
      '210 of 236 come, 1 date moves, 2 dates are taken away, nothing to look at',
    );
    expect(sentenceWords({ ...sentence, comes: 0, stands: 210 })).toBe('210 of 236 are there');
  });
  it('say what is left after a run', () => {
    expect(leftWords({ leftOver: 3, doubts: 1 })).toBe('3 loose ends and 1 doubt');
    expect(leftWords({ leftOver: 1, doubts: 0 })).toBe('1 loose end');
  });
  it('sum up all shells in a line', () => {
    expect(deskLine([shell('one'), shell('one'), shell('several'), shell('none'), shell('one', true)])).toBe(
      'Five shells are yours. Two plans are ready, one needs a choice, one has no predecessor, one is done.',
    );
    expect(deskLine([shell('one')])).toBe('One shell is yours. One plan is ready.');
    expect(deskLine([shell('none', false, true)])).toBe('One shell is yours. One plan is ready.');
  });
});

describe('words of the plan', () => {
  const source = {
    items: [
      { id: 'a', kind: 'announcement', title: 'Snow day', contentHash: '' },
      { id: 'b', kind: 'announcement', title: 'Welcome', contentHash: '' },
      { id: 'w', kind: 'assignment', title: 'Reach atlas', points: 20, contentHash: '' },
      { id: 'k', kind: 'questionBank', title: 'Streams', contentHash: '' },
      { id: 'p', kind: 'page', title: 'Salt', contentHash: '' },
      { id: 'g', kind: 'lineItem', title: 'Atlas', contentHash: '' },
      { id: 'n', kind: 'page', title: 'Bogs', contentHash: '' },
    ],
  } as unknown as Snapshot;
  const line = (item: string | null, verb: string, more: object = {}): object => ({
    source: 'old',
    item,
    verb,
    why: [],
    to: null,
    ...more,
  });
  const preview = {
    lines: [
      line('a', 'leave', { why: [{ reason: 'finding', finding: 'lastTermsAnnouncement' }] }),
      line('b', 'add', { to: 'b' }),
      line('w', 'leave', { place: true, to: 'w', why: [{ reason: 'finding', finding: 'heldOutside' }] }),
      line('k', 'add', { to: 'k', why: [{ reason: 'neededBy', item: 'q' }] }),
      line('p', 'leave', { why: [{ reason: 'item' }] }),
      line('g', 'leave', { why: [{ reason: 'workStays', item: 'w' }] }),
      line('n', 'leave', { why: [{ reason: 'all' }] }),
      line(null, 'here', { to: 's' }),
    ],
    items: [
      { id: 'b', title: 'Welcome', hasPassed: true },
      { id: 'k', title: 'Streams' },
    ],
  } as unknown as Preview;

  it('tell each fate with its things and number', () => {
    expect(
      fateLines(source, shellWith(), preview).map(({ title, detail, number }) => `${title} | ${detail} | ${number}`),
    ).toEqual([
      'Stays behind: announcements of last term | Snow day | 1 of 2',
      'Keeps its place: held by last term’s outside course | Reach atlas: 20 points stay in the weights until you link them anew | 1',
      'Left by you | Salt | 1',
      'Not chosen | Bogs | 1',
      'Lands as a draft: its date has passed | Welcome: give it a date, or call it fine as it is | 1',
      'Stays behind with its work: lines of the gradebook | Atlas: bring one by itself for marks on paper | 1',
      'Comes along: needed by what you bring | Streams | 1',
    ]);
  });
  it('say which entries of the menu stay with what they lead to', () => {
    const items = [
      { id: 'p', kind: 'page', title: 'Salt', contentHash: '' },
      { id: 'q', kind: 'page', title: 'Silt', contentHash: '' },
      { id: 's', kind: 'courseSettings', title: 'Settings', contentHash: '', details: { home: 'q', menu: ['p'] } },
    ];
    const lines = [
      line('p', 'leave', { why: [{ reason: 'item' }] }),
      line('q', 'add', { to: 'q' }),
      line('s', 'add', { to: 's' }),
    ];
    const told = fateLines({ items } as unknown as Snapshot, shellWith(), {
      ...preview,
      lines,
      items: [],
    } as unknown as Preview);
    expect(told.map(({ title, detail }) => `${title} | ${detail}`)).toContain(
      'Stays behind with what it leads to: in the menu, or as the home page | Salt',
    );
  });
  it('say what the old course has no more, and what is taken out of the shell for it', () => {
    const gone = (to: string, rest: object = {}) => ({ ...line(to, 'gone'), to, ...rest });
    const lines = [gone('old'), gone('older'), gone('out', { takenOut: true }), gone('by hand')];
    const told = fateLines(source, shellWith('old', 'older', 'out'), {
      ...preview,
      lines,
      items: [],
    } as unknown as Preview);
    expect(told.map(({ title, detail, number }) => `${title} | ${detail} | ${number}`)).toEqual([
      'No longer in the old course: stays here | old · older | 2',
      'No longer in the old course: taken out here too | out | 1',
    ]);
  });
  it('say what becomes of the shell’s own', () => {
    const planOf = (lines: readonly object[], of = 0): Preview =>
      ({ ...preview, lines, totals: totalsOf(lines as Preview['lines'], of) }) as unknown as Preview;
    const out = planOf([line(null, 'here'), { ...line(null, 'here'), to: 's', takenOut: true }]);
    expect(shellWords(out)).toBe('1 of the shell’s own stays as it is and 1 is taken out: the course then holds 1.');
    const told = fateLines(source, shellWith('s'), { ...out, items: [] });
    expect(told.map(({ title, detail, number }) => `${title} | ${detail} | ${number}`)).toEqual([
      'Taken out of the shell: what only it has | s: stands again when the run is taken back | 1',
    ]);
    const joined = [line('a', 'join', { to: 'a' }), line('b', 'join', { to: 'b' }), line('c', 'same', { to: 'c' })];
    expect(shellWords(planOf([...joined, line(null, 'here'), line(null, 'here')], 3))).toBe(
      '2 stock things of the new shell are taken up, 1 thing stands there already and 2 of the shell’s own stay as they are: the course then holds 5.',
    );
    expect(shellWords(planOf([]))).toBe('The new shell is empty.');
  });
  it('count what several runs brought each thing once', () => {
    const run = (things: number, updated?: number): RunView =>
      ({
        counts: { things, updated, byKind: { page: { source: 9, brought: things }, file: { source: 4, brought: 0 } } },
      }) as unknown as RunView;
    expect(broughtBy([run(3, 2), run(8)])).toEqual({ comes: 9, of: 13 });
    expect(broughtBy([run(8)])).toEqual({ comes: 8, of: 13 });
  });
  it('say what a run did, in numbers that add up', () => {
    const counts = { things: 210, added: 205, changed: 5, places: 2, takenOut: 0, dates: 134 } as RunView['counts'];
    expect(runWords(counts)).toBe(
      '210 things brought: 203 added, 5 joined with what the shell had and 2 places kept; 134 dates moved',
    );
    expect(runWords({ ...counts, things: 1, added: 0, changed: 1, updated: 1, places: 0, takenOut: 2, dates: 0 })).toBe(
      '1 thing brought: 1 brought up to date, 2 things taken out; 0 dates moved',
    );
  });
  it('name the rule and the class-day map', () => {
    expect(wayWords({ weekdays: { 1: 2, 3: 4 } })).toBe('the same teaching week, Mon to Tue, Wed to Thu');
    expect(wayWords({ rule: 'stretch' })).toBe('the same share of the term, same weekday');
    expect(wayWords({ rule: 'clear' })).toBe('no date');
  });
  it('say the zeros of what never comes', () => {
    const learners: LearnerCounts = {
      enrolment: 24,
      submission: 456,
      attempt: 0,
      reply: 0,
      mark: 456,
      attendance: 0,
      personalDate: 2,
    };
    expect(zerosWords(learners)).toBe(
      '0 of 24 people, 0 of 456 submissions, 0 attempts, 0 replies, 0 of 456 marks, 0 attendances, 0 of 2 personal dates',
    );
  });
});
