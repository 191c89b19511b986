import { succeed, type Result } from '../problem.js';
import { STALE_SORTS, type StaleSort } from '../names/staleWords.js';
import { proposePolicy } from '../retime/suggestPolicy.js';
import type { RefreshJob } from '../schemas/refreshJob.js';
import { ENGLISH } from '../words/english/english.js';
import type { Found, FoundDay } from '../words/found/found.js';
import { wordContextOf } from '../words/wordContext.js';
import { addressProposals } from './addresses.js';
import { closureDays } from './closureDays.js';
import { rewordDate, rewordRange, type DateGround } from './dates.js';
import { movedDays, type MovedDay } from './movedDays.js';
import { rewordPerson, rewordRoom, rewordSection, rewordTerm, rewordYear } from './names.js';
import { rewordPattern } from './patterns.js';
import { proposalOf, type Proposal, type Rewording } from './proposal.js';
import { daysIn, readItem, type ReadItem } from './readItem.js';

/**
 * Finds the words of a course's titles and bodies that mean its old term, and proposes what stands there in the new one: dates by the
 * same retiming as its moments, each written as the original was.
 *
 * @param job  one that `refreshJobProblems` found sound
 * @returns    the proposals in the order of the items, their titles before their bodies
 * @see docs/rules.md, "Stale words"
 */
export function refresh(job: RefreshJob): Result<Proposal[]> {
  const { course, destination } = job;
  const context = wordContextOf(course, job.meetingHosts);
  const read = course.items.map((item) => readItem(item, context));
  const sides = [
    { calendar: course.calendar, meetings: course.meetings ?? [] },
    { calendar: destination.calendar, meetings: destination.meetings ?? [] },
  ] as const;
  const policy = job.policy ?? proposePolicy(...sides).policy;
  const moved = movedDays(course, read, sides[1], policy);
  if (!moved.ok) return moved;
  const closures = closureDays(course.calendar, destination.calendar);
  const addresses = addressProposals(job);
  return succeed(
    read.flatMap((each) => {
      const reword = rewordingOf({ ...job, policy }, each, closures, moved.value);
      const proposals = each.found.filter(isStale).flatMap((found) => proposed(each, found, reword(found)) ?? []);
      return [...proposals, ...addresses(each)].sort(inOrder);
    }),
  );
}

const inOrder = (a: Proposal, b: Proposal): number =>
  a.field === b.field ? a.start - b.start || a.end - b.end : a.field === 'title' ? -1 : 1;

/** Found words that mean the old term; an hour, a weekday, “today” or a mode says nothing by itself. */
type StaleFound = Found & { readonly sort: StaleSort };
const isStale = (found: Found): found is StaleFound => (STALE_SORTS as readonly string[]).includes(found.sort);

/** What is proposed for found words; nothing where they stay. */
function proposed(
  { item, prose, texts }: ReadItem,
  found: StaleFound,
  rewording: Rewording | undefined,
): Proposal | undefined {
  if (rewording === undefined) return undefined;
  if (found.sort !== 'meeting' || found.link === undefined)
    return proposalOf(item.id, found.sort, found, rewording, prose, texts);
  const { field, start, end } = found.link;
  const text = texts.get(field)!.slice(start, end);
  return { item: item.id, field, start, end, text, sort: 'meeting', replacement: null };
}

/** What becomes of the words that were found in one thing. */
function rewordingOf(
  { course, destination, policy = {} }: RefreshJob,
  { prose, found }: ReadItem,
  closures: DateGround['closures'],
  moved: ReadonlyMap<FoundDay, MovedDay>,
): (found: StaleFound) => Rewording | undefined {
  const { text } = prose;
  const { writer } = ENGLISH;
  const heads = { text, writer, before: course.course, after: destination.course };
  /** Days by the place of the month that stands in their own words. */
  const owners = new Map(
    daysIn(found).flatMap((day) => {
      const { month } = day.written;
      return day.start <= month.start && month.end <= day.end ? [[month.start, day] as const] : [];
    }),
  );
  const dates: DateGround = {
    text,
    language: ENGLISH,
    closures,
    moved,
    isShort: writesMonthsShort(text, found),
    ownerOf: ({ written: { month } }) => owners.get(month.start),
  };
  const classes = {
    text,
    writer,
    before: course.meetings ?? [],
    after: destination.meetings ?? [],
    weekStartsOn: destination.calendar.weekStartsOn ?? 1,
    weekdays: policy.weekdays ?? {},
  };
  return (each) => {
    switch (each.sort) {
      case 'date':
        return rewordDate(each, dates);
      case 'range':
        return rewordRange(each, dates);
      case 'term':
        return rewordTerm(each, heads);
      case 'year':
        return rewordYear(each, heads, course.calendar, destination.calendar);
      case 'pattern':
        return rewordPattern(each, classes);
      case 'room':
        return rewordRoom(each, heads);
      case 'section':
        return rewordSection(each, heads);
      case 'person':
        return rewordPerson(each, heads);
      case 'meeting':
        return { edits: null };
    }
  };
}

/** Whether a text writes its months short; one that can be either tells nothing. */
function writesMonthsShort(text: string, found: readonly Found[]): boolean {
  const written = daysIn(found).flatMap((day) => (day.style === 'words' ? [day.written.month] : []));
  const short = written.map(({ start, end }) => ENGLISH.isShortMonth(text.slice(start, end)));
  return short.includes(true) && !short.includes(false);
}
