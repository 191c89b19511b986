import { describe, expect, it } from '@jest/globals';
import { doubtCauses, settledAs } from '../../src/retime/causes.js';
import type { DoubtfulMoment } from '../../src/retime/doubt.js';
import { retime } from '../../src/retime/retime.js';
import { suggestPolicy } from '../../src/retime/suggestPolicy.js';
import type { RetimeMoment } from '../../src/schemas/retimeJob.js';
import { aJob, SPRING_2026, SPRING_2027 } from '../terms.js';

const TERMS = {
  old: SPRING_2026.calendar,
  new: SPRING_2027.calendar,
  meetings: SPRING_2027.meetings!,
  weekdays: { 1: 2, 3: 4 },
};

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
    expect(causes[0]).toMatchObject({ sentence: 'Thu 18 Feb is Charter Day now, twice', flags: ['closure'] });
    expect(causes[0]!.settlements).toEqual([
      { settle: 'byHand', words: 'Wed 17 Feb', dates: { 'Lab 6': '2027-02-17T23:59', 'Quiz 4': '2027-02-17T12:00' } },
      {
        settle: 'byHand',
        words: 'Next class, Tue 23 Feb',
        dates: { 'Lab 6': '2027-02-23T23:59', 'Quiz 4': '2027-02-23T12:00' },
      },
    ]);
  });
  it('work of the last day of the break can go to the last day of the new break', () => {
    const [cause] = doubtCauses([{ ...TERMS, moments: moved([due('Field journal', '2026-03-15T23:59')]) }]);
    expect(cause).toMatchObject({ sentence: 'Field journal: was in Spring break', detail: 'Sun 15 Mar → Sun 7 Mar' });
    expect(cause!.settlements[0]).toMatchObject({
      words: 'Sun 21 Mar',
      dates: { 'Field journal': '2027-03-21T23:59' },
    });
  });
  it('fifteen weeks of the same reversal are one line that moves the weekday along', () => {
    const weeks = ['2026-01-28', '2026-02-04', '2026-02-11'];
    const moments = weeks.flatMap((day) => {
      const next = `${day.slice(0, 8)}${String(Number(day.slice(8)) + 1).padStart(2, '0')}`;
      return [due(`Post ${day}`, `${day}T23:59`, 'discussion'), due(`Answer ${day}`, `${next}T09:00`, 'discussion')];
    });
    const causes = doubtCauses([{ ...TERMS, moments: moved(moments) }]);
    expect(causes).toHaveLength(1);
    expect(causes[0]!.moments).toHaveLength(6);
    expect(causes[0]!.settlements).toEqual([
      { settle: 'weekdays', words: 'Move Thu to Fri', weekdays: { 1: 2, 3: 4, 4: 5 } },
      {
        settle: 'byHand',
        words: 'The old distance',
        // Each answer stood a day behind its post of Wednesday, which is on Thursday now.
        dates: {
          'Answer 2026-01-28': '2027-01-29T09:00',
          'Answer 2026-02-04': '2027-02-05T09:00',
          'Answer 2026-02-11': '2027-02-12T09:00',
        },
      },
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
  const bench = ['2026-01-27', '2026-02-03', '2026-02-10', '2026-03-03'].map((day): RetimeMoment => ({
    id: `bench ${day}`,
    role: 'starts',
    at: `${day}T09:00`,
    kind: 'task',
  }));
  const classes = ['2026-01-26', '2026-02-02', '2026-02-09', '2026-03-02'].flatMap((day): RetimeMoment[] => [
    { id: `class ${day}`, item: day, role: 'starts', at: `${day}T10:00`, kind: 'event' },
    { id: `end ${day}`, item: day, role: 'ends', at: `${day}T11:15`, kind: 'event' },
  ]);
  it('moves Tuesday along with Monday when Tuesday mornings follow Monday classes', () => {
    const result = suggestPolicy(aJob([...classes, ...bench]));
    expect(result.ok && result.value.proposed.policy).toEqual({ rule: 'week', weekdays: { 1: 2, 2: 3, 3: 4 } });
    expect(result.ok && result.value.proposed.doubts).toBe(0);
    expect(result.ok && result.value.reason).toBe('0 dates in doubt, without the map 2');
  });
  it('asks for no map when the class days stay', () => {
    const same = { calendar: SPRING_2027.calendar, meetings: SPRING_2026.meetings };
    const result = suggestPolicy(aJob(classes, { destination: same }));
    expect(result.ok && result.value.proposed.words).toBe('Same teaching week, same weekday');
    expect(result.ok && result.value.others).toEqual([]);
  });
  it('tries the same share of the term when it is much shorter', () => {
    const summer = {
      calendar: { firstDay: '2026-06-01', lastDay: '2026-07-24', timeZone: 'America/Chicago' },
      meetings: [],
    };
    const late: RetimeMoment[] = ['2026-04-07', '2026-04-14', '2026-04-21'].map((day) => ({
      id: day,
      role: 'due',
      at: `${day}T12:00`,
    }));
    const result = suggestPolicy(aJob(late, { destination: summer }));
    expect(result.ok && result.value.proposed.policy.rule).toBe('stretch');
  });
});
