import type { Snapshot, SnapshotItem } from '../../course/snapshot.js';
import { fail, succeed, type Result } from '../../problem.js';
import type { Decisions } from '../../schemas/choices.js';
import type { PlanPolicy } from '../../schemas/planPolicy.js';
import type { RetimeMoment } from '../../schemas/retimeJob.js';
import { originOf } from '../sources/joinSources.js';
import { retimeForSections, withoutSection, type DateInSection, type PlanRetimeJob } from './sharedShell.js';
import type { PlanDecided, PlanIndex, PreviewDate } from '../shapes/preview.js';

interface Retiming {
  readonly policy: PlanPolicy;
  readonly byHand: Decisions['byHand'];
  readonly now: string | undefined;
}

/**
 * The job that moves the moments of what comes, for everybody and for sections.
 *
 * @param comes  by the place of an item in the source
 */
export function retimeJobOf(
  source: Snapshot,
  shell: Snapshot,
  comes: (at: number) => boolean,
  { policy, byHand, now }: Retiming,
): PlanRetimeJob {
  const hasUnits = Object.keys(policy.byUnit ?? {}).length > 0;
  const unitsOf = hasUnits ? unitsAround(source) : () => [];
  const moments: RetimeMoment[] = [];
  for (let at = 0; at < source.items.length; at++) {
    const item = source.items[at]!;
    if (item.moments === undefined || item.moments.length === 0 || !comes(at)) continue;
    const unit = unitsOf(item.id);
    const graded = isGraded(item);
    for (const { id, role, at, for: people, series } of item.moments)
      moments.push({ id, item: item.id, role, at, for: people, kind: item.kind, unit, graded, series });
  }
  const isSet = Object.keys(byHand).length > 0;
  const known = new Set(isSet ? moments.map(({ id }) => id) : []);
  return {
    source: { calendar: source.calendar, meetings: [...source.meetings] },
    destination: { calendar: shell.calendar, meetings: [...shell.meetings] },
    policy,
    moments,
    byHand: Object.fromEntries(Object.entries(byHand).filter(([id]) => known.has(id) || known.has(withoutSection(id)))),
    ...(now === undefined ? {} : { now }),
  };
}

/** The units around an item, the nearest first. */
export function unitsAround({
  items,
}: {
  readonly items: readonly Pick<SnapshotItem, 'id' | 'parent'>[];
}): (item: string) => string[] {
  let parents: ReadonlyMap<string, string | undefined> | undefined;
  return (item) => {
    const of = (parents ??= new Map(items.map(({ id, parent }) => [id, parent])));
    const units: string[] = [];
    for (let unit = of.get(item); unit !== undefined && !units.includes(unit); unit = of.get(unit)) units.push(unit);
    return units;
  };
}

export const isGraded = ({ points, links }: Pick<SnapshotItem, 'points' | 'links'>): boolean =>
  (points ?? 0) > 0 && (links ?? []).some(({ type }) => type === 'gradedIn');

/**
 * The dates of what comes, each moved from the calendar of the course that it is from, in the order of the items.
 *
 * @param comes  by the place of an item in the source
 */
export function datesOf(
  { ground, choice }: Pick<PlanIndex, 'ground' | 'choice'>,
  comes: (at: number) => boolean,
  { decisions: { byHand }, policy, policies = {}, now }: PlanDecided,
): Result<PreviewDate[]> {
  const { source, shell, joined, knownTerms = [] } = ground;
  const dates: PreviewDate[] = [];
  for (const { course, calendar, meetings } of joined?.sources ?? [source]) {
    const isOf = (at: number): boolean =>
      joined === undefined || originOf(ground, source.items[at]!.id).course === course.id;
    const job = retimeJobOf({ ...source, calendar, meetings }, shell, (at) => isOf(at) && comes(at), {
      policy: policies[course.id] ?? policy,
      byHand,
      now,
    });
    const retimed = retimeForSections(job, knownTerms);
    if (!retimed.ok) return fail(retimed.problems);
    retimed.value.forEach(({ id, role, from, to, rule, steps, flags, at, section, doubtsOf }) => {
      const { id: moment, item, graded, for: people, series } = job.moments[at]!;
      const { kind, title } = source.items[choice.placeOf.get(item!)!]!;
      const own = { id, role, from, to, rule, steps, flags, item: item!, kind, title, graded: graded === true };
      const date = series === undefined ? own : { ...own, series };
      if (section !== undefined) dates.push({ ...date, moment, for: section });
      else if (people !== undefined) dates.push({ ...date, for: people });
      else dates.push(doubtsOf === undefined ? date : { ...date, doubtsOf });
    });
  }
  const placeOf = ({ item }: PreviewDate): number => choice.placeOf.get(item)!;
  return succeed(joined === undefined ? dates : dates.sort((a, b) => placeOf(a) - placeOf(b)));
}

/** A date of a plan as one of its section. */
export const inSection = ({ id, moment = id, for: section, to }: PreviewDate): DateInSection => ({
  moment,
  section,
  to,
});
