import { dayWordsWithYear } from '../../calendar/dateWords.js';
import { parseDay } from '../../calendar/day.js';
import { isOfOtherTerm } from '../../retime/otherTerm.js';
import type { SourceRule } from './finding.js';

/** A moment more than 60 days outside the term. */
export const otherTerm: SourceRule = ({ source, calendar }) =>
  source.items.flatMap((item) => {
    if (item.kind === 'courseSettings') return [];
    const far = (item.moments ?? []).find(({ at }) => isOfOtherTerm(parseDay(at), calendar));
    if (far === undefined) return [];
    return [
      { item: item.id, finding: 'otherTerm', evidence: `dated ${dayWordsWithYear(parseDay(far.at))}`, default: 'ask' },
    ];
  });
