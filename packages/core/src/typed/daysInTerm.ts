import { closureName } from '../calendar/closureWords.js';
import { parseDay, weekdayOf, type Day } from '../calendar/day.js';
import type { CalendarIndex } from '../calendar/calendarIndex.js';
import type { ClassMeeting } from '../calendar/meetingIndex.js';
import type { Closure } from '../schemas/calendar.js';
import type { DayReader, ReadDay, TypedContext } from './typedContext.js';
import { ANY_WEEKDAY as WEEKDAY, weekdayOfWord } from '../words/english/names.js';

const refused = (code: string, message: string): ReadDay => ({ code, message });
const NO_DATE = refused('noDateYet', 'There is no date yet to count from; write one as “10 Mar”.');
const NO_TERM = refused('noTerm', 'No term is known here; write the date as “10 Mar 2027”.');

const COUNTED =
  /^(?<sign>[+−-]|plus |minus )? ?(?<count>\d{1,3}|an?|one) ?(?<unit>d|days?|w|wks?|weeks?)(?: (?<way>later|earlier|after|before))?$/;

/** “+1 week”, “-3 days”, “2 days later”. */
const counted: DayReader = (text, { day }) => {
  const groups = COUNTED.exec(text)?.groups;
  if (groups === undefined || (groups.sign === undefined && groups.way === undefined)) return undefined;
  if (day === undefined) return NO_DATE;
  const count = /^\d/.test(groups.count!) ? Number(groups.count) : 1;
  const isBack =
    groups.sign === '-' ||
    groups.sign === '−' ||
    groups.sign === 'minus ' ||
    groups.way === 'earlier' ||
    groups.way === 'before';
  return { day: day + (isBack ? -1 : 1) * count * (groups.unit!.startsWith('w') ? 7 : 1) };
};

const WEEK_DAY = new RegExp(`^(?<weekday>${WEEKDAY})\\.?,? (?:of |in )?(?:week|wk|w) ?(?<week>\\d{1,2})$`);
const DAY_WEEK = new RegExp(`^(?:week|wk|w) ?(?<week>\\d{1,2}),? (?<weekday>${WEEKDAY})$`);
const WEEK = /^(?:week|wk|w) ?(?<week>\d{1,2})$/;

/** “Tue of week 6”, “week 6 Tue”. */
const ofWeek: DayReader = (text, { term, day }) => {
  const groups = (WEEK_DAY.exec(text) ?? DAY_WEEK.exec(text) ?? WEEK.exec(text))?.groups;
  if (groups === undefined) return undefined;
  if (term === undefined) return NO_TERM;
  const week = term.teachingWeeks[Number(groups.week) - 1];
  if (week === undefined)
    return refused('noSuchWeek', `The term has ${term.teachingWeeks.length} weeks; there is no week ${groups.week}.`);
  if (groups.weekday === undefined && day === undefined)
    return refused('noWeekday', `Which day? Write “Tue of week ${groups.week}”.`);
  const weekday = groups.weekday === undefined ? weekdayOf(day!) : weekdayOfWord(groups.weekday);
  return { day: inWeek(term, week, weekday) };
};

const inWeek = (term: CalendarIndex, week: Day, weekday: number): Day => week + ((weekday - term.weekStartsOn + 7) % 7);

const CLASS = /^(?:the )?(?<which>next|previous|first|last) class(?: meeting)?$|^(?:the )?class (?<side>before|after)$/;

/** “next class”, “last class”: with the class's hour. */
const ofClass: DayReader = (text, { classes, day, minute = 0 }) => {
  const groups = CLASS.exec(text)?.groups;
  if (groups === undefined) return undefined;
  if (classes === undefined || classes.meetings.length === 0)
    return refused('noClass', 'The course has no class days; write the date as “10 Mar”.');
  const { meetings } = classes;
  const at = (meeting: ClassMeeting): ReadDay => ({ day: meeting.day, minute: meeting.start });
  if (groups.which === 'first') return at(meetings[0]!);
  if (groups.which === 'last') return at(meetings.at(-1)!);
  if (day === undefined) return NO_DATE;
  const isAfter = groups.which === 'next' || groups.side === 'after';
  const found = isAfter
    ? meetings.find((each) => each.day > day || (each.day === day && each.start > minute))
    : meetings.findLast((each) => each.day < day || (each.day === day && each.start < minute));
  return found === undefined
    ? refused('noClass', isAfter ? 'There is no class after it any more.' : 'There is no class before it.')
    : at(found);
};

const BESIDE = new RegExp(
  `^(?:the )?(?:(?<weekday>${WEEKDAY})|day|first day) (?<side>before|after) (?:the )?(?<what>.+)$`,
);

/** “day after the break”, “Mon before exams”: the next teaching day, or that weekday. */
const besideClosure: DayReader = (text, context) => {
  const groups = BESIDE.exec(text)?.groups;
  if (groups === undefined) return undefined;
  const { term } = context;
  if (term === undefined) return NO_TERM;
  const closure = closureNamed(groups.what!, term, context);
  if ('code' in closure) return closure;
  const direction = groups.side === 'after' ? 1 : -1;
  const edge = parseDay(direction === 1 ? closure.to : closure.from);
  if (groups.weekday !== undefined) {
    let day = edge + direction;
    while (weekdayOf(day) !== weekdayOfWord(groups.weekday)) day += direction;
    return { day };
  }
  for (let day = edge + direction; day >= term.firstDay && day <= term.lastDay; day += direction)
    if (term.isTeaching(day)) return { day };
  return refused('noTeachingDay', `No teaching day is ${groups.side} ${closureName(closure)}.`);
};

/** The closure that words name: by its name or its kind; of several the nearest to the date that it has. */
function closureNamed(
  words: string,
  term: CalendarIndex,
  { day }: TypedContext,
): Closure | Extract<ReadDay, { code: string }> {
  const closures = term.calendar.closures ?? [];
  const kinds = {
    break: 'break',
    exam: 'exams',
    exams: 'exams',
    holiday: 'holiday',
    'reading week': 'reading',
  } as const;
  const named = closures.filter((closure) => closureName(closure).toLowerCase().includes(words));
  const ofKind = closures.filter(({ kind }) => kind === kinds[words as keyof typeof kinds]);
  const found = ofKind.length > 0 ? ofKind : named;
  if (found.length === 0)
    return {
      code: 'noSuchClosure',
      message: `The term has no “${words}”${closures.length === 0 ? '' : `; it has ${closures.map(closureName).join(', ')}`}.`,
    };
  if (found.length > 1 && day === undefined)
    return {
      code: 'ambiguous',
      message: `Which of ${found.map(closureName).join(', ')}? Write its name.`,
    };
  const away = ({ from, to }: Closure): number => Math.max(0, parseDay(from) - day!, day! - parseDay(to));
  return found.length === 1 ? found[0]! : found.toSorted((a, b) => away(a) - away(b))[0]!;
}

const WEEKDAY_ALONE = new RegExp(`^(?<next>next )?(?<weekday>${WEEKDAY})$`);

/** “Fri”: of the same week; “next Fri”: the first after it. */
const weekdayAlone: DayReader = (text, { term, day }) => {
  const groups = WEEKDAY_ALONE.exec(text)?.groups;
  if (groups === undefined) return undefined;
  if (day === undefined) return NO_DATE;
  const weekday = weekdayOfWord(groups.weekday!);
  if (groups.next !== undefined) return { day: day + ((weekday - weekdayOf(day) + 6) % 7) + 1 };
  const weekStartsOn = term?.weekStartsOn ?? 1;
  return { day: day - ((weekdayOf(day) - weekStartsOn + 7) % 7) + ((weekday - weekStartsOn + 7) % 7) };
};

const EDGES = /^(?:the )?(?<which>first|last)(?: teaching)? day(?: of (?:the )?(?:term|classes))?$/;

/** “first day”, “last day of classes”. */
const edgeOfTerm: DayReader = (text, { term }) => {
  const groups = EDGES.exec(text)?.groups;
  if (groups === undefined) return undefined;
  if (term === undefined) return NO_TERM;
  if (/teaching|classes/.test(text))
    return { day: groups.which === 'first' ? term.teachingDays[0]! : term.teachingDays.at(-1)! };
  return { day: groups.which === 'first' ? term.firstDay : term.lastDay };
};

const NEXT = /^next (?<what>week|day|teaching day)$/;

/** “next week”, “next teaching day”. */
const next: DayReader = (text, { term, day }) => {
  const what = NEXT.exec(text)?.groups?.what;
  if (what === undefined) return undefined;
  if (day === undefined) return NO_DATE;
  if (what !== 'teaching day') return { day: day + (what === 'week' ? 7 : 1) };
  const found = term?.teachingDays.find((each) => each > day);
  return found === undefined ? refused('noTeachingDay', 'There is no teaching day after it.') : { day: found };
};

/** Days that are told by the term and by the date that there is. */
export const DAYS_IN_TERM: readonly DayReader[] = [
  counted,
  ofWeek,
  ofClass,
  edgeOfTerm,
  next,
  besideClosure,
  weekdayAlone,
];
