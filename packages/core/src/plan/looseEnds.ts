import type { Finding } from '../choose/finding.js';
import { firstFew } from '../firstFew.js';
import { isWork } from '../course/kinds.js';
import type { Snapshot, SnapshotItem } from '../course/snapshot.js';
import type { CourseHead } from '../schemas/course.js';
import type { BrokenNeed } from '../choose/brokenNeeds.js';
import { staysBehind, type PlanLine } from './line.js';

export type Severity = 'breaks' | 'wrong' | 'untidy';

/** Something that a person should still look at: one line a cause, with the things it is about. */
export interface LooseEnd {
  readonly code: string;
  readonly severity: Severity;
  readonly sentence: string;
  readonly detail: string;
  readonly items: readonly string[];
}

interface CourseAsItStands {
  readonly course: CourseHead;
  readonly items: readonly (SnapshotItem & { readonly isPlace?: boolean })[];
}

interface PlanBehind {
  readonly source: Snapshot;
  readonly findings: readonly Finding[];
  readonly lines: readonly PlanLine[];
  readonly broken: readonly BrokenNeed[];
}

type Check = (course: CourseAsItStands) => LooseEnd[];

export const titlesOf = (items: readonly Pick<SnapshotItem, 'title'>[]): string =>
  firstFew(items.map(({ title }) => title));

const about = (
  items: readonly SnapshotItem[],
  end: Omit<LooseEnd, 'items' | 'detail' | 'sentence'> & { readonly one: string; readonly many: string },
): LooseEnd[] => {
  if (items.length === 0) return [];
  const { one, many, ...rest } = end;
  const sentence = items.length === 1 ? one : `${items.length} ${many}`;
  return [{ ...rest, sentence, detail: titlesOf(items), items: items.map(({ id }) => id) }];
};

const brokenLinks: Check = ({ items }) => {
  const ids = new Set(items.map(({ id }) => id));
  const broken = items.filter(
    ({ kind, links = [] }) => kind !== 'rule' && links.some(({ to, course }) => course === undefined && !ids.has(to)),
  );
  return about(broken, {
    code: 'linkToNothing',
    severity: 'breaks',
    one: 'One thing links to something that is not here',
    many: 'things link to something that is not here',
  });
};

const rulesWithoutEnd: Check = ({ items }) => {
  const ids = new Set(items.map(({ id }) => id));
  const rules = items.filter(({ kind, links = [] }) => kind === 'rule' && links.some(({ to }) => !ids.has(to)));
  return about(rules, {
    code: 'ruleWithoutEnd',
    severity: 'breaks',
    one: 'A rule lacks one of its ends',
    many: 'rules lack one of their ends',
  });
};

const placesKept: Check = ({ items }) =>
  about(
    items.filter(({ isPlace, details }) => isPlace === true || details?.placeKept === true),
    {
      code: 'placeKept',
      severity: 'breaks',
      one: 'A place is kept for outside work: link it anew',
      many: 'places are kept for outside work: link them anew',
    },
  );

const workWithoutDate: Check = ({ items }) =>
  about(
    items.filter(
      ({ kind, points, moments = [], links = [] }) =>
        isWork(kind) &&
        (points ?? 0) > 0 &&
        links.some(({ type }) => type === 'gradedIn') &&
        !moments.some(({ role }) => role === 'due'),
    ),
    {
      code: 'gradedWithoutDate',
      severity: 'wrong',
      one: 'Graded work without a due date',
      many: 'pieces of graded work have no due date',
    },
  );

const weights: Check = ({ items }) => {
  const categories = items.filter(
    ({ kind, details }) => kind === 'gradeCategory' && typeof details?.weight === 'number',
  );
  const total = categories.reduce((sum, { details }) => sum + Number(details?.weight), 0);
  if (categories.length === 0 || Math.abs(total - 100) < 0.01) return [];
  return [
    {
      code: 'weights',
      severity: 'breaks',
      sentence: `The category weights come to ${total} %, not 100 %`,
      detail: titlesOf(categories),
      items: categories.map(({ id }) => id),
    },
  ];
};

const notOpen: Check = ({ course }) =>
  course.openToLearners === true
    ? []
    : [
        {
          code: 'notOpen',
          severity: 'untidy',
          sentence: 'The course is not open to learners yet',
          detail: 'open it when you are ready; nothing opens by itself',
          items: [],
        },
      ];

const CHECKS: readonly Check[] = [brokenLinks, rulesWithoutEnd, weights, placesKept, workWithoutDate, notOpen];

const RANK: Readonly<Record<Severity, number>> = { breaks: 0, wrong: 1, untidy: 2 };

/**
 * What a person should still look at in a course, the worst first: as it stands, or as it will stand after a plan.
 *
 * @param behind  the plans that lead there, for what only the old courses tell
 * @see docs/rules.md, "Loose ends"
 */
export function looseEndsOf(course: CourseAsItStands, behind: readonly PlanBehind[] = []): LooseEnd[] {
  const ends = CHECKS.flatMap((check) => check(course));
  ends.push(...behind.flatMap(planEnds));
  return worstFirst(ends);
}

export const worstFirst = (ends: readonly LooseEnd[]): LooseEnd[] =>
  [...ends].sort((a, b) => RANK[a.severity] - RANK[b.severity]);

function planEnds({ source, findings, lines, broken }: PlanBehind): LooseEnd[] {
  const items = new Map(source.items.map((item) => [item.id, item]));
  const comes = new Set(lines.filter((line) => !staysBehind(line)).map(({ item }) => item));
  const of = (ids: readonly (string | null)[]): SnapshotItem[] => ids.flatMap((id) => items.get(id ?? '') ?? []);
  const found = (name: Finding['finding'], comesToo: boolean): SnapshotItem[] =>
    of(
      findings.filter(({ finding, item }) => finding === name && comes.has(item) === comesToo).map(({ item }) => item),
    );
  const asks = lines.filter(({ verb, answered }) => verb === 'ask' && answered === undefined).map(({ item }) => item);
  const needed = broken.flatMap((each) => (each.is === 'neededButLeft' ? [each.item] : []));
  const toReword = lines.filter(({ reword }) => reword === true).map(({ item }) => item);
  const reworded = source.marks
    .filter(({ mark, item }) => mark === 'reword' && comes.has(item))
    .map(({ item }) => item);
  return [
    ...broken.flatMap((each): LooseEnd[] => {
      if (each.is !== 'ruleStays') return [];
      const titleOf = (id: string): string => items.get(id)?.title ?? 'something that is not here';
      return [
        {
          code: 'ruleStays',
          severity: 'breaks',
          sentence: `“${titleOf(each.guards)}” would open without its condition`,
          detail: `“${titleOf(each.rule)}” stays behind, since “${titleOf(each.reads)}” does`,
          items: [each.rule, each.guards],
        },
      ];
    }),
    ...about(of(needed), {
      code: 'neededButLeft',
      severity: 'wrong',
      one: 'One thing that you left comes all the same, since others need it',
      many: 'things that you left come all the same, since others need them',
    }),
    ...about(of(asks), {
      code: 'standsAlready',
      severity: 'wrong',
      one: 'Something of the same name stands in the shell; it stays as it is there',
      many: 'things of the same name stand in the shell; they stay as they are there',
    }),
    ...about(found('meetingLink', true), {
      code: 'meetingLink',
      severity: 'wrong',
      one: 'A text holds last term’s meeting link',
      many: 'texts hold last term’s meeting links',
    }),
    ...about(of(reworded), {
      code: 'reword',
      severity: 'wrong',
      one: 'You marked one thing to be reworded',
      many: 'things are marked to be reworded',
    }),
    ...about(of(toReword), {
      code: 'toReword',
      severity: 'wrong',
      one: 'One thing comes as a draft, to be reworded',
      many: 'things come as drafts, to be reworded',
    }),
    ...about(found('olderCourseLink', true), {
      code: 'olderCourseLink',
      severity: 'wrong',
      one: 'A text links into an older course',
      many: 'texts link into older courses',
    }),
    ...about(found('originalityCheck', true), {
      code: 'originalityCheck',
      severity: 'wrong',
      one: 'An originality check has to be turned on again',
      many: 'originality checks have to be turned on again',
    }),
  ];
}
