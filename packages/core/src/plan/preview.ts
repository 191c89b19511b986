import { brokenNeeds, type BrokenNeed } from '../choose/brokenNeeds.js';
import { indexChoices, type ChoiceIndex } from '../choose/choiceIndex.js';
import { chooseOn } from '../choose/choose.js';
import type { ChoiceDecisions } from '../choose/decision.js';
import { chainOf } from '../choose/explain.js';
import type { Finding } from '../choose/finding.js';
import { withLocks, type StandingRecipe } from '../choose/recipes.js';
import type { Snapshot, SnapshotItem } from '../course/snapshot.js';
import { fail, succeed, type Result } from '../problem.js';
import type { DoubtfulMoment } from '../retime/causes.js';
import { retime, type Retimed } from '../retime/retime.js';
import type { Answer, Choices, Decisions } from '../schemas/choices.js';
import type { Policy, RetimeJob, RetimeMoment } from '../schemas/retimeJob.js';
import { countByKind, type KindCounts } from './counts.js';
import { landedItems, orderOf, type PreviewItem } from './landing.js';
import { isWritten, type PlanLine } from './line.js';
import { matchToShell, type LineageEntry, type Match, type Matches } from './match.js';

/** Both sides of a plan, with what follows from them alone and what earlier runs left. */
export interface PlanGround {
  readonly source: Snapshot;
  readonly shell: Snapshot;
  readonly findings: readonly Finding[];
  readonly lineage: readonly LineageEntry[];
  /** The recipe of the institution or department, whose locked parts hold whatever is chosen. */
  readonly standingRecipe?: StandingRecipe | undefined;
  /** Of several sources: things that a source with precedence has too, with what that one is in the new course. */
  readonly overlaps?: ReadonlyMap<string, { readonly item: string; readonly to: string | null }>;
}

/** What was decided on it. */
export interface PlanDecided {
  readonly decisions: Decisions;
  /** The policy in force: the person's, else the proposed one. */
  readonly policy: Policy;
  /** Wall-clock moment in the destination's zone; dates before it are flagged. */
  readonly now?: string;
}

export type PlanInput = PlanGround & PlanDecided;

/** The new course before it exists, and what happens to every thing on the way there. */
export interface Preview {
  readonly lines: readonly PlanLine[];
  readonly items: readonly PreviewItem[];
  /** Every date that the plan moves, with its thing. */
  readonly dates: readonly PreviewDate[];
  readonly counts: KindCounts;
  /** How many things the run would write. */
  readonly toWrite: number;
  /** What the choices would break until somebody answers. */
  readonly broken: readonly BrokenNeed[];
}

export interface PreviewDate extends DoubtfulMoment {
  readonly item: string;
  readonly graded: boolean;
}

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

export function indexPlan(ground: PlanGround): PlanIndex {
  const { source, shell, findings, lineage, overlaps } = ground;
  const matches = matchToShell(source, shell, lineage);
  const matchAt = source.items.map(({ id }) => matches.byItem.get(id)!);
  return {
    ground,
    choice: indexChoices(source, findings, overlaps),
    matches,
    matchAt,
    metAt: source.items.map(({ id }, at) => {
      const overlap = overlaps?.get(id);
      if (overlap !== undefined) return overlap.to;
      const match = matchAt[at]!;
      return match.verb === 'add' ? null : match.to;
    }),
    standing: new Map(shell.items.map((item) => [item.id, item])),
    inOrder: orderOf(source.items),
  };
}

/** What the shell has in the place of an item, by itself or because a person said what serves. */
function metBy({ choice, metAt, standing }: PlanIndex, { equivalents }: Choices): (at: number) => string | null {
  const serving = new Map<number, string>();
  for (const [id, serves] of Object.entries(equivalents ?? {})) {
    const at = choice.placeOf.get(id);
    if (at !== undefined && standing.has(serves)) serving.set(at, serves);
  }
  return serving.size === 0 ? (at) => metAt[at]! : (at) => serving.get(at) ?? metAt[at]!;
}

/** Which things come, by the choices: the part of a plan that a toggle computes anew. */
export function chooseInPlan(index: PlanIndex, choices: Choices): ChoiceDecisions {
  const met = metBy(index, choices);
  return chooseOn(index.choice, choices, (at) => met(at) !== null);
}

/**
 * Works a plan out: which things come, what each becomes in the shell, and where every date goes.
 * Pure; it writes nothing and the same input gives the same preview.
 *
 * @returns the preview, or the problems of the calendars and dates
 * @see docs/rules.md, "The plan"
 */
export const previewPlan = (input: PlanInput): Result<Preview> => previewOn(indexPlan(input), input);

/** What a preview says before anything is dated or placed: the first that a toggle shows. */
export type PlanChosen = Pick<Preview, 'lines' | 'counts' | 'toWrite' | 'broken'>;

interface Chosen {
  readonly chosen: ChoiceDecisions;
  readonly met: (at: number) => string | null;
  /** Of the source's items, in their order. */
  readonly lines: readonly PlanLine[];
}

/** The choices in force: a person's, with what only an administrator changes. */
const inForce = ({ ground }: PlanIndex, decisions: Decisions): Decisions =>
  ground.standingRecipe === undefined
    ? decisions
    : { ...decisions, choices: withLocks(decisions.choices, ground.standingRecipe, ground) };

function chosenLines(index: PlanIndex, decisions: Decisions): Chosen {
  const { source } = index.ground;
  const chosen = chooseInPlan(index, decisions.choices);
  const met = metBy(index, decisions.choices);
  const lines = source.items.map(({ id }, at) =>
    lineOf(index, at, chosen, decisions, met(at), index.standing.has(id) ? `${source.course.id}:${id}` : id),
  );
  return { chosen, met, lines };
}

/** Which things come and what becomes of them, without dates and places. */
export function planChosen(index: PlanIndex, decided: Decisions): PlanChosen {
  const decisions = inForce(index, decided);
  return summed(index, chosenLines(index, decisions), decisions);
}

function summed(index: PlanIndex, { chosen, met, lines }: Chosen, decisions: Decisions): PlanChosen {
  const { source, shell } = index.ground;
  const answered = new Set(lines.map(({ to }) => to));
  const here = shell.items
    .filter(({ id }) => !answered.has(id))
    .map(({ id }): PlanLine => ({ source: source.course.id, item: null, verb: 'here', why: [], to: id }));
  const gone = index.matches.gone.map(({ sourceItem, item }): PlanLine => ({
    source: source.course.id,
    item: sourceItem,
    verb: 'gone',
    why: [],
    to: item,
  }));
  return {
    lines: [...lines, ...gone, ...here],
    counts: countByKind(source.items, lines),
    toWrite: lines.reduce((sum, line) => sum + (isWritten(line) ? 1 : 0), 0),
    broken: brokenNeeds(index.choice, chosen, decisions.choices, shell.items, (at) => met(at) !== null),
  };
}

/** The same on sides that are indexed already. */
export function previewOn(index: PlanIndex, { decisions: decided, policy, now }: PlanDecided): Result<Preview> {
  const { source, shell } = index.ground;
  const decisions = inForce(index, decided);
  const made = chosenLines(index, decisions);
  const { lines } = made;
  const comes = (at: number): boolean => bringsDates(lines[at]!, decisions);
  const job = retimeJobOf(source, shell, comes, { policy, byHand: decisions.byHand, now });
  const retimed = retime(job);
  if (!retimed.ok) return fail(retimed.problems);

  return succeed({
    ...summed(index, made, decisions),
    items: landedItems({ ...made, index, retimed: retimed.value, decisions }),
    dates: datesOf(index, job.moments, retimed.value),
  });
}

const bringsDates = (line: PlanLine, { answers }: Decisions): boolean =>
  isWritten(line) && (line.verb !== 'ask' || answers?.[line.item!]?.dates === 'source');

/**
 * @param there  what the shell has in its place
 * @param newId  the id that the item has in the shell when it is new there
 */
function lineOf(
  { ground, matchAt }: PlanIndex,
  at: number,
  chosen: ChoiceDecisions,
  { answers: decided }: Decisions,
  there: string | null,
  newId: string,
): PlanLine {
  const decision = chosen.list[at]!;
  const { bring, place, met, standIn } = decision;
  const match = matchAt[at]!;
  const isNew = match.verb === 'add';
  const source = ground.source.course.id;
  const item = ground.source.items[at]!.id;
  const why = chainOf(chosen, decision);
  if (!bring) {
    if (place && isNew) return { source, item, verb: 'leave', why, to: newId, place: true };
    const answers = standIn === undefined && (met || place || why[0]?.reason === 'overlap');
    return { source, item, verb: 'leave', why, to: answers ? there : null };
  }
  const to = isNew ? newId : match.to;
  const answer = match.verb === 'ask' ? decided?.[item] : undefined;
  if (answer !== undefined)
    return { source, item, verb: 'ask', why, to, answered: keepsAll(answer) ? 'kept' : 'written' };
  return why[0]?.reason === 'parentOf' && isNew
    ? { source, item, verb: match.verb, why, to, headingOnly: true }
    : { source, item, verb: match.verb, why, to };
}

const keepsAll = (answer: Answer): boolean => Object.values(answer).every((side) => side === 'shell');

interface Retiming {
  readonly policy: Policy;
  readonly byHand: Decisions['byHand'];
  readonly now: string | undefined;
}

const NO_PARENTS: ReadonlyMap<string, string | undefined> = new Map();

/**
 * The job that moves the moments of what comes, for everybody and for sections.
 *
 * @param comes  by the place of an item in the source
 */
export function retimeJobOf(
  source: Snapshot,
  shell: Snapshot,
  comes: (at: number) => boolean,
  { policy, byHand, now }: Retiming,
): RetimeJob {
  const hasUnits = Object.keys(policy.byUnit ?? {}).length > 0;
  const parents = hasUnits ? new Map(source.items.map(({ id, parent }) => [id, parent])) : NO_PARENTS;
  const moments: RetimeMoment[] = [];
  for (let at = 0; at < source.items.length; at++) {
    const item = source.items[at]!;
    if (item.moments === undefined || item.moments.length === 0 || !comes(at)) continue;
    const unit = ancestors(item.id, parents);
    const graded = isGraded(item);
    for (const { id, role, at, for: people, series } of item.moments)
      moments.push({ id, item: item.id, role, at, for: people, kind: item.kind, unit, graded, series });
  }
  const isSet = Object.keys(byHand).length > 0;
  const known = new Set(isSet ? moments.map(({ id }) => id) : []);
  return {
    source: { calendar: source.calendar, meetings: [...source.meetings] },
    destination: { calendar: shell.calendar, meetings: [...shell.meetings] },
    policy,
    moments,
    byHand: Object.fromEntries(Object.entries(byHand).filter(([id]) => known.has(id))),
    ...(now === undefined ? {} : { now }),
  };
}

function ancestors(id: string, parents: ReadonlyMap<string, string | undefined>): string[] {
  const units: string[] = [];
  for (let unit = parents.get(id); unit !== undefined && !units.includes(unit); unit = parents.get(unit))
    units.push(unit);
  return units;
}

export const isGraded = ({ points, links }: SnapshotItem): boolean =>
  (points ?? 0) > 0 && (links ?? []).some(({ type }) => type === 'gradedIn');

function datesOf(
  { ground, choice }: PlanIndex,
  moments: readonly RetimeMoment[],
  retimed: readonly Retimed[],
): PreviewDate[] {
  return retimed.map(({ id, role, from, to, rule, steps, flags }, index) => {
    const { item, graded } = moments[index]!;
    const { kind, title } = ground.source.items[choice.placeOf.get(item!)!]!;
    return { id, role, from, to, rule, steps, flags, item: item!, kind, title, graded: graded === true };
  });
}
