import type { SnapshotItem } from '../course/snapshot.js';
import { weightOf, weightsOf } from '../course/weights.js';
import { SET_UP_KINDS } from './decisionsAtFirst.js';
import type { Preview } from './shapes/preview.js';

/** The set-up of a gradebook in numbers. */
export interface SetUp {
  readonly categories: number;
  readonly lines: number;
  readonly rubrics: number;
  readonly hasScale: boolean;
  /** All weights together, per cent; `null` when no category has one. */
  readonly weights: number | null;
}

/** A category of a set-up: its weight in per cent, and how many lines stand in it. */
export interface SetUpCategory {
  readonly title: string;
  readonly weight: number | null;
  readonly lines: number;
}

/** The categories of a course, in their order. */
export function categoriesOf(items: readonly SnapshotItem[]): SetUpCategory[] {
  const lines = new Map<string, number>();
  for (const { kind, links = [] } of items) {
    const category = kind === 'lineItem' ? links.find(({ type }) => type === 'gradedIn')?.to : undefined;
    if (category !== undefined) lines.set(category, (lines.get(category) ?? 0) + 1);
  }
  return items
    .filter(({ kind }) => kind === 'gradeCategory')
    .map((category) => ({
      title: category.title,
      weight: weightOf(category) ?? null,
      lines: lines.get(category.id) ?? 0,
    }));
}

/** What bringing the set-up alone into a course does there. */
export interface SetUpEffect {
  readonly holds: SetUp;
  readonly after: SetUp;
  /** Titles of what is new there, of what is changed there, and of what both have unlike: the course's own stays. */
  readonly added: readonly string[];
  readonly changed: readonly string[];
  readonly unlike: readonly string[];
  /** How many things are there already as they would come. */
  readonly same: number;
}

/** The gradebook set-up of a course, counted. */
export function setUpOf(items: readonly SnapshotItem[]): SetUp {
  const of = (kind: SnapshotItem['kind']): number => items.filter((item) => item.kind === kind).length;
  return {
    categories: of('gradeCategory'),
    lines: of('lineItem'),
    rubrics: of('rubric'),
    hasScale: of('scoreScale') > 0,
    weights: weightsOf(items) ?? null,
  };
}

const SET_UP: ReadonlySet<string> = new Set(SET_UP_KINDS);

/**
 * What a plan does to the gradebook set-up of its shell.
 *
 * @param standing  what the shell holds
 * @see docs/rules.md, "The gradebook set-up by itself"
 */
export function setUpEffect(standing: readonly SnapshotItem[], { items }: Pick<Preview, 'items'>): SetUpEffect {
  const touched = items.filter(({ kind }) => SET_UP.has(kind));
  const titled = (is: (item: (typeof touched)[number]) => boolean): string[] =>
    touched.filter(is).map(({ title }) => title);
  return {
    holds: setUpOf(standing),
    after: setUpOf(items),
    added: titled(({ verb, isWritten }) => isWritten && verb === 'add'),
    changed: titled(({ verb, isWritten }) => isWritten && verb !== 'add'),
    unlike: titled(({ verb, isWritten }) => !isWritten && verb === 'ask'),
    same: touched.filter(({ verb, from }) => from !== undefined && (verb === 'same' || verb === 'keep')).length,
  };
}
