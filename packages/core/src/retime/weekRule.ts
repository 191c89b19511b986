import { isWeekend, type ExamPeriod } from '../calendar/calendarIndex.js';
import type { Day } from '../calendar/day.js';
import { FLAG } from '../names/flags.js';
import { ownWeekday, type MappedWeekday } from './mapped.js';
import { shareOf } from './shareOf.js';
import type { Step } from './steps.js';
import { answeringWeek, weekdayOfWeek, type Placed, type Terms } from './terms.js';

/** What a day is moved for, beside the day itself. */
export interface Going {
  readonly weekday: MappedWeekday;
  /** Tied to a class, which goes to its mapped weekday outside the teaching weeks too. */
  readonly isTied: boolean;
  /** Opens ahead of the teaching week after its day. */
  readonly isAhead: boolean;
}

/**
 * Moves a day to the same weekday of the same teaching week, and what lies outside the teaching weeks to where it
 * belongs in the new term: ahead of a week, exam day, before week 1, teaching week, after the last day, exam week, break
 * week. What goes by the number of a class comes before all of it, and is not seen here.
 *
 * @param day  day in the old calendar
 * @see        docs/rules.md, rule `week`
 */
export function byWeek(terms: Terms, day: Day, going: Going): Placed {
  const { old } = terms;
  if (going.isAhead) return aheadOfWeek(terms, day, going.weekday);
  if (old.isExam(day)) return examDay(terms, day);
  const week = old.weekStart(day);
  if (day < old.firstDay || week < old.teachingWeeks[0]!) return beforeWeekOne(terms, day, going.weekday);
  const kind = old.weekKind(day);
  if (kind.is === 'teaching') return inTeachingWeek(terms, day, kind.number, going.weekday);
  if (day > old.lastDay) return afterLastDay(terms, day);
  if (kind.is === 'exam') return inExamWeek(terms, day, kind.period, going);
  return inBreakWeek(terms, day, going);
}

/** Whether a day is at the end of its week, with nothing taught before the teaching week that follows. */
export function isBeforeTeachingWeek({ old }: Terms, day: Day): boolean {
  if (!old.isInside(day) || !isWeekend(old.runsAs(day))) return false;
  const next = old.weekStart(day) + 7;
  return old.weekKind(next).is === 'teaching' && old.teachingDaysBefore(next) === old.teachingDaysBefore(day);
}

/** What opens on the weekend before a teaching week opens on the weekend before the week that answers. */
function aheadOfWeek(terms: Terms, day: Day, weekday: MappedWeekday): Placed {
  const { old, new: to } = terms;
  const number = old.teachingWeekBy(old.weekStart(day) + 7);
  const answer = answeringWeek(terms, number);
  const week = answer ?? to.teachingWeeks.length;
  const placed = weekdayOfWeek(to, to.teachingWeeks[week - 1]! - 7, weekday.to, true);
  return {
    day: placed.day,
    flags: placed.flags | (answer === undefined ? FLAG.noSuchWeek : 0),
    steps: [
      { step: 'ahead', old: number, new: week, ...(answer === undefined ? { missing: true as const } : {}) },
      ...weekday.steps,
      ...placed.steps,
    ],
  };
}

/** Exam days without an answering period use it too, with a flag of their own. */
function inBreakWeek(terms: Terms, day: Day, going: Going, flag = FLAG.wasInBreak): Placed {
  const { old, new: to } = terms;
  const week = old.weekStart(day);
  const weekday = mappedIfTaught(terms, day, going);
  const label = old.closureAt(day)?.label;
  const finish = (start: Day, steps: readonly Step[], extra = 0): Placed => {
    const placed = weekdayOfWeek(to, start, weekday.to, old.isInside(day));
    const again = flag === FLAG.wasInBreak && to.weekKind(placed.day).is === 'break';
    return {
      day: placed.day,
      flags: placed.flags | extra | (again ? 0 : flag),
      steps: [...steps, ...weekday.steps, ...placed.steps],
    };
  };
  const why = (weeks: number, before: number | 'exams' | 'end'): Step => ({
    step: 'break',
    weeks,
    before,
    ...(label === undefined ? {} : { label }),
  });
  for (let holder = week + 7; holder <= old.weekStart(old.lastDay); holder += 7) {
    const kind = old.weekKind(holder);
    const weeks = (holder - week) / 7;
    if (kind.is === 'teaching') {
      const answer = answeringWeek(terms, kind.number);
      if (answer !== undefined) return finish(to.teachingWeeks[answer - 1]! - weeks * 7, [why(weeks, answer)]);
      const last = to.teachingWeeks.length;
      return finish(
        to.teachingWeeks[last - 1]!,
        [why(weeks, kind.number), { step: 'teachingWeek', old: kind.number, new: last, missing: true }],
        FLAG.noSuchWeek,
      );
    }
    if (kind.is === 'exam') {
      const period = answeringPeriod(terms, kind.period);
      return period !== undefined
        ? finish(period.firstWeek - weeks * 7, [why(weeks, 'exams')])
        : finish(to.weekStart(to.lastDay) - weeks * 7, [why(weeks, 'end')]);
    }
  }
  const weeks = (week - old.teachingWeeks[old.teachingWeeks.length - 1]!) / 7;
  return finish(to.teachingWeeks[to.teachingWeeks.length - 1]! + weeks * 7, [{ step: 'afterTeaching', weeks }]);
}

const mappedIfTaught = (terms: Terms, day: Day, { isTied, weekday }: Going): MappedWeekday =>
  isTied || terms.old.isTeaching(day) ? weekday : ownWeekday(terms, day);

/** The last exam period of the old term answers to the last of the new one, the one before to the one before. */
function answeringPeriod({ old, new: to }: Terms, period: number): ExamPeriod | undefined {
  return to.examPeriods[to.examPeriods.length - (old.examPeriods.length - period)];
}

function withoutPeriod(terms: Terms, day: Day, period: number, going?: Going): Placed {
  const { old, new: to } = terms;
  const own = going ?? { weekday: ownWeekday(terms, day), isTied: false, isAhead: false };
  if (period < old.examPeriods.length - 1) return inBreakWeek(terms, day, own, FLAG.noSuchWeek);
  return { ...fromLastDay(day, old.lastDay, to.lastDay), flags: FLAG.noSuchWeek };
}

const fromLastDay = (day: Day, oldLast: Day, newLast: Day): Placed => ({
  day: newLast + (day - oldLast),
  flags: 0,
  steps: [{ step: 'fromLastDay', days: day - oldLast }],
});

function examDay(terms: Terms, day: Day): Placed {
  const { old, new: to } = terms;
  const number = old.examPeriodOf(day);
  const period = old.examPeriods[number]!;
  const answer = answeringPeriod(terms, number);
  if (answer === undefined) return withoutPeriod(terms, day, number);
  const sameDay = (exam: Day): Day | undefined => {
    const week = answer.firstWeek + (old.weekStart(exam) - period.firstWeek);
    const inWeek = answer.days.filter((each) => to.weekStart(each) === week && to.runsAs(each) === old.runsAs(exam));
    const byCalendar = week + ((old.runsAs(exam) - to.weekStartsOn + 7) % 7);
    return inWeek.find((each) => each === byCalendar) ?? inWeek[0];
  };
  if (period.days.every((exam) => sameDay(exam) !== undefined))
    return {
      day: sameDay(day)!,
      flags: 0,
      steps: [{ step: 'examDay', how: 'sameDay', index: period.days.indexOf(day), of: period.days.length }],
    };
  let oldDays = period.days.filter((exam) => !isWeekend(old.runsAs(exam)));
  let newDays = answer.days.filter((exam) => !isWeekend(to.runsAs(exam)));
  if (oldDays.length === 0 || newDays.length === 0) {
    oldDays = [...period.days];
    newDays = [...answer.days];
  }
  const index = Math.max(0, oldDays.filter((exam) => exam <= day).length - 1);
  const share = shareOf(index, oldDays.length, newDays.length);
  return {
    day: newDays[share]!,
    flags: 0,
    steps: [{ step: 'examDay', how: 'share', index: share, of: newDays.length }],
  };
}

function beforeWeekOne(terms: Terms, day: Day, weekday: MappedWeekday): Placed {
  const { old, new: to } = terms;
  const weeks = (old.teachingWeeks[0]! - old.weekStart(day)) / 7;
  const placed = weekdayOfWeek(to, to.teachingWeeks[0]! - weeks * 7, weekday.to, old.isInside(day));
  if (to.isInside(placed.day) && !old.isInside(day)) {
    const days = day - old.firstDay;
    return { day: to.firstDay + days, flags: 0, steps: [{ step: 'fromFirstDay', days }] };
  }
  return { ...placed, steps: [{ step: 'beforeWeekOne', weeks }, ...weekday.steps, ...placed.steps] };
}

function inTeachingWeek(terms: Terms, day: Day, number: number, weekday: MappedWeekday): Placed {
  const { old, new: to } = terms;
  const answer = answeringWeek(terms, number);
  const missing = answer === undefined;
  const week = answer ?? to.teachingWeeks.length;
  const placed = weekdayOfWeek(to, to.teachingWeeks[week - 1]!, weekday.to, old.isInside(day));
  return {
    day: placed.day,
    flags: placed.flags | (missing ? FLAG.noSuchWeek : 0),
    steps: [
      { step: 'teachingWeek', old: number, new: week, ...(missing ? { missing: true as const } : {}) },
      ...weekday.steps,
      ...placed.steps,
    ],
  };
}

function afterLastDay(terms: Terms, day: Day): Placed {
  const { old, new: to } = terms;
  const weeks = (old.weekStart(day) - old.weekStart(old.lastDay)) / 7;
  const weekday = ownWeekday(terms, day);
  const placed = weekdayOfWeek(to, to.weekStart(to.lastDay) + weeks * 7, weekday.to, old.isInside(day));
  if (to.isInside(placed.day)) return fromLastDay(day, old.lastDay, to.lastDay);
  return { ...placed, steps: [{ step: 'afterLastWeek', weeks }, ...weekday.steps, ...placed.steps] };
}

function inExamWeek(terms: Terms, day: Day, period: number, going: Going): Placed {
  const { old, new: to } = terms;
  const answer = answeringPeriod(terms, period);
  if (answer === undefined) return withoutPeriod(terms, day, period, going);
  const week = (old.weekStart(day) - old.examPeriods[period]!.firstWeek) / 7;
  const start = answer.firstWeek + week * 7;
  if (!answer.days.some((exam) => to.weekStart(exam) === start)) return fromLastDay(day, old.lastDay, to.lastDay);
  const weekday = mappedIfTaught(terms, day, going);
  const placed = weekdayOfWeek(to, start, weekday.to, old.isInside(day));
  return { ...placed, steps: [{ step: 'examWeek', week }, ...weekday.steps, ...placed.steps] };
}
