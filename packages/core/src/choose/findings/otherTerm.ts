import { dayWordsWithYear } from '../../calendar/dateWords.js';
import { parseDay } from '../../calendar/day.js';
import type { FindingRule } from '../finding.js';

const FAR_DAYS = 60;

/** A moment more than 60 days outside the term. */
export const otherTerm: FindingRule = ({ source, calendar }) =>
  source.items.flatMap((item) => {
    if (item.kind === 'courseSettings') return [];
    const far = (item.moments ?? []).find(({ at }) => {
      const day = parseDay(at);
      return day < calendar.firstDay - FAR_DAYS || day > calendar.lastDay + FAR_DAYS;
    });
    if (far === undefined) return [];
    return [
      { item: item.id, finding: 'otherTerm', evidence: `dated ${dayWordsWithYear(parseDay(far.at))}`, default: 'ask' },
    ];
  });
