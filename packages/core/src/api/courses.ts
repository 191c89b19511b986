import type { Kind } from '../names/kinds.js';
import type { SnapshotItem } from '../course/snapshot.js';
import type { LooseEnd } from '../plan/looseEnds/looseEnd.js';
import type { Rights, StaffRole, Wanted } from '../rights/rights.js';
import type { Calendar, Meeting } from '../schemas/calendar.js';
import type { Item, Link, Mark, Moment } from '../schemas/course.js';

// What the server answers about courses, as the browser reads it.

/** A course as lists show it. */
export interface CourseSummary {
  readonly id: string;
  readonly code: string;
  readonly number: string;
  readonly section: string;
  readonly title: string;
  readonly type: 'course' | 'development' | 'template';
  readonly mode: string | null;
  readonly campus: string | null;
  readonly room: string | null;
  readonly meetings: readonly Meeting[];
  /** Counts up with every write to the course. */
  readonly version: number;
  readonly term: string;
  readonly firstDay: string;
  readonly lastDay: string;
  readonly department: string | null;
  readonly archived: boolean;
  readonly openForReuse: boolean;
  /** The registrar took the section off. */
  readonly cancelled: boolean;
  /** Made in Yarin, not by the registrar. */
  readonly madeByHand: boolean;
  readonly staff: readonly { readonly id: string; readonly name: string; readonly role: StaffRole }[];
  /** What an owner granted whoever asks. */
  readonly granted: Wanted | null;
  readonly instructorIds: readonly string[];
  readonly instructors: readonly string[];
  readonly things: number;
  readonly stockThings: number;
  readonly editedAt: string | null;
}

/** The sorts of data that belong to learners. A run brings none of them, and proves it. */
export const LEARNER_SORTS = [
  'enrolment',
  'submission',
  'attempt',
  'reply',
  'mark',
  'attendance',
  'personalDate',
] as const;
export type LearnerSort = (typeof LEARNER_SORTS)[number];
export type LearnerCounts = Readonly<Record<LearnerSort, number>>;

/** What somebody did to a course, and for whom. */
export interface Deed {
  readonly id: number;
  readonly at: string;
  readonly by: string;
  readonly what: string;
  /** The thing that it was done to, while it stands. */
  readonly itemKey: string | null;
  /** What can be done about it; what took something back is taken back by doing that again. */
  readonly canBe: 'takenBack' | 'doneAgain' | null;
}

/** What is left over in a course as it stands; the things in it by their keys there. */
export interface CourseLeftOver {
  /** The plan that filled it last, whose list this is while it has nothing more to bring. */
  readonly planId: string | null;
  /** Lines of doubts about its dates. */
  readonly doubts: number;
  readonly looseEnds: readonly LooseEnd[];
}

export interface CourseView {
  readonly summary: CourseSummary;
  readonly calendar: Calendar;
  readonly startsOn: string | null;
  readonly endsOn: string | null;
  readonly openToLearners: boolean;
  readonly now: string;
  readonly items: readonly SnapshotItem[];
  readonly marks: readonly Mark[];
  readonly notices: readonly RosterNotice[];
  readonly learners: LearnerCounts;
  readonly rights: Rights;
  readonly deeds: readonly Deed[];
  /** Things that were taken out lately and can be put back. */
  readonly removed: readonly { readonly key: string; readonly title: string; readonly at: string }[];
}

/** A date that was brought and would stand elsewhere on the calendar as it is now. */
export interface RedatedMoment {
  readonly id: string;
  readonly title: string;
  readonly role: Moment['role'];
  readonly is: string;
  readonly would: string;
  /** Somebody changed its thing since it was brought. */
  readonly touched: boolean;
}

/** The dates of a course by the plans that brought them, on the calendar as it is now. */
export interface Redated {
  /** Dates that were brought and still stand. */
  readonly brought: number;
  /** Those that would stand elsewhere. */
  readonly dates: readonly RedatedMoment[];
}

export interface ItemView {
  readonly version: number;
  readonly item: Omit<Item, 'links'> & { readonly links: readonly (Link & { readonly title: string | null })[] };
  readonly usedBy: readonly { readonly id: string; readonly title: string; readonly kind: string }[];
  readonly mark: Mark | null;
  readonly earlier: readonly EarlierText[];
  readonly editedBy: string | null;
}

/** What an item said before an edit. */
export interface EarlierText {
  readonly version: number;
  readonly title: string;
  readonly body: string;
  readonly at: string;
  readonly by: string;
}

/** What came of an edit: the item as it stands now, and what was taken out of its text to make it safe. */
export interface EditOutcome {
  readonly version: number;
  readonly takenOut: readonly string[];
}

/** A thing of one of my courses that a search found. */
export interface FoundThing {
  readonly courseId: string;
  readonly courseCode: string;
  readonly term: string;
  readonly key: string;
  readonly title: string;
  readonly kind: Kind;
}

export type When = 'past' | 'current' | 'coming';

/** A course that is not open to whoever looks: what the college's timetable tells of it, and nothing that it holds. */
export interface ClosedCourse extends Pick<CourseSummary, 'id' | 'code' | 'number' | 'section' | 'type' | 'term'> {
  readonly instructors: readonly string[];
  /** Whoever looks asked to use it, and nobody answered yet. */
  readonly asked: boolean;
}

export interface FoundView {
  readonly total: number;
  readonly courses: readonly CourseSummary[];
  readonly things: readonly FoundThing[];
  readonly thingsTotal: number;
  /** Words that nothing begins with, and what was looked for instead. */
  readonly instead: readonly { readonly typed: string; readonly words: readonly string[] }[];
  readonly terms: readonly string[];
  readonly campuses: readonly string[];
  /** Found by code, term and teacher alone, the latest term first. */
  readonly closed: readonly ClosedCourse[];
}

/** Something the roster changed that touches a plan or a course. */
export interface RosterNotice {
  readonly courseId: string;
  readonly at: string;
  readonly sentence: string;
}
