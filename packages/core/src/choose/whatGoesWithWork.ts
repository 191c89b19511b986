import { groupBy } from '../groupBy.js';
import type { Snapshot, SnapshotItem } from '../course/snapshot.js';
import { normalisedTitle, plainTitle } from '../course/title.js';
import { isWork } from '../names/kinds.js';
import type { Decision } from './decision.js';

/** What is there for work alone, and that work, by their places: a line in which it is graded, an event that names it. */
export interface ForWork {
  readonly at: number;
  readonly work: readonly number[];
}

/** It is not in the new course: neither brought, nor its place kept, nor there already. */
const isGone = ({ bring, place, why }: Decision): boolean => !bring && !place && why[0]?.reason !== 'standsThere';

/**
 * A line of the gradebook all whose work stays behind stays too, so that nothing empty counts in the new course, and an
 * event that names such work; unless it was chosen by itself or by its kind. What of its work is needed after all brings
 * the line again.
 *
 * @param decisions  by place, of everything what it is by itself; changed in place
 * @see docs/rules.md, "Choosing"
 */
export function leaveWhatGoesWithWork(
  { source, forWork }: { readonly source: Snapshot; readonly forWork: readonly ForWork[] },
  decisions: Decision[],
): void {
  for (const { at, work } of forWork) {
    const own = decisions[at]!;
    if (!own.bring || own.why[0]?.reason !== 'all' || !work.every((each) => isGone(decisions[each]!))) continue;
    const why = [{ reason: 'workStays', item: source.items[work[0]!]!.id }] as const;
    decisions[at] = { bring: false, why, by: undefined, place: false, met: false };
  }
}

/** Lines in which work of the course is graded; those for paper and outside marks are none. */
export function gradedLines(items: readonly SnapshotItem[], gradedIn: readonly Int32Array[]): ForWork[] {
  const graded = items.flatMap(({ kind }, at) =>
    kind === 'lineItem'
      ? []
      : [...gradedIn[at]!].filter((line) => items[line]!.kind === 'lineItem').map((line) => ({ line, at })),
  );
  return [...groupBy(graded, ({ line }) => line)].map(([at, of]) => ({ at, work: of.map((each) => each.at) }));
}

/** More words than this are no title that somebody repeats in an event. */
const MOST_WORDS = 12;

/** Events that name work of the course: its whole title, of two words or more, stands in theirs; the longest counts. */
export function eventsNamingWork(items: readonly SnapshotItem[]): ForWork[] {
  if (!items.some(({ kind }) => kind === 'event')) return [];
  const works = [...items.keys()].filter((at) => isWork(items[at]!.kind) && wordsOf(items[at]!.title).length > 1);
  const named = groupBy(works, (at) => normalisedTitle(items[at]!.title));
  return items.flatMap(({ kind, title }, at) => {
    const work = kind === 'event' ? longestNamed(wordsOf(title), named) : undefined;
    return work === undefined ? [] : [{ at, work }];
  });
}

function longestNamed(words: readonly string[], named: ReadonlyMap<string, number[]>): number[] | undefined {
  for (let size = Math.min(words.length, MOST_WORDS); size > 1; size--) {
    for (let from = 0; from + size <= words.length; from++) {
      const work = named.get(words.slice(from, from + size).join(''));
      if (work !== undefined) return work;
    }
  }
  return undefined;
}

const wordsOf = (title: string): string[] =>
  title
    .split(/[^\p{L}\p{N}]+/u)
    .map(plainTitle)
    .filter((word) => word !== '');
