import type { FindingRule } from '../finding.js';

const COUNTED = new Set(['file', 'questionBank', 'rubric', 'outcome', 'groups']);

/** A file, bank, rubric, outcome or set of groups that nothing refers to. */
export const unused: FindingRule = ({ source }) =>
  source.items
    .filter(({ kind, id }) => COUNTED.has(kind) && source.linksTo(id).length === 0)
    .map(({ id }) => ({ item: id, finding: 'unused', evidence: 'nothing refers to it', default: 'bring' }));
