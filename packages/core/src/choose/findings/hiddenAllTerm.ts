import type { FindingRule } from '../finding.js';

/** Hidden (before archiving, if the course was archived) and never open to learners. */
export const hiddenAllTerm: FindingRule = ({ source }) =>
  source.items
    .filter(
      ({ kind, state, stateBefore, everOpen }) =>
        kind !== 'courseSettings' &&
        (source.course.course.archived === true ? (stateBefore ?? state) : state) === 'hidden' &&
        everOpen !== true,
    )
    .map(({ id }) => ({ item: id, finding: 'hiddenAllTerm', evidence: 'hidden all term, never open', default: 'ask' }));
