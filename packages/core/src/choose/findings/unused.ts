import { textsOf } from '../../course/texts.js';
import type { CourseView, SourceRule } from './finding.js';

const COUNTED = new Set(['file', 'questionBank', 'rubric', 'outcome', 'groups']);

/** Something leads to it, or to a question in it. */
const isReferredTo = (view: CourseView, id: string): boolean =>
  view.linksTo(id).length > 0 || view.childrenOf(id).some((child) => view.linksTo(child.id).length > 0);

/**
 * A file, bank, rubric, outcome or set of groups that nothing refers to and that stands in no unit: what stands in the
 * outline is seen by learners.
 */
export const unused: SourceRule = ({ source }) => {
  const units = new Set(source.items.filter(({ kind }) => kind === 'unit').map(({ id }) => id));
  const shown = new Set(source.course.items.filter(({ kind }) => kind === 'courseSettings').flatMap(textsOf));
  return source.items
    .filter(({ kind, id }) => COUNTED.has(kind) && !shown.has(id) && !isReferredTo(source, id))
    .filter(({ parent }) => parent === undefined || !units.has(parent))
    .map(({ id }) => ({ item: id, finding: 'unused', evidence: 'nothing refers to it', default: 'bring' }));
};
