import { parseDay, parseMinute } from '../calendar/day.js';
import { standsOn } from '../calendar/standsOn.js';
import type { RetimeMoment } from '../schemas/retimeJob.js';
import { meetsOn } from './classes.js';
import type { Terms } from './terms.js';

const TIME_AT = 'YYYY-MM-DDT'.length;

/**
 * What is unusual about a date that somebody set by hand: a closed day, a break, a weekend, outside the term, away from its
 * class. Whoever set it may mean it, so these are notes and no doubts.
 */
export function handNotes(
  { new: to, classes }: Terms,
  { at, role, series }: Pick<RetimeMoment, 'at' | 'role' | 'series'>,
  set: string,
): string[] {
  const day = parseDay(set);
  const stands = standsOn(to, day);
  const tie = classes.tieOf(parseDay(at), parseMinute(at, TIME_AT), role, series);
  const isAway = tie !== undefined && tie.series.after.meetings.length > 0 && !meetsOn(tie.series.after, day);
  return [...(stands === undefined ? [] : [stands]), ...(isAway ? ['away from its class'] : [])];
}
