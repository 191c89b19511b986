import { snapshotOf, type SnapshotItem } from '../../course/snapshot.js';
import { fieldsOf, textsOf } from '../../course/texts.js';
import type { Course, Link } from '../../schemas/course.js';
import { hasContent } from '../../words/text/hasContent.js';
import { proseOf as readProse } from '../../words/text/prose.js';
import type { CourseView } from './finding.js';

/**
 * Indexes a course once for all findings; texts are read when a finding asks for them.
 *
 * @param items  what `snapshotOf` says of its items, where that is known
 */
export function viewCourse(course: Course, items: readonly SnapshotItem[] = snapshotOf(course).items): CourseView {
  const stored = new Map(course.items.map((item) => [item.id, item]));
  const linksTo = new Map<string, { from: SnapshotItem; link: Link }[]>();
  const children = new Map<string, SnapshotItem[]>();
  for (const item of items) {
    for (const link of item.links ?? []) {
      if (link.course !== undefined || link.to === item.id) continue;
      const known = linksTo.get(link.to);
      if (known === undefined) linksTo.set(link.to, [{ from: item, link }]);
      else known.push({ from: item, link });
    }
    if (item.parent === undefined) continue;
    const siblings = children.get(item.parent);
    if (siblings === undefined) children.set(item.parent, [item]);
    else siblings.push(item);
  }
  const proseOf = kept((id) => readProse(stored.get(id)!.title, fieldsOf(stored.get(id)!)));
  return {
    course,
    items,
    byId: new Map(items.map((item) => [item.id, item])),
    linksTo: (id) => linksTo.get(id) ?? [],
    childrenOf: (id) => children.get(id) ?? [],
    hasText: ({ id }) => hasContent(stored.get(id)!.body),
    bodiesOf: ({ id }) => textsOf(stored.get(id)!),
    proseOf: ({ id }) => proseOf(id),
  };
}

/** What is worked out once for each id, when it is asked for. */
function kept<Value>(of: (id: string) => Value): (id: string) => Value {
  const known = new Map<string, Value>();
  return (id) => {
    let value = known.get(id);
    if (value === undefined) known.set(id, (value = of(id)));
    return value;
  };
}
