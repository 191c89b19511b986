import { findDates } from '../../words/findDates.js';
import { findMeetings } from '../../words/findMeetings.js';
import { findRelative, findSingleWeekdays } from '../../words/findRelative.js';
import { findTerms, findYears } from '../../words/findTerms.js';
import type { FoundWords } from '../../words/found.js';
import { proseOf } from '../../words/prose.js';
import type { SourceRule } from './finding.js';

const FINDERS = [findDates, findTerms, findYears, findRelative, findSingleWeekdays];

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
    const prose = proseOf(`${item.title}\n${source.textOf(item)}`);
    const context = { ...words, titleLength: item.title.length };
    const meetings = findMeetings(`${item.title}\n${source.textWithAddresses(item)}`, words);
    const stale = firstFew([...FINDERS.flatMap((finder) => finder(prose, context)), ...meetings]);
    if (stale.length === 0) return [];
    const evidence = stale.map((each) => `“${each.text.trim()}”`).join(', ');
    return [{ item: item.id, finding: 'lastTermsAnnouncement', evidence, default: 'leave' }];
  });
};

const MOST_SHOWN = 3;

function firstFew(found: FoundWords[]): FoundWords[] {
  found.sort((a, b) => a.start - b.start || b.end - a.end);
  const kept: FoundWords[] = [];
  for (const each of found) if (kept.length === 0 || each.start >= kept[kept.length - 1]!.end) kept.push(each);
  return kept.slice(0, MOST_SHOWN);
}
