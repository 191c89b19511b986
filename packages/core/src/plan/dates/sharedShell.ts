import { fail, succeed, type Result } from '../../problem.js';
import type { Weekday } from '../../calendar/day.js';
import type { DoubtOf } from '../../retime/doubt.js';
import { FLAGS, isDoubtful } from '../../names/flags.js';
import type { Retimed } from '../../retime/retime.js';
import { proposedMap } from '../../retime/classDayMap.js';
import type { Calendar, Meeting } from '../../schemas/calendar.js';
import type { PlanPolicy } from '../../schemas/planPolicy.js';
import type { RetimeJob, RetimeMoment, WeekdayMap } from '../../schemas/retimeJob.js';
import { retimeFromAnyTerm } from './olderTerms.js';

/** The sections that share a shell: those that its class meetings are for, in order. */
export const sectionsIn = (meetings: readonly Meeting[]): string[] =>
  [...new Set(meetings.flatMap(({ for: section }) => section ?? []))].sort();

/** The class meetings of one section: its own, and those of all. */
export const meetingsFor = (meetings: readonly Meeting[], section: string | undefined): Meeting[] =>
  meetings.filter((meeting) => meeting.for === undefined || meeting.for === section);

/** A moment as it lands: of one moment for everybody there is one for each section, where their dates differ. */
export interface RetimedFor extends Retimed {
  /** Place of its moment in the job. */
  readonly at: number;
  /** The section that it is for, when its moment was for everybody. */
  readonly section?: string;
  /** Of a date of everybody: the sections in which it is in doubt, when it is in doubt in some alone. */
  readonly doubtsOf?: readonly DoubtOf[];
}

/** The id of a moment in one of the sections that share a shell. */
const idIn = (id: string, section: string): string => `${id}@${section}`;

/** The id of the moment that one of a section may come from: without its section, when it has one. */
export const withoutSection = (id: string): string => id.replace(/@[^@]*$/, '');

/** A job of a plan: in a shell that several sections share each may have a class-day map of its own. */
export type PlanRetimeJob = Omit<RetimeJob, 'policy'> & { readonly policy?: PlanPolicy };

/**
 * The class-day map of a section: the one that is given for it, else where the plan has a map the one that its class days
 * suggest.
 */
export function sectionMap(
  { weekdays = {}, sections = {} }: PlanPolicy,
  section: string,
  { from, to }: { readonly from: readonly Meeting[]; readonly to: readonly Meeting[] },
  weekStartsOn: Weekday,
): WeekdayMap {
  return sections[section] ?? (Object.keys(weekdays).length === 0 ? {} : proposedMap(from, to, weekStartsOn));
}

/** The class meetings of a section in the old course and in the new one. */
export function classDaysOf(section: string, from: readonly Meeting[], to: readonly Meeting[]) {
  return {
    from: sectionsIn(from).includes(section) ? meetingsFor(from, section) : from,
    to: meetingsFor(to, section),
  };
}

/** Places of the moments that concern a section: its own, and those of everybody. */
const concerning = ({ moments }: PlanRetimeJob, section: string): number[] =>
  moments.flatMap(({ for: people }, at) => (people === undefined || people === section ? [at] : []));

/** What a section is moved by: its own class meetings and class-day map, with the moments that concern it. */
export function jobFor(job: PlanRetimeJob, section: string, indices: readonly number[]): RetimeJob {
  const { byHand = {}, policy: { sections, ...policy } = {} } = job;
  const { from, to } = classDaysOf(section, job.source.meetings ?? [], job.destination.meetings ?? []);
  const weekStartsOn = job.destination.calendar.weekStartsOn ?? 1;
  const dates: Record<string, string> = {};
  const moments = indices.map((index): RetimeMoment => {
    const moment = job.moments[index]!;
    const id = moment.for === undefined ? idIn(moment.id, section) : moment.id;
    const hand = byHand[id] ?? byHand[moment.id];
    if (hand !== undefined) dates[id] = hand;
    return { ...moment, id };
  });
  return {
    ...job,
    source: { ...job.source, meetings: [...from] },
    destination: { ...job.destination, meetings: to },
    policy: {
      ...policy,
      weekdays: sectionMap({ ...policy, ...(sections && { sections }) }, section, { from, to }, weekStartsOn),
    },
    moments,
    byHand: dates,
  };
}

/**
 * Moves the moments of a course into a shell that several sections may share. Each section goes by its own class days;
 * what is for everybody stays one date where all sections agree, and becomes one for each where they do not.
 *
 * @param known  calendars of other terms
 * @see docs/rules.md, "Sections that share a shell"
 */
export function retimeForSections(job: PlanRetimeJob, known: readonly Calendar[]): Result<readonly RetimedFor[]> {
  const sections = sectionsIn(job.destination.meetings ?? []);
  const ids = new Set(job.moments.map(({ id }) => id));
  const byHand = Object.fromEntries(Object.entries(job.byHand ?? {}).filter(([id]) => ids.has(id)));
  if (sections.length === 0) {
    const retimed = retimeFromAnyTerm({ ...job, byHand }, known);
    if (!retimed.ok) return retimed;
    return succeed(
      // Named one by one: 2,000 of them are made at every toggle, and copying them whole takes ten times as long.
      retimed.value.map(({ id, role, from, to, rule, steps, flags }, at) => ({
        id,
        role,
        from,
        to,
        rule,
        steps,
        flags,
        at,
      })),
    );
  }
  const found: RetimedFor[][] = job.moments.map(() => []);
  const isOther = ({ for: people }: RetimeMoment): boolean => people !== undefined && !sections.includes(people);
  for (const section of sections) {
    const indices = concerning(job, section);
    const retimed = retimeFromAnyTerm(jobFor(job, section, indices), known);
    if (!retimed.ok) return fail(retimed.problems);
    retimed.value.forEach((each, index) => {
      const at = indices[index]!;
      found[at]!.push(job.moments[at]!.for === undefined ? { ...each, at, section } : { ...each, at });
    });
  }
  const others = job.moments.flatMap((moment, at) => (isOther(moment) ? [at] : []));
  const rest = retimeFromAnyTerm(
    {
      ...job,
      destination: { ...job.destination, meetings: meetingsFor(job.destination.meetings ?? [], undefined) },
      moments: others.map((at) => job.moments[at]!),
      byHand: Object.fromEntries(
        others.flatMap((at) =>
          byHand[job.moments[at]!.id] === undefined ? [] : [[job.moments[at]!.id, byHand[job.moments[at]!.id]!]],
        ),
      ),
    },
    known,
  );
  if (!rest.ok) return fail(rest.problems);
  rest.value.forEach((each, index) => found[others[index]!]!.push({ ...each, at: others[index]! }));
  return succeed(found.flatMap((each, at) => oneWhereAllAgree(each, job.moments[at]!.id)));
}

function oneWhereAllAgree(found: readonly RetimedFor[], id: string): readonly RetimedFor[] {
  const [first] = found;
  if (first?.section === undefined || found.some(({ to }) => to !== first.to)) return found;
  const doubtful = found.filter(({ flags }) => isDoubtful(flags));
  const isInSome = doubtful.length > 0 && doubtful.length < found.length;
  const { section: _, ...everybody } = doubtful[0] ?? first;
  const flags = FLAGS.filter((flag) => found.some((each) => each.flags.includes(flag)));
  return [
    {
      ...everybody,
      id,
      flags,
      ...(isInSome ? { doubtsOf: doubtful.map(({ section, id: own }) => ({ section: section!, id: own })) } : {}),
    },
  ];
}

/** One date of a moment: of a section, or of everybody. */
export interface DateInSection {
  readonly moment: string | number;
  readonly section: string | undefined;
  readonly to: string | null;
}

/** Of dates, those of the same moment as a given one that are for the same section, or for everybody. */
export function datesBySection(dates: readonly DateInSection[]): (date: DateInSection) => readonly DateInSection[] {
  const byMoment = new Map<string | number, DateInSection[]>();
  for (const date of dates) {
    const known = byMoment.get(date.moment);
    if (known === undefined) byMoment.set(date.moment, [date]);
    else known.push(date);
  }
  return ({ moment, section: one }) =>
    (byMoment.get(moment) ?? NO_DATES).filter(
      ({ section: other }) => other === undefined || one === undefined || other === one,
    );
}

const NO_DATES: readonly DateInSection[] = [];

/** How many dates go elsewhere in another reading of the same moments, in which sections may part or agree otherwise. */
export function differing(now: readonly DateInSection[], then: readonly DateInSection[]): number {
  const thenOf = datesBySection(then);
  return now.filter((date) => thenOf(date).some(({ to }) => to !== date.to)).length;
}
