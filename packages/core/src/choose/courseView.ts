import { snapshotOf, type SnapshotItem } from '../course/snapshot.js';
import type { Course } from '../schemas/course.js';
import { textOf } from '../words/textOf.js';
import type { CourseView } from './finding.js';

export function viewCourse(course: Course): CourseView {
  const { items } = snapshotOf(course);
  const bodies = new Map(course.items.map(({ id, body }) => [id, body ?? '']));
  const linksTo = new Map<string, { from: SnapshotItem; link: NonNullable<SnapshotItem['links']>[number] }[]>();
  const children = new Map<string, SnapshotItem[]>();
  const texts = new Map<string, string>();
  for (const item of items) {
    for (const link of item.links ?? []) {
      if (link.course !== undefined) continue;
      const known = linksTo.get(link.to);
      if (known === undefined) linksTo.set(link.to, [{ from: item, link }]);
      else known.push({ from: item, link });
    }
    if (item.parent === undefined) continue;
    const siblings = children.get(item.parent);
    if (siblings === undefined) children.set(item.parent, [item]);
    else siblings.push(item);
  }
  return {
    course,
    items,
    byId: new Map(items.map((item) => [item.id, item])),
    linksTo: (id) => linksTo.get(id) ?? [],
    childrenOf: (id) => children.get(id) ?? [],
    bodyOf: ({ id }) => bodies.get(id) ?? '',
    textOf(item) {
      let text = texts.get(item.id);
      if (text === undefined) texts.set(item.id, (text = textOf(bodies.get(item.id) ?? '')));
      return text;
    },
  };
}
