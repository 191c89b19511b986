import type ICAL from 'ical.js';

const FINER_THAN_A_DAY = ['SECONDLY', 'MINUTELY', 'HOURLY'];
const LONGEST_MONTHS = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
const MOST_WEEKS = 53;
const MOST_DAYS = 366;
const MOST_OF_A_WEEKDAY = { month: 5, year: MOST_WEEKS };

/** A rule of iCalendar by its parts, as the parser keeps them. */
interface RulePart {
  readonly freq?: string;
  readonly interval?: number;
  readonly parts?: Readonly<Record<string, readonly (string | number)[] | undefined>>;
}

/**
 * Why an entry's rule is not followed: it repeats within a day, or it can never happen, so that looking for its next time would not
 * end; `undefined` for a sound one.
 */
export function whyNoRule(component: ICAL.Component): string | undefined {
  const rules = component.getAllProperties('rrule').map((property) => property.getFirstValue() as unknown as RulePart);
  if (rules.some(isFinerThanADay)) return 'repeats more often than daily';
  return rules.some((rule) => !canHappen(rule)) ? 'repeats on days that no calendar has' : undefined;
}

function isFinerThanADay({ freq = '', parts = {} }: RulePart): boolean {
  const several = ['BYHOUR', 'BYMINUTE', 'BYSECOND'].some((part) => (parts[part]?.length ?? 0) > 1);
  return several || FINER_THAN_A_DAY.includes(freq);
}

function canHappen({ freq, interval = 1, parts = {} }: RulePart): boolean {
  const numbers = (part: string): readonly number[] | undefined => parts[part]?.map(Number);
  const within = (part: string, most: number): boolean =>
    numbers(part)?.some((value) => value !== 0 && Math.abs(value) <= most) ?? true;
  const months = numbers('BYMONTH') ?? LONGEST_MONTHS.map((_, at) => at + 1);
  const lengths = months.map((month) => LONGEST_MONTHS[month - 1] ?? 0);
  const ofMonth = freq === 'MONTHLY' || parts.BYMONTH !== undefined;
  const mostTimes = MOST_OF_A_WEEKDAY[ofMonth ? 'month' : 'year'];
  const places = (parts.BYDAY ?? []).map((day) => Number(/^[+-]?\d+/.exec(String(day))?.[0] ?? 1));
  return (
    interval >= 1 &&
    Math.max(...lengths) > 0 &&
    within('BYMONTHDAY', Math.max(...lengths)) &&
    within('BYYEARDAY', MOST_DAYS) &&
    within('BYWEEKNO', MOST_WEEKS) &&
    within('BYSETPOS', MOST_DAYS) &&
    (places.length === 0 || places.some((place) => place !== 0 && Math.abs(place) <= mostTimes))
  );
}
