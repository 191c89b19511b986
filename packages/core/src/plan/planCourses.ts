import { findFindings } from '../choose/findFindings.js';
import { contentHash } from '../course/contentHash.js';
import { snapshotOf } from '../course/snapshot.js';
import { mapTexts } from '../course/texts.js';
import { fail, succeed, type Result } from '../problem.js';
import type { Answer, Decisions } from '../schemas/choices.js';
import type { Course, Item } from '../schemas/course.js';
import type { Planned, PlanJob } from '../schemas/planJob.js';
import { readdressed } from '../words/addresses.js';
import { isWritten, type PlanLine, type Verb } from './line.js';
import { looseEndsOf } from './looseEnds.js';
import type { LineageEntry } from './match.js';
import { overlapsOf, type Overlaps } from './overlaps.js';
import { indexPlan, previewOn, type PlanGround, type Preview } from './preview.js';
import { suggestPlanPolicy } from './suggestPlanPolicy.js';
import { shellWithoutBrought } from './stock.js';

/** One source laid on what the sources before it made of the shell. */
interface Layer {
  readonly ground: PlanGround;
  readonly preview: Preview;
}

/**
 * Works out the plan of one or several whole courses, with what `yarin plan` prints. The sources are laid on the shell
 * one after the other; what stands in two of them comes once. Pure; the same job gives the same answer.
 *
 * @param job  one that `planJobProblems` found sound
 * @see docs/rules.md, "The plan"
 */
export function planCourses(job: PlanJob): Result<Planned> {
  const decisions: Decisions = {
    choices: job.choices ?? {},
    byHand: job.byHand ?? {},
    settled: {},
    ...(job.answers === undefined ? {} : { answers: job.answers }),
  };
  const snapshots = job.sources.map(snapshotOf);
  const overlaps = overlapsOf(snapshots, decisions.choices);
  const landedFrom = new Map<string, string>();
  const layers: Layer[] = [];
  const noted: LineageEntry[] = [];
  let standing = job.destination;
  let policy = job.policy;
  for (const [index, course] of job.sources.entries()) {
    const source = snapshots[index]!;
    const shell = snapshotOf(standing);
    const lineage = [...(job.history ?? []), ...noted];
    const findings = findFindings(course, shellWithoutBrought(standing, lineage), knowledgeOf(job));
    const mine = overlaps.get(course.course.id)!;
    const ground: PlanGround = {
      source,
      shell,
      findings,
      lineage,
      overlaps: new Map(
        [...mine].map(([item, other]) => [
          item,
          { item: other.item, to: landedFrom.get(`${other.source} ${other.item}`) ?? null },
        ]),
      ),
    };
    if (policy === undefined) {
      const suggestion = suggestPlanPolicy(source, shell, findings);
      if (!suggestion.ok) return fail(suggestion.problems.map((each) => placed(each, index)));
      policy = suggestion.value.proposed.policy;
    }
    const preview = previewOn(indexPlan(ground), {
      decisions,
      policy,
      ...(job.now === undefined ? {} : { now: job.now }),
    });
    if (!preview.ok) return fail(preview.problems.map((each) => placed(each, index)));
    for (const { item, to } of preview.value.lines)
      if (item !== null && to !== null) landedFrom.set(`${course.course.id} ${item}`, to);
    standing = courseOf(preview.value, course, standing, decisions.answers);
    noted.push(...notedBy(ground, preview.value));
    layers.push({ ground, preview: preview.value });
  }
  standing = withOthersIn(standing, overlaps, landedFrom);
  return succeed({
    lines: linesOf(layers, job.destination),
    findings: layers.flatMap(({ ground }) =>
      ground.findings.map((finding) => ({ source: ground.source.course.id, ...finding })),
    ),
    counts: countsOf(layers),
    looseEnds: endsOf(layers, standing),
    policy: policy ?? {},
    course: standing,
    history: historyAfter(job.history ?? [], noted, standing),
  });
}

const knowledgeOf = ({ sources, destination, meetingHosts }: PlanJob): Parameters<typeof findFindings>[2] => {
  const known = new Set([...sources, destination].map(({ course }) => course.id));
  return { isCourse: (id) => known.has(id), ...(meetingHosts === undefined ? {} : { meetingHosts }) };
};

/** A problem of the dates, at its place in a plan job. */
const placed = <Each extends { readonly where: string }>(problem: Each, index: number): Each => ({
  ...problem,
  where: problem.where.replace(/^\/source(?=\/|$)/, `/sources/${index}`),
});

/** The new course as it will stand, with its texts. */
function courseOf(preview: Preview, source: Course, shell: Course, answers: Decisions['answers']): Course {
  const fromSource = new Map(source.items.map((item) => [item.id, item]));
  const fromShell = new Map(shell.items.map((item) => [item.id, item]));
  const headings = new Set(preview.lines.filter(({ headingOnly }) => headingOnly).map(({ to }) => to));
  const toId = new Map(
    preview.lines.flatMap(({ item, to }) => (item === null || to === null ? [] : [[item, to] as const])),
  );
  const rewritten = (text: string): string =>
    readdressed(text, source.course.id, shell.course.id, (id) => toId.get(id));
  const items = preview.items.map((landed): Item => {
    if (!landed.isWritten) return fromShell.get(landed.id)!;
    const {
      from,
      verb: _verb,
      isWritten: _written,
      isPlace,
      contentHash: _hash,
      bodyHash: _body,
      version: _version,
      ...item
    } = landed;
    const origin = fromSource.get(from!)!;
    const answer = landed.verb === 'ask' ? answers?.[from!] : undefined;
    const body =
      landed.verb === 'ask'
        ? answeredText(answer?.body, origin.body, fromShell.get(landed.id)?.body)
        : isPlace || headings.has(landed.id)
          ? undefined
          : origin.body;
    const editedAt = origin.editedAt ?? fromShell.get(landed.id)?.editedAt;
    const details = item.details === undefined ? undefined : mapTexts(item.details, rewritten);
    return withoutGaps({ ...item, details, body: body === undefined ? undefined : rewritten(body), editedAt });
  });
  return { ...shell, items };
}

/**
 * What a person preferred from a later source lands after those that lead to the earlier one's: their links and
 * addresses are turned to it at the end.
 */
function withOthersIn(course: Course, overlaps: Overlaps, landedFrom: ReadonlyMap<string, string>): Course {
  const there = new Set(course.items.map(({ id }) => id));
  const instead = new Map<string, string>();
  for (const [, ofSource] of overlaps)
    for (const [item, other] of ofSource) {
      const to = landedFrom.get(`${other.source} ${other.item}`);
      if (to !== undefined && !there.has(item)) instead.set(item, to);
    }
  if (instead.size === 0) return course;
  const turned = (text: string): string =>
    readdressed(text, course.course.id, course.course.id, (id) => instead.get(id));
  const items = course.items.map((item): Item => ({
    ...item,
    ...(item.body === undefined ? {} : { body: turned(item.body) }),
    ...(item.details === undefined ? {} : { details: mapTexts(item.details, turned) }),
    ...(item.links === undefined
      ? {}
      : { links: item.links.map((link) => ({ ...link, to: instead.get(link.to) ?? link.to })) }),
  }));
  return { ...course, items };
}

const answeredText = (
  side: Answer['body'],
  fromSource: string | undefined,
  fromShell: string | undefined,
): string | undefined => (typeof side === 'object' ? side.text : side === 'source' ? fromSource : fromShell);

const withoutGaps = (item: { readonly [Key in keyof Item]: Item[Key] | undefined }): Item =>
  Object.fromEntries(Object.entries(item).filter(([, value]) => value !== undefined)) as Item;

/** What a run would note of a source: everything that it writes or finds to be the same, and what both sides say. */
function notedBy({ source }: PlanGround, { lines, items }: Preview): LineageEntry[] {
  const sources = new Map(source.items.map((item) => [item.id, item]));
  const landed = new Map(items.map((item) => [item.id, item]));
  return lines.flatMap((line): LineageEntry[] => {
    const isNoted = isWritten(line) || line.verb === 'same' || line.answered === 'kept';
    if (!isNoted || line.item === null || line.to === null) return [];
    const item = landed.get(line.to)!;
    const landedHash = contentHash(item, item.bodyHash);
    // A heading or a place holds less than its source: what is missing counts as a change that is still to come.
    const isPart = line.headingOnly === true || line.place === true;
    const sourceHash = isPart ? landedHash : sources.get(line.item)!.contentHash;
    return [{ item: line.to, sourceCourse: source.course.id, sourceItem: line.item, sourceHash, landedHash }];
  });
}

/** The history for the next call. What landed is known by what it says in the end, with its addresses turned. */
function historyAfter(before: readonly LineageEntry[], noted: readonly LineageEntry[], course: Course): LineageEntry[] {
  const hashes = new Map(snapshotOf(course).items.map((item) => [item.id, item.contentHash]));
  const keyOf = ({ sourceCourse, sourceItem }: LineageEntry): string => `${sourceCourse} ${sourceItem}`;
  const renewed = new Set(noted.map(keyOf));
  return [
    ...before.filter((entry) => !renewed.has(keyOf(entry))),
    ...noted.map((entry) => ({ ...entry, landedHash: hashes.get(entry.item) ?? entry.landedHash })),
  ];
}

/** Every source's lines in their order, then what only the shell has. */
function linesOf(layers: readonly Layer[], destination: Course): Planned['lines'] {
  const printed = ({ source, item, to, ...line }: PlanLine): Planned['lines'][number] => ({
    source,
    item: item!,
    ...line,
    why: [...line.why],
    ...(to === null ? {} : { to }),
  });
  const { course: shell, items } = destination;
  const own = new Set(items.map(({ id }) => id));
  const here = layers.at(-1)!.preview.lines.filter(({ item, to }) => item === null && own.has(to!));
  const answered = new Set(
    layers.flatMap(({ preview }) => preview.lines.flatMap(({ item, to }) => (item === null ? [] : to))),
  );
  return [
    ...layers.flatMap(({ preview }) => preview.lines.filter(({ item }) => item !== null).map(printed)),
    ...here.filter(({ to }) => !answered.has(to)).map((line) => printed({ ...line, source: shell.id, item: line.to })),
  ];
}

const COUNTED: readonly Verb[] = ['join', 'same', 'update', 'keep', 'ask'];

/** What each preview counted, summed over the sources. */
function countsOf(layers: readonly Layer[]): Planned['counts'] {
  const counts: Record<string, Record<string, number>> = {};
  for (const { preview } of layers)
    for (const [kind, { source, bring, leave, verbs }] of Object.entries(preview.counts)) {
      const count = (counts[kind] ??= { source: 0, bring: 0, leave: 0 });
      const more = Object.entries(verbs).filter(([verb]) => COUNTED.includes(verb as Verb));
      for (const [name, many] of Object.entries({ source, bring, leave, ...Object.fromEntries(more) }))
        count[name] = (count[name] ?? 0) + many;
    }
  return counts as Planned['counts'];
}

function endsOf(layers: readonly Layer[], course: Course): Planned['looseEnds'] {
  const behind = layers.map(({ ground, preview: { lines, broken } }) => ({
    source: ground.source,
    findings: ground.findings,
    lines,
    broken,
  }));
  return looseEndsOf(snapshotOf(course), behind).map((end) => ({ ...end, items: [...end.items] }));
}
