import type { Calendar, Closure, Meeting } from '../schemas/calendar.js';
import { closureName, spanWords } from './closureWords.js';
import { dayWords, patternWords, weekdayWord } from './dateWords.js';
import { parseDay } from './day.js';

/** A term's calendar and the class days of one course in it. */
export interface CourseTime {
  readonly calendar: Calendar;
  readonly meetings: readonly Meeting[];
}

/**
 * What a calendar says otherwise than before, each in a sentence: “Spring break is 15–21 Mar, it was 8–14 Mar”.
 * Empty when both say the same, however they are written.
 */
export function calendarDifferences(before: Calendar, after: Calendar): string[] {
  const sentences: string[] = [];
  for (const [name, words] of [
    ['firstDay', 'The term starts'],
    ['lastDay', 'The term ends'],
  ] as const) {
    if (before[name] !== after[name])
      sentences.push(`${words} ${dayWords(parseDay(after[name]))}, it was ${dayWords(parseDay(before[name]))}`);
  }
  sentences.push(...closureDifferences(before.closures ?? [], after.closures ?? []));
  sentences.push(...swapDifferences(before.swaps ?? [], after.swaps ?? []));
  if (before.timeZone !== after.timeZone)
    sentences.push(`Its time zone is ${after.timeZone}, it was ${before.timeZone}`);
  if ((before.weekStartsOn ?? 1) !== (after.weekStartsOn ?? 1))
    sentences.push(`Its weeks start on ${weekdayWord(after.weekStartsOn ?? 1)}`);
  if (periodsOf(before) !== periodsOf(after)) sentences.push('Its marking periods changed');
  return sentences;
}

/** The same of a course: its calendar and its class days. */
export function courseTimeDifferences(before: CourseTime, after: CourseTime): string[] {
  const sentences = calendarDifferences(before.calendar, after.calendar);
  if (meetingsOf(before) !== meetingsOf(after)) {
    const [was, is] = [patternWords(before.meetings), patternWords(after.meetings)];
    sentences.push(was === is ? 'The hours or rooms of its classes changed' : `Class meets ${is}, it was ${was}`);
  }
  return sentences;
}

const periodsOf = ({ periods = [] }: Calendar): string =>
  periods
    .map(({ name, from, to }) => `${from} ${to} ${name}`)
    .sort()
    .join('\n');

const meetingsOf = ({ meetings }: CourseTime): string =>
  meetings
    .map(({ weekday, start, end, series, weeks, room, for: section }) =>
      [weekday, start, end, series, weeks, room, section].join(' '),
    )
    .sort()
    .join('\n');

function closureDifferences(before: readonly Closure[], after: readonly Closure[]): string[] {
  const key = (closure: Closure): string => `${closure.kind} ${closureName(closure)}`;
  const span = ({ from, to }: Closure): string => `${from} ${to}`;
  const gone = [...before];
  const come: Closure[] = [];
  for (const closure of after) {
    const same = gone.findIndex((each) => key(each) === key(closure) && span(each) === span(closure));
    if (same >= 0) gone.splice(same, 1);
    else come.push(closure);
  }
  const sentences: string[] = [];
  for (const closure of come) {
    const moved = gone.findIndex((each) => key(each) === key(closure));
    if (moved < 0) sentences.push(`${closureName(closure)}, ${spanWords(closure)}, is new`);
    else
      sentences.push(
        `${closureName(closure)} is ${spanWords(closure)}, it was ${spanWords(gone.splice(moved, 1)[0]!)}`,
      );
  }
  return [...sentences, ...gone.map((closure) => `${closureName(closure)}, ${spanWords(closure)}, is taken out`)];
}

function swapDifferences(before: NonNullable<Calendar['swaps']>, after: NonNullable<Calendar['swaps']>): string[] {
  const was = new Map(before.map(({ date, runsAs }) => [date, runsAs]));
  const is = new Map(after.map(({ date, runsAs }) => [date, runsAs]));
  return [...new Set([...was.keys(), ...is.keys()])].sort().flatMap((date) => {
    if (was.get(date) === is.get(date)) return [];
    const runsAs = is.get(date);
    const day = dayWords(parseDay(date));
    return [runsAs === undefined ? `${day} runs as itself again` : `${day} runs as ${weekdayWord(runsAs)}`];
  });
}
