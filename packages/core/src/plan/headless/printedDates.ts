import { doubtCauses } from '../../retime/causes.js';
import { settableId } from '../../retime/doubt.js';
import type { Planned } from '../../schemas/planJob.js';
import { originOf } from '../sources/joinSources.js';
import type { PlanInput, Preview, PreviewDate } from '../shapes/preview.js';
import { termsOf } from '../review.js';

/**
 * The dates of a plan and their doubts by cause, as `yarin plan` prints them: ids are those of the source, which is named
 * where there are several. A doubt in one section of a shared shell is named with it, as it is set by hand: “q-due@02”.
 *
 * @see docs/rules.md, "Doubts and their causes"
 */
export function printedDates(input: PlanInput, { dates }: Preview): Pick<Planned, 'dates' | 'causes'> {
  const ofCourse = (course: string | undefined) => (input.joined === undefined ? {} : { course });
  const placeOf = new Map(dates.map((date, at) => [date, at]));
  const causes = termsOf(input, dates)
    .flatMap((part) => doubtCauses([part]).map((cause) => ({ ...cause, course: part.course })))
    .map(({ cause, moments, settlements, course }) => {
      const inOrder = moments
        .map((moment) => ({ at: placeIn(placeOf, moment as PreviewDate), id: settableId(moment) }))
        .sort((a, b) => a.at - b.at);
      return {
        first: inOrder[0]!.at,
        cause: {
          cause,
          ...ofCourse(course),
          moments: inOrder.map(({ id }) => id),
          settlements: settlements.map(({ name, dates: to }) => ({ name, to: { ...to } })),
        },
      };
    })
    .sort((a, b) => a.first - b.first)
    .map(({ cause }) => cause);
  return {
    dates: dates.map((date) => {
      const { item, role, from, to, rule, steps, flags, for: section } = date;
      const origin = originOf(input, item);
      return {
        moment: momentOf(date),
        item: origin.item,
        ...ofCourse(origin.course),
        ...(section === undefined ? {} : { for: section }),
        role,
        from,
        to,
        rule,
        steps: [...steps],
        flags: [...flags],
      };
    }),
    causes,
  };
}

/** The moment in the source, also of a date of one section. */
const momentOf = ({ id, moment = id }: PreviewDate): string => moment;

/** A doubt about a date of everybody in one section is that date. */
const placeIn = (placeOf: ReadonlyMap<PreviewDate, number>, moment: PreviewDate): number =>
  placeOf.get(moment) ?? [...placeOf].find(([{ id }]) => id === moment.id)![1];
