import { describe, expect, it } from '@jest/globals';
import { doubtCauses, settledAs } from '../../src/retime/causes.js';
import type { DoubtfulMoment } from '../../src/retime/doubt.js';
import { retime } from '../../src/retime/retime.js';
import { proposePolicy, suggestPolicy } from '../../src/retime/suggestPolicy.js';
import type { Calendar, Meeting } from '../../src/schemas/calendar.js';
import type { RetimeMoment } from '../../src/schemas/retimeJob.js';
import { aJob, SPRING_2026, SPRING_2027 } from '../terms.js';

const TERMS = { source: SPRING_2026, destination: SPRING_2027, policy: { weekdays: { 1: 2, 3: 4 } } };

const moved = (moments: RetimeMoment[]): DoubtfulMoment[] => {
  const result = retime(aJob(moments));
  if (!result.ok) throw new Error('bad job');
  return result.value.map((each, index) => ({
    ...each,
    kind: moments[index]!.kind ?? 'assignment',
    title: moments[index]!.id,
  }));
};
const due = (id: string, at: string, kind = 'assignment'): RetimeMoment => ({ id, role: 'due', at, kind });

describe('doubts are gathered by cause', () => {
  it('two things on the same holiday are one decision, with the day before as a way out', () => {
    const causes = doubtCauses([
      { ...TERMS, moments: moved([due('Lab 6', '2026-02-18T23:59'), due('Quiz 4', '2026-02-18T12:00')]) },
    ]);
    expect(causes).toHaveLength(1);
    expect(causes[0]).toMatchObject({ sentence: 'Thu 18 Feb is Charter Day now, twice', cause: 'closure' });
    expect(causes[0]!.settlements).toEqual([
      {
        name: 'previous',
        words: 'Teaching day before, Wed 17 Feb',
        dates: { 'Lab 6': '2027-02-17T23:59', 'Quiz 4': '2027-02-17T12:00' },
      },
      {
        name: 'nextClass',
        words: 'Next class, Tue 23 Feb',
        dates: { 'Lab 6': '2027-02-23T23:59', 'Quiz 4': '2027-02-23T12:00' },
      },
      {
        name: 'stay',
        words: 'Stay on Thu 18 Feb',
        dates: { 'Lab 6': '2027-02-18T23:59', 'Quiz 4': '2027-02-18T12:00' },
      },
    ]);
  });
  it('what is tied to a class is offered classes, with their hour', () => {
    const [cause] = doubtCauses([{ ...TERMS, moments: moved([due('Quiz 4', '2026-02-18T10:20')]) }]);
    // It is on the next class already, Tue 23 Feb.
    expect(cause!.settlements).toEqual([
      { name: 'previous', words: 'Class before, Tue 16 Feb', dates: { 'Quiz 4': '2027-02-16T14:20' } },
      { name: 'stay', words: 'Stay on Thu 18 Feb', dates: { 'Quiz 4': '2027-02-18T14:20' } },
    ]);
  });
  it('work of the last day of the break can go to the last day of the new break, or around it', () => {
    const [cause] = doubtCauses([{ ...TERMS, moments: moved([due('Field journal', '2026-03-15T23:59')]) }]);
    expect(cause).toMatchObject({
      sentence: 'Field journal: Sun 15 Mar was in Spring break',
      detail: 'Sun 15 Mar → Sun 7 Mar',
    });
    expect(cause!.settlements.map(({ name, dates }) => [name, dates['Field journal']])).toEqual([
      ['newBreak', '2027-03-21T23:59'],
      ['previous', '2027-03-12T23:59'],
      ['next', '2027-03-22T23:59'],
    ]);
  });
  it('fifteen weeks of the same reversal are one line that brings the old distance back', () => {
    const weeks = ['2026-01-28', '2026-02-04', '2026-02-11'];
    const moments = weeks.flatMap((day) => {
      const next = `${day.slice(0, 8)}${String(Number(day.slice(8)) + 1).padStart(2, '0')}`;
      return [due(`Post ${day}`, `${day}T23:59`, 'discussion'), due(`Answer ${day}`, `${next}T09:00`, 'discussion')];
    });
    const causes = doubtCauses([{ ...TERMS, moments: moved(moments) }]);
    expect(causes).toHaveLength(1);
    expect(causes[0]!.moments).toHaveLength(6);
    expect(causes[0]!.settlements).toEqual([
      {
        name: 'oldDistance',
        words: 'As far behind as it was',
        // Each answer stood a day behind its post of Wednesday, which is on Thursday now.
        dates: {
          'Answer 2026-01-28': '2027-01-29T09:00',
          'Answer 2026-02-04': '2027-02-05T09:00',
          'Answer 2026-02-11': '2027-02-12T09:00',
        },
      },
    ]);
  });
  it('a term with one week less can begin its last weeks a week earlier, or take their share', () => {
    const weeks = (last: string): Calendar => ({ firstDay: '2026-01-05', lastDay: last, timeZone: 'UTC' });
    const [source, destination] = [{ calendar: weeks('2026-02-06') }, { calendar: weeks('2026-01-30') }];
    const moments = ['2026-01-21', '2026-01-28', '2026-02-04'].map((day) => due(`Lab ${day}`, `${day}T12:00`));
    const policy = { rule: 'week' as const };
    const result = retime({ source, destination, policy, moments });
    const dates = result.ok ? result.value.map((each) => ({ ...each, kind: 'assignment', title: each.id })) : [];
    const [cause, ...others] = doubtCauses([{ source, destination, policy, moments: dates }]);
    expect(others).toEqual([]);
    expect(cause!.sentence).toBe(
      'The new term is one week shorter: Lab 2026-02-04, Wed 4 Feb, had a week that it lacks',
    );
    // Wednesday of week 5 stands on Wed 28 Jan, as that of week 4 does. The 23rd of 25 teaching days is the 18th of 20.
    expect(cause!.settlements.map(({ name, words, dates: to }) => [name, words, to])).toEqual([
      ['lastDay', 'The last day, Fri 30 Jan', { 'Lab 2026-02-04': '2026-01-30T12:00' }],
      ['weeksEarlier', 'One week earlier from week 4 on', { 'Lab 2026-01-28': '2026-01-21T12:00' }],
    ]);
  });
  it('what was called fine stays settled until its date or flags change', () => {
    const [date] = moved([due('Field journal', '2026-03-15T23:59')]);
    expect(doubtCauses([{ ...TERMS, moments: [date!] }], { 'Field journal': settledAs(date!) })).toEqual([]);
    expect(
      doubtCauses([{ ...TERMS, moments: [{ ...date!, to: '2027-03-08T23:59' }] }], {
        'Field journal': settledAs(date!),
      }),
    ).toHaveLength(1);
  });
});

describe('which rule suits', () => {
  const at = (weekdays: number[], series?: string, weeks?: number[]): Meeting[] =>
    weekdays.map((weekday) => ({
      weekday,
      start: '10:00',
      end: '11:00',
      ...(series && { series }),
      ...(weeks && { weeks }),
    }));
  const policyFor = (before: Meeting[], after: Meeting[]) =>
    proposePolicy({ ...SPRING_2026, meetings: before }, { ...SPRING_2027, meetings: after }).policy;

  it('is the same week with the class-day map, and the weekday between two moves along', () => {
    expect(policyFor(at([1, 3]), at([2, 4]))).toEqual({ rule: 'week', weekdays: { 1: 2, 2: 3, 3: 4 } });
  });
  it.each<[string, Meeting[], Meeting[], Record<number, number>]>([
    ['no map when the class days stay', at([1, 3]), at([1, 3]), {}],
    ['no weekday between two that move by unlike distances', at([1, 3]), at([1, 4]), { 3: 4 }],
    ['no map from three days to two', at([1, 3, 5]), at([2, 4]), {}],
    [
      'the maps of a lecture and a lab',
      [...at([1]), ...at([4], 'lab')],
      [...at([2]), ...at([5], 'lab')],
      { 1: 2, 2: 3, 3: 4, 4: 5 },
    ],
    ['no map where a day would go two ways', [...at([1]), ...at([1], 'lab')], [...at([2]), ...at([3], 'lab')], {}],
    ['no map where two would fall together', [...at([1]), ...at([2], 'lab')], [...at([3]), ...at([3], 'lab')], {}],
    ['no map where a lab passes the lecture', [...at([2]), ...at([3], 'lab')], [...at([4]), ...at([1], 'lab')], {}],
    ['the class of another name, where none has the old one', at([1], 'class'), at([2], 'lecture'), { 1: 2 }],
  ])('%s', (_name, before, after, weekdays) => expect(policyFor(before, after).weekdays).toEqual(weekdays));
  it('is class by class when both meet in numbered weeks only', () => {
    expect(policyFor(at([1], undefined, [1, 3, 5]), at([1], undefined, [2, 4, 6])).rule).toBe('meeting');
    expect(policyFor(at([1], undefined, [1, 3, 5]), at([1])).rule).toBe('week');
  });
  it('is the same share of a term that is more than three weeks shorter, and says by how much', () => {
    const summer = { calendar: { firstDay: '2026-06-01', lastDay: '2026-07-24', timeZone: 'America/Chicago' } };
    const { policy, reason } = proposePolicy(SPRING_2026, summer);
    expect(policy.rule).toBe('stretch');
    expect(reason).toBe('The new term is 7 weeks shorter, 8 instead of 15; everything keeps its share of the term');
  });
  it('stands beside the same without a map and the other rules, each with what would differ', () => {
    const monday = due('Prep', '2026-02-02T23:59');
    const result = suggestPolicy(aJob([monday, due('Post', '2026-02-06T23:59')]));
    if (!result.ok) throw new Error('bad job');
    const { proposed, others, reason } = result.value;
    expect(reason).toBe(
      'Both terms have 15 weeks of classes; weeks keep their number, class days go Mon to Tue, Tue to Wed, Wed to Thu',
    );
    expect(proposed.words).toBe('Same teaching week, Mon to Tue, Tue to Wed, Wed to Thu');
    expect(
      others.map(({ words, doubts, differs }) => [
        words.split(',')[0],
        words.endsWith('same weekday'),
        doubts,
        differs,
      ]),
    ).toEqual([
      ['Same teaching week', true, 0, 1],
      ['Class by class', false, 0, 2],
      ['Same share of the term', false, 0, 1],
    ]);
  });
});
