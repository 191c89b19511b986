import { dayWords } from '../calendar/dateWords.js';
import { formatDay, formatMoment, parseDay, type Day } from '../calendar/day.js';
import { meetingsOn } from '../calendar/meetingIndex.js';
import type { Closure } from '../schemas/calendar.js';
import { hourIn, meetsOn } from './classes.js';
import { dayBeforeLanding, followsAnother, offeredDay, settableId, type Doubt } from './doubt.js';
import type { Flag } from '../names/flags.js';
import { nextDay } from './landing.js';
import { byClassShare } from './meetingRule.js';
import { lastBefore } from './reversals.js';
import type { SettlementName } from '../names/settlements.js';
import { byStretch } from './stretchRule.js';
import { weeksEarlier } from './weeksEarlier.js';

/** Dates that settle a cause when they are set by hand. */
export interface Settlement {
  readonly name: SettlementName;
  /** “Next teaching day, Fri 19 Feb”. */
  readonly words: string;
  /** By moment id, `YYYY-MM-DDTHH:mm`. */
  readonly dates: Readonly<Record<string, string>>;
}

/** Where one doubt would go; `undefined` where this offers it nothing. */
type Offer = (doubt: Doubt) => Day | undefined;

const isWeekday = (weekday: number): boolean => weekday <= 5;

/** Days that suit a moment: with a class that answers, for what is tied to one; teaching days for the rest. */
const suits =
  ({ tie, ground: { terms } }: Doubt) =>
  (day: Day): boolean =>
    tie === undefined ? terms.new.isTeaching(day) : meetsOn(tie.series.after, day);

const suitable = (doubt: Doubt, from: Day, direction: 1 | -1): Day | undefined =>
  nextDay(doubt.ground.terms.new, from, direction, suits(doubt));

const OFFERS: Partial<Record<Flag, readonly (readonly [SettlementName, Offer])[]>> = {
  closure: aroundLanding(),
  noClass: aroundLanding(),
  wasInBreak: [
    ['newBreak', sameDayOfNewBreak],
    ['previous', (doubt) => withBreak(doubt, ({ after }) => suitable(doubt, parseDay(after.from), -1))],
    ['next', (doubt) => withBreak(doubt, ({ after }) => suitable(doubt, parseDay(after.to), 1))],
  ],
  noSuchWeek: [
    ['lastDay', (doubt) => suitable(doubt, doubt.ground.terms.new.lastDay + 1, -1)],
    ['byShare', byShare],
  ],
  outsideTerm: [
    [
      'firstDay',
      ({ moment, ground: { terms } }) => (isBefore(moment.to!, terms.new.firstDay) ? terms.new.firstDay : undefined),
    ],
    [
      'lastDay',
      ({ moment, ground: { terms } }) => (isBefore(moment.to!, terms.new.firstDay) ? undefined : terms.new.lastDay),
    ],
  ],
  weekend: [
    ['previous', (doubt) => nearWeekday(doubt, -1)],
    ['next', (doubt) => nearWeekday(doubt, 1)],
  ],
  orderChanged: [['oldDistance', atOldDistance]],
};

/**
 * What settles the doubts of one cause: dates for those that take none from another of their item and would get another
 * than they have. Nothing empty, nothing twice.
 *
 * @param cause  the flag that the doubts share
 * @see docs/rules.md, "Doubts and their causes"
 */
export function settlementsFor(cause: Flag, doubts: readonly Doubt[]): Settlement[] {
  const free = doubts.filter(({ moment }) => !followsAnother(moment) && moment.to !== null);
  const found: Settlement[] = [];
  const add = (name: SettlementName, settled: readonly (readonly [Doubt, string])[], of: readonly Doubt[]): void => {
    const changed = settled.filter(([{ moment }, at]) => at !== moment.to);
    const dates = Object.fromEntries(changed.map(([{ moment }, at]) => [settableId(moment), at]));
    if (changed.length === 0 || found.some((other) => isSame(other.dates, dates))) return;
    found.push({ name, words: wordsFor(name, changed, of), dates });
  };
  for (const [name, offer] of OFFERS[cause] ?? []) {
    const settled = free.flatMap((doubt) => {
      const day = offer(doubt);
      return day === undefined ? [] : [[doubt, at(doubt, day)] as const];
    });
    add(name, settled, free);
  }
  if (cause === 'noSuchWeek') {
    const earlier = weeksEarlier(doubts).map(({ doubt, day }) => [doubt, at(doubt, day)] as const);
    add('weeksEarlier', earlier, doubts);
  }
  return found;
}

const isSame = (one: Settlement['dates'], other: Settlement['dates']): boolean => {
  const ids = Object.keys(one);
  return ids.length === Object.keys(other).length && ids.every((id) => one[id] === other[id]);
};

const isBefore = (to: string, day: Day): boolean => parseDay(to) < day;

/** A day offered with its hour: that of the first class that answers, for what is tied; else the one that it has. */
function at({ moment, tie, oldMinute, ground }: Doubt, day: Day): string {
  const has = `${formatDay(day)}${moment.to!.slice(10)}`;
  if (tie === undefined || ground.policyOf(moment).hour === 'keep') return has;
  const [first] = meetingsOn(tie.series.after, day);
  return first === undefined ? has : formatMoment(day, hourIn(oldMinute, tie.meeting, first));
}

function aroundLanding(): readonly (readonly [SettlementName, Offer])[] {
  return [
    ['next', (doubt) => suitable(doubt, dayBeforeLanding(doubt.moment), 1)],
    ['previous', (doubt) => suitable(doubt, dayBeforeLanding(doubt.moment), -1)],
    ['nextClass', nextClass],
    ['stay', ({ moment }) => dayBeforeLanding(moment)],
  ];
}

/** The next class that answers; for the rest of those without a name, or of all. */
function nextClass({ moment, tie, ground: { terms } }: Doubt): Day | undefined {
  const list = tie?.series.after ?? terms.classes.unnamed.after;
  return nextDay(terms.new, dayBeforeLanding(moment), 1, (day) => meetsOn(list, day));
}

/** The closure of the old term that a date was in, and the one of the new term that answers. */
interface Breaks {
  readonly before: Closure;
  readonly after: Closure;
}

function withBreak(doubt: Doubt, then: (breaks: Breaks) => Day | undefined): Day | undefined {
  const { moment, oldDay, ground } = doubt;
  const before = ground.terms.old.closureAt(oldDay);
  if (before === undefined) return undefined;
  const ofKind = (ground.terms.new.calendar.closures ?? []).filter(({ kind }) => kind === before.kind);
  const alike = ofKind.filter(({ label }) => label === before.label);
  const distance = ({ from }: Closure): number => Math.abs(parseDay(from) - parseDay(moment.to!));
  const [after] = (alike.length > 0 ? alike : ofKind).toSorted(
    (a, b) => distance(a) - distance(b) || parseDay(a.from) - parseDay(b.from),
  );
  return after === undefined ? undefined : then({ before, after });
}

/** The same day from the end of the new break, not before its start. */
function sameDayOfNewBreak(doubt: Doubt): Day | undefined {
  return withBreak(doubt, ({ before, after }) =>
    Math.max(parseDay(after.from), parseDay(after.to) - (parseDay(before.to) - doubt.oldDay)),
  );
}

/** Where `stretch` would put it. */
function byShare(doubt: Doubt): Day | undefined {
  const { tie, oldDay, ground } = doubt;
  const { terms } = ground;
  if (terms.old.isExam(oldDay)) return undefined;
  if (tie !== undefined) return byClassShare(tie).meeting.day;
  const placed = byStretch(terms, oldDay);
  return placed === undefined ? undefined : offeredDay(doubt, placed.day);
}

function nearWeekday({ moment, ground: { terms } }: Doubt, direction: 1 | -1): Day {
  let day = parseDay(moment.to!) + direction;
  while (!isWeekday(terms.new.runsAs(day))) day += direction;
  return day;
}

/** As many days behind the last of those that it stood after and stands before now. */
function atOldDistance(doubt: Doubt): Day | undefined {
  const last = lastBefore(doubt);
  return last === undefined ? undefined : parseDay(last.moment.to!) + (doubt.oldDay - last.oldDay);
}

const daysOf = (settled: readonly (readonly [Doubt, string])[]): string => {
  const days = new Set(settled.map(([, to]) => parseDay(to)));
  return days.size === 1 ? dayWords([...days][0]!) : `${days.size} days`;
};

function wordsFor(
  name: SettlementName,
  settled: readonly (readonly [Doubt, string])[],
  doubts: readonly Doubt[],
): string {
  const days = daysOf(settled);
  const ties = new Set(settled.map(([{ tie }]) => tie !== undefined));
  const what = ties.size > 1 ? 'class or teaching day' : ties.has(true) ? 'class' : 'teaching day';
  switch (name) {
    case 'next':
      return `Next ${what}, ${days}`;
    case 'previous':
      return `${what === 'class' ? 'Class' : 'Teaching day'} before, ${days}`;
    case 'nextClass':
      return `Next class, ${days}`;
    case 'stay':
      return `Stay on ${days}`;
    case 'newBreak':
      return `In the new break, ${days}`;
    case 'firstDay':
      return `The first day, ${days}`;
    case 'lastDay':
      return ties.has(true) ? `The last ${what}, ${days}` : `The last day, ${days}`;
    case 'byShare':
      return 'By share of the term';
    case 'weeksEarlier': {
      const { terms } = doubts[0]!.ground;
      const fewer = terms.old.teachingWeeks.length - terms.new.teachingWeeks.length;
      return `${fewer === 1 ? 'One week' : `${fewer} weeks`} earlier from week ${terms.new.teachingWeeks.length} on`;
    }
    case 'oldDistance':
      return 'As far behind as it was';
  }
}
