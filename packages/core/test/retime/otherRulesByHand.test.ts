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
      'Monday after the old break comes into the new one and lands before it, which is nearer',
      '2026-03-16T12:00',
      '2027-03-12T12:00',
      ['closure'],
    ],
    ['Friday of that week lands after it', '2026-03-20T12:00', '2027-03-22T12:00', ['closure']],
    ['Saturday of the new break does not land', '2026-03-21T12:00', '2027-03-20T12:00', ['closure']],
    ['Wednesday of the old break was closed, does not land, and is open now', '2026-03-11T12:00', '2027-03-10T12:00'],
    ['the first Monday after both', '2026-03-23T12:00', '2027-03-22T12:00'],
    ['an exam day', '2026-05-06T09:00', '2027-05-05T09:00'],
    ['the last day', '2026-05-08T12:00', '2027-05-07T12:00'],
    ['four days before the first', '2026-01-08T12:00', '2027-01-07T12:00'],
    ['a week after the last', '2026-05-15T12:00', '2027-05-14T12:00'],
    [
      'the start of class goes to the nearer class, of Tue 12 and Thu 14 the earlier',
      '2026-01-14T10:00',
      '2027-01-12T14:00',
    ],
    ['Founders Day comes to Founders Day, as it was closed before', '2026-01-19T12:00', '2027-01-18T12:00'],
    ['a Sunday', '2026-01-25T12:00', '2027-01-24T12:00'],
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
    [
      'the end of class goes to the nearer class, of Tue 2 and Thu 4 the earlier',
      '2026-02-04T11:15',
      '2027-02-02T15:15',
    ],
    ['a minute before the start does not', '2026-02-02T09:59', '2027-02-02T09:59'],
    ['Founders Day is not mapped', '2026-01-19T12:00', '2027-01-18T12:00'],
    ['a day of the old break is not mapped', '2026-03-11T12:00', '2027-03-10T12:00'],
    ['Monday of the exams is not mapped', '2026-05-04T12:00', '2027-05-03T12:00'],
    ['nor is a Monday before the term', '2026-01-05T12:00', '2027-01-04T12:00'],
    ['Monday after the old break lands before the new one', '2026-03-16T12:00', '2027-03-12T12:00', ['closure']],
    ['Thursday, which is not mapped, comes to Charter Day too', '2026-02-19T12:00', '2027-02-19T12:00', ['closure']],
    ['Saturday stays', '2026-02-07T12:00', '2027-02-06T12:00'],
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
    ['Sunday of week 3 goes with its Friday', '2026-02-01T12:00', '2027-01-29T12:00'],
    ['Monday after the old break', '2026-03-16T12:00', '2027-03-08T12:00'],
    ['an exam day goes by week', '2026-05-06T09:00', '2027-05-05T09:00'],
    ['a day after the term goes by week', '2026-05-19T12:00', '2027-05-18T12:00'],
    // Teaching day 27 of 74 has its base at day 27 of 73, Wed 17 Feb.
    ['Wednesday of week 6', '2026-02-18T12:00', '2027-02-17T12:00'],
    [
      'Thursday of week 6 is the fourth teaching day of its week, as Friday is then',
      '2026-02-19T12:00',
      '2027-02-19T12:00',
    ],
    ['Friday of week 6 goes to Mon 22 Feb, since Charter Day is closed', '2026-02-20T12:00', '2027-02-22T12:00'],
    ['Monday of week 7 to Tuesday', '2026-02-23T12:00', '2027-02-23T12:00'],
    ['Friday of week 7 to Mon 1 Mar', '2026-02-27T12:00', '2027-03-01T12:00'],
    ['Monday of week 8', '2026-03-02T12:00', '2027-03-02T12:00'],
    ['Wednesday of week 8, the 37th teaching day', '2026-03-04T12:00', '2027-03-04T12:00'],
    ['Thursday of week 8, from where shares are a day less', '2026-03-05T12:00', '2027-03-04T12:00'],
    ['Saturday goes with its Friday', '2026-03-07T12:00', '2027-03-05T12:00'],
    ['the start of class goes to the class of its share, the sixteenth of 29', '2026-03-16T10:00', '2027-03-09T14:00'],
    ['Tuesday after the old break', '2026-03-17T12:00', '2027-03-09T12:00'],
    ['Friday of that week', '2026-03-20T12:00', '2027-03-12T12:00'],
    ['the Monday after it goes behind the new break', '2026-03-23T12:00', '2027-03-22T12:00'],
    ['Founders Day goes with the Tuesday after it', '2026-01-19T12:00', '2027-01-19T12:00'],
    [
      'Wednesday of the break is five days before Mon 8 Mar, but not before Fri 5 Mar',
      '2026-03-11T12:00',
      '2027-03-05T12:00',
      ['wasInBreak'],
    ],
  ];
  it.each(rows)('%s', check({ rule: 'stretch' }));
});

/** Days of all sorts: before, in and after the term, closed, in the break, in the exams, on weekends. */
const DAYS: [name: string, at: string, wasInside: boolean][] = [
  ['the first day', '2026-01-12T23:59', true],
  ['a class', '2026-01-14T10:00', true],
  ['the end of a class', '2026-01-14T11:15', true],
  ['a holiday', '2026-01-19T12:00', true],
  ['a Saturday', '2026-01-24T12:00', true],
  ['a Sunday', '2026-01-25T23:59', true],
  ['a Friday', '2026-02-20T17:00', true],
  ['the last day before the break', '2026-03-06T12:00', true],
  ['the break', '2026-03-11T12:00', true],
  ['the Sunday that ends it', '2026-03-15T23:59', true],
  ['the night on which clocks change', '2026-03-08T02:30', true],
  ['the last teaching day', '2026-05-01T12:00', true],
  ['an exam', '2026-05-06T09:00', true],
  ['the last day', '2026-05-08T23:59', true],
  ['the week before', '2026-01-08T12:00', false],
  ['the week after', '2026-05-15T12:00', false],
];
describe('rule keep leaves every date where it was, and says what lies outside the new term now', () => {
  it.each(DAYS)('%s', (name, at, wasInside) => check({ rule: 'keep' })(name, at, at, wasInside ? ['outsideTerm'] : []));
});
describe('rule clear takes every date away, and asks nothing', () => {
  it.each(DAYS)('%s', (_name, at) => {
    const result = retime(aJob([{ id: 'm', role: 'due', at }], { policy: { rule: 'clear' } }));
    expect(result.ok && result.value[0]).toMatchObject({ to: null, rule: 'clear', flags: [] });
  });
  it('a date of another term is still told', () => {
    const result = retime(aJob([{ id: 'm', role: 'due', at: '2025-10-01T12:00' }], { policy: { rule: 'clear' } }));
    expect(result.ok && result.value[0]!.flags).toEqual(['otherTerm']);
  });
});
