import { formatDay, parseDay, parseMinute, type Day, type Minute } from '../calendar/day.js';
import type { RetimeJob, RetimeMoment, RuleName } from '../schemas/retimeJob.js';
import type { ParsedMoments } from './checkRetimeJob.js';
import { classMeetingOf, meetsAsOften } from './classEvents.js';
import { FLAG } from './flags.js';
import { followHour } from './hour.js';
import { land } from './landing.js';
import { byMeeting, meetingOf, minuteByMeeting } from './meetingRule.js';
import { groupByItem, ROLE, type Fate, type ItemGroup, type Moving, type Place } from './moving.js';
import { byNearest, byOffset } from './nearestRule.js';
import { policyResolver, type PolicyOf, type ResolvedPolicy } from './policy.js';
import type { RuleUsed, Step } from './steps.js';
import { byStretch } from './stretchRule.js';
import type { Placed, Terms } from './terms.js';
import { byWeek } from './weekRule.js';

/** The moments where their rules put them, each by itself. */
export interface PlacedMoments {
  readonly moving: Moving;
  /** Moments of one item for the same people, where there is more than one. */
  readonly groups: readonly ItemGroup[];
  readonly classEvents: readonly ItemGroup[];
}

/** Applies the rules, landing and the hour to every moment by itself. */
export function placeMoments(terms: Terms, job: RetimeJob, parsed: ParsedMoments): PlacedMoments {
  const policies = policyResolver(job.policy ?? {});
  const moving = standing(job, parsed, policies.of);
  const groups = groupByItem(job.moments);
  const classEvents: ItemGroup[] = [];
  const intents = intentsOf(moving);
  const planStandsStill = policies.plan.rule === 'clear' || policies.plan.rule === 'keep';
  for (const group of terms.oldMeetings.pattern.length === 0 ? [] : groups) {
    const meeting = classMeetingOf(terms, moving, group);
    if (meeting === undefined) continue;
    classEvents.push(group);
    if (meetsAsOften(terms, meeting.series)) intents.goAsClass(group, meeting.series, !planStandsStill);
  }
  const stretched = [...policies.all].some(({ rule }) => rule === 'stretch')
    ? stretchAll(terms, moving, intents)
    : undefined;
  move(terms, moving, intents, stretched);
  return { moving, groups, classEvents };
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
  { moments, byHand = {} }: RetimeJob,
  { days: oldDays, minutes: oldMinutes }: ParsedMoments,
  policyOf: (moment: RetimeMoment) => PolicyOf,
): Moving {
  const count = moments.length;
  const roles = new Uint8Array(count);
  const policies = new Array<PolicyOf>(count);
  const fates = new Array<Fate>(count);
  const rules = new Array<RuleUsed>(count);
  const steps = new Array<readonly Step[]>(count);
  const days = Int32Array.from(oldDays);
  const minutes = Int32Array.from(oldMinutes);
  const hands = new Map(Object.entries(byHand));
  for (let at = 0; at < count; at++) {
    const moment = moments[at]!;
    roles[at] = ROLE[moment.role];
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
  return { moments, roles, policies, fates, oldDays, oldMinutes, days, minutes, rules, flags, steps };
}

/** What moments go by; equal values are one object, for which each day and meeting is worked out once. */
interface Intent {
  readonly policy: ResolvedPolicy;
  readonly rule: RuleName;
  readonly series: string | undefined;
  readonly byDay: Map<Day, Placed>;
  /** For days of class meetings, by the meeting's place in its list. */
  readonly byMeeting: Map<number, Placed>;
}

interface Intents {
  /** The moments of a class event count its meeting's series; with `byMeeting` they go by that rule if none is named. */
  goAsClass(group: ItemGroup, series: string | undefined, byMeeting: boolean): void;
  of(at: Place): Intent;
}

function intentsOf({ moments, policies }: Moving): Intents {
  const classes = new Map<Place, { readonly series: string | undefined; readonly byMeeting: boolean }>();
  const known: Intent[] = [];
  let last: Intent | undefined;
  const is = (intent: Intent, policy: ResolvedPolicy, rule: RuleName, series: string | undefined): boolean =>
    intent.policy === policy && intent.rule === rule && intent.series === series;
  return {
    goAsClass(group, series, byMeeting) {
      for (let index = group.from; index < group.until; index++)
        classes.set(group.places[index]!, { series, byMeeting });
    },
    of(at) {
      const { policy, ruleIsNarrow } = policies[at]!;
      const asClass = classes.size === 0 ? undefined : classes.get(at);
      const rule = asClass?.byMeeting === true && !ruleIsNarrow ? 'meeting' : policy.rule;
      const series = asClass === undefined ? moments[at]!.series : asClass.series;
      // What stands together mostly goes by the same.
      if (last !== undefined && is(last, policy, rule, series)) return last;
      last = known.find((each) => is(each, policy, rule, series));
      if (last === undefined) known.push((last = { policy, rule, series, byDay: new Map(), byMeeting: new Map() }));
      return last;
    },
  };
}

type Stretched = ReadonlyMap<ResolvedPolicy, ReadonlyMap<Day, Placed>>;

function move(terms: Terms, moving: Moving, intents: Intents, stretched: Stretched | undefined): void {
  const { moments, fates, oldDays, oldMinutes } = moving;
  for (let at = 0; at < moments.length; at++) {
    if (fates[at] !== 'moved') continue;
    const intent = intents.of(at);
    const { policy, series } = intent;
    const day = oldDays[at]!;
    const minute = oldMinutes[at]!;
    const { role } = moments[at]!;
    const belongs = intent.rule === 'meeting' ? meetingOf(terms, day, minute, role, series) : undefined;
    if (belongs !== undefined) {
      const { index, contains } = belongs;
      const placed = placeWithMeeting(terms, intent, day, index);
      settle(moving, at, 'meeting', placed, contains ? minuteByMeeting(terms, index, minute, series) : minute);
      continue;
    }
    const rule = intent.rule === 'meeting' ? 'week' : intent.rule;
    const placed = placeDay(terms, intent, rule, day, stretched?.get(policy));
    const hour = policy.hour === 'follow' ? followHour(terms, day, minute, placed.day, role) : minute;
    settle(moving, at, rule, placed, hour);
  }
}

function settle(moving: Moving, at: Place, rule: RuleUsed, { day, flags, steps }: Placed, minute: Minute): void {
  const from = moving.oldMinutes[at]!;
  moving.rules[at] = rule;
  moving.days[at] = day;
  moving.minutes[at] = minute;
  moving.flags[at] = flags;
  moving.steps[at] = minute === from ? steps : [...steps, { step: 'hour', from, to: minute }];
}

/** Where a day goes with the meeting that it belongs to; every moment of a meeting goes where its day goes. */
function placeWithMeeting(terms: Terms, intent: Intent, day: Day, index: number): Placed {
  const { policy, series, byDay, byMeeting: byIndex } = intent;
  const isOfDay = terms.oldMeetings.counting(series).meetings[index]!.day === day;
  const known = isOfDay ? byIndex.get(index) : byDay.get(day);
  if (known !== undefined) return known;
  const placed = landed(terms, day, byMeeting(terms, day, index, series), policy, series);
  if (isOfDay) byIndex.set(index, placed);
  else byDay.set(day, placed);
  return placed;
}

function placeDay(
  terms: Terms,
  { policy, series, byDay }: Intent,
  rule: RuleName,
  day: Day,
  stretched: ReadonlyMap<Day, Placed> | undefined,
): Placed {
  let placed = byDay.get(day);
  if (placed === undefined) {
    const before = (rule === 'stretch' ? stretched?.get(day) : undefined) ?? byRule(terms, rule, day, policy);
    byDay.set(day, (placed = landed(terms, day, before, policy, series)));
  }
  return placed;
}

function byRule(terms: Terms, rule: RuleName, day: Day, { weekdays }: ResolvedPolicy): Placed {
  if (rule === 'offset') return byOffset(terms, day);
  if (rule === 'nearest') return byNearest(terms, day, weekdays);
  return byWeek(terms, day, weekdays);
}

/** Under `stretch` the days of one policy go together; where they go, by policy. */
function stretchAll(terms: Terms, { moments, fates, oldDays, policies }: Moving, intents: Intents): Stretched {
  const days = new Map<ResolvedPolicy, Set<Day>>();
  for (let at = 0; at < moments.length; at++) {
    const { policy } = policies[at]!;
    if (policy.rule !== 'stretch' || fates[at] !== 'moved' || intents.of(at).rule !== 'stretch') continue;
    let distinct = days.get(policy);
    if (distinct === undefined) days.set(policy, (distinct = new Set()));
    distinct.add(oldDays[at]!);
  }
  const inOrder = (distinct: ReadonlySet<Day>): Day[] => [...distinct].sort((a, b) => a - b);
  return new Map([...days].map(([policy, distinct]) => [policy, byStretch(terms, inOrder(distinct), policy.weekdays)]));
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
