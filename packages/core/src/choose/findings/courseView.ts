import { snapshotOf, type SnapshotItem } from '../../course/snapshot.js';
import { textsOf } from '../../course/texts.js';
import type { Course, Link } from '../../schemas/course.js';
import { hasContent, textOf } from '../../words/textOf.js';
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
  const read = (mode: 'with addresses' | 'words alone'): ((item: SnapshotItem) => string) => {
    const texts = new Map<string, string>();
    return ({ id }) => {
      let text = texts.get(id);
      if (text === undefined) {
        text = textsOf(stored.get(id)!)
          .map((each) => textOf(each, mode))
          .join('\n');
        texts.set(id, text);
      }
      return text;
    };
  };
  return {
    course,
    items,
    byId: new Map(items.map((item) => [item.id, item])),
    linksTo: (id) => linksTo.get(id) ?? [],
    childrenOf: (id) => children.get(id) ?? [],
    hasText: ({ id }) => hasContent(stored.get(id)!.body),
    bodiesOf: ({ id }) => textsOf(stored.get(id)!),
    textOf: read('words alone'),
    textWithAddresses: read('with addresses'),
  };
}
