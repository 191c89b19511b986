import { formatMoment, parseDay, parseMinute } from '../../src/calendar/day.js';
import type { NarrowPolicy, RetimeJob, RetimeMoment } from '../../src/schemas/retimeJob.js';
import { PlainCalendar, type Met } from './plainCalendar.js';
import { hourIn, PlainClasses, share, type PlainSeries, type PlainTie } from './plainClasses.js';
import { plainFlags } from './plainFlags.js';

type Policy = Required<Pick<NarrowPolicy, 'rule' | 'hour' | 'weekdays'>> & Pick<NarrowPolicy, 'landing'>;

/** A moment on its way, with everything that was found out about it. */
export interface Plain {
  readonly moment: RetimeMoment;
  readonly oldDay: number;
  readonly oldMinute: number;
  readonly policy: Policy;
  readonly ruleIsNarrow: boolean;
  readonly tie: PlainTie | undefined;
  /** As if tied: the meeting that it goes weeks on from. */
  weeksOn: PlainTie | undefined;
  /** Of a class event: the series that its moments count. */
  counts: PlainSeries | undefined;
  rule: string;
  day: number;
  minute: number;
  /** Takes its date from another of its item. */
  follows: boolean;
  /** The day from which it landed, when it did. */
  landedFrom: number | undefined;
  /** The old teaching week that it goes by, how many calendar weeks before it, and on which weekday. */
  byWeek: { readonly number: number; readonly before: number; readonly weekday: number } | undefined;
  readonly flags: Set<string>;
}

export interface Plains {
  readonly from: PlainCalendar;
  readonly to: PlainCalendar;
  readonly classes: PlainClasses;
  readonly all: readonly Plain[];
}

export type Spot = { readonly day: number; readonly flags: readonly string[]; readonly met?: Met };

const old = (each: Plain): number => each.oldDay * 1440 + each.oldMinute;
const now = (each: Plain): number => each.day * 1440 + each.minute;
const OF_ITS_OWN = ['closure', 'noClass', 'wasInBreak', 'noSuchWeek', 'otherWeekday', 'noSuchMeeting'];

/** Where each moment goes: docs/rules.md done sentence by sentence, without any index or order of work of its own. */
export function readPlainly(job: RetimeJob): { to: string | null; rule: string; flags: string[] }[] {
  return plainsOf(job).all.map((each) => ({ to: toOf(each), rule: each.rule, flags: [...each.flags] }));
}

export const toOf = (each: Plain): string | null =>
  each.rule === 'clear' ? null : formatMoment(each.day, each.minute);

/** The same, with everything that was found out. */
export function plainsOf(job: RetimeJob): Plains {
  const weekStartsOn = job.destination.calendar.weekStartsOn ?? 1;
  const [from, to] = [job.source, job.destination].map((side) => new PlainCalendar(side, weekStartsOn)) as [
    PlainCalendar,
    PlainCalendar,
  ];
  const every = [from, to].map((term) => new Set([...term.taughtWeeks(), ...term.weeksWithClass()]));
  if (every[0]!.size === every[1]!.size) {
    from.counted = [...every[0]!];
    to.counted = [...every[1]!];
  }
  const classes = new PlainClasses(from, to);
  const all = job.moments.map((moment) => plainly(job, classes, moment));
  const plains = { from, to, classes, all };
  findClassEvents(plains, job);
  for (const each of all) if (isMovable(each)) place(plains, each);
  for (const each of all) follow(plains, each);
  const isLate = (each: Plain): boolean => each.moment.role === 'ends' && startOf(each, all) !== undefined;
  for (const each of all) if (!isLate(each)) skipHour(job, each);
  for (const each of all) followStart(plains, each);
  for (const each of all) if (isLate(each)) skipHour(job, each);
  plainFlags(job, plains);
  return plains;
}

export const isMovable = ({ rule }: Plain): boolean => !['byHand', 'clear', 'keep'].includes(rule);

function plainly({ policy = {}, byHand = {} }: RetimeJob, classes: PlainClasses, moment: RetimeMoment): Plain {
  const units = moment.unit === undefined ? [] : [moment.unit].flat();
  const narrow =
    (moment.item === undefined ? undefined : policy.byItem?.[moment.item]) ??
    units.map((unit) => policy.byUnit?.[unit]).find((each) => each !== undefined) ??
    (moment.kind === undefined ? undefined : policy.byKind?.[moment.kind]);
  const landing = narrow?.landing ?? policy.landing;
  const resolved: Policy = {
    rule: narrow?.rule ?? policy.rule ?? 'week',
    hour: narrow?.hour ?? policy.hour ?? 'follow',
    weekdays: narrow?.weekdays ?? policy.weekdays ?? {},
    ...(landing === undefined ? {} : { landing }),
  };
  const hand = byHand[moment.id];
  const at = hand ?? moment.at;
  const [oldDay, oldMinute] = [parseDay(moment.at), parseMinute(moment.at, 11)];
  return {
    moment,
    oldDay,
    oldMinute,
    policy: resolved,
    ruleIsNarrow: narrow?.rule !== undefined,
    tie: classes.tie(oldDay, oldMinute, moment.role, moment.series),
    weeksOn: undefined,
    counts: undefined,
    rule: hand === undefined ? resolved.rule : 'byHand',
    day: parseDay(at),
    minute: parseMinute(at, 11),
    follows: false,
    landedFrom: undefined,
    byWeek: undefined,
    flags: new Set(),
  };
}

const samePeople = (a: Plain, b: Plain): boolean =>
  a.moment.item !== undefined && a.moment.item === b.moment.item && a.moment.for === b.moment.for;

function findClassEvents({ from, classes, all }: Plains, job: RetimeJob): void {
  const events: { readonly mine: readonly Plain[]; readonly tie: PlainTie }[] = [];
  for (const starts of all) {
    if (starts.moment.kind !== 'event' || starts.moment.role !== 'starts') continue;
    const mine = all.filter((each) => samePeople(each, starts));
    const ends = mine.filter(({ moment }) => moment.role === 'ends');
    if (mine.filter(({ moment }) => moment.role === 'starts').length !== 1 || ends.length !== 1) continue;
    const fits = from
      .meetings()
      .filter(
        ({ day, start, end }) => day === starts.oldDay && start === starts.oldMinute && end === ends[0]!.oldMinute,
      )
      .filter(({ day }) => day === ends[0]!.oldDay);
    const met = fits.find(({ series }) => series === starts.moment.series) ?? fits[0];
    if (met !== undefined) events.push({ mine, tie: classes.tieTo(met) });
  }
  for (const { mine, tie } of events) {
    const { name, before, old: pattern, new: answering } = tie.series;
    const met = events.filter((other) => other.tie.series.name === name).map((other) => other.tie.number);
    if (new Set(met).size < 0.9 * before.length - 1e-9 || pattern.length !== answering.length) continue;
    const plan = job.policy?.rule;
    for (const each of mine) {
      each.counts = tie.series;
      if (isMovable(each) && plan !== 'clear' && plan !== 'keep' && !each.ruleIsNarrow) each.rule = 'meeting';
    }
  }
}

export function weekdayOf(to: PlainCalendar, week: number, weekday: number, wasInside: boolean): Spot {
  const days = to.daysOf(week);
  const byCalendar = days.find((day) => ((day + 3) % 7) + 1 === weekday)!;
  const suits = (day: number): boolean => to.runsAs(day) === weekday && to.isOpenFor(day, wasInside);
  if (suits(byCalendar)) return { day: byCalendar, flags: [] };
  const other = days.find(suits);
  if (other !== undefined) return { day: other, flags: [] };
  return { day: byCalendar, flags: to.runsAs(byCalendar) === weekday ? [] : ['otherWeekday'] };
}

const flagged = (spot: Spot, ...flags: string[]): Spot => ({ ...spot, flags: [...spot.flags, ...flags] });

export const numbered = (list: readonly Met[], number: number): Spot & { readonly met: Met } =>
  number < list.length
    ? { day: list[number]!.day, flags: [], met: list[number]! }
    : { day: list.at(-1)!.day, flags: ['noSuchMeeting'], met: list.at(-1)! };

/** The week that answers to week k, as its first day. */
function answeringWeek({ from, to }: Plains, number: number): number | undefined {
  const longer = to.teachingWeeks().length - from.teachingWeeks().length;
  if (number === from.teachingWeeks().length && longer >= 1 && longer <= 3) return to.teachingWeeks().at(-1);
  return to.teachingWeeks()[number - 1];
}

/** The mapped weekday of what goes with its class, or of the rest. */
function mappedWeekday({ from, classes }: Plains, each: Plain): number {
  const { tie, policy, oldDay } = each;
  if (tie !== undefined && tie.series.after.length > 0)
    return classes.mapped(tie.series, from.runsAs(oldDay), policy.weekdays);
  const weekday = from.runsAs(oldDay);
  return (from.isInside(oldDay) ? policy.weekdays[String(weekday)] : undefined) ?? weekday;
}

export const isTied = ({ tie }: Plain): boolean => tie !== undefined && tie.series.after.length > 0;

function weeksOn({ from, to }: Plains, each: Plain, after: readonly Met[], met: Met, number: number, weekday: number) {
  const answer = numbered(after, number);
  const weeks = from.numberBy(each.oldDay) - from.numberBy(met.day);
  const wanted = to.teachingWeeks()[to.numberBy(answer.day) + weeks - 1];
  const spot = weekdayOf(to, wanted ?? to.teachingWeeks().at(-1)!, weekday, from.isInside(each.oldDay));
  return flagged(spot, ...answer.flags, ...(wanted === undefined ? ['noSuchWeek'] : []));
}

function weekFromTwo(plains: Plains, each: Plain): Spot {
  const { from, to, all } = plains;
  const day = each.oldDay;
  const week = from.week(day);
  const wasInside = from.isInside(day);
  const weekOne = from.teachingWeeks()[0]!;
  const newWeeks = to.teachingWeeks();
  const number = from.numberOf(week);
  const own = from.runsAs(day);
  const mapped = mappedWeekday(plains, each);
  const inExamsOrBreak = isTied(each) || from.isTeaching(day) ? mapped : own;
  const there = (newWeek: number, weekday: number): Spot => weekdayOf(to, newWeek, weekday, wasInside);
  const toLastDay: Spot = { day: to.last + day - from.last, flags: [] };
  const periods = from.periods();
  const answering = (period: number): number[] | undefined =>
    to.periods()[to.periods().length - periods.length + period];
  const held = (flag: string): Spot => {
    const next = from.weeks().find((other) => other > week && (from.numberOf(other) > 0 || from.isExamWeek(other)));
    let spot: Spot;
    if (next === undefined) spot = there(newWeeks.at(-1)! + week - from.teachingWeeks().at(-1)!, inExamsOrBreak);
    else if (from.numberOf(next) > 0) {
      const answer = answeringWeek(plains, from.numberOf(next));
      each.byWeek = { number: from.numberOf(next), before: (next - week) / 7, weekday: inExamsOrBreak };
      spot =
        answer === undefined
          ? flagged(there(newWeeks.at(-1)!, inExamsOrBreak), 'noSuchWeek')
          : there(answer - (next - week), inExamsOrBreak);
    } else {
      const answer = answering(periods.findIndex((days) => days.some((other) => from.week(other) === next)));
      spot = there(to.week(answer?.[0] ?? to.last) - (next - week), inExamsOrBreak);
    }
    return flag === 'wasInBreak' && to.isBreakWeek(to.week(spot.day)) ? spot : flagged(spot, flag);
  };
  const withoutAnswer = (period: number): Spot =>
    period === periods.length - 1 ? flagged(toLastDay, 'noSuchWeek') : held('noSuchWeek');

  const { role } = each.moment;
  const isEndOfWeek = from.daysOf(week).every((other) => other <= day || !from.isTeaching(other));
  if (!isTied(each) && (role === 'opens' || role === 'posts') && wasInside && from.isWeekend(day) && isEndOfWeek) {
    const next = from.numberOf(week + 7);
    const dueBefore = all.some(
      (other) => samePeople(other, each) && other.moment.role === 'due' && other.oldDay < week + 7,
    );
    if (next > 0 && !dueBefore) {
      each.byWeek = { number: next, before: 1, weekday: mapped };
      const answer = answeringWeek(plains, next);
      return answer === undefined
        ? flagged(there(newWeeks.at(-1)! - 7, mapped), 'noSuchWeek')
        : there(answer - 7, mapped);
    }
  }
  if (from.isExam(day)) {
    const period = periods.findIndex((days) => days.includes(day));
    const answer = answering(period);
    if (answer === undefined) return withoutAnswer(period);
    const days = periods[period]!;
    /** The exam day of the same week that runs as the same weekday; the one by the calendar, if there are two. */
    const twin = (other: number): number | undefined => {
      const twinWeek = to.week(answer[0]!) + from.week(other) - from.week(days[0]!);
      const suiting = answer.filter((exam) => to.week(exam) === twinWeek && to.runsAs(exam) === from.runsAs(other));
      return suiting.find((exam) => ((exam + 3) % 7) + 1 === from.runsAs(other)) ?? suiting[0];
    };
    if (days.every((other) => twin(other) !== undefined)) return { day: twin(day)!, flags: [] };
    const weekdays = days.filter((other) => !from.isWeekend(other));
    const newWeekdays = answer.filter((other) => !to.isWeekend(other));
    const useAll = weekdays.length === 0 || newWeekdays.length === 0;
    const [mine, theirs] = useAll ? [days, answer] : [weekdays, newWeekdays];
    const index = Math.max(0, mine.filter((other) => other <= day).length - 1);
    return { day: theirs[share(index, mine.length, theirs.length)]!, flags: [] };
  }
  if (week < weekOne || day < from.first) {
    const spot = there(newWeeks[0]! - (weekOne - week), mapped);
    return to.isInside(spot.day) && !wasInside ? { day: to.first + day - from.first, flags: [] } : spot;
  }
  if (number > 0) {
    each.byWeek = { number, before: 0, weekday: mapped };
    const answer = answeringWeek(plains, number);
    return answer === undefined ? flagged(there(newWeeks.at(-1)!, mapped), 'noSuchWeek') : there(answer, mapped);
  }
  if (day > from.last) {
    const spot = there(to.week(to.last) + week - from.week(from.last), own);
    return to.isInside(spot.day) ? toLastDay : spot;
  }
  if (from.isExamWeek(week)) {
    const period = periods.findIndex((days) => days.some((other) => from.week(other) === week));
    const answer = answering(period);
    if (answer === undefined) return withoutAnswer(period);
    const newWeek = to.week(answer[0]!) + week - from.week(periods[period]![0]!);
    return answer.some((other) => to.week(other) === newWeek) ? there(newWeek, inExamsOrBreak) : toLastDay;
  }
  return held('wasInBreak');
}

interface Counted {
  readonly before: readonly Met[];
  readonly after: readonly Met[];
}

/** The meetings that the rest counts: of the series that it names or counts, else those without a name, or all. */
function countedBy({ from, to, classes }: Plains, { moment, counts }: Plain): Counted {
  if (counts !== undefined) return counts;
  if (moment.series !== undefined) return classes.series(moment.series);
  return {
    before: from.meetings(from.patternFor(undefined)),
    after: to.meetings(to.patternFor(undefined)),
  };
}

/** Where the `meeting` rule puts what is tied to no class; none when it goes as under `week`. */
function restByMeeting(plains: Plains, each: Plain): Spot | undefined {
  const { from, to } = plains;
  const { before, after } = countedBy(plains, each);
  const day = each.oldDay;
  const week = from.week(day);
  if (before.length === 0 || after.length === 0 || from.isExam(day)) return undefined;
  if (from.isClosed(day) && from.isBreakWeek(week)) return undefined;
  const ofWeek = before.filter((met) => from.week(met.day) === week);
  if (ofWeek.length === 0) {
    const last = before.filter((met) => met.day < day).at(-1);
    if (from.numberOf(week) === 0 || last === undefined) return undefined;
    return weeksOn(plains, each, after, last, before.indexOf(last), mappedWeekday(plains, each));
  }
  const ofDay = ofWeek.filter((met) => met.day === day);
  const met = ofDay[0] ?? ofWeek.find((other) => other.day > day) ?? ofWeek.filter((other) => other.day < day).at(-1)!;
  const answer = numbered(after, before.indexOf(met));
  const newWeek = to.week(answer.day);
  if (from.isWeekend(day) && ofDay.length === 0)
    return flagged(weekdayOf(to, newWeek, from.runsAs(day), from.isInside(day)), ...answer.flags);
  const taught = to.daysOf(newWeek).filter(to.isTeaching);
  const limits = from.isInside(day) ? [answer.day, ...taught] : to.daysOf(newWeek);
  const wanted = answer.day + day - met.day;
  return { day: Math.min(Math.max(wanted, Math.min(...limits)), Math.max(...limits)), flags: answer.flags };
}

export function restByStretch(plains: Plains, each: Plain): Spot {
  const { from, to } = plains;
  const [mine, theirs] = [from.teachingDays(), to.teachingDays()];
  const goesTo = (teaching: number): number => theirs[share(mine.indexOf(teaching), mine.length, theirs.length)]!;
  const day = each.oldDay;
  const week = from.week(day);
  if (from.isExam(day)) return weekFromTwo(plains, each);
  if (from.numberOf(week) > 0) {
    const inWeek = mine.filter((other) => from.week(other) === week && other <= day).at(-1);
    const teaching = inWeek ?? mine.find((other) => other > day);
    return teaching === undefined ? weekFromTwo(plains, each) : { day: goesTo(teaching), flags: [] };
  }
  const next = mine.find((other) => other >= day);
  if (!from.isBreakWeek(week) || !from.isInside(day) || next === undefined) return weekFromTwo(plains, each);
  const before = mine.filter((other) => other < day).at(-1);
  const spot = Math.max(goesTo(next) - (next - day), before === undefined ? -Infinity : goesTo(before));
  return { day: spot, flags: to.isBreakWeek(to.week(spot)) ? [] : ['wasInBreak'] };
}

const AROUND = [0, -1, 1, -2, 2, -3, 3];

function ruled(plains: Plains, each: Plain): Spot {
  const { from, to, classes } = plains;
  const { tie, rule, oldDay: day, moment } = each;
  const same = to.first + day - from.first;
  if (tie !== undefined && isTied(each)) {
    const { series, number } = tie;
    const isByNumber = rule === 'meeting' || (rule === 'week' && classes.isAlternate(series));
    if (isByNumber) return numbered(series.after, number);
    if (rule === 'week') return weekFromTwo(plains, each);
    if (rule === 'stretch') return numbered(series.after, share(number, series.before.length, series.after.length));
    const away = AROUND.find((days) => classes.answersOn(series, same + days).length > 0);
    return { day: same + (away ?? 0), flags: [] };
  }
  if (each.weeksOn !== undefined) {
    const { series, met, number } = each.weeksOn;
    const weekday = classes.mapped(series, from.runsAs(met.day), each.policy.weekdays);
    return weeksOn(plains, each, series.after, met, number, weekday);
  }
  if (rule === 'offset') return { day: same, flags: [] };
  if (rule === 'nearest') {
    const weekday = from.isExam(day) || from.isClosed(day) ? from.runsAs(day) : mappedWeekday(plains, each);
    const away = AROUND.find((days) => to.runsAs(same + days) === weekday);
    return { day: same + (away ?? 0), flags: [] };
  }
  if (rule === 'stretch') return restByStretch(plains, each);
  const isOfAlternate = moment.series !== undefined && classes.isAlternate(classes.series(moment.series));
  const met = rule === 'meeting' || isOfAlternate ? restByMeeting(plains, each) : undefined;
  return met ?? weekFromTwo(plains, each);
}

/** The day on which a moment lands, of those that suit. */
function landOn(to: PlainCalendar, day: number, how: string, suits: (day: number) => boolean): number {
  const days = to.days().filter(suits);
  const next = days.find((other) => other > day);
  const previous = days.filter((other) => other < day).at(-1);
  if (how === 'previous') return previous ?? next ?? day;
  if (how === 'nearest' && next !== undefined && previous !== undefined)
    return day - previous < next - day ? previous : next;
  return next ?? previous ?? day;
}

/** Where the rest lands. */
export function landRest(plains: Plains, each: Plain, day: number): number {
  const { from, to } = plains;
  const { oldDay, policy } = each;
  const how = policy.landing ?? 'nearest';
  const isShut = from.isOpen(oldDay) && !from.isWeekend(oldDay) && !to.isOpen(day);
  const meetsExam = from.isTeaching(oldDay) && to.isExam(day);
  if (how === 'stay' || (!isShut && !meetsExam)) return day;
  if (from.isExam(oldDay)) return landOn(to, day, how, (other) => to.isOpen(other) && !to.isWeekend(other));
  const { after } = countedBy(plains, each);
  if (how === 'meeting' && after.length > 0)
    return landOn(to, day, how, (other) => after.some((met) => met.day === other));
  return landOn(to, day, how, to.isTeaching);
}

/** Where what is tied lands: on a day with a meeting that answers. */
export function landTied({ to, classes }: Plains, { policy }: Plain, { series }: PlainTie, day: number): number {
  const how = policy.landing ?? 'next';
  const meets = (other: number): boolean => classes.answersOn(series, other).length > 0;
  return how === 'stay' || meets(day) ? day : landOn(to, day, how, meets);
}

function landedFlag({ to }: Plains, each: Plain, before: number): void {
  if (each.day === before) return;
  each.landedFrom = before;
  each.flags.add(!to.isOpen(before) || to.isExam(before) ? 'closure' : 'noClass');
}

function place(plains: Plains, each: Plain): void {
  const { classes } = plains;
  const { tie, rule, oldDay, oldMinute, moment, policy } = each;
  if (tie === undefined && (rule === 'week' || rule === 'meeting'))
    each.weeksOn = classes.alternateBefore(oldDay, oldMinute, moment.series);
  const spot = ruled(plains, each);
  for (const flag of spot.flags) each.flags.add(flag);
  each.day = spot.day;
  each.minute = oldMinute;
  const isOpening = moment.role === 'opens' || moment.role === 'posts';
  if (tie !== undefined && isTied(each)) {
    each.day = landTied(plains, each, tie, spot.day);
    const mates = tie.series.before.filter((met) => met.day === oldDay);
    const there = classes.answersOn(tie.series, each.day);
    const met = spot.met ?? there[mates.indexOf(tie.series.before[tie.number]!)] ?? there.at(-1);
    if (policy.hour === 'follow' && met !== undefined) each.minute = hourIn(oldMinute, tie.met, met);
  } else {
    if (!isOpening || oldMinute !== 0 || each.weeksOn !== undefined) each.day = landRest(plains, each, spot.day);
    if (each.weeksOn !== undefined && policy.hour === 'follow') {
      const { series, number, met } = each.weeksOn;
      each.minute = hourIn(oldMinute, met, numbered(series.after, number).met);
    }
  }
  landedFlag(plains, each, spot.day);
}

const earliest = (list: readonly Plain[]): Plain | undefined =>
  list.reduce<Plain | undefined>(
    (best, each) => (best === undefined || old(each) < old(best) ? each : best),
    undefined,
  );

function startOf(ends: Plain, all: readonly Plain[]): Plain | undefined {
  const starts = all.filter((each) => samePeople(each, ends) && each.moment.role === 'starts' && each.rule !== 'clear');
  const before = starts.filter((each) => old(each) <= old(ends));
  const last = before.reduce<Plain | undefined>(
    (best, each) => (best === undefined || old(each) > old(best) ? each : best),
    undefined,
  );
  return last ?? earliest(starts);
}

function follow(plains: Plains, each: Plain): void {
  const { all } = plains;
  if (!isMovable(each)) return;
  const mine = all.filter((other) => (other === each || samePeople(other, each)) && other.rule !== 'clear');
  const leader = (['due', 'starts', 'opens'] as const)
    .map((role) => earliest(mine.filter(({ moment }) => moment.role === role)))
    .find((found) => found !== undefined);
  if (leader === undefined || leader === each) return;
  if (each.moment.role === 'ends' && startOf(each, all) !== undefined) return;
  const side = Math.sign(old(each) - old(leader));
  const keepsOrder = (): boolean => Math.sign(now(each) - now(leader)) === side;
  const takeDistance = (): void => {
    each.day = leader.day + each.oldDay - leader.oldDay;
    each.minute = each.oldMinute;
    each.follows = true;
    each.landedFrom = undefined;
    for (const flag of OF_ITS_OWN) each.flags.delete(flag);
  };
  const apart = each.oldDay - leader.oldDay;
  const { role } = each.moment;
  const isFollowingLate =
    role === 'late' && each.tie === undefined && leader.moment.role === 'due' && apart >= 0 && apart <= 14;
  if (isFollowingLate) {
    takeDistance();
    const before = each.day;
    each.day = landRest(plains, each, before);
    landedFlag(plains, each, before);
    if (!keepsOrder()) takeDistance();
  } else {
    const always = leader.rule === 'byHand' && ['late', 'closes', 'answers'].includes(role);
    if (!always && keepsOrder()) return;
    takeDistance();
  }
  if (keepsOrder()) return;
  const total = now(leader) + old(each) - old(leader);
  each.day = Math.floor(total / 1440);
  each.minute = total - each.day * 1440;
}

function followStart({ classes, all }: Plains, each: Plain): void {
  if (each.moment.role !== 'ends' || !isMovable(each)) return;
  const starts = startOf(each, all);
  if (starts === undefined) return;
  const total = (starts.day + each.oldDay - starts.oldDay) * 1440 + each.oldMinute + starts.minute - starts.oldMinute;
  each.day = Math.floor(total / 1440);
  each.minute = total - each.day * 1440;
  each.follows = true;
  if (starts.rule === 'byHand') {
    each.landedFrom = undefined;
    for (const flag of OF_ITS_OWN) each.flags.delete(flag);
  }
  const [tie, other] = [each.tie, starts.tie];
  if (tie === undefined || other === undefined || each.policy.hour === 'keep') return;
  if (tie.series.name !== other.series.name || tie.number !== other.number) return;
  const standing = classes
    .answersOn(tie.series, starts.day)
    .filter((met) => met.start <= starts.minute && starts.minute <= met.end);
  const met = standing.find(({ start }) => start === starts.minute) ?? standing[0];
  if (met === undefined) return;
  each.day = starts.day;
  each.minute = hourIn(each.oldMinute, tie.met, met);
}

/** Whether a wall-clock minute is on the clocks of a zone, tried against every offset that it has around then. */
const wallExists = (zone: string, total: number): boolean => {
  const format = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' });
  const wallAt = (utcMinutes: number): string => format.format(utcMinutes * 60_000).replace(' ', 'T');
  const text = formatMoment(Math.floor(total / 1440), ((total % 1440) + 1440) % 1440);
  return [-1440, 1440].some((away) => {
    const read = wallAt(total + away);
    const offset = parseDay(read) * 1440 + parseMinute(read.slice(0, 16), 11) - (total + away);
    return wallAt(total - offset).slice(0, 16) === text;
  });
};

function skipHour({ destination }: RetimeJob, each: Plain): void {
  if (!isMovable(each) || destination.calendar.timeZone === 'UTC') return;
  const before = now(each);
  while (!wallExists(destination.calendar.timeZone, now(each))) {
    each.minute++;
    if (each.minute === 1440) [each.day, each.minute] = [each.day + 1, 0];
  }
  if (now(each) !== before) each.flags.add('missingHour');
}
