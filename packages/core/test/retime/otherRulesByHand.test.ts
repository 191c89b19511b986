import { describe, expect, it } from '@jest/globals';
import { retime } from '../../src/retime/retime.js';
import type { Policy } from '../../src/schemas/retimeJob.js';
import { aJob } from '../terms.js';

type Row = [name: string, from: string, to: string, flags?: string[]];

const check =
  (policy: Policy) =>
  (_name: string, from: string, to: string, flags: string[] = []) => {
    const result = retime(aJob([{ id: 'm', role: 'due', at: from }], { policy }));
    expect(result.ok && result.value[0]).toMatchObject({ to, flags });
  };

describe('rule offset: 12 Jan 2026 and 11 Jan 2027 are both the first Monday, so 364 days on', () => {
  const rows: Row[] = [
    ['the first day', '2026-01-12T23:59', '2027-01-11T23:59'],
    ['a Wednesday before the break', '2026-02-25T12:00', '2027-02-24T12:00'],
    ['Wednesday 18 February stays a Wednesday', '2026-02-18T12:00', '2027-02-17T12:00'],
    [
      'Thursday 19 February comes to Charter Day and lands on Friday',
      '2026-02-19T12:00',
      '2027-02-19T12:00',
      ['closure'],
    ],
    [
      'Monday after the old break comes into the new one and lands after it',
      '2026-03-16T12:00',
      '2027-03-22T12:00',
      ['closure'],
    ],
    ['Friday of that week too', '2026-03-20T12:00', '2027-03-22T12:00', ['closure']],
    ['Saturday of the new break does not land', '2026-03-21T12:00', '2027-03-20T12:00', ['closure']],
    ['Wednesday of the old break was closed and does not land', '2026-03-11T12:00', '2027-03-10T12:00'],
    ['the first Monday after both', '2026-03-23T12:00', '2027-03-22T12:00'],
    ['an exam day', '2026-05-06T09:00', '2027-05-05T09:00'],
    ['the last day', '2026-05-08T12:00', '2027-05-07T12:00'],
    ['four days before the first', '2026-01-08T12:00', '2027-01-07T12:00'],
    ['a week after the last', '2026-05-15T12:00', '2027-05-14T12:00'],
    ['the start of class goes to the new start where a class meets', '2026-01-14T10:00', '2027-01-13T10:00'],
  ];
  it.each(rows)('%s', check({ rule: 'offset' }));
});

describe('rule nearest, Mon→Tue and Wed→Thu', () => {
  const rows: Row[] = [
    ['Monday goes one day on', '2026-02-02T12:00', '2027-02-02T12:00'],
    ['Wednesday goes one day on', '2026-02-04T12:00', '2027-02-04T12:00'],
    ['Friday stays', '2026-02-06T12:00', '2027-02-05T12:00'],
    ['Sunday stays', '2026-02-08T12:00', '2027-02-07T12:00'],
    ['Tuesday stays', '2026-02-03T12:00', '2027-02-02T12:00'],
    ['Wednesday 18 February comes to Charter Day', '2026-02-18T12:00', '2027-02-19T12:00', ['closure']],
    ['the start of class goes with the class', '2026-02-02T10:00', '2027-02-02T14:00'],
    ['the end of class too', '2026-02-04T11:15', '2027-02-04T15:15'],
    ['a minute before the start does not', '2026-02-02T09:59', '2027-02-02T09:59'],
    ['Founders Day is not mapped', '2026-01-19T12:00', '2027-01-18T12:00', ['closure']],
    ['a day of the old break is not mapped', '2026-03-11T12:00', '2027-03-10T12:00'],
    ['Monday of the exams is not mapped', '2026-05-04T12:00', '2027-05-03T12:00'],
    ['Monday before the term is', '2026-01-05T12:00', '2027-01-05T12:00'],
    ['Monday after the old break lands after the new one', '2026-03-16T12:00', '2027-03-22T12:00', ['closure']],
  ];
  it.each(rows)('%s', check({ rule: 'nearest', weekdays: { 1: 2, 3: 4 } }));
});

describe('rule meeting: classes of 2026 on 12, 14, 21, 26, 28 Jan …, of 2027 on 12, 14, 19, 21, 26 Jan …', () => {
  const rows: Row[] = [
    ['the first class', '2026-01-12T10:00', '2027-01-12T14:00'],
    ['its end', '2026-01-12T11:15', '2027-01-12T15:15'],
    ['half an hour into the second', '2026-01-14T10:30', '2027-01-14T14:30'],
    ['the evening of the third', '2026-01-21T20:00', '2027-01-19T20:00'],
    ['the fourth', '2026-01-26T10:00', '2027-01-21T14:00'],
    ['the Friday after the fifth keeps its two days, no further than Friday', '2026-01-30T12:00', '2027-01-28T12:00'],
    ['the Tuesday before the second belongs to the second', '2026-01-13T12:00', '2027-01-13T12:00'],
    ['Saturday after the second: same weekday of that week', '2026-01-17T12:00', '2027-01-16T12:00'],
    [
      'Founders Day belongs to the Wednesday after it, no further than the first teaching day',
      '2026-01-19T12:00',
      '2027-01-19T12:00',
    ],
    ['the last class before the break, the fifteenth', '2026-03-04T10:00', '2027-03-04T14:00'],
    ['the first after it, the sixteenth', '2026-03-16T10:00', '2027-03-09T14:00'],
    ['a closed day of the break goes by week', '2026-03-11T12:00', '2027-03-03T12:00', ['wasInBreak']],
    ['an exam day goes by week', '2026-05-06T10:00', '2027-05-05T10:00'],
    ['a week before the term goes by week', '2026-01-07T10:00', '2027-01-06T10:00'],
    ['the last of twenty-nine', '2026-04-29T10:00', '2027-04-29T14:00'],
  ];
  it.each(rows)('%s', check({ rule: 'meeting' }));
});

describe('rule stretch between terms of 74 and 73 teaching days', () => {
  const rows: Row[] = [
    ['the first day', '2026-01-12T12:00', '2027-01-11T12:00'],
    ['the last teaching day', '2026-05-01T12:00', '2027-04-30T12:00'],
    ['Wednesday of week 2 keeps its weekday', '2026-01-21T12:00', '2027-01-20T12:00'],
    ['Sunday of week 3 keeps its weekday', '2026-02-01T12:00', '2027-01-31T12:00'],
    ['Monday after the old break', '2026-03-16T12:00', '2027-03-08T12:00'],
    ['an exam day goes by week', '2026-05-06T09:00', '2027-05-05T09:00'],
    ['a day after the term goes by week', '2026-05-19T12:00', '2027-05-18T12:00'],
  ];
  it.each(rows)('%s', check({ rule: 'stretch' }));
});
