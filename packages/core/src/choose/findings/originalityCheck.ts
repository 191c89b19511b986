import { isWork } from '../../names/kinds.js';
import type { SourceRule } from './finding.js';

/** Work that asks for an originality check, which cannot carry over. */
export const originalityCheck: SourceRule = ({ source }) =>
  source.items
    .filter(({ kind, details }) => isWork(kind) && details?.originalityCheck === true)
    .map(({ id }) => ({
      item: id,
      finding: 'originalityCheck',
      evidence: 'asks for an originality check; it comes as plain work',
      default: 'bring',
    }));
