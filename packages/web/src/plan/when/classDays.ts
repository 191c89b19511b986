import {
  parseDay,
  weekdayOf,
  weekdayWord,
  type Flag,
  type PolicyEffect,
  type PreviewDate,
  type Terms,
  type WeekdayMap,
} from '@yarin/core';
import { timeWords } from '../../shared/readersDates.js';

/** One old weekday, how many dates stand on it, and what it becomes. */
export interface DayLine {
  readonly weekday: number;
  /** “10:00”, of a class day. */
  readonly hour: string;
  readonly count: number;
  readonly to: number;
  readonly newHour: string;
  /** Of a class day: the days on which classes meet that answer. */
  readonly classDays: readonly number[];
}

/** The class days of one series, or the other weekdays. */
export interface DayLines {
  readonly name: string;
  readonly lines: readonly DayLine[];
}

const isTied = ({ steps }: PreviewDate, series: string | undefined): boolean =>
  steps.some((step) => step.step === 'tied' && step.series === series);

/** The class-day map of each series beside its name, then the other weekdays on which something stands. */
export function dayLines(terms: Terms, dates: readonly PreviewDate[], weekdays: WeekdayMap): DayLines[] {
  const on = (weekday: number, of: readonly PreviewDate[]): number =>
    of.filter(({ from }) => weekdayOf(parseDay(from)) === weekday).length;
  const inTerm = dates.filter(({ from }) => terms.old.isInside(parseDay(from)));
  const { series } = terms.classes;
  const ofClasses = series.map(({ name, oldWeekdays, newWeekdays, dayMap, oldPattern, newPattern }): DayLines => {
    const tied = inTerm.filter((date) => isTied(date, name));
    return {
      name: name ?? 'class',
      lines: oldWeekdays.map((weekday) => {
        const named = weekdays[String(weekday)];
        const to = named !== undefined && newWeekdays.includes(named) ? named : dayMap.get(weekday)!;
        const hourOf = (pattern: typeof oldPattern, day: number): string => {
          const start = pattern.find((meeting) => meeting.weekday === day)?.start;
          return start === undefined ? '' : timeWords(`0000-00-00T${start}`);
        };
        return {
          weekday,
          hour: hourOf(oldPattern, weekday),
          count: on(weekday, tied),
          to,
          newHour: hourOf(newPattern, to),
          classDays: newWeekdays,
        };
      }),
    };
  });
  const untied = inTerm.filter(({ steps }) => !steps.some(({ step }) => step === 'tied'));
  const rest = [1, 2, 3, 4, 5, 6, 7]
    .map((weekday): DayLine => ({
      weekday,
      hour: '',
      count: on(weekday, untied),
      to: weekdays[String(weekday)] ?? weekday,
      newHour: '',
      classDays: [],
    }))
    .filter(({ count, weekday, to }) => count > 0 || weekday !== to);
  return [...ofClasses, { name: series.length === 0 ? 'weekdays' : 'everything else', lines: rest }];
}

/** A date that shows what a rule does. */
export interface Example {
  readonly what: string;
  readonly title: string;
  readonly from: string;
  readonly to: string;
}

const MOST_EXAMPLES = 3;

const weekdayAndHour = (at: string): string => `${weekdayWord(weekdayOf(parseDay(at)))} ${timeWords(at)}`;

const WHATS: readonly [string, (date: PreviewDate) => boolean][] = [
  ['class start to class start', ({ steps }) => steps.some((step) => step.step === 'tied' && step.at === 'start')],
  ['class end to class end', ({ steps }) => steps.some((step) => step.step === 'tied' && step.at === 'end')],
  [
    'with its weekday',
    ({ steps }) => !steps.some(({ step }) => step === 'tied') && steps.some(({ step }) => step === 'weekday'),
  ],
  [
    'same weekday',
    ({ steps }) => !steps.some(({ step }) => step === 'tied') && steps.some(({ step }) => step === 'sameWeekday'),
  ],
  ['same share', ({ steps }) => steps.some(({ step }) => step === 'share' || step === 'meetingShare')],
];

/** Up to three dates that show what happens to work at class, after class and on other days. */
export function examplesOf(dates: readonly PreviewDate[]): Example[] {
  const plain = dates.filter(({ to, flags, rule }) => to !== null && flags.length === 0 && rule !== 'byHand');
  return WHATS.flatMap(([what, suits]): Example[] => {
    const date = plain.find((each) => each.role === 'due' && suits(each)) ?? plain.find(suits);
    if (date === undefined) return [];
    return [{ what, title: date.title, from: weekdayAndHour(date.from), to: weekdayAndHour(date.to!) }];
  }).slice(0, MOST_EXAMPLES);
}

/** Where dates are that are flagged so: “2 fewer on closed days”. */
const WHERE: Readonly<Record<Flag, string>> = {
  closure: 'on closed days',
  outsideTerm: 'outside the term',
  wasInBreak: 'out of a break',
  noSuchWeek: 'of a week that is missing',
  otherWeekday: 'on another timetable',
  noClass: 'away from their class',
  noSuchMeeting: 'of a class that is missing',
  missingHour: 'in an hour that is skipped',
  orderChanged: 'out of order',
  otherTerm: 'of another term',
  past: 'in the past',
  weekend: 'on a weekend',
  otherPeriod: 'in another marking period',
  sameDay: 'sharing a day',
  crowded: 'in crowded weeks',
};

/** What another rule would make better and what worse, in words. */
export function changeWords({ changes }: PolicyEffect): { readonly better: string; readonly worse: string } {
  const said = (sign: 1 | -1): string =>
    Object.entries(changes)
      .filter(([, change]) => Math.sign(change) === sign)
      .map(([flag, change]) => `${Math.abs(change)} ${sign === 1 ? 'more' : 'fewer'} ${WHERE[flag as Flag]}`)
      .join(', ');
  return { better: said(-1), worse: said(1) };
}
