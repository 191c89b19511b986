import { fail, succeed, type Result } from '../problem.js';
import type { Retimed } from '../retime/retime.js';
import { classDayMap } from '../retime/suggestPolicy.js';
import type { Calendar, Meeting } from '../schemas/calendar.js';
import type { RetimeJob, RetimeMoment } from '../schemas/retimeJob.js';
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
}

/** The id of a moment in one of the sections that share a shell. */
const idIn = (id: string, section: string): string => `${id}@${section}`;

/** The id of the moment that one of a section may come from: without its section, when it has one. */
export const withoutSection = (id: string): string => id.replace(/@[^@]*$/, '');

/** What a section is moved by: its own class meetings and class-day map, with the moments that concern it. */
function jobFor(job: RetimeJob, section: string, indices: readonly number[]): RetimeJob {
  const { byHand = {}, policy = {} } = job;
  const sourceMeetings = job.source.meetings ?? [];
  const from = sectionsIn(sourceMeetings).includes(section) ? meetingsFor(sourceMeetings, section) : sourceMeetings;
  const to = meetingsFor(job.destination.meetings ?? [], section);
  const dates: Record<string, string> = {};
  const moments = indices.map((index): RetimeMoment => {
    const moment = job.moments[index]!;
    const id = moment.for === undefined ? idIn(moment.id, section) : moment.id;
    const hand = byHand[id] ?? byHand[moment.id];
    if (hand !== undefined) dates[id] = hand;
    return { ...moment, id };
  });
  const isMapped = Object.keys(policy.weekdays ?? {}).length > 0;
  return {
    ...job,
    source: { ...job.source, meetings: from },
    destination: { ...job.destination, meetings: to },
    policy: isMapped ? { ...policy, weekdays: classDayMap(from, to) } : policy,
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
export function retimeForSections(job: RetimeJob, known: readonly Calendar[]): Result<readonly RetimedFor[]> {
  const sections = sectionsIn(job.destination.meetings ?? []);
  const ids = new Set(job.moments.map(({ id }) => id));
  const byHand = Object.fromEntries(Object.entries(job.byHand ?? {}).filter(([id]) => ids.has(id)));
  if (sections.length === 0) {
    const retimed = retimeFromAnyTerm({ ...job, byHand }, known);
    return retimed.ok ? succeed(retimed.value.map((each, at) => ({ ...each, at }))) : retimed;
  }
  const found: RetimedFor[][] = job.moments.map(() => []);
  const isOther = ({ for: people }: RetimeMoment): boolean => people !== undefined && !sections.includes(people);
  const runs = sections.map((section) => ({
    section,
    indices: job.moments.flatMap((moment, at) => (moment.for === undefined || moment.for === section ? [at] : [])),
  }));
  for (const { section, indices } of runs) {
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
  const { section: _, ...everybody } = first;
  return [{ ...everybody, id }];
}
