import type { CourseSummary } from '@yarin/core';
import { contentsWords, courseCode, sectionWords } from './words.js';

/** What tells a course from others of its name: section, class days, who teaches it, how much it holds. */
export function courseLine(course: CourseSummary): string {
  return [
    sectionWords(course),
    course.instructors.join(', ') || 'no instructor yet',
    contentsWords(course),
    course.campus ?? '',
    course.archived ? 'archived' : '',
    course.cancelled ? 'taken off by the registrar' : '',
  ]
    .filter((part) => part !== '')
    .join(' · ');
}

/** The term, which tells runs of one course apart; a development course and a template say what they are instead. */
export const termLabel = ({ type, term }: CourseSummary): string =>
  type === 'development' ? 'development' : type === 'template' ? 'template' : term;

export const courseName = (course: CourseSummary): string =>
  course.type === 'course'
    ? `${courseCode(course)} ${course.title}`
    : `${course.code} ${course.number} ${course.title}`;
