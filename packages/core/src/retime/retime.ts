import { indexCalendar } from '../calendar/calendarIndex.js';
import { formatDay, formatMinute, parseDay, parseMinute, type Day, type Minute } from '../calendar/day.js';
import { indexMeetings } from '../calendar/meetingIndex.js';
import { zoneClock } from '../calendar/skippedHour.js';
import { fail, succeed, type Result } from '../problem.js';
import type { RetimeJob, Role, RuleName } from '../schemas/retimeJob.js';
import { checkRetimeJob, parseMoments, type ParsedMoments } from './checkRetimeJob.js';
import { classMeetingOf, meetsAsOften } from './classEvents.js';
import { FLAG, flagNames, type Flag } from './flags.js';
import { followHour } from './hour.js';
import { land } from './landing.js';
import { byMeeting } from './meetingRule.js';
import { groupByItem, type Moving } from './moving.js';
import { byNearest, byOffset } from './nearestRule.js';
import { policyResolver, type ResolvedPolicy } from './policy.js';
import { raiseFlags } from './raiseFlags.js';
import type { RuleUsed, Step } from './steps.js';
import { byStretch } from './stretchRule.js';
import type { Placed, Terms } from './terms.js';
import { byWeek } from './weekRule.js';
import { followLeader, followStarts, skipMissingHour } from './withinItem.js';

/** Where one moment goes. `to` is null when it was cleared. */
export interface Retimed {
  readonly id: string;
  readonly role: Role;
  readonly from: string;
  readonly to: string | null;
  readonly rule: RuleUsed;
  readonly steps: readonly Step[];
  readonly flags: readonly Flag[];
}

const TIME_AT = 'YYYY-MM-DDT'.length;

/**
 * Moves the moments of a course from one term's calendar to another's.
 *
 * @param job  calendars, meeting patterns, policy, moments and dates set by hand
 * @returns    one result a moment, in the order of the job; or the problems of the job
 * @see        docs/rules.md, "Retiming"
 */
export function retime(job: RetimeJob): Result<readonly Retimed[]> {
  const parsed = parseMoments(job.moments);
  const problems = checkRetimeJob(job, parsed);
  if (problems.length > 0) return fail(problems);

  const weekStartsOn = job.destination.calendar.weekStartsOn ?? 1;
  const old = indexCalendar(job.source.calendar, weekStartsOn);
  const to = indexCalendar(job.destination.calendar, weekStartsOn);
  const terms: Terms = {
    old,
    new: to,
    oldMeetings: indexMeetings(old, job.source.meetings ?? []),
    newMeetings: indexMeetings(to, job.destination.meetings ?? []),
  };
  const { moving, groups, classEvents } = place(terms, job, parsed);
  const clock = zoneClock(job.destination.calendar.timeZone);
  for (const group of groups) followLeader(group);
  for (const each of moving) if (each.state === 'moved' && !goesWithStart(each)) skipMissingHour(clock, each);
  for (const group of groups) followStarts(terms, group);
  for (const each of moving) if (each.state === 'moved' && goesWithStart(each)) skipMissingHour(clock, each);
  for (const group of classEvents) flagUnmetClass(terms, group);
  raiseFlags(terms, moving, { perDay: job.limits?.perDay ?? 2, perWeek: job.limits?.perWeek ?? 4 }, job.now);
  return succeed(finish(moving));
}

const goesWithStart = ({ moment }: Moving): boolean => moment.role === 'ends' && moment.item !== undefined;

interface Intent {
  readonly policy: ResolvedPolicy;
  readonly rule: RuleName;
  readonly series: string | undefined;
}

/** Where days land under one intent, as far as it was asked. */
interface IntentDays extends Intent {
  readonly byDay: Map<Day, Placed>;
}

const isOf = (known: Intent, policy: ResolvedPolicy, rule: RuleName, series: string | undefined): boolean =>
  known.policy === policy && known.rule === rule && known.series === series;

interface PlacedMoments {
  readonly moving: readonly Moving[];
  /** Moments of one item for the same people, where there is more than one. */
  readonly groups: readonly (readonly Moving[])[];
  readonly classEvents: readonly (readonly Moving[])[];
}

const CLEARED: readonly Step[] = [{ step: 'clear' }];
const KEPT: readonly Step[] = [{ step: 'keep' }];
const NO_STEPS: readonly Step[] = [];

/** Applies the rules, landing and the hour to every moment by itself. */
function place(terms: Terms, job: RetimeJob, { days, minutes }: ParsedMoments): PlacedMoments {
  const policies = policyResolver(job.policy ?? {});
  const byHand = new Map(Object.entries(job.byHand ?? {}));
  const moving = job.moments.map((moment, index): Moving => {
    const hand = byHand.size === 0 ? undefined : byHand.get(moment.id);
    const policyOf = policies.of(moment);
    const { policy } = policyOf;
    const oldDay = days[index]!;
    const oldMinute = minutes[index]!;
    if (hand !== undefined)
      return {
        moment,
        policyOf,
        oldDay,
        oldMinute,
        state: 'byHand',
        day: parseDay(hand),
        minute: parseMinute(hand, TIME_AT),
        rule: 'byHand',
        flags: 0,
        steps: [{ step: 'byHand' }],
      };
    const still = policy.rule === 'clear' ? 'cleared' : policy.rule === 'keep' ? 'kept' : undefined;
    return {
      moment,
      policyOf,
      oldDay,
      oldMinute,
      state: still ?? 'moved',
      day: oldDay,
      minute: oldMinute,
      rule: policy.rule,
      flags: 0,
      steps: still === 'cleared' ? CLEARED : still === 'kept' ? KEPT : NO_STEPS,
    };
  });

  const planStandsStill = policies.plan.rule === 'clear' || policies.plan.rule === 'keep';
  const classSeries = new Map<Moving, { readonly series: string | undefined }>();
  const groups = groupByItem(moving);
  const classEvents: (readonly Moving[])[] = [];
  for (const group of groups) {
    const meeting = classMeetingOf(terms, group);
    if (meeting === undefined) continue;
    classEvents.push(group);
    if (meetsAsOften(terms, meeting.series)) for (const each of group) classSeries.set(each, meeting);
  }
  const hasClasses = classSeries.size > 0;
  const ruleOf = (each: Moving): RuleName => {
    const { policy, ruleIsNarrow } = each.policyOf;
    const goesByMeeting = hasClasses && !planStandsStill && !ruleIsNarrow && classSeries.has(each);
    return goesByMeeting ? 'meeting' : policy.rule;
  };
  const seriesOf = (each: Moving): string | undefined => {
    const classMeeting = hasClasses ? classSeries.get(each) : undefined;
    return classMeeting === undefined ? each.moment.series : classMeeting.series;
  };

  const stretched = stretchAll(terms, moving, ruleOf);
  const known: IntentDays[] = [];
  let current: IntentDays | undefined;
  /** Where a day lands under a rule; worked out once for each day, policy, rule and series. */
  const landedDay = (day: Day, policy: ResolvedPolicy, rule: RuleName, series: string | undefined): Placed => {
    if (current === undefined || !isOf(current, policy, rule, series)) {
      current = known.find((each) => isOf(each, policy, rule, series));
      if (current === undefined) known.push((current = { policy, rule, series, byDay: new Map() }));
    }
    let placed = current.byDay.get(day);
    if (placed === undefined) {
      const before = placeDay(terms, rule, day, policy, stretched.get(policy));
      current.byDay.set(day, (placed = landed(terms, day, before, policy, series)));
    }
    return placed;
  };
  for (const each of moving) {
    if (each.state !== 'moved') continue;
    const { policy } = each.policyOf;
    const intended = ruleOf(each);
    const series = seriesOf(each);
    const { oldDay, oldMinute, moment } = each;
    if (intended === 'meeting') {
      const met = byMeeting(terms, oldDay, oldMinute, moment.role, series);
      if (met !== undefined) {
        settle(each, 'meeting', landed(terms, oldDay, met, policy, series), met.minute);
        continue;
      }
    }
    const rule = intended === 'meeting' ? 'week' : intended;
    const at = landedDay(oldDay, policy, rule, series);
    const minute = policy.hour === 'follow' ? followHour(terms, oldDay, oldMinute, at.day, moment.role) : oldMinute;
    settle(each, rule, at, minute);
  }
  return { moving, groups, classEvents };
}

function settle(each: Moving, rule: RuleUsed, { day, flags, steps }: Placed, minute: Minute): void {
  each.rule = rule;
  each.day = day;
  each.flags = flags;
  each.steps = minute === each.oldMinute ? steps : [...steps, { step: 'hour', from: each.oldMinute, to: minute }];
  each.minute = minute;
}

function placeDay(
  terms: Terms,
  rule: RuleName,
  day: Day,
  { weekdays }: ResolvedPolicy,
  stretched: ReadonlyMap<Day, Placed> | undefined,
): Placed {
  if (rule === 'offset') return byOffset(terms, day);
  if (rule === 'nearest') return byNearest(terms, day, weekdays);
  return (rule === 'stretch' ? stretched?.get(day) : undefined) ?? byWeek(terms, day, weekdays);
}

function stretchAll(terms: Terms, moving: readonly Moving[], ruleOf: (each: Moving) => RuleName) {
  const days = new Map<ResolvedPolicy, Set<Day>>();
  for (const each of moving) {
    if (each.state !== 'moved' || each.rule !== 'stretch') continue;
    if (ruleOf(each) !== 'stretch') continue;
    const { policy } = each.policyOf;
    let distinct = days.get(policy);
    if (distinct === undefined) days.set(policy, (distinct = new Set()));
    distinct.add(each.oldDay);
  }
  return new Map(
    [...days].map(([policy, distinct]) => [
      policy,
      byStretch(
        terms,
        [...distinct].sort((a, b) => a - b),
        policy.weekdays,
      ),
    ]),
  );
}

function landed(
  terms: Terms,
  from: Day,
  placed: Placed,
  { landing }: ResolvedPolicy,
  series: string | undefined,
): Placed {
  const day = land(terms, from, placed.day, landing, series);
  if (day === placed.day) return placed;
  const closure = terms.new.closureAt(placed.day)?.label;
  const step: Step = {
    step: 'landing',
    from: formatDay(placed.day),
    to: formatDay(day),
    how: landing,
    ...(closure === undefined ? {} : { closure }),
  };
  return { day, flags: placed.flags | FLAG.closure, steps: [...placed.steps, step] };
}

/** A class event that another rule than `meeting` moved, and that now starts with no class meeting. */
function flagUnmetClass(terms: Terms, group: readonly Moving[]): void {
  const { meetings, firstAt } = terms.newMeetings.all;
  for (const each of group) {
    if (each.state !== 'moved' || each.rule === 'meeting' || each.moment.role !== 'starts') continue;
    const met = meetings.slice(firstAt(each.day), firstAt(each.day + 1)).some(({ start }) => start === each.minute);
    if (!met) each.flags |= FLAG.noSuchMeeting;
  }
}

function finish(moving: readonly Moving[]): Retimed[] {
  const days = new Map<Day, string>();
  const dayText = (day: Day): string => {
    let text = days.get(day);
    if (text === undefined) days.set(day, (text = formatDay(day)));
    return text;
  };
  const minutes: string[] = [];
  const minuteText = (minute: Minute): string => (minutes[minute] ??= formatMinute(minute));
  return moving.map((each) => ({
    id: each.moment.id,
    role: each.moment.role,
    from: each.moment.at,
    to: each.state === 'cleared' ? null : `${dayText(each.day)}T${minuteText(each.minute)}`,
    rule: each.rule,
    steps: each.steps,
    flags: flagNames(each.flags),
  }));
}
