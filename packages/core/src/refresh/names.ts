import { schoolYearOf } from '../calendar/schoolYear.js';
import type { CourseHead } from '../schemas/course.js';
import type { Calendar } from '../schemas/calendar.js';
import type { FoundPerson, FoundPlain, FoundTerm, FoundYear } from '../words/found/found.js';
import type { Writer } from '../words/found/language.js';
import type { Span } from '../words/text/seenText.js';
import type { Rewording } from './proposal.js';

/** The course that texts speak of, and the one that they should. */
export interface Heads {
  readonly text: string;
  readonly writer: Writer;
  readonly before: CourseHead;
  readonly after: CourseHead;
}

const whole = ({ start, end }: Span, text: string): Rewording => ({ edits: [{ start, end, text }] });
const NOTHING: Rewording = { edits: null };

export function rewordTerm(found: FoundTerm, { text, writer, before, after }: Heads): Rewording {
  const { season, year } = found;
  if (season === undefined || year === undefined) return whole(found, after.term);
  const like = { season: text.slice(season.start, season.end), year: text.slice(year.start, year.end) };
  const written = writer.term(before.term, after.term, like);
  if (written === undefined) return whole(found, after.term);
  return {
    edits: [
      { ...season, text: written.season },
      { ...year, text: written.year },
    ],
  };
}

/** A year of the old term is the same one of the new: the first or the last; a school year goes on by as many years. */
export function rewordYear(
  { from, to }: FoundYear,
  { text, writer }: Pick<Heads, 'text' | 'writer'>,
  before: Calendar,
  after: Calendar,
): Rewording {
  const yearOf = (day: string): number => Number(day.slice(0, 4));
  const isLast = from.value === yearOf(before.lastDay) && from.value !== yearOf(before.firstDay);
  const apart =
    to === undefined
      ? isLast
        ? yearOf(after.lastDay) - yearOf(before.lastDay)
        : yearOf(after.firstDay) - yearOf(before.firstDay)
      : schoolYearOf(after.firstDay) - schoolYearOf(before.firstDay);
  return {
    edits: [from, ...(to === undefined ? [] : [to])].map(({ start, end, value }) => ({
      start,
      end,
      text: writer.year(value + apart, text.slice(start, end)),
    })),
  };
}

export function rewordRoom(found: FoundPlain, { writer, before, after }: Heads): Rewording {
  if (after.room === undefined || after.room.trim() === '') return NOTHING;
  return whole(found, writer.room(after.room.trim(), found.text, before.room ?? ''));
}

/** The section's code, or the course's id. */
export const rewordSection = (found: FoundPlain, { before, after }: Heads): Rewording => {
  const code = found.text.toLowerCase() === before.id.toLowerCase() ? after.id : after.section;
  return code.trim() === '' ? NOTHING : whole(found, code);
};

/** Somebody who teaches it no more; who came in their place is sure only where one left and one came. */
export function rewordPerson(found: FoundPerson, { writer, before, after }: Heads): Rewording | undefined {
  const [old, now] = [before.instructors ?? [], after.instructors ?? []];
  const left = old.filter(({ id }) => now.every((each) => each.id !== id));
  const came = now.filter(({ id }) => old.every((each) => each.id !== id));
  const meant = left.find(({ id }) => found.people.includes(id));
  if (meant === undefined || now.length === 0) return undefined;
  if (left.length !== 1 || came.length !== 1 || found.people.length !== 1) return NOTHING;
  return whole(found, writer.person(came[0]!.name, found.text, meant.name));
}
