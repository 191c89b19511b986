import type { CalendarIndex } from '../calendar/calendarIndex.js';
import type { MeetingIndex } from '../calendar/meetingIndex.js';
import type { SnapshotItem } from '../course/snapshot.js';
import type { Course, Link } from '../schemas/course.js';
import type { WordContext } from '../words/found.js';

export type FindingName =
  | 'lastTermsAnnouncement'
  | 'oneOffEvent'
  | 'meetingLink'
  | 'heldOutside'
  | 'originalityCheck'
  | 'lastTermsSyllabus'
  | 'stockThing'
  | 'unused'
  | 'emptyUnit'
  | 'otherTerm'
  | 'double'
  | 'hiddenAllTerm'
  | 'noPoints';

/** What becomes of an item by a finding; of several, the first in this order decides. */
export type FindingDefault = 'leave' | 'ask' | 'join' | 'bring';

/** Something outdated or harmful about an item, with the words, dates or counts that show it. */
export interface Finding {
  readonly item: string;
  readonly finding: FindingName;
  readonly evidence: string;
  readonly default: FindingDefault;
}

/** A course indexed for finding: what is where, what leads where, what a reader sees. */
export interface CourseView {
  readonly course: Course;
  readonly items: readonly SnapshotItem[];
  readonly byId: ReadonlyMap<string, SnapshotItem>;
  /** Links and addresses that lead to an item. */
  linksTo(id: string): readonly { readonly from: SnapshotItem; readonly link: Link }[];
  childrenOf(id: string): readonly SnapshotItem[];
  /** The words of an item's text, without quotations and code. */
  textOf(item: SnapshotItem): string;
  /** The text as it stands, markup included. */
  bodyOf(item: SnapshotItem): string;
}

export interface FindingContext {
  readonly source: CourseView;
  readonly shell: CourseView;
  readonly words: WordContext;
  readonly calendar: CalendarIndex;
  readonly meetings: MeetingIndex;
}

/** One reason, one file: looks at the whole course and says what it found. */
export type FindingRule = (context: FindingContext) => Finding[];
