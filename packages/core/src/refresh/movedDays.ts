import { formatMoment, parseDay, parseMinute, weekdayOf, type Day, type Minute } from '../calendar/day.js';
import { succeed, type Result } from '../problem.js';
import { doubtFlags } from '../retime/doubt.js';
import { retime, type Retimed } from '../retime/retime.js';
import type { Meeting } from '../schemas/calendar.js';
import type { Course, Item, Moment } from '../schemas/course.js';
import type { Policy, RetimeMoment, Role, TermSide } from '../schemas/retimeJob.js';
import type { FoundDay, Part } from '../words/found/found.js';
import type { Flag } from '../names/flags.js';
import { isGraded, unitsAround } from '../plan/dates/dates.js';
import { saysHalf } from '../words/english/findHours.js';
import { daysIn, type ReadItem } from './readItem.js';

/** Where a day of a text goes. */
export interface MovedDay {
  /** `null` when it is cleared. */
  readonly day: Day | null;
  readonly isKept: boolean;
  /** A moment at which work of the thing opens, is due or closes stands on it. */
  readonly isMeant: boolean;
  /** What the hours that are written beside it meant, and where they go: one, or from one to another. */
  readonly hours?: readonly [from: MovedHour, to: MovedHour | undefined];
  /** The first of its doubts. */
  readonly doubt?: Flag;
}

export interface MovedHour {
  readonly readAs: Minute;
  readonly minute: Minute;
}

const TIME_AT = 'YYYY-MM-DDT'.length;
/** The hour of a day that is written without one. */
const USUAL: Minute = 23 * 60 + 59;
const HALF_DAY = 720;
/** Of several moments on a day the one that a text means first. */
const MEANT_FIRST: Partial<Record<Role, number>> = { due: 0, starts: 1, opens: 2, closes: 3, posts: 4 };
const LAST = 5;

/** Roles of work that a person set for that very day, closed or not. */
const OF_WORK: ReadonlySet<Role> = new Set(['opens', 'part', 'due', 'late', 'closes', 'answers']);

const dayOf = ({ at }: Pick<Moment, 'at'>): Day => parseDay(at);
const minuteOf = ({ at }: Pick<Moment, 'at'>): Minute => parseMinute(at, TIME_AT);

/** The moment of a thing that a day in its text means; of several the one at the hour that is written. */
function momentMeant({ moments = [] }: Item, day: Day, minute?: Minute): Moment | undefined {
  const rank = ({ role }: Moment): number => MEANT_FIRST[role] ?? LAST;
  const sameDay = moments.filter((each) => dayOf(each) === day).toSorted((a, b) => rank(a) - rank(b));
  return sameDay.find((each) => minuteOf(each) === minute) ?? sameDay[0];
}

/** An hour that is written without “am” or “pm” is of the clock of twelve where only so it is one of the thing or of the class. */
function readHour(
  text: string,
  { start, end, value }: Part<Minute>,
  item: Item,
  day: Day,
  meetings: readonly Meeting[],
): Minute {
  if (value >= HALF_DAY || saysHalf(text.slice(start, end))) return value;
  const isKnown = (minute: Minute): boolean =>
    (item.moments ?? []).some((each) => dayOf(each) === day && minuteOf(each) === minute) ||
    meetings.some(
      ({ weekday, start, end }) =>
        weekday === weekdayOf(day) && parseMinute(start) <= minute && minute <= parseMinute(end),
    );
  return !isKnown(value) && isKnown(value + HALF_DAY) ? value + HALF_DAY : value;
}

/** A day of a text as moments of its own: with its hours, or late in the day; two hours move as `starts` and `ends`. */
function asMoments(id: string, { item, unit, day, hours }: Written): RetimeMoment[] {
  const common = { item: item.id, for: id, kind: item.kind, unit, graded: false };
  const [from, to] = hours ?? [USUAL, undefined];
  if (to === undefined) return [{ ...common, id, role: 'due', at: formatMoment(day, from) }];
  return [
    { ...common, id, role: 'starts', at: formatMoment(day, from) },
    { ...common, id: `${id}-ends`, role: 'ends', at: formatMoment(to < from ? day + 1 : day, to) },
  ];
}

/** A day that is written in a text of a thing, and the minutes that its hours mean. */
interface Written {
  readonly item: Item;
  readonly unit: string[];
  readonly found: FoundDay;
  readonly day: Day;
  readonly hours: readonly [Minute, Minute | undefined] | undefined;
}

/**
 * Where every day that is written in the texts of a course goes: with the moment of its thing that stands on it, else by the policy
 * that the thing would have.
 *
 * @see docs/rules.md, "Stale words"
 */
export function movedDays(
  course: Pick<Course, 'items' | 'calendar' | 'meetings'>,
  read: readonly ReadItem[],
  destination: TermSide,
  policy: Policy,
): Result<ReadonlyMap<FoundDay, MovedDay>> {
  const meetings = course.meetings ?? [];
  const unitsOf = unitsAround(course);
  const moved = (moments: RetimeMoment[]): Result<ReadonlyMap<string, Retimed>> => {
    const retimed = retime({ source: { calendar: course.calendar, meetings }, destination, policy, moments });
    return retimed.ok ? succeed(new Map(retimed.value.map((each) => [each.id, each]))) : retimed;
  };
  const own = moved(
    course.items.flatMap((item) =>
      (item.moments ?? []).map(({ id, role, at, for: people, series }): RetimeMoment => {
        const unit = unitsOf(item.id);
        return { id, role, at, item: item.id, for: people, kind: item.kind, unit, graded: isGraded(item), series };
      }),
    ),
  );
  if (!own.ok) return own;
  const written = read.flatMap(({ item, prose, found }) =>
    daysIn(found).flatMap((each): Written[] => {
      const [day, other] = each.days;
      if (day === undefined || other !== undefined) return [];
      const minute = (part: Part<Minute>): Minute => readHour(prose.text, part, item, day, meetings);
      const hours = each.hours && ([minute(each.hours.from), each.hours.to && minute(each.hours.to)] as const);
      return [{ item, unit: unitsOf(item.id), found: each, day, hours }];
    }),
  );
  const alone = moved(written.flatMap((each, at) => asMoments(`#${at}`, each)));
  if (!alone.ok) return alone;
  return succeed(
    new Map(
      written.map((each, at) => [each.found, movedDay(each, own.value, (end) => alone.value.get(`#${at}${end}`)!)]),
    ),
  );
}

/** @param alone  where it goes as a moment of its own, and its end */
function movedDay(
  { item, day, hours }: Written,
  own: ReadonlyMap<string, Retimed>,
  alone: (end: '' | '-ends') => Retimed,
): MovedDay {
  const meant = momentMeant(item, day, hours?.[0]);
  const goes = meant === undefined ? alone('') : own.get(meant.id)!;
  const doubt = doubtFlags(goes).find((flag) => meant !== undefined || flag !== 'orderChanged');
  const to = goes.to === null ? null : parseDay(goes.to);
  const hourOf = (minute: Minute, end: '' | '-ends'): MovedHour => {
    const same = momentMeant(item, day, minute);
    const moment = same !== undefined && minuteOf(same) === minute ? own.get(same.id)! : alone(end);
    const isThere = moment.to !== null && parseDay(moment.to) === to;
    return { readAs: minute, minute: isThere ? parseMinute(moment.to!, TIME_AT) : minute };
  };
  return {
    day: to,
    isKept: goes.rule === 'keep',
    isMeant: meant !== undefined && OF_WORK.has(meant.role),
    ...(hours && {
      hours: [hourOf(hours[0], ''), hours[1] === undefined ? undefined : hourOf(hours[1], '-ends')] as const,
    }),
    ...(doubt === undefined ? {} : { doubt }),
  };
}
