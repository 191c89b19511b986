import type { SnapshotItem } from '../../course/snapshot.js';
import { firstFew } from '../../firstFew.js';
import type { CourseHead } from '../../schemas/course.js';
import { staysBehind } from '../shapes/line.js';
import type { PlanInput, Preview } from '../shapes/preview.js';

export type Severity = 'breaks' | 'wrong' | 'untidy';

/** What a loose end is about; `dateInDoubt` stands for doubts where they are not seen beside it. */
export type LooseEndCode =
  | 'linkToNothing'
  | 'ruleWithoutEnd'
  | 'weights'
  | 'weightLeft'
  | 'equivalentGone'
  | 'placeKept'
  | 'gradedWithoutDate'
  | 'notOpen'
  | 'ruleStays'
  | 'neededButLeft'
  | 'standsAlready'
  | 'meetingLink'
  | 'reword'
  | 'toReword'
  | 'olderCourseLink'
  | 'originalityCheck'
  | 'classWithoutEvent'
  | 'datedElsewhere'
  | 'dateInDoubt';

/** What is decided in the plan, thing by thing: until then the safe outcome stands. */
const DECIDED: ReadonlySet<LooseEndCode> = new Set(['standsAlready', 'ruleStays', 'neededButLeft']);
export const waitsForDecision = ({ code }: Pick<LooseEnd, 'code'>): boolean => DECIDED.has(code);

/** Those whose detail says more than which things they are about. */
const SAYS_MORE: ReadonlySet<LooseEndCode> = new Set(['ruleStays', 'weightLeft', 'notOpen', 'classWithoutEvent']);
export const namesItsThings = ({ code }: Pick<LooseEnd, 'code'>): boolean => !SAYS_MORE.has(code);

/** Something that a person should still look at: one line a cause, with the things it is about. */
export interface LooseEnd {
  readonly code: LooseEndCode;
  readonly severity: Severity;
  readonly sentence: string;
  readonly detail: string;
  readonly items: readonly string[];
}

export interface CourseAsItStands {
  readonly course: CourseHead;
  readonly items: readonly (SnapshotItem & { readonly isPlace?: boolean })[];
}

/** A plan that leads to a course, for what only the old courses tell. */
export interface PlanBehind {
  readonly input: PlanInput;
  readonly preview: Preview;
}

/** The same, indexed once for all checks. */
export interface IndexedPlan extends PlanBehind {
  /** Things of the source. */
  readonly byId: ReadonlyMap<string, SnapshotItem>;
  /** Those that come or stand already. */
  readonly comes: ReadonlySet<string>;
}

export type CourseCheck = (course: CourseAsItStands) => LooseEnd[];
export type PlanCheck = (plan: IndexedPlan) => LooseEnd[];

export const indexBehind = ({ input, preview }: PlanBehind): IndexedPlan => ({
  input,
  preview,
  byId: new Map(input.source.items.map((item) => [item.id, item])),
  comes: new Set(preview.lines.flatMap((line) => (staysBehind(line) || line.item === null ? [] : [line.item]))),
});

export const titlesOf = (items: readonly Pick<SnapshotItem, 'title'>[]): string =>
  firstFew(items.map(({ title }) => title));

/** A line about some things, in the words for one of them or for many; none about none. */
export function about(
  items: readonly SnapshotItem[],
  end: Omit<LooseEnd, 'items' | 'detail' | 'sentence'> & { readonly one: string; readonly many: string },
): LooseEnd[] {
  if (items.length === 0) return [];
  const { one, many, ...rest } = end;
  const sentence = items.length === 1 ? one : `${items.length} ${many}`;
  return [{ ...rest, sentence, detail: titlesOf(items), items: items.map(({ id }) => id) }];
}

const RANK: Readonly<Record<Severity, number>> = { breaks: 0, wrong: 1, untidy: 2 };

export const worstFirst = (ends: readonly LooseEnd[]): LooseEnd[] =>
  [...ends].sort((a, b) => RANK[a.severity] - RANK[b.severity]);
