import { findFindings } from '../../choose/findings/findFindings.js';
import { contentHash } from '../../course/contentHash.js';
import { snapshotOf } from '../../course/snapshot.js';
import { mapTexts } from '../../course/texts.js';
import { fail, succeed, type Result } from '../../problem.js';
import type { Answer, Choices, Decisions } from '../../schemas/choices.js';
import type { Course, Item } from '../../schemas/course.js';
import type { Planned, PlanJob } from '../../schemas/planJob.js';
import type { PlanPolicy } from '../../schemas/planPolicy.js';
import { namingInstead } from '../../words/text/plainWords.js';
import { readdressed } from '../../words/text/addresses.js';
import { joinSources, originOf } from '../sources/joinSources.js';
import type { JoinedGround, SourceGround } from '../shapes/joined.js';
import type { Verb } from '../../names/verbs.js';
import { isWritten, type PlanLine } from '../shapes/line.js';
import type { LineageEntry } from '../shapes/matches.js';
import { originKey } from '../shapes/origin.js';
import { previewPlan } from '../preview.js';
import type { Preview } from '../shapes/preview.js';
import { worstFirst } from '../looseEnds/looseEnd.js';
import { printedDates } from './printedDates.js';
import { doubtsLeftOver, reviewPlan } from '../review.js';
import { suggestPlanPolicy } from '../dates/suggestPlanPolicy.js';
import { shellWithoutBrought } from '../../course/stock.js';

/** What the lines, texts and histories of a plan are read from. */
interface Worked {
  readonly job: PlanJob;
  readonly ground: JoinedGround;
  readonly preview: Preview;
}

/**
 * Works out the plan of one or several whole courses, with what `yarin plan` prints. Several are planned as one; what
 * stands in two of them comes once. Pure; the same job gives the same answer.
 *
 * @param job  one that `planJobProblems` found sound
 * @see docs/rules.md, "The plan"
 */
export function planCourses(job: PlanJob): Result<Planned> {
  const { history = [], destination } = job;
  const shell = snapshotOf(destination);
  const ids = new Set(job.sources.map(({ course }) => course.id));
  const shellItself = shellWithoutBrought(
    destination,
    history.filter(({ sourceCourse }) => ids.has(sourceCourse)),
  );
  const grounds = job.sources.map((course): SourceGround => ({
    source: snapshotOf(course),
    findings: findFindings(course, shellItself, knowledgeOf(job)),
    lineage: history.filter(({ sourceCourse }) => sourceCourse === course.course.id),
  }));
  const policies: Record<string, PlanPolicy> = {};
  for (const [index, { source, findings }] of grounds.entries()) {
    const { id } = source.course;
    const given = job.policies?.[id] ?? job.policy;
    const suggestion = given === undefined ? suggestPlanPolicy(source, shell, findings) : undefined;
    if (suggestion?.ok === false) return fail(suggestion.problems.map((each) => placed(each, index)));
    policies[id] = given ?? suggestion!.value.proposed.policy;
  }
  const ground = joinSources(grounds, job.choices ?? {}, false);
  const input = {
    ...ground,
    shell,
    decisions: decisionsOf(job, ground),
    policy: policies[job.sources[0]!.course.id]!,
    policies,
    ...(job.now === undefined ? {} : { now: job.now }),
  };
  const preview = previewPlan(input);
  if (!preview.ok) return fail(preview.problems.map((each) => placed(each, 0)));
  const worked = { job, ground, preview: preview.value };
  const review = reviewPlan(input, preview.value);
  const ends = worstFirst([...review.looseEnds, ...doubtsLeftOver(review, preview.value)]);
  const course = courseOf(worked);
  return succeed({
    lines: linesOf(worked),
    findings: grounds.flatMap(({ source, findings }) =>
      findings.map((finding) => ({ source: source.course.id, ...finding })),
    ),
    counts: countsOf(worked),
    looseEnds: ends.map((end) => ({ ...end, items: [...end.items] })),
    policies,
    ...printedDates(input, preview.value),
    course,
    history: historyAfter(history, notedBy(worked), course),
  });
}

const knowledgeOf = ({ sources, destination, meetingHosts }: PlanJob): Parameters<typeof findFindings>[2] => {
  const known = new Set([...sources, destination].map(({ course }) => course.id));
  return { isCourse: (id) => known.has(id), ...(meetingHosts === undefined ? {} : { meetingHosts }) };
};

/** A problem of the dates of the only source, at its place in a plan job. */
const placed = <Each extends { readonly where: string }>(problem: Each, index: number): Each => ({
  ...problem,
  where: problem.where.replace(/^\/source(?=\/|$)/, `/sources/${index}`),
});

/** The id in the joined source of a thing of one of the sources. */
const joinedId = ({ joined }: JoinedGround, course: string, item: string): string =>
  joined?.ids.get(originKey(course, item)) ?? item;

/** What was decided, by the ids that things have when the sources are joined: an id that two sources have is of both. */
function decisionsOf({ sources, choices = {}, byHand = {}, answers }: PlanJob, ground: JoinedGround): Decisions {
  const byJoinedId = <Value>(record: Readonly<Record<string, Value>>): Record<string, Value> =>
    Object.fromEntries(
      Object.entries(record).flatMap(([id, value]) =>
        sources.flatMap(({ course }) => {
          const joined = joinedId(ground, course.id, id);
          const origin = originOf(ground, joined);
          // What is chosen of something that stays behind for another says nothing of that other.
          return origin.course === course.id && origin.item === id ? [[joined, value] as const] : [];
        }),
      ),
    );
  const { items, units, places, sections, equivalents, letOpen, plainWords, landings } = choices;
  const byId = Object.entries({ items, units, places, sections, equivalents, letOpen, plainWords }).flatMap(
    ([name, record]) => (record === undefined ? [] : [[name, byJoinedId<unknown>(record)] as const]),
  );
  return {
    choices: {
      ...choices,
      ...(Object.fromEntries(byId) as Choices),
      ...(landings?.items === undefined ? {} : { landings: { ...landings, items: byJoinedId(landings.items) } }),
    },
    byHand,
    settled: {},
    ...(answers === undefined ? {} : { answers: byJoinedId(answers) }),
  };
}

/** The new course as it will stand, with its texts. */
function courseOf({ job: { sources, destination: shell, answers }, ground, preview }: Worked): Course {
  const fromSources = new Map(
    sources.flatMap(({ course, items }) => items.map((item) => [originKey(course.id, item.id), item] as const)),
  );
  const fromShell = new Map(shell.items.map((item) => [item.id, item]));
  const headings = new Set(preview.lines.filter(({ headingOnly }) => headingOnly).map(({ to }) => to));
  const toId = new Map(
    preview.lines.flatMap(({ item, to }) => (item === null || to === null ? [] : [[item, to] as const])),
  );
  const titles = new Map(ground.source.items.map(({ id, title }) => [id, title]));
  const titleOf = (joined: string, among: readonly string[]): string | undefined =>
    among.includes(joined) ? titles.get(joined) : undefined;
  const items = preview.items.map((landed): Item => {
    if (!landed.isWritten) return fromShell.get(landed.id)!;
    const {
      from,
      verb: _verb,
      isWritten: _written,
      hasPassed: _passed,
      plainWords,
      isPlace,
      contentHash: _hash,
      bodyHash: _body,
      version: _version,
      ...item
    } = landed;
    const { course, item: id } = originOf(ground, from!);
    const origin = fromSources.get(originKey(course, id))!;
    const rewritten = (text: string): string =>
      readdressed(text, course, shell.course.id, (key) => toId.get(joinedId(ground, course, key)));
    const answer = landed.verb === 'ask' ? answers?.[id] : undefined;
    const body =
      landed.verb === 'ask'
        ? answeredText(answer?.body, origin.body, fromShell.get(landed.id)?.body)
        : isPlace || headings.has(landed.id)
          ? undefined
          : origin.body === undefined || plainWords === undefined
            ? origin.body
            : namingInstead(origin.body, course, (key) => titleOf(joinedId(ground, course, key), plainWords));
    const editedAt = origin.editedAt ?? fromShell.get(landed.id)?.editedAt;
    const details = item.details === undefined ? undefined : mapTexts(item.details, rewritten);
    return withoutGaps({ ...item, details, body: body === undefined ? undefined : rewritten(body), editedAt });
  });
  return { ...shell, items };
}

const answeredText = (
  side: Answer['body'],
  fromSource: string | undefined,
  fromShell: string | undefined,
): string | undefined => (typeof side === 'object' ? side.text : side === 'source' ? fromSource : fromShell);

const withoutGaps = (item: { readonly [Key in keyof Item]: Item[Key] | undefined }): Item =>
  Object.fromEntries(Object.entries(item).filter(([, value]) => value !== undefined)) as Item;

/** What a run would note: everything that it writes or finds to be the same, and what both sides say. */
function notedBy({ ground, preview: { lines, items } }: Worked): LineageEntry[] {
  const sources = new Map(ground.source.items.map((item) => [item.id, item]));
  const landed = new Map(items.map((item) => [item.id, item]));
  return lines.flatMap((line): LineageEntry[] => {
    const isNoted = isWritten(line) || line.verb === 'same' || line.answered === 'kept';
    if (!isNoted || line.item === null || line.to === null) return [];
    const item = landed.get(line.to)!;
    const landedHash = contentHash(item, item.bodyHash);
    // A heading or a place holds less than its source: what is missing counts as a change that is still to come.
    const isPart = line.headingOnly === true || line.place === true;
    const sourceHash = isPart ? landedHash : sources.get(line.item)!.contentHash;
    const { course, item: sourceItem } = originOf(ground, line.item);
    return [{ item: line.to, sourceCourse: course, sourceItem, sourceHash, landedHash }];
  });
}

/** The history for the next call. What landed is known by what it says in the end, with its addresses turned. */
function historyAfter(before: readonly LineageEntry[], noted: readonly LineageEntry[], course: Course): LineageEntry[] {
  const hashes = new Map(snapshotOf(course).items.map((item) => [item.id, item.contentHash]));
  const keyOf = ({ sourceCourse, sourceItem }: LineageEntry): string => originKey(sourceCourse, sourceItem);
  const renewed = new Set(noted.map(keyOf));
  return [
    ...before.filter((entry) => !renewed.has(keyOf(entry))),
    ...noted.map((entry) => ({ ...entry, landedHash: hashes.get(entry.item) ?? entry.landedHash })),
  ];
}

type PrintedLine = Planned['lines'][number];

/** Every source's lines in their order, then what left the sources, then what only the shell has. */
function linesOf({ job, ground, preview: { lines } }: Worked): Planned['lines'] {
  const { course: shell } = job.destination;
  const printed = ({ item, to, why, ...line }: PlanLine, printedItem: string): PrintedLine => ({
    ...line,
    item: printedItem,
    why: why.map((each) => (each.item === undefined ? each : { ...each, item: originOf(ground, each.item).item })),
    ...(to === null ? {} : { to }),
  });
  const ofSource = new Map(
    lines.flatMap((line) => (line.verb === 'gone' || line.item === null ? [] : [[line.item, line]])),
  );
  const ofItem = (course: string, id: string): PrintedLine => {
    const joined = joinedId(ground, course, id);
    const line = ofSource.get(joined)!;
    const origin = originOf(ground, joined);
    if (origin.course === course && origin.item === id) return printed(line, id);
    return {
      source: course,
      item: id,
      verb: 'leave',
      why: [{ reason: 'overlap', item: origin.item }],
      ...(line.to === null ? {} : { to: line.to }),
    };
  };
  return [
    ...job.sources.flatMap(({ course, items }) => items.map(({ id }) => ofItem(course.id, id))),
    ...lines.filter(({ verb }) => verb === 'gone').map((line) => printed(line, line.item!)),
    ...lines.filter(({ verb }) => verb === 'here').map((line) => printed({ ...line, source: shell.id }, line.to!)),
  ];
}

const COUNTED: readonly Verb[] = ['join', 'same', 'update', 'keep', 'ask'];

/** What the preview counted; what stays behind for the same thing of another source is left. */
function countsOf({ ground, preview }: Worked): Planned['counts'] {
  const counts: Record<string, Record<string, number>> = {};
  for (const [kind, { source, bring, leave, verbs }] of Object.entries(preview.counts)) {
    const many = Object.entries(verbs).filter(([verb]) => COUNTED.includes(verb as Verb));
    counts[kind] = { source, bring, leave, ...Object.fromEntries(many) };
  }
  const kindOf = new Map(ground.source.items.map(({ id, kind }) => [id, kind]));
  for (const [id, others] of ground.joined?.others ?? []) {
    const count = counts[kindOf.get(id)!]!;
    count.source! += others.length;
    count.leave! += others.length;
  }
  return counts as Planned['counts'];
}
