import { formatMoment, parseDay, parseMinute } from '../../src/calendar/day.js';
import type { NarrowPolicy, RetimeJob, RetimeMoment } from '../../src/schemas/retimeJob.js';
import { PlainCalendar, type Met } from './plainCalendar.js';
import { plainFlags } from './plainFlags.js';

type Policy = Required<Pick<NarrowPolicy, 'rule' | 'landing' | 'hour' | 'weekdays'>>;

/** A moment on its way, with everything that was found out about it. */
export interface Plain {
  readonly moment: RetimeMoment;
  readonly oldDay: number;
  readonly oldMinute: number;
  readonly policy: Policy;
  readonly ruleIsNarrow: boolean;
  /** The series whose meetings count for it. */
  series: string | undefined;
  isClassEvent: boolean;
  rule: string;
  day: number;
  minute: number;
  readonly flags: Set<string>;
}

type Spot = { readonly day: number; readonly flags: readonly string[] };

const old = (each: Plain): number => each.oldDay * 1440 + each.oldMinute;
const now = (each: Plain): number => each.day * 1440 + each.minute;
/** Round, halves up. */
const share = (index: number, n: number, m: number): number =>
  n === 1 ? 0 : Math.floor((index * (m - 1)) / (n - 1) + 0.5 + 1e-9);

/** Where each moment goes: docs/rules.md done sentence by sentence, without any index or order of work of its own. */
export function readPlainly(job: RetimeJob): { to: string | null; rule: string; flags: string[] }[] {
  const weekStartsOn = job.destination.calendar.weekStartsOn ?? 1;
  const from = new PlainCalendar(job.source, weekStartsOn);
  const to = new PlainCalendar(job.destination, weekStartsOn);
  const all = job.moments.map((moment) => plainly(job, moment));
  findClassEvents(from, to, job, all);
  for (const each of all) if (!['byHand', 'clear', 'keep'].includes(each.rule)) place(from, to, each, all);
  for (const each of all) follow(each, all);
  const isLate = (each: Plain): boolean => each.moment.role === 'ends' && startOf(each, all) !== undefined;
  for (const each of all) if (!isLate(each)) skipHour(job, each);
  for (const each of all) followStart(from, to, each, all);
  for (const each of all) if (isLate(each)) skipHour(job, each);
  plainFlags(job, from, to, all);
  return all.map((each) => ({
    to: each.rule === 'clear' ? null : formatMoment(each.day, each.minute),
    rule: each.rule,
    flags: [...each.flags],
  }));
}

function plainly({ policy = {}, byHand = {} }: RetimeJob, moment: RetimeMoment): Plain {
  const units = moment.unit === undefined ? [] : [moment.unit].flat();
  const narrow =
    (moment.item === undefined ? undefined : policy.byItem?.[moment.item]) ??
    units.map((unit) => policy.byUnit?.[unit]).find((each) => each !== undefined) ??
    (moment.kind === undefined ? undefined : policy.byKind?.[moment.kind]);
  const resolved: Policy = {
    rule: narrow?.rule ?? policy.rule ?? 'week',
    landing: narrow?.landing ?? policy.landing ?? 'next',
    hour: narrow?.hour ?? policy.hour ?? 'follow',
    weekdays: narrow?.weekdays ?? policy.weekdays ?? {},
  };
  const hand = byHand[moment.id];
  const at = hand ?? moment.at;
  return {
    moment,
    oldDay: parseDay(moment.at),
    oldMinute: parseMinute(moment.at, 11),
    policy: resolved,
    ruleIsNarrow: narrow?.rule !== undefined,
    series: moment.series,
    isClassEvent: false,
    rule: hand === undefined ? resolved.rule : 'byHand',
    day: parseDay(at),
    minute: parseMinute(at, 11),
    flags: new Set(),
  };
}

const samePeople = (a: Plain, b: Plain): boolean =>
  a.moment.item !== undefined && a.moment.item === b.moment.item && a.moment.for === b.moment.for;

function findClassEvents(from: PlainCalendar, to: PlainCalendar, job: RetimeJob, all: readonly Plain[]): void {
  for (const starts of all) {
    if (starts.moment.kind !== 'event' || starts.moment.role !== 'starts') continue;
    const mine = all.filter((each) => samePeople(each, starts));
    if (mine.filter(({ moment }) => moment.role === 'starts').length !== 1) continue;
    const ends = mine.filter(({ moment }) => moment.role === 'ends');
    if (ends.length !== 1) continue;
    const meeting = from
      .meetings()
      .find(
        ({ day, start, end }) =>
          day === starts.oldDay && start === starts.oldMinute && day === ends[0]!.oldDay && end === ends[0]!.oldMinute,
      );
    if (meeting === undefined) continue;
    for (const each of mine) each.isClassEvent = true;
    const counts = [from, to].map((term) =>
      term
        .patternFor(meeting.series)
        .map(({ weeks }) => weeks?.length ?? 0)
        .sort((a, b) => a - b)
        .join(),
    );
    if (counts[0] !== counts[1]) continue;
    const plan = job.policy?.rule;
    for (const each of mine) {
      each.series = meeting.series;
      if (each.rule !== 'byHand' && plan !== 'clear' && plan !== 'keep' && !each.ruleIsNarrow) each.rule = 'meeting';
    }
  }
}

const mapped = (term: PlainCalendar, day: number, { weekdays }: Policy, isMapped = true): number => {
  const weekday = term.runsAs(day);
  return isMapped ? (weekdays[String(weekday)] ?? weekday) : weekday;
};

function weekdayOf(to: PlainCalendar, week: number, weekday: number, wasInside: boolean): Spot {
  const days = to.daysOf(week);
  const byCalendar = days.find((day) => ((day + 3) % 7) + 1 === weekday)!;
  const suits = (day: number): boolean => to.runsAs(day) === weekday && to.isOpenFor(day, wasInside);
  if (suits(byCalendar)) return { day: byCalendar, flags: [] };
  const other = days.find(suits);
  if (other !== undefined) return { day: other, flags: [] };
  return { day: byCalendar, flags: to.runsAs(byCalendar) === weekday ? [] : ['otherWeekday'] };
}

function byWeek(from: PlainCalendar, to: PlainCalendar, day: number, policy: Policy): Spot {
  const week = from.week(day);
  const wasInside = from.isInside(day);
  const weekOne = from.teachingWeeks()[0]!;
  const newWeeks = to.teachingWeeks();
  const number = from.numberOf(week);
  const there = (newWeek: number, isMapped = true): Spot =>
    weekdayOf(to, newWeek, mapped(from, day, policy, isMapped), wasInside);
  const toLastDay: Spot = { day: to.last + day - from.last, flags: [] };
  const periods = from.periods();
  const answering = (period: number): number[] | undefined =>
    to.periods()[to.periods().length - periods.length + period];
  const flagged = (spot: Spot, flag: string): Spot => ({ day: spot.day, flags: [...spot.flags, flag] });
  const held = (flag: string): Spot => {
    const isMapped = from.isTeaching(day);
    const next = from.weeks().find((each) => each > week && (from.numberOf(each) > 0 || from.isExamWeek(each)));
    let spot: Spot;
    if (next === undefined) spot = there(newWeeks.at(-1)! + week - from.teachingWeeks().at(-1)!, isMapped);
    else if (from.numberOf(next) > newWeeks.length) spot = flagged(there(newWeeks.at(-1)!, isMapped), 'noSuchWeek');
    else if (from.numberOf(next) > 0) spot = there(newWeeks[from.numberOf(next) - 1]! - (next - week), isMapped);
    else {
      const period = periods.findIndex((days) => days.some((each) => from.week(each) === next));
      const answer = answering(period);
      spot = there(to.week(answer?.[0] ?? to.last) - (next - week), isMapped);
    }
    if (flag === 'wasInBreak' && to.isBreakWeek(to.week(spot.day))) return spot;
    return flagged(spot, flag);
  };
  const withoutAnswer = (period: number): Spot =>
    period === periods.length - 1 ? flagged(toLastDay, 'noSuchWeek') : held('noSuchWeek');

  if (from.isExam(day)) {
    const period = periods.findIndex((days) => days.includes(day));
    const answer = answering(period);
    if (answer === undefined) return withoutAnswer(period);
    const days = periods[period]!;
    /** The exam day of the same week that runs as the same weekday; the one by the calendar, if there are two. */
    const twin = (each: number): number | undefined => {
      const week = to.week(answer[0]!) + from.week(each) - from.week(days[0]!);
      const suiting = answer.filter((other) => to.week(other) === week && to.runsAs(other) === from.runsAs(each));
      return suiting.find((other) => ((other + 3) % 7) + 1 === from.runsAs(each)) ?? suiting[0];
    };
    if (days.every((each) => twin(each) !== undefined)) return { day: twin(day)!, flags: [] };
    const [weekdays, newWeekdays] = [
      days.filter((each) => !from.isWeekend(each)),
      answer.filter((each) => !to.isWeekend(each)),
    ];
    const useAll = weekdays.length === 0 || newWeekdays.length === 0;
    const [mine, theirs] = useAll ? [days, answer] : [weekdays, newWeekdays];
    const index = Math.max(0, mine.filter((each) => each <= day).length - 1);
    return { day: theirs[share(index, mine.length, theirs.length)]!, flags: [] };
  }
  if (week < weekOne) {
    const spot = there(newWeeks[0]! - (weekOne - week));
    return to.isInside(spot.day) && !wasInside ? { day: to.first + day - from.first, flags: [] } : spot;
  }
  if (number > 0)
    return number > newWeeks.length ? flagged(there(newWeeks.at(-1)!), 'noSuchWeek') : there(newWeeks[number - 1]!);
  if (day > from.last) {
    const spot = there(to.week(to.last) + week - from.week(from.last));
    return to.isInside(spot.day) ? toLastDay : spot;
  }
  if (from.isExamWeek(week)) {
    const period = periods.findIndex((days) => days.some((each) => from.week(each) === week));
    const answer = answering(period);
    if (answer === undefined) return withoutAnswer(period);
    const newWeek = to.week(answer[0]!) + week - from.week(periods[period]![0]!);
    return answer.some((each) => to.week(each) === newWeek) ? there(newWeek, from.isTeaching(day)) : toLastDay;
  }
  return held('wasInBreak');
}

function byNearest(from: PlainCalendar, to: PlainCalendar, day: number, policy: Policy): Spot {
  const same = to.first + day - from.first;
  const weekday = mapped(from, day, policy, !from.isExam(day) && !from.isClosed(day));
  const found = [0, -1, 1, -2, 2, -3, 3].find((away) => to.runsAs(same + away) === weekday);
  return { day: same + (found ?? 0), flags: [] };
}

function byStretch(from: PlainCalendar, to: PlainCalendar, each: Plain, all: readonly Plain[]): Spot {
  const [mine, theirs] = [from.teachingDays(), to.teachingDays()];
  const baseOf = (teaching: number): number => theirs[share(mine.indexOf(teaching), mine.length, theirs.length)]!;
  const day = each.oldDay;
  const isTaken = (other: number): boolean => from.numberOf(from.week(other)) > 0 && !from.isExam(other);
  if (from.isBreakWeek(from.week(day)) && from.isInside(day) && !from.isExam(day)) {
    const next = mine.find((other) => other >= day);
    if (next === undefined) return byWeek(from, to, day, each.policy);
    const before = mine.filter((other) => other < day).at(-1)!;
    const spot = Math.max(baseOf(next) - (next - day), baseOf(before));
    return { day: spot, flags: to.isBreakWeek(to.week(spot)) ? [] : ['wasInBreak'] };
  }
  if (!isTaken(day)) return byWeek(from, to, day, each.policy);
  const hangs = (other: number): number => {
    const ofWeek = from.daysOf(from.week(other)).filter(from.isTeaching);
    return baseOf(ofWeek.filter((teaching) => teaching <= other).at(-1) ?? ofWeek[0]!);
  };
  const key = JSON.stringify(whole(each.policy));
  const order = [
    ...new Set(
      all
        .filter(
          (other) => other.rule === 'stretch' && JSON.stringify(whole(other.policy)) === key && isTaken(other.oldDay),
        )
        .map(({ oldDay }) => oldDay),
    ),
  ].sort((a, b) => a - b);
  let went = -Infinity;
  for (const [at, other] of order.entries()) {
    const base = hangs(other);
    const limit = at + 1 < order.length ? hangs(order[at + 1]!) : Infinity;
    const weekday = mapped(from, other, each.policy);
    const away = [0, -1, 1, -2, 2, -3, 3].find((shift) => {
      const spot = base + shift;
      const isOpen = to.isOpenFor(spot, from.isInside(other)) && !to.isExam(spot);
      return isOpen && to.runsAs(spot) === weekday && spot >= went && spot <= limit;
    });
    went = base + (away ?? 0);
    if (other === day) return { day: went, flags: to.runsAs(went) === weekday ? [] : ['otherWeekday'] };
  }
  throw new Error('A day that was taken is in the order.');
}

const whole = ({ rule, landing, hour, weekdays }: Policy): unknown => [
  rule,
  landing,
  hour,
  [1, 2, 3, 4, 5, 6, 7].map((weekday) => weekdays[String(weekday)] ?? weekday),
];

/** Where the `meeting` rule puts a moment; none when it goes as under `week`. */
function byMeeting(from: PlainCalendar, to: PlainCalendar, each: Plain): (Spot & { minute: number }) | undefined {
  const mine = from.meetings(from.patternFor(each.series));
  const theirs = to.meetings(to.patternFor(each.series));
  const { oldDay: day, oldMinute: minute } = each;
  const week = from.week(day);
  if (mine.length === 0 || theirs.length === 0 || from.isExam(day)) return undefined;
  if (from.isClosed(day) && from.isBreakWeek(week)) return undefined;
  const ofWeek = mine.filter((meeting) => from.week(meeting.day) === week);
  const goTo = (meeting: Met): { readonly met: Met; readonly flags: readonly string[] } => {
    const number = mine.indexOf(meeting);
    return number < theirs.length
      ? { met: theirs[number]!, flags: [] }
      : { met: theirs.at(-1)!, flags: ['noSuchMeeting'] };
  };
  if (ofWeek.length === 0) {
    const before = mine.filter((meeting) => meeting.day < day).at(-1);
    if (each.series === undefined || from.numberOf(week) === 0 || before === undefined) return undefined;
    const { met, flags } = goTo(before);
    return { day: met.day + day - before.day, flags, minute };
  }
  const ofDay = ofWeek.filter((meeting) => meeting.day === day);
  const containing = ofDay.filter(({ start, end }) => start <= minute && minute <= end);
  const at = each.moment.role === 'ends' ? 'end' : 'start';
  const contains = containing.find((meeting) => meeting[at] === minute) ?? containing[0];
  const meeting =
    contains ??
    ofDay[0] ??
    ofWeek.find((other) => other.day > day) ??
    ofWeek.filter((other) => other.day < day).at(-1)!;
  const { met, flags } = goTo(meeting);
  const newWeek = to.week(met.day);
  if (from.isWeekend(day) && ofDay.length === 0) {
    const spot = weekdayOf(to, newWeek, from.runsAs(day), from.isInside(day));
    return { day: spot.day, flags: [...flags, ...spot.flags], minute };
  }
  const taught = to.daysOf(newWeek).filter(to.isTeaching);
  const limits = from.isInside(day) ? [met.day, ...taught] : to.daysOf(newWeek);
  const newDay = Math.min(Math.max(met.day + day - meeting.day, Math.min(...limits)), Math.max(...limits));
  if (contains === undefined) return { day: newDay, flags, minute };
  const kept = Math.min(met.start + minute - contains.start, met.end);
  return { day: newDay, flags, minute: minute === contains.end ? met.end : kept };
}

function land(from: PlainCalendar, to: PlainCalendar, each: Plain, day: number): number {
  const wasOpen = from.isOpen(each.oldDay) && !from.isWeekend(each.oldDay);
  const isShut = wasOpen && !to.isOpen(day);
  const meetsExam = from.isTeaching(each.oldDay) && to.isExam(day);
  const { landing } = each.policy;
  if ((!isShut && !meetsExam) || landing === 'stay') return day;
  const suits = from.isExam(each.oldDay)
    ? (other: number): boolean => to.isOpen(other) && !to.isWeekend(other)
    : to.isTeaching;
  const days = to.days().filter(suits);
  const meetingDays = to.meetings(to.patternFor(each.series)).map((meeting) => meeting.day);
  const nextIn = (list: readonly number[]): number | undefined => list.find((other) => other > day);
  const lastIn = (list: readonly number[]): number | undefined => list.filter((other) => other < day).at(-1);
  if (landing === 'meeting' && meetingDays.length > 0) return nextIn(meetingDays) ?? lastIn(meetingDays)!;
  const [next, previous] = [nextIn(days), lastIn(days)];
  if (landing === 'previous') return previous ?? next ?? day;
  if (landing === 'nearest' && next !== undefined && previous !== undefined)
    return day - previous <= next - day ? previous : next;
  return next ?? previous ?? day;
}

function followHour(from: PlainCalendar, to: PlainCalendar, each: Plain, day: number): number {
  if (each.policy.hour === 'keep') return each.oldMinute;
  const before = from.meetings().filter((meeting) => meeting.day === each.oldDay);
  const after = to.meetings().filter((meeting) => meeting.day === day);
  if (after.length === 0) return each.oldMinute;
  for (const side of each.moment.role === 'ends' ? (['end', 'start'] as const) : (['start', 'end'] as const)) {
    const place = before.findIndex((meeting) => meeting[side] === each.oldMinute);
    if (place >= 0) return (after[place] ?? after.at(-1)!)[side];
  }
  return each.oldMinute;
}

function place(from: PlainCalendar, to: PlainCalendar, each: Plain, all: readonly Plain[]): void {
  const met = each.rule === 'meeting' ? byMeeting(from, to, each) : undefined;
  if (each.rule === 'meeting' && met === undefined) each.rule = 'week';
  const spot: Spot =
    met ??
    (each.rule === 'offset'
      ? { day: to.first + each.oldDay - from.first, flags: [] }
      : each.rule === 'nearest'
        ? byNearest(from, to, each.oldDay, each.policy)
        : each.rule === 'stretch'
          ? byStretch(from, to, each, all)
          : byWeek(from, to, each.oldDay, each.policy));
  for (const flag of spot.flags) each.flags.add(flag);
  each.day = land(from, to, each, spot.day);
  if (each.day !== spot.day) each.flags.add('closure');
  each.minute = met?.minute ?? followHour(from, to, each, each.day);
}

const earliest = (list: readonly Plain[]): Plain | undefined =>
  list.reduce<Plain | undefined>(
    (best, each) => (best === undefined || old(each) < old(best) ? each : best),
    undefined,
  );

const isMovable = ({ rule }: Plain): boolean => !['byHand', 'clear', 'keep'].includes(rule);

function startOf(ends: Plain, all: readonly Plain[]): Plain | undefined {
  const starts = all.filter((each) => samePeople(each, ends) && each.moment.role === 'starts' && each.rule !== 'clear');
  const before = starts.filter((each) => old(each) <= old(ends));
  const last = before.reduce<Plain | undefined>(
    (best, each) => (best === undefined || old(each) > old(best) ? each : best),
    undefined,
  );
  return last ?? earliest(starts);
}

function follow(each: Plain, all: readonly Plain[]): void {
  if (!isMovable(each)) return;
  const mine = all.filter((other) => (other === each || samePeople(other, each)) && other.rule !== 'clear');
  const leader = (['due', 'starts', 'opens'] as const)
    .map((role) => earliest(mine.filter(({ moment }) => moment.role === role)))
    .find((found) => found !== undefined);
  if (leader === undefined || leader === each) return;
  if (each.moment.role === 'ends' && startOf(each, all) !== undefined) return;
  const side = Math.sign(old(each) - old(leader));
  const keepsOrder = (): boolean => Math.sign(now(each) - now(leader)) === side;
  const always = leader.rule === 'byHand' && ['late', 'closes', 'answers'].includes(each.moment.role);
  if (!always && keepsOrder()) return;
  each.day = leader.day + each.oldDay - leader.oldDay;
  each.minute = each.oldMinute;
  if (keepsOrder()) return;
  const total = now(leader) + old(each) - old(leader);
  each.day = Math.floor(total / 1440);
  each.minute = total - each.day * 1440;
}

function followStart(from: PlainCalendar, to: PlainCalendar, each: Plain, all: readonly Plain[]): void {
  if (each.moment.role !== 'ends' || !isMovable(each)) return;
  const starts = startOf(each, all);
  if (starts === undefined) return;
  const total = (starts.day + each.oldDay - starts.oldDay) * 1440 + each.oldMinute + starts.minute - starts.oldMinute;
  each.day = Math.floor(total / 1440);
  each.minute = total - each.day * 1440;
  const met = from
    .meetings()
    .filter(
      ({ day, start, end }) =>
        day === starts.oldDay && start === starts.oldMinute && day === each.oldDay && end === each.oldMinute,
    );
  const after = to.meetings().filter(({ day, start }) => day === starts.day && start === starts.minute);
  if (met.length === 0 || after.length === 0) return;
  each.day = starts.day;
  each.minute = (after.find(({ series }) => series === met[0]!.series) ?? after[0]!).end;
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
