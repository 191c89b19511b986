import { parseDay, parseMinute, type Day, type Minute } from '../calendar/day.js';
import type { ClassMeeting } from '../calendar/meetingIndex.js';
import type { RetimeJob, RetimeMoment, Role, RuleName } from '../schemas/retimeJob.js';
import type { ParsedMoments } from './checkRetimeJob.js';
import { seriesOfClassEvents } from './classEvents.js';
import { hourIn, type Counting, type Series, type Tie } from './classes.js';
import { landed, landRest, landTied } from './landing.js';
import { classWeekday } from './mapped.js';
import { byNumber, weeksOn } from './meetingRule.js';
import { groupByItem, ROLE, type Fate, type ItemGroup, type Moving, type Place } from './moving.js';
import { policyResolver, type PolicyOf, type ResolvedPolicy } from './policy.js';
import { RULES, type MovingRule } from './rules.js';
import type { Step } from './steps.js';
import type { Placed, Terms } from './terms.js';
import { isBeforeTeachingWeek } from './weekRule.js';

/** The moments where their rules put them, each by itself. */
export interface PlacedMoments {
  readonly moving: Moving;
  /** Moments of one item for the same people, where there is more than one. */
  readonly groups: readonly ItemGroup[];
}

/** Applies the rules, landing and the hour to every moment by itself. */
export function placeMoments(terms: Terms, job: RetimeJob, parsed: ParsedMoments): PlacedMoments {
  const policies = policyResolver(job.policy ?? {});
  const moving = standing(terms, job, parsed, policies.of);
  const groups = groupByItem(job.moments);
  const counted = seriesOfClassEvents(terms, moving, groups);
  const planStandsStill = policies.plan.rule === 'clear' || policies.plan.rule === 'keep';
  for (const at of counted.keys())
    if (moving.fates[at] === 'moved' && !planStandsStill && !moving.policies[at]!.ruleIsNarrow)
      moving.rules[at] = 'meeting';
  move(terms, moving, groups, counted);
  return { moving, groups };
}

const FATES: Partial<Record<RuleName, Fate>> = { clear: 'cleared', keep: 'kept' };
const STEPS: Readonly<Record<Fate, readonly Step[]>> = {
  cleared: [{ step: 'clear' }],
  kept: [{ step: 'keep' }],
  byHand: [{ step: 'byHand' }],
  moved: [],
};

const TIME_AT = 'YYYY-MM-DDT'.length;

/** All moments where they stood, and those that no rule moves where they stay. */
function standing(
  { classes }: Terms,
  { moments, byHand = {} }: RetimeJob,
  { days: oldDays, minutes: oldMinutes }: ParsedMoments,
  policyOf: (moment: RetimeMoment) => PolicyOf,
): Moving {
  const count = moments.length;
  const roles = new Uint8Array(count);
  const policies = new Array<PolicyOf>(count);
  const fates = new Array<Fate>(count);
  const rules = new Array<Moving['rules'][number]>(count);
  const steps = new Array<readonly Step[]>(count);
  const ties = new Array<Tie | undefined>(count);
  const series = new Array<Series | undefined>(count);
  const days = Int32Array.from(oldDays);
  const minutes = Int32Array.from(oldMinutes);
  const hands = new Map(Object.entries(byHand));
  for (let at = 0; at < count; at++) {
    const moment = moments[at]!;
    roles[at] = ROLE[moment.role];
    const tie = (ties[at] = classes.tieOf(oldDays[at]!, oldMinutes[at]!, moment.role, moment.series));
    series[at] = moment.series === undefined ? tie?.series : classes.named(moment.series);
    const of = (policies[at] = policyOf(moment));
    const hand = hands.size === 0 ? undefined : hands.get(moment.id);
    const fate = hand === undefined ? (FATES[of.policy.rule] ?? 'moved') : 'byHand';
    fates[at] = fate;
    rules[at] = fate === 'byHand' ? fate : of.policy.rule;
    steps[at] = STEPS[fate];
    if (hand === undefined) continue;
    days[at] = parseDay(hand);
    minutes[at] = parseMinute(hand, TIME_AT);
  }
  const flags = new Uint16Array(count);
  const follows = new Uint8Array(count);
  return {
    moments,
    roles,
    policies,
    fates,
    ties,
    series,
    oldDays,
    oldMinutes,
    days,
    minutes,
    rules,
    flags,
    steps,
    follows,
  };
}

/** What moments go by; equal values are one object, for which each day and meeting is worked out once. */
interface Intent {
  readonly policy: ResolvedPolicy;
  readonly rule: MovingRule;
  readonly counting: Counting;
  readonly isOfAlternate: boolean;
  readonly byMeeting: Map<Tie, Placed & { readonly meeting?: ClassMeeting }>;
  /** By day, and by whether it opens ahead and whether it need not land. */
  readonly byDay: Map<number, Placed>;
}

function intentsOf({ classes }: Terms, { moments, policies, rules }: Moving, counted: ReadonlyMap<Place, Series>) {
  const known: Intent[] = [];
  let last: Intent | undefined;
  let lastNamed: string | undefined;
  let lastSeries: Series | undefined;
  return (at: Place): Intent => {
    const { policy } = policies[at]!;
    const rule = rules[at] as MovingRule;
    const named = moments[at]!.series;
    const series = counted.size === 0 ? undefined : counted.get(at);
    // What stands together mostly goes by the same.
    if (last?.policy === policy && last.rule === rule && lastNamed === named && lastSeries === series) return last;
    lastNamed = named;
    lastSeries = series;
    const own = series ?? (named === undefined ? undefined : classes.named(named));
    const counting: Counting = own ?? classes.unnamed;
    const isOfAlternate = named !== undefined && classes.named(named).isAlternate;
    last = known.find(
      (each) =>
        each.policy === policy &&
        each.rule === rule &&
        each.counting === counting &&
        each.isOfAlternate === isOfAlternate,
    );
    if (last === undefined)
      known.push((last = { policy, rule, counting, isOfAlternate, byMeeting: new Map(), byDay: new Map() }));
    return last;
  };
}

function move(terms: Terms, moving: Moving, groups: readonly ItemGroup[], counted: ReadonlyMap<Place, Series>): void {
  const { moments, fates, ties, oldDays, oldMinutes, series } = moving;
  const intentOf = intentsOf(terms, moving, counted);
  const isAhead = aheadOf(terms, moving, groups);
  for (let at = 0; at < moments.length; at++) {
    if (fates[at] !== 'moved') continue;
    const intent = intentOf(at);
    const tie = ties[at];
    const day = oldDays[at]!;
    const minute = oldMinutes[at]!;
    const { role, series: named } = moments[at]!;
    if (tie !== undefined && tie.series.after.meetings.length > 0) {
      const placed = placeTied(terms, intent, tie);
      settle(moving, at, placed, tiedMinute(intent, tie, minute, meetingAt(tie, placed)), tiedStep(tie, minute));
      continue;
    }
    const alternate =
      tie === undefined && (intent.rule === 'week' || intent.rule === 'meeting')
        ? terms.classes.alternateBefore(day, minute, named)
        : undefined;
    if (alternate !== undefined) {
      series[at] ??= alternate.series;
      const placed = placeWeeksOn(terms, intent, day, alternate);
      const { meeting } = byNumber(alternate.series.after, alternate.index);
      settle(moving, at, placed, tiedMinute(intent, alternate, minute, meeting));
      continue;
    }
    const mayStay = minute === 0 && isOpening(role);
    settle(moving, at, placeRest(terms, intent, day, isAhead(at), mayStay), minute);
  }
}

const isOpening = (role: Role): boolean => role === 'opens' || role === 'posts';

function settle(moving: Moving, at: Place, { day, flags, steps }: Placed, minute: Minute, first?: Step): void {
  const from = moving.oldMinutes[at]!;
  moving.days[at] = day;
  moving.minutes[at] = minute;
  moving.flags[at] = flags;
  if (first === undefined && minute === from) moving.steps[at] = steps;
  else {
    const hour: readonly Step[] = minute === from ? [] : [{ step: 'hour', from, to: minute }];
    moving.steps[at] = first === undefined ? [...steps, ...hour] : [first, ...steps, ...hour];
  }
}

/** How a moment is tied, one object for all that are tied alike. */
const tiedStep = ({ meeting, series: { tied } }: Tie, minute: Minute): Step =>
  tied[minute === meeting.start ? 'start' : minute === meeting.end ? 'end' : 'during'];

const tiedMinute = ({ policy }: Intent, { meeting }: Tie, minute: Minute, answer: ClassMeeting | undefined): Minute =>
  policy.hour === 'keep' || answer === undefined ? minute : hourIn(minute, meeting, answer);

/** The meeting that a tied moment is in now: that of its number or share, else that of the same place in the day. */
function meetingAt({ series, meeting, index }: Tie, placed: Placed & { readonly meeting?: ClassMeeting }) {
  if (placed.meeting !== undefined) return placed.meeting;
  const place = index - series.before.firstAt(meeting.day);
  const from = series.after.firstAt(placed.day);
  const until = series.after.firstAt(placed.day + 1);
  return from === until ? undefined : series.after.meetings[Math.min(from + place, until - 1)];
}

function placeTied(terms: Terms, { policy, rule, byMeeting: known }: Intent, tie: Tie) {
  let placed = known.get(tie);
  if (placed === undefined) {
    const to = RULES[rule].tied(terms, tie, policy);
    if ('meeting' in to) placed = { day: to.meeting.day, flags: to.flags, steps: [to.step], meeting: to.meeting };
    else placed = landed(terms, to, landTied(terms, to.day, policy.landing, tie.series.after));
    known.set(tie, placed);
  }
  return placed;
}

function placeWeeksOn(terms: Terms, { policy, counting }: Intent, day: Day, tie: Tie): Placed {
  const placed = weeksOn(terms, day, tie.series, tie.index, classWeekday(terms, tie, policy));
  return landed(terms, placed, landRest(terms, day, placed.day, policy.landing, counting.after));
}

function placeRest(terms: Terms, intent: Intent, day: Day, isAhead: boolean, mayStay: boolean): Placed {
  const { policy, rule, counting, isOfAlternate, byDay } = intent;
  const key = day * 4 + (isAhead ? 2 : 0) + (mayStay ? 1 : 0);
  let placed = byDay.get(key);
  if (placed === undefined) {
    const before = RULES[rule].rest(terms, { day, policy, isAhead, counting, isOfAlternate });
    placed = mayStay ? before : landed(terms, before, landRest(terms, day, before.day, policy.landing, counting.after));
    byDay.set(key, placed);
  }
  return placed;
}

/** Finds what opens ahead of the teaching week after it, before which nothing of its item is due. */
function aheadOf(terms: Terms, moving: Moving, groups: readonly ItemGroup[]): (at: Place) => boolean {
  const { moments, oldDays, roles } = moving;
  let firstDue: Float64Array | undefined;
  const dueOf = (at: Place): Day => {
    if (firstDue === undefined) {
      firstDue = new Float64Array(moments.length).fill(Infinity);
      for (const { places, from, until } of groups) {
        const own = places.subarray(from, until);
        let first = Infinity;
        for (const each of own) if (roles[each] === ROLE.due) first = Math.min(first, oldDays[each]!);
        for (const each of own) firstDue[each] = first;
      }
    }
    return firstDue[at]!;
  };
  return (at) => {
    if (!isOpening(moments[at]!.role)) return false;
    const day = oldDays[at]!;
    return isBeforeTeachingWeek(terms, day) && dueOf(at) >= terms.old.weekStart(day) + 7;
  };
}
