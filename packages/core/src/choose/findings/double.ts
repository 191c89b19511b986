import type { SnapshotItem } from '../../course/snapshot.js';
import { normalisedTitle } from '../../course/title.js';
import type { CourseView, Finding, FindingRule } from '../finding.js';

const plainTitle = (title: string): string => title.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');

/** The same content twice, or a title that differs from another's only by a copy mark. */
export const double: FindingRule = ({ source }) => {
  const items = source.items.filter(({ kind }) => kind !== 'courseSettings');
  const findings = new Map<string, Finding>();
  for (const group of groupBy(items, ({ contentHash }) => contentHash))
    settle(source, group, 'the same content as', findings);
  for (const group of groupBy(items, ({ kind, title }) => `${kind} ${normalisedTitle(title)}`)) {
    if (!group.some(({ title }) => plainTitle(title) !== normalisedTitle(title))) continue;
    settle(source, group, 'a copy of', findings);
  }
  return [...findings.values()];
};

function settle(
  source: CourseView,
  group: readonly SnapshotItem[],
  words: string,
  findings: Map<string, Finding>,
): void {
  if (group.length < 2) return;
  const order = new Map(source.items.map(({ id }, index) => [id, index]));
  const [stays, ...others] = [...group].sort(
    (a, b) =>
      source.linksTo(b.id).length - source.linksTo(a.id).length ||
      Number(b.editedAt !== undefined) - Number(a.editedAt !== undefined) ||
      order.get(a.id)! - order.get(b.id)!,
  );
  for (const { id } of others)
    if (!findings.has(id))
      findings.set(id, {
        item: id,
        finding: 'double',
        evidence: `${words} “${stays!.title}”, which stays`,
        default: 'leave',
      });
}

function groupBy<Each>(items: readonly Each[], key: (item: Each) => string): Each[][] {
  const groups = new Map<string, Each[]>();
  for (const item of items) {
    const group = groups.get(key(item));
    if (group === undefined) groups.set(key(item), [item]);
    else group.push(item);
  }
  return [...groups.values()];
}
