import { indexCalendar } from '../calendar/calendarIndex.js';
import { weekdayWord } from '../calendar/dateWords.js';
import type { Weekday } from '../calendar/day.js';
import { fail, succeed, type Result } from '../problem.js';
import type { Meeting } from '../schemas/calendar.js';
import type { Policy, RetimeJob, WeekdayMap } from '../schemas/retimeJob.js';
import { isDoubtful } from './flags.js';
import { retime } from './retime.js';

export interface PolicyOption<Of extends Policy = Policy> {
  readonly policy: Of;
  readonly words: string;
  readonly doubts: number;
  /** How many dates would differ from those of the proposed policy. */
  readonly differs: number;
}

export interface PolicySuggestion<Of extends Policy = Policy> {
  readonly proposed: PolicyOption<Of>;
  readonly reason: string;
  readonly others: readonly PolicyOption<Of>[];
}

const WEEKS_APART_FOR_STRETCH = 3;

const classDays = (meetings: readonly Meeting[]): Weekday[] =>
  [...new Set(meetings.map(({ weekday }) => weekday))].sort((a, b) => a - b);

const effective = (map: WeekdayMap): WeekdayMap =>
  Object.fromEntries(Object.entries(map).filter(([from, to]) => Number(from) !== to));

/** No map; class day to class day; with the weekdays between two class days moved along with the one before, or after. */
function weekdayMaps(before: readonly Weekday[], after: readonly Weekday[]): WeekdayMap[] {
  const maps: WeekdayMap[] = [{}];
  if (before.length === 0 || before.length !== after.length) return maps;
  const classMap = Object.fromEntries(before.map((weekday, index) => [weekday, after[index]!]));
  const along = (which: 0 | 1): WeekdayMap => {
    const map: WeekdayMap = { ...classMap };
    for (let index = 0; index + 1 < before.length; index++) {
      const anchor = index + which;
      const shift = after[anchor]! - before[anchor]!;
      for (let weekday = before[index]! + 1; weekday < before[index + 1]!; weekday++) {
        const moved = weekday + shift;
        if (moved >= 1 && moved <= 7) map[weekday] = moved;
      }
    }
    return map;
  };
  for (const map of [classMap, along(0), along(1)].map(effective))
    if (!maps.some((known) => JSON.stringify(known) === JSON.stringify(map))) maps.push(map);
  return maps;
}

/**
 * The class-day map of one pair of patterns: the i-th class day to the i-th, the weekdays between two moved along with the
 * one before; empty when they have not equally many.
 */
export function classDayMap(before: readonly Meeting[], after: readonly Meeting[]): WeekdayMap {
  const maps = weekdayMaps(classDays(before), classDays(after));
  return maps[2] ?? maps[1] ?? maps[0]!;
}

export const mapWords = (map: Readonly<Record<string, Weekday>>): string =>
  Object.entries(map)
    .map(([from, to]) => `${weekdayWord(Number(from))} to ${weekdayWord(to)}`)
    .join(', ');

/** @param map  the class-day map in words, empty where weekdays stay */
export const policyWords = ({ rule }: Pick<Policy, 'rule'>, map: string): string => {
  const what = rule === 'stretch' ? 'Same share of the term' : 'Same teaching week';
  return map === '' ? `${what}, same weekday` : `${what}, ${map}`;
};

/**
 * Proposes the policy for a pair of terms: the one that leaves the fewest doubts, the first of equals.
 *
 * @param job  a job whose `policy` is not looked at
 * @see docs/rules.md, "Which rule suits"
 */
export function suggestPolicy(job: RetimeJob): Result<PolicySuggestion> {
  const first = retime({ ...job, policy: {} });
  if (!first.ok) return fail(first.problems);
  const weekStartsOn = job.destination.calendar.weekStartsOn ?? 1;
  const weeks = [job.source, job.destination].map(
    ({ calendar }) => indexCalendar(calendar, weekStartsOn).teachingWeeks.length,
  );
  const maps = weekdayMaps(classDays(job.source.meetings ?? []), classDays(job.destination.meetings ?? []));
  const rules =
    Math.abs(weeks[0]! - weeks[1]!) > WEEKS_APART_FOR_STRETCH ? (['week', 'stretch'] as const) : (['week'] as const);
  const tried = rules.flatMap((rule) =>
    maps.map((weekdays) => {
      const policy: Policy = { rule, weekdays };
      const result = retime({ ...job, policy });
      const dates = result.ok ? result.value : [];
      return { policy, dates, doubts: dates.filter(({ flags }) => isDoubtful(flags)).length };
    }),
  );
  const best = tried.reduce((least, each) => (each.doubts < least.doubts ? each : least));
  const options = tried.map((each) => ({
    policy: each.policy,
    words: policyWords(each.policy, mapWords(each.policy.weekdays ?? {})),
    doubts: each.doubts,
    differs: each.dates.filter(({ to }, index) => to !== best.dates[index]!.to).length,
    isBest: each === best,
  }));
  const { isBest: _, ...proposed } = options.find(({ isBest }) => isBest)!;
  const others = options.filter(({ isBest }) => !isBest).map(({ isBest: _ignored, ...option }) => option);
  const without = others.find(
    ({ policy }) => policy.rule === 'week' && Object.keys(policy.weekdays ?? {}).length === 0,
  );
  return succeed({ proposed, reason: suggestionReason(proposed.doubts, without?.doubts), others });
}

/** Why a policy is proposed: the dates that it leaves in doubt, and those without a class-day map where that is another. */
export function suggestionReason(doubts: number, without: number | undefined): string {
  const inDoubt = `${doubts} ${doubts === 1 ? 'date' : 'dates'} in doubt`;
  return without === undefined || without === doubts ? inDoubt : `${inDoubt}, without the map ${without}`;
}
