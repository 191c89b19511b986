import type { DateTotals, PlanTotals } from '../plan/shapes/preview.js';
import type { PlanScope } from '../plan/decisionsAtFirst.js';
import type { SetUp, SetUpCategory, SetUpEffect } from '../plan/setUpEffect.js';
import type { Candidate, Proposal } from '../choose/propose.js';
import type { StandingRecipe } from '../choose/recipes.js';
import type { Finding } from '../choose/findings/finding.js';
import type { Kind } from '../names/kinds.js';
import type { Snapshot } from '../course/snapshot.js';
import type { CalendarChange } from '../plan/calendarChange.js';
import type { LineageEntry } from '../plan/shapes/matches.js';
import type { PolicySuggestion } from '../retime/suggestPolicy.js';
import type { Rights } from '../rights/rights.js';
import type { Calendar } from '../schemas/calendar.js';
import type { Decisions } from '../schemas/choices.js';
import type { Role } from '../schemas/retimeJob.js';
import type { CourseSummary, Deed, LearnerCounts } from './courses.js';
import type { AccessAsk, ProblemDetails } from './people.js';
import type { RosterNotice } from './courses.js';
import type { Right } from '../rights/rights.js';

// What the server answers about the Desk, pairs, plans and runs.

/** A plan in one sentence. */
export interface PlanSentence extends PlanTotals {
  readonly dates: DateTotals;
  readonly doubts: number;
  /** Of what is left over: what is decided in the plan. */
  readonly toDecide: number;
  readonly leftOver: number;
}

/** What a Desk says of the plan of a shell. */
export interface ShellSentence {
  readonly sentence: PlanSentence | null;
  /** Why there is none, though there is a predecessor. */
  readonly why: string | null;
}

/** Of each shell that has a predecessor, by its id, what was worked out meanwhile. */
export type DeskSentencesView = Readonly<Record<string, ShellSentence | 'underWay'>>;

export interface DeskShell {
  readonly shell: CourseSummary;
  readonly verdict: Proposal['verdict'];
  readonly candidates: readonly (Omit<Candidate, 'course'> & { readonly course: CourseSummary })[];
  readonly right: Right;
  /** The course that it is planned from: that of what was brought, else of the plan that was touched last, else the predecessor. */
  readonly source: CourseSummary | null;
  readonly plan: { readonly id: string; readonly touched: boolean } | null;
  /** Plans from other courses in which somebody decided something, the one touched last first. */
  readonly otherPlans: readonly { readonly id: string; readonly source: CourseSummary }[];
  /** `underWay` while its plan is being worked out: the Desk does not wait for it, and asks for what it says. */
  readonly said: ShellSentence | 'underWay';
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

export interface RunCounts {
  readonly things: number;
  readonly added: number;
  readonly changed: number;
  /** Of those that were changed: what an earlier run brought, and that was brought up to date; older records have none. */
  readonly updated?: number;
  readonly places: number;
  /** Things of the shell that were taken out; older records have none. */
  readonly takenOut?: number;
  /** Dates that moved, and those that were kept as they were; older records counted both as moved. */
  readonly dates: number;
  readonly datesKept?: number;
  readonly left: number;
  /** `stood`: what stood in the new course already; older records counted it as brought. */
  readonly byKind: Readonly<
    Partial<Record<Kind, { readonly source: number; readonly brought: number; readonly stood?: number }>>
  >;
  /** Of several sources: how many things each gave, in their order. Older records have none. */
  readonly bySource?: readonly { readonly course: string; readonly name: string; readonly things: number }[];
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
  /** What was taken back of it, whole or in part, and not done again; the latest first. */
  readonly takenBack: readonly Deed[];
  /** Dates that the plan moved in the new course since, and that stand there; the latest first. */
  readonly fixes: readonly Deed[];
}

/** A thing that a run wrote and that stands in the new course. */
export interface RunThing {
  readonly key: string;
  readonly title: string;
  readonly kind: Kind;
}

/** A course that a plan brings from, with what follows from it and the shell. */
export interface PlanSourceView {
  readonly source: Snapshot;
  readonly findings: readonly Finding[];
  readonly lineage: readonly LineageEntry[];
  readonly suggestion: PolicySuggestion;
  readonly learners: LearnerCounts;
}

/** Everything that the plan page needs to compute every toggle by itself. */
/** A course that the gradebook set-up of another could go into by itself. */
export interface SetUpInto {
  readonly course: CourseSummary;
  /** Its class has begun. */
  readonly isRunning: boolean;
  /** Its plan for the set-up alone, while there is one. */
  readonly planId: string | null;
  /** What would happen there; a sentence when it can't be worked out. */
  readonly effect: SetUpEffect | string;
  /** How many things would be written. */
  readonly toWrite: number;
}

/** The gradebook set-up of a course, and where it could go by itself. */
export interface SetUpView {
  readonly course: CourseSummary;
  readonly setUp: SetUp;
  readonly categories: readonly SetUpCategory[];
  readonly right: Right;
  readonly into: readonly SetUpInto[];
}

export interface PlanView {
  readonly id: string;
  /** The whole course, or its gradebook set-up by itself. */
  readonly scope: PlanScope;
  readonly version: number;
  readonly decisions: Decisions;
  /** In their order of precedence; mostly one. */
  readonly sources: readonly PlanSourceView[];
  readonly shell: Snapshot;
  /** Names of those who edited things of the shell, by their ids. */
  readonly writers: Readonly<Record<string, string>>;
  /** Calendars of other terms, for dates that are left over from one of them. */
  readonly knownTerms: readonly Calendar[];
  /** Department of the shell. */
  readonly department: string | null;
  /** The recipe of the institution or department; its locked parts hold whatever is chosen. */
  readonly standingRecipe?: StandingRecipe | undefined;
  readonly right: Right;
  /** What calendars and class days say otherwise since a person last saw the plan, and what that moves. */
  readonly calendarChange: CalendarChange | null;
  /** Shells of the same course in the same term beside this one. */
  readonly parallelSections: number;
  readonly now: string;
  readonly thingsPerSecond: number;
  /** What stands in the shell already, and what the roster changed about it. */
  readonly standing: ShellStanding;
  readonly notices: readonly RosterNotice[];
  readonly runs: readonly RunView[];
  /** Names what the plan was computed from beside its decisions: courses, calendars, the standing recipe. */
  readonly stands: string;
}

/** A date of a thing, in one of the sections that it comes into. */
export interface SectionDate {
  readonly to: string | null;
  readonly doubtful: boolean;
}

/** A parallel section: the same courses brought into a shell with class days of its own. */
export interface PlanSection {
  readonly shell: CourseSummary;
  readonly right: Right;
  /** Its own plan from the same courses; null while it has none. */
  readonly planId: string | null;
  /** It chooses as the plan does that was asked about. */
  readonly follows: boolean;
  /** Things that a run would write; 0 when everything is there. */
  readonly toWrite: number;
  readonly doubts: number;
  /** By moment; what does not come has none. */
  readonly dates: Readonly<Record<string, SectionDate>>;
}

/** A plan's section beside its parallel ones, and the moments that they share. */
export interface SectionsView {
  /** In their order; the one of the plan is among them. */
  readonly sections: readonly PlanSection[];
  readonly moments: readonly {
    readonly id: string;
    readonly title: string;
    readonly role: Role;
    readonly from: string;
  }[];
}

export type BringOutcome =
  | { readonly outcome: 'brought'; readonly runId: string }
  | { readonly outcome: 'nothingToBring'; readonly runId: string | null };

/** How far a run is, as it is told while it goes. */
export type JobState =
  | { readonly is: 'running'; readonly share: number }
  | { readonly is: 'done'; readonly outcome: BringOutcome }
  | { readonly is: 'failed'; readonly problem: ProblemDetails };

/** A course that could be the other side of a pair, with what speaks for and against it. */
export interface PairCandidate {
  readonly course: CourseSummary;
  readonly for: Candidate['for'];
  readonly against: Candidate['against'];
  /** Shells of this term that were brought from the same course: “ECO 214-03”. */
  readonly usedInto: readonly string[];
  readonly use: Right;
  /** Its class has begun: it takes single things, and is no shell any more. */
  readonly isRunning: boolean;
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
  readonly plans: readonly {
    readonly id: string;
    /** In their order of precedence. */
    readonly sourceIds: readonly string[];
    readonly destinationId: string;
  }[];
}
