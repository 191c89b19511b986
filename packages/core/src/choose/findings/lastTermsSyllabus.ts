import type { SnapshotItem } from '../../course/snapshot.js';
import { hasContent } from '../../words/text/hasContent.js';
import type { CourseView, FindingRule } from './finding.js';

interface Section {
  readonly body?: string;
  readonly locked?: boolean;
}

/** Locked sections are the institution's, and no content of the syllabus. */
const isFilled = (view: CourseView, item: SnapshotItem): boolean => {
  const sections = item.details?.sections;
  return (
    view.hasText(item) ||
    (Array.isArray(sections) && (sections as Section[]).some(({ body, locked }) => locked !== true && hasContent(body)))
  );
};

/** A syllabus, when the shell has one with content. */
export const lastTermsSyllabus: FindingRule = ({ source, shell }) => {
  const standing = shell.items.find((item) => item.kind === 'syllabus' && isFilled(shell, item));
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
