import { doubtCauses, type DoubtCause } from '../retime/causes.js';
import type { DoubtfulMoment, TermMoments } from '../retime/doubt.js';
import { unitsAround } from './dates/dates.js';
import type { LooseEnd } from './looseEnds/looseEnd.js';
import { looseEndsOf } from './looseEnds/looseEnds.js';
import { originOf } from './sources/joinSources.js';
import type { PlanInput, Preview, PreviewDate } from './shapes/preview.js';
import { classDaysOf, meetingsFor, sectionsIn } from './dates/sharedShell.js';

/** What a person should look at before or after a run; nothing of it holds the run up. */
export interface Review {
  readonly causes: readonly DoubtCause[];
  readonly looseEnds: readonly LooseEnd[];
}

/** Gathers the doubts of a preview by cause, and what would be left over after it. */
export function reviewPlan(input: PlanInput, preview: Preview): Review {
  return {
    causes: causesOf(input, preview),
    looseEnds: looseEndsOf({ course: input.shell.course, items: preview.items }, { input, preview }),
  };
}

/** The doubts among the dates of a plan by cause, then those about what earlier runs brought. */
export function causesOf(input: PlanInput, { dates, asBrought }: Pick<Preview, 'dates' | 'asBrought'>): DoubtCause[] {
  const causes = (of: readonly PreviewDate[]) => doubtCauses(termsOf(input, of), input.decisions.settled);
  return [...causes(dates), ...(asBrought.length === 0 ? [] : causes(asBrought).map(asItStands))];
}

/** Doubts as what would be left over, for those who do not see them beside it. */
export function doubtsLeftOver(
  { causes }: Pick<Review, 'causes'>,
  { dates, asBrought }: Pick<Preview, 'dates' | 'asBrought'>,
): LooseEnd[] {
  const itemOf = new Map([...dates, ...asBrought].map(({ id, item }) => [id, item]));
  return causes.map(({ sentence, detail, moments }) => ({
    code: 'dateInDoubt',
    severity: 'wrong',
    sentence,
    detail,
    items: [...new Set(moments.flatMap(({ id }) => itemOf.get(id) ?? []))],
  }));
}

const asItStands = (cause: DoubtCause): DoubtCause => ({ ...cause, key: `${cause.key} as brought`, stands: true });

/** The dates of each old term, and of each section where several share the shell, with the terms between which they move. */
export function termsOf({ source, joined, shell, policy, policies = {} }: PlanInput, dates: readonly PreviewDate[]) {
  const sections = sectionsIn(shell.meetings);
  const unitsOf = unitsAround(source);
  return (joined?.sources ?? [source]).flatMap(({ course, calendar, meetings }): TermMoments[] => {
    const own =
      joined === undefined
        ? dates
        : dates.filter(({ item }) => originOf({ source, joined }, item).course === course.id);
    const { sections: _sections, ...inForce } = policies[course.id] ?? policy;
    const terms = {
      source: { calendar, meetings: [...meetings] },
      destination: { calendar: shell.calendar, meetings: [...shell.meetings] },
      policy: inForce,
      unitsOf,
      ...(joined === undefined ? {} : { course: course.id }),
    };
    if (sections.length === 0) return [{ ...terms, moments: own }];
    const isOfNone = ({ for: people }: PreviewDate): boolean => people === undefined || !sections.includes(people);
    return [
      ...sections.map((section): TermMoments => {
        const { from, to } = classDaysOf(section, meetings, shell.meetings);
        return {
          ...terms,
          section,
          source: { calendar, meetings: [...from] },
          destination: { calendar: shell.calendar, meetings: to },
          moments: own.flatMap((date) => doubtfulIn(section, date)),
          among: own.filter((date) => date.for === section || isOfNone(date)),
        };
      }),
      {
        ...terms,
        destination: { calendar: shell.calendar, meetings: meetingsFor(shell.meetings, undefined) },
        moments: own.filter((date) => isOfNone(date) && date.doubtsOf === undefined),
        among: own,
      },
    ];
  });
}

/** A date of a section, or of everybody as that section has its doubts about it. */
function doubtfulIn(section: string, date: PreviewDate): readonly DoubtfulMoment[] {
  if (date.for === section) return [date];
  const doubtOf = date.doubtsOf?.find((each) => each.section === section);
  return doubtOf === undefined ? [] : [{ ...date, doubtOf }];
}
