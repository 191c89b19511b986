import { indexCalendar } from '../../calendar/calendarIndex.js';
import { indexMeetings } from '../../calendar/meetingIndex.js';
import type { SnapshotItem } from '../../course/snapshot.js';
import type { Course } from '../../schemas/course.js';
import { wordContextOf } from '../../words/wordContext.js';
import { viewCourse } from './courseView.js';
import { FINDING_NAMES, type FindingName } from '../../names/findings.js';
import type { CourseView, Finding, FindingRule, SourceContext, SourceRule } from './finding.js';
import { double } from './double.js';
import { emptyUnit } from './emptyUnit.js';
import { heldOutside } from './heldOutside.js';
import { hiddenAllTerm } from './hiddenAllTerm.js';
import { lastTermsAnnouncement } from './lastTermsAnnouncement.js';
import { lastTermsSyllabus } from './lastTermsSyllabus.js';
import { meetingLink } from './meetingLink.js';
import { noPoints } from './noPoints.js';
import { olderCourseLink } from './olderCourseLink.js';
import { oneOffEvent } from './oneOffEvent.js';
import { originalityCheck } from './originalityCheck.js';
import { otherMode } from './otherMode.js';
import { otherTerm } from './otherTerm.js';
import { stockThing } from './stockThing.js';
import { unused } from './unused.js';

/** How each reason is found. A new one is a file, its words in `FINDING_WORDS` and its line here, without which nothing compiles. */
const RULES: Readonly<Record<FindingName, { readonly ofSource: SourceRule } | { readonly besideShell: FindingRule }>> =
  {
    lastTermsAnnouncement: { ofSource: lastTermsAnnouncement },
    oneOffEvent: { ofSource: oneOffEvent },
    meetingLink: { ofSource: meetingLink },
    heldOutside: { ofSource: heldOutside },
    originalityCheck: { ofSource: originalityCheck },
    lastTermsSyllabus: { besideShell: lastTermsSyllabus },
    stockThing: { besideShell: stockThing },
    unused: { ofSource: unused },
    emptyUnit: { ofSource: emptyUnit },
    otherTerm: { ofSource: otherTerm },
    double: { ofSource: double },
    hiddenAllTerm: { ofSource: hiddenAllTerm },
    olderCourseLink: { besideShell: olderCourseLink },
    otherMode: { besideShell: otherMode },
    noPoints: { ofSource: noPoints },
  };

/** What an institution knows beside the two courses. */
export interface FindingKnowledge {
  /** Hosts of video meetings; the usual ones when absent. */
  readonly meetingHosts?: readonly string[];
  /** Whether a course of this system has this id. */
  readonly isCourse?: (id: string) => boolean;
}

/** A course viewed once for all shells that it may be brought into; what does not depend on the shell is found once. */
export interface ViewedSource {
  readonly context: SourceContext;
  readonly found: Map<FindingName, readonly Finding[]>;
}

/**
 * @param source        a course whose calendar `checkCalendar` found sound
 * @param weekStartsOn  of the shell's calendar
 * @param items         what `snapshotOf` says of its items, where that is known
 */
export function viewSource(
  source: Course,
  weekStartsOn: number | undefined,
  { meetingHosts }: Pick<FindingKnowledge, 'meetingHosts'> = {},
  items?: readonly SnapshotItem[],
): ViewedSource {
  const calendar = indexCalendar(source.calendar, weekStartsOn ?? 1);
  const context: SourceContext = {
    source: viewCourse(source, items),
    calendar,
    meetings: indexMeetings(calendar, source.meetings ?? []),
    words: wordContextOf(source, meetingHosts),
  };
  return { context, found: new Map() };
}

/**
 * Finds what is outdated or harmful in a course that is about to be brought into a shell. What a person marked keeps its
 * findings; the mark's outcome is their default.
 *
 * @param source  a course whose calendar `checkCalendar` found sound
 * @param shell   the destination, with what it holds already
 * @see docs/rules.md, "Findings"
 */
export const findFindings = (source: Course, shell: Course, knowledge: FindingKnowledge = {}): Finding[] =>
  findInSource(viewSource(source, shell.calendar.weekStartsOn, knowledge), viewCourse(shell), knowledge);

/** The same for courses that were viewed before. */
export function findInSource(
  { context, found }: ViewedSource,
  shell: CourseView,
  { isCourse = () => false }: Pick<FindingKnowledge, 'isCourse'> = {},
): Finding[] {
  const marks = new Map((context.source.course.marks ?? []).map(({ item, mark }) => [item, mark]));
  return FINDING_NAMES.flatMap((name) => {
    const rule = RULES[name];
    if ('besideShell' in rule) return rule.besideShell({ ...context, shell, isCourse });
    let known = found.get(name);
    if (known === undefined) found.set(name, (known = rule.ofSource(context)));
    return known;
  }).map((finding) => {
    const mark = marks.get(finding.item);
    return mark === undefined ? finding : { ...finding, default: mark === 'never' ? 'leave' : 'bring' };
  });
}
