import type { Candidate, Proposal } from '../choose/propose.js';
import type { Finding } from '../choose/finding.js';
import type { Kind } from '../course/kinds.js';
import type { Snapshot, SnapshotItem } from '../course/snapshot.js';
import type { LooseEnd } from '../plan/looseEnds.js';
import type { LineageEntry } from '../plan/match.js';
import type { Problem } from '../problem.js';
import type { PolicySuggestion } from '../retime/suggestPolicy.js';
import type { Decisions } from '../schemas/choices.js';
import type { Calendar, Meeting } from '../schemas/calendar.js';
import type { Item, Link, Mark } from '../schemas/course.js';
import type { Rights, StaffRole, Wanted } from '../rights/rights.js';

/** What the server answers with, as the browser reads it. */

export type PersonRole = 'instructor' | 'assistant' | 'administrator';

export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly role: PersonRole;
  /** The department that an administrator is limited to. */
  readonly department: string | null;
}

/** Who is signed in, and for whom they act. */
export interface SessionView {
  readonly person: PersonView;
  /** The administrator who acts for this person; `null` when somebody acts for themselves. */
  readonly actor: PersonView | null;
}

/** Whether a person may do something, and if not, why, in a sentence they can act on. */
export type Right = { readonly may: true } | { readonly may: false; readonly why: string };

/** A refusal as RFC 9457 says it, with the places of the single problems beside it. */
export interface ProblemDetails {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly problems?: readonly Problem[];
}

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

/** A plan in one sentence. */
export interface PlanSentence {
  readonly come: number;
  readonly of: number;
  readonly dates: number;
  readonly doubts: number;
  readonly leftOver: number;
  readonly toWrite: number;
}

export interface DeskShell {
  readonly shell: CourseSummary;
  readonly verdict: Proposal['verdict'];
  readonly candidates: readonly (Omit<Candidate, 'course'> & { readonly course: CourseSummary })[];
  readonly right: Right;
  readonly plan: { readonly id: string; readonly touched: boolean } | null;
  readonly sentence: PlanSentence | null;
  readonly done: { readonly runId: string; readonly at: string; readonly by: string; readonly things: number } | null;
}

export interface NoteToNextTerm {
  readonly courseId: string;
  readonly itemKey: string;
  readonly title: string;
  readonly note: string;
}

export interface LatelyRun {
  readonly id: string;
  readonly planId: string;
  readonly at: string;
  readonly by: string;
  readonly things: number;
  readonly source: CourseSummary | undefined;
  readonly destination: CourseSummary | undefined;
  readonly undoneAt: string | null;
}

export interface DeskView {
  readonly notices: readonly RosterNotice[];
  readonly asked: readonly AccessAsk[];
  readonly now: string;
  readonly term: { readonly name: string; readonly firstDay: string } | null;
  readonly shells: readonly DeskShell[];
  readonly notes: readonly NoteToNextTerm[];
  readonly lately: readonly LatelyRun[];
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

export interface RunCounts {
  readonly things: number;
  readonly added: number;
  readonly changed: number;
  readonly places: number;
  readonly dates: number;
  readonly left: number;
  readonly byKind: Readonly<Partial<Record<Kind, { readonly source: number; readonly brought: number }>>>;
  /** Learner rows that the run made in the destination: zero each. */
  readonly learners: LearnerCounts;
}

export interface RunView {
  readonly id: string;
  readonly at: string;
  readonly by: string;
  readonly counts: RunCounts;
  readonly undoneAt: string | null;
  readonly undoneBy: string | null;
}

/** Everything that the plan page needs to compute every toggle by itself. */
export interface PlanView {
  readonly id: string;
  readonly version: number;
  readonly decisions: Decisions;
  readonly source: Snapshot;
  readonly shell: Snapshot;
  readonly findings: readonly Finding[];
  readonly lineage: readonly LineageEntry[];
  readonly suggestion: PolicySuggestion;
  readonly right: Right;
  readonly now: string;
  readonly thingsPerSecond: number;
  readonly learnersInSource: LearnerCounts;
  /** What stands in the shell already, and what the roster changed about it. */
  readonly standing: ShellStanding;
  readonly notices: readonly RosterNotice[];
  readonly runs: readonly RunView[];
}

export type BringOutcome =
  | { readonly outcome: 'brought'; readonly runId: string }
  | { readonly outcome: 'nothingToBring'; readonly runId: string | null };

/** How far a run is, as it is told while it goes. */
export type JobState =
  | { readonly is: 'running'; readonly share: number }
  | { readonly is: 'done'; readonly outcome: BringOutcome }
  | { readonly is: 'failed'; readonly problem: ProblemDetails };

/** What somebody did to a course, and for whom. */
export interface Deed {
  readonly at: string;
  readonly by: string;
  readonly what: string;
  /** The thing that it was done to, while it stands. */
  readonly itemKey: string | null;
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
  readonly looseEnds: readonly LooseEnd[];
  readonly notices: readonly RosterNotice[];
  readonly learners: LearnerCounts;
  readonly rights: Rights;
  readonly deeds: readonly Deed[];
  /** Things that were taken out lately and can be put back. */
  readonly removed: readonly { readonly key: string; readonly title: string; readonly at: string }[];
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

export interface FoundView {
  readonly total: number;
  readonly courses: readonly CourseSummary[];
  readonly things: readonly FoundThing[];
  readonly thingsTotal: number;
  /** Words that nothing begins with, and what was looked for instead. */
  readonly instead: readonly { readonly typed: string; readonly words: readonly string[] }[];
  readonly terms: readonly string[];
}

/** A course that could be the other side of a pair, with what speaks for and against it. */
export interface PairCandidate {
  readonly course: CourseSummary;
  readonly for: Candidate['for'];
  readonly against: Candidate['against'];
  /** Shells of this term that were brought from the same course: “ECO 214-03”. */
  readonly usedInto: readonly string[];
  readonly use: Right;
}

/** Something that was brought into a shell before. */
export interface BroughtBefore {
  readonly runId: string;
  readonly planId: string;
  readonly at: string;
  readonly by: string;
  readonly things: number;
  readonly from: string;
}

/** What a shell holds beside its stock, and how it came there. */
export interface ShellStanding {
  readonly brought: readonly BroughtBefore[];
  /** Things that a person made or changed here and that no run brought. */
  readonly byHand: number;
}

/** One side of a pair that is being made, and what could stand on the other. */
export interface PairView extends ShellStanding {
  readonly course: CourseSummary;
  readonly rights: Rights;
  readonly kinds: readonly { readonly kind: Kind; readonly count: number }[];
  readonly verdict: Proposal['verdict'];
  readonly candidates: readonly PairCandidate[];
  /** Earlier runs of the course that the person may not use, with why; their owners can be asked. */
  readonly askable: readonly { readonly course: CourseSummary; readonly why: string }[];
  /** Plans into this shell, or from this course, in their order. */
  readonly plans: readonly { readonly id: string; readonly sourceId: string; readonly destinationId: string }[];
}

export interface AccessAsk {
  readonly id: string;
  readonly course: CourseSummary;
  readonly person: string;
  readonly wants: Wanted;
  readonly words: string;
  readonly askedAt: string;
  readonly answer: 'granted' | 'refused' | 'withdrawn' | null;
  readonly answeredBy: string | null;
  readonly answeredAt: string | null;
  readonly answerWords: string;
}

export interface AccessView {
  readonly mine: readonly AccessAsk[];
  readonly askedOfMe: readonly AccessAsk[];
}

/** Something the roster changed that touches a plan or a course. */
export interface RosterNotice {
  readonly courseId: string;
  readonly at: string;
  readonly sentence: string;
}

/** What loading a roster did. */
export interface RosterReport {
  readonly at: string;
  readonly by: string;
  readonly terms: { readonly added: number; readonly changed: number };
  readonly people: { readonly added: number; readonly changed: number };
  readonly sections: { readonly added: number; readonly changed: number; readonly cancelled: number };
  readonly learnersDropped: { readonly people: number; readonly enrolments: number };
  readonly notices: readonly RosterNotice[];
  /** Bad rows by file and line; the good ones were kept. */
  readonly problems: readonly Problem[];
}
