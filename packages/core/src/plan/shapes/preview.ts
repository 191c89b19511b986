import type { BrokenNeed } from '../../choose/brokenNeeds.js';
import type { ChoiceIndex } from '../../choose/choiceIndex.js';
import type { Finding } from '../../choose/findings/finding.js';
import type { StandingRecipe } from '../../choose/recipes.js';
import type { Snapshot, SnapshotItem } from '../../course/snapshot.js';
import type { Kind } from '../../names/kinds.js';
import type { DoubtfulMoment, DoubtOf } from '../../retime/doubt.js';
import type { Calendar } from '../../schemas/calendar.js';
import type { Decisions } from '../../schemas/choices.js';
import type { PlanPolicy } from '../../schemas/planPolicy.js';
import type { Joined } from './joined.js';
import type { PlanLine } from './line.js';
import type { Verb } from '../../names/verbs.js';
import type { LineageEntry, Match, Matches } from './matches.js';

/** Both sides of a plan, with what follows from them alone and what earlier runs left. */
export interface PlanGround {
  readonly source: Snapshot;
  readonly shell: Snapshot;
  readonly findings: readonly Finding[];
  readonly lineage: readonly LineageEntry[];
  /** The recipe of the institution or department, whose locked parts hold whatever is chosen. */
  readonly standingRecipe?: StandingRecipe | undefined;
  /** Calendars of other terms, for dates that are left over from one of them. */
  readonly knownTerms?: readonly Calendar[] | undefined;
  /** When `source` is several sources joined: where each thing is from. */
  readonly joined?: Joined | undefined;
}

/** What was decided on it. */
export interface PlanDecided {
  readonly decisions: Decisions;
  /** The policy in force: the person's, else the proposed one. */
  readonly policy: PlanPolicy;
  /** Of several sources: those of the others than the first, by the id of the course. */
  readonly policies?: Readonly<Record<string, PlanPolicy>> | undefined;
  /** Wall-clock moment in the destination's zone; dates before it are flagged. */
  readonly now?: string | undefined;
}

export type PlanInput = PlanGround & PlanDecided;

/** The new course before it exists, and what happens to every thing on the way there. */
export interface Preview extends StandingDates {
  readonly lines: readonly PlanLine[];
  readonly items: readonly PreviewItem[];
  /** Every date that the plan moves, with its thing. */
  readonly dates: readonly PreviewDate[];
  readonly counts: KindCounts;
  readonly totals: PlanTotals;
  /** How many things the run would write or take out. */
  readonly toWrite: number;
  /** What the choices would break until somebody answers. */
  readonly broken: readonly BrokenNeed[];
}

export interface PreviewDate extends DoubtfulMoment {
  readonly item: string;
  readonly graded: boolean;
  /** Of a date for everybody that differs by section in a shared shell: its moment in the source. */
  readonly moment?: string;
  /** Of a date of everybody in a shared shell: the sections in which it is in doubt, when it is in doubt in some alone. */
  readonly doubtsOf?: readonly DoubtOf[];
}

/** An item of the new course as it will stand. */
export interface PreviewItem extends SnapshotItem {
  /** The item of the source that it comes from or answers to. */
  readonly from: string | undefined;
  readonly verb: Verb;
  readonly isPlace: boolean;
  /** The run writes it; everything else stands there already. */
  readonly isWritten: boolean;
  /** Things that stay, by their ids in the source: links to them in its text become plain words. */
  readonly plainWords?: readonly string[];
  /** It would land open, and is a draft since a date of it has passed already. */
  readonly hasPassed?: true;
}

/** Dates that earlier runs brought, as they stand in the shell. */
export interface StandingDates {
  /** Those that stand where the plan puts them: whatever was in doubt about them is. */
  readonly asBrought: readonly PreviewDate[];
  /** Those that nobody moved, and that the plan would put elsewhere now: the calendar is another, or the rule. */
  readonly elsewhere: readonly PreviewDate[];
}

/** How many things of a kind the source has, and what becomes of them. `bring` counts what will be in the new course by this plan or was brought before. */
export interface KindCount {
  readonly source: number;
  readonly bring: number;
  readonly leave: number;
  /** What a run writes, places that are kept among it, and what stands in the new course already; the rest stays behind. */
  readonly comes: number;
  readonly stands: number;
  readonly verbs: Readonly<Partial<Record<Verb, number>>>;
}
/** What a plan does, each thing counted once: `of` is the sum of `comes`, `stands` and `stays`. */
export interface PlanTotals {
  /** Things of the source. */
  readonly of: number;
  readonly comes: number;
  /** Of what comes: places that are kept for outside work. */
  readonly places: number;
  /** Of what comes: what is written into a thing of the shell. */
  readonly changed: number;
  readonly stands: number;
  readonly stays: number;
  /** Things of the shell that nothing of the source answers to, and that stay. */
  readonly own: number;
  readonly takenOut: number;
  /** How many things the new course holds after the run. */
  readonly holds: number;
}

/** What becomes of the dates of what comes. */
export interface DateTotals {
  readonly move: number;
  readonly cleared: number;
  readonly kept: number;
}

export type KindCounts = Readonly<Partial<Record<Kind, KindCount>>>;

/** Both sides of a plan indexed once: what does not change while a person chooses. */
export interface PlanIndex {
  readonly ground: PlanGround;
  readonly choice: ChoiceIndex;
  readonly matches: Matches;
  /** What each item of the source is matched with, by its place. */
  readonly matchAt: readonly Match[];
  /** What the shell has in the place of an item, by itself. */
  readonly metAt: readonly (string | null)[];
  readonly standing: ReadonlyMap<string, SnapshotItem>;
  /** Places of the source's items in the order in which they stand. */
  readonly inOrder: readonly number[];
}
