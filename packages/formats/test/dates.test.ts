import { describe, expect, it } from '@jest/globals';
import { readDateColumn, type ColumnReading, type PreviewDate } from '@yarin/core';
import { writeDateSheet } from '../src/writeDateSheet.js';
import { readDateSheet } from '../src/readDateSheet.js';
import { writeCalendarFile } from '../src/writeCalendarFile.js';

const SPRING: ColumnReading = {
  order: 'monthFirst',
  calendar: { firstDay: '2027-01-11', lastDay: '2027-05-07', timeZone: 'America/Chicago' },
};
const read = (texts: readonly string[], reading = SPRING): string[] =>
  readDateColumn(
    texts.map((text) => ({ text })),
    reading,
  ).map((result) => (result.ok ? (result.value ?? 'empty') : result.problems[0]!.code));

const date = (id: string, part: Partial<PreviewDate> = {}): PreviewDate => ({
  id,
  item: id,
  title: `Quiz ${id}`,
  kind: 'quiz',
  role: 'due',
  from: '2026-02-18T23:59',
  to: '2027-02-19T23:59',
  rule: 'week',
  steps: [],
  flags: [],
  graded: true,
  ...part,
});

describe('a cell with a date', () => {
  it.each([
    ['2027-02-18 23:59', '2027-02-18T23:59'],
    ['2027-02-18T08:00', '2027-02-18T08:00'],
    ['2027-02-18', '2027-02-18T23:59'],
    ['2027-02-18 08:05:00', '2027-02-18T08:05'],
    ['2027-02-18 25:00', 'noSuchTime'],
    ['18 Feb 2027 7:75', 'noSuchTime'],
    ['2/18/2027 11:59 PM', '2027-02-18T23:59'],
    ['2/18/27', '2027-02-18T23:59'],
    ['18.02.2027 14:00', '2027-02-18T14:00'],
    ['Thu 18 Feb 2027 23:59', '2027-02-18T23:59'],
    ['18 Feb', '2027-02-18T23:59'],
    ['Feb 18, 2 pm', '2027-02-18T14:00'],
    ['10 Dec', '2026-12-10T23:59'],
    ['20 May', '2027-05-20T23:59'],
    ['', 'empty'],
    ['soon', 'noSuchDate'],
    ['Thursday', 'noDateYet'],
    ['2027-02-30 10:00', 'noSuchDate'],
    ['44980', 'noSuchDate'],
    ['Wed 18 Feb 2027', 'weekday'],
  ])('“%s”', (text, at) => expect(read([text])).toEqual([at]));

  it('3/4 is read in the order of whoever reads it, unless the column proves the other order', () => {
    expect(read(['3/4/2027'])).toEqual(['2027-03-04T23:59']);
    expect(read(['3/4/2027'], { ...SPRING, order: 'dayFirst' })).toEqual(['2027-04-03T23:59']);
    expect(read(['3/4/2027', '18/2/2027'])).toEqual(['2027-04-03T23:59', '2027-02-18T23:59']);
    expect(read(['3/4/2027', '2/18/2027'], { ...SPRING, order: 'dayFirst' })).toEqual([
      '2027-03-04T23:59',
      '2027-02-18T23:59',
    ]);
  });
  it('where proofs disagree, what could be two dates is none', () => {
    expect(read(['3/4/2027', '2/18/2027', '18/3/2027'])[0]).toBe('ambiguous');
  });
});

describe('a sheet of dates', () => {
  const dates = [
    date('1'),
    date('2', { title: '=SUM(A1), "quoted"', flags: ['closure'], to: '2027-03-05T10:00' }),
    date('3', { to: null }),
  ];
  const sheet = writeDateSheet(dates);
  const back = (text: string) => readDateSheet(text, dates, SPRING);

  it('comes back as it went without a change', () => {
    expect(back(sheet)).toEqual({ changed: {}, same: 3, problems: [] });
  });
  it('has nothing that a spreadsheet would run', () => {
    expect(sheet).toContain(`"'=SUM(A1), ""quoted"""`);
    expect(writeDateSheet([date('3', { title: '＝SUM(A1)' })])).toContain(`,"'＝SUM(A1)",`);
  });
  it('only changed rows are dates set by hand, whatever the order of rows and columns and the separator', () => {
    const text = 'will be;thing;id\n3/5/2027 10:00;other words;2\n2/22/2027 23:59;Quiz 1;1\n';
    expect(back(text)).toEqual({ changed: { '1': '2027-02-22T23:59' }, same: 1, problems: [] });
  });
  it('a date without an hour keeps the hour that it had', () => {
    expect(back('id,will be\n2,2027-03-08\n').changed).toEqual({ '2': '2027-03-08T10:00' });
  });
  it('bad rows are told by line and change nothing; the good ones count', () => {
    const text =
      'id,thing,will be\n1,Quiz 1,soon\n9,Quiz 9,2027-02-01\n2,Quiz 2,2027-03-09 10:00\n2,Quiz 2,2027-03-10\n3,Quiz 3,2027-02-30\n';
    const { changed, problems } = back(text);
    expect(changed).toEqual({ '2': '2027-03-09T10:00' });
    expect(problems.map(({ code, where }) => `${where} ${code}`)).toEqual([
      '/2 noSuchDate',
      '/3 noSuchMoment',
      '/5 idTwice',
      '/6 noSuchDate',
    ]);
  });
  it('an emptied cell takes no date away, and that is said', () => {
    expect(back('id,will be\n1,\n').problems).toMatchObject([{ code: 'empty', where: '/2' }]);
  });
  it.each([
    ['', 'There is no row in this sheet.'],
    [
      'thing,date\nQuiz,2027-02-01\n',
      'The sheet has no column “id” and no “will be”; its first line has to name them.',
    ],
  ])('“%s” is no such sheet', (text, message) => expect(back(text).problems[0]!.message).toBe(message));
});

describe('an iCalendar file of the new dates', () => {
  const text = writeCalendarFile(
    [
      date('due'),
      date('trip', { role: 'starts', title: 'Trip; upper reach', to: '2027-03-20T08:00' }),
      date('trip-end', { item: 'trip', role: 'ends', to: '2027-03-20T16:00' }),
      date('gone', { to: null }),
    ],
    { name: 'ECO 214-02', timeZone: 'America/Chicago', now: '2026-11-24T09:00' },
  );

  it('says each instant in UTC, on both sides of the clock change', () => {
    expect(text).toContain('DTSTART:20270220T055900Z');
    expect(text).toContain('DTSTART:20270320T130000Z');
    expect(text).toContain('DTEND:20270320T210000Z');
  });
  it('names the role of what is due, and keeps the words of a title whole', () => {
    expect(text).toContain('SUMMARY:due: Quiz due');
    expect(text).toContain('SUMMARY:Trip\\; upper reach');
  });
  it('an event and its end are one entry; what was cleared has none', () => {
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
  });
});
