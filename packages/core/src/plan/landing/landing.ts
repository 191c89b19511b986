import { landedSettings } from '../../course/settings.js';
import { landedSyllabus } from '../../course/syllabus.js';
import type { Snapshot, SnapshotItem } from '../../course/snapshot.js';
import { textHash } from '../../course/contentHash.js';
import type { ChoiceDecisions } from '../../choose/decision.js';
import { landingStates } from '../../choose/landingStates.js';
import type { Answer, Choices, Decisions } from '../../schemas/choices.js';
import type { Link, Moment } from '../../schemas/course.js';
import { hasContent } from '../../words/text/hasContent.js';
import { arrange, type Standing } from './arrange.js';
import type { Verb } from '../../names/verbs.js';
import { settledAs } from '../../retime/causes.js';
import type { Role } from '../../schemas/retimeJob.js';
import { isWritten, landsNew, type PlanLine } from '../shapes/line.js';
import { givenDue } from '../dates/undated.js';
import { inCategory, landedLinks, plainTargets, plainWordsOf, withoutPlain } from './links.js';
import { weightsLeftBehind } from './weightsKept.js';
import { landingSets } from './workSets.js';
import type { PlanIndex, PreviewDate, PreviewItem } from '../shapes/preview.js';

interface Landing {
  readonly index: PlanIndex;
  readonly lines: readonly PlanLine[];
  /** Things of the shell that are taken out. */
  readonly out: ReadonlySet<string>;
  readonly chosen: ChoiceDecisions;
  /** What the shell has in the place of an item, by the item's place in the source. */
  readonly met: (at: number) => string | null;
  readonly retimed: readonly PreviewDate[];
  readonly decisions: Decisions;
}

const DATED_BY = ['due', 'starts', 'posts', 'opens'];
/** Roles after which a thing is over, or would be seen at once. */
const PASSES: readonly Role[] = ['due', 'closes', 'posts'];

/**
 * The new course as it will stand: what comes as it lands, and everything of the shell that stays as it is.
 *
 * @see docs/rules.md, "The new course"
 */
export function landedItems({ index, lines, out, chosen, met, retimed, decisions }: Landing): PreviewItem[] {
  const { ground, choice, standing } = index;
  const { source, shell } = ground;
  const { choices, answers } = decisions;
  const toAt = placesInShell(index, lines, met);
  const comesTo = (id: string): string | null => toAt[choice.placeOf.get(id) ?? -1] ?? null;
  const newId = (id: string): string => comesTo(id) ?? id;
  const parentAt = (at: number): string | undefined => {
    const unit = choice.parent[at]!;
    return unit < 0 ? undefined : (lines[unit]!.to ?? undefined);
  };
  const positions = positionsOf(index, lines, parentAt);
  const stateOf = landingStates(source, choices);
  const sets = landingSets(source.items, decisions.sets);
  const weightless = weightsLeftBehind(
    source,
    shell.items.filter(({ id }) => !out.has(id)),
    lines,
    choices,
  );
  const isPlain = plainTargets(choices, comesTo);
  const datesFor = datesInOrder(retimed);
  const written = new Map<string, PreviewItem>();
  const answering = new Map<string, { from: string; verb: Verb }>();

  for (let at = 0; at < source.items.length; at++) {
    const line = lines[at]!;
    if (line.to === null) continue;
    const item = source.items[at]!;
    if (!isWritten(line)) {
      if (line.verb !== 'leave' || !answering.has(line.to)) answering.set(line.to, { from: item.id, verb: line.verb });
      continue;
    }
    const there = standing.get(line.to);
    const asked = chosen.list[at]!.by === 'ask';
    const isPlace = line.place === true;
    const { moments, undated, passed } = landedMoments(item, datesFor, asked, decisions.settled);
    const state = isPlace || undated || asked || line.reword === true ? 'draft' : stateOf(item);
    const isChosen = choices.landings?.items?.[item.id] !== undefined;
    const hasPassed = passed && state === 'open' && landsNew(line) && !isChosen;
    const given = isPlace ? [] : givenDue(item, line.to, decisions.byHand);
    const landed: PreviewItem = {
      id: line.to,
      kind: item.kind,
      title: item.title,
      contentHash: item.contentHash,
      moments: given.length > 0 ? given : moments,
      links: inCategory(withoutPlain(landedLinks(item, isPlace, newId), isPlain), item, sets, comesTo),
      ...plainWordsOf(item, isPlain),
      state: hasPassed ? 'draft' : state,
      ...(hasPassed ? { hasPassed } : {}),
      points: sets.pointsOf(item),
      bodyHash: isPlace || line.headingOnly === true ? undefined : item.bodyHash,
      details: isPlace ? { placeKept: true } : sets.detailsOf(item, landedDetails(item, there, choices, weightless)),
      parent: there === undefined ? parentAt(at) : there.parent,
      position: there === undefined ? positions.get(line.to) : there.position,
      from: item.id,
      verb: line.verb,
      isPlace,
      isWritten: true,
    };
    if (line.verb === 'ask') written.set(line.to, { ...landed, ...answeredFields(landed, there!, answers![item.id]!) });
    else if (item.kind === 'courseSettings')
      written.set(line.to, { ...landed, ...settingsOf(item, source, { there, shell, out }, choices, comesTo) });
    else written.set(line.to, landed);
  }
  const rest = shell.items
    .filter(({ id }) => !written.has(id) && !out.has(id))
    .map((item): PreviewItem => {
      const answer = answering.get(item.id);
      return { ...item, from: answer?.from, verb: answer?.verb ?? 'here', isPlace: false, isWritten: false };
    });
  return [...written.values(), ...rest];
}

/** Where each item of the source stands in the new course: itself, what the shell has for it, or the double that comes. */
function placesInShell(
  { choice }: PlanIndex,
  lines: readonly PlanLine[],
  met: (at: number) => string | null,
): readonly (string | null)[] {
  const places = choice.source.items.map((_, at) => lines[at]!.to);
  return places.map((to, at) => {
    if (to !== null) return to;
    const standIn = choice.standIn[at]!;
    return (standIn < 0 ? null : places[standIn]!) ?? met(at);
  });
}

/** Dates come in the order of the items, so that each is looked for where the last was found; several for a moment that differs by section. */
function datesInOrder(dates: readonly PreviewDate[]): (id: string) => readonly PreviewDate[] {
  let next = 0;
  return (id) => {
    const from = next;
    while (next < dates.length && (dates[next]!.moment ?? dates[next]!.id) === id) next++;
    return from === next ? NO_DATES : dates.slice(from, next);
  };
}

const NO_DATES: readonly PreviewDate[] = [];
const NO_MOMENTS = { moments: [], undated: false, passed: false };

/** A date that has passed in the new term already, and that nobody set or called fine. */
const isOver = (date: PreviewDate, settled: Decisions['settled']): boolean =>
  PASSES.includes(date.role) &&
  date.flags.includes('past') &&
  date.rule !== 'byHand' &&
  settled[date.id] !== settledAs(date);

/** Dates as they land. What is asked about comes without those that were left over from another term. */
function landedMoments(
  { moments = [] }: SnapshotItem,
  datesFor: (id: string) => readonly PreviewDate[],
  asked: boolean,
  settled: Decisions['settled'],
): { readonly moments: Moment[]; readonly undated: boolean; readonly passed: boolean } {
  if (moments.length === 0) return NO_MOMENTS;
  const landed: Moment[] = [];
  let undated = false;
  let passed = false;
  for (const moment of moments)
    for (const date of datesFor(moment.id)) {
      passed ||= isOver(date, settled);
      if (date.to === null || (asked && date.flags.includes('otherTerm'))) undated ||= DATED_BY.includes(moment.role);
      else if (date.for === undefined) landed.push({ ...moment, at: date.to });
      else landed.push({ ...moment, id: date.id, at: date.to, for: date.for });
    }
  return { moments: landed, undated, passed };
}

/** Work lands as plain work, without its originality check; a discussion without the teacher's opening post, if so chosen. */
function landedDetails(
  { id, kind, details }: SnapshotItem,
  there: SnapshotItem | undefined,
  { openingPosts, sections }: Choices,
  weightless: ReadonlySet<string>,
): SnapshotItem['details'] {
  if (kind === 'syllabus') return landedSyllabus(details, there?.details, sections?.[id]);
  if (details === undefined) return details;
  if (weightless.has(id)) return { ...details, weight: undefined };
  const dropsCheck = details.originalityCheck !== undefined;
  const dropsPost = openingPosts === 'leave' && details.openingPost === true;
  if (!dropsCheck && !dropsPost) return details;
  const { originalityCheck: _, ...rest } = details;
  return dropsPost ? { ...rest, openingPost: false } : rest;
}

function settingsOf(
  item: SnapshotItem,
  source: Snapshot,
  { there, shell, out }: { there: SnapshotItem | undefined; shell: Snapshot; out: ReadonlySet<string> },
  choices: Choices,
  landsAt: (id: string) => string | null,
): Pick<PreviewItem, 'details' | 'links'> {
  const keys = (items: readonly SnapshotItem[]): string[] => items.map(({ id }) => id);
  return landedSettings(
    { settings: item, keys: keys(source.items) },
    { settings: there, keys: keys(shell.items), out },
    choices,
    landsAt,
  );
}

/** What a person decided field by field; the rest stays the shell's. Links follow the text. */
function answeredFields(
  landed: PreviewItem,
  there: SnapshotItem,
  { title, body, points, dates, details }: Answer,
): Partial<PreviewItem> {
  const textOf = (side: Answer['title'], fromSource: string, fromShell: string): string =>
    typeof side === 'object' ? side.text : side === 'source' ? fromSource : fromShell;
  return {
    title: textOf(title, landed.title, there.title),
    bodyHash:
      typeof body === 'object'
        ? hasContent(body.text)
          ? textHash(body.text)
          : undefined
        : body === 'source'
          ? landed.bodyHash
          : there.bodyHash,
    links: body === 'source' || typeof body === 'object' ? joined(landed.links, there.links) : (there.links ?? []),
    points: points === 'source' ? landed.points : there.points,
    moments: dates === 'source' ? (landed.moments ?? []) : (there.moments ?? []),
    details: details === 'source' ? landed.details : there.details,
    state: there.state,
  };
}

const joined = (these: readonly Link[] = [], those: readonly Link[] = []): Link[] => [
  ...these,
  ...those.filter(({ type, to }) => !these.some((link) => link.type === type && link.to === to)),
];

/** Positions among their siblings in the shell for what is new there. */
function positionsOf(
  { ground, inOrder }: PlanIndex,
  lines: readonly PlanLine[],
  parentAt: (at: number) => string | undefined,
): ReadonlyMap<string, number> {
  const { shell, lineage } = ground;
  const known = new Set([...lines.map(({ to }) => to), ...lineage.map(({ item }) => item)]);
  const standing = new Map<string | undefined, Standing[]>();
  for (const at of orderOf(shell.items)) {
    const { id, parent, position, editedAt } = shell.items[at]!;
    const siblings = standing.get(parent) ?? [];
    const byHand = editedAt !== undefined && !known.has(id);
    siblings.push({ id, position: position ?? siblings.length + 1, byHand });
    standing.set(parent, siblings);
  }
  const incoming = new Map<string | undefined, string[]>();
  for (const at of inOrder) {
    const { to } = lines[at]!;
    if (to === null) continue;
    const parent = parentAt(at);
    const siblings = incoming.get(parent);
    if (siblings === undefined) incoming.set(parent, [to]);
    else siblings.push(to);
  }
  const positions = new Map<string, number>();
  for (const [parent, ids] of incoming)
    for (const [id, position] of arrange(standing.get(parent) ?? [], ids)) positions.set(id, position);
  return positions;
}

/** Places of items in the order of their positions; those without one at the end. */
export const orderOf = (items: readonly SnapshotItem[]): number[] =>
  items.map((_, at) => at).sort((a, b) => (items[a]!.position ?? Infinity) - (items[b]!.position ?? Infinity) || a - b);
