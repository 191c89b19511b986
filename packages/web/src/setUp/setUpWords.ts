import { firstFew, type SetUp, type SetUpEffect } from '@yarin/core';
import { count } from '../shared/words.js';

const FULL = 100;

/** “5 categories at 100 %, 33 lines, 4 rubrics, a scale”. */
export function holdsWords({ categories, lines, rubrics, hasScale, weights }: SetUp): string {
  const weighed = weights === null ? '' : ` at ${weights} %`;
  return [
    `${count(categories, 'category', 'categories')}${weighed}`,
    count(lines, 'line'),
    rubrics === 0 ? '' : count(rubrics, 'rubric'),
    hasScale ? 'a scale' : 'no scale',
  ]
    .filter((part) => part !== '')
    .join(', ');
}

/** Whether weights would not come to 100 % after it. */
export const isUnbalanced = ({ after }: SetUpEffect): boolean => after.weights !== null && after.weights !== FULL;

/** What bringing it would do in a course, a sentence a fact. */
export function effectWords({ holds, after, added, changed, unlike, same }: SetUpEffect): string[] {
  const scale = !holds.hasScale && after.hasScale ? 'gets the scale' : '';
  return [
    added.length > 0 ? `${added.length} new: ${firstFew(added)}` : '',
    changed.length > 0 ? `${changed.length} changed: ${firstFew(changed)}` : '',
    same > 0 ? `${same} there already` : '',
    unlike.length > 0
      ? `${unlike.length} unlike, the course’s own ${unlike.length === 1 ? 'stays' : 'stay'}: ${firstFew(unlike)}`
      : '',
    scale,
  ].filter((part) => part !== '');
}

/** “Bring the set-up into 3 courses”. */
export const actWords = (chosen: number): string =>
  chosen === 0 ? 'Choose where it goes' : `Bring the set-up into ${count(chosen, 'course')}`;
