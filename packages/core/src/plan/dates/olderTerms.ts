import { parseDay } from '../../calendar/day.js';
import { fail, succeed, type Result } from '../../problem.js';
import { isOfOtherTerm } from '../../retime/otherTerm.js';
import { retime, type Retimed } from '../../retime/retime.js';
import type { Calendar } from '../../schemas/calendar.js';
import type { RetimeJob } from '../../schemas/retimeJob.js';

/** As far outside a term a date still belongs to it. */
const NEAR_DAYS = 14;

const outside = (day: number, { firstDay, lastDay }: Calendar): number =>
  Math.max(0, parseDay(firstDay) - day, day - parseDay(lastDay));

/** The term that a date is from, when it is left over from another term than its course's and that one is known. */
function olderTermOf(at: string, own: Calendar, known: readonly Calendar[]): Calendar | undefined {
  const day = parseDay(at);
  const term = { firstDay: parseDay(own.firstDay), lastDay: parseDay(own.lastDay) };
  if (!isOfOtherTerm(day, term)) return undefined;
  let nearest: Calendar | undefined;
  for (const each of known)
    if (outside(day, each) <= NEAR_DAYS && (nearest === undefined || outside(day, each) < outside(day, nearest)))
      nearest = each;
  return nearest;
}

/**
 * Moves the moments of a course; what is left over from an older term whose calendar is known goes from that term, by the
 * same rules without a class-day map, since its class days are not known.
 *
 * @param known  calendars of other terms
 * @returns      one result a moment, in the order of the job; or the problems of the job
 * @see          docs/rules.md, "Dates of older terms"
 */
export function retimeFromAnyTerm(job: RetimeJob, known: readonly Calendar[]): Result<readonly Retimed[]> {
  const own = job.source.calendar;
  const groups = new Map<Calendar, number[]>();
  job.moments.forEach(({ at }, index) => {
    const term = known.length === 0 ? undefined : olderTermOf(at, own, known);
    if (term !== undefined) groups.set(term, [...(groups.get(term) ?? []), index]);
  });
  if (groups.size === 0) return retime(job);
  const older = new Set([...groups.values()].flat());
  const rest = job.moments.map((_, index) => index).filter((index) => !older.has(index));
  const results: Retimed[] = [];
  for (const [term, indices] of [[own, rest] as const, ...groups]) {
    const retimed = retime(partOf(job, term, indices));
    if (!retimed.ok) return fail(retimed.problems);
    retimed.value.forEach((result, at) => {
      const steps: Retimed['steps'] =
        term === own || result.rule === 'byHand'
          ? result.steps
          : [{ step: 'olderTerm', term: term.name ?? '' }, ...result.steps];
      results[indices[at]!] = { ...result, steps };
    });
  }
  return succeed(results);
}

/** The same job with some of its moments, from the calendar of their term. */
function partOf(job: RetimeJob, term: Calendar, indices: readonly number[]): RetimeJob {
  const moments = indices.map((index) => job.moments[index]!);
  const ids = new Set(moments.map(({ id }) => id));
  const byHand = Object.fromEntries(Object.entries(job.byHand ?? {}).filter(([id]) => ids.has(id)));
  if (term === job.source.calendar) return { ...job, moments, byHand };
  return { ...job, source: { calendar: term, meetings: [] }, policy: { ...job.policy, weekdays: {} }, moments, byHand };
}
