import { brokenNeeds } from '../choose/brokenNeeds.js';
import { indexChoices } from '../choose/choiceIndex.js';
import { chooseOn } from '../choose/choose.js';
import type { ChoiceDecisions } from '../choose/decision.js';
import { chainOf } from '../choose/explain.js';
import { withLocks } from '../choose/recipes.js';
import { succeed, type Result } from '../problem.js';
import type { Answer, Choices, Decisions } from '../schemas/choices.js';
import { countByKind } from './counts.js';
import { broughtDates, datesStanding } from './dates/broughtDates.js';
import type { StandingDates } from './shapes/preview.js';
import { datesOf } from './dates/dates.js';
import { originOf } from './sources/joinSources.js';
import { landedItems, orderOf } from './landing/landing.js';
import { isWritten, type PlanLine } from './shapes/line.js';
import { matchToShell } from './matching/match.js';
import { isTakenOutByHand, type LineageEntry } from './shapes/matches.js';
import { putBackAt } from './matching/putBack.js';
import { takenOut } from './matching/takenOut.js';
import { totalsOf } from './totals.js';
import type { PlanDecided, PlanGround, PlanIndex, PlanInput, Preview, PreviewDate } from './shapes/preview.js';

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
export type PlanChosen = Pick<Preview, 'lines' | 'counts' | 'totals' | 'toWrite' | 'broken'>;

interface Chosen {
  readonly chosen: ChoiceDecisions;
  readonly met: (at: number) => string | null;
  /** Of the source's items, in their order. */
  readonly lines: readonly PlanLine[];
  /** Things of the shell that are taken out. */
  readonly out: ReadonlySet<string>;
}

/** What an earlier run brought, still stands in the shell, and is no longer in the source. */
const goneFrom = ({ matches, standing }: PlanIndex): readonly LineageEntry[] =>
  matches.gone.filter(({ item }) => standing.has(item));

/** The choices in force: a person's, with what only an administrator changes. */
const inForce = ({ ground }: PlanIndex, decisions: Decisions): Decisions =>
  ground.standingRecipe === undefined
    ? decisions
    : { ...decisions, choices: withLocks(decisions.choices, ground.standingRecipe, ground) };

function chosenLines(index: PlanIndex, decisions: Decisions): Chosen {
  const { source, shell } = index.ground;
  const chosen = chooseInPlan(index, decisions.choices);
  const met = metBy(index, decisions.choices);
  const back = putBackAt(index.choice, index.matchAt, chosen, decisions.choices);
  const lines = source.items.map((_, at) => lineOf(index, at, { chosen, back }, decisions, met(at)));
  const answered = new Set(lines.map(({ to }) => to));
  return { chosen, met, lines, out: takenOut(answered, shell.items, decisions.choices) };
}

/** Which things come and what becomes of them, without dates and places. */
export function planChosen(index: PlanIndex, decided: Decisions): PlanChosen {
  const decisions = inForce(index, decided);
  return summed(index, chosenLines(index, decisions), decisions);
}

function summed(index: PlanIndex, { chosen, met, lines, out }: Chosen, decisions: Decisions): PlanChosen {
  const { source, shell } = index.ground;
  const ofShell = (line: PlanLine & { readonly to: string }): PlanLine =>
    out.has(line.to) ? { ...line, takenOut: true } : line;
  const gone = goneFrom(index).map(({ sourceCourse, sourceItem, item }) =>
    ofShell({ source: sourceCourse, item: sourceItem, verb: 'gone', why: [], to: item }),
  );
  const answered = new Set([...lines, ...gone].map(({ to }) => to));
  const here = shell.items
    .filter(({ id }) => !answered.has(id))
    .map(({ id }) => ofShell({ source: source.course.id, item: null, verb: 'here', why: [], to: id }));
  const all = [...lines, ...gone, ...here];
  const totals = totalsOf(all, lines.length);
  return {
    lines: all,
    counts: countByKind(source.items, lines),
    totals,
    toWrite: totals.comes + totals.takenOut,
    broken: brokenNeeds(index.choice, chosen, decisions.choices, shell.items, (at) => met(at) !== null),
  };
}

interface Dated {
  readonly decisions: Decisions;
  readonly made: Chosen;
  readonly dates: PreviewDate[];
  readonly standing: StandingDates;
}

function dated(index: PlanIndex, decided: PlanDecided): Result<Dated> {
  const decisions = inForce(index, decided.decisions);
  const made = chosenLines(index, decisions);
  const dates = datesOf(index, (at) => bringsDates(made.lines[at]!, decisions), { ...decided, decisions });
  if (!dates.ok) return dates;
  const standing = datesStanding(index, made.lines, { ...decided, decisions });
  return standing.ok ? succeed({ decisions, made, dates: dates.value, standing: standing.value }) : standing;
}

/** The same on sides that are indexed already. */
export function previewOn(index: PlanIndex, decided: PlanDecided): Result<Preview> {
  const result = dated(index, decided);
  if (!result.ok) return result;
  const { decisions, made, dates, standing } = result.value;
  return succeed({
    ...summed(index, made, decisions),
    items: landedItems({ ...made, index, retimed: dates, decisions }),
    dates,
    ...standing,
  });
}

/** What comes and where its dates go, without the things as they land. */
export type PlanDated = PlanChosen & Pick<Preview, 'dates'> & StandingDates;

/** Which things come and where every date goes, without the things as they land. */
export function planDated(index: PlanIndex, decided: PlanDecided): Result<PlanDated> {
  const result = dated(index, decided);
  if (!result.ok) return result;
  const { decisions, made, dates, standing } = result.value;
  return succeed({ ...summed(index, made, decisions), dates, ...standing });
}

/** The dates alone of what comes. */
export function datesOn(index: PlanIndex, decided: PlanDecided): Result<PreviewDate[]> {
  const result = dated(index, decided);
  return result.ok ? succeed(result.value.dates) : result;
}

/**
 * The dates that a change of the calendars concerns: of what comes; when nothing is left to come, of what was brought, which
 * stays where it stands until somebody dates it anew.
 */
export function concernedDates(index: PlanIndex, decided: PlanDecided): Result<PreviewDate[]> {
  const result = dated(index, decided);
  if (!result.ok) return result;
  const { decisions, made, dates } = result.value;
  return made.lines.some(isWritten) ? succeed(dates) : broughtDates(index, { ...decided, decisions });
}

const bringsDates = (line: PlanLine, { answers }: Decisions): boolean =>
  isWritten(line) && (line.verb !== 'ask' || answers?.[line.item!]?.dates === 'source');

/** @param there  what the shell has in its place */
function lineOf(
  { ground, matchAt, standing }: PlanIndex,
  at: number,
  { chosen, back }: { readonly chosen: ChoiceDecisions; readonly back: ReadonlySet<number> },
  { answers: decided, choices }: Decisions,
  there: string | null,
): PlanLine {
  const decision = chosen.list[at]!;
  const { bring, place, met, standIn } = decision;
  const match = matchAt[at]!;
  const item = ground.source.items[at]!.id;
  const source = originOf(ground, item).course;
  const isBack = back.has(at) && isTakenOutByHand(match);
  const isNew = match.verb === 'add' || isBack;
  // What is put back is found under the key that it had.
  const newId = isBack ? match.was : standing.has(item) ? `${source}:${item}` : item;
  const verb = isNew ? 'add' : match.verb;
  const why = chainOf(chosen, decision);
  if (!bring) {
    if (place && isNew) return { source, item, verb: 'leave', why, to: newId, place: true };
    // What a person said stands for it answers to it, also where it is only led to.
    const serves = there !== null && choices.equivalents?.[item] === there;
    const answers = standIn === undefined && (met || place || serves);
    return { source, item, verb: 'leave', why, to: answers ? there : null };
  }
  const to = isNew ? newId : match.to;
  const answer = verb === 'ask' ? decided?.[item] : undefined;
  if (answer !== undefined)
    return { source, item, verb: 'ask', why, to, answered: keepsAll(answer) ? 'kept' : 'written' };
  if ('begun' in match) return { source, item, verb, why, to, begun: true };
  if (why[0]?.reason === 'parentOf' && isNew) return { source, item, verb, why, to, headingOnly: true };
  // What a person changed in the shell meanwhile was reworded.
  return decision.reword === true && verb !== 'keep' && verb !== 'ask'
    ? { source, item, verb, why, to, reword: true }
    : { source, item, verb, why, to };
}

const keepsAll = (answer: Answer): boolean => Object.values(answer).every((side) => side === 'shell');
