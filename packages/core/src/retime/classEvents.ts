import type { Day, Minute } from '../calendar/day.js';
import type { RetimeMoment } from '../schemas/retimeJob.js';
import type { Series } from './classes.js';
import { ROLE, type ItemGroup, type Moving, type Place } from './moving.js';
import type { Terms } from './terms.js';

/** Of ten of a series’ meetings, for how many there has to be an event. */
const NEARLY_ALL_TENTHS = 9;

/** What tells class events: moments of items with where they stood. */
export interface StoodMoments {
  readonly moments: readonly Pick<RetimeMoment, 'kind' | 'series'>[];
  readonly roles: Moving['roles'];
  readonly oldDays: ArrayLike<Day>;
  readonly oldMinutes: ArrayLike<Minute>;
}

/**
 * The series that the moments of class events count: events whose `starts` and `ends` are those of a class meeting, where a
 * series has one for nearly all its meetings and its pattern as many meetings as answer.
 *
 * @returns by place of a moment
 * @see docs/rules.md, "Policies"
 */
export function seriesOfClassEvents(
  terms: Terms,
  stood: StoodMoments,
  groups: readonly ItemGroup[],
): ReadonlyMap<Place, Series> {
  const counted = new Map<Place, Series>();
  if (terms.classes.series.length === 0) return counted;
  const events = new Map<Series, { readonly met: Set<number>; readonly groups: ItemGroup[] }>();
  for (const group of groups) {
    const tie = classMeetingOf(terms, stood, group);
    if (tie === undefined) continue;
    let ofSeries = events.get(tie.series);
    if (ofSeries === undefined) events.set(tie.series, (ofSeries = { met: new Set(), groups: [] }));
    ofSeries.met.add(tie.index);
    ofSeries.groups.push(group);
  }
  for (const [series, { met, groups: own }] of events) {
    if (met.size * 10 < series.before.meetings.length * NEARLY_ALL_TENTHS) continue;
    if (series.oldPattern.length !== series.newPattern.length) continue;
    for (const { places, from, until } of own)
      for (let index = from; index < until; index++) counted.set(places[index]!, series);
  }
  return counted;
}

/** The class meeting that an event begins and ends with. */
function classMeetingOf(terms: Terms, stood: StoodMoments, { places, from, until }: ItemGroup) {
  const { moments, roles, oldDays, oldMinutes } = stood;
  let starts = -1;
  let ends = -1;
  for (let index = from; index < until; index++) {
    const at = places[index]!;
    if (roles[at] === ROLE.starts) {
      if (starts >= 0) return undefined;
      starts = at;
    } else if (roles[at] === ROLE.ends) {
      if (ends >= 0) return undefined;
      ends = at;
    }
  }
  if (starts < 0 || ends < 0 || moments[starts]!.kind !== 'event' || oldDays[starts] !== oldDays[ends])
    return undefined;
  const name = moments[starts]!.series;
  const met = terms.classes
    .onDay(oldDays[starts]!)
    .filter(({ meeting }) => meeting.start === oldMinutes[starts] && meeting.end === oldMinutes[ends]);
  return met.find(({ series }) => series.name === name) ?? met[0];
}
