import { formatDay, formatMinute, type Day, type Minute } from '../calendar/day.js';
import { zoneClock } from '../calendar/skippedHour.js';
import { fail, succeed, type Result } from '../problem.js';
import type { RetimeJob, Role } from '../schemas/retimeJob.js';
import { checkRetimeJob, parseMoments } from './checkRetimeJob.js';
import { flagNames, type Flag } from '../names/flags.js';
import type { Moving } from './moving.js';
import { placeMoments } from './placing.js';
import { raiseFlags } from './raiseFlags.js';
import type { RuleUsed, Step } from './steps.js';
import { indexTerms } from './terms.js';
import { followLeaders, followStarts, skipHoursOf, skipMissingHours } from './withinItem.js';

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

  const terms = indexTerms(job.source, job.destination);
  const { moving, groups } = placeMoments(terms, job, parsed);
  const clock = zoneClock(job.destination.calendar.timeZone);
  followLeaders(terms, moving, groups);
  const ends = skipMissingHours(clock, moving);
  followStarts(moving, groups);
  skipHoursOf(clock, moving, ends);
  raiseFlags(terms, moving, { perDay: job.limits?.perDay ?? 2, perWeek: job.limits?.perWeek ?? 4 }, job.now);
  return succeed(finish(moving));
}

function finish({ moments, fates, rules, days, minutes, flags, steps }: Moving): Retimed[] {
  const dayTexts = new Map<Day, string>();
  const minuteTexts: string[] = [];
  const textOf = (day: Day, minute: Minute): string => {
    let date = dayTexts.get(day);
    if (date === undefined) dayTexts.set(day, (date = `${formatDay(day)}T`));
    return date + (minuteTexts[minute] ??= formatMinute(minute));
  };
  return moments.map(({ id, role, at: from }, at) => ({
    id,
    role,
    from,
    to: fates[at] === 'cleared' ? null : textOf(days[at]!, minutes[at]!),
    rule: rules[at]!,
    steps: steps[at]!,
    flags: flagNames(flags[at]!),
  }));
}
