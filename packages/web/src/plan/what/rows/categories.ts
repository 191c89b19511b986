import { groupBy, type SnapshotItem } from '@yarin/core';
import type { Under } from './grouping.js';

type Linked = Pick<SnapshotItem, 'id' | 'kind' | 'title' | 'links'>;

const gradedIn = ({ links = [] }: Linked): string | undefined => links.find(({ type }) => type === 'gradedIn')?.to;

/** The category of the gradebook that each work of a course is graded in, by way of its line; categories in their order. */
export function categoriesOf(items: readonly Linked[]): (item: Linked) => Under | undefined {
  const byId = new Map(items.map((item) => [item.id, item]));
  const categories = groupBy(items, ({ kind }) => kind).get('gradeCategory') ?? [];
  const under = new Map(categories.map(({ id, title }, place): [string, Under] => [id, { name: title, place }]));
  return (item) => {
    let at = gradedIn(item);
    // A line, and the category that it is in.
    for (let steps = 0; at !== undefined && !under.has(at) && steps < 2; steps++) {
      const line = byId.get(at);
      at = line === undefined ? undefined : gradedIn(line);
    }
    return at === undefined ? undefined : under.get(at);
  };
}
