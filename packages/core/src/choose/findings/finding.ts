import type { CalendarIndex } from '../../calendar/calendarIndex.js';
import type { MeetingIndex } from '../../calendar/meetingIndex.js';
import type { FindingName } from '../../names/findings.js';
import type { SnapshotItem } from '../../course/snapshot.js';
import type { Course, Link } from '../../schemas/course.js';
import type { WordContext } from '../../words/found/found.js';
import type { Prose } from '../../words/text/prose.js';

/** What becomes of an item by a finding; of several, the first in this order decides. */
export type FindingDefault = 'leave' | 'ask' | 'join' | 'bring';

/** Something outdated or harmful about an item, with the words, dates or counts that show it. */
export interface Finding {
  readonly item: string;
  readonly finding: FindingName;
  readonly evidence: string;
  readonly default: FindingDefault;
  /** Of a double: the one that stays. */
  readonly stays?: string;
}

/** A course indexed for finding: what is where, what leads where, what a reader sees. */
export interface CourseView {
  readonly course: Course;
  readonly items: readonly SnapshotItem[];
  readonly byId: ReadonlyMap<string, SnapshotItem>;
  /** Links and addresses that lead to an item. */
  linksTo(id: string): readonly { readonly from: SnapshotItem; readonly link: Link }[];
  childrenOf(id: string): readonly SnapshotItem[];
  /** Whether a reader sees anything in the item's body, a picture too. */
  hasText(item: SnapshotItem): boolean;
  /** The title and all texts of an item as a reader sees them. */
  proseOf(item: SnapshotItem): Prose;
  /** All texts of an item as they stand, markup included. */
  bodiesOf(item: SnapshotItem): readonly string[];
}

export interface SourceContext {
  readonly source: CourseView;
  readonly words: WordContext;
  readonly calendar: CalendarIndex;
  readonly meetings: MeetingIndex;
}

/** The same beside the shell that the course is brought into. */
export interface FindingContext extends SourceContext {
  readonly shell: CourseView;
  /** Whether a course of this system has this id. */
  readonly isCourse: (id: string) => boolean;
}

/** One reason, one file: looks at the whole course and says what it found; what it finds is the same for every shell. */
export type SourceRule = (context: SourceContext) => Finding[];

/** One that looks at the shell too. */
export type FindingRule = (context: FindingContext) => Finding[];
