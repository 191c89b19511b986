import { formatDay, parseDay } from '../../src/calendar/day.js';
import type { Role, TermSide } from '../../src/schemas/retimeJob.js';

/** One dated role of a thing, and where a careful teacher with both wall calendars open would put it. */
export interface CarefulDate {
  readonly title: string;
  readonly kind: string;
  readonly role: Role;
  /** YYYY-MM-DDTHH:mm. */
  readonly from: string;
  /** All that the teacher would be content with. */
  readonly fits: (to: string) => boolean;
  /** In words, for what is listed. */
  readonly wanted: string;
  /** The teacher would want to be asked, wherever it goes. */
  readonly isOpen: boolean;
}

/** A course that moves between two terms. */
export interface CarefulPair {
  readonly name: string;
  readonly source: TermSide;
  readonly destination: TermSide;
  /** How many causes a person would count among the doubts; more lines than that are too many. */
  readonly causes: number;
  readonly dates: readonly CarefulDate[];
}

/** Classes at the same hours of some weekdays. */
export const at = (
  weekdays: readonly number[],
  start: string,
  end: string,
  series?: string,
  weeks?: number[],
): NonNullable<TermSide['meetings']> =>
  weekdays.map((weekday) => ({
    weekday,
    start,
    end,
    ...(series === undefined ? {} : { series }),
    ...(weeks === undefined ? {} : { weeks }),
  }));

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** The Mondays of the weeks of a term, as a person numbers them: “25 Aug, 1 Sep …” of a year. */
export const mondays = (year: number, list: string): readonly number[] =>
  list.split(/, */).map((text) => {
    const [date, month] = text.split(' ');
    return parseDay(`${year}-${String(MONTHS.indexOf(month!) + 1).padStart(2, '0')}-${date!.padStart(2, '0')}`);
  });

/** The days of “w3 Tue”, “w3-4 Tue/Thu”, “w3+1 Mon” (the week after week 3) or “2027-03-15”. */
function daysOf(text: string, weeks: readonly number[]): number[] {
  if (/^\d{4}-/.test(text)) return [parseDay(text)];
  const [, first, last, after, names] = /^w(\d+)(?:-(\d+))?(?:\+(\d+))? (\S+)$/.exec(text)!;
  const days: number[] = [];
  for (let week = Number(first); week <= Number(last ?? first); week++)
    for (const name of names!.split('/')) {
      const monday = weeks[week - 1];
      if (monday === undefined) throw new Error(`There is no week ${week} in “${text}”.`);
      days.push(monday + Number(after ?? 0) * 7 + WEEKDAYS.indexOf(name));
    }
  return days;
}

const TIME = / (\d\d:\d\d)$/;

/** “w3 Tue 14:00” as a moment. */
function momentOf(text: string, weeks: readonly number[]): string {
  const [day] = daysOf(text.replace(TIME, ''), weeks);
  return `${formatDay(day!)}T${TIME.exec(text)![1]}`;
}

export interface Weeks {
  readonly old: readonly number[];
  readonly new: readonly number[];
}

/**
 * A date and where it belongs: “w3 Mon 10:00” and “w3 Tue 14:00 | w4 Tue 14:00?”. Behind `|` stands what would do as well; `?`
 * says that the teacher would want to be asked.
 */
export function date(weeks: Weeks, title: string, kind: string, role: Role, from: string, to: string): CarefulDate {
  const isOpen = to.endsWith('?');
  const wanted = to.replace(/\?$/, '');
  const suiting = wanted.split(/ *\| */).flatMap((each) => {
    const time = TIME.exec(each)![1]!;
    return daysOf(each.replace(TIME, ''), weeks.new).map((day) => `${formatDay(day)}T${time}`);
  });
  return {
    title,
    kind,
    role,
    from: momentOf(from, weeks.old),
    fits: (at) => suiting.includes(at),
    wanted,
    isOpen,
  };
}

/** Week numbers of “2-7, 9-14”. */
const numbersOf = (list: string): number[] =>
  list.split(/, */).flatMap((part) => {
    const [first, last] = part.split('-').map(Number);
    return Array.from({ length: (last ?? first!) - first! + 1 }, (_, at) => first! + at);
  });

/**
 * The same thing in many weeks: “Quiz #” numbered from 1, at “Mon 10:00” of each, which belongs at “Tue 14:00” of the week of
 * the same number.
 *
 * @param others  by week: where it belongs instead
 */
export function weekly(
  weeks: Weeks,
  title: string,
  kind: string,
  role: Role,
  list: string,
  from: string,
  to: string,
  others: Readonly<Record<number, string>> = {},
): CarefulDate[] {
  return numbersOf(list).map((week, index) =>
    date(weeks, title.replace('#', `${index + 1}`), kind, role, `w${week} ${from}`, others[week] ?? `w${week} ${to}`),
  );
}
