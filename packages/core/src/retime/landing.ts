import { isWeekend, type CalendarIndex } from '../calendar/calendarIndex.js';
import { formatDay, type Day } from '../calendar/day.js';
import type { MeetingList } from '../calendar/meetingIndex.js';
import type { Landing } from '../schemas/retimeJob.js';
import { meetsOn } from './classes.js';
import { FLAG } from '../names/flags.js';
import type { Step } from './steps.js';
import { isOpenFor, type Placed, type Terms } from './terms.js';

const LANDING_OF_CLASSES: Landing = 'next';
const LANDING_OF_THE_REST: Landing = 'nearest';

/** Where a moment lands, and by which way of landing. */
export interface Landed {
  readonly day: Day;
  readonly how: Landing;
  /** What it landed on. */
  readonly on: 'class' | 'teaching';
}

/**
 * Where a moment lands that is tied to no class and came to a closed day, or to an exam day from a teaching day.
 *
 * @param from      its old day
 * @param day       where the rule put it
 * @param landing   what the policy names
 * @param counting  the new term's class meetings that count under `meeting`
 * @returns         `undefined` when it need not or cannot land
 * @see             docs/rules.md, "Landing"
 */
export function landRest(
  { old, new: to }: Terms,
  from: Day,
  day: Day,
  landing: Landing | undefined,
  counting: MeetingList,
): Landed | undefined {
  const how = landing ?? LANDING_OF_THE_REST;
  if (how === 'stay' || !old.isOpen(from) || isWeekend(old.runsAs(from))) return undefined;
  const wasExam = old.isExam(from);
  const mustLand = !isOpenFor(to, day, true) || (!wasExam && to.isExam(day));
  if (!mustLand) return undefined;
  if (wasExam) return landOn(to, day, how, 'teaching', (each) => to.isOpen(each) && !isWeekend(to.runsAs(each)));
  if (how === 'meeting' && counting.meetings.length > 0)
    return landOn(to, day, how, 'class', (each) => meetsOn(counting, each));
  return landOn(to, day, how, 'teaching', to.isTeaching);
}

/** Where what is tied to a class lands that came to a day without one that answers. */
export function landTied(
  { new: to }: Terms,
  day: Day,
  landing: Landing | undefined,
  after: MeetingList,
): Landed | undefined {
  const how = landing ?? LANDING_OF_CLASSES;
  if (how === 'stay' || meetsOn(after, day)) return undefined;
  return landOn(to, day, how, 'class', (each) => meetsOn(after, each));
}

function landOn(
  to: CalendarIndex,
  day: Day,
  how: Landing,
  on: Landed['on'],
  suits: (day: Day) => boolean,
): Landed | undefined {
  const after = nextDay(to, day, 1, suits);
  const before = nextDay(to, day, -1, suits);
  if (after === undefined || before === undefined) {
    const only = after ?? before;
    return only === undefined ? undefined : { day: only, how, on };
  }
  const isBefore = how === 'previous' || (how === 'nearest' && day - before < after - day);
  return { day: isBefore ? before : after, how, on };
}

/** The first day of the term after (before) one that suits. */
export function nextDay(
  term: CalendarIndex,
  from: Day,
  direction: 1 | -1,
  suits: (day: Day) => boolean,
): Day | undefined {
  const start = direction === 1 ? Math.max(from + 1, term.firstDay) : Math.min(from - 1, term.lastDay);
  for (let day = start; day >= term.firstDay && day <= term.lastDay; day += direction) if (suits(day)) return day;
  return undefined;
}

/** A date that landed, with where it came from and why it could not stay. */
export function landed(terms: Terms, placed: Placed, landing: Landed | undefined): Placed {
  if (landing === undefined) return placed;
  const { new: to } = terms;
  const isClosed = !to.isOpen(placed.day) || to.isExam(placed.day);
  const closure = isClosed ? to.closureAt(placed.day)?.label : undefined;
  const step: Step = {
    step: 'landing',
    from: formatDay(placed.day),
    to: formatDay(landing.day),
    how: landing.how,
    day: landing.on,
    ...(closure === undefined ? {} : { closure }),
    ...(isClosed ? {} : { noClass: true as const }),
  };
  return {
    day: landing.day,
    flags: placed.flags | (isClosed ? FLAG.closure : FLAG.noClass),
    steps: [...placed.steps, step],
  };
}
