import type { Candidate, Proposal } from '../choose/propose.js';
import type { Finding } from '../choose/finding.js';
import type { Kind } from '../course/kinds.js';
import type { Snapshot, SnapshotItem } from '../course/snapshot.js';
import type { LooseEnd } from '../plan/looseEnds.js';
import type { LineageEntry } from '../plan/match.js';
import type { Problem } from '../problem.js';
import type { PolicySuggestion } from '../retime/suggestPolicy.js';
import type { Meeting } from '../schemas/calendar.js';
import type { Decisions } from '../schemas/choices.js';
import type { Item, Link } from '../schemas/course.js';

/** What the server answers with, as the browser reads it. */

export type PersonRole = 'instructor' | 'assistant' | 'administrator';

export interface PersonView {
  readonly id: string;
  readonly name: string;
  readonly initials: string;
  readonly role: PersonRole;
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

export interface CourseView {
  readonly summary: CourseSummary;
  readonly items: readonly SnapshotItem[];
  readonly looseEnds: readonly LooseEnd[];
  readonly right: Right;
}

export interface ItemView {
  readonly item: Omit<Item, 'links'> & { readonly links: readonly (Link & { readonly title: string | null })[] };
  readonly usedBy: readonly { readonly id: string; readonly title: string; readonly kind: string }[];
}
