import { describe, expect, it } from '@jest/globals';
import { explain } from '../../src/retime/explain.js';
import { retime, type Retimed } from '../../src/retime/retime.js';
import type { Calendar } from '../../src/schemas/calendar.js';
import type { RetimeJob, RetimeMoment } from '../../src/schemas/retimeJob.js';
import { aJob, SPRING_2026, SPRING_2027 } from '../terms.js';

const run = (moments: Omit<RetimeMoment, 'id'>[], job: Partial<RetimeJob> = {}): readonly Retimed[] => {
  const result = retime(
    aJob(
      moments.map((moment, index) => ({ id: `m${index}`, ...moment })),
      job,
    ),
  );
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const due = (at: string, rest: Partial<RetimeMoment> = {}): Omit<RetimeMoment, 'id'> => ({ role: 'due', at, ...rest });
const to = (at: string, job: Partial<RetimeJob> = {}): string | null => run([due(at)], job)[0]!.to;

describe('rule week, day by day on the wall calendar', () => {
  const rows: [string, string, string][] = [
    ['the first class', '2026-01-12T10:00', '2027-01-12T14:00'],
    ['the end of the first class', '2026-01-12T11:15', '2027-01-12T15:15'],
    ['Friday of week 1', '2026-01-16T17:00', '2027-01-15T17:00'],
    ['Sunday of week 1', '2026-01-18T20:00', '2027-01-17T20:00'],
    ['Founders Day keeps its weekday in week 2 by the map', '2026-01-19T08:00', '2027-01-19T08:00'],
    ['Wednesday of week 7', '2026-02-25T23:59', '2027-02-25T23:59'],
    ['Tuesday of week 7 is not in the map', '2026-02-24T12:00', '2027-02-23T12:00'],
    ['Wednesday of the break is the Wednesday before week 9', '2026-03-11T12:00', '2027-03-03T12:00'],
    ['Monday of week 10', '2026-03-23T23:59', '2027-03-23T23:59'],
    ['Wednesday of week 15', '2026-04-29T18:00', '2027-04-29T18:00'],
    ['Saturday after week 15', '2026-05-02T10:00', '2027-05-01T10:00'],
    ['Monday of the exams', '2026-05-04T12:00', '2027-05-03T12:00'],
    ['Saturday after the exams', '2026-05-09T12:00', '2027-05-08T12:00'],
    ['Tuesday two weeks after the last day', '2026-05-19T12:00', '2027-05-18T12:00'],
    ['Monday two weeks before week 1 keeps its weekday, outside the term', '2025-12-29T12:00', '2026-12-28T12:00'],
  ];
  it.each(rows)('%s', (_name, from, expected) => expect(to(from)).toBe(expected));
});

/** A term of four weeks from Monday 5 January 2026; one of two from Monday 1 June 2026. */
const FOUR_WEEKS: Calendar = { firstDay: '2026-01-05', lastDay: '2026-01-30', timeZone: 'UTC' };
const TWO_WEEKS: Calendar = { firstDay: '2026-06-01', lastDay: '2026-06-12', timeZone: 'UTC' };
const shorter = (policy: RetimeJob['policy']): Partial<RetimeJob> => ({
  source: { calendar: FOUR_WEEKS },
  destination: { calendar: TWO_WEEKS },
  policy: policy ?? {},
});

describe('terms of unlike length', () => {
  it('week 4 of a term of two weeks is its last, with a flag', () => {
    expect(run([due('2026-01-28T12:00')], shorter({ rule: 'week' }))[0]).toMatchObject({
      to: '2026-06-10T12:00',
      flags: ['noSuchWeek'],
    });
  });
  it('stretch goes to the same share of the teaching days', () => {
    // The fifth of 20 teaching days; share 1.9 of 9, the third of 10: Wed 3 June.
    const dates = run([due('2026-01-09T12:00'), due('2026-01-12T12:00')], shorter({ rule: 'stretch' }));
    expect(dates.map(({ to: at, flags }) => [at, flags])).toEqual([
      ['2026-06-03T12:00', []],
      ['2026-06-03T12:00', []],
    ]);
  });
  it('in a term one to three weeks longer, the last week answers to the old last one', () => {
    const longer = { ...shorter({}), destination: { calendar: { ...FOUR_WEEKS, lastDay: '2026-02-20' } } };
    const source = { calendar: { ...FOUR_WEEKS, lastDay: '2026-02-06' } };
    const weeks = ['2026-01-28', '2026-02-04'].map((day) => due(`${day}T12:00`));
    expect(run(weeks, { ...longer, source }).map(({ to: at }) => at)).toEqual(['2026-01-28T12:00', '2026-02-18T12:00']);
  });
  it('a week of two days with a class counts, when both terms have equally many so', () => {
    // The last week has Monday and Tuesday only; class on Monday.
    const monday = [{ weekday: 1, start: '10:00', end: '11:00' }];
    const source = { calendar: { ...FOUR_WEEKS, lastDay: '2026-01-27' }, meetings: monday };
    const destination = { calendar: { ...TWO_WEEKS, lastDay: '2026-06-23' }, meetings: monday };
    expect(run([due('2026-01-26T10:00')], { source, destination, policy: {} })[0]).toMatchObject({
      to: '2026-06-22T10:00',
      flags: [],
    });
  });
  it('offset keeps the distance from the first day', () => {
    expect(to('2026-01-08T12:00', shorter({ rule: 'offset' }))).toBe('2026-06-04T12:00');
  });
  it('a day that offset takes outside the term comes back to its last teaching day', () => {
    expect(run([due('2026-01-27T12:00')], shorter({ rule: 'offset' }))[0]).toMatchObject({
      to: '2026-06-12T12:00',
      flags: ['closure'],
    });
  });
});

describe('the other rules', () => {
  it('nearest takes the nearest date with the mapped weekday', () => {
    // 2 days from the first day is Wed 13 Jan 2027; the map asks for Thursday.
    expect(to('2026-01-14T09:00', { policy: { rule: 'nearest', weekdays: { 3: 4 } } })).toBe('2027-01-14T09:00');
  });
  it('keep leaves a date where it was, and says that it lies outside the new term', () => {
    expect(run([due('2026-02-02T12:00')], { policy: { rule: 'keep' } })[0]).toMatchObject({
      to: '2026-02-02T12:00',
      flags: ['outsideTerm'],
    });
  });
  it('clear takes a date away', () => {
    expect(run([due('2026-02-02T12:00')], { policy: { rule: 'clear' } })[0]).toMatchObject({ to: null, flags: [] });
  });
  it('meeting takes the third class to the third class, minutes from its start', () => {
    // Classes of 2026: 12, 14, 21 Jan (the 19th is Founders Day). Of 2027: 12, 14, 19 Jan.
    expect(to('2026-01-21T10:30', { policy: { rule: 'meeting' } })).toBe('2027-01-19T14:30');
  });
  it('meeting keeps the distance to the class, within its week', () => {
    expect(to('2026-01-23T23:59', { policy: { rule: 'meeting' } })).toBe('2027-01-21T23:59');
  });
  it('meeting goes by week where the new course has no class', () => {
    const destination = { calendar: SPRING_2027.calendar, meetings: [] };
    expect(run([due('2026-01-21T10:00')], { destination, policy: { rule: 'meeting' } })[0]).toMatchObject({
      to: '2027-01-20T10:00',
      rule: 'meeting',
      flags: ['noClass'],
    });
  });
  it('an item’s policy comes before its unit’s, its kind’s and the plan’s', () => {
    const policy: RetimeJob['policy'] = {
      rule: 'week',
      byKind: { quiz: { rule: 'clear' } },
      byUnit: { u1: { rule: 'keep' } },
      byItem: { q9: { rule: 'offset' } },
    };
    const at = '2026-02-02T12:00';
    const dates = run(
      [
        due(at),
        due(at, { kind: 'quiz' }),
        due(at, { kind: 'quiz', unit: ['u7', 'u1'] }),
        due(at, { kind: 'quiz', unit: 'u1', item: 'q9' }),
      ],
      { policy },
    );
    expect(dates.map(({ to: at2 }) => at2)).toEqual(['2027-02-01T12:00', null, at, '2027-02-01T12:00']);
  });
  it('a date set by hand stands, and only it says so', () => {
    const dates = run([due('2026-02-02T12:00'), due('2026-02-04T12:00')], { byHand: { m0: '2027-04-01T08:00' } });
    expect(dates[0]).toMatchObject({ to: '2027-04-01T08:00', rule: 'byHand', flags: ['orderChanged'] });
    expect(dates[1]).toMatchObject({ rule: 'week', flags: [] });
  });
});

describe('landing on a closed day', () => {
  const wednesday18February = (landing: 'next' | 'previous' | 'nearest' | 'meeting' | 'stay') =>
    run([due('2026-02-18T23:59')], { policy: { weekdays: { 1: 2, 3: 4 }, landing } })[0]!;
  it.each([
    ['next', '2027-02-19T23:59'],
    ['previous', '2027-02-17T23:59'],
    ['nearest', '2027-02-19T23:59'],
    ['meeting', '2027-02-23T23:59'],
    ['stay', '2027-02-18T23:59'],
  ] as const)('%s', (landing, expected) => {
    expect(wednesday18February(landing)).toMatchObject({ to: expected, flags: ['closure'] });
  });
  it('says which day it came to and why it could not stay', () => {
    expect(explain(wednesday18February('next'))).toBe(
      'week 6, Wed → Thu, Thu 18 Feb is Charter Day, next teaching day',
    );
  });
});

describe('within one item', () => {
  const lab = (role: RetimeMoment['role'], at: string): Omit<RetimeMoment, 'id'> => ({
    role,
    at,
    item: 'lab',
    kind: 'assignment',
  });
  it('what came after the due date stays after it', () => {
    // Due Wed goes to Thu 23:59; answers on Thu 08:00 would come first.
    const dates = run([lab('due', '2026-02-04T23:59'), lab('answers', '2026-02-05T08:00')]);
    expect(dates.map(({ to: at }) => at)).toEqual(['2027-02-04T23:59', '2027-02-05T08:00']);
  });
  it('what is level with it stays level', () => {
    const dates = run([lab('due', '2026-02-18T23:59'), lab('closes', '2026-02-18T23:59')]);
    expect(dates[0]!.to).toBe(dates[1]!.to);
  });
  it('late work follows a due date set by hand, at its own hour', () => {
    const dates = run([lab('due', '2026-02-04T23:59'), lab('late', '2026-02-06T12:00')], {
      byHand: { m0: '2027-02-10T23:59' },
    });
    expect(dates[1]!.to).toBe('2027-02-12T12:00');
  });
  it('late work up to fourteen days after the due date follows it, and lands', () => {
    // Due Wed 18 Feb is Charter Day, so Fri 19 Feb; two days on is Sunday, as Friday was none: Mon 22 Feb is nearer.
    const dates = run([lab('due', '2026-02-18T23:59'), lab('late', '2026-02-20T23:59')]);
    expect(dates.map(({ to: at, flags }) => [at, flags])).toEqual([
      ['2027-02-19T23:59', ['closure']],
      ['2027-02-21T23:59', ['weekend']],
    ]);
  });
  it('the first part keeps its place before the due date', () => {
    const dates = run([lab('part', '2026-02-04T23:58'), lab('due', '2026-02-05T23:58')], {
      policy: { weekdays: { 3: 5 } },
    });
    expect(dates.map(({ to: at }) => at)).toEqual(['2027-02-03T23:58', '2027-02-04T23:58']);
  });
});

describe('events', () => {
  const event = (start: string, end: string): Omit<RetimeMoment, 'id'>[] => [
    { role: 'starts', at: start, item: 'e', kind: 'event' },
    { role: 'ends', at: end, item: 'e', kind: 'event' },
  ];
  it('one that is a class meeting goes with the class of its week and takes its hours', () => {
    const dates = run(event('2026-01-21T10:00', '2026-01-21T11:15'));
    expect(dates.map(({ to: at, rule }) => [at, rule])).toEqual([
      ['2027-01-21T14:00', 'week'],
      ['2027-01-21T15:15', 'week'],
    ]);
  });
  it('of a series with an event for nearly every class go to the class of the same number', () => {
    // Ten classes of a term of five weeks, nine with an event; the second week of the new term has a holiday.
    const pattern = (weekdays: number[]) => weekdays.map((weekday) => ({ weekday, start: '10:00', end: '11:00' }));
    const source = { calendar: { ...FOUR_WEEKS, lastDay: '2026-02-06' }, meetings: pattern([1, 3]) };
    const holiday = { from: '2026-06-08', to: '2026-06-08', kind: 'holiday' as const, label: 'Fair' };
    const destination = {
      calendar: { firstDay: '2026-06-01', lastDay: '2026-07-03', timeZone: 'UTC', closures: [holiday] },
      meetings: pattern([1, 3]),
    };
    const days = ['01-05', '01-07', '01-12', '01-14', '01-19', '01-21', '01-26', '01-28', '02-02'];
    const moments = days.flatMap((day): Omit<RetimeMoment, 'id'>[] => [
      { role: 'starts', at: `2026-${day}T10:00`, item: day, kind: 'event' },
      { role: 'ends', at: `2026-${day}T11:00`, item: day, kind: 'event' },
    ]);
    const third = (dates: readonly Retimed[]) => [dates[4]!.to, dates[4]!.rule, dates[4]!.flags];
    // The third class was Mon 12 Jan; it is Wed 10 June now.
    expect(third(run(moments, { source, destination, policy: {} }))).toEqual(['2026-06-10T10:00', 'meeting', []]);
    // With eight of ten it goes by week: Mon 8 June is closed, so the next class.
    expect(third(run(moments.slice(0, 16), { source, destination, policy: {} }))).toEqual([
      '2026-06-10T10:00',
      'week',
      ['closure'],
    ]);
  });
  it('one across days keeps its length', () => {
    const dates = run(event('2026-04-18T08:00', '2026-04-19T16:00'));
    expect(dates.map(({ to: at }) => at)).toEqual(['2027-04-17T08:00', '2027-04-18T16:00']);
  });
  it('one in the hour that the clocks skip starts at the first minute there is, and keeps its length', () => {
    const destination = { calendar: { ...SPRING_2027.calendar, closures: [] }, meetings: [] };
    const dates = run(event('2026-03-15T02:30', '2026-03-15T04:00'), {
      source: { calendar: { ...SPRING_2026.calendar, closures: [] } },
      destination,
    });
    expect(dates.map(({ to: at, flags }) => [at, flags])).toEqual([
      ['2027-03-14T03:00', ['missingHour']],
      ['2027-03-14T04:30', []],
    ]);
  });
});

describe('exam periods of unlike length', () => {
  const exams = (from: string, to2: string, calendar: Calendar): Calendar => ({
    ...calendar,
    closures: [{ from, to: to2, kind: 'exams', label: 'Exams' }],
  });
  const job: Partial<RetimeJob> = {
    source: { calendar: exams('2026-05-04', '2026-05-08', SPRING_2026.calendar) },
    destination: { calendar: exams('2027-05-05', '2027-05-07', SPRING_2027.calendar) },
    policy: {},
  };
  it.each([
    ['first to first', '2026-05-04T09:00', '2027-05-05T09:00'],
    ['the second of five is the second of three', '2026-05-05T09:00', '2027-05-06T09:00'],
    ['middle to middle', '2026-05-06T09:00', '2027-05-06T09:00'],
    ['last to last', '2026-05-08T09:00', '2027-05-07T09:00'],
  ])('%s', (_name, from, expected) => expect(to(from, job)).toBe(expected));
  it('without exams in the new term they keep their distance to the last day', () => {
    const none = { ...job, destination: { calendar: { ...SPRING_2027.calendar, closures: [] } } };
    expect(run([due('2026-05-06T09:00')], none)[0]).toMatchObject({ to: '2027-05-05T09:00', flags: ['noSuchWeek'] });
  });
});

describe('flags', () => {
  it('past: before now', () => {
    expect(run([due('2026-01-12T23:59')], { now: '2027-02-01T00:00' })[0]!.flags).toEqual(['past']);
  });
  it('otherTerm: more than 60 days outside the old term', () => {
    expect(run([due('2025-11-12T12:00')])[0]!.flags).toContain('otherTerm');
    expect(run([due('2025-11-13T12:00')])[0]!.flags).not.toContain('otherTerm');
  });
  it('noClass: what was tied to a class stands on a day without one', () => {
    const moments = [due('2026-02-16T10:00')];
    const destination = {
      ...SPRING_2027,
      calendar: { ...SPRING_2027.calendar, swaps: [{ date: '2027-02-16', runsAs: 5 }] },
    };
    // Tue 16 Feb runs as Friday: no class, so the next one, Tue 23 Feb (Thu 18 Feb is Charter Day).
    expect(run(moments, { destination })[0]).toMatchObject({
      to: '2027-02-23T14:00',
      flags: ['otherWeekday', 'noClass'],
    });
    expect(run(moments, { destination, policy: { weekdays: { 1: 2 }, landing: 'stay' } })[0]).toMatchObject({
      to: '2027-02-16T10:00',
      flags: ['otherWeekday', 'noClass'],
    });
  });
  it('orderChanged: of two only the one that is in doubt otherwise', () => {
    // The Monday comes to Charter Day and lands behind the Wednesday.
    const dates = run([due('2026-02-17T23:59'), due('2026-02-18T12:00')], { policy: { weekdays: { 2: 4 } } });
    expect(dates.map(({ to: at, flags }) => [at, flags])).toEqual([
      ['2027-02-19T23:59', ['closure', 'orderChanged']],
      ['2027-02-17T12:00', []],
    ]);
  });
  it('orderChanged: both, when neither was set by hand', () => {
    const dates = run([due('2026-02-04T23:59'), due('2026-02-05T08:00')]);
    expect(dates.map(({ flags }) => flags)).toEqual([['orderChanged'], ['orderChanged']]);
  });
  it('sameDay and crowded: three pieces of graded work on a day that held one and two', () => {
    const graded = (at: string) => due(at, { graded: true });
    const dates = run([graded('2026-02-03T12:00'), graded('2026-02-02T12:00'), graded('2026-02-02T12:00')]);
    for (const { flags } of dates) expect(flags).toEqual(['sameDay', 'crowded']);
  });
  it('otherPeriod: graded work that moved over the middle of the term', () => {
    const halves = (name: string, from: string, middle: string, next: string, end: string): Calendar['periods'] => [
      { name: `${name} 1`, from, to: middle },
      { name: `${name} 2`, from: next, to: end },
    ];
    const source = {
      ...SPRING_2026,
      calendar: {
        ...SPRING_2026.calendar,
        periods: halves('Half', '2026-01-12', '2026-03-06', '2026-03-09', '2026-05-08'),
      },
    };
    const destination = {
      ...SPRING_2027,
      calendar: {
        ...SPRING_2027.calendar,
        periods: halves('Half', '2027-01-11', '2027-03-12', '2027-03-15', '2027-05-07'),
      },
    };
    expect(run([due('2026-03-18T12:00', { graded: true })], { source, destination })[0]!.flags).toEqual([
      'otherPeriod',
    ]);
  });
});

describe('a job that can’t be retimed', () => {
  const problems = (
    job: Partial<RetimeJob>,
    moments: RetimeMoment[] = [{ id: 'a', role: 'due', at: '2026-02-02T12:00' }],
  ) => {
    const result = retime(aJob(moments, job));
    return result.ok ? [] : result.problems.map(({ code, where }) => [code, where]);
  };
  it('names a moment on a day that does not exist', () => {
    expect(problems({}, [{ id: 'a', role: 'due', at: '2026-02-30T12:00' }])).toEqual([['noSuchDate', '/moments/0/at']]);
  });
  it('names an id that stands twice', () => {
    const moment: RetimeMoment = { id: 'a', role: 'due', at: '2026-02-02T12:00' };
    expect(problems({}, [moment, moment])).toEqual([['idTwice', '/moments/1/id']]);
  });
  it('names a date by hand for no moment of the job', () => {
    expect(problems({ byHand: { 'x/y': '2027-02-02T12:00' } })).toEqual([['noSuchMoment', '/byHand/x~1y']]);
  });
  it('names the side whose calendar is wrong', () => {
    expect(problems({ destination: { calendar: { ...SPRING_2027.calendar, timeZone: 'No/Where' } } })).toEqual([
      ['unknownZone', '/destination/calendar/timeZone'],
    ]);
  });
});
