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
import { retime } from '../retime/retime.js';
import type { Answer, Choices, Decisions } from '../schemas/choices.js';
import type { Policy, RetimeJob, RetimeMoment } from '../schemas/retimeJob.js';
import { countByKind, type KindCounts } from './counts.js';
import type { Joined } from './joinSources.js';
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
  /** When `source` is several sources joined: where each thing is from. */
  readonly joined?: Joined;
}

/** What was decided on it. */
export interface PlanDecided {
  readonly decisions: Decisions;
  /** The policy in force: the person's, else the proposed one. */
  readonly policy: Policy;
  /** Of several sources: those of the others than the first, by the id of the course. */
  readonly policies?: Readonly<Record<string, Policy>> | undefined;
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
  const { source, shell, findings, lineage, joined } = ground;
  const matches = matchToShell(source, shell, lineage, joined);
  const matchAt = source.items.map(({ id }) => matches.byItem.get(id)!);
  return {
    ground,
    choice: indexChoices(source, findings),
    matches,
    matchAt,
    metAt: matchAt.map((match) => (match.verb === 'add' ? null : match.to)),
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
  const lines = source.items.map((_, at) => lineOf(index, at, chosen, decisions, met(at)));
  return { chosen, met, lines };
}

/** Which things come and what becomes of them, without dates and places. */
export function planChosen(index: PlanIndex, decided: Decisions): PlanChosen {
  const decisions = inForce(index, decided);
  return summed(index, chosenLines(index, decisions), decisions);
}

function summed(index: PlanIndex, { chosen, met, lines }: Chosen, decisions: Decisions): PlanChosen {
  const { source, shell } = index.ground;
  const gone = index.matches.gone.map(({ sourceCourse, sourceItem, item }): PlanLine => ({
    source: sourceCourse,
    item: sourceItem,
    verb: 'gone',
    why: [],
    to: item,
  }));
  const answered = new Set([...lines, ...gone].map(({ to }) => to));
  const here = shell.items
    .filter(({ id }) => !answered.has(id))
    .map(({ id }): PlanLine => ({ source: source.course.id, item: null, verb: 'here', why: [], to: id }));
  return {
    lines: [...lines, ...gone, ...here],
    counts: countByKind(source.items, lines),
    toWrite: lines.reduce((sum, line) => sum + (isWritten(line) ? 1 : 0), 0),
    broken: brokenNeeds(index.choice, chosen, decisions.choices, shell.items, (at) => met(at) !== null),
  };
}

/** The same on sides that are indexed already. */
export function previewOn(index: PlanIndex, decided: PlanDecided): Result<Preview> {
  const decisions = inForce(index, decided.decisions);
  const made = chosenLines(index, decisions);
  const { lines } = made;
  const dates = datesOf(index, (at) => bringsDates(lines[at]!, decisions), { ...decided, decisions });
  if (!dates.ok) return dates;
  return succeed({
    ...summed(index, made, decisions),
    items: landedItems({ ...made, index, retimed: dates.value, decisions }),
    dates: dates.value,
  });
}

const bringsDates = (line: PlanLine, { answers }: Decisions): boolean =>
  isWritten(line) && (line.verb !== 'ask' || answers?.[line.item!]?.dates === 'source');

/** @param there  what the shell has in its place */
function lineOf(
  { ground, matchAt, standing }: PlanIndex,
  at: number,
  chosen: ChoiceDecisions,
  { answers: decided }: Decisions,
  there: string | null,
): PlanLine {
  const decision = chosen.list[at]!;
  const { bring, place, met, standIn } = decision;
  const match = matchAt[at]!;
  const isNew = match.verb === 'add';
  const item = ground.source.items[at]!.id;
  const source = courseOfOrigin(ground, item);
  const newId = standing.has(item) ? `${source}:${item}` : item;
  const why = chainOf(chosen, decision);
  if (!bring) {
    if (place && isNew) return { source, item, verb: 'leave', why, to: newId, place: true };
    const answers = standIn === undefined && (met || place);
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

/** The course that a thing is from. */
export const courseOfOrigin = ({ source, joined }: Pick<PlanGround, 'source' | 'joined'>, item: string): string =>
  joined?.origins.get(item)?.course ?? source.course.id;

/**
 * The dates of what comes, each moved from the calendar of the course that it is from, in the order of the items.
 *
 * @param comes  by the place of an item in the source
 */
function datesOf(
  { ground, choice }: PlanIndex,
  comes: (at: number) => boolean,
  { decisions: { byHand }, policy, policies = {}, now }: PlanDecided,
): Result<PreviewDate[]> {
  const { source, shell, joined } = ground;
  const dates: PreviewDate[] = [];
  for (const { course, calendar, meetings } of joined?.sources ?? [source]) {
    const isOf = (at: number): boolean =>
      joined === undefined || courseOfOrigin(ground, source.items[at]!.id) === course.id;
    const job = retimeJobOf({ ...source, calendar, meetings }, shell, (at) => isOf(at) && comes(at), {
      policy: policies[course.id] ?? policy,
      byHand,
      now,
    });
    const retimed = retime(job);
    if (!retimed.ok) return fail(retimed.problems);
    retimed.value.forEach(({ id, role, from, to, rule, steps, flags }, index) => {
      const { item, graded } = job.moments[index]!;
      const { kind, title } = source.items[choice.placeOf.get(item!)!]!;
      dates.push({ id, role, from, to, rule, steps, flags, item: item!, kind, title, graded: graded === true });
    });
  }
  const placeOf = ({ item }: PreviewDate): number => choice.placeOf.get(item)!;
  return succeed(joined === undefined ? dates : dates.sort((a, b) => placeOf(a) - placeOf(b)));
}
