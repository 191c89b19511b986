import type { SnapshotItem } from '../../course/snapshot.js';
import { plainTitle, titlesWithoutMark } from '../../course/title.js';
import { groupBy } from '../../groupBy.js';
import type { CourseView, Finding, SourceRule } from './finding.js';

/** The same content twice, or the title of another thing of its kind with a copy mark. */
export const double: SourceRule = ({ source }) => {
  const items = source.items.filter(({ kind }) => kind !== 'courseSettings');
  const findings = new Map<string, Finding>();
  const worth = byWorth(source);
  for (const group of groupBy(items, sameContent).values()) settle(group, worth, 'the same content as', findings);

  const titled = groupBy(items, (item) => titleKey(item, item.title));
  const copies = new Map<string, SnapshotItem[]>();
  for (const item of items) {
    const bare = titlesWithoutMark(item.title).find((title) => titled.has(titleKey(item, title)));
    if (bare === undefined) continue;
    const key = titleKey(item, bare);
    copies.set(key, [...(copies.get(key) ?? []), item]);
  }
  for (const [key, marked] of copies) {
    const plain = [...titled.get(key)!].sort(worth)[0]!;
    settle([plain, ...marked], worth, 'a copy of', findings);
  }
  return [...findings.values()];
};

const titleKey = ({ kind }: SnapshotItem, title: string): string => `${kind} ${plainTitle(title)}`;

/**
 * What makes two things say the same. A bare heading or line says only its title, so one in another unit is no double;
 * and a rule is what it reads and guards.
 */
function sameContent({ contentHash, kind, parent, bodyHash, links = [] }: SnapshotItem): string {
  if (kind === 'rule')
    return `${contentHash} ${links
      .map(({ type, to }) => `${type} ${to}`)
      .sort()
      .join(' ')}`;
  const isBare = (kind === 'unit' || kind === 'label') && bodyHash === undefined;
  return isBare ? `${contentHash} ${parent ?? ''}` : contentHash;
}

const edits = ({ version, editedAt }: SnapshotItem): number => version ?? (editedAt === undefined ? 0 : 1);

type Worth = (a: SnapshotItem, b: SnapshotItem) => number;

/** More links in, more edits, earlier: the one that stays comes first. */
const byWorth = (source: CourseView): Worth => {
  const order = new Map(source.items.map(({ id }, index) => [id, index]));
  return (a, b) =>
    source.linksTo(b.id).length - source.linksTo(a.id).length ||
    edits(b) - edits(a) ||
    order.get(a.id)! - order.get(b.id)!;
};

function settle(group: readonly SnapshotItem[], worth: Worth, words: string, findings: Map<string, Finding>): void {
  if (group.length < 2) return;
  const standing = group.filter(({ id }) => !findings.has(id));
  const [stays, ...others] = standing.sort(worth);
  for (const { id } of others)
    findings.set(id, {
      item: id,
      finding: 'double',
      evidence: `${words} “${stays!.title}”, which stays`,
      default: 'leave',
      stays: stays!.id,
    });
}
