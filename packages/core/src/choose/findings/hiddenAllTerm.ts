import { ownState } from '../../course/snapshot.js';
import type { SourceRule } from './finding.js';

/** Hidden (before archiving, if the course was archived) and never open to learners. */
export const hiddenAllTerm: SourceRule = ({ source }) =>
  source.items
    .filter((item) => item.kind !== 'courseSettings' && ownState(item) === 'hidden' && item.everOpen !== true)
    .map(({ id }) => ({ item: id, finding: 'hiddenAllTerm', evidence: 'hidden all term, never open', default: 'ask' }));
