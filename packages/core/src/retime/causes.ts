import { dayWords, weekdayWord } from '../calendar/dateWords.js';
import { formatDay, parseDay, weekdayOf } from '../calendar/day.js';
import { indexCalendar } from '../calendar/calendarIndex.js';
import { indexMeetings } from '../calendar/meetingIndex.js';
import type { Calendar, Closure, Meeting } from '../schemas/calendar.js';
import type { NarrowPolicy } from '../schemas/retimeJob.js';
import { isDoubtful, type Flag } from './flags.js';
import { ROLE_WORDS } from './roleWords.js';
import type { Retimed } from './retime.js';

/** A moment as the causes see it: where it goes, and what it is on. */
export interface DoubtfulMoment extends Retimed {
  readonly kind: string;
  readonly title: string;
}

/** Something that would settle every doubt of a cause at once. */
export type Settlement =
  | { readonly settle: 'byHand'; readonly words: string; readonly dates: Readonly<Record<string, string>> }
  | { readonly settle: 'weekdays'; readonly words: string; readonly weekdays: NonNullable<NarrowPolicy['weekdays']> };

/** Doubts that have one cause, and so are one decision. */
export interface DoubtCause {
  readonly key: string;
  readonly flags: readonly Flag[];
  readonly sentence: string;
  /** What the moments have in common, or the one date: “Sun 15 Mar → Sun 7 Mar”. */
  readonly detail: string;
  readonly moments: readonly DoubtfulMoment[];
  readonly settlements: readonly Settlement[];
  /** Of several sources: the course whose dates these are, where the old term tells the causes apart. */
  readonly course?: string;
}

/** Doubts that come from the old term: those of two old terms have two causes. */
const FROM_OLD_TERM: readonly Flag[] = ['wasInBreak', 'orderChanged', 'otherTerm', 'noSuchWeek'];

/** Moments of one old term, and the terms between which they move. */
export interface TermMoments extends CauseTerms {
  readonly moments: readonly DoubtfulMoment[];
  /** Of several old terms: the course whose it is. */
  readonly course?: string;
}

export interface CauseTerms {
  readonly old: Calendar;
  readonly new: Calendar;
  /** Class meetings of the new term. */
  readonly meetings: readonly Meeting[];
  readonly weekdays: NonNullable<NarrowPolicy['weekdays']>;
}

const doubtFlags = (flags: readonly Flag[]): readonly Flag[] => flags.filter((flag) => isDoubtful([flag]));

/** What a person said was fine as it is: it lasts until the new moment or its flags change. */
export const settledAs = ({ to, flags }: Pick<Retimed, 'to' | 'flags'>): string => `${to ?? ''} ${flags.join(' ')}`;

/**
 * Gathers doubts by cause: the same flags, and the same closure, break or missing week, or the same kinds and weekdays.
 * What the new term alone causes is one cause for the dates of all old terms.
 *
 * @param parts    the dates of each old term
 * @param settled  by moment id, what `settledAs` said when the person called it fine
 * @see docs/rules.md, "Doubts and their causes"
 */
export function doubtCauses(
  parts: readonly TermMoments[],
  settled: Readonly<Record<string, string>> = {},
): readonly DoubtCause[] {
  const groups = new Map<string, { readonly part: TermMoments; readonly moments: DoubtfulMoment[] }>();
  for (const part of parts)
    for (const moment of part.moments) {
      if (!isDoubtful(moment.flags) || settled[moment.id] === settledAs(moment)) continue;
      const flags = doubtFlags(moment.flags);
      const ofTerm = part.course !== undefined && FROM_OLD_TERM.includes(flags[0]!) ? ` of ${part.course}` : '';
      const key = `${flags.join('+')}|${detailKey(moment, part.moments, part)}${ofTerm}`;
      const group = groups.get(key);
      if (group === undefined) groups.set(key, { part, moments: [moment] });
      else group.moments.push(moment);
    }
  return [...groups].map(([key, { part, moments }]) => {
    const cause = describe(key, moments, part.moments, part);
    const isOfTerm = part.course !== undefined && FROM_OLD_TERM.includes(cause.flags[0]!);
    return isOfTerm ? { ...cause, course: part.course } : cause;
  });
}

function covering(calendar: Calendar, day: string, kinds: readonly Closure['kind'][]): Closure | undefined {
  return (calendar.closures ?? []).find(({ from, to, kind }) => from <= day && day <= to && kinds.includes(kind));
}

const closureHit = ({ steps, to }: Retimed, { new: calendar }: CauseTerms): string => {
  const landing = steps.find((step) => step.step === 'landing');
  return landing !== undefined
    ? landing.from
    : (covering(calendar, to?.slice(0, 10) ?? '', ['holiday', 'break', 'reading'])?.from ?? '');
};

const oldBreak = ({ steps }: Retimed): string => {
  const step = steps.find((each) => each.step === 'break');
  return step?.step === 'break' ? (step.label ?? 'break') : 'break';
};

function detailKey(moment: DoubtfulMoment, moments: readonly DoubtfulMoment[], terms: CauseTerms): string {
  const flag = doubtFlags(moment.flags)[0]!;
  switch (flag) {
    case 'closure':
      return closureHit(moment, terms);
    case 'wasInBreak':
      return oldBreak(moment);
    case 'orderChanged': {
      const other = moments.find((each) => isReversed(moment, each));
      return [moment, other ?? moment].map(kindAndWeekday).sort().join(' and ');
    }
    default:
      return '';
  }
}

const kindAndWeekday = ({ kind, from }: DoubtfulMoment): string => `${kind} ${weekdayOf(parseDay(from))}`;

/** One was before the other in the old term and is after it in the new. ISO moments sort as text. */
function isReversed(one: DoubtfulMoment, other: DoubtfulMoment): boolean {
  if (one.role !== other.role || one.to === null || other.to === null) return false;
  return (one.from < other.from && one.to > other.to) || (one.from > other.from && one.to < other.to);
}

const times = (count: number): string => (count === 1 ? '' : count === 2 ? ', twice' : `, ${count} times`);

const PLAIN_ROLES: readonly DoubtfulMoment['role'][] = ['due', 'starts', 'ends', 'posts'];

const nameOf = ({ title, role }: DoubtfulMoment): string =>
  PLAIN_ROLES.includes(role) ? title : `${title}, ${ROLE_WORDS[role]}`;

const names = (group: readonly DoubtfulMoment[]): string => {
  const titles = [...new Set(group.map(nameOf))];
  return titles.length <= 2 ? titles.join(' and ') : `${titles[0]} · ${titles[1]} · ${titles.length - 2} more`;
};

function sentenceOf(flag: Flag, group: readonly DoubtfulMoment[], terms: CauseTerms): string {
  const first = group[0]!;
  switch (flag) {
    case 'closure': {
      const hit = closureHit(first, terms);
      const label = hit === '' ? undefined : covering(terms.new, hit, ['holiday', 'break', 'reading', 'exams'])?.label;
      const day = hit === '' ? 'The new day' : dayWords(parseDay(hit));
      return `${day} is ${label ?? 'closed'} now${times(group.length)}`;
    }
    case 'wasInBreak':
      return `${names(group)}: was in ${oldBreak(first)}`;
    case 'outsideTerm':
      return `${names(group)}: would fall outside the new term`;
    case 'noSuchWeek':
      return `The new term is shorter: ${names(group)} had a week that it lacks`;
    case 'otherWeekday':
      return `${names(group)}: the new day runs another weekday's timetable`;
    case 'noSuchMeeting':
      return `${names(group)}: no class meets then any more`;
    case 'missingHour':
      return `${names(group)}: the clocks skip that hour`;
    case 'orderChanged':
      return `${names(group)}: order changed${times(group.length)}`;
    case 'otherTerm':
      return `${names(group)}: dated in another term than last`;
    case 'past':
      return `${names(group)}: would be in the past`;
    case 'weekend':
      return `${names(group)}: would fall on a weekend now`;
    case 'otherPeriod':
      return `${names(group)}: would count in another marking period`;
    case 'sameDay':
    case 'crowded':
      return names(group);
  }
}

function describe(
  key: string,
  group: readonly DoubtfulMoment[],
  all: readonly DoubtfulMoment[],
  terms: CauseTerms,
): DoubtCause {
  const first = group[0]!;
  const flags = doubtFlags(first.flags);
  const move = `${dayWords(parseDay(first.from))} → ${first.to === null ? 'none' : dayWords(parseDay(first.to))}`;
  const sentence = sentenceOf(flags[0]!, group, terms);
  return {
    key,
    flags,
    sentence,
    detail: sentence.includes(first.title) && group.length === 1 ? move : `${names(group)}: ${move}`,
    moments: group,
    settlements: settlementsFor(flags[0]!, group, all, terms),
  };
}

function settlementsFor(
  flag: Flag,
  group: readonly DoubtfulMoment[],
  all: readonly DoubtfulMoment[],
  terms: CauseTerms,
): Settlement[] {
  switch (flag) {
    case 'closure':
      return [...byHand(group, (moment) => earlierOpenDay(moment, terms)), ...toNextClass(group, terms)];
    case 'wasInBreak':
      return byHand(group, (moment) => sameDayOfBreak(moment, terms));
    case 'weekend':
      return byHand(group, ({ to }) => (to === null ? undefined : parseDay(to) - (weekdayOf(parseDay(to)) - 5)));
    case 'outsideTerm':
      return byHand(group, ({ to }) =>
        to === null
          ? undefined
          : to.slice(0, 10) > terms.new.lastDay
            ? parseDay(terms.new.lastDay)
            : parseDay(terms.new.firstDay),
      );
    case 'noSuchMeeting':
      return toNextClass(group, terms);
    case 'orderChanged':
      return [...movedAlong(group, terms), ...atOldDistance(group, all)];
    default:
      return [];
  }
}

/** The next class behind the day that each comes to; none when a class meets that day, or there is no class any more. */
function toNextClass(group: readonly DoubtfulMoment[], { new: calendar, meetings }: CauseTerms): Settlement[] {
  if (meetings.length === 0) return [];
  const list = indexMeetings(indexCalendar(calendar, calendar.weekStartsOn ?? 1), meetings).counting(undefined);
  const settled = byHand(group, (moment) => {
    if (followsAnother(moment) || moment.to === null) return undefined;
    const day = parseDay(moment.to);
    if (list.firstAt(day) !== list.firstAt(day + 1)) return undefined;
    return list.meetings[list.firstAt(day + 1)]?.day;
  });
  return settled.map((each) => ({ ...each, words: `Next class, ${each.words}` }));
}

/** Beyond this many pairs it is no decision for one press any more, and takes too long at every toggle. */
const MOST_COMPARED = 200_000;

/** What stood after something of its role and would not now goes as many days behind it as it was. */
function atOldDistance(group: readonly DoubtfulMoment[], all: readonly DoubtfulMoment[]): Settlement[] {
  if (group.length * all.length > MOST_COMPARED) return [];
  const dates: Record<string, string> = {};
  for (const moment of group) {
    if (followsAnother(moment)) continue;
    const before = all.filter((other) => other.from < moment.from && isReversed(moment, other));
    const last = before.reduce<DoubtfulMoment | undefined>(
      (latest, other) => (latest === undefined || other.to! > latest.to! ? other : latest),
      undefined,
    );
    if (last === undefined) continue;
    const days = parseDay(moment.from) - parseDay(last.from);
    dates[moment.id] = `${formatDay(parseDay(last.to!) + days)}${moment.to!.slice(10)}`;
  }
  const count = Object.keys(dates).length;
  return count === 0 ? [] : [{ settle: 'byHand', words: 'The old distance', dates }];
}

const followsAnother = ({ steps }: Retimed): boolean =>
  steps.some(({ step }) => step === 'withLeader' || step === 'withStart');

function byHand(
  group: readonly DoubtfulMoment[],
  to: (moment: DoubtfulMoment) => number | undefined,
): (Settlement & { readonly settle: 'byHand' })[] {
  const dates: Record<string, string> = {};
  const days = new Set<number>();
  for (const moment of group) {
    const day = to(moment);
    if (day === undefined) return [];
    days.add(day);
    dates[moment.id] = `${formatDay(day)}${(moment.to ?? moment.from).slice(10)}`;
  }
  const [only] = days;
  return [{ settle: 'byHand', words: days.size === 1 ? dayWords(only!) : `${days.size} other days`, dates }];
}

/** The last open weekday before the closed day that it came to; none for what goes where its leader goes. */
function earlierOpenDay(moment: DoubtfulMoment, terms: CauseTerms): number | undefined {
  if (followsAnother(moment)) return undefined;
  const hit = closureHit(moment, terms);
  if (hit === '') return undefined;
  for (let day = parseDay(hit) - 1; day >= parseDay(terms.new.firstDay); day--)
    if (
      weekdayOf(day) <= 5 &&
      covering(terms.new, formatDay(day), ['holiday', 'break', 'reading', 'exams']) === undefined
    )
      return day;
  return undefined;
}

/** The same day of the closure of the same kind and name, counted from its end. */
function sameDayOfBreak(moment: DoubtfulMoment, { old, new: calendar }: CauseTerms): number | undefined {
  const before = covering(old, moment.from.slice(0, 10), ['break', 'holiday', 'reading']);
  const after = (calendar.closures ?? []).find(({ kind, label }) => kind === before?.kind && label === before.label);
  if (before === undefined || after === undefined) return undefined;
  const day = parseDay(after.to) - (parseDay(before.to) - parseDay(moment.from));
  return day >= parseDay(after.from) ? day : undefined;
}

/** Moving this weekday along with the class day before it would bring the old order back. */
function movedAlong(group: readonly DoubtfulMoment[], { weekdays }: CauseTerms): Settlement[] {
  const unmapped = [...new Set(group.map(({ from }) => weekdayOf(parseDay(from))))].filter(
    (each) => weekdays[String(each)] === undefined,
  );
  const [weekday] = unmapped;
  if (weekday === undefined || unmapped.length > 1) return [];
  for (let before = weekday - 1; before >= 1; before--) {
    const to = weekdays[String(before)];
    if (to === undefined) continue;
    const moved = weekday + (to - before);
    if (moved < 1 || moved > 7 || moved === weekday) return [];
    return [
      {
        settle: 'weekdays',
        words: `Move ${weekdayWord(weekday)} to ${weekdayWord(moved)}`,
        weekdays: { ...weekdays, [weekday]: moved },
      },
    ];
  }
  return [];
}
