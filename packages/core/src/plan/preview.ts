import type { Decision } from '../choose/choose.js';
import { choose } from '../choose/choose.js';
import type { Finding } from '../choose/finding.js';
import type { Snapshot, SnapshotItem } from '../course/snapshot.js';
import { fail, succeed, type Result } from '../problem.js';
import type { DoubtfulMoment } from '../retime/causes.js';
import { retime, type Retimed } from '../retime/retime.js';
import type { Decisions } from '../schemas/choices.js';
import type { ItemState, Link, Moment } from '../schemas/course.js';
import type { Policy, RetimeJob, RetimeMoment } from '../schemas/retimeJob.js';
import { arrange } from './arrange.js';
import { countByKind, type KindCounts } from './counts.js';
import { isWritten, type PlanLine, type Verb } from './line.js';
import { matchToShell, type LineageEntry, type Match } from './match.js';

/** An item of the new course as it will stand. */
export interface PreviewItem extends SnapshotItem {
  /** The item of the source that it comes from or answers to. */
  readonly from: string | undefined;
  readonly verb: Verb;
  readonly isPlace: boolean;
}

export interface PlanInput {
  readonly source: Snapshot;
  readonly shell: Snapshot;
  readonly findings: readonly Finding[];
  readonly decisions: Decisions;
  /** The policy in force: the person's, else the proposed one. */
  readonly policy: Policy;
  readonly lineage: readonly LineageEntry[];
  /** Wall-clock moment in the destination's zone; dates before it are flagged. */
  readonly now?: string;
}

/** The new course before it exists, and what happens to every thing on the way there. */
export interface Preview {
  readonly lines: readonly PlanLine[];
  readonly items: readonly PreviewItem[];
  /** Every date that the plan moves, with its thing. */
  readonly dates: readonly PreviewDate[];
  readonly counts: KindCounts;
  /** How many things the run would write. */
  readonly toWrite: number;
}

export interface PreviewDate extends DoubtfulMoment {
  readonly item: string;
  readonly graded: boolean;
}

/**
 * Works a plan out: which things come, what each becomes in the shell, and where every date goes.
 * Pure; it writes nothing and the same input gives the same preview.
 *
 * @returns the preview, or the problems of the calendars and dates
 * @see docs/rules.md, "The plan"
 */
export function previewPlan({ source, shell, findings, decisions, policy, lineage, now }: PlanInput): Result<Preview> {
  const matches = matchToShell(source, shell, lineage);
  const chosen = choose({
    source,
    findings,
    choices: decisions.choices,
    isMet: (id) => matches.byItem.get(id)?.verb !== 'add',
  });
  const standing = new Set(shell.items.map(({ id }) => id));
  const lines = source.items.map((item) => {
    const newId = standing.has(item.id) ? `${source.course.id}:${item.id}` : item.id;
    return lineOf(source.course.id, item.id, chosen.get(item.id)!, matches.byItem.get(item.id)!, newId);
  });
  const written = new Set(lines.filter(isWritten).map(({ item }) => item));
  const job = retimeJobOf(source, shell, (id) => written.has(id), { policy, byHand: decisions.byHand, now });
  const retimed = retime(job);
  if (!retimed.ok) return fail(retimed.problems);

  const items = previewItems(source, shell, lines, chosen, retimed.value, decisions);
  const dates = datesOf(source, job.moments, retimed.value);
  const answered = new Set(lines.map(({ to }) => to));
  const here = shell.items
    .filter(({ id }) => !answered.has(id))
    .map(({ id }): PlanLine => ({ source: source.course.id, item: null, verb: 'here', why: [], to: id }));
  const gone = matches.gone.map(({ sourceItem, item }): PlanLine => ({
    source: source.course.id,
    item: sourceItem,
    verb: 'gone',
    why: [],
    to: item,
  }));
  return succeed({
    lines: [...lines, ...gone, ...here],
    items,
    dates,
    counts: countByKind(source.items, lines),
    toWrite: lines.filter(isWritten).length,
  });
}

/** @param newId  the id that the item has in the shell when it is new there */
function lineOf(
  source: string,
  item: string,
  { bring, place, met, why }: Decision,
  match: Match,
  newId: string,
): PlanLine {
  const isNew = match.verb === 'add';
  if (bring) return { source, item, verb: match.verb, why, to: isNew ? newId : match.to };
  if (place && isNew) return { source, item, verb: 'leave', why, to: newId, place: true };
  return { source, item, verb: 'leave', why, to: (met || place) && !isNew ? match.to : null };
}

interface Retiming {
  readonly policy: Policy;
  readonly byHand: Decisions['byHand'];
  readonly now: string | undefined;
}

/** The job that moves the moments of what comes, for everybody and for sections. */
export function retimeJobOf(
  source: Snapshot,
  shell: Snapshot,
  comes: (id: string) => boolean,
  { policy, byHand, now }: Retiming,
): RetimeJob {
  const parents = new Map(source.items.map(({ id, parent }) => [id, parent]));
  const moments: RetimeMoment[] = [];
  for (const item of source.items) {
    if (item.moments === undefined || item.moments.length === 0 || !comes(item.id)) continue;
    const unit = ancestors(item.id, parents);
    const graded = isGraded(item);
    for (const { id, role, at, for: people, series } of item.moments)
      moments.push({ id, item: item.id, role, at, for: people, kind: item.kind, unit, graded, series });
  }
  const known = new Set(moments.map(({ id }) => id));
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

function datesOf(source: Snapshot, moments: readonly RetimeMoment[], retimed: readonly Retimed[]): PreviewDate[] {
  const items = new Map(source.items.map((item) => [item.id, item]));
  return retimed.map((each, index) => {
    const { item, graded } = moments[index]!;
    const { kind, title } = items.get(item!)!;
    return { ...each, item: item!, kind, title, graded: graded === true };
  });
}

const DATED_BY = ['due', 'starts', 'posts', 'opens'];

function previewItems(
  source: Snapshot,
  shell: Snapshot,
  lines: readonly PlanLine[],
  chosen: ReadonlyMap<string, Decision>,
  retimed: readonly Retimed[],
  { choices }: Decisions,
): PreviewItem[] {
  const newDate = new Map(retimed.map((each) => [each.id, each]));
  const toId = new Map(lines.flatMap(({ item, to }) => (item === null || to === null ? [] : [[item, to] as const])));
  const hidden = new Set(source.marks.filter(({ mark }) => mark === 'hidden').map(({ item }) => item));
  const standing = new Map(shell.items.map((item) => [item.id, item]));
  const parentOf = ({ parent }: SnapshotItem): string | undefined =>
    parent === undefined ? undefined : toId.get(parent);
  const positions = placesOf(source, shell, toId, parentOf);
  const written = new Map<string, PreviewItem>();
  const answers = new Map<string, { from: string; verb: Verb }>();

  source.items.forEach((item, index) => {
    const line = lines[index]!;
    if (line.to === null) return;
    if (!isWritten(line)) {
      answers.set(line.to, { from: item.id, verb: line.verb });
      return;
    }
    const asked = chosen.get(item.id)!.by === 'ask';
    const isPlace = line.place === true;
    const moments: Moment[] = [];
    let undated = false;
    for (const moment of item.moments ?? []) {
      const { to, flags } = newDate.get(moment.id)!;
      const stays = to !== null && !(asked && flags.includes('otherTerm'));
      if (stays) moments.push({ ...moment, at: to });
      else undated ||= DATED_BY.includes(moment.role);
    }
    const there = standing.get(line.to);
    const parent = there === undefined ? parentOf(item) : there.parent;
    const position = there === undefined ? positions.get(line.to) : there.position;
    const details = isPlace ? { placeKept: true } : landedDetails(item.details);
    const bodyHash = isPlace ? undefined : item.bodyHash;
    const links: Link[] = [];
    for (const link of item.links ?? [])
      if (!isPlace || link.type === 'gradedIn')
        links.push(link.course === undefined ? { ...link, to: toId.get(link.to) ?? link.to } : link);
    written.set(line.to, {
      id: line.to,
      kind: item.kind,
      title: item.title,
      contentHash: item.contentHash,
      moments,
      links,
      state:
        isPlace || undated || asked ? 'draft' : hidden.has(item.id) ? 'hidden' : landingState(item, source, choices),
      points: item.points,
      bodyHash,
      details,
      parent,
      position,
      from: item.id,
      verb: line.verb,
      isPlace,
    });
  });
  const rest = shell.items
    .filter(({ id }) => !written.has(id))
    .map((item): PreviewItem => {
      const answer = answers.get(item.id);
      return { ...item, from: answer?.from, verb: answer?.verb ?? 'here', isPlace: false };
    });
  return [...written.values(), ...rest];
}

/** An originality check cannot carry over, so work lands as plain work. */
function landedDetails(details: SnapshotItem['details']): SnapshotItem['details'] {
  if (details?.originalityCheck === undefined) return details;
  const { originalityCheck: _, ...rest } = details;
  return rest;
}

function landingState(item: SnapshotItem, { course }: Snapshot, { landing }: Decisions['choices']): ItemState {
  if (landing === 'draft' || landing === 'hidden') return landing;
  return (course.archived === true ? (item.stateBefore ?? item.state) : item.state) ?? 'open';
}

/** Places among their siblings in the shell for what is new there. */
function placesOf(
  source: Snapshot,
  shell: Snapshot,
  toId: ReadonlyMap<string, string>,
  parentOf: (item: SnapshotItem) => string | undefined,
): ReadonlyMap<string, number> {
  const standing = new Map<string | undefined, { id: string; position: number }[]>();
  for (const { id, parent, position } of inOrder(shell.items)) {
    const siblings = standing.get(parent) ?? [];
    siblings.push({ id, position: position ?? siblings.length + 1 });
    standing.set(parent, siblings);
  }
  const incoming = new Map<string | undefined, string[]>();
  for (const item of inOrder(source.items)) {
    const to = toId.get(item.id);
    if (to === undefined) continue;
    const siblings = incoming.get(parentOf(item));
    if (siblings === undefined) incoming.set(parentOf(item), [to]);
    else siblings.push(to);
  }
  const positions = new Map<string, number>();
  for (const [parent, ids] of incoming)
    for (const [id, position] of arrange(standing.get(parent) ?? [], ids)) positions.set(id, position);
  return positions;
}

const inOrder = (items: readonly SnapshotItem[]): SnapshotItem[] =>
  [...items].sort((a, b) => (a.position ?? Infinity) - (b.position ?? Infinity) || 0);
