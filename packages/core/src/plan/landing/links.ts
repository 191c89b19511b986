import type { SnapshotItem } from '../../course/snapshot.js';
import type { Choices } from '../../schemas/choices.js';
import type { Link } from '../../schemas/course.js';
import type { PreviewItem } from '../shapes/preview.js';
import type { LandingSets } from './workSets.js';

const NO_LINKS: Link[] = [];

/** Links lead to where their targets stand; the source's own list serves where that is the same place. */
export function landedLinks(
  { links = NO_LINKS }: SnapshotItem,
  isPlace: boolean,
  newId: (id: string) => string,
): Link[] {
  if (links.length === 0) return NO_LINKS;
  const kept = isPlace ? links.filter(({ type }) => type === 'gradedIn') : links;
  if (kept.every(({ to, course }) => course !== undefined || newId(to) === to)) return kept;
  return kept.map((link) => (link.course === undefined ? { ...link, to: newId(link.to) } : link));
}

/** What stays and is to be named in plain words, where nothing stands in its place. */
export const plainTargets =
  ({ plainWords = {} }: Choices, toOf: (id: string) => string | null) =>
  ({ type, to, course }: Link): boolean =>
    type === 'links' && course === undefined && plainWords[to] === true && toOf(to) === null;

type IsPlain = ReturnType<typeof plainTargets>;

export const withoutPlain = (links: Link[], isPlain: IsPlain): Link[] =>
  links.some(isPlain) ? links.filter((link) => !isPlain(link)) : links;

export const plainWordsOf = ({ links = NO_LINKS }: SnapshotItem, isPlain: IsPlain): Pick<PreviewItem, 'plainWords'> =>
  links.some(isPlain) ? { plainWords: links.filter(isPlain).map(({ to }) => to) } : {};

/** A line goes into the category that was set for its work, when that one comes or stands in the shell. */
export function inCategory(
  links: Link[],
  item: SnapshotItem,
  sets: LandingSets,
  comesTo: (id: string) => string | null,
): Link[] {
  if (item.kind !== 'lineItem') return links;
  const set = sets.categoryOf(item);
  const category = set === undefined ? null : comesTo(set);
  if (category === null) return links;
  return [...links.filter(({ type }) => type !== 'gradedIn'), { type: 'gradedIn', to: category }];
}
