import type { SnapshotItem } from '../../course/snapshot.js';
import type { FindingRule } from '../finding.js';

interface Section {
  readonly body?: string;
  readonly locked?: boolean;
}

/** Locked sections are the institution's, and no content of the syllabus. */
const hasContent = (item: SnapshotItem): boolean => {
  const sections = item.details?.sections;
  if (!Array.isArray(sections)) return item.bodyHash !== undefined;
  return (
    item.bodyHash !== undefined ||
    (sections as Section[]).some(({ body, locked }) => locked !== true && (body ?? '').trim() !== '')
  );
};

/** A syllabus, when the shell has one with content. */
export const lastTermsSyllabus: FindingRule = ({ source, shell }) => {
  const standing = shell.items.find((item) => item.kind === 'syllabus' && hasContent(item));
  if (standing === undefined) return [];
  return source.items
    .filter(({ kind }) => kind === 'syllabus')
    .map(({ id }) => ({
      item: id,
      finding: 'lastTermsSyllabus',
      evidence: `the shell has its own: “${standing.title}”`,
      default: 'leave',
    }));
};
