import { formatMoment, parseDay } from '../../src/calendar/day.js';
import { FLAGS } from '../../src/names/flags.js';
import type { Closure } from '../../src/schemas/calendar.js';
import { hourIn, share } from './plainClasses.js';
import type { PlainCalendar } from './plainCalendar.js';
import { seriesOf } from './plainFlags.js';
import {
  isMovable,
  isTied,
  landRest,
  landTied,
  numbered,
  restByStretch,
  toOf,
  weekdayOf,
  type Plain,
  type Plains,
} from './plainReading.js';

export interface PlainCause {
  readonly cause: string;
  readonly moments: readonly string[];
  readonly settlements: readonly { readonly name: string; readonly to: Readonly<Record<string, string>> }[];
}

const old = (each: Plain): number => each.oldDay * 1440 + each.oldMinute;
const now = (each: Plain): number => each.day * 1440 + each.minute;
/** Where it came before it landed. */
const cameTo = (each: Plain): number => each.landedFrom ?? each.day;

const closureOn = ({ side, isInside }: PlainCalendar, day: number): Closure | undefined => {
  const on = (side.calendar.closures ?? []).filter(({ from, to }) => parseDay(from) <= day && day <= parseDay(to));
  return isInside(day) ? (on.find(({ kind }) => kind !== 'exams') ?? on[0]) : undefined;
};

/** Its flags that are doubts, a changed order last. */
const doubtsOf = ({ flags }: Plain): string[] => [
  ...FLAGS.filter((flag) => flags.has(flag) && !['sameDay', 'crowded', 'orderChanged'].includes(flag)),
  ...(flags.has('orderChanged') ? ['orderChanged'] : []),
];

function sharedBy({ from, to }: Plains, each: Plain, cause: string): string {
  if (cause === 'closure') return JSON.stringify(closureOn(to, cameTo(each)) ?? null);
  if (cause === 'wasInBreak') return JSON.stringify(closureOn(from, each.oldDay) ?? null);
  if (cause === 'outsideTerm') return each.day < to.first ? 'before' : 'after';
  return '';
}

type Offer = (each: Plain) => number | undefined;

/** The doubts of docs/rules.md gathered by cause, with what settles each, sentence by sentence. */
export function plainCauses(plains: Plains): PlainCause[] {
  const groups: { readonly cause: string; readonly shared: string; readonly doubts: Plain[] }[] = [];
  for (const each of plains.all) {
    const [cause] = doubtsOf(each);
    if (cause === undefined) continue;
    const shared = sharedBy(plains, each, cause);
    const group = groups.find((other) => other.cause === cause && other.shared === shared);
    if (group === undefined) groups.push({ cause, shared, doubts: [each] });
    else group.doubts.push(each);
  }
  return groups.map(({ cause, doubts }) => ({
    cause,
    moments: doubts.map(({ moment }) => moment.id),
    settlements: settle(plains, cause, doubts),
  }));
}

function settle(plains: Plains, cause: string, doubts: readonly Plain[]): PlainCause['settlements'] {
  const free = doubts.filter((each) => !each.follows && each.rule !== 'clear');
  const offered = offersOf(plains, cause).map(([name, offer]) => ({
    name,
    to: datesOf(
      plains,
      free.map((each) => [each, offer(each)]),
    ),
  }));
  if (cause === 'noSuchWeek') offered.push({ name: 'weeksEarlier', to: datesOf(plains, weeksEarlier(plains, doubts)) });
  return offered.filter(
    ({ to }, at) =>
      Object.keys(to).length > 0 &&
      offered.findIndex((other) => JSON.stringify(sorted(other.to)) === JSON.stringify(sorted(to))) === at,
  );
}

const sorted = (dates: Readonly<Record<string, string>>) => Object.entries(dates).sort();

/** Dates on the days that are offered, of those that get another than they have. */
function datesOf({ classes }: Plains, days: readonly (readonly [Plain, number | undefined])[]): Record<string, string> {
  const dates: Record<string, string> = {};
  for (const [each, day] of days) {
    if (day === undefined) continue;
    let { minute } = each;
    if (each.tie !== undefined && isTied(each) && each.policy.hour === 'follow') {
      const [met] = classes.answersOn(each.tie.series, day);
      if (met !== undefined) minute = hourIn(each.oldMinute, each.tie.met, met);
    }
    const at = formatMoment(day, minute);
    if (at !== toOf(each)) dates[each.moment.id] = at;
  }
  return dates;
}

function offersOf(plains: Plains, cause: string): (readonly [string, Offer])[] {
  const { from, to, classes } = plains;
  const suits =
    (each: Plain) =>
    (day: number): boolean =>
      each.tie !== undefined && isTied(each) ? classes.answersOn(each.tie.series, day).length > 0 : to.isTeaching(day);
  const next = (each: Plain, day: number): number | undefined =>
    to.days().find((other) => other > day && suits(each)(other));
  const previous = (each: Plain, day: number): number | undefined =>
    to.days().findLast((other) => other < day && suits(each)(other));
  const mondayToFriday = (day: number, step: 1 | -1): number => {
    let other = day + step;
    while (to.isWeekend(other)) other += step;
    return other;
  };
  switch (cause) {
    case 'closure':
    case 'noClass':
      return [
        ['next', (each) => next(each, cameTo(each))],
        ['previous', (each) => previous(each, cameTo(each))],
        [
          'nextClass',
          (each) => {
            const ofRest = to.meetings(to.patternFor(undefined));
            const meetings = each.tie !== undefined && isTied(each) ? each.tie.series.after : ofRest;
            return meetings.find(({ day }) => day > cameTo(each))?.day;
          },
        ],
        ['stay', cameTo],
      ];
    case 'wasInBreak': {
      const breaks = (each: Plain): readonly [Closure, Closure] | undefined => {
        const before = closureOn(from, each.oldDay);
        const ofKind = (to.side.calendar.closures ?? []).filter(({ kind }) => kind === before?.kind);
        const alike = ofKind.filter(({ label }) => label === before?.label);
        const away = ({ from: first }: Closure): number => Math.abs(parseDay(first) - each.day);
        const [after] = (alike.length > 0 ? alike : ofKind).toSorted(
          (a, b) => away(a) - away(b) || parseDay(a.from) - parseDay(b.from),
        );
        return before === undefined || after === undefined ? undefined : [before, after];
      };
      const around =
        (offer: (each: Plain, before: Closure, after: Closure) => number | undefined): Offer =>
        (each) => {
          const found = breaks(each);
          return found === undefined ? undefined : offer(each, ...found);
        };
      return [
        [
          'newBreak',
          around((each, before, after) =>
            Math.max(parseDay(after.from), parseDay(after.to) - (parseDay(before.to) - each.oldDay)),
          ),
        ],
        ['previous', around((each, _, after) => previous(each, parseDay(after.from)))],
        ['next', around((each, _, after) => next(each, parseDay(after.to)))],
      ];
    }
    case 'noSuchWeek':
      return [
        ['lastDay', (each) => to.days().findLast(suits(each))],
        ['byShare', (each) => byShare(plains, each)],
      ];
    case 'outsideTerm':
      return [
        ['firstDay', ({ day }) => (day < to.first ? to.first : undefined)],
        ['lastDay', ({ day }) => (day < to.first ? undefined : to.last)],
      ];
    case 'weekend':
      return [
        ['previous', ({ day }) => mondayToFriday(day, -1)],
        ['next', ({ day }) => mondayToFriday(day, 1)],
      ];
    case 'orderChanged':
      return [['oldDistance', (each) => atOldDistance(plains, each)]];
    default:
      return [];
  }
}

/** Where what is offered lands, as what a rule puts there. */
function landsOn(plains: Plains, each: Plain, day: number): number {
  const { tie, moment, oldMinute } = each;
  if (tie !== undefined && isTied(each)) return landTied(plains, each, tie, day);
  const isOpening = moment.role === 'opens' || moment.role === 'posts';
  return isOpening && oldMinute === 0 ? day : landRest(plains, each, day);
}

/** As under `stretch`; nothing for an exam day. */
function byShare(plains: Plains, each: Plain): number | undefined {
  const { from } = plains;
  if (from.isExam(each.oldDay)) return undefined;
  const { tie } = each;
  if (tie !== undefined && isTied(each)) {
    const { series, number } = tie;
    return numbered(series.after, share(number, series.before.length, series.after.length)).day;
  }
  return landsOn(plains, each, restByStretch(plains, each).day);
}

/** All that goes by the old teaching weeks from the new last number on. */
function weeksEarlier(plains: Plains, doubts: readonly Plain[]): (readonly [Plain, number])[] {
  const { from, to, all } = plains;
  const last = to.teachingWeeks().length;
  const fewer = from.teachingWeeks().length - last;
  const stoodInWeek = doubts.some(({ oldDay }) => from.numberOf(from.week(oldDay)) > 0);
  if (fewer <= 0 || !stoodInWeek || last - fewer < 1) return [];
  return all.flatMap((each): (readonly [Plain, number])[] => {
    const { byWeek, oldDay } = each;
    if (!isMovable(each) || each.follows || byWeek === undefined || byWeek.number < last) return [];
    const week = to.teachingWeeks()[byWeek.number - fewer - 1]! - 7 * byWeek.before;
    const { day } = weekdayOf(to, week, byWeek.weekday, from.isInside(oldDay));
    return [[each, landsOn(plains, each, day)]];
  });
}

/** As far behind the last of those that it was after and is flagged for being before. */
function atOldDistance(plains: Plains, each: Plain): number | undefined {
  const isLeftOut = (other: Plain): boolean =>
    ['clear', 'keep'].includes(other.rule) || other.flags.has('otherTerm') || other.follows;
  const isDoubtful = (other: Plain): boolean => doubtsOf(other).some((flag) => flag !== 'orderChanged');
  const passed = plains.all.filter((other) => {
    if (isLeftOut(other) || other.moment.role !== each.moment.role) return false;
    if (!(old(other) < old(each) && now(other) > now(each))) return false;
    if (each.rule === 'byHand') return other.rule !== 'byHand';
    if (other.rule !== each.rule || seriesOf(other) !== seriesOf(each)) return false;
    return isDoubtful(each) || !isDoubtful(other);
  });
  const last = passed.reduce<Plain | undefined>(
    (best, other) => (best === undefined || now(other) > now(best) ? other : best),
    undefined,
  );
  return last === undefined ? undefined : last.day + each.oldDay - last.oldDay;
}
