import { indexCalendar } from '../calendar/calendarIndex.js';
import { dayWords, weekdayWord } from '../calendar/dateWords.js';
import { formatDay, parseDay, weekdayOf } from '../calendar/day.js';
import { indexMeetings } from '../calendar/meetingIndex.js';
import { closureHit, covering, type CauseTerms, type DoubtfulMoment, type Settlement } from './doubt.js';
import type { Flag } from './flags.js';
import type { Reversals } from './reversals.js';
import type { Retimed } from './retime.js';

/** What would settle every doubt of a cause at once, by its first flag; nothing where only a person can say. */
export function settlementsFor(
  flag: Flag,
  group: readonly DoubtfulMoment[],
  reversals: Reversals,
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
      return [...movedAlong(group, terms), ...atOldDistance(group, reversals)];
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

/** What stood after something of its role and would not now goes as many days behind it as it was. */
function atOldDistance(group: readonly DoubtfulMoment[], reversals: Reversals): Settlement[] {
  const dates: Record<string, string> = {};
  for (const moment of group) {
    if (followsAnother(moment)) continue;
    const last = reversals.lastBefore(moment);
    if (last === undefined) continue;
    const days = parseDay(moment.from) - parseDay(last.from);
    dates[settableId(moment)] = `${formatDay(parseDay(last.to!) + days)}${moment.to!.slice(10)}`;
  }
  const count = Object.keys(dates).length;
  return count === 0 ? [] : [{ settle: 'byHand', words: 'The old distance', dates }];
}

/** What is in doubt in one section alone is set for that one. */
const settableId = ({ id, doubtOf }: DoubtfulMoment): string => doubtOf?.id ?? id;

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
    dates[settableId(moment)] = `${formatDay(day)}${(moment.to ?? moment.from).slice(10)}`;
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
function movedAlong(group: readonly DoubtfulMoment[], { weekdays, section }: CauseTerms): Settlement[] {
  if (weekdays === undefined) return [];
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
        ...(section === undefined ? {} : { section }),
      },
    ];
  }
  return [];
}
