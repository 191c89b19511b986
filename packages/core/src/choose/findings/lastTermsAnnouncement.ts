import { findWords } from '../../words/findWords.js';
import type { Found } from '../../words/found/found.js';
import type { SourceRule } from './finding.js';

/** What holds for one term only; a weekday when it stands alone and does not recur. */
function isStale(found: Found): boolean {
  switch (found.sort) {
    case 'date':
    case 'range':
    case 'term':
    case 'year':
    case 'relative':
    case 'meeting':
      return true;
    case 'weekday':
      return found.isSure && !found.recurs;
    default:
      return false;
  }
}

/**
 * An announcement that is not evergreen: something in its title or text holds for last term only.
 *
 * @see docs/rules.md, "Findings"
 */
export const lastTermsAnnouncement: SourceRule = ({ source, words }) => {
  const evergreen = new Set(
    (source.course.marks ?? []).filter(({ mark }) => mark === 'evergreen').map(({ item }) => item),
  );
  return source.items.flatMap((item) => {
    if (item.kind !== 'announcement' || evergreen.has(item.id)) return [];
    const stale = findWords(source.proseOf(item), words).filter(isStale).slice(0, MOST_SHOWN);
    if (stale.length === 0) return [];
    const evidence = stale.map((each) => `“${each.sort === 'meeting' ? each.said : each.text}”`).join(', ');
    return [{ item: item.id, finding: 'lastTermsAnnouncement', evidence, default: 'leave' }];
  });
};

const MOST_SHOWN = 3;
